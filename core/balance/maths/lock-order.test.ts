import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import type { BrakeSystem } from '../../hydraulics/maths/system.ts'
import { randomSystem } from '../../testing/systems.ts'
import { adhesionOf, liftsRearAtG } from './adhesion.ts'
import type { Mass } from '../../hydraulics/maths/mass.ts'
import { frontFirstUntil, lockOrder, ORDER_FROM_G, rearFirstFrom } from './lock-order.ts'
import { runs } from '../../testing/runs.ts'

const MASS: Mass = { massKg: 1000, staticFront: 0.6, cgHeightMm: 500, wheelbaseMm: 2500 }
const valved = (rearAreaMm2: number, kneeMpa: number, slope: number): BrakeSystem => ({
  pedalRatio: 4,
  pedalEfficiency: 1,
  booster: undefined,
  master: { kind: 'tandem', boreMm: 20 },
  valve: { kneeMpa, slope },
  front: { kind: 'disc', pistonAreaMm2: 2000, mu: 0.4, effectiveRadiusMm: 110, sealMpa: 0 },
  rear: { kind: 'disc', pistonAreaMm2: rearAreaMm2, mu: 0.4, effectiveRadiusMm: 100, sealMpa: 0 },
  tyreRadiusMm: { front: 280, rear: 280 },
})

test('the spans are those of a fine scan', () => {
  fc.assert(
    fc.property(randomSystem({ valve: true }), (system) => {
      const order = lockOrder(system, MASS)
      const adhesion = adhesionOf(system, MASS)
      if (!order) return expect(adhesion(ORDER_FROM_G)).toBeUndefined()
      for (let z = 0.151; z < 2.9; z += 0.0137) {
        const at = adhesion(z)
        // on a turn either answer is right
        if (!at || Math.abs(at.front - at.rear) < 1e-9) continue
        const rear = order.rearFirst.some(({ fromG, toG }) => z >= fromG && z <= toG)
        expect([z, rear ? 'rear' : 'front']).toEqual([z, at.locksFirst])
      }
    }),
    { numRuns: runs(300, 100) },
  )
})

test('the first turn asked for alone is that of the whole order', () => {
  fc.assert(
    fc.property(randomSystem(), fc.double({ min: 0.3, max: 2, noNaN: true }), (system, toG) => {
      const order = lockOrder(system, MASS)
      const until = order ? frontFirstUntil(order) : Infinity
      expect(rearFirstFrom(system, MASS)).toBeCloseTo(until, 9)
      if (Math.abs(until - toG) > 1e-9) expect(rearFirstFrom(system, MASS, toG) >= toG).toBe(until >= toG)
    }),
    { numRuns: runs(500, 120) },
  )
})

test('a rear that is first below and the front above is not "always"', () => {
  // seals let the rear go first; the valve then holds it back
  const order = lockOrder(valved(3200, 0.5, 0.05), MASS)!
  expect(order.kind).toBe('rearBelow')
  expect(order.rearFirst[0]!.fromG).toBe(ORDER_FROM_G)
  expect(order.rearFirst[0]!.toG).toBeGreaterThan(ORDER_FROM_G)
  expect(frontFirstUntil(order)).toBe(ORDER_FROM_G)
})

test('a valve may turn the order to the rear and back', () => {
  const spans = [1.2, 1.3, 1.4, 1.5, 1.6, 1.8, 2].flatMap((knee) => {
    const order = lockOrder(valved(1700, knee, 0.05), MASS)!
    return order.rearFirst.filter(({ toG }) => toG < liftsRearAtG(MASS) - 0.2)
  })
  expect(spans.length).toBeGreaterThan(0)
})

test('a front that always locks first stays so as far as a car can slow, however sticky the tyre', () => {
  const order = lockOrder(valved(10, 20, 0.9), MASS)!
  expect(frontFirstUntil(order)).toBeGreaterThan(liftsRearAtG(MASS) - 0.05)
})
