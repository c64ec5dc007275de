import type { PartKind } from '../records/part-kinds.ts'
import { AXLE_SLOTS, HYDRAULIC_SLOTS, type AxleSlot, type HydraulicSlot, type Setup } from '../records/setup.ts'
import type { Axle } from '../quantity/axle.ts'
import type { Bundle } from '../records/bundle.ts'
import type { Part } from '../records/part.ts'
import type { Project } from '../records/project.ts'
import { stockSetup } from '../records/resolve.ts'
import { shimLineId } from '../records/shims.ts'

/** Where a part of a kind goes: a slot of an axle, one of the hydraulics, or nowhere. */
export function slotFor(kind: PartKind): { of: 'axle'; slot: AxleSlot } | { of: 'hydraulics'; slot: HydraulicSlot } | undefined {
  const holds = ([, { kinds }]: [string, { kinds: readonly string[] }]) => kinds.includes(kind)
  const axle = Object.entries(AXLE_SLOTS).find(holds)
  if (axle) return { of: 'axle', slot: axle[0] as AxleSlot }
  const hydraulic = Object.entries(HYDRAULIC_SLOTS).find(holds)
  return hydraulic && { of: 'hydraulics', slot: hydraulic[0] as HydraulicSlot }
}

/**
 * The setup with every part of a kit or donor in its slot, bought whole where it has a price. A bracket of the setup
 * stays only when the bundle brings one: it belonged to the caliper before.
 */
export function takeBundle(setup: Setup, bundle: Bundle, parts: readonly Part[], axle: Axle = bundle.axle): Setup {
  const taken: Setup = { ...setup, [axle]: { ...setup[axle] }, hydraulics: { ...setup.hydraulics } }
  const mine = bundle.parts.flatMap((id) => parts.find((one) => one.id === id) ?? [])
  if (mine.some((part) => part.kind === 'caliper' || part.kind === 'drum')) {
    taken[axle].bracket = null
    delete taken[axle].shimMm
    taken.extras = taken.extras.filter((line) => line.id !== shimLineId(axle))
  }
  for (const part of mine) {
    const place = slotFor(part.kind)
    // a rebuild was ordered for the part that stood there
    if (place?.of === 'axle' && taken[axle][place.slot] !== part.id)
      taken.extras = taken.extras.filter((line) => line.id !== `fit.${axle}.used-part.${place.slot}`)
    if (place?.of === 'axle') taken[axle][place.slot] = part.id
    else if (place) taken.hydraulics[place.slot] = part.id
  }
  if (bundle.price) taken.taken = [...new Set([...(setup.taken ?? []), bundle.id])]
  return taken
}

/** The setup with other parts in slots of an axle, null for nothing there on purpose; a spacer that is tried goes for a chosen one. */
export function takeCompany(setup: Setup, axle: Axle, company: Readonly<Partial<Record<AxleSlot, string | null>>>): Setup {
  const taken = { ...setup[axle], ...company }
  if (company.spacer !== undefined) delete taken.spacerTrialMm
  return { ...setup, [axle]: taken }
}

/** The kits and donors that a setup buys whole: taken, and every part of theirs in a slot. */
export function boughtWhole(project: Project, setup: Setup): Bundle[] {
  if (!setup.taken?.length) return []
  const stock = stockSetup(project)
  const inSlots = new Set<unknown>(
    [stock, setup].flatMap((one) => [one.front, one.rear, one.hydraulics].flatMap((holder) => Object.values(holder))),
  )
  return setup.taken.flatMap((id) => {
    const bundle = project.bundles.find((one) => one.id === id)
    return bundle?.parts.every((part) => inSlots.has(part)) ? bundle : []
  })
}
