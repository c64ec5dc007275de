import { invertChain } from '../../hydraulics/maths/pedal-force.ts'
import type { Mass } from '../../hydraulics/maths/mass.ts'
import type { BrakeSystem } from '../../hydraulics/maths/system.ts'
import { STANDARD_GRAVITY } from '../../quantity/units.ts'

/** What presses the axles down or slows the car beside the brakes, N; all of them 0 when absent. */
export interface Extras {
  downforceN?: { front: number; rear: number }
  /** Of the engine, at the driven axle. */
  dragN?: { front: number; rear: number }
}

interface AdhesionPoint {
  decelG: number
  /** Force over load of the axle: the friction it needs. Infinity when the axle has lifted. */
  front: number
  rear: number
  locksFirst: 'front' | 'rear'
  pedalForceN: number
}

/**
 * Adhesion used by each axle at a deceleration (UN Regulation No. 13-H, Annex 5): the split comes from
 * the chain at the pedal force that gives that deceleration, so a valve and seals count as they are.
 * The axle that uses more locks first; equal use counts as rear first.
 *
 * Engine drag takes its part of the deceleration at the driven axle, and no more than what is asked: below the
 * deceleration that it gives by itself the driver's foot is on the throttle. Downforce loads the axles without slowing.
 *
 * @returns a function of the deceleration, g; undefined from it when the brakes cannot give that deceleration
 */
export function adhesionOf(system: BrakeSystem, mass: Mass, extras: Extras = {}): (decelG: number) => AdhesionPoint | undefined {
  const weightN = mass.massKg * STANDARD_GRAVITY
  const { dragN = NONE } = extras
  const wholeDragN = dragN.front + dragN.rear
  const loads = loadsOf(mass, extras)
  const stop = invertChain(system)
  return (decelG) => {
    const askedN = weightN * decelG
    const at = stop(askedN - wholeDragN)
    if (!at) return undefined
    const engaged = wholeDragN > askedN ? askedN / wholeDragN : 1
    const load = loads(decelG)
    const front = used(at.frontN + dragN.front * engaged, load.front)
    const rear = used(at.rearN + dragN.rear * engaged, load.rear)
    return { decelG, front, rear, locksFirst: front > rear ? 'front' : 'rear', pedalForceN: at.pedalForceN }
  }
}

/** Loads of the axles at a deceleration, N: what stands on them, what the deceleration moves forward, downforce. */
export function loadsOf(mass: Mass, { downforceN = NONE }: Extras = {}): (decelG: number) => { front: number; rear: number } {
  const weightN = mass.massKg * STANDARD_GRAVITY
  return (decelG) => {
    const transfer = (decelG * mass.cgHeightMm) / mass.wheelbaseMm
    return {
      front: weightN * (mass.staticFront + transfer) + downforceN.front,
      rear: weightN * (1 - mass.staticFront - transfer) + downforceN.rear,
    }
  }
}

/** Deceleration at which nothing is left on the rear wheels, g: whatever the tyres hold, no car slows more. */
export const liftsRearAtG = ({ staticFront, cgHeightMm, wheelbaseMm }: Mass): number => ((1 - staticFront) * wheelbaseMm) / cgHeightMm

/** One answer of `adhesionOf`. */
export const adhesionUsed = (system: BrakeSystem, mass: Mass, decelG: number, extras: Extras = {}): AdhesionPoint | undefined =>
  adhesionOf(system, mass, extras)(decelG)

const NONE = { front: 0, rear: 0 }
const used = (forceN: number, loadN: number): number => (loadN > 0 ? forceN / loadN : forceN > 0 ? Infinity : 0)
