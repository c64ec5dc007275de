import type { Project } from '../model/project.ts'
import { questionKey } from '../model/question.ts'
import { sheetFor } from '../model/sheets.ts'
import { stageTick, stagesOf } from './build/stages.ts'
import { workOrder } from './build/work-order.ts'
import type { Missing } from './figure/figure.ts'
import type { FigureId } from './figures.ts'
import type { Report, StepId, StepState } from './report.ts'

const open = (count: number): StepState => (count > 0 ? { state: 'open', count } : { state: 'settled' })

/** The state of each step of the job card, from what the figures miss and where that is entered. */
export function stepStates(project: Project, report: Omit<Report, 'steps'>): Record<StepId, StepState> {
  const missing = new Map<string, Missing>()
  for (const id in report.figures) {
    const figure = report.figures[id as FigureId]
    if (!figure.optional) for (const one of figure.missing) missing.set(questionKey(one), one)
  }
  const at = (kinds: readonly Missing['at']['kind'][]) => [...missing.values()].filter((one) => kinds.includes(one.at.kind)).length
  const finding = (...rules: Report['findings'][number]['rule'][]): StepState => {
    const found = report.findings.filter((one) => rules.includes(one.rule))
    if (found.some((one) => one.verdict === 'blocked')) return { state: 'blocked' }
    return open(found.filter((one) => one.verdict === 'unknown' || one.verdict === 'needs').length)
  }
  // what a sheet takes, and the one measurement that a verdict waits for
  const onSheet = ({ at: place }: Missing): boolean => {
    if (place.kind !== 'part') return false
    const kind = project.parts.find((part) => part.id === place.partId)?.kind
    return (kind === 'caliper' || kind === 'wheel' || kind === 'rotor') && sheetFor(kind, place.field) !== undefined
  }
  const toMeasure =
    [...missing.values()].filter(onSheet).length +
    Object.values(report.corners).filter((corner) => corner.verdict === 'measure' && corner.measureNext.length > 0).length
  const fitState = (): StepState => {
    const wheel = finding('wheel-clearance', 'master-stroke', 'abs', 'lock-order')
    if (wheel.state === 'blocked' || report.fit.some((one) => one.verdict === 'blocked')) return { state: 'blocked' }
    const others = report.fit.filter((one) => one.verdict === 'unknown' || one.verdict === 'needs').length
    return open((wheel.state === 'open' ? wheel.count : 0) + others)
  }
  const balanceState = (): StepState => {
    const order = finding('lock-order')
    // a pedal force that is only a bound waits for what the booster gives
    const bounds = report.figures['pedal.force'].atLeast ? 1 : 0
    return order.state === 'blocked' ? order : open((order.state === 'open' ? order.count : 0) + bounds)
  }
  const heatUnknown = (['front.heat', 'rear.heat'] as const).filter((id) => report.figures[id].value === undefined).length
  const build = project.builds.find((one) => one.id === report.setupId)
  const buildState = (): StepState => {
    if (report.isStock || !build?.notes.some((one) => one.doneOn)) return { state: 'nothing' }
    if (report.verdict === 'blocked') return { state: 'blocked' }
    const done = new Set(build.notes.flatMap((one) => (one.doneOn ? one.id : [])))
    const ids = build.staged
      ? stagesOf(project, report).stages.flatMap(({ order }, i) => order.steps.map((one) => stageTick(i, one.id)))
      : workOrder(project, report.setupId, report.fit).steps.map((one) => one.id)
    return open(ids.filter((id) => !done.has(id)).length)
  }
  const proved = [project.stopTests, project.lockSightings, project.gaugeSessions, project.heatReadings].some((list) =>
    (list as readonly { setupId?: string }[]).some((one) => one.setupId === report.setupId),
  )
  const blankCar = Object.keys(project.car).every((key) => ['name', 'note', 'front', 'rear', 'uses'].includes(key))
  return {
    car: blankCar ? { state: 'nothing' } : open(at(['car'])),
    measure: project.parts.length === 0 ? { state: 'nothing' } : open(toMeasure),
    parts: project.parts.length === 0 ? { state: 'nothing' } : open(at(['part'])),
    setup: project.parts.length === 0 ? { state: 'nothing' } : open(at(['slot'])),
    fit: project.parts.length === 0 ? { state: 'nothing' } : fitState(),
    balance: project.parts.length === 0 ? { state: 'nothing' } : balanceState(),
    heat: project.parts.length === 0 ? { state: 'nothing' } : open(heatUnknown),
    cost: report.isStock && report.bill.lines.length === 0 ? { state: 'nothing' } : open(report.bill.unpriced),
    build: buildState(),
    prove: proved ? { state: 'settled' } : { state: 'nothing' },
  }
}
