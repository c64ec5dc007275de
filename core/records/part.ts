import type { ValuesOf } from './field.ts'
import { OTHER_LIMITS } from './field.ts'
import { fieldsOf, PART_KIND_NAMES, type PART_KINDS, type PartKind } from './part-kinds.ts'
import { owned, priceRecord } from './price.ts'
import {
  boundFigure,
  byKind,
  constant,
  date,
  defineRecord,
  group,
  id,
  isObject,
  labelled,
  name,
  needed,
  note,
  oneOf,
  open,
  string,
  type RecordDefinition,
  type RecordRule,
  type ValueOf,
} from './record.ts'

export const CONDITIONS = ['new', 'remanufactured', 'used'] as const
export type Condition = (typeof CONDITIONS)[number]

/** Which points there are is the affair of the inspection sheets: one that is gone does no harm. */
const POINTS: RecordRule = {
  name: 'points',
  message: 'must say passed or failed of each point',
  holds: (value) =>
    isObject(value) &&
    Object.entries(value).length <= 40 &&
    Object.entries(value).every(([point, found]) => /^[A-Za-z]{1,40}$/.test(point) && (found === 'passed' || found === 'failed')),
}
/** What someone found who looked a used part over, point by point of inspection.ts. */
const inspectionRecord = defineRecord({
  points: needed(open<Record<string, 'passed' | 'failed'>>(POINTS)),
  date: date(),
})
export type Inspection = ValueOf<typeof inspectionRecord>

/** What a part of any kind has beside its own table. */
const common = defineRecord({
  id: id(),
  name: name(),
  maker: string(),
  number: string(),
  /** Where the part comes from: a kit, a donor, a shop. */
  provenance: string(200),
  condition: oneOf(CONDITIONS),
  owned: owned(),
  price: labelled('price', group(priceRecord)),
  massKg: labelled('Mass', boundFigure('mass', OTHER_LIMITS.massKg)),
  inspection: labelled('Inspection', group(inspectionRecord)),
  note: note(),
})
type PartCommon<K extends PartKind> = { kind: K } & ValueOf<typeof common>
export type PartOf<K extends PartKind> = K extends PartKind ? PartCommon<K> & ValuesOf<(typeof PART_KINDS)[K]['fields']> : never
export type Part = PartOf<PartKind>

const { id: partId, ...rest } = common.fields
const partRecords = Object.fromEntries(
  PART_KIND_NAMES.map((kind) => [kind, defineRecord({ id: partId, kind: constant(kind), ...rest, ...fieldsOf(kind) })]),
) as unknown as Record<PartKind, RecordDefinition>
/** The record of a part of one kind. */
export const partRecord = (kind: PartKind): RecordDefinition => partRecords[kind]
export const anyPart = byKind<Part>(partRecords)
