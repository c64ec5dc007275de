import type { BuildLog } from '../records/build-log.ts'
import type { LockUpObservation, StopTest, WearReading, GaugeSession, HeatReading } from '../records/logbook.ts'
import type { OwnCycle } from '../records/drive-cycle.ts'
import { figure } from '../quantity/figure.ts'

/** Two evenings on the closed airfield road: what the club wrote down. Everything is invented. */
const stop = (
  id: string,
  date: string,
  fromKmh: number,
  distanceM: number,
  rotorC: number,
  surface: StopTest['surface'] = 'dry',
): StopTest => ({
  id,
  date,
  setupId: 'as-it-stands',
  fromKmh,
  distanceM,
  surface,
  load: 'driver',
  abs: false,
  airC: 14,
  rotorC,
  tyre: 'Club road tyre',
  track: 'Larkrise airfield',
  driver: 'Mara',
})
export const DEMO_STOPS: StopTest[] = [
  stop('stop-1', '2026-09-12', 99.4, 51.3, 60),
  stop('stop-2', '2026-09-12', 100.8, 53.4, 70),
  stop('stop-3', '2026-09-12', 101.2, 52.2, 80),
  stop('stop-4', '2026-09-12', 94.6, 46.5, 85),
  stop('stop-5', '2026-09-19', 99.8, 68.1, 45, 'wet'),
  stop('stop-6', '2026-09-19', 100.5, 70.3, 50, 'wet'),
  stop('stop-7', '2026-09-19', 101.1, 70.0, 55, 'wet'),
]
export const DEMO_SIGHTINGS: LockUpObservation[] = [
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
  {
    id: 'lock-2',
    date: '2026-09-19',
    setupId: 'as-it-stands',
    surface: 'wet',
    load: 'driver',
    axle: 'front',
    atG: 0.56,
    fromKmh: 60,
    track: 'Larkrise airfield',
  },
]

/** Both lines at a gauge each, pedal pressed a little harder every time; a twentieth of a megapascal is what a gauge shows. */
export const DEMO_GAUGES: GaugeSession[] = [
  {
    id: 'gauges-1',
    date: '2026-09-05',
    setupId: 'as-it-stands',
    track: 'Club garage',
    pairs: [
      [0, 0],
      [0.6, 0.6],
      [1.1, 1.1],
      [1.7, 1.75],
      [2.25, 2.2],
      [2.75, 2.75],
      [3.4, 3.1],
      [4.25, 3.45],
      [5.15, 3.8],
      [5.95, 4.1],
    ],
    note: 'Engine running.',
  },
]

/** Front pads of the current car, with their backing plates. */
const lining = (id: string, date: string, events: number, inner: number, outer: number): WearReading => ({
  id,
  date,
  axle: 'front',
  side: 'left',
  events,
  setupId: 'as-it-stands',
  pad: 'stock-front-pad',
  rotor: 'stock-front-rotor',
  innerLeadingMm: inner,
  innerTrailingMm: inner - 0.2,
  outerLeadingMm: outer,
  outerTrailingMm: outer - 0.1,
})
export const DEMO_WEAR: WearReading[] = [
  lining('wear-1', '2026-06-14', 3, 14.6, 14.9),
  lining('wear-2', '2026-07-19', 5, 13.5, 14),
  lining('wear-3', '2026-09-13', 8, 12.1, 12.7),
]

/** After a day on the club's hill. */
export const demoHeat = ({ name, duty }: OwnCycle): HeatReading[] => [
  {
    id: 'heat-1',
    date: '2026-09-13',
    setupId: 'as-it-stands',
    driving: { name, duty },
    axle: 'front',
    lump: 'ring',
    method: 'paint',
    readC: 420,
    afterS: 0,
    airC: 16,
    parts: ['stock-front-caliper', 'stock-front-rotor', 'stock-front-pad'],
  },
]

/** The club is half through fitting the four-piston calipers. */
const DONE_ON = '2026-10-03'
export const DEMO_BUILDS: BuildLog[] = [
  {
    id: 'balanced',
    notes: [
      ...['read', 'lay-out', 'lift', 'front.wheelOff', 'front.aside', 'front.rotorOff', 'front.hub', 'front.rotor'].map((id) => ({
        id,
        doneOn: DONE_ON,
      })),
      { id: 'front.runout', doneOn: DONE_ON, note: 'Run-out 0.03 mm at the edge, left and right.' },
      { id: 'front.bracket', doneOn: DONE_ON },
    ],
    torques: [
      {
        id: 'front.bracket',
        torque: figure(85, 'published', { date: DONE_ON, note: 'Quernhill bracket sheet, page 2' }),
      },
    ],
  },
]
