import { expect, test } from '@jest/globals'
import { INSTRUMENTS } from '../../quantity/instrument.ts'
import { measuredValue } from '../../quantity/readings.ts'
import { gap } from './gap.ts'
import { normalQuantile } from '../../maths/normal.ts'
import { prepareCaliper, prepareWheel } from './outline.ts'
import { quickOutline } from './quick-outline.ts'
import { shiftWheel } from './shift.ts'
import { uncertainGap } from './uncertain-gap.ts'

/**
 * Whether nine of ten means nine of ten: made-up true shapes, each length read three times with the
 * scatter, scale and error of an instrument, and the interval held against the true gap.
 */
function study(runs: number, instrument: (typeof INSTRUMENTS)[keyof typeof INSTRUMENTS], seed: number): number {
  let state = seed
  const uniform = () => {
    state = (state * 48271) % 2147483647
    return state / 2147483647
  }
  const normal = () => normalQuantile(Math.min(Math.max(uniform(), 1e-9), 1 - 1e-9))
  /** Readings of a true length: one error of the scale for all, a scatter for each, rounded to the scale. */
  const measure = (trueMm: number) => {
    const scale = (2 * uniform() - 1) * instrument.limitOfErrorMm
    const readings = Array.from({ length: 3 }, () => {
      const read = trueMm + scale + instrument.repeatabilityMm * normal()
      return Math.round(read / instrument.resolutionMm) * instrument.resolutionMm
    })
    return measuredValue(readings, instrument)
  }
  let held = 0
  for (let run = 0; run < runs; run += 1) {
    const figures = {
      tallestRadiusMm: 150 + 10 * uniform(),
      tallFromMm: -95,
      tallToMm: 10 + 8 * uniform(),
      faceMm: 25 + 14 * uniform(),
      faceOuterRadiusMm: 130 + 8 * uniform(),
      faceInnerRadiusMm: 95,
      corner: 'chamfer' as const,
    }
    const depth = figures.faceMm + 2 + 4 * uniform()
    const wheel = {
      points: [
        [-115, 176],
        [30, 174],
        [depth, 160],
        [depth + 2, 120],
        [20, 70],
      ] as [number, number][],
      tags: ['barrel', 'shoulder', 'face', 'face'] as ('barrel' | 'shoulder' | 'face')[],
    }
    const truth = gap(
      prepareCaliper([{ name: 'body', points: quickOutline(figures).map(([z, r]) => [z, r]) }]),
      prepareWheel(wheel),
      0,
    ).minGapMm
    // the four shifts that were measured
    const [ca, cr, fa, br] = [measure(0), measure(0), measure(0), measure(0)]
    const seen = quickOutline(figures).map(([z, r]): [number, number] => [z + ca.valueMm, r + cr.valueMm])
    const { p05Mm, p95Mm } = uncertainGap(
      prepareCaliper([{ name: 'body', points: seen }]),
      prepareWheel(shiftWheel(wheel, fa.valueMm, br.valueMm)),
      0,
      {
        caliperAxialMm: ca.uMm,
        caliperRadialMm: cr.uMm,
        faceAxialMm: fa.uMm,
        barrelRadialMm: br.uMm,
      },
    )
    if (p05Mm <= truth && truth <= p95Mm) held += 1
  }
  return held / runs
}

test.each([
  ['digital caliper', INSTRUMENTS.digitalCaliper],
  ['straightedge and rule', INSTRUMENTS.straightedge],
  ['steel rule', INSTRUMENTS.steelRule],
] as const)('the 90 %% interval holds the true gap in 85 to 95 of 100 cases: %s', (_, instrument) => {
  const share = study(600, instrument, 7)
  expect(share).toBeGreaterThanOrEqual(0.85)
  expect(share).toBeLessThanOrEqual(0.95)
})
