import { ORIGINS } from '../quantity/figure.ts'
import { formatQuantity } from '../quantity/format.ts'
import { INSTRUMENT_IDS } from '../quantity/instrument.ts'
import type { Dimension, UnitChoice } from '../quantity/units.ts'
import { greatestU, hardLimits, WHEEL_TAGS, type Field } from './field.ts'
import {
  date,
  defineRecord,
  group,
  isObject,
  labelled,
  list,
  name,
  needed,
  note,
  number,
  oneOf,
  open,
  string,
  tuple,
  type PlainField,
  type RecordDefinition,
  type RecordField,
  type RecordTable,
  type RecordRule,
  type StringField,
} from './record.ts'
import { TYPICAL, WAY_IDS } from './way-ids.ts'

/** The fields of the form tables as records: what a figure, an outline or a profile consists of. */

export const LIMITS = { points: 2000, outlines: 20, readings: 50, faces: 30 } as const
/** A point that is known no better than this is not known, mm. */
const MOST_POINT_DOUBT_MM = 50
/** A mean is kept to a micrometre; readings may carry more digits. */
const SAME_MEAN = 1e-5

/** A small JPEG as a data address: some 640 pixels wide in colour, more in grey. */
export const jpeg = (): StringField => ({
  type: 'string',
  most: 160_000,
  pattern: /^data:image\/jpeg;base64,[A-Za-z0-9+/]+={0,2}$/,
  tooLong: 'the picture is too large',
  mismatch: 'must be a JPEG picture',
})
export const origin = () => oneOf(ORIGINS)
const instrument = () => oneOf(INSTRUMENT_IDS)

/** What was given to a way: few names, each with a number or a short text. */
const GIVEN: RecordRule = {
  name: 'given',
  message: 'must give each name a number or a short text',
  holds: (value) =>
    isObject(value) &&
    Object.keys(value).length <= 12 &&
    Object.entries(value).every(
      ([key, one]) =>
        key.length <= 40 && ((typeof one === 'number' && Number.isFinite(one)) || (typeof one === 'string' && one.length <= 120)),
    ),
}
const madeOf = defineRecord({
  way: labelled('way', needed(oneOf([...WAY_IDS, TYPICAL]), 'the way is missing')),
  given: labelled('what was given', needed(open<Record<string, string | number>>(GIVEN), 'the inputs are missing')),
})

const areNumbers = (value: unknown): value is number[] => Array.isArray(value) && value.every((one) => typeof one === 'number')
const MEAN: RecordRule = {
  name: 'mean',
  message: 'is not the mean of its readings',
  holds: (figure) => {
    if (!isObject(figure)) return true
    const { readings, value } = figure
    if (!areNumbers(readings) || readings.length === 0 || typeof value !== 'number') return true
    return Math.abs(readings.reduce((sum, one) => sum + one, 0) / readings.length - value) <= SAME_MEAN
  },
}
const readings = (min = -2000, max = 2000, tooFar = 'must be between -2000 and 2000 mm') =>
  list(needed(number(min, max, '', { tooSmall: tooFar, tooLarge: tooFar }), 'a reading is missing'), LIMITS.readings, {
    least: 1,
    tooShort: 'needs at least one reading',
    tooLong: `at most ${LIMITS.readings} readings`,
  })

interface FigureLimits {
  dimension: Dimension
  min: number
  max: number
  integer?: boolean
  /** What the message names where more than that is taken. */
  usual?: { min: number; max: number }
  units?: UnitChoice | undefined
}
/** A figure between two limits in the core's unit; messages name the limits in `units`. */
export function figureRecord({ dimension, min, max, integer, usual, units }: FigureLimits): RecordDefinition {
  const show = (value: number) => formatQuantity(value, dimension, units)
  const range = `must be between ${show(min)} and ${show(max)}`
  const said =
    usual && (usual.min !== min || usual.max !== max) ? `must be between ${show(usual.min)} and ${show(usual.max)}, or not far off` : range
  const mostU = greatestU(min, max)
  return defineRecord(
    {
      value: labelled(
        '',
        needed(number(min, max, '', { tooSmall: said, tooLarge: said, ...(integer ? { integer } : {}) }), 'a value is missing'),
      ),
      u: labelled(
        'uncertainty',
        number(0, mostU, '', {
          tooSmall: 'an uncertainty is never negative',
          tooLarge: `an uncertainty of more than ${show(mostU)} means that the value is unknown: leave it out`,
        }),
      ),
      origin: needed(origin(), 'the origin is missing'),
      date: date(),
      note: note(),
      readings: readings(min, max, `each reading ${range}`),
      instrument: instrument(),
      madeOf: labelled('what it was made of', group(madeOf)),
    },
    [MEAN],
  )
}

const lengthsMatch = (other: string, less: number, message: string): RecordRule => ({
  name: other,
  message,
  holds: (taken) =>
    !isObject(taken) || !Array.isArray(taken[other]) || !Array.isArray(taken.points) || taken[other].length === taken.points.length - less,
})
const RISES: RecordRule = {
  name: 'order',
  message: 'must rise',
  holds: (span) => !areNumbers(span) || span[0]! < span[1]!,
}
const reach = () => needed(number(-2000, 2000))
const span = () => ({
  ...needed(tuple('must be from and to, mm', reach(), reach()), 'what the picture shows is missing'),
  rules: [RISES],
})
const picture = defineRecord({ jpeg: needed(jpeg(), 'the picture is missing'), z: span(), r: span() })

const aDoubt = () => needed(number(0, MOST_POINT_DOUBT_MM, ' mm', { tooSmall: 'an uncertainty must not be negative' }))
const taken = {
  points: labelled(
    'points',
    needed(
      list(
        tuple(
          'must be a pair [z, r]',
          labelled('z', needed(number(-1000, 1000, ' mm'))),
          labelled('r', needed(number(0, 1000, ' mm', { tooSmall: 'a radius is never negative' }))),
        ),
        LIMITS.points,
        { least: 2, tooShort: 'needs at least two points', tooLong: `at most ${LIMITS.points} points` },
      ),
    ),
  ),
  readings: list(tuple('must be the readings of z, then those of r', needed(readings()), needed(readings()))),
  doubts: list(tuple('must be the uncertainties of z and r', aDoubt(), aDoubt())),
  picture: group(picture),
  instrument: instrument(),
  origin: origin(),
}
const TAKEN_RULES = [
  lengthsMatch('readings', 0, 'needs readings for each point, or none'),
  lengthsMatch('doubts', 0, 'needs an uncertainty for each point, or none'),
]
const outline = defineRecord({ name: name(), ...taken }, TAKEN_RULES)
const profile = defineRecord(
  {
    ...taken,
    tags: labelled('tags', needed(list(needed(oneOf(WHEEL_TAGS))))),
  },
  [...TAKEN_RULES, lengthsMatch('tags', 1, 'needs one tag for each segment: one fewer than points')],
)
const face = defineRecord({
  name: name(),
  raiseMm: needed(number(-60, 120, ' mm'), 'the raise is missing'),
  lipMm: number(-60, 300, ' mm'),
})

const ONCE: RecordRule = {
  name: 'once',
  message: 'names one of them twice',
  holds: (given) => !Array.isArray(given) || new Set(given as unknown[]).size === given.length,
}

/**
 * What a field of a form table holds, as a record field.
 * @param units in which messages name the limits
 */
export function expandField(field: Field, units?: UnitChoice): PlainField {
  const limits = (given: Extract<Field, { type: 'figure' | 'figures' }>, integer?: boolean): RecordDefinition => {
    const [min, max] = hardLimits(given)
    return figureRecord({ dimension: given.dimension, min, max, usual: given, units, ...(integer ? { integer } : {}) })
  }
  const optional = (): PlainField => {
    switch (field.type) {
      case 'figure':
        return group(limits(field, field.integer))
      case 'figures':
        return list(group(limits(field)), field.maxItems, {
          least: 1,
          tooShort: 'needs at least one figure',
          tooLong: `at most ${field.maxItems} figures`,
        })
      case 'choice':
        return oneOf(field.options.map((option) => option.value))
      case 'choices': {
        const values = field.options.map((option) => option.value)
        return list(needed(oneOf(values, { mismatch: `must be among ${values.join(', ')}` })), values.length, {
          least: 1,
          tooShort: 'needs at least one, or is left out',
          rules: [ONCE],
        })
      }
      case 'text':
        return { ...string(field.maxLength), tooLong: `at most ${field.maxLength} characters` }
      case 'outlines':
        return list(group(outline), LIMITS.outlines, { least: 1, tooShort: 'needs at least one outline' })
      case 'profile':
        return group(profile)
      case 'faces':
        return list(group(face), LIMITS.faces, {
          least: 1,
          tooShort: 'needs at least one face',
          tooLong: `at most ${LIMITS.faces} faces`,
        })
    }
  }
  return { ...optional(), label: field.label }
}

const FORM_TYPES: ReadonlySet<string> = new Set(['figure', 'figures', 'choice', 'choices', 'text', 'outlines', 'profile', 'faces'])
const expanded = new WeakMap<RecordField, PlainField>()
/** A field of a table with nothing left that a form alone understands; the same object each time. */
export function plainField(field: RecordField): PlainField {
  const known = expanded.get(field)
  if (known) return known
  const plain: PlainField = FORM_TYPES.has(field.type)
    ? { ...expandField(field as Field), ...neededOf(field) }
    : field.type === 'boundFigure'
      ? { ...group(figureRecord(field)), ...neededOf(field), ...labelOf(field) }
      : (field as PlainField)
  expanded.set(field, plain)
  return plain
}
const neededOf = ({ needed: message }: RecordField) => (message === undefined ? {} : { needed: message })
const labelOf = ({ label }: RecordField) => (label === undefined ? {} : { label })

/** The fields of a record, as `plainField` gives them. */
export const plainFields = (fields: RecordTable): [key: string, field: PlainField][] =>
  Object.entries(fields).map(([key, field]) => [key, plainField(field)])
