import { atEnthalpy, enthalpy, IRON_HEAT, specificHeat, type CornerNodes, type SpecificHeat, type Temperatures } from './nodes.ts'

const STEFAN_BOLTZMANN = 5.670374419e-8
const KELVIN = 273.15

/** What went in and out of a corner since it began, J. */
interface CornerEnergy {
  inJ: number
  /** Given off to the air. */
  outJ: number
}

/**
 * One corner going through time. Each step is an implicit midpoint step on the heat that the lumps hold: second order,
 * stable at any step, and what goes in is what is held and given off (E. Hairer, G. Wanner, Solving Ordinary Differential
 * Equations II, ch. IV.6).
 */
export class CornerHeat {
  ringC: number
  padC: number
  caliperC: number
  readonly energy: CornerEnergy = { inJ: 0, outJ: 0 }
  private readonly heat: SpecificHeat
  private ringJPerKg: number

  constructor(
    readonly nodes: CornerNodes,
    start: Temperatures,
    readonly ambientC: number,
  ) {
    this.ringC = start.ringC
    this.padC = start.padC
    this.caliperC = start.caliperC
    this.heat = nodes.heat ?? IRON_HEAT
    this.ringJPerKg = enthalpy(this.heat, this.ringC)
  }

  now(): Temperatures {
    return { ringC: this.ringC, padC: this.padC, caliperC: this.caliperC }
  }
  /** Heat that the lumps hold, J, above the foot of the ring's curve and 0 degC of the others. */
  heldJ(): number {
    const { ringMassKg, padJPerK, caliperJPerK } = this.nodes
    return ringMassKg * this.ringJPerKg + padJPerK * this.padC + caliperJPerK * this.caliperC
  }

  /**
   * @param seconds > 0
   * @param ms speed in the middle of the step, m/s
   * @param workJ brake work of this corner in the step
   * @param braking whether the pads are pressed
   */
  step(seconds: number, ms: number, workJ: number, braking: boolean): void {
    const n = this.nodes
    const half = seconds / 2
    const powerW = workJ / seconds
    const air = (n.h0 + n.h1 * (ms > 0 ? ms ** 0.8 : 0)) * n.ductFactor * n.areaM2
    const touch = braking ? n.ringToPadWPerK : n.ringToPadReleasedWPerK
    const toCaliper = n.padToCaliperWPerK
    const across = n.ringToCaliperWPerK
    const a = this.ambientC
    const aK = a + KELVIN
    const radiates = n.emissivity * STEFAN_BOLTZMANN * n.areaM2
    // what does not depend on the ring: pads and caliper in the middle of the step, as straight lines of the ring's temperature
    const p = n.padJPerK / half
    const c = n.caliperJPerK / half
    const pp = p + touch + toCaliper + n.padCoolingWPerK
    const cc = c + toCaliper + across + n.caliperCoolingWPerK
    const p0 = p * this.padC + (1 - n.intoRotor) * powerW + n.padCoolingWPerK * a
    const c0 = c * this.caliperC + n.caliperCoolingWPerK * a
    const det = pp * cc - toCaliper * toCaliper
    const padAt0 = (p0 * cc + toCaliper * c0) / det
    const padPerK = (touch * cc + toCaliper * across) / det
    const caliperAt0 = (c0 * pp + toCaliper * p0) / det
    const caliperPerK = (across * pp + toCaliper * touch) / det
    let middle = this.ringC
    for (let i = 0; i < ROUNDS; i += 1) {
      const k = middle + KELVIN
      const loss = air + radiates * (k * k + aK * aK) * (k + aK)
      // the mean of the specific heat over the half step, so that the heat held is met
      const held = n.ringMassKg * specificHeat(this.heat, (this.ringC + middle) / 2)
      const r = held / half
      const left = r + loss + touch + across - touch * padPerK - across * caliperPerK
      middle = (r * this.ringC + n.intoRotor * powerW + loss * a + touch * padAt0 + across * caliperAt0) / left
    }
    const pad = padAt0 + padPerK * middle
    const caliper = caliperAt0 + caliperPerK * middle
    const k = middle + KELVIN
    const ringOut = (air + radiates * (k * k + aK * aK) * (k + aK)) * (middle - a)
    const ringPad = touch * (middle - pad)
    const ringCaliper = across * (middle - caliper)
    const padCaliper = toCaliper * (pad - caliper)
    const padOut = n.padCoolingWPerK * (pad - a)
    const caliperOut = n.caliperCoolingWPerK * (caliper - a)
    this.ringJPerKg += (seconds * (n.intoRotor * powerW - ringOut - ringPad - ringCaliper)) / n.ringMassKg
    this.ringC = atEnthalpy(this.heat, this.ringJPerKg)
    this.padC += (seconds * ((1 - n.intoRotor) * powerW + ringPad - padCaliper - padOut)) / n.padJPerK
    this.caliperC += (seconds * (padCaliper + ringCaliper - caliperOut)) / n.caliperJPerK
    this.energy.inJ += workJ
    this.energy.outJ += seconds * (ringOut + padOut + caliperOut)
  }
}
/** Of the ring's own curve and radiation; the step is short against both. */
const ROUNDS = 3
