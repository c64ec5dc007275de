import { AXLES } from '../quantity/axle.ts'
import type { Project } from '../records/project.ts'
import { systemOf } from '../hydraulics/brake-system.ts'
import { axleBrake } from '../hydraulics/brake.ts'
import type { FigureCheck } from '../figures/check-result.ts'
import type { Context } from '../figures/read.ts'
import { Working } from '../figures/working.ts'
import { hydraulicsOf } from '../hydraulics/hydraulics-of.ts'
import { pedalSaid, type StockBrakes } from './pedal-to-road.ts'

/** What the car brakes with as it stands. */
export function stockBrakes(project: Project): StockBrakes {
  const { calibration, brakes, context } = hydraulicsOf(project, project.setups[0].id)
  const [front, rear] = AXLES.map((axle) => brakes[axle].pistonArea.value)
  return {
    area: front === undefined || rear === undefined ? undefined : front + rear,
    system: systemOf(new Working(), context, brakes),
    calibration,
  }
}

/**
 * The findings of pedal and balance alone, for changes that are tried out.
 * @param stock where it is known already
 * @param ends nothing more is wanted after a finding that is so
 */
export function pedalFindings(
  context: Context,
  stock: StockBrakes = stockBrakes(context.project),
  ends?: (finding: FigureCheck) => boolean,
): FigureCheck[] {
  const brakes = { front: axleBrake(context, 'front'), rear: axleBrake(context, 'rear') }
  return pedalSaid(context, brakes, stock, ends)
}
