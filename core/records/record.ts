import type { Figure } from '../quantity/figure.ts'
import type { Dimension } from '../quantity/units.ts'
import type { Field, FieldValue } from './field.ts'

/**
 * A record is described once, as a table of its fields. From the table come its type (`RecordValue`), its validator
 * (record-schema.ts), the JSON Schema (formats/json-schema.ts), the quick check (quick-check.ts), the size limits
 * (size-limits.ts), the words for places in messages (place.ts) and the columns of its CSV (formats/log-csv.ts).
 *
 * The table is plain data. A field of a form (field.ts) may stand in it as well: record-fields.ts expands it.
 */
export type RecordTable = Readonly<Record<string, RecordField>>

/** What concerns several fields at once. It holds for values of which a part is missing or of the wrong type. */
export interface RecordRule {
  name: string
  /** What is said where it does not hold, after the place. */
  message: string
  holds: (value: unknown) => boolean
}

export interface RecordDefinition<T extends RecordTable = RecordTable> {
  fields: T
  rules: readonly RecordRule[]
}

interface Common {
  /** What messages call the field; its key where absent. */
  label?: string
  /** What is said where it is missing; absent: it may be missing. */
  needed?: string
  nullable?: boolean
}
export interface StringField extends Common {
  type: 'string'
  least?: number
  most?: number
  pattern?: RegExp
  trimmed?: boolean
  /** What is said where it is too long, and where it does not match the pattern. */
  tooLong?: string
  mismatch?: string
}
export interface NumberField extends Common {
  type: 'number'
  min?: number
  max?: number
  /** The minimum itself is not allowed. */
  exclusive?: boolean
  integer?: boolean
  /** What is said outside the limits. */
  tooSmall?: string
  tooLarge?: string
}
interface FlagField extends Common {
  type: 'flag'
}
interface OneOfField<V extends string = string> extends Common {
  type: 'oneOf'
  values: readonly V[]
  mismatch?: string
}
interface ConstantField<V extends string | number = string | number> extends Common {
  type: 'constant'
  value: V
}
/** A figure whose limits are hard; those of the field tables allow for a slip of unit. */
interface BoundFigureField extends Common {
  type: 'boundFigure'
  dimension: Dimension
  min: number
  max: number
}
interface ListField<F extends RecordField = RecordField> extends Common {
  type: 'list'
  of: F
  most?: number
  least?: number
  tooLong?: string
  tooShort?: string
  rules?: readonly RecordRule[]
}
interface TupleField<F extends readonly RecordField[] = readonly RecordField[]> extends Common {
  type: 'tuple'
  of: F
  /** What is said where it is none. */
  mismatch: string
  rules?: readonly RecordRule[]
}
export interface GroupField<T extends RecordTable = RecordTable> extends Common {
  type: 'record'
  record: RecordDefinition<T>
}
/** One of several records, told apart by its `kind`. */
interface ByKindField extends Common {
  type: 'byKind'
  kinds: Readonly<Record<string, RecordDefinition>>
}
/** A value that no table describes: names with values, whose set is open. */
interface OpenField extends Common {
  type: 'open'
  rule: RecordRule
}

export type PlainField =
  | StringField
  | NumberField
  | FlagField
  | OneOfField
  | ConstantField
  | BoundFigureField
  | ListField
  | TupleField
  | GroupField
  | ByKindField
  | OpenField
export type RecordField = PlainField | (Field & Common)

/** A type that the table alone does not tell. */
declare const stated: unique symbol
interface Stated<V> {
  readonly [stated]: V
}

type PlainValue<F> =
  F extends Stated<infer V>
    ? V
    : F extends StringField
      ? string
      : F extends NumberField
        ? number
        : F extends FlagField
          ? boolean
          : F extends OneOfField<infer V>
            ? V
            : F extends ConstantField<infer V>
              ? V
              : F extends ListField<infer O>
                ? MemberValue<O>[]
                : F extends TupleField<infer O>
                  ? { -readonly [K in keyof O]: MemberValue<O[K]> }
                  : F extends GroupField<infer T>
                    ? RecordValue<T>
                    : F extends BoundFigureField
                      ? Figure
                      : FieldValue<F>
type MemberValue<F> = PlainValue<F> | (F extends { nullable: true } ? null : never)

type NeededKeys<T> = { [K in keyof T]: T[K] extends { needed: string } ? K : never }[keyof T]
type Flat<T> = { [K in keyof T]: T[K] }
/** The type that a table describes. */
type RecordValue<T extends RecordTable> = Flat<
  { -readonly [K in keyof T as K extends NeededKeys<T> ? K : never]: MemberValue<T[K]> } & {
    -readonly [K in keyof T as K extends NeededKeys<T> ? never : K]?: MemberValue<T[K]>
  }
>
/** The type of a record. */
export type ValueOf<D> = D extends RecordDefinition<infer T> ? RecordValue<T> : never

/**
 * Describes a record.
 * @param rules what concerns several of its fields
 * @example
 * Object.keys(defineRecord({ id: id(), date: needed(date()) }).fields) // => ['id', 'date']
 */
export const defineRecord = <T extends RecordTable>(fields: T, rules: readonly RecordRule[] = []): RecordDefinition<T> => ({
  fields,
  rules,
})

/** The field must be there; `message` is what is said where it is missing. */
export const needed = <F extends RecordField>(field: F, message = 'is missing'): F & { needed: string } => ({ ...field, needed: message })
/** The field may be null, which says more than that it is missing. */
export const orNull = <F extends RecordField>(field: F): F & { nullable: true } => ({ ...field, nullable: true })
/** Messages call the field by this name. */
export const labelled = <F extends RecordField>(label: string, field: F): F => ({ ...field, label })
/** The type is narrower than the table can say. */
export const typed = <V>(field: RecordField) => field as RecordField & Stated<V>

export const id = () =>
  needed(
    {
      type: 'string',
      least: 1,
      most: 80,
      pattern: /^[A-Za-z0-9][A-Za-z0-9._-]*$/,
      tooLong: 'an id has at most 80 characters',
      mismatch: 'an id holds only letters, digits, dot, hyphen and underscore',
    } satisfies StringField as StringField,
    'an id is missing',
  )
export const name = () =>
  labelled('name', needed({ type: 'string', most: 120, trimmed: true } satisfies StringField as StringField, 'a name is missing'))
/** A text of one line. */
export const string = (most = 120): StringField => ({ type: 'string', most })
export const note = () => string(4000)
/** The id of something else in the project. */
export const reference = () => string(80)
export const date = (): StringField => ({
  type: 'string',
  pattern: /^\d{4}-\d{2}-\d{2}([T ][0-9:.Z+-]*)?$/,
  mismatch: 'a date is written 2026-05-11',
})
/** @param unit as messages name it after the limits, with its space: ' mm' */
export const number = (min: number, max: number, unit = '', more: Omit<NumberField, 'type' | 'min' | 'max'> = {}): NumberField => {
  const between = `must be between ${min} and ${max}${unit}`
  return { type: 'number', min, max, tooSmall: between, tooLarge: between, ...more }
}
export const flag = (): FlagField => ({ type: 'flag' })
export const oneOf = <const V extends string>(values: readonly V[], more: Omit<OneOfField, 'type' | 'values'> = {}): OneOfField<V> => ({
  type: 'oneOf',
  values,
  mismatch: `must be one of ${values.join(', ')}`,
  ...more,
})
/** One of the keys of a table. */
export const keyOf = <T extends object>(table: T): OneOfField<keyof T & string> => oneOf(Object.keys(table) as (keyof T & string)[])
export const constant = <const V extends string | number>(value: V) => needed({ type: 'constant', value } as ConstantField<V>)
export const boundFigure = (dimension: Dimension, [min, max]: readonly [min: number, max: number]): BoundFigureField => ({
  type: 'boundFigure',
  dimension,
  min,
  max,
})
export const list = <F extends RecordField>(of: F, most?: number, more: Omit<ListField, 'type' | 'of' | 'most'> = {}): ListField<F> => ({
  type: 'list',
  of,
  ...(most === undefined ? {} : { most, tooLong: `at most ${most}` }),
  ...more,
})
export const tuple = <const F extends readonly RecordField[]>(mismatch: string, ...of: F): TupleField<F> & { needed: string } =>
  needed({ type: 'tuple', of, mismatch } as TupleField<F>)
export const group = <T extends RecordTable>(record: RecordDefinition<T>): GroupField<T> => ({ type: 'record', record })
export const byKind = <V>(kinds: Readonly<Record<string, RecordDefinition>>) =>
  needed(typed<V>({ type: 'byKind', kinds }), `kind must be one of ${Object.keys(kinds).join(', ')}`)
export const open = <V>(rule: RecordRule) => typed<V>({ type: 'open', rule })

/**
 * A list of a record, by its key.
 * @throws Error where the record has no list of that name
 */
export const listOf = (record: RecordDefinition, key: string): ListField => {
  const field = record.fields[key]
  if (field?.type !== 'list') throw new Error(`${key} is no list`)
  return field
}
/** How many members such a list may have. */
export const mostOf = (record: RecordDefinition, key: string): number => listOf(record, key).most ?? Infinity

export const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
