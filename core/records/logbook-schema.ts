import { array, boolean, string, tuple } from 'yup'
import { closed, dateSchema, figureSchema, finite, idSchema, jpegSchema, noteSchema } from './field-schema.ts'
import { BLEEDINGS, LOADS_DRIVEN, PAD_POINTS, SURFACES } from './logbook.ts'

/** Schemas of the logbook and of the work order; limits are what a hand could mean. */

export const LOG_LISTS = {
  stopTests: 2000,
  lockSightings: 1000,
  wearReadings: 2000,
  builds: 40,
  buildNotes: 400,
  buildTorques: 100,
  traceSamples: 1000,
} as const

const oneOf = (values: object) => {
  const names = Object.keys(values)
  return string()
    .strict()
    .oneOf(names, `must be one of ${names.join(', ')}`)
}
const short = () => string().strict().max(120, 'at most 120 signs')
const from = (low: number, high: number, unit: string) =>
  finite().min(low, `must be between ${low} and ${high}${unit}`).max(high, `must be between ${low} and ${high}${unit}`)
const dated = { id: idSchema, date: dateSchema.required('the date is missing') }
const where = {
  surface: oneOf(SURFACES).required('the surface is missing'),
  load: oneOf(LOADS_DRIVEN).required('the load is missing'),
  track: short(),
  note: noteSchema,
}

const traceSchema = array()
  .strict()
  .max(LOG_LISTS.traceSamples, `at most ${LOG_LISTS.traceSamples} samples`)
  .min(2, 'two samples at least')
  .of(
    tuple([from(0, 600, ' s').required().label('seconds'), from(0, 500, ' km/h').required().label('km/h')] as const)
      .strict()
      .required()
      .typeError('must be a pair [seconds, km/h]'),
  )
  .test('rises', 'the times must rise', (value) => !value || value.every((one, i) => i === 0 || one[0]! > value[i - 1]![0]!))

export const stopTestSchema = closed({
  ...dated,
  ...where,
  setupId: idSchema,
  fromKmh: from(5, 400, ' km/h').required('the speed is missing'),
  distanceM: from(0.1, 2000, ' m').required('the distance is missing'),
  trace: traceSchema,
  abs: boolean().strict(),
  airC: from(-40, 60, ' °C'),
  rotorC: from(-40, 1300, ' °C'),
  tyre: short(),
  driver: short(),
})

export const lockSightingSchema = closed({
  ...dated,
  ...where,
  setupId: idSchema,
  axle: oneOf({ front: 1, rear: 1, none: 1 }).required('which axle locked is missing'),
  atG: from(0.02, 2.5, ' g').required('the deceleration is missing'),
  fromKmh: from(5, 400, ' km/h'),
})

export const wearReadingSchema = closed({
  ...dated,
  axle: oneOf({ front: 1, rear: 1 }).required('the axle is missing'),
  side: oneOf({ left: 1, right: 1 }).required('the side is missing'),
  events: from(0, 10_000, '').required('how many events were driven is missing'),
  setupId: string().strict().max(80),
  pad: string().strict().max(80),
  rotor: string().strict().max(80),
  rotorMm: from(1, 60, ' mm'),
  ...Object.fromEntries(Object.keys(PAD_POINTS).map((point) => [point, from(0, 40, ' mm')])),
  note: noteSchema,
})

export const buildSchema = closed({
  id: idSchema,
  notes: array()
    .strict()
    .required('is missing')
    .max(LOG_LISTS.buildNotes)
    .of(
      closed({
        id: idSchema,
        doneOn: dateSchema,
        note: noteSchema,
        picture: jpegSchema(),
      }),
    ),
  torques: array()
    .strict()
    .required('is missing')
    .max(LOG_LISTS.buildTorques)
    .of(closed({ id: idSchema, torque: figureSchema('torque', 0.5, 1000).required('the torque is missing') })),
  staged: boolean().strict(),
  dates: array().strict().max(20).of(dateSchema.nullable()),
  bleeding: oneOf(BLEEDINGS),
})
