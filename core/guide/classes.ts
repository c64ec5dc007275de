import type { carAxleFields, carFields } from '../records/car-fields.ts'
import type { FieldTable, FigureField } from '../records/field.ts'
import type { PART_KINDS } from '../records/part-kinds.ts'
import type { Car } from '../records/project.ts'
import type { PartOf } from '../records/part.ts'

/**
 * Seven classes of cars, made up from general knowledge: no real model. Each figure with what it may be off, one standard
 * deviation over the cars of the class. Facts that no class can say are not there: threads, hole patterns, what fits what.
 */

/** A figure of a class: the middle of it, and one standard deviation over its cars, both in the core's unit. */
export type Usual = readonly [value: number, u: number]
type FigureKeys<T extends FieldTable> = { [K in keyof T]: T[K] extends FigureField ? K : never }[keyof T]
type Usuals<T extends FieldTable> = { readonly [K in FigureKeys<T>]?: Usual }
/** A part of a class: its figures, and what is chosen of it and not measured. */
export interface UsualPart<K extends keyof typeof PART_KINDS> {
  name: string
  figures: Usuals<(typeof PART_KINDS)[K]['fields']>
  massKg?: Usual
  /** One side's pistons, of a caliper. */
  pistonsMm?: readonly Usual[]
  chosen?: Partial<PartOf<K>>
}
interface UsualAxle {
  car: Usuals<typeof carAxleFields>
  caliper?: UsualPart<'caliper'>
  drum?: UsualPart<'drum'>
  rotor?: UsualPart<'rotor'>
  pad?: UsualPart<'pad'>
  hose?: UsualPart<'hose'>
}
interface CarClass {
  label: string
  /** What belongs to it, in a few words. */
  says: string
  car: Usuals<typeof carFields>
  chosen: Partial<Omit<Car, 'name' | 'note' | 'front' | 'rear'>>
  front: UsualAxle
  rear: UsualAxle
  masterCylinder: UsualPart<'masterCylinder'>
  /** The balance bar's front share, where there is one. */
  barFrontShare?: Usual
  booster: UsualPart<'booster'> | null
  valve: UsualPart<'valve'> | null
  fluid: UsualPart<'fluid'>
}

/** What it gives under pressure goes with its length; its ends no class can say. */
const hose = (axle: 'Front' | 'Rear', lengthMm: Usual): UsualPart<'hose'> => ({
  name: `${axle} hose, current car`,
  figures: { lengthMm },
  chosen: { construction: 'rubber' },
})

interface Disc {
  pistons: readonly Usual[]
  fixed?: true
  diameterMm: Usual
  thicknessMm: Usual
  solid?: true
  padHeightMm: Usual
  padAreaMm2: Usual
  friction?: Usual
}
/** A disc brake: the pad's top edge a millimetre under the rotor's rim, the ring as wide as the pad needs. */
function disc(axle: 'Front' | 'Rear', tyreRadiusMm: Usual, of: Disc): UsualAxle {
  const [d, uD] = of.diameterMm
  const [t, uT] = of.thicknessMm
  const [h, uH] = of.padHeightMm
  return {
    car: { tyreRadiusMm },
    caliper: {
      name: `${axle} caliper, current car`,
      figures: { padTopRadiusMm: [d / 2 - 1, uD / 2] },
      pistonsMm: of.pistons,
      // what it weighs goes with how many pistons it has, and with its metal
      massKg: of.fixed ? [2.2, 0.4] : of.pistons.length > 1 ? [7, 1.2] : [4.4, 0.9],
      chosen: { construction: of.fixed ? 'fixed' : 'sliding', body: of.fixed ? 'aluminium' : 'iron' },
    },
    rotor: {
      name: `${axle} rotor, current car`,
      figures: {
        diameterMm: [d, uD],
        thicknessMm: [t, uT],
        frictionInnerDiameterMm: [d - 2 * (h + 3), uD + uH],
        ...(of.solid ? {} : { voidShare: [0.35, 0.05] as const }),
      },
      chosen: { ventilation: of.solid ? 'solid' : 'vented', material: 'iron', vanes: 'straight' },
    },
    pad: {
      name: `${axle} pads, current car`,
      figures: { friction: of.friction ?? [0.38, 0.04], heightMm: [h, uH], areaMm2: of.padAreaMm2, thicknessMm: [16, 1.5] },
      chosen: { compound: 'organic' },
    },
    hose: hose(axle, axle === 'Front' ? [420, 60] : [300, 60]),
  }
}

function drum(tyreRadiusMm: Usual, cylinderBoreMm: Usual, drumDiameterMm: Usual, drumKg: Usual): UsualAxle {
  return {
    car: { tyreRadiusMm },
    drum: {
      name: 'Rear drum, current car',
      figures: { cylinderBoreMm, drumDiameterMm, drumKg, shoeWidthMm: [drumDiameterMm[0] / 5.5, 5], brakeFactor: [2, 0.25] },
      chosen: { shoes: 'leadingTrailing' },
    },
    hose: hose('Rear', [280, 60]),
  }
}

const tandem = (boreMm: Usual, strokeMm: Usual): UsualPart<'masterCylinder'> => ({
  name: 'Master cylinder, current car',
  figures: { boreMm, strokeMm },
  chosen: { construction: 'tandem' },
})
const vacuum = (ratio: Usual, assistN: Usual): UsualPart<'booster'> => ({
  name: 'Booster, current car',
  figures: { ratio, assistN },
  chosen: { supply: 'vacuum' },
})
const knee = (kneeMpa: Usual, slope: Usual): UsualPart<'valve'> => ({
  name: 'Proportioning valve, current car',
  figures: { kneeMpa, slope },
  chosen: { action: 'fixed' },
})
const FLUID: UsualPart<'fluid'> = {
  name: 'Fluid, current car',
  figures: { dryBoilC: [245, 10], wetBoilC: [160, 8], serviceMonths: [18, 9] },
  chosen: { base: 'glycol' },
}
const TYRES = { tyreDry: [0.9, 0.06], tyreWet: [0.6, 0.06], tyreLoose: [0.4, 0.06] } as const
const ROAD = { pedalEfficiency: [0.85, 0.04], rollingShare: [0.012, 0.002], ...TYRES } as const

export const CLASSES = {
  smallHatchback: {
    label: 'small hatchback',
    says: '1,000 to 1,150 kg, front-wheel drive, rear drums',
    car: {
      massKg: [1060, 80],
      ladenMassKg: [1480, 90],
      staticFrontShare: [0.62, 0.02],
      ladenStaticFrontShare: [0.52, 0.025],
      cgHeightMm: [540, 25],
      wheelbaseMm: [2470, 60],
      pedalRatio: [4, 0.35],
      pedalTravelMm: [130, 15],
      dragAreaM2: [0.66, 0.05],
      ...ROAD,
    },
    chosen: { driven: 'front', circuits: 'diagonal', parkingBrake: 'lever' },
    front: disc('Front', [285, 9], {
      pistons: [[50.8, 2.6]],
      diameterMm: [248, 9],
      thicknessMm: [20, 1.6],
      padHeightMm: [46, 3],
      padAreaMm2: [4400, 400],
    }),
    rear: drum([285, 9], [17.5, 0.9], [203, 9], [4.6, 0.5]),
    masterCylinder: tandem([20.64, 0.9], [32, 2]),
    booster: vacuum([4.4, 0.5], [2700, 350]),
    valve: knee([2.6, 0.4], [0.3, 0.05]),
    fluid: FLUID,
  },
  middleSaloon: {
    label: 'mid-size saloon',
    says: 'about 1,500 kg, disc brakes all round',
    car: {
      massKg: [1480, 100],
      ladenMassKg: [1960, 110],
      staticFrontShare: [0.59, 0.025],
      ladenStaticFrontShare: [0.51, 0.025],
      cgHeightMm: [555, 22],
      wheelbaseMm: [2720, 60],
      pedalRatio: [3.6, 0.35],
      pedalTravelMm: [130, 15],
      dragAreaM2: [0.64, 0.05],
      ...ROAD,
    },
    chosen: { driven: 'front', circuits: 'diagonal', parkingBrake: 'lever' },
    front: disc('Front', [312, 9], {
      pistons: [[57, 2]],
      diameterMm: [300, 12],
      thicknessMm: [26, 1.6],
      padHeightMm: [52, 3],
      padAreaMm2: [6000, 500],
    }),
    rear: disc('Rear', [312, 9], {
      pistons: [[35, 1.6]],
      diameterMm: [282, 10],
      thicknessMm: [10.5, 1],
      solid: true,
      padHeightMm: [40, 3],
      padAreaMm2: [3300, 350],
    }),
    masterCylinder: tandem([23.81, 0.9], [36, 2]),
    booster: vacuum([6.5, 0.7], [4200, 500]),
    valve: knee([2.6, 0.4], [0.3, 0.05]),
    fluid: FLUID,
  },
  estate: {
    label: 'estate',
    says: 'like a saloon, with a large difference between empty and laden',
    car: {
      massKg: [1560, 110],
      ladenMassKg: [2140, 120],
      staticFrontShare: [0.57, 0.025],
      ladenStaticFrontShare: [0.47, 0.025],
      cgHeightMm: [575, 25],
      wheelbaseMm: [2740, 60],
      pedalRatio: [3.6, 0.35],
      pedalTravelMm: [130, 15],
      dragAreaM2: [0.68, 0.05],
      ...ROAD,
    },
    chosen: { driven: 'front', circuits: 'diagonal', parkingBrake: 'lever' },
    front: disc('Front', [315, 9], {
      pistons: [[57, 2]],
      diameterMm: [305, 12],
      thicknessMm: [26, 1.6],
      padHeightMm: [52, 3],
      padAreaMm2: [6100, 500],
    }),
    rear: disc('Rear', [315, 9], {
      pistons: [[35, 1.6]],
      diameterMm: [286, 10],
      thicknessMm: [11, 1],
      solid: true,
      padHeightMm: [40, 3],
      padAreaMm2: [3400, 350],
    }),
    masterCylinder: tandem([23.81, 0.9], [36, 2]),
    booster: vacuum([6.5, 0.7], [4300, 500]),
    valve: knee([2.4, 0.4], [0.28, 0.05]),
    fluid: FLUID,
  },
  lightSports: {
    label: 'light sports car',
    says: 'low and light, rear-wheel drive, no booster',
    car: {
      massKg: [820, 70],
      ladenMassKg: [980, 75],
      staticFrontShare: [0.49, 0.03],
      ladenStaticFrontShare: [0.47, 0.03],
      cgHeightMm: [445, 22],
      wheelbaseMm: [2330, 70],
      pedalRatio: [5.2, 0.4],
      pedalTravelMm: [125, 15],
      dragAreaM2: [0.58, 0.06],
      ...ROAD,
    },
    chosen: { driven: 'rear', circuits: 'frontRear', parkingBrake: 'lever' },
    front: disc('Front', [288, 9], {
      pistons: [[48, 2.4]],
      diameterMm: [255, 9],
      thicknessMm: [20, 1.8],
      padHeightMm: [45, 3],
      padAreaMm2: [4100, 400],
    }),
    rear: disc('Rear', [288, 9], {
      pistons: [[34, 1.6]],
      diameterMm: [250, 9],
      thicknessMm: [10, 1],
      solid: true,
      padHeightMm: [40, 3],
      padAreaMm2: [3000, 350],
    }),
    masterCylinder: tandem([19.05, 0.8], [30, 2]),
    booster: null,
    valve: knee([2.5, 0.4], [0.4, 0.06]),
    fluid: FLUID,
  },
  largePickUp: {
    label: 'large pick-up',
    says: '2,000 kg and more, tall, light rear axle when empty',
    car: {
      massKg: [2250, 160],
      ladenMassKg: [3050, 170],
      staticFrontShare: [0.57, 0.025],
      ladenStaticFrontShare: [0.43, 0.03],
      cgHeightMm: [720, 40],
      wheelbaseMm: [3350, 150],
      pedalRatio: [4, 0.4],
      pedalTravelMm: [140, 15],
      dragAreaM2: [1.25, 0.12],
      ...ROAD,
    },
    chosen: { driven: 'rear', circuits: 'frontRear', parkingBrake: 'shoes' },
    front: disc('Front', [385, 14], {
      pistons: [
        [51, 2],
        [51, 2],
      ],
      diameterMm: [335, 13],
      thicknessMm: [30, 2],
      padHeightMm: [58, 4],
      padAreaMm2: [8600, 700],
    }),
    rear: disc('Rear', [385, 14], {
      pistons: [[45, 2]],
      diameterMm: [330, 13],
      thicknessMm: [20, 2],
      padHeightMm: [48, 4],
      padAreaMm2: [5200, 500],
    }),
    masterCylinder: tandem([29, 1.1], [42, 3]),
    booster: vacuum([6.5, 0.8], [6500, 800]),
    valve: knee([2.2, 0.35], [0.28, 0.05]),
    fluid: FLUID,
  },
  van: {
    label: 'van',
    says: 'tall, rear axle load doubles when laden',
    car: {
      massKg: [2050, 150],
      ladenMassKg: [3350, 150],
      staticFrontShare: [0.6, 0.025],
      ladenStaticFrontShare: [0.46, 0.025],
      cgHeightMm: [760, 45],
      wheelbaseMm: [3400, 150],
      pedalRatio: [4.2, 0.4],
      pedalTravelMm: [140, 15],
      dragAreaM2: [1.6, 0.15],
      ...ROAD,
    },
    chosen: { driven: 'front', circuits: 'frontRear', parkingBrake: 'lever' },
    front: disc('Front', [338, 10], {
      pistons: [
        [48, 2],
        [48, 2],
      ],
      diameterMm: [300, 11],
      thicknessMm: [28, 1.8],
      padHeightMm: [56, 4],
      padAreaMm2: [8200, 700],
    }),
    rear: disc('Rear', [338, 10], {
      pistons: [[40, 1.8]],
      diameterMm: [300, 11],
      thicknessMm: [18, 2],
      padHeightMm: [46, 3],
      padAreaMm2: [4800, 500],
    }),
    masterCylinder: tandem([27, 1.1], [40, 3]),
    booster: vacuum([6.5, 0.8], [6000, 700]),
    valve: knee([2, 0.35], [0.25, 0.05]),
    fluid: FLUID,
  },
  formula: {
    label: 'formula-type car',
    says: 'single seat, twin master cylinders, balance bar, no booster',
    car: {
      massKg: [520, 45],
      ladenMassKg: [540, 45],
      staticFrontShare: [0.42, 0.02],
      ladenStaticFrontShare: [0.42, 0.02],
      cgHeightMm: [305, 18],
      wheelbaseMm: [2450, 120],
      pedalRatio: [5, 0.35],
      pedalTravelMm: [95, 12],
      pedalEfficiency: [0.88, 0.03],
      dragAreaM2: [0.75, 0.12],
      rollingShare: [0.015, 0.003],
      tyreDry: [1.35, 0.12],
      tyreWet: [0.85, 0.1],
      tyreLoose: [0.4, 0.06],
    },
    chosen: { driven: 'rear', circuits: 'frontRear', parkingBrake: 'none', abs: 'none' },
    front: disc('Front', [275, 9], {
      pistons: [
        [31.8, 1.6],
        [31.8, 1.6],
      ],
      fixed: true,
      diameterMm: [254, 8],
      thicknessMm: [14, 2],
      padHeightMm: [40, 2.5],
      padAreaMm2: [3300, 300],
      friction: [0.45, 0.04],
    }),
    rear: disc('Rear', [282, 9], {
      pistons: [
        [28.6, 1.5],
        [28.6, 1.5],
      ],
      fixed: true,
      diameterMm: [250, 8],
      thicknessMm: [10, 1.2],
      solid: true,
      padHeightMm: [38, 2.5],
      padAreaMm2: [2700, 250],
      friction: [0.45, 0.04],
    }),
    masterCylinder: {
      name: 'Master cylinders, current car',
      figures: { frontBoreMm: [16.5, 0.8], rearBoreMm: [17.6, 0.8], strokeMm: [25, 2], barSpacingMm: [60, 6] },
      chosen: { construction: 'twin' },
    },
    barFrontShare: [0.55, 0.025],
    booster: null,
    valve: null,
    fluid: { ...FLUID, figures: { dryBoilC: [310, 8], wetBoilC: [195, 8], serviceMonths: [6, 4] } },
  },
} as const satisfies Record<string, CarClass>

export type ClassId = keyof typeof CLASSES
export const CLASS_IDS = Object.keys(CLASSES) as ClassId[]
export const classOf = (id: ClassId): CarClass => CLASSES[id]
