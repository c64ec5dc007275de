import { adhesionOf } from './maths/adhesion.ts'
import type { Mass } from '../hydraulics/maths/mass.ts'
import type { BrakeSystem } from '../hydraulics/maths/system.ts'

export interface CurvePoint {
  decelG: number
  front: number
  rear: number
  pedalForceN: number
}

const CURVE_TO_G = 1.2
const CURVE_POINTS = 60

/** The friction that each axle uses, over the deceleration; ends where the brakes do. */
export function adhesionCurve(system: BrakeSystem | undefined, mass: Mass | undefined): CurvePoint[] {
  if (!system || !mass) return []
  const adhesion = adhesionOf(system, mass)
  const points: CurvePoint[] = []
  for (let i = 1; i <= CURVE_POINTS; i += 1) {
    const point = adhesion((CURVE_TO_G * i) / CURVE_POINTS)
    if (!point || !Number.isFinite(point.rear)) break
    points.push({ decelG: point.decelG, front: point.front, rear: point.rear, pedalForceN: point.pedalForceN })
  }
  return points
}
