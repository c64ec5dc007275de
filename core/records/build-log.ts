import { date, defineRecord, flag, group, id, keyOf, labelled, list, needed, note, orNull, boundFigure, type ValueOf } from './record.ts'
import { jpeg } from './record-fields.ts'

export const BLEEDINGS = {
  pedal: 'two people and the pedal',
  oneMan: 'one person, a bottle with a valve',
  pressure: 'pressure at the reservoir',
  vacuum: 'vacuum at the screw',
} as const
export type Bleeding = keyof typeof BLEEDINGS

/** A step of the work order: done when, what was seen. The id is the step's. */
const buildNote = defineRecord({ id: id(), doneOn: date(), note: note(), picture: jpeg() })
export type BuildNote = ValueOf<typeof buildNote>
/** A torque as it was read, never made up here. The id says which bolts: `front.caliper`. */
const buildTorque = defineRecord({ id: id(), torque: needed(boundFigure('torque', [0.5, 1000]), 'the torque is missing') })

/** The build of one setup, whose id it has: what is ticked, noted and read. */
export const buildRecord = defineRecord({
  id: id(),
  notes: labelled('steps', needed(list(group(buildNote), 400))),
  torques: labelled('torques', needed(list(group(buildTorque), 100))),
  /** In stages with a test between; dates in their order. */
  staged: flag(),
  dates: list(orNull(date()), 20),
  /** How it is bled. */
  bleeding: keyOf(BLEEDINGS),
})
export type BuildLog = ValueOf<typeof buildRecord>
