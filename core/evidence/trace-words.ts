import { decelerations, tracedStop, type SpeedSample } from './maths/stop-run.ts'
import { STANDARD_GRAVITY } from '../quantity/units.ts'

interface TraceWords {
  /** Seconds and g, smoothed over a few samples. */
  points: [seconds: number, g: number][]
  /** Mean of full braking, g. */
  meanG: number | undefined
  sentence: string
}

/** Smoothed over so long, s. */
const WINDOW_S = 0.15
/** Of full braking: its first and its last third. */
const WEAKENS = 0.1
/** Up and down by so much is anti-lock at work, g; so often a second. */
const SWING_G = 0.15
const SWINGS_PER_S = 2

/** What the deceleration over one stop shows. */
export function traceWords(samples: readonly SpeedSample[]): TraceWords {
  const raw = decelerations(samples)
  const points = raw.map(({ seconds }): [number, number] => {
    const near = raw.filter((one) => Math.abs(one.seconds - seconds) <= WINDOW_S / 2)
    return [seconds, near.reduce((sum, one) => sum + one.ms2, 0) / near.length / STANDARD_GRAVITY]
  })
  const { mfddMs2, fromKmh, buildUpS } = tracedStop(samples)
  if (mfddMs2 === undefined)
    return { points, meanG: undefined, sentence: 'The trace does not run from full speed to a stop, so it is not evaluated.' }
  const meanG = mfddMs2 / STANDARD_GRAVITY
  const full = points.filter(([seconds]) => {
    const kmh = at(samples, seconds)
    return kmh <= 0.8 * fromKmh && kmh >= 0.1 * fromKmh
  })
  const third = Math.max(1, Math.floor(full.length / 3))
  const mean = (of: readonly [number, number][]) => of.reduce((sum, one) => sum + one[1], 0) / of.length
  const [first, last] = [mean(full.slice(0, third)), mean(full.slice(-third))]
  const lasts = full.length > 1 ? full[full.length - 1]![0] - full[0]![0] : 0
  const base = `Full braking ${meanG.toFixed(2)} g on average${buildUpS === undefined ? '' : `, reached after ${buildUpS.toFixed(1)} s`}.`
  const shows =
    lasts > 0 && swings(full) / lasts >= SWINGS_PER_S
      ? ' It rises and falls: the ABS worked, or the driver pumped the pedal.'
      : last < first * (1 - WEAKENS)
        ? ` It weakens from ${first.toFixed(2)} to ${last.toFixed(2)} g: fade, or the driver eased off.`
        : last > first * (1 + WEAKENS)
          ? ` It grows from ${first.toFixed(2)} to ${last.toFixed(2)} g: friction rises with heat, or the driver pressed harder.`
          : ' It stays constant to the end.'
  return { points, meanG, sentence: base + shows }
}

function at(samples: readonly SpeedSample[], seconds: number): number {
  const i = samples.findIndex(([t]) => t >= seconds)
  return samples[i < 0 ? samples.length - 1 : i]![1]
}
/** How often it turns by more than the swing. */
function swings(points: readonly [number, number][]): number {
  let [count, rising, extreme] = [0, false, points[0]?.[1] ?? 0]
  for (const [, g] of points) {
    if (rising ? g > extreme : g < extreme) extreme = g
    else if (Math.abs(g - extreme) > SWING_G) {
      count += 1
      rising = !rising
      extreme = g
    }
  }
  return count / 2
}
