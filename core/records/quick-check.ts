import { ORIGINS } from '../quantity/figure.ts'
import { INSTRUMENT_IDS } from '../quantity/instrument.ts'
import { greatestU, hardLimits, OTHER_LIMITS, type Field } from './field.ts'
import { WHEEL_TAGS } from '../records/field.ts'
import { isGiven, JPEG_TEXT, LIMITS, MADE_BY, MOST_PICTURE_SIGNS, MOST_POINT_DOUBT_MM, SAME_MEAN } from './field-schema.ts'
import { fieldsOf, PART_KIND_NAMES, type PartKind } from './part-kinds.ts'
import { CONDITIONS, CURRENCIES } from './project.ts'
import { isInspected } from './schema.ts'

/**
 * Whether a part is good beyond doubt: what the schema would say of it, at a hundredth of the time. A library holds
 * thousands of them, and nearly all are good; of any other the schema says what is wrong. Nothing passes here that the
 * schema refuses; a test holds the two against each other.
 */
export function isGoodPart(part: unknown): boolean {
  if (!isRecord(part) || !PART_KIND_NAMES.includes(part.kind as PartKind)) return false
  const fields = fieldsOf(part.kind as PartKind)
  for (const key of Object.keys(part)) {
    const value = part[key]
    if (value === undefined) continue
    if (Object.hasOwn(fields, key) ? !isGoodField(fields[key]!, value) : !Object.hasOwn(COMMON, key) || !COMMON[key]!(value)) return false
  }
  return isId(part.id) && isName(part.name)
}

type Check = (value: unknown) => boolean
const isRecord = (value: unknown): value is Record<string, unknown> => typeof value === 'object' && value !== null && !Array.isArray(value)
const text =
  (most: number): Check =>
  (value) =>
    typeof value === 'string' && value.length <= most
const isId: Check = (value) => typeof value === 'string' && /^[A-Za-z0-9][A-Za-z0-9._-]{0,79}$/.test(value)
const isName: Check = (value) => typeof value === 'string' && value.length > 0 && value.length <= 120 && value.trim() === value
const isDate: Check = (value) => typeof value === 'string' && /^\d{4}-\d{2}-\d{2}([T ][0-9:.Z+-]*)?$/.test(value)
const among =
  (values: readonly string[]): Check =>
  (value) =>
    typeof value === 'string' && values.includes(value)
const isWhole = (value: unknown, min: number, max: number): boolean =>
  Number.isInteger(value) && (value as number) >= min && (value as number) <= max
/** Every member there is has its check, and those that must be there are. */
const holds = (value: unknown, checks: Readonly<Record<string, Check>>, needed: readonly string[]): boolean =>
  isRecord(value) &&
  Object.keys(value).every((key) => value[key] === undefined || (Object.hasOwn(checks, key) && checks[key]!(value[key]))) &&
  needed.every((key) => value[key] !== undefined)

const isMinor: Check = (value) => isWhole(value, 0, 1e10)
const PRICE: Readonly<Record<string, Check>> = {
  lowMinor: isMinor,
  likelyMinor: isMinor,
  highMinor: isMinor,
  depositMinor: isMinor,
  currency: among(CURRENCIES),
  pieces: (value) => isWhole(value, 1, 100),
  origin: among(ORIGINS),
  date: isDate,
  seller: text(120),
}
const isPrice: Check = (value) => {
  if (!holds(value, PRICE, ['lowMinor', 'likelyMinor', 'highMinor', 'currency', 'pieces'])) return false
  const { lowMinor, likelyMinor, highMinor } = value as Record<string, number>
  return lowMinor! <= likelyMinor! && likelyMinor! <= highMinor!
}

const FIGURE: Readonly<Record<string, Check>> = {
  origin: among(ORIGINS),
  date: isDate,
  note: text(4000),
  instrument: among(INSTRUMENT_IDS),
  madeOf: (value) => holds(value, { way: among(MADE_BY), given: isGiven }, ['way', 'given']),
}
function isFigure(value: unknown, min: number, max: number, integer = false): boolean {
  if (!isRecord(value)) return false
  const { value: number, u, readings, ...rest } = value
  if (typeof number !== 'number' || !(number >= min && number <= max) || (integer && !Number.isInteger(number))) return false
  if (readings !== undefined && !areReadings(readings, number, min, max)) return false
  return (u === undefined || (typeof u === 'number' && u >= 0 && u <= greatestU(min, max))) && holds(rest, FIGURE, ['origin'])
}

function areReadings(readings: unknown, mean: number, min: number, max: number): boolean {
  if (!Array.isArray(readings) || readings.length < 1 || readings.length > LIMITS.readings) return false
  let sum = 0
  for (const one of readings as unknown[]) {
    if (typeof one !== 'number' || !(one >= min && one <= max)) return false
    sum += one
  }
  return Math.abs(sum / readings.length - mean) <= SAME_MEAN
}

const isPoint: Check = (value) =>
  Array.isArray(value) &&
  value.length === 2 &&
  (value as unknown[]).every((one) => typeof one === 'number') &&
  Math.abs((value as number[])[0]!) <= 1000 &&
  (value as number[])[1]! >= 0 &&
  (value as number[])[1]! <= 1000
const isLine: Check = (value) =>
  Array.isArray(value) && value.length >= 2 && value.length <= LIMITS.points && (value as unknown[]).every(isPoint)
const isDoubt: Check = (value) =>
  Array.isArray(value) &&
  value.length === 2 &&
  (value as unknown[]).every((one) => typeof one === 'number' && one >= 0 && one <= MOST_POINT_DOUBT_MM)
const isSpan: Check = (value) =>
  Array.isArray(value) &&
  value.length === 2 &&
  (value as unknown[]).every((one) => typeof one === 'number' && Math.abs(one) <= 2000) &&
  (value as number[])[0]! < (value as number[])[1]!
const PICTURE: Readonly<Record<string, Check>> = {
  jpeg: (value) => typeof value === 'string' && value.length <= MOST_PICTURE_SIGNS && JPEG_TEXT.test(value),
  z: isSpan,
  r: isSpan,
}
const TAKEN: Readonly<Record<string, Check>> = {
  points: isLine,
  doubts: (value) => Array.isArray(value) && (value as unknown[]).every(isDoubt),
  picture: (value) => holds(value, PICTURE, ['jpeg', 'z', 'r']),
  instrument: among(INSTRUMENT_IDS),
  origin: among(ORIGINS),
}
const doubtsMatch = (value: unknown): boolean => {
  const { points, doubts } = value as { points: unknown[]; doubts?: unknown[] }
  return doubts === undefined || doubts.length === points.length
}
const isTag = among(WHEEL_TAGS)
const list = (value: unknown, most: number, check: Check): boolean =>
  Array.isArray(value) && value.length >= 1 && value.length <= most && (value as unknown[]).every(check)

const within =
  (min: number, max: number): Check =>
  (value) =>
    typeof value === 'number' && value >= min && value <= max
const FACE: Readonly<Record<string, Check>> = { name: isName, raiseMm: within(-60, 120), lipMm: within(-60, 300) }

function isGoodField(field: Field, value: unknown): boolean {
  switch (field.type) {
    case 'figure':
      return isFigure(value, ...hardLimits(field), field.integer)
    case 'figures':
      return list(value, field.maxItems, (one) => isFigure(one, ...hardLimits(field)))
    case 'choice':
      return field.options.some((option) => option.value === value)
    case 'choices':
      return (
        list(value, field.options.length, (one) => field.options.some((option) => option.value === one)) &&
        new Set(value as unknown[]).size === (value as unknown[]).length
      )
    case 'text':
      return text(field.maxLength)(value)
    case 'outlines':
      return list(value, LIMITS.outlines, (one) => holds(one, { ...TAKEN, name: isName }, ['name', 'points']) && doubtsMatch(one))
    case 'profile': {
      if (!holds(value, { ...TAKEN, tags: (tags) => Array.isArray(tags) && (tags as unknown[]).every(isTag) }, ['points', 'tags']))
        return false
      const { points, tags } = value as { points: unknown[]; tags: unknown[] }
      return tags.length === points.length - 1 && doubtsMatch(value)
    }
    case 'faces':
      return list(value, LIMITS.faces, (one) => holds(one, FACE, ['name', 'raiseMm']))
  }
}

const COMMON: Readonly<Record<string, Check>> = {
  id: isId,
  kind: () => true,
  name: isName,
  maker: text(120),
  number: text(120),
  provenance: text(200),
  condition: among(CONDITIONS),
  owned: (value) => typeof value === 'boolean',
  price: isPrice,
  massKg: (value) => isFigure(value, ...OTHER_LIMITS.massKg),
  note: text(4000),
  inspection: (value) => holds(value, { points: isInspected, date: isDate }, ['points']),
}
