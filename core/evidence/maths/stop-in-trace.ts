import { brakeApplication } from './brake-application.ts'
import { STANDARD_GRAVITY } from '../../quantity/units.ts'
import type { SpeedSample } from './stop-run.ts'

type StopInTrace =
  /** `uStartM`: half of the 95% range of where the brake was applied, m. */
  { ok: true; samples: SpeedSample[]; uStartM: number } | { ok: false; message: string }

/** From such a deceleration on the foot is on the brake, m/s2: above the noise of a wheel sensor. */
const BRAKING_MS2 = 2.5
/** Below it a car counts as standing, km/h: wheel sensors see no less. */
const STANDS_KMH = 1.5
/** Deceleration is looked at over so long, s: shorter is the noise of a logger. */
const WINDOW_S = 0.2
/** Braking is looked for over so long, s: noise makes no slope of it. */
const SHOWS_S = 0.6
/** Before the mean over a window shows braking it has begun by no more than this, s. */
const BEFORE_S = 0.3
/** So long before that the car is looked at as it rolls, s. */
const ROLLS_S = 1.5
/** So long after it brakes in full, whatever the build-up, s. */
const BRAKES_S = 1.5
/** A start that is less certain makes no distance, m. */
const MOST_START_M = 2
/** A foot that lets go for longer has ended a stop, s. */
const LETS_GO_S = 0.4
/** No sample for longer is a hole, s. */
const HOLE_S = 0.5
/** No tyre does more: what was measured was a wheel that locked, g. */
const LOCKED_G = 1.8
/** Slower than that is no stop that says anything, km/h. */
const LEAST_KMH = 20

/**
 * The stop to a stand in a trace: from where the brake is applied to where the car stands.
 * @param points seconds and km/h, times rising
 * @returns samples with the time at 0 where the brake is applied; or why it is no stop that can be used
 */
export function stopInTrace(points: readonly SpeedSample[]): StopInTrace {
  const refuse = (message: string): StopInTrace => ({ ok: false, message })
  if (points.length < 5) return refuse(`It holds ${points.length} samples: too few for a stop.`)
  const fast = points.reduce((best, [, kmh], i) => (kmh > points[best]![1] ? i : best), 0)
  const stands = points.findIndex(([, kmh], i) => i > fast && kmh <= STANDS_KMH)
  if (stands < 0) return refuse('The car does not stop in this trace.')
  const falls = smoothed(points, WINDOW_S)
  const shows = slopes(points, Math.max(SHOWS_S, 5 * everyS(points)))
  // back from the stand, over moments in which the foot lets go
  let begin = stands
  for (let i = stands; i >= 0; i -= 1) {
    if (shows[i]! >= BRAKING_MS2) begin = i
    else if (points[begin]![0] - points[i]![0] > LETS_GO_S) break
  }
  if (begin === stands) return refuse('Nothing brakes in it: the speed falls slowly.')
  const shownS = points[begin]![0]
  const rolled = points.filter(([seconds]) => seconds > shownS - ROLLS_S && seconds < shownS - BEFORE_S)
  if (rolled.length < 2) return refuse('It begins while the car brakes already: a late trigger. The distance would be too short.')
  const near = points.filter(([seconds], i) => seconds > shownS - ROLLS_S && seconds < shownS + BRAKES_S && i < stands)
  const applied = brakeApplication(near, [Math.max(near[0]![0], shownS - ROLLS_S + BEFORE_S), shownS + SHOWS_S / 2 + BEFORE_S])
  if (!applied) return refuse('Nothing brakes in it: the speed falls slowly.')
  const { atS: startS, kmh: rollsKmh } = applied
  const uStartM = (rollsKmh / 3.6) * applied.halfS
  // the application itself falls between two samples
  const stop: SpeedSample[] = [[startS, rollsKmh], ...points.slice(0, stands + 1).filter(([seconds]) => seconds > startS + 1e-9)]
  const hole = stop.findIndex(([seconds], i) => i > 0 && seconds - stop[i - 1]![0] > HOLE_S)
  if (hole > 0)
    return refuse(`No sample for ${(stop[hole]![0] - stop[hole - 1]![0]).toFixed(1)} s while it brakes: the logger dropped out.`)
  if (stop.length < 5) return refuse(`Braking holds ${stop.length} samples: too few for a distance.`)
  if (Math.max(...falls.slice(begin, stands + 1)) > LOCKED_G * STANDARD_GRAVITY)
    return refuse(`The speed falls by more than ${LOCKED_G} g: the measured wheel locked.`)
  if (stop[0]![1] < LEAST_KMH) return refuse(`It begins at ${stop[0]![1].toFixed(0)} km/h: too slow to evaluate.`)
  if (uStartM > MOST_START_M)
    return refuse(
      `Where the brake was applied is known to \u00b1 ${uStartM.toFixed(1)} m only, ${MOST_START_M} m allowed. Log the speed more often, or with less scatter.`,
    )
  return { ok: true, uStartM, samples: ending(stop.map(([seconds, kmh]) => [seconds - stop[0]![0], kmh])) }
}

/** Deceleration over a window around each sample, m/s2. */
function smoothed(points: readonly SpeedSample[], windowS: number): number[] {
  let [from, to] = [0, 0]
  return points.map(([at]) => {
    while (points[from]![0] < at - windowS / 2 - 1e-9) from += 1
    while (to + 1 < points.length && points[to + 1]![0] <= at + windowS / 2 + 1e-9) to += 1
    const [a, b] = [points[Math.max(0, Math.min(from, to - 1))]!, points[Math.max(to, Math.min(from + 1, points.length - 1))]!]
    return b[0] > a[0] ? (a[1] - b[1]) / 3.6 / (b[0] - a[0]) : 0
  })
}
/** Deceleration by a straight line through the samples of a window around each, m/s2. */
function slopes(points: readonly SpeedSample[], windowS: number): number[] {
  let [from, to] = [0, 0]
  return points.map(([at]) => {
    while (points[from]![0] < at - windowS / 2 - 1e-9) from += 1
    while (to + 1 < points.length && points[to + 1]![0] <= at + windowS / 2 + 1e-9) to += 1
    let [n, t1, t2, v1, tv] = [0, 0, 0, 0, 0]
    for (let i = from; i <= to; i += 1) {
      const t = points[i]![0] - at
      n += 1
      t1 += t
      t2 += t * t
      v1 += points[i]![1]
      tv += t * points[i]![1]
    }
    const spread = n * t2 - t1 * t1
    return spread > 1e-12 ? -(n * tv - t1 * v1) / spread / 3.6 : 0
  })
}

/** The usual time between two samples, s. */
function everyS(points: readonly SpeedSample[]): number {
  const steps = points.slice(1).map(([seconds], i) => seconds - points[i]![0])
  return steps.sort((a, b) => a - b)[Math.floor(steps.length / 2)]!
}
/** The stand is the end, whatever a sensor still sees. */
const ending = (samples: [number, number][]): SpeedSample[] =>
  samples.map(([seconds, kmh], i) => [seconds, i === samples.length - 1 ? 0 : kmh])

/** As many samples as a project keeps of a stop, evenly. */
export function thinnedTrace(samples: readonly SpeedSample[], most = 400): SpeedSample[] {
  const every = Math.ceil(samples.length / most)
  return samples.filter((_, i) => i % every === 0 || i === samples.length - 1)
}
