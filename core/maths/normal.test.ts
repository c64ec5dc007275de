import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { normalCdf, normalQuantile } from './normal.ts'

describe('the normal distribution', () => {
  test('known points', () => {
    expect(normalCdf(0)).toBe(0.5)
    expect(normalCdf(1.959963984540054)).toBeCloseTo(0.975, 14)
    expect(normalQuantile(0.05)).toBeCloseTo(-1.6448536269514722, 12)
    expect(normalCdf(-40)).toBe(0)
    expect(normalCdf(-6) / 9.865876450376946e-10).toBeCloseTo(1, 9)
  })
  test('quantile and share undo each other', () => {
    fc.assert(
      fc.property(fc.double({ min: 1e-9, max: 1 - 1e-9, noNaN: true }), (p) => {
        expect(Math.abs(normalCdf(normalQuantile(p)) - p)).toBeLessThan(1e-12)
      }),
    )
  })
})
