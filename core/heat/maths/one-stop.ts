import { circleAreaMm2 } from '../../quantity/circle.ts'

/** Grey cast iron: kg/mm3, and the mean specific heat between 20 and 300 degC, J/(kg K). */
export const IRON_KG_PER_MM3 = 7.1e-6
export const IRON_J_PER_KG_K = 510
/** Carbon rings: the mean between 20 and 200 degC, as hot as one stop makes them, J/(kg K). */
export const CARBON_J_PER_KG_K = 1080
/** Share of the brake work that goes into the rotor; the rest warms pads and air. */
export const INTO_ROTOR = 0.95
/** Wheels, hubs and drivetrain turn with the car. */
export const ROTATING = 1.05

/**
 * Mass of the friction ring alone, kg: a hat stores little of one stop.
 * @param kgPerMm3 density of the ring
 *
 * @example
 * Math.round(10 * ringMassKg(256, 152, 22, 0.35)) / 10 // => 3.4
 */
export function ringMassKg(
  outerDiameterMm: number,
  innerDiameterMm: number,
  thicknessMm: number,
  voidShare: number,
  kgPerMm3 = IRON_KG_PER_MM3,
): number {
  return (circleAreaMm2(outerDiameterMm) - circleAreaMm2(innerDiameterMm)) * thicknessMm * (1 - voidShare) * kgPerMm3
}

/**
 * Rise of the ring's mean temperature in one stop to standstill, degC: work over heat capacity, nothing
 * given off on the way (R. Limpert, Brake Design and Safety, ch. 3). A closed form to compare rotors by.
 *
 * @param axleShare of the brake work, 0 to 1
 * @param jPerKgK mean specific heat of the ring
 *
 * @example
 * Math.round(oneStopRiseC(1100, 100, 0.7, 3.4)) // => 85
 */
export function oneStopRiseC(massKg: number, fromKmh: number, axleShare: number, ringKg: number, jPerKgK = IRON_J_PER_KG_K): number {
  const workJ = 0.5 * massKg * ROTATING * (fromKmh / 3.6) ** 2
  return (workJ * axleShare * INTO_ROTOR) / 2 / (ringKg * jPerKgK)
}
