import { join } from './maths/join.ts'
import type { Axle } from '../quantity/axle.ts'
import type { Part } from '../records/part.ts'
import { gapAsItIs } from '../clearance/corner.ts'
import { VERDICT_RANK } from '../figures/words.ts'
import type { DependencyMemo } from './dependency-memo.ts'
import { AXLE_RULES, rejects, ruledBy, type Ruled } from './rejections.ts'
import { AXLE_ORDER, type Assignment, type SlotId, type SearchQuery } from './search-space.ts'

/** A rule that is remembered by what it reads; undefined while something of that stands in no place yet. */
export interface WatchedRule {
  id: string
  of: (filling: Assignment) => { value: Ruled } | undefined
}
export type GapOf = (filling: Assignment) => { value: ReturnType<typeof gapAsItIs> } | undefined

export const gapOf = (readings: DependencyMemo, axle: Axle): GapOf => readings.remember((context) => gapAsItIs(context, axle))

/** Every rule of an axle, the wheel's clearance last: it is the dearest. */
export function rulesOf(readings: DependencyMemo, axle: Axle, gap: GapOf, { musts }: SearchQuery): WatchedRule[] {
  const clearance: WatchedRule = {
    id: 'wheel-clearance',
    of: (filling) => {
      const found = gap(filling)
      return found && { value: { verdict: found.value.verdict, piece: false } }
    },
  }
  return [
    ...AXLE_RULES.map((rule) => ({ id: rule.id, of: readings.remember((_, facts) => ruledBy(rule, facts[axle], !musts.noPieces)) })),
    clearance,
  ]
}

interface AxleWalk<S> {
  axle: Axle
  options: Readonly<Record<SlotId, readonly (Part | null | undefined)[]>>
  rules: WatchedRule[]
  ask: SearchQuery
  /** Whether all rules are asked at each part, or none after the first that lets it not through. */
  all: boolean
  start: S
  /** What becomes of a state with another part chosen; undefined: it is followed no further. */
  step: (
    state: S,
    found: { dropped: readonly string[]; verdict: Ruled['verdict']; part: Part | null | undefined },
    depth: number,
  ) => S | undefined
  /** Each whole brake; the filling is used again for the next. */
  each: (filling: Assignment, state: S) => void
}

/** The slots of an axle as they are filled, with how many combinations there are in each. */
export const slotsOf = (axle: Axle, options: AxleWalk<unknown>['options']) =>
  AXLE_ORDER.map((slot) => ({ name: `${axle}.${slot}` as SlotId, options: options[`${axle}.${slot}`] }))

/** Brakes of one axle part by part: each rule is asked once, as soon as all it reads is chosen. */
export function walkAxle<S>({ axle, options, rules, ask, all, start, step, each }: AxleWalk<S>): void {
  const slots = slotsOf(axle, options)
  const filling: Assignment = {}
  /** At each depth what no shallower one has decided, and the state so far. */
  const open: WatchedRule[][] = [rules]
  const states: S[] = [start]
  join<Part | null | undefined>(slots, {
    goes: (chosen) => {
      const depth = chosen.length - 1
      for (let i = depth; i < slots.length; i += 1) Reflect.deleteProperty(filling, slots[i]!.name)
      filling[slots[depth]!.name] = chosen[depth]
      const left: WatchedRule[] = []
      const dropped: string[] = []
      let verdict: Ruled['verdict'] = 'fits'
      for (const rule of open[depth]!) {
        const found = rule.of(filling)
        if (!found) left.push(rule)
        else if (rejects(found.value, rule.id, ask)) {
          dropped.push(rule.id)
          if (!all) break
        } else if (VERDICT_RANK[found.value.verdict] > VERDICT_RANK[verdict]) verdict = found.value.verdict
      }
      const next = step(states[depth]!, { dropped, verdict, part: chosen[depth] }, depth)
      if (next === undefined) return false
      open[depth + 1] = left
      states[depth + 1] = next
      return true
    },
    each: () => each(filling, states[slots.length]!),
  })
}
