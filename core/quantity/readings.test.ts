import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { figureFromReadings } from './figure.ts'
import { INSTRUMENT_IDS, INSTRUMENTS } from './instrument.ts'
import { parseReadings } from './parse.ts'
import { measuredValue, unitSlip, uOfOneReading } from './readings.ts'

const rule = INSTRUMENTS.straightedge

describe('a measured value', () => {
  test('the mean, and what scatter, resolution and limit of error make of it', () => {
    // by hand: s2 = 0.02, pooled (0.02 + 5 * 0.49) / 6, u_A = sqrt(0.411667 / 2)
    const { valueMm, uMm, spreadMm } = measuredValue([57.1, 56.9], rule)
    expect(valueMm).toBeCloseTo(57, 12)
    expect(spreadMm).toBeCloseTo(0.2, 12)
    expect(uMm).toBeCloseTo(Math.sqrt(0.4116667 / 2 + 0.25 / 12 + 0.04 / 3), 6)
  })
  test('two equal readings are not free of doubt', () => {
    expect(measuredValue([42, 42], rule).uMm).toBeGreaterThan(rule.repeatabilityMm / 2)
  })
  test('one reading is worth its instrument', () => {
    for (const id of INSTRUMENT_IDS) expect(measuredValue([10], INSTRUMENTS[id]).uMm).toBeCloseTo(uOfOneReading(INSTRUMENTS[id]), 12)
    expect(uOfOneReading(INSTRUMENTS.digitalCaliper)).toBeLessThan(uOfOneReading(INSTRUMENTS.tape) / 10)
  })
  test('no reading is no value', () => {
    expect(() => measuredValue([], rule)).toThrow(RangeError)
  })
  const readings = fc.array(fc.double({ min: -200, max: 200, noNaN: true }), { minLength: 1, maxLength: 12 })
  test('shifting every reading shifts the value and nothing else', () => {
    fc.assert(
      fc.property(readings, fc.double({ min: -50, max: 50, noNaN: true }), (all, by) => {
        const a = measuredValue(all, rule)
        const b = measuredValue(
          all.map((one) => one + by),
          rule,
        )
        expect(b.valueMm - a.valueMm).toBeCloseTo(by, 8)
        expect(b.uMm).toBeCloseTo(a.uMm, 8)
      }),
    )
  })
  test('the same again makes it surer, but never surer than the scale', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 40 }), (n) => {
        const less = measuredValue(new Array<number>(n).fill(30), rule).uMm
        const more = measuredValue(new Array<number>(n + 1).fill(30), rule).uMm
        expect(more).toBeLessThan(less)
        expect(more).toBeGreaterThan(Math.hypot(rule.resolutionMm / Math.sqrt(12), rule.limitOfErrorMm / Math.sqrt(3)))
      }),
    )
  })
})

describe('what stands apart', () => {
  test.each([
    [[42, 42.1, 41.9, 47], [3]],
    [[42, 42.1, 41.9, 42.3], []],
    [
      [42, 45],
      [0, 1],
    ],
    [[42, 43], []],
    [[42], []],
  ])('%p: %p', (readings, apart) => {
    expect(measuredValue(readings, rule).outliers).toEqual(apart)
  })
  test('it still counts: nothing is dropped in silence', () => {
    expect(measuredValue([42, 42, 42, 46], rule).valueMm).toBe(43)
  })
})

describe('a gauge in another unit', () => {
  test.each([
    [1.6535, [42, 42.1], 25.4],
    [1066.8, [42], 1 / 25.4],
    [4.2, [42, 42, 42], 10],
    [44, [42], undefined],
    [1.6535, [], undefined],
    [0, [42], undefined],
  ])('%p beside %p: factor %p', (reading, others, factor) => {
    expect(unitSlip(reading, others)).toBe(factor)
  })
})

test('a figure keeps every reading and its instrument', () => {
  const made = figureFromReadings([34.9, 35.1], 'digitalCaliper', { date: '2026-09-12' })
  expect(made).toMatchObject({ value: 35, origin: 'measured', readings: [34.9, 35.1], instrument: 'digitalCaliper', date: '2026-09-12' })
  expect(made.u).toBeGreaterThan(0.03)
})

describe('readings as they are typed or pasted', () => {
  test.each([
    ['34.9', [34.9]],
    ['1-3/8"; 34,9 ;35 mm', [34.925, 34.9, 35]],
    ['34.9\n35.0\r\n35.1\n', [34.9, 35, 35.1]],
    ['', []],
  ])('%j', (text, values) => {
    const parsed = parseReadings(text)
    expect(parsed.ok && parsed.values.map((one) => Math.round(one * 1e6) / 1e6)).toEqual(values)
  })
  test('the one that is wrong is named', () => {
    expect(parseReadings('34.9; broad; 35')).toMatchObject({ ok: false, message: expect.stringMatching(/^Reading 2: "broad"/) })
    expect(parseReadings(new Array(60).fill('1').join(';'))).toMatchObject({ ok: false })
  })
})
