import type { APIRequestContext } from '@playwright/test'
import { DEMO_PROJECT } from '../core/demo/project.ts'
import { mutateText, mutateValue } from '../core/testing/fuzz.ts'
import { stream } from '../core/testing/heavy.ts'
import { choose, expect, openDemo, test, violations } from './support.ts'

const post = (request: APIRequestContext, path: string, data: unknown) =>
  request.post(`/api/${path}`, {
    data: typeof data === 'string' ? data : JSON.stringify(data),
    headers: { 'content-type': 'application/json' },
  })
const wanted = [{ partId: 'pads', kind: 'pad', name: 'Sport pad', pieces: 1 }]

test('the simulated sellers: who they are, and the same answer on the same day', async ({ request }) => {
  const sellers = (await (await request.get('/api/supply/sellers')).json()) as { name: string }[]
  expect(sellers.length).toBeGreaterThan(3)
  const ask = async (date: string) => await (await post(request, 'supply/quotes', { wanted, currency: 'GBP', date })).json()
  const monday = await ask('2026-11-23')
  expect(monday).toEqual(await ask('2026-11-23'))
  expect(monday).not.toEqual(await ask('2026-11-24'))
  for (const quote of monday.quotes as { seller: string; currency: string; partId: string }[]) {
    expect(sellers.map((one) => one.name)).toContain(quote.seller)
    expect([quote.currency, quote.partId]).toEqual(['GBP', 'pads'])
  }
})

test('what no quote can be made of is refused with the place', async ({ request }) => {
  const cases: [unknown, RegExp][] = [
    ['{ half', /\{ wanted, currency, date \}/],
    [{ wanted, currency: 'shells', date: '2026-11-23' }, /currency must be one of/],
    [{ wanted, currency: 'EUR', date: 'tomorrow' }, /date must be written/],
    [{ wanted: [{ ...wanted[0], pieces: 0.5 }], currency: 'EUR', date: '2026-11-23' }, /wanted\[0\]\.pieces/],
    [{ wanted: Array.from({ length: 201 }, () => wanted[0]), currency: 'EUR', date: '2026-11-23' }, /at most 200 parts/],
  ]
  for (const [body, words] of cases) {
    const answer = await post(request, 'supply/quotes', body)
    expect([answer.status(), (await answer.json()).message]).toEqual([400, expect.stringMatching(words)])
  }
  expect((await post(request, 'supply/quotes', 'x'.repeat(200_001))).status()).toBe(413)
})

test('the simulated gauges: readings near what was set, faults as they were chosen, nonsense refused', async ({ request }) => {
  const pressures = async (fault: string) => {
    const answer = await post(request, 'gauge/pressure', { frontMpa: 6, rearMpa: 3, fault })
    return (await answer.json()) as { frontMpa: number; rearMpa: number }
  }
  const [well, off] = [await pressures('none'), await pressures('rearZero')]
  expect(Math.abs(well.frontMpa - 6)).toBeLessThan(0.2)
  expect(off.rearMpa - well.rearMpa).toBeGreaterThan(0.1)
  for (const body of ['no', { frontMpa: -1, rearMpa: 3, fault: 'none' }, { frontMpa: 1, rearMpa: 3, fault: 'ghosts' }])
    expect((await post(request, 'gauge/pressure', body)).status()).toBe(400)
  expect((await post(request, 'gauge/set', { id: 'bench', jawMm: 42, fault: 'none' })).ok()).toBe(true)
  expect((await post(request, 'gauge/send', { id: 'bench' })).ok()).toBe(true)
  for (const body of [
    'no',
    { id: '../x', jawMm: 1, fault: 'none' },
    { id: 'bench', jawMm: 'wide', fault: 'none' },
    { id: 'bench', jawMm: 1, fault: 'ghosts' },
  ]) {
    const answer = await post(request, 'gauge/set', body)
    expect([answer.status(), (await answer.json()).message]).toEqual([400, expect.stringMatching(/Needs \{ id, jawMm/)])
  }
  expect((await post(request, 'gauge/send', { id: '' })).status()).toBe(400)
  expect((await request.get('/api/gauge/stream?id=%20')).status()).toBe(400)
})

test('pages, files and routes carry the headers; no other site is answered', async ({ request, page }) => {
  const refused = violations(page)
  const html = await (await request.get('/')).text()
  const script = /src="(\/_nuxt\/[^"]+\.js)"/.exec(html)![1]!
  for (const path of ['/', '/p/nobody/fit', '/icon.svg', '/sw.js', script, '/api/supply/sellers', '/api/nothing', '/api/evaluate']) {
    const answer = await request.get(path)
    const headers = answer.headers()
    expect([path, headers['x-content-type-options'], headers['x-frame-options'], headers['referrer-policy']]).toEqual([
      path,
      'nosniff',
      'DENY',
      'no-referrer',
    ])
    expect([path, headers['content-security-policy']]).toEqual([path, expect.stringMatching(/script-src 'self'( 'sha256-\S+')*; /)])
    expect([path, headers['x-powered-by']]).toEqual([path, undefined])
  }
  expect((await request.get('/api/nothing')).status()).toBe(404)
  const wrong = await request.get('/api/evaluate')
  expect([wrong.status(), wrong.headers().allow, await wrong.json()]).toEqual([405, 'POST', { message: expect.any(String) }])
  const plain = await request.post('/api/gauge/set', { data: '{}', headers: { 'content-type': 'text/plain' } })
  expect(plain.status()).toBe(415)
  for (const [name, value] of [
    ['origin', 'http://example.org'],
    ['sec-fetch-site', 'cross-site'],
    ['host', 'example.org'],
  ] as const) {
    const answer = await request.get('/api/supply/sellers', { headers: { [name]: value } })
    expect([name, answer.status()]).toEqual([name, 403])
  }
  await page.goto('/')
  await expect(page.getByRole('heading').first()).toBeVisible()
  expect(refused).toEqual([])
})

test('a phone in the house, without what browsers keep for https: the gauge, a copied part', async ({ page }) => {
  await page.addInitScript(() => {
    Reflect.deleteProperty(Crypto.prototype, 'randomUUID')
    Reflect.deleteProperty(Navigator.prototype, 'serviceWorker')
    Reflect.deleteProperty(Navigator.prototype, 'clipboard')
  })
  await openDemo(page, 'measure', 'setup=estate-fronts&sheet=rotor')
  await choose(page.getByTestId('gauge'), 'gauge that types')
  await openDemo(page, 'parts', 'setup=estate-fronts&part=estate-front-caliper')
  await page.getByRole('button', { name: 'Copy', exact: true }).click()
  await expect(page.getByLabel('Name of the part')).toHaveValue(/copy/i)
})

test('broken requests of fixed seeds: every route answers in words, none fails and none takes long', async ({ request }) => {
  const demo = JSON.stringify(DEMO_PROJECT)
  const targets: [path: string, good: unknown][] = [
    ['supply/quotes', { wanted, currency: 'GBP', date: '2026-11-23' }],
    ['gauge/set', { id: 'fuzz', jawMm: 42, fault: 'none' }],
    ['gauge/send', { id: 'fuzz' }],
    ['gauge/pressure', { frontMpa: 6, rearMpa: 3, fault: 'none' }],
    ['evaluate?setup=estate-fronts', DEMO_PROJECT],
  ]
  for (let seed = 1; seed <= 40; seed += 1) {
    const next = stream(20261126 + seed * 7919)
    for (const [path, good] of targets) {
      const text =
        next() < 0.5 ? mutateText(path.startsWith('evaluate') ? demo : JSON.stringify(good), next) : JSON.stringify(mutateValue(good, next))
      const answer = await post(request, path, text)
      const said = [path, seed, answer.status(), answer.ok() || /"(message|problems)":/.test(await answer.text())]
      expect(said).toEqual([path, seed, answer.status(), true])
      expect([200, 204, 400, 413, 422]).toContain(answer.status())
    }
  }
  expect((await (await post(request, 'evaluate', demo)).json()).setups).toHaveLength(DEMO_PROJECT.setups.length)
})
