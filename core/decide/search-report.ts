import type { Criterion, CriterionValues } from './maths/pareto.ts'
import type { Axle } from '../quantity/axle.ts'
import { VERDICT_RANK } from '../figures/words.ts'
import type { Ruled } from './rejections.ts'
import type { Weighed } from './figures-of.ts'
import { CRITERIA, upToEnough, type Enough } from './criteria.ts'
import type { SlotId, SearchQuery } from './search-space.ts'

/** One combination that a search found. */
export interface SearchResult {
  /** Parts by place, only those that differ from the setup that was searched from; null: nothing. */
  parts: Partial<Record<SlotId, string | null>>
  /** Kits and donors that are bought whole. */
  kits: readonly string[]
  /** Front share that the bar of two cylinders is set to, where the search sets it. */
  barFrontShare?: number
  values: Weighed
  pedalN: number | undefined
  frontShare: number | undefined
  /** Whether something needs a piece, or is left open, or to be seen on the car. */
  verdict: Ruled['verdict']
}
/** One that fails one thing by little. */
export interface NearMiss extends SearchResult {
  fails: string
}
export interface Rejection {
  rule: string
  title: string
  /** Combinations of one axle, or of both with the hydraulics, that ended there. */
  count: number
}
export interface SearchCounts {
  /** All there are, whether they go together or not. */
  combinations: number
  /** Brakes of each axle that go together. */
  axles: Record<Axle, number>
  /** Whole combinations whose brakes go together at each axle, under one wheel where that is searched for. */
  together: number
  /** Of those, looked at with pedal, balance and everything else. */
  looked: number
  found: number
}
export interface SearchProgress {
  /** 0 to 1. */
  done: number
  best: SearchResult | undefined
}
export interface SearchReport {
  ask: SearchQuery
  counts: SearchCounts
  /** What nothing beats, by the first criterion, at most `MOST_FINDS`. */
  finds: SearchResult[]
  /** As many more that nothing beats. */
  more: number
  dropped: Rejection[]
  /** Bought with every result but the unchanged car, minor units with tax; those without a price are in no cost. */
  consumables: { labels: string[]; minor: number; unpriced: number }
  near: NearMiss[]
}
export const criteriaOf = ({ by }: SearchQuery): Criterion[] => by.map((id) => CRITERIA[id])
/** What a result counts by each criterion of the query: at most as good as enough. */
export const valuesOf = ({ by }: SearchQuery, values: Weighed, enough: Enough): CriterionValues =>
  by.map((id) => {
    const value = values[id]
    return value === undefined ? undefined : upToEnough(value, CRITERIA[id].better, enough[id])
  })

/**
 * Of those that weigh exactly the same, none that another with fewer changes and no worse verdict stands for: a part that does
 * nothing is no choice.
 */
export function fewestChanges(ask: SearchQuery, finds: readonly SearchResult[], enough: Enough): SearchResult[] {
  const alike = new Map<string, SearchResult[]>()
  // the same weight reached by another sum differs in its last digits
  const keyOf = ({ values }: SearchResult) =>
    valuesOf(ask, values, enough)
      .map((one) => one?.toFixed(9))
      .join()
  for (const one of finds) alike.set(keyOf(one), [...(alike.get(keyOf(one)) ?? []), one])
  const changes = ({ parts }: SearchResult) => Object.keys(parts).length
  const standsFor = (a: SearchResult, b: SearchResult) => changes(a) < changes(b) && VERDICT_RANK[a.verdict] <= VERDICT_RANK[b.verdict]
  return finds.filter((one) => !alike.get(keyOf(one))!.some((other) => standsFor(other, one)))
}
