import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import type { BrakeSystem } from '../hydraulics/system.ts'
import { adhesionUsed, lockOrder, type Mass } from './adhesion.ts'
import { bestDeceleration, criticalDecelG } from './constant-split.ts'
import { idealCurve, lockLines } from './ideal-curve.ts'
import { levers, lockTurnsAt, roadShareAt, withLever } from './levers.ts'
import { bestWithoutLock, criteria } from './limits.ts'
import { chain } from '../hydraulics/chain.ts'
import { pedalForceForRoadForce } from '../hydraulics/effort.ts'

const MASS: Mass = { massKg: 1000, staticFront: 0.6, cgHeightMm: 500, wheelbaseMm: 2500 }
const number = (min: number, max: number) => fc.double({ min, max, noNaN: true })
/** Without seals and valve: a constant split. */
const plain = (rearAreaMm2: number, more: Partial<BrakeSystem> = {}): BrakeSystem => ({
  pedalRatio: 4,
  pedalEfficiency: 1,
  booster: undefined,
  master: { kind: 'tandem', boreMm: 20 },
  valve: undefined,
  front: { kind: 'disc', pistonAreaMm2: 2000, mu: 0.4, effectiveRadiusMm: 110, sealMpa: 0 },
  rear: { kind: 'disc', pistonAreaMm2: rearAreaMm2, mu: 0.4, effectiveRadiusMm: 100, sealMpa: 0 },
  tyreRadiusMm: { front: 280, rear: 280 },
  ...more,
})

describe('the best without a locked wheel', () => {
  test('agrees with the closed form of a constant split', () => {
    fc.assert(
      fc.property(number(300, 1500), number(0.3, 1), (rear, friction) => {
        const system = plain(rear)
        const beta = chain(system, 100).bias.road!
        const closed = bestDeceleration(beta, 0.6, 0.2, friction)
        const found = bestWithoutLock(system, MASS, friction)!
        expect(found.decelG).toBeCloseTo(closed.decelG, 5)
        if (Math.abs(criticalDecelG(beta, 0.6, 0.2) - friction) > 0.01) expect(found.axle).toBe(closed.axle)
      }),
    )
  })
  test('engine drag loads the driven axle, downforce lets both use more', () => {
    const system = plain(700)
    const dry = bestWithoutLock(system, MASS, 0.9)!.decelG
    const pressed = bestWithoutLock(system, MASS, 0.9, { downforceN: { front: 600, rear: 400 } })!.decelG
    expect(pressed).toBeGreaterThan(dry)
    const wet = (front: number) => bestWithoutLock(system, MASS, 0.4, { dragN: { front, rear: 0 } })!
    expect(wet(400).axle).toBe('front')
    expect(wet(400).decelG).not.toBe(wet(0).decelG)
  })
})

describe('the named criteria', () => {
  test('a front-heavy split keeps the order, a rear-heavy one breaks it where the order turns', () => {
    expect(criteria(plain(500), MASS)!.find((one) => one.id === 'order')).toMatchObject({ holds: true })
    const system = plain(1150)
    const order = lockOrder(system, MASS)
    const found = criteria(system, MASS)!.find((one) => one.id === 'order')!
    expect(order?.kind).toBe('rearAbove')
    if (order?.kind === 'rearAbove') expect(found.firstG!).toBeCloseTo(order.aboveG, 2)
  })
  test('a split far off uses too much of one axle', () => {
    expect(criteria(plain(6000), MASS)!.find((one) => one.id === 'use')).toMatchObject({ holds: false })
  })
})

describe('the ideal curve', () => {
  test('on it both axles use the same friction', () => {
    for (const [front, rear] of idealCurve(MASS, 1.2).slice(1)) {
      const z = front + rear
      expect(front / (0.6 + 0.2 * z)).toBeCloseTo(z, 9)
      expect(rear / (0.4 - 0.2 * z)).toBeCloseTo(z, 9)
    }
  })
  test('the lock lines of a friction meet on it', () => {
    fc.assert(
      fc.property(number(0.2, 1), (k) => {
        const { front, rear } = lockLines(MASS, k)
        // both lines through two points each: where they cross
        const slope = ([a, b]: typeof front) => (b[1] - a[1]) / (b[0] - a[0])
        const [mf, mr] = [slope(front), slope(rear)]
        const x = (front[0][1] - rear[0][1] - mf * front[0][0] + mr * rear[0][0]) / (mr - mf)
        const y = rear[0][1] + mr * (x - rear[0][0])
        expect(x + y).toBeCloseTo(k, 6)
        expect(x).toBeCloseTo(k * (0.6 + 0.2 * k), 6)
      }),
    )
  })
})

describe('levers', () => {
  const valved = plain(1100, { valve: { kneeMpa: 2, slope: 0.4 } })
  test('each value alone puts the turn of the lock order at the target, within 0.001 g', () => {
    fc.assert(
      fc.property(number(0.5, 1.1), (target) => {
        const found = levers(valved, lockTurnsAt(MASS, target))
        expect(found.length).toBeGreaterThan(4)
        for (const one of found) {
          const at = adhesionUsed(withLever(valved, one.id, one.to), MASS, target)!
          expect([one.id, Math.abs(at.front - at.rear)]).toEqual([one.id, expect.any(Number)])
          expect(Math.abs(at.front - at.rear)).toBeLessThan(1e-6)
        }
      }),
    )
  })
  test('levers of equal effect ask for equal change: area, radius and friction of one axle', () => {
    const found = levers(plain(1100), lockTurnsAt(MASS, 0.9))
    const change = (id: string) => {
      const one = found.find((lever) => lever.id === id)!
      return one.to / one.from
    }
    expect(change('rearRadius')).toBeCloseTo(change('rearPistonArea'), 8)
    expect(change('rearFriction')).toBeCloseTo(change('rearPistonArea'), 8)
    expect(change('frontPistonArea')).toBeCloseTo(1 / change('rearPistonArea'), 8)
  })
  test('a fixed share at the road is met; the bar is a lever of two cylinders alone', () => {
    const twin = plain(900, { master: { kind: 'twin', frontBoreMm: 19, rearBoreMm: 19, frontShare: 0.5 } })
    for (const one of levers(twin, roadShareAt(8000, 0.75))) {
      const moved = withLever(twin, one.id, one.to)
      expect(chain(moved, pedalForceForRoadForce(moved, 8000)!).bias.road).toBeCloseTo(0.75, 7)
    }
    expect(levers(twin, roadShareAt(8000, 0.7)).some((one) => one.id === 'barShare')).toBe(true)
    expect(levers(plain(900), roadShareAt(8000, 0.7)).some((one) => one.id === 'barShare' || one.id === 'valveKnee')).toBe(false)
  })
  test('what cannot be reached is left out', () => {
    expect(levers(valved, roadShareAt(8000, 0.999)).some((one) => one.id === 'frontPistonArea')).toBe(false)
  })
})
