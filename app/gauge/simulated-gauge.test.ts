import { afterEach, expect, jest, test } from '@jest/globals'
import { simulatedGauge } from './simulated-gauge.ts'

const known = globalThis.fetch
afterEach(() => {
  globalThis.fetch = known
})
/** A server whose answers come when they are let go; says what has arrived there. */
function slowServer() {
  const arrived: string[] = []
  const waiting: { answer(): void; fail(): void }[] = []
  globalThis.fetch = jest.fn<typeof fetch>((url, init) => {
    arrived.push(`${String(url).split('/').at(-1)} ${String(init?.body)}`)
    return new Promise((resolve, reject) =>
      waiting.push({ answer: () => resolve(new Response('{}')), fail: () => reject(new Error('no server')) }),
    )
  })
  const settle = () => new Promise((resolve) => setTimeout(resolve, 0))
  return {
    arrived,
    async answer() {
      waiting.shift()!.answer()
      await settle()
    },
    async fail() {
      waiting.shift()!.fail()
      await settle()
    },
    settle,
  }
}

test('the button waits until the jaws are where they were put', async () => {
  const server = slowServer()
  const gauge = simulatedGauge('bench')
  const done = Promise.all([gauge.set(6, 'none'), gauge.set(0, 'zeroOffset'), gauge.send()])
  await server.settle()
  expect(server.arrived).toEqual(['set {"id":"bench","jawMm":6,"fault":"none"}'])
  await server.answer()
  expect(server.arrived.at(-1)).toBe('set {"id":"bench","jawMm":0,"fault":"zeroOffset"}')
  await server.answer()
  expect(server.arrived).toHaveLength(3)
  await server.answer()
  await done
  expect(server.arrived.at(-1)).toBe('send {"id":"bench"}')
})

test('an order that fails says so to who gave it, and does not hold up the next', async () => {
  const server = slowServer()
  const gauge = simulatedGauge('bench')
  const first = gauge.set(6, 'none').catch((problem: Error) => problem.message)
  const second = gauge.send()
  await server.settle()
  await server.fail()
  expect(await first).toBe('no server')
  await server.answer()
  await second
  expect(server.arrived).toHaveLength(2)
})
