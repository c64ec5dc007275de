import type { PartOf } from '../../model/project.ts'
import type { Look } from '../look.ts'

/** A radius of a caliper as it stands on this car, mm: from the hub as taken, or from the mount with what lifts it. */
export function mountedRadius(
  look: Look,
  caliper: PartOf<'caliper'> | undefined,
  field: 'padTopRadiusMm' | 'bridgeRadiusMm' | 'bodyRadiusMm',
): number | undefined {
  const own = look.of(caliper, field)
  const frame = look.wordOf(caliper, 'frame')
  if (frame !== 'mount') return frame === undefined ? undefined : own
  const bracket = look.part('bracket')
  const mount = look.car('mountRadiusMm')
  const lift = bracket === null ? 0 : look.of(bracket, 'radialMm')
  return own === undefined || mount === undefined || lift === undefined ? undefined : own + mount + lift
}
