import type { Project } from '../model/project.ts'
import { questionKey } from '../model/question.ts'
import { sheetFor } from '../model/sheets.ts'
import { stageTick, stagesOf } from './build/stages.ts'
import { workOrder } from './build/work-order.ts'
import { balanceMissing, orderVerdict } from './doubt/order-probability.ts'
import type { Missing } from './figure/figure.ts'
import type { FindingVerdict } from './figure/finding.ts'
import type { FigureId } from './figures.ts'
import type { Report, StepId, StepState } from './report.ts'

const open = (count: number): StepState => (count > 0 ? { state: 'open', count } : { state: 'settled' })
const todo = (count: number): StepState => (count > 0 ? { state: 'todo', count } : { state: 'settled' })

/** The state of a step that shows results: that of the worst of them, with how many are so. */
export function stateOfVerdicts(verdicts: readonly FindingVerdict[]): StepState {
  const count = (wanted: FindingVerdict) => verdicts.filter((one) => one === wanted).length
  if (count('blocked') > 0) return { state: 'blocked' }
  if (count('needs') > 0) return { state: 'fix', count: count('needs') }
  if (count('unknown') > 0) return { state: 'open', count: count('unknown') }
  return count('check') > 0 ? { state: 'check', count: count('check') } : { state: 'settled' }
}

/** Fewer valid stops than this of a setup prove nothing. */
const STOPS_WANTED = 3

/** What is computed after the figures: the chosen session, and how probable the lock-up order is. */
export interface LaterResults {
  heat?: FindingVerdict | undefined
  frontFirstOf100?: number | undefined
}

/** The steps with what is computed after the figures: a step is done only if that is right too. */
export function withLaterResults(report: Report, { heat, frontFirstOf100 }: LaterResults): Record<StepId, StepState> {
  const { steps } = report
  const after = {
    balance: steps.balance.state === 'nothing' ? steps.balance : balanceState(report, frontFirstOf100),
    heat: heat === undefined || steps.heat.state !== 'settled' ? steps.heat : stateOfVerdicts([heat]),
  }
  // what is to be fixed there is not decided, and not built, as if nothing were
  const toFix =
    [after.balance, after.heat].find((one) => one.state === 'blocked') ?? [after.balance, after.heat].find((one) => one.state === 'fix')
  const atLeast = (state: StepState): StepState =>
    toFix && (state.state === 'settled' || state.state === 'check' || state.state === 'todo') ? toFix : state
  return { ...steps, ...after, cost: atLeast(steps.cost), build: atLeast(steps.build) }
}

function balanceState(report: Omit<Report, 'steps'>, frontFirstOf100?: number): StepState {
  const shown = report.findings.filter((one) => one.rule !== 'wheel-clearance')
  const state = stateOfVerdicts(shown.map((one) => (one.rule === 'lock-order' ? orderVerdict(one.verdict, frontFirstOf100) : one.verdict)))
  if (state.state === 'blocked' || state.state === 'fix') return state
  const missing = balanceMissing(report).length
  // a pedal force that is only a bound waits for what the booster gives
  const entries = missing > 0 ? missing : report.figures['pedal.force'].atLeast ? 1 : 0
  return entries > 0 ? open(entries) : state
}

/** The state of each step of the job card, from what the figures miss and where that is entered. */
export function stepStates(project: Project, report: Omit<Report, 'steps'>): Record<StepId, StepState> {
  const missing = new Map<string, Missing>()
  for (const id in report.figures) {
    const figure = report.figures[id as FigureId]
    if (!figure.optional) for (const one of figure.missing) missing.set(questionKey(one), one)
  }
  const at = (kinds: readonly Missing['at']['kind'][]) => [...missing.values()].filter((one) => kinds.includes(one.at.kind)).length
  // what a sheet takes, and the one measurement that a verdict waits for
  const onSheet = ({ at: place }: Missing): boolean => {
    if (place.kind !== 'part') return false
    const kind = project.parts.find((part) => part.id === place.partId)?.kind
    return (kind === 'caliper' || kind === 'wheel' || kind === 'rotor') && sheetFor(kind, place.field) !== undefined
  }
  const toMeasure =
    [...missing.values()].filter(onSheet).length +
    Object.values(report.corners).filter((corner) => corner.verdict === 'measure' && corner.measureNext.length > 0).length
  const heatUnknown = (['front.heat', 'rear.heat'] as const).filter((id) => report.figures[id].value === undefined).length
  const build = project.builds.find((one) => one.id === report.setupId)
  const buildState = (): StepState => {
    if (report.isStock || !build?.notes.some((one) => one.doneOn)) return { state: 'nothing' }
    const verdict = stateOfVerdicts([report.verdict])
    if (verdict.state === 'blocked' || verdict.state === 'fix') return verdict
    const done = new Set(build.notes.flatMap((one) => (one.doneOn ? one.id : [])))
    const ids = build.staged
      ? stagesOf(project, report).stages.flatMap(({ order }, i) => order.steps.map((one) => stageTick(i, one.id)))
      : workOrder(project, report.setupId, report.fit).steps.map((one) => one.id)
    const left = ids.filter((id) => !done.has(id)).length
    return left > 0 ? todo(left) : verdict
  }
  const proveState = (): StepState => {
    if (report.rearSeenFirstAtG !== undefined) return { state: 'blocked' }
    const lists: readonly (readonly unknown[])[] = [
      project.stopTests,
      project.lockSightings,
      project.gaugeSessions,
      project.heatReadings,
      project.wearReadings,
      project.fitReports,
    ]
    if (lists.every((list) => list.length === 0)) return { state: 'nothing' }
    return todo(STOPS_WANTED - project.stopTests.filter((one) => one.setupId === report.setupId).length)
  }
  const decideState = (): StepState => {
    const verdict = stateOfVerdicts([report.verdict])
    return verdict.state === 'settled' || verdict.state === 'check'
      ? report.bill.unpriced > 0
        ? open(report.bill.unpriced)
        : verdict
      : verdict
  }
  const blankCar = Object.keys(project.car).every((key) => ['name', 'note', 'front', 'rear', 'uses'].includes(key))
  return {
    car: blankCar ? { state: 'nothing' } : open(at(['car'])),
    measure: project.parts.length === 0 ? { state: 'nothing' } : open(toMeasure),
    parts: project.parts.length === 0 ? { state: 'nothing' } : open(at(['part'])),
    setup: project.parts.length === 0 ? { state: 'nothing' } : open(at(['slot'])),
    fit:
      project.parts.length === 0
        ? { state: 'nothing' }
        : stateOfVerdicts([...report.findings, ...report.fit].filter((one) => one.rule !== 'pedal-effort').map((one) => one.verdict)),
    balance: project.parts.length === 0 ? { state: 'nothing' } : balanceState(report),
    heat: project.parts.length === 0 ? { state: 'nothing' } : open(heatUnknown),
    cost: report.isStock && report.bill.lines.length === 0 ? { state: 'nothing' } : decideState(),
    build: buildState(),
    prove: proveState(),
  }
}
