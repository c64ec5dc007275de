import { ROTATING } from './one-stop.ts'
import { STANDARD_GRAVITY } from '../../quantity/units.ts'

/** A stretch of driving: speed straight in time. */
export interface CycleSegment {
  kind: 'brake' | 'roll'
  seconds: number
  fromKmh: number
  toKmh: number
  /** Force that the brakes owe standing still, N; air takes its part of it with the square of the speed. */
  forceN: number
  forcePerV2: number
}

/** Mass and what slows the car beside the brakes: rolling and engine, N, and air, N/(m/s)^2. */
export interface CycleCar {
  massKg: number
  resistanceN: number
  resistancePerV2: number
  /** What of `resistanceN` the engine does, in the gear that is usual, N: a descent may be driven in another. */
  engineDragN?: number
}

export interface BrakingZone {
  fromKmh: number
  toKmh: number
  decelG: number
  /** Straight to the speed of the next zone. */
  secondsToNext: number
}
export type DriveCycle =
  /** Stops one after the other: brake, accelerate, cruise; nothing after the last (UN R13-H, annex 3, fade test). */
  | { kind: 'stops'; fromKmh: number; toKmh: number; decelG: number; count: number; accelG: number; cruiseSeconds: number }
  | Descent
  /** Laps of braking zones; a last one without braking, and the way back down after each, where there are. */
  | { kind: 'laps'; laps: number; zones: readonly BrakingZone[]; coolingLap?: boolean | undefined; down?: Descent | undefined }
  /** Standing still, to cool or to soak. */
  | { kind: 'parked'; seconds: number }

/** Down a grade at one speed. */
interface Descent {
  kind: 'descent'
  gradePercent: number
  lengthM: number
  kmh: number
  /** In the gear that is driven, N; absent: the car's figure. */
  engineDragN?: number | undefined
  /** A trailer, and the share of its own weight that its brakes take, 0 to 1. */
  towMassKg?: number | undefined
  towBrakeShare?: number | undefined
}

const MS_PER_KMH = 1 / 3.6

/** A duty as segments in the order they are driven. */
export function cycleSegments(car: CycleCar, duty: DriveCycle): CycleSegment[] {
  switch (duty.kind) {
    case 'stops':
      return stops(car, duty)
    case 'descent':
      return descent(car, duty)
    case 'laps':
      return laps(car, duty)
    case 'parked':
      return duty.seconds > 0 ? [roll(duty.seconds, 0, 0)] : []
  }
}

const roll = (seconds: number, fromKmh: number, toKmh: number): CycleSegment => ({
  kind: 'roll',
  seconds,
  fromKmh,
  toKmh,
  forceN: 0,
  forcePerV2: 0,
})

/** Braking from one speed to another; the brakes owe what resistance does not give. */
function brake({ massKg, resistanceN, resistancePerV2 }: CycleCar, fromKmh: number, toKmh: number, decelG: number): CycleSegment {
  const ms2 = decelG * STANDARD_GRAVITY
  return {
    kind: 'brake',
    seconds: ((fromKmh - toKmh) * MS_PER_KMH) / ms2,
    fromKmh,
    toKmh,
    forceN: Math.max(0, ROTATING * massKg * ms2 - resistanceN),
    forcePerV2: resistancePerV2,
  }
}

function stops(car: CycleCar, { fromKmh, toKmh, decelG, count, accelG, cruiseSeconds }: DriveCycle & { kind: 'stops' }): CycleSegment[] {
  const away = ((fromKmh - toKmh) * MS_PER_KMH) / (accelG * STANDARD_GRAVITY)
  const between = [roll(away, toKmh, fromKmh), ...(cruiseSeconds > 0 ? [roll(cruiseSeconds, fromKmh, fromKmh)] : [])]
  return Array.from({ length: count }, (_, i) => [
    brake(car, fromKmh, toKmh, decelG),
    ...(i < count - 1 ? between.map((one) => ({ ...one })) : []),
  ]).flat()
}

function descent(
  { massKg, resistanceN, resistancePerV2, engineDragN = 0 }: CycleCar,
  { gradePercent, lengthM, kmh, engineDragN: inGearN = engineDragN, towMassKg = 0, towBrakeShare = 0 }: Descent,
): CycleSegment[] {
  const sine = Math.sin(Math.atan(gradePercent / 100))
  const pulledKg = massKg + towMassKg * (1 - towBrakeShare)
  const forceN = Math.max(0, pulledKg * STANDARD_GRAVITY * sine - (resistanceN - engineDragN + inGearN))
  return [{ kind: 'brake', seconds: lengthM / (kmh * MS_PER_KMH), fromKmh: kmh, toKmh: kmh, forceN, forcePerV2: resistancePerV2 }]
}

function laps(car: CycleCar, { laps: count, zones, coolingLap, down }: DriveCycle & { kind: 'laps' }): CycleSegment[] {
  const lap = zones.flatMap((zone, i) => [
    brake(car, zone.fromKmh, zone.toKmh, zone.decelG),
    roll(zone.secondsToNext, zone.toKmh, zones[(i + 1) % zones.length]!.fromKmh),
  ])
  const back = down ? descent(car, down) : []
  const driven = Array.from({ length: count }, () => [...lap, ...back].map((one) => ({ ...one }))).flat()
  // at half the speed, twice as long, and no foot on the brake
  const cool = coolingLap ? lap.map((one) => roll(2 * one.seconds, one.fromKmh / 2, one.toKmh / 2)) : []
  return [...driven, ...cool]
}

/** Force at the road that the brakes owe at a speed, N, whole car. */
export const owedN = ({ forceN, forcePerV2 }: Pick<CycleSegment, 'forceN' | 'forcePerV2'>, ms: number): number =>
  forceN > 0 ? Math.max(0, forceN - forcePerV2 * ms * ms) : 0

/** Brake work of a stretch of a segment, J: power is a cubic of the time, but where air does it all. */
export function workJ(segment: Pick<CycleSegment, 'forceN' | 'forcePerV2'>, fromMs: number, toMs: number, seconds: number): number {
  const { forceN, forcePerV2 } = segment
  if (forceN <= 0) return 0
  // beyond this speed air does it all
  const mostMs = forcePerV2 > 0 ? Math.sqrt(forceN / forcePerV2) : Infinity
  if (fromMs <= mostMs && toMs <= mostMs) return simpson(segment, fromMs, toMs, seconds)
  if (fromMs >= mostMs && toMs >= mostMs) return 0
  const [high, low] = fromMs > toMs ? [fromMs, toMs] : [toMs, fromMs]
  return simpson(segment, mostMs, low, (seconds * (mostMs - low)) / (high - low))
}
function simpson(segment: Pick<CycleSegment, 'forceN' | 'forcePerV2'>, fromMs: number, toMs: number, seconds: number): number {
  const power = (ms: number) => owedN(segment, ms) * ms
  return (seconds / 6) * (power(fromMs) + 4 * power((fromMs + toMs) / 2) + power(toMs))
}

/** Brake work of the whole car over a duty, J. */
export const cycleWorkJ = (segments: readonly CycleSegment[]): number =>
  segments.reduce((sum, one) => sum + workJ(one, one.fromKmh * MS_PER_KMH, one.toKmh * MS_PER_KMH, one.seconds), 0)

/** The first segments of a duty are one stretch, driven so many times. */
export interface Repeats {
  segments: number
  times: number
}
export function repeatsOf(duty: DriveCycle): Repeats | undefined {
  if (duty.kind === 'stops') return { segments: duty.cruiseSeconds > 0 ? 3 : 2, times: duty.count - 1 }
  if (duty.kind === 'laps') return { segments: 2 * duty.zones.length + (duty.down ? 1 : 0), times: duty.laps }
  return undefined
}

/** A segment in steps short enough for what changes in it. */
export interface Steps {
  count: number
  /** How long a step is, s. */
  seconds: (at: number) => number
  /** Speed at the beginning of a step, m/s; at `count` that at the end. */
  ms: (at: number) => number
}

/**
 * Steps of a segment. In a long one without braking everything comes to rest: after many usual steps each is a little longer
 * than the one before, so that an hour takes some two hundred.
 */
export function steps({ kind, seconds, fromKmh, toKmh }: CycleSegment, mostS?: number, coarser = 1): Steps {
  const steady = kind === 'brake' && fromKmh === toKmh
  const usual = coarser * (kind === 'brake' ? (steady ? STEADY_S : BRAKING_S) : fromKmh === 0 && toKmh === 0 ? STANDING_S : ROLLING_S)
  const longest = mostS ?? usual
  // what takes no time has no steps
  const even = seconds < LEAST_S ? 0 : Math.ceil(seconds / longest)
  const from = fromKmh * MS_PER_KMH
  // while the brakes work the friction of each axle follows its heat: such steps stay short
  if (mostS !== undefined || even <= EVEN_STEPS || kind === 'brake') {
    const change = ((toKmh - fromKmh) * MS_PER_KMH) / even
    const each = even === 0 ? 0 : seconds / even
    return { count: even, seconds: () => each, ms: (at) => from + change * at }
  }
  const times = growing(seconds, longest)
  const perS = ((toKmh - fromKmh) * MS_PER_KMH) / seconds
  return { count: times.length - 1, seconds: (at) => times[at + 1]! - times[at]!, ms: (at) => from + perS * times[at]! }
}
/** When the steps of a long segment begin, s, and its end. */
function growing(seconds: number, stepS: number): number[] {
  const times = [0]
  let [at, next] = [0, stepS]
  while (seconds - at > next * 1.5) {
    at += next
    times.push(at)
    if (times.length > EVEN_STEPS) next = Math.min(next * GROWS, MOST_STEP_S)
  }
  times.push(seconds)
  return times
}
const EVEN_STEPS = 120
const GROWS = 1.05
const MOST_STEP_S = 60
const LEAST_S = 1e-9
const BRAKING_S = 0.1
const STEADY_S = 0.5
const ROLLING_S = 1
const STANDING_S = 6
