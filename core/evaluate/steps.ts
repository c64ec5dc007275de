import type { Project } from '../records/project.ts'
import { questionKey } from '../records/question.ts'
import { sheetFor } from '../records/sheets.ts'
import { stageTick, stagesOf } from '../work-order/stages.ts'
import { workOrder } from '../work-order/work-order.ts'
import type { Missing } from '../figures/figure.ts'
import type { FigureId } from '../figures/figure-ids.ts'
import type { Report, StepId, StepState } from './report.ts'
import { balanceState, fitState, open, stateOfVerdicts, todo } from './step-state.ts'

/** Fewer valid stops than this of a setup prove nothing. */
const STOPS_WANTED = 3

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
  const heatMissing = new Set((['front.heat', 'rear.heat'] as const).flatMap((id) => report.figures[id].missing.map(questionKey))).size
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
    fit: project.parts.length === 0 ? { state: 'nothing' } : fitState(report),
    balance: project.parts.length === 0 ? { state: 'nothing' } : balanceState(report),
    heat: project.parts.length === 0 ? { state: 'nothing' } : open(heatMissing),
    cost: report.isStock && report.bill.lines.length === 0 ? { state: 'nothing' } : decideState(),
    build: buildState(),
    prove: proveState(),
  }
}
