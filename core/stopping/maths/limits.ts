import { bestWithoutLock } from '../../balance/maths/limits.ts'
import type { Mass } from '../../hydraulics/maths/mass.ts'
import { chain } from '../../hydraulics/maths/chain.ts'
import type { BrakeSystem } from '../../hydraulics/maths/system.ts'
import { STANDARD_GRAVITY } from '../../quantity/units.ts'

/** From the foot on the pedal to full pressure, s (UN Regulation No. 13-H, annex 3: build-up). */
export const BUILD_UP_S = 0.3

/** What limits one stop. */
interface StopLimits {
  /** What the driver's foot gives, if the tyres held, g. */
  driverG: number
  /** What the tyres give: with anti-lock their friction, without where the first axle reaches it, g. */
  tyreG: number
  /** Undefined with anti-lock. */
  locksFirst: 'front' | 'rear' | undefined
  limit: 'driver' | 'tyre'
  decelG: number
  /** From the foot on the pedal to standstill, m. */
  distanceM: number
}

export interface LimitedStop {
  driverLimitN: number
  tyreFriction: number
  abs: boolean
  fromKmh: number
  buildUpS?: number
}

/**
 * One stop from a speed is limited by the first of what the foot gives and what the tyres hold (R. Limpert, Brake Design
 * and Safety, ch. 7 and 8).
 */
export function stopLimits(
  system: BrakeSystem,
  mass: Mass,
  { driverLimitN, tyreFriction, abs, fromKmh, buildUpS = BUILD_UP_S }: LimitedStop,
): StopLimits {
  const { front, rear } = chain(system, driverLimitN)
  const driverG = (front.forceN + rear.forceN) / (mass.massKg * STANDARD_GRAVITY)
  const best = abs ? undefined : bestWithoutLock(system, mass, tyreFriction)
  const tyreG = abs ? tyreFriction : (best?.decelG ?? 0)
  const limit = driverG < tyreG ? 'driver' : 'tyre'
  const decelG = Math.min(driverG, tyreG)
  return { driverG, tyreG, locksFirst: best?.axle, limit, decelG, distanceM: stoppingDistanceM(fromKmh, decelG, buildUpS) }
}

/**
 * Reaction, build-up and full braking: s = v t_r + v t_b / 2 + v² / (2 g z), m. Infinity where nothing slows the car.
 *
 * @example
 * Math.round(stoppingDistanceM(100, 1, 0)) // => 39
 */
export function stoppingDistanceM(fromKmh: number, decelG: number, buildUpS: number, reactionS = 0): number {
  const ms = fromKmh / 3.6
  return ms * (reactionS + buildUpS / 2) + (ms * ms) / (2 * STANDARD_GRAVITY * decelG)
}
