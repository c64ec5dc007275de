import type { ExtraLine, Setup } from '../records/setup.ts'
import type { Preferences } from '../records/preferences.ts'
import type { Project } from '../records/project.ts'
import { stockSetup } from '../records/resolve.ts'
import { extraCost } from './prices.ts'

/** Fluid, sealing washers, cleaner: bought whatever parts are chosen. What belongs to one part or to one seller is not among them. */
const isConsumable = ({ kind, id }: ExtraLine): boolean =>
  (kind === undefined || kind === 'consumable') && !id.startsWith('fit.') && !id.startsWith('heat.')
const same = (a: ExtraLine, b: ExtraLine): boolean =>
  a.label === b.label && a.quantity === b.quantity && JSON.stringify(a.price) === JSON.stringify(b.price)

/**
 * The consumables that a combination gets with its parts: those of the setup that is searched from. The current car has none, so
 * that from there on it is those that all other setups share.
 */
export function consumablesFor(project: Project, base: Setup): ExtraLine[] {
  const stock = stockSetup(project)
  if (base !== stock) return base.extras.filter(isConsumable)
  const [first, ...others] = project.setups.filter((one) => one !== stock && one.extras.length > 0)
  return (first?.extras ?? []).filter((line) => isConsumable(line) && others.every(({ extras }) => extras.some((one) => same(one, line))))
}

/** What consumables cost together, minor units, and how many have no price. */
export function consumablesCost(lines: readonly ExtraLine[], preferences: Preferences): { minor: number; unpriced: number } {
  const costs = lines.map((line) => extraCost(line, preferences))
  return { minor: costs.reduce<number>((sum, one) => sum + (one ?? 0), 0), unpriced: costs.filter((one) => one === undefined).length }
}
