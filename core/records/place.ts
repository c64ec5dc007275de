import { AXLE_SLOTS, HYDRAULIC_SLOTS, type AxleSlot } from './setup.ts'
import type { Axle } from '../quantity/axle.ts'
import { projectRecord, type Project } from './project.ts'
import { plainField } from './record-fields.ts'
import { group, isObject, type PlainField, type RecordField } from './record.ts'
import type { EntryPlace } from './question.ts'

const stringOf = (value: unknown): string | undefined => (typeof value === 'string' && value !== '' ? value.slice(0, 60) : undefined)

/** What stands under a key, or at a place of a list. The value tells which of several records it is. */
function member(field: PlainField | undefined, key: string, value: unknown): PlainField | undefined {
  if (field === undefined) return undefined
  if (field.type === 'list') return plainField(field.of as RecordField)
  if (field.type === 'tuple') return field.of[Number(key)] && plainField(field.of[Number(key)]!)
  if (field.type === 'byKind') {
    const kind = isObject(value) ? value.kind : undefined
    const record = typeof kind === 'string' && Object.hasOwn(field.kinds, kind) ? field.kinds[kind] : undefined
    return member(record && group(record), key, value)
  }
  // a file may name a key that every object has
  if (field.type !== 'record' || !Object.hasOwn(field.record.fields, key)) return undefined
  return plainField(field.record.fields[key]!)
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
  let field: PlainField | undefined = group(projectRecord)
  for (const key of keys) {
    field = member(field, key, here)
    here = typeof here === 'object' && here !== null ? (here as Record<string, unknown>)[key] : undefined
    if (/^\d+$/.test(key)) words.push((isObject(here) && (stringOf(here.name) ?? stringOf(here.label))) || `no. ${Number(key) + 1}`)
    else {
      const label = field?.label ?? key
      if (label) words.push(label)
    }
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
