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

/**
 * Stroke of the pushrod (twin cylinders: of the bar's pivot) at working pressure, mm.
 * Tandem: both circuits are pushed by one rod one behind the other, so their strokes add up.
 */
export function strokeMm(
  master: MasterCylinder,
  front: { taker: FluidTaker; pressureMpa: number },
  rear: { taker: FluidTaker; pressureMpa: number },
  freeStrokeMm: number,
): number {
  const frontMm3 = axleFluidMm3(front.taker, front.pressureMpa)
  const rearMm3 = axleFluidMm3(rear.taker, rear.pressureMpa)
  if (master.kind === 'tandem') return (frontMm3 + rearMm3) / boreAreaMm2(master.boreMm) + freeStrokeMm
  const frontMm = frontMm3 / boreAreaMm2(master.frontBoreMm)
  const rearMm = rearMm3 / boreAreaMm2(master.rearBoreMm)
  return master.frontShare * frontMm + (1 - master.frontShare) * rearMm + freeStrokeMm
}
