import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { bisect } from './bisect.ts'
import { quantile } from './quantile.ts'
import { Remembered } from './remembered.ts'

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true })

test('halving ends on the good side, whichever way round, and as near as asked', () => {
  fc.assert(
    fc.property(number(-50, 50), number(0.1, 40), number(0.1, 40), (turn, below, above) => {
      const up = bisect(turn - below, turn + above, 1e-9, (x) => x >= turn)
      expect(up).toBeGreaterThanOrEqual(turn)
      expect(up - turn).toBeLessThan(1e-8)
      const down = bisect(turn + above, turn - below, 1e-9, (x) => x <= turn)
      expect(down).toBeLessThanOrEqual(turn)
      expect(turn - down).toBeLessThan(1e-8)
    }),
  )
})

test('a quantile lies within the values and rises with its share', () => {
  fc.assert(
    fc.property(fc.array(number(-9, 9), { minLength: 1, maxLength: 40 }), number(0, 1), number(0, 1), (values, p, q) => {
      const sorted = Float64Array.from(values).sort()
      const [low, high] = [quantile(sorted, Math.min(p, q)), quantile(sorted, Math.max(p, q))]
      expect(low).toBeLessThanOrEqual(high)
      expect(low).toBeGreaterThanOrEqual(sorted[0]!)
      expect(high).toBeLessThanOrEqual(sorted[sorted.length - 1]!)
    }),
  )
})

test('an answer is remembered for its own question alone, and the oldest is forgotten first', () => {
  const memory = new Remembered<string>(2, 3)
  memory.keep([1, 2], 'a')
  memory.keep([1], 'b')
  expect([memory.of([1, 2]), memory.of([1]), memory.of([2, 1]), memory.of([1, 2, 3])]).toEqual(['a', 'b', undefined, undefined])
  memory.of([1, 2])
  memory.keep([9], 'c')
  expect([memory.of([1]), memory.of([1, 2]), memory.of([9])]).toEqual([undefined, 'a', 'c'])
  memory.keep([1, 2, 3, 4], 'too long')
  expect(memory.of([1, 2, 3, 4])).toBeUndefined()
})
