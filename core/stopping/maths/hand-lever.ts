import type { Mass } from '../../hydraulics/maths/mass.ts'
import { axleForcePerMpa, boreAreaMm2, type BrakeSystem } from '../../hydraulics/maths/system.ts'
import { STANDARD_GRAVITY } from '../../quantity/units.ts'

/** A cylinder in the rear line that a hand works. */
export interface HandLever {
  /** Hand travel over pushrod travel. */
  ratio: number
  boreMm: number
}
interface HandPulled {
  /** In the rear line; it acts beyond the valve. */
  pressureMpa: number
  /** Of both rear wheels at the road, if the tyres held, N. */
  forceN: number
}
/** Pressure and force of a hand on the lever: p = F · i / A (R. Limpert, Brake Design and Safety, ch. 5). */
export function pull(
  { rear, tyreRadiusMm }: Pick<BrakeSystem, 'rear' | 'tyreRadiusMm'>,
  { ratio, boreMm }: HandLever,
  handN: number,
): HandPulled {
  const pressureMpa = (handN * ratio) / boreAreaMm2(boreMm)
  return { pressureMpa, forceN: Math.max(0, pressureMpa - rear.sealMpa) * axleForcePerMpa(rear, tyreRadiusMm.rear) }
}

/**
 * Force at which the rear wheels lock when they brake alone, N: the less they carry the more they brake,
 * F = mu W (1 - s_f) / (1 + mu h / L).
 */
export function rearLocksAtN({ massKg, staticFront, cgHeightMm, wheelbaseMm }: Mass, friction: number): number {
  return (friction * massKg * STANDARD_GRAVITY * (1 - staticFront)) / (1 + (friction * cgHeightMm) / wheelbaseMm)
}

/** The hand force at which the rear wheels lock, N. */
export function handForceToLockN(
  system: Pick<BrakeSystem, 'rear' | 'tyreRadiusMm'>,
  mass: Mass,
  { ratio, boreMm }: HandLever,
  friction: number,
): number {
  const pressureMpa = rearLocksAtN(mass, friction) / axleForcePerMpa(system.rear, system.tyreRadiusMm.rear) + system.rear.sealMpa
  return (pressureMpa * boreAreaMm2(boreMm)) / ratio
}
