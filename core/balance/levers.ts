import { adhesionUsed, type Mass } from './adhesion.ts'
import { share } from '../hydraulics/chain.ts'
import { stopOf } from '../hydraulics/effort.ts'
import type { BrakeSystem } from '../hydraulics/system.ts'

/** What shifts the balance, each by one number of the system. */
export const LEVERS = [
  'rearPistonArea',
  'rearRadius',
  'rearFriction',
  'frontPistonArea',
  'frontRadius',
  'frontFriction',
  'valveKnee',
  'barShare',
] as const
export type LeverId = (typeof LEVERS)[number]

export interface LeverFound {
  id: LeverId
  /** Now, and where the target is met: mm2, mm, MPa or a share. */
  from: number
  to: number
}

type Lever = {
  read(system: BrakeSystem): number | undefined
  put(system: BrakeSystem, value: number): BrakeSystem
  range(now: number): [number, number]
}

const axleLever = (axle: 'front' | 'rear', field: 'pistonAreaMm2' | 'effectiveRadiusMm' | 'mu'): Lever => ({
  read(system) {
    const brake = system[axle]
    if (brake.kind === 'disc') return brake[field]
    return field === 'pistonAreaMm2' ? brake.pistonAreaMm2 : undefined
  },
  put: (system, value) => ({ ...system, [axle]: { ...system[axle], [field]: value } }),
  range: (now) => [now / 4, now * 4],
})

const TABLE: Record<LeverId, Lever> = {
  rearPistonArea: axleLever('rear', 'pistonAreaMm2'),
  rearRadius: axleLever('rear', 'effectiveRadiusMm'),
  rearFriction: axleLever('rear', 'mu'),
  frontPistonArea: axleLever('front', 'pistonAreaMm2'),
  frontRadius: axleLever('front', 'effectiveRadiusMm'),
  frontFriction: axleLever('front', 'mu'),
  valveKnee: {
    read: (system) => system.valve?.kneeMpa,
    put: (system, kneeMpa) => ({ ...system, valve: { kneeMpa, slope: system.valve?.slope ?? 0 } }),
    range: () => [0.05, 20],
  },
  barShare: {
    read: (system) => (system.master.kind === 'twin' ? system.master.frontShare : undefined),
    put: (system, frontShare) => (system.master.kind === 'twin' ? { ...system, master: { ...system.master, frontShare } } : system),
    range: () => [0.35, 0.65],
  },
}

/** The system with one of its numbers changed. */
export const withLever = (system: BrakeSystem, id: LeverId, value: number): BrakeSystem => TABLE[id].put(system, value)

/** How far a system is from an aim: zero where it is met, and changing sign there. */
export type Aim = (system: BrakeSystem) => number | undefined

/** The lock order turns at this deceleration: there both axles use the same adhesion. */
export const lockTurnsAt =
  (mass: Mass, decelG: number): Aim =>
  (system) => {
    const at = adhesionUsed(system, mass, decelG)
    return at && at.front - at.rear
  }

/** The front has this share of a force at the road. */
export const roadShareAt =
  (roadForceN: number, frontShare: number): Aim =>
  (system) => {
    const stop = stopOf(system)(roadForceN)
    const found = stop && share(stop.frontN, stop.rearN)
    return found === undefined ? undefined : found - frontShare
  }

/** The value of each lever alone that meets an aim, by halving to a part in 1e10; a lever that cannot is left out. */
export function levers(system: BrakeSystem, aim: Aim, ids: readonly LeverId[] = LEVERS): LeverFound[] {
  return ids.flatMap((id) => {
    const lever = TABLE[id]
    const from = lever.read(system)
    if (from === undefined) return []
    const off = (value: number) => aim(lever.put(system, value))
    let [low, high] = lever.range(from)
    const [atLow, atHigh] = [off(low), off(high)]
    if (atLow === undefined || atHigh === undefined || atLow * atHigh > 0) return []
    for (let i = 0; i < 60 && high - low > 1e-10 * high; i += 1) {
      const middle = (low + high) / 2
      const at = off(middle)
      if (at === undefined) return []
      if (at * atLow > 0) low = middle
      else high = middle
    }
    return [{ id, from, to: (low + high) / 2 }]
  })
}
