import { array, lazy, mixed, string, type AnySchema } from 'yup'
import { STANDARD_GRAVITY } from '../quantity/units.ts'
import { closed, finite } from './field-schema.ts'

/** Drivings as someone writes them down: km/h, g, m, s. The core's `Duty` takes them as they are. */
export interface WrittenZone {
  fromKmh: number
  toKmh: number
  decelG: number
  secondsToNext: number
}
export interface WrittenDescent {
  kind: 'descent'
  gradePercent: number
  lengthM: number
  kmh: number
  /** What the engine holds back in the gear that is driven, N at the road; absent: the car's figure. */
  engineDragN?: number
  /** A trailer behind it, and the share of its own weight that its brakes take. */
  towMassKg?: number
  towBrakeShare?: number
}
export type WrittenCycle =
  | { kind: 'stops'; fromKmh: number; toKmh: number; decelG: number; count: number; accelG: number; cruiseSeconds: number }
  | WrittenDescent
  | { kind: 'laps'; laps: number; zones: WrittenZone[]; coolingLap?: boolean; down?: WrittenDescent }

export const DUTY_LIMITS = { zones: 60, laps: 100, stops: 100, brakings: 1500, hours: 100 } as const

const between = (name: string, min: number, max: number, unit: string) =>
  finite()
    .required(`${name} is missing`)
    .min(min, `must be between ${min} and ${max}${unit}`)
    .max(max, `must be between ${min} and ${max}${unit}`)
const kmh = (name: string) => between(name, 0, 400, ' km/h')
const decelG = () => between('the deceleration', 0.05, 3, ' g')

const slower = (value: unknown) => {
  const { fromKmh, toKmh } = (value ?? {}) as { fromKmh?: unknown; toKmh?: unknown }
  return typeof fromKmh !== 'number' || typeof toKmh !== 'number' || toKmh < fromKmh
}
const SLOWER = 'has to end slower than it begins'

const zoneSchema = closed({
  fromKmh: kmh('the speed before'),
  toKmh: kmh('the speed after'),
  decelG: decelG(),
  secondsToNext: between('the time to the next zone', 0, 3600, ' s'),
}).test('slower', SLOWER, slower)

const descentSchema = closed({
  kind: string().strict().oneOf(['descent']).required(),
  gradePercent: between('the grade', 0.5, 40, ' %'),
  lengthM: between('the length', 10, 100_000, ' m'),
  kmh: between('the speed', 3, 200, ' km/h'),
  engineDragN: finite().min(0, 'must not be negative').max(10_000, 'at most 10000 N'),
  towMassKg: finite().min(0, 'must not be negative').max(10_000, 'at most 10000 kg'),
  towBrakeShare: finite().min(0, 'must be between 0 and 1').max(1, 'must be between 0 and 1'),
}).test('time', 'takes more than two hours', (value: unknown) => {
  const { lengthM, kmh: speed } = (value ?? {}) as { lengthM?: unknown; kmh?: unknown }
  return typeof lengthM !== 'number' || typeof speed !== 'number' || !(lengthM / (speed / 3.6) > 7200)
})

/**
 * How long a written driving lasts, s; what is not a number counts as none.
 * @example
 * dutySeconds({ kind: 'descent', gradePercent: 9, lengthM: 3000, kmh: 36 }) // => 300
 */
export function dutySeconds(duty: WrittenCycle): number {
  const ms = (kmh: number) => given(kmh) / 3.6
  const slowing = (fromKmh: number, toKmh: number, g: number) => (ms(fromKmh) - ms(toKmh)) / (STANDARD_GRAVITY * given(g))
  const downhill = ({ lengthM, kmh }: WrittenDescent) => given(lengthM) / ms(kmh)
  if (duty.kind === 'descent') return downhill(duty)
  if (duty.kind === 'stops') {
    const { fromKmh, toKmh } = duty
    const between = slowing(fromKmh, toKmh, duty.accelG) + given(duty.cruiseSeconds)
    return given(duty.count) * slowing(fromKmh, toKmh, duty.decelG) + (given(duty.count) - 1) * between
  }
  const zones = Array.isArray(duty.zones) ? duty.zones.filter((one: unknown) => typeof one === 'object' && one !== null) : []
  const lap = zones.reduce((sum, zone) => sum + slowing(zone.fromKmh, zone.toKmh, zone.decelG) + given(zone.secondsToNext), 0)
  return given(duty.laps) * (lap + (duty.down ? downhill(duty.down) : 0)) + (duty.coolingLap === true ? 2 * lap : 0)
}
const given = (value: unknown): number => (typeof value === 'number' ? value : 0)

const TOO_LONG = `lasts more than ${DUTY_LIMITS.hours} hours in all: shorten the time between, or brake fewer times`
const endsInTime = (value: unknown) =>
  typeof value !== 'object' || value === null || !(dutySeconds(value as WrittenCycle) > DUTY_LIMITS.hours * 3600)

const stopsSchema = closed({
  kind: string().strict().oneOf(['stops']).required(),
  fromKmh: kmh('the speed before'),
  toKmh: kmh('the speed after'),
  decelG: decelG(),
  count: between('the number of stops', 1, DUTY_LIMITS.stops, '').integer('must be a whole number'),
  accelG: between('the acceleration', 0.02, 2, ' g'),
  cruiseSeconds: between('the time between', 0, 3600, ' s'),
})
  .test('slower', SLOWER, slower)
  .test('lasting', TOO_LONG, endsInTime)

const lapsSchema = closed({
  kind: string().strict().oneOf(['laps']).required(),
  laps: between('the number of laps', 1, DUTY_LIMITS.laps, '').integer('must be a whole number'),
  zones: array()
    .strict()
    .required('the braking zones are missing')
    .min(1, 'needs at least one braking zone')
    .max(DUTY_LIMITS.zones, `at most ${DUTY_LIMITS.zones} braking zones in a lap`)
    .of(zoneSchema),
  coolingLap: mixed().oneOf([true, false, undefined], 'must be true or false'),
  down: descentSchema.default(undefined),
})
  .test('long', `brakes more than ${DUTY_LIMITS.brakings} times: fewer laps`, (value: unknown) => {
    const { laps, zones } = (value ?? {}) as { laps?: unknown; zones?: unknown }
    return typeof laps !== 'number' || !Array.isArray(zones) || laps * zones.length <= DUTY_LIMITS.brakings
  })
  .test('lasting', TOO_LONG, endsInTime)
  .test('slow', 'has a zone that begins at a speed above that of the zone before without time to speed up', (value: unknown) => {
    const zones = ((value ?? {}) as { zones?: unknown }).zones
    if (!Array.isArray(zones)) return true
    return (zones as Partial<WrittenZone>[]).every((zone, i) => {
      const next = (zones as Partial<WrittenZone>[])[(i + 1) % zones.length]
      if (typeof zone?.toKmh !== 'number' || typeof next?.fromKmh !== 'number' || typeof zone.secondsToNext !== 'number') return true
      return zone.secondsToNext > 0 || next.fromKmh <= zone.toKmh + 1e-9
    })
  })

const SCHEMAS: Record<WrittenCycle['kind'], AnySchema> = { stops: stopsSchema, descent: descentSchema, laps: lapsSchema }

/** The schema of one driving, whichever kind it says it is. */
export const dutySchema = lazy((value: unknown) => {
  const kind = typeof value === 'object' && value !== null && 'kind' in value ? value.kind : undefined
  return typeof kind === 'string' && Object.hasOwn(SCHEMAS, kind)
    ? SCHEMAS[kind as WrittenCycle['kind']]
    : mixed()
        .strict()
        .test('kind', `kind must be one of ${Object.keys(SCHEMAS).join(', ')}`, () => false)
}) as unknown as AnySchema
