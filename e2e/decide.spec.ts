import { readFileSync } from 'node:fs'
import { choose, expect, openDemo, seriousFindings, test, tick, fitsTheWindow, unfold } from './support.ts'

test('a budget, the wheels kept: find, why the dear kit is out, take one, compare and print', async ({ page }) => {
  await openDemo(page, 'cost', 'setup=as-it-stands&view=search')
  await page.getByLabel('Budget of the search').fill('500')
  await page.getByTestId('search-go').click()
  await expect(page.getByTestId('search-says')).toContainText('beaten by no other')
  await expect(page.getByTestId('search-counts')).toContainText('evaluated in full')
  // what stays is looked at in full while it can be read
  await expect(page.getByTestId('looked')).toContainText('Clearance, verdict and the heat margin in Hill climb')
  await expect(page.getByTestId('finds').locator('tbody tr').first()).toContainText(/run|left/)
  await expect(page.getByTestId('finds')).toContainText('cheapest')
  // what it costs is within the budget
  const costs = await page.getByTestId('finds').locator('tbody td:nth-child(2)').allTextContents()
  expect(costs.length).toBeGreaterThan(2)
  for (const one of costs) expect(Number(one.replace(/[^\d]/g, ''))).toBeLessThanOrEqual(500)
  await page.getByText(/Combinations ruled out, by check/).click()
  await expect(page.getByTestId('dropped')).toContainText(/by rotor thickness in the caliper/i)
  // why not, and what would let it in
  await choose(page.getByTestId('why-part'), 'Four-piston caliper Q4')
  await expect(page.getByTestId('why-says')).toContainText('the budget')
  // taken as a setup, undone, taken again
  await page
    .getByRole('button', { name: /^Add .*Estate front caliper/ })
    .first()
    .click()
  const tab = page.getByRole('tab', { name: /Estate front caliper/ })
  await expect(tab).toHaveAttribute('aria-selected', 'true')
  await page.keyboard.press('Control+z')
  await expect(tab).toHaveCount(0)
  await expect(page.getByText('The project was changed since')).toHaveCount(0)
  await page
    .getByRole('button', { name: /^Add .*Estate front caliper/ })
    .first()
    .click()
  await page.getByRole('link', { name: 'Compare', exact: true }).click()
  await expect(page.getByTestId('compare-lines').locator('tbody tr')).not.toHaveCount(0)
  await unfold(page, 'All rows side by side')
  await expect(page.getByText(/costs EUR\s.* less than|costs least/).first()).toBeVisible()
  await unfold(page, 'Your priorities and the resulting order')
  const sheet = page.getByTestId('compare')
  await expect(sheet.locator('tbody tr').filter({ hasText: 'Total cost' })).toContainText('EUR')
  await expect(sheet.locator('tbody tr').filter({ hasText: 'Heat margin to the nearest limit' })).toContainText(/run|left/)
  // columns are hidden, ordered by weights, opened
  await tick(page.getByRole('checkbox', { name: 'Twin-piston kit' }), false)
  await expect(sheet.locator('thead')).not.toContainText('Twin-piston kit')
  const order = page.getByTestId('weighed-order')
  await expect(order).toContainText(/^Estate/)
  const heat = page.getByRole('slider', { name: 'Weight of Heat margin' })
  for (let i = 0; i < 3; i += 1) await heat.press('ArrowRight')
  const cost = page.getByRole('slider', { name: 'Weight of Cost' })
  await cost.press('Home')
  await expect(order).toContainText(/^Four-piston/)
  const waiting = page.waitForEvent('download')
  await page.getByTestId('compare-csv').click()
  const csv = readFileSync(await (await waiting).path(), 'utf8')
  expect(csv.split('\n').find((line) => line.startsWith('Total cost'))).toMatch(/EUR/)
  expect(await seriousFindings(page)).toEqual([])
  await page.emulateMedia({ media: 'print' })
  await expect(page.getByTestId('weights')).toBeHidden()
  const pdf = await page.pdf({ format: 'A4', margin: { top: '10mm', bottom: '10mm', left: '10mm', right: '10mm' } })
  expect(pdf.toString('latin1').match(/\/Type\s*\/Page[^s]/g)).toHaveLength(1)
})

test('nothing keeps all that must hold: what is nearest, and what is missing', async ({ page }) => {
  await openDemo(page, 'cost', 'setup=balanced&view=search')
  await page.getByLabel('Budget of the search').fill('nothing')
  await expect(page.locator('.field-error').first()).toBeVisible()
  await page.getByLabel('Budget of the search').fill('1')
  // a kit that is kept costs more than one euro, whatever else is changed
  await unfold(page, 'More options')
  await choose(page.getByLabel('Start from setup', { exact: true }), 'Twin-piston kit')
  await tick(page.getByRole('checkbox', { name: 'front brakes' }), false)
  await tick(page.getByRole('checkbox', { name: 'rear brakes' }), false)
  await tick(page.getByRole('checkbox', { name: 'master cylinder, bar and valve' }))
  await page.getByTestId('search-go').click()
  await expect(page.getByTestId('search-says')).toContainText('No combination in the library meets every requirement')
  await page.setViewportSize({ width: 390, height: 844 })
  await fitsTheWindow(page)
  await openDemo(page, 'cost', 'setup=balanced&view=compare')
  await expect(page.getByTestId('compare-says')).toBeVisible()
  await fitsTheWindow(page)
})

test('a catalogue of four hundred parts: progress, cancelled without a trace, then to its end', async ({ page }) => {
  await openDemo(page, 'cost', 'setup=as-it-stands&view=search')
  await page.getByTestId('add-catalogue').click()
  await expect(page.getByTestId('add-catalogue')).toHaveCount(0)
  await tick(page.getByRole('checkbox', { name: 'wheels', exact: true }))
  await page.getByTestId('search-go').click()
  await page.getByTestId('search-cancel').click()
  await expect(page.getByText('Cancelled; nothing was changed.')).toBeVisible()
  await tick(page.getByRole('checkbox', { name: 'wheels', exact: true }), false)
  await tick(page.getByRole('checkbox', { name: 'front brakes' }), false)
  await tick(page.getByRole('checkbox', { name: 'rear brakes' }), false)
  await tick(page.getByRole('checkbox', { name: 'master cylinder, bar and valve' }))
  await page.getByTestId('search-go').click()
  await expect(page.getByTestId('search-says')).toContainText('beaten by no other')
  await page.keyboard.press('Control+z')
  await expect(page.getByTestId('add-catalogue')).toBeVisible()
})

test('only what is there; whole kits at their own price; two cylinders with their bar, taken as they were said', async ({ page }) => {
  await openDemo(page, 'cost', 'setup=as-it-stands&view=search')
  const box = (name: string) => page.getByRole('checkbox', { name, exact: true })
  const search = async () => {
    await page.getByTestId('search-go').click()
    // the result of the search before stays until this one has its own
    await expect(page.getByTestId('search-cancel')).toHaveCount(0)
    await expect(page.getByTestId('search-says')).toContainText('beaten by no other')
    await expect(page.getByTestId('looked')).toContainText('Clearance, verdict and the heat margin')
  }
  const rows = page.getByTestId('finds').locator('tbody tr')
  await unfold(page, 'More options')
  await tick(box('what is there already'))
  await search()
  for (const cost of await rows.locator('td:nth-child(2)').allTextContents()) expect(cost).toMatch(/^\s*EUR.(0|34)\b/)
  await tick(box('what is there already'), false)

  // a kit costs what it does whole, and it is its price that lets a part of it in
  await tick(box('whole kits and donors, beside loose parts'))
  for (const name of ['nothing left unknown', 'no adapters or shims', 'the wheel clears (95% confidence)']) await tick(box(name), false)
  await search()
  await choose(page.getByTestId('why-part'), 'Four-piston caliper Q4')
  const why = page.getByTestId('why-says')
  await expect(why).toContainText('It would be among the results if Kit Q4, front cost less')
  await expect(why).toContainText(/Now EUR.765\.00/)

  for (const name of ['front brakes', 'rear brakes', 'Rotor temperature rise in one stop', 'Minimum clearance'])
    await tick(box(name), false)
  for (const name of ['master cylinder, bar and valve', 'the usual pedal']) await tick(box(name))
  await search()
  const pair = rows.filter({ hasText: /balance bar: set to [\d.]+% front/ }).first()
  const share = /[\d.]+%/.exec(await pair.locator('td:nth-child(6)').innerText())![0]
  await pair.getByRole('button', { name: /^Add/ }).click()
  await expect(page.getByTestId('key-figure-bias')).toContainText(share)
})

test('the same over the server: lines of JSON, a clear no for nonsense', async ({ request }) => {
  const { DEMO_PROJECT } = await import('../core/demo/project.ts')
  const ask = { vary: { rear: false }, musts: { budgetMinor: 50_000 } }
  const done = await request.post('/api/search', { data: { project: DEMO_PROJECT, ask } })
  expect([done.status(), done.headers()['content-type']]).toEqual([200, 'application/jsonl; charset=utf-8'])
  const lines = (await done.text())
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as { kind: string; result?: { finds: unknown[] } })
  expect(lines.at(-1)).toMatchObject({ kind: 'result' })
  expect(lines.at(-1)!.result!.finds.length).toBeGreaterThan(1)
  for (const [data, words] of [
    [Buffer.from('{'), 'is not JSON'],
    [{}, 'is missing'],
    [{ project: { format: 'x' } }, 'not a project'],
    [{ project: DEMO_PROJECT, ask: { by: ['beauty'] } }, 'must be among'],
  ] as const) {
    const refused = await request.post('/api/search', { data, headers: { 'content-type': 'application/json' } })
    expect(refused.status()).toBe(400)
    expect(await refused.text()).toContain(words)
  }
})
