import type { Field, FigureField, FiguresField } from '../records/field.ts'
import { amount } from '../records/field.ts'
import { fieldsOf, type PartKind } from '../records/part-kinds.ts'
import { CONDITIONS, type Part } from '../records/part.ts'
import { CURRENCIES, type Price } from '../records/price.ts'
import { ORIGIN_WORDS, ORIGINS, type Figure, type Origin } from '../quantity/figure.ts'
import { editQuantity } from '../quantity/format.ts'
import { parseMoney, parseQuantity, splitValues } from '../quantity/parse.ts'
import { shownUnit, type UnitChoice } from '../quantity/units.ts'

/** What a cell needs to know when it is written into. */
export interface CellContext {
  units: UnitChoice
  /** Of figures that come without a word on where they come from. */
  origin: Origin
  /** ISO date of today. */
  date: string
  currency: Price['currency']
}

/**
 * One column of a table of parts: how a part's cell reads, and how what somebody types or pastes goes in.
 * Tables on the screen and CSV files are made from the same columns.
 */
export interface PartColumn {
  id: string
  label: string
  /** Unit in which bare numbers are meant, empty for none. */
  unit: string
  /** Right-aligned, sorted by value. */
  numeric: boolean
  /** Only in files: what stands beside a figure. */
  aside?: true
  options?: readonly string[]
  read(part: Part, units: UnitChoice): string
  /** For sorting; undefined sorts last. */
  value(part: Part): number | string | undefined
  /** Changes the part it is given; returns what is wrong with the text. */
  write(part: CellTarget, text: string, context: CellContext): string | undefined
}

type CellTarget = Record<string, unknown>
const loose = (part: Part): CellTarget => part as unknown as CellTarget

const textColumn = (id: keyof Part & string, label: string, most: number): PartColumn => ({
  id,
  label,
  unit: '',
  numeric: false,
  read: (part) => String(loose(part)[id] ?? ''),
  value: (part) => loose(part)[id] as string | undefined,
  write(part, text) {
    const clean = text.trim()
    if (clean.length > most) return `at most ${most} characters`
    if (clean === '') Reflect.deleteProperty(part, id)
    else part[id] = clean
    return undefined
  },
})

const choiceColumn = (id: string, label: string, options: readonly { value: string; label: string }[]): PartColumn => ({
  id,
  label,
  unit: '',
  numeric: false,
  options: options.map((one) => one.label),
  read: (part) => options.find((one) => one.value === loose(part)[id])?.label ?? '',
  value: (part) => loose(part)[id] as string | undefined,
  write(part, text) {
    const clean = text.trim().toLowerCase()
    if (clean === '') {
      Reflect.deleteProperty(part, id)
      return undefined
    }
    const found =
      options.find((one) => one.value.toLowerCase() === clean || one.label.toLowerCase() === clean) ??
      options.find((one) => one.label.toLowerCase().startsWith(clean))
    if (!found) return `"${text.trim().slice(0, 40)}" is none of ${options.map((one) => one.label).join('; ')}`
    part[id] = found.value
    return undefined
  },
})

const round = (value: number): number => Number(value.toPrecision(12))

function readFigures(
  text: string,
  field: FigureField | FiguresField,
  { units, origin, date }: CellContext,
  before?: Figure,
): Figure[] | string {
  const found: Figure[] = []
  for (const piece of field.type === 'figures' ? splitValues(text) : [text]) {
    const parsed = parseQuantity(piece, field.dimension, units)
    if (!parsed.ok) return parsed.message
    found.push({
      value: round(parsed.value),
      ...(parsed.u === undefined ? {} : { u: round(parsed.u) }),
      // what was worked out, or is a class's, is replaced and not corrected
      origin: before && !before.madeOf ? before.origin : origin,
      date,
    })
  }
  return found
}

const figureColumn = (id: string, field: FigureField | FiguresField, units: UnitChoice): PartColumn => {
  const own = (part: Part): Figure[] => {
    const value = loose(part)[id] as Figure | Figure[] | undefined
    return value === undefined ? [] : Array.isArray(value) ? value : [value]
  }
  return {
    id,
    label: field.label,
    unit: shownUnit(field.dimension, units).symbol,
    numeric: true,
    read: (part, choice) =>
      own(part)
        .map((one) => editQuantity(one.value, field.dimension, choice).replace(/ [^\s\d]\S*$/, ''))
        .join('; '),
    value: (part) => own(part)[0]?.value,
    write(part, text, context) {
      if (text.trim() === '') {
        Reflect.deleteProperty(part, id)
        return undefined
      }
      const before = own(part as unknown as Part)[0]
      const found = readFigures(text, field, context, before)
      if (typeof found === 'string') return found
      part[id] = field.type === 'figures' ? found : found[0]
      return undefined
    },
  }
}

/** Origin, date, doubt and note of a figure, as columns of their own. */
function asides(id: string, field: FigureField | FiguresField): PartColumn[] {
  const figures = (part: CellTarget): Figure[] => {
    const value = part[id] as Figure | Figure[] | undefined
    return value === undefined ? [] : Array.isArray(value) ? value : [value]
  }
  const column = (
    key: 'origin' | 'date' | 'u' | 'note',
    word: string,
    check: (text: string, context: CellContext) => { value: unknown } | string,
    show: (value: unknown, units: UnitChoice) => string = String,
  ): PartColumn => ({
    id: `${id}:${key}`,
    label: `${field.label}: ${word}`,
    unit: '',
    numeric: false,
    aside: true,
    read: (part, units) => {
      const value = figures(loose(part))[0]?.[key]
      return value === undefined ? '' : show(value, units)
    },
    value: (part) => figures(loose(part))[0]?.[key] as string | number | undefined,
    write(part, text, context) {
      if (text.trim() === '') return undefined
      const found = check(text.trim(), context)
      if (typeof found === 'string') return found
      for (const figure of figures(part)) (figure as unknown as CellTarget)[key] = found.value
      return undefined
    },
  })
  return [
    column('origin', 'origin', (text) =>
      (ORIGINS as readonly string[]).includes(text.toLowerCase())
        ? { value: text.toLowerCase() }
        : `"${text.slice(0, 30)}" is none of ${ORIGINS.join(', ')}`,
    ),
    column('date', 'date', (text) =>
      /^\d{4}-\d{2}-\d{2}/.test(text) ? { value: text } : `"${text.slice(0, 30)}" is no date like 2026-05-11`,
    ),
    column(
      'u',
      '±',
      (text, { units }) => {
        const parsed = parseQuantity(text, field.dimension, units)
        return parsed.ok && parsed.value >= 0 ? { value: round(parsed.value) } : `"${text.slice(0, 30)}" is no uncertainty`
      },
      (value, units) => editQuantity(value as number, field.dimension, units).replace(/ [^\s\d]\S*$/, ''),
    ),
    column('note', 'note', (text) => ({ value: text.slice(0, 4000) })),
  ]
}

const priceOf = (part: CellTarget, { currency }: CellContext): Price =>
  ({ lowMinor: 0, likelyMinor: 0, highMinor: 0, currency, pieces: 1, ...(part.price as Price | undefined) }) satisfies Price

function moneyColumn(key: 'lowMinor' | 'likelyMinor' | 'highMinor' | 'depositMinor', label: string): PartColumn {
  return {
    id: `price.${key}`,
    label,
    unit: '',
    numeric: true,
    read: (part) => (part.price?.[key] === undefined ? '' : (part.price[key] / 100).toFixed(2)),
    value: (part) => part.price?.[key],
    write(part, text, context) {
      if (text.trim() === '') {
        if (key === 'likelyMinor') Reflect.deleteProperty(part, 'price')
        return undefined
      }
      const parsed = parseMoney(text)
      if (!parsed.ok) return parsed.message
      const price = priceOf(part, context)
      price[key] = parsed.minor
      if (key === 'likelyMinor') {
        // a price alone is a range of nothing; low and high may follow
        price.lowMinor = price.lowMinor === 0 || price.lowMinor > parsed.minor ? parsed.minor : price.lowMinor
        price.highMinor = Math.max(price.highMinor, parsed.minor)
      }
      price.date = context.date
      part.price = price
      return undefined
    },
  }
}

const MASS = amount('Mass', 'mass', 0, 200)

/** Every column of a kind of part: name first, then what checks need, then where it comes from and what it costs. */
export function partColumns(kind: PartKind, units: UnitChoice): PartColumn[] {
  const fields = Object.entries(fieldsOf(kind)).flatMap(([id, field]: [string, Field]): PartColumn[] => {
    switch (field.type) {
      case 'figure':
      case 'figures':
        return [figureColumn(id, field, units), ...asides(id, field)]
      case 'choice':
        return [choiceColumn(id, field.label, field.options)]
      case 'text':
        return [textColumn(id as keyof Part & string, field.label, field.maxLength)]
      default:
        // outlines and profiles have files of their own
        return []
    }
  })
  return [
    textColumn('name', 'Name', 120),
    textColumn('maker', 'Maker', 120),
    textColumn('number', 'Number', 120),
    ...fields,
    figureColumn('massKg', MASS, units),
    ...asides('massKg', MASS),
    choiceColumn(
      'condition',
      'Condition',
      CONDITIONS.map((value) => ({ value, label: value })),
    ),
    textColumn('provenance', 'Comes from', 200),
    {
      id: 'owned',
      label: 'Already have it',
      unit: '',
      numeric: false,
      options: ['yes', 'no'],
      read: (part) => (part.owned ? 'yes' : ''),
      value: (part) => (part.owned ? 'yes' : undefined),
      write(part, text) {
        const clean = text.trim().toLowerCase()
        if (['yes', 'y', 'true', '1', 'x'].includes(clean)) part.owned = true
        else if (['', 'no', 'n', 'false', '0'].includes(clean)) Reflect.deleteProperty(part, 'owned')
        else return `"${text.trim().slice(0, 30)}" is neither yes nor no`
        return undefined
      },
    },
    moneyColumn('likelyMinor', 'Price, expected'),
    moneyColumn('lowMinor', 'Price, low'),
    moneyColumn('highMinor', 'Price, high'),
    moneyColumn('depositMinor', 'Deposit'),
    priceText(
      'currency',
      'Currency',
      (text) => ((CURRENCIES as readonly string[]).includes(text.toUpperCase()) ? text.toUpperCase() : undefined),
      CURRENCIES.join(', '),
    ),
    priceText(
      'pieces',
      'Price is for pieces',
      (text) => (/^\d{1,3}$/.test(text) && Number(text) >= 1 && Number(text) <= 100 ? Number(text) : undefined),
      'a whole number from 1 to 100',
    ),
    priceText('seller', 'Seller', (text) => text.slice(0, 120), ''),
    priceText(
      'origin',
      'Price comes from',
      (text) => ORIGINS.find((one) => one === text.toLowerCase() || ORIGIN_WORDS[one] === text.toLowerCase()),
      ORIGINS.join(', '),
    ),
    priceText('date', 'Price of', (text) => (/^\d{4}-\d{2}-\d{2}$/.test(text) ? text : undefined), 'a date written 2026-05-11'),
    textColumn('note', 'Note', 4000),
  ]
}

function priceText(
  key: 'currency' | 'pieces' | 'seller' | 'origin' | 'date',
  label: string,
  take: (text: string) => string | number | undefined,
  wanted: string,
): PartColumn {
  return {
    id: `price.${key}`,
    label,
    unit: '',
    numeric: key === 'pieces',
    read: (part) => String(part.price?.[key] ?? ''),
    value: (part) => part.price?.[key],
    write(part, text) {
      const price = part.price as Price | undefined
      // without a price there is nothing that this could be said of
      if (text.trim() === '' || !price) return undefined
      const value = take(text.trim())
      if (value === undefined) return `"${text.trim().slice(0, 30)}" is not ${wanted}`
      part.price = { ...price, [key]: value }
      return undefined
    },
  }
}
