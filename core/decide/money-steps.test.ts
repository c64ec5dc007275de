import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { frontOf } from './compare.ts'
import { moneySteps } from './money-steps.ts'

const mark = fc.record({
  name: fc.string({ minLength: 1 }),
  x: fc.integer({ min: 0, max: 300_000 }),
  y: fc.double({ min: -200, max: 200, noNaN: true }),
  ux: fc.constant(0),
  uy: fc.double({ min: 0, max: 20, noNaN: true }),
})

test('along setups that nothing beats every step costs more and gains; the steps add up to the whole', () => {
  fc.assert(
    fc.property(fc.array(mark, { minLength: 1, maxLength: 12 }), fc.constantFrom('low' as const, 'high' as const), (marks, better) => {
      const front = frontOf(marks, { better: 'low' }, { better })
      const steps = moneySteps(front, better)
      for (const step of steps) {
        expect(step.costMinor).toBeGreaterThan(0)
        expect(step.gain).toBeGreaterThanOrEqual(0)
        expect(step.gainPerHundred).toBeCloseTo((step.gain * 10_000) / step.costMinor, 9)
      }
      const sorted = [...front].sort((a, b) => a.x - b.x)
      expect(steps.reduce((sum, step) => sum + step.costMinor, 0)).toBe(sorted.at(-1)!.x - sorted[0]!.x)
    }),
  )
})
test('a gain within the uncertainty is not shown as one', () => {
  const [step] = moneySteps(
    [
      { name: 'A', x: 0, y: 10, ux: 0, uy: 3 },
      { name: 'B', x: 10_000, y: 18, ux: 0, uy: 4 },
    ],
    'high',
  )
  expect(step).toMatchObject({ gain: 8, gainPerHundred: 8, isShown: false })
  expect(
    moneySteps(
      [
        { name: 'A', x: 0, y: 10, ux: 0, uy: 0 },
        { name: 'B', x: 0, y: 18, ux: 0, uy: 0 },
      ],
      'high',
    ),
  ).toEqual([])
})
