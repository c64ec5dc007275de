import { slotFor } from '../commands/take-bundle.ts'
import { AXLE_SLOTS, HYDRAULIC_SLOTS, type AxleSlot, type HydraulicSlot } from '../records/setup.ts'
import { AXLES } from '../quantity/axle.ts'
import type { Bundle } from '../records/bundle.ts'
import type { Part } from '../records/part.ts'
import { slotOf, stockSetup } from '../records/resolve.ts'
import type { Context } from '../figures/read.ts'

/** Pieces that a slot takes on both sides of an axle; pads come as a set for the axle. */
export const PER_AXLE: Record<AxleSlot, number> = { caliper: 2, bracket: 2, rotor: 2, pad: 1, hose: 2, wheel: 2, spacer: 2 }

/** Pieces of each part that bundles bought whole bring: what an axle takes, for each time a part is in them. */
export function broughtBy(project: Context['project'], bundles: readonly Bundle[]): ReadonlyMap<string, number> {
  const brought = new Map<string, number>()
  for (const id of bundles.flatMap((one) => one.parts)) {
    const part = project.parts.find((one) => one.id === id)
    const place = part && slotFor(part.kind)
    brought.set(id, (brought.get(id) ?? 0) + (place?.of === 'axle' ? PER_AXLE[place.slot] : 1))
  }
  return brought
}

/** Parts in this setup's slots that the car does not have yet, each once, with the pieces it takes beyond those that bundles bring. */
export function partsToBuy(
  { project, setup }: Context,
  brought: ReadonlyMap<string, number> = new Map(),
): { part: Part; pieces: number; places: string[] }[] {
  const stock = stockSetup(project)
  const byId = new Map<string, { part: Part; pieces: number; places: string[] }>()
  const take = (id: string, pieces: number, place: string) => {
    const part = project.parts.find((one) => one.id === id)
    if (!part) return
    const known = byId.get(id)
    if (known) {
      known.pieces += pieces
      known.places.push(place)
    } else byId.set(id, { part, pieces, places: [place] })
  }
  for (const axle of AXLES) {
    const drum = project.parts.find((part) => part.id === slotOf(project, setup, axle, 'caliper'))?.kind === 'drum'
    for (const slot of Object.keys(AXLE_SLOTS) as AxleSlot[]) {
      const id = setup[axle][slot]
      if (!id || id === stock[axle][slot]) continue
      if (drum && (slot === 'rotor' || slot === 'pad' || slot === 'bracket')) continue
      if (slot === 'spacer' && setup[axle].spacerTrialMm !== undefined) continue
      take(id, PER_AXLE[slot], axle)
    }
  }
  for (const slot of Object.keys(HYDRAULIC_SLOTS) as HydraulicSlot[]) {
    const id = setup.hydraulics[slot]
    if (id && id !== stock.hydraulics[slot]) take(id, 1, 'hydraulics')
  }
  return [...byId.values()].flatMap((one) => {
    const pieces = one.pieces - (brought.get(one.part.id) ?? 0)
    return pieces > 0 ? [{ ...one, pieces }] : []
  })
}
