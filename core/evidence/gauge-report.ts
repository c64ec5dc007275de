import { barShareOfSlope, slopeThroughOrigin } from '../hydraulics/maths/bar-share.ts'
import { chain } from '../hydraulics/maths/chain.ts'
import {
  diagnoseGauges,
  PAIRS_FOR_A_KNEE,
  type EnteredHydraulics,
  type GaugeCause,
  type GaugeDiagnosis,
} from '../hydraulics/maths/gauge-causes.ts'
import type { PressurePair } from '../hydraulics/maths/gauge-models.ts'
import { CAR_FAULTS, effortsToRead, pressuresWith, type CarFault } from '../hydraulics/maths/gauge-session.ts'
import { pressurePerNewton, type MasterCylinder } from '../hydraulics/maths/system.ts'
import type { Project } from '../records/project.ts'
import { formatQuantity } from '../quantity/format.ts'
import { hydraulicsOf, type Hydraulics } from '../hydraulics/hydraulics-of.ts'

export interface GaugeReport {
  /** Causes that the readings need, whatever else is wrong. */
  stated: GaugeCause[]
  /** Causes of which some would do: the readings cannot tell them apart. */
  undecided: GaugeCause[]
  diagnosis: GaugeDiagnosis | undefined
  /** Rear over front pressure below the knee, from any one pair on; `u` only with three pairs. */
  ratio: GaugeEstimate | undefined
  /** Front share of the clamp force at these pressures, 0 to 1; undefined without the pistons of both axles, or with a drum. */
  clampShare: GaugeEstimate | undefined
  /** Front share of the balance bar; undefined without twin master cylinders, or where the readings do not hold it. */
  barShare: number | undefined
  /** The bar is entered so already, as far as the readings tell. */
  barAsEntered: boolean
  /** Knee pressure at the rear, MPa; undefined where the readings do not hold it. */
  kneeMpa: number | undefined
  kneeAsEntered: boolean
  /** What this setup is entered with. */
  modelShare: number | undefined
  modelKneeMpa: number | undefined
  /** The worst first. */
  sentences: { tone: 'fits' | 'needs' | 'unknown'; text: string }[]
}

/** A value with its standard uncertainty, where there are readings enough for one. */
interface GaugeEstimate {
  value: number
  u: number | undefined
}

/** A balance bar works between these, front share; beyond them readings or bores are wrong. */
const BAR_RANGE = { low: 0.35, high: 0.65 } as const
/** Half of a 90% range in standard uncertainties. */
const NINETY = 1.645

type Wording = (value: number, bare?: boolean) => string
interface GaugeWords {
  mpa: Wording
  share: Wording
  range: (one: GaugeEstimate, words: Wording) => string
}

/** What gauge readings say of a setup, beside what it is entered with. */
export function gaugeReport(project: Project, setupId: string, pairs: readonly PressurePair[]): GaugeReport {
  const hydraulics = hydraulicsOf(project, setupId)
  const { master } = hydraulics
  const entered = enteredOf(hydraulics)
  const diagnosis = diagnoseGauges(pairs, entered)
  const slope = slopeThroughOrigin(pairs)
  const ratio: GaugeEstimate | undefined = diagnosis?.ratio ?? (slope === undefined ? undefined : { value: slope, u: undefined })
  const twin = master?.kind === 'twin' ? master : undefined
  const report: GaugeReport = {
    stated: diagnosis?.stated ?? [],
    undecided: diagnosis?.undecided ?? [],
    diagnosis,
    ratio,
    clampShare: ratio && clampShareOf(hydraulics, ratio),
    barShare: undefined,
    barAsEntered: false,
    kneeMpa: undefined,
    kneeAsEntered: false,
    modelShare: twin?.frontShare,
    modelKneeMpa: entered.valve?.kneeMpa,
    sentences: [],
  }
  const { units } = project.preferences
  const as =
    (dimension: 'pressure' | 'share'): Wording =>
    (value, bare = false) =>
      formatQuantity(value, dimension, units, { bare })
  const words: GaugeWords = {
    mpa: as('pressure'),
    share: as('share'),
    range: ({ value, u }, words) =>
      u === undefined || !Number.isFinite(u)
        ? words(value)
        : `${words(value)} (90% range ${words(value - NINETY * u, true)}–${words(value + NINETY * u)})`,
  }
  report.sentences = [
    ...aboutBar(report, twin, words),
    ...aboutCauses(report, entered, words),
    ...aboutValve(report, entered, pairs, words),
    ...aboutShares(report, pairs, words),
  ]
  const order = { needs: 0, unknown: 1, fits: 2 } as const
  report.sentences.sort((a, b) => order[a.tone] - order[b.tone])
  return report
}

type Sentence = GaugeReport['sentences'][number]
const needs = (text: string): Sentence => ({ tone: 'needs', text })
const unknown = (text: string): Sentence => ({ tone: 'unknown', text })
const fits = (text: string): Sentence => ({ tone: 'fits', text })

function enteredOf({ master, valve }: Hydraulics): EnteredHydraulics {
  const per = master && pressurePerNewton(master)
  return { master: master?.kind, ratio: per && per.rear / per.front, valve }
}

function clampShareOf({ brakes, context }: Hydraulics, ratio: GaugeEstimate): GaugeEstimate | undefined {
  const [front, rear] = [brakes.front.pistonArea.value, brakes.rear.pistonArea.value]
  const discs = context.resolved.front.caliper?.kind === 'caliper' && context.resolved.rear.caliper?.kind === 'caliper'
  if (!discs || front === undefined || rear === undefined) return undefined
  const at = (value: number) => front / (front + value * rear)
  return { value: at(ratio.value), u: ratio.u === undefined ? undefined : Math.abs(at(ratio.value + ratio.u) - at(ratio.value)) }
}

/** Where the bar stands, from the ratio; fills in what the page offers. */
function aboutBar(report: GaugeReport, twin: (MasterCylinder & { kind: 'twin' }) | undefined, words: GaugeWords): Sentence[] {
  const { ratio, stated, undecided } = report
  if (!twin || !ratio || undecided.includes('bar')) return []
  const at = (slope: number) => barShareOfSlope(slope, twin.frontBoreMm, twin.rearBoreMm)
  const value = at(ratio.value)
  const u = ratio.u === undefined ? undefined : Math.abs(at(ratio.value + ratio.u) - value)
  const within = NINETY * (u ?? 0)
  if (value < BAR_RANGE.low - within || value > BAR_RANGE.high + within)
    return [
      needs(
        `Balance bar at ${words.share(value)} front by the readings; a bar works from ${words.share(BAR_RANGE.low)} to ${words.share(BAR_RANGE.high)}. Check the bores entered and both gauges.`,
      ),
    ]
  report.barShare = Math.min(BAR_RANGE.high, Math.max(BAR_RANGE.low, value))
  report.barAsEntered = report.diagnosis ? !stated.includes('bar') : Math.abs(value - twin.frontShare) < 0.01
  const text = `Balance bar at ${words.range({ value, u }, words.share)} front; ${words.share(twin.frontShare)} entered.`
  // no difference shown is not agreement shown
  if (!holds(u, SHARE_HELD)) return [unknown(`${text} Too few readings to confirm it: read more pairs.`)]
  return [report.barAsEntered ? fits(text) : needs(text)]
}
/** Readings confirm what is entered only where their 90% range is no wider than this, either way. */
const SHARE_HELD = 0.03
const KNEE_HELD_MPA = 0.4
const holds = (u: number | undefined, half: number): boolean => u !== undefined && NINETY * u <= half

const NAMES: Readonly<Record<GaugeCause, string>> = {
  frontZero: 'a zero error of the front gauge',
  rearZero: 'a zero error of the rear gauge',
  spring: 'the secondary spring of the master cylinder',
  valveKnee: 'another knee pressure',
  valveSlope: 'another slope of the valve',
  bar: 'another balance bar position',
  bores: 'unequal bores of the master cylinder',
}

function aboutCauses(report: GaugeReport, entered: EnteredHydraulics, { mpa, share, range }: GaugeWords): Sentence[] {
  const { diagnosis, stated, undecided } = report
  if (!diagnosis)
    return [
      unknown(`Enter three pairs at different pedal forces, one with the pedal released. ${PAIRS_FOR_A_KNEE} or more show a valve's knee.`),
    ]
  const { model, u } = diagnosis.best
  const zero = (axle: string, value: number) =>
    needs(`The ${axle} gauge reads ${mpa(Math.abs(value))} too ${value > 0 ? 'high' : 'low'}. Set its zero, or use another gauge.`)
  const sentences = stated.flatMap((cause): Sentence[] => {
    if (cause === 'frontZero') return [zero('front', model.frontZeroMpa)]
    if (cause === 'rearZero') return [zero('rear', model.rearZeroMpa)]
    if (cause === 'spring')
      return [
        fits(
          `The ${model.springMpa > 0 ? 'rear' : 'front'} circuit gets ${mpa(Math.abs(model.springMpa))} less throughout. The secondary spring of a tandem master cylinder does that.`,
        ),
      ]
    if (cause === 'bores')
      return [
        needs(`Rear pressure is ${range(diagnosis.ratio, share)} of front pressure; one bore gives 100%. Check master cylinder and valve.`),
      ]
    if (cause === 'valveSlope')
      return [
        needs(
          `Above the knee the rear rises by ${range({ value: model.kneeSlope, u: u.kneeSlope }, share)} of the pressure at its inlet; ${share(entered.valve!.slope)} entered.`,
        ),
      ]
    return []
  })
  if (undecided.length > 0)
    sentences.push(unknown(`These readings fit ${listed(undecided.map((one) => NAMES[one]))}. ${nextReading(undecided)}`))
  return sentences
}

const listed = (names: readonly string[]) => (names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} or ${names.at(-1)}`)

/** The reading that tells causes apart. */
function nextReading(causes: readonly GaugeCause[]): string {
  const zeros = causes.filter((one) => one === 'frontZero' || one === 'rearZero')
  if (causes.includes('spring') && zeros.length > 0) return 'Swap the gauges and read again: a zero error moves with its gauge.'
  if (zeros.length === 2) return 'Read both gauges with the pedal released.'
  if (causes.some((one) => one === 'valveKnee' || one === 'valveSlope'))
    return 'Read more pairs: three or more light ones, and three or more at the hardest press.'
  return zeros.length > 0
    ? 'Read both gauges with the pedal released, and more hard presses.'
    : 'Read more pairs, from released to the hardest press.'
}

/** Readings go so far beyond a knee before its absence says anything, and so many of them. */
const WELL_BEYOND = 1.25

function aboutValve(report: GaugeReport, entered: EnteredHydraulics, pairs: readonly PressurePair[], words: GaugeWords): Sentence[] {
  const { diagnosis, stated, undecided } = report
  const { mpa, range } = words
  if (!diagnosis || undecided.includes('valveKnee')) return []
  const { best, kneeMpa } = diagnosis
  const model = entered.valve?.kneeMpa
  const highest = Math.max(...pairs.map(([, rear]) => rear)) - best.model.rearZeroMpa
  if (stated.includes('valveKnee')) {
    if (!kneeMpa)
      return [
        needs(`No knee up to ${mpa(highest)}; ${mpa(model ?? 0)} entered. The valve is set higher, or does not work: have it checked.`),
      ]
    report.kneeMpa = kneeMpa.value
    return [needs(`Knee pressure ${range(kneeMpa, mpa)}; ${model === undefined ? 'no valve' : mpa(model)} entered.`)]
  }
  if (model === undefined) return []
  if (pairs.length >= PAIRS_FOR_A_KNEE && kneeMpa && pairs.some(([, rear]) => rear > model)) {
    report.kneeMpa = kneeMpa.value
    report.kneeAsEntered = true
    const text = `Knee pressure ${range(kneeMpa, mpa)}; ${mpa(model)} entered.`
    return [holds(kneeMpa.u, KNEE_HELD_MPA) ? fits(text) : unknown(`${text} Too few readings to confirm it: read more above and below it.`)]
  }
  return [
    unknown(
      highest > WELL_BEYOND * model
        ? `Too few readings for the knee at ${mpa(model)}. Read three below it and three above it.`
        : `The readings end at ${mpa(highest)}; the knee is entered at ${mpa(model)}. Press harder for more readings.`,
    ),
  ]
}

/** What every pair says, whatever else is known of the car. */
function aboutShares({ ratio, clampShare, diagnosis }: GaugeReport, pairs: readonly PressurePair[], words: GaugeWords): Sentence[] {
  if (!ratio) return []
  const where = diagnosis?.kneeMpa ? 'Below the knee' : pairs.length === 1 ? 'At this pair' : 'At these readings'
  return [
    fits(`${where}, rear pressure is ${words.range(ratio, words.share)} of front pressure.`),
    ...(clampShare ? [fits(`Clamp force from gauge readings: ${words.range(clampShare, words.share)} front.`)] : []),
  ]
}

/** The hardest press for gauges, N: with a booster less is enough. */
const MOST_EFFORT_N = { boosted: 300, bare: 600 } as const

/**
 * How hard to press for each reading of a session, N, and what the front gauge shows then, MPa: the gauge is easier to
 * hold than a force. Empty while the brakes cannot be computed.
 */
export function gaugesToRead(project: Project, setupId: string): { mostN: number; effortsN: number[]; frontMpa: number[] } {
  const { system } = hydraulicsOf(project, setupId)
  const mostN = system?.booster ? MOST_EFFORT_N.boosted : MOST_EFFORT_N.bare
  const effortsN = system ? effortsToRead(system, mostN) : []
  return { mostN, effortsN, frontMpa: system ? effortsN.map((effortN) => chain(system, effortN).front.pressureMpa) : [] }
}

/** What may be wrong with the simulated car, and its pressures at a pedal force; undefined while they cannot be computed. */
export { CAR_FAULTS, type CarFault }
export function simulatedPressures(project: Project, setupId: string, fault: CarFault, effortN: number) {
  const { system } = hydraulicsOf(project, setupId)
  return system && pressuresWith(system, fault, effortN)
}
