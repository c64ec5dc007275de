import { belongsToOtherAxle } from '../../records/hose-axle.ts'
import type { PartOf } from '../../records/part.ts'
import type { RuleInputs } from '../rule-inputs.ts'
import { sameThread } from './same-thread.ts'

/** Free length that a hose needs for a path at full droop and full lock, mm. */
export const hoseNeededMm = (pathMm: number, share: number, slackMm: number): number => pathMm + Math.max(share * pathMm, slackMm)

/**
 * Hoses of the library that meet both the brake and the car's line and are long enough, the shortest first; those of the
 * other axle are left out. What is not known of brake, line
 * or path is taken to be as on the fitted hose.
 */
export function otherHoses(look: RuleInputs): PartOf<'hose'>[] {
  const { resolved, project, axle } = look.facts
  const [fitted, brake, car] = [resolved.hose, resolved.caliper, project.car[axle]]
  const wanted = {
    caliperThread: brake?.inletThread ?? fitted?.caliperThread,
    caliperSeat: brake?.inletSeat ?? fitted?.caliperSeat,
    lineThread: car.lineThread ?? fitted?.lineThread,
    lineSeat: car.lineSeat ?? fitted?.lineSeat,
  }
  const leastMm = car.hosePathMm
    ? hoseNeededMm(car.hosePathMm.value, look.limit('hoseShare'), look.limit('hoseSlackMm'))
    : (fitted?.lengthMm?.value ?? Infinity)
  return look
    .library('hose')
    .filter(
      (one) =>
        one.id !== fitted?.id &&
        !belongsToOtherAxle(project, one.id, axle) &&
        sameThread(one.caliperThread, wanted.caliperThread) &&
        one.caliperSeat !== undefined &&
        one.caliperSeat === wanted.caliperSeat &&
        sameThread(one.lineThread, wanted.lineThread) &&
        one.lineSeat !== undefined &&
        one.lineSeat === wanted.lineSeat &&
        (one.lengthMm?.value ?? 0) >= leastMm - 1e-9,
    )
    .sort((a, b) => a.lengthMm!.value - b.lengthMm!.value)
}
