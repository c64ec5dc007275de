import type { PartOf } from '../../records/part.ts'
import type { RuleInputs } from '../rule-inputs.ts'

/** A radius of a caliper as it stands on this car, mm: from the hub as taken, or from the mount, and what a bracket lifts it by. */
export function mountedRadius(
  look: RuleInputs,
  caliper: PartOf<'caliper'> | undefined,
  field: 'padTopRadiusMm' | 'bridgeRadiusMm' | 'bodyRadiusMm',
): number | undefined {
  const own = look.of(caliper, field)
  const frame = look.wordOf(caliper, 'frame')
  if (frame === undefined) return undefined
  if (frame === 'seat') {
    const fitted = look.part('bracket')
    // nothing stands under it, and nothing is said to have stood there when it was taken
    if (fitted === null && !caliper?.takenWithLiftMm) return own
    const then = look.of(caliper, 'takenWithLiftMm')
    const lift = fitted === null ? 0 : look.of(fitted, 'radialMm')
    return own === undefined || lift === undefined || then === undefined ? undefined : own + lift - then
  }
  const bracket = look.part('bracket')
  const mount = look.car('mountRadiusMm')
  const lift = bracket === null ? 0 : look.of(bracket, 'radialMm')
  return own === undefined || mount === undefined || lift === undefined ? undefined : own + mount + lift
}
