import type { SlotsRead } from '../fit/rule.ts'
import { AXLES, type Axle } from '../quantity/axle.ts'
import type { Project } from '../records/project.ts'
import { findSetup, resolveSetup, stockSetup } from '../records/resolve.ts'
import { systemOf } from '../hydraulics/brake-system.ts'
import { billReport } from '../cost/bill.ts'
import { axleBrake, type AxleBrakeReport } from '../hydraulics/brake.ts'
import type { Context } from '../figures/read.ts'
import { cornerReport, type CornerReport } from '../clearance/corner.ts'
import type { Precision } from '../clearance/judge.ts'
import { judgeFixes } from '../whatif/judge-fixes.ts'
import { carFindings, fitFindings } from '../fit/fit-check.ts'
import { reportsBeside } from '../evidence/fit-reports.ts'
import { heatFigures } from '../heat/heat.ts'
import { massFigures } from '../hydraulics/mass.ts'
import { pedalToRoad } from '../balance/pedal-to-road.ts'
import { calibrate } from '../hydraulics/pedal-travel.ts'
import { seasonReport } from '../cost/season.ts'
import { stepStates } from './steps.ts'
import type { FigureId } from '../figures/figure-ids.ts'
import type { Report } from './report.ts'
import type { ReportFigure } from '../figures/figure.ts'
import { Working } from '../figures/working.ts'
import type { Verdict } from '../figures/verdict.ts'
import { VERDICT_RANK } from '../figures/words.ts'

interface EvaluateOptions {
  precision?: Precision
}

const both = <T>(make: (axle: Axle) => T): Record<Axle, T> => ({ front: make('front'), rear: make('rear') })

/**
 * Everything the product says of one setup: the one door from the outside. Pure and without a clock;
 * the same project and setup give the same report.
 *
 * @param options.precision `linear` while a hand moves something: the gap's percentiles from its gradient
 * @throws RangeError when the project has no such setup
 */
export function evaluate(project: Project, setupId: string, options: EvaluateOptions = {}): Report {
  const setup = findSetup(project, setupId)
  if (!setup) throw new RangeError(`no setup ${setupId} in project ${project.id}`)
  const stock = stockSetup(project)
  const context: Context = { project, setup, isStock: setup === stock, resolved: resolveSetup(project, setup) }

  const brakes = both((axle) => axleBrake(context, axle))
  const onTheCar = context.isStock ? { context, brakes } : stockBrakes(project)
  context.stock = onTheCar.context.resolved
  const lookedInto = both((): SlotsRead => new Map())
  const fitted = both((axle) => fitFindings(context, axle, lookedInto[axle]))
  const corners: Record<Axle, CornerReport> = both((axle) => cornerReport(context, axle, options.precision ?? 'draws', fitted[axle]))
  const stockSystem = systemOf(new Working(), onTheCar.context, onTheCar.brakes)
  const asItStands = {
    area: totalArea(onTheCar.brakes),
    system: stockSystem,
    calibration: calibrate(onTheCar.context, onTheCar.brakes, stockSystem),
  }
  const pedal = pedalToRoad(context, brakes, asItStands)
  const { bill, figure: cost } = billReport(context)
  const { season, figure: wear } = seasonReport(context)

  const all: ReportFigure[] = [
    ...AXLES.flatMap((axle) => [
      brakes[axle].pistonArea,
      brakes[axle].effectiveRadius,
      ...corners[axle].figures,
      ...heatFigures({ context, axle }, pedal.roadBias),
    ]),
    ...pedal.figures,
    cost,
    wear,
    ...massFigures(context),
  ]
  const { fit, findings } = judgeFixes(
    project,
    setup,
    [...fitted.front, ...fitted.rear, ...carFindings(context)],
    [...corners.front.findings, ...corners.rear.findings, ...pedal.findings],
    asItStands,
    lookedInto,
  )
  const figures = {} as Record<FigureId, ReportFigure>
  for (const figure of all) figures[figure.id] = figure
  const report: Omit<Report, 'steps'> = {
    setupId,
    setupName: setup.name,
    isStock: context.isStock,
    figures,
    corners: { front: corners.front.corner, rear: corners.rear.corner },
    findings,
    fit,
    reports: both((axle) => reportsBeside(context, axle, corners[axle].corner)),
    verdict: worstOf(findings, worstOf(fit)),
    chain: pedal.chain,
    lockOrder: pedal.lockOrder,
    ...(pedal.tyresReachG === undefined ? {} : { tyresReachG: pedal.tyresReachG }),
    ...(pedal.rearSeenFirstAtG === undefined ? {} : { rearSeenFirstAtG: pedal.rearSeenFirstAtG }),
    adhesion: pedal.adhesion,
    bill,
    season,
  }
  return { steps: stepStates(project, report), ...report }
}

function stockBrakes(project: Project): { context: Context; brakes: Record<Axle, AxleBrakeReport> } {
  const setup = stockSetup(project)
  const context: Context = { project, setup, isStock: true, resolved: resolveSetup(project, setup) }
  return { context, brakes: both((axle) => axleBrake(context, axle)) }
}

function worstOf(found: readonly { verdict: Verdict }[], sofar: Verdict = 'fits'): Verdict {
  let worst = sofar
  for (const { verdict } of found) if (VERDICT_RANK[verdict] > VERDICT_RANK[worst]) worst = verdict
  return worst
}

function totalArea(brakes: Record<Axle, AxleBrakeReport>): number | undefined {
  const front = brakes.front.pistonArea.value
  const rear = brakes.rear.pistonArea.value
  return front === undefined || rear === undefined ? undefined : front + rear
}
