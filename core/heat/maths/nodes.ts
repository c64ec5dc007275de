/** One corner as three lumps: friction ring, pads, caliper with its fluid (R. Limpert, Brake Design and Safety, ch. 3). */
export interface CornerNodes {
  ringMassKg: number
  /** Both rubbing faces. */
  areaM2: number
  emissivity: number
  /** Given off by the ring standing still, W/(m2 K), and what speed adds: h0 + h1 v^0.8, v in m/s. */
  h0: number
  h1: number
  /** What a hose to the hub side, or a wheel without air from behind, does to it. */
  ductFactor: number
  /** Share of the brake work that goes into the ring; the rest goes into the pads. */
  intoRotor: number
  ringToPadWPerK: number
  /** While the brakes are released: the pads still touch lightly. */
  ringToPadReleasedWPerK: number
  padToCaliperWPerK: number
  ringToCaliperWPerK: number
  /** Where between caliper and pads the fluid at the piston stands, 0 to 1. */
  fluidShare: number
  padJPerK: number
  padCoolingWPerK: number
  caliperJPerK: number
  caliperCoolingWPerK: number
  /** Specific heat of the ring; grey iron where absent. */
  heat?: SpecificHeat
}

/** Specific heat over temperature, straight between two points and flat outside, J/(kg K). */
export interface SpecificHeat {
  fromC: number
  fromJPerKgK: number
  toC: number
  toJPerKgK: number
}
export const IRON_HEAT: SpecificHeat = { fromC: 20, fromJPerKgK: 460, toC: 600, toJPerKgK: 600 }
export const CARBON_HEAT: SpecificHeat = { fromC: 20, fromJPerKgK: 1000, toC: 1000, toJPerKgK: 1900 }

/** Temperatures of the three lumps, degC. */
export interface Temperatures {
  ringC: number
  padC: number
  caliperC: number
}

/** The fluid at the piston, degC. */
export const fluidC = ({ padC, caliperC }: Temperatures, { fluidShare }: Pick<CornerNodes, 'fluidShare'>): number =>
  caliperC + fluidShare * (padC - caliperC)

export function specificHeat(heat: SpecificHeat, atC: number): number {
  const { fromC, fromJPerKgK, toC, toJPerKgK } = heat
  if (atC <= fromC) return fromJPerKgK
  if (atC >= toC) return toJPerKgK
  return fromJPerKgK + ((toJPerKgK - fromJPerKgK) * (atC - fromC)) / (toC - fromC)
}

/** Heat held by a kilogram above `fromC`, J/kg: the integral of the specific heat. */
export function enthalpy(heat: SpecificHeat, atC: number): number {
  const { fromC, fromJPerKgK, toC, toJPerKgK } = heat
  if (atC <= fromC) return fromJPerKgK * (atC - fromC)
  const slope = (toJPerKgK - fromJPerKgK) / (toC - fromC)
  const within = Math.min(atC, toC) - fromC
  return fromJPerKgK * within + (slope / 2) * within * within + (atC > toC ? toJPerKgK * (atC - toC) : 0)
}

/** The inverse of `enthalpy`, degC. */
export function atEnthalpy(heat: SpecificHeat, jPerKg: number): number {
  const { fromC, fromJPerKgK, toC, toJPerKgK } = heat
  if (jPerKg <= 0) return fromC + jPerKg / fromJPerKgK
  const most = enthalpy(heat, toC)
  if (jPerKg >= most) return toC + (jPerKg - most) / toJPerKgK
  const slope = (toJPerKgK - fromJPerKgK) / (toC - fromC)
  if (slope === 0) return fromC + jPerKg / fromJPerKgK
  return fromC + (Math.sqrt(fromJPerKgK * fromJPerKgK + 2 * slope * jPerKg) - fromJPerKgK) / slope
}
