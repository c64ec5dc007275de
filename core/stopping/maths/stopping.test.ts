import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import type { Mass } from '../../hydraulics/maths/mass.ts'
import { chain } from '../../hydraulics/maths/chain.ts'
import { randomSystem } from '../../testing/systems.ts'
import { STANDARD_GRAVITY } from '../../quantity/units.ts'
import { holdOnLine } from './hold.ts'
import { stoppingDistanceM, stopLimits } from './limits.ts'

const between = (min: number, max: number) => fc.double({ min, max, noNaN: true })
const mass: Mass = { massKg: 1100, staticFront: 0.62, cgHeightMm: 520, wheelbaseMm: 2450 }
const stop = { driverLimitN: 500, tyreFriction: 0.9, fromKmh: 100, abs: true }

test('the smaller of foot and tyres is the deceleration, and named', () => {
  fc.assert(
    fc.property(randomSystem({ valve: true }), between(0.2, 1.3), fc.boolean(), (system, tyreFriction, abs) => {
      const found = stopLimits(system, mass, { ...stop, tyreFriction, abs })
      expect(found.decelG).toBe(Math.min(found.driverG, found.tyreG))
      expect(found.limit).toBe(found.driverG < found.tyreG ? 'driver' : 'tyre')
      const { front, rear } = chain(system, stop.driverLimitN)
      expect(found.driverG * mass.massKg * STANDARD_GRAVITY).toBeCloseTo(front.forceN + rear.forceN, 6)
      // anti-lock never makes the tyres give less
      expect(stopLimits(system, mass, { ...stop, tyreFriction, abs: true }).tyreG).toBeGreaterThanOrEqual(found.tyreG - 1e-9)
      expect(found.locksFirst === undefined).toBe(abs)
    }),
  )
})
test('where the tyres limit, a stronger foot or booster shortens nothing', () => {
  fc.assert(
    fc.property(randomSystem({ valve: true }), between(500, 900), (system, harder) => {
      const as = stopLimits(system, mass, stop)
      fc.pre(as.limit === 'tyre')
      expect(stopLimits(system, mass, { ...stop, driverLimitN: harder }).distanceM).toBe(as.distanceM)
    }),
  )
})
test('distance: reaction and half the build-up at full speed, then v² / 2a', () => {
  expect(stoppingDistanceM(100, 1, 0)).toBeCloseTo((100 / 3.6) ** 2 / (2 * STANDARD_GRAVITY), 9)
  expect(stoppingDistanceM(100, 1, 0.3, 1) - stoppingDistanceM(100, 1, 0)).toBeCloseTo((100 / 3.6) * 1.15, 9)
  expect(stoppingDistanceM(50, 0, 0)).toBe(Infinity)
})
test('what is just needed holds; a second pair of calipers halves what each has to do', () => {
  const hold = {
    axleTorqueNm: 1800,
    calipersPerWheel: 1,
    frictionCold: 0.4,
    effectiveRadiusMm: 115,
    pistonAreaMm2: 1800,
    sealMpa: 0.05,
    pressureAtFootMpa: 6,
  }
  const needed = holdOnLine(hold)
  expect(holdOnLine({ ...hold, pressureAtFootMpa: needed.pressureMpa })).toMatchObject({ enough: true, marginShare: 0 })
  expect(holdOnLine({ ...hold, pressureAtFootMpa: needed.pressureMpa - 1e-6 }).enough).toBe(false)
  expect(holdOnLine({ ...hold, calipersPerWheel: 2 }).clampN).toBeCloseTo(needed.clampN / 2, 9)
})
