export interface BestDeceleration {
  friction: number
  /** Largest deceleration with no wheel locked, g. */
  decelG: number
  /** The axle that limits. */
  axle: 'front' | 'rear'
  /** decelG over friction. */
  efficiency: number
}

/** The front share with which both axles use the same adhesion at a deceleration: phi + z chi. */
export const idealFrontShare = (staticFront: number, chi: number, decelG: number): number => staticFront + decelG * chi
