import { CARBON_HEAT, type CornerNodes } from './nodes.ts'
import { ring, type RingFigures, type RingMaterial } from './ring.ts'

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
/** Conductivity of linings, W/(m K): metal in them carries heat. */
const LINING_W_PER_M_K = { organic: HEAT_DEFAULTS.padWPerMK.value, semiMetallic: 2.5, sintered: 6, carbon: 6 } as const
export type Lining = keyof typeof LINING_W_PER_M_K

/** What changes a default by something one can see, as a factor or a figure in its place. */
const HEAT_CHANGES = {
  duct: { value: 1.4, label: 'Cooling duct to the hub side' },
  ductBehindPlate: { value: 1.2, label: 'Cooling duct to the hub side, dust shield in place' },
  wheelInlet: { value: 0.75, label: 'Air enters from the outboard side only' },
  rightHand: { value: 1.1, label: 'Curved vanes that turn the right way' },
  wrongHand: { value: 0.8, label: 'Curved vanes that turn the wrong way on one side' },
  padShims: { value: 0.9, label: 'Insulating shims, W/K from pads to caliper' },
  insulatedPistons: { value: 0.6, label: 'Insulated pistons, W/K from pads to caliper' },
  insulatedShare: { value: 0.12, label: 'Insulated pistons, place of the fluid' },
  heatShield: { value: 0.1, label: 'Heat shield, W/K from rotor to caliper' },
} as const

/** More vanes give off more: 40 are the usual ring (R. Limpert, ch. 3, for vented rotors). */
const USUAL_VANES = 40
export const FEWEST_VANES = 16
export const vaneFactor = (count: number): number => Math.min(1.3, Math.max(0.7, 0.7 + (0.3 * count) / USUAL_VANES))

export interface CornerFigures {
  ring: RingFigures
  vented: boolean
  material?: RingMaterial
  /** Weighed: outranks what the figures of the ring say, kg. */
  ringMassKg?: number
  vaneCount?: number
  /** Curved vanes: whether both sides have their own. */
  hand?: 'right' | 'wrong'
  inlet?: 'hub' | 'wheel'
  duct?: boolean
  /** The hose ends at a backing plate that was left in place. */
  backingPlate?: boolean
  /** Lining of one pad. */
  padAreaMm2: number
  /** Lining and plate of one pad together, mm. */
  padThicknessMm: number
  lining?: Lining
  padShims?: boolean
  caliperKg: number
  caliper: keyof typeof BODY_J_PER_KG_K
  insulatedPistons?: boolean
  heatShield?: boolean
}

/** A corner's lumps from what is known of its parts; all else by the defaults. */
export function cornerNodes(of: CornerFigures): CornerNodes {
  const { vented, material, padAreaMm2, padThicknessMm, lining = 'organic', caliperKg, caliper } = of
  const { massKg, faceAreaM2 } = ring(of.ring, material)
  const d = HEAT_DEFAULTS
  const change = HEAT_CHANGES
  const liningMm = Math.max(padThicknessMm - PLATE.thicknessMm, 1)
  const pads = 2 * padAreaMm2
  const contact = (LINING_W_PER_M_K[lining] * pads * 1e-6) / (liningMm / 1000 / 2)
  const vanes = vaneFactor(of.vaneCount ?? USUAL_VANES)
  const hand = of.hand === 'right' ? change.rightHand.value : of.hand === 'wrong' ? change.wrongHand.value : 1
  const through = Math.min(
    of.insulatedPistons ? change.insulatedPistons.value : Infinity,
    of.padShims ? change.padShims.value : Infinity,
    d.padToCaliper.value,
  )
  return {
    ringMassKg: of.ringMassKg ?? massKg,
    areaM2: faceAreaM2,
    emissivity: d.emissivity.value,
    h0: d.h0.value,
    h1: vented ? d.h1Vented.value * vanes * hand : d.h1Solid.value,
    ductFactor: airFactor(of),
    intoRotor: d.intoRotor.value,
    ringToPadWPerK: contact,
    ringToPadReleasedWPerK: contact * d.released.value,
    padToCaliperWPerK: through,
    ringToCaliperWPerK: of.heatShield ? change.heatShield.value : d.ringToCaliper.value,
    fluidShare: of.insulatedPistons ? change.insulatedShare.value : d.fluidShare.value,
    padJPerK: pads * liningMm * LINING.kgPerMm3 * LINING.jPerKgK + pads * PLATE.larger * PLATE.thicknessMm * PLATE.kgPerMm3 * PLATE.jPerKgK,
    padCoolingWPerK: d.padCooling.value,
    caliperJPerK: caliperKg * BODY_J_PER_KG_K[caliper] + FLUID_J_PER_K,
    caliperCoolingWPerK: d.caliperCooling.value,
    ...(material === 'carbon' ? { heat: CARBON_HEAT } : {}),
  }
}

/** A hose at the hub side blows into nothing where the ring breathes from the wheel side. */
function airFactor({ vented, inlet, duct, backingPlate }: CornerFigures): number {
  if (vented && inlet === 'wheel') return HEAT_CHANGES.wheelInlet.value
  if (!duct) return 1
  return backingPlate ? HEAT_CHANGES.ductBehindPlate.value : HEAT_CHANGES.duct.value
}

/** A drum brake as a ring of its own mass with the cooling of a solid one: rough. */
interface DrumFigures {
  drumKg: number
  diameterMm: number
  shoeWidthMm: number
}
/** Rim and closed face give heat off; linings are taken to cover two thirds of the rim, 5 mm thick. */
export function drumNodes({ drumKg, diameterMm, shoeWidthMm }: DrumFigures): CornerNodes {
  const rimMm2 = Math.PI * diameterMm * shoeWidthMm
  const nodes = cornerNodes({
    ring: { outerDiameterMm: diameterMm, innerDiameterMm: diameterMm / 2, thicknessMm: 10, voidShare: 0 },
    vented: false,
    ringMassKg: drumKg,
    padAreaMm2: rimMm2 / 3,
    padThicknessMm: PLATE.thicknessMm + 5,
    caliperKg: 0.6,
    caliper: 'iron',
  })
  return { ...nodes, areaM2: (rimMm2 + (Math.PI / 4) * diameterMm ** 2) / 1e6 }
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
export const DOUBTED = [
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
] as const satisfies readonly (readonly [keyof CornerNodes, number])[]
export type Doubted = (typeof DOUBTED)[number][0]
/** Doubts of one corner where a reading has narrowed them; the others stand as they are. */
export type OwnDoubts = Partial<Record<Doubted, number>>

export function doubted(nodes: CornerNodes, run: readonly number[], own: OwnDoubts = {}): CornerNodes {
  const at = { ...nodes }
  DOUBTED.forEach(([key, doubt], i) => Object.assign(at, { [key]: nodes[key] * (1 + run[i]! * (own[key] ?? doubt)) }))
  return at
}
