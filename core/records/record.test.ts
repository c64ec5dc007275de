import { describe, expect, test } from '@jest/globals'
import { DEMO_PROJECT } from '../demo/project.ts'
import { mutateValue } from '../testing/fuzz.ts'
import { stream } from '../testing/heavy.ts'
import { runs } from '../testing/runs.ts'
import { placeInWords } from './place.ts'
import { projectRecord } from './project.ts'
import { isGood, isGoodMember } from './quick-check.ts'
import {
  byKind,
  constant,
  date,
  defineRecord,
  flag,
  group,
  id,
  keyOf,
  labelled,
  list,
  listOf,
  mostOf,
  needed,
  number,
  oneOf,
  orNull,
  reference,
  tuple,
  type ValueOf,
} from './record.ts'
import { memberSchema, recordSchema } from './record-schema.ts'
import { schemaProblems } from './schema-problems.ts'

const OUTINGS = { hill: 'hill climb', road: 'road' } as const
const stop = defineRecord({ kind: constant('stop'), distanceM: needed(number(1, 100, ' m'), 'the distance is missing') })
const climb = defineRecord({ kind: constant('climb'), gradePercent: needed(number(1, 30, ' %')) })
const outing = defineRecord(
  {
    id: id(),
    date: needed(date(), 'the date is missing'),
    where: keyOf(OUTINGS),
    wet: flag(),
    tyre: orNull(reference()),
    runs: list(tuple('must be [start, end]', needed(number(0, 9)), needed(number(0, 9))), 3),
    what: byKind<ValueOf<typeof stop> | ValueOf<typeof climb>>({ stop, climb }),
    car: labelled('Car', group(defineRecord({ axle: needed(oneOf(['front', 'rear'])) }))),
  },
  [{ name: 'tyre', message: 'a hill needs a tyre', holds: (value) => !(value as { where?: string }).where || 'tyre' in (value as object) }],
)
const GOOD: ValueOf<typeof outing> = {
  id: 'a',
  date: '2026-05-11',
  where: 'hill',
  wet: true,
  tyre: null,
  runs: [[1, 2]],
  what: { kind: 'climb', gradePercent: 9 },
  car: { axle: 'rear' },
}

describe('a record is described once', () => {
  test('schema and quick check take the same value', () => {
    expect(schemaProblems(recordSchema(outing), GOOD)).toEqual([])
    expect(isGood(outing, GOOD)).toBe(true)
  })
  test.each<[string, object, string, RegExp]>([
    ['what is needed', { date: undefined }, 'date', /the date is missing/],
    ['a limit, with its unit', { what: { kind: 'stop', distanceM: 101 } }, 'what.distanceM', /must be between 1 and 100 m/],
    ['a key of a table', { where: 'circuit' }, 'where', /must be one of hill, road/],
    ['null where it says nothing', { where: null }, 'where', /null/],
    ['a list that is too long', { runs: Array(4).fill([1, 2]) }, 'runs', /at most 3/],
    ['a pair', { runs: [[1]] }, 'runs[0]', /must be \[start, end\]|missing/],
    ['an unknown kind', { what: { kind: 'swim' } }, 'what', /kind must be one of stop, climb/],
    ['an unknown field', { colour: 'red' }, '', /does not know: colour/],
    ['a rule over several fields', { tyre: undefined }, '', /./],
  ])('both refuse %s', (_, change, path, message) => {
    const value: Record<string, unknown> = { ...GOOD, ...change }
    if ('tyre' in change) delete value.tyre
    const [problem] = schemaProblems(recordSchema(outing), value)
    expect(isGood(outing, value)).toBe(false)
    expect(problem!.path).toMatch(new RegExp(`^${path.replace(/[[\]]/g, '\\$&')}`))
    expect(problem!.message).toMatch(message)
  })
  test('its lists have limits by name, and what is no list has none', () => {
    expect(mostOf(outing, 'runs')).toBe(3)
    expect(() => listOf(outing, 'date')).toThrow('date is no list')
  })
})

/** Every list of a project whose members are records: what the quick check lets through, the schema lets through. */
const LISTS = Object.entries(projectRecord.fields).flatMap(([key, field]) => (field.type === 'list' ? [key as 'setups'] : []))
test.each(LISTS)('of mutated %s nothing passes quickly that the schema refuses', (key) => {
  const field = listOf(projectRecord, key).of
  const members = DEMO_PROJECT[key] as unknown[]
  expect(members.every((one) => isGoodMember(field, one))).toBe(true)
  const next = stream(20261130)
  for (let i = 0; i < runs(200, 60) && members.length > 0; i += 1) {
    const { member } = JSON.parse(JSON.stringify(mutateValue({ member: members[i % members.length] }, next))) as { member?: unknown }
    if (isGoodMember(field, member)) expect(schemaProblems(memberSchema(field), member)).toEqual([])
  }
})

test('a place of any list is said in words, however odd the path', () => {
  expect(placeInWords(DEMO_PROJECT, 'heatReadings[0].driving.duty.zones[1].decelG')).toBe(
    'Read temperatures › no. 1 › driving › session › braking zones › no. 2 › deceleration',
  )
  expect(placeInWords(DEMO_PROJECT, 'car.constructor.toString')).toBe('Car › constructor › toString')
})
