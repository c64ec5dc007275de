import { chain } from '../../hydraulics/chain.ts'
import { barShareOfSlope, effortsToRead, fitGauges, type GaugeFit, type PressurePair } from '../../hydraulics/gauges.ts'
import type { Project } from '../../model/project.ts'
import { formatQuantity } from '../../quantity/format.ts'
import { hydraulicsOf } from '../pedal/hydraulics-of.ts'

export interface GaugeReport {
  fit: GaugeFit | undefined
  /** The bar's front share that the pressures say; undefined without two cylinders, or where the readings do not say it. */
  barShare: number | undefined
  /** The bar stands there already, as far as the readings tell. */
  barAsEntered: boolean
  /** The valve's knee that the pressures say, rear pressure, MPa; undefined where they do not. */
  kneeMpa: number | undefined
  kneeAsEntered: boolean
  /** What this setup is entered with. */
  modelShare: number | undefined
  modelKneeMpa: number | undefined
  /** What the readings say, in words, the worst first. */
  sentences: { tone: 'fits' | 'needs' | 'unknown'; text: string }[]
}

/** A balance bar works between these, front share; beyond them readings or bores are wrong. */
export const BAR_RANGE = { low: 0.35, high: 0.65 } as const
/** Bar positions and knees no further apart than this are the same setting. */
const SAME_SHARE = 0.01
const SAME_KNEE_MPA = 0.15
const SAME_SLOPE = 0.03
/** So many standard uncertainties off is another setting, however near. */
const SURELY = 3
/** No gauge is off its zero by more, MPa. */
const MOST_OFFSET_MPA = 1
/** Readings go so far beyond a knee before its absence says anything. */
const WELL_BEYOND = 1.25

type Say = (tone: GaugeReport['sentences'][number]['tone'], text: string) => void

/** What gauge readings say of a setup, beside what it is entered with. The readings are never sorted by what is entered. */
export function gaugeReport(project: Project, setupId: string, pairs: readonly PressurePair[]): GaugeReport {
  const { system } = hydraulicsOf(project, setupId)
  const { units } = project.preferences
  const fit = fitGauges(pairs, { valve: system?.valve !== undefined })
  const twin = system?.master.kind === 'twin' ? system.master : undefined
  const modelKneeMpa = system?.valve?.kneeMpa
  const sentences: GaugeReport['sentences'] = []
  const say: Say = (tone, text) => sentences.push({ tone, text })
  const mpa = (value: number) => formatQuantity(value, 'pressure', units)
  const share = (value: number) => formatQuantity(value, 'share', units)
  const report: GaugeReport = {
    fit,
    barShare: undefined,
    barAsEntered: false,
    kneeMpa: undefined,
    kneeAsEntered: false,
    modelShare: twin?.frontShare,
    modelKneeMpa,
    sentences,
  }
  if (!fit) {
    say(
      'unknown',
      'Three pairs at different efforts are needed, one of them at rest; eight or more from light to hard show the knee of a valve.',
    )
    return report
  }
  const lowest = Math.min(...pairs.map(([, rear]) => rear))
  const highest = Math.max(...pairs.map(([, rear]) => rear))
  const beyondAll = fit.knee === undefined && modelKneeMpa !== undefined && lowest > 0.8 * modelKneeMpa
  if (beyondAll || Math.abs(fit.interceptMpa) > MOST_OFFSET_MPA) {
    say(
      'unknown',
      modelKneeMpa === undefined
        ? 'These readings do not go through zero by far: read lower ones too, and one at rest. A valve that already holds looks like that.'
        : `Hardly any reading lies below ${mpa(modelKneeMpa)}, where the valve should take hold: read lower ones too, and one at rest. Those beyond say nothing of share, zero or air.`,
    )
    return report
  }
  sayFault(fit, say, mpa)
  // what is bent by something else says nothing of the bar or of one bore
  const straight = fit.fault !== 'lag' && !fit.undecided
  if (straight && twin) sayBar(report, fit, twin, say, share)
  else if (straight && system?.master.kind === 'tandem') {
    if (Math.abs(fit.slope - 1) > Math.max(SAME_SLOPE, SURELY * fit.uSlope))
      say('needs', `Below the knee the rear gets ${share(fit.slope)} of the front’s pressure; one bore should give the same to both.`)
    else say('fits', 'Below the knee both circuits get the same pressure, as one bore should give.')
  }
  if (straight) sayKnee(report, fit, highest, say, mpa)
  const order = { needs: 0, unknown: 1, fits: 2 } as const
  sentences.sort((a, b) => order[a.tone] - order[b.tone])
  return report
}

function sayFault(fit: GaugeFit, say: Say, mpa: (value: number) => string): void {
  if (fit.undecided)
    say(
      'unknown',
      'The low readings miss the line of the others; whether a gauge is off its zero or something takes up pressure first cannot be said from these. Read at rest, and more at the lightest efforts.',
    )
  else if (fit.fault === 'lag')
    say(
      'needs',
      'Low readings lag behind and catch up: air in a line or in a gauge’s hose is pressed together first. Bleed, and read again. Air further on only lengthens the pedal: steady pressures do not show it.',
    )
  else if (fit.fault === 'offset')
    say(
      'needs',
      `The rear reads ${mpa(Math.abs(fit.interceptMpa))} ${fit.interceptMpa > 0 ? 'more' : 'less'} than it should at rest, all along: a gauge stands off its zero, the rear one, or the front one the other way. It is taken out of share and knee.`,
    )
}

function sayBar(
  report: GaugeReport,
  fit: GaugeFit,
  twin: { frontBoreMm: number; rearBoreMm: number; frontShare: number },
  say: Say,
  share: (value: number) => string,
): void {
  const at = (slope: number) => barShareOfSlope(slope, twin.frontBoreMm, twin.rearBoreMm)
  const found = at(fit.slope)
  const doubt = Math.abs(at(fit.slope + fit.uSlope) - found)
  if (found < BAR_RANGE.low - doubt || found > BAR_RANGE.high + doubt)
    return say(
      'needs',
      `The pressures would put the bar at ${share(found)} front, where no bar stands: between ${share(BAR_RANGE.low)} and ${share(BAR_RANGE.high)} it works. A bore that is entered, or a gauge, is wrong.`,
    )
  report.barShare = Math.min(BAR_RANGE.high, Math.max(BAR_RANGE.low, found))
  report.barAsEntered = Math.abs(found - twin.frontShare) <= Math.max(SAME_SHARE, SURELY * doubt)
  if (report.barAsEntered) say('fits', `The bar stands at ${share(found)} front, as entered.`)
  else say('needs', `The bar stands at ${share(found)} front; the setup is entered with ${share(twin.frontShare)}.`)
}

function sayKnee(report: GaugeReport, fit: GaugeFit, highest: number, say: Say, mpa: (value: number) => string): void {
  const { modelKneeMpa: model } = report
  if (fit.knee) {
    const rearMpa = fit.knee.rearMpa - fit.interceptMpa
    report.kneeMpa = rearMpa
    if (model === undefined) return say('needs', `There is a knee at ${mpa(rearMpa)}; the setup has no valve.`)
    report.kneeAsEntered = Math.abs(rearMpa - model) <= Math.max(SAME_KNEE_MPA, 0.06 * model, SURELY * fit.knee.uMpa)
    if (report.kneeAsEntered) return say('fits', `The valve takes hold at ${mpa(rearMpa)}, as entered.`)
    return say('needs', `The valve takes hold at ${mpa(rearMpa)}; the setup is entered with ${mpa(model)}.`)
  }
  if (model === undefined) return
  if (highest - fit.interceptMpa > WELL_BEYOND * model)
    say(
      'needs',
      `No knee is seen up to ${mpa(highest - fit.interceptMpa)}, where ${mpa(model)} is entered: the valve is set higher, or does not work.`,
    )
  else
    say(
      'unknown',
      `The readings end at ${mpa(highest - fit.interceptMpa)}: whether the valve takes hold at ${mpa(model)} they do not show. Read harder ones.`,
    )
}

/** As hard as a foot presses for gauges, N: with a booster less is enough. */
const MOST_EFFORT_N = { boosted: 300, bare: 600 } as const

/**
 * How hard to press for each reading of a session, N, and what the front gauge shows then, MPa: a foot is steered by the
 * gauge, not by newtons. Empty while the brakes cannot be computed.
 */
export function gaugesToRead(project: Project, setupId: string): { mostN: number; effortsN: number[]; frontMpa: number[] } {
  const { system } = hydraulicsOf(project, setupId)
  const mostN = system?.booster ? MOST_EFFORT_N.boosted : MOST_EFFORT_N.bare
  const effortsN = system ? effortsToRead(system, mostN) : []
  return { mostN, effortsN, frontMpa: system ? effortsN.map((effortN) => chain(system, effortN).front.pressureMpa) : [] }
}
