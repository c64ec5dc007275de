import { array, boolean, lazy, mixed, string, tuple, type AnyObject, type AnySchema, type ObjectSchema } from 'yup'
import { ORIGINS } from '../quantity/figure.ts'
import { INSTRUMENT_IDS } from '../quantity/instrument.ts'
import { PLUS_MINUS } from '../quantity/plus-minus.ts'
import { DIMENSIONS, type Dimension } from '../quantity/units.ts'
import { dutySchema } from './drive-cycle-schema.ts'
import { carAxleFields, carFields } from './car-fields.ts'
import {
  closed,
  dateSchema,
  fieldSchema,
  figureSchema,
  finite,
  idSchema,
  LIMITS as FIELD_LIMITS,
  nameSchema,
  noteSchema,
  shapeOf,
} from './field-schema.ts'
import { OTHER_LIMITS } from './field.ts'
import { goodMembers } from './good-members.ts'
import { buildSchema, LOG_LISTS, lockSightingSchema, stopTestSchema, wearReadingSchema } from './logbook-schema.ts'
import { fieldsOf, PART_KIND_NAMES, type PartKind } from './part-kinds.ts'
import { valveFields } from './hydraulic-fields.ts'
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
  READ_NODES,
  TEMPERATURE_METHODS,
  VERSION,
  WEARING,
  QUESTION_IDS,
} from './project.ts'

/** One schema set for every way in: file, browser storage, route body and the fields of a form. */

export const LISTS = {
  parts: 2000,
  setups: 40,
  bundles: 500,
  bundleParts: 40,
  fitReports: 5000,
  gaugeSessions: 500,
  extras: 200,
  buyOrder: 400,
  rates: 40,
  duties: 100,
  heatReadings: 500,
} as const

const minor = () => finite().integer('must be a whole number of minor units').min(0, 'must not be negative').max(1e10, 'is too large')

export const priceSchema = closed({
  lowMinor: minor().required('the low price is missing'),
  likelyMinor: minor().required('the expected price is missing'),
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
  seller: string().strict().max(120, 'at most 120 characters'),
  depositMinor: minor(),
})
  .test('order', 'low, expected and high price must rise', (price: AnyObject | undefined) => {
    const all: unknown[] = price ? [price.lowMinor, price.likelyMinor, price.highMinor] : []
    return !all.every((one) => typeof one === 'number') || all.every((one, i) => i === 0 || all[i - 1]! <= one)
  })
  .default(undefined)

/** Which points there are is the affair of the inspection sheets: one that is gone does no harm. */
export const isInspected = (value: unknown): boolean =>
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
      massKg: figureSchema('mass', ...OTHER_LIMITS.massKg).default(undefined),
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

const anyPartSchema = lazy((part: unknown) => {
  if (typeof part !== 'object' || part === null) return notAPart
  if (goodMembers.has(part)) return mixed()
  const kind = 'kind' in part ? part.kind : undefined
  return isKind(kind) ? partSchemas[kind] : notAPart
})

const slotShape = (slots: Record<string, unknown>) =>
  Object.fromEntries(Object.keys(slots).map((slot) => [slot, string().strict().nullable().max(80)]))

const axleSetupSchema = closed({
  ...slotShape(AXLE_SLOTS),
  spacerTrialMm: finite().min(0, 'must not be negative').max(60, 'at most 60 mm'),
  shimMm: finite().min(-20).max(20),
  duct: boolean().strict(),
  padShims: boolean().strict(),
  seen: closed({
    rules: array().strict().max(60).of(idSchema).required('is missing'),
    parts: array().strict().max(4).of(idSchema).required('is missing'),
    shimMm: finite().required('is missing').min(-20).max(20),
  }).default(undefined),
  trialFit: closed({
    gapMm: figureSchema('length', ...OTHER_LIMITS.gapMm).required('the clearance is missing'),
    caliper: idSchema,
    wheel: idSchema,
    spacerMm: finite().required('the spacer is missing').min(0).max(60),
    rotor: string().strict().max(80),
    pad: string().strict().max(80),
    bracket: string().strict().nullable().max(80),
    shimMm: finite().min(-20).max(20),
    face: string().strict().max(120),
    weightsMm: finite().min(0).max(60),
  }).default(undefined),
  byDifference: closed({
    gapNowMm: figureSchema('length', ...OTHER_LIMITS.gapNowMm).default(undefined),
    protrusionNowMm: figureSchema('length', ...OTHER_LIMITS.protrusionNowMm).default(undefined),
    protrusionNewMm: figureSchema('length', ...OTHER_LIMITS.protrusionNewMm).default(undefined),
    radiusMm: figureSchema('length', ...OTHER_LIMITS.radiusMm).default(undefined),
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
    barFrontShare: figureSchema('share', ...OTHER_LIMITS.barFrontShare).default(undefined),
    valveKneeMpa: fieldSchema(valveFields.kneeMpa),
  }).required('is missing'),
  extras: array()
    .strict()
    .required('is missing')
    .max(LISTS.extras)
    .of(
      closed({
        id: idSchema,
        label: nameSchema,
        kind: string().strict().oneOf(Object.keys(EXTRA_KINDS)),
        quantity: finite().required('the quantity is missing').min(0.01, 'must be above zero').max(1000, 'at most 1000'),
        cures: string().strict().max(120, 'at most 120 characters'),
        price: priceSchema,
        owned: boolean().strict(),
      }),
    ),
  taken: array().strict().max(LISTS.bundles).of(idSchema),
  buyOrder: array().strict().max(LISTS.buyOrder).of(string().strict().max(120).required()),
  wear: closed(
    Object.fromEntries(
      Object.keys(WEARING).map((what) => [
        what,
        closed({ lastsEvents: figureSchema('count', ...OTHER_LIMITS.lastsEvents).default(undefined), price: priceSchema }).default(
          undefined,
        ),
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
  parts: array().strict().required('is missing').max(LISTS.bundleParts, `at most ${LISTS.bundleParts} parts`).of(idSchema),
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
  gapMm: figureSchema('length', ...OTHER_LIMITS.gapMm).default(undefined),
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
    plusMinus: string().strict().oneOf(Object.keys(PLUS_MINUS)),
  }).required('is missing'),
  currency: oneOf(CURRENCIES),
  rates: array()
    .strict()
    .required('is missing')
    .max(LISTS.rates)
    .of(
      closed({
        currency: oneOf(CURRENCIES),
        rate: finite().required('the rate is missing').moreThan(0, 'must be above zero').max(1e6),
        spreadPercent: finite().min(0, 'must not be negative').max(50, 'at most 50%'),
        date: dateSchema,
      }),
    ),
  taxPercent: finite().required('is missing').min(0, 'must not be negative').max(100, 'at most 100%'),
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
  duty: string().strict().max(80),
  stopFromKmh: finite().required('is missing').min(10, 'must be between 10 and 400 km/h').max(400, 'must be between 10 and 400 km/h'),
}).required('is missing')

const carSchema = closed({
  name: nameSchema,
  note: noteSchema,
  ...shapeOf(carFields),
  front: closed(shapeOf(carAxleFields)).required('is missing'),
  rear: closed(shapeOf(carAxleFields)).required('is missing'),
}).required('is missing')

function loggedAs(list: 'stopTests' | 'lockSightings' | 'wearReadings' | 'builds', of: AnySchema, words: string) {
  return array().strict().required('is missing').max(LOG_LISTS[list], `at most ${LOG_LISTS[list]} ${words}`).of(of)
}

export const gaugeSessionSchema = closed({
  id: idSchema,
  date: dateSchema.required('the date is missing'),
  track: string().strict().max(120),
  setupId: string().strict().max(80),
  pairs: array()
    .strict()
    .required('is missing')
    .max(FIELD_LIMITS.readings)
    .of(
      tuple([finite().required().min(-1).max(40).label('front'), finite().required().min(-1).max(40).label('rear')] as const)
        .strict()
        .required()
        .typeError('must be a pair [front, rear]'),
    ),
  barFrontShare: finite().min(0.05, 'must be between 5% and 95%').max(0.95, 'must be between 5% and 95%'),
  knob: string().strict().max(120),
  note: noteSchema,
})

export const heatReadingSchema = closed({
  id: idSchema,
  date: dateSchema.required('the date is missing'),
  setupId: idSchema,
  driving: closed({ name: nameSchema, duty: dutySchema }).required('the session is missing'),
  axle: axleName(),
  lump: oneOf(Object.keys(READ_NODES)),
  method: oneOf(Object.keys(TEMPERATURE_METHODS)),
  readC: finite()
    .required('the temperature is missing')
    .min(-40, 'must be between -40 and 1300 °C')
    .max(1300, 'must be between -40 and 1300 °C'),
  afterS: finite().required('is missing').min(0, 'must not be negative').max(7200, 'at most two hours after'),
  airC: finite().required('is missing').min(-40, 'must be between -40 and 60 °C').max(60, 'must be between -40 and 60 °C'),
  parts: array().strict().max(4).of(idSchema).required('is missing'),
})

export const projectSchema = closed({
  format: string().strict().oneOf([FORMAT]).required(),
  version: finite().oneOf([VERSION]).required(),
  id: idSchema,
  name: nameSchema,
  note: noteSchema,
  question: string()
    .strict()
    .oneOf(QUESTION_IDS, `must be one of ${QUESTION_IDS.join(', ')}`),
  car: carSchema,
  parts: array()
    .strict()
    .required('is missing')
    .max(LISTS.parts, `at most ${LISTS.parts} parts`)
    .of(anyPartSchema as unknown as AnySchema),
  setups: array()
    .strict()
    .required('is missing')
    .of(setupSchema)
    .min(1, 'needs at least the current car')
    .max(LISTS.setups, `at most ${LISTS.setups} setups`),
  bundles: array().strict().required('is missing').max(LISTS.bundles).of(bundleSchema),
  fitReports: array().strict().required('is missing').max(LISTS.fitReports).of(fitReportSchema),
  gaugeSessions: array().strict().required('is missing').max(LISTS.gaugeSessions).of(gaugeSessionSchema),
  duties: array()
    .strict()
    .required('is missing')
    .max(LISTS.duties, `at most ${LISTS.duties} sessions`)
    .of(closed({ id: idSchema, name: nameSchema, note: noteSchema, duty: dutySchema })),
  heatReadings: array()
    .strict()
    .required('is missing')
    .max(LISTS.heatReadings, `at most ${LISTS.heatReadings} temperatures`)
    .of(heatReadingSchema),
  stopTests: loggedAs('stopTests', stopTestSchema, 'stops'),
  lockSightings: loggedAs('lockSightings', lockSightingSchema, 'sightings'),
  wearReadings: loggedAs('wearReadings', wearReadingSchema, 'readings of wear'),
  builds: loggedAs('builds', buildSchema, 'builds'),
  preferences: preferencesSchema,
})
