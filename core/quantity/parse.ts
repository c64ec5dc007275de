import { standardOf } from './plus-minus.ts'
import { DEFAULT_UNITS, DIMENSIONS, fromUnit, shownUnit, type Dimension, type Unit, type UnitChoice } from './units.ts'

type Parsed = { ok: true; value: number; u?: number; unit: Unit } | { ok: false; message: string }

const VULGAR: Record<string, string> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
  '⅓': '1/3',
  '⅔': '2/3',
}

const NUMBER = String.raw`\d+(?:[.,]\d+)?|[.,]\d+`
const MIXED = new RegExp(String.raw`^([+-]?)\s*(?:(\d+)(?:\s*-\s*|\s+))?(\d+)\s*/\s*(\d+)`)
const PLAIN = new RegExp(String.raw`^([+-]?)\s*(${NUMBER})(?:e([+-]?\d+))?(?![\d/])`, 'i')
const PLUS_MINUS = /\s*(?:±|\+-|\+\/-)\s*/

interface ReadNumber {
  value: number
  rest: string
}

function readNumber(text: string): ReadNumber | string {
  const mixed = MIXED.exec(text)
  if (mixed) {
    const [all, sign, whole, top, bottom] = mixed
    if (Number(bottom) === 0) return `"${all.trim()}" divides by zero.`
    // fractions are of an inch, of a foot, of a second at most: "38/34" are two figures
    if (![2, 3, 4, 5, 6, 8, 10, 16, 32, 64].includes(Number(bottom)))
      return `"${all.trim()}" is no usual fraction. Write two figures with a semicolon between: ${top}; ${bottom}.`
    const value = Number(whole ?? 0) + Number(top) / Number(bottom)
    return { value: sign === '-' ? -value : value, rest: text.slice(all.length) }
  }
  const plain = PLAIN.exec(text)
  if (!plain) return 'not a number'
  const [all, sign, digits, exponent] = plain
  const after = text.slice(all.length)
  if (/^[.,]\d/.test(after)) return `"${text}" has two decimal signs. Write it without separators between thousands.`
  // "1,250" is 1.25 to one reader and 1250 to another: a thousandfold error is not worth a guess.
  if (/^[1-9]\d{0,2},\d{3}$/.test(digits!)) {
    return `"${digits}" can be read two ways. Write ${digits!.replace(',', '.')} or ${digits!.replace(',', '')}.`
  }
  const value = Number(`${digits!.replace(',', '.')}e${exponent ?? 0}`)
  return { value: sign === '-' ? -value : value, rest: after }
}

const squeeze = (text: string) => text.toLowerCase().replace(/\s+/g, '')

function findUnit(dimension: Dimension, typed: string): Unit | undefined {
  const units: readonly Unit[] = DIMENSIONS[dimension]
  return units.find((unit) => unit.spellings.includes(squeeze(typed)))
}

/**
 * Reads what a person types for a figure: `1-3/8"`, `1 3/8 in`, `34.9 mm`, `34,9`, `900 psi`,
 * `129 lbf ft`, and an uncertainty after a plus-minus sign: `34.9 ± 0.2 mm`,
 * which is a limit unless the choice of units says otherwise, and comes back as a standard uncertainty.
 *
 * @param dimension decides which units are understood
 * @param choice units assumed where none is typed
 * @returns the value (and standard uncertainty `u`) in the core's unit, or a message that says what is wrong
 * @example
 * parseQuantity('1-3/8"', 'length').value // => 34.925
 *
 * @example
 * parseQuantity('wide', 'length').ok // => false
 */
export function parseQuantity(text: string, dimension: Dimension, choice: UnitChoice = DEFAULT_UNITS): Parsed {
  const clean = text
    .trim()
    .replace(/[\u2212\u2013]/g, '-')
    .replace(/\u00a0/g, ' ')
    .replace(/[½¼¾⅛⅜⅝⅞⅓⅔]/g, (sign) => ` ${VULGAR[sign]}`)
    .trim()
  if (clean === '') return { ok: false, message: 'Nothing typed.' }
  if (clean.length > 60) return { ok: false, message: 'Too long for one figure.' }
  const known = (DIMENSIONS[dimension] as readonly Unit[]).map((unit) => unit.symbol).filter(Boolean)
  const hint = known.length > 0 ? ` Type a number, with ${known.join(', ')} if you like.` : ' Type a number.'

  const made = madeOf(clean, dimension)
  if (made) return made
  const first = readNumber(clean)
  if (typeof first === 'string') {
    return { ok: false, message: first === 'not a number' ? `"${text.trim()}" is not a figure.${hint}` : first }
  }
  let rest = first.rest
  let uncertainty: number | undefined
  const sign = PLUS_MINUS.exec(rest)
  let unitBefore = ''
  if (sign) {
    unitBefore = rest.slice(0, sign.index)
    const second = readNumber(rest.slice(sign.index + sign[0].length))
    if (typeof second === 'string' || second.value < 0) {
      return { ok: false, message: 'After ± enter a number, zero or more.' }
    }
    uncertainty = second.value
    rest = second.rest
  }
  const typedUnit = rest.trim() || unitBefore.trim()
  const unit = typedUnit === '' ? shownUnit(dimension, choice) : findUnit(dimension, typedUnit)
  if (!unit) {
    return { ok: false, message: `"${typedUnit.slice(0, 20)}" is not a unit for this figure.${hint}` }
  }
  // a share typed as a part of one: 0.63 is 63 %, while "0.63 %" is what it says
  const part = dimension === 'share' && typedUnit === '' && Math.abs(first.value) <= 1
  const value = part ? first.value : fromUnit(first.value, unit)
  if (!Number.isFinite(value)) return { ok: false, message: 'The number is too large.' }
  return {
    ok: true,
    value,
    unit,
    ...(uncertainty === undefined ? {} : { u: standardOf(part ? uncertainty : uncertainty * unit.factor, choice.plusMinus) }),
  }
}

/** Denominators of inch fractions: what stands before one is a fraction, not a value of its own. */
const FRACTION_OF = [2, 4, 8, 16, 32, 64, 128]
/** Values this small beside a stroke are a fraction or a ratio, mm or in. */
const LEAST_VALUE = 10

/**
 * The values of a field that takes several: between semicolons, plus signs, or strokes where no fraction is meant.
 *
 * @example
 * splitValues('38/34').length // => 2
 * splitValues('1-1/2"; 38').length // => 2
 */
export function splitValues(text: string): string[] {
  return text
    .split(/[;+]/)
    .flatMap((one) => {
      const pieces = one.split('/').map((piece) => piece.trim())
      const isValue = (piece: string, at: number) => {
        const value = /^\d+([.,]\d+)?$/.test(piece.replace(/\s*(mm|in|")$/, '')) ? Number.parseFloat(piece.replace(',', '.')) : NaN
        return value >= LEAST_VALUE && (at === 0 || !FRACTION_OF.includes(value))
      }
      return pieces.length > 1 && pieces.every(isValue) ? pieces : [one.trim()]
    })
    .filter((one) => one !== '')
}

/** Two numbers that say one figure: a split `60/40`, a ratio `4.5:1`; undefined for anything else. */
function madeOf(text: string, dimension: Dimension): Parsed | undefined {
  const two = new RegExp(String.raw`^(${NUMBER})\s*([:/])\s*(${NUMBER})$`).exec(text)
  if (!two) return undefined
  const [a, b] = [two[1]!, two[3]!].map((one) => Number(one.replace(',', '.'))) as [number, number]
  if (dimension === 'share') {
    if (Math.abs(a + b - 100) > 0.5 && Math.abs(a + b - 1) > 0.005)
      return { ok: false, message: `"${text}" does not add up to 100. Write 60/40 or 60%.` }
    return { ok: true, value: a / (a + b), unit: shownUnit(dimension) }
  }
  if (dimension === 'number' && two[2] === ':')
    return b === 0 ? { ok: false, message: `"${text}" divides by zero.` } : { ok: true, value: a / b, unit: shownUnit(dimension) }
  return undefined
}

type ParsedMoney = { ok: true; minor: number } | { ok: false; message: string }

/**
 * Reads an amount of money into minor units: `1250`, `12,50`, `12.5`, `EUR 1,250`.
 * Thousands may be parted by blanks or commas; more than two decimals are refused, not rounded.
 *
 * @example
 * parseMoney('EUR 1,016') // => { ok: true, minor: 101600 }
 */
export function parseMoney(text: string): ParsedMoney {
  const bare = text
    .trim()
    .replace(/^[A-Za-z]{3}(?=[\s\u00a0\d])|[\s\u00a0][A-Za-z]{3}$/g, '')
    .replace(/[\s\u00a0\u202f']/g, '')
  const clean = /^\d{1,3}(,\d{3})+(\.\d{1,2})?$/.test(bare) ? bare.replaceAll(',', '') : bare
  if (!/^\d{1,9}([.,]\d{1,2})?$/.test(clean)) {
    return { ok: false, message: `"${text.trim().slice(0, 30)}" is not an amount. Write it like 1250 or 12.50.` }
  }
  return { ok: true, minor: Math.round(Number(clean.replace(',', '.')) * 100) }
}

type ParsedReadings = { ok: true; values: number[]; count: number } | { ok: false; message: string; count?: undefined }

/**
 * Reads several lengths at once, as a gauge's memory or a spreadsheet column gives them: parted by
 * semicolons, tabs or line ends, or by blanks alone. `1 3/8 in; 34.9 mm`, `164.8 165.1`.
 * @returns millimetres, or a message that names the reading that is wrong
 */
export function parseReadings(text: string, choice: UnitChoice = DEFAULT_UNITS): ParsedReadings {
  const values: number[] = []
  const pieces = text
    .split(/[;\n\t]/)
    .map((piece) => piece.trim())
    .filter(Boolean)
    .flatMap((piece) => apart(piece, choice))
  if (pieces.length > 50) return { ok: false, message: 'At most 50 readings at once.' }
  for (const [index, piece] of pieces.entries()) {
    const parsed = parseQuantity(piece, 'length', choice)
    if (!parsed.ok) return { ok: false, message: pieces.length > 1 ? `Reading ${index + 1}: ${parsed.message}` : parsed.message }
    if (parsed.u !== undefined)
      return {
        ok: false,
        message: `"${piece}": a reading has no ± of its own; how sure they are comes from their scatter and the instrument. Type the reading alone.`,
      }
    values.push(parsed.value)
  }
  return { ok: true, values, count: values.length }
}

/** Readings with blanks between, each a figure of its own; a text that is one figure stays one. */
function apart(piece: string, choice: UnitChoice): string[] {
  if (parseQuantity(piece, 'length', choice).ok) return [piece]
  const pieces = piece.split(/\s+(?=[-+\u2212]?[.,]?\d)/)
  // "1 250" may be one number with a blank for its thousands
  if (pieces.length < 2 || pieces.slice(1).some((one, i) => /^\d{3}(?!\d|[.,])/.test(one) && /^[-+\u2212]?\d{1,3}$/.test(pieces[i]!)))
    return [piece]
  return pieces.every((one) => parseQuantity(one, 'length', choice).ok) ? pieces : [piece]
}
