import type { BrakeSystem } from '../hydraulics/maths/system.ts'
import type { Part } from '../records/part.ts'
import { join } from './maths/join.ts'
import { PER_AXLE } from '../cost/to-buy.ts'
import type { WatchedRule } from './axle-walk.ts'
import { rejects } from './rejections.ts'
import { hydraulicsCost } from './figures-of.ts'
import { isIn, placesOf, type PlacedKit } from './kits.ts'
import { partCost } from './prices.ts'
import { HYDRAULIC_NAMES, type Assignment, type SearchSpace } from './search-space.ts'

/** What stands between the axles. */
export interface Between {
  filling: Assignment
  /** What tells it from others. */
  key: string
  /** The rule of the whole car that it ends at by itself. */
  ends: string | undefined
  /** As numbers, once it was asked for. */
  shell?: { system: BrakeSystem | undefined }
  costMinor: number | undefined
  /** Kits whose hydraulics are in it, and the most that they save, minor units. */
  kits: readonly PlacedKit[]
  savesMinor: number
}
/** Every master cylinder with every booster and valve that is searched for, the cheapest first. */
export function betweenOf(space: SearchSpace, carRules: readonly WatchedRule[]): Between[] {
  const { options, ask } = space
  const spanning = [...space.kits.front, ...space.kits.rear].filter((kit) => kit.spans && kit.minor !== undefined)
  const all: Between[] = []
  join<Part | null | undefined>(
    HYDRAULIC_NAMES.map((name) => ({ name, options: options[name] })),
    {
      goes: () => true,
      each: (chosen) => {
        const filling = Object.fromEntries(HYDRAULIC_NAMES.map((name, i) => [name, chosen[i]])) as Assignment
        const ends = carRules.find(({ id, of }) => {
          const found = of(filling)
          return found !== undefined && rejects(found.value, id, ask)
        })
        const kits = spanning.filter((kit) => isIn({ places: placesOf(kit, true) }, filling))
        const savesMinor = kits.reduce((sum, kit) => sum + mostSaved(kit, space), 0)
        all.push({ filling, costMinor: hydraulicsCost(space, filling), key: betweenKey(filling), ends: ends?.id, kits, savesMinor })
      },
    },
  )
  return all.sort((a, b) => (a.costMinor ?? 0) - (b.costMinor ?? 0))
}

/** The most that a kit saves against its parts one by one, minor units. */
function mostSaved({ places, minor }: PlacedKit, { project }: SearchSpace): number {
  const alone = places.map(([place, part]) =>
    partCost(part, undefined, PER_AXLE[place.split('.')[1] as keyof typeof PER_AXLE] ?? 1, project.preferences),
  )
  return Math.max(0, alone.reduce<number>((sum, one) => sum + (one ?? 0), 0) - minor!)
}
/** What stands between the axles and is searched for. */
const betweenKey = ({ masterCylinder, booster, valve }: Assignment): string => `${masterCylinder?.id} ${booster?.id} ${valve?.id}`
