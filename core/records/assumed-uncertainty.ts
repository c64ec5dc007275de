import { ASSUMED_LENGTH_U_MM, ASSUMED_THICKNESS_U_MM, type Figure, type Origin } from '../quantity/figure.ts'
import type { Dimension } from '../quantity/units.ts'

/**
 * What a figure has turned out to be worth when nobody said how sure it is, by where it comes from: one standard
 * deviation, absolute or as a share of the figure. Engineering judgement, stated so that it can be argued with.
 */
interface Worth {
  absolute?: Record<Origin, number>
  share?: Record<Origin, number>
}
const absolute = (measured: number, published: number, reported: number, estimated: number): Worth => ({
  absolute: { measured, published, reported, estimated },
})
const share = (measured: number, published: number, reported: number, estimated: number): Worth => ({
  share: { measured, published, reported, estimated },
})

const MACHINED: Worth = { absolute: ASSUMED_THICKNESS_U_MM }
const NEAR_THE_WHEEL: Worth = { absolute: ASSUMED_LENGTH_U_MM }

/** Fields that are surer, or less sure, than others of their dimension. */
const OF_FIELD: Readonly<Record<string, Worth>> = {
  pistonsMm: MACHINED,
  boreMm: MACHINED,
  frontBoreMm: MACHINED,
  rearBoreMm: MACHINED,
  cylinderBoreMm: MACHINED,
  thicknessMm: MACHINED,
  nowThicknessMm: MACHINED,
  wheelbaseMm: absolute(5, 5, 15, 40),
  cgHeightMm: absolute(15, 15, 25, 40),
  ownCgHeightMm: absolute(15, 15, 25, 40),
  tyreRadiusMm: absolute(2, 3, 5, 8),
  friction: share(0.06, 0.08, 0.12, 0.15),
  tyreDry: share(0.06, 0.08, 0.1, 0.12),
  tyreWet: share(0.08, 0.1, 0.12, 0.15),
  tyreLoose: share(0.1, 0.12, 0.15, 0.2),
  brakeFactor: share(0.08, 0.1, 0.15, 0.2),
  assistN: share(0.05, 0.07, 0.12, 0.2),
  pedalEfficiency: absolute(0.02, 0.03, 0.04, 0.04),
  barFrontShare: absolute(0.005, 0.005, 0.02, 0.05),
}
const OF_DIMENSION: Readonly<Record<Dimension, Worth>> = {
  length: NEAR_THE_WHEEL,
  mass: share(0.01, 0.015, 0.03, 0.06),
  share: absolute(0.005, 0.007, 0.015, 0.03),
  temperature: absolute(5, 8, 12, 20),
  temperatureRise: absolute(5, 8, 12, 20),
  pressure: share(0.04, 0.06, 0.12, 0.2),
  area: share(0.01, 0.02, 0.06, 0.1),
  force: share(0.03, 0.05, 0.1, 0.2),
  torque: share(0.03, 0.05, 0.1, 0.2),
  deceleration: share(0.02, 0.03, 0.06, 0.1),
  speed: share(0.02, 0.03, 0.06, 0.1),
  distance: share(0.02, 0.03, 0.06, 0.1),
  seconds: share(0.02, 0.03, 0.06, 0.1),
  number: share(0.02, 0.03, 0.06, 0.1),
  // whole numbers and codes are right or wrong, not near
  count: absolute(0, 0, 0, 0),
  rim: absolute(0, 0, 0, 0),
}

/** The standard uncertainty of a figure: what was stated with it, else what such figures have turned out to be worth. */
export function doubtOf(field: string, dimension: Dimension, figure: Pick<Figure, 'value' | 'u' | 'origin'>): number {
  if (figure.u !== undefined) return figure.u
  const worth = OF_FIELD[field] ?? OF_DIMENSION[dimension]
  return worth.absolute?.[figure.origin] ?? worth.share![figure.origin] * Math.abs(figure.value)
}

/** What the same figure would be worth once it was measured. */
export const doubtOnceMeasured = (field: string, dimension: Dimension, value: number): number =>
  doubtOf(field, dimension, { value, origin: 'measured' })
