import { AXLES } from '../model/project.ts'
import { hydraulicsOf } from './hydraulics-of.ts'
import { systemOf } from './brake-system.ts'
import { axleBrake } from './brake.ts'
import type { Context } from './context.ts'
import { pedalReport } from './pedal.ts'
import type { Finding } from './types.ts'
import { Working } from './working.ts'

/** The findings of pedal and balance alone, for changes that are tried out. */
export function pedalFindings(context: Context): Finding[] {
  const { project } = context
  const { calibration, brakes, context: stock } = hydraulicsOf(project, project.setups[0].id)
  const [front, rear] = AXLES.map((axle) => brakes[axle].pistonArea.value)
  const own = { front: axleBrake(context, 'front'), rear: axleBrake(context, 'rear') }
  return pedalReport(context, own, {
    area: front === undefined || rear === undefined ? undefined : front + rear,
    system: systemOf(new Working(), stock, brakes),
    calibration,
  }).findings
}
