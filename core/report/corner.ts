import { agreement } from '../clearance/agreement.ts'
import { Effort, within } from '../clearance/effort.ts'
import { gap } from '../clearance/gap.ts'
import { combinedShifts } from '../clearance/measure-next.ts'
import { leastSpacer, STOCK_SPACERS_MM, stockSpacer } from '../clearance/spacer.ts'
import type { ClearanceVerdict } from '../clearance/verdict.ts'
import type { Axle, PartOf, TrialFit } from '../model/project.ts'
import { placedOutlines } from './caliper-outline.ts'
import { askSlot, readPart, type Context } from './context.ts'
import { differenceReport } from './gap-difference.ts'
import { GapInputs } from './gap-inputs.ts'
import { judge, readyCaliper, readyWheel, requiredGapMm, seenGap, type Judge, type Judged, type Precision, type SeenGap } from './judge.ts'
import { nextMeasurements } from './next-measurement.ts'
import { rotorSection } from './rotor-section.ts'
import { spacerEffects } from './spacer-effects.ts'
import type { Corner, Finding, ReportFigure } from './types.ts'
import { secondWay } from './two-ways.ts'
import { wheelSection } from './wheel-profile.ts'
import { agreementSentence, clearanceSentence, missingSentence, spacerWords, trialSentence, VERDICT_SHORT } from './words.ts'
import { Working } from './working.ts'

/** What one corner may cost, in pairs of boxes: all of it some 0.3 s, and no part so much that nothing is left for the next. */
const EFFORT = { all: 900_000, verdict: 350_000, spacers: 300_000 } as const
const MAX_SPACER_MM = STOCK_SPACERS_MM[STOCK_SPACERS_MM.length - 1]!

export interface CornerReport {
  corner: Corner
  figures: ReportFigure[]
  findings: Finding[]
}

/** Whether the wheel of one axle clears what is fitted there, and what a half section shows of it. */
export function cornerReport(context: Context, axle: Axle, precision: Precision): CornerReport {
  return report(context, axle, precision, false)
}

/**
 * The finding alone, by the linear estimate: for lists of many candidates. Whether a spacer helps is only
 * asked where the wheel does not clear.
 */
export function briefClearance(context: Context, axle: Axle): Pick<Finding, 'verdict' | 'sentence'> {
  return report(context, axle, 'linear', true).findings[0]!
}

function report(context: Context, axle: Axle, precision: Precision, brief: boolean): CornerReport {
  const { caliper, wheel, spacer, spacerTrialMm, rotor } = context.resolved[axle]
  const { preferences } = context.project
  const { units } = preferences
  const work = new Working()
  const inputs = new GapInputs(preferences.instrument)

  if (!caliper) askSlot(work, context, axle, 'caliper')
  const disc = caliper?.kind === 'caliper' ? caliper : undefined
  const placed = disc ? placedOutlines(work, context, axle, disc, inputs) : undefined
  if (placed) work.carry(placed.shift)
  const section = wheel ? wheelSection(work, wheel, inputs, preferences.weightAllowanceMm) : undefined
  if (!wheel) askSlot(work, context, axle, 'wheel')
  const spacerMm = spacerInUse(work, context, axle, spacer, spacerTrialMm, inputs)

  const effort = context.effort ?? new Effort(EFFORT.all)
  const ready: Judge | undefined =
    placed?.outlines && section?.profile && spacerMm !== undefined
      ? {
          caliper: readyCaliper(placed.outlines, effort, precision),
          wheel: readyWheel(section.profile, precision),
          u: combinedShifts(inputs.all),
          policy: preferences.gapPolicy,
          faceKnown: section.faceKnown,
        }
      : undefined
  const trialFit = matchingTrialFit(context, axle, spacerMm)
  const seen = trialFit && seenGap(trialFit)
  const now = ready && within(effort, EFFORT.verdict, () => judge(ready, spacerMm!, precision, seen))
  if (ready && !now) askFewerPoints(work, disc!, wheel!)
  const difference = differenceReport(context, axle, now?.requiredMm ?? requiredGapMm(preferences.gapPolicy, false))
  const verdict: ClearanceVerdict = now?.verdict ?? difference?.verdict ?? 'measure'
  const spacers =
    (!brief || verdict === 'hits' || verdict === 'tooClose') && ready && now && section!.faceKnown
      ? (within(effort, EFFORT.spacers, () => spacerAdvice(ready, precision, units, seen ? undefined : now, spacerMm!)) ?? NOT_SEARCHED)
      : undefined

  let sentence: string
  if (caliper?.kind === 'drum') sentence = 'A drum has no outline here: see on the car that the wheel turns free.'
  else if (now) sentence = gapSentence(ready, now, spacerMm!, wheel!.name, units)
  else if (difference && verdict !== 'measure') sentence = difference.sentence
  else if (ready) sentence = TOO_MANY
  else sentence = missingSentence(work.missing)
  if (now?.widest) work.notes.push(WIDEST)
  if (now && section!.weights === 'ignored')
    work.notes.push('Stick-on balance weights in the barrel were neither measured nor allowed for.')

  const twoWays = disc && secondWay(disc, units)
  if (twoWays) work.notes.push(twoWays.sentence)
  const trialWords = now?.trial && trialSentence(now.trial, units)
  if (trialWords) work.notes.push(trialWords)

  const effects = brief ? { consequences: [], figures: [] } : spacerEffects(context, axle, spacerMm)
  const g = now?.gap
  const figures: ReportFigure[] = [
    work.figure(`${axle}.gap`, `Least gap, ${axle}`, 'length', 'least-gap', g?.minGapMm, now ? { u: now.uMm } : {}),
    plainGap(`${axle}.faceGap`, `Face gap, ${axle}`, 'face-gap', g?.faceGapMm, work),
    plainGap(`${axle}.barrelGap`, `Barrel gap, ${axle}`, 'barrel-gap', g?.barrelGapMm, work),
    placed?.shift ?? noShift(context, axle),
    difference?.figure ?? noDifference(axle, context),
    ...effects.figures,
  ]
  const corner: Corner = {
    axle,
    verdict,
    sentence,
    precision,
    requiredMm: now?.requiredMm ?? requiredGapMm(preferences.gapPolicy, false),
    leastSpacerMm: spacers?.leastMm,
    stockSpacerMm: spacers?.stockMm,
    spacerSentence: spacers?.sentence ?? '',
    spacerMm,
    short: caliper?.kind === 'drum' ? 'Look on the car' : VERDICT_SHORT[verdict],
    caliper: placed?.outlines,
    wheel: section?.profile,
    wheelIsNominal: section?.nominal ?? false,
    faceKnown: section?.faceKnown ?? false,
    shifts: ready?.u,
    rotor: rotor && caliper?.kind !== 'drum' ? rotorSection(rotor) : undefined,
    registerRadiusMm: context.project.car[axle].registerMm ? context.project.car[axle].registerMm.value / 2 : undefined,
    gap: now && { ...now.gap, meanMm: now.meanMm, u: now.uMm, p05Mm: now.p05Mm, p95Mm: now.p95Mm },
    missing: work.missing,
    measureNext:
      !brief && now && (now.verdict === 'measure' || now.verdict === 'tight')
        ? nextMeasurements(now, inputs.all, preferences, { kind: 'setup', setupId: context.setup.id, axle, field: 'trialFit' })
        : [],
    twoWays,
    trial: trialWords ? { sentence: trialWords, agree: now!.trial!.agree } : staleTrial(context, axle, spacerMm),
    difference: difference && { sentence: difference.sentence, agrees: differenceAgrees(difference, now, units) },
    consequences: effects.consequences,
    faces: !brief && ready && now && wheel ? faceHeights(context, axle, ready, spacerMm!, precision, effort) : [],
  }
  return { corner, figures, findings: [clearanceFinding(corner, caliper?.kind === 'drum')] }
}

function gapSentence(
  ready: Judge,
  now: Judged,
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
  }
  if (ready.faceKnown || now.verdict !== 'measure') return clearanceSentence(now.verdict, facts, units)
  const barrel = within(ready.caliper.whole.effort, EFFORT.verdict, () => judge(ready, spacerMm, 'linear', undefined, true))?.verdict
  return `Cannot say: the spoke back of ${wheelName} is not known. ${barrel === 'clears' ? 'The barrel clears.' : 'The barrel alone does not settle it either.'}`
}

const TOO_MANY = 'Cannot say: the outlines have so many points in each other\u2019s way that the gap would take too long.'
const WIDEST = 'The outlines have too many points for draws: the range is the widest that these doubts allow.'
const NOT_SEARCHED = {
  leastMm: undefined,
  stockMm: undefined,
  sentence: 'Which spacer clears is not worked out: the outlines have too many points in each other\u2019s way.',
}

/** Whole lines of many points that all could be the nearest: what is not computed is not known. */
function askFewerPoints(work: Working, caliper: PartOf<'caliper'>, wheel: PartOf<'wheel'>): void {
  const more = (caliper.outlines ?? []).reduce((sum, one) => sum + one.points.length, 0) >= (wheel.profile?.points.length ?? 0)
  const how = 'They lie in each other\u2019s way so that the gap would take too long: keep the points that face the other side.'
  if (more) work.ask(`Outline of ${caliper.name} with fewer points`, { kind: 'part', partId: caliper.id, field: 'outlines' }, how)
  else work.ask(`Profile of ${wheel.name} with fewer points`, { kind: 'part', partId: wheel.id, field: 'profile' }, how)
}

/** The nominal spacer on the mean gap, and the smallest stock size whose own verdict is "clears". */
function spacerAdvice(
  ready: Judge,
  precision: Precision,
  units: Context['project']['preferences']['units'],
  now: Judged | undefined,
  nowMm: number,
) {
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

/** A trial fit counts for the very parts it was made with, whichever setup it was entered in. */
function matchingTrialFit(context: Context, axle: Axle, spacerMm: number | undefined): TrialFit | undefined {
  const { caliper, wheel, rotor, pad, bracket, shimMm } = context.resolved[axle]
  if (spacerMm === undefined) return undefined
  const matches = (fit: TrialFit) =>
    fit.caliper === caliper?.id &&
    fit.wheel === wheel?.id &&
    Math.abs(fit.spacerMm - spacerMm) < 0.05 &&
    (fit.rotor === undefined || fit.rotor === rotor?.id) &&
    (fit.pad === undefined || fit.pad === pad?.id) &&
    (fit.bracket === undefined || fit.bracket === (bracket?.id ?? null)) &&
    (fit.shimMm === undefined || fit.shimMm === shimMm) &&
    fit.face === wheel?.faceChosen &&
    Math.abs((fit.weightsMm ?? 0) - (wheel?.weightThicknessMm?.value ?? 0)) < 0.05
  const own = context.setup[axle].trialFit
  if (own && matches(own)) return own
  return context.project.setups.map((setup) => setup[axle].trialFit).find((fit) => fit && matches(fit))
}

function staleTrial(context: Context, axle: Axle, spacerMm: number | undefined): Corner['trial'] {
  const own = context.setup[axle].trialFit
  if (!own || matchingTrialFit(context, axle, spacerMm)) return undefined
  return {
    sentence: 'The trial fit was made with other parts, another face height, other weights or another spacer and does not count here.',
    agree: true,
  }
}

function differenceAgrees(
  difference: NonNullable<ReturnType<typeof differenceReport>>,
  now: Judged | undefined,
  units: Context['project']['preferences']['units'],
) {
  if (now?.gap.faceGapMm === undefined || difference.seen === undefined) return undefined
  return agreementSentence(
    'the face gap from the outlines',
    now.gap.faceGapMm,
    agreement({ valueMm: now.gap.faceGapMm, uMm: now.uMm }, difference.seen),
    units,
  )
}

/** Each face height that the wheel's maker lists for this rim, with its own verdict; the least that clears first. */
function faceHeights(context: Context, axle: Axle, ready: Judge, spacerMm: number, precision: Precision, effort: Effort): Corner['faces'] {
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
    const found = within(effort, EFFORT.verdict, () =>
      judge({ ...ready, wheel: readyWheel(section.profile!, precision) }, spacerMm, precision, seen),
    )
    return { ...face, verdict: found?.verdict ?? ('measure' as const), gapMm: found?.gap.minGapMm, fitted: wheel!.faceChosen === face.name }
  })
  const least = judged.filter((one) => one.verdict === 'clears').sort((a, b) => a.raiseMm - b.raiseMm)[0]
  return judged.map((one) => ({ ...one, leastThatClears: one === least }))
}

/** Nothing to place: no caliper is known, or a drum that has no outline here. */
function noShift(context: Context, axle: Axle): ReportFigure {
  const work = new Working()
  if (!context.resolved[axle].caliper) askSlot(work, context, axle, 'caliper')
  return work.figure(`${axle}.shift`, `Outline moved outboard, ${axle}`, 'length', 'outline-shift', undefined)
}

function noDifference(axle: Axle, context: Context): ReportFigure {
  const work = new Working()
  work.ask(
    `Gap by difference, ${axle}`,
    { kind: 'setup', setupId: context.setup.id, axle, field: 'byDifference' },
    'A quick check in the step Measure; not needed where the outlines are known.',
  )
  return work.figure(`${axle}.gapByDifference`, `Gap by difference, ${axle}`, 'length', 'gap-difference', undefined)
}

function spacerInUse(
  work: Working,
  context: Context,
  axle: Axle,
  spacer: PartOf<'spacer'> | null | undefined,
  trialMm: number | undefined,
  inputs: GapInputs,
): number | undefined {
  const asked = { symbol: 's', label: `Wheel spacer, ${axle}`, dimension: 'length' } as const
  if (trialMm !== undefined)
    return work.set(trialMm, { ...asked, at: { kind: 'setup', setupId: context.setup.id, axle, field: 'spacerTrialMm' } })
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
  if (spacer === null) return work.set(0, { ...asked, at: { kind: 'slot', setupId: context.setup.id, axle, slot: 'spacer' } })
  askSlot(work, context, axle, 'spacer')
  return undefined
}

function plainGap(
  id: ReportFigure['id'],
  label: string,
  formula: 'face-gap' | 'barrel-gap',
  value: number | undefined,
  from: Working,
): ReportFigure {
  const work = new Working()
  work.inputs.push(...from.inputs)
  work.askAll(from.missing)
  if (value === undefined && from.missing.length === 0) work.notes.push('Caliper and wheel have no place in common here.')
  return work.figure(id, label, 'length', formula, value)
}

function clearanceFinding(corner: Corner, drum: boolean): Finding {
  const base = {
    rule: 'wheel-clearance',
    axle: corner.axle,
    sentence: corner.sentence,
    figureId: `${corner.axle}.gap`,
    missing: corner.missing,
  } as const
  if (drum) return { ...base, verdict: 'check' }
  switch (corner.verdict) {
    case 'clears':
      return { ...base, verdict: 'fits' }
    case 'tight':
      return { ...base, verdict: 'check' }
    case 'measure':
      return { ...base, verdict: 'unknown' }
    default: {
      const thicknessMm = corner.stockSpacerMm
      if (thicknessMm === undefined || thicknessMm === 0) return { ...base, verdict: 'blocked' }
      return {
        ...base,
        verdict: 'needs',
        remedy: { kind: 'spacer', thicknessMm, sentence: `A spacer of ${thicknessMm} mm on each wheel of this axle clears.` },
      }
    }
  }
}
