import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { caliperShape, wheelShape } from '../../../bench/shapes.ts'
import { DRAW_DIMENSIONS, fixedDraws, normalDraws } from './draws.ts'
import { WorkBudget, OverBudget } from '../../maths/work-budget.ts'
import { gap } from './gap.ts'
import { nearPairs } from './near-pairs.ts'
import { normalQuantile } from '../../maths/normal.ts'
import { moveOutlines, prepareCaliper, prepareWheel } from './outline.ts'
import { shifted, shiftWheel, vertexShifts, type Shifts } from './shift.ts'
import { quantile } from '../../maths/quantile.ts'
import { drawnGap, plainGap, uncertainGap } from './uncertain-gap.ts'
import { gapGradient, gapRange, gapUncertainty } from './verdict.ts'
import { runs } from '../../testing/runs.ts'

const all = (u: number): Shifts => ({ caliperAxialMm: u, caliperRadialMm: u, faceAxialMm: u, barrelRadialMm: u })

/** A plain generator, so that a failure can be repeated (Park and Miller, 1988). */
function random(seed: number): () => number {
  let state = seed
  return () => {
    state = (state * 48271) % 2147483647
    return state / 2147483647
  }
}

describe('the fixed draws', () => {
  test('are the same every time, standard and free of correlation', () => {
    const draws = normalDraws(1024)
    expect(normalDraws(1024)).toEqual(draws)
    expect(fixedDraws(1024)).toBe(fixedDraws(1024))
    for (let a = 0; a < DRAW_DIMENSIONS; a += 1) {
      for (let b = 0; b <= a; b += 1) {
        let sum = 0
        for (let i = 0; i < 1024; i += 1) sum += draws[i * DRAW_DIMENSIONS + a]! * draws[i * DRAW_DIMENSIONS + b]!
        expect(Math.abs(sum / 1024 - (a === b ? 1 : 0))).toBeLessThan(0.03)
      }
    }
  })
})

describe('shifts', () => {
  test('a vertex follows what it belongs to', () => {
    const { face, barrel } = vertexShifts(['barrel', 'shoulder', 'shoulder', 'face'])
    expect([...face]).toEqual([0, 0, 1, 1, 1])
    expect([...barrel]).toEqual([1, 1, 1, 0, 0])
    // where barrel and face meet without a shoulder both hold, each in its direction
    const meeting = vertexShifts(['barrel', 'face'])
    expect([meeting.face[1], meeting.barrel[1]]).toEqual([1, 1])
  })
  test('moving caliper, face and barrel alike is moving nothing', () => {
    const caliper = caliperShape(30)
    const wheel = wheelShape(30)
    const moved = shifted(caliper, wheel, all(0))
    expect(moved.wheel.points).toEqual(wheel.points)
    expect(shiftWheel(wheel, 3, -2).tags).toBe(wheel.tags)
  })
})

describe('the gap under uncertain shifts', () => {
  // far, near, touching, crossing, wholly beyond; few and many points; one limiting place and two
  const cases = fc.record({
    points: fc.integer({ min: 6, max: 24 }),
    spacerMm: fc.double({ min: -14, max: 6, noNaN: true }),
    liftMm: fc.double({ min: -5, max: 14, noNaN: true }),
    u: fc.double({ min: 0.05, max: 3, noNaN: true }),
  })
  test('each draw gives what moving everything and starting anew gives', () => {
    const draws = fixedDraws(64)
    fc.assert(
      fc.property(cases, ({ points, spacerMm, liftMm, u }) => {
        const caliper = prepareCaliper(moveOutlines(caliperShape(points), 0, liftMm))
        const wheel = prepareWheel(wheelShape(points))
        const plain = plainGap(caliper, wheel, spacerMm)
        const fast = drawnGap(caliper, wheel, spacerMm, all(u))(64)
        for (let i = 0; i < 64; i += 1) {
          const d = i * DRAW_DIMENSIONS
          const exact = plain({
            caliperAxialMm: draws[d]! * u,
            caliperRadialMm: draws[d + 1]! * u,
            faceAxialMm: draws[d + 2]! * u,
            barrelRadialMm: draws[d + 3]! * u,
          })
          expect(Math.abs(fast[i]! - exact)).toBeLessThan(1e-9)
        }
      }),
      { numRuns: runs(60, 25) },
    )
  })

  test('with too many pairs near, a walk through the boxes gives the same', () => {
    fc.assert(
      fc.property(cases, ({ spacerMm, liftMm, u }) => {
        // so many points that none of the pairs is listed
        const caliper = prepareCaliper(moveOutlines(caliperShape(300), 0, liftMm))
        const wheel = prepareWheel(wheelShape(300))
        const plain = plainGap(caliper, wheel, spacerMm)
        const draws = fixedDraws(16)
        const fast = drawnGap(caliper, wheel, spacerMm, all(u + 4))(16)
        expect(nearPairs(caliper, wheel, spacerMm, 4 * (u + 4), 4000)).toBeUndefined()
        for (let i = 0; i < 16; i += 1) {
          const at = (n: number) => draws[i * DRAW_DIMENSIONS + n]! * (u + 4)
          const exact = plain({ caliperAxialMm: at(0), caliperRadialMm: at(1), faceAxialMm: at(2), barrelRadialMm: at(3) })
          expect(Math.abs(fast[i]! - exact)).toBeLessThan(1e-9)
        }
      }),
      { numRuns: runs(12, 6) },
    )
  })
  test('what costs too much is bounded by what can move: no draw lies outside more often than it may', () => {
    fc.assert(
      fc.property(cases, ({ points, spacerMm, liftMm, u }) => {
        const caliper = prepareCaliper(moveOutlines(caliperShape(points), 0, liftMm))
        const wheel = prepareWheel(wheelShape(points))
        const exact = uncertainGap(caliper, wheel, spacerMm, all(u))
        const widest = uncertainGap({ ...caliper, effort: new WorkBudget(1e5) }, wheel, spacerMm, all(u), 10)
        expect(widest.widest).toBe(true)
        expect(exact.widest).toBeUndefined()
        expect(widest.p05Mm).toBeLessThanOrEqual(exact.p05Mm + 0.05)
        expect(widest.p95Mm).toBeGreaterThanOrEqual(exact.p95Mm - 0.05)
        expect(() => uncertainGap({ ...caliper, effort: new WorkBudget(0) }, wheel, spacerMm, all(u), 10)).toThrow(OverBudget)
      }),
      { numRuns: runs(40, 20) },
    )
  })

  test.each([
    ['one place limits, and it crosses as often as not', -6, 0, 0.7],
    ['barrel and face limit alike', 0, 3.4, 0.7],
  ] as const)(
    '%s: percentiles within 0.05 mm of 100 000 plain draws',
    (_, spacerMm, liftMm, u) => {
      const caliper = prepareCaliper(moveOutlines(caliperShape(7), 0, liftMm))
      const wheel = prepareWheel(wheelShape(8))
      const next = random(20260912)
      const plain = plainGap(caliper, wheel, spacerMm)
      const normal = () => normalQuantile(Math.min(Math.max(next(), 1e-12), 1 - 1e-12)) * u
      const gaps = Float64Array.from({ length: 100_000 }, () =>
        plain({ caliperAxialMm: normal(), caliperRadialMm: normal(), faceAxialMm: normal(), barrelRadialMm: normal() }),
      ).sort()
      const found = uncertainGap(caliper, wheel, spacerMm, all(u))
      expect(Math.abs(found.p05Mm - quantile(gaps, 0.05))).toBeLessThan(0.05)
      expect(Math.abs(found.p95Mm - quantile(gaps, 0.95))).toBeLessThan(0.05)
    },
    240_000,
  )
  test.each([0.2, 0.6, 1, 1.5, 3])('shifts of %p mm: percentiles within 0.05 mm of converged ones', (u) => {
    const caliper = prepareCaliper(moveOutlines(caliperShape(10), 0, 3))
    const wheel = prepareWheel(wheelShape(10))
    const converged = drawnGap(caliper, wheel, 3, all(u))(131_072).sort()
    const found = uncertainGap(caliper, wheel, 3, all(u))
    expect(Math.abs(found.p05Mm - quantile(converged, 0.05))).toBeLessThan(0.05)
    expect(Math.abs(found.p95Mm - quantile(converged, 0.95))).toBeLessThan(0.05)
  })

  test('while one place limits, the linear estimate says the same', () => {
    const caliper = prepareCaliper(caliperShape(20))
    const wheel = prepareWheel(wheelShape(20))
    const now = gap(caliper, wheel, 0)
    const linear = gapRange(now.minGapMm, gapUncertainty(gapGradient(now), all(0.3)))
    const drawn = uncertainGap(caliper, wheel, 0, all(0.3))
    expect(Math.abs(drawn.p05Mm - linear.p05Mm)).toBeLessThan(0.02)
    expect(Math.abs(drawn.p95Mm - linear.p95Mm)).toBeLessThan(0.02)
  })
  test('no doubt, no range; more doubt, a wider one', () => {
    const caliper = prepareCaliper(caliperShape(20))
    const wheel = prepareWheel(wheelShape(20))
    expect(uncertainGap(caliper, wheel, 0, all(0))).toMatchObject({ uMm: 0, p05Mm: gap(caliper, wheel, 0).minGapMm })
    const widths = [0.1, 0.3, 1, 2].map((u) => {
      const { p05Mm, p95Mm } = uncertainGap(caliper, wheel, 0, all(u))
      return p95Mm - p05Mm
    })
    expect([...widths].sort((a, b) => a - b)).toEqual(widths)
  })
  test('a profile that runs back on itself is taken the plain way', () => {
    const wheel = { ...wheelShape(12), points: [...wheelShape(12).points] }
    const hooked = prepareWheel({ points: [...wheel.points, [60, 110]], tags: [...wheel.tags, 'face'] })
    const caliper = prepareCaliper(caliperShape(12))
    const found = uncertainGap(caliper, hooked, 0, all(0.2))
    expect(found.meanMm).toBeCloseTo(gap(caliper, hooked, 0).minGapMm, 1)
  })
  test('the gradient is the slope of the gap itself', () => {
    for (const spacerMm of [0, -8]) {
      const caliper = prepareCaliper(caliperShape(20))
      const wheel = prepareWheel(wheelShape(20))
      const gradient = gapGradient(gap(caliper, wheel, spacerMm))
      const plain = plainGap(caliper, wheel, spacerMm)
      for (const shift of ['caliperAxialMm', 'caliperRadialMm', 'faceAxialMm', 'barrelRadialMm'] as const) {
        const slope = (plain({ ...all(0), [shift]: 1e-5 }) - plain({ ...all(0), [shift]: -1e-5 })) / 2e-5
        expect(gradient[shift]).toBeCloseTo(slope, 3)
      }
    }
  })
  test('what was asked before changes neither an answer nor what it costs', () => {
    const next = random(7)
    for (let i = 0; i < 12; i += 1) {
      const [outlines, profile] = [caliperShape(10 + 6 * i), wheelShape(10 + 6 * i)]
      const [spacerMm, u] = [next() * 8 - 3, all(0.1 + next())]
      const ask = (left: number) => {
        const effort = new WorkBudget(left)
        const found = uncertainGap({ ...prepareCaliper(outlines), effort }, prepareWheel(profile), spacerMm, u, left * 0.8)
        return { found, left: effort.left }
      }
      // from poor to rich nothing is remembered that a poorer one could take; then each is asked again
      const efforts = [2_000, 8_000, 20_000, 60_000, 200_000, 3_000_000]
      const first = efforts.map(ask)
      expect([...efforts].reverse().map(ask).reverse()).toEqual(first)
    }
  })
})
