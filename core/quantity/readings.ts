import type { Instrument } from './instrument.ts'

export interface Measured {
  /** Mean of the readings, mm. */
  valueMm: number
  /** Standard uncertainty of the mean, mm. */
  uMm: number
  /** Largest less smallest reading, mm. */
  spreadMm: number
  /** Which readings stand apart from the rest; pointed out, never dropped. */
  outliers: number[]
}

/** The instrument's repeatability counts as if it came from so many degrees of freedom. */
const REPEATABILITY_DOF = 5
/** A reading further than this many deviations from the median stands apart (Iglewicz and Hoaglin, 1993). */
const FAR = 3.5
/** Scales a median absolute deviation to a standard deviation of the normal distribution. */
const MAD_TO_SIGMA = 1.4826

/**
 * Value and standard uncertainty of repeated readings: scatter pooled with the instrument's known
 * repeatability, because two equal readings have no scatter, then resolution (rectangular) and limit
 * of error (rectangular) on top (GUM, JCGM 100:2008, 4.2, 4.3.7 and F.2.2.1).
 *
 * @param readings mm, at least one
 * @throws RangeError without a reading
 *
 * @example
 * measuredValue([57.2, 56.8, 57], INSTRUMENTS.straightedge).valueMm // => 57
 */
export function measuredValue(readings: readonly number[], instrument: Omit<Instrument, 'label'>): Measured {
  const n = readings.length
  if (n === 0) throw new RangeError('a measured value needs a reading')
  const valueMm = readings.reduce((sum, one) => sum + one, 0) / n
  const squares = readings.reduce((sum, one) => sum + (one - valueMm) ** 2, 0)
  const pooled = (squares + REPEATABILITY_DOF * instrument.repeatabilityMm ** 2) / (n - 1 + REPEATABILITY_DOF)
  return {
    valueMm,
    uMm: Math.hypot(Math.sqrt(pooled / n), instrument.resolutionMm / Math.sqrt(12), instrument.limitOfErrorMm / Math.sqrt(3)),
    spreadMm: Math.max(...readings) - Math.min(...readings),
    outliers: outliers(readings, instrument.repeatabilityMm),
  }
}

/** What one more figure taken with an instrument is worth, mm. */
export const uOfOneReading = (instrument: Omit<Instrument, 'label'>): number => measuredValue([0], instrument).uMm

function outliers(readings: readonly number[], repeatabilityMm: number): number[] {
  if (readings.length < 3) {
    // two that differ by more than 2.8 deviations cannot both be right (ISO 5725-6, 4.1.4), nor can one tell which is wrong
    const apart = readings.length === 2 && Math.abs(readings[0]! - readings[1]!) > 2.8 * repeatabilityMm
    return apart ? [0, 1] : []
  }
  const middle = median(readings)
  const deviation = Math.max(MAD_TO_SIGMA * median(readings.map((one) => Math.abs(one - middle))), repeatabilityMm)
  return readings.flatMap((one, index) => (Math.abs(one - middle) > FAR * deviation ? [index] : []))
}

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b)
  const half = sorted.length >> 1
  return sorted.length % 2 === 1 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2
}

/**
 * A reading that is the others in inches or in centimetres: a gauge switched to another unit.
 * @returns the factor that would bring it among the others; undefined when nothing is suspicious
 */
export function unitSlip(readingMm: number, othersMm: readonly number[]): number | undefined {
  if (othersMm.length === 0 || readingMm === 0) return undefined
  const middle = median(othersMm)
  if (Math.abs(readingMm - middle) < 0.2 * Math.abs(middle)) return undefined
  return [25.4, 1 / 25.4, 10, 0.1].find((factor) => Math.abs(readingMm * factor - middle) < 0.03 * Math.abs(middle))
}
