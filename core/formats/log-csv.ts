import type { GaugeSession, HeatReading, LockUpObservation, StopTest, WearReading } from '../records/logbook.ts'
import { projectRecord, type Project } from '../records/project.ts'
import { plainFields } from '../records/record-fields.ts'
import type { PlainField, RecordDefinition } from '../records/record.ts'
import { recordSchema } from '../records/record-schema.ts'
import { schemaProblems } from '../records/schema-problems.ts'
import { csvText } from './csv-text.ts'
import { leftOut } from './left-out.ts'
import { readTable } from './parts-csv.ts'

/** The logbook as CSV: one file a kind, one line an entry; lengths mm, distances m, pressures MPa, temperatures degC. */
export const LOG_FILES = {
  stopTests: 'stops',
  lockSightings: 'wheels that locked',
  wearReadings: 'wear',
  gaugeSessions: 'pressures',
  heatReadings: 'temperatures',
} as const
export type LogFile = keyof typeof LOG_FILES
type LogRow = StopTest | LockUpObservation | WearReading | GaugeSession | HeatReading

type LogColumnKind = 'text' | 'number' | 'yesNo' | 'pairs' | 'json' | 'list'
function kindOf(field: PlainField): LogColumnKind {
  if (field.type === 'number') return 'number'
  if (field.type === 'flag') return 'yesNo'
  if (field.type === 'list') return field.of.type === 'tuple' ? 'pairs' : 'list'
  return field.type === 'record' ? 'json' : 'text'
}
/** What a line holds: the fields of its record, but for the id. */
const columnsOf = (record: RecordDefinition): Readonly<Record<string, LogColumnKind>> =>
  Object.fromEntries(plainFields(record.fields).flatMap(([key, field]) => (key === 'id' ? [] : [[key, kindOf(field)] as const])))
function tableOf(file: LogFile): { columns: Readonly<Record<string, LogColumnKind>>; record: RecordDefinition; most: number } {
  const { of, most = Infinity } = projectRecord.fields[file]
  return { columns: columnsOf(of.record), record: of.record, most }
}

const BETWEEN = ' '
/** A pair stands as "4.2/3.1". */
const pairText = (pairs: unknown) => (Array.isArray(pairs) ? (pairs as [number, number][]).map((one) => one.join('/')).join(BETWEEN) : '')

export function writeLogCsv(project: Project, file: LogFile): string {
  const { columns } = tableOf(file)
  const cell = (value: unknown, kind: LogColumnKind): string | number => {
    if (value === undefined) return ''
    if (kind === 'pairs') return pairText(value)
    if (kind === 'json') return JSON.stringify(value)
    if (kind === 'list') return (value as string[]).join(BETWEEN)
    if (kind === 'yesNo') return value ? 'yes' : 'no'
    return kind === 'number' ? (value as number) : String(value as string)
  }
  const rows = (project[file] as unknown as Record<string, unknown>[]).map((one) =>
    Object.entries(columns).map(([name, kind]) => cell(one[name], kind)),
  )
  return csvText(Object.keys(columns), rows)
}

interface TakenEntries {
  entries: LogRow[]
  /** Lines left out, with the reason; line 1 holds the names of the columns. */
  rejected: { line: number; reasons: string[] }[]
  /** How many lines were left out in all. */
  rejectedCount: number
  /** Columns and cells of taken lines that are not read. */
  notRead: { line: number; reasons: string[] }[]
}
/** What is wrong with fifty lines says what is wrong with all. */
const MOST_REJECTED = 50

/**
 * Reads entries of one kind. Lines with anything wrong are left out with the reason; the others are taken.
 * @param idOf an id for each line
 */
export function readLogCsv(text: string, file: LogFile, idOf: (line: number) => string): TakenEntries {
  const { columns, record, most } = tableOf(file)
  const read = readTable(text, most)
  const refused = (reason: string): TakenEntries => ({
    entries: [],
    rejected: [{ line: 1, reasons: [reason] }],
    rejectedCount: 1,
    notRead: [],
  })
  if (!read.ok) return refused(read.message)
  const { header, rows } = read.table
  // a table may name a column as something that every object has
  const isRead = (name: string) => Object.hasOwn(columns, name)
  if (!header.includes('date')) return refused(`There is no column “date”. The columns are: ${Object.keys(columns).join(', ')}.`)
  const taken: TakenEntries = { entries: [], rejected: [], rejectedCount: 0, notRead: leftOut(header, rows, isRead) }
  rows.forEach((cells, i) => {
    const line = i + 2
    const reasons: string[] = []
    const one: Record<string, unknown> = { id: idOf(line) }
    header.forEach((name, at) => {
      const kind = isRead(name) ? columns[name] : undefined
      const cell = (cells[at] ?? '').trim()
      if (!kind || cell === '') return
      const value = valueOf(cell, kind)
      if (value === undefined) reasons.push(`${name}: “${cell.slice(0, 40)}” is no ${WORDS[kind]}`)
      else one[name] = value
    })
    if (reasons.length === 0)
      reasons.push(...schemaProblems(recordSchema(record), one).map((problem) => `${problem.path} ${problem.message}`.trim()))
    if (reasons.length === 0) taken.entries.push(one as unknown as LogRow)
    else {
      taken.rejectedCount += 1
      if (taken.rejected.length < MOST_REJECTED) taken.rejected.push({ line, reasons })
    }
  })
  return taken
}
const WORDS: Record<LogColumnKind, string> = {
  text: 'text',
  number: 'number',
  yesNo: 'yes or no',
  pairs: 'list of pairs such as 4.2/3.1',
  json: 'driving',
  list: 'list',
}

const numberOf = (text: string): number | undefined => {
  const value = Number(text.replace(',', '.'))
  return text !== '' && Number.isFinite(value) ? value : undefined
}
function valueOf(cell: string, kind: LogColumnKind): unknown {
  switch (kind) {
    case 'text':
      return cell
    case 'number':
      return numberOf(cell)
    case 'yesNo':
      return cell === 'yes' ? true : cell === 'no' ? false : undefined
    case 'list':
      return cell.split(BETWEEN)
    case 'json':
      try {
        return JSON.parse(cell) as unknown
      } catch {
        return undefined
      }
    case 'pairs': {
      const pairs = cell.split(/\s+/).map((one) => one.split('/').map(numberOf))
      return pairs.every((one) => one.length === 2 && one.every((number) => number !== undefined)) ? pairs : undefined
    }
  }
}
