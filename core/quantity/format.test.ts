import { describe, expect, test } from '@jest/globals'
import { formatMoney, formatQuantity } from './format.ts'
import { DEFAULT_UNITS, DIMENSIONS, fromUnit, toUnit, type Unit } from './units.ts'

const plain = (text: string) => text.replace(/[\u00a0\u202f]/g, ' ')

describe('figures as people read them', () => {
  test('unit beside the number, a true minus, nothing for what is unknown', () => {
    expect(plain(formatQuantity(34.925, 'length'))).toBe('34.9 mm')
    expect(plain(formatQuantity(34.925, 'length', { ...DEFAULT_UNITS, length: 'in' }))).toBe('1.375 in')
    expect(plain(formatQuantity(-1.25, 'length'))).toBe('\u22121.3 mm')
    expect(plain(formatQuantity(-0.01, 'length'))).toBe('0.0 mm')
    expect(formatQuantity(undefined, 'length')).toBe('\u2014')
    expect(formatQuantity(Number.NaN, 'length')).toBe('\u2014')
    expect(plain(formatQuantity(12_685, 'force'))).toBe('12 685 N')
    expect(plain(formatQuantity(645.16, 'area', { ...DEFAULT_UNITS, length: 'in' }))).toBe('1.00 in²')
  })
  test('a rise in temperature has no offset', () => {
    expect(plain(formatQuantity(100, 'temperatureRise', { ...DEFAULT_UNITS, temperature: '°F' }, { signed: true }))).toBe('+180 °F')
    expect(plain(formatQuantity(100, 'temperature', { ...DEFAULT_UNITS, temperature: '°F' }))).toBe('212 °F')
  })
  test('money in minor units', () => {
    expect(plain(formatMoney(123_456, 'EUR'))).toBe('EUR 1,234.56')
    expect(plain(formatMoney(123_456, 'EUR', { whole: true }))).toBe('EUR 1,235')
    expect(formatMoney(undefined, 'EUR')).toBe('\u2014')
  })
})

test('conversions are exact by definition and invert', () => {
  const unit = (dimension: keyof typeof DIMENSIONS, symbol: string): Unit =>
    DIMENSIONS[dimension].find((one: Unit) => one.symbol === symbol)!
  expect(fromUnit(1, unit('length', 'in'))).toBe(25.4)
  expect(fromUnit(1, unit('mass', 'lb'))).toBe(0.45359237)
  expect(fromUnit(1, unit('force', 'lbf'))).toBeCloseTo(4.4482216152605, 13)
  expect(fromUnit(1, unit('pressure', 'psi'))).toBeCloseTo(0.006894757293168, 14)
  expect(fromUnit(1, unit('torque', 'lbf ft'))).toBeCloseTo(1.35581794833, 10)
  for (const units of Object.values(DIMENSIONS)) for (const one of units) expect(toUnit(fromUnit(7.25, one), one)).toBeCloseTo(7.25, 12)
})
