export interface BestDeceleration {
  friction: number
  /** Largest deceleration with no wheel locked, g. */
  decelG: number
  /** The axle that limits. */
  axle: 'front' | 'rear'
  /** decelG over friction. */
  efficiency: number
}

/**
 * The front share with which both axles use the same adhesion at a deceleration: phi + z chi.
 *
 * @example
 * idealFrontShare(0.6, 0.2, 0.5) // => 0.7
 */
export const idealFrontShare = (staticFront: number, chi: number, decelG: number): number => staticFront + decelG * chi
