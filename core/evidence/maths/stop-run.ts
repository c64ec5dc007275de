/** How far a start speed may be off the one asked for, km/h (SAE J299: 2 mph). */
export const SPEED_WITHIN_KMH = 3.2

/**
 * A stopping distance as it were from the speed asked for: distances go with the square of the speed (SAE J299).
 * @returns m; undefined where the start speed is too far off to be corrected
 * @example Math.round(correctedM(100, { fromKmh: 98.66, distanceM: 36.33 })) // => 37
 */
export function correctedM(targetKmh: number, { fromKmh, distanceM }: { fromKmh: number; distanceM: number }): number | undefined {
  if (Math.abs(fromKmh - targetKmh) > SPEED_WITHIN_KMH + 1e-9) return undefined
  return distanceM * (targetKmh / fromKmh) ** 2
}

/** Seconds and km/h, from when the brake is applied. */
export type SpeedSample = readonly [seconds: number, kmh: number]

export interface TracedStop {
  fromKmh: number
  /** By trapezoids, m. */
  distanceM: number
  /** Mean fully developed deceleration, m/s2; undefined where the trace does not go from 80 to 10 % of its speed. */
  mfddMs2: number | undefined
  /** Until the deceleration first reaches that mean, s. */
  buildUpS: number | undefined
}

/** Shares of the start speed between which braking counts as fully developed (UN R13, annex 4). */
const DEVELOPED_FROM = 0.8
const DEVELOPED_TO = 0.1

/**
 * A stop from its speed over time. The mean fully developed deceleration is (v_b^2 - v_e^2) / (2 (s_e - s_b)) with
 * v_b = 0.8 v_0 and v_e = 0.1 v_0 (UN R13, annex 4).
 * @param samples from the moment the brake is applied, times rising
 * @throws RangeError for fewer than two samples or times that do not rise
 */
export function tracedStop(samples: readonly SpeedSample[]): TracedStop {
  if (samples.length < 2) throw new RangeError('a trace has two samples at least')
  const fromKmh = samples[0]![1]
  let distanceM = 0
  const along = samples.map(([seconds, kmh], i) => {
    if (i > 0) {
      const [before, was] = samples[i - 1]!
      if (!(seconds > before)) throw new RangeError('the times of a trace rise')
      distanceM += ((was + kmh) / 2 / 3.6) * (seconds - before)
    }
    return { seconds, kmh, distanceM }
  })
  const at = (share: number) => {
    const wanted = share * fromKmh
    const i = along.findIndex((one) => one.kmh <= wanted)
    if (i < 1) return undefined
    const [a, b] = [along[i - 1]!, along[i]!]
    // the speed is straight between two samples
    const seconds = ((a.kmh - wanted) / (a.kmh - b.kmh)) * (b.seconds - a.seconds)
    return a.distanceM + ((a.kmh + wanted) / 2 / 3.6) * seconds
  }
  const [from, to] = [at(DEVELOPED_FROM), at(DEVELOPED_TO)]
  const v = fromKmh / 3.6
  const mfddMs2 =
    from === undefined || to === undefined || !(to > from)
      ? undefined
      : ((DEVELOPED_FROM ** 2 - DEVELOPED_TO ** 2) * v * v) / (2 * (to - from))
  const reached = mfddMs2 === undefined ? undefined : decelerations(samples).find((one) => one.ms2 >= mfddMs2)
  return { fromKmh, distanceM, mfddMs2, buildUpS: reached && reached.seconds - samples[0]![0] }
}

/** Deceleration between each two samples, at the middle of the time between them. */
export const decelerations = (samples: readonly SpeedSample[]): { seconds: number; ms2: number }[] =>
  samples.slice(1).map(([seconds, kmh], i) => {
    const [before, was] = samples[i]!
    return { seconds: (before + seconds) / 2, ms2: (was - kmh) / 3.6 / (seconds - before) }
  })
