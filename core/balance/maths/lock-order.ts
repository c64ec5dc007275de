import { invertChain } from '../../hydraulics/maths/pedal-force.ts'
import type { BrakeSystem } from '../../hydraulics/maths/system.ts'
import { STANDARD_GRAVITY } from '../../quantity/units.ts'
import { adhesionOf, liftsRearAtG, loadsOf, type Extras } from './adhesion.ts'
import type { Mass } from '../../hydraulics/maths/mass.ts'

/** Below this the criterion of UN Regulation No. 13-H, Annex 5, does not look, g. */
export const ORDER_FROM_G = 0.15
/** No tyre of a car holds so much, g. */
const ORDER_TO_G = 3

/** Decelerations between which the rear locks first, g. */
interface RearFirst {
  fromG: number
  toG: number
}

export interface LockOrder {
  /**
   * `rearAbove`: the front first at 0.15 g, and the rear from `aboveG` on, at least for a while.
   * `rearBelow`: the rear first at 0.15 g, and the front somewhere above.
   */
  kind: 'frontAlways' | 'rearAbove' | 'rearBelow' | 'rearAlways'
  /** Up to here it was looked: as far as the brakes give a deceleration, g. */
  upToG: number
  /** Where the rear locks first, rising and apart. */
  rearFirst: RearFirst[]
}

/**
 * Which axle locks first at every deceleration from 0.15 g to 3 g, exactly: between the places where a seal lets go or the
 * valve takes hold both forces are straight lines, so the difference of what the axles use is a quadratic there.
 *
 * @returns undefined when the brakes give no deceleration at all
 */
export function lockOrder(system: BrakeSystem, mass: Mass, extras: Extras = {}): LockOrder | undefined {
  const adhesion = adhesionOf(system, mass, extras)
  if (!adhesion(ORDER_FROM_G)) return undefined
  const cuts = placesToLook(system, mass, extras)
  const rearFirst: RearFirst[] = []
  let upToG = ORDER_FROM_G
  for (let i = 0; i + 1 < cuts.length; i += 1) {
    const [fromG, toG] = [cuts[i]!, cuts[i + 1]!]
    if (toG - fromG < 1e-12) continue
    const at = adhesion((fromG + toG) / 2)
    if (!at) break
    upToG = toG
    if (at.locksFirst !== 'rear') continue
    const last = rearFirst[rearFirst.length - 1]
    if (last && fromG - last.toG < 1e-9) last.toG = toG
    else rearFirst.push({ fromG, toG })
  }
  const first = rearFirst[0]
  const kind = !first
    ? 'frontAlways'
    : first.fromG > ORDER_FROM_G
      ? 'rearAbove'
      : rearFirst.length === 1 && first.toG >= upToG
        ? 'rearAlways'
        : 'rearBelow'
  return { kind, upToG, rearFirst }
}

/** The lowest deceleration at which the rear locks first, g; Infinity where it never does. */
export const frontFirstUntil = ({ rearFirst }: LockOrder): number => rearFirst[0]?.fromG ?? Infinity

/**
 * `frontFirstUntil` of the order alone, as far as asked: what a search asks thousands of times.
 * @returns Infinity where the front locks first up to `toG` at least
 */
export function rearFirstFrom(system: BrakeSystem, mass: Mass, toG = ORDER_TO_G): number {
  const { ends, difference } = piecesOf(system, mass, {})
  for (let i = 0; i + 1 < ends.length && ends[i]! < toG; i += 1) {
    const [from, to] = [ends[i]!, ends[i + 1]!]
    const a = difference(from)
    if (a === undefined) return Infinity
    if (a <= 0) return from
    const [m, b] = [difference((from + to) / 2), difference(to)]
    if (m === undefined || b === undefined) return Infinity
    const roots = quadraticRoots(a, m, b)
    if (roots.length === 0) continue
    const turn = from + Math.min(...roots) * (to - from)
    return turn < toG ? turn : Infinity
  }
  return Infinity
}

/** Ends of the straight pieces, the roots of the difference between them, where the rear lifts: all in which the order may turn, g, rising. */
function placesToLook(system: BrakeSystem, mass: Mass, extras: Extras): number[] {
  const { ends, difference } = piecesOf(system, mass, extras)
  const places = [...ends]
  for (let i = 1; i < ends.length; i += 1) {
    const [from, to] = [ends[i - 1]!, ends[i]!]
    const [a, m, b] = [difference(from), difference((from + to) / 2), difference(to)]
    if (a === undefined || m === undefined || b === undefined) continue
    for (const share of quadraticRoots(a, m, b)) places.push(from + share * (to - from))
  }
  return places.sort((x, y) => x - y)
}

/** Where the straight pieces end, g, and front use less rear use, times both loads: a quadratic of the deceleration within a piece. */
function piecesOf(system: BrakeSystem, mass: Mass, extras: Extras): { ends: number[]; difference(decelG: number): number | undefined } {
  const weightN = mass.massKg * STANDARD_GRAVITY
  const { dragN = { front: 0, rear: 0 } } = extras
  const wholeDragN = dragN.front + dragN.rear
  const stop = invertChain(system)
  const loads = loadsOf(mass, extras)
  const inside = (g: number) => g > ORDER_FROM_G && g < ORDER_TO_G
  const ends = [
    ORDER_FROM_G,
    ...[...stop.turnsN.map((forceN) => (forceN + wholeDragN) / weightN), wholeDragN / weightN, liftsRearAtG(mass)].filter(inside),
    ORDER_TO_G,
  ].sort((a, b) => a - b)
  const difference = (decelG: number): number | undefined => {
    const at = stop(weightN * decelG - wholeDragN)
    if (!at) return undefined
    const engaged = wholeDragN > weightN * decelG ? (weightN * decelG) / wholeDragN : 1
    const load = loads(decelG)
    return (at.frontN + dragN.front * engaged) * load.rear - (at.rearN + dragN.rear * engaged) * load.front
  }
  return { ends, difference }
}

/** Where the parabola through three values at 0, 1/2 and 1 is zero between them. */
function quadraticRoots(at0: number, atHalf: number, at1: number): number[] {
  const a = 2 * (at0 - 2 * atHalf + at1)
  const b = at1 - at0 - a
  const between = (t: number) => t > 0 && t < 1
  if (Math.abs(a) < 1e-12 * (Math.abs(at0) + Math.abs(at1))) return b === 0 ? [] : [-at0 / b].filter(between)
  const under = b * b - 4 * a * at0
  if (under < 0) return []
  // the sign that loses no digits
  const q = -(b + (b < 0 ? -1 : 1) * Math.sqrt(under)) / 2
  return [q / a, ...(q === 0 ? [] : [at0 / q])].filter(between)
}
