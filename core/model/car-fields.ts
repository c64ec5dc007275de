import { amount, choice, count, length, type FieldTable } from './field.ts'

export const carFields = {
  use: choice('Used', [
    { value: 'road', label: 'on the road' },
    { value: 'competition', label: 'in competition only' },
  ]),
  massKg: amount('Mass, driver only', 'mass', 300, 5000, { help: 'As it is driven, with driver and half a tank.' }),
  ladenMassKg: amount('Mass, fully laden', 'mass', 300, 6000),
  staticFrontShare: amount('Front share of the mass', 'share', 0.2, 0.8, {
    help: 'Standing still, driver only: front scales over all scales.',
  }),
  ladenStaticFrontShare: amount('Front share, fully laden', 'share', 0.2, 0.8),
  cgHeightMm: length('Height of the centre of gravity', 200, 1200),
  wheelbaseMm: length('Wheelbase', 1500, 4500),
  pedalRatio: amount('Pedal ratio', 'number', 1, 12, { help: 'Pad travel over pushrod travel.' }),
  pedalEfficiency: amount('Pedal efficiency', 'share', 0.5, 1, { help: '85 % assumed when unknown.' }),
} as const satisfies FieldTable

/** The hub and tyre at one axle. */
export const carAxleFields = {
  tyreRadiusMm: length('Tyre rolling radius', 200, 500, { help: 'Roll-out of one turn divided by 2 pi.' }),
  boltCount: count('Wheel bolts or studs', 3, 8),
  boltCircleMm: length('Bolt circle', 80, 210),
  registerMm: length('Hub register', 30, 180, { help: 'Diameter that centres wheel and rotor.' }),
  fastener: choice('Wheel held by', [
    { value: 'studs', label: 'studs and nuts' },
    { value: 'bolts', label: 'bolts' },
  ]),
  studLengthMm: length('Stud or bolt length', 10, 140, {
    help: 'Stud: from the hub face to its end. Bolt: from its seat in the wheel to its end.',
  }),
  threadMm: length('Thread diameter', 8, 20),
  pitchMm: length('Thread pitch', 0.8, 2.5),
  registerHeightMm: length('Register height', 0, 60, { help: 'How far the centring register stands out of the hub face.' }),
  objects: {
    type: 'outlines',
    label: 'Fixed objects near the wheel',
    help: 'Ball joint, tie-rod end, strut, hose: the outermost place over full lock and travel, from hub centre and wheel seat.',
  },
  objectsTakenWithHatMm: length('Hat thickness when those were taken', 2, 20),
  mountFaceMm: length('Caliper mount face', -150, 100, {
    help: 'From the hub face, + outboard. Needed for calipers kept from their mount.',
  }),
  mountRadiusMm: length('Caliper mount radius', 50, 250, {
    help: 'From the hub centre to the mount bolts. Needed for calipers kept from their mount.',
  }),
} as const satisfies FieldTable
