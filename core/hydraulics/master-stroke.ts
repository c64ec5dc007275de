import { LIMITS } from '../records/limits.ts'
import { barTiltDeg, type Takers } from './maths/bores.ts'
import { throttle, type Chain } from './maths/chain.ts'
import { axleFluidMm3, circuitStrokesMm, DEFAULT_FREE_STROKE_MM, strokeMm } from './maths/travel.ts'
import { pressurePerNewton, type BrakeSystem } from './maths/system.ts'
import { bisect } from '../maths/bisect.ts'
import type { Axle } from '../quantity/axle.ts'
import type { PartOf } from '../records/part.ts'
import { notEnoughData } from '../records/question.ts'
import { formatQuantity } from '../quantity/format.ts'
import { systemOf } from './brake-system.ts'
import type { AxleBrakeReport } from './brake.ts'
import { carFigure, type CarFigure } from '../figures/entry.ts'
import { askHydraulicSlot, readCar, readPart, type Context } from '../figures/read.ts'
import type { Hydraulics } from './hydraulics-of.ts'
import { takerOf } from './pedal-travel.ts'
import type { FigureCheck } from '../figures/check-result.ts'
import type { Formula, ReportFigure } from '../figures/figure.ts'
import { Working } from '../figures/working.ts'

/** The pressure of a hard stop, at which stroke must be left, MPa. */
const HARD_STOP_MPA = 8

interface Share {
  share: number
  what: string
}

/**
 * How much of the master cylinder's stroke a hard stop takes: in all, in each chamber, and at the pedal.
 * The worst of them is the figure. (R. Limpert, Brake Design and Safety, ch. 5.)
 * @param cured whether a larger cylinder is looked for where it is too much
 */
export function masterStroke(
  context: Context,
  brakes: Record<Axle, AxleBrakeReport>,
  system: BrakeSystem | undefined,
  factor: number,
  stage: Pick<Chain, 'front' | 'rear'> | undefined,
  cured = true,
): { figure: ReportFigure; finding: FigureCheck } {
  const { units, limits } = context.project.preferences
  const { figure, known } = STROKE_USED.of({ context, brakes, system, factor })
  const worst = known?.worst
  const base = { rule: 'master-stroke', figureId: 'master.strokeUsed', missing: figure.missing } as const
  if (!worst) return { figure, finding: { verdict: 'unknown', sentence: sayMissing(figure), ...base } }
  const limit = limits?.strokeShare ?? LIMITS.strokeShare.value
  const used = `A hard stop (${formatQuantity(HARD_STOP_MPA, 'pressure', units)}) uses ${formatQuantity(worst.share, 'share', units)} of ${worst.what}`
  if (worst.share <= limit) {
    const tilt = barTilt(context, brakes, system, factor, stage)
    const fits: FigureCheck = { verdict: 'fits', sentence: `${used}.`, ...base }
    return { figure, finding: tilt ? { ...fits, ...tilt, sentence: `${used}. ${tilt.sentence}` } : fits }
  }
  const percent = (value: number) => formatQuantity(value, 'share', units, { decimals: 0 })
  const sentence = `${worst.share > 1 ? 'Master cylinder runs out of stroke' : 'Too little stroke is left'}: a hard stop (${formatQuantity(HARD_STOP_MPA, 'pressure', units)}) needs ${percent(worst.share)} of ${worst.what}, ${percent(limit)} allowed for worn pads.`
  const larger = cured ? largerMaster(context, brakes, system, limit, factor) : undefined
  return larger
    ? {
        figure,
        finding: {
          verdict: 'needs',
          sentence,
          remedy: {
            kind: 'hydraulic',
            slot: 'masterCylinder',
            partId: larger.id,
            sentence: `${larger.name} leaves enough stroke and makes the pedal heavier by ${formatQuantity(heavier(larger, system), 'share', units, { decimals: 0 })}.`,
          },
          ...base,
        },
      }
    : {
        figure,
        finding: {
          verdict: worst.share <= 1 ? 'needs' : 'blocked',
          sentence: `${sentence} No larger master cylinder in the library is enough.`,
          ...base,
        },
      }
}

/**
 * What a balance bar makes of unlike strokes at the stated deceleration, against what its maker lets it tilt;
 * undefined where there is no bar, or where its pressures are not known.
 */
function barTilt(
  context: Context,
  brakes: Record<Axle, AxleBrakeReport>,
  system: BrakeSystem | undefined,
  factor: number,
  stage: Pick<Chain, 'front' | 'rear'> | undefined,
): Pick<FigureCheck, 'verdict' | 'sentence' | 'missing'> | undefined {
  const part = context.resolved.masterCylinder
  if (!part || system?.master.kind !== 'twin' || !stage) return undefined
  const work = new Working()
  const spacingMm = readPart(work, part, 'barSpacingMm')
  const mostDeg = readPart(work, part, 'barTiltDeg')
  const [front, rear] = [takerOf(work, context, 'front', brakes.front, factor), takerOf(work, context, 'rear', brakes.rear, factor)]
  if (spacingMm === undefined || mostDeg === undefined || !front || !rear)
    return { verdict: 'unknown', missing: work.missing, sentence: 'The bar’s tilt limit is unknown.' }
  const strokes = circuitStrokesMm(system.master, {
    front: axleFluidMm3(front, stage.front.pressureMpa),
    rear: axleFluidMm3(rear, stage.rear.pressureMpa),
  })
  const tiltDeg = Math.abs(barTiltDeg({ frontStrokeMm: strokes.front, rearStrokeMm: strokes.rear }, spacingMm))
  const degrees = (value: number) => `${formatQuantity(value, 'number', undefined, { decimals: 1 })}°`
  return tiltDeg <= mostDeg
    ? { verdict: 'fits', missing: [], sentence: `The bar tilts ${degrees(tiltDeg)} of ${degrees(mostDeg)}.` }
    : {
        verdict: 'needs',
        missing: [],
        sentence: `The bar tilts ${degrees(tiltDeg)} and its maker allows ${degrees(mostDeg)}, so it would bind. Select bores with more equal strokes.`,
      }
}

/** The smallest cylinder among the parts that is larger than the one fitted and leaves stroke enough. */
function largerMaster(
  context: Context,
  brakes: Record<Axle, AxleBrakeReport>,
  system: BrakeSystem | undefined,
  limit: number,
  factor: number,
): PartOf<'masterCylinder'> | undefined {
  // a longer stroke behind a smaller bore is another trade, and two cylinders are chosen as a pair
  if (system?.master.kind !== 'tandem') return undefined
  const nowMm = system.master.boreMm
  return context.project.parts
    .filter(
      (part): part is PartOf<'masterCylinder'> =>
        part.kind === 'masterCylinder' && part.construction === 'tandem' && part.boreMm !== undefined && part.boreMm.value > nowMm,
    )
    .sort((a, b) => a.boreMm!.value - b.boreMm!.value)
    .find((part) => {
      const tried = { ...context, resolved: { ...context.resolved, masterCylinder: part } }
      const master = { kind: 'tandem', boreMm: part.boreMm!.value } as const
      const { known } = STROKE_USED.of({ context: tried, brakes, system: { ...system, master }, factor })
      return known !== undefined && known.worst.share <= limit
    })
}

/** By how much more a larger bore asks of the foot for one pressure: areas against each other. */
function heavier(larger: PartOf<'masterCylinder'>, system: BrakeSystem | undefined): number {
  const nowMm = system?.master.kind === 'tandem' ? system.master.boreMm : larger.boreMm!.value
  return (larger.boreMm!.value / nowMm) ** 2 - 1
}

const LARGEST: Formula = {
  id: 'stroke-used',
  inWords: true,
  name: 'Stroke used in a hard stop',
  text: 'largest of fluid volume / master cylinder area / stroke, the same for each chamber, and stroke · i / pedal travel',
  source: 'R. Limpert, Brake Design and Safety, ch. 5',
}

interface Stroked {
  context: Context
  brakes: Record<Axle, AxleBrakeReport>
  system: BrakeSystem | undefined
  factor: number
}

/** The share of the stroke, of a chamber or of the pedal's travel that a hard stop takes, whichever is most. */
export const STROKE_USED: CarFigure<'master.strokeUsed', Stroked, { worst: Share | undefined }> = carFigure('master.strokeUsed', {
  label: 'Stroke used in a hard stop',
  dimension: 'share',
  formula: LARGEST,
  read(work, { context, brakes, system, factor }): { worst: Share | undefined } {
    const front = takerOf(work, context, 'front', brakes.front, factor)
    const rear = takerOf(work, context, 'rear', brakes.rear, factor)
    const room = roomOf(work, context)
    work.notes.push('Compliance and clearances are estimates, known to about 40%.')
    // what keeps the brakes from being computed keeps this from being said
    if (!system) systemOf(work, context, brakes)
    if (!system || !front || !rear || !room) return { worst: undefined }
    const shares = sharesOf(system, { front, rear }, room, { front: HARD_STOP_MPA, rear: HARD_STOP_MPA })
    return { worst: shares.reduce((a, b) => (a.share >= b.share ? a : b)) }
  },
  value: ({ worst }) => worst.share,
})

/** What stroke there is: of the cylinder, of its chambers, of the pedal. */
interface Room {
  usableMm: number
  floorMm: number
  chambersMm: number[]
  diagonal: boolean
}
function roomOf(work: Working, context: Context): Room | undefined {
  const part = context.resolved.masterCylinder
  if (!part) askHydraulicSlot(work, context, 'masterCylinder')
  const usableMm = part ? readPart(work, part, 'strokeMm') : undefined
  const floorMm = readCar(work, context, 'pedalTravelMm')
  const tandem = part?.construction === 'tandem'
  const chambersMm = tandem ? [readPart(work, part, 'frontStrokeMm'), readPart(work, part, 'rearStrokeMm')] : []
  const known = chambersMm.filter((one) => one !== undefined)
  if (usableMm === undefined || floorMm === undefined || known.length < chambersMm.length) return undefined
  return { usableMm, floorMm, chambersMm: known, diagonal: context.project.car.circuits === 'diagonal' }
}

/** More than any foot makes, MPa. */
const MOST_MPA = 40
/**
 * Front pressure at which a stroke is at its end, MPa: of the cylinder, of a chamber or of the pedal, whichever comes first;
 * Infinity where none does, undefined where a stroke or what the brakes take is not known.
 */
export function pressureAtFullStroke({ system, takers, context }: Pick<Hydraulics, 'system' | 'takers' | 'context'>): number | undefined {
  const room = roomOf(new Working(), context)
  if (!system || !takers || !room) return undefined
  const per = pressurePerNewton(system.master)
  const leaves = (frontMpa: number) => {
    const rear = throttle((frontMpa * per.rear) / per.front, system.valve)
    return sharesOf(system, takers, room, { front: frontMpa, rear }).every((one) => one.share <= 1)
  }
  return leaves(MOST_MPA) ? Infinity : bisect(MOST_MPA, 0, 0.001, leaves)
}

function sharesOf(
  { master, pedalRatio }: BrakeSystem,
  { front, rear }: Takers,
  { usableMm, floorMm, chambersMm, diagonal }: Room,
  mpa: Record<Axle, number>,
): Share[] {
  const inAllMm = strokeMm(master, { taker: front, pressureMpa: mpa.front }, { taker: rear, pressureMpa: mpa.rear }, DEFAULT_FREE_STROKE_MM)
  const strokes = circuitStrokesMm(master, { front: axleFluidMm3(front, mpa.front), rear: axleFluidMm3(rear, mpa.rear) })
  const ofPedal = { share: (inAllMm * pedalRatio) / floorMm, what: 'the pedal’s travel' }
  if (master.kind === 'twin')
    return [
      ofPedal,
      { share: strokes.front / usableMm, what: 'the front cylinder’s stroke' },
      { share: strokes.rear / usableMm, what: 'the rear cylinder’s stroke' },
    ]
  // diagonal circuits: each chamber works one front and one rear wheel
  const half = (strokes.front + strokes.rear) / 2
  const chamberStrokesMm = diagonal ? [half, half] : [strokes.front, strokes.rear]
  const names = diagonal ? ['the first chamber', 'the second chamber'] : ['the front chamber', 'the rear chamber']
  return [
    ofPedal,
    { share: inAllMm / usableMm, what: 'the master cylinder’s stroke' },
    ...chambersMm.map((chamberMm, index) => ({ share: chamberStrokesMm[index]! / chamberMm, what: names[index]! })),
  ]
}

const sayMissing = ({ missing }: ReportFigure): string =>
  missing.length === 0 ? 'Not enough data: the stroke of a hard stop needs the values that Balance asks for.' : notEnoughData(missing)
