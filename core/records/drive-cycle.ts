import { STANDARD_GRAVITY } from '../quantity/units.ts'
import {
  byKind,
  constant,
  defineRecord,
  flag,
  group,
  id,
  isObject,
  labelled,
  list,
  name,
  needed,
  note,
  number,
  type RecordRule,
  type ValueOf,
} from './record.ts'

/** Sessions as someone writes them down: km/h, g, m, s. The computation of heat takes them as they are. */

const MOST = { zones: 60, laps: 100, stops: 100, brakings: 1500, hours: 100 } as const
/** Zones that a lap may have. */
export const MOST_ZONES = MOST.zones

const speed = (label: string, missing: string) => labelled(label, needed(number(0, 400, ' km/h'), `${missing} is missing`))
const fromKmh = () => speed('speed before', 'the speed before')
const toKmh = () => speed('speed after', 'the speed after')
const decelG = () => labelled('deceleration', needed(number(0.05, 3, ' g'), 'the deceleration is missing'))

const SLOWER: RecordRule = {
  name: 'slower',
  message: 'has to end slower than it begins',
  holds: (value) => {
    if (!isObject(value)) return true
    const { fromKmh: before, toKmh: after } = value
    return typeof before !== 'number' || typeof after !== 'number' || after < before
  },
}
const zone = defineRecord(
  {
    fromKmh: fromKmh(),
    toKmh: toKmh(),
    decelG: decelG(),
    secondsToNext: labelled('time to the next zone', needed(number(0, 3600, ' s'), 'the time to the next zone is missing')),
  },
  [SLOWER],
)
export type WrittenZone = ValueOf<typeof zone>

const AT_MOST_TWO_HOURS: RecordRule = {
  name: 'time',
  message: 'takes more than two hours',
  holds: (value) =>
    !isObject(value) || typeof value.lengthM !== 'number' || typeof value.kmh !== 'number' || !(value.lengthM / (value.kmh / 3.6) > 7200),
}
const descent = defineRecord(
  {
    kind: constant('descent'),
    gradePercent: needed(number(0.5, 40, ' %'), 'the grade is missing'),
    lengthM: needed(number(10, 100_000, ' m'), 'the length is missing'),
    kmh: needed(number(3, 200, ' km/h'), 'the speed is missing'),
    /** What the engine holds back in the gear that is driven, N at the road; absent: the car's figure. */
    engineDragN: number(0, 10_000, ' N'),
    /** A trailer behind it, and the share of its own weight that its brakes take. */
    towMassKg: number(0, 10_000, ' kg'),
    towBrakeShare: number(0, 1),
  },
  [AT_MOST_TWO_HOURS],
)
export type WrittenDescent = ValueOf<typeof descent>

const ENDS_IN_TIME: RecordRule = {
  name: 'lasting',
  message: `lasts more than ${MOST.hours} hours in all: shorten the time between, or brake fewer times`,
  holds: (value) => !isObject(value) || !(cycleSeconds(value as unknown as WrittenCycle) > MOST.hours * 3600),
}
const stops = defineRecord(
  {
    kind: constant('stops'),
    fromKmh: fromKmh(),
    toKmh: toKmh(),
    decelG: decelG(),
    count: needed(number(1, MOST.stops, '', { integer: true }), 'the number of stops is missing'),
    accelG: needed(number(0.02, 2, ' g'), 'the acceleration is missing'),
    cruiseSeconds: needed(number(0, 3600, ' s'), 'the time between is missing'),
  },
  [SLOWER, ENDS_IN_TIME],
)

const NOT_TOO_MANY: RecordRule = {
  name: 'long',
  message: `brakes more than ${MOST.brakings} times: fewer laps`,
  holds: (value) =>
    !isObject(value) || typeof value.laps !== 'number' || !Array.isArray(value.zones) || value.laps * value.zones.length <= MOST.brakings,
}
const TIME_TO_SPEED_UP: RecordRule = {
  name: 'slow',
  message: 'has a zone that begins at a speed above that of the zone before without time to speed up',
  holds: (value) => {
    if (!isObject(value) || !Array.isArray(value.zones)) return true
    const zones = value.zones as Partial<WrittenZone>[]
    return zones.every((one, i) => {
      const next = zones[(i + 1) % zones.length]
      if (typeof one?.toKmh !== 'number' || typeof next?.fromKmh !== 'number' || typeof one.secondsToNext !== 'number') return true
      return one.secondsToNext > 0 || next.fromKmh <= one.toKmh + 1e-9
    })
  },
}
const laps = defineRecord(
  {
    kind: constant('laps'),
    laps: needed(number(1, MOST.laps, '', { integer: true }), 'the number of laps is missing'),
    zones: labelled(
      'braking zones',
      needed(
        list(group(zone), MOST.zones, {
          least: 1,
          tooShort: 'needs at least one braking zone',
          tooLong: `at most ${MOST.zones} braking zones in a lap`,
        }),
        'the braking zones are missing',
      ),
    ),
    coolingLap: flag(),
    down: labelled('the way back down', group(descent)),
  },
  [NOT_TOO_MANY, ENDS_IN_TIME, TIME_TO_SPEED_UP],
)

export type WrittenCycle = ValueOf<typeof stops> | WrittenDescent | ValueOf<typeof laps>
/** A session, whichever kind it says it is. */
export const writtenCycle = labelled('session', byKind<WrittenCycle>({ stops, descent, laps }))

/** A way of driving that someone wrote down. */
export const ownCycleRecord = defineRecord({ id: id(), name: name(), note: note(), duty: writtenCycle })
export type OwnCycle = ValueOf<typeof ownCycleRecord>

/**
 * How long a written session lasts, s; what is not a number counts as none.
 * @example
 * cycleSeconds({ kind: 'descent', gradePercent: 9, lengthM: 3000, kmh: 36 }) // => 300
 */
export function cycleSeconds(cycle: WrittenCycle): number {
  const ms = (kmh: number) => given(kmh) / 3.6
  const slowing = (before: number, after: number, g: number) => (ms(before) - ms(after)) / (STANDARD_GRAVITY * given(g))
  const downhill = ({ lengthM, kmh }: WrittenDescent) => given(lengthM) / ms(kmh)
  if (cycle.kind === 'descent') return downhill(cycle)
  if (cycle.kind === 'stops') {
    const between = slowing(cycle.fromKmh, cycle.toKmh, cycle.accelG) + given(cycle.cruiseSeconds)
    return given(cycle.count) * slowing(cycle.fromKmh, cycle.toKmh, cycle.decelG) + (given(cycle.count) - 1) * between
  }
  const zones = Array.isArray(cycle.zones) ? cycle.zones.filter((one: unknown) => typeof one === 'object' && one !== null) : []
  const lap = zones.reduce((sum, one) => sum + slowing(one.fromKmh, one.toKmh, one.decelG) + given(one.secondsToNext), 0)
  return given(cycle.laps) * (lap + (cycle.down ? downhill(cycle.down) : 0)) + (cycle.coolingLap === true ? 2 * lap : 0)
}
const given = (value: unknown): number => (typeof value === 'number' ? value : 0)
