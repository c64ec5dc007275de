import Papa from 'papaparse'

/** A spreadsheet takes a text that starts like this for a formula, and counts it. */
const FORMULA = /^[=+\-@\t\r]/
/** A figure is none, whatever its sign. */
const FIGURE = /^[+-]?(\d+([.,]\d*)?|[.,]\d+)(e[+-]?\d+)?$/i

/**
 * @example
 * guard('=1+1') // => "'=1+1"
 */
export const guard = (text: string): string => (FORMULA.test(text) && !FIGURE.test(text) ? `'${text}` : text)
export const unguard = (text: string): string => (text.startsWith("'") && FORMULA.test(text.slice(1)) ? text.slice(1) : text)

/**
 * The one writer of every CSV that leaves: quoted where needed, and no text of anybody's becomes a formula in a spreadsheet.
 * @param delimiter a semicolon where decimal commas may stand in the cells
 *
 * @example
 * csvText(['part', 'mm'], [['rotor', 256]]).split(String.fromCharCode(10)) // => ['part,mm', 'rotor,256', '']
 */
export function csvText(header: readonly string[], rows: readonly (readonly (string | number)[])[], delimiter: ',' | ';' = ','): string {
  const safe = (row: readonly (string | number)[]) => row.map((cell) => (typeof cell === 'string' ? guard(cell) : cell))
  return `${Papa.unparse([safe(header), ...rows.map(safe)], { newline: '\n', delimiter })}\n`
}
