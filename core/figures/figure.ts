import type { EntryPlace, Question } from '../records/question.ts'
import type { MadeOf, Origin } from '../quantity/figure.ts'
import type { Dimension } from '../quantity/units.ts'
import type { FigureId } from './figure-ids.ts'

/** Where a figure is entered, or the figure of the report that it is. */
export type Place = EntryPlace | { kind: 'figure'; figureId: FigureId }

/** One number that went into a figure. */
export interface Input {
  /** As in the formula; empty for what the formula does not name. */
  symbol: string
  label: string
  /** Undefined: nobody has entered it. */
  value: number | undefined
  dimension: Dimension
  u?: number
  origin?: Origin
  date?: string
  /** What it was worked out from. */
  madeOf?: MadeOf
  /** A default that stands in for a figure nobody entered. */
  assumed?: boolean
  /** It is this or more: figures it is made of are bounds. */
  atLeast?: boolean
  /** It is this or less. */
  atMost?: boolean
  at: Place
}

/** A question that keeps a figure unknown. */
export type Missing = Question<Place>

/** How a figure comes about: its name, how it is written, where it is taken from. Symbols are those of the inputs. */
export interface Formula {
  id: string
  name: string
  text: string
  source: string
  /** No line of symbols can say it, so no numbers are put in. */
  inWords?: true
}

/** A figure as it is handed out: nobody changes it any more. */
export interface ReportFigure {
  id: FigureId
  label: string
  dimension: Dimension | 'money'
  /** In the core's unit (money: minor units); undefined is unknown, and `missing` says why. */
  value: number | undefined
  u?: number
  /** The true value is this or more: a part of the sum is unknown. */
  atLeast?: boolean
  /** The true value is this or less: a place that may be nearer is unknown. */
  atMost?: boolean
  /** Which formula it is, by name; `method` says it. */
  formula: string
  method: Formula
  /** A quick check or what a spacer adds: a blank project does not ask for it. */
  optional?: boolean
  /** The formula's right side with the numbers put in, where its symbols do not do; `filledOf` says it of every figure. */
  filled?: string
  inputs: readonly Input[]
  missing: readonly Missing[]
  notes: readonly string[]
}
