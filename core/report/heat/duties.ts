import type { Duty } from '../../heat/duty.ts'

/** A way of driving that the brakes are asked about. Tracks are invented. */
export interface NamedDuty {
  id: string
  label: string
  words: string
  duty: Duty
  /** What is counted: laps, stops; undefined for one stretch. */
  each?: { word: string; segments: number }
}

const zone = (fromKmh: number, toKmh: number, decelG: number, secondsToNext: number) => ({ fromKmh, toKmh, decelG, secondsToNext })
const laps = (id: string, label: string, words: string, count: number, zones: ReturnType<typeof zone>[], word = 'lap'): NamedDuty => ({
  id,
  label,
  words: `${count} ${word}s: ${words}`,
  duty: { kind: 'laps', laps: count, zones },
  each: { word, segments: 2 * zones.length },
})

export const DUTIES: readonly NamedDuty[] = [
  {
    id: 'fade',
    label: 'Ten stops from 100 km/h',
    words: 'ten stops from 100 km/h to a stand at 0.5 g, one after the other, back to speed at 0.25 g',
    duty: { kind: 'stops', fromKmh: 100, toKmh: 0, decelG: 0.5, count: 10, accelG: 0.25, cruiseSeconds: 5 },
    each: { word: 'stop', segments: 3 },
  },
  laps(
    'hill',
    'Hill climb, run after run',
    'four braking zones up the hill, driven five times in a row',
    5,
    [zone(95, 45, 0.8, 9), zone(110, 50, 0.8, 8), zone(90, 40, 0.8, 10), zone(105, 0, 0.5, 120)],
    'run',
  ),
  laps('kind', 'Wold Ring, kind to brakes', 'two hard zones and long straights to cool on', 12, [
    zone(150, 80, 0.8, 34),
    zone(130, 70, 0.7, 30),
  ]),
  laps('hard', 'Larkrise Short, hard on brakes', 'five zones, close together', 10, [
    zone(130, 65, 0.75, 16),
    zone(110, 60, 0.7, 13),
    zone(120, 70, 0.75, 15),
    zone(100, 55, 0.7, 12),
    zone(125, 75, 0.75, 18),
  ]),
  {
    id: 'descent',
    label: 'Down a pass',
    words: '8 km of 9 % at 60 km/h, the foot on the brake all the way',
    duty: { kind: 'descent', gradePercent: 9, lengthM: 8000, kmh: 60 },
  },
]
