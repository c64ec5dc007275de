/**
 * The public door of the core: what scripts of others stand on. Names and the meaning of parameters stay; fields are only
 * added to what is returned. Everything is pure: the same project gives the same answer, no clock and no storage is asked.
 *
 * A project comes from `readProject` (a file's text) or is `DEMO_PROJECT`; the current car is its first setup.
 */
import type { PressurePair } from './hydraulics/maths/gauge-models.ts'
import type { Project } from './records/project.ts'
import { balanceReport as balanceOf, type BalanceOptions, type BalanceReport } from './balance/balance-report.ts'
import { boreReport as boresOf, type BoreOptions, type BoreReport } from './balance/bore-report.ts'
import { stillWrong, workOrder as workOrderOf, type WorkOrder } from './work-order/work-order.ts'
import { compare } from './decide/compare.ts'
import type { Comparison } from './decide/comparison.ts'
import { search as searchIn } from './decide/search.ts'
import { recommend, type Recommendation } from './decide/recommend.ts'
import type { SearchReport } from './decide/search-report.ts'
import { DEFAULT_QUERY, type SearchQuery } from './decide/search-space.ts'
import { uncertaintyOf, type UncertaintyReport } from './uncertainty/uncertainty-report.ts'
import { evaluate as evaluateOne } from './evaluate/evaluate.ts'
import { evaluateAll, isReport } from './evaluate/evaluate-all.ts'
import { gaugeReport as gaugesOf, type GaugeReport } from './evidence/gauge-report.ts'
import { heatBrief } from './heat/heat-brief.ts'
import { heatReport as heatOf, type HeatReport } from './heat/heat-report.ts'
import { judgedAdjustments } from './evaluate/judged-adjustments.ts'
import type { AdjustmentReport } from './whatif/adjustments.ts'
import { stopsReport, type StopsAsked, type StopsReport } from './evidence/stop-tests.ts'
import { wearReport as wearOf, type WearReport } from './evidence/wear-report.ts'
import type { Report } from './evaluate/report.ts'

export { DEMO_PROJECT } from './demo/project.ts'
export { readProject, writeProject } from './formats/project-file.ts'
export type { Project, PressurePair, SearchQuery, StopsAsked }

/**
 * Everything that is said of one setup: figures with inputs, checks, clearance, parts list, key figures.
 * @throws RangeError when the project has no such setup
 *
 * @example
 * evaluate(DEMO_PROJECT, 'estate-fronts').corners.front.verdict // => 'tooClose'
 */
export const evaluate = (project: Project, setupId: string): Report => evaluateOne(project, setupId)

/**
 * Brake balance of one setup: lock-up order in each load, pedal force, what is left with a circuit or the booster lost
 * (R. Limpert, Brake Design and Safety, ch. 5; UN Regulation No. 13-H, Annexes 3 and 5).
 * @param options engine drag or downforce counted in
 *
 * @example
 * balanceReport(DEMO_PROJECT, 'as-it-stands').missing.length // => 0
 */
export const balanceReport = (project: Project, setupId: string, options: BalanceOptions = {}): BalanceReport =>
  balanceOf(project, setupId, options)

/**
 * Stock master cylinder bores and pairs of them against the usual pedal force and travel, and the lock-up order.
 * @param options.decelG of the stop that they are judged by, g
 *
 * @example
 * boreReport(DEMO_PROJECT, 'as-it-stands', { decelG: 0.9 }).fittedBoreMm // => 20.6375
 */
export const boreReport = (project: Project, setupId: string, options: BoreOptions): BoreReport => boresOf(project, setupId, options)

/**
 * Single changes that would bring the lock-up order to its aim, and parts of the library that make them. Each is applied and
 * evaluated before it is returned.
 *
 * @example
 * adjustmentReport(DEMO_PROJECT, 'balanced').advice.every((one) => one.offers.length <= 3) // => true
 */
export const adjustmentReport = (project: Project, setupId: string): AdjustmentReport => judgedAdjustments(project, setupId)
/** The former name of `adjustmentReport`. */
export const leverReport = adjustmentReport

/**
 * What pairs of line pressures say of gauges, balance bar and proportioning valve. `stated` names the causes that the
 * readings need, `undecided` those that they cannot tell apart.
 * @param pairs front and rear, MPa
 *
 * @example
 * gaugeReport(DEMO_PROJECT, 'as-it-stands', [[0, 0], [0.8, 0.4], [1.4, 1], [2, 1.6], [2.6, 2.2]]).stated // => ['rearZero']
 */
export const gaugeReport = (project: Project, setupId: string, pairs: readonly PressurePair[]): GaugeReport =>
  gaugesOf(project, setupId, pairs)

/**
 * A setup's brakes over a session: temperatures against their limits with ranges, when a limit is passed, what is open
 * (R. Limpert, Brake Design and Safety, ch. 3).
 * @param sessionId the one of the car's use where absent
 *
 * @example
 * heatReport(DEMO_PROJECT, 'as-it-stands', 'hill').duty.id // => 'hill'
 */
export const heatReport = (project: Project, setupId: string, sessionId?: string): HeatReport => heatOf(project, setupId, sessionId)

/**
 * Logged stops of two setups: corrected to one speed, compared, and how many runs a difference takes to show.
 *
 * @example
 * stopTests(DEMO_PROJECT, { a: 'as-it-stands', b: 'estate-fronts', surface: 'dry', load: 'driver', targetKmh: 100, wantedM: 1 }).b.counted.length // => 0
 */
export const stopTests = (project: Project, asked: StopsAsked): StopsReport => stopsReport(project, asked)

/**
 * Measured pads and rotors: wear rate, when the minimum thickness is reached, taper.
 *
 * @example
 * wearReport({ ...DEMO_PROJECT, wearReadings: [] }).first // => undefined
 */
export const wearReport = (project: Project): WearReport => wearOf(project)

/**
 * The best that can be built from a project's library: every combination that keeps what must hold and that no other beats.
 * Exact. What the query leaves out is as in `npm run search`.
 * @throws RangeError when the project has no such setup
 *
 * @example
 * search(DEMO_PROJECT, { setupId: 'as-it-stands', onHand: true }).finds.every((one) => one.values.cost === 0) // => true
 */
export const search = (project: Project, query: Pick<SearchQuery, 'setupId'> & Partial<SearchQuery>): SearchReport =>
  searchIn(project, { ...DEFAULT_QUERY, ...query })

/**
 * Setups side by side, criterion by criterion, the first of them as the reference.
 * @param setupIds all of the project where absent
 * @param sessionId that heat is compared by; the one of the car's use where absent
 *
 * @example
 * compareSetups(DEMO_PROJECT).columns.length // => 4
 */
export function compareSetups(project: Project, setupIds?: readonly string[], sessionId?: string): Comparison {
  const { reports, heats, likely } = compared(project, setupIds, sessionId)
  return compare(project, reports, heats, likely)
}
function compared(project: Project, setupIds?: readonly string[], sessionId?: string) {
  const wanted = setupIds ?? project.setups.map((one) => one.id)
  const all = evaluateAll(project).filter(isReport)
  const reports = wanted.flatMap((id) => all.find((one) => one.setupId === id) ?? [])
  const heats = Object.fromEntries(reports.map(({ setupId }) => [setupId, heatBrief(project, setupId, sessionId)]))
  const likely = Object.fromEntries(reports.map((one) => [one.setupId, uncertaintyOf(project, one).frontFirstOf100]))
  return { reports, heats, likely }
}

/**
 * What to do about the brakes of a car: keep them, or which setup to choose, with the reasons. No setup that fails a check or
 * exceeds the budget is advised.
 * @param sessionId that heat is judged by; the one of the car's use where absent
 *
 * @example
 * recommendation(DEMO_PROJECT).headline // => 'Do not buy yet: no setup solves it and passes every check.'
 */
export function recommendation(project: Project, sessionId?: string): Recommendation {
  const { reports, heats, likely } = compared(project, undefined, sessionId)
  return recommend(project, compare(project, reports, heats, likely), reports, heats, likely)
}

/**
 * The steps that make the current car into a setup, each after what it needs.
 * @throws RangeError when the project has no such setup
 *
 * @example
 * workOrder(DEMO_PROJECT, 'balanced').steps[0].number // => 1
 */
export function workOrder(project: Project, setupId: string): WorkOrder {
  const { fit, findings } = evaluateOne(project, setupId)
  return { ...workOrderOf(project, setupId, fit), stillWrong: stillWrong([...fit, ...findings]) }
}

/**
 * What the uncertainties of all inputs make of the figures from pedal to road, and which inputs matter most
 * (GUM, JCGM 100:2008, 5.1.2; JCGM 101:2008).
 *
 * @example
 * uncertaintyReport(DEMO_PROJECT, 'balanced').figures['pedal.force'].p05 > 0 // => true
 */
export const uncertaintyReport = (project: Project, setupId: string): UncertaintyReport =>
  uncertaintyOf(project, evaluateOne(project, setupId))
