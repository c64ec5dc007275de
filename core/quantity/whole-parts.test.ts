import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { wholeParts } from './whole-parts.ts'

test('three thirds are ten tenths', () => {
  expect(wholeParts([1 / 3, 1 / 3, 1 / 3], 10)).toEqual([4, 3, 3])
  expect(wholeParts([0.335, 0.335, 0.33], 100)).toEqual([34, 33, 33])
  expect(wholeParts([], 10)).toEqual([])
})
test('they add up, and none is off by one or more', () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: 0.001, max: 1, noNaN: true }), { minLength: 1, maxLength: 6 }),
      fc.constantFrom(10, 100),
      (raw, of) => {
        const sum = raw.reduce((a, b) => a + b, 0)
        const shares = raw.map((one) => one / sum)
        const parts = wholeParts(shares, of)
        expect(parts.reduce((a, b) => a + b, 0)).toBe(of)
        parts.forEach((part, i) => expect(Math.abs(part - shares[i]! * of)).toBeLessThan(1 + 1e-6))
      },
    ),
  )
})
