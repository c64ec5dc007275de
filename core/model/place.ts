import { carAxleFields, carFields } from './car-fields.ts'
import type { FieldTable } from './field.ts'
import { fieldsOf, PART_KINDS, type PartKind } from './part-kinds.ts'
import { AXLE_SLOTS, HYDRAULIC_SLOTS } from './project.ts'

type Loose = Record<string, unknown>
const isLoose = (value: unknown): value is Loose => typeof value === 'object' && value !== null
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
  wear: 'Wear',
}

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
    const slot = (AXLE_SLOTS as Record<string, { label: string }>)[key] ?? (HYDRAULIC_SLOTS as Record<string, { label: string }>)[key]
    const label = table?.[key]?.label ?? (keys[0] === 'setups' ? slot?.label : undefined) ?? WORDS[key] ?? key
    if (label) words.push(label)
  }
  return words.length > 0 ? words.join(' › ') : 'the file'
}
