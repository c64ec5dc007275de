import { goodMembers } from './good-members.ts'
import { plainField, plainFields } from './record-fields.ts'
import { isObject, type NumberField, type PlainField, type RecordDefinition, type RecordField, type StringField } from './record.ts'

/**
 * Whether a value is good beyond doubt: what the schema would say of it, at a hundredth of the time. A library holds
 * thousands of members, and nearly all are good; of any other the schema says what is wrong. Nothing passes here that the
 * schema refuses; a test holds the two against each other.
 *
 * @example
 * isGood({ fields: { events: { type: 'number', max: 100 } }, rules: [] }, { events: 101 }) // => false
 */
export function isGood(record: RecordDefinition, value: unknown): boolean {
  if (!isObject(value)) return false
  const fields = compiled(record)
  for (const key of Object.keys(value)) {
    const member = value[key]
    if (member === undefined) continue
    const field = fields.all.get(key)
    if (!field || !isGoodMember(field, member)) return false
  }
  return fields.needed.every((key) => value[key] !== undefined) && record.rules.every((rule) => rule.holds(value))
}

interface Compiled {
  all: ReadonlyMap<string, PlainField>
  needed: readonly string[]
}
const known = new WeakMap<RecordDefinition, Compiled>()
function compiled(record: RecordDefinition): Compiled {
  const before = known.get(record)
  if (before) return before
  const fields = plainFields(record.fields)
  const made: Compiled = {
    all: new Map(fields),
    needed: fields.filter(([, field]) => field.needed !== undefined).map(([key]) => key),
  }
  known.set(record, made)
  return made
}

/** The same for what a single field holds. */
export function isGoodMember(given: RecordField, value: unknown): boolean {
  const field = plainField(given)
  if (value === null) return field.nullable === true
  switch (field.type) {
    case 'string':
      return isGoodString(field, value)
    case 'number':
      return isGoodNumber(field, value)
    case 'flag':
      return typeof value === 'boolean'
    case 'oneOf':
      return typeof value === 'string' && field.values.includes(value)
    case 'constant':
      return value === field.value
    case 'list':
      return (
        Array.isArray(value) &&
        value.length >= (field.least ?? 0) &&
        value.length <= (field.most ?? Infinity) &&
        (value as unknown[]).every((one) => isGoodMember(field.of as RecordField, one)) &&
        (field.rules ?? []).every((rule) => rule.holds(value))
      )
    case 'tuple':
      return (
        Array.isArray(value) &&
        value.length === field.of.length &&
        field.of.every((one, i) => isGoodMember(one, (value as unknown[])[i])) &&
        (field.rules ?? []).every((rule) => rule.holds(value))
      )
    case 'record':
      return goodMembers.has(value as object) || isGood(field.record, value)
    case 'byKind':
      return (
        isObject(value) &&
        typeof value.kind === 'string' &&
        Object.hasOwn(field.kinds, value.kind) &&
        isGood(field.kinds[value.kind]!, value)
      )
    case 'open':
      return field.rule.holds(value)
    case 'boundFigure':
      return false
  }
}

const isGoodString = ({ least = 0, most = Infinity, pattern, trimmed, needed }: StringField, value: unknown): boolean =>
  typeof value === 'string' &&
  value.length >= Math.max(least, needed === undefined ? 0 : 1) &&
  value.length <= most &&
  (!trimmed || value.trim() === value) &&
  (!pattern || pattern.test(value))

const isGoodNumber = ({ min = -Infinity, max = Infinity, exclusive, integer }: NumberField, value: unknown): boolean =>
  typeof value === 'number' &&
  Number.isFinite(value) &&
  (exclusive ? value > min : value >= min) &&
  value <= max &&
  (!integer || Number.isInteger(value))
