import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { CornerHeat } from './corner-heat.ts'
import { cornerRun } from './corner-run.ts'
import { atEnthalpy, CARBON_HEAT, enthalpy, IRON_HEAT, specificHeat, type CornerNodes } from './nodes.ts'

const between = (min: number, max: number) => fc.double({ min, max, noNaN: true })
const nodes: fc.Arbitrary<CornerNodes> = fc.record({
  ringMassKg: between(1, 14),
  areaM2: between(0.03, 0.15),
  emissivity: between(0.2, 0.9),
  h0: between(5, 20),
  h1: between(2, 9),
  ductFactor: between(0.6, 1.6),
  intoRotor: between(0.85, 0.99),
  ringToPadWPerK: between(1, 12),
  ringToPadReleasedWPerK: between(0.1, 2),
  padToCaliperWPerK: between(0.3, 2.5),
  ringToCaliperWPerK: between(0.05, 0.6),
  fluidShare: between(0.1, 0.3),
  padJPerK: between(150, 1200),
  padCoolingWPerK: between(0.2, 1.2),
  caliperJPerK: between(800, 6000),
  caliperCoolingWPerK: between(1, 4),
})
const segments = fc.array(
  fc.record({
    seconds: between(0.2, 60),
    fromKmh: between(0, 240),
    toKmh: between(0, 240),
    forceN: fc.oneof(fc.constant(0), between(100, 6000)),
    forcePerV2: between(0, 0.6),
  }),
  { minLength: 1, maxLength: 12 },
)
const cold = { ringC: 20, padC: 20, caliperC: 20 }

describe('the heat that a kilogram holds', () => {
  test('is the integral of its specific heat, and found back from it', () => {
    fc.assert(
      fc.property(between(-60, 1500), fc.constantFrom(IRON_HEAT, CARBON_HEAT), (atC, heat) => {
        expect(atEnthalpy(heat, enthalpy(heat, atC))).toBeCloseTo(atC, 6)
        const slope = (enthalpy(heat, atC + 1e-3) - enthalpy(heat, atC - 1e-3)) / 2e-3
        expect(slope).toBeCloseTo(specificHeat(heat, atC), 2)
      }),
    )
  })
})

describe('one corner', () => {
  test('what the brakes put in is what it holds and what it gave off', () => {
    fc.assert(
      fc.property(nodes, segments, (one, driven) => {
        const heat = new CornerHeat(one, cold, 20)
        const before = heat.heldJ()
        for (const { seconds, fromKmh, forceN } of driven) heat.step(seconds, fromKmh / 3.6, (forceN * fromKmh * seconds) / 3.6, forceN > 0)
        const held = heat.heldJ() - before
        const { inJ, outJ } = heat.energy
        expect(Math.abs(inJ - held - outJ)).toBeLessThanOrEqual(1e-6 * Math.max(1, inJ, outJ))
      }),
    )
  })
  test('without brake, wind and loss all temperatures meet', () => {
    fc.assert(
      fc.property(nodes, between(100, 700), (one, ringC) => {
        const sealed = { ...one, h0: 0, h1: 0, emissivity: 0, padCoolingWPerK: 0, caliperCoolingWPerK: 0 }
        const heat = new CornerHeat(sealed, { ringC, padC: 60, caliperC: 30 }, 20)
        for (let i = 0; i < 4000; i += 1) heat.step(60, 0, 0, false)
        expect(Math.max(heat.ringC, heat.padC, heat.caliperC) - Math.min(heat.ringC, heat.padC, heat.caliperC)).toBeLessThan(0.01)
      }),
      { numRuns: 40 },
    )
  })
  test('halving the step changes nothing by more than 0.1 degC', () => {
    // what cars do: speeds that follow one another
    const drive = [
      { seconds: 4, fromKmh: 150, toKmh: 60, forceN: 4200, forcePerV2: 0.1 },
      { seconds: 20, fromKmh: 60, toKmh: 150, forceN: 0, forcePerV2: 0 },
    ]
    const driven = Array.from({ length: 10 }, () => drive).flat()
    fc.assert(
      fc.property(nodes, (one) => {
        const [whole, half] = [undefined, 0.05].map((most) => cornerRun({ nodes: one, start: cold, ambientC: 20, segments: driven }, most))
        whole!.ends.forEach((end, i) => {
          for (const key of ['ringC', 'padC', 'caliperC'] as const) expect(Math.abs(end[key] - half!.ends[i]![key])).toBeLessThan(0.1)
        })
      }),
      { numRuns: 30 },
    )
  })
  test('hotter air, weaker wind and more work never cool it', () => {
    fc.assert(
      fc.property(nodes, segments, between(0, 25), between(0.3, 1), between(1, 1.5), (one, driven, warmer, wind, work) => {
        const run = (of: CornerNodes, ambientC: number, times: number) =>
          cornerRun({
            nodes: of,
            start: cold,
            ambientC,
            segments: driven.map((segment) => ({ ...segment, forceN: segment.forceN * times })),
          }).ends.at(-1)!
        const as = run(one, 20, 1)
        for (const other of [run(one, 20 + warmer, 1), run({ ...one, ductFactor: one.ductFactor * wind }, 20, 1), run(one, 20, work)])
          for (const key of ['ringC', 'padC', 'caliperC'] as const) expect(other[key]).toBeGreaterThanOrEqual(as[key] - 1e-6)
      }),
      { numRuns: 60 },
    )
  })
  test('a step as long as an hour stays finite and ends between what it was and the air', () => {
    fc.assert(
      fc.property(nodes, between(-40, 800), between(-40, 50), (one, ringC, ambientC) => {
        const heat = new CornerHeat(one, { ringC, padC: ringC, caliperC: ringC }, ambientC)
        for (let i = 0; i < 200; i += 1) heat.step(3600, 0, 0, false)
        for (const at of [heat.ringC, heat.padC, heat.caliperC]) expect(Math.abs(at - ambientC)).toBeLessThan(5)
      }),
      { numRuns: 60 },
    )
  })
})
