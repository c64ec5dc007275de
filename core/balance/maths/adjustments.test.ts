import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { chain } from '../../hydraulics/maths/chain.ts'
import { pedalForceForRoadForce } from '../../hydraulics/maths/pedal-force.ts'
import type { BrakeSystem } from '../../hydraulics/maths/system.ts'
import { PLAIN_MASS as MASS, plainSystem as plain, randomMass, randomSystem } from '../../testing/systems.ts'
import type { Mass } from '../../hydraulics/maths/mass.ts'
import { levers, roadShareAt, turnsAt, withLever, type Aim } from './adjustments.ts'
import { frontFirstUntil, lockOrder, rearFirstFrom } from './lock-order.ts'
import { runs } from '../../testing/runs.ts'

const until = (system: BrakeSystem, mass: Mass = MASS) => frontFirstUntil(lockOrder(system, mass)!)
const reach = (g: number, ...masses: Mass[]): Aim => ({ meets: (system) => masses.every((mass) => rearFirstFrom(system, mass, g) >= g) })

describe('a lever that is offered does what it says', () => {
  test('over systems with valves, driver only and laden: none falls short', () => {
    let offered = 0
    fc.assert(
      fc.property(
        randomSystem({ valve: true }),
        randomMass,
        fc.double({ min: 1.1, max: 1.5, noNaN: true }),
        fc.double({ min: 0.5, max: 1.2, noNaN: true }),
        (system, mass, heavier, target) => {
          const laden = { ...mass, massKg: mass.massKg * heavier, staticFront: mass.staticFront - 0.06 }
          for (const one of levers(system, reach(target, mass, laden))) {
            offered += 1
            const moved = withLever(system, one.id, one.to)
            expect([one.id, Math.min(until(moved, mass), until(moved, laden)) >= target]).toEqual([one.id, true])
          }
        },
      ),
      { numRuns: runs(5000, 1200), seed: 20261126 },
    )
    expect(offered).toBeGreaterThan(runs(5000, 1000))
  })
  test('a stretch that turns the order early is not taken for the end of it', () => {
    // with a flat valve the order turns early, turns back, and turns again: the middle of a jump is no answer
    const system = plain(900, { valve: { kneeMpa: 1.5, slope: 0.1 } })
    for (const one of levers(system, reach(1.2, MASS))) expect(until(withLever(system, one.id, one.to))).toBeGreaterThanOrEqual(1.2)
  })
  test('a system that is there already has no lever', () => {
    expect(levers(plain(500), reach(0.8, MASS))).toEqual([])
  })
})

describe('an aim that is one value', () => {
  const valved = plain(1100, { valve: { kneeMpa: 2, slope: 0.4 } })
  test('each value alone puts the turn of the order there', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.5, max: 1.1, noNaN: true }), (target) => {
        const found = levers(valved, turnsAt(MASS, target, 0.005))
        for (const one of found) expect(Math.abs(until(withLever(valved, one.id, one.to)) - target)).toBeLessThanOrEqual(0.005)
      }),
      { numRuns: 50 },
    )
    expect(levers(valved, turnsAt(MASS, 0.9, 0.005)).length).toBeGreaterThan(4)
  })
  test('levers of equal effect ask for equal change: area, radius and friction of one axle', () => {
    const found = levers(plain(1500), turnsAt(MASS, 0.9, 0.005))
    const change = (id: string) => {
      const one = found.find((lever) => lever.id === id)!
      return one.to / one.from
    }
    expect(change('rearRadius')).toBeCloseTo(change('rearPistonArea'), 2)
    expect(change('rearFriction')).toBeCloseTo(change('rearPistonArea'), 2)
    expect(change('frontPistonArea')).toBeCloseTo(1 / change('rearPistonArea'), 2)
  })
  test('a fixed share at the road is met; the bar is a lever of two cylinders alone', () => {
    const twin = plain(900, { master: { kind: 'twin', frontBoreMm: 19, rearBoreMm: 19, frontShare: 0.5 } })
    for (const one of levers(twin, roadShareAt(8000, 0.75, 0.005))) {
      const moved = withLever(twin, one.id, one.to)
      expect(Math.abs(chain(moved, pedalForceForRoadForce(moved, 8000)!).bias.road! - 0.75)).toBeLessThanOrEqual(0.005)
    }
    const ids = (system: BrakeSystem) => levers(system, roadShareAt(8000, 0.75, 0.005)).map((one) => one.id)
    expect(ids(twin)).toContain('barShare')
    expect(ids(plain(900))).not.toContain('barShare')
    expect(ids(plain(900))).not.toContain('valveKnee')
  })
  test('what cannot be reached is left out', () => {
    expect(levers(valved, roadShareAt(8000, 0.999, 0.0005)).some((one) => one.id === 'frontPistonArea')).toBe(false)
  })
})
