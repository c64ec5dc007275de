import type { LockSighting, StopTest } from '../model/logbook.ts'

/** Two evenings on the closed airfield road: what the club wrote down. Everything is invented. */
const stop = (id: string, date: string, setupId: string, fromKmh: number, distanceM: number, rotorC: number): StopTest => ({
  id,
  date,
  setupId,
  fromKmh,
  distanceM,
  surface: 'dry',
  load: 'driver',
  abs: false,
  airC: 14,
  rotorC,
  tyre: 'Club road tyre',
  track: 'Larkrise airfield',
  driver: 'Mara',
})
export const DEMO_STOPS: StopTest[] = [
  stop('stop-1', '2026-09-12', 'as-it-stands', 99.4, 51.3, 60),
  stop('stop-2', '2026-09-12', 'as-it-stands', 100.8, 53.4, 70),
  stop('stop-3', '2026-09-12', 'as-it-stands', 101.2, 52.2, 80),
  stop('stop-4', '2026-09-12', 'as-it-stands', 94.6, 46.5, 85),
]
export const DEMO_SIGHTINGS: LockSighting[] = [
  {
    id: 'lock-1',
    date: '2026-09-12',
    setupId: 'as-it-stands',
    surface: 'dry',
    load: 'driver',
    axle: 'front',
    atG: 0.82,
    fromKmh: 60,
    track: 'Larkrise airfield',
    note: 'Left front first, seen by the marshal.',
  },
]
