import fc from 'fast-check'
import { DEMO_PROJECT } from '../demo/project.ts'
import { AXLE_SLOTS, HYDRAULIC_SLOTS, type AxleSlot, type HydraulicSlot } from '../records/setup.ts'
import type { Project } from '../records/project.ts'

/** The setup of the demo that is filled at random. */
export const SETUP = 'estate-fronts'

const partsFor = (kinds: readonly string[]) => DEMO_PROJECT.parts.filter((one) => kinds.includes(one.kind)).map((one) => one.id)
const slotsOf = (slots: Record<string, { nothing: boolean; kinds: readonly string[] }>) =>
  fc.record(
    Object.fromEntries(
      Object.entries(slots).map(([slot, { nothing, kinds }]) => [
        slot,
        fc.constantFrom(undefined, ...(nothing ? [null] : []), ...partsFor(kinds)),
      ]),
    ),
  )
const axleParts = slotsOf(AXLE_SLOTS satisfies Record<AxleSlot, unknown>)
const hydraulicParts = slotsOf(HYDRAULIC_SLOTS satisfies Record<HydraulicSlot, unknown>)

interface SetupParts {
  front: object
  rear: object
  hydraulics: object
}

/** Parts of the demo's library in all slots, whether they go together or not. */
export const randomSetup: fc.Arbitrary<SetupParts> = fc.record({ front: axleParts, rear: axleParts, hydraulics: hydraulicParts })

/** The demo with one setup of these parts. */
export function withSetup(parts: SetupParts): Project {
  // only the setups are changed by those who ask: parts are shared
  const project: Project = { ...DEMO_PROJECT, setups: structuredClone(DEMO_PROJECT.setups) }
  const setup = project.setups.find((one) => one.id === SETUP)!
  const clean = (of: object) => Object.fromEntries(Object.entries(of).filter(([, value]) => value !== undefined))
  Object.assign(setup, { front: clean(parts.front), rear: clean(parts.rear), hydraulics: clean(parts.hydraulics) })
  return project
}
