import { bisect } from '../../maths/bisect.ts'
import { adhesionUsed } from './adhesion.ts'
import type { Mass } from '../../hydraulics/maths/mass.ts'
import { rearFirstFrom } from './lock-order.ts'
import { invertChain } from '../../hydraulics/maths/pedal-force.ts'
import { share } from '../../hydraulics/maths/chain.ts'
import type { BrakeSystem } from '../../hydraulics/maths/system.ts'

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

export interface AdjustmentFound {
  id: LeverId
  /** Now, and where the aim is met: mm2, mm, MPa or a share. In whole steps, on the side that meets it. */
  from: number
  to: number
}

type Lever = {
  read(system: BrakeSystem): number | undefined
  put(system: BrakeSystem, value: number): BrakeSystem
  range(now: number): [number, number]
  /** Nobody sets it finer. */
  step: number
}

const axleLever = (axle: 'front' | 'rear', field: 'pistonAreaMm2' | 'effectiveRadiusMm' | 'mu', step: number): Lever => ({
  read(system) {
    const brake = system[axle]
    if (brake.kind === 'disc') return brake[field]
    return field === 'pistonAreaMm2' ? brake.pistonAreaMm2 : undefined
  },
  put: (system, value) => ({ ...system, [axle]: { ...system[axle], [field]: value } }),
  range: (now) => [now / 4, now * 4],
  step,
})

const TABLE: Record<LeverId, Lever> = {
  rearPistonArea: axleLever('rear', 'pistonAreaMm2', 1),
  rearRadius: axleLever('rear', 'effectiveRadiusMm', 0.1),
  rearFriction: axleLever('rear', 'mu', 0.001),
  frontPistonArea: axleLever('front', 'pistonAreaMm2', 1),
  frontRadius: axleLever('front', 'effectiveRadiusMm', 0.1),
  frontFriction: axleLever('front', 'mu', 0.001),
  valveKnee: {
    read: (system) => system.valve?.kneeMpa,
    put: (system, kneeMpa) => ({ ...system, valve: { kneeMpa, slope: system.valve?.slope ?? 0 } }),
    range: () => [0.1, 20],
    step: 0.01,
  },
  barShare: {
    read: (system) => (system.master.kind === 'twin' ? system.master.frontShare : undefined),
    put: (system, frontShare) => (system.master.kind === 'twin' ? { ...system, master: { ...system.master, frontShare } } : system),
    range: () => [0.35, 0.65],
    step: 0.001,
  },
}

/** What a lever stands at in a system; undefined where the system has no such thing. */
export const leverValue = (system: BrakeSystem, id: LeverId): number | undefined => TABLE[id].read(system)
/** The system with one of its numbers changed. */
export const withLever = (system: BrakeSystem, id: LeverId, value: number): BrakeSystem => TABLE[id].put(system, value)

/** What a balance is brought to. */
export interface Aim {
  /** Whether a system is there. */
  meets(system: BrakeSystem): boolean
  /** For an aim that is one value: how far off a system is, changing its sign where it is met. */
  off?(system: BrakeSystem): number | undefined
}

/** The front has this share of a force at the road, give or take `within`. */
export const roadShareAt = (roadForceN: number, frontShare: number, within: number): Aim => {
  const off = (system: BrakeSystem) => {
    const stop = invertChain(system)(roadForceN)
    const found = stop && share(stop.frontN, stop.rearN)
    return found === undefined ? undefined : found - frontShare
  }
  return { off, meets: (system) => Math.abs(off(system) ?? Infinity) <= within }
}

/** The order of locking turns to the rear at this deceleration, give or take `within`. */
export const turnsAt = (mass: Mass, decelG: number, within: number): Aim => ({
  off: (system) => {
    const at = adhesionUsed(system, mass, decelG)
    return at && at.front - at.rear
  },
  meets: (system) => Math.abs(rearFirstFrom(system, mass) - decelG) <= within,
})

/** So many values of a lever are tried between where it is and each end of its range. */
const TRIED = 24

/**
 * The value of each lever alone, nearest to where it is, with which a system meets an aim; a lever that cannot, or that
 * meets it where it is, is left out. The aim may come and go along the lever (a valve turns the order more than once), so
 * the range is looked through and the first stretch that meets it is found from both sides by halving; the value is then
 * rounded into that stretch and held against the aim once more.
 */
export function levers(system: BrakeSystem, aim: Aim, ids: readonly LeverId[] = LEVERS): AdjustmentFound[] {
  return ids.flatMap((id) => {
    const from = TABLE[id].read(system)
    if (from === undefined) return []
    const tried = (value: number) => TABLE[id].put(system, value)
    const { off: howFar } = aim
    const along: Along = { meets: (value) => aim.meets(tried(value)), off: howFar && ((value) => howFar(tried(value))) }
    if (along.meets(from)) return []
    const [low, high] = TABLE[id].range(from)
    const found = [high, low].flatMap((end) => nearest(along, from, end, TABLE[id].step) ?? [])
    const off = (value: number) => Math.abs(Math.log(value / from))
    const [to] = found.sort((a, b) => off(a) - off(b))
    return to === undefined ? [] : [{ id, from, to }]
  })
}

/** An aim along one lever. */
interface Along {
  meets(value: number): boolean
  off: ((value: number) => number | undefined) | undefined
}

/** The first value on the way from `from` to `end` that meets an aim, in whole steps; undefined: none. */
function nearest(aim: Along, from: number, end: number, step: number): number | undefined {
  if (from <= 0 || from === end) return undefined
  const up = end > from
  const inRange = (value: number) => (up ? value <= end + 1e-9 : value >= end - 1e-9)
  /** The first of some numbers of steps that is in range and meets the aim. */
  const whole = (...steps: number[]) =>
    steps.map((one) => Math.round(one * step * 1e6) / 1e6).find((value) => inRange(value) && value !== from && aim.meets(value))
  const at = (i: number) => from * (end / from) ** (i / TRIED)
  for (let i = 1; i <= TRIED; i += 1) {
    const [before, here] = [at(i - 1), at(i)]
    if (aim.meets(here)) {
      const edge = bisect(before, here, step / 10, aim.meets)
      const inside = up ? Math.ceil(edge / step) : Math.floor(edge / step)
      // a step further in than the edge: nothing is made to a hair
      const found = aim.off ? whole(inside) : whole(inside + (up ? 1 : -1), inside)
      if (found !== undefined) return found
    } else {
      const { off } = aim
      const [was, is] = [off?.(before), off?.(here)]
      if (!off || was === undefined || is === undefined || was * is > 0) continue
      const root = bisect(before, here, step / 100, (value) => (off(value) ?? was) * was <= 0)
      const found = whole(Math.round(root / step), Math.floor(root / step), Math.ceil(root / step))
      if (found !== undefined) return found
    }
  }
  return undefined
}
