import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { WHEEL_TAGS } from '../../maths/section.ts'
import { stream } from '../../testing/heavy.ts'
import { WorkBudget, OverBudget, withinBudget } from '../../maths/work-budget.ts'
import { gap } from './gap.ts'
import { prepareCaliper, prepareWheel } from './outline.ts'
import { shiftWheel } from './shift.ts'
import { THIN_MM, thinLine, thinOutlines, thinProfile } from './thin.ts'

const arc = (count: number, radius: number, jump: () => number): [number, number][] =>
  Array.from({ length: count }, (_, i) => {
    const angle = (i / count) * 2
    return [radius * Math.cos(angle) + jump(), 120 + radius * Math.sin(angle) + jump()]
  })
const shape = fc.record({
  seed: fc.integer({ min: 1, max: 1e6 }),
  count: fc.integer({ min: 60, max: 300 }),
  jumpMm: fc.constantFrom(0, 0.002, 0.05),
})

describe('a thinned line', () => {
  test('moves no gap by more than twice its tolerance, wherever face and barrel are moved', () => {
    fc.assert(
      fc.property(
        shape,
        fc.double({ min: -1, max: 1, noNaN: true }),
        fc.double({ min: -1, max: 1, noNaN: true }),
        (of, faceMm, barrelMm) => {
          const next = stream(of.seed)
          const jump = () => (next() - 0.5) * of.jumpMm
          const body = [{ name: 'body', points: arc(of.count, 40, jump) }]
          const points = arc(of.count, 52, jump)
          const edges = [next(), next()].sort((a, b) => a - b)
          const tags = points.slice(1).map((_, i) => WHEEL_TAGS[edges.filter((edge) => i / of.count > edge).length]!)
          const wheel = { points, tags }
          const whole = gap(prepareCaliper(body), prepareWheel(shiftWheel(wheel, faceMm, barrelMm)))
          const thinned = gap(prepareCaliper(thinOutlines(body)), prepareWheel(shiftWheel(thinProfile(wheel), faceMm, barrelMm)))
          expect(Math.abs(thinned.minGapMm - whole.minGapMm)).toBeLessThanOrEqual(2 * THIN_MM + 1e-9)
        },
      ),
      { numRuns: 300 },
    )
  })
  test('keeps its ends, leaves a short one alone and drops what lies on a straight', () => {
    const straight = Array.from({ length: 500 }, (_, i): [number, number] => [i, 100])
    expect(thinLine(straight)).toEqual([
      [0, 100],
      [499, 100],
    ])
    expect(thinLine(straight.slice(0, 20))).toEqual(straight.slice(0, 20))
    expect(thinProfile({ points: straight, tags: straight.slice(1).map((_, i) => (i < 250 ? 'barrel' : 'face')) })).toEqual({
      points: [0, 1, 249, 250, 251, 498, 499].map((z) => [z, 100]),
      tags: ['barrel', 'barrel', 'barrel', 'face', 'face', 'face'],
    })
  })
})

test('an effort is spent once: what one piece of work leaves, the next one has', () => {
  const effort = new WorkBudget(100)
  expect(withinBudget(effort, 30, () => (effort.spend(20), 'done'))).toBe('done')
  expect(effort.left).toBe(80)
  expect(withinBudget(effort, 30, () => effort.spend(31))).toBeUndefined()
  expect(effort.left).toBe(50)
  expect(withinBudget(effort, 1000, () => effort.spend(51))).toBeUndefined()
  expect(effort.left).toBe(0)
  expect(() => effort.spend()).toThrow(OverBudget)
  expect(() => withinBudget(new WorkBudget(5), 5, () => JSON.parse('{'))).toThrow(SyntaxError)
})
