import { amount, choice, length, text, type FieldTable } from './field.ts'
import { boltPattern, NUT_SEATS } from './field-choices.ts'

/** Values of wheels and spacers. */

const nominal = { group: 'From the markings' } as const
const weights = 'Stick-on weights'
export const wheelFields = {
  diameterIn: amount('Diameter code', 'rim', 13, 22, { help: 'The inches stamped in the wheel: 15 in 6.5J x 15.', ...nominal }),
  widthIn: amount('Width', 'rim', 3, 14, { help: 'The inches stamped in the wheel: 6.5 in 6.5J x 15.', ...nominal }),
  offsetMm: length('Offset ET', -80, 90, { help: 'Positive when the wheel mounting face is outboard of the centre line.', ...nominal }),
  barrel: choice(
    'Barrel',
    [
      { value: 'plain', label: 'plain' },
      { value: 'oneStep', label: 'one step' },
      { value: 'twoSteps', label: 'two steps' },
    ],
    nominal,
  ),
  face: choice(
    'Spokes, seen from outboard',
    [
      { value: 'flat', label: 'flat' },
      { value: 'concave', label: 'concave' },
      { value: 'convex', label: 'convex' },
    ],
    nominal,
  ),
  faceDepthMm: length('Back of spokes beyond mounting face', -60, 150, {
    help: 'Wheel face down: depth to the spoke minus depth to the wheel mounting face, + outboard. Unknown leaves the spoke clearance open.',
    ...nominal,
  }),
  faceDepthRadiusMm: length('… measured at radius', 40, 280, nominal),
  wellDepthMm: length('Well depth', 5, 40, { help: '17.3 mm assumed when unknown.', ...nominal }),
  wallMm: length('Wall at the well', 2, 12, { help: '5 mm assumed when unknown.', ...nominal }),
  barrelRadiusMm: length('Barrel radius over the caliper', 100, 300, {
    help: 'Smallest radius from the wheel centre to the inside of the barrel. Outranks well depth and wall.',
    ...nominal,
  }),
  profile: { type: 'profile', label: 'Measured profile', group: 'Profile' },
  uBarrelRadialMm: length('Standard uncertainty of the barrel', 0, 10, { group: 'Profile' }),
  uFaceAxialMm: length('Standard uncertainty, back of the spokes', 0, 10, { group: 'Profile' }),
  weightThicknessMm: length('Stick-on weights, thickness', 0, 20, {
    group: weights,
    help: 'Inside the barrel; 0 when there are none. Unknown: the allowance of the project counts.',
  }),
  weightFromMm: length('Weights from', -250, 150, {
    group: weights,
    help: 'Inboard end, from the mounting face, + outboard. Unknown: anywhere in the barrel.',
  }),
  weightToMm: length('Weights to', -250, 150, { group: weights, help: 'Outboard end.' }),
  faces: {
    type: 'faces',
    label: 'Face heights for this rim',
    group: 'Face heights',
    help: 'As the wheel maker lists them; the raise counts from the face measured above.',
  },
  faceChosen: text('Face height fitted', 60, { group: 'Face heights', help: 'One of the names above; empty is the face measured above.' }),
  seatShape: choice('Nut or bolt seat', NUT_SEATS, { group: 'Bolting' }),
  seatRadiusMm: length('Radius of the ball seat', 8, 20, { group: 'Bolting', when: { field: 'seatShape', is: 'ball' } }),
  padThicknessMm: length('Thickness under the nut seat', 3, 60, {
    group: 'Bolting',
    help: 'From the mounting face to the nut seat.',
  }),
  ...boltPattern,
} as const satisfies FieldTable

export const spacerFields = {
  thicknessMm: length('Thickness', 0.5, 60),
  fixing: choice('Fixing', [
    { value: 'clamped', label: 'the wheel: clamped under it' },
    { value: 'ownStuds', label: 'nuts of its own, the wheel on its studs' },
  ]),
  register: choice('Register for the wheel', [
    { value: 'none', label: 'none: the hub’s reaches through' },
    { value: 'own', label: 'one of its own' },
  ]),
  seatThicknessMm: length('Thickness at the wheel nuts', 3, 50, { when: { field: 'fixing', is: 'ownStuds' } }),
  studLengthMm: length('Stud length beyond the outer face', 10, 80, { when: { field: 'fixing', is: 'ownStuds' } }),
  tipMm: length('Missing thread at the stud tips', 0, 25, {
    when: { field: 'fixing', is: 'ownStuds' },
    help: 'Unknown: the car’s own studs are assumed; check them.',
  }),
  nutThreadMm: length('Thread length of its own nuts', 4, 60, {
    when: { field: 'fixing', is: 'ownStuds' },
    help: 'Length of thread. Unknown: the car’s own nuts are assumed; check them.',
  }),
  ...boltPattern,
} as const satisfies FieldTable
