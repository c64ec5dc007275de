import { carAxleFields, carFields } from './car-fields.ts'
import type { FieldTable } from './field.ts'
import { fieldsOf } from './part-kinds.ts'
import type { Figure, MadeOf } from '../quantity/figure.ts'
import { formatQuantity } from '../quantity/format.ts'
import type { Dimension, UnitChoice } from '../quantity/units.ts'
import { TYPICAL, WAY_IDS, type WayId } from './way-ids.ts'
import { boltPatternOf, threadOf, tyreOf, wheelOf } from './markings.ts'

/**
 * Figures that people do not have, from figures that they have: each way names what it asks, says its formula with its
 * source, and makes one figure or several. What was given is kept with the figure, so that it can be shown and corrected.
 */

interface AskedText {
  label: string
  type: 'text'
  /** How it is written. */
  as: string
}
interface AskedFigure {
  label: string
  type: 'figure'
  dimension: Dimension
  min: number
  max: number
}
interface AskedChoice {
  label: string
  type: 'choice'
  options: readonly { value: string; label: string }[]
}
export type Asked = AskedText | AskedFigure | AskedChoice
export type Given = MadeOf['given']

/** What comes out, in the core's units, with its standard uncertainty where the way has one. */
export type Made = Record<string, { value: number; u?: number }>

export interface Derivation {
  /** "the tyre’s marking": follows "from". */
  label: string
  /** Kinds of part or of the car's tables that have the fields. */
  on: readonly string[]
  asks: Readonly<Record<string, Asked>>
  /** Fields that it makes; one figure for each piston where the field holds several. */
  makes: readonly string[]
  formula: string
  source: string
  /** How it is done. */
  how?: string
  /** @returns what comes out, or a sentence that says what is wrong */
  make(given: Given): Made | string
}

const mm = (label: string, min: number, max: number): AskedFigure => ({ label, type: 'figure', dimension: 'length', min, max })
const kg = (label: string, min: number, max: number): AskedFigure => ({ label, type: 'figure', dimension: 'mass', min, max })

/** A workshop's scales, share of what they show; what a rule at a pedal or an axle is good to, mm. */
const SCALES = 0.005
const RULE_MM = 1
/** Between two weighings of one axle. */
const REPEATS_KG = 1
/** The unloaded radius less what the tyre settles under the car. */
const SETTLES = 0.03
/** Corners and chamfers of a lining, as a share of length times height. */
const PAD_CORNERS = 0.06

/** Numbers that were given, by name; those that are no number are not there, and the caller has said that they must be. */
const n = (given: Given, name: string): number => Number(given[name])

export const WAYS = {
  tyreMarking: {
    label: 'the tyre’s marking',
    on: ['carAxle'],
    asks: { marking: { label: 'Marking', type: 'text', as: '195/50 R15' } },
    makes: ['tyreRadiusMm'],
    formula: 'r = 0.97 · (25.4 · rim / 2 + width · height / 100)',
    source: 'ETRTO Standards Manual for the size; 3% less for settling under load, good to 1%',
    make({ marking }) {
      const tyre = tyreOf(String(marking))
      if (typeof tyre === 'string') return tyre
      const value = (1 - SETTLES) * ((tyre.rimIn * 25.4) / 2 + (tyre.widthMm * tyre.aspectPercent) / 100)
      return { tyreRadiusMm: { value, u: 0.01 * value } }
    },
  },
  wheelMarking: {
    label: 'the wheel’s marking',
    on: ['wheel'],
    asks: { marking: { label: 'Marking', type: 'text', as: '7J x 17 ET40 5x112 57.1' } },
    makes: ['diameterIn', 'widthIn', 'offsetMm', 'boltCount', 'boltCircleMm', 'boreMm'],
    formula: 'width x diameter, ET offset, holes x circle, centre bore',
    source: 'As stamped in the wheel; ISO 3911 for the words',
    make({ marking }) {
      const wheel = wheelOf(String(marking))
      return typeof wheel === 'string' ? wheel : asMade(wheel)
    },
  },
  boltPattern: {
    label: 'the bolt pattern',
    on: ['carAxle', 'rotor', 'wheel', 'spacer'],
    asks: { pattern: { label: 'Pattern', type: 'text', as: '5x112' } },
    makes: ['boltCount', 'boltCircleMm'],
    formula: 'holes x circle',
    source: 'As it is written on parts',
    make({ pattern }) {
      const bolts = boltPatternOf(String(pattern))
      return typeof bolts === 'string' ? bolts : asMade(bolts)
    },
  },
  thread: {
    label: 'the thread’s name',
    on: ['carAxle'],
    asks: { thread: { label: 'Thread', type: 'text', as: 'M12x1.5' } },
    makes: ['threadMm', 'pitchMm'],
    formula: 'diameter x pitch',
    source: 'ISO 261; inch threads by threads to the inch, ASME B1.1',
    make({ thread }) {
      const found = threadOf(String(thread))
      return typeof found === 'string' ? found : asMade(found)
    },
  },
  leverLengths: {
    label: 'two lengths',
    on: ['car'],
    asks: { padMm: mm('Pivot to the middle of the pad', 100, 500), pushrodMm: mm('Pivot to the pushrod', 15, 200) },
    makes: ['pedalRatio'],
    formula: 'i = pad / pushrod',
    source: 'Lever about its pivot; both lengths good to 1 mm',
    how: 'Both straight from the pivot, square to the way the pad and the rod move.',
    make(given) {
      const [pad, rod] = [n(given, 'padMm'), n(given, 'pushrodMm')]
      if (rod >= pad) return 'The pushrod must be nearer to the pivot than the pad.'
      return { pedalRatio: { value: pad / rod, u: (pad / rod) * Math.hypot(RULE_MM / pad, RULE_MM / rod) } }
    },
  },
  handLengths: {
    label: 'two lengths',
    on: ['handLever'],
    asks: { gripMm: mm('Pivot to the middle of the grip', 100, 700), pushrodMm: mm('Pivot to the pushrod', 10, 150) },
    makes: ['leverRatio'],
    formula: 'i = grip / pushrod',
    source: 'Lever about its pivot; both lengths good to 1 mm',
    make(given) {
      const [grip, rod] = [n(given, 'gripMm'), n(given, 'pushrodMm')]
      if (rod >= grip) return 'The pushrod must be nearer to the pivot than the grip.'
      return { leverRatio: { value: grip / rod, u: (grip / rod) * Math.hypot(RULE_MM / grip, RULE_MM / rod) } }
    },
  },
  axleScales: {
    label: 'two weighings',
    on: ['car'],
    asks: { frontKg: kg('Front axle on the scales', 100, 3000), rearKg: kg('Rear axle on the scales', 80, 3000) },
    makes: ['massKg', 'staticFrontShare'],
    formula: 'm = front + rear; φ = front / (front + rear)',
    source: 'Sum of the axle loads; scales good to 0.5%',
    how: 'With the driver in it and half a tank, both axles level.',
    make(given) {
      const [front, rear] = [n(given, 'frontKg'), n(given, 'rearKg')]
      const mass = front + rear
      return {
        massKg: { value: mass, u: SCALES * Math.hypot(front, rear) },
        staticFrontShare: { value: front / mass, u: (SCALES * Math.SQRT2 * front * rear) / mass ** 2 },
      }
    },
  },
  tiltMethod: {
    label: 'the tilt method',
    on: ['car'],
    asks: {
      frontLevelKg: kg('Front axle on the scales, level', 100, 3000),
      frontRaisedKg: kg('Front axle on the scales, rear raised', 100, 3500),
      totalKg: kg('Whole car', 300, 5000),
      wheelbaseMm: mm('Wheelbase', 1500, 4500),
      raisedMm: mm('Rear axle raised by', 100, 1500),
      axleHeightMm: mm('Height of the axles above the ground, level', 180, 500),
    },
    makes: ['cgHeightMm'],
    formula: 'h = r + ΔF · L · √(L² − H²) / (m · H)',
    source:
      'Moments about the front axle with the rear raised (T. Gillespie, Fundamentals of Vehicle Dynamics, ch. 1); scales that repeat to 1 kg',
    how: 'Springs blocked, wheels free to roll, the front secured; on level ground with someone who has done it: a raised car can fall.',
    make(given) {
      const [level, raised, total] = [n(given, 'frontLevelKg'), n(given, 'frontRaisedKg'), n(given, 'totalKg')]
      const [base, height, axle] = [n(given, 'wheelbaseMm'), n(given, 'raisedMm'), n(given, 'axleHeightMm')]
      const gained = raised - level
      if (gained <= 0) return 'With the rear raised the front must weigh more than level.'
      if (level >= total) return 'The front axle cannot weigh as much as the whole car.'
      if (height >= base) return 'The rear cannot be raised by more than the wheelbase.'
      const above = (gained * Math.sqrt(base ** 2 - height ** 2) * base) / (total * height)
      const u = above * Math.hypot((Math.SQRT2 * REPEATS_KG) / gained, (3 * RULE_MM) / height, SCALES)
      return { cgHeightMm: { value: axle + above, u: Math.max(u, 5) } }
    },
  },
  rotorHeights: {
    label: 'its height over all',
    on: ['rotor'],
    asks: {
      heightMm: mm('Height from the bench to the mounting face', 5, 200),
      thicknessMm: mm('Thickness of the friction ring', 4, 50),
    },
    makes: ['offsetMm'],
    formula: 'offset = height − thickness / 2',
    source: 'Geometry: the rotor lies flat on the bench, hat upwards',
    how: 'Lay the rotor on a flat bench, hat up. Measure from the bench to the mounting face.',
    make(given) {
      const [height, thickness] = [n(given, 'heightMm'), n(given, 'thicknessMm')]
      return { offsetMm: { value: height - thickness / 2, u: 0.3 } }
    },
  },
  padArea: {
    label: 'length and height',
    on: ['pad'],
    asks: { lengthMm: mm('Length of the lining', 20, 250), heightMm: mm('Height of the lining', 15, 120) },
    makes: ['areaMm2'],
    formula: 'A = 0.94 · length · height',
    source: 'Geometry, 6% less for cut and rounded corners, good to 4%',
    make(given) {
      const value = (1 - PAD_CORNERS) * n(given, 'lengthMm') * n(given, 'heightMm')
      return { areaMm2: { value, u: 0.04 * value } }
    },
  },
  statedArea: {
    label: 'the area that is stated',
    on: ['caliper'],
    asks: {
      areaMm2: { label: 'Piston area that is stated', type: 'figure', dimension: 'area', min: 50, max: 40000 },
      counted: {
        label: 'It counts',
        type: 'choice',
        options: [
          { value: 'oneSide', label: 'one side' },
          { value: 'bothSides', label: 'both sides of an opposed caliper' },
        ],
      },
      pistons: { label: 'Pistons on one side', type: 'figure', dimension: 'count', min: 1, max: 8 },
    },
    makes: ['pistonsMm'],
    formula: 'd = √(4 · A / (π · pistons)) for each, A on one side',
    source: 'Area of a circle, with equal pistons: area and clamp force do not depend on how they differ',
    make(given) {
      const count = n(given, 'pistons')
      if (!Number.isInteger(count) || count < 1) return 'The pistons on one side must be a whole number.'
      const area = n(given, 'areaMm2') / (given.counted === 'bothSides' ? 2 : 1)
      const value = Math.sqrt((4 * area) / (Math.PI * count))
      return Object.fromEntries(Array.from({ length: count }, (_, i) => [`pistonsMm.${i}`, { value, u: 0.01 * value }]))
    },
  },
} as const satisfies Record<WayId, Derivation>

const asMade = (values: object): Made => Object.fromEntries(Object.entries(values).map(([key, value]) => [key, { value: value as number }]))

/** The way by its id, with its narrow keys forgotten. */
const wayOf = (id: string): Derivation | undefined => (Object.hasOwn(WAYS, id) ? WAYS[id as WayId] : undefined)

/** The ways that make a field of a table. */
export const waysFor = (table: string, field: string): WayId[] =>
  WAY_IDS.filter((id) => {
    const way: Derivation = WAYS[id]
    return way.on.includes(table) && way.makes.includes(field)
  })

/** In what a field that a way makes is measured. */
export function madeIn(id: WayId, field: string): Dimension {
  const [on] = WAYS[id].on
  const table: FieldTable = on === 'car' ? carFields : on === 'carAxle' ? carAxleFields : fieldsOf(on)
  const found = table[field]
  return found && 'dimension' in found ? found.dimension : 'number'
}

/**
 * The figures that come out of what was given, each with what it was made of.
 * @param date ISO date on which it was given
 * @returns a sentence where something is missing or contradicts itself
 */
export function figuresFrom(id: WayId, given: Given, date?: string): Record<string, Figure | Figure[]> | string {
  const way: Derivation = WAYS[id]
  for (const [name, asked] of Object.entries(way.asks)) {
    const value = given[name]
    if (value === undefined || value === '') return `${asked.label} is missing.`
    if (asked.type === 'figure' && !(typeof value === 'number' && value >= asked.min && value <= asked.max))
      return `${asked.label} must be between ${formatQuantity(asked.min, asked.dimension)} and ${formatQuantity(asked.max, asked.dimension)}.`
    if (asked.type === 'choice' && !asked.options.some((one) => one.value === value)) return `${asked.label}: choose one.`
  }
  const made = way.make(given)
  if (typeof made === 'string') return made
  const origin = Object.values(way.asks).some((one) => one.type === 'text') ? ('published' as const) : ('measured' as const)
  const found: Record<string, Figure | Figure[]> = {}
  for (const [key, { value, u }] of Object.entries(made)) {
    const figure: Figure = {
      value: Number(value.toPrecision(9)),
      ...(u === undefined ? {} : { u: Number(u.toPrecision(3)) }),
      origin: id === 'statedArea' ? 'published' : origin,
      ...(date === undefined ? {} : { date }),
      madeOf: { way: id, given },
    }
    const [field, index] = key.split('.')
    if (index === undefined) found[field!] = figure
    else (found[field!] = (found[field!] as Figure[] | undefined) ?? []).push(figure)
  }
  return found
}

/** "from the tyre’s marking: 195/50 R15"; of a typical car: "typical of a small hatchback". */
export function madeWords({ madeOf }: { madeOf?: MadeOf | undefined }, units?: UnitChoice): string | undefined {
  if (!madeOf) return undefined
  if (madeOf.way === TYPICAL) return `typical of a ${madeOf.given.of ?? 'class of cars'}`
  const way = wayOf(madeOf.way)
  if (!way) return undefined
  const given = Object.entries(way.asks).map(([name, asked]) => {
    const value = madeOf.given[name]
    if (asked.type === 'text') return String(value)
    if (asked.type === 'choice') return `${asked.label.toLowerCase()} ${asked.options.find((one) => one.value === value)?.label ?? '?'}`
    return `${asked.label.toLowerCase()} ${formatQuantity(Number(value), asked.dimension, units)}`
  })
  return `from ${way.label}: ${given.join(', ')}`
}
