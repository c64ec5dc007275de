/** Whether two ways to the same length agree: their difference against twice its standard uncertainty. */
export interface Agreement {
  differenceMm: number
  /** Twice the standard uncertainty of the difference, mm. */
  allowedMm: number
  agree: boolean
}

/**
 * @example
 * agreement({ valueMm: 155, uMm: 0.3 }, { valueMm: 155.9, uMm: 0.2 }).agree // => false
 *
 * @example
 * agreement({ valueMm: 4, uMm: 0.3 }, { valueMm: 4.5, uMm: 0.4 }).agree // => true
 */
export function agreement(a: { valueMm: number; uMm: number }, b: { valueMm: number; uMm: number }): Agreement {
  const differenceMm = b.valueMm - a.valueMm
  const allowedMm = 2 * Math.hypot(a.uMm, b.uMm)
  return { differenceMm, allowedMm, agree: Math.abs(differenceMm) <= allowedMm }
}
