import { STANDARD_GRAVITY } from '../quantity/units.ts'
import type { SpeedSample } from './stop-run.ts'
import { meanOf } from './student.ts'

export type StopInTrace = { ok: true; samples: SpeedSample[] } | { ok: false; message: string }

/** From such a deceleration on the foot is on the brake, m/s2: above the noise of a wheel sensor. */
const BRAKING_MS2 = 2.5
/** Below it a car counts as standing, km/h: wheel sensors see no less. */
const STANDS_KMH = 1.5
/** Deceleration is looked at over so long, s: shorter is the noise of a logger. */
const WINDOW_S = 0.2
/** Before the mean over a window shows braking it has begun by no more than this, s. */
const BEFORE_S = 0.3
/** So long before that the car is looked at as it rolls, s. */
const ROLLS_S = 1
/** Samples about the application that are looked at: before and after the mean shows braking, s. */
const ABOUT_S = [0.6, 0.7] as const
/** How fast pressure may build up, s. */
const BUILDS_UP_S = [0.02, 0.1, 0.15, 0.2, 0.25, 0.3, 0.35] as const
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
  if (stands < 0) return refuse('The car does not come to a stand in it.')
  const falls = smoothed(points)
  // back from the stand, over moments in which the foot lets go
  let begin = stands
  for (let i = stands; i >= 0; i -= 1) {
    if (falls[i]! >= BRAKING_MS2) begin = i
    else if (points[begin]![0] - points[i]![0] > LETS_GO_S) break
  }
  if (begin === stands) return refuse('Nothing brakes in it: the speed falls slowly.')
  const rolled = points.filter(([seconds]) => seconds > points[begin]![0] - ROLLS_S && seconds < points[begin]![0] - BEFORE_S)
  if (rolled.length < 2) return refuse('It begins while the car brakes already: a late trigger. The distance would be too short.')
  const rollsKmh = meanOf(rolled.map(([, kmh]) => kmh))
  const startS = appliedAt(points, rollsKmh, points[begin]![0])
  // the application itself falls between two samples
  const stop: SpeedSample[] = [[startS, rollsKmh], ...points.slice(0, stands + 1).filter(([seconds]) => seconds > startS + 1e-9)]
  const hole = stop.findIndex(([seconds], i) => i > 0 && seconds - stop[i - 1]![0] > HOLE_S)
  if (hole > 0)
    return refuse(`No sample for ${(stop[hole]![0] - stop[hole - 1]![0]).toFixed(1)} s while it brakes: the logger dropped out.`)
  if (stop.length < 5) return refuse(`Braking holds ${stop.length} samples: too few for a distance.`)
  if (Math.max(...falls.slice(begin, stands + 1)) > LOCKED_G * STANDARD_GRAVITY)
    return refuse(`The speed falls by more than ${LOCKED_G} g: the wheel that was measured locked, and the car went on.`)
  if (stop[0]![1] < LEAST_KMH) return refuse(`It begins at ${stop[0]![1].toFixed(0)} km/h: too slow to say anything.`)
  return { ok: true, samples: ending(stop.map(([seconds, kmh]) => [seconds - stop[0]![0], kmh])) }
}

/**
 * When the brake was applied: the start of the build-up that fits the samples about it best, by least squares. Speed is what it
 * was, then falls by a deceleration that grows evenly to its full value.
 * @param shownS where the mean over a window shows braking
 */
function appliedAt(points: readonly SpeedSample[], rollsKmh: number, shownS: number): number {
  const near = points.filter(([seconds]) => seconds > shownS - ABOUT_S[0] && seconds < shownS + ABOUT_S[1])
  let best = { off: Infinity, at: shownS }
  for (const builds of BUILDS_UP_S)
    for (let at = shownS - BEFORE_S; at <= shownS + WINDOW_S / 2; at += 0.01) {
      // fall of the speed for one unit of full deceleration
      const falls = near.map(([seconds]) => {
        const t = seconds - at
        return t <= 0 ? 0 : t < builds ? (t * t) / (2 * builds) : t - builds / 2
      })
      const full = sumOf(near.map(([, kmh], i) => falls[i]! * (rollsKmh - kmh))) / sumOf(falls.map((one) => one * one))
      const off = sumOf(near.map(([, kmh], i) => (rollsKmh - kmh - full * falls[i]!) ** 2))
      if (off < best.off) best = { off, at }
    }
  return best.at
}
const sumOf = (values: readonly number[]) => values.reduce((sum, one) => sum + one, 0)

/** Deceleration over a window around each sample, m/s2. */
function smoothed(points: readonly SpeedSample[]): number[] {
  let [from, to] = [0, 0]
  return points.map(([at]) => {
    while (points[from]![0] < at - WINDOW_S / 2 - 1e-9) from += 1
    while (to + 1 < points.length && points[to + 1]![0] <= at + WINDOW_S / 2 + 1e-9) to += 1
    const [a, b] = [points[Math.max(0, Math.min(from, to - 1))]!, points[Math.max(to, Math.min(from + 1, points.length - 1))]!]
    return b[0] > a[0] ? (a[1] - b[1]) / 3.6 / (b[0] - a[0]) : 0
  })
}
/** The stand is the end, whatever a sensor still sees. */
const ending = (samples: [number, number][]): SpeedSample[] =>
  samples.map(([seconds, kmh], i) => [seconds, i === samples.length - 1 ? 0 : kmh])

/** As many samples as a project keeps of a stop, evenly. */
export function thinnedTrace(samples: readonly SpeedSample[], most = 400): SpeedSample[] {
  const every = Math.ceil(samples.length / most)
  return samples.filter((_, i) => i % every === 0 || i === samples.length - 1)
}
