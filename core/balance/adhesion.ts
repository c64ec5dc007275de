import { stopOf } from '../hydraulics/effort.ts'
import type { BrakeSystem } from '../hydraulics/system.ts'
import { STANDARD_GRAVITY } from '../quantity/units.ts'

export interface Mass {
  massKg: number
  /** Front share standing still. */
  staticFront: number
  cgHeightMm: number
  wheelbaseMm: number
}

/** What presses the axles down or slows the car beside the brakes, N; all of them 0 when absent. */
export interface Extras {
  downforceN?: { front: number; rear: number }
  /** Of the engine, at the driven axle. */
  dragN?: { front: number; rear: number }
}

export interface AdhesionPoint {
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
 * Engine drag takes its part of the deceleration at the driven axle; downforce loads the axles without slowing.
 *
 * @returns a function of the deceleration, g; undefined from it when the brakes cannot give that deceleration
 */
export function adhesionOf(system: BrakeSystem, mass: Mass, extras: Extras = {}): (decelG: number) => AdhesionPoint | undefined {
  const weightN = mass.massKg * STANDARD_GRAVITY
  const { dragN = NONE, downforceN = NONE } = extras
  const stop = stopOf(system)
  return (decelG) => {
    const at = stop(weightN * decelG - dragN.front - dragN.rear)
    if (!at) return undefined
    const transfer = (decelG * mass.cgHeightMm) / mass.wheelbaseMm
    const front = used(at.frontN + dragN.front, weightN * (mass.staticFront + transfer) + downforceN.front)
    const rear = used(at.rearN + dragN.rear, weightN * (1 - mass.staticFront - transfer) + downforceN.rear)
    return { decelG, front, rear, locksFirst: front > rear ? 'front' : 'rear', pedalForceN: at.pedalForceN }
  }
}

/** One answer of `adhesionOf`. */
export const adhesionUsed = (system: BrakeSystem, mass: Mass, decelG: number, extras: Extras = {}): AdhesionPoint | undefined =>
  adhesionOf(system, mass, extras)(decelG)

const NONE = { front: 0, rear: 0 }
const used = (forceN: number, loadN: number): number => (loadN > 0 ? forceN / loadN : forceN > 0 ? Infinity : 0)

const SCAN_FROM_G = 0.15
const SCAN_TO_G = 1.5
const SCAN_STEP_G = 0.01

export type LockOrder =
  /** Front first up to `aboveG`, then rear. */
  { kind: 'rearAbove'; aboveG: number } | { kind: 'frontAlways'; upToG: number } | { kind: 'rearAlways' }

/**
 * Which axle locks first from 0.15 g on (below that the criterion of UN R13-H Annex 5 does not look),
 * and the deceleration where the order first turns to the rear, to 1e-6 g.
 *
 * @returns undefined when the brakes give no deceleration at all
 */
export function lockOrder(system: BrakeSystem, mass: Mass, extras: Extras = {}): LockOrder | undefined {
  const adhesion = adhesionOf(system, mass, extras)
  const first = (decelG: number) => adhesion(decelG)?.locksFirst
  const start = first(SCAN_FROM_G)
  if (start === undefined) return undefined
  if (start === 'rear') return { kind: 'rearAlways' }
  let below = SCAN_FROM_G
  for (let i = 1; below < SCAN_TO_G; i += 1) {
    const at = SCAN_FROM_G + i * SCAN_STEP_G
    const now = first(at)
    if (now === undefined) return { kind: 'frontAlways', upToG: below }
    if (now === 'rear') {
      let above = at
      while (above - below > 1e-7) {
        const middle = (below + above) / 2
        if (first(middle) === 'rear') above = middle
        else below = middle
      }
      return { kind: 'rearAbove', aboveG: above }
    }
    below = at
  }
  return { kind: 'frontAlways', upToG: SCAN_TO_G }
}
