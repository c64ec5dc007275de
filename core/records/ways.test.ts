import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { carAxleFields, carFields } from './car-fields.ts'
import type { FieldTable } from './field.ts'
import { figureRecord } from './record-fields.ts'
import { recordSchema } from './record-schema.ts'
import { fieldsOf, type PartKind } from './part-kinds.ts'
import { schemaProblems } from './schema-problems.ts'
import type { Figure } from '../quantity/figure.ts'
import { isTypical, WAY_IDS } from './way-ids.ts'
import { figuresFrom, madeWords, WAYS, waysFor, type Derivation } from './ways.ts'

const tableOf = (name: string): FieldTable => (name === 'car' ? carFields : name === 'carAxle' ? carAxleFields : fieldsOf(name as PartKind))
const one = (made: ReturnType<typeof figuresFrom>, field: string) => {
  if (typeof made === 'string') throw new Error(made)
  return made[field] as Figure
}

test('every way makes fields that its tables have', () => {
  for (const id of WAY_IDS)
    for (const on of WAYS[id].on)
      for (const field of WAYS[id].makes) expect([id, on, field, field in tableOf(on)]).toEqual([id, on, field, true])
  expect(waysFor('carAxle', 'tyreRadiusMm')).toEqual(['tyreMarking'])
  expect(waysFor('wheel', 'boltCircleMm')).toEqual(['wheelMarking', 'boltPattern'])
  expect(waysFor('car', 'cgHeightMm')).toEqual(['tiltMethod'])
})

describe('worked by hand', () => {
  test('a tyre: half the rim and the side wall, less 3 %, good to 1 %', () => {
    const figure = one(figuresFrom('tyreMarking', { marking: '195/50 R15' }, '2026-11-27'), 'tyreRadiusMm')
    expect(figure.value).toBeCloseTo(0.97 * (190.5 + 97.5), 6)
    expect(figure).toMatchObject({ u: expect.closeTo(0.01 * figure.value, 2), origin: 'published', date: '2026-11-27' })
    expect(madeWords(figure)).toBe('from the tyre’s marking: 195/50 R15')
  })
  test('a pedal of 280 over 70 is 4 to 1', () => {
    const figure = one(figuresFrom('leverLengths', { padMm: 280, pushrodMm: 70 }), 'pedalRatio')
    expect(figure.value).toBe(4)
    expect(figure.u).toBeCloseTo(4 * Math.hypot(1 / 280, 1 / 70), 3)
  })
  test('two weighings give mass and share', () => {
    const made = figuresFrom('axleScales', { frontKg: 640, rearKg: 360 })
    expect([one(made, 'massKg').value, one(made, 'staticFrontShare').value]).toEqual([1000, 0.64])
  })
  test('the tilt method finds the height that tilted the car', () => {
    // 1000 kg, 2500 mm, centre of gravity 540 mm up and axles 285 mm, rear raised by 600 mm
    const [mass, base, up, axle, raised] = [1000, 2500, 540, 285, 600]
    const gained = (mass * (up - axle) * raised) / (base * Math.sqrt(base ** 2 - raised ** 2))
    const made = figuresFrom('tiltMethod', {
      frontLevelKg: 620,
      frontRaisedKg: 620 + gained,
      totalKg: mass,
      wheelbaseMm: base,
      raisedMm: raised,
      axleHeightMm: axle,
    })
    expect(one(made, 'cgHeightMm').value).toBeCloseTo(540, 6)
    expect(one(made, 'cgHeightMm').u).toBeGreaterThan(5)
  })
  test('a rotor 48 high and 22 thick has its middle 37 from the seat', () =>
    expect(one(figuresFrom('rotorHeights', { heightMm: 48, thicknessMm: 22 }), 'offsetMm').value).toBe(37))
  test('a lining loses its corners', () =>
    expect(one(figuresFrom('padArea', { lengthMm: 100, heightMm: 50 }), 'areaMm2').value).toBeCloseTo(4700, 9))
  test('stated area: counted once or twice, over so many pistons', () => {
    const once = figuresFrom('statedArea', { areaMm2: 2000, counted: 'oneSide', pistons: 2 })
    const twice = figuresFrom('statedArea', { areaMm2: 4000, counted: 'bothSides', pistons: 2 })
    if (typeof once === 'string' || typeof twice === 'string') throw new Error('not made')
    const area = (figures: unknown) => (figures as Figure[]).reduce((sum, { value }) => sum + (Math.PI / 4) * value ** 2, 0)
    expect([area(once.pistonsMm), area(twice.pistonsMm)]).toEqual([expect.closeTo(2000, 4), expect.closeTo(2000, 4)])
  })
})

describe('what cannot be is said', () => {
  test.each<[(typeof WAY_IDS)[number], Record<string, string | number>, RegExp]>([
    ['leverLengths', { padMm: 280 }, /Pivot to the pushrod is missing/],
    ['leverLengths', { padMm: 120, pushrodMm: 150 }, /must be nearer/],
    ['leverLengths', { padMm: 9000, pushrodMm: 70 }, /must be between/],
    [
      'tiltMethod',
      { frontLevelKg: 620, frontRaisedKg: 610, totalKg: 1000, wheelbaseMm: 2500, raisedMm: 600, axleHeightMm: 285 },
      /more than level/,
    ],
    ['statedArea', { areaMm2: 2000, counted: 'who knows', pistons: 2 }, /choose one/],
    ['statedArea', { areaMm2: 2000, counted: 'oneSide', pistons: 1.5 }, /whole number/],
    ['wheelMarking', { marking: '7J' }, /has no size/],
  ])('%s of %j', (id, given, words) => expect(figuresFrom(id, given)).toMatch(words))
})

test('whatever a way makes, its field can hold, with what it was made of', () => {
  const given = (way: Derivation) =>
    fc.record(
      Object.fromEntries(
        Object.entries(way.asks).map(([name, asked]) => [
          name,
          asked.type === 'figure'
            ? fc.double({ min: asked.min, max: asked.max, noNaN: true })
            : asked.type === 'choice'
              ? fc.constantFrom(...asked.options.map((option) => option.value))
              : fc.constantFrom(asked.as, 'nonsense', ''),
        ]),
      ),
    )
  for (const id of WAY_IDS) {
    const way: Derivation = WAYS[id]
    fc.assert(
      fc.property(given(way), (values) => {
        const made = figuresFrom(id, values as Record<string, string | number>)
        if (typeof made === 'string') return made.length > 10
        return Object.values(made)
          .flat()
          .every(
            (figure) =>
              Number.isFinite(figure.value) && (figure.u === undefined || figure.u >= 0) && madeWords(figure)!.startsWith('from '),
          )
      }),
      { numRuns: 60 },
    )
  }
})

test('a figure keeps what it was made of, and only what a file can hold', () => {
  const schema = recordSchema(figureRecord({ dimension: 'length', min: 0, max: 1000 }))
  const figure = { value: 5, origin: 'measured', madeOf: { way: 'tyreMarking', given: { marking: '195/50 R15' } } }
  expect(schemaProblems(schema, figure)).toEqual([])
  for (const madeOf of [
    { way: 'guess', given: {} },
    { way: 'typical' },
    { way: 'typical', given: { x: { deep: 1 } } },
    { way: 'typical', given: [] },
    7,
  ])
    expect(schemaProblems(schema, { ...figure, madeOf }).length).toBeGreaterThan(0)
  expect(isTypical({ madeOf: { way: 'typical', given: { class: 'van' } } })).toBe(true)
})
