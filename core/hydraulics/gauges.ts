import { boreAreaMm2 } from './system.ts'

/** A front and a rear pressure read at one pedal effort, MPa. */
export type PressurePair = readonly [frontMpa: number, rearMpa: number]

/**
 * The balance bar's front share from pressure pairs, by the rear-over-front slope through the origin (least squares).
 * From P_f = x F / A_f and P_r = (1 - x) F / A_r follows x = 1 / (1 + s A_r / A_f).
 *
 * @param frontBoreMm, rearBoreMm of the two cylinders
 * @returns 0 to 1; undefined without a pair that has front pressure
 */
export function barShareFromGauges(pairs: readonly PressurePair[], frontBoreMm: number, rearBoreMm: number): number | undefined {
  const squares = pairs.reduce((sum, [front]) => sum + front * front, 0)
  if (!(squares > 0)) return undefined
  const slope = pairs.reduce((sum, [front, rear]) => sum + front * rear, 0) / squares
  return 1 / (1 + (slope * boreAreaMm2(rearBoreMm)) / boreAreaMm2(frontBoreMm))
}

export interface GaugeFit {
  /** Rear over front below the knee. */
  slope: number
  /** Rear at no front pressure, MPa. */
  interceptMpa: number
  /** Scatter of the readings about the line, MPa. */
  sigmaMpa: number
  /** Rear pressure at the valve's knee, MPa, and rear over front beyond it. */
  knee: { rearMpa: number; slope: number } | undefined
  /** The intercept is further from zero than the scatter explains. */
  offset: boolean
  /** Low readings lie below the line of the high ones: air that is pressed together first. */
  air: boolean
}

interface Line {
  slope: number
  intercept: number
  /** Sum of squares left. */
  rest: number
  /** Scatter, MPa, never below what gauges scatter anyway. */
  sigma: number
  /** Standard uncertainty of the line at a front pressure, MPa. */
  uAt(frontMpa: number): number
}

/** Two gauges read to 0.02 MPa scatter so much about a line, MPa: readings that happen to scatter less prove no more. */
const SCATTER_MPA = 0.03

/** Ordinary least squares (C. Montgomery et al., Introduction to Linear Regression Analysis, ch. 2). */
function fitLine(pairs: readonly PressurePair[]): Line {
  const n = pairs.length
  const mx = pairs.reduce((sum, [x]) => sum + x, 0) / n
  const my = pairs.reduce((sum, [, y]) => sum + y, 0) / n
  const sxx = pairs.reduce((sum, [x]) => sum + (x - mx) ** 2, 0)
  const slope = sxx > 0 ? pairs.reduce((sum, [x, y]) => sum + (x - mx) * (y - my), 0) / sxx : 0
  const intercept = my - slope * mx
  const rest = pairs.reduce((sum, [x, y]) => sum + (y - intercept - slope * x) ** 2, 0)
  const sigma = Math.max(n > 2 ? Math.sqrt(rest / (n - 2)) : 0, SCATTER_MPA)
  return { slope, intercept, rest, sigma, uAt: (x) => (sxx > 0 ? sigma * Math.sqrt(1 / n + (x - mx) ** 2 / sxx) : Infinity) }
}

/** So many times its uncertainty something must stand off before it is said. */
const PROOF = 4
/** Two lines must leave so many squares of the scatter less than one does, and turn by this much, to be a knee. */
const KNEE_PROOF = 25
const KNEE_TURN = 0.15

/**
 * Slope, offset and knee from pressure pairs: one line, or two where the valve takes hold; the knee is where they meet.
 * A valve makes the line bend down towards high pressures, air makes it bend up from the low ones.
 *
 * @returns undefined with fewer than three pairs at different pressures
 */
export function fitGauges(pairs: readonly PressurePair[]): GaugeFit | undefined {
  const sorted = [...pairs].sort((a, b) => a[0] - b[0])
  if (sorted.length < 3 || sorted[0]![0] === sorted.at(-1)![0]) return undefined
  const one = fitLine(sorted)
  let below = one
  let used: readonly PressurePair[] = sorted
  let knee: GaugeFit['knee']
  let best = Infinity
  for (let split = 3; split <= sorted.length - 3; split += 1) {
    const low = fitLine(sorted.slice(0, split))
    const high = fitLine(sorted.slice(split))
    const rest = low.rest + high.rest
    const scatter = Math.max(rest / Math.max(1, sorted.length - 4), SCATTER_MPA ** 2)
    if (rest >= best || one.rest - rest < KNEE_PROOF * scatter || high.slope > low.slope - KNEE_TURN || high.slope < 0) continue
    best = rest
    below = low
    used = sorted.slice(0, split)
    const atFront = (high.intercept - low.intercept) / (low.slope - high.slope)
    knee = { rearMpa: low.intercept + low.slope * atFront, slope: high.slope / low.slope }
  }
  const sigmaMpa = used.length > 2 ? Math.sqrt(below.rest / (used.length - 2)) : 0
  const doubt = PROOF * below.uAt(0)
  const air = below.intercept < -doubt || bends(used)
  return {
    slope: below.slope,
    interceptMpa: below.intercept,
    sigmaMpa,
    knee,
    offset: Math.abs(below.intercept) > doubt && !bends(used),
    air,
  }
}

/** Whether the first reading lies below the line of the others by more than they scatter, and that line starts at nothing. */
function bends(sorted: readonly PressurePair[]): boolean {
  if (sorted.length < 4) return false
  const [[front, rear], ...rest] = sorted as [PressurePair, ...PressurePair[]]
  const line = fitLine(rest)
  const lag = line.intercept + line.slope * front - rear
  return lag > PROOF * Math.hypot(line.uAt(front), line.sigma) && line.intercept < PROOF * line.uAt(0)
}
