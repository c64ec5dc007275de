import { array, mixed, number, object, string, tuple, type AnyObject, type AnySchema, type ObjectSchema } from 'yup'
import { ORIGINS, type Figure } from '../quantity/figure.ts'
import { formatQuantity } from '../quantity/format.ts'
import { INSTRUMENT_IDS } from '../quantity/instrument.ts'
import type { Dimension, UnitChoice } from '../quantity/units.ts'
import { TYPICAL, WAY_IDS } from './way-ids.ts'
import { greatestU, hardLimits, type Field, type FieldTable } from './field.ts'
import { WHEEL_TAGS } from '../records/field.ts'

/** What one field may hold: figures with their origin, outlines, profiles; and what all records are made of. */

export const LIMITS = { points: 2000, outlines: 20, readings: 50, faces: 30 } as const
/** A picture as text: some 640 pixels wide in colour, more in grey. */
export const MOST_PICTURE_SIGNS = 160_000
/** A JPEG as a data address. */
export const JPEG_TEXT = /^data:image\/jpeg;base64,[A-Za-z0-9+/]+={0,2}$/
/** A point that is known no better than this is not known, mm. */
export const MOST_POINT_DOUBT_MM = 50

export const idSchema = string()
  .strict()
  .required('an id is missing')
  .min(1)
  .max(80, 'an id has at most 80 characters')
  .matches(/^[A-Za-z0-9][A-Za-z0-9._-]*$/, 'an id holds only letters, digits, dot, hyphen and underscore')
export const nameSchema = string().strict().required('a name is missing').trim().max(120, 'at most 120 characters')
export const noteSchema = string().strict().max(4000, 'at most 4000 characters')
export const dateSchema = string()
  .strict()
  .matches(/^\d{4}-\d{2}-\d{2}([T ][0-9:.Z+-]*)?$/, 'a date is written 2026-05-11')

/** A number that arithmetic can use; says so when it is not. */
export const finite = () =>
  number()
    .strict()
    .typeError('must be a number')
    .test('finite', 'must be a finite number', (value) => value === undefined || value === null || Number.isFinite(value))

const unknownKeys = 'has a field that this version does not know: ${unknown}'
export const closed = <T extends AnyObject>(shape: { [K in keyof T]: AnySchema }) =>
  object(shape)
    .strict()
    .noUnknown(true, unknownKeys)
    .typeError('must be an object')
    .nonNullable('must not be null') as unknown as ObjectSchema<T>

const rangeWords = (dimension: Dimension, min: number, max: number, units?: UnitChoice): string =>
  `must be between ${formatQuantity(min, dimension, units)} and ${formatQuantity(max, dimension, units)}`

/** `usual` is what the message names where more than that is taken. */
function valueSchema(
  dimension: Dimension,
  min: number,
  max: number,
  integer = false,
  units?: UnitChoice,
  usual?: { min: number; max: number },
) {
  const show = (value: number) => formatQuantity(value, dimension, units)
  const range =
    usual && (usual.min !== min || usual.max !== max)
      ? `must be between ${show(usual.min)} and ${show(usual.max)}, or not far off`
      : `must be between ${show(min)} and ${show(max)}`
  const schema = finite().required('a value is missing').min(min, range).max(max, range)
  return integer ? schema.integer('must be a whole number') : schema
}

/** What was given to a way: few names, each with a number or a short text. */
export const isGiven = (value: unknown): boolean =>
  typeof value === 'object' &&
  value !== null &&
  !Array.isArray(value) &&
  Object.keys(value).length <= 12 &&
  Object.entries(value).every(
    ([key, one]) =>
      key.length <= 40 && ((typeof one === 'number' && Number.isFinite(one)) || (typeof one === 'string' && one.length <= 120)),
  )
export const MADE_BY: readonly string[] = [...WAY_IDS, TYPICAL]
const madeOfSchema = closed({
  way: string()
    .strict()
    .oneOf(MADE_BY, `must be one of ${MADE_BY.join(', ')}`)
    .required('the way is missing'),
  given: mixed().strict().required('what was given is missing').test('given', 'must give each name a number or a short text', isGiven),
}).default(undefined)

export function figureSchema(
  dimension: Dimension,
  min: number,
  max: number,
  integer?: boolean,
  units?: UnitChoice,
  usual?: { min: number; max: number },
) {
  return closed({
    value: valueSchema(dimension, min, max, integer, units, usual),
    u: finite()
      .min(0, 'an uncertainty is never negative')
      .max(
        greatestU(min, max),
        `an uncertainty of more than ${formatQuantity(greatestU(min, max), dimension, units)} means that the value is unknown: leave it out`,
      ),
    origin: string()
      .strict()
      .oneOf(ORIGINS, `must be one of ${ORIGINS.join(', ')}`)
      .required('the origin is missing'),
    date: dateSchema,
    note: noteSchema,
    readings: readingsSchema(min, max, `each reading ${rangeWords(dimension, min, max, units)}`),
    instrument: instrumentSchema(),
    madeOf: madeOfSchema,
  }).test('mean', 'is not the mean of its readings', (figure: AnyObject | undefined) => {
    const { readings, value } = (figure ?? {}) as Partial<Figure>
    if (!Array.isArray(readings) || readings.length === 0 || typeof value !== 'number' || !readings.every((one) => typeof one === 'number'))
      return true
    return Math.abs(readings.reduce((sum, one) => sum + one, 0) / readings.length - value) <= SAME_MEAN
  })
}

/** A mean is kept to a micrometre; readings may carry more digits. */
export const SAME_MEAN = 1e-5
const readingsSchema = (min = -2000, max = 2000, range = 'must be between -2000 and 2000 mm') =>
  array()
    .strict()
    .of(finite().required('a reading is missing').min(min, range).max(max, range))
    .min(1, 'needs at least one reading')
    .max(LIMITS.readings, `at most ${LIMITS.readings} readings`)
const instrumentSchema = () =>
  string()
    .strict()
    .oneOf(INSTRUMENT_IDS, `must be one of ${INSTRUMENT_IDS.join(', ')}`)

const originSchema = () =>
  string()
    .strict()
    .oneOf(ORIGINS, `must be one of ${ORIGINS.join(', ')}`)

const pointReadingsSchema = () =>
  array()
    .strict()
    .of(
      tuple([readingsSchema().required(), readingsSchema().required()] as never)
        .strict()
        .required()
        .typeError('must be the readings of z, then those of r'),
    )
const readingsMatch = (taken: AnyObject | undefined) =>
  !Array.isArray(taken?.readings) || !Array.isArray(taken.points) || taken.readings.length === taken.points.length
const READINGS_MATCH = 'needs readings for each point, or none'

const pointDoubtsSchema = () =>
  array()
    .strict()
    .of(
      tuple([
        finite().required().min(0, 'an uncertainty must not be negative').max(MOST_POINT_DOUBT_MM),
        finite().required().min(0, 'an uncertainty must not be negative').max(MOST_POINT_DOUBT_MM),
      ] as never)
        .strict()
        .required()
        .typeError('must be the uncertainties of z and r'),
    )
const doubtsMatch = (taken: AnyObject | undefined) =>
  !Array.isArray(taken?.doubts) || !Array.isArray(taken.points) || taken.doubts.length === taken.points.length
const DOUBTS_MATCH = 'needs an uncertainty for each point, or none'
export const jpegSchema = () =>
  string()
    .strict()
    .max(MOST_PICTURE_SIGNS, 'the picture is too large')
    .matches(JPEG_TEXT, { message: 'must be a JPEG picture', excludeEmptyString: false })
const spanSchema = () =>
  tuple([finite().required().min(-2000).max(2000), finite().required().min(-2000).max(2000)] as never)
    .strict()
    .required('what the picture shows is missing')
    .typeError('must be from and to, mm')
    .test('order', 'must rise', (span: unknown) => !Array.isArray(span) || (span as number[])[0]! < (span as number[])[1]!)
const pictureSchema = () =>
  closed({ jpeg: jpegSchema().required('the picture is missing'), z: spanSchema(), r: spanSchema() }).default(undefined)

const pointSchema = tuple([
  finite().required().min(-1000).max(1000).label('z'),
  finite().required().min(0, 'a radius is never negative').max(1000).label('r'),
] as const)
  .strict()
  .required()
  .typeError('must be a pair [z, r]')

const pointsSchema = () =>
  array().strict().of(pointSchema).required().min(2, 'needs at least two points').max(LIMITS.points, `at most ${LIMITS.points} points`)

const outlinesSchema = array()
  .strict()
  .max(LIMITS.outlines)
  .of(
    closed({
      name: nameSchema,
      points: pointsSchema(),
      readings: pointReadingsSchema(),
      doubts: pointDoubtsSchema(),
      picture: pictureSchema(),
      instrument: instrumentSchema(),
      origin: originSchema(),
    })
      .test('readings', READINGS_MATCH, readingsMatch)
      .test('doubts', DOUBTS_MATCH, doubtsMatch),
  )
  .min(1, 'needs at least one outline')

const profileSchema = closed({
  points: pointsSchema(),
  tags: array()
    .strict()
    .of(
      string()
        .strict()
        .oneOf(WHEEL_TAGS, `must be one of ${WHEEL_TAGS.join(', ')}`)
        .required(),
    )
    .required(),
  readings: pointReadingsSchema(),
  doubts: pointDoubtsSchema(),
  picture: pictureSchema(),
  instrument: instrumentSchema(),
  origin: originSchema(),
})
  .test('readings', READINGS_MATCH, readingsMatch)
  .test('doubts', DOUBTS_MATCH, doubtsMatch)
  .test(
    'tags',
    'needs one tag for each segment: one fewer than points',
    (profile: AnyObject | undefined) =>
      profile === undefined ||
      !Array.isArray(profile.points) ||
      !Array.isArray(profile.tags) ||
      profile.tags.length === profile.points.length - 1,
  )

const facesSchema = array()
  .strict()
  .max(LIMITS.faces, `at most ${LIMITS.faces} faces`)
  .of(
    closed({
      name: nameSchema,
      raiseMm: finite().required('the raise is missing').min(-60).max(120),
      lipMm: finite().min(-60).max(300),
    }),
  )
  .min(1, 'needs at least one face')

/**
 * The schema of one field of a table, as forms check it.
 * @param units in which messages name the limits
 */
export function fieldSchema(field: Field, units?: UnitChoice): AnySchema {
  switch (field.type) {
    case 'figure':
      return figureSchema(field.dimension, ...hardLimits(field), field.integer, units, field).default(undefined)
    case 'figures':
      return array()
        .strict()
        .of(figureSchema(field.dimension, ...hardLimits(field), false, units, field))
        .min(1, 'needs at least one figure')
        .max(field.maxItems, `at most ${field.maxItems} figures`)
    case 'choice':
      return string()
        .strict()
        .oneOf(
          field.options.map((option) => option.value),
          `must be one of ${field.options.map((option) => option.value).join(', ')}`,
        )
    case 'choices': {
      const values = field.options.map((option) => option.value)
      return array()
        .strict()
        .of(
          string()
            .strict()
            .oneOf(values, `must be among ${values.join(', ')}`)
            .required(),
        )
        .min(1, 'needs at least one, or is left out')
        .max(values.length, `at most ${values.length}`)
        .test(
          'once',
          'names one of them twice',
          (given: unknown) => !Array.isArray(given) || new Set(given as unknown[]).size === given.length,
        )
    }
    case 'text':
      return string().strict().max(field.maxLength, `at most ${field.maxLength} signs`)
    case 'outlines':
      return outlinesSchema
    case 'profile':
      return profileSchema.default(undefined)
    case 'faces':
      return facesSchema
  }
}

export const shapeOf = (table: FieldTable): Record<string, AnySchema> =>
  Object.fromEntries(Object.entries(table).map(([key, field]) => [key, fieldSchema(field)]))
