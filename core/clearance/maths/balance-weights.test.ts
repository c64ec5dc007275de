import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { caliperShape, wheelShape } from '../../../bench/shapes.ts'
import type { Profile } from '../../maths/section.ts'
import { withWeights } from './balance-weights.ts'
import { gap } from './gap.ts'
import { nominalWheel } from './nominal-wheel.ts'
import { prepareCaliper, prepareWheel } from './outline.ts'

const wheel: Profile = {
  points: [
    [-100, 180],
    [0, 180],
    [20, 160],
    [40, 60],
  ],
  tags: ['barrel', 'shoulder', 'face'],
}

describe('stick-on weights', () => {
  test('on points that coincide leave a line that a gap can end at', () => {
    for (const tags of [['face'], ['face', 'barrel'], ['barrel']] as Profile['tags'][]) {
      const profile: Profile = { points: Array.from({ length: tags.length + 1 }, () => [10, 150]), tags }
      for (const found of [withWeights(profile, 4), withWeights(profile, 4, { fromMm: 20, toMm: 40 })]) {
        expect(found.points.length).toBe(found.tags.length + 1)
        expect(gap(prepareCaliper(caliperShape(20)), prepareWheel(found)).minGapMm).toBeLessThan(Infinity)
      }
    }
  })
  test('lower the barrel over their range, with a step at each end', () => {
    const found = withWeights(wheel, 4, { fromMm: -80, toMm: -60 })
    expect(found.points).toEqual([
      [-100, 180],
      [-80, 180],
      [-80, 176],
      [-60, 176],
      [-60, 180],
      [0, 180],
      [20, 160],
      [40, 60],
    ])
    expect(found.tags).toEqual(['barrel', 'barrel', 'barrel', 'barrel', 'barrel', 'shoulder', 'face'])
  })
  test('anywhere in the barrel when nobody knows where', () => {
    expect(withWeights(wheel, 4).points).toEqual([
      [-100, 176],
      [0, 176],
      [0, 180],
      [20, 160],
      [40, 60],
    ])
  })
  test('none, or past the end of the barrel, change nothing', () => {
    expect(withWeights(wheel, 0)).toEqual(wheel)
    expect(withWeights(wheel, 4, { fromMm: 50, toMm: 70 }).points).toEqual(wheel.points)
  })
  test('either end may be given first', () => {
    expect(withWeights(wheel, 4, { fromMm: -60, toMm: -80 })).toEqual(withWeights(wheel, 4, { fromMm: -80, toMm: -60 }))
  })
  test('never make room: the gap with weights is no larger, and one tag stands for each stretch', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 9, noNaN: true }),
        fc.double({ min: -120, max: 30, noNaN: true }),
        fc.double({ min: 1, max: 60, noNaN: true }),
        (thickness, from, long) => {
          const weighted = withWeights(wheelShape(30), thickness, { fromMm: from, toMm: from + long })
          expect(weighted.tags).toHaveLength(weighted.points.length - 1)
          const caliper = prepareCaliper(caliperShape(30))
          expect(gap(caliper, prepareWheel(weighted), 0).minGapMm).toBeLessThanOrEqual(
            gap(caliper, prepareWheel(wheelShape(30)), 0).minGapMm + 1e-9,
          )
        },
      ),
    )
  })
})

test('a measured barrel radius outranks well, wall and steps', () => {
  const profile = nominalWheel({ diameterIn: 15, widthIn: 6.5, offsetMm: 35, barrel: 'twoSteps', wellDepthMm: 20, barrelRadiusMm: 168.4 })
  expect(profile!.points.every(([, r]) => r === 168.4)).toBe(true)
})
