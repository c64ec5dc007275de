import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { boost, chain, throttle, unboost } from './chain.ts'
import { meanRadiusMm, uniformPressureRadiusMm } from './effective-radius.ts'
import { pedalForceForRoadForce, invertChain } from './pedal-force.ts'
import { nearestStockBoreMm, sameFeelBoreMm, STOCK_BORES_MM } from './same-feel.ts'
import type { AxleBrake, BrakeSystem } from './system.ts'
import { axleFluidMm3, strokeMm } from './travel.ts'

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true })
const disc: fc.Arbitrary<AxleBrake> = fc.record({
  kind: fc.constant('disc' as const),
  pistonAreaMm2: number(300, 5000),
  mu: number(0.2, 0.6),
  effectiveRadiusMm: number(80, 180),
  sealMpa: number(0, 0.2),
})
const drum: fc.Arbitrary<AxleBrake> = fc.record({
  kind: fc.constant('drum' as const),
  pistonAreaMm2: number(150, 500),
  brakeFactor: number(1.5, 5),
  drumRadiusMm: number(80, 150),
  sealMpa: number(0, 0.5),
})
const anySystem: fc.Arbitrary<BrakeSystem> = fc.record({
  pedalRatio: number(3, 7),
  pedalEfficiency: number(0.7, 1),
  booster: fc.option(fc.record({ ratio: number(1.2, 8), assistN: fc.option(number(200, 5000), { nil: undefined }) }), { nil: undefined }),
  master: fc.oneof(
    fc.record({ kind: fc.constant('tandem' as const), boreMm: number(14, 32) }),
    fc.record({
      kind: fc.constant('twin' as const),
      frontBoreMm: number(14, 28),
      rearBoreMm: number(14, 28),
      frontShare: number(0.35, 0.65),
    }),
  ),
  valve: fc.option(fc.record({ kneeMpa: number(0, 6), slope: number(0, 0.9) }), { nil: undefined }),
  front: disc,
  rear: fc.oneof(disc, drum),
  tyreRadiusMm: fc.record({ front: number(250, 350), rear: number(250, 350) }),
})
const plain = (front: Partial<Extract<AxleBrake, { kind: 'disc' }>> = {}): BrakeSystem => ({
  pedalRatio: 4,
  pedalEfficiency: 1,
  booster: undefined,
  master: { kind: 'tandem', boreMm: 20 },
  valve: undefined,
  front: { kind: 'disc', pistonAreaMm2: 2300, mu: 0.4, effectiveRadiusMm: 105, sealMpa: 0, ...front },
  rear: { kind: 'disc', pistonAreaMm2: 900, mu: 0.4, effectiveRadiusMm: 100, sealMpa: 0 },
  tyreRadiusMm: { front: 290, rear: 290 },
})

describe('from the pedal to the road', () => {
  test('effort inverts the chain, with booster, runout, seals, valve and drums', () => {
    fc.assert(
      fc.property(anySystem, number(5, 1500), (system, pedalForceN) => {
        const { front, rear } = chain(system, pedalForceN)
        const road = front.forceN + rear.forceN
        if (road < 1) return
        const back = pedalForceForRoadForce(system, road)!
        const again = chain(system, back)
        expect(Math.abs(again.front.forceN + again.rear.forceN - road)).toBeLessThanOrEqual(1e-6 * Math.max(road, 1))
        expect(back).toBeLessThanOrEqual(pedalForceN * (1 + 1e-9))
      }),
      { numRuns: 400 },
    )
  })
  test('the axles share a force at the road as the chain shares it at the foot', () => {
    fc.assert(
      fc.property(anySystem, number(1, 20_000), (system, roadForceN) => {
        const stop = invertChain(system)(roadForceN)
        if (!stop) return
        const { front, rear } = chain(system, stop.pedalForceN)
        expect(Math.abs(stop.frontN - front.forceN)).toBeLessThanOrEqual(1e-7 * roadForceN)
        expect(Math.abs(stop.rearN - rear.forceN)).toBeLessThanOrEqual(1e-7 * roadForceN)
        expect(Math.abs(stop.frontN + stop.rearN - roadForceN)).toBeLessThanOrEqual(1e-7 * roadForceN)
      }),
      { numRuns: 400 },
    )
  })
  test('a valve that is all but shut is as good as shut', () => {
    const shut = (slope: number): BrakeSystem => ({ ...plain(), valve: { kneeMpa: 0, slope }, rear: { ...plain().rear, sealMpa: 0.2 } })
    for (const slope of [1e-307, 1e-12]) expect(invertChain(shut(slope))(3000)).toEqual(invertChain(shut(0))(3000))
  })
  test('shares stay between none and all, and are unknown only where nothing acts', () => {
    fc.assert(
      fc.property(anySystem, number(0, 1500), (system, pedalForceN) => {
        const { bias, front, rear } = chain(system, pedalForceN)
        for (const share of Object.values(bias)) if (share !== undefined) expect(share >= 0 && share <= 1).toBe(true)
        expect(bias.road === undefined).toBe(front.forceN + rear.forceN === 0)
        if (system.rear.kind === 'drum') expect(bias.clamp).toBeUndefined()
      }),
    )
  })
  test('a booster is undone by its inverse, below and above runout', () => {
    fc.assert(
      fc.property(number(0, 4000), number(1.01, 8), number(0, 4000), (rod, ratio, assistN) => {
        expect(unboost(boost(rod, { ratio, assistN }), { ratio, assistN })).toBeCloseTo(rod, 6)
      }),
    )
    expect(chain({ ...plain(), booster: { ratio: 4, assistN: 300 } }, 25)).toMatchObject({ runout: true, boostedForceN: 400 })
    expect(chain({ ...plain(), booster: { ratio: 4, assistN: 300 } }, 24).runout).toBe(false)
  })
  test('a valve lets pass below its knee and throttles above', () => {
    expect(throttle(2, { kneeMpa: 3, slope: 0.4 })).toBe(2)
    expect(throttle(5, { kneeMpa: 3, slope: 0.4 })).toBeCloseTo(3.8, 12)
  })
  test('no brake, no answer', () => {
    const dead = plain({ mu: 0 })
    expect(pedalForceForRoadForce({ ...dead, rear: { ...dead.front } }, 100)).toBeUndefined()
    expect(pedalForceForRoadForce(dead, 0)).toBe(0)
  })
})

describe('bores, radii and fluid', () => {
  test('the same feel keeps piston area over master area', () => {
    fc.assert(
      fc.property(number(12, 32), number(500, 8000), number(500, 8000), (bore, before, after) => {
        const next = sameFeelBoreMm(bore, before, after)
        expect(after / next ** 2).toBeCloseTo(before / bore ** 2, 6)
      }),
    )
    expect(nearestStockBoreMm((12.7 + 14.2875) / 2)).toBe(12.7)
    for (const bore of STOCK_BORES_MM) expect(nearestStockBoreMm(bore)).toBe(bore)
  })
  test('uniform pressure acts a little further out, and at the ring itself when it is thin', () => {
    fc.assert(
      fc.property(number(60, 200), number(0.001, 80), (inner, height) => {
        const outer = inner + height
        const even = uniformPressureRadiusMm(outer, inner)
        expect(even).toBeGreaterThanOrEqual(meanRadiusMm(outer, inner) - 1e-9)
        expect(even).toBeLessThanOrEqual(outer)
      }),
    )
  })
  test('fluid grows with pressure, and a tandem takes both circuits in turn', () => {
    const taker = { pistonAreaMm2: 2000, clearanceMm: 0.15, complianceMm3PerMpa: 100, hoseLengthMm: 400, hoseSwellMm3PerMmMpa: 0.1 }
    expect(axleFluidMm3(taker, 0)).toBeCloseTo(1200, 9)
    expect(axleFluidMm3(taker, 5)).toBeCloseTo(1200 + 2 * 5 * 140, 9)
    const side = { taker, pressureMpa: 5 }
    const tandem = strokeMm({ kind: 'tandem', boreMm: 20 }, side, side, 1.5)
    const twin = strokeMm({ kind: 'twin', frontBoreMm: 20, rearBoreMm: 20, frontShare: 0.5 }, side, side, 1.5)
    expect(tandem - 1.5).toBeCloseTo(2 * (twin - 1.5), 9)
  })
})
