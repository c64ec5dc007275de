import type { NamedOutline, PointReadings, WheelProfile, WheelTag } from '#core/records/field.ts'
import { formatQuantity } from '#core/quantity/format.ts'
import type { InstrumentId } from '#core/quantity/instrument.ts'
import { parseReadings } from '#core/quantity/parse.ts'
import type { UnitChoice } from '#core/quantity/units.ts'

/** Points as rows of a table: text that may still be half typed, and what it means once it is whole. */

export interface PointRow {
  z: string
  r: string
  tag: WheelTag
  /** Readings belong to this point; false for one that came without. */
  read: boolean
}
export interface PointLine {
  name: string
  rows: PointRow[]
  /** Which of the kept outlines it was made from: what those know of their points stays with them. */
  from?: number
}

const bare = (value: number, units: UnitChoice): string =>
  formatQuantity(value, 'length', units, { bare: true, decimals: units.length === 'mm' ? 3 : 5 })
    .replace('\u2212', '-')
    .replace(/\u202f/g, '')
    .replace(/(\.\d*?)0+$/, '$1')
    .replace(/\.$/, '')
const join = (values: readonly number[], units: UnitChoice) => values.map((value) => bare(value, units)).join('; ')

export const emptyRow = (tag: WheelTag = 'barrel'): PointRow => ({ z: '', r: '', tag, read: true })

/** Rows of kept outlines, or of a profile as one line. */
export function rowsOf(value: readonly NamedOutline[] | WheelProfile | undefined, units: UnitChoice): PointLine[] {
  if (!value) return []
  const lines: { name: string; points: [number, number][]; readings?: PointReadings[]; tags?: WheelTag[] }[] = Array.isArray(value)
    ? [...(value as NamedOutline[])]
    : [{ name: 'profile', ...(value as WheelProfile) }]
  return lines.map(({ name, points, readings, tags }, from) => ({
    name,
    from,
    rows: points.map(([z, r], i) => {
      const kept = readings?.[i]
      return {
        z: kept ? join(kept[0], units) : bare(z, units),
        r: kept ? join(kept[1], units) : bare(r, units),
        tag: tags?.[i] ?? tags?.[i - 1] ?? 'barrel',
        read: kept !== undefined,
      }
    }),
  }))
}

interface RowProblem {
  line: number
  row: number
  cell: 'z' | 'r'
  message: string
}
export interface Taken {
  points: [number, number][]
  readings?: PointReadings[]
  instrument?: InstrumentId
}

const mean = (values: readonly number[]) => Math.round((values.reduce((sum, one) => sum + one, 0) / values.length) * 1e6) / 1e6

/** Means and readings of the rows of one line; blank rows are left out, half-filled ones are problems. */
export function takeRows(
  rows: readonly PointRow[],
  line: number,
  units: UnitChoice,
  instrument: InstrumentId,
): { taken: Taken; problems: RowProblem[] } {
  const problems: RowProblem[] = []
  const points: [number, number][] = []
  const readings: PointReadings[] = []
  let allRead = true
  rows.forEach((row, at) => {
    if (row.z.trim() === '' && row.r.trim() === '') return
    const pair = (['z', 'r'] as const).map((cell) => {
      const parsed = parseReadings(row[cell], units)
      if (!parsed.ok || parsed.values.length === 0) {
        problems.push({
          line,
          row: at,
          cell,
          message: parsed.ok ? `Point ${at + 1} needs ${cell} too.` : `Point ${at + 1}, ${cell}: ${parsed.message}`,
        })
        return [0]
      }
      if (parsed.values.some((value) => Math.abs(value) > 1000))
        problems.push({ line, row: at, cell, message: `Point ${at + 1}, ${cell}: beyond 1000 mm.` })
      if (cell === 'r' && parsed.values.some((value) => value < 0))
        problems.push({ line, row: at, cell, message: `Point ${at + 1}, r: a radius is never negative.` })
      return parsed.values
    })
    points.push([mean(pair[0]!), mean(pair[1]!)])
    readings.push([pair[0]!, pair[1]!])
    allRead &&= row.read
  })
  return { taken: { points, ...(allRead && points.length > 0 ? { readings, instrument } : {}) }, problems }
}
