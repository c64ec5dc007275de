import { agreement } from './maths/agreement.ts'
import { WorkBudget, withinBudget } from '../maths/work-budget.ts'
import { combinedShifts } from './maths/measure-next.ts'
import type { ClearanceVerdict } from './maths/verdict.ts'
import type { InterfaceCheck } from '../fit/interface-check.ts'
import type { Axle } from '../quantity/axle.ts'
import type { PartOf } from '../records/part.ts'
import type { ReportFigure } from '../figures/figure.ts'
import type { FigureCheck } from '../figures/check-result.ts'
import type { Verdict } from '../figures/verdict.ts'
import { askSlot, readPart, type AtAxle, type Context } from '../figures/read.ts'
import { missingSentence } from '../figures/words.ts'
import { Working } from '../figures/working.ts'
import { notMeasured, placedOutlines } from './caliper-outline.ts'
import { differenceReport, type SaidByDifference } from './gap-difference.ts'
import { BARREL_GAP, FACE_GAP, LEAST_GAP } from './gap-figures.ts'
import { GapInputs } from './gap-inputs.ts'
import type { Corner } from './half-section.ts'
import {
  judge,
  readyCaliper,
  readyWheel,
  requiredGapMm,
  seenGap,
  type Judge,
  type JudgedClearance,
  type Precision,
  type SeenGap,
} from './judge.ts'
import { nearestPointsNotes } from './nearest-points.ts'
import { nextMeasurements } from './next-measurement.ts'
import { rotorSection } from './rotor-section.ts'
import { NOT_SEARCHED, spacerAdvice, type SpacerAdvice } from './spacer-advice.ts'
import { spacerEffects } from './spacer-effects.ts'
import { matchingTrialFit, staleTrial } from './trial-fit.ts'
import { secondWay } from './two-ways.ts'
import { wheelSection, type WheelSection } from './wheel-profile.ts'
import { agreementSentence, clearanceSentence, reachSentence, trialSentence, VERDICT_SHORT } from './words.ts'

/** What one corner may cost, in pairs of boxes: all of it some 0.3 s, and no part so much that nothing is left for the next. */
const EFFORT = { all: 900_000, verdict: 350_000, spacers: 300_000 } as const

export interface CornerReport {
  corner: Corner
  figures: ReportFigure[]
  findings: FigureCheck[]
}

/** A corner that has been looked at: what was read, and what it came to as far as it could. */
interface CornerAnalysis extends AtAxle {
  precision: Precision
  effort: WorkBudget
  work: Working
  inputs: GapInputs
  placed: ReturnType<typeof placedOutlines>
  section: WheelSection | undefined
  spacerMm: number | undefined
  ready: Judge | undefined
  seen: SeenGap | undefined
  now: JudgedClearance | undefined
  difference: ReturnType<typeof differenceReport>
  verdict: ClearanceVerdict
}

/**
 * Whether the wheel of one axle clears what is fitted there, and what a half section shows of it.
 * @param fit what the rules find at this axle
 */
export function cornerReport(context: Context, axle: Axle, precision: Precision, fit: readonly InterfaceCheck[]): CornerReport {
  const looked = look(context, axle, precision)
  const { work, placed, now, difference, spacerMm } = looked
  const spacers = spacersOf(looked)
  const sentence = sentenceOf(looked)
  addNotes(looked)
  const half = halfSection(looked, spacers, sentence)
  const judged = {
    context,
    axle,
    reading: work,
    now,
    faceKnown: looked.section?.faceKnown ?? false,
    cautious: looked.ready?.cautious ?? false,
    nearest: nearestNotes(looked, half),
  }
  const effects = spacerEffects({ context, axle, spacerMm }, fit)
  const figures = [
    ...[LEAST_GAP, FACE_GAP, BARREL_GAP].map((gapFigure) => gapFigure.of(judged).figure),
    placed.shift,
    difference.figure,
    ...effects.figures,
  ]
  const corner = Object.assign(half, { consequences: effects.consequences })
  return { corner, figures, findings: [clearanceFinding(looked, sentence, spacers?.stockMm)] }
}

/**
 * The corner alone, without what its spacer brings with it: for lists of wheels and brakes.
 * @param faces whether the other face heights of the wheel are judged too
 */
export function cornerOf(context: Context, axle: Axle, precision: Precision, faces = true): Omit<Corner, 'consequences'> {
  const looked = look(context, axle, precision)
  return halfSection(looked, spacersOf(looked), sentenceOf(looked), faces)
}

/**
 * The finding alone, by the linear estimate: for lists of many candidates. Whether a spacer helps is only
 * asked where the wheel does not clear.
 */
export function briefClearance(context: Context, axle: Axle): Pick<FigureCheck, 'verdict' | 'sentence'> {
  const looked = look(context, axle, 'linear')
  const bad = looked.verdict === 'hits' || looked.verdict === 'tooClose'
  return clearanceFinding(looked, sentenceOf(looked), bad ? spacersOf(looked)?.stockMm : undefined)
}

/** The verdict on the gap as it is, by the linear estimate and without asking what a spacer would do; mm where it is known. */
export function gapAsItIs(context: Context, axle: Axle): { verdict: Verdict; gapMm: number | undefined } {
  const { verdict, now } = look(context, axle, 'linear')
  return { verdict: AS_IT_IS[verdict], gapMm: now?.meanMm }
}
const AS_IT_IS: Record<CornerAnalysis['verdict'], Verdict> = {
  clears: 'fits',
  tight: 'check',
  measure: 'unknown',
  tooClose: 'blocked',
  hits: 'blocked',
}

interface ReadSection {
  section: WheelSection
  work: Working
  inputs: GapInputs
}
/** A wheel's section with what was read for it, from before where the context keeps it. */
function sectionOf(context: Context, work: Working, wheel: PartOf<'wheel'>, inputs: GapInputs): WheelSection {
  const { instrument, weightAllowanceMm } = context.project.preferences
  if (!context.wheels) return wheelSection(work, wheel, inputs, weightAllowanceMm)
  let read = context.wheels.get(wheel) as ReadSection | undefined
  if (!read) {
    const own = { work: new Working(), inputs: new GapInputs(instrument) }
    read = { section: wheelSection(own.work, wheel, own.inputs, weightAllowanceMm), ...own }
    context.wheels.set(wheel, read)
  }
  work.inputs.push(...read.work.inputs)
  work.askAll(read.work.missing)
  inputs.all.push(...read.inputs.all)
  return read.section
}

/** Reads the corner and judges its gap. */
function look(context: Context, axle: Axle, precision: Precision): CornerAnalysis {
  const { caliper, wheel } = context.resolved[axle]
  const { preferences } = context.project
  const work = new Working()
  const inputs = new GapInputs(preferences.instrument)
  if (!caliper) askSlot(work, context, axle, 'caliper')
  const disc = caliper?.kind === 'caliper' ? caliper : undefined
  const placed = placedOutlines(work, { context, axle, caliper: disc, inputs })
  if (disc) work.carry(placed.shift)
  const section = wheel ? sectionOf(context, work, wheel, inputs) : undefined
  if (!wheel) askSlot(work, context, axle, 'wheel')
  const spacerMm = spacerInUse(work, context, axle, inputs)
  const effort = context.effort ?? new WorkBudget(EFFORT.all)
  const ready: Judge | undefined =
    placed.outlines && section?.profile && spacerMm !== undefined
      ? {
          caliper: readyCaliper(placed.outlines, effort, precision),
          wheel: readyWheel(section.profile, precision),
          u: combinedShifts(inputs.all),
          policy: preferences.gapPolicy,
          faceKnown: section.faceKnown,
          cautious: disc !== undefined && notMeasured(disc).length > 0,
        }
      : undefined
  const trialFit = matchingTrialFit(context, axle, spacerMm)
  const seen = trialFit && seenGap(trialFit)
  const now = ready && withinBudget(effort, EFFORT.verdict, () => judge(ready, spacerMm!, precision, seen))
  // what the answer waits for
  if (now?.verdict === 'measure' && ready!.cautious) work.askAll(notMeasured(disc!))
  if (ready && !now) askFewerPoints(work, disc!, wheel!)
  const difference = differenceReport(context, axle, now?.requiredMm ?? requiredGapMm(preferences.gapPolicy, false))
  const verdict = now?.verdict ?? difference.said?.verdict ?? 'measure'
  return { context, axle, precision, effort, work, inputs, placed, section, spacerMm, ready, seen, now, difference, verdict }
}

const isDrum = ({ context, axle }: AtAxle): boolean => context.resolved[axle].caliper?.kind === 'drum'

/** Which spacer clears; undefined where that cannot be asked. */
function spacersOf({ context, effort, ready, now, section, seen, spacerMm, precision }: CornerAnalysis): SpacerAdvice | undefined {
  if (!ready || !now || !section!.faceKnown) return undefined
  const { units } = context.project.preferences
  return (
    withinBudget(effort, EFFORT.spacers, () => spacerAdvice(ready, precision, units, seen ? undefined : now, spacerMm!)) ?? NOT_SEARCHED
  )
}

/** The verdict as a mechanic would say it. */
function sentenceOf(looked: CornerAnalysis): string {
  const { context, axle, ready, now, difference, verdict, spacerMm, work } = looked
  if (isDrum(looked)) return 'Drum brakes have no outline here. Check on the car that the wheel turns freely.'
  if (ready && now) return gapSentence(ready, now, spacerMm!, context.resolved[axle].wheel!.name, context.project.preferences.units)
  if (difference.said && verdict !== 'measure') return difference.said.sentence
  return ready ? TOO_MANY : missingSentence(work.missing)
}

/** What the least gap is computed from, and what would narrow it. */
function nearestNotes(
  { context, now, placed, section, spacerMm, ready }: CornerAnalysis,
  { measureNext: [next] }: Pick<Corner, 'measureNext'>,
): string[] {
  // of a body taken as large as it can be there is no line to find again
  if (!now || ready!.cautious) return next ? [next.sentence] : []
  const { units } = context.project.preferences
  return [...nearestPointsNotes(now.gap, placed.outlines!, section!.profile!.points, spacerMm!, units), ...(next ? [next.sentence] : [])]
}

/** What has to be said beside the figures of the gap. */
function addNotes({ context, axle, work, now, section }: CornerAnalysis): void {
  const { units } = context.project.preferences
  const caliper = context.resolved[axle].caliper
  if (now?.widest) work.notes.push(WIDEST)
  if (now && section!.weights === 'ignored')
    work.notes.push('Stick-on balance weights in the barrel were neither measured nor allowed for.')
  const twoWays = caliper?.kind === 'caliper' ? secondWay(caliper, units) : undefined
  if (twoWays) work.notes.push(twoWays.sentence)
  if (now?.trial) work.notes.push(trialSentence(now.trial, units))
}

/** What a half section shows. */
function halfSection(
  looked: CornerAnalysis,
  spacers: SpacerAdvice | undefined,
  sentence: string,
  faces = true,
): Omit<Corner, 'consequences'> {
  const { context, axle, precision, effort, work, inputs, placed, section, spacerMm, ready, now, difference, verdict } = looked
  const { preferences, car } = context.project
  const { caliper, wheel, rotor } = context.resolved[axle]
  const open = now && (now.verdict === 'measure' || now.verdict === 'tight')
  const trialAt = { kind: 'setup', setupId: context.setup.id, axle, field: 'trialFit' } as const
  return {
    axle,
    verdict,
    sentence,
    precision,
    requiredMm: now?.requiredMm ?? requiredGapMm(preferences.gapPolicy, false),
    leastSpacerMm: spacers?.leastMm,
    stockSpacerMm: spacers?.stockMm,
    spacerSentence: spacers?.sentence ?? '',
    spacerMm,
    short: isDrum(looked) ? 'Check on the car' : VERDICT_SHORT[verdict],
    caliper: placed.outlines,
    wheel: section?.profile,
    wheelIsNominal: section?.nominal ?? false,
    faceKnown: section?.faceKnown ?? false,
    shifts: ready?.u,
    rotor: rotor && !isDrum(looked) ? rotorSection(rotor) : undefined,
    registerRadiusMm: car[axle].registerMm ? car[axle].registerMm.value / 2 : undefined,
    gap: now && { meanMm: now.meanMm, u: now.uMm, p05Mm: now.p05Mm, p95Mm: now.p95Mm, ...now.gap },
    missing: work.missing,
    measureNext: open ? nextMeasurements(now, inputs.all, preferences, trialAt) : [],
    twoWays: caliper?.kind === 'caliper' ? secondWay(caliper, preferences.units) : undefined,
    trial: now?.trial
      ? { sentence: trialSentence(now.trial, preferences.units), agree: now.trial.agree }
      : staleTrial(context, axle, spacerMm),
    difference: difference.said && {
      sentence: difference.said.sentence,
      agrees: differenceAgrees(difference.said, now, preferences.units),
    },
    faces: faces && ready && now && wheel ? faceHeights(context, axle, ready, spacerMm!, precision, effort) : [],
  }
}

function gapSentence(
  ready: Judge,
  now: JudgedClearance,
  spacerMm: number,
  wheelName: string,
  units: Context['project']['preferences']['units'],
): string {
  const facts = {
    gap: now.gap,
    meanMm: now.meanMm,
    p05Mm: now.p05Mm,
    p95Mm: now.p95Mm,
    requiredMm: now.requiredMm,
    contradicted: now.trial?.agree === false,
    atLeast: ready.cautious === true && !now.trial?.agree,
  }
  // a body taken as large as it can be that clears all the same waits for surer figures, not for where it ends
  const reaches = ready.cautious && ready.faceKnown && now.meanMm < now.requiredMm
  if (reaches && now.verdict === 'measure' && !now.trial?.agree) return reachSentence(now, units)
  if (ready.faceKnown || now.verdict !== 'measure') return clearanceSentence(now.verdict, facts, units)
  const barrel = withinBudget(ready.caliper.whole.effort, EFFORT.verdict, () => judge(ready, spacerMm, 'linear', undefined, true))?.verdict
  return `Not enough data: measure the back of the spokes of ${wheelName}. ${barrel === 'clears' ? 'The barrel clears.' : 'The barrel is open too.'}`
}

const TOO_MANY = 'Not enough data: the outlines overlap in so many points that the clearance would take too long to compute.'
const WIDEST = 'The outlines have too many points for random draws, so the range is the widest possible.'
/** Whole lines of many points that all could be the nearest: what is not computed is not known. */
function askFewerPoints(work: Working, caliper: PartOf<'caliper'>, wheel: PartOf<'wheel'>): void {
  const more = (caliper.outlines ?? []).reduce((sum, one) => sum + one.points.length, 0) >= (wheel.profile?.points.length ?? 0)
  const how = 'The clearance would take too long to compute. Use only the points that face the other part.'
  if (more) work.ask(`Outline of ${caliper.name} with fewer points`, { kind: 'part', partId: caliper.id, field: 'outlines' }, how)
  else work.ask(`Profile of ${wheel.name} with fewer points`, { kind: 'part', partId: wheel.id, field: 'profile' }, how)
}

function differenceAgrees(
  difference: SaidByDifference,
  now: JudgedClearance | undefined,
  units: Context['project']['preferences']['units'],
) {
  if (now?.gap.faceGapMm === undefined || difference.seen === undefined) return undefined
  return agreementSentence(
    'the spoke clearance from the outlines',
    now.gap.faceGapMm,
    agreement({ valueMm: now.gap.faceGapMm, uMm: now.uMm }, difference.seen),
    units,
  )
}

/** Each face height that the wheel's maker lists for this rim, with its own verdict; the least that clears first. */
function faceHeights(
  context: Context,
  axle: Axle,
  ready: Judge,
  spacerMm: number,
  precision: Precision,
  effort: WorkBudget,
): Corner['faces'] {
  const { wheel } = context.resolved[axle]
  const judged = (wheel?.faces ?? []).map((face) => {
    const section = wheelSection(
      new Working(),
      wheel!,
      new GapInputs(context.project.preferences.instrument),
      context.project.preferences.weightAllowanceMm,
      face.name,
    )
    const seen: SeenGap | undefined = undefined
    const found = withinBudget(effort, EFFORT.verdict, () =>
      judge({ ...ready, wheel: readyWheel(section.profile!, precision) }, spacerMm, precision, seen),
    )
    return { verdict: found?.verdict ?? ('measure' as const), gapMm: found?.gap.minGapMm, fitted: wheel!.faceChosen === face.name, ...face }
  })
  const least = judged.filter((one) => one.verdict === 'clears').sort((a, b) => a.raiseMm - b.raiseMm)[0]
  return judged.map((one) => ({ leastThatClears: one === least, ...one }))
}

/** The spacer that stands there: tried, chosen, none, or not known. */
function spacerInUse(work: Working, context: Context, axle: Axle, inputs: GapInputs): number | undefined {
  const { spacer, spacerTrialMm: trialMm } = context.resolved[axle]
  const asked = { symbol: 's', label: `Wheel spacer, ${axle}`, dimension: 'length' } as const
  if (trialMm !== undefined)
    return work.set(trialMm, { at: { kind: 'setup', setupId: context.setup.id, axle, field: 'spacerTrialMm' }, ...asked })
  if (spacer) {
    // the wheel outboard is the caliper inboard
    if (spacer.thicknessMm)
      inputs.thickness(
        spacer.thicknessMm,
        `Thickness of ${spacer.name}`,
        { kind: 'part', partId: spacer.id, field: 'thicknessMm' },
        { caliperAxialMm: -1 },
      )
    return readPart(work, spacer, 'thicknessMm', 's')
  }
  if (spacer === null) return work.set(0, { at: { kind: 'slot', setupId: context.setup.id, axle, slot: 'spacer' }, ...asked })
  askSlot(work, context, axle, 'spacer')
  return undefined
}

function clearanceFinding(looked: CornerAnalysis, sentence: string, stockMm: number | undefined): FigureCheck {
  const { axle, work } = looked
  const base = { rule: 'wheel-clearance', axle, sentence, figureId: `${axle}.gap`, missing: work.missing } as const
  if (isDrum(looked)) return { verdict: 'check', ...base }
  switch (looked.verdict) {
    case 'clears':
      return { verdict: 'fits', ...base }
    case 'tight':
      return { verdict: 'check', ...base }
    case 'measure':
      return { verdict: 'unknown', ...base }
    default: {
      if (stockMm === undefined || stockMm === 0) return { verdict: 'blocked', ...base }
      const remedy = {
        kind: 'spacer',
        thicknessMm: stockMm,
        sentence: `A spacer of ${stockMm} mm on each wheel of this axle clears.`,
      } as const
      return { verdict: 'needs', remedy, ...base }
    }
  }
}
