import { carAxleFields, carFields } from './car-fields.ts'
import type { FieldTable } from './field.ts'
import { fieldsOf, PART_KINDS, type PartKind } from './part-kinds.ts'
import { AXLE_SLOTS, HYDRAULIC_SLOTS, type Axle, type AxleSlot, type Project } from './project.ts'
import type { EntryPlace } from './question.ts'

type AnyValue = Record<string, unknown>
const isLoose = (value: unknown): value is AnyValue => typeof value === 'object' && value !== null
const stringOf = (value: unknown): string | undefined => (typeof value === 'string' && value !== '' ? value.slice(0, 60) : undefined)

const WORDS: Record<string, string> = {
  car: 'Car',
  parts: 'Parts',
  setups: 'Setups',
  preferences: 'Preferences',
  front: 'front',
  rear: 'rear',
  hydraulics: 'hydraulics',
  price: 'price',
  lowMinor: 'low',
  likelyMinor: 'likely',
  highMinor: 'high',
  extras: 'extra costs',
  name: 'name',
  value: '',
  u: 'uncertainty',
  massKg: 'Mass',
  points: 'points',
  tags: 'tags',
  units: 'units',
  rates: 'exchange rates',
  bundles: 'Kits and donors',
  taken: 'bought whole',
  fitReports: 'Fit reports',
  inspection: 'Inspection',
  gaugeSessions: 'Gauge readings',
  duties: 'Sessions',
  duty: 'session',
  zones: 'braking zones',
  heatReadings: 'Read temperatures',
  stopTests: 'Stops',
  lockSightings: 'Wheels that locked',
  wearReadings: 'Wear',
  builds: 'Work orders',
  notes: 'steps',
  torques: 'torques',
  trace: 'trace',
  question: 'Question',
  madeOf: 'what it was made of',
  way: 'way',
  given: 'what was given',
  fromKmh: 'speed before',
  toKmh: 'speed after',
  decelG: 'deceleration',
  secondsToNext: 'time to the next zone',
  down: 'the way back down',
  wear: 'Wear',
}

/** What a table itself has under a key: a file may name one that every object has. */
const own = <T>(table: object | undefined, key: string): T | undefined =>
  table && Object.hasOwn(table, key) ? (table as Record<string, T>)[key] : undefined

/**
 * A path in a project as a person would say it: `parts[3].thicknessMm.value` ->
 * "Parts › Front rotor › Thickness, new". Works on broken values too, since they are what is explained.
 */
export function placeInWords(root: unknown, path: string): string {
  const keys = path
    .replace(/\["?([^\]"]*)"?\]/g, '.$1')
    .split('.')
    .filter(Boolean)
  const words: string[] = []
  let here: unknown = root
  let table: FieldTable | undefined
  for (const [depth, key] of keys.entries()) {
    const above = keys[depth - 1]
    const index = /^\d+$/.test(key) ? Number(key) : undefined
    here = isLoose(here) ? here[key] : undefined
    if (index !== undefined) {
      const name = isLoose(here) ? (stringOf(here.name) ?? stringOf(here.label)) : undefined
      words.push(name ?? `no. ${index + 1}`)
      if (above === 'parts' && isLoose(here)) {
        const kind = here.kind
        if (typeof kind === 'string' && Object.hasOwn(PART_KINDS, kind)) table = fieldsOf(kind as PartKind)
      }
      continue
    }
    if (key === 'car') table = carFields
    else if (keys[0] === 'car' && (key === 'front' || key === 'rear')) table = carAxleFields
    const slot = own<{ label: string }>(AXLE_SLOTS, key) ?? own<{ label: string }>(HYDRAULIC_SLOTS, key)
    const label =
      own<{ label: string }>(table, key)?.label ?? (keys[0] === 'setups' ? slot?.label : undefined) ?? own<string>(WORDS, key) ?? key
    if (label) words.push(label)
  }
  return words.length > 0 ? words.join(' › ') : 'the file'
}

/**
 * Where a path of a project is entered, so that a view can lead there: `['parts', 3, 'thicknessMm']` is a figure of that
 * part. Undefined where nothing is entered there, or what was there is gone.
 */
export function entryAt(project: Project, path: readonly (string | number)[]): EntryPlace | undefined {
  const [room, index, field, below] = path
  const word = (key: string | number | undefined, otherwise: string): string => (typeof key === 'string' ? key : otherwise)
  switch (room) {
    case 'parts': {
      const part = project.parts[Number(index)]
      return part && { kind: 'part', partId: part.id, field: word(field, 'name') }
    }
    case 'bundles': {
      const bundle = project.bundles[Number(index)]
      return bundle && { kind: 'bundle', bundleId: bundle.id }
    }
    case 'car':
      if (index === 'front' || index === 'rear') return { kind: 'car', axle: index, field: word(field, 'name') }
      return { kind: 'car', field: word(index, 'name') }
    case 'preferences':
      return { kind: 'preference', field: word(index, 'units') as keyof Project['preferences'] }
    case 'setups': {
      const setup = project.setups[Number(index)]
      if (!setup) return undefined
      const axle: { axle?: Axle } = field === 'front' || field === 'rear' ? { axle: field } : {}
      const key = word('axle' in axle || field === 'hydraulics' ? below : field, 'name')
      if (Object.hasOwn(AXLE_SLOTS, key) || Object.hasOwn(HYDRAULIC_SLOTS, key))
        return { kind: 'slot', setupId: setup.id, ...axle, slot: key as AxleSlot }
      return { kind: 'setup', setupId: setup.id, ...axle, field: key }
    }
    default:
      return undefined
  }
}
