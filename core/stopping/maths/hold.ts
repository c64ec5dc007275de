/** A car held on the line against its own drive. */
export interface Hold {
  /** Torque that both wheels of the axle are held against. */
  axleTorqueNm: number
  /** A second pair is fitted to some cars. */
  calipersPerWheel: number
  frictionCold: number
  effectiveRadiusMm: number
  /** One side of one caliper. */
  pistonAreaMm2: number
  sealMpa: number
  /** What the foot gives. */
  pressureAtFootMpa: number
}
export interface HoldResult {
  /** Of one caliper on each pad. */
  clampN: number
  pressureMpa: number
  enough: boolean
  /** How much more than needed the foot gives, as a share of what is needed; negative: too little. */
  marginShare: number
}

/**
 * Clamp and pressure that hold an axle: N = T / (2 wheels · 2 faces · calipers · μ · r_e), p = N / A + seal (R. Limpert,
 * Brake Design and Safety, ch. 2).
 */
export function holdOnLine(hold: Hold): HoldResult {
  const { axleTorqueNm, calipersPerWheel, frictionCold, effectiveRadiusMm, pistonAreaMm2, sealMpa, pressureAtFootMpa } = hold
  const clampN = axleTorqueNm / (2 * 2 * calipersPerWheel * frictionCold * (effectiveRadiusMm / 1000))
  const pressureMpa = clampN / pistonAreaMm2 + sealMpa
  return { clampN, pressureMpa, enough: pressureAtFootMpa >= pressureMpa, marginShare: (pressureAtFootMpa - pressureMpa) / pressureMpa }
}
