import { questionKey } from '../records/question.ts'
import type { Figure } from '../quantity/figure.ts'
import type { Dimension } from '../quantity/units.ts'
import type { Input, Missing, Place, ReportFigure } from './figure.ts'

interface WorkingQuestion {
  symbol?: string
  label: string
  dimension: Dimension
  at: Place
  /** How to get the figure when it is missing. */
  how?: string | undefined
}

/**
 * Collects what goes into a figure while it is read, so that "show the working" is a by-product and no second
 * computation. What is read and not there becomes a question.
 */
export class Working {
  readonly inputs: Input[] = []
  readonly missing: Missing[] = []
  readonly notes: string[] = []

  /** A figure someone entered; its absence is a question. */
  read(figure: Figure | undefined, { symbol = '', label, dimension, at, how }: WorkingQuestion): number | undefined {
    const input: Input = { symbol, label, dimension, at, value: figure?.value }
    this.inputs.push(input)
    if (!figure) {
      this.ask(label, at, how)
      return undefined
    }
    input.origin = figure.origin
    if (figure.u !== undefined) input.u = figure.u
    if (figure.date !== undefined) input.date = figure.date
    if (figure.madeOf !== undefined) input.madeOf = figure.madeOf
    return figure.value
  }

  /** A figure with a default: used when nobody entered one, and marked as assumed. */
  readOr(figure: Figure | undefined, fallback: number, asked: WorkingQuestion): number {
    if (figure) return this.read(figure, asked)!
    return this.assume(fallback, asked)
  }

  assume(value: number, { symbol = '', label, dimension, at }: WorkingQuestion): number {
    this.inputs.push({ symbol, label, dimension, at, value, origin: 'estimated', assumed: true })
    return value
  }

  /** A number that is chosen or computed, not measured: a setting, a preference, a step on the way. */
  set(value: number, { symbol = '', label, dimension, at }: WorkingQuestion): number {
    this.inputs.push({ symbol, label, dimension, at, value })
    return value
  }

  /** Another figure of the report, with its doubt and its bound; what it misses, this one misses. */
  carry(figure: ReportFigure, symbol = ''): number | undefined {
    const input: Input = {
      symbol,
      label: figure.label,
      value: figure.value,
      dimension: figure.dimension === 'money' ? 'number' : figure.dimension,
      at: { kind: 'figure', figureId: figure.id },
    }
    if (figure.u !== undefined) input.u = figure.u
    if (figure.atLeast) input.atLeast = true
    if (figure.atMost) input.atMost = true
    this.inputs.push(input)
    this.askAll(figure.missing)
    return figure.value
  }

  /** What another figure or a common reading is made of, made part of this one. */
  include({ inputs, missing }: Pick<ReportFigure, 'inputs' | 'missing'>): void {
    this.inputs.push(...inputs)
    this.askAll(missing)
  }

  ask(what: string, at: Place, how?: string): void {
    this.askOnce({ what, at, ...(how === undefined ? {} : { how }) })
  }

  askAll(missing: readonly Missing[]): void {
    for (const question of missing) this.askOnce(question)
  }

  private askOnce(question: Missing): void {
    const key = questionKey(question)
    if (!this.missing.some((known) => questionKey(known) === key)) this.missing.push(question)
  }
}

/**
 * Five significant digits, no more than needed.
 *
 * @example
 * plainNumber(0.123456) // => '0.12346'
 */
export const plainNumber = (value: number): string => String(Number(value.toPrecision(5))).replace('-', '\u2212')

/**
 * The right side of a formula with its symbols replaced by numbers; undefined when it names none of
 * the inputs, because a formula in words has nothing to fill.
 *
 * @example
 * fill('d_new = d_old · 2', [{ symbol: 'd_old', label: 'Bore', value: 20, dimension: 'length', at: { kind: 'car', field: 'x' } }])
 * // => '20 · 2'
 */
export function fill(text: string, inputs: readonly Input[]): string | undefined {
  let hits = 0
  const filled = piecesOf(text).map((piece) => {
    const input = piece.word ? inputs.find((one) => one.symbol === piece.text) : undefined
    if (input?.value === undefined) return piece.text
    hits += 1
    return plainNumber(input.value)
  })
  return hits > 0 ? filled.join('') : undefined
}

/** A figure's right side with the numbers put in, in the core's units: filled when somebody reads it. */
export const filledOf = ({ value, filled, method, inputs }: ReportFigure): string | undefined =>
  value === undefined ? undefined : (filled ?? (method.inWords ? undefined : fill(method.text, inputs)))

interface FormulaPiece {
  text: string
  /** It may be a symbol. */
  word: boolean
}
/** Formulas are few: each is cut once. */
const cut = new Map<string, readonly FormulaPiece[]>()
function piecesOf(text: string): readonly FormulaPiece[] {
  const known = cut.get(text)
  if (known) return known
  const right = text.includes(' = ') ? text.slice(text.indexOf(' = ') + 3) : text
  const pieces = right
    .split(/([\p{L}][\p{L}\d_]*)/u)
    .map((piece, i) => ({ text: piece, word: i % 2 === 1 }))
    .filter((piece) => piece.text !== '')
  cut.set(text, pieces)
  return pieces
}
