import { amount, choice, choices, count, length, text, type FieldTable } from './field.ts'
import { USE_NAMES, USES } from './uses.ts'
import { FLUID_BASES, MOUNT_TYPES, MOUNTINGS, NUT_SEATS, PIPE_SEATS, PUSHRODS } from './field-choices.ts'

const hydraulics = { group: 'Hydraulics' } as const
const grip = { group: 'Grip and load' } as const
const heat = { group: 'Heat' } as const

export const carFields = {
  uses: choices(
    'Used for',
    USE_NAMES.map((value) => ({ value, label: USES[value].label })),
    { help: 'Select one or more. Sets the session shown first, the usual pedal force and the warnings.' },
  ),
  parkingBrake: choice('Parking brake', [
    { value: 'lever', label: 'lever and cable on the brake' },
    { value: 'electric', label: 'electric, on the brake' },
    { value: 'shoes', label: 'shoes in the rotor’s hat' },
    { value: 'separate', label: 'a caliper of its own' },
    { value: 'transmission', label: 'on the transmission' },
    { value: 'none', label: 'none' },
  ]),
  massKg: amount('Mass, driver only', 'mass', 300, 5000, { help: 'As it is driven, with driver and half a tank.' }),
  ladenMassKg: amount('Mass, fully laden', 'mass', 300, 6000),
  staticFrontShare: amount('Front share of the mass', 'share', 0.2, 0.8, {
    help: 'Standing still, driver only: front scales over all scales.',
  }),
  ladenStaticFrontShare: amount('Front share, fully laden', 'share', 0.2, 0.8),
  cgHeightMm: length('Height of the centre of gravity', 200, 1200),
  wheelbaseMm: length('Wheelbase', 1500, 4500),
  tyreDry: amount('Tyre friction, dry', 'number', 0.3, 2, { help: '0.9 assumed when unknown.', ...grip }),
  tyreWet: amount('Tyre friction, wet', 'number', 0.1, 1.6, { help: '0.6 assumed when unknown.', ...grip }),
  tyreLoose: amount('Tyre friction, loose', 'number', 0.1, 1.2, { help: '0.4 assumed when unknown.', ...grip }),
  driven: choice(
    'Driven wheels',
    [
      { value: 'front', label: 'front' },
      { value: 'rear', label: 'rear' },
      { value: 'all', label: 'all' },
    ],
    grip,
  ),
  engineDragN: amount('Engine drag at the road', 'force', 0, 5000, {
    help: 'Engine braking force at the road, clutch engaged.',
    ...grip,
  }),
  downforceFrontN: amount('Downforce, front axle', 'force', -3000, 20000, { help: 'At the speed used in Balance.', ...grip }),
  downforceRearN: amount('Downforce, rear axle', 'force', -3000, 20000, grip),
  ownMassKg: amount('Own case: mass', 'mass', 300, 6000, { help: 'Fuel burnt, a passenger, a trailer’s ball load.', ...grip }),
  ownStaticFrontShare: amount('Own case: front share', 'share', 0.2, 0.8, grip),
  ownCgHeightMm: length('Own case: centre of gravity', 200, 1200, grip),
  pedalRatio: amount('Pedal ratio', 'number', 1, 12, { help: 'Pad travel over pushrod travel.' }),
  pedalEfficiency: amount('Pedal efficiency', 'share', 0.5, 1, { help: '85% assumed when unknown.' }),
  pedalTravelMm: length('Pedal travel to the floor', 30, 250, { help: 'At the pedal pad, from rest to its stop.', ...hydraulics }),
  abs: choice(
    'Anti-lock',
    [
      { value: 'none', label: 'none' },
      { value: 'abs', label: 'anti-lock' },
      { value: 'absAndDistribution', label: 'ABS with electronic rear distribution (EBD)' },
    ],
    hydraulics,
  ),
  circuits: choice(
    'Circuits',
    [
      { value: 'frontRear', label: 'front and rear' },
      { value: 'diagonal', label: 'diagonal' },
      { value: 'single', label: 'one for all' },
    ],
    hydraulics,
  ),
  outlets: count('Lines from the master cylinder', 1, 6, hydraulics),
  bleedOrder: choice(
    'Car maker’s bleeding order',
    [
      { value: 'farthestFirst', label: 'farthest wheel first' },
      { value: 'nearestFirst', label: 'nearest wheel first' },
      { value: 'diagonal', label: 'by diagonals' },
    ],
    hydraulics,
  ),
  reservoirAbove: choice(
    'Reservoir above the calipers',
    [
      { value: 'yes', label: 'yes' },
      { value: 'no', label: 'no, under the floor' },
    ],
    hydraulics,
  ),
  sealsFor: choice('Seals of the hydraulics made for', FLUID_BASES, hydraulics),
  masterFlange: text('Master cylinder flange', 60, { help: 'As two bolts, 82 apart, upright.', ...hydraulics }),
  masterPilotMm: length('Master cylinder pilot', 15, 90, hydraulics),
  pushrodReachMm: length('Pushrod beyond the flange', 0, 60, {
    help: 'At rest. Longer than the depth to the piston, and the brakes drag.',
    ...hydraulics,
  }),
  bareMounting: choice('Master cylinder on the bulkhead, without a booster', MOUNTINGS, {
    help: 'Only where the booster is to be removed.',
    ...hydraulics,
  }),
  barePushrod: choice('Pushrod without the booster', PUSHRODS, { help: 'From the pedal straight to the master cylinder.', ...hydraulics }),
  masterLineThread: text('Thread of the lines at the master cylinder', 40, hydraulics),
  measuredTravelMm: length('Pedal travel that was measured', 5, 250, {
    help: 'At the pedal pad of the current car, at the force below. Calibrates every travel in the project.',
    ...hydraulics,
  }),
  measuredTravelForceN: amount('… at a pedal force of', 'force', 20, 1500, hydraulics),
  masterLineSeat: choice('Port seat at the master cylinder', PIPE_SEATS, hydraulics),
  dragAreaM2: amount('Air drag, Cd times area, m²', 'number', 0.2, 3, { help: '0.65 assumed when unknown.', ...heat }),
  rollingShare: amount('Rolling resistance', 'share', 0.004, 0.06, { help: 'Share of the weight. 1.2% assumed when unknown.', ...heat }),
  climate: choice(
    'Climate',
    [
      { value: 'usual', label: 'usual' },
      { value: 'humid', label: 'humid: coast, tropics, a wet shed' },
    ],
    { help: 'Sets how fast the fluid absorbs water. Humid is assumed when unknown.', ...heat },
  ),
} as const satisfies FieldTable

/** The same fields under one heading. */
const inGroup = <T extends FieldTable>(group: string, fields: T): T =>
  Object.fromEntries(Object.entries(fields).map(([key, field]) => [key, { ...field, group }])) as unknown as T

/** The hub and tyre at one axle. */
export const carAxleFields = {
  tyreRadiusMm: length('Tyre rolling radius', 200, 500, { help: 'Roll-out of one turn divided by 2 pi.' }),
  boltCount: count('Wheel bolts or studs', 3, 8),
  boltCircleMm: length('Bolt circle', 80, 210),
  registerMm: length('Hub register', 30, 180, { help: 'Diameter that centres wheel and rotor.' }),
  registerHeightMm: length('Register height', 0, 60, { help: 'From the hub face to the end of the hub register.' }),
  ...inGroup('Wheel studs, nuts and bolts', {
    fastener: choice('Wheel held by', [
      { value: 'studs', label: 'studs and nuts' },
      { value: 'bolts', label: 'bolts' },
    ]),
    studLengthMm: length('Stud or bolt length', 10, 140, {
      help: 'Studs: from hub face to end. For bolts, from the nut seat in the wheel to the end.',
    }),
    threadMm: length('Thread diameter', 8, 20),
    pitchMm: length('Thread pitch', 0.8, 2.5),
    tipMm: length('Thread missing at the tip', 0, 25, { help: 'Of stud or bolt: a plain or chamfered end holds nothing.' }),
    nutEnd: choice(
      'Wheel nuts are',
      [
        { value: 'open', label: 'open at the end' },
        { value: 'closed', label: 'closed' },
      ],
      { when: { field: 'fastener', is: 'studs' } },
    ),
    holdingThread: text('Thread of the nuts, or in the hub', 40, { help: 'As M12 x 1.5.' }),
    holdingThreadMm: length('Length of that thread', 4, 60, { help: 'In the nut; for bolts, in the hub flange.' }),
    endRoomMm: length('Space for the end', 5, 150, {
      help: 'Closed nuts: from seat to bottom. For bolts, from hub face to the first obstacle behind it.',
    }),
    nutSeat: choice('Seat of nuts or bolts', NUT_SEATS),
    nutSeatRadiusMm: length('Radius of their ball seat', 8, 20, { when: { field: 'nutSeat', is: 'ball' } }),
  }),
  ...inGroup('Caliper mount', {
    mountType: choice('Caliper mount', MOUNT_TYPES),
    mountSide: choice('Caliper sits on the mount’s', [
      { value: 'outboard', label: 'outboard face' },
      { value: 'inboard', label: 'inboard face' },
    ]),
    mountFaceMm: length('Caliper mount face', -150, 100, {
      help: 'From the hub face, + outboard. Needed for calipers measured from their mount.',
    }),
    mountRadiusMm: length('Caliper mount radius', 50, 250, {
      help: 'From the hub centre to the mount bolts. Needed for calipers measured from their mount.',
    }),
    mountSpacingMm: length('Caliper mount bolt spacing', 40, 320),
    mountThread: text('Caliper mount thread', 40),
    mountBoltMm: length('Caliper mount bolt diameter', 6, 20),
    mountDepthMm: length('Depth of thread in the mount', 5, 80),
    knuckleMaterial: choice('Knuckle', [
      { value: 'steel', label: 'steel or iron' },
      { value: 'aluminium', label: 'aluminium' },
    ]),
  }),
  ...inGroup('Around the rotor', {
    flangeDiameterMm: length('Hub flange diameter', 60, 260, { help: 'The rotor’s hat must clear it.' }),
    hatRoomMm: length('Space for the hat behind the hub face', 5, 150, {
      help: 'From the hub face inboard to the first thing the hat’s open end would meet.',
    }),
    shoeDiameterMm: length('Parking shoes, diameter', 100, 260, { help: 'Of the drum they were made for.' }),
    shoeTorqueNm: amount('Torque of the parking shoes', 'torque', 20, 5000, {
      help: 'On one wheel, at the hand force their maker states, or 400 N. Unknown: test it on a slope.',
    }),
    shield: choice('Dust shield', [
      { value: 'fitted', label: 'fitted' },
      { value: 'none', label: 'none' },
    ]),
    shieldRadiusMm: length('Dust shield radius', 80, 300, { when: { field: 'shield', is: 'fitted' } }),
    absRing: choice('Wheel-speed ring sits on', [
      { value: 'hub', label: 'hub or shaft' },
      { value: 'rotor', label: 'rotor' },
      { value: 'none', label: 'there is none' },
    ]),
  }),
  ...inGroup('Hose', {
    hosePathMm: length('Hose path at full lock and droop', 50, 1200, {
      help: 'Along the hose route, with the wheel hanging and the steering at the lock that stretches the hose.',
    }),
    lineThread: text('Thread of the hard line', 40, { help: 'As M10 x 1.' }),
    lineSeat: choice('Port seat of the brake pipe', PIPE_SEATS),
  }),
  ...inGroup('Near the wheel', {
    objects: {
      type: 'outlines',
      label: 'Fixed objects near the wheel',
      help: 'Ball joint, tie-rod end, strut, hose: the outermost point over full lock and travel, from hub centre and hub face.',
    },
    objectsTakenWithHatMm: length('Hat thickness during that measurement', 2, 20),
  }),
} as const satisfies FieldTable
