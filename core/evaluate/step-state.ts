import { balanceMissing, orderHeadline, orderVerdict } from './order-probability.ts'
import { questionKey, type Question } from '../records/question.ts'
import type { FigureCheck } from '../figures/check-result.ts'
import type { Verdict } from '../figures/verdict.ts'
import type { Place } from '../figures/figure.ts'
import type { HeatBrief } from '../heat/heat-brief.ts'
import type { Report, StepId, StepState } from './report.ts'

export const open = (count: number): StepState => (count > 0 ? { state: 'open', count } : { state: 'settled' })
export const todo = (count: number): StepState => (count > 0 ? { state: 'todo', count } : { state: 'settled' })

/** The state of a step that shows results: that of the worst of them, with how many are so. */
export function stateOfVerdicts(verdicts: readonly Verdict[]): StepState {
  const count = (wanted: Verdict) => verdicts.filter((one) => one === wanted).length
  if (count('blocked') > 0) return { state: 'blocked' }
  if (count('needs') > 0) return { state: 'fix', count: count('needs') }
  if (count('unknown') > 0) return { state: 'open', count: count('unknown') }
  return count('check') > 0 ? { state: 'check', count: count('check') } : { state: 'settled' }
}

/** What is computed after the figures: the chosen session, and how probable the lock-up order is. */
interface LaterResults {
  heat?: Pick<HeatBrief, 'verdict' | 'missingCount'> | undefined
  frontFirstOf100?: number | undefined
}

/** The steps with what is computed after the figures: a step is done only if that is right too. */
export function withLaterResults(report: Report, { heat, frontFirstOf100 }: LaterResults): Record<StepId, StepState> {
  const { steps } = report
  const after = {
    fit: steps.fit.state === 'nothing' ? steps.fit : fitState(report, frontFirstOf100),
    balance: steps.balance.state === 'nothing' ? steps.balance : balanceState(report, frontFirstOf100),
    heat: heat === undefined || steps.heat.state === 'nothing' ? steps.heat : heatState(heat),
  }
  // what is to be fixed there is not decided, and not built, as if nothing were
  const all = [after.fit, after.balance, after.heat]
  const toFix = all.find((one) => one.state === 'blocked') ?? all.find((one) => one.state === 'fix')
  const atLeast = (state: StepState): StepState =>
    toFix && (state.state === 'settled' || state.state === 'check' || state.state === 'todo') ? toFix : state
  return { ...steps, ...after, cost: atLeast(steps.cost), build: atLeast(steps.build) }
}

const heatState = ({ verdict, missingCount }: Pick<HeatBrief, 'verdict' | 'missingCount'>): StepState =>
  verdict === 'unknown' && missingCount > 0 ? open(missingCount) : stateOfVerdicts([verdict])

/** The verdict that a page shows of a result: of the lock-up order with how probable it is. */
export const shownVerdict = ({ rule, verdict }: Pick<FigureCheck, 'rule' | 'verdict'>, frontFirstOf100: number | undefined): Verdict =>
  rule === 'lock-order' ? orderVerdict(verdict, frontFirstOf100) : verdict

/** A result as every page says it: the lock-up order with how probable it is. */
export function shownFinding(
  report: Pick<Report, 'figures' | 'findings'>,
  one: FigureCheck,
  frontFirstOf100: number | undefined,
): FigureCheck {
  const verdict = shownVerdict(one, frontFirstOf100)
  return verdict === one.verdict ? one : { ...one, verdict, sentence: orderHeadline(report, frontFirstOf100).sentence }
}

/** What the step Fit waits for: one list, so that status, page and key figures count the same. */
export function fitMissing({ fit, findings }: Pick<Report, 'fit' | 'findings'>): Question<Place>[] {
  const all = [...fit, ...findings.filter((one) => one.verdict === 'unknown')].flatMap((one): readonly Question<Place>[] => one.missing)
  return [...new Map(all.map((one) => [questionKey(one), one])).values()]
}
export function fitState(report: Pick<Report, 'fit' | 'findings'>, frontFirstOf100?: number): StepState {
  const state = stateOfVerdicts([
    ...report.fit.map((one) => one.verdict),
    ...report.findings.map((one) => shownVerdict(one, frontFirstOf100)),
  ])
  const missing = fitMissing(report).length
  return state.state === 'open' && missing > 0 ? open(missing) : state
}

export function balanceState(report: Omit<Report, 'steps'>, frontFirstOf100?: number): StepState {
  const shown = report.findings.filter((one) => one.rule !== 'wheel-clearance')
  const state = stateOfVerdicts(shown.map((one) => shownVerdict(one, frontFirstOf100)))
  if (state.state === 'blocked' || state.state === 'fix') return state
  const missing = balanceMissing(report).length
  // a pedal force that is only a bound waits for what the booster gives
  const entries = missing > 0 ? missing : report.figures['pedal.force'].atLeast ? 1 : 0
  return entries > 0 ? open(entries) : state
}
