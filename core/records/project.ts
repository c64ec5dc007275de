import { AXLES, type Axle } from '../quantity/axle.ts'
import type { Figure, Origin } from '../quantity/figure.ts'
import type { InstrumentId } from '../quantity/instrument.ts'
import type { UnitChoice } from '../quantity/units.ts'
import type { WrittenCycle } from './drive-cycle-schema.ts'
import type { BuildLog, LockUpObservation, StopTest, WearReading } from './logbook.ts'
import type { carAxleFields, carFields } from './car-fields.ts'
import type { ValuesOf } from './field.ts'
import type { PART_KINDS, PartKind } from './part-kinds.ts'

/** The project file, version 9. Lengths mm, masses kg, pressures MPa, forces N, money in minor units. */

export const FORMAT = 'valiant-caliper/project'
export const VERSION = 10

export const CURRENCIES = ['EUR', 'USD', 'GBP', 'CHF', 'SEK', 'NOK', 'DKK', 'PLN', 'CZK', 'CAD', 'AUD', 'NZD'] as const
export type Currency = (typeof CURRENCIES)[number]

export const CONDITIONS = ['new', 'remanufactured', 'used'] as const
export type Condition = (typeof CONDITIONS)[number]

export interface Price {
  lowMinor: number
  likelyMinor: number
  highMinor: number
  currency: Currency
  /** Pieces that the price buys; a pad set for one axle is one piece. */
  pieces: number
  origin?: Origin
  date?: string
  /** Who asks it. */
  seller?: string
  /** Refundable when the old part comes back; shown apart from the sum. */
  depositMinor?: number
}

/** What someone found who looked a used part over, point by point of core/records/inspection.ts. */
export interface Inspection {
  points: Record<string, 'passed' | 'failed'>
  date?: string
}

interface PartCommon<K extends PartKind> {
  id: string
  kind: K
  name: string
  maker?: string
  number?: string
  /** Where the part comes from: a kit, a donor, a shop. */
  provenance?: string
  condition?: Condition
  /** Already on the car or on the shelf: costs nothing. */
  owned?: boolean
  price?: Price
  massKg?: Figure
  inspection?: Inspection
  note?: string
}

export type PartOf<K extends PartKind> = K extends PartKind ? PartCommon<K> & ValuesOf<(typeof PART_KINDS)[K]['fields']> : never
export type Part = PartOf<PartKind>

type CarAxle = ValuesOf<typeof carAxleFields>
export type Car = { name: string; note?: string; front: CarAxle; rear: CarAxle } & ValuesOf<typeof carFields>

/**
 * What a setup puts into a place: a part's id; null, deliberately nothing; absent, as the car stands
 * (in the first setup absent is unknown).
 */
export type Slot = string | null | undefined

export { AXLES, type Axle }

/** The slots of an axle, with the kinds of part that go in. Order is the order of assembling. */
export const AXLE_SLOTS = {
  caliper: { label: 'Caliper or drum brake', kinds: ['caliper', 'drum'], nothing: false },
  bracket: { label: 'Bracket', kinds: ['bracket'], nothing: true },
  rotor: { label: 'Rotor', kinds: ['rotor'], nothing: false },
  pad: { label: 'Pads', kinds: ['pad'], nothing: false },
  hose: { label: 'Hose', kinds: ['hose'], nothing: false },
  wheel: { label: 'Wheel', kinds: ['wheel'], nothing: false },
  spacer: { label: 'Wheel spacer', kinds: ['spacer'], nothing: true },
} as const satisfies Record<string, { label: string; kinds: readonly PartKind[]; nothing: boolean }>
export type AxleSlot = keyof typeof AXLE_SLOTS

export const HYDRAULIC_SLOTS = {
  masterCylinder: { label: 'Master cylinder', kinds: ['masterCylinder'], nothing: false },
  booster: { label: 'Booster', kinds: ['booster'], nothing: true },
  valve: { label: 'Rear valve', kinds: ['valve'], nothing: true },
  fluid: { label: 'Fluid', kinds: ['fluid'], nothing: false },
  handLever: { label: 'Hydraulic hand lever', kinds: ['handLever'], nothing: true },
} as const satisfies Record<string, { label: string; kinds: readonly PartKind[]; nothing: boolean }>
export type HydraulicSlot = keyof typeof HYDRAULIC_SLOTS

/** A place in a setup that takes a part. */
export type SlotPlace = { axle: Axle; slot: AxleSlot } | { axle?: undefined; slot: HydraulicSlot }

export type AxleSetup = { [S in AxleSlot]?: Slot } & {
  /** A spacer being tried in the drawing, mm; outranks the spacer slot. */
  spacerTrialMm?: number
  /** Shims between mount face and caliper, mm, + outboard. */
  shimMm?: number
  /** A hose that blows air at the hub side of the rotor. */
  duct?: boolean
  /** Stainless or titanium shims between pads and pistons. */
  padShims?: boolean
  seen?: VisualChecks
  trialFit?: TrialFit
  byDifference?: GapByDifference
}

/** Rules of the fit check that someone has seen to hold on the car, with the brake that was fitted then. */
export interface VisualChecks {
  rules: string[]
  /** Caliper, bracket, rotor and pad, as far as there were any. */
  parts: string[]
  shimMm: number
}

/** The gap itself, seen on the car with the parts that were fitted then. */
export interface TrialFit {
  gapMm: Figure
  caliper: string
  wheel: string
  spacerMm: number
  rotor?: string
  pad?: string
  /** Null: none. Absent, like the others: not noted, any will do. */
  bracket?: string | null
  shimMm?: number
  /** The wheel's face height that was fitted, and the thickness of stick-on weights in its barrel; absent: none. */
  face?: string
  weightsMm?: number
}

/** The gap to a wheel at hand with the caliper that is on now, and what the new one stands out further at that radius. */
interface GapByDifference {
  gapNowMm?: Figure
  protrusionNowMm?: Figure
  protrusionNewMm?: Figure
  radiusMm?: Figure
}

type HydraulicSetup = { [S in HydraulicSlot]?: Slot } & {
  /** Pedal ratio of this setup where it differs from the car's. */
  pedalRatio?: Figure
  /** The balance bar's front share; 50 % is centred. */
  barFrontShare?: Figure
  /** Where an adjustable valve is set in this setup. */
  valveKneeMpa?: Figure
}

export const EXTRA_KINDS = {
  remedy: 'piece that a check asks for',
  consumable: 'consumable',
  service: 'machining or other service',
  labour: 'labour',
  fee: 'inspection or approval fee',
  shipping: 'shipping',
  returnFreight: 'return freight',
  sale: 'sale of removed parts',
} as const
export type ExtraKind = keyof typeof EXTRA_KINDS

/** A cost that is not a part in a slot: fluid, labour, carriage. */
export interface ExtraLine {
  id: string
  label: string
  kind?: ExtraKind
  quantity: number
  /** Which piece cures a finding: another need is not cured by it. */
  cures?: string
  price?: Price
  owned?: boolean
}

/** What wears, and after how many events it is used up. */
export const WEARING = {
  frontPads: 'Front pads',
  rearPads: 'Rear pads',
  frontRotors: 'Front rotors',
  rearRotors: 'Rear rotors',
  fluid: 'Fluid',
  rebuild: 'Caliper seals',
} as const
export type Wearing = keyof typeof WEARING

/** Something that wears in a setup: events it lasts, and what renewing it costs where no part of the setup says that. */
export interface Wear {
  lastsEvents?: Figure
  price?: Price
}

export interface Setup {
  id: string
  name: string
  note?: string
  front: AxleSetup
  rear: AxleSetup
  hydraulics: HydraulicSetup
  extras: ExtraLine[]
  /** Kits and donors bought whole, by id: their price stands for that of their parts. */
  taken?: string[]
  /** Lines of the bill in the order in which they are to be bought; others follow as the bill has them. */
  buyOrder?: string[]
  wear?: Partial<Record<Wearing, Wear>>
}

/** A kit with a price of its own, or a vehicle with the parts that it yields. */
export interface Bundle {
  id: string
  kind: 'kit' | 'donor'
  name: string
  maker?: string
  /** Of a donor. */
  years?: string
  trims?: string
  /** The axle its parts come from, or are made for. */
  axle: Axle
  parts: string[]
  /** For everything together. */
  price?: Price
  note?: string
}

/** Someone's word on a wheel over a caliper. Names, not ids: most of them come from elsewhere. */
export interface FitReport {
  id: string
  car: string
  axle: Axle
  caliper: string
  rotor?: string
  wheel: string
  spacerMm?: number
  outcome: 'clears' | 'touches'
  gapMm?: Figure
  by?: string
  date?: string
  note?: string
}

export const GAP_POLICIES = {
  standard: { requiredMm: 3, label: '3 mm everywhere', reason: 'Covers bearing play, wheel flex and a stone.' },
  trialFit: {
    requiredMm: 1.5,
    label: '1.5 mm where a trial fit confirms it',
    reason: 'Enough when the very parts were seen turning on the very car; 3 mm until they were.',
  },
  hardUse: {
    requiredMm: 5,
    label: '5 mm for flexible wheels and hard use',
    reason: 'Light wheels and kerbs move the rim towards the caliper.',
  },
} as const
export type GapPolicy = keyof typeof GAP_POLICIES
/** Below this a wheel is not even tried, mm. */
export const TIGHT_LIMIT_MM = 1.5

export const BIAS_AIMS = {
  load: { label: 'the car’s load transfer', reason: 'Both axles then use their tyres alike; on the road never rear-first up to 0.80 g.' },
  present: { label: 'the balance it has now', reason: 'The car stays as its drivers know it.' },
  fixed: { label: 'a fixed figure', reason: 'By discipline: a paved circuit more to the front, loose surfaces more to the rear.' },
} as const
export type BiasAim = keyof typeof BIAS_AIMS

/** Pressures read at front and rear on one day. */
export interface GaugeSession {
  id: string
  date: string
  track?: string
  setupId?: string
  /** Front, rear, MPa. */
  pairs: [front: number, rear: number][]
  /** The bar's front share on that day, and how its knob stood, in words. */
  barFrontShare?: number
  knob?: string
  note?: string
}

/** A way of driving that someone wrote down. */
export interface OwnCycle {
  id: string
  name: string
  note?: string
  duty: WrittenCycle
}

/** A lump of a corner whose temperature can be read. */
export const READ_NODES = { ring: 'rotor', pad: 'pads', caliper: 'caliper' } as const
export type ReadNode = keyof typeof READ_NODES
/** With what a temperature was read; paint and strips keep the highest. */
export const TEMPERATURE_METHODS = {
  paint: { label: 'paint', u: 15, peak: true },
  strip: { label: 'strip', u: 6, peak: true },
  infrared: { label: 'infra-red', u: 12, peak: false },
  probe: { label: 'touching probe', u: 4, peak: false },
} as const
export type TemperatureMethod = keyof typeof TEMPERATURE_METHODS
/** One temperature after driving: it calibrates the heat of what was on the car then. */
export interface HeatReading {
  id: string
  date: string
  setupId: string
  /** As it was driven then: the one of that name may be changed or gone by now. */
  driving: { name: string; duty: WrittenCycle }
  axle: Axle
  lump: ReadNode
  method: TemperatureMethod
  readC: number
  /** After the end of the driving, s; paint and strips keep the highest, whenever they are looked at. */
  afterS: number
  /** Of the air on that day. */
  airC: number
  /** What was on that corner: the reading speaks of nothing else. */
  parts: string[]
}

interface ExchangeRate {
  currency: Currency
  /** Project currency for one unit of `currency`. */
  rate: number
  /** How far the rate may move either way until it is paid, per cent. */
  spreadPercent?: number
  date?: string
}

export interface Preferences {
  units: UnitChoice
  currency: Currency
  rates: ExchangeRate[]
  taxPercent: number
  /** What may be spent at most, minor units. */
  budgetMinor?: number
  eventsPerSeason: number
  gapPolicy: GapPolicy
  /** What a next measurement would be taken with. */
  instrument: InstrumentId
  /** Thickness of stick-on weights to allow for in the barrel of wheels whose weights nobody measured, mm. */
  weightAllowanceMm: number
  /** Limits of the fit check that this project sets itself, by their name in core/records/limits.ts. */
  limits?: Record<string, number>
  effectiveRadius: 'mean' | 'uniformPressure'
  areaCounting: 'oneSide' | 'allPistons'
  /** Deceleration at which effort and biases are stated, g. */
  referenceDecelG: number
  /** What bias to aim for; the load's share when absent. */
  biasAim?: BiasAim
  /** With the aim `fixed`: front share of the force at the road. */
  biasAimShare?: number
  /** Speed from which the one-stop heat is stated, km/h. */
  stopFromKmh: number
  /** The driving that heat is asked about: one of the project's or of the table; absent: what the use of the car suggests. */
  duty?: string
}

/** What people come with, in their words. */
export const QUESTIONS = {
  clears: 'Does this wheel clear this caliper?',
  balanced: 'Which axle locks first, and how heavy is the pedal?',
  lasts: 'Will the brakes last a session?',
  worth: 'Which upgrade is worth its price?',
  helped: 'Did the upgrade help?',
  order: 'What do I buy, and how do I fit it?',
} as const
/** What each of them is about, in a word or two. */
export const QUESTION_NAMES: Readonly<Record<QuestionId, string>> = {
  clears: 'Fit',
  balanced: 'Balance and pedal',
  lasts: 'Heat',
  worth: 'Value',
  helped: 'Test results',
  order: 'Parts list and work order',
}
export type QuestionId = keyof typeof QUESTIONS
export const QUESTION_IDS = Object.keys(QUESTIONS) as QuestionId[]

export interface Project {
  format: typeof FORMAT
  version: typeof VERSION
  id: string
  name: string
  note?: string
  /** The question it was begun with; its shortest way is offered as long as it is open. */
  question?: QuestionId
  car: Car
  parts: Part[]
  /** The first is the car as it stands. */
  setups: [Setup, ...Setup[]]
  bundles: Bundle[]
  fitReports: FitReport[]
  gaugeSessions: GaugeSession[]
  duties: OwnCycle[]
  heatReadings: HeatReading[]
  stopTests: StopTest[]
  lockSightings: LockUpObservation[]
  wearReadings: WearReading[]
  builds: BuildLog[]
  preferences: Preferences
}
