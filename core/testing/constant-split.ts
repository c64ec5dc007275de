import type { BestDeceleration } from '../balance/maths/constant-split.ts'

/** Closed forms of a constant split (T. Gillespie, Fundamentals of Vehicle Dynamics, ch. 3): what the product must agree with. */

/**
 * Deceleration at which both axles would lock together, g: z_crit = (beta - phi) / chi. Below it the
 * front locks first. Not above zero: the rear locks first at every deceleration.
 *
 * @param frontShare beta, share of the force at the road
 * @param staticFront phi, front share of the mass standing still
 * @param chi height of the centre of gravity over wheelbase
 */
export function criticalDecelG(frontShare: number, staticFront: number, chi: number): number {
  return (frontShare - staticFront) / chi
}

/** The best a constant split does on a friction without locking an axle. Equal: the rear counts. */
export function bestDeceleration(frontShare: number, staticFront: number, chi: number, friction: number): BestDeceleration {
  const limit = (above: number, below: number) => (below > 0 ? above / below : Infinity)
  const front = limit(friction * staticFront, frontShare - friction * chi)
  const rear = limit(friction * (1 - staticFront), 1 - frontShare + friction * chi)
  const decelG = Math.min(front, rear)
  return { friction, decelG, axle: front < rear ? 'front' : 'rear', efficiency: decelG / friction }
}
