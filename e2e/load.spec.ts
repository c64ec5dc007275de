import { connect } from 'node:net'
import { DEMO_PROJECT } from '../core/demo/project.ts'
import { heavyProject } from '../core/testing/heavy.ts'
import { FORMAT, VERSION } from '../core/records/project.ts'
import { expect, test } from './support.ts'

/** A yard where many ask at once: whoever asks something small is answered meanwhile. */
test.describe.configure({ mode: 'serial' })

const demo = JSON.stringify(DEMO_PROJECT)

test('a hundred projects at once, hostile bodies and slow lines hold nobody up', { tag: '@deep' }, async ({ baseURL }) => {
  const base = baseURL!
  const post = async (body: string, query = '') => {
    const response = await fetch(`${base}/api/evaluate${query}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body,
    })
    return { status: response.status, body: await response.text() }
  }
  // what is small and comes after a hundred large ones is answered before the last of them
  const order: string[] = []
  const large = Array.from({ length: 100 }, () => post(demo).finally(() => order.push('large')))
  const small = Array.from({ length: 20 }, async () => {
    expect((await fetch(`${base}/api/supply/sellers`)).status).toBe(200)
    order.push('small')
  })
  const all = await Promise.all(large)
  await Promise.all(small)
  expect(new Set(all.map((one) => `${one.status} ${one.body}`)).size).toBe(1)
  expect(all[0]!.status).toBe(200)
  expect(order.lastIndexOf('small')).toBeLessThan(order.lastIndexOf('large') - 20)

  const zeros = await post(`{"format":"${FORMAT}","version":${VERSION},"parts":[${'0,'.repeat(1_000_000)}0]}`)
  expect([zeros.status, zeros.body]).toEqual([400, expect.stringContaining('has 1000001 members')])
  for (const deep of ['['.repeat(2_400_000), '{"a":'.repeat(800_000)]) expect((await post(deep)).status).toBe(400)
  expect((await post(demo + ' '.repeat(4_500_000))).status).toBe(200)
  expect((await post(' '.repeat(5_100_000))).status).toBe(413)
  // the server gives up on what takes longer than it allows: this one is answered in time
  expect((await post(JSON.stringify(heavyProject({ points: 1500, uMm: 5, jumpMm: 2 })), '?setup=estate-fronts')).status).toBe(200)

  const slow = Array.from({ length: 20 }, () => {
    const line = connect(Number(new URL(base).port), '127.0.0.1')
    line.on('error', () => undefined)
    line.write('POST /api/evaluate HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Type: application/json\r\nContent-Length: 4000000\r\n\r\n{')
    return line
  })
  expect((await post(demo)).status).toBe(200)
  for (const line of slow) line.destroy()
})

test('more than wait are sent away for a moment', { tag: '@deep' }, async ({ baseURL }) => {
  const all = await Promise.all(
    Array.from({ length: 400 }, async () => {
      const response = await fetch(`${baseURL}/api/evaluate`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: demo,
      })
      return { status: response.status, after: response.headers.get('retry-after'), body: await response.text() }
    }),
  )
  const busy = all.filter((one) => one.status === 503)
  expect(all.filter((one) => one.status === 200).length).toBe(all.length - busy.length)
  for (const one of busy) {
    expect(one.after).toBe('2')
    expect(one.body).toContain('Nothing is lost; send it again in a moment.')
  }
  expect((await fetch(`${baseURL}/api/supply/sellers`)).status).toBe(200)
})
