import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { editQuantity } from './format.ts'
import { parseMoney, parseQuantity, splitValues } from './parse.ts'
import { DEFAULT_UNITS, type Dimension, type UnitChoice } from './units.ts'

const INCHES: UnitChoice = { length: 'in', force: 'lbf', pressure: 'psi', torque: 'lbf ft', mass: 'lb', temperature: '°F' }
const valueOf = (text: string, dimension: Dimension, units = DEFAULT_UNITS): number => {
  const parsed = parseQuantity(text, dimension, units)
  if (!parsed.ok) throw new Error(parsed.message)
  return parsed.value
}

describe('reading figures as people type them', () => {
  test.each<[string, Dimension, number]>([
    ['1-3/8"', 'length', 34.925],
    ['1 3/8 in', 'length', 34.925],
    ['3/8″', 'length', 9.525],
    ['1⅜ in', 'length', 34.925],
    ['34.9 mm', 'length', 34.9],
    ['34,9', 'length', 34.9],
    ['0.064 in', 'length', 1.6256],
    ['-12.5', 'length', -12.5],
    ['\u221212.5 mm', 'length', -12.5],
    ['2.44 m', 'length', 2440],
    ['900 psi', 'pressure', 6.205281563964],
    ['62 bar', 'pressure', 6.2],
    ['129 lbf ft', 'torque', 174.900515],
    ['129 ft-lb', 'torque', 174.900515],
    ['30 lbf', 'force', 133.446648],
    ['63 %', 'share', 0.63],
    ['63', 'share', 0.63],
    ['212 °F', 'temperature', 100],
    ['2200 lb', 'mass', 997.903214],
    ['1.05 t', 'mass', 1050],
    ['0.63', 'share', 0.63],
    ['0,63', 'share', 0.63],
    ['0.63 %', 'share', 0.0063],
    ['60/40', 'share', 0.6],
    ['62.5 / 37.5', 'share', 0.625],
    ['4.5:1', 'number', 4.5],
    ['4.5', 'number', 4.5],
    ['7J', 'rim', 7],
    ['6.5 J', 'rim', 6.5],
    ['15"', 'rim', 15],
  ])('%s', (text, dimension, expected) => {
    expect(valueOf(text, dimension)).toBeCloseTo(expected, 5)
  })

  test('without a unit the chosen one counts', () => {
    expect(valueOf('1.5', 'length', INCHES)).toBeCloseTo(38.1, 12)
    expect(valueOf('38.1 mm', 'length', INCHES)).toBe(38.1)
  })

  test('an uncertainty after a plus-minus sign, in the unit that is typed', () => {
    expect(parseQuantity('34.9 ± 0.2 mm', 'length')).toMatchObject({ ok: true, value: 34.9, u: expect.closeTo(0.2 / Math.sqrt(3), 12) })
    for (const [plusMinus, u] of [
      ['range95', 0.1],
      ['standard', 0.2],
    ] as const)
      expect(parseQuantity('34.9 ± 0.2 mm', 'length', { ...DEFAULT_UNITS, plusMinus })).toMatchObject({ u: expect.closeTo(u, 12) })
    expect(parseQuantity('1.5 +- 0.01 in', 'length')).toMatchObject({ ok: true, u: expect.closeTo(0.254 / Math.sqrt(3), 12) })
  })

  test.each([
    ['60 mph', 'speed', 96.56],
    ['114 ft', 'distance', 34.75],
    ['8.1 m/s2', 'deceleration', 0.826],
    ['2 min', 'seconds', 120],
  ] as const)('%s is read as a %s', (text, dimension, value) => {
    expect(parseQuantity(text, dimension)).toMatchObject({ ok: true, value: expect.closeTo(value, 2) })
  })
  test('two figures with a stroke between are no fraction', () => {
    expect(parseQuantity('38/34', 'length')).toEqual({
      ok: false,
      message: expect.stringMatching(/Write two figures with a semicolon between: 38; 34/),
    })
    expect(parseQuantity('1 3/8 in', 'length')).toMatchObject({ ok: true, value: 34.925 })
  })

  test.each([
    ['', /Nothing typed/],
    ['abc', /not a figure/],
    ['12 parsec', /not a unit/],
    ['1,250', /two ways/],
    ['1.234.5', /two decimal signs/],
    ['1/0 in', /zero/],
    ['5 ± -1', /±/],
    ['9'.repeat(80), /Too long/],
    ['<b>3</b>', /not a figure/],
  ])('refuses %s and says why', (text, message) => {
    const parsed = parseQuantity(text, 'length')
    expect(parsed.ok).toBe(false)
    if (!parsed.ok) expect(parsed.message).toMatch(message)
  })

  test('a split that does not add up is refused; so is a ratio to nothing', () => {
    for (const [text, dimension, message] of [
      ['60/50', 'share', /does not add up to 100/],
      ['4:0', 'number', /divides by zero/],
    ] as const) {
      const parsed = parseQuantity(text, dimension)
      expect([text, parsed.ok ? parsed.value : parsed.message]).toEqual([text, expect.stringMatching(message)])
    }
  })

  test('what a field shows reads back as the same figure, in every unit', () => {
    const dimensions: Dimension[] = ['length', 'force', 'pressure', 'torque', 'mass', 'temperature', 'share', 'number']
    fc.assert(
      fc.property(
        fc.constantFrom(...dimensions),
        fc.constantFrom(DEFAULT_UNITS, INCHES),
        fc.double({ min: -5000, max: 5000, noNaN: true }),
        (dimension, units, value) => {
          const back = valueOf(editQuantity(value, dimension, units), dimension, units)
          expect(Math.abs(back - value)).toBeLessThanOrEqual(1e-9 * Math.max(1, Math.abs(value)))
        },
      ),
    )
  })

  test('never throws, whatever is typed', () => {
    fc.assert(fc.property(fc.string({ maxLength: 80 }), (text) => typeof parseQuantity(text, 'length').ok === 'boolean'))
  })
})

describe('reading money', () => {
  test.each([
    ['1250', 125_000],
    ['12,50', 1250],
    ['1 250.5', 125_050],
    ['0', 0],
  ])('%s', (text, minor) => {
    expect(parseMoney(text)).toEqual({ ok: true, minor })
  })
  test.each(['', '-3', '1.234', 'abc', '1e9'])('refuses %s', (text) => {
    expect(parseMoney(text).ok).toBe(false)
  })
})

describe('several values of one field', () => {
  test.each([
    ['38; 34', ['38', '34']],
    ['38/34', ['38', '34']],
    ['38 + 34', ['38', '34']],
    ['38.1 / 41.3 / 45', ['38.1', '41.3', '45']],
    ['1-1/2"; 38', ['1-1/2"', '38']],
    ['41/64 in', ['41/64 in']],
    ['3/8', ['3/8']],
    ['38', ['38']],
    [' ; ', []],
  ])('%s', (text, values) => {
    expect(splitValues(text)).toEqual(values)
  })
})
