import { bisect } from '../maths/bisect.ts'
import { leastSquares } from '../maths/least-squares.ts'
import { boreAreaMm2, type BrakeSystem } from './system.ts'
import { chain } from './chain.ts'

/** A front and a rear pressure read at one pedal effort, MPa. */
export type PressurePair = readonly [frontMpa: number, rearMpa: number]

/** Rear over front by least squares through the origin; undefined without a pair that has front pressure. */
export function slopeThroughOrigin(pairs: readonly PressurePair[]): number | undefined {
  const squares = pairs.reduce((sum, [front]) => sum + front * front, 0)
  return squares > 0 ? pairs.reduce((sum, [front, rear]) => sum + front * rear, 0) / squares : undefined
}

/** The balance bar's front share from rear over front: with P_f = x F / A_f and P_r = (1 - x) F / A_r it is 1 / (1 + s A_r / A_f). */
export const barShareOfSlope = (slope: number, frontBoreMm: number, rearBoreMm: number): number =>
  1 / (1 + (slope * boreAreaMm2(rearBoreMm)) / boreAreaMm2(frontBoreMm))

/**
 * The balance bar's front share from pressure pairs, by the rear-over-front slope through the origin (least squares).
 *
 * @param frontBoreMm, rearBoreMm of the two cylinders
 * @returns 0 to 1; undefined without a pair that has front pressure
 */
export function barShareFromGauges(pairs: readonly PressurePair[], frontBoreMm: number, rearBoreMm: number): number | undefined {
  const slope = slopeThroughOrigin(pairs)
  return slope === undefined ? undefined : barShareOfSlope(slope, frontBoreMm, rearBoreMm)
}

/** What bends or moves the straight line that two circuits of one pedal give. */
export type GaugeFault = 'none' | 'offset' | 'lag'

export interface GaugeFit {
  /** Rear over front below the knee, and its standard uncertainty. */
  slope: number
  uSlope: number
  fault: GaugeFault
  /** Two causes explain the readings alike: which of them cannot be said. */
  undecided: boolean
  /** Rear at no front pressure, MPa; 0 where no zero is off. */
  interceptMpa: number
  /** Rear pressure at the valve's knee, with its uncertainty, MPa, and rear over front beyond it against below. */
  knee: { rearMpa: number; uMpa: number; slope: number } | undefined
}

/** One gauge scatters so much about the truth, MPa: readings that happen to scatter less prove no more. */
const SCATTER_MPA = 0.02
/** What one more number of a line must explain before it is believed: some 2.6 standard deviations, squared. */
const PROOF = 6.6
/** A place that is searched for may be found by chance in many places. */
const SEARCHED = 6
/** What a knee must explain more where no valve is thought to be. */
const UNEXPECTED = 8
/** Zeros that are further off than this are rarer and rarer, MPa. */
const LIKELY_OFFSET_MPA = 0.5
/** A bend has one number more than a step, but may lie in few places. */
const BENT = 3
/** Two explanations nearer than this cannot be told apart. */
const APART = 1
/** A rear this near to nothing may stand on its stop, MPa. */
const AT_REST_MPA = 0.06
/** Beyond the knee the rear rises at least by this part less. */
const TURN = 0.15

interface Shape {
  fault: GaugeFault
  kinked: boolean
  /** Numbers to be found, and how many of them are searched. */
  costs: number
  needs: number
}
const SHAPES: readonly Shape[] = [
  { fault: 'none', kinked: false, costs: 0, needs: 3 },
  { fault: 'offset', kinked: false, costs: PROOF, needs: 3 },
  { fault: 'none', kinked: true, costs: PROOF + SEARCHED, needs: 5 },
  { fault: 'offset', kinked: true, costs: 2 * PROOF + SEARCHED, needs: 6 },
  { fault: 'lag', kinked: false, costs: PROOF + BENT, needs: 4 },
  { fault: 'lag', kinked: true, costs: 2 * PROOF + SEARCHED + BENT, needs: 7 },
]

interface Found extends Shape {
  chi2: number
  slope: number
  uSlope: number
  intercept: number
  kneeFrontMpa: number
  turn: number
}

/**
 * What gauges say, by which of a few shapes explains the readings best: a straight line through nothing; one that a gauge
 * off its zero has moved; one whose low end lags behind and catches up (air that is pressed together between pump and
 * gauge); each with or without the knee of a valve. A shape with more numbers must explain more than chance would
 * (chi-square with the scatter of the gauges; W. H. Press et al., Numerical Recipes, ch. 15). A straight line that
 * misses zero is never air: air needs a bend.
 *
 * @param pairs in any order; one taken at rest says most of a zero
 * @param options.valve whether one is thought to be there: a knee that nobody expects must be plainer
 * @returns undefined with fewer than three pairs, or all at one pressure
 */
export function fitGauges(pairs: readonly PressurePair[], { valve = true }: { valve?: boolean } = {}): GaugeFit | undefined {
  const fronts = pairs.map(([front]) => front)
  const [low, high] = [Math.min(...fronts), Math.max(...fronts)]
  if (pairs.length < 3 || high - low < 1e-9) return undefined
  const found = SHAPES.filter((shape) => pairs.length >= shape.needs).flatMap((shape) => bestOf(shape, pairs) ?? [])
  if (found.length === 0) return undefined
  // readings that scatter more than gauges do prove less
  const least = found.reduce((a, b) => (b.chi2 < a.chi2 ? b : a))
  const scale = Math.max(1, least.chi2 / Math.max(1, pairs.length - 2 - least.costs / PROOF))
  const worth = (one: Found) =>
    one.chi2 / scale + one.costs + (one.kinked && !valve ? UNEXPECTED : 0) + (one.intercept / LIKELY_OFFSET_MPA) ** 2
  const [first, ...rest] = [...found].sort((a, b) => worth(a) - worth(b))
  const best = first!
  const rival = rest.find((one) => one.fault !== best.fault)
  return {
    slope: best.slope,
    uSlope: best.uSlope * Math.sqrt(scale),
    fault: best.fault,
    undecided: best.fault !== 'none' && rival !== undefined && rival.fault !== 'none' && worth(rival) - worth(best) < APART,
    interceptMpa: best.fault === 'offset' ? best.intercept : 0,
    knee: best.kinked
      ? {
          rearMpa: best.slope * best.kneeFrontMpa + (best.fault === 'offset' ? best.intercept : 0),
          uMpa: kneeDoubt(best, scale),
          slope: 1 + best.turn / best.slope,
        }
      : undefined,
  }
}

/** The knee lies where two lines meet: the doubt of their heights over the difference of their slopes, MPa. */
const kneeDoubt = ({ slope, turn }: Found, scale: number): number =>
  (slope * SCATTER_MPA * Math.sqrt(1 + slope * slope) * Math.sqrt(scale)) / Math.abs(turn)

/** A shape where it fits best: knee and decay are sought, all else is a linear least-squares fit. */
function bestOf(shape: Shape, pairs: readonly PressurePair[]): Found | undefined {
  // a needle on its stop reads nothing, whatever it would read below: such pairs are held against the line, not fitted
  const moving = pairs.filter(([, rear]) => rear > AT_REST_MPA).sort((x, y) => x[0] - y[0])
  if (moving.length < 2) return undefined
  const at = (kneeFrontMpa: number, decayMpa: number | undefined) => fitAt(shape, pairs, moving, kneeFrontMpa, decayMpa)
  const better = (one: Found | undefined, other: Found | undefined) => (!one || (other && other.chi2 < one.chi2) ? other : one)
  const overKnees = (decayMpa: number | undefined) =>
    (shape.kinked ? kneesOf(moving, shape.fault !== 'none') : [Infinity])
      .map((knee) => at(knee, decayMpa))
      .reduce<Found | undefined>(better, undefined)
  if (shape.fault !== 'lag') return overKnees(undefined)
  let best: Found | undefined
  let bestDecay: number = DECAYS_MPA[0]
  const take = (found: Found | undefined, decay: number): boolean => {
    if (!found || (best && found.chi2 >= best.chi2)) return false
    ;[best, bestDecay] = [found, decay]
    return true
  }
  for (const decay of DECAYS_MPA) take(overKnees(decay), decay)
  // from the nearest of the places looked at, step by smaller step
  for (let share = 0.25; best && share > 0.01; share /= 2)
    for (const [knee, decay] of [
      [1, 1 + share],
      [1, 1 - share],
      ...(shape.kinked
        ? ([
            [1 + share / 2, 1],
            [1 - share / 2, 1],
          ] as const)
        : []),
    ] as const)
      if (bestDecay * decay <= MOST_DECAY_MPA) take(at(best.kneeFrontMpa * knee, bestDecay * decay), bestDecay * decay)
  return best
}

/** Over how much front pressure a lag dies away, MPa: air is pressed together by little. */
const DECAYS_MPA = [0.25, 0.4, 0.6, 0.9, 1.2] as const
const MOST_DECAY_MPA = 1.3

/**
 * Where two lines may meet. For each place at which the readings can be parted the lines through both parts are fitted
 * by themselves; they meet at the knee, or it lies at the reading next to it (D. Hudson, Fitting segmented curves, 1966).
 */
function kneesOf(sorted: readonly PressurePair[], free: boolean): number[] {
  const knees = new Set<number>()
  for (let split = 2; split <= sorted.length - 2; split += 1) {
    const [from, to] = [sorted[split - 1]![0], sorted[split]![0]]
    const below = leastSquares(free ? [(x) => x, () => 1] : [(x) => x], sorted.slice(0, split))
    const beyond = leastSquares([(x) => x, () => 1], sorted.slice(split))
    if (!below || !beyond) continue
    const meet = (beyond.values[1]! - (below.values[1] ?? 0)) / (below.values[0]! - beyond.values[0]!)
    knees.add(Number.isFinite(meet) ? Math.min(to, Math.max(from, meet)) : from)
  }
  return [...knees]
}

function fitAt(
  shape: Shape,
  pairs: readonly PressurePair[],
  moving: readonly PressurePair[],
  kneeFrontMpa: number,
  decayMpa: number | undefined,
): Found | undefined {
  const columns = [
    (x: number) => x,
    ...(shape.fault === 'offset' ? [() => 1] : []),
    ...(decayMpa === undefined ? [] : [(x: number) => -Math.exp(-x / decayMpa)]),
    ...(shape.kinked ? [(x: number) => Math.max(0, x - kneeFrontMpa)] : []),
  ]
  const fit = leastSquares(columns, moving)
  const slope = fit?.values[0] ?? 0
  if (!fit || !(slope > 0)) return undefined
  const turn = shape.kinked ? fit.values.at(-1)! : 0
  if (shape.kinked && (turn > -TURN * slope || turn < -slope * 1.05)) return undefined
  if (decayMpa !== undefined && !(fit.values[1]! > 0)) return undefined
  const variance = SCATTER_MPA ** 2
  let chi2 = 0
  for (const [x, y] of pairs) {
    const said = columns.reduce((sum, column, i) => sum + fit.values[i]! * column(x), 0)
    // the scatter of the front gauge counts as the line is steep there
    const steep = slope + (x > kneeFrontMpa ? turn : 0)
    chi2 += (y - Math.max(0, said)) ** 2 / (variance * (1 + steep * steep))
  }
  const uSlope = Math.sqrt(variance * (1 + slope * slope) * fit.inverse00)
  return { chi2, slope, uSlope, intercept: shape.fault === 'offset' ? fit.values[1]! : 0, kneeFrontMpa, turn, ...shape }
}

/** Of a valve's knee, parts at which a session reads below it; the rear beyond it, MPa. */
const BELOW = [0, 0.08, 0.1, 0.12, 0.15, 0.18, 0.22, 0.27, 0.33, 0.39, 0.46, 0.55, 0.67, 0.8, 0.92] as const
const BEYOND_MPA = [0.3, 0.7, 1.1, 1.6, 2.2] as const
/** Without a valve: parts of the hardest reading. */
const EVENLY = [0, 0.03, 0.05, 0.07, 0.09, 0.11, 0.13, 0.16, 0.19, 0.23, 0.3, 0.4, 0.6, 1] as const
/** As hard as it is read, MPa at the front. */
const HARDEST_MPA = 6

/**
 * Pedal efforts at which a session tells most, N, rising: at rest first, because that shows a zero; enough below the knee
 * to make a line of, and enough beyond it, and beyond where it would be if it were entered wrong by a megapascal.
 *
 * @param mostN as hard as a foot presses
 */
export function effortsToRead(system: BrakeSystem, mostN: number): number[] {
  const effortFor = (wanted: (effortN: number) => number, mpa: number) => {
    return bisect(0, mostN, mostN / 2 ** 40, (effortN) => wanted(effortN) >= mpa)
  }
  const front = (effortN: number) => chain(system, effortN).front.pressureMpa
  const unthrottled = (effortN: number) => chain({ ...system, valve: undefined }, effortN).rear.pressureMpa
  const knee = system.valve?.kneeMpa
  const efforts =
    knee === undefined
      ? EVENLY.map((part) => effortFor(front, part * HARDEST_MPA))
      : [...BELOW.map((part) => effortFor(unthrottled, part * knee)), ...BEYOND_MPA.map((more) => effortFor(unthrottled, knee + more))]
  return [...new Set(efforts.map((one) => (one < 0.5 ? 0 : Math.min(mostN, Math.round(one)))))]
}
