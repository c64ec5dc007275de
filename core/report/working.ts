import { questionKey } from '../model/question.ts'
import type { Figure } from '../quantity/figure.ts'
import type { Dimension } from '../quantity/units.ts'
import { FORMULAS, type FormulaId } from './formulas.ts'
import type { FigureId, Input, Missing, Place, ReportFigure } from './types.ts'

interface Asked {
  symbol?: string
  label: string
  dimension: Dimension
  at: Place
  /** How to get the figure when it is missing. */
  how?: string
}

/**
 * Collects what goes into one figure while it is computed, so that "show the working" is a by-product
 * and no second computation. What is read and not there becomes a question.
 */
export class Working {
  readonly inputs: Input[] = []
  readonly missing: Missing[] = []
  readonly notes: string[] = []
  atLeast = false

  /** A figure someone entered; its absence is a question. */
  read(figure: Figure | undefined, { symbol = '', label, dimension, at, how }: Asked): number | undefined {
    this.inputs.push({
      symbol,
      label,
      dimension,
      at,
      value: figure?.value,
      ...(figure?.u === undefined ? {} : { u: figure.u }),
      ...(figure ? { origin: figure.origin } : {}),
      ...(figure?.date === undefined ? {} : { date: figure.date }),
    })
    if (!figure) this.ask(label, at, how)
    return figure?.value
  }

  /** A figure with a default: used when nobody entered one, and marked as assumed. */
  readOr(figure: Figure | undefined, fallback: number, asked: Asked): number {
    if (figure) return this.read(figure, asked)!
    this.assume(fallback, asked)
    return fallback
  }

  assume(value: number, { symbol = '', label, dimension, at }: Asked): void {
    this.inputs.push({ symbol, label, dimension, at, value, origin: 'estimated', assumed: true })
  }

  /** A number that is chosen, not measured: a setting or a preference. */
  set(value: number, { symbol = '', label, dimension, at }: Asked): number {
    this.inputs.push({ symbol, label, dimension, at, value })
    return value
  }

  /** Another figure of the report; what it misses, this one misses. */
  carry(figure: ReportFigure, symbol = ''): number | undefined {
    this.inputs.push({
      symbol,
      label: figure.label,
      value: figure.value,
      dimension: figure.dimension === 'money' ? 'number' : figure.dimension,
      at: { kind: 'figure', figureId: figure.id },
    })
    for (const one of figure.missing) this.askOnce(one)
    return figure.value
  }

  ask(what: string, at: Place, how?: string): void {
    this.askOnce({ what, at, ...(how === undefined ? {} : { how }) })
  }

  askAll(missing: readonly Missing[]): void {
    for (const one of missing) this.askOnce(one)
  }

  private askOnce(one: Missing): void {
    const key = questionKey(one)
    if (!this.missing.some((known) => questionKey(known) === key)) this.missing.push(one)
  }

  /** The finished figure. */
  figure(
    id: FigureId,
    label: string,
    dimension: ReportFigure['dimension'],
    formula: FormulaId,
    value: number | undefined,
    more: { u?: number; filled?: string } = {},
  ): ReportFigure {
    const { text, ...marks } = FORMULAS[formula]
    const filled = more.filled ?? (value === undefined || 'inWords' in marks ? undefined : fill(text, this.inputs))
    return {
      id,
      label,
      dimension,
      formula,
      value: value !== undefined && Number.isFinite(value) ? value : undefined,
      ...(more.u === undefined ? {} : { u: more.u }),
      ...(this.atLeast ? { atLeast: true } : {}),
      ...(filled === undefined ? {} : { filled }),
      inputs: this.inputs,
      missing: this.missing,
      notes: this.notes,
    }
  }
}

/** Five significant digits, no more than needed. */
export const plainNumber = (value: number): string => String(Number(value.toPrecision(5))).replace('-', '\u2212')

/**
 * The right side of a formula with its symbols replaced by numbers; undefined when it names none of
 * the inputs, because a formula in words has nothing to fill.
 */
export function fill(text: string, inputs: readonly Input[]): string | undefined {
  const right = text.includes(' = ') ? text.slice(text.indexOf(' = ') + 3) : text
  let hits = 0
  const filled = right.replace(/[\p{L}][\p{L}\d_]*/gu, (word) => {
    const input = inputs.find((one) => one.symbol === word)
    if (input?.value === undefined) return word
    hits += 1
    return plainNumber(input.value)
  })
  return hits > 0 ? filled : undefined
}
