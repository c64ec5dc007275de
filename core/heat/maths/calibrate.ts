/** A figure that a reading speaks of: how far off the usual, and how sure that is. */
export interface CalibrationScale {
  /** Times the figure that is usual. */
  by: number
  /** Share either way. */
  doubt: number
}

/** What the model gives for a factor on one figure, and what was read, degC. */
interface CalibrationAsked {
  /** Temperature at the place and moment of the reading with the figure times a factor; rises or falls throughout. */
  at: (factor: number) => number
  readC: number
  /** Standard uncertainty of the reading, degC. */
  readU: number
  /** What the other doubts of the model make of that temperature, degC. */
  otherU: number
  /** What was known of the factor before. */
  prior: CalibrationScale
}
export type Calibrated =
  | { ok: true; scale: CalibrationScale }
  /** No factor that is at all likely makes this reading: it, or something else that was entered, is wrong. */
  | { ok: false; nearestC: number }

/** A factor beyond these was never seen on a brake: three standard deviations of the widest doubt. */
const FACTORS = { least: 0.3, most: 3 } as const

/**
 * Puts one reading beside what was known: both weighted by what they are sure of, on the logarithm of the factor
 * (A. Gelman et al., Bayesian Data Analysis, ch. 2.5: normal with known variance).
 */
export function calibrate({ at, readC, readU, otherU, prior }: CalibrationAsked): Calibrated {
  const [low, high] = [at(FACTORS.least), at(FACTORS.most)]
  const rises = high > low
  const [bottom, top] = rises ? [low, high] : [high, low]
  if (readC < bottom || readC > top) return { ok: false, nearestC: readC < bottom ? bottom : top }
  let [from, to] = [Math.log(FACTORS.least), Math.log(FACTORS.most)]
  for (let i = 0; i < HALVINGS; i += 1) {
    const middle = (from + to) / 2
    if (at(Math.exp(middle)) < readC === rises) from = middle
    else to = middle
  }
  const found = (from + to) / 2
  const slope = (at(Math.exp(found + STEP)) - at(Math.exp(found - STEP))) / (2 * STEP)
  const readLn = Math.hypot(readU, otherU) / Math.max(Math.abs(slope), 1e-9)
  const [wasLn, was] = [Math.log(prior.by), Math.log(1 + prior.doubt)]
  const weights = [1 / was ** 2, 1 / readLn ** 2] as const
  const sum = weights[0] + weights[1]
  const ln = (wasLn * weights[0] + found * weights[1]) / sum
  return { ok: true, scale: { by: Math.exp(ln), doubt: Math.exp(Math.sqrt(1 / sum)) - 1 } }
}
const HALVINGS = 12
const STEP = 0.05
