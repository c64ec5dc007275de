import type { Facts } from '../fit/rule-inputs.ts'
import { visualChecksOn } from '../fit/visual-checks.ts'
import { AXLE_SLOTS, type AxleSlot, type Setup } from '../records/setup.ts'
import type { Axle } from '../quantity/axle.ts'
import type { Part } from '../records/part.ts'
import type { ResolvedAxle, ResolvedSetup } from '../records/resolve.ts'
import type { Context } from '../figures/read.ts'
import { HYDRAULIC_NAMES, setupOf, type Assignment, type SlotId, type SearchSpace } from './search-space.ts'

/** Thrown where something is read that stands in no place yet. */
const NOT_YET = Symbol('not yet')

/**
 * A setup whose places note that they are read. What is computed from it depends on those places and on no others: so it
 * holds for every combination that has the same parts there, and need not wait for the rest.
 */
class Reading {
  filling: Assignment = {}
  readonly log: SlotId[] = []
  readonly context: Context
  readonly facts: Record<Axle, Facts>

  constructor(space: SearchSpace) {
    const { project, stockParts } = space
    const setup: Setup = { ...setupOf(space, {}, 'search', 'Search'), extras: [] }
    const resolved = this.resolved(space, setup)
    this.context = { project, setup, isStock: false, resolved, wheels: new Map() }
    const factsOf = (axle: Axle): Facts => {
      const facts = { project, setup, axle, resolved: resolved[axle], whole: resolved, stock: stockParts }
      // a copy for a single slot leaves it behind: rules of single slots ask for nothing that was seen
      return Object.defineProperty(facts, 'seen', { enumerable: false, get: () => this.seen(space, axle) }) as Facts
    }
    this.facts = { front: factsOf('front'), rear: factsOf('rear') }
  }
  /** What was seen on the car holds for one brake alone: the first part of another one ends the question. */
  private seen({ stock }: SearchSpace, axle: Axle): readonly string[] {
    const { setup, resolved } = this.context
    const parts = new Set([...(stock[axle].seen?.parts ?? []), ...(setup[axle].seen?.parts ?? [])])
    if (parts.size === 0) return []
    for (const slot of ['caliper', 'rotor', 'pad', 'bracket'] as const) {
      const part = this.read(`${axle}.${slot}`)
      if (part && !parts.has(part.id)) return []
    }
    return visualChecksOn(setup, stock, axle, resolved[axle])
  }
  read(place: SlotId): Part | null | undefined {
    if (!this.log.includes(place)) this.log.push(place)
    const part = this.filling[place]
    if (part === undefined && !(place in this.filling)) throw NOT_YET
    return part
  }
  private resolved({ ask, baseParts, stockParts }: SearchSpace, setup: Setup): ResolvedSetup {
    const read = (place: SlotId) => this.read(place)
    const axle = (of: Axle): ResolvedAxle => {
      const own = {} as ResolvedAxle
      for (const slot of Object.keys(AXLE_SLOTS) as AxleSlot[]) {
        const place: SlotId = `${of}.${slot}`
        Object.defineProperty(own, slot, { enumerable: true, get: () => read(place) })
      }
      if (!ask.vary[of]) {
        const { spacerTrialMm, shimMm, duct, padShims } = baseParts[of]
        return Object.defineProperties(own, plainOf({ spacerTrialMm, shimMm, duct, padShims }))
      }
      // what was cut or tried on the car as it stands goes with the part it was cut for
      const as = stockParts[of]
      const stays = (slot: AxleSlot) => (read(`${of}.${slot}`) as Part | null | undefined)?.id === as[slot]?.id
      const lazily = (get: () => unknown) => ({ enumerable: true, get })
      return Object.defineProperties(own, {
        ...plainOf({ duct: setup[of].duct ?? as.duct }),
        spacerTrialMm: lazily(() => (as.spacerTrialMm !== undefined && stays('spacer') ? as.spacerTrialMm : undefined)),
        shimMm: lazily(() => (as.shimMm !== 0 && stays('caliper') ? as.shimMm : 0)),
        padShims: lazily(() => as.padShims && stays('caliper')),
      })
    }
    const whole = { front: axle('front'), rear: axle('rear') } as ResolvedSetup
    for (const slot of HYDRAULIC_NAMES) Object.defineProperty(whole, slot, { enumerable: true, get: () => read(slot) })
    return whole
  }
}
const plainOf = (values: Record<string, unknown>): PropertyDescriptorMap =>
  Object.fromEntries(Object.entries(values).map(([key, value]) => [key, { enumerable: true, value }]))

interface Fork<T> {
  place: SlotId
  next: Map<Part | null | undefined, Fork<T> | { value: T }>
}

/** One reading for a whole search: what is remembered on it shares its places. */
export class DependencyMemo {
  private readonly reading: Reading
  constructor(space: SearchSpace) {
    this.reading = new Reading(space)
  }
  /** Something computed of a setup, remembered by the places that it read, in the order in which it read them. */
  remember<T>(compute: (context: Context, facts: Readonly<Record<Axle, Facts>>) => T): (filling: Assignment) => { value: T } | undefined {
    const { reading } = this
    let root: Fork<T> | { value: T } | undefined
    return (filling) => {
      let at = root
      let fork: Fork<T> | undefined
      while (at && 'place' in at) {
        if (!(at.place in filling)) return undefined
        fork = at
        at = at.next.get(filling[at.place])
      }
      if (at) return at
      reading.filling = filling
      reading.log.length = 0
      let leaf: { value: T } | undefined
      try {
        leaf = { value: compute(reading.context, reading.facts) }
      } catch (thrown) {
        if (thrown !== NOT_YET) throw thrown
      }
      // places that were read, as forks of a tree; the last of an unfinished one waits
      const places = [...reading.log]
      if (places.length === 0) {
        root = leaf
        return leaf
      }
      root ??= { place: places[0]!, next: new Map() }
      fork = root as Fork<T>
      for (let i = 0; i < places.length; i += 1) {
        if (!(places[i]! in filling)) return undefined
        const part = filling[places[i]!]
        const next = places[i + 1]
        const there = fork.next.get(part)
        if (there && !('place' in there)) return there
        if (next === undefined) {
          if (leaf) fork.next.set(part, leaf)
          return leaf
        }
        const deeper: Fork<T> = (there as Fork<T> | undefined) ?? { place: next, next: new Map() }
        fork.next.set(part, deeper)
        fork = deeper
      }
      return leaf
    }
  }
}
