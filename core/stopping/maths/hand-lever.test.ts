import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import type { Mass } from '../../hydraulics/maths/mass.ts'
import { randomSystem } from '../../testing/systems.ts'
import { STANDARD_GRAVITY } from '../../quantity/units.ts'
import { handForceToLockN, pull, rearLocksAtN } from './hand-lever.ts'

const mass: Mass = { massKg: 1010, staticFront: 0.63, cgHeightMm: 510, wheelbaseMm: 2440 }
const between = (min: number, max: number) => fc.double({ min, max, noNaN: true })

test('what just locks them is what was said, on any surface', () => {
  fc.assert(
    fc.property(randomSystem(), between(0.2, 1.2), between(3, 9), between(12, 22), (system, friction, ratio, boreMm) => {
      const lever = { ratio, boreMm }
      const handN = handForceToLockN(system, mass, lever, friction)
      expect(pull(system, lever, handN).forceN).toBeCloseTo(rearLocksAtN(mass, friction), 6)
      expect(pull(system, lever, handN * 0.99).forceN).toBeLessThan(rearLocksAtN(mass, friction))
    }),
  )
})
test('the load that is left on the rear carries exactly the force that locks it', () => {
  for (const friction of [0.3, 0.6, 0.9]) {
    const forceN = rearLocksAtN(mass, friction)
    const loadN = mass.massKg * STANDARD_GRAVITY * (1 - mass.staticFront) - (forceN * mass.cgHeightMm) / mass.wheelbaseMm
    expect(forceN).toBeCloseTo(friction * loadN, 9)
  }
})
test('a smaller bore and a longer lever ask less of the hand; slippery ground too', () => {
  fc.assert(
    fc.property(randomSystem(), (system) => {
      const at = (ratio: number, boreMm: number, friction: number) => handForceToLockN(system, mass, { ratio, boreMm }, friction)
      expect(at(6, 15, 0.9)).toBeLessThan(at(6, 19, 0.9))
      expect(at(8, 15, 0.9)).toBeLessThan(at(6, 15, 0.9))
      expect(at(6, 15, 0.4)).toBeLessThan(at(6, 15, 0.9))
    }),
  )
})
