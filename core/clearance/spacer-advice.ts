import { gap } from './maths/gap.ts'
import { leastSpacer, STOCK_SPACERS_MM, stockSpacer } from './maths/spacer.ts'
import type { UnitChoice } from '../quantity/units.ts'
import { judge, requiredGapMm, type Judge, type JudgedClearance, type Precision } from './judge.ts'
import { spacerWords } from './words.ts'

const MAX_SPACER_MM = STOCK_SPACERS_MM[STOCK_SPACERS_MM.length - 1]!

export interface SpacerAdvice {
  leastMm: number | undefined
  stockMm: number | undefined
  sentence: string
}

/** The nominal spacer on the mean gap, and the smallest stock size whose own verdict is "clears". */
export function spacerAdvice(
  ready: Judge,
  precision: Precision,
  units: UnitChoice,
  now: JudgedClearance | undefined,
  nowMm: number,
): SpacerAdvice {
  // a trial fit speaks of one spacer only
  const requiredMm = requiredGapMm(ready.policy, false)
  const leastMm = leastSpacer(ready.caliper.whole, ready.wheel.whole, requiredMm, MAX_SPACER_MM)
  // the linear estimate sorts out what is far off; the verdict itself has the last word
  const clears = (size: number) =>
    judge(ready, size, 'linear').p05Mm > requiredMm - 0.3 &&
    (now && size === nowMm ? now : judge(ready, size, precision)).verdict === 'clears'
  const stockMm = stockSpacer(leastMm, MAX_SPACER_MM, clears)
  const limitsAtMax = gap(ready.caliper.whole, ready.wheel.whole, MAX_SPACER_MM).limitingTag
  return { leastMm, stockMm, sentence: spacerWords(leastMm, stockMm, MAX_SPACER_MM, limitsAtMax, units) }
}

/** What is said where looking for one would take too long. */
export const NOT_SEARCHED: SpacerAdvice = {
  leastMm: undefined,
  stockMm: undefined,
  sentence: 'Spacers were not checked: the outlines overlap in too many points.',
}
