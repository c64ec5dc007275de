import { statedOf } from './plus-minus.ts'
import { shownUnit, toUnit, type Dimension, type UnitChoice } from './units.ts'

interface FormatOptions {
  /** Digits after the point; the unit's own when absent. */
  decimals?: number
  /** Leave the unit out (a table whose head has it). */
  bare?: boolean
  /** Put a plus sign before what is not negative. */
  signed?: boolean
}

const MINUS = '\u2212'
const NARROW = '\u202f'

/**
 * A figure as people read it: value in the chosen unit, a true minus sign, the unit after a space.
 * @param value in the core's unit; undefined gives an em dash, never a zero
 * @example
 * formatQuantity(34.925, 'length', { ...DEFAULT_UNITS, length: 'in' }) // => '1.375\u00a0in'
 *
 * @example
 * formatQuantity(4.13, 'length') // => '4.1\u00a0mm'
 */
export function formatQuantity(value: number | undefined, dimension: Dimension, choice?: UnitChoice, options: FormatOptions = {}): string {
  if (value === undefined || !Number.isFinite(value)) return '\u2014'
  const unit = shownUnit(dimension, choice)
  // a difference of temperatures or any signed quantity goes through the same line
  const shown = toUnit(value, unit)
  const fixed = Math.abs(shown).toFixed(options.decimals ?? unit.decimals)
  const negative = shown < 0 && Number(fixed) !== 0
  const sign = negative ? MINUS : options.signed ? '+' : ''
  const number = sign + (Math.abs(shown) < 9999 ? fixed : grouped(fixed))
  if (options.bare || unit.symbol === '') return number
  return unit.symbol === '%' ? `${number}%` : `${number}\u00a0${unit.symbol}`
}

/** Thousands parted by a narrow blank, from five digits on. */
function grouped(fixed: string): string {
  const [whole, fraction] = fixed.split('.')
  return (whole!.length > 4 ? whole!.replace(/\B(?=(\d{3})+$)/g, NARROW) : whole!) + (fraction ? `.${fraction}` : '')
}

/**
 * A figure for an input field: enough digits that reading it back gives the same figure to 1e-9.
 *
 * @example
 * editQuantity(34.925, 'length', { ...DEFAULT_UNITS, length: 'in' }) // => '1.375 in'
 */
export function editQuantity(value: number | undefined, dimension: Dimension, choice?: UnitChoice): string {
  if (value === undefined) return ''
  const unit = shownUnit(dimension, choice)
  return withUnit(String(Number(toUnit(value, unit).toPrecision(12))), unit.symbol)
}
/** A number as it is typed: a per cent sign stands close. */
const withUnit = (number: string, symbol: string): string =>
  symbol === '' ? number : symbol === '%' ? `${number}%` : `${number} ${symbol}`

/**
 * A figure for a field that people read: as it was entered where that needs few digits, else rounded to six significant
 * ones, because kilograms in pounds would show nine. What must read back exactly goes through `editQuantity`.
 *
 * @example
 * fieldQuantity(1050, 'mass', { ...DEFAULT_UNITS, mass: 'lb' }) // => '2314.85 lb'
 */
export function fieldQuantity(value: number | undefined, dimension: Dimension, choice?: UnitChoice): string {
  if (value === undefined) return ''
  const unit = shownUnit(dimension, choice)
  const exact = Number(toUnit(value, unit).toPrecision(12))
  const digits = String(exact).replace(/^-?0\.0*|[-.]/g, '').length
  const number = String(digits > 7 ? Number(exact.toPrecision(6)) : exact)
  return withUnit(number, unit.symbol)
}

/**
 * A standard uncertainty as the ± that a person reads, without its unit.
 *
 * @example
 * plusMinusOf(0.5, 'length', { ...DEFAULT_UNITS, plusMinus: 'range95' }) // => '1'
 */
export const plusMinusOf = (u: number, dimension: Dimension, choice?: UnitChoice): string =>
  fieldQuantity(statedOf(u, choice?.plusMinus), dimension, choice).replace(/ \S+$|%$/, '')

/**
 * Money in minor units, with commas between thousands.
 * @param options `whole` leaves the cents out, `bare` the currency
 * @example
 * formatMoney(123456, 'EUR') // => 'EUR\u00a01,234.56'
 *
 * @example
 * formatMoney(-9500, 'EUR', { whole: true }) // => '\u2212EUR\u00a095'
 */
export function formatMoney(
  minor: number | undefined,
  currency: string,
  options: { signed?: boolean; whole?: boolean; bare?: boolean } = {},
): string {
  if (minor === undefined) return '\u2014'
  const fixed = (Math.abs(minor) / 100).toFixed(options.whole ? 0 : 2)
  const [whole, fraction] = fixed.split('.')
  const amount = whole!.replace(/\B(?=(\d{3})+$)/g, ',') + (fraction ? `.${fraction}` : '')
  const sign = minor < 0 ? MINUS : options.signed ? '+' : ''
  return sign + (options.bare ? amount : `${currency}\u00a0${amount}`)
}

/**
 * A text with a capital, as at the beginning of a sentence.
 *
 * @example
 * capital('not known') // => 'Not known'
 */
export const capital = (text: string): string => text.slice(0, 1).toUpperCase() + text.slice(1)

/**
 * A label within a sentence: short forms keep their capitals.
 *
 * @example
 * inSentence('Hat thickness') // => 'hat thickness'
 *
 * @example
 * inSentence('ABS') // => 'ABS'
 */
export const inSentence = (label: string): string => (/^[A-Z][a-z]/.test(label) ? label[0]!.toLowerCase() + label.slice(1) : label)
