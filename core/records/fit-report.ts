import { axleName } from './bundle.ts'
import { OTHER_LIMITS } from './field.ts'
import { boundFigure, date, defineRecord, id, name, needed, note, number, oneOf, string, type ValueOf } from './record.ts'

/** Someone's word on a wheel over a caliper. Names, not ids: most of them come from elsewhere. */
export const fitReportRecord = defineRecord({
  id: id(),
  car: name(),
  axle: axleName(),
  caliper: name(),
  rotor: string(),
  wheel: name(),
  spacerMm: number(0, 60, ' mm', { tooSmall: 'must not be negative', tooLarge: 'at most 60 mm' }),
  outcome: needed(oneOf(['clears', 'touches'], { mismatch: 'must be clears or touches' }), 'the outcome is missing'),
  gapMm: boundFigure('length', OTHER_LIMITS.gapMm),
  by: string(),
  date: date(),
  note: note(),
})
export type FitReport = ValueOf<typeof fitReportRecord>
