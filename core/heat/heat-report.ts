import { DOUBT_RUNS, HEAT_DEFAULTS } from './maths/defaults.ts'
import { cycleSegments } from './maths/drive-cycle.ts'
import { AXLES, type Axle } from '../quantity/axle.ts'
import { READ_NODES, type ReadNode } from '../records/logbook.ts'
import type { Project } from '../records/project.ts'
import { USES, usesOf } from '../records/uses.ts'
import { formatQuantity } from '../quantity/format.ts'
import { FAILURE_FORCE_N } from '../balance/balance-report.ts'
import type { Verdict } from '../figures/verdict.ts'
import type { Missing } from '../figures/figure.ts'
import { notEnoughData } from '../records/question.ts'
import { Working } from '../figures/working.ts'
import { calibrated, readNext, type ReadingUsed } from './calibration.ts'
import { cycleFor, type NamedCycle } from './drive-cycles.ts'
import { heatFindings, type HeatFinding } from './heat-findings.ts'
import { LINE_KEYS, linesOf, nearestLine, type HeatLine } from './heat-lines.ts'
import { heatSentences } from './heat-sentences.ts'
import {
  AMBIENT_C,
  ASSUMED_DRAG_M2,
  ASSUMED_ROLLING_SHARE,
  drive,
  driveDoubts,
  marksOf,
  prepare,
  type Driven,
  type HeatSample,
  type Prepared,
} from './session-run.ts'

export type { HeatLine } from './heat-lines.ts'
export type { ThermalNode, HeatSample } from './session-run.ts'
/** What a session does to one axle beside its temperatures. */
interface HeatAxle {
  workJ: number
  /** Of one lap or stop of one corner, J; undefined: one stretch. */
  perEachJ: number | undefined
  /** Lining of one pad worn in this driving, mm; undefined: how fast it wears is not known. */
  liningMm: number | undefined
  /** How often it can be driven until the pads are to be changed. */
  lasts: number | undefined
  /** Standing until the rotor is below 100 degC, s; undefined: longer than is looked at, or it never was above. */
  coolS: number | undefined
  /** What one corner gives off to the air over the driving, on average, W; undefined: the driving cannot be ended. */
  coolingW: number | undefined
}
export interface HeatReport {
  duty: NamedCycle
  /** What to find out before anything can be said. */
  missing: Missing[]
  verdict: Verdict
  sentence: string
  /** What stands open beside it; empty: nothing. */
  notKnown: string
  lines: HeatLine[]
  axles: Record<Axle, HeatAxle> | undefined
  samples: HeatSample[]
  stock: HeatSample[]
  /** Where each lap or stop begins, s. */
  marks: number[]
  goneAtS: number | undefined
  /** What stood in for figures that nobody entered. */
  assumed: string[]
  findings: HeatFinding[]
  fluidWords: string
  fluidBoilC: number | undefined
  readings: ReadingUsed[]
  /** What the readings did to the range of the line that is nearest to its limit; undefined: there are none. */
  narrowed: string | undefined
  /** The reading that would narrow that range most. */
  readNext: string | undefined
  cautions: string[]
  workJ: Record<Axle, number>
}
interface HeatOptions {
  /** Only what is said: no moments, and not the car as it stands. */
  brief?: boolean
}

/** A setup's brakes over a duty: what reaches its limit, when, and how sure that is. */
export function heatReport(project: Project, setupId: string, dutyId?: string, { brief = false }: HeatOptions = {}): HeatReport {
  const duty = cycleFor(project, dutyId)
  const work = new Working()
  const bare = prepare(work, project, setupId)
  const missing = [...work.missing]
  const cautions = usesOf(project.car.uses).map((use) => USES[use].caution)
  const nothing: Omit<HeatReport, 'verdict' | 'sentence' | 'notKnown'> = {
    duty,
    missing,
    lines: [],
    axles: undefined,
    samples: [],
    stock: [],
    marks: [],
    goneAtS: undefined,
    assumed: [],
    findings: [],
    fluidWords: '',
    fluidBoilC: undefined,
    readings: [],
    narrowed: undefined,
    readNext: undefined,
    cautions,
    workJ: { front: 0, rear: 0 },
  }
  if (!bare) return { verdict: 'unknown', sentence: notEnoughData(missing), notKnown: '', ...nothing }
  const { prepared, readings } = calibrated(project, setupId, bare)
  const run = drive(prepared, duty)
  const others = driveDoubts(prepared, duty)
  const worst = prepared.worst && drive({ ...prepared, ...prepared.worst }, duty, { keep: false })
  // what nobody said widens the range: its worst, with the same doubts
  const widest = prepared.worst
    ? [...others, ...driveDoubts({ ...prepared, axles: prepared.worst.axles, car: prepared.worst.car }, duty)]
    : others
  const lines = AXLES.flatMap((axle) => linesOf(axle, prepared, run, widest))
  const stockId = project.setups[0].id
  const stock = brief || setupId === stockId ? undefined : prepare(new Working(), project, stockId)
  const marks = marksOf(duty, prepared.car)
  const nearest = nearestLine(lines)
  const effects = nearest && others.map((one) => one.session.peak[nearest.axle][LINE_KEYS[nearest.lump]])
  const next = nearest && effects ? readNext(effects, DOUBT_RUNS, prepared.doubts[nearest.axle]) : undefined
  return {
    ...nothing,
    ...heatSentences({ project, duty, prepared, lines, gone: run.session.gone, marks, worst }),
    lines,
    axles: { front: axleOf('front', prepared, duty, run), rear: axleOf('rear', prepared, duty, run) },
    samples: brief ? [] : thin(run.samples),
    stock: stock ? thin(drive(calibrated(project, stockId, stock).prepared, duty).samples) : [],
    marks,
    goneAtS: run.session.gone?.seconds,
    findings: heatFindings(project, prepared, lines),
    fluidWords: prepared.fluid.words,
    fluidBoilC: prepared.fluid.boilC,
    readings,
    narrowed: nearest && readings.some((one) => one.used) ? narrowedWords(project, duty, bare, nearest) : undefined,
    readNext: next && nearest ? nextWords(project, next, nearest) : undefined,
    assumed: assumedWords(project, work, prepared),
    workJ: run.session.workJ,
  }
}

function narrowedWords(project: Project, duty: NamedCycle, bare: Prepared, { axle, lump, label, lowC, highC }: HeatLine): string {
  const c = (value: number) => formatQuantity(value, 'temperature', project.preferences.units, { decimals: 0 })
  const before = linesOf(axle, bare, drive(bare, duty, { keep: false }), driveDoubts(bare, duty)).find((one) => one.lump === lump)
  return before ? `${label}: ${c(lowC)} to ${c(highC)} with the readings, ${c(before.lowC)} to ${c(before.highC)} without.` : ''
}
const READ_WORDS: Record<ReadNode, string> = {
  ring: 'paint on the rotor’s edge, or a probe on its face right after the session',
  pad: 'a probe on the backing plate right after the session',
  caliper: 'a strip on the caliper’s body',
}
const nextWords = (project: Project, lump: ReadNode, { axle, label }: HeatLine): string =>
  `To narrow the range of ${label.toLowerCase()}, measure the temperature of the ${READ_NODES[lump]}, ${axle}, with ${READ_WORDS[lump]}.`

function axleOf(axle: Axle, prepared: Prepared, { duty, each }: NamedCycle, { session, samples }: Driven): HeatAxle {
  const workJ = session.workJ[axle]
  const { pad, caliper } = prepared.context.resolved[axle]
  const wear = caliper?.kind === 'drum' ? undefined : pad?.wearMmPerMj?.value
  const liningMm = wear === undefined ? undefined : (wear * workJ) / 2 / 1e6
  const room = pad?.thicknessMm && pad.minThicknessMm ? pad.thicknessMm.value - pad.minThicknessMm.value : undefined
  const segments = cycleSegments(prepared.car, duty)
  const lastsS = segments.reduce((sum, one) => sum + one.seconds, 0)
  const givenOffJ = session.givenOffJ[segments.length - 1]?.[axle]
  const hot = samples.some((one) => one.seconds <= lastsS && one[axle].ringC > COOL_C)
  const cool = hot && !session.gone ? samples.find((one) => one.seconds > lastsS && one[axle].ringC <= COOL_C) : undefined
  return {
    workJ,
    perEachJ: each && workJ / 2 / each.count,
    liningMm,
    lasts: liningMm && room !== undefined && room > 0 ? room / liningMm : undefined,
    coolS: cool && cool.seconds - lastsS,
    coolingW: givenOffJ === undefined ? undefined : givenOffJ / 2 / lastsS,
  }
}
const COOL_C = 100

function assumedWords({ car }: Project, work: Working, { axles, fluid, strokeMpa, drums, worst }: Prepared): string[] {
  return [
    ...work.inputs.filter((one) => one.assumed).map((one) => one.label),
    ...AXLES.filter((axle) => !axles[axle].friction && !drums.includes(axle)).map(
      (axle) => `One friction of the ${axle} pads at any heat: fade is not predicted`,
    ),
    ...drums.map((axle) => `The ${axle} drums are modelled roughly, as rings of their mass; the limit of their linings is not checked`),
    ...(worst?.open ?? []).map((one) => `Usual value, as not entered: ${one}`),
    fluid.words,
    ...(car.dragAreaM2 ? [] : [`Air ${ASSUMED_DRAG_M2} m²`]),
    ...(car.rollingShare ? [] : [`Rolling ${ASSUMED_ROLLING_SHARE} of the weight`]),
    `Pedal force limit ${FAILURE_FORCE_N} N, driver only, air at ${AMBIENT_C} °C`,
    strokeMpa === undefined
      ? 'The master cylinder’s stroke is not checked: values are missing'
      : 'The stroke of the master cylinder with pads as new',
    ...Object.values(HEAT_DEFAULTS).map((one) => one.label),
  ]
}

/** As many samples as a chart can show. */
const SHOWN = 400
function thin(samples: readonly HeatSample[]): HeatSample[] {
  const every = Math.max(1, Math.ceil(samples.length / SHOWN))
  return samples.filter((_, i) => i % every === 0 || i === samples.length - 1)
}
