/** Mass of a car and where it acts: what turns brake forces into deceleration. */
export interface Mass {
  massKg: number
  /** Front share standing still. */
  staticFront: number
  cgHeightMm: number
  wheelbaseMm: number
}
