import { gap, type Gap } from '../clearance/gap.ts'
import { prepareCaliper, prepareWheel, type Polyline, type PreparedCaliper, type PreparedWheel } from '../clearance/outline.ts'
import { leastSpacer, STOCK_SPACERS_MM, stockSpacer } from '../clearance/spacer.ts'
import { clearanceVerdict, gapRange, gapUncertainty, type ClearanceVerdict, type OutlineUncertainty } from '../clearance/verdict.ts'
import { GAP_POLICIES, TIGHT_LIMIT_MM, type Axle, type PartOf } from '../model/project.ts'
import { outlineUncertainty, placedOutlines } from './caliper-outline.ts'
import { askSlot, readPart, type Context } from './context.ts'
import type { Corner, Finding, ReportFigure } from './types.ts'
import { wheelSection, type WheelSection } from './wheel-profile.ts'
import { clearanceSentence, missingSentence, spacerWords, VERDICT_SHORT } from './words.ts'
import { Working } from './working.ts'

const MAX_SPACER_MM = STOCK_SPACERS_MM[STOCK_SPACERS_MM.length - 1]!

export interface CornerReport {
  corner: Corner
  figures: ReportFigure[]
  finding: Finding
}

/** Whether the wheel of one axle clears what is fitted there, and what a half section shows of it. */
export function cornerReport(context: Context, axle: Axle): CornerReport {
  const { caliper, wheel, spacer, spacerTrialMm, rotor } = context.resolved[axle]
  const units = context.project.preferences.units
  const { requiredMm } = GAP_POLICIES[context.project.preferences.gapPolicy]
  const work = new Working()

  if (!caliper) askSlot(work, context, axle, 'caliper')
  const disc = caliper?.kind === 'caliper' ? caliper : undefined
  const placed = disc ? placedOutlines(work, context, axle, disc) : undefined
  if (placed) work.carry(placed.shift)

  let section: WheelSection | undefined
  if (wheel) section = wheelSection(work, wheel)
  else askSlot(work, context, axle, 'wheel')

  const spacerMm = spacerInUse(work, context, axle, spacer, spacerTrialMm)
  const uncertainty: OutlineUncertainty = {
    ...(disc ? outlineUncertainty(work, disc) : { caliperAxialMm: 0, caliperRadialMm: 0 }),
    faceAxialMm: section?.uFaceAxialMm ?? 0,
    barrelRadialMm: section?.uBarrelRadialMm ?? 0,
  }

  const ready =
    placed?.outlines && section?.profile && spacerMm !== undefined
      ? { caliper: prepareCaliper(placed.outlines), wheel: prepareWheel(section.profile), spacerMm }
      : undefined
  const judge = ready && judgeWith(ready.caliper, ready.wheel, uncertainty, requiredMm, section!.faceKnown)
  const now = judge?.(ready!.spacerMm)
  const verdict: ClearanceVerdict = now?.verdict ?? 'measure'

  let leastSpacerMm: number | undefined
  let stockSpacerMm: number | undefined
  let spacerSentence = ''
  if (ready && judge && section!.faceKnown) {
    leastSpacerMm = leastSpacer(ready.caliper, ready.wheel, requiredMm, MAX_SPACER_MM)
    stockSpacerMm = stockSpacer(leastSpacerMm, MAX_SPACER_MM, (size) => judge(size).verdict === 'clears')
    spacerSentence = spacerWords(
      leastSpacerMm,
      stockSpacerMm,
      MAX_SPACER_MM,
      gap(ready.caliper, ready.wheel, MAX_SPACER_MM).limitingTag,
      units,
    )
  }

  let sentence: string
  if (caliper?.kind === 'drum') sentence = 'A drum has no outline here: see on the car that the wheel turns free.'
  else if (!now) sentence = missingSentence(work.missing)
  else {
    sentence = clearanceSentence(verdict, { gap: now.gap, p05Mm: now.p05Mm, p95Mm: now.p95Mm, requiredMm }, units)
    if (!section!.faceKnown) {
      const barrel = judge!(ready!.spacerMm, true).verdict
      sentence =
        verdict === 'measure'
          ? `Cannot say: the spoke back of ${wheel!.name} is not known. ${barrel === 'clears' ? 'The barrel clears.' : 'The barrel alone does not settle it either.'}`
          : sentence
    }
  }

  const g = now?.gap
  const figures: ReportFigure[] = [
    work.figure(`${axle}.gap`, `Least gap, ${axle}`, 'length', 'least-gap', g?.minGapMm, now ? { u: now.u } : {}),
    plainGap(`${axle}.faceGap`, `Face gap, ${axle}`, 'face-gap', g?.faceGapMm, work),
    plainGap(`${axle}.barrelGap`, `Barrel gap, ${axle}`, 'barrel-gap', g?.barrelGapMm, work),
    placed?.shift ?? noShift(context, axle),
  ]
  const corner: Corner = {
    axle,
    verdict,
    sentence,
    requiredMm,
    leastSpacerMm,
    stockSpacerMm,
    spacerSentence,
    spacerMm,
    short: caliper?.kind === 'drum' ? 'Look on the car' : VERDICT_SHORT[verdict],
    caliper: placed?.outlines,
    wheel: section?.profile,
    wheelIsNominal: section?.nominal ?? false,
    rotor: rotor && caliper?.kind !== 'drum' ? rotorSection(rotor) : undefined,
    registerRadiusMm: context.project.car[axle].registerMm ? context.project.car[axle].registerMm.value / 2 : undefined,
    gap: now && { ...now.gap, u: now.u, p05Mm: now.p05Mm, p95Mm: now.p95Mm },
    missing: work.missing,
  }
  return { corner, figures, finding: finding(corner, caliper?.kind === 'drum') }
}

/** Nothing to place: no caliper is known, or a drum that has no outline here. */
function noShift(context: Context, axle: Axle): ReportFigure {
  const work = new Working()
  if (!context.resolved[axle].caliper) askSlot(work, context, axle, 'caliper')
  return work.figure(`${axle}.shift`, `Outline moved outboard, ${axle}`, 'length', 'outline-shift', undefined)
}

interface Judged {
  gap: Gap
  u: number
  p05Mm: number
  p95Mm: number
  verdict: ClearanceVerdict
}

/** Gap and verdict at a spacer. A wheel without a face can hit or be too close, but never clear. */
function judgeWith(
  caliper: PreparedCaliper,
  wheel: PreparedWheel,
  uncertainty: OutlineUncertainty,
  requiredMm: number,
  faceKnown: boolean,
) {
  return (spacerMm: number, barrelOnly = false): Judged => {
    const found = gap(caliper, wheel, spacerMm)
    const u = gapUncertainty(found, uncertainty)
    const range = gapRange(found.minGapMm, u)
    const verdict = clearanceVerdict(range.p05Mm, range.p95Mm, requiredMm, TIGHT_LIMIT_MM)
    const settled = faceKnown || barrelOnly || verdict === 'hits' || verdict === 'tooClose'
    return { gap: found, u, ...range, verdict: settled ? verdict : 'measure' }
  }
}

function spacerInUse(
  work: Working,
  context: Context,
  axle: Axle,
  spacer: PartOf<'spacer'> | null | undefined,
  trialMm: number | undefined,
): number | undefined {
  const asked = { symbol: 's', label: `Wheel spacer, ${axle}`, dimension: 'length' } as const
  if (trialMm !== undefined)
    return work.set(trialMm, { ...asked, at: { kind: 'setup', setupId: context.setup.id, axle, field: 'spacerTrialMm' } })
  if (spacer) return readPart(work, spacer, 'thicknessMm', 's')
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

function finding(corner: Corner, drum: boolean): Finding {
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

/** Ring and hat of a rotor in the seat frame, as far as they are known. */
function rotorSection(rotor: PartOf<'rotor'>): Corner['rotor'] {
  const { diameterMm, thicknessMm, offsetMm, frictionInnerDiameterMm, hatThicknessMm, boreMm } = rotor
  if (!diameterMm || !thicknessMm || !offsetMm) return undefined
  const half = thicknessMm.value / 2
  const outer = diameterMm.value / 2
  const inner = frictionInnerDiameterMm ? frictionInnerDiameterMm.value / 2 : outer * 0.6
  const middle = -offsetMm.value
  const ring: Polyline = [
    [middle - half, inner],
    [middle - half, outer],
    [middle + half, outer],
    [middle + half, inner],
    [middle - half, inner],
  ]
  if (!hatThicknessMm) return { ring, hat: undefined }
  const hat = hatThicknessMm.value
  const bore = boreMm ? boreMm.value / 2 : 30
  const wall = inner - hat
  const inboard = middle - half
  return {
    ring,
    hat: [
      [-hat, bore],
      [0, bore],
      [0, inner],
      [inboard, inner],
      [inboard, wall],
      [-hat, wall],
      [-hat, bore],
    ],
  }
}
