import Papa from 'papaparse'

/** A spreadsheet takes a text that starts like this for a formula, after blanks and lines too, and counts it. */
const FORMULA = /^(?:[\t\r]|\s*'*[=+\-@])/
/** The same behind what another spreadsheet takes for the end of a cell. */
const FORMULA_WITHIN = /([;,|\t\r\n])([ \u00a0]*)('*)(?=[=+\-@])/g
/** A figure is none, whatever its sign. */
const FIGURE = /^[+-]?(\d+([.,]\d*)?|[.,]\d+)(e[+-]?\d+)?$/i

function guard(text: string): string {
  const within = text.replaceAll(FORMULA_WITHIN, (all, before: string, blanks: string, quotes: string, at: number) =>
    FIGURE.test(pieceAt(text, at + before.length)) ? all : `${before}${blanks}'${quotes}`,
  )
  return FORMULA.test(within) && !FIGURE.test(within.trim()) ? `'${within}` : within
}
export function unguard(text: string): string {
  const bare = text.startsWith("'") && FORMULA.test(text.slice(1)) ? text.slice(1) : text
  return bare.replaceAll(FORMULA_WITHIN, (all, before: string, blanks: string, quotes: string) =>
    quotes === '' ? all : `${before}${blanks}${quotes.slice(1)}`,
  )
}
/** What another spreadsheet would take for the cell that begins here. */
const pieceAt = (text: string, at: number): string => /^[^;|\t\r\n]*/.exec(text.slice(at))![0].trim()

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
