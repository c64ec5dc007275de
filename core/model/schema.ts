import {
  array,
  boolean,
  lazy,
  mixed,
  number,
  object,
  string,
  tuple,
  ValidationError,
  type AnyObject,
  type AnySchema,
  type ObjectSchema,
} from 'yup'
import { ORIGINS, type Figure } from '../quantity/figure.ts'
import { INSTRUMENT_IDS } from '../quantity/instrument.ts'
import { formatQuantity } from '../quantity/format.ts'
import { DIMENSIONS, type Dimension, type UnitChoice } from '../quantity/units.ts'
import { carAxleFields, carFields } from './car-fields.ts'
import { hardLimits, WHEEL_TAGS, type Field, type FieldTable } from './field.ts'
import { fieldsOf, PART_KIND_NAMES, valveFields, type PartKind } from './part-kinds.ts'
import {
  AXLE_SLOTS,
  AXLES,
  BIAS_AIMS,
  CONDITIONS,
  CURRENCIES,
  EXTRA_KINDS,
  FORMAT,
  GAP_POLICIES,
  HYDRAULIC_SLOTS,
  VERSION,
  WEARING,
} from './project.ts'

/** One schema set for every way in: file, browser storage, route body and the fields of a form. */

const LIMITS = {
  parts: 2000,
  setups: 40,
  bundles: 500,
  bundleParts: 40,
  fitReports: 5000,
  gaugeSessions: 500,
  points: 2000,
  outlines: 20,
  extras: 200,
  rates: 40,
  readings: 50,
  faces: 30,
} as const

const idSchema = string()
  .strict()
  .required('an id is missing')
  .min(1)
  .max(80, 'an id has at most 80 signs')
  .matches(/^[A-Za-z0-9][A-Za-z0-9._-]*$/, 'an id holds only letters, digits, dot, hyphen and underscore')
const nameSchema = string().strict().required('a name is missing').trim().max(120, 'at most 120 signs')
const noteSchema = string().strict().max(4000, 'at most 4000 signs')
const dateSchema = string()
  .strict()
  .matches(/^\d{4}-\d{2}-\d{2}([T ][0-9:.Z+-]*)?$/, 'a date is written 2026-05-11')

/** A number that arithmetic can use; says so when it is not. */
const finite = () =>
  number()
    .strict()
    .typeError('must be a number')
    .test('finite', 'must be a finite number', (value) => value === undefined || value === null || Number.isFinite(value))

const unknownKeys = 'has a field that this version does not know: ${unknown}'
const closed = <T extends AnyObject>(shape: { [K in keyof T]: AnySchema }) =>
  object(shape)
    .strict()
    .noUnknown(true, unknownKeys)
    .typeError('must be an object')
    .nonNullable('must not be null') as unknown as ObjectSchema<T>

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

function figureSchema(
  dimension: Dimension,
  min: number,
  max: number,
  integer?: boolean,
  units?: UnitChoice,
  usual?: { min: number; max: number },
) {
  return closed({
    value: valueSchema(dimension, min, max, integer, units, usual),
    u: finite().min(0, 'an uncertainty is never negative'),
    origin: string()
      .strict()
      .oneOf(ORIGINS, `must be one of ${ORIGINS.join(', ')}`)
      .required('the origin is missing'),
    date: dateSchema,
    note: noteSchema,
    readings: readingsSchema(),
    instrument: instrumentSchema(),
  }).test('mean', 'is not the mean of its readings', (figure: AnyObject | undefined) => {
    const { readings, value } = (figure ?? {}) as Partial<Figure>
    if (!Array.isArray(readings) || readings.length === 0 || typeof value !== 'number') return true
    return Math.abs(readings.reduce((sum, one) => sum + one, 0) / readings.length - value) <= SAME_MEAN
  })
}

/** A mean is kept to a micrometre; readings may carry more digits. */
const SAME_MEAN = 1e-5
const readingsSchema = () =>
  array()
    .strict()
    .of(finite().required('a reading is missing').min(-2000).max(2000))
    .min(1, 'needs at least one reading')
    .max(LIMITS.readings, `at most ${LIMITS.readings} readings`)
const instrumentSchema = () =>
  string()
    .strict()
    .oneOf(INSTRUMENT_IDS, `must be one of ${INSTRUMENT_IDS.join(', ')}`)

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

const pointSchema = tuple([
  finite().required().min(-1000).max(1000).label('z'),
  finite().required().min(-1000).max(1000).label('r'),
] as const)
  .strict()
  .required()
  .typeError('must be a pair [z, r]')

const outlinesSchema = array()
  .strict()
  .max(LIMITS.outlines)
  .of(
    closed({
      name: nameSchema,
      points: array()
        .strict()
        .of(pointSchema)
        .required()
        .min(2, 'needs at least two points')
        .max(LIMITS.points, `at most ${LIMITS.points} points`),
      readings: pointReadingsSchema(),
      instrument: instrumentSchema(),
    }).test('readings', READINGS_MATCH, readingsMatch),
  )
  .min(1, 'needs at least one outline')

const profileSchema = closed({
  points: array()
    .strict()
    .of(pointSchema)
    .required()
    .min(2, 'needs at least two points')
    .max(LIMITS.points, `at most ${LIMITS.points} points`),
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
  instrument: instrumentSchema(),
})
  .test('readings', READINGS_MATCH, readingsMatch)
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

const shapeOf = (table: FieldTable): Record<string, AnySchema> =>
  Object.fromEntries(Object.entries(table).map(([key, field]) => [key, fieldSchema(field)]))

const minor = () => finite().integer('must be a whole number of minor units').min(0, 'must not be negative').max(1e10, 'is too large')

export const priceSchema = closed({
  lowMinor: minor().required('the low price is missing'),
  likelyMinor: minor().required('the likely price is missing'),
  highMinor: minor().required('the high price is missing'),
  currency: string()
    .strict()
    .oneOf(CURRENCIES, `must be one of ${CURRENCIES.join(', ')}`)
    .required('the currency is missing'),
  pieces: finite()
    .integer('must be a whole number')
    .min(1, 'must be 1 or more')
    .max(100)
    .required('how many pieces the price buys is missing'),
  origin: string().strict().oneOf(ORIGINS),
  date: dateSchema,
  seller: string().strict().max(120, 'at most 120 signs'),
  depositMinor: minor(),
})
  .test(
    'order',
    'low, likely and high must rise',
    (price: AnyObject | undefined) => !price || !(price.lowMinor > price.likelyMinor || price.likelyMinor > price.highMinor),
  )
  .default(undefined)

/** Which points there are is the affair of the inspection sheets: one that is gone does no harm. */
const isInspected = (value: unknown): boolean =>
  typeof value === 'object' &&
  value !== null &&
  !Array.isArray(value) &&
  Object.entries(value).length <= 40 &&
  Object.entries(value).every(([name, found]) => /^[A-Za-z]{1,40}$/.test(name) && (found === 'passed' || found === 'failed'))

const partSchemas = Object.fromEntries(
  PART_KIND_NAMES.map((kind) => [
    kind,
    closed({
      id: idSchema,
      kind: string().strict().oneOf([kind]).required(),
      name: nameSchema,
      maker: string().strict().max(120),
      number: string().strict().max(120),
      provenance: string().strict().max(200),
      condition: string()
        .strict()
        .oneOf(CONDITIONS, `must be one of ${CONDITIONS.join(', ')}`),
      owned: boolean().strict().typeError('must be true or false'),
      price: priceSchema,
      massKg: figureSchema('mass', 0, 200).default(undefined),
      inspection: closed({
        points: mixed().strict().test('points', 'must say passed or failed of each point', isInspected),
        date: dateSchema,
      }).default(undefined),
      note: noteSchema,
      ...shapeOf(fieldsOf(kind)),
    }),
  ]),
) as unknown as Record<PartKind, ObjectSchema<AnyObject>>

/** The schema of a part of one kind. */
export const partSchema = (kind: PartKind): ObjectSchema<AnyObject> => partSchemas[kind]

const isKind = (kind: unknown): kind is PartKind => typeof kind === 'string' && Object.hasOwn(partSchemas, kind)

const notAPart = mixed()
  .strict()
  .test('kind', `kind must be one of ${PART_KIND_NAMES.join(', ')}`, () => false)

/** Parts that were found good and can change no more: a library is long, and a change touches one of them. */
export const goodParts = new WeakSet<object>()

const anyPartSchema = lazy((part: unknown) => {
  if (typeof part !== 'object' || part === null) return notAPart
  if (goodParts.has(part)) return mixed()
  const kind = 'kind' in part ? part.kind : undefined
  return isKind(kind) ? partSchemas[kind] : notAPart
})

const slotShape = (slots: Record<string, unknown>) =>
  Object.fromEntries(Object.keys(slots).map((slot) => [slot, string().strict().nullable().max(80)]))

const axleSetupSchema = closed({
  ...slotShape(AXLE_SLOTS),
  spacerTrialMm: finite().min(0, 'must not be negative').max(60, 'at most 60 mm'),
  shimMm: finite().min(-20).max(20),
  seen: array().strict().max(60).of(idSchema),
  trialFit: closed({
    gapMm: figureSchema('length', -20, 100).required('the gap is missing'),
    caliper: idSchema,
    wheel: idSchema,
    spacerMm: finite().required('the spacer is missing').min(0).max(60),
    rotor: string().strict().max(80),
    pad: string().strict().max(80),
  }).default(undefined),
  byDifference: closed({
    gapNowMm: figureSchema('length', -20, 100).default(undefined),
    protrusionNowMm: figureSchema('length', -150, 200).default(undefined),
    protrusionNewMm: figureSchema('length', -150, 200).default(undefined),
    radiusMm: figureSchema('length', 20, 330).default(undefined),
  }).default(undefined),
}).required('is missing')

const setupSchema = closed({
  id: idSchema,
  name: nameSchema,
  note: noteSchema,
  front: axleSetupSchema,
  rear: axleSetupSchema,
  hydraulics: closed({
    ...slotShape(HYDRAULIC_SLOTS),
    pedalRatio: fieldSchema(carFields.pedalRatio),
    barFrontShare: figureSchema('share', 0.35, 0.65).default(undefined),
    valveKneeMpa: fieldSchema(valveFields.kneeMpa),
  }).required('is missing'),
  extras: array()
    .strict()
    .required('is missing')
    .max(LIMITS.extras)
    .of(
      closed({
        id: idSchema,
        label: nameSchema,
        kind: string().strict().oneOf(Object.keys(EXTRA_KINDS)),
        quantity: finite().required('the quantity is missing').min(0.01, 'must be above zero').max(1000, 'at most 1000'),
        cures: string().strict().max(120, 'at most 120 signs'),
        price: priceSchema,
        owned: boolean().strict(),
      }),
    ),
  taken: array().strict().max(LIMITS.bundles).of(idSchema),
  wear: closed(
    Object.fromEntries(
      Object.keys(WEARING).map((what) => [
        what,
        closed({ lastsEvents: figureSchema('count', 0.1, 1000).default(undefined), price: priceSchema }).default(undefined),
      ]),
    ),
  ).default(undefined),
})

const axleName = () =>
  string()
    .strict()
    .oneOf([...AXLES], 'must be front or rear')
    .required('the axle is missing')

const bundleSchema = closed({
  id: idSchema,
  kind: string().strict().oneOf(['kit', 'donor'], 'must be kit or donor').required('the kind is missing'),
  name: nameSchema,
  maker: string().strict().max(120),
  years: string().strict().max(60),
  trims: string().strict().max(120),
  axle: axleName(),
  parts: array().strict().required('is missing').max(LIMITS.bundleParts, `at most ${LIMITS.bundleParts} parts`).of(idSchema),
  price: priceSchema,
  note: noteSchema,
})

/** The schema of a fit report, for files of reports too. */
export const fitReportSchema = closed({
  id: idSchema,
  car: nameSchema,
  axle: axleName(),
  caliper: nameSchema,
  rotor: string().strict().max(120),
  wheel: nameSchema,
  spacerMm: finite().min(0, 'must not be negative').max(60, 'at most 60 mm'),
  outcome: string().strict().oneOf(['clears', 'touches'], 'must be clears or touches').required('the outcome is missing'),
  gapMm: figureSchema('length', -20, 100).default(undefined),
  by: string().strict().max(120),
  date: dateSchema,
  note: noteSchema,
})

const oneOf = (values: readonly string[]) =>
  string()
    .strict()
    .oneOf(values, `must be one of ${values.join(', ')}`)
    .required('is missing')
const symbols = (dimension: Dimension, keep: number) => DIMENSIONS[dimension].slice(0, keep).map((unit) => unit.symbol)

/** Names and finite numbers; which limits there are is the fit check's affair. */
const isNumbers = (value: unknown): boolean =>
  value === undefined ||
  (typeof value === 'object' &&
    value !== null &&
    !Array.isArray(value) &&
    Object.entries(value).length <= 60 &&
    Object.entries(value).every(
      ([name, one]) => /^[A-Za-z]{1,40}$/.test(name) && typeof one === 'number' && Number.isFinite(one) && one >= 0 && one <= 1000,
    ))

const preferencesSchema = closed({
  units: closed({
    length: oneOf(symbols('length', 2)),
    force: oneOf(symbols('force', 2)),
    pressure: oneOf(symbols('pressure', 3)),
    torque: oneOf(symbols('torque', 2)),
    mass: oneOf(symbols('mass', 2)),
    temperature: oneOf(symbols('temperature', 2)),
  }).required('is missing'),
  currency: oneOf(CURRENCIES),
  rates: array()
    .strict()
    .required('is missing')
    .max(LIMITS.rates)
    .of(
      closed({
        currency: oneOf(CURRENCIES),
        rate: finite().required('the rate is missing').moreThan(0, 'must be above zero').max(1e6),
        spreadPercent: finite().min(0, 'must not be negative').max(50, 'at most 50 %'),
        date: dateSchema,
      }),
    ),
  taxPercent: finite().required('is missing').min(0, 'must not be negative').max(100, 'at most 100 %'),
  budgetMinor: minor(),
  eventsPerSeason: finite().required('is missing').min(0.5, 'must be between 0.5 and 200').max(200, 'must be between 0.5 and 200'),
  gapPolicy: oneOf(Object.keys(GAP_POLICIES)),
  limits: mixed().strict().test('limits', 'must give each limit a number', isNumbers),
  instrument: oneOf(INSTRUMENT_IDS),
  weightAllowanceMm: finite().required('is missing').min(0, 'must not be negative').max(20, 'at most 20 mm'),
  effectiveRadius: oneOf(['mean', 'uniformPressure']),
  areaCounting: oneOf(['oneSide', 'allPistons']),
  referenceDecelG: finite().required('is missing').min(0.1, 'must be between 0.1 and 2 g').max(2, 'must be between 0.1 and 2 g'),
  biasAim: string().strict().oneOf(Object.keys(BIAS_AIMS)),
  biasAimShare: finite().min(0.3, 'must be between 0.3 and 0.95').max(0.95, 'must be between 0.3 and 0.95'),
  stopFromKmh: finite().required('is missing').min(10, 'must be between 10 and 400 km/h').max(400, 'must be between 10 and 400 km/h'),
}).required('is missing')

export const carSchema = closed({
  name: nameSchema,
  note: noteSchema,
  ...shapeOf(carFields),
  front: closed(shapeOf(carAxleFields)).required('is missing'),
  rear: closed(shapeOf(carAxleFields)).required('is missing'),
}).required('is missing')

export const projectSchema = closed({
  format: string().strict().oneOf([FORMAT]).required(),
  version: finite().oneOf([VERSION]).required(),
  id: idSchema,
  name: nameSchema,
  note: noteSchema,
  car: carSchema,
  parts: array()
    .strict()
    .required('is missing')
    .max(LIMITS.parts, `at most ${LIMITS.parts} parts`)
    .of(anyPartSchema as unknown as AnySchema),
  setups: array()
    .strict()
    .required('is missing')
    .of(setupSchema)
    .min(1, 'needs at least the car as it stands')
    .max(LIMITS.setups, `at most ${LIMITS.setups} setups`),
  bundles: array().strict().required('is missing').max(LIMITS.bundles).of(bundleSchema),
  fitReports: array().strict().required('is missing').max(LIMITS.fitReports).of(fitReportSchema),
  gaugeSessions: array()
    .strict()
    .required('is missing')
    .max(LIMITS.gaugeSessions)
    .of(
      closed({
        id: idSchema,
        date: dateSchema.required('the date is missing'),
        track: string().strict().max(120),
        setupId: string().strict().max(80),
        pairs: array()
          .strict()
          .required('is missing')
          .max(LIMITS.readings)
          .of(
            tuple([finite().required().min(-1).max(40).label('front'), finite().required().min(-1).max(40).label('rear')] as const)
              .strict()
              .required()
              .typeError('must be a pair [front, rear]'),
          ),
        note: noteSchema,
      }),
    ),
  preferences: preferencesSchema,
})

export interface SchemaProblem {
  /** Path in the value, such as parts[3].thicknessMm.value. */
  path: string
  message: string
}

/** Everything a schema finds wrong with a value; empty when nothing is. */
export function schemaProblems(schema: AnySchema, value: unknown): SchemaProblem[] {
  try {
    schema.validateSync(value, { abortEarly: false, strict: true })
    return []
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error
    const all = error.inner.length > 0 ? error.inner : [error]
    return all.map((one) => ({ path: one.path ?? '', message: plain(one) }))
  }
}

/** Yup's own wording where ours did not reach, without the path in front. */
function plain(error: ValidationError): string {
  const message = error.errors[0] ?? 'is not valid'
  if (error.type === 'typeError' || /must be a `/.test(message)) {
    const wanted = /must be a `(\w+)` type/.exec(message)?.[1]
    return wanted
      ? `must be ${wanted === 'array' || wanted === 'object' ? 'an' : 'a'} ${wanted === 'string' ? 'text' : wanted === 'array' ? 'list' : wanted}`
      : message
  }
  return error.path && message.startsWith(error.path) ? message.slice(error.path.length).trim() : message
}
