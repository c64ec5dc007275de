import { agreement, type Agreement } from '../clearance/agreement.ts'
import { gap, type Gap } from '../clearance/gap.ts'
import { joinByVariance } from '../clearance/measure-next.ts'
import type { PreparedCaliper, PreparedWheel } from '../clearance/outline.ts'
import type { Shifts } from '../clearance/shift.ts'
import { uncertainGap } from '../clearance/uncertain-gap.ts'
import { clearanceVerdict, gapGradient, gapRange, gapUncertainty, type ClearanceVerdict } from '../clearance/verdict.ts'
import { GAP_POLICIES, TIGHT_LIMIT_MM, type Preferences, type TrialFit } from '../model/project.ts'
import { ASSUMED_LENGTH_U_MM } from '../quantity/figure.ts'

/** How percentiles are found: by draws for a verdict, from the gradient while a hand moves. */
export type Precision = 'draws' | 'linear'

/** A trial fit that was made with the parts in question. */
export interface SeenGap {
  valueMm: number
  uMm: number
}

export interface Judged {
  gap: Gap
  /** Mean of the gap with all that is known of it, mm. */
  meanMm: number
  uMm: number
  p05Mm: number
  p95Mm: number
  requiredMm: number
  verdict: ClearanceVerdict
  /** The trial fit against the figures, where there is one. */
  trial: (SeenGap & Agreement) | undefined
}

export interface Judge {
  caliper: PreparedCaliper
  wheel: PreparedWheel
  u: Shifts
  policy: Preferences['gapPolicy']
  faceKnown: boolean
}

/**
 * The gap asked for. The limit for trial fits holds only once one was made with these parts; until then
 * it is the one that holds everywhere.
 */
export const requiredGapMm = (policy: Preferences['gapPolicy'], trialMade: boolean): number =>
  policy === 'trialFit' && !trialMade ? GAP_POLICIES.standard.requiredMm : GAP_POLICIES[policy].requiredMm

export const seenGap = ({ gapMm }: TrialFit): SeenGap => ({ valueMm: gapMm.value, uMm: gapMm.u ?? ASSUMED_LENGTH_U_MM[gapMm.origin] })

/**
 * Gap and verdict at a spacer. A trial fit joins by inverse variance; one that contradicts the figures
 * widens the range to both, for then one of them is wrong. A wheel without a face can hit or be too
 * close, but never clear.
 */
export function judge(of: Judge, spacerMm: number, precision: Precision, seen?: SeenGap, barrelOnly = false): Judged {
  const found = gap(of.caliper, of.wheel, spacerMm)
  let known =
    precision === 'draws'
      ? uncertainGap(of.caliper, of.wheel, spacerMm, of.u)
      : linear(found.minGapMm, gapUncertainty(gapGradient(found), of.u))
  let trial: Judged['trial']
  if (seen) {
    const compared = agreement({ valueMm: known.meanMm, uMm: known.uMm }, seen)
    trial = { ...seen, ...compared }
    if (compared.agree) {
      const joined = joinByVariance({ valueMm: known.meanMm, uMm: known.uMm }, seen)
      known = linear(joined.valueMm, joined.uMm)
    } else {
      const range = gapRange(seen.valueMm, seen.uMm)
      known = { ...known, p05Mm: Math.min(known.p05Mm, range.p05Mm), p95Mm: Math.max(known.p95Mm, range.p95Mm) }
    }
  }
  const requiredMm = requiredGapMm(of.policy, trial !== undefined && trial.agree)
  const verdict = clearanceVerdict(known.p05Mm, known.p95Mm, requiredMm, TIGHT_LIMIT_MM)
  // a wheel without a face, or a trial fit that says otherwise, leaves open what is not bad news anyway
  const whole = (of.faceKnown || barrelOnly) && (trial === undefined || trial.agree)
  const settled = whole || verdict === 'hits' || verdict === 'tooClose'
  return { gap: found, ...known, requiredMm, trial, verdict: settled ? verdict : 'measure' }
}

const linear = (meanMm: number, uMm: number) => ({ meanMm, uMm, ...gapRange(meanMm, uMm) })
