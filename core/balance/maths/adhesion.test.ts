import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { chain } from '../../hydraulics/maths/chain.ts'
import { STANDARD_GRAVITY } from '../../quantity/units.ts'
import { criticalDecelG } from '../../testing/constant-split.ts'
import { PLAIN_MASS, plainSystem, randomMass, randomSystem } from '../../testing/systems.ts'
import { adhesionUsed, liftsRearAtG, loadsOf } from './adhesion.ts'
import { lockOrder } from './lock-order.ts'

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true })

describe('loads of the axles', () => {
  test('together they are the weight at every deceleration, and the rear has none left where it lifts', () => {
    fc.assert(
      fc.property(randomMass, number(0, 1), (mass, decelG) => {
        const { front, rear } = loadsOf(mass)(decelG)
        expect(front + rear).toBeCloseTo(mass.massKg * STANDARD_GRAVITY, 6)
        expect(loadsOf(mass)(liftsRearAtG(mass)).rear).toBeCloseTo(0, 6)
      }),
    )
  })
})

describe('adhesion used', () => {
  test('forces that use it add up to what slows the car', () => {
    fc.assert(
      fc.property(randomSystem(), randomMass, number(0.1, 0.8), (system, mass, decelG) => {
        const at = adhesionUsed(system, mass, decelG)
        fc.pre(at !== undefined && Number.isFinite(at.rear))
        const load = loadsOf(mass)(decelG)
        const heldN = at!.front * load.front + at!.rear * load.rear
        expect(heldN / (mass.massKg * STANDARD_GRAVITY)).toBeCloseTo(decelG, 6)
      }),
    )
  })
})

describe('which axle locks first', () => {
  test('a constant split turns where the formula says, and both axles then use that much', () => {
    fc.assert(
      fc.property(number(300, 3000), (rearAreaMm2) => {
        const system = plainSystem(rearAreaMm2)
        const beta = chain(system, 100).bias.road!
        const z = criticalDecelG(beta, 0.6, 0.2)
        const order = lockOrder(system, PLAIN_MASS)!
        // looked at from 0.15 g to where the rear lifts, 2 g; at the ends either answer is right
        if (z > 0.1501 && z < 1.9999) {
          expect(order).toEqual({ kind: 'rearAbove', upToG: 3, rearFirst: [{ fromG: expect.closeTo(z, 9), toG: 3 }] })
          const at = adhesionUsed(system, PLAIN_MASS, z)!
          expect(at.front).toBeCloseTo(z, 9)
          expect(at.rear).toBeCloseTo(z, 9)
        } else if (z < 0.1499) expect(order.kind).toBe('rearAlways')
      }),
    )
  })
  test('equal use counts as rear first; a lifted axle needs endless friction', () => {
    expect(adhesionUsed(plainSystem(900), { ...PLAIN_MASS, cgHeightMm: 1200 }, 0.9)).toMatchObject({ rear: Infinity, locksFirst: 'rear' })
  })
})
