import { DEFAULT_PREFERENCES } from '../records/blank.ts'
import { FORMAT, VERSION, type Project } from '../records/project.ts'
import type { ExtraLine, Setup } from '../records/setup.ts'
import type { OwnCycle } from '../records/drive-cycle.ts'
import { figure } from '../quantity/figure.ts'
import { DEMO_BUNDLES } from './bundles.ts'
import { DEMO_BUILDS, DEMO_GAUGES, demoHeat, DEMO_SIGHTINGS, DEMO_STOPS, DEMO_WEAR } from './logbook.ts'
import { DEMO_FIT_REPORTS } from './fit-reports.ts'
import { LIBRARY_PARTS } from './library.ts'
import { SETUP_PARTS } from './parts.ts'

const weighed = (value: number) => figure(value, 'measured', { date: '2026-08-30' })
const published = (value: number) => figure(value, 'published', { date: '2026-09-03' })
const EUR = { currency: 'EUR', pieces: 1 } as const

const studs = {
  fastener: 'studs',
  studLengthMm: weighed(38),
  threadMm: published(12),
  pitchMm: published(1.5),
  tipMm: weighed(2.5),
  holdingThread: 'M12 x 1.5',
  holdingThreadMm: weighed(17),
  nutEnd: 'open',
  registerHeightMm: weighed(14),
  nutSeat: 'cone',
  mountType: 'lug',
  mountSide: 'inboard',
  knuckleMaterial: 'steel',
  lineThread: 'M10 x 1',
  lineSeat: 'bubble flare',
  absRing: 'none',
} as const
const frontKnuckle = {
  mountFaceMm: weighed(-38),
  mountSpacingMm: weighed(130),
  mountThread: 'M12 x 1.5',
  mountBoltMm: published(12),
  mountDepthMm: weighed(22),
  flangeDiameterMm: weighed(136),
  hatRoomMm: weighed(58),
  shield: 'fitted',
  shieldRadiusMm: weighed(150),
  hosePathMm: weighed(330),
} as const
const rearKnuckle = {
  mountFaceMm: weighed(-32),
  mountSpacingMm: weighed(104),
  mountThread: 'M10 x 1.25',
  mountBoltMm: published(10),
  mountDepthMm: weighed(20),
  flangeDiameterMm: weighed(128),
  hatRoomMm: weighed(52),
  shield: 'none',
  hosePathMm: weighed(255),
} as const

const fluidAndBits: ExtraLine[] = [
  {
    id: 'fluid',
    label: 'Brake fluid, 1 litre',
    kind: 'consumable',
    quantity: 1,
    price: { lowMinor: 1400, likelyMinor: 1600, highMinor: 1900, ...EUR },
  },
  {
    id: 'bits',
    label: 'Washers, grease, cleaner',
    kind: 'consumable',
    quantity: 1,
    price: { lowMinor: 1500, likelyMinor: 1800, highMinor: 2600, ...EUR },
  },
]

const CLUB_DAY: OwnCycle = {
  id: 'club-day',
  name: 'Larkrise hill, a club day',
  note: 'Four runs, and the drive back down the hill after each.',
  duty: {
    kind: 'laps',
    laps: 4,
    zones: [
      { fromKmh: 95, toKmh: 45, decelG: 0.8, secondsToNext: 9 },
      { fromKmh: 110, toKmh: 50, decelG: 0.8, secondsToNext: 8 },
      { fromKmh: 90, toKmh: 40, decelG: 0.8, secondsToNext: 10 },
      { fromKmh: 105, toKmh: 0, decelG: 0.5, secondsToNext: 240 },
    ],
    down: { kind: 'descent', gradePercent: 8, lengthM: 1400, kmh: 35 },
  },
}

/** What the club expects to wear in a season. */
const lasts = (events: number) => ({ lastsEvents: figure(events, 'estimated', { date: '2026-09-20' }) })
const wear = (frontPads: number): NonNullable<Setup['wear']> => ({
  frontPads: lasts(frontPads),
  rearPads: lasts(24),
  frontRotors: lasts(60),
  fluid: lasts(12),
})

/** The hill-climb club's shared hatchback with its stock brakes and three setups that teach. Everything is invented. */
export const DEMO_PROJECT: Project = {
  format: FORMAT,
  version: VERSION,
  id: 'larkrise-club-hatch',
  name: 'Larkrise club hatchback',
  note: 'Shared car of the Larkrise Hill-Climb Club. All cars, parts, makers and prices are invented.',
  car: {
    name: 'Pellin Sprig, club car 7',
    uses: ['daily', 'hillClimb'],
    parkingBrake: 'lever',
    massKg: weighed(1010),
    ladenMassKg: published(1340),
    staticFrontShare: weighed(0.63),
    ladenStaticFrontShare: published(0.55),
    cgHeightMm: figure(510, 'estimated', { date: '2026-08-30' }),
    wheelbaseMm: published(2440),
    tyreDry: figure(0.86, 'estimated', { date: '2026-09-06' }),
    tyreWet: figure(0.6, 'estimated', { date: '2026-09-06' }),
    tyreLoose: figure(0.4, 'estimated', { date: '2026-09-06' }),
    driven: 'front',
    engineDragN: figure(350, 'estimated', { date: '2026-09-06' }),
    pedalRatio: weighed(4.2),
    pedalTravelMm: weighed(152),
    abs: 'none',
    climate: 'usual',
    dragAreaM2: figure(0.65, 'estimated', { date: '2026-09-06' }),
    rollingShare: figure(0.012, 'estimated', { date: '2026-09-06' }),
    circuits: 'frontRear',
    outlets: weighed(2),
    reservoirAbove: 'yes',
    sealsFor: 'glycol',
    masterFlange: 'two bolts, 82 apart',
    masterPilotMm: weighed(42),
    pushrodReachMm: weighed(13.5),
    masterLineThread: 'M10 x 1',
    masterLineSeat: 'bubble flare',
    front: {
      tyreRadiusMm: weighed(283),
      boltCount: published(4),
      boltCircleMm: published(104),
      registerMm: weighed(62),
      ...studs,
      ...frontKnuckle,
    },
    rear: {
      tyreRadiusMm: weighed(284),
      boltCount: published(4),
      boltCircleMm: published(104),
      registerMm: weighed(62),
      ...studs,
      ...rearKnuckle,
    },
  },
  parts: [...SETUP_PARTS, ...LIBRARY_PARTS],
  bundles: DEMO_BUNDLES,
  fitReports: DEMO_FIT_REPORTS,
  gaugeSessions: DEMO_GAUGES,
  duties: [CLUB_DAY],
  heatReadings: demoHeat(CLUB_DAY),
  stopTests: DEMO_STOPS,
  lockSightings: DEMO_SIGHTINGS,
  wearReadings: DEMO_WEAR,
  builds: DEMO_BUILDS,
  setups: [
    {
      id: 'as-it-stands',
      name: 'Current car',
      front: {
        caliper: 'stock-front-caliper',
        bracket: null,
        rotor: 'stock-front-rotor',
        pad: 'stock-front-pad',
        hose: 'stock-front-hose',
        wheel: 'club-wheel',
        spacer: null,
        seen: { rules: ['knuckle-clear'], parts: ['stock-front-caliper', 'stock-front-rotor', 'stock-front-pad'], shimMm: 0 },
      },
      rear: {
        caliper: 'stock-rear-caliper',
        bracket: null,
        rotor: 'stock-rear-rotor',
        pad: 'stock-rear-pad',
        hose: 'stock-rear-hose',
        wheel: 'club-wheel',
        spacer: null,
        seen: { rules: ['knuckle-clear', 'parking-hold'], parts: ['stock-rear-caliper', 'stock-rear-rotor', 'stock-rear-pad'], shimMm: 0 },
      },
      hydraulics: { masterCylinder: 'stock-master', booster: 'stock-booster', valve: 'stock-valve', fluid: 'stock-fluid', handLever: null },
      extras: [],
    },
    {
      id: 'estate-fronts',
      name: 'Estate fronts',
      note: 'Cheap and strong, off a donor. The face comes too near the spokes.',
      front: { caliper: 'estate-front-caliper', rotor: 'estate-front-rotor', pad: 'estate-front-pad' },
      rear: {},
      hydraulics: {},
      extras: fluidAndBits,
      wear: wear(14),
    },
    {
      id: 'big-kit',
      name: 'Twin-piston kit',
      note: 'Clears, and looks the part. See what it does to the bias and the pedal.',
      front: { caliper: 'kit2-caliper', bracket: 'kit-bracket', rotor: 'kit2-rotor', pad: 'kit2-pad' },
      rear: {},
      hydraulics: {},
      extras: fluidAndBits,
      wear: wear(12),
    },
    {
      id: 'balanced',
      name: 'Four-piston, rear to match',
      note: 'Smaller pistons on a larger rotor, rear pads and valve set to go with them.',
      front: { caliper: 'kit4-caliper', bracket: 'kit-bracket', rotor: 'kit4-rotor', pad: 'kit4-pad', hose: 'braided-front-hose' },
      rear: { pad: 'rear-fast-pad' },
      hydraulics: { valve: 'adjustable-valve' },
      extras: fluidAndBits,
      wear: wear(10),
    },
  ],
  preferences: DEFAULT_PREFERENCES,
}
