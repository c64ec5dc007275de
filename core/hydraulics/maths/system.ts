import { circleAreaMm2 } from '../../quantity/circle.ts'

/** The brake system as numbers: what the chain, effort and balance compute from. */

export type MasterCylinder =
  | { kind: 'tandem'; boreMm: number }
  /** `frontShare` of the bar, 0.35 to 0.65. */
  | { kind: 'twin'; frontBoreMm: number; rearBoreMm: number; frontShare: number }

/** Runout where (ratio - 1) * rod force reaches `assistN`; undefined: assist unknown, no runout. */
export interface Booster {
  ratio: number
  assistN: number | undefined
}

/** Whether the booster gives out at a force that nobody knows: with it a pedal gives at most what is computed, and needs at least that. */
export const assistUnknown = ({ booster }: Pick<BrakeSystem, 'booster'>): boolean => booster !== undefined && booster.assistN === undefined

/** Rear circuit: below the knee the pressure passes, above it rises by `slope`. */
export interface Valve {
  kneeMpa: number
  slope: number
}

export type AxleBrake =
  /** `pistonAreaMm2`: one side. */
  | { kind: 'disc'; pistonAreaMm2: number; mu: number; effectiveRadiusMm: number; sealMpa: number }
  /** `frictionSensitivity`: how many times a change of lining friction C* changes; by the size of C* where absent. */
  | { kind: 'drum'; pistonAreaMm2: number; brakeFactor: number; drumRadiusMm: number; sealMpa: number; frictionSensitivity?: number }

export interface BrakeSystem {
  pedalRatio: number
  /** 0 to 1. */
  pedalEfficiency: number
  booster: Booster | undefined
  master: MasterCylinder
  valve: Valve | undefined
  front: AxleBrake
  rear: AxleBrake
  /** Rolling radius. */
  tyreRadiusMm: { front: number; rear: number }
}

/** Pressure below which seals and springs keep a brake off, MPa. */
export const DEFAULT_SEAL_MPA = { disc: 0.05, drum: 0.3 } as const
export const DEFAULT_PEDAL_EFFICIENCY = 0.85
/** C* by the kind of shoes (R. Limpert, Brake Design and Safety, ch. 2). */
export const BRAKE_FACTORS = { leadingTrailing: 2, twoLeading: 3, duoServo: 4.5 } as const

type ShoeArrangement = keyof typeof BRAKE_FACTORS
/**
 * Relative change of C* for a relative change of lining friction: shoes that pull themselves on multiply it
 * (R. Limpert, Brake Design and Safety, ch. 2).
 */
export const SHOE_SENSITIVITY: Readonly<Record<ShoeArrangement, number>> = { leadingTrailing: 1.4, twoLeading: 1.8, duoServo: 2.75 }

/**
 * How strongly a drum's C* follows its lining friction, where only C* is known: the kind of shoes that has such a C*.
 *
 * @example
 * sensitivityOfFactor(4.6) // => 2.75
 */
export function sensitivityOfFactor(brakeFactor: number): number {
  const { leadingTrailing, twoLeading, duoServo } = BRAKE_FACTORS
  if (brakeFactor <= (leadingTrailing + twoLeading) / 2) return SHOE_SENSITIVITY.leadingTrailing
  return brakeFactor <= (twoLeading + duoServo) / 2 ? SHOE_SENSITIVITY.twoLeading : SHOE_SENSITIVITY.duoServo
}

/**
 * A brake with linings of so many times the friction: a disc follows it, a drum's C* rises faster.
 *
 * @example
 * withMoreFriction({ kind: 'drum', pistonAreaMm2: 200, brakeFactor: 4, drumRadiusMm: 100, sealMpa: 0.3, frictionSensitivity: 2.5 }, 1.5).brakeFactor // => 9
 */
export function withMoreFriction(brake: AxleBrake, times: number): AxleBrake {
  if (brake.kind === 'disc') return { ...brake, mu: brake.mu * times }
  const { frictionSensitivity = sensitivityOfFactor(brake.brakeFactor) } = brake
  return { ...brake, brakeFactor: brake.brakeFactor * (1 + frictionSensitivity * (times - 1)) }
}

/** Area of a bore, mm2. */
export const boreAreaMm2 = circleAreaMm2

/** Pressure in each circuit for one newton out of pedal and booster, MPa/N. */
export function pressurePerNewton(master: MasterCylinder): { front: number; rear: number } {
  if (master.kind === 'tandem') {
    const each = 1 / boreAreaMm2(master.boreMm)
    return { front: each, rear: each }
  }
  return { front: master.frontShare / boreAreaMm2(master.frontBoreMm), rear: (1 - master.frontShare) / boreAreaMm2(master.rearBoreMm) }
}

/**
 * Torque of one wheel for one MPa above the seal's threshold, N m/MPa. A disc has two faces, and each
 * pad is pressed by the pistons of one side (R. Limpert, Brake Design and Safety, ch. 2).
 */
export function torquePerMpa(brake: AxleBrake): number {
  return brake.kind === 'disc'
    ? (2 * brake.mu * brake.pistonAreaMm2 * brake.effectiveRadiusMm) / 1000
    : (brake.brakeFactor * brake.pistonAreaMm2 * brake.drumRadiusMm) / 1000
}

/** Force at the road of one axle for one MPa above the seal's threshold, N/MPa. */
export const axleForcePerMpa = (brake: AxleBrake, tyreRadiusMm: number): number => (2 * torquePerMpa(brake) * 1000) / tyreRadiusMm
