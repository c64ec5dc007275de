import {
  array,
  boolean,
  lazy,
  mixed,
  number,
  object,
  string,
  tuple,
  type AnyObject,
  type AnySchema,
  type NumberSchema,
  type ObjectSchema,
  type StringSchema,
} from 'yup'
import type { UnitChoice } from '../quantity/units.ts'
import type { Field } from './field.ts'
import { goodMembers } from './good-members.ts'
import { expandField, plainField, plainFields } from './record-fields.ts'
import {
  isObject,
  type NumberField,
  type PlainField,
  type RecordDefinition,
  type RecordField,
  type RecordRule,
  type StringField,
} from './record.ts'

/** Yup schemas of records: one set for every way in. They are made from the tables when they are first asked for. */

/** A number that arithmetic can use; says so when it is not. */
export const finite = () =>
  number()
    .strict()
    .typeError('must be a number')
    .test('finite', 'must be a finite number', (value) => value === undefined || value === null || Number.isFinite(value))

/** An object with these fields and no others. */
export const closed = <T extends AnyObject>(shape: { [K in keyof T]: AnySchema }) =>
  object(shape)
    .strict()
    .noUnknown(true, 'has a field that this version does not know: ${unknown}')
    .typeError('must be an object')
    .nonNullable('must not be null') as unknown as ObjectSchema<T>

const withRules = <S extends AnySchema>(schema: S, rules: readonly RecordRule[] = []): S =>
  rules.reduce((made, { name, message, holds }) => made.test(name, message, holds) as S, schema)

const schemas = new WeakMap<RecordDefinition, ObjectSchema<AnyObject>>()
/** The schema of a record. */
export function recordSchema(record: RecordDefinition): ObjectSchema<AnyObject> {
  const known = schemas.get(record)
  if (known) return known
  const shape = Object.fromEntries(plainFields(record.fields).map(([key, field]) => [key, plainSchema(field)]))
  const schema = withRules(closed(shape), record.rules)
  schemas.set(record, schema)
  return schema
}

/**
 * The schema of one field of a form table.
 * @param units in which messages name the limits
 */
export const fieldSchema = (field: Field, units?: UnitChoice): AnySchema =>
  plainSchema(units ? expandField(field, units) : plainField(field))
/** The schema of one field of a record. */
export const memberSchema = (field: RecordField): AnySchema => plainSchema(plainField(field))

function plainSchema(field: PlainField): AnySchema {
  if (field.type === 'byKind') return kindSchema(field.kinds)
  const schema = bareSchema(field)
  const nullable = field.nullable ? schema.nullable() : schema
  if (field.needed !== undefined) return nullable.required(field.needed)
  return field.type === 'record' ? nullable.default(undefined) : nullable
}

function bareSchema(field: Exclude<PlainField, { type: 'byKind' }>): AnySchema {
  switch (field.type) {
    case 'string':
      return stringSchema(field)
    case 'number':
      return numberSchema(field)
    case 'flag':
      return boolean().strict().typeError('must be true or false')
    case 'oneOf':
      return string().strict().oneOf(field.values, field.mismatch)
    case 'constant':
      return typeof field.value === 'number' ? finite().oneOf([field.value]) : string().strict().oneOf([field.value])
    case 'list': {
      let schema = array()
        .strict()
        .of(memberSchema(field.of as RecordField))
      if (field.least !== undefined) schema = schema.min(field.least, field.tooShort)
      if (field.most !== undefined) schema = schema.max(field.most, field.tooLong)
      return withRules(schema, field.rules)
    }
    case 'tuple': {
      const members = field.of.map((one) => (one.label ? memberSchema(one).label(one.label) : memberSchema(one)))
      return withRules(
        tuple(members as never)
          .strict()
          .typeError(field.mismatch),
        field.rules,
      )
    }
    case 'record':
      return recordSchema(field.record)
    case 'open':
      return withRules(mixed().strict(), [onlyWhereGiven(field.rule)])
    case 'boundFigure':
      return memberSchema(field)
  }
}
const onlyWhereGiven = (rule: RecordRule): RecordRule => ({ ...rule, holds: (value) => value === undefined || rule.holds(value) })

function stringSchema({ least, most, pattern, trimmed, tooLong, mismatch }: StringField): StringSchema<string | undefined> {
  let schema: StringSchema<string | undefined> = string().strict()
  if (trimmed) schema = schema.trim()
  if (least !== undefined) schema = schema.min(least)
  if (most !== undefined) schema = schema.max(most, tooLong ?? `at most ${most} characters`)
  // an empty text matches nothing
  return pattern ? schema.matches(pattern, { ...(mismatch ? { message: mismatch } : {}), excludeEmptyString: false }) : schema
}

function numberSchema({ min, max, exclusive, integer, tooSmall, tooLarge }: NumberField): NumberSchema<number | undefined> {
  let schema: NumberSchema<number | undefined> = finite()
  if (min !== undefined) schema = exclusive ? schema.moreThan(min, tooSmall) : schema.min(min, tooSmall)
  if (max !== undefined) schema = schema.max(max, tooLarge)
  return integer ? schema.integer('must be a whole number') : schema
}

/** Members that were found good and can change no more are not looked at again. */
const kindSchema = (kinds: Readonly<Record<string, RecordDefinition>>): AnySchema =>
  lazy((value: unknown) => {
    if (isObject(value)) {
      if (goodMembers.has(value)) return mixed()
      if (typeof value.kind === 'string' && Object.hasOwn(kinds, value.kind)) return recordSchema(kinds[value.kind]!)
    }
    return mixed()
      .strict()
      .test('kind', `kind must be one of ${Object.keys(kinds).join(', ')}`, () => false)
  }) as unknown as AnySchema
