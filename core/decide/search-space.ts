import { AXLE_SLOTS, HYDRAULIC_SLOTS, type AxleSlot, type ExtraLine, type HydraulicSlot, type Setup } from '../records/setup.ts'
import { AXLES, type Axle } from '../quantity/axle.ts'
import type { Part } from '../records/part.ts'
import type { Project } from '../records/project.ts'
import { belongsToOtherAxle } from '../records/hose-axle.ts'
import { findSetup, resolveSetup, stockSetup, type ResolvedSetup } from '../records/resolve.ts'
import { consumablesCost, consumablesFor } from './consumables.ts'
import type { SearchCriterionId } from './criteria.ts'
import type { Assignment, SlotId } from './assignment.ts'
import { bothAxles, brings, type PlacedKit } from './kits.ts'
import { packsCost } from './prices.ts'
export type { Assignment, SlotId } from './assignment.ts'

/** What a search may change, what must hold, and what is weighed. */
export interface SearchQuery {
  /** What is not changed is as in this setup. */
  setupId: string
  vary: { front: boolean; rear: boolean; wheel: boolean; hydraulics: boolean; booster: boolean }
  /** Only parts that are there already. */
  onHand: boolean
  /** What belongs to a kit or donor comes with all the rest of it; what belongs to none may come alone. */
  wholeKits: boolean
  musts: {
    /** No finding left unknown. */
    known: boolean
    /** No finding that needs a piece that is no part yet, or shims. */
    noPieces: boolean
    /** The wheel clears by the policy; else what a trial fit may show is let through. */
    clears: boolean
    /** The front first up to 0.80 g. */
    frontFirst: boolean
    /** The pedal within what is usual. */
    pedal: boolean
    parkingBrake: boolean
    budgetMinor?: number
  }
  by: SearchCriterionId[]
  /** One part alone in one place: what can be built with it. */
  only?: { place: SlotId; partId: string }
}
export const DEFAULT_QUERY: Omit<SearchQuery, 'setupId'> = {
  vary: { front: true, rear: true, wheel: false, hydraulics: false, booster: false },
  onHand: false,
  wholeKits: false,
  musts: { known: true, noPieces: true, clears: true, frontFirst: true, pedal: false, parkingBrake: true },
  by: ['cost', 'heat', 'gap', 'bias'],
}

export interface SearchSpace {
  project: Project
  ask: SearchQuery
  /** The setup that is searched from, and the car as it stands, with what is in them. */
  base: Setup
  stock: Setup
  baseParts: ResolvedSetup
  stockParts: ResolvedSetup
  /** What stands in each place of the setup that is searched from. */
  now: Assignment
  /** What may stand in each place. */
  options: Record<SlotId, readonly (Part | null | undefined)[]>
  kits: Record<Axle, readonly PlacedKit[]>
  /** Those of an axle that are all at it. */
  kitsWithin: Record<Axle, readonly PlacedKit[]>
  /** Fluid, washers and the like that a combination gets with its parts, and what they cost, minor units. */
  consumables: readonly ExtraLine[]
  consumablesMinor: number
  /** What one pack costs of parts that both axles may take from one pack, minor units, by the part's id. */
  packs: ReadonlyMap<string, number>
}
/** What a setup of a combination has beside its parts. */
interface SetAs {
  /** Front share of the bar of two cylinders, where the search sets it. */
  barFrontShare?: number
  /** Kits and donors bought whole. */
  kits?: readonly string[]
}

/** Slots of an axle in the order in which they are filled: what rules out most comes first. */
export const AXLE_ORDER = ['caliper', 'rotor', 'bracket', 'wheel', 'spacer', 'pad', 'hose'] as const satisfies readonly AxleSlot[]
export const HYDRAULIC_NAMES = Object.keys(HYDRAULIC_SLOTS) as HydraulicSlot[]
const VARIED_HYDRAULICS: readonly HydraulicSlot[] = ['masterCylinder', 'booster', 'valve']
/** With a brake of its own an axle's wheel may want a spacer; the wheel itself only where it is asked for. */
const OF_BRAKE: readonly AxleSlot[] = ['caliper', 'rotor', 'bracket', 'pad', 'hose', 'spacer']

/** @throws RangeError when the project has no such setup */
export function spaceOf(project: Project, ask: SearchQuery): SearchSpace {
  const base = findSetup(project, ask.setupId)
  if (!base) throw new RangeError(`no setup ${ask.setupId} in project ${project.id}`)
  const stock = stockSetup(project)
  const [baseParts, stockParts] = [resolveSetup(project, base), resolveSetup(project, stock)]
  const options = {} as SearchSpace['options']
  const kits = bothAxles(project)
  const inKits = [...kits.front, ...kits.rear]
  const mustComeWhole = (part: Part) => !part.owned && inKits.some((kit) => kit.bundle.parts.includes(part.id))
  /** What is there first, then nothing where that may be, then the library. */
  const listed = (place: SlotId, now: Part | null | undefined, onTheCar: Part | null | undefined) => {
    const slot = place.split('.').at(-1)!
    const { kinds, nothing } = (slot in AXLE_SLOTS ? AXLE_SLOTS[slot as AxleSlot] : HYDRAULIC_SLOTS[slot as HydraulicSlot]) as {
      kinds: readonly string[]
      nothing: boolean
    }
    const axle = AXLES.find((one) => place.startsWith(`${one}.`))
    const parts = project.parts.filter(
      (part) =>
        kinds.includes(part.kind) &&
        !(axle && part.kind === 'hose' && belongsToOtherAxle(project, part.id, axle)) &&
        part.id !== now?.id &&
        (!ask.onHand || part.owned) &&
        // what only comes with others must come to its own place
        (!ask.wholeKits || !(mustComeWhole(part) && part.id !== onTheCar?.id) || inKits.some((kit) => brings(kit, place, part))),
    )
    return [...(now === undefined ? [] : [now]), ...(nothing && now !== null ? [null] : []), ...parts]
  }
  for (const axle of AXLES)
    for (const slot of Object.keys(AXLE_SLOTS) as AxleSlot[]) {
      const [now, onTheCar] = [baseParts, stockParts].map((parts) => parts[axle][slot] as Part | null | undefined)
      const varied = slot === 'wheel' ? ask.vary.wheel : ask.vary[axle] && OF_BRAKE.includes(slot)
      options[`${axle}.${slot}`] = varied ? listed(`${axle}.${slot}`, now, onTheCar) : [now]
    }
  for (const slot of HYDRAULIC_NAMES) {
    const varied = slot === 'booster' ? ask.vary.booster : ask.vary.hydraulics && VARIED_HYDRAULICS.includes(slot)
    options[slot] = varied ? listed(slot, baseParts[slot], stockParts[slot]) : [baseParts[slot]]
  }
  const now = Object.fromEntries((Object.keys(options) as SlotId[]).map((name) => [name, options[name][0]])) as Assignment
  const { only } = ask
  const part = only && project.parts.find((one) => one.id === only.partId)
  if (only && part) options[only.place] = [part]
  const within = (axle: Axle) => kits[axle].filter((kit) => !kit.spans)
  const kitsWithin = { front: within('front'), rear: within('rear') }
  const consumables = consumablesFor(project, base)
  const consumablesMinor = consumablesCost(consumables, project.preferences).minor
  const packs = packsOf(project, options)
  return { project, ask, base, stock, baseParts, stockParts, now, options, kits, kitsWithin, consumables, consumablesMinor, packs }
}

function packsOf({ preferences }: Project, options: SearchSpace['options']): Map<string, number> {
  const at = (axle: Axle) =>
    (Object.keys(options) as SlotId[]).filter((name) => name.startsWith(`${axle}.`)).flatMap((name) => options[name])
  const rear = new Set(at('rear').map((part) => part?.id))
  const shared = at('front').filter((part): part is Part => !!part && !part.owned && (part.price?.pieces ?? 1) > 1 && rear.has(part.id))
  return new Map(shared.map((part) => [part.id, packsCost(part, 1, preferences) ?? 0]))
}

/** Places with something of a kit in them that is new: neither there nor on the car, nor on hand. */
export function ofKitsIn({ now, stockParts, kits }: SearchSpace, filling: Assignment, places: readonly SlotId[]): SlotId[] {
  return places.filter((place) => {
    const part = filling[place]
    if (!part || part.owned || part.id === now[place]?.id) return false
    const [axle, slot] = place.split('.') as [Axle, AxleSlot | undefined]
    const onTheCar = (slot ? stockParts[axle][slot] : stockParts[place as HydraulicSlot]) as Part | null | undefined
    return part.id !== onTheCar?.id && AXLES.some((of) => kits[of].some((kit) => kit.bundle.parts.includes(part.id)))
  })
}

/** Whether nothing is changed of the current car: then nothing is bought. */
export const isCurrentCar = ({ base, stock, now }: Pick<SearchSpace, 'base' | 'stock' | 'now'>, filling: Assignment): boolean =>
  base === stock && (Object.keys(filling) as SlotId[]).every((place) => filling[place]?.id === now[place]?.id)

/** A setup with these parts in: what is as the car stands stays absent, what was cut for other parts is left out. */
export function setupOf(
  { base, stock, ask, now, consumables }: SearchSpace,
  filling: Assignment,
  id: string,
  name: string,
  set: SetAs = {},
): Setup {
  const axle = (of: Axle): Setup['front'] => {
    if (!ask.vary[of] && !ask.vary.wheel) return structuredClone(base[of])
    const kept = ask.vary[of] ? {} : structuredClone(base[of])
    for (const slot of AXLE_ORDER) {
      const part = filling[`${of}.${slot}`]
      const value = part === null ? null : part?.id
      if (value === stock[of][slot]) Reflect.deleteProperty(kept, slot)
      else if (value !== undefined) kept[slot] = value
    }
    return kept
  }
  const hydraulics = structuredClone(base.hydraulics)
  for (const slot of VARIED_HYDRAULICS) {
    const part = filling[slot]
    const value = part === null ? null : part?.id
    if (value === stock.hydraulics[slot]) Reflect.deleteProperty(hydraulics, slot)
    else if (value !== undefined) hydraulics[slot] = value
  }
  if (set.barFrontShare !== undefined)
    hydraulics.barFrontShare = { value: set.barFrontShare, origin: 'estimated', note: 'where the search set it: turn the bar to it' }
  const taken = set.kits?.length ? { taken: [...set.kits] } : {}
  const extras = isCurrentCar({ base, stock, now }, filling) ? [] : structuredClone([...consumables])
  return { id, name, front: axle('front'), rear: axle('rear'), hydraulics, extras, ...taken }
}
