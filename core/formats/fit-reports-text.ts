import type { FitReport } from '../records/fit-report.ts'
import { sizeProblem } from '../records/size-limits.ts'
import { fitReportRecord } from '../records/fit-report.ts'
import { projectRecord } from '../records/project.ts'
import { mostOf } from '../records/record.ts'
import { recordSchema } from '../records/record-schema.ts'
import { schemaProblems } from '../records/schema-problems.ts'
import { csvText } from './csv-text.ts'
import { leftOut } from './left-out.ts'
import { MAX_TABLE_BYTES, readTable } from './parts-csv.ts'

/** Fit reports travel as JSON Lines, one report a line, or as CSV with one column a field. Lengths in mm. */

export interface TakenReports {
  reports: FitReport[]
  /** Lines that were left out, with the reason; line 1 is the first of the file. At most MOST_REJECTED of them. */
  rejected: { line: number; reasons: string[] }[]
  /** How many lines were left out in all. */
  rejectedCount: number
  /** Columns and cells of a table that are not read. */
  notRead: { line: number; reasons: string[] }[]
}

/** What is wrong with a hundred lines says what is wrong with all. */
const MOST_REJECTED = 100
/** As many as a project keeps. */
const MOST_LINES = mostOf(projectRecord, 'fitReports')
/** What every report says. */
const NEEDED = ['car', 'axle', 'caliper', 'wheel', 'outcome'] as const

const COLUMNS = [
  'car',
  'axle',
  'caliper',
  'rotor',
  'wheel',
  'spacerMm',
  'outcome',
  'gapMm',
  'gapUMm',
  'origin',
  'by',
  'date',
  'note',
] as const

/** An id is this project's affair: it does not travel. */
export const writeReportsJsonl = (reports: readonly FitReport[]): string =>
  reports.map(({ id: _id, ...rest }) => `${JSON.stringify(rest)}\n`).join('')

export function writeReportsCsv(reports: readonly FitReport[]): string {
  const rows = reports.map((one) => [
    one.car,
    one.axle,
    one.caliper,
    one.rotor ?? '',
    one.wheel,
    one.spacerMm ?? '',
    one.outcome,
    one.gapMm?.value ?? '',
    one.gapMm?.u ?? '',
    one.gapMm?.origin ?? '',
    one.by ?? '',
    one.date ?? '',
    one.note ?? '',
  ])
  return csvText(COLUMNS, rows)
}

/**
 * Reads reports from JSON Lines or CSV, whichever it is. Lines with anything wrong are left out with the reason; the
 * others are taken.
 * @param idOf an id for each line
 */
export function readReports(text: string, idOf: (line: number) => string): TakenReports {
  const taken: TakenReports = { reports: [], rejected: [], rejectedCount: 0, notRead: [] }
  const reject = (line: number, reasons: string[]) => {
    taken.rejectedCount += 1
    if (taken.rejected.length < MOST_REJECTED) taken.rejected.push({ line, reasons })
  }
  const refused = (reason: string): TakenReports => ({
    reports: [],
    rejected: [{ line: 1, reasons: [reason] }],
    rejectedCount: 1,
    notRead: [],
  })
  const clean = text.replace(/^\uFEFF/, '')
  if (clean.length > MAX_TABLE_BYTES) return refused(`the file is larger than ${MAX_TABLE_BYTES / 1e6} MB`)
  const take = (line: number, value: Record<string, unknown>) => {
    // once enough is listed nobody reads why the next one is wrong: what it lacks is enough
    const lacks = NEEDED.filter((name) => typeof value[name] !== 'string')
    if (lacks.length > 0 && taken.rejected.length >= MOST_REJECTED) return reject(line, [])
    const report = { ...value, id: idOf(line) }
    const bulk = sizeProblem(report)
    const problems = bulk ? [bulk] : schemaProblems(recordSchema(fitReportRecord), report)
    if (problems.length > 0)
      reject(
        line,
        problems.map((one) => `${one.path ? `${one.path} ` : ''}${one.message}`),
      )
    else taken.reports.push(report as unknown as FitReport)
  }
  if (clean.trimStart().startsWith('{')) {
    const lines = clean.split(/\r?\n/)
    if (lines.length > MOST_LINES) return refused(`it has ${lines.length} lines; at most ${MOST_LINES} are read. Bring it in pieces`)
    lines.forEach((one, index) => {
      if (one.trim() === '') return
      try {
        const value: unknown = JSON.parse(one)
        if (typeof value === 'object' && value !== null && !Array.isArray(value)) take(index + 1, value as Record<string, unknown>)
        else reject(index + 1, ['it is not one JSON object'])
      } catch {
        reject(index + 1, ['it is not JSON'])
      }
    })
    return taken
  }
  const read = readTable(clean, MOST_LINES)
  if (!read.ok) return refused(read.message)
  const bare = (name: string) => name.toLowerCase().replace(/[^a-z]/g, '')
  const known = new Set(COLUMNS.map(bare))
  taken.notRead = leftOut(read.table.header, read.table.rows, (name) => known.has(bare(name)))
  const at = new Map(read.table.header.map((name, index) => [bare(name), index]))
  const lacking = NEEDED.filter((name) => !at.has(name))
  if (lacking.length > 0) return refused(`the first row lacks the columns ${lacking.join(', ')}`)
  read.table.rows.forEach((row, index) => {
    const cell = (name: string): string => row[at.get(name.toLowerCase()) ?? -1]?.trim() ?? ''
    const value: Record<string, unknown> = {}
    for (const name of ['car', 'axle', 'caliper', 'rotor', 'wheel', 'outcome', 'by', 'date', 'note'])
      if (cell(name) !== '') value[name] = cell(name)
    const number = (text: string) => Number(text.replace(',', '.'))
    if (cell('spacerMm') !== '') value.spacerMm = number(cell('spacerMm'))
    if (cell('gapMm') !== '')
      value.gapMm = {
        value: number(cell('gapMm')),
        ...(cell('gapUMm') === '' ? {} : { u: number(cell('gapUMm')) }),
        origin: cell('origin') || 'reported',
      }
    take(index + 2, value)
  })
  return taken
}

/** Reports that say what none of those at hand says already. */
export function newReports(found: readonly FitReport[], known: readonly FitReport[]): FitReport[] {
  const said = new Set(known.map(sayingOf))
  return found.filter((one) => {
    const saying = sayingOf(one)
    if (said.has(saying)) return false
    said.add(saying)
    return true
  })
}
const sayingOf = (one: FitReport): string =>
  JSON.stringify(
    [one.car, one.axle, one.caliper, one.wheel, one.spacerMm, one.outcome, one.gapMm?.value, one.by, one.date].map((cell) => cell ?? null),
  )
