import type { Axle, AxleSlot, HydraulicSlot, Part } from '../records/project.ts'

/** A place that takes a part: "front.caliper", "masterCylinder". */
export type SlotId = `${Axle}.${AxleSlot}` | HydraulicSlot
/** What stands in each place; null: nothing on purpose, undefined: not known. */
export type Assignment = Partial<Record<SlotId, Part | null | undefined>>
