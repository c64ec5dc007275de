import { DOUBT_RUNS, doubted, HEAT_DEFAULTS } from '../../heat/defaults.ts'
import { dutySegments } from '../../heat/duty.ts'
import type { Session, SessionAxle } from '../../heat/session.ts'
import { AXLES, type Axle, type Project } from '../../model/project.ts'
import { formatQuantity } from '../../quantity/format.ts'
import { FAILURE_FORCE_N } from '../balance/balance-report.ts'
import type { FindingVerdict } from '../figure/finding.ts'
import type { Missing } from '../figure/figure.ts'
import { missingSentence } from '../figure/words.ts'
import { Working } from '../figure/working.ts'
import { DUTIES, type NamedDuty } from './duties.ts'
import {
  AIR,
  AMBIENT_C,
  drive,
  lumpsOf,
  marksOf,
  prepare,
  ROLLING_SHARE,
  type Driven,
  type HeatLump,
  type HeatSample,
  type Prepared,
} from './session-run.ts'

export type { HeatLump, HeatSample } from './session-run.ts'
export interface HeatLine {
  axle: Axle
  lump: HeatLump
  /** "Fluid, front" */
  label: string
  limitC: number
  limitWords: string
  /** Where the limit may lie already, where its own figures are in doubt: of a fluid with all its water. */
  leastLimitC: number
  peakC: number
  /** What the peak may be, by the doubts of what nobody measured. */
  lowC: number
  highC: number
  /** First moment beyond the limit, s; undefined: never. Earliest and latest of the runs with doubts. */
  overAtS: number | undefined
  earliestS: number | undefined
  latestS: number | undefined
}
export interface HeatReport {
  duty: NamedDuty
  /** What to find out before anything can be said. */
  missing: Missing[]
  verdict: FindingVerdict
  sentence: string
  /** What stands open beside it; empty: nothing. */
  notKnown: string
  lines: HeatLine[]
  samples: HeatSample[]
  stock: HeatSample[]
  /** Where each lap or stop begins, s. */
  marks: number[]
  goneAtS: number | undefined
  /** What stood in for figures that nobody entered. */
  assumed: string[]
  workJ: Record<Axle, number>
}

/** A setup's brakes over a duty: what reaches its limit, when, and how sure that is. */
export function heatReport(project: Project, setupId: string, dutyId?: string): HeatReport {
  const duty = DUTIES.find((one) => one.id === dutyId) ?? DUTIES[0]!
  const work = new Working()
  const prepared = prepare(work, project, setupId)
  const missing = [...work.missing]
  const nothing = {
    duty,
    missing,
    lines: [],
    samples: [],
    stock: [],
    marks: [],
    goneAtS: undefined,
    assumed: [],
    workJ: { front: 0, rear: 0 },
  }
  if (!prepared) return { ...nothing, verdict: 'unknown', sentence: missingSentence(missing), notKnown: '' }
  const run = drive(prepared, duty)
  const others = DOUBT_RUNS.map((signs) => drive({ ...prepared, axles: withDoubts(prepared.axles, signs) }, duty, false))
  const lines = AXLES.flatMap((axle) => linesOf(axle, prepared, run, others))
  const stockId = project.setups[0].id
  const stock = setupId === stockId ? undefined : prepare(new Working(), project, stockId)
  const marks = marksOf(duty, prepared.car)
  return {
    ...nothing,
    ...said(project, duty, prepared, lines, run.session.gone, marks),
    lines,
    samples: thin(run.samples),
    stock: stock ? thin(drive(stock, duty).samples) : [],
    marks,
    goneAtS: run.session.gone?.seconds,
    assumed: [
      ...work.inputs.filter((one) => one.assumed).map((one) => one.label),
      ...AXLES.filter((axle) => !prepared.axles[axle].friction).map(
        (axle) => `One friction of the ${axle} pads at any heat: fade is not predicted`,
      ),
      prepared.boilWords,
      `Air ${AIR.cdaM2} m², rolling ${ROLLING_SHARE} of the weight`,
      `The foot at most ${FAILURE_FORCE_N} N, driver only, air at ${AMBIENT_C} °C; the stroke of the master cylinder is not counted`,
      ...Object.values(HEAT_DEFAULTS).map((one) => one.label),
    ],
    workJ: run.session.workJ,
  }
}

const withDoubts = (axles: Record<Axle, SessionAxle>, signs: readonly number[]): Record<Axle, SessionAxle> => ({
  front: { ...axles.front, nodes: doubted(axles.front.nodes, signs) },
  rear: { ...axles.rear, nodes: doubted(axles.rear.nodes, signs) },
})

export function linesOf(axle: Axle, prepared: Prepared, run: Driven, others: readonly Driven[]): HeatLine[] {
  return lumpsOf(axle, prepared).map(([lump, key, name, limitC, limitWords]) => {
    const peaks = [run, ...others].map((one) => one.session.peak[axle][key])
    const times = [run, ...others].map((one) => one.over.get(`${axle}.${lump}`))
    const known = times.filter((one) => one !== undefined)
    return {
      axle,
      lump,
      label: `${name}, ${axle}`,
      limitC,
      limitWords,
      leastLimitC: lump === 'fluid' ? Math.min(limitC, prepared.boilWetC) : limitC,
      peakC: run.session.peak[axle][key],
      lowC: Math.min(...peaks),
      highC: Math.max(...peaks),
      overAtS: times[0],
      earliestS: known.length > 0 ? Math.min(...known) : undefined,
      // one of the runs never gets there: no latest
      latestS: known.length === times.length ? Math.max(...known) : undefined,
    }
  })
}

/** "in lap 4", "after lap 8, standing", "after 140 s". */
export function whenWords({ each }: NamedDuty, marks: readonly number[], lastsS: number, seconds: number): string {
  if (!each) return seconds > lastsS ? 'while it stands afterwards' : `after ${Math.round(seconds)} s`
  if (seconds > lastsS) return `after ${each.word} ${marks.length}, while it stands`
  return `in ${each.word} ${marks.filter((mark) => mark <= seconds).length}`
}
const capital = (text: string) => text[0]!.toUpperCase() + text.slice(1)

function said(
  project: Project,
  duty: NamedDuty,
  { axles, padsToC, assistKnown, car }: Prepared,
  lines: readonly HeatLine[],
  gone: Session['gone'],
  marks: readonly number[],
): Pick<HeatReport, 'verdict' | 'sentence' | 'notKnown'> {
  const { units } = project.preferences
  const c = (value: number) => formatQuantity(value, 'temperature', units, { decimals: 0 })
  const lastsS = dutySegments(car, duty.duty).reduce((sum, one) => sum + one.seconds, 0)
  const when = (seconds: number) => whenWords(duty, marks, lastsS, seconds)
  const silent = AXLES.filter((axle) => padsToC[axle] === undefined)
  const flat = AXLES.filter((axle) => !axles[axle].friction)
  // whatever else is known: pads of which nobody knows the range, or how they fade, may be gone before
  const atBest = (verdict: FindingVerdict): FindingVerdict => (silent.length > 0 || flat.length > 0 || !assistKnown ? 'unknown' : verdict)
  const notKnown = [
    ...(silent.length > 0 ? [`Whether the ${silent.join(' and ')} pads last is not known: their working range is not entered.`] : []),
    ...(flat.length > 0
      ? [`Fade of the ${flat.join(' and ')} pads is not predicted: their friction over temperature is not entered.`]
      : []),
    ...(assistKnown ? [] : ['How much the booster gives at most is not known: the foot may be at its end before.']),
  ].join(' ')
  const [first, ...later] = lines.filter((one) => one.overAtS !== undefined).sort((x, y) => x.overAtS! - y.overAtS!)
  const listed = (many: readonly HeatLine[]) =>
    many.map((one) => `${one.label.toLowerCase()} beyond ${c(one.limitC)} ${when(one.overAtS!)}`).join('; ')
  if (gone) {
    const before = first ? ` Before: ${listed([first, ...later])}.` : ''
    return {
      verdict: atBest('needs'),
      notKnown,
      sentence: `${capital(when(gone.seconds))} the brakes are gone: the foot no longer gives what is asked, at ${FAILURE_FORCE_N} N.${before}`,
    }
  }
  if (first) {
    const early = first.earliestS === undefined ? '' : when(first.earliestS)
    const late = first.latestS === undefined ? undefined : when(first.latestS)
    const range =
      late === undefined
        ? `; by the doubts ${early} or never`
        : early === late
          ? ''
          : `; by the doubts between ${early.replace(/^in /, '')} and ${late.replace(/^in /, '')}`
    const then = later.length > 0 ? ` Then: ${listed(later)}.` : ''
    return {
      verdict: atBest('needs'),
      notKnown,
      sentence: `${first.label}: beyond ${c(first.limitC)} (${first.limitWords}) ${when(first.overAtS!)}${range}.${then}`,
    }
  }
  const nearest = [...lines].sort((a, b) => a.leastLimitC - a.highC - (b.leastLimitC - b.highC))[0]!
  const { label, peakC, highC, limitC, leastLimitC, limitWords } = nearest
  const aged = leastLimitC < limitC ? `, and a fluid that was never changed boils at ${c(leastLimitC)}` : ''
  if (highC > leastLimitC)
    return {
      verdict: atBest('check'),
      notKnown,
      sentence: `${label}: ${c(peakC)} of ${c(limitC)} (${limitWords}) by the likely figures, but the doubts reach ${c(highC)}${aged}.`,
    }
  const held = `nearest is ${label.toLowerCase()} with ${c(peakC)} of ${c(limitC)} (${limitWords})`
  return notKnown !== ''
    ? { verdict: 'unknown', notKnown, sentence: `What is known stays within its limits; ${held}.` }
    : { verdict: 'fits', notKnown, sentence: `Nothing reaches its limit; ${held}.` }
}

/** As many samples as a chart can show. */
const SHOWN = 400
function thin(samples: readonly HeatSample[]): HeatSample[] {
  const every = Math.max(1, Math.ceil(samples.length / SHOWN))
  return samples.filter((_, i) => i % every === 0 || i === samples.length - 1)
}
