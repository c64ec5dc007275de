import { gap } from './gap.ts'
import type { PreparedCaliper, PreparedWheel } from './outline.ts'

/** Thicknesses that spacers are sold in, mm. */
export const STOCK_SPACERS_MM = [3, 5, 8, 10, 12, 15, 18, 20, 25, 30] as const

/** Least step of the search, mm: a stretch of spacers narrower than this is of no use to anybody. */
const STEP_MM = 0.05
/** How near the answer is to the true one, mm. */
const PRECISION_MM = 0.001

/**
 * The nominal spacer: the smallest one with which the gap reaches `requiredMm`.
 *
 * Moving the wheel by d changes a distance by at most d, so a spacer short of the goal by x needs at
 * least x more: the search walks up by what is missing, 0.05 mm at least where the gap opens slowly,
 * and halves the last step.
 *
 * @returns millimetres to 0.001, or undefined when none up to `maxMm` does it
 */
export function leastSpacer(caliper: PreparedCaliper, wheel: PreparedWheel, requiredMm: number, maxMm: number): number | undefined {
  const missing = (spacer: number) => requiredMm - gap(caliper, wheel, spacer).minGapMm
  let below = 0
  let short = missing(0)
  if (short <= 0) return 0
  while (below < maxMm) {
    const above = Math.min(below + Math.max(short, STEP_MM), maxMm)
    const over = missing(above)
    if (over <= 0) return narrow(missing, below, short, above, over)
    below = above
    short = over
  }
  return undefined
}

/**
 * The place between `below`, where `short` is missing, and `above`, where nothing is. The gap runs almost straight
 * there, so where a straight line says is looked at first, a little to both sides; halving does the rest.
 */
function narrow(missing: (spacerMm: number) => number, below: number, short: number, above: number, over: number): number {
  for (let [low, high, a, b] = [below, above, short, over]; ;) {
    if (high - low <= PRECISION_MM) return high
    const guess = low + ((high - low) * a) / (a - b)
    for (const at of [guess + 0.4 * PRECISION_MM, guess - 0.4 * PRECISION_MM, (low + high) / 2]) {
      if (at <= low || at >= high) continue
      const left = missing(at)
      if (left <= 0) {
        high = at
        b = left
      } else {
        low = at
        a = left
      }
      if (high - low <= PRECISION_MM) return high
    }
  }
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
