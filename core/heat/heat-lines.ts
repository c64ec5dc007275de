import type { Axle } from '../quantity/axle.ts'
import { nodesOf, type Driven, type ThermalNode, type Prepared } from './session-run.ts'

/** One temperature of a session against its limit. */
export interface HeatLine {
  axle: Axle
  lump: ThermalNode
  /** "Fluid, front" */
  label: string
  limitC: number
  limitWords: string
  /** Where the limit may lie already, where its own figures are in doubt: of a fluid by its water. */
  leastLimitC: number
  peakC: number
  /** What the peak may be, by the doubts of what nobody measured. */
  lowC: number
  highC: number
  /** First moment beyond the limit, s; undefined: never. Earliest and latest of the runs with doubts. */
  overAtS: number | undefined
  earliestS: number | undefined
  latestS: number | undefined
  /** In all, s. */
  beyondS: number
}
export const LINE_KEYS = { fluid: 'fluidC', face: 'faceC', ring: 'ringC', caliper: 'caliperC' } as const satisfies Record<
  ThermalNode,
  string
>
/** The line whose doubts reach furthest towards its limit, or beyond. */
export const nearestLine = (lines: readonly HeatLine[]): HeatLine | undefined =>
  [...lines].sort((a, b) => a.leastLimitC - a.highC - (b.leastLimitC - b.highC))[0]

export function linesOf(axle: Axle, prepared: Pick<Prepared, 'limits' | 'fluid'>, run: Driven, others: readonly Driven[]): HeatLine[] {
  return nodesOf(axle, prepared.limits).map(([lump, key, name, limitC, limitWords]) => {
    const peaks = [run, ...others].map((one) => one.session.peak[axle][key])
    const times = [run, ...others].map((one) => one.over.get(`${axle}.${lump}`))
    const known = times.filter((one) => one !== undefined)
    return {
      axle,
      lump,
      label: `${name}, ${axle}`,
      limitC,
      limitWords,
      leastLimitC: lump === 'fluid' ? Math.min(limitC, prepared.fluid.leastBoilC) : limitC,
      peakC: run.session.peak[axle][key],
      lowC: Math.min(...peaks),
      highC: Math.max(...peaks),
      overAtS: times[0],
      earliestS: known.length > 0 ? Math.min(...known) : undefined,
      // one of the runs never gets there: no latest
      latestS: known.length === times.length ? Math.max(...known) : undefined,
      beyondS: run.beyondS.get(`${axle}.${lump}`) ?? 0,
    }
  })
}
