import { axleName } from './bundle.ts'
import { writtenCycle } from './drive-cycle.ts'
import { LIMITS } from './record-fields.ts'
import {
  date,
  defineRecord,
  flag,
  group,
  id,
  keyOf,
  labelled,
  list,
  name,
  needed,
  note,
  number,
  oneOf,
  reference,
  string,
  tuple,
  type NumberField,
  type RecordRule,
  type ValueOf,
} from './record.ts'

/** What was done and seen on the car, by date. To add a kind of entry, add its record here and its list in project.ts. */

export const SURFACES = { dry: 'dry asphalt', wet: 'wet asphalt', loose: 'loose ground' } as const
export type SurfaceDriven = keyof typeof SURFACES
export const LOADS_DRIVEN = { driver: 'driver only', laden: 'laden' } as const
export type LoadDriven = keyof typeof LOADS_DRIVEN

const dated = { id: id(), date: needed(date(), 'the date is missing') }
const where = {
  surface: needed(keyOf(SURFACES), 'the surface is missing'),
  load: needed(keyOf(LOADS_DRIVEN), 'the load is missing'),
  track: string(),
  note: note(),
}

const TIMES_RISE: RecordRule = {
  name: 'rises',
  message: 'the times must rise',
  holds: (trace) => {
    if (!Array.isArray(trace)) return true
    const times = trace.map((sample: unknown) => (Array.isArray(sample) ? (sample[0] as unknown) : undefined))
    return times.every((one, i) => {
      const before = times[i - 1]
      return i === 0 || typeof one !== 'number' || typeof before !== 'number' || one > before
    })
  },
}
const sample = tuple(
  'must be a pair [seconds, km/h]',
  labelled('seconds', needed(number(0, 600, ' s'))),
  labelled('km/h', needed(number(0, 500, ' km/h'))),
)

/** One stop to a stand that was driven on purpose. */
export const stopTestRecord = defineRecord({
  ...dated,
  setupId: id(),
  fromKmh: labelled('speed before', needed(number(5, 400, ' km/h'), 'the speed is missing')),
  /** From where the brake was applied. Of a trace: what it sums up to. */
  distanceM: needed(number(0.1, 2000, ' m'), 'the distance is missing'),
  ...where,
  /** Anti-lock was at work; absent: nobody says. */
  abs: flag(),
  airC: number(-40, 60, ' °C'),
  /** Of the front rotors before the stop. */
  rotorC: number(-40, 1300, ' °C'),
  tyre: string(),
  driver: string(),
  /** Seconds from the application of the brake, and km/h. Absent: the distance was measured. */
  trace: labelled(
    'trace',
    list(sample, 1000, { least: 2, tooShort: 'two samples at least', tooLong: 'at most 1000 samples', rules: [TIMES_RISE] }),
  ),
})
export type StopTest = ValueOf<typeof stopTestRecord>

/** Which axle locked first, or that none did. */
export const lockUpRecord = defineRecord({
  ...dated,
  setupId: id(),
  axle: needed(oneOf(['front', 'rear', 'none']), 'which axle locked is missing'),
  /** Deceleration at which it was seen. */
  atG: needed(number(0.02, 2.5, ' g'), 'the deceleration is missing'),
  fromKmh: labelled('speed before', number(5, 400, ' km/h')),
  ...where,
})
export type LockUpObservation = ValueOf<typeof lockUpRecord>

/** Where the lining of a pad is measured. */
export const PAD_POINTS = {
  innerLeadingMm: 'inner, leading',
  innerTrailingMm: 'inner, trailing',
  outerLeadingMm: 'outer, leading',
  outerTrailingMm: 'outer, trailing',
} as const
export type PadPoint = keyof typeof PAD_POINTS
const padPoints = Object.fromEntries(Object.keys(PAD_POINTS).map((point) => [point, number(0, 40, ' mm')])) as Record<PadPoint, NumberField>

/** Lining and rotor of one corner, as measured. */
export const wearRecord = defineRecord({
  ...dated,
  axle: needed(oneOf(['front', 'rear']), 'the axle is missing'),
  side: needed(oneOf(['left', 'right']), 'the side is missing'),
  /** Events driven since these pads and rotors went in. */
  events: needed(number(0, 10_000), 'how many events were driven is missing'),
  setupId: reference(),
  /** What was measured: a reading speaks of nothing else. */
  pad: reference(),
  ...padPoints,
  rotor: reference(),
  rotorMm: number(1, 60, ' mm'),
  note: note(),
})
export type WearReading = ValueOf<typeof wearRecord>

const pressure = (label: string) => labelled(label, needed(number(-1, 40, ' MPa')))
const PERCENT = { tooSmall: 'must be between 5% and 95%', tooLarge: 'must be between 5% and 95%' }
/** Pressures read at front and rear on one day. */
export const gaugeRecord = defineRecord({
  ...dated,
  setupId: reference(),
  track: string(),
  /** Front, rear, MPa. */
  pairs: needed(list(tuple('must be a pair [front, rear]', pressure('front'), pressure('rear')), LIMITS.readings)),
  /** The bar's front share on that day, and how its knob stood, in words. */
  barFrontShare: number(0.05, 0.95, '', PERCENT),
  knob: string(),
  note: note(),
})
export type GaugeSession = ValueOf<typeof gaugeRecord>

/** A node of a corner whose temperature can be read. */
export const READ_NODES = { ring: 'rotor', pad: 'pads', caliper: 'caliper' } as const
export type ReadNode = keyof typeof READ_NODES
/** With what a temperature was read; paint and strips keep the highest. */
export const TEMPERATURE_METHODS = {
  paint: { label: 'paint', u: 15, peak: true },
  strip: { label: 'strip', u: 6, peak: true },
  infrared: { label: 'infra-red', u: 12, peak: false },
  probe: { label: 'touching probe', u: 4, peak: false },
} as const
export type TemperatureMethod = keyof typeof TEMPERATURE_METHODS

/** As it was driven then: the session of that name may be changed or gone by now. */
const driving = defineRecord({ name: name(), duty: writtenCycle })
/** One temperature after driving: it calibrates the heat of what was on the car then. */
export const heatReadingRecord = defineRecord({
  ...dated,
  setupId: id(),
  driving: needed(group(driving), 'the session is missing'),
  axle: axleName(),
  lump: needed(keyOf(READ_NODES)),
  method: needed(keyOf(TEMPERATURE_METHODS)),
  readC: needed(number(-40, 1300, ' °C'), 'the temperature is missing'),
  /** After the end of the driving; paint and strips keep the highest, whenever they are looked at. */
  afterS: needed(number(0, 7200, ' s', { tooSmall: 'must not be negative', tooLarge: 'at most two hours after' })),
  /** Of the air on that day. */
  airC: needed(number(-40, 60, ' °C')),
  /** What was on that corner: the reading speaks of nothing else. */
  parts: needed(list(id(), 4)),
})
export type HeatReading = ValueOf<typeof heatReadingRecord>
