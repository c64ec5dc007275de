import { throttle, unboost } from './chain.ts'
import { axleForcePerMpa, pressurePerNewton, type BrakeSystem } from './system.ts'

/** Beyond any force there is, N: a valve that is all but shut puts the corner of the rear brake out of the world. */
const FARTHEST_N = 1e9

/** What a force at the road asks of the foot, and how the axles share it, N. */
interface ChainAtForce {
  pedalForceN: number
  frontN: number
  rearN: number
}

/** The inverse of the chain, with the forces at the road where its shares turn. */
interface ChainInverse {
  /** @param roadForceN of both axles together; undefined from it when no pedal force reaches it */
  (roadForceN: number): ChainAtForce | undefined
  /** Forces at the road between which front and rear force are straight lines of their sum, N, rising. */
  readonly turnsN: readonly number[]
}

/**
 * The exact inverse of the chain, prepared once for a system and asked as often as one likes: the chain is straight
 * between the places where a seal lets go or the valve takes hold. No limit of driver or tyre.
 */
export function invertChain(system: BrakeSystem): ChainInverse {
  const { valve } = system
  const per = pressurePerNewton(system.master)
  const front = axleForcePerMpa(system.front, system.tyreRadiusMm.front)
  const rear = axleForcePerMpa(system.rear, system.tyreRadiusMm.rear)
  const frontForce = (boostedN: number): number => front * Math.max(boostedN * per.front - system.front.sealMpa, 0)
  const rearForce = (boostedN: number): number => rear * Math.max(throttle(boostedN * per.rear, valve) - system.rear.sealMpa, 0)
  const roadForce = (boostedN: number): number => frontForce(boostedN) + rearForce(boostedN)

  const rearOpens =
    valve && valve.kneeMpa < system.rear.sealMpa
      ? valve.slope > 0
        ? valve.kneeMpa + (system.rear.sealMpa - valve.kneeMpa) / valve.slope
        : Infinity
      : system.rear.sealMpa
  const corners = [0]
  for (const corner of [system.front.sealMpa / per.front, rearOpens / per.rear, (valve?.kneeMpa ?? 0) / per.rear])
    if (corner < FARTHEST_N) corners.push(corner)
  corners.sort((a, b) => a - b)
  const pieces = corners.map((from, i) => {
    const next = corners[i + 1]
    // the last piece has no end: any stretch of it gives the slope
    const stretch = next === undefined ? Math.max(from, 1000) : next - from
    const forceN = roadForce(from)
    return { from, forceN, slope: stretch > 0 ? (roadForce(from + stretch) - forceN) / stretch : 0 }
  })
  const perPedalNewton = system.pedalRatio * system.pedalEfficiency

  const stop = (roadForceN: number): ChainAtForce | undefined => {
    if (roadForceN <= 0) return { pedalForceN: 0, frontN: 0, rearN: 0 }
    // the piece whose end reaches the force: the one before the first that begins at or above it
    const above = pieces.findIndex((piece) => piece.forceN >= roadForceN)
    const { from, forceN, slope } = pieces[above === -1 ? pieces.length - 1 : above - 1]!
    if (!(slope > 0)) return undefined
    const boostedN = from + (roadForceN - forceN) / slope
    return { pedalForceN: unboost(boostedN, system.booster) / perPedalNewton, frontN: frontForce(boostedN), rearN: rearForce(boostedN) }
  }
  return Object.assign(stop, { turnsN: pieces.map((piece) => piece.forceN) })
}

/** The pedal force of `stopOf` alone, N. */
export function pedalForceOf(system: BrakeSystem): (roadForceN: number) => number | undefined {
  const stop = invertChain(system)
  return (roadForceN) => stop(roadForceN)?.pedalForceN
}

/** One answer of `effortOf`. */
export const pedalForceForRoadForce = (system: BrakeSystem, roadForceN: number): number | undefined => pedalForceOf(system)(roadForceN)
