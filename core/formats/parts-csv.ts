import Papa from 'papaparse'
import { doubts } from '../records/plausible.ts'
import { PART_KINDS, type PartKind } from '../records/part-kinds.ts'
import type { Part } from '../records/part.ts'
import { anyPart, partRecord } from '../records/part.ts'
import { isGoodMember } from '../records/quick-check.ts'
import { recordSchema } from '../records/record-schema.ts'
import { schemaProblems } from '../records/schema-problems.ts'
import { placeInWords } from '../records/place.ts'
import type { UnitChoice } from '../quantity/units.ts'
import { csvText, unguard } from './csv-text.ts'
import { partColumns, type CellContext, type PartColumn } from './part-cells.ts'

export const MAX_TABLE_BYTES = 2_000_000
const MAX_TABLE_ROWS = 1000
/** Three times what any kind of part has, with what stands beside each figure. */
const MAX_TABLE_COLUMNS = 500

export interface PlainTable {
  header: string[]
  rows: string[][]
}
type ReadTable = { ok: true; table: PlainTable } | { ok: false; message: string }

/**
 * A table as a spreadsheet gives it: by commas, semicolons or tabs; the first row names the columns. Refused as a whole
 * only when it is no table at all.
 */
export function readTable(text: string, mostRows = MAX_TABLE_ROWS): ReadTable {
  if (text.length > MAX_TABLE_BYTES)
    return { ok: false, message: `The table is larger than ${MAX_TABLE_BYTES / 1e6} MB. Bring it in pieces.` }
  const clean = text.replace(/^\uFEFF/, '').replace(/\0/g, '')
  if (clean.trim() === '') return { ok: false, message: 'There is nothing in it.' }
  const { data, errors } = Papa.parse<string[]>(clean, {
    skipEmptyLines: 'greedy',
    delimitersToGuess: ['\t', ';', ',', '|'],
    // one more than is taken says that there are more
    preview: mostRows + 2,
  })
  const wide = data.findIndex((row) => row.length > MAX_TABLE_COLUMNS)
  if (wide >= 0) return { ok: false, message: `Row ${wide + 1} has ${data[wide]!.length} columns; at most ${MAX_TABLE_COLUMNS} are read.` }
  const broken = errors.find((one) => one.type === 'Quotes')
  if (broken) return { ok: false, message: `A quotation mark in row ${(broken.row ?? 0) + 1} is never closed.` }
  const [header, ...rows] = data.map((row) => row.map((cell) => unguard(cell.trim())))
  if (!header || rows.length === 0)
    return { ok: false, message: 'It needs a first row with the names of the columns and at least one row below.' }
  if (rows.length > mostRows) return { ok: false, message: `It has more than ${mostRows} rows, the limit for one import. Split it.` }
  return { ok: true, table: { header, rows } }
}

/** Parts of one kind as CSV: every column that any of them fills. */
export function writePartsCsv(kind: PartKind, parts: readonly Part[], units: UnitChoice): string {
  const mine = parts.filter((part) => part.kind === kind)
  const columns = partColumns(kind, units).filter((column) => column.id === 'name' || mine.some((part) => column.read(part, units) !== ''))
  const rows = mine.map((part) => columns.map((column) => column.read(part, units)))
  return csvText(columns.map(headerOf), rows)
}

export const headerOf = (column: PartColumn): string => (column.unit ? `${column.label} (${column.unit})` : column.label)

const plain = (text: string): string =>
  text
    .toLowerCase()
    .replace(/\([^)]*\)/g, '')
    .replace(/[^\p{L}\d±]+/gu, '')

/** Headings that tables of earlier versions have, and what they are called now. */
const NAMED_BEFORE: Readonly<Record<string, string>> = Object.fromEntries(
  [
    ['Thickness at the wheel seat', 'Thickness at the mounting face'],
    ['Seat at the caliper', 'Port seat at the caliper'],
    ['Seat at the car', 'Port seat at the car'],
    ['Standard uncertainty of the spoke back', 'Standard uncertainty, back of the spokes'],
    ['Outer face beyond the seat', 'Outer face beyond mounting face'],
    ['Spoke back beyond the hub pad', 'Back of spokes beyond mounting face'],
    ['Assist at runout', 'Assist at booster run-out'],
    ['Thickness under its nuts', 'Thickness at the wheel nuts'],
    ['Tall from', 'Top, inboard end'],
    ['Tall to', 'Top, outboard end'],
    ['What it is for', 'Purpose'],
    ['Air goes in from', 'Air inlet side'],
    ['Outline was taken with', 'Outline measured with'],
    ['Spokes, seen from the street', 'Spokes, seen from outboard'],
    ['Price, likely', 'Price, expected'],
  ].map(([before, now]) => [plain(before!), now!]),
)

/** Which column of a kind each column of a table is likely to be; null: none. Nothing is taken twice. */
export function guessMapping(header: readonly string[], columns: readonly PartColumn[]): (string | null)[] {
  const free = new Map(columns.map((column) => [column.id, column]))
  const take = (matches: (column: PartColumn) => boolean): string | null => {
    const found = [...free.values()].find(matches)
    if (found) free.delete(found.id)
    return found?.id ?? null
  }
  const exact = header.map((name) => {
    const wanted = plain(NAMED_BEFORE[plain(name)] ?? name)
    return take((column) => plain(column.label) === wanted || column.id.toLowerCase() === name.trim().toLowerCase())
  })
  return header.map((name, index) => {
    if (exact[index] !== null) return exact[index]!
    const wanted = plain(name)
    return wanted.length < 4
      ? null
      : take((column) => !column.aside && (plain(column.label).startsWith(wanted) || wanted.startsWith(plain(column.label))))
  })
}

interface RowReport {
  /** As a spreadsheet counts: the header is row 1. */
  row: number
  name: string
  reasons: string[]
}
interface TakenTable {
  parts: Part[]
  /** Nothing of these rows was taken. */
  rejected: RowReport[]
  /** Taken, but asked about. */
  doubted: RowReport[]
}

/**
 * Makes parts of the rows of a table. A row with anything wrong is rejected whole, with every reason; the others are taken.
 *
 * @param mapping for each column of the table the id of a part's column, or null to leave it out
 * @param idOf an id for each row
 */
export function partsFromTable(
  { header, rows }: PlainTable,
  mapping: readonly (string | null)[],
  kind: PartKind,
  context: CellContext,
  idOf: (row: number) => string,
): TakenTable {
  const columns = new Map(partColumns(kind, context.units).map((column) => [column.id, column]))
  const taken: TakenTable = { parts: [], rejected: [], doubted: [] }
  // what stands beside a figure or in a price needs the figure or the price first
  const order = header
    .map((_, index) => index)
    .filter((index) => mapping[index] && columns.has(mapping[index]))
    .sort((a, b) => rank(mapping[a]!) - rank(mapping[b]!))
  rows.forEach((cells, index) => {
    const part: Record<string, unknown> = { id: idOf(index), kind }
    const reasons: string[] = []
    if (cells.length > header.length && cells.slice(header.length).some((cell) => cell !== ''))
      reasons.push(`it has ${cells.length} cells where the header has ${header.length}`)
    for (const at of order) {
      const column = columns.get(mapping[at]!)!
      const wrong = column.write(part, cells[at] ?? '', context)
      if (wrong) reasons.push(`${column.label}: ${wrong.replace(/\.$/, '')}`)
    }
    const name = typeof part.name === 'string' ? part.name : ''
    if (name === '') reasons.push(`a name is missing: every ${PART_KINDS[kind].one} needs one`)
    // what is good beyond doubt need not be asked of the schema: a thousand rows of it take seconds
    if (reasons.length === 0 && !isGoodMember(anyPart, part))
      for (const problem of schemaProblems(recordSchema(partRecord(kind)), part)) {
        const place = placeInWords({ parts: [part] }, `parts[0].${problem.path}`)
          .split(' › ')
          .slice(2)
          .join(', ')
        reasons.push(`${place ? `${place} ` : ''}${problem.message}`)
      }
    const report = { row: index + 2, name }
    if (reasons.length > 0) {
      taken.rejected.push({ reasons, ...report })
      return
    }
    const found = part as unknown as Part
    taken.parts.push(found)
    const questions = doubts(found, context.units).map((one) => one.sentence)
    if (questions.length > 0) taken.doubted.push({ reasons: questions, ...report })
  })
  return taken
}

const rank = (id: string): number => (id.includes(':') ? 2 : id.startsWith('price.') ? (id === 'price.likelyMinor' ? 0 : 1) : 0)
