import { gap } from './gap.ts'
import type { PreparedCaliper, PreparedWheel } from './outline.ts'

/** Thicknesses that spacers are sold in, mm. */
export const STOCK_SPACERS_MM = [3, 5, 8, 10, 12, 15, 18, 20, 25, 30] as const

/** Least step of the search, mm: half of what the answer may be off by. */
const STEP_MM = 0.005

/**
 * The nominal spacer: the smallest one with which the gap reaches `requiredMm`.
 *
 * Moving the wheel by d changes a distance by at most d, so a spacer short of the goal by x needs at
 * least x more: the search walks up by what is missing and steps over nothing wider than 0.005 mm.
 *
 * @returns millimetres, or undefined when none up to `maxMm` does it
 */
export function leastSpacer(caliper: PreparedCaliper, wheel: PreparedWheel, requiredMm: number, maxMm: number): number | undefined {
  let spacer = 0
  while (spacer <= maxMm) {
    const missing = requiredMm - gap(caliper, wheel, spacer).minGapMm
    if (missing <= 1e-9) return spacer
    spacer += Math.max(missing, STEP_MM)
  }
  const short = requiredMm - gap(caliper, wheel, maxMm).minGapMm
  return short <= 1e-9 ? maxMm : undefined
}

/**
 * The smallest stock spacer at or above the nominal one that passes a test of its own: the gap on the
 * mean, or the whole verdict with its uncertainty.
 *
 * @returns millimetres, 0 when none is needed, undefined when none helps
 */
export function stockSpacer(nominalMm: number | undefined, maxMm: number, passes: (spacerMm: number) => boolean): number | undefined {
  if (nominalMm === undefined) return undefined
  if (nominalMm === 0 && passes(0)) return 0
  return STOCK_SPACERS_MM.find((size) => size >= nominalMm && size <= maxMm && passes(size))
}
