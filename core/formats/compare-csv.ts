import type { CompareCell, Comparison } from '../decide/comparison.ts'
import { csvText } from './csv-text.ts'

const wordsOf = ({ text, range }: CompareCell): string => (range === undefined ? text : `${text}, ${range}`)

/** Options side by side as a table: a row for each criterion, a column for each setup and what it differs by. */
export function compareCsv({ columns, rows }: Comparison): string {
  const header = ['', ...columns.flatMap(({ name }, at) => (at === 0 ? [name] : [name, `against ${columns[0]!.name}`]))]
  return csvText(
    header,
    rows.map(({ label, cells }) => [
      label,
      ...cells.flatMap((cell, at) => (at === 0 ? [wordsOf(cell)] : [wordsOf(cell), cell.difference])),
    ]),
  )
}
