import { barShareFromGauges, fitGauges, type GaugeFit, type PressurePair } from '../hydraulics/gauges.ts'
import type { Project } from '../model/project.ts'
import { formatQuantity } from '../quantity/format.ts'
import { hydraulicsOf } from './hydraulics-of.ts'

export interface GaugeReport {
  fit: GaugeFit | undefined
  /** The bar's front share that the pressures say; undefined without two cylinders or readings, or with air in a line. */
  barShare: number | undefined
  /** What this setup is entered with. */
  modelShare: number | undefined
  modelKneeMpa: number | undefined
  /** What the readings say, in words, the worst first. */
  sentences: { tone: 'fits' | 'needs' | 'unknown'; text: string }[]
}

/** Bar positions further apart are another setting, not scatter. */
const SAME_SHARE = 0.01
const SAME_KNEE = 0.1
/** So many readings below the valve's knee make a line. */
const LEAST_BELOW = 3
/** Rear over front of a tandem below the knee; more off than this is no scatter. */
const SAME_SLOPE = 0.03

/** What gauge readings say of a setup, beside what it is entered with. */
export function gaugeReport(project: Project, setupId: string, pairs: readonly PressurePair[]): GaugeReport {
  const { system } = hydraulicsOf(project, setupId)
  const { units } = project.preferences
  const fit = fitGauges(pairs)
  const twin = system?.master.kind === 'twin' ? system.master : undefined
  // readings beyond the valve's knee say nothing of the bar, nor of zero and air
  const kneeMpa = fit?.knee?.rearMpa ?? system?.valve?.kneeMpa
  const below = kneeMpa === undefined ? pairs : pairs.filter(([, rear]) => rear <= kneeMpa)
  const beyond = fit !== undefined && fit.knee === undefined && below.length < LEAST_BELOW
  const straightened = fit?.offset ? below.map(([front, rear]): PressurePair => [front, rear - fit.interceptMpa]) : below
  // with air in a line the pressures say where the air is, not where the bar stands
  const barShare = twin && fit && !beyond && !fit.air ? barShareFromGauges(straightened, twin.frontBoreMm, twin.rearBoreMm) : undefined
  const sentences: GaugeReport['sentences'] = []
  const say = (tone: GaugeReport['sentences'][number]['tone'], text: string) => sentences.push({ tone, text })
  const mpa = (value: number) => formatQuantity(value, 'pressure', units)
  const share = (value: number) => formatQuantity(value, 'share', units)
  if (!fit) say('unknown', 'Three pairs at different efforts are needed; six or more show the knee of a valve.')
  else if (beyond)
    say(
      'unknown',
      `Fewer than ${LEAST_BELOW} readings lie below ${mpa(kneeMpa!)}, where the valve takes hold: read lower ones too. Those beyond say nothing of share, zero or air.`,
    )
  else {
    if (fit.air) say('needs', 'Low readings lag behind: there is air in a line. Bleed, and read again.')
    else if (fit.offset)
      say(
        'needs',
        `The rear reads ${mpa(Math.abs(fit.interceptMpa))} ${fit.interceptMpa > 0 ? 'more' : 'less'} than it should at rest: a gauge stands off its zero. It is taken out of the share.`,
      )
    if (twin && barShare !== undefined) {
      const off = barShare - twin.frontShare
      if (Math.abs(off) > SAME_SHARE)
        say('needs', `The bar stands at ${share(barShare)} front; the setup is entered with ${share(twin.frontShare)}.`)
      else say('fits', `The bar stands at ${share(barShare)} front, as entered.`)
    } else if (system && system.master.kind === 'tandem') {
      if (Math.abs(fit.slope - 1) > SAME_SLOPE)
        say('needs', `Below the knee the rear gets ${share(fit.slope)} of the front’s pressure; one bore should give the same to both.`)
      else say('fits', 'Below the knee both circuits get the same pressure, as one bore should give.')
    }
    // air bends the low end, which looks like an offset and like a knee
    const model = fit.air ? undefined : system?.valve?.kneeMpa
    if (fit.knee && model === undefined && !fit.air) say('needs', `There is a knee at ${mpa(fit.knee.rearMpa)}; the setup has no valve.`)
    else if (fit.knee && model !== undefined)
      say(
        Math.abs(fit.knee.rearMpa / model - 1) > SAME_KNEE ? 'needs' : 'fits',
        `The valve takes hold at ${mpa(fit.knee.rearMpa)}; the setup is entered with ${mpa(model)}.`,
      )
    else if (model !== undefined && Math.max(...pairs.map(([, rear]) => rear)) > 1.2 * model)
      say('needs', `No knee is seen, and the readings go beyond ${mpa(model)}: the valve does not work, or is set higher.`)
  }
  const order = { needs: 0, unknown: 1, fits: 2 } as const
  sentences.sort((a, b) => order[a.tone] - order[b.tone])
  return { fit, barShare, modelShare: twin?.frontShare, modelKneeMpa: system?.valve?.kneeMpa, sentences }
}
