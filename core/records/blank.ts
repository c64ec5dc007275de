import { DEFAULT_UNITS } from '../quantity/units.ts'
import { FORMAT, VERSION, type Project } from './project.ts'
import type { Preferences } from './preferences.ts'
import type { Setup } from './setup.ts'

export const DEFAULT_PREFERENCES: Preferences = {
  units: DEFAULT_UNITS,
  currency: 'EUR',
  rates: [],
  taxPercent: 0,
  eventsPerSeason: 8,
  gapPolicy: 'standard',
  instrument: 'digitalCaliper',
  weightAllowanceMm: 0,
  effectiveRadius: 'mean',
  areaCounting: 'oneSide',
  referenceDecelG: 0.9,
  stopFromKmh: 100,
}

export const blankSetup = (id: string, name: string): Setup => ({ id, name, front: {}, rear: {}, hydraulics: {}, extras: [] })

/** A project in which everything is still unknown, but for the bracket and spacer that few cars have. */
export function blankProject(id: string, name: string): Project {
  return {
    format: FORMAT,
    version: VERSION,
    id,
    name,
    car: { name, front: {}, rear: {} },
    parts: [],
    setups: [
      {
        ...blankSetup('as-it-stands', 'Current car'),
        front: { bracket: null, spacer: null },
        rear: { bracket: null, spacer: null },
        hydraulics: { handLever: null },
      },
    ],
    bundles: [],
    fitReports: [],
    gaugeSessions: [],
    duties: [],
    heatReadings: [],
    stopTests: [],
    lockSightings: [],
    wearReadings: [],
    builds: [],
    preferences: DEFAULT_PREFERENCES,
  }
}
