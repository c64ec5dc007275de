import { agreement, type Agreement } from './maths/agreement.ts'
import type { WorkBudget } from '../maths/work-budget.ts'
import { gap, type Gap } from './maths/gap.ts'
import { joinByVariance } from './maths/measure-next.ts'
import { prepareCaliper, prepareWheel, type PreparedCaliper, type PreparedWheel } from './maths/outline.ts'
import type { Shifts } from './maths/shift.ts'
import { thinOutlines, thinProfile } from './maths/thin.ts'
import { uncertainGap, type UncertainGap } from './maths/uncertain-gap.ts'
import { clearanceVerdict, gapGradient, gapRange, gapUncertainty, type ClearanceVerdict } from './maths/verdict.ts'
import type { NamedOutline, WheelProfile } from '../records/field.ts'
import { GAP_POLICIES, TIGHT_LIMIT_MM, type Preferences } from '../records/preferences.ts'
import type { TrialFit } from '../records/setup.ts'
import { ASSUMED_LENGTH_U_MM } from '../quantity/figure.ts'

/** How percentiles are found: by draws for a verdict, from the gradient while a hand moves. */
export type Precision = 'draws' | 'linear'

/** A trial fit that was made with the parts in question. */
export interface SeenGap {
  valueMm: number
  uMm: number
}

export interface JudgedClearance {
  gap: Gap
  /** Mean of the gap with all that is known of it, mm. */
  meanMm: number
  uMm: number
  p05Mm: number
  p95Mm: number
  requiredMm: number
  verdict: ClearanceVerdict
  /** Too many points for draws: the range is the widest that the doubts allow. */
  widest: boolean
  /** The trial fit against the figures, where there is one. */
  trial: (SeenGap & Agreement) | undefined
}

export interface Judge {
  caliper: Ready<PreparedCaliper>
  wheel: Ready<PreparedWheel>
  u: Shifts
  policy: Preferences['gapPolicy']
  faceKnown: boolean
  /** The body was taken as large as it can be: it can clear, never hit. */
  cautious?: boolean
}

/**
 * The gap asked for. The limit for trial fits holds only once one was made with these parts; until then
 * it is the one that holds everywhere.
 */
export const requiredGapMm = (policy: Preferences['gapPolicy'], trialMade: boolean): number =>
  policy === 'trialFit' && !trialMade ? GAP_POLICIES.standard.requiredMm : GAP_POLICIES[policy].requiredMm

export const seenGap = ({ gapMm }: TrialFit): SeenGap => ({ valueMm: gapMm.value, uMm: gapMm.u ?? ASSUMED_LENGTH_U_MM[gapMm.origin] })

/** What the draws of one verdict may cost, in pairs of boxes: some 50 ms. */
const DRAWS_EFFORT = 150_000

/** With more points than this a line is thinned for all that is asked of it, not for draws alone. */
const MANY_POINTS = 4000

/** A side made ready for verdicts: for the gap itself, and for draws on fewer points. */
interface Ready<P> {
  whole: P
  few: P
}
export function readyCaliper(outlines: readonly NamedOutline[], effort: WorkBudget, precision: Precision): Ready<PreparedCaliper> {
  const prepare = (of: readonly NamedOutline[]): PreparedCaliper => ({ ...prepareCaliper(of), effort })
  const count = (of: readonly NamedOutline[]) => of.reduce((sum, one) => sum + one.points.length, 0)
  const many = count(outlines) > MANY_POINTS
  const thinned = many || precision === 'draws' ? thinOutlines(outlines) : outlines
  const few = prepare(thinned)
  return { few, whole: many || count(outlines) === count(thinned) ? few : prepare(outlines) }
}
export function readyWheel(profile: WheelProfile, precision: Precision): Ready<PreparedWheel> {
  const thinned = precision === 'draws' ? thinProfile(profile) : profile
  const few = prepareWheel(thinned)
  return { few, whole: thinned.points.length === profile.points.length ? few : prepareWheel(profile) }
}

/** The doubt of a gap by draws, on thinned lines where there are such; the mean stays with the whole ones. */
function drawn({ caliper, wheel, u }: Judge, spacerMm: number, whole: Gap): UncertainGap {
  const same = caliper.few === caliper.whole && wheel.few === wheel.whole
  const few = same ? whole : gap(caliper.few, wheel.few, spacerMm)
  const found = uncertainGap(caliper.few, wheel.few, spacerMm, u, DRAWS_EFFORT, few)
  if (same) return found
  const off = whole.minGapMm - few.minGapMm
  return { ...found, meanMm: found.meanMm + off, p05Mm: found.p05Mm + off, p95Mm: found.p95Mm + off }
}

/**
 * Gap and verdict at a spacer. A trial fit joins by inverse variance; one that contradicts the figures
 * widens the range to both, for then one of them is wrong. A wheel without a face can hit or be too
 * close, but never clear.
 * @throws TooMuch when the gap costs more than the caliper's effort
 */
export function judge(of: Judge, spacerMm: number, precision: Precision, seen?: SeenGap, barrelOnly = false): JudgedClearance {
  const found = gap(of.caliper.whole, of.wheel.whole, spacerMm)
  let known: UncertainGap =
    precision === 'draws' ? drawn(of, spacerMm, found) : linear(found.minGapMm, gapUncertainty(gapGradient(found), of.u))
  let trial: JudgedClearance['trial']
  if (seen) {
    const compared = agreement({ valueMm: known.meanMm, uMm: known.uMm }, seen)
    // a body taken as large as it can be only says that the gap is not less
    if (of.cautious && seen.valueMm > known.meanMm) compared.agree = true
    trial = { ...seen, ...compared }
    if (of.cautious && compared.agree) known = linear(seen.valueMm, seen.uMm)
    else if (compared.agree) {
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
  const settled = of.cautious && !trial?.agree ? whole && verdict === 'clears' : whole || verdict === 'hits' || verdict === 'tooClose'
  return { gap: found, ...known, widest: known.widest === true, requiredMm, trial, verdict: settled ? verdict : 'measure' }
}

const linear = (meanMm: number, uMm: number) => ({ meanMm, uMm, ...gapRange(meanMm, uMm) })
