import { CARBON_HEAT, type CornerNodes } from './nodes.ts'
import { ring, type RingFigures } from './ring.ts'

/**
 * Figures of a corner's heat that nobody measures on a car, with how far the true one may lie off: a share of the figure
 * either way, in two of three cars. Engineering estimates in the range of the literature (R. Limpert, Brake Design and Safety,
 * ch. 3; J. Lienhard, A Heat Transfer Textbook, for discs in moving air). A measured temperature outranks them.
 */
export const HEAT_DEFAULTS = {
  emissivity: { value: 0.55, doubt: 0.2, label: 'Emissivity of the rotor' },
  intoRotor: { value: 0.95, doubt: 0.02, label: 'Share of the work into the rotor' },
  h0: { value: 10, doubt: 0.3, label: 'Heat given off standing still, W/(m² K)' },
  h1Solid: { value: 4, doubt: 0.25, label: 'Cooling by speed, solid rotor' },
  h1Vented: { value: 7, doubt: 0.25, label: 'Cooling by speed, vented rotor' },
  padWPerMK: { value: 1.2, doubt: 0.4, label: 'Conductivity of the linings, W/(m K)' },
  released: { value: 0.15, doubt: 0.5, label: 'Contact of released pads, share' },
  padToCaliper: { value: 1.5, doubt: 0.35, label: 'Pads to caliper, W/K' },
  ringToCaliper: { value: 0.3, doubt: 0.5, label: 'Rotor to caliper, W/K' },
  fluidShare: { value: 0.25, doubt: 0.3, label: 'Fluid between caliper and pads, share' },
  padCooling: { value: 0.6, doubt: 0.4, label: 'Pads to the air, W/K' },
  caliperCooling: { value: 2.5, doubt: 0.4, label: 'Caliper to the air, W/K' },
} as const

/** Lining and plate: kg/mm3, J/(kg K), mm. */
const LINING = { kgPerMm3: 2.8e-6, jPerKgK: 1000 }
const PLATE = { kgPerMm3: 7.85e-6, jPerKgK: 460, thicknessMm: 5, larger: 1.1 }
const BODY_J_PER_KG_K = { aluminium: 900, iron: 460 } as const
/** Fluid in the caliper: 0.1 kg of 2000 J/(kg K). */
const FLUID_J_PER_K = 0.1 * 2000

export interface CornerFigures {
  ring: RingFigures
  vented: boolean
  material?: 'iron' | 'carbon'
  /** Lining of one pad. */
  padAreaMm2: number
  /** Lining and plate of one pad together, mm. */
  padThicknessMm: number
  caliperKg: number
  caliper: keyof typeof BODY_J_PER_KG_K
}

/** A corner's lumps from what is known of its parts; all else by the defaults. */
export function cornerNodes({ ring: of, vented, material, padAreaMm2, padThicknessMm, caliperKg, caliper }: CornerFigures): CornerNodes {
  const { massKg, faceAreaM2 } = ring(of)
  const d = HEAT_DEFAULTS
  const liningMm = Math.max(padThicknessMm - PLATE.thicknessMm, 1)
  const pads = 2 * padAreaMm2
  const contact = (d.padWPerMK.value * pads * 1e-6) / (liningMm / 1000 / 2)
  return {
    ringMassKg: massKg,
    areaM2: faceAreaM2,
    emissivity: d.emissivity.value,
    h0: d.h0.value,
    h1: vented ? d.h1Vented.value : d.h1Solid.value,
    ductFactor: 1,
    intoRotor: d.intoRotor.value,
    ringToPadWPerK: contact,
    ringToPadReleasedWPerK: contact * d.released.value,
    padToCaliperWPerK: d.padToCaliper.value,
    ringToCaliperWPerK: d.ringToCaliper.value,
    fluidShare: d.fluidShare.value,
    padJPerK: pads * liningMm * LINING.kgPerMm3 * LINING.jPerKgK + pads * PLATE.larger * PLATE.thicknessMm * PLATE.kgPerMm3 * PLATE.jPerKgK,
    padCoolingWPerK: d.padCooling.value,
    caliperJPerK: caliperKg * BODY_J_PER_KG_K[caliper] + FLUID_J_PER_K,
    caliperCoolingWPerK: d.caliperCooling.value,
    ...(material === 'carbon' ? { heat: CARBON_HEAT } : {}),
  }
}

/**
 * Twelve runs in which eleven doubts stand at one of their ends, each as often with each of the others (R. Plackett,
 * J. Burman, The Design of Optimum Multifactorial Experiments, Biometrika 33, 1946).
 */
const FIRST_ROW = [1, 1, -1, 1, 1, 1, -1, -1, -1, 1, -1] as const
export const DOUBT_RUNS: readonly (readonly number[])[] = [
  ...FIRST_ROW.map((_, shift) => FIRST_ROW.map((__, i) => FIRST_ROW[(i + FIRST_ROW.length - shift) % FIRST_ROW.length]!)),
  FIRST_ROW.map(() => -1),
]

/** What stands at an end in each of the runs, in their order. */
const DOUBTED: readonly (readonly [keyof CornerNodes, number])[] = [
  ['h1', HEAT_DEFAULTS.h1Vented.doubt],
  ['h0', HEAT_DEFAULTS.h0.doubt],
  ['emissivity', HEAT_DEFAULTS.emissivity.doubt],
  ['ringToPadWPerK', HEAT_DEFAULTS.padWPerMK.doubt],
  ['ringToPadReleasedWPerK', HEAT_DEFAULTS.released.doubt],
  ['padToCaliperWPerK', HEAT_DEFAULTS.padToCaliper.doubt],
  ['ringToCaliperWPerK', HEAT_DEFAULTS.ringToCaliper.doubt],
  ['fluidShare', HEAT_DEFAULTS.fluidShare.doubt],
  ['padCoolingWPerK', HEAT_DEFAULTS.padCooling.doubt],
  ['caliperCoolingWPerK', HEAT_DEFAULTS.caliperCooling.doubt],
  ['padJPerK', 0.2],
]
export function doubted(nodes: CornerNodes, run: readonly number[]): CornerNodes {
  const at = { ...nodes }
  DOUBTED.forEach(([key, doubt], i) => Object.assign(at, { [key]: (nodes[key] as number) * (1 + run[i]! * doubt) }))
  return at
}
