import { meanOf, studentQuantile } from './student.ts'

interface WearLine {
  /** Worn an event, mm; below 0 where it grew. */
  perEventMm: number
  /** Standard error of it; undefined of two readings, which no third one checks. */
  uPerEventMm: number | undefined
  /** Event at which the minimum is met; undefined where it never falls. */
  usedUpAt: number | undefined
  /** 90 % interval of that; `latest` undefined: it may last for ever. */
  earliest: number | undefined
  latest: number | undefined
}

/** Slope either way at 90 %. */
const ONE_SIDE = 0.95

/**
 * A straight line through readings of a thickness, and when it meets the minimum: least squares, slope -+ t s.e. about the
 * centre of the readings (N. R. Draper, H. Smith, Applied Regression Analysis, ch. 1).
 * @param points events driven and thickness, mm
 * @throws RangeError for readings of fewer than two different events
 * @example Math.round(wearLine([[0, 14.13], [4, 10.84], [5, 10.28]], 3).usedUpAt) // => 14
 */
export function wearLine(points: readonly (readonly [event: number, mm: number])[], minimumMm: number): WearLine {
  const [x, y] = [meanOf(points.map(([event]) => event)), meanOf(points.map(([, mm]) => mm))]
  const sxx = points.reduce((sum, [event]) => sum + (event - x) ** 2, 0)
  if (!(sxx > 0)) throw new RangeError('readings of two different events at least')
  const slope = points.reduce((sum, [event, mm]) => sum + (event - x) * (mm - y), 0) / sxx
  const df = points.length - 2
  const off = points.reduce((sum, [event, mm]) => sum + (mm - y - slope * (event - x)) ** 2, 0)
  const uPerEventMm = df > 0 ? Math.sqrt(off / df / sxx) : undefined
  /** By a line through the centre. */
  const meets = (fall: number) => (fall < 0 ? x + (minimumMm - y) / fall : undefined)
  const usedUpAt = meets(slope)
  const reach = uPerEventMm === undefined ? undefined : studentQuantile(ONE_SIDE, df) * uPerEventMm
  const [steep, flat] = reach === undefined ? [undefined, undefined] : [meets(slope - reach), meets(slope + reach)]
  // below the minimum already the steeper line has met it later
  const [earliest, latest] = y >= minimumMm ? [steep, flat] : [flat, steep]
  return { perEventMm: -slope, uPerEventMm, usedUpAt, earliest, latest }
}
