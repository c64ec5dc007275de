import type { Axle } from '../quantity/axle.ts'
import type { AxleSlot, HydraulicSlot } from '../records/setup.ts'
import type { Part } from '../records/part.ts'

/** A place that takes a part: "front.caliper", "masterCylinder". */
export type SlotId = `${Axle}.${AxleSlot}` | HydraulicSlot
/** What stands in each place; null: nothing on purpose, undefined: not known. */
export type Assignment = Partial<Record<SlotId, Part | null | undefined>>
