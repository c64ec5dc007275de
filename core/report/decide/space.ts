import {
  AXLE_SLOTS,
  AXLES,
  HYDRAULIC_SLOTS,
  type Axle,
  type AxleSlot,
  type HydraulicSlot,
  type Part,
  type Project,
  type Setup,
} from '../../model/project.ts'
import { findSetup, resolveSetup, stockSetup, type ResolvedSetup } from '../../model/resolve.ts'

/** A place that takes a part: "front.caliper", "masterCylinder". */
export type PlaceName = `${Axle}.${AxleSlot}` | HydraulicSlot
/** What stands in each place; null: nothing on purpose, undefined: not known. */
export type Filling = Partial<Record<PlaceName, Part | null | undefined>>

export const CRITERIA = {
  cost: { label: 'cost', better: 'low', tie: 500 },
  heat: { label: 'rise in one stop', better: 'low', tie: 8 },
  gap: { label: 'gap to the wheel', better: 'high', tie: 0.3 },
  bias: { label: 'bias off its aim', better: 'low', tie: 0.005 },
  mass: { label: 'mass a corner', better: 'low', tie: 0.1 },
  pedal: { label: 'pedal off its usual', better: 'low', tie: 10 },
} as const
export type CriterionId = keyof typeof CRITERIA
export const CRITERION_IDS = Object.keys(CRITERIA) as CriterionId[]

/** What a search may change, what must hold, and what is weighed. */
export interface SearchAsk {
  /** What is not changed is as in this setup. */
  setupId: string
  vary: { front: boolean; rear: boolean; wheel: boolean; hydraulics: boolean }
  /** Only parts that are there already. */
  onHand: boolean
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
  by: CriterionId[]
  /** One part alone in one place: what can be built with it. */
  only?: { place: PlaceName; partId: string }
}
export const DEFAULT_ASK: Omit<SearchAsk, 'setupId'> = {
  vary: { front: true, rear: true, wheel: false, hydraulics: false },
  onHand: false,
  musts: { known: true, noPieces: true, clears: true, frontFirst: true, pedal: false, parkingBrake: true },
  by: ['cost', 'heat', 'gap', 'bias'],
}

export interface Space {
  project: Project
  ask: SearchAsk
  /** The setup that is searched from, and the car as it stands, with what is in them. */
  base: Setup
  stock: Setup
  baseParts: ResolvedSetup
  stockParts: ResolvedSetup
  /** What stands in each place of the setup that is searched from. */
  now: Filling
  /** What may stand in each place. */
  options: Record<PlaceName, readonly (Part | null | undefined)[]>
}

/** Slots of an axle in the order in which they are filled: what rules out most comes first. */
export const AXLE_ORDER = ['caliper', 'rotor', 'bracket', 'wheel', 'spacer', 'pad', 'hose'] as const satisfies readonly AxleSlot[]
export const HYDRAULIC_NAMES = Object.keys(HYDRAULIC_SLOTS) as HydraulicSlot[]
const VARIED_HYDRAULICS: readonly HydraulicSlot[] = ['masterCylinder', 'valve']
/** With a brake of its own an axle's wheel may want a spacer; the wheel itself only where it is asked for. */
const OF_BRAKE: readonly AxleSlot[] = ['caliper', 'rotor', 'bracket', 'pad', 'hose', 'spacer']

/** @throws RangeError when the project has no such setup */
export function spaceOf(project: Project, ask: SearchAsk): Space {
  const base = findSetup(project, ask.setupId)
  if (!base) throw new RangeError(`no setup ${ask.setupId} in project ${project.id}`)
  const stock = stockSetup(project)
  const [baseParts, stockParts] = [resolveSetup(project, base), resolveSetup(project, stock)]
  const options = {} as Space['options']
  /** What is there first, then nothing where that may be, then the library. */
  const listed = (now: Part | null | undefined, kinds: readonly string[], nothing: boolean) => {
    const parts = project.parts.filter((part) => kinds.includes(part.kind) && (!ask.onHand || part.owned) && part.id !== now?.id)
    return [...(now === undefined ? [] : [now]), ...(nothing && now !== null ? [null] : []), ...parts]
  }
  for (const axle of AXLES)
    for (const slot of Object.keys(AXLE_SLOTS) as AxleSlot[]) {
      const { kinds, nothing } = AXLE_SLOTS[slot]
      const now = baseParts[axle][slot] as Part | null | undefined
      const varied = slot === 'wheel' ? ask.vary.wheel : ask.vary[axle] && OF_BRAKE.includes(slot)
      options[`${axle}.${slot}`] = varied ? listed(now, kinds, nothing) : [now]
    }
  for (const slot of HYDRAULIC_NAMES) {
    const { kinds, nothing } = HYDRAULIC_SLOTS[slot]
    const varied = ask.vary.hydraulics && VARIED_HYDRAULICS.includes(slot)
    const all = varied ? listed(baseParts[slot], kinds, nothing) : [baseParts[slot]]
    // two cylinders are chosen as a pair with their bar: the step Balance does that
    options[slot] = all.filter((part) => part === baseParts[slot] || part?.kind !== 'masterCylinder' || part.construction === 'tandem')
  }
  const now = Object.fromEntries((Object.keys(options) as PlaceName[]).map((name) => [name, options[name][0]])) as Filling
  const { only } = ask
  const part = only && project.parts.find((one) => one.id === only.partId)
  if (only && part) options[only.place] = [part]
  return { project, ask, base, stock, baseParts, stockParts, now, options }
}

/** A setup with these parts in: what is as the car stands stays absent, what was cut for other parts is left out. */
export function setupOf({ base, stock, ask }: Space, filling: Filling, id: string, name: string): Setup {
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
  return { id, name, front: axle('front'), rear: axle('rear'), hydraulics, extras: [] }
}
