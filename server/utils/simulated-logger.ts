/** A speed logger that is not there: one stop of a car, with noise, and what can go wrong with one. */

export const LOGGER_FAULTS = ['none', 'lateTrigger', 'dropOut', 'lockedWheel'] as const
export type LoggerFault = (typeof LOGGER_FAULTS)[number]

interface LoggedStop {
  fromKmh: number
  decelG: number
  fault: LoggerFault
}

/** Seconds between samples: 20 a second, as small loggers do. */
export const EVERY_S = 0.05
const ROLLS_S = 1.5
const BUILD_UP_S = 0.3
const STANDS_S = 1
const G = 9.80665
const NOISE_KMH = 0.25
/** A stop is never driven twice alike: of its deceleration and of the speed at its start. */
const SCATTER = 0.02
const SPEED_OFF_KMH = 1.2
/** What the faults leave out, from the application of the brake, s. */
const LATE_S = 0.4
const HOLE_S = [0.8, 1.6] as const
const LOCKS_AFTER_S = 1

/** @param random uniform in [0, 1) */
export function loggedStop({ fromKmh, decelG, fault }: LoggedStop, random: () => number): [seconds: number, kmh: number][] {
  const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random())
  const ms2 = decelG * G * (1 + SCATTER * normal())
  let v = (fromKmh + SPEED_OFF_KMH * (2 * random() - 1)) / 3.6
  const samples: [number, number][] = []
  const fine = 0.005
  const every = Math.round(EVERY_S / fine)
  let stoodS = 0
  for (let i = 0; stoodS < STANDS_S && i < 20_000; i += 1) {
    const t = i * fine
    const braking = t - ROLLS_S
    if (braking > 0) v = Math.max(0, v - Math.min(1, braking / BUILD_UP_S) * ms2 * fine)
    if (v === 0) stoodS += fine
    if (i % every > 0) continue
    if (fault === 'lateTrigger' && braking < LATE_S) continue
    if (fault === 'dropOut' && braking > HOLE_S[0] && braking < HOLE_S[1]) continue
    const locked = fault === 'lockedWheel' && braking > LOCKS_AFTER_S
    const shown = locked || v === 0 ? 0 : Math.max(0, v * 3.6 + NOISE_KMH * normal())
    samples.push([Number(t.toFixed(2)), Number(shown.toFixed(2))])
  }
  return samples
}

/** What a query asks for; undefined where it is nonsense. */
export function stopAsked(query: Record<string, unknown>): (LoggedStop & { pace: number }) | undefined {
  const number = (value: unknown, least: number, most: number, otherwise?: number) => {
    if (value === undefined) return otherwise
    const read = typeof value === 'string' && /^\d+(\.\d+)?$/.test(value) ? Number(value) : NaN
    return read >= least && read <= most ? read : undefined
  }
  const [fromKmh, decelG, pace] = [number(query.fromKmh, 20, 300), number(query.decelG, 0.1, 2), number(query.pace, 1, 50, 1)]
  const fault = LOGGER_FAULTS.find((one) => one === (query.fault ?? 'none'))
  return fromKmh === undefined || decelG === undefined || pace === undefined || !fault ? undefined : { fromKmh, decelG, fault, pace }
}
