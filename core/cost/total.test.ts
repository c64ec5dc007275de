import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { costTotal, type CostLine } from './total.ts'

const line: fc.Arbitrary<CostLine> = fc
  .record({
    quantity: fc.integer({ min: 1, max: 10 }),
    prices: fc.tuple(fc.nat(90_000), fc.nat(90_000), fc.nat(90_000)),
    rate: fc.double({ min: 0.1, max: 3, noNaN: true }),
    owned: fc.boolean(),
  })
  .map(({ prices, ...rest }) => {
    const [low, likely, high] = prices.sort((a, b) => a - b) as [number, number, number]
    return { ...rest, low, likely, high }
  })

test('low <= p10 <= expected <= p90 <= high, and likely between low and high', () => {
  fc.assert(
    fc.property(fc.array(line, { maxLength: 12 }), fc.double({ min: 0, max: 30, noNaN: true }), (lines, tax) => {
      const t = costTotal(lines, tax)
      const order = [t.low, t.p10, t.expected, t.p90, t.high]
      expect(order).toEqual([...order].sort((a, b) => a - b))
      expect(t.low <= t.likely && t.likely <= t.high).toBe(true)
      expect(order.every(Number.isInteger)).toBe(true)
    }),
  )
})
test('what is owned costs nothing', () => {
  expect(costTotal([{ quantity: 2, low: 100, likely: 200, high: 300, rate: 1, owned: true }], 20)).toEqual({
    low: 0,
    likely: 0,
    high: 0,
    expected: 0,
    p10: 0,
    p90: 0,
  })
})
test('rounded once, half up, at the line', () => {
  const half = { quantity: 1, low: 5, likely: 5, high: 5, rate: 0.1, owned: false }
  expect(costTotal([half, half], 0).likely).toBe(2)
})
