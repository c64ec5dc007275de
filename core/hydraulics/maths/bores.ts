import { chain, unboost, type Chain } from './chain.ts'
import { pedalForceForRoadForce } from './pedal-force.ts'
import { STOCK_BORES_MM } from './same-feel.ts'
import { axleForcePerMpa, boreAreaMm2, type BrakeSystem } from './system.ts'
import { axleFluidMm3, circuitStrokesMm, rodStrokeMm, strokeMm, type FluidTaker } from './travel.ts'

/** What a stop asks of the hydraulics: force at the road, and how it should be shared. */
interface StopWanted {
  roadForceN: number
  /** Front share of the force at the road. */
  frontShare: number
}

export interface Takers {
  front: FluidTaker
  rear: FluidTaker
}

export interface BoreRow {
  boreMm: number
  pedalForceN: number
  frontMpa: number
  rearMpa: number
  pedalTravelMm: number
}

/** Every stock bore in a tandem cylinder: pedal force, pressures and travel for a road force (R. Limpert, Brake Design and Safety, ch. 5). */
export function boreTable(system: BrakeSystem, takers: Takers, roadForceN: number, freeStrokeMm: number): BoreRow[] {
  return STOCK_BORES_MM.flatMap((boreMm) => {
    const master = { kind: 'tandem', boreMm } as const
    const bored: BrakeSystem = { ...system, master }
    const pedalForceN = pedalForceForRoadForce(bored, roadForceN)
    if (pedalForceN === undefined) return []
    const stage = chain(bored, pedalForceN)
    return [{ boreMm, pedalForceN, ...pressures(stage), pedalTravelMm: travelMm(bored, takers, stage, freeStrokeMm) }]
  })
}

const pressures = (stage: Pick<Chain, 'front' | 'rear'>) => ({ frontMpa: stage.front.pressureMpa, rearMpa: stage.rear.pressureMpa })
const travelMm = (system: BrakeSystem, takers: Takers, stage: Pick<Chain, 'front' | 'rear'>, freeStrokeMm: number): number =>
  strokeMm(
    system.master,
    { taker: takers.front, pressureMpa: stage.front.pressureMpa },
    { taker: takers.rear, pressureMpa: stage.rear.pressureMpa },
    freeStrokeMm,
  ) * system.pedalRatio

export interface PairCell {
  frontBoreMm: number
  rearBoreMm: number
  /** The bar's front share that gives the share wanted. */
  barShare: number
  pedalForceN: number
  frontMpa: number
  rearMpa: number
  /** Strokes of the two cylinders, mm; unlike strokes tilt the bar. */
  frontStrokeMm: number
  rearStrokeMm: number
  pedalTravelMm: number
}

/** Where the pivot stands off the middle of the bar for a front share, mm, + towards the front clevis: e = (x − 0.5) L. */
export const barPivotMm = (frontShare: number, spacingMm: number): number => (frontShare - 0.5) * spacingMm

/**
 * How far unlike strokes tilt the bar at working pressure, degrees: atan((s_f - s_r) / L).
 * @param spacingMm between the clevises
 */
export const barTiltDeg = ({ frontStrokeMm, rearStrokeMm }: Pick<PairCell, 'frontStrokeMm' | 'rearStrokeMm'>, spacingMm: number): number =>
  (Math.atan((frontStrokeMm - rearStrokeMm) / spacingMm) * 180) / Math.PI

/** Pressure before the valve that gives one after it, MPa; undefined: the valve never lets so much through. */
function beforeValve(mpa: number, valve: BrakeSystem['valve']): number | undefined {
  if (!valve || mpa <= valve.kneeMpa) return mpa
  return valve.slope > 0 ? valve.kneeMpa + (mpa - valve.kneeMpa) / valve.slope : undefined
}

/** Pressures that share the road force as wanted, MPa, at the rear before and behind the valve; undefined: the brakes cannot. */
function pressuresFor(system: BrakeSystem, wanted: StopWanted): { frontMpa: number; rearMpa: number; behindMpa: number } | undefined {
  const frontMpa = (wanted.frontShare * wanted.roadForceN) / axleForcePerMpa(system.front, system.tyreRadiusMm.front) + system.front.sealMpa
  const behindMpa =
    ((1 - wanted.frontShare) * wanted.roadForceN) / axleForcePerMpa(system.rear, system.tyreRadiusMm.rear) + system.rear.sealMpa
  const rearMpa = beforeValve(behindMpa, system.valve)
  return rearMpa === undefined || !Number.isFinite(frontMpa) || !Number.isFinite(rearMpa) ? undefined : { frontMpa, rearMpa, behindMpa }
}
const barShareOf = ({ frontMpa, rearMpa }: { frontMpa: number; rearMpa: number }, frontArea: number, rearArea: number): number =>
  (frontMpa * frontArea) / (frontMpa * frontArea + rearMpa * rearArea)

/**
 * The bar's front share with which two cylinders share a stop as wanted, in closed form: P_f A_f = x F and P_r A_r = (1 - x) F.
 * It may lie beyond what a bar can do. Undefined: the brakes cannot share the force like that.
 */
export function barShareFor(
  system: BrakeSystem,
  bores: { frontBoreMm: number; rearBoreMm: number },
  wanted: StopWanted,
): number | undefined {
  const found = pressuresFor(system, wanted)
  return found && barShareOf(found, boreAreaMm2(bores.frontBoreMm), boreAreaMm2(bores.rearBoreMm))
}

/**
 * Every pair of stock bores for two cylinders with a bar: the bar position that shares the road force as wanted, with
 * effort, pressures and travel. In closed form: the wanted pressures fix the bar, P_f A_f = x F and P_r A_r = (1 - x) F.
 *
 * @returns empty when the brakes cannot share the force like that
 */
export function pairMatrix(system: BrakeSystem, takers: Takers, wanted: StopWanted, freeStrokeMm: number): PairCell[] {
  const found = pressuresFor(system, wanted)
  if (!found) return []
  const { frontMpa, behindMpa: behind } = found
  const fluidMm3 = { front: axleFluidMm3(takers.front, frontMpa), rear: axleFluidMm3(takers.rear, behind) }
  return STOCK_BORES_MM.flatMap((frontBoreMm) =>
    STOCK_BORES_MM.map((rearBoreMm) => {
      const [frontArea, rearArea] = [boreAreaMm2(frontBoreMm), boreAreaMm2(rearBoreMm)]
      const forceN = frontMpa * frontArea + found.rearMpa * rearArea
      const barShare = barShareOf(found, frontArea, rearArea)
      const master = { kind: 'twin', frontBoreMm, rearBoreMm, frontShare: barShare } as const
      const strokes = circuitStrokesMm(master, fluidMm3)
      return {
        frontBoreMm,
        rearBoreMm,
        barShare,
        pedalForceN: unboost(forceN, system.booster) / (system.pedalRatio * system.pedalEfficiency),
        frontMpa,
        rearMpa: behind,
        frontStrokeMm: strokes.front,
        rearStrokeMm: strokes.rear,
        pedalTravelMm: (rodStrokeMm(master, strokes) + freeStrokeMm) * system.pedalRatio,
      }
    }),
  )
}
