import type { Project } from '../records/project.ts'
import { formatQuantity } from '../quantity/format.ts'
import { frictionOf, type Surface } from '../balance/grip.ts'
import { FAILURE_FORCE_N } from '../balance/balance-report.ts'
import type { Missing } from '../figures/figure.ts'
import { notEnoughData } from '../records/question.ts'
import { hydraulicsOf } from '../hydraulics/hydraulics-of.ts'
import { stopWays, type StopWay, type StopWays } from './stop-ways.ts'

export interface StopRow extends StopWays {
  surface: Surface
  friction: number
  assumed: boolean
  /** The car as it stands on the same surface; undefined where that is this setup, or not known. */
  stock: StopWays | undefined
}
interface StopReport {
  missing: Missing[]
  fromKmh: number
  footN: number
  abs: boolean
  /** How much the booster gives is not known: what the foot gives is a most. */
  footAtMost: boolean
  rows: StopRow[]
  sentence: string
  /** What of it larger brakes would change. */
  worth: string
}

/** One cold stop: which of foot, stroke, pads and tyres gives out first, and what that says of larger brakes. */
export function stopReport(project: Project, setupId: string): StopReport {
  const { stopFromKmh, units } = project.preferences
  const here = hydraulicsOf(project, setupId)
  const missing = [...here.missing, ...(here.unknownAssist ? [here.unknownAssist] : [])]
  if (project.car.abs === undefined) missing.push({ what: 'Whether the car has ABS', at: { kind: 'car', field: 'abs' } })
  const base = {
    missing,
    fromKmh: stopFromKmh,
    footN: FAILURE_FORCE_N,
    abs: project.car.abs !== undefined && project.car.abs !== 'none',
    footAtMost: here.unknownAssist !== undefined,
  }
  const { system, mass } = here
  if (!system || !mass || project.car.abs === undefined) return { rows: [], sentence: notEnoughData(missing), worth: '', ...base }
  const stockId = project.setups[0].id
  const there = setupId === stockId ? undefined : hydraulicsOf(project, stockId)
  const stop = (friction: number) => ({ driverLimitN: FAILURE_FORCE_N, tyreFriction: friction, abs: base.abs, fromKmh: stopFromKmh })
  const rows = (['dry', 'wet'] as const).map((surface): StopRow => {
    const { value, assumed } = frictionOf(project, surface)
    return {
      surface,
      friction: value,
      assumed,
      ...stopWays(here, stop(value))!,
      stock: there && stopWays(there, stop(value)),
    }
  })
  const dry = rows[0]!
  const g = (value: number) => formatQuantity(value, 'deceleration')
  const metres = (value: number) => `${value.toFixed(1)} m`
  const most = base.footAtMost ? 'at most ' : ''
  const doubts = [
    ...(base.footAtMost && dry.limit !== 'driver'
      ? ['The booster’s limit is unknown, so the pedal force may limit the stop before the tyres do.']
      : []),
    ...(dry.strokeG === undefined ? ['The master cylinder’s stroke is not checked: values are missing.'] : []),
    ...(dry.padsG === undefined ? ['Cold friction of the pads is unknown.'] : []),
  ]
  const lock = dry.locksFirst ? `, the ${dry.locksFirst} wheels first` : ''
  const stops = `${g(dry.decelG)}${dry.limit === 'tyre' ? lock : ''}, ${dry.distanceM === undefined ? NO_STOP : `${metres(dry.distanceM)} from ${stopFromKmh} km/h`}`
  const SAID: Record<StopWay, string> = {
    tyre: `The tyres limit a dry stop: ${stops}. The pedal force limit would allow ${most}${g(dry.driverG)}.`,
    driver: `Pedal force limits a dry stop: ${most}${stops}, at ${formatQuantity(FAILURE_FORCE_N, 'force', units)}. The tyres would hold ${g(dry.tyreG)}.`,
    stroke: `Pedal travel or master cylinder stroke limits a dry stop: ${stops}. The tyres would hold ${g(dry.tyreG)}.`,
    pads: `Cold pads limit a dry stop: ${most}${stops}. The tyres would hold ${g(dry.tyreG)}.`,
  }
  return { rows, sentence: [SAID[dry.limit], ...doubts].join(' '), worth: worthOf(dry, metres), ...base }
}

const NO_STOP = 'the car does not stop'
/** What is not known of pedal force, stroke or pads may make a stop longer: its distance is the least. */
export const isLeastStop = (
  { footAtMost }: Pick<StopReport, 'footAtMost'>,
  { strokeG, padsG }: Pick<StopWays, 'strokeG' | 'padsG'>,
): boolean => footAtMost || strokeG === undefined || padsG === undefined
/** A stopping distance in words, as a bound where it is only that. */
export const stopWords = (report: Pick<StopReport, 'footAtMost'>, row: StopWays): string =>
  `${row.distanceM !== undefined && isLeastStop(report, row) ? 'at least ' : ''}${distanceWords(row)}`
/** A stopping distance in words. */
export const distanceWords = ({ distanceM }: Pick<StopWays, 'distanceM'>): string =>
  distanceM === undefined ? NO_STOP : `${distanceM.toFixed(1)} m`

/** Less than this between two stops nobody feels or measures, m. */
const ALIKE_M = 0.5
function worthOf({ limit, stock, distanceM }: StopRow, metres: (value: number) => string): string {
  const at = stock ?? { limit, distanceM }
  const shorter = at.distanceM === undefined || distanceM === undefined ? undefined : at.distanceM - distanceM
  const change =
    stock === undefined || shorter === undefined
      ? ''
      : shorter > ALIKE_M
        ? `This setup stops ${metres(shorter)} shorter than the baseline. `
        : shorter < -ALIKE_M
          ? `This setup stops ${metres(-shorter)} longer than the baseline. `
          : 'This setup stops no shorter than the baseline. '
  return change + WORTH[at.limit]
}
const WORTH: Record<StopWay, string> = {
  tyre: 'The baseline already reaches its tyre grip. Only tyres and brake balance shorten a single cold stop; larger brakes change heat, feel and repeatability.',
  driver: 'The baseline does not reach its tyre grip at the pedal force limit. More clamp force, friction or assist shortens its stop.',
  stroke:
    'The baseline runs out of stroke before its tyres reach their grip. A larger master cylinder, or calipers and hoses that need less fluid, shorten its stop.',
  pads: 'The baseline’s cold pads give less than its tyre grip. Pads with more cold friction shorten its first stop.',
}
