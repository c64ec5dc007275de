import type { PressurePair } from './gauge-models.ts'
import { boreAreaMm2 } from './system.ts'

/** Rear over front by least squares through the origin; undefined without a pair that has front pressure. */
export function slopeThroughOrigin(pairs: readonly PressurePair[]): number | undefined {
  const squares = pairs.reduce((sum, [front]) => sum + front * front, 0)
  return squares > 0 ? pairs.reduce((sum, [front, rear]) => sum + front * rear, 0) / squares : undefined
}

/** The balance bar's front share from rear over front: with P_f = x F / A_f and P_r = (1 - x) F / A_r it is 1 / (1 + s A_r / A_f). */
export const barShareOfSlope = (slope: number, frontBoreMm: number, rearBoreMm: number): number =>
  1 / (1 + (slope * boreAreaMm2(rearBoreMm)) / boreAreaMm2(frontBoreMm))

/**
 * The balance bar's front share from pressure pairs, by the rear-over-front slope through the origin (least squares).
 *
 * @param frontBoreMm, rearBoreMm of the two cylinders
 * @returns 0 to 1; undefined without a pair that has front pressure
 */
export function barShareFromGauges(pairs: readonly PressurePair[], frontBoreMm: number, rearBoreMm: number): number | undefined {
  const slope = slopeThroughOrigin(pairs)
  return slope === undefined ? undefined : barShareOfSlope(slope, frontBoreMm, rearBoreMm)
}
