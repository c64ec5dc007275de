import { carFields } from './car-fields.ts'
import { OTHER_LIMITS } from './field.ts'
import { valveFields } from './hydraulic-fields.ts'
import type { PartKind } from './part-kinds.ts'
import { owned, priceRecord } from './price.ts'
import {
  boundFigure,
  defineRecord,
  flag,
  group,
  id,
  keyOf,
  labelled,
  list,
  name,
  needed,
  note,
  number,
  orNull,
  reference,
  string,
  type GroupField,
  type ValueOf,
} from './record.ts'
import type { Axle } from '../quantity/axle.ts'

/**
 * What a setup puts into a place: a part's id; null, deliberately nothing; absent, as the car stands
 * (in the first setup absent is unknown).
 */
export type Slot = string | null | undefined

interface SlotWords {
  label: string
  kinds: readonly PartKind[]
  nothing: boolean
}
/** The slots of an axle, with the kinds of part that go in. Order is the order of assembling. */
export const AXLE_SLOTS = {
  caliper: { label: 'Caliper or drum brake', kinds: ['caliper', 'drum'], nothing: false },
  bracket: { label: 'Bracket', kinds: ['bracket'], nothing: true },
  rotor: { label: 'Rotor', kinds: ['rotor'], nothing: false },
  pad: { label: 'Pads', kinds: ['pad'], nothing: false },
  hose: { label: 'Hose', kinds: ['hose'], nothing: false },
  wheel: { label: 'Wheel', kinds: ['wheel'], nothing: false },
  spacer: { label: 'Wheel spacer', kinds: ['spacer'], nothing: true },
} as const satisfies Record<string, SlotWords>
export type AxleSlot = keyof typeof AXLE_SLOTS

export const HYDRAULIC_SLOTS = {
  masterCylinder: { label: 'Master cylinder', kinds: ['masterCylinder'], nothing: false },
  booster: { label: 'Booster', kinds: ['booster'], nothing: true },
  valve: { label: 'Rear valve', kinds: ['valve'], nothing: true },
  fluid: { label: 'Fluid', kinds: ['fluid'], nothing: false },
  handLever: { label: 'Hydraulic hand lever', kinds: ['handLever'], nothing: true },
} as const satisfies Record<string, SlotWords>
export type HydraulicSlot = keyof typeof HYDRAULIC_SLOTS

/** A place in a setup that takes a part. */
export type SlotPlace = { axle: Axle; slot: AxleSlot } | { axle?: undefined; slot: HydraulicSlot }

type SlotField = ReturnType<typeof reference> & { nullable: true }
const slotFields = <S extends string>(slots: Record<S, SlotWords>) =>
  Object.fromEntries(
    Object.entries<SlotWords>(slots).map(([slot, { label }]) => [slot, labelled(label, orNull(reference()))]),
  ) as unknown as Record<S, SlotField>

const spacer = () => number(0, 60, ' mm', { tooSmall: 'must not be negative', tooLarge: 'at most 60 mm' })
const shim = () => number(-20, 20, ' mm')

/** Rules of the fit check that someone has seen to hold on the car, with the brake that was fitted then. */
const visualChecks = defineRecord({
  rules: needed(list(id(), 60)),
  /** Caliper, bracket, rotor and pad, as far as there were any. */
  parts: needed(list(id(), 4)),
  shimMm: needed(shim()),
})
export type VisualChecks = ValueOf<typeof visualChecks>

/** The clearance itself, seen on the car with the parts that were fitted then. */
const trialFit = defineRecord({
  gapMm: needed(boundFigure('length', OTHER_LIMITS.gapMm), 'the clearance is missing'),
  caliper: id(),
  wheel: id(),
  spacerMm: needed(number(0, 60, ' mm'), 'the spacer is missing'),
  rotor: reference(),
  pad: reference(),
  /** Null: none. Absent, like the others: not noted, any will do. */
  bracket: orNull(reference()),
  shimMm: shim(),
  /** The wheel's face height that was fitted, and the thickness of stick-on weights in its barrel; absent: none. */
  face: string(),
  weightsMm: number(0, 60, ' mm'),
})
export type TrialFit = ValueOf<typeof trialFit>

/** The clearance to a wheel at hand with the caliper that is on now, and what the new one stands out further at that radius. */
const byDifference = defineRecord({
  gapNowMm: boundFigure('length', OTHER_LIMITS.gapNowMm),
  protrusionNowMm: boundFigure('length', OTHER_LIMITS.protrusionNowMm),
  protrusionNewMm: boundFigure('length', OTHER_LIMITS.protrusionNewMm),
  radiusMm: boundFigure('length', OTHER_LIMITS.radiusMm),
})

const axleSetup = defineRecord({
  ...slotFields(AXLE_SLOTS),
  /** A spacer being tried in the drawing; outranks the spacer slot. */
  spacerTrialMm: spacer(),
  /** Shims between mount face and caliper, + outboard. */
  shimMm: shim(),
  /** A duct that blows air at the hub side of the rotor. */
  duct: flag(),
  /** Stainless or titanium shims between pads and pistons. */
  padShims: flag(),
  seen: group(visualChecks),
  trialFit: group(trialFit),
  byDifference: group(byDifference),
})
export type AxleSetup = ValueOf<typeof axleSetup>

const hydraulicSetup = defineRecord({
  ...slotFields(HYDRAULIC_SLOTS),
  /** Pedal ratio of this setup where it differs from the car's. */
  pedalRatio: carFields.pedalRatio,
  /** The balance bar's front share; 50 % is centred. */
  barFrontShare: boundFigure('share', OTHER_LIMITS.barFrontShare),
  /** Where an adjustable valve is set in this setup. */
  valveKneeMpa: valveFields.kneeMpa,
})

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
const extraLine = defineRecord({
  id: id(),
  label: name(),
  kind: keyOf(EXTRA_KINDS),
  quantity: needed(number(0.01, 1000, '', { tooSmall: 'must be above zero', tooLarge: 'at most 1000' }), 'the quantity is missing'),
  /** Which piece cures a finding: another need is not cured by it. */
  cures: string(),
  price: labelled('price', group(priceRecord)),
  owned: owned(),
})
export type ExtraLine = ValueOf<typeof extraLine>

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
const wear = defineRecord({
  lastsEvents: boundFigure('count', OTHER_LIMITS.lastsEvents),
  price: labelled('price', group(priceRecord)),
})
export type Wear = ValueOf<typeof wear>
const wearFields = Object.fromEntries(Object.keys(WEARING).map((what) => [what, group(wear)])) as Record<
  Wearing,
  GroupField<(typeof wear)['fields']>
>

export const setupRecord = defineRecord({
  id: id(),
  name: name(),
  note: note(),
  front: labelled('front', needed(group(axleSetup))),
  rear: labelled('rear', needed(group(axleSetup))),
  hydraulics: labelled('hydraulics', needed(group(hydraulicSetup))),
  extras: labelled('extra costs', needed(list(group(extraLine), 200))),
  /** Kits and donors bought whole, by id: their price stands for that of their parts. */
  taken: labelled('bought whole', list(id(), 500)),
  /** Lines of the bill in the order in which they are to be bought; others follow as the bill has them. */
  buyOrder: list(needed(string()), 400),
  wear: labelled('Wear', group(defineRecord(wearFields))),
})
export type Setup = ValueOf<typeof setupRecord>
