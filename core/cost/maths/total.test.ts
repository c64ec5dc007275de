import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { chanceWithin, costTotal, type CostLine } from './total.ts'

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

test('low <= p05 <= p10 <= expected <= p90 <= p95 <= high, and likely between low and high', () => {
  fc.assert(
    fc.property(fc.array(line, { maxLength: 12 }), fc.double({ min: 0, max: 30, noNaN: true }), (lines, tax) => {
      const t = costTotal(lines, tax)
      const order = [t.low, t.p05, t.p10, t.expected, t.p90, t.p95, t.high]
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
    p05: 0,
    p95: 0,
  })
})
test('rounded once, half up, at the line', () => {
  const half = { quantity: 1, low: 5, likely: 5, high: 5, rate: 0.1, owned: false }
  expect(costTotal([half, half], 0).likely).toBe(2)
})

describe('what moves together', () => {
  const spread = (more: Partial<CostLine> = {}): CostLine => ({
    quantity: 1,
    low: 8000,
    likely: 10_000,
    high: 12_000,
    rate: 1,
    owned: false,
    ...more,
  })
  const width = (lines: CostLine[]) => costTotal(lines, 0).p90 - costTotal(lines, 0).p10
  test('independent lines even out, the shipping of one seller does not', () => {
    const apart = width([spread(), spread()])
    const together = width([spread({ movesWith: 'a' }), spread({ movesWith: 'a' })])
    expect(together).toBeGreaterThan(apart)
    // standard deviations add: twice one line
    expect(together).toBeCloseTo(2 * width([spread()]), -1)
    expect(width([spread({ movesWith: 'a' }), spread({ movesWith: 'b' })])).toBe(apart)
  })
  test('a rate that may move widens the sum and the range, all lines of it at once', () => {
    const fixed = spread({ low: 10_000, high: 10_000 })
    const abroad = { ...fixed, spread: { of: 'USD', share: 0.1 } }
    expect(costTotal([abroad], 0)).toMatchObject({ low: 9000, likely: 10_000, high: 11_000, expected: 10_000 })
    // symmetric triangle: share / root 6
    const sigma = 20_000 * 0.1 * Math.sqrt(1 / 6)
    expect(width([abroad, abroad])).toBeCloseTo(2 * 1.28155 * sigma, -1)
  })
  test('what is sold takes from the sum', () => {
    expect(costTotal([spread(), spread({ low: -3000, likely: -2000, high: -1000 })], 0)).toMatchObject({
      low: 5000,
      likely: 8000,
      high: 11_000,
    })
  })
})

describe('the chance to stay within a budget', () => {
  test('none below the lowest, certain at the highest, rising between', () => {
    const lines = [{ quantity: 1, low: 8000, likely: 10_000, high: 15_000, rate: 1, owned: false }]
    expect(chanceWithin(lines, 0, 7999)).toBe(0)
    expect(chanceWithin(lines, 0, 15_000)).toBe(1)
    expect(chanceWithin(lines, 0, 11_000)).toBeCloseTo(0.5, 6)
    fc.assert(
      fc.property(fc.array(line, { minLength: 1, maxLength: 8 }), fc.nat(900_000), fc.nat(900_000), (all, a, b) => {
        const [less, more] = [Math.min(a, b), Math.max(a, b)]
        expect(chanceWithin(all, 5, less)).toBeLessThanOrEqual(chanceWithin(all, 5, more) + 1e-9)
      }),
    )
  })
  test('agrees with the 80 % range', () => {
    const lines = Array.from({ length: 20 }, () => ({ quantity: 1, low: 5000, likely: 10_000, high: 12_000, rate: 1, owned: false }))
    const { p10, p90, p05, p95 } = costTotal(lines, 0)
    expect(chanceWithin(lines, 0, p10)).toBeCloseTo(0.1, 3)
    expect(chanceWithin(lines, 0, p90)).toBeCloseTo(0.9, 3)
    expect(chanceWithin(lines, 0, p05)).toBeCloseTo(0.05, 3)
    expect(chanceWithin(lines, 0, p95)).toBeCloseTo(0.95, 3)
  })
})
