/**
 * What of a table belongs to no column that is read, each named: columns of another name, and cells beyond the last column.
 *
 * @example
 * leftOut(['date', 'colour'], [['2026-10-01', 'red', 'x']], (name) => name === 'date') // => [{ line: 1, reasons: ['the column “colour” is not read'] }, { line: 2, reasons: ['1 cell beyond the last column is not read: x'] }]
 */
export function leftOut(
  header: readonly string[],
  rows: readonly (readonly string[])[],
  isRead: (name: string) => boolean,
): { line: number; reasons: string[] }[] {
  const unknown = header.filter((name) => name !== '' && !isRead(name)).map((name) => `the column “${name.slice(0, 60)}” is not read`)
  const beyond = rows.flatMap((row, i) => {
    const extra = row.slice(header.length).filter((cell) => cell !== '')
    const words = `${extra.length} ${extra.length === 1 ? 'cell' : 'cells'} beyond the last column ${extra.length === 1 ? 'is' : 'are'} not read: ${extra.join(', ').slice(0, 80)}`
    return extra.length === 0 ? [] : [{ line: i + 2, reasons: [words] }]
  })
  return [...(unknown.length > 0 ? [{ line: 1, reasons: unknown }] : []), ...beyond]
}
