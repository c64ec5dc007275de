import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { carAxleFields, carFields } from './car-fields.ts'
import { hardLimits, type Field, type FieldTable } from './field.ts'
import { fieldsOf, PART_KIND_NAMES } from './part-kinds.ts'
import { rotorFields } from './brake-fields.ts'
import { fieldSchema, recordSchema } from './record-schema.ts'
import { partRecord } from './part.ts'
import { priceRecord } from './price.ts'
import { schemaProblems } from './schema-problems.ts'
import { DEFAULT_UNITS } from '../quantity/units.ts'

/** Some valid value of a field. */
function anyValue(field: Field): fc.Arbitrary<unknown> {
  const value = (min: number, max: number, integer?: boolean) => (integer ? fc.integer({ min, max }) : fc.double({ min, max, noNaN: true }))
  const point = fc.tuple(fc.double({ min: -200, max: 200, noNaN: true }), fc.double({ min: 0, max: 300, noNaN: true }))
  switch (field.type) {
    case 'figure':
      return fc.record({
        value: value(field.min, field.max, field.integer),
        origin: fc.constantFrom('measured', 'published', 'reported', 'estimated'),
      })
    case 'figures':
      return fc.array(fc.record({ value: value(field.min, field.max), origin: fc.constant('measured') }), {
        minLength: 1,
        maxLength: field.maxItems,
      })
    case 'choice':
      return fc.constantFrom(...field.options.map((option) => option.value))
    case 'choices':
      return fc.subarray(
        field.options.map((option) => option.value),
        { minLength: 1 },
      )
    case 'text':
      return fc.string({ maxLength: field.maxLength })
    case 'outlines':
      return fc.array(fc.record({ name: fc.constant('body'), points: fc.array(point, { minLength: 2, maxLength: 9 }) }), {
        minLength: 1,
        maxLength: 3,
      })
    case 'faces':
      return fc.array(fc.record({ name: fc.constant('F2'), raiseMm: fc.double({ min: -10, max: 40, noNaN: true }) }), {
        minLength: 1,
        maxLength: 4,
      })
    case 'profile':
      return fc.array(point, { minLength: 2, maxLength: 9 }).map((points) => ({ points, tags: points.slice(1).map(() => 'face') }))
  }
}

const partOf = (table: FieldTable, base: object) =>
  fc
    .record(Object.fromEntries(Object.entries(table).map(([key, field]) => [key, anyValue(field)])), { requiredKeys: [] })
    .map((fields) => ({ ...base, ...fields }))

describe.each(PART_KIND_NAMES)('a part of kind %s', (kind) => {
  const base = { id: 'a', kind, name: 'Some part' }
  test('is valid with any of its fields within limits, and with none', () => {
    expect(schemaProblems(recordSchema(partRecord(kind)), base)).toEqual([])
    fc.assert(
      fc.property(partOf(fieldsOf(kind), base), (part) => {
        expect(schemaProblems(recordSchema(partRecord(kind)), part)).toEqual([])
      }),
      { numRuns: 25 },
    )
  })
  test('refuses a field of another table, and a kind of another', () => {
    expect(
      schemaProblems(recordSchema(partRecord(kind)), { ...base, wheelbaseMm: { value: 2400, origin: 'measured' } })[0]!.message,
    ).toContain('wheelbaseMm')
    expect(schemaProblems(recordSchema(partRecord(kind)), { ...base, kind: 'nothing' })[0]!.path).toBe('kind')
  })
})

const figures = [...PART_KIND_NAMES.map(fieldsOf), carFields as FieldTable, carAxleFields as FieldTable].flatMap((table) =>
  Object.entries(table).flatMap(([key, field]) => (field.type === 'figure' ? [[key, field] as const] : [])),
)
test.each(figures)('%s: its limits hold, just beyond does not, and the message names them', (_, field) => {
  const problems = (value: number) => schemaProblems(fieldSchema(field, { ...DEFAULT_UNITS, length: 'in' }), { value, origin: 'measured' })
  const [min, max] = hardLimits(field)
  const step = field.integer ? 1 : (max - min) * 1e-6
  for (const within of [min, max, field.min, field.max]) expect(problems(within)).toEqual([])
  for (const beyond of [min - step, max + step])
    expect(problems(beyond).map((problem) => problem.message)).toEqual([expect.stringMatching(/^must be between .+ and .+/)])
  if (field.dimension === 'length') expect(problems(max + step)[0]!.message).toMatch(/in(, or not far off)?$/)
  expect(problems(Infinity).length).toBeGreaterThan(0)
})

test('a slip of unit is taken and asked about, what cannot be meant is refused', () => {
  const diameter = rotorFields.diameterMm
  expect(schemaProblems(fieldSchema(diameter), { value: 28, origin: 'measured' })).toEqual([])
  expect(schemaProblems(fieldSchema(diameter), { value: 2.8, origin: 'measured' })).toHaveLength(1)
  // a share or a count has no unit to slip in
  expect(hardLimits(carFields.pedalEfficiency)).toEqual([0.5, 1])
})

describe('a price', () => {
  const price = { lowMinor: 100, likelyMinor: 200, highMinor: 300, currency: 'EUR', pieces: 1 }
  test.each<[string, object, RegExp]>([
    ['falls', { highMinor: 150 }, /must rise/],
    ['is negative', { lowMinor: -1 }, /negative/],
    ['has parts of a cent', { lowMinor: 10.5 }, /whole number/],
    ['is in no currency we know', { currency: 'XYZ' }, /must be one of/],
    ['buys nothing', { pieces: 0 }, /1 or more/],
    ['has a date of another kind', { date: '11/05/2026' }, /2026-05-11/],
  ])('that %s is refused', (_, change, message) => {
    expect(schemaProblems(recordSchema(priceRecord), price)).toEqual([])
    expect(
      schemaProblems(recordSchema(priceRecord), { ...price, ...change })
        .map((problem) => problem.message)
        .join(),
    ).toMatch(message)
  })
})
