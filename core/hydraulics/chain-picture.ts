import type { Takers } from './maths/bores.ts'
import { chain, type Chain } from './maths/chain.ts'
import { pedalForceOf } from './maths/pedal-force.ts'
import { axleForcePerMpa, pressurePerNewton, type BrakeSystem } from './maths/system.ts'
import { axleFluidMm3, circuitStrokesMm, DEFAULT_FREE_STROKE_MM, rodStrokeMm } from './maths/travel.ts'
import type { Axle } from '../quantity/axle.ts'
import { STANDARD_GRAVITY } from '../quantity/units.ts'
import type { Hydraulics } from './hydraulics-of.ts'

export const CURVE_G = 1.2
export const CURVE_STEPS = 48

/** One stage of the chain as the picture shows it. */
export interface StageTravel {
  pedalMm: number
  rodMm: number
  /** Stroke that each circuit takes of its cylinder. */
  masterMm: { front: number; rear: number }
  /** How far each pad, or each piston of a wheel cylinder, moves. */
  padMm: { front: number; rear: number }
}

/** Brake forces of both axles over the weight of the car. */
type RelativeForces = [front: number, rear: number]

/** Front and rear force over the weight as the pedal goes down. */
export function forceLine(system: BrakeSystem, weightN: number): RelativeForces[] {
  const effort = pedalForceOf(system)
  const points: RelativeForces[] = [[0, 0]]
  for (let i = 1; i <= CURVE_STEPS; i += 1) {
    const pedalForceN = effort((weightN * CURVE_G * i) / CURVE_STEPS)
    if (pedalForceN === undefined) break
    const stage = chain(system, pedalForceN)
    points.push([stage.front.forceN / weightN, stage.rear.forceN / weightN])
  }
  return points
}

/** How far each stage moves at a pedal force: fluid taken over area, from the pistons back to the foot. */
export function stageTravel(system: BrakeSystem, takers: Takers, stage: Pick<Chain, 'front' | 'rear'>): StageTravel {
  const { master } = system
  const fluid = { front: axleFluidMm3(takers.front, stage.front.pressureMpa), rear: axleFluidMm3(takers.rear, stage.rear.pressureMpa) }
  const masterMm = circuitStrokesMm(master, fluid)
  const rodMm = rodStrokeMm(master, masterMm) + DEFAULT_FREE_STROKE_MM
  const pad = (axle: Axle) => fluid[axle] / 2 / (takers[axle].pistonAreaMm2 * 2)
  return { pedalMm: rodMm * system.pedalRatio, rodMm, masterMm, padMm: { front: pad('front'), rear: pad('rear') } }
}

/** The valve's knee on the line of forces, and the line that it would give elsewhere. */
interface KneeOnLine {
  kneeMpa: number
  point: RelativeForces
  line: RelativeForces[]
}

/** The line of forces with the knee at a pressure, for a hand that drags it; undefined without a valve or with figures missing. */
export function kneeOnLine({ system, mass }: Hydraulics, kneeMpa: number): KneeOnLine | undefined {
  if (!system?.valve || !mass) return undefined
  const weightN = mass.massKg * STANDARD_GRAVITY
  const moved: BrakeSystem = { ...system, valve: { ...system.valve, kneeMpa } }
  const per = pressurePerNewton(system.master)
  const force = (axle: Axle, mpa: number) =>
    (Math.max(mpa - system[axle].sealMpa, 0) * axleForcePerMpa(system[axle], system.tyreRadiusMm[axle])) / weightN
  return { kneeMpa, point: [force('front', (kneeMpa * per.front) / per.rear), force('rear', kneeMpa)], line: forceLine(moved, weightN) }
}

/** The knee pressure that puts the knee at a rear force over the weight, MPa, within what a valve can be set to. */
export function kneeAtRear({ system, mass }: Hydraulics, rearOverWeight: number): number | undefined {
  if (!system || !mass) return undefined
  const perMpa = axleForcePerMpa(system.rear, system.tyreRadiusMm.rear)
  const mpa = (rearOverWeight * mass.massKg * STANDARD_GRAVITY) / perMpa + system.rear.sealMpa
  return Math.min(20, Math.max(0.1, mpa))
}

export interface ChainPicture {
  chain: Chain
  travel: StageTravel | undefined
  /** Rear pressure as it leaves the cylinder, before the valve. */
  rearBeforeValveMpa: number
  /** Force after the booster over rod force; undefined without a booster or a force. */
  boostRatio: number | undefined
  /** What the brakes would give if the tyres held, g. */
  decelG: number | undefined
}

/** The chain of a setup at one pedal force with what moves at each stage; undefined while figures are missing. */
export function chainPicture({ system, takers, mass }: Hydraulics, pedalForceN: number): ChainPicture | undefined {
  if (!system) return undefined
  const stage = chain(system, pedalForceN)
  return {
    chain: stage,
    travel: takers && stageTravel(system, takers, stage),
    rearBeforeValveMpa: stage.boostedForceN * pressurePerNewton(system.master).rear,
    boostRatio: system.booster && stage.rodForceN > 0 ? stage.boostedForceN / stage.rodForceN : undefined,
    decelG: mass && (stage.front.forceN + stage.rear.forceN) / (mass.massKg * STANDARD_GRAVITY),
  }
}
