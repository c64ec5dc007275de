import { slotFor } from '../commands/take-bundle.ts'
import { AXLES, type Axle } from '../quantity/axle.ts'
import type { Bundle } from '../records/bundle.ts'
import type { HydraulicSlot } from '../records/setup.ts'
import type { Part } from '../records/part.ts'
import type { Project } from '../records/project.ts'
import type { Assignment, SlotId } from './assignment.ts'
import { bundleCost } from './prices.ts'

/** A kit or a donor with the place of each of its parts. */
export interface PlacedKit {
  bundle: Bundle
  places: readonly (readonly [SlotId, Part])[]
  /** Bought whole, minor units; undefined: it has no price of its own, or some part of it goes to no place that a search fills. */
  minor: number | undefined
  /** It brings something of the hydraulics too: an axle alone cannot tell what it costs. */
  spans: boolean
}

/** The kits and donors whose parts go into an axle, each to a place of its own; what goes nowhere on a car comes along. */
export function kitsFor(project: Project, axle: Axle): PlacedKit[] {
  return project.bundles.flatMap((bundle): PlacedKit[] => {
    if (bundle.axle !== axle) return []
    let placed = true
    const places: (readonly [SlotId, Part])[] = []
    for (const id of bundle.parts) {
      const part = project.parts.find((one) => one.id === id)
      const slot = part && slotFor(part.kind)
      if (!part || !slot || slot.slot === 'fluid') {
        placed = false
        continue
      }
      places.push([slot.of === 'axle' ? `${axle}.${slot.slot}` : (slot.slot as HydraulicSlot), part])
    }
    if (places.length === 0 || new Set(places.map(([place]) => place)).size < places.length) return []
    const minor = placed ? bundleCost(bundle, project.preferences) : undefined
    return [{ bundle, places, minor, spans: places.some(([place]) => isBetween(place)) }]
  })
}
export const bothAxles = (project: Project): Record<Axle, PlacedKit[]> =>
  Object.fromEntries(AXLES.map((axle) => [axle, kitsFor(project, axle)])) as Record<Axle, PlacedKit[]>

/** Whether a place is one of the hydraulics. */
const isBetween = (place: SlotId): boolean => !place.includes('.')
/** The places of a kit that are between the axles, or at its axle. */
export const placesOf = ({ places }: PlacedKit, between: boolean) => places.filter(([place]) => isBetween(place) === between)

export const isIn = ({ places }: Pick<PlacedKit, 'places'>, filling: Assignment): boolean =>
  places.every(([place, part]) => filling[place]?.id === part.id)
/** Whether a kit brings a part to a place; wheels that it brings may stand on the other axle too. */
export const brings = ({ places }: PlacedKit, place: SlotId, part: Part): boolean =>
  places.some(([of, one]) => one.id === part.id && (of === place || (of.endsWith('.wheel') && place.endsWith('.wheel'))))

/**
 * The least that parts in some places cost, one by one or some of them in kits bought whole. Of kits that fill the same places
 * together only the cheapest are followed: any number of them is weighed exactly.
 * @param own what the part in a place costs alone, minor units; undefined: not known
 * @param shared what places save that are filled from one pack, minor units
 */
export function leastWithKits(
  kits: readonly PlacedKit[],
  filling: Assignment,
  places: readonly SlotId[],
  own: (place: SlotId) => number | undefined,
  shared: (places: readonly SlotId[]) => number = () => 0,
): { minor: number | undefined; kits: string[] } {
  const alone = places.map(own)
  const sum = (filled: number) => {
    const open = (i: number) => !(filled & (1 << i))
    return alone.reduce<number>((all, one, i) => (open(i) ? all + (one ?? NaN) : all), 0) - shared(places.filter((_, i) => open(i)))
  }
  let least = { minor: sum(0), kits: [] as string[] }
  const there = kits.filter((kit) => kit.minor !== undefined && isIn(kit, filling))
  /** By the places that they fill, a bit for each. */
  const bought = new Map(there.length > 0 ? [[0, { minor: 0, kits: [] as string[] }]] : [])
  for (const kit of there) {
    const fills = kit.places.reduce((bits, [place]) => (places.includes(place) ? bits | (1 << places.indexOf(place)) : bits), 0)
    for (const [filled, before] of [...bought]) {
      const both = { minor: before.minor + kit.minor!, kits: [...before.kits, kit.bundle.id] }
      if (both.minor >= (bought.get(filled | fills)?.minor ?? Infinity)) continue
      bought.set(filled | fills, both)
      const minor = both.minor + sum(filled | fills)
      // what is known is less than what is not
      if (minor < least.minor || (Number.isNaN(least.minor) && !Number.isNaN(minor))) least = { minor, kits: both.kits }
    }
  }
  return Number.isNaN(least.minor) ? { minor: undefined, kits: [] } : least
}

/**
 * Whether what is of kits came with a kit or a donor that is in whole.
 * @param fresh places with something of a kit that is neither on the car, nor in the setup, nor on hand
 */
export function cameWhole(kits: readonly PlacedKit[], filling: Assignment, fresh: readonly SlotId[]): boolean {
  if (fresh.length === 0) return true
  const whole = kits.filter((kit) => isIn(kit, filling))
  return fresh.every((place) => whole.some((kit) => brings(kit, place, filling[place]!)))
}
/** The same as far as one axle can tell: what a kit brings elsewhere is taken as there. */
export function mayComeWhole(kits: readonly PlacedKit[], axle: Axle, filling: Assignment, fresh: readonly SlotId[]): boolean {
  const here = kits.map((kit) => ({ ...kit, places: kit.places.filter(([place]) => place.startsWith(`${axle}.`)) }))
  return fresh.every((place) => kits.some((kit, i) => brings(kit, place, filling[place]!) && isIn(here[i]!, filling)))
}
