import { axisGap } from '../clearance/maths/axis-gap.ts'
import { BEAD_SEAT_MM, nominalWheel } from '../clearance/maths/nominal-wheel.ts'
import { prepareCaliper, prepareWheel } from '../clearance/maths/outline.ts'
import type { ClearanceVerdict } from '../clearance/maths/verdict.ts'
import type { WheelTag } from '../records/field.ts'
import type { Axle } from '../quantity/axle.ts'
import type { PartOf } from '../records/part.ts'
import type { Project } from '../records/project.ts'
import type { Setup } from '../records/setup.ts'
import { findSetup, resolveSetup, spacerInUseMm } from '../records/resolve.ts'
import { capital, formatQuantity } from '../quantity/format.ts'
import type { Context } from '../figures/read.ts'
import { cornerOf, gapAsItIs } from '../clearance/corner.ts'
import { worse, worstByRules, type WorstOfRules } from './candidates.ts'
import type { Corner } from '../clearance/half-section.ts'
import type { Verdict } from '../figures/verdict.ts'
import { FINDING_SHORT, VERDICT_RANK } from '../figures/words.ts'

/** One wheel, or one brake, in a comparison: how sure, how much, and what would help. */
export interface PairingRow {
  id: string
  name: string
  /** What goes with it: a face height, a rotor and pads. */
  detail: string
  /** The worst of clearance and of all rules that it has a hand in, with its sentence; empty when all fits. */
  whole: Verdict
  why: string
  /** In a word or two: what its clearance says, unless something else is worse. */
  answer: string
  verdict: ClearanceVerdict
  short: string
  sentence: string
  meanMm: number | undefined
  p05Mm: number | undefined
  p95Mm: number | undefined
  /** What the policy of the project requires here. */
  requiredMm: number
  limitingTag: WheelTag | undefined
  stockSpacerMm: number | undefined
  /** Whether a spacer could be judged at all. */
  spacerJudged: boolean
  /** Drawn from markings: an estimate. */
  nominal: boolean
  /** Open figures. */
  missing: number
  /** In use in the setup that is looked at. */
  inUse: boolean
  /** What of the axle is other than in the setup, so that this row holds: the wheel's face, a spacer; null: none. */
  fit: { face?: string; spacer?: string | null }
}

/** A gap in the words of a finding: where a spacer clears it needs one, else it is blocked. */
const CLEARANCE: Record<ClearanceVerdict, Verdict> = {
  clears: 'fits',
  tight: 'check',
  measure: 'unknown',
  tooClose: 'blocked',
  hits: 'blocked',
}

/** Surest first: what clears, what a trial fit may show, what a measurement may show, what does not. */
const SURENESS: readonly ClearanceVerdict[] = ['clears', 'tight', 'measure', 'tooClose', 'hits']

/** By everything that is said of it, then by what is surest to clear. */
export const bestFirst = (a: PairingRow, b: PairingRow): number =>
  VERDICT_RANK[a.whole] - VERDICT_RANK[b.whole] ||
  SURENESS.indexOf(a.verdict) - SURENESS.indexOf(b.verdict) ||
  (b.p05Mm ?? -Infinity) - (a.p05Mm ?? -Infinity) ||
  a.name.localeCompare(b.name)

/** @param rules what the rules find of the part that is compared */
export function rowOf(
  id: string,
  name: string,
  detail: string,
  corner: Omit<Corner, 'consequences'>,
  inUse: boolean,
  rules: WorstOfRules,
): PairingRow {
  const helped = (corner.stockSpacerMm ?? 0) > 0
  const gap = CLEARANCE[corner.verdict] === 'blocked' && helped ? 'needs' : CLEARANCE[corner.verdict]
  const { worst, why } = worse(rules, { worst: gap, why: gap === 'fits' || gap === 'check' ? '' : corner.sentence, count: 1 })
  const answer = VERDICT_RANK[worst] > VERDICT_RANK[gap] ? capital(FINDING_SHORT[worst]) : corner.short
  return {
    id,
    name,
    detail,
    whole: worst,
    // what the answer says already is not said twice
    why: why.startsWith(`${answer}: `) ? capital(why.slice(answer.length + 2)) : why,
    answer,
    verdict: corner.verdict,
    short: corner.short,
    sentence: corner.sentence,
    meanMm: corner.gap?.meanMm,
    p05Mm: corner.gap?.p05Mm,
    p95Mm: corner.gap?.p95Mm,
    requiredMm: corner.requiredMm,
    limitingTag: corner.gap?.limitingTag,
    stockSpacerMm: corner.stockSpacerMm,
    spacerJudged: corner.spacerSentence !== '',
    nominal: corner.wheelIsNominal,
    missing: corner.missing.length,
    inUse,
    fit: {},
  }
}

export function contextOf(project: Project, setup: Setup): Context {
  return { project, setup, isStock: setup === project.setups[0], resolved: resolveSetup(project, setup) }
}

export const withAxle = (context: Context, axle: Axle, more: Partial<Context['resolved'][Axle]>): Context => ({
  ...context,
  resolved: { ...context.resolved, [axle]: { ...context.resolved[axle], ...more } },
})

/**
 * Every wheel of the project on the brakes of one axle, the best first. A wheel with several face heights has the least one
 * that clears, or else its highest; one that does not go on with the spacer of the setup has the spacer of the library, or
 * none, with which it goes on best.
 * @throws RangeError when the project has no such setup
 */
export function compareWheels(project: Project, setupId: string, axle: Axle): PairingRow[] {
  const context = contextOf(project, setupOf(project, setupId))
  const spacers = spacersOf(project)
  return project.parts
    .filter((part): part is PartOf<'wheel'> => part.kind === 'wheel')
    .map((wheel) => {
      const row = rowOfWheel(context, axle, wheel)
      return withSpacer(context, axle, wheel, spacers, row) ?? row
    })
    .sort(bestFirst)
}

function rowOfWheel(context: Context, axle: Axle, wheel: PartOf<'wheel'>): PairingRow {
  const on = withAxle(context, axle, { wheel })
  const asFitted = cornerOf(on, axle, 'draws')
  const rules = worstByRules(on, axle, 'wheel')
  const inUse = context.resolved[axle].wheel?.id === wheel.id
  if (asFitted.faces.length === 0) return rowOf(wheel.id, wheel.name, '', asFitted, inUse, rules)
  const face = asFitted.faces.find((one) => one.leastThatClears) ?? [...asFitted.faces].sort((a, b) => b.raiseMm - a.raiseMm)[0]!
  const chosen = cornerOf(withAxle(context, axle, { wheel: { ...wheel, faceChosen: face.name } }), axle, 'draws', false)
  const words = face.leastThatClears ? `with face ${face.name}, the least that clears` : `with face ${face.name}, the highest`
  const row = rowOf(wheel.id, wheel.name, words, chosen, inUse, rules)
  return wheel.faceChosen === face.name ? row : { ...row, fit: { face: face.name } }
}

/** None, and those of the library, the thinnest first. */
const spacersOf = ({ parts }: Project): (PartOf<'spacer'> | null)[] => [
  null,
  ...parts
    .filter((part): part is PartOf<'spacer'> => part.kind === 'spacer')
    .sort((a, b) => (a.thicknessMm?.value ?? Infinity) - (b.thicknessMm?.value ?? Infinity)),
]

/** The same with another spacer, where the one that is there stands in its way and another makes it better. */
function withSpacer(
  context: Context,
  axle: Axle,
  wheel: PartOf<'wheel'>,
  spacers: readonly (PartOf<'spacer'> | null)[],
  row: PairingRow,
): PairingRow | undefined {
  const { spacer: now, spacerTrialMm } = context.resolved[axle]
  const put = row.fit.face === undefined ? wheel : { ...wheel, faceChosen: row.fit.face }
  const rulesOf = (on: Context): WorstOfRules => worse(worstByRules(on, axle, 'wheel'), worstByRules(on, axle, 'spacer'))
  if (VERDICT_RANK[row.whole] < VERDICT_RANK.needs) return undefined
  // where no spacer of any thickness clears, or it clears and the spacer has no part in what is open, there is nothing to look for
  const inTheGap = row.verdict !== 'clears' && row.stockSpacerMm !== undefined
  if (!inTheGap && !(row.verdict === 'clears' && spacerHasAHand(context, axle, put))) return undefined
  let best: { rank: number; on: Context; spacer: PartOf<'spacer'> | null } | undefined
  for (const spacer of spacers) {
    if (spacerTrialMm === undefined && spacer?.id === now?.id) continue
    const on = withAxle(context, axle, { wheel: put, spacer, spacerTrialMm: undefined })
    const rank = VERDICT_RANK[gapAsItIs(on, axle).verdict]
    if (rank >= (best?.rank ?? VERDICT_RANK[row.whole])) continue
    const whole = Math.max(rank, VERDICT_RANK[rulesOf(on).worst])
    if (whole < (best?.rank ?? VERDICT_RANK[row.whole])) best = { rank: whole, on, spacer }
  }
  if (!best) return undefined
  const { on, spacer } = best
  const detail = [row.detail, spacer ? `with ${spacer.name}` : 'without a spacer'].filter(Boolean).join(', ')
  const other = rowOf(wheel.id, wheel.name, detail, cornerOf(on, axle, 'draws', false), row.inUse, rulesOf(on))
  if (VERDICT_RANK[other.whole] >= VERDICT_RANK[row.whole]) return undefined
  return { ...other, fit: { ...row.fit, spacer: spacer?.id ?? null } }
}

/** Whether what stands open is between wheel and spacer: length of studs, holes, register. */
function spacerHasAHand(context: Context, axle: Axle, wheel: PartOf<'wheel'>): boolean {
  return VERDICT_RANK[worstByRules(withAxle(context, axle, { wheel }), axle, 'spacer').worst] >= VERDICT_RANK.needs
}

export interface RimHint {
  /** Undefined: none of the known diameters. */
  diameterIn: number | undefined
  sentence: string
}

const ASSUMED_RIM = { widthIn: 7, offsetMm: 35 } as const

/**
 * The smallest rim whose plain barrel, made from its markings, leaves the gap asked for over the caliper:
 * a first hint, for markings say nothing of the spokes.
 */
export function smallestRim(project: Project, setupId: string, axle: Axle): RimHint {
  const context = contextOf(project, setupOf(project, setupId))
  const corner = cornerOf(context, axle, 'linear', false)
  const { wheel } = context.resolved[axle]
  if (!corner.caliper) return { diameterIn: undefined, sentence: 'Enter the caliper’s outline to find the smallest rim.' }
  const caliper = prepareCaliper(corner.caliper)
  const spacerMm = spacerInUseMm(context.resolved[axle])
  const rim = { widthIn: wheel?.widthIn?.value ?? ASSUMED_RIM.widthIn, offsetMm: wheel?.offsetMm?.value ?? ASSUMED_RIM.offsetMm }
  const clears = (diameterIn: number): boolean => {
    const barrel = prepareWheel(nominalWheel({ diameterIn, ...rim })!).barrel
    const gaps = caliper.outlines
      .map((outline) => axisGap(outline.tree, barrel, 'radial', spacerMm ?? 0))
      .filter((one) => one !== undefined)
    return gaps.length > 0 && Math.min(...gaps) >= corner.requiredMm
  }
  const diameterIn = Object.keys(BEAD_SEAT_MM).map(Number).find(clears)
  const shape = [
    `${rim.widthIn} wide${wheel?.widthIn ? '' : ' (assumed)'}`,
    `ET ${formatQuantity(rim.offsetMm, 'length', undefined, { decimals: 0, bare: true })}${wheel?.offsetMm ? '' : ' (assumed)'}`,
    ...(spacerMm === undefined ? ['without a spacer'] : []),
  ].join(', ')
  return {
    diameterIn,
    sentence:
      diameterIn === undefined
        ? 'No rim of a known diameter leaves the required clearance over this caliper, assuming a plain barrel.'
        : `First hint: a plain ${diameterIn} inch rim, ${shape}, could clear, to within about 3 mm. Measure the wheel to check the spokes.`,
  }
}

function setupOf(project: Project, setupId: string): Setup {
  const setup = findSetup(project, setupId)
  if (!setup) throw new RangeError(`no setup ${setupId} in project ${project.id}`)
  return setup
}
