import { AXLES, type Axle } from '../quantity/axle.ts'
import type { Project } from '../records/project.ts'
import { resolveSetup } from '../records/resolve.ts'
import { pedalOf } from '../records/uses.ts'
import type { Dimension } from '../quantity/units.ts'
import { requiredGapMm } from '../clearance/judge.ts'
import { biasTarget } from '../balance/bias-target.ts'
import type { FigureId } from '../figures/figure-ids.ts'
import type { HeatBrief } from '../heat/heat-brief.ts'
import { BANDS, type Band } from '../hydraulics/pedal-bands.ts'
import type { Report } from '../evaluate/report.ts'

interface CriterionSpec {
  label: string
  /** Beside a slider or in the head of a column. */
  short: string
  dimension: Dimension | 'money'
  better: 'low' | 'high'
  /** A difference up to here is none, in the core's unit. */
  tolerance: number
}

/**
 * What setups and results of the search are weighed by. Comparison, search, chart, weights and tables read it, so that one name
 * means one figure everywhere.
 */
export const CRITERIA = {
  cost: { label: 'Total cost', short: 'Cost', dimension: 'money', better: 'low', tolerance: 500 },
  heat: { label: 'Rotor temperature rise in one stop', short: 'Rise', dimension: 'temperatureRise', better: 'low', tolerance: 8 },
  margin: { label: 'Heat margin to the nearest limit', short: 'Heat margin', dimension: 'temperatureRise', better: 'high', tolerance: 8 },
  gap: { label: 'Minimum clearance', short: 'Clearance', dimension: 'length', better: 'high', tolerance: 0.3 },
  bias: { label: 'Brake balance off target', short: 'Balance', dimension: 'share', better: 'low', tolerance: 0.005 },
  mass: { label: 'Mass change, one front and one rear corner', short: 'Mass', dimension: 'mass', better: 'low', tolerance: 0.1 },
  pedal: { label: 'Pedal force outside the usual range', short: 'Pedal', dimension: 'force', better: 'low', tolerance: 10 },
} as const satisfies Record<string, CriterionSpec>
export type CriterionId = keyof typeof CRITERIA

/** What a search can weigh: everything but the margin, which takes a session of each combination. */
export const SEARCH_CRITERIA = ['cost', 'heat', 'gap', 'bias', 'mass', 'pedal'] as const satisfies readonly CriterionId[]
export type SearchCriterionId = (typeof SEARCH_CRITERIA)[number]
/** What complete setups are ranked by: the margin says more of heat than one stop does. */
export const SETUP_CRITERIA = ['cost', 'margin', 'gap', 'bias', 'mass', 'pedal'] as const satisfies readonly CriterionId[]
export type SetupCriterionId = (typeof SETUP_CRITERIA)[number]

/** Clearance beyond what is required that no measurement would take away: both parts measured with care, mm. */
const GAP_IN_HAND_MM = 1
/** Heat margin that warmer days and a worse driver do not use up, K. */
const MARGIN_IN_HAND_K = 50

/**
 * From where on more of a criterion is no better, in the core's unit: a clearance of 10 mm where 3 mm is required is worth no more
 * than one of 6 mm. A criterion without an entry has no such value: less cost is always better.
 *
 * @example
 * enoughOf(DEMO_PROJECT).gap // => 4
 */
export const enoughOf = ({ preferences }: Pick<Project, 'preferences'>): Enough => ({
  gap: requiredGapMm(preferences.gapPolicy, false) + GAP_IN_HAND_MM,
  margin: MARGIN_IN_HAND_K,
})
export type Enough = Partial<Record<CriterionId, number>>

/**
 * A value as it counts against others: at most as good as enough.
 *
 * @example
 * upToEnough(10.6, 'high', 4) // => 4
 */
export const upToEnough = (value: number, better: 'low' | 'high', enough: number | undefined): number =>
  enough === undefined ? value : better === 'high' ? Math.min(value, enough) : Math.max(value, enough)

/** How far a pedal force lies outside its usual range, N. */
export const outsideBand = (forceN: number, { low, high }: Band): number => (forceN < low ? low - forceN : Math.max(0, forceN - high))

/** A setup by one criterion. */
export interface CriterionValue {
  /** In the core's unit; undefined: unknown. */
  value: number | undefined
  /** Standard uncertainty, in the core's unit. */
  u: number | undefined
  /** The true value is at least or at most this. */
  bound: boolean
  /** Where its working stands. */
  figureId?: FigureId
}
const UNKNOWN: CriterionValue = { value: undefined, u: undefined, bound: false }

/** What a complete setup is by each criterion. */
export function setupCriteria(project: Project, report: Report, heat: HeatBrief | undefined): Record<CriterionId, CriterionValue> {
  const { figures, bill } = report
  const of = (id: FigureId): CriterionValue => {
    const { value, u, atLeast, atMost } = figures[id]
    return { value, u, bound: Boolean(atLeast ?? atMost), figureId: id }
  }
  /** The axle that counts; where one of them is unknown, so is the whole. */
  const axleThatCounts = (name: 'gap' | 'heat', counts: (a: number, b: number) => boolean, axles: readonly Axle[]): CriterionValue => {
    const all = axles.map((axle) => of(`${axle}.${name}`))
    return all.find((one) => one.value === undefined) ?? all.reduce((a, b) => (counts(b.value!, a.value!) ? b : a))
  }
  const resolved = resolveSetup(
    project,
    project.setups.find((one) => one.id === report.setupId)!,
  )
  // what a drum's rise would be is not computed: the discs in front decide
  const stopped = resolved.rear.caliper?.kind === 'drum' ? (['front'] as const) : AXLES
  const target = biasTarget(project, project.preferences.referenceDecelG)
  const road = of('bias.road')
  const off = road.value === undefined || road.bound || target === undefined ? undefined : Math.abs(road.value - target)
  const masses = AXLES.map((axle) => figures[`${axle}.massChange`].value)
  const force = of('pedal.force')
  const { total, unpriced } = bill
  return {
    // 80 in 100 lie between, so that a standard deviation is their distance over 2.56
    cost: { value: figures['cost.total'].value, u: (total.p90 - total.p10) / 2.563, bound: unpriced > 0, figureId: 'cost.total' },
    heat: axleThatCounts('heat', (a, b) => a > b, stopped),
    margin: heat ? { ...UNKNOWN, value: heat.leftC, bound: heat.verdict === 'unknown' } : UNKNOWN,
    gap: axleThatCounts('gap', (a, b) => a < b, AXLES),
    bias: { value: off, u: road.u, bound: false, figureId: 'bias.road' },
    mass: {
      ...UNKNOWN,
      value: masses.includes(undefined) ? undefined : masses.reduce<number>((sum, one) => sum + one!, 0),
      figureId: 'front.massChange',
    },
    pedal: {
      ...UNKNOWN,
      value: force.value === undefined ? undefined : outsideBand(force.value, BANDS[pedalOf(project.car.uses)].forceN),
      bound: force.bound,
      figureId: 'pedal.force',
    },
  }
}
