import { idealFrontShare } from './constant-split.ts'
import type { Mass } from '../../hydraulics/maths/mass.ts'

/** Forces of both axles over the weight of the car. */
export type ForcePoint = [front: number, rear: number]

/**
 * The ideal curve: rear over front force with which both axles use the same friction, each over the weight, from 0 to the
 * deceleration at which the rear has no load left. (T. Gillespie, Fundamentals of Vehicle Dynamics, ch. 3.)
 */
export function idealCurve({ staticFront, cgHeightMm, wheelbaseMm }: Mass, toG: number, points = 60): ForcePoint[] {
  const chi = cgHeightMm / wheelbaseMm
  const last = Math.min(toG, (1 - staticFront) / chi)
  return Array.from({ length: points + 1 }, (_, i) => {
    const z = (last * i) / points
    const share = idealFrontShare(staticFront, chi, z)
    return [z * share, z * (1 - share)]
  })
}

/**
 * The lock lines of a friction k: where the front locks, F_f (1 - k chi) = k (phi + chi F_r); where the rear locks,
 * F_r (1 + k chi) = k (1 - phi - chi F_f). All over the weight; they meet on the ideal curve at z = k.
 *
 * Where k chi is 1 or more the front cannot lock, however hard it is braked: the rear lifts first, and there is no line.
 */
export function lockLines(
  { staticFront, cgHeightMm, wheelbaseMm }: Mass,
  friction: number,
): { front: [ForcePoint, ForcePoint] | undefined; rear: [ForcePoint, ForcePoint] } {
  const chi = cgHeightMm / wheelbaseMm
  const front = (rear: number) => (friction * (staticFront + chi * rear)) / (1 - friction * chi)
  const rear = (frontForce: number) => Math.max(0, (friction * (1 - staticFront - chi * frontForce)) / (1 + friction * chi))
  const far = (1 - staticFront) / chi
  const meetRear = friction * (1 - staticFront - chi * friction)
  return {
    front:
      friction * chi < 1
        ? [
            [front(0), 0],
            [front(Math.max(meetRear * 1.6, 0.1)), Math.max(meetRear * 1.6, 0.1)],
          ]
        : undefined,
    rear: [
      [0, rear(0)],
      [Math.min(far, 1.6), rear(Math.min(far, 1.6))],
    ],
  }
}
