import { AXLES, type Axle } from '../quantity/axle.ts'
import { HYDRAULIC_SLOTS, type AxleSlot, type HydraulicSlot, type Setup } from '../records/setup.ts'
import type { Part } from '../records/part.ts'
import type { Project } from '../records/project.ts'
import { resolveSetup, spacerInUseMm, stockSetup, type ResolvedAxle } from '../records/resolve.ts'

export interface AxleChanges {
  axle: Axle
  now: ResolvedAxle
  was: ResolvedAxle
  /** Slots that hold something else than on the car as it stands. */
  slots: ReadonlySet<AxleSlot>
  shims: boolean
  duct: boolean
  padShims: boolean
}
export interface SetupChanges {
  axles: Record<Axle, AxleChanges>
  hydraulics: ReadonlySet<HydraulicSlot>
  /** A bar, knee or pedal ratio that is set otherwise. */
  barSet: boolean
  kneeSet: boolean
  pedalRatio: boolean
  /** Front share that the bar of this setup is set to. */
  barFrontShare: number | undefined
  now: ReturnType<typeof resolveSetup>
  was: ReturnType<typeof resolveSetup>
}

const DISC_ALONE: readonly AxleSlot[] = ['rotor', 'pad', 'bracket']
const other = (now: Part | null | undefined, was: Part | null | undefined) => now !== undefined && (now?.id ?? null) !== (was?.id ?? null)

/** What a setup changes on the car as it stands. */
export function changesOf(project: Project, setup: Setup): SetupChanges {
  const now = resolveSetup(project, setup)
  const stock = stockSetup(project)
  const was = resolveSetup(project, stock)
  const axle = (at: Axle): AxleChanges => {
    const [a, b] = [now[at], was[at]]
    const drum = a.caliper?.kind === 'drum'
    const slots = (['caliper', 'bracket', 'rotor', 'pad', 'hose', 'wheel'] as const).filter(
      (slot) => other(a[slot], b[slot]) && !(drum && DISC_ALONE.includes(slot)),
    )
    const spacer = spacerInUseMm(a) !== undefined && (spacerInUseMm(a) !== spacerInUseMm(b) || other(a.spacer, b.spacer))
    return {
      axle: at,
      now: a,
      was: b,
      slots: new Set<AxleSlot>(spacer ? [...slots, 'spacer'] : slots),
      shims: a.shimMm !== b.shimMm,
      duct: a.duct && !b.duct,
      padShims: a.padShims && !b.padShims,
    }
  }
  const hydraulics = (Object.keys(HYDRAULIC_SLOTS) as HydraulicSlot[]).filter((slot) => other(now[slot], was[slot]))
  const { barFrontShare, valveKneeMpa, pedalRatio } = setup.hydraulics
  const set = (a: { value: number } | undefined, b: { value: number } | undefined) => a !== undefined && a.value !== b?.value
  return {
    axles: Object.fromEntries(AXLES.map((at) => [at, axle(at)])) as Record<Axle, AxleChanges>,
    hydraulics: new Set(hydraulics),
    barSet: set(barFrontShare, stock.hydraulics.barFrontShare),
    kneeSet: set(valveKneeMpa, stock.hydraulics.valveKneeMpa),
    pedalRatio: set(pedalRatio, stock.hydraulics.pedalRatio),
    barFrontShare: barFrontShare?.value,
    now,
    was,
  }
}

/** Whether there is work at the wheels of an axle. */
export const worksAt = ({ slots, shims, duct, padShims }: AxleChanges): boolean => slots.size > 0 || shims || duct || padShims

/** Whether the hydraulics of an axle are opened at the wheel. */
export const opensAt = ({ slots }: AxleChanges): boolean => slots.has('caliper') || slots.has('hose')

/** Parts that open the hydraulics of the whole car. */
export const OPENING_ALL: readonly HydraulicSlot[] = ['masterCylinder', 'valve', 'handLever']
