import type { Verdict } from '../figures/verdict.ts'
import type { FigureId } from '../figures/figure-ids.ts'
import { upToEnough } from './criteria.ts'

/** A setup's word on one criterion. */
export interface CompareCell {
  text: string
  /** Its range, where it has one: "90% range EUR 296–357". */
  range?: string
  /** In the core's unit; undefined: no number, or not known. */
  value: number | undefined
  u: number | undefined
  /** It is at least or at most this: no side of a comparison. */
  bound: boolean
  verdict?: Verdict
  /** Against the reference, by more than the doubt; undefined: there is nothing to hold against each other. */
  against: 'better' | 'worse' | 'same' | undefined
  /** With its sign; empty on the reference itself. */
  difference: string
  /** At least as good as is needed: more would be no better. */
  isEnough: boolean
  figureId?: FigureId
}
export interface ComparisonRow {
  id: string
  label: string
  better: 'low' | 'high' | undefined
  /** Differences up to here are none, in the core's unit. */
  tolerance: number
  /** From here on more is no better, in the core's unit; undefined: it always is. */
  enough: number | undefined
  /** Everybody says the same. */
  alike: boolean
  /** One for each column. */
  cells: CompareCell[]
}
export interface CompareColumn {
  setupId: string
  name: string
  isStock: boolean
  verdict: Verdict
  /** Others that are nowhere worse and somewhere better, by more than the doubt. */
  beatenBy: string[]
}
export interface Comparison {
  columns: CompareColumn[]
  rows: ComparisonRow[]
  /** The answer in one line. */
  headline: string
  /** What the choice is between, beyond the headline. */
  detail: string
  /** Both together. */
  sentence: string
}

/** One cell against another: the doubt of both together, or the tie where that is larger. */
export function heldAgainst(
  { better, tolerance, enough }: Pick<ComparisonRow, 'better' | 'tolerance' | 'enough'>,
  a: Pick<CompareCell, 'value' | 'u' | 'bound'>,
  b: Pick<CompareCell, 'value' | 'u' | 'bound'>,
): CompareCell['against'] {
  if (!better || a.value === undefined || b.value === undefined || a.bound || b.bound) return undefined
  const [x, y] = [upToEnough(a.value, better, enough), upToEnough(b.value, better, enough)]
  const ahead = better === 'low' ? y - x : x - y
  const room = Math.max(tolerance, Math.hypot(a.u ?? 0, b.u ?? 0))
  return ahead > room ? 'better' : ahead < -room ? 'worse' : 'same'
}

/** Whether a cell is at least as good as is needed; what is only a bound is not. */
export function isEnough(
  { better, enough }: Pick<ComparisonRow, 'better' | 'enough'>,
  { value, bound }: Pick<CompareCell, 'value' | 'bound'>,
): boolean {
  if (better === undefined || enough === undefined || value === undefined || bound) return false
  return better === 'high' ? value >= enough : value <= enough
}
