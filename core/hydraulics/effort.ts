import { throttle, unboost } from './chain.ts'
import { axleForcePerMpa, pressurePerNewton, type BrakeSystem } from './system.ts'

/**
 * Pedal force for a force at the road: the exact inverse of the chain, which is straight between the
 * places where a seal lets go or the valve takes hold. No limit of driver or tyre.
 *
 * @param roadForceN of both axles together, >= 0
 * @returns N at the pedal; undefined when no force reaches it (no brake works)
 */
export function pedalForceForRoadForce(system: BrakeSystem, roadForceN: number): number | undefined {
  if (roadForceN <= 0) return 0
  const per = pressurePerNewton(system.master)
  const front = axleForcePerMpa(system.front, system.tyreRadiusMm.front)
  const rear = axleForcePerMpa(system.rear, system.tyreRadiusMm.rear)
  const roadForce = (boostedN: number): number =>
    front * Math.max(boostedN * per.front - system.front.sealMpa, 0) +
    rear * Math.max(throttle(boostedN * per.rear, system.valve) - system.rear.sealMpa, 0)

  const { valve } = system
  const rearOpens =
    valve && valve.kneeMpa < system.rear.sealMpa
      ? valve.slope > 0
        ? valve.kneeMpa + (system.rear.sealMpa - valve.kneeMpa) / valve.slope
        : Infinity
      : system.rear.sealMpa
  const corners = [0, system.front.sealMpa / per.front, rearOpens / per.rear, (valve?.kneeMpa ?? 0) / per.rear]
    .filter(Number.isFinite)
    .sort((a, b) => a - b)

  let from = corners[corners.length - 1]!
  for (let i = 0; i + 1 < corners.length; i += 1) {
    if (roadForce(corners[i + 1]!) >= roadForceN) {
      from = corners[i]!
      break
    }
  }
  const next = corners.find((corner) => corner > from)
  const atFrom = roadForce(from)
  // the last piece has no end: any stretch of it gives the slope
  const stretch = next === undefined ? Math.max(from, 1000) : next - from
  const slope = (roadForce(from + stretch) - atFrom) / stretch
  if (!(slope > 0)) return undefined
  const boostedN = from + (roadForceN - atFrom) / slope
  return unboost(boostedN, system.booster) / (system.pedalRatio * system.pedalEfficiency)
}
