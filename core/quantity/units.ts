import type { PlusMinus } from './plus-minus.ts'

/**
 * Units by dimension. Inside the core every figure is in the first unit of its dimension
 * (mm, N, MPa, N m, kg, degC, mm2 …); the others are exact by definition:
 * 1 in = 25.4 mm, 1 lb = 0.45359237 kg, standard gravity 9.80665 m/s2
 * (NIST SP 811, appendix B; BIPM SI brochure).
 */

/** Standard gravity, m/s2 (3rd CGPM, 1901). */
export const STANDARD_GRAVITY = 9.80665

const POUND_KG = 0.45359237
const INCH_MM = 25.4
const POUND_FORCE_N = POUND_KG * STANDARD_GRAVITY

export interface Unit {
  /** As shown beside a number. */
  symbol: string
  /** Other spellings accepted when typed, lower case without blanks. */
  spellings: readonly string[]
  /** core = typed * factor + offset */
  factor: number
  offset?: number
  /** Digits after the point when shown. */
  decimals: number
}

export const DIMENSIONS = {
  length: [
    { symbol: 'mm', spellings: ['mm', 'millimetre', 'millimeter'], factor: 1, decimals: 1 },
    { symbol: 'in', spellings: ['in', 'inch', 'inches', '"', '″', '”', "''"], factor: INCH_MM, decimals: 3 },
    { symbol: 'cm', spellings: ['cm'], factor: 10, decimals: 2 },
    { symbol: 'm', spellings: ['m'], factor: 1000, decimals: 3 },
  ],
  area: [
    { symbol: 'mm²', spellings: ['mm²', 'mm2', 'mm^2'], factor: 1, decimals: 0 },
    { symbol: 'in²', spellings: ['in²', 'in2', 'in^2', 'sqin'], factor: INCH_MM * INCH_MM, decimals: 2 },
    { symbol: 'cm²', spellings: ['cm²', 'cm2', 'cm^2'], factor: 100, decimals: 2 },
  ],
  force: [
    { symbol: 'N', spellings: ['n'], factor: 1, decimals: 0 },
    { symbol: 'lbf', spellings: ['lbf', 'lb', 'lbs'], factor: POUND_FORCE_N, decimals: 1 },
    { symbol: 'kN', spellings: ['kn'], factor: 1000, decimals: 2 },
  ],
  pressure: [
    { symbol: 'MPa', spellings: ['mpa', 'n/mm2', 'n/mm²'], factor: 1, decimals: 2 },
    { symbol: 'bar', spellings: ['bar'], factor: 0.1, decimals: 1 },
    { symbol: 'psi', spellings: ['psi', 'lbf/in2'], factor: POUND_FORCE_N / (INCH_MM * INCH_MM), decimals: 0 },
  ],
  torque: [
    { symbol: 'N m', spellings: ['nm', 'n·m', 'n.m'], factor: 1, decimals: 0 },
    {
      symbol: 'lbf ft',
      spellings: ['lbfft', 'lbf·ft', 'lbft', 'ftlb', 'ft-lb', 'lb-ft', 'ftlbf'],
      factor: POUND_FORCE_N * 0.3048,
      decimals: 0,
    },
  ],
  mass: [
    { symbol: 'kg', spellings: ['kg'], factor: 1, decimals: 1 },
    { symbol: 'lb', spellings: ['lb', 'lbs', 'lbm'], factor: POUND_KG, decimals: 1 },
    { symbol: 'g', spellings: ['g'], factor: 0.001, decimals: 0 },
    { symbol: 't', spellings: ['t', 'to', 'tonne', 'tonnes'], factor: 1000, decimals: 3 },
  ],
  temperature: [
    { symbol: '°C', spellings: ['°c', 'c', 'degc'], factor: 1, decimals: 0 },
    { symbol: '°F', spellings: ['°f', 'f', 'degf'], factor: 5 / 9, offset: (-32 * 5) / 9, decimals: 0 },
  ],
  temperatureRise: [
    { symbol: '°C', spellings: ['°c', 'c', 'k', 'degc'], factor: 1, decimals: 0 },
    { symbol: '°F', spellings: ['°f', 'f', 'degf'], factor: 5 / 9, decimals: 0 },
  ],
  share: [{ symbol: '%', spellings: ['%', 'percent'], factor: 0.01, decimals: 1 }],
  deceleration: [
    { symbol: 'g', spellings: ['g'], factor: 1, decimals: 2 },
    { symbol: 'm/s²', spellings: ['m/s2', 'm/s²'], factor: 1 / STANDARD_GRAVITY, decimals: 2 },
  ],
  speed: [
    { symbol: 'km/h', spellings: ['km/h', 'kmh', 'kph'], factor: 1, decimals: 1 },
    { symbol: 'mph', spellings: ['mph', 'mi/h'], factor: 1.609344, decimals: 1 },
    { symbol: 'm/s', spellings: ['m/s'], factor: 3.6, decimals: 1 },
  ],
  distance: [
    { symbol: 'm', spellings: ['m', 'metre', 'metres', 'meter', 'meters'], factor: 1, decimals: 1 },
    { symbol: 'ft', spellings: ['ft', 'foot', 'feet', "'"], factor: (12 * INCH_MM) / 1000, decimals: 0 },
    { symbol: 'yd', spellings: ['yd', 'yards'], factor: (36 * INCH_MM) / 1000, decimals: 0 },
    { symbol: 'km', spellings: ['km'], factor: 1000, decimals: 3 },
  ],
  seconds: [
    { symbol: 's', spellings: ['s', 'sec', 'seconds'], factor: 1, decimals: 1 },
    { symbol: 'min', spellings: ['min', 'minutes'], factor: 60, decimals: 1 },
  ],
  /** Inches stamped in a wheel: a code, whatever units are read. */
  rim: [{ symbol: 'in', spellings: ['in', 'inch', 'inches', '"', '″', '”', "''", 'j', 'jj'], factor: 1, decimals: 1 }],
  number: [{ symbol: '', spellings: [''], factor: 1, decimals: 2 }],
  count: [{ symbol: '', spellings: [''], factor: 1, decimals: 0 }],
} as const satisfies Record<string, readonly Unit[]>

export type Dimension = keyof typeof DIMENSIONS

/** The units a person may choose to read; a dimension that is not here has one unit only. */
export interface UnitChoice {
  length: 'mm' | 'in'
  force: 'N' | 'lbf'
  pressure: 'MPa' | 'bar' | 'psi'
  torque: 'N m' | 'lbf ft'
  mass: 'kg' | 'lb'
  temperature: '°C' | '°F'
  /** What a typed or shown ± means; a limit when absent. */
  plusMinus?: PlusMinus
}

export const DEFAULT_UNITS: UnitChoice = {
  length: 'mm',
  force: 'N',
  pressure: 'bar',
  torque: 'N m',
  mass: 'kg',
  temperature: '°C',
}

/** The unit in which a dimension is shown under a choice. Area follows length, a rise follows temperature. */
export function shownUnit(dimension: Dimension, choice: UnitChoice = DEFAULT_UNITS): Unit {
  const units: readonly Unit[] = DIMENSIONS[dimension]
  const wanted =
    dimension === 'area'
      ? `${choice.length}²`
      : dimension === 'temperatureRise'
        ? choice.temperature
        : (choice as Partial<Record<Dimension, string>>)[dimension]
  return units.find((unit) => unit.symbol === wanted) ?? units[0]!
}

/** Core value -> value in `unit`. */
export const toUnit = (core: number, unit: Unit): number => (core - (unit.offset ?? 0)) / unit.factor

/** Value in `unit` -> core value. */
export const fromUnit = (value: number, unit: Unit): number => value * unit.factor + (unit.offset ?? 0)
