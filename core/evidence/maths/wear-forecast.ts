import { meanOf, studentQuantile } from './student.ts'

export interface WearForecastLine {
  /** Wear of an event, mm; below 0 where the readings grow. Of the last readings where wear is speeding up. */
  perEventMm: number
  /** Event at which the minimum is met; undefined where the line never falls. */
  usedUpAt: number | undefined
  /** 90% range of that; `latest` undefined: no end is shown. */
  earliest: number | undefined
  latest: number | undefined
  /** The last readings fall faster than those before, by more than they scatter. */
  speedingUp: boolean
  /** Steps in which the readings were taken, mm. */
  stepMm: number
}

/** Steps of the usual instruments, mm. */
const STEPS_MM = [1, 0.5, 0.25, 0.1, 0.05, 0.02, 0.01] as const
/** Two readings of one place differ by so much, mm (standard deviation): what two readings alone cannot show. */
const REPEATABILITY_MM = 0.15
/** Slope either way at 90%. */
const ONE_SIDE = 0.95

type WearPoints = readonly (readonly [event: number, mm: number])[]

/**
 * The coarsest usual step of which all readings are multiples, mm.
 *
 * @example
 * stepOf([12, 9.5, 8]) // => 0.5
 */
export function stepOf(readingsMm: readonly number[]): number {
  const finest = STEPS_MM[STEPS_MM.length - 1]!
  return STEPS_MM.find((step) => readingsMm.every((one) => Math.abs(one / step - Math.round(one / step)) < 1e-6)) ?? finest
}

/**
 * When a thickness meets its minimum, by a straight line through its readings. The range counts slope and height of the line
 * together (E. C. Fieller, 1954), with the scatter of the readings and at least that of the instrument's steps. Where a bend
 * shows that wear is speeding up, the line goes through the last readings and the range covers both lines.
 *
 * @param points events driven and thickness, mm
 * @throws RangeError for readings of fewer than two different events
 *
 * @example
 * wearForecast([[0, 12], [4, 10], [8, 8]], 4).usedUpAt // => 16
 */
export function wearForecast(points: WearPoints, minimumMm: number): WearForecastLine {
  const sorted = [...points].sort((a, b) => a[0] - b[0])
  const stepMm = stepOf(sorted.map(([, mm]) => mm))
  const whole = lineThrough(sorted, stepMm)
  const all = crossing(whole, minimumMm)
  const speedingUp = bendsDown(sorted, stepMm)
  if (!speedingUp) return { ...all, perEventMm: -whole.slope, speedingUp, stepMm }
  const last = lineThrough(lastTwo(sorted), stepMm)
  const soon = crossing(last, minimumMm)
  return {
    perEventMm: -last.slope,
    usedUpAt: soon.usedUpAt,
    earliest: lesser(soon.earliest, all.earliest),
    latest: soon.latest === undefined || all.latest === undefined ? undefined : Math.max(soon.latest, all.latest),
    speedingUp,
    stepMm,
  }
}
const lesser = (a: number | undefined, b: number | undefined): number | undefined =>
  a === undefined || b === undefined ? (a ?? b) : Math.min(a, b)
/** The readings of the last two events. */
function lastTwo(sorted: WearPoints): WearPoints {
  const events = [...new Set(sorted.map(([event]) => event))].slice(-2)
  return sorted.filter(([event]) => events.includes(event))
}

interface Line {
  slope: number
  x: number
  y: number
  n: number
  sxx: number
  varianceMm2: number
  df: number
}

function lineThrough(points: WearPoints, stepMm: number): Line {
  const [x, y] = [meanOf(points.map(([event]) => event)), meanOf(points.map(([, mm]) => mm))]
  const sxx = points.reduce((sum, [event]) => sum + (event - x) ** 2, 0)
  if (!(sxx > 0)) throw new RangeError('readings of two different events at least')
  const slope = points.reduce((sum, [event, mm]) => sum + (event - x) * (mm - y), 0) / sxx
  const squares = points.reduce((sum, [event, mm]) => sum + (mm - y - slope * (event - x)) ** 2, 0)
  return { slope, x, y, n: points.length, sxx, ...scatter(squares, points.length - 2, stepMm) }
}

/** Scatter about a line: what the readings show, at least what the steps of the instrument make; of too few what is usual. */
function scatter(squares: number, df: number, stepMm: number): { varianceMm2: number; df: number } {
  const steps = stepMm ** 2 / 12
  return df > 0 ? { varianceMm2: Math.max(squares / df, steps), df } : { varianceMm2: steps + REPEATABILITY_MM ** 2, df: MANY }
}
/** Degrees of freedom of what is known beforehand. */
const MANY = 1000

/** Where a line meets the minimum, and where it may: a quadratic in the event. */
function crossing(
  { slope, x, y, n, sxx, varianceMm2, df }: Line,
  minimumMm: number,
): Pick<WearForecastLine, 'usedUpAt' | 'earliest' | 'latest'> {
  const t2 = studentQuantile(ONE_SIDE, df) ** 2 * varianceMm2
  const above = y - minimumMm
  // (above + slope d)^2 = t2 (1/n + d^2/sxx)
  const [a, b, c] = [slope ** 2 - t2 / sxx, 2 * above * slope, above ** 2 - t2 / n]
  const root = b ** 2 - 4 * a * c
  const usedUpAt = slope < 0 ? x - above / slope : undefined
  if (root < 0) return { usedUpAt, earliest: undefined, latest: undefined }
  const [one, two] = [(-b - Math.sqrt(root)) / (2 * a), (-b + Math.sqrt(root)) / (2 * a)].sort((p, q) => p - q) as [number, number]
  if (a > 0 && slope < 0) return { usedUpAt, earliest: x + one, latest: x + two }
  // a slope that may be nothing: no end is shown, and the soonest is the first crossing ahead
  const ahead = [one, two].filter((d) => d > 0)
  return { usedUpAt, earliest: ahead.length > 0 ? x + Math.min(...ahead) : undefined, latest: undefined }
}

/** Whether a bend downwards shows: what the square of the event adds to the line is beyond its own 90% range. */
function bendsDown(sorted: WearPoints, stepMm: number): boolean {
  if (new Set(sorted.map(([event]) => event)).size < 3 || sorted.length < 4) return false
  const x = meanOf(sorted.map(([event]) => event))
  const line = (values: readonly number[]) => {
    const y = meanOf(values)
    const sxx = sorted.reduce((sum, [event]) => sum + (event - x) ** 2, 0)
    const slope = sorted.reduce((sum, [event], i) => sum + (event - x) * (values[i]! - y), 0) / sxx
    return values.map((one, i) => one - y - slope * (sorted[i]![0] - x))
  }
  // what of the square, and of the thickness, no straight line explains
  const [square, rest] = [line(sorted.map(([event]) => (event - x) ** 2)), line(sorted.map(([, mm]) => mm))]
  const sss = square.reduce((sum, one) => sum + one ** 2, 0)
  const bend = square.reduce((sum, one, i) => sum + one * rest[i]!, 0) / sss
  const left = rest.reduce((sum, one, i) => sum + (one - bend * square[i]!) ** 2, 0)
  const { varianceMm2, df } = scatter(left, sorted.length - 3, stepMm)
  return bend < -studentQuantile(ONE_SIDE, df) * Math.sqrt(varianceMm2 / sss)
}
