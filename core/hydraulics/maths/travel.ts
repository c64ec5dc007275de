import { boreAreaMm2, type MasterCylinder } from './system.ts'

/** What one axle takes: figures of one caliper and one wheel's hose; the axle has two. */
export interface FluidTaker {
  pistonAreaMm2: number
  /** Running clearance of a pad, mm. */
  clearanceMm: number
  complianceMm3PerMpa: number
  hoseLengthMm: number
  hoseSwellMm3PerMmMpa: number
}

export const DEFAULT_CLEARANCE_MM = 0.15
export const DEFAULT_FREE_STROKE_MM = 1.5
/** Calipers and pads, mm3/MPa for each 1000 mm2 of one-side area, give or take 40 %. */
export const COMPLIANCE_MM3_PER_MPA = { fixed: 45, sliding: 65 } as const
/** mm3/(mm MPa). */
export const HOSE_SWELL = { rubber: 0.12, braided: 0.05, hard: 0 } as const

/** Fluid that both wheels of an axle take at a pressure, mm3: V = 2 A delta + k P, and the swelling of the hose. */
export function axleFluidMm3(taker: FluidTaker, pressureMpa: number): number {
  const oneWheel =
    2 * taker.pistonAreaMm2 * taker.clearanceMm +
    taker.complianceMm3PerMpa * pressureMpa +
    taker.hoseLengthMm * taker.hoseSwellMm3PerMmMpa * pressureMpa
  return 2 * oneWheel
}

/** Bore of the cylinder, or of the chamber's cylinder, that feeds each axle, mm. */
const circuitBoreMm = (master: MasterCylinder): { front: number; rear: number } =>
  master.kind === 'tandem' ? { front: master.boreMm, rear: master.boreMm } : { front: master.frontBoreMm, rear: master.rearBoreMm }

/** How far the piston of each circuit moves to feed what its axle takes, mm: fluid over bore area. */
export function circuitStrokesMm(master: MasterCylinder, fluidMm3: { front: number; rear: number }): { front: number; rear: number } {
  const bore = circuitBoreMm(master)
  return { front: fluidMm3.front / boreAreaMm2(bore.front), rear: fluidMm3.rear / boreAreaMm2(bore.rear) }
}

/**
 * Stroke of the rod from those of the circuits, mm. A tandem's are pushed one behind the other and add up; of two
 * cylinders the bar's pivot moves by their mean, weighted by its share.
 */
export const rodStrokeMm = (master: MasterCylinder, strokesMm: { front: number; rear: number }): number =>
  master.kind === 'tandem'
    ? strokesMm.front + strokesMm.rear
    : master.frontShare * strokesMm.front + (1 - master.frontShare) * strokesMm.rear

/**
 * Stroke of the pushrod (twin cylinders: of the bar's pivot) at working pressure, with the free stroke before anything moves, mm.
 */
export function strokeMm(
  master: MasterCylinder,
  front: { taker: FluidTaker; pressureMpa: number },
  rear: { taker: FluidTaker; pressureMpa: number },
  freeStrokeMm: number,
): number {
  const fluidMm3 = { front: axleFluidMm3(front.taker, front.pressureMpa), rear: axleFluidMm3(rear.taker, rear.pressureMpa) }
  return rodStrokeMm(master, circuitStrokesMm(master, fluidMm3)) + freeStrokeMm
}
