import { slotsReadBy } from '../fit/rule.ts'
import type { Axle } from '../quantity/axle.ts'
import type { AxleSlot } from '../records/setup.ts'
import type { Part } from '../records/part.ts'
import type { Project } from '../records/project.ts'
import type { ResolvedAxle } from '../records/resolve.ts'
import { VERDICT_RANK } from '../figures/words.ts'
import { factsOf } from '../fit/fit-check.ts'
import { gapOf, rulesOf, slotsOf, walkAxle } from './axle-walk.ts'
import { DependencyMemo } from './dependency-memo.ts'
import { AXLE_RULES } from './rejections.ts'
import { partCost } from './prices.ts'
import { AXLE_ORDER, DEFAULT_QUERY, spaceOf, type Assignment, type SearchQuery } from './search-space.ts'

/** What stands in some slots of an axle; null: nothing. */
type AxleParts = Partial<Record<AxleSlot, Part | null | undefined>>
/** What a caliper works with. */
export type CompanionParts = Pick<ResolvedAxle, 'rotor' | 'pad' | 'bracket'>
const COMPANY = ['rotor', 'pad', 'bracket'] as const
const BRAKE: ReadonlySet<string> = new Set(['caliper', ...COMPANY])

interface Companions {
  /** Slots that the library may fill. */
  free: readonly AxleSlot[]
  /** Which rules count, by the slots that they look into; absent: all, and the wheel's clearance with them. */
  counts?: (slots: ReadonlySet<AxleSlot>) => boolean
  /** Whether a piece to buy or shims may cure something. */
  pieces: boolean
}

/**
 * What of the library goes together best with parts that are given, on one axle of a setup: by the worst that the rules find,
 * then by how little of the setup it changes, then by price.
 *
 * @returns asked for one part after the other, for what two parts decide is asked once for all of them; undefined where
 *   nothing of the library goes together with them
 * @throws RangeError when the project has no such setup
 */
function companions(project: Project, setupId: string, axle: Axle, { free, counts, pieces }: Companions) {
  const ask: SearchQuery = {
    ...DEFAULT_QUERY,
    setupId,
    vary: { front: axle === 'front', rear: axle === 'rear', wheel: false, hydraulics: false, booster: false },
    musts: { known: false, noPieces: !pieces, clears: false, frontFirst: false, pedal: false, parkingBrake: false },
  }
  const space = spaceOf(project, ask)
  const readings = new DependencyMemo(space)
  const facts = factsOf({ project, setup: space.base, isStock: space.base === space.stock, resolved: space.baseParts }, axle)
  const counted = counts && new Set<string>(AXLE_RULES.filter((rule) => counts(slotsReadBy(rule, facts))).map((rule) => rule.id))
  const rules = rulesOf(readings, axle, gapOf(readings, axle), ask).filter((rule) => !counted || counted.has(rule.id))
  const cost = (part: Part | null | undefined) => partCost(part, undefined, 1, project.preferences) ?? Infinity
  const options = { ...space.options }
  for (const slot of AXLE_ORDER) {
    const [now, ...others] = space.options[`${axle}.${slot}`]
    options[`${axle}.${slot}`] = free.includes(slot) ? [now, ...others.sort((a, b) => cost(a) - cost(b))] : [now]
  }
  return (given: AxleParts): AxleParts | undefined => {
    const here = { ...options }
    for (const slot of Object.keys(given) as AxleSlot[]) here[`${axle}.${slot}`] = [given[slot]]
    const firsts = slotsOf(axle, here).map((slot) => slot.options[0])
    let best: { weight: number; filling: Assignment } | undefined
    walkAxle<number>({
      axle,
      options: here,
      rules,
      ask,
      all: false,
      start: 0,
      // the worst counts before any number of changes
      step: (sofar, { dropped, verdict, part }, depth) => {
        const changes = (sofar % CHANGES) + Number(part?.id !== firsts[depth]?.id)
        const weight = Math.max(sofar - (sofar % CHANGES), VERDICT_RANK[verdict] * CHANGES) + changes
        return dropped.length > 0 || (best && weight >= best.weight) ? undefined : weight
      },
      each: (filling, weight) => (best = { weight, filling: { ...filling } }),
    })
    const filling = best?.filling
    return filling && (Object.fromEntries(AXLE_ORDER.map((slot) => [slot, filling[`${axle}.${slot}`]])) as AxleParts)
  }
}
/**
 * Parts in their slots, in words.
 *
 * @example
 * partsInWords({ rotor: { name: 'Estate front rotor' }, bracket: null }) // => 'Estate front rotor, no bracket'
 */
export const partsInWords = (parts: Readonly<Partial<Record<AxleSlot, Pick<Part, 'name'> | null | undefined>>>): string =>
  Object.entries(parts)
    .map(([slot, part]) => part?.name ?? `no ${slot}`)
    .join(', ')

/** More than an axle has slots. */
const CHANGES = 100

/**
 * The rotor, pads and bracket that a caliper goes together with best, without adapters and shims. Hose, wheel and spacer, and
 * how used a part is, are other questions.
 * @throws RangeError when the project has no such setup
 */
export function companionPartsOf(project: Project, setupId: string, axle: Axle): (caliper: Part) => CompanionParts | undefined {
  const between = (slots: ReadonlySet<AxleSlot>) => [...slots].every((slot) => BRAKE.has(slot))
  const companyOf = companions(project, setupId, axle, { free: COMPANY, counts: between, pieces: false })
  return (caliper) => {
    const found = companyOf({ caliper })
    return found && (Object.fromEntries(COMPANY.map((slot) => [slot, found[slot]])) as unknown as CompanionParts)
  }
}

/**
 * What of the library an axle of a setup goes together with best when the parts that are named stay; the wheel stays too.
 * @returns slots that differ from the setup; undefined: nothing of the library goes together with them
 * @throws RangeError when the project has no such setup
 */
export function companionPartsBeside(project: Project, setupId: string, axle: Axle, stay: readonly AxleSlot[]): AxleParts | undefined {
  const free = (['rotor', 'bracket', 'pad', 'hose', 'spacer'] as const).filter((slot) => !stay.includes(slot))
  const found = companions(project, setupId, axle, { free, pieces: true })({})
  if (!found) return undefined
  const now = spaceOf(project, { setupId, ...DEFAULT_QUERY }).baseParts[axle]
  return Object.fromEntries(free.filter((slot) => found[slot]?.id !== now[slot]?.id).map((slot) => [slot, found[slot]]))
}
