import { buildRecord } from './build-log.ts'
import { bundleRecord } from './bundle.ts'
import { carAxleFields, carFields } from './car-fields.ts'
import type { ValuesOf } from './field.ts'
import { ownCycleRecord } from './drive-cycle.ts'
import { fitReportRecord } from './fit-report.ts'
import { gaugeRecord, heatReadingRecord, lockUpRecord, stopTestRecord, wearRecord } from './logbook.ts'
import { anyPart } from './part.ts'
import { preferencesRecord, type Preferences } from './preferences.ts'
import {
  constant,
  defineRecord,
  group,
  id,
  labelled,
  list,
  name,
  needed,
  note,
  oneOf,
  typed,
  type RecordDefinition,
  type RecordTable,
  type ValueOf,
} from './record.ts'
import { setupRecord, type Setup } from './setup.ts'
import { QUESTION_IDS } from './start-question.ts'

/** The project file, version 10. Lengths mm, masses kg, pressures MPa, forces N, money in minor units. */

export const FORMAT = 'valiant-caliper/project'
export const VERSION = 10

type CarAxle = ValuesOf<typeof carAxleFields>
export type Car = { name: string; note?: string; front: CarAxle; rear: CarAxle } & ValuesOf<typeof carFields>
const carRecord = defineRecord({
  name: name(),
  note: note(),
  ...carFields,
  front: labelled('front', needed(group(defineRecord(carAxleFields)))),
  rear: labelled('rear', needed(group(defineRecord(carAxleFields)))),
})

const entries = <T extends RecordTable>(label: string, record: RecordDefinition<T>, most: number, words: string) =>
  labelled(label, needed(list(group(record), most, { tooLong: `at most ${most} ${words}` })))

export const projectRecord = defineRecord({
  format: constant(FORMAT),
  version: constant(VERSION),
  id: id(),
  name: name(),
  note: note(),
  /** The question it was begun with; its shortest way is offered as long as it is open. */
  question: labelled('Question', oneOf(QUESTION_IDS)),
  car: labelled('Car', needed(typed<Car>(group(carRecord)))),
  parts: labelled('Parts', needed(list(anyPart, 2000, { tooLong: 'at most 2000 parts' }))),
  /** The first is the car as it stands. */
  setups: labelled(
    'Setups',
    needed(
      typed<[Setup, ...Setup[]]>(
        list(group(setupRecord), 40, { least: 1, tooShort: 'needs at least the current car', tooLong: 'at most 40 setups' }),
      ),
    ),
  ),
  bundles: entries('Kits and donors', bundleRecord, 500, 'kits and donors'),
  fitReports: entries('Fit reports', fitReportRecord, 5000, 'fit reports'),
  gaugeSessions: entries('Gauge readings', gaugeRecord, 500, 'gauge sessions'),
  duties: entries('Sessions', ownCycleRecord, 100, 'sessions'),
  heatReadings: entries('Read temperatures', heatReadingRecord, 500, 'temperatures'),
  stopTests: entries('Stops', stopTestRecord, 2000, 'stops'),
  lockSightings: entries('Wheels that locked', lockUpRecord, 1000, 'sightings'),
  wearReadings: entries('Wear', wearRecord, 2000, 'readings of wear'),
  builds: entries('Work orders', buildRecord, 40, 'builds'),
  preferences: labelled('Preferences', needed(typed<Preferences>(group(preferencesRecord)))),
})

export type Project = ValueOf<typeof projectRecord>
