import { expect, test } from '@playwright/test'
import { connect } from 'node:net'
import { DEMO_PROJECT } from '../core/demo/project.ts'
import { heavyProject } from '../core/testing/heavy.ts'
import { FORMAT, VERSION } from '../core/model/project.ts'

/** A yard where many ask at once: whoever asks something small is answered meanwhile. */
test.describe.configure({ mode: 'serial' })

// of a machine that also runs the browsers of other stories
const ANSWERED_WITHIN_MS = 1000
const demo = JSON.stringify(DEMO_PROJECT)

async function whileAsking(base: string, work: () => Promise<void>): Promise<number[]> {
  let over = false
  const waits: number[] = []
  const asking = (async () => {
    while (!over) {
      const from = performance.now()
      expect((await fetch(`${base}/api/supply/sellers`)).status).toBe(200)
      waits.push(performance.now() - from)
      await new Promise((resolve) => setTimeout(resolve, 20))
    }
  })()
  try {
    await work()
  } finally {
    over = true
    await asking
  }
  return waits.sort((a, b) => a - b)
}

test('a hundred projects at once, hostile bodies and slow lines hold nobody up', async ({ baseURL }) => {
  const base = baseURL!
  const post = async (body: string, query = '') => {
    const from = performance.now()
    const response = await fetch(`${base}/api/evaluate${query}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body,
    })
    return { status: response.status, body: await response.text(), ms: performance.now() - from }
  }
  const waits = await whileAsking(base, async () => {
    const all = await Promise.all(Array.from({ length: 100 }, () => post(demo)))
    expect(new Set(all.map((one) => `${one.status} ${one.body}`)).size).toBe(1)
    expect(all[0]!.status).toBe(200)

    const zeros = await post(`{"format":"${FORMAT}","version":${VERSION},"parts":[${'0,'.repeat(1_000_000)}0]}`)
    expect([zeros.status, zeros.body]).toEqual([400, expect.stringContaining('has 1000001 members')])
    expect(zeros.ms).toBeLessThan(3000)
    for (const deep of ['['.repeat(2_400_000), '{"a":'.repeat(800_000)]) expect((await post(deep)).status).toBe(400)
    expect((await post(demo + ' '.repeat(4_500_000))).status).toBe(200)
    expect((await post(' '.repeat(5_100_000))).status).toBe(413)
    const heavy = await post(JSON.stringify(heavyProject({ points: 1500, uMm: 5, jumpMm: 2 })), '?setup=estate-fronts')
    expect([heavy.status, heavy.ms < 5000]).toEqual([200, true])

    const slow = Array.from({ length: 20 }, () => {
      const line = connect(Number(new URL(base).port), '127.0.0.1')
      line.on('error', () => undefined)
      line.write('POST /api/evaluate HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Type: application/json\r\nContent-Length: 4000000\r\n\r\n{')
      return line
    })
    expect((await post(demo)).status).toBe(200)
    for (const line of slow) line.destroy()
  })
  const at = (share: number) => waits[Math.min(Math.floor(waits.length * share), waits.length - 1)]!
  console.log(`others waited ${at(0.5).toFixed(0)} ms at the median, ${at(0.95).toFixed(0)} ms in 19 of 20, ${at(1).toFixed(0)} ms at most`)
  expect(at(0.95)).toBeLessThan(ANSWERED_WITHIN_MS / 4)
  // one in a hundred may meet whatever else the machine does at that moment
  expect(at(0.99)).toBeLessThan(ANSWERED_WITHIN_MS)
  expect(at(1)).toBeLessThan(3 * ANSWERED_WITHIN_MS)
})

test('more than wait are sent away for a moment', async ({ baseURL }) => {
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
