import fc from 'fast-check'
import type { Mass } from '../hydraulics/maths/mass.ts'
import type { AxleBrake, BrakeSystem } from '../hydraulics/maths/system.ts'

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true })

/** Brake systems of cars as they are driven: discs in front, discs or drums behind, one bore or two. For property tests. */
export function randomSystem({ valve = false }: { valve?: boolean } = {}): fc.Arbitrary<BrakeSystem> {
  const disc = (area: [number, number], radius: [number, number]): fc.Arbitrary<AxleBrake> =>
    fc.record({
      kind: fc.constant('disc' as const),
      pistonAreaMm2: number(...area),
      mu: number(0.25, 0.6),
      effectiveRadiusMm: number(...radius),
      sealMpa: fc.constant(0.05),
    })
  const drum: fc.Arbitrary<AxleBrake> = fc.record({
    kind: fc.constant('drum' as const),
    pistonAreaMm2: number(150, 500),
    brakeFactor: number(1.5, 4.5),
    drumRadiusMm: number(90, 140),
    sealMpa: fc.constant(0.3),
  })
  const valves = fc.record({ kneeMpa: number(0.5, 6), slope: number(0, 0.9) })
  return fc.record({
    pedalRatio: number(3, 6),
    pedalEfficiency: number(0.75, 1),
    booster: fc.option(fc.record({ ratio: number(2, 6), assistN: fc.option(number(500, 5000), { nil: undefined }) }), { nil: undefined }),
    master: fc.oneof(
      fc.record({ kind: fc.constant('tandem' as const), boreMm: number(15, 26) }),
      fc.record({
        kind: fc.constant('twin' as const),
        frontBoreMm: number(15, 24),
        rearBoreMm: number(15, 24),
        frontShare: number(0.4, 0.6),
      }),
    ),
    valve: valve ? valves : fc.option(valves, { nil: undefined }),
    front: disc([1200, 4000], [95, 145]),
    rear: fc.oneof(disc([500, 2000], [90, 135]), drum),
    tyreRadiusMm: fc.record({ front: number(260, 330), rear: number(260, 330) }),
  })
}

/** Cars as masses on two axles. */
export const randomMass = fc.record({
  massKg: number(600, 2200),
  staticFront: number(0.42, 0.66),
  cgHeightMm: number(350, 750),
  wheelbaseMm: number(2200, 3000),
})

/** A car of round figures. */
export const PLAIN_MASS: Mass = { massKg: 1000, staticFront: 0.6, cgHeightMm: 500, wheelbaseMm: 2500 }
/** Without seals and valve: a constant split. */
export const plainSystem = (rearAreaMm2: number, more: Partial<BrakeSystem> = {}): BrakeSystem => ({
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
