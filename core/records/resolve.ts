import type { PartKind } from './part-kinds.ts'
import { AXLE_SLOTS, HYDRAULIC_SLOTS, type AxleSlot, type HydraulicSlot, type Setup, type Slot } from './setup.ts'
import type { Axle } from '../quantity/axle.ts'
import type { PartOf } from './part.ts'
import type { Project } from './project.ts'

/** What stands in a slot once "as it stands" is followed: a part, nothing on purpose, or unknown. */
type FilledSetup<P> = P | null | undefined

export interface ResolvedAxle {
  caliper: FilledSetup<PartOf<'caliper'> | PartOf<'drum'>>
  bracket: FilledSetup<PartOf<'bracket'>>
  rotor: FilledSetup<PartOf<'rotor'>>
  pad: FilledSetup<PartOf<'pad'>>
  hose: FilledSetup<PartOf<'hose'>>
  wheel: FilledSetup<PartOf<'wheel'>>
  spacer: FilledSetup<PartOf<'spacer'>>
  spacerTrialMm: number | undefined
  shimMm: number
  /** Cooling hose and insulating shims, where the setup has them. */
  duct: boolean
  padShims: boolean
}

export interface ResolvedSetup {
  front: ResolvedAxle
  rear: ResolvedAxle
  masterCylinder: FilledSetup<PartOf<'masterCylinder'>>
  booster: FilledSetup<PartOf<'booster'>>
  valve: FilledSetup<PartOf<'valve'>>
  fluid: FilledSetup<PartOf<'fluid'>>
  handLever: FilledSetup<PartOf<'handLever'>>
}

export const stockSetup = (project: Project): Setup => project.setups[0]

export function findSetup(project: Project, setupId: string): Setup | undefined {
  return project.setups.find((setup) => setup.id === setupId)
}

/** The slot as the setup means it: its own filling, or that of the car as it stands. */
export function slotOf(project: Project, setup: Setup, axle: Axle, slot: AxleSlot): Slot {
  const own = setup[axle][slot]
  return own === undefined ? stockSetup(project)[axle][slot] : own
}

/** The spacer between hub and wheel, mm; undefined while it is not known. */
export function spacerInUseMm(axle: Pick<ResolvedAxle, 'spacer' | 'spacerTrialMm'>): number | undefined {
  return axle.spacerTrialMm ?? (axle.spacer === null ? 0 : axle.spacer?.thicknessMm?.value)
}

/** Follows every slot of a setup to its part. A caliper slot that holds a drum leaves disc parts aside. */
export function resolveSetup(project: Project, setup: Setup): ResolvedSetup {
  const stock = stockSetup(project)
  const follow = <K extends PartKind>(slot: Slot, kinds: readonly K[]): FilledSetup<PartOf<K>> => {
    if (slot === null || slot === undefined) return slot
    // a dozen slots are looked up quicker than all parts are indexed
    const part = project.parts.find((one) => one.id === slot)
    return part && (kinds as readonly string[]).includes(part.kind) ? (part as PartOf<K>) : undefined
  }
  const axle = (which: Axle): ResolvedAxle => {
    const get = <S extends AxleSlot>(slot: S) =>
      follow<(typeof AXLE_SLOTS)[S]['kinds'][number]>(slotOf(project, setup, which, slot), AXLE_SLOTS[slot].kinds)
    const own = setup[which]
    // a spacer chosen here outranks a trial of the car as it stands
    const spacerTrialMm = own.spacerTrialMm ?? (own.spacer === undefined ? stock[which].spacerTrialMm : undefined)
    return {
      caliper: get('caliper'),
      bracket: get('bracket'),
      rotor: get('rotor'),
      pad: get('pad'),
      hose: get('hose'),
      wheel: get('wheel'),
      spacer: get('spacer'),
      spacerTrialMm,
      // shims belong to the caliper they were cut for
      duct: own.duct ?? stock[which].duct ?? false,
      // shims lie on the pads and pistons they were made for
      padShims: own.padShims ?? (own.caliper === undefined ? (stock[which].padShims ?? false) : false),
      shimMm: own.shimMm ?? (own.caliper === undefined ? (stock[which].shimMm ?? 0) : 0),
    }
  }
  const hydraulic = <S extends HydraulicSlot>(slot: S) => {
    const own = setup.hydraulics[slot]
    return follow<(typeof HYDRAULIC_SLOTS)[S]['kinds'][number]>(
      own === undefined ? stock.hydraulics[slot] : own,
      HYDRAULIC_SLOTS[slot].kinds,
    )
  }
  return {
    front: axle('front'),
    rear: axle('rear'),
    masterCylinder: hydraulic('masterCylinder'),
    booster: hydraulic('booster'),
    valve: hydraulic('valve'),
    fluid: hydraulic('fluid'),
    handLever: hydraulic('handLever'),
  }
}
