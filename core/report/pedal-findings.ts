import { AXLES, type Project } from '../model/project.ts'
import { systemOf } from './brake-system.ts'
import { axleBrake } from './brake.ts'
import type { Context } from './context.ts'
import { hydraulicsOf } from './hydraulics-of.ts'
import { pedalReport } from './pedal.ts'
import type { Finding } from './types.ts'
import { Working } from './working.ts'

/** What the car brakes with as it stands: what a setup's pedal is held against. */
export type StockBrakes = Parameters<typeof pedalReport>[2]

function stockBrakes(project: Project): StockBrakes {
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
 */
export function pedalFindings(context: Context, stock: StockBrakes = stockBrakes(context.project)): Finding[] {
  const brakes = { front: axleBrake(context, 'front'), rear: axleBrake(context, 'rear') }
  return pedalReport(context, brakes, stock, { brief: true }).findings
}
