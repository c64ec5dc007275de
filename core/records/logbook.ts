import type { Figure } from '../quantity/figure.ts'

/** What was done and seen on the car, by date: entries of the logbook and of the work order. */

export const SURFACES = { dry: 'dry asphalt', wet: 'wet asphalt', loose: 'loose ground' } as const
export type SurfaceDriven = keyof typeof SURFACES
export const LOADS_DRIVEN = { driver: 'driver only', laden: 'laden' } as const
export type LoadDriven = keyof typeof LOADS_DRIVEN

/** One stop to a stand that was driven on purpose. */
export interface StopTest {
  id: string
  date: string
  setupId: string
  fromKmh: number
  /** From where the brake was applied, m. Of a trace: what it sums up to. */
  distanceM: number
  /** Seconds from the application of the brake, and km/h. Absent: the distance was measured. */
  trace?: [seconds: number, kmh: number][]
  surface: SurfaceDriven
  load: LoadDriven
  /** Anti-lock was at work; absent: nobody says. */
  abs?: boolean
  airC?: number
  /** Of the front rotors before the stop, degC. */
  rotorC?: number
  tyre?: string
  track?: string
  driver?: string
  note?: string
}

/** Which axle locked first, or that none did. */
export interface LockUpObservation {
  id: string
  date: string
  setupId: string
  surface: SurfaceDriven
  load: LoadDriven
  axle: 'front' | 'rear' | 'none'
  /** Deceleration at which it was seen, g. */
  atG: number
  fromKmh?: number
  track?: string
  note?: string
}

/** Where the lining of a pad is measured. */
export const PAD_POINTS = {
  innerLeadingMm: 'inner, leading',
  innerTrailingMm: 'inner, trailing',
  outerLeadingMm: 'outer, leading',
  outerTrailingMm: 'outer, trailing',
} as const
export type PadPoint = keyof typeof PAD_POINTS

/** Lining and rotor of one corner, as measured. */
export type WearReading = {
  id: string
  date: string
  axle: 'front' | 'rear'
  side: 'left' | 'right'
  /** Events driven since these pads and rotors went in. */
  events: number
  setupId?: string
  /** What was measured: a reading speaks of nothing else. */
  pad?: string
  rotor?: string
  rotorMm?: number
  note?: string
} & { [P in PadPoint]?: number }

/** A step of the work order: done when, what was seen. */
export interface BuildNote {
  /** The step's. */
  id: string
  doneOn?: string
  note?: string
  /** A small JPEG as a data address. */
  picture?: string
}
/** A torque as it was read, never made up here. */
interface BuildTorque {
  /** Which bolts: `front.caliper`. */
  id: string
  torque: Figure
}
/** The build of one setup: what is ticked, noted and read. */
export interface BuildLog {
  /** The setup's. */
  id: string
  notes: BuildNote[]
  torques: BuildTorque[]
  /** In stages with a test between; dates in their order. */
  staged?: boolean
  dates?: (string | null)[]
  /** How it is bled. */
  bleeding?: Bleeding
}
export const BLEEDINGS = {
  pedal: 'two people and the pedal',
  oneMan: 'one person, a bottle with a valve',
  pressure: 'pressure at the reservoir',
  vacuum: 'vacuum at the screw',
} as const
export type Bleeding = keyof typeof BLEEDINGS
