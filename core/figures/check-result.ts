import type { Axle } from '../quantity/axle.ts'
import type { HydraulicSlot } from '../records/setup.ts'
import type { Question } from '../records/question.ts'
import type { FigureId } from './figure-ids.ts'
import type { Place } from './figure.ts'
import type { After, Verdict } from './verdict.ts'

/** What any check of a setup says: its verdict in a sentence, and what would have to be known for a better one. */
export interface CheckResult<Rule extends string = string, P = Place> {
  rule: Rule
  /** Absent: it concerns the whole car. */
  axle?: Axle
  verdict: Verdict
  sentence: string
  missing: readonly Question<P>[]
}

/** A check of a figure against its limit; core/fit checks interfaces between parts. */
export interface FigureCheck extends CheckResult<'wheel-clearance' | 'master-stroke' | 'abs' | 'lock-order' | 'pedal-effort'> {
  figureId: FigureId
  remedy?: { after?: After } & (
    { kind: 'spacer'; thicknessMm: number; sentence: string } | { kind: 'hydraulic'; slot: HydraulicSlot; partId: string; sentence: string }
  )
}
