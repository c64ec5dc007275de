import { amount, choice, count, length, text, type FieldTable } from './field.ts'
import {
  boltPattern,
  MOUNT_TYPES,
  PIPE_SEATS,
  FLUID_BASES,
  YES_NO,
  bolting,
  inlet,
  mounting,
  heat,
  THREE,
  quick,
  takenWith,
} from './field-choices.ts'

/** Values of calipers, brackets, drum brakes, rotors and pads. */

export const caliperFields = {
  construction: choice('Construction', [
    { value: 'fixed', label: 'fixed, pistons on both sides' },
    { value: 'sliding', label: 'sliding, pistons on one side' },
  ]),
  pistonsMm: {
    type: 'figures',
    dimension: 'length',
    min: 10,
    max: 110,
    maxItems: 8,
    label: 'Pistons on one side',
    help: 'Diameters on one side only, with a semicolon between: 38.1; 41.3. A sliding caliper has all on one side.',
  },
  pistonAreaMm2: amount('Piston area that is stated', 'area', 50, 20000, {
    help: 'As a maker or a seller gives it. Only questions the diameters; the area counted is theirs.',
  }),
  sides: choice(
    'Sides supplied',
    [
      { value: 'pair', label: 'one left, one right' },
      { value: 'same', label: 'both of one side' },
    ],
    { help: 'Staggered pistons, the smaller leading, make a left and a right one.' },
  ),
  seals: choice('Seals made for', FLUID_BASES),
  padTopRadiusMm: length('Top edge of the pad lining', -60, 260, {
    help: 'Radius from the hub centre as mounted; from the mount radius when the outline is measured from the mount.',
    ...mounting,
  }),
  bodyRadiusMm: length('Lowest radius of the body', -60, 260, {
    help: 'Lowest place of the body over the rotor’s hat; from the same datum as the pad’s top edge.',
    ...mounting,
  }),
  mountToSlotMm: length('Mount face to slot centre', -120, 120, {
    help: 'From the face that meets knuckle or bracket to the middle of the rotor slot, + outboard.',
    ...mounting,
  }),
  slotWidthMm: length('Slot width', 5, 90, { help: 'Between the abutments, where rotor and both pads go.', ...mounting }),
  ratedFromMm: length('Least rotor thickness', 3, 60, mounting),
  ratedToMm: length('Greatest rotor thickness', 3, 60, mounting),
  bridgeRadiusMm: length('Inner radius of the bridge', -60, 300, {
    help: 'Under the bridge, above the rotor’s edge; from the same datum as the pad’s top edge.',
    ...mounting,
  }),
  pistonTravelMm: length('Safe piston travel', 3, 80, {
    help: 'Greatest protrusion of a piston before its seal leaves the bore.',
    ...mounting,
  }),
  padShape: text('Pad shape', 40, mounting),
  body: choice(
    'Body made of',
    [
      { value: 'aluminium', label: 'aluminium' },
      { value: 'iron', label: 'iron' },
    ],
    { help: 'Unknown: aluminium for a fixed one, iron for a sliding one.', ...heat },
  ),
  pistons: choice(
    'Pistons',
    [
      { value: 'solid', label: 'of one piece' },
      { value: 'insulated', label: 'of two pieces or with an insulating cap' },
    ],
    { help: 'Sets how much pad heat reaches the fluid.', ...heat },
  ),
  heatShield: choice('Heat shield on the body', YES_NO, heat),
  minWheelIn: amount('Smallest wheel the maker states', 'rim', 12, 24, {
    help: 'It can rule a wheel out, never clear one.',
    ...mounting,
  }),
  bleedUppermost: choice('Bleed screw uppermost', YES_NO, mounting),
  parkingBrake: choice(
    'Parking brake mechanism',
    [
      { value: 'none', label: 'none' },
      { value: 'lever', label: 'lever and cable' },
      { value: 'electric', label: 'electric' },
    ],
    mounting,
  ),
  parkingClampN: amount('Clamp force of the parking brake', 'force', 200, 60000, {
    help: 'On one rotor, at the hand force its maker states, or 400 N. Unknown: test it on a slope.',
    ...mounting,
  }),
  mountType: choice('Mount', MOUNT_TYPES, bolting),
  mountSpacingMm: length('Mount bolt spacing', 40, 320, bolting),
  mountThread: text('Mount thread', 40, { help: 'As M12 x 1.5.', ...bolting }),
  boltLengthMm: length('Mount bolt length under the head', 8, 140, bolting),
  lugMm: length('Lug thickness', 3, 60, bolting),
  inletThread: text('Inlet thread', 40, inlet),
  inletSeat: choice('Inlet seat', PIPE_SEATS, inlet),
  frame: choice(
    'Datum of the outline',
    [
      { value: 'seat', label: 'hub centre and mounting face' },
      { value: 'mount', label: 'slot centre and mount' },
    ],
    {
      help: 'Use the wheel mounting face for points measured on this car, slot centre or mount for points measured elsewhere.',
      ...mounting,
    },
  ),
  takenAs: choice(
    'Outline measured with',
    [
      { value: 'asBuilt', label: 'the rotor and pads that stay on' },
      { value: 'others', label: 'others: enter their values below' },
    ],
    {
      group: takenWith,
      when: { field: 'frame', is: 'seat' },
      help: 'Measured with the rotor and pads of the current car. It applies while the setup keeps both.',
    },
  ),
  takenWithHatMm: length('Rotor hat thickness', 2, 20, {
    group: takenWith,
    help: 'Thickness of the hat at the mounting face, during measuring.',
  }),
  takenWithRotorOffsetMm: length('Rotor offset', -40, 120, {
    group: takenWith,
    when: { field: 'construction', is: 'sliding' },
    help: 'Mounting face to the middle of the friction ring, + inboard.',
  }),
  takenWithRotorThicknessMm: length('Rotor thickness', 4, 50, {
    group: takenWith,
    when: { field: 'construction', is: 'sliding' },
    help: 'Worn parts pull the housing inboard and make the clearance seem larger.',
  }),
  takenWithPadThicknessMm: length('Outer pad thickness', 3, 40, {
    group: takenWith,
    when: { field: 'construction', is: 'sliding' },
    help: 'Plate and lining together.',
  }),
  takenWithStackMm: length('Bracket and shim offset under the outline', -90, 90, {
    group: takenWith,
    when: { field: 'frame', is: 'seat' },
    help: 'Axial offset of bracket and shims during measuring, + outboard; 0 without. Needed when the setup has any.',
  }),
  takenWithLiftMm: length('Bracket lift under the outline', -60, 120, {
    group: takenWith,
    when: { field: 'frame', is: 'seat' },
    help: 'Radial offset of the bracket during measuring, + away from the hub; 0 without.',
  }),
  outlineFrom: choice(
    'Outline given as',
    [
      { value: 'quick', label: 'five figures' },
      { value: 'points', label: 'measured points' },
    ],
    { group: 'Outline' },
  ),
  tallestRadiusMm: length('Tallest radius', -60, 330, { help: 'Hub centre to the highest place of the body.', ...quick }),
  tallFromMm: length('Top, inboard end', -250, 150, {
    help: 'From the mounting face to where the tallest part begins, + outboard.',
    ...quick,
  }),
  tallToMm: length('Top, outboard end', -250, 150, {
    help: 'From the mounting face to where the tallest part ends, + outboard.',
    ...quick,
  }),
  faceMm: length('Outer face beyond mounting face', -120, 150, {
    help: 'Straightedge across the wheel mounting face: how far the face protrudes. Negative when behind it.',
    ...quick,
  }),
  faceOuterRadiusMm: length('Face, outer radius', -100, 320, { help: 'Where the face ends towards the barrel.', ...quick }),
  faceInnerRadiusMm: length('Face, inner radius', -200, 300, { help: 'Where the face ends towards the hub.', ...quick }),
  corner: choice(
    'Corner between top and face',
    [
      { value: 'square', label: 'square, or not checked' },
      { value: 'chamfer', label: 'chamfered from the end of the top to the end of the face' },
      { value: 'round', label: 'rounded between those ends' },
    ],
    quick,
  ),
  outlines: { type: 'outlines', label: 'Measured points', group: 'Outline', when: { field: 'outlineFrom', is: 'points' } },
  furtherOutlines: {
    type: 'outlines',
    label: 'Further objects that move with it',
    group: 'Outline',
    help: 'Bleed screw, hose end, crossover pipe, pad-wear sensor.',
  },
  rotorEdgeToTallestMm: length('Rotor edge to the tallest place', 0, 80, {
    group: 'Outline',
    help: 'A second way to the tallest radius: this and half the rotor diameter must agree with it.',
  }),
  takenWithRotorDiameterMm: length('Rotor diameter', 150, 480, {
    group: takenWith,
    help: 'Of the rotor fitted during measuring.',
  }),
  uAxialMm: length('Standard uncertainty, axial', 0, 10, { group: 'Outline' }),
  uRadialMm: length('Standard uncertainty, radial', 0, 10, { group: 'Outline' }),
} as const satisfies FieldTable

export const bracketFields = {
  axialMm: length('Axial offset', -80, 80, { help: '+ outboard.' }),
  radialMm: length('Radial offset', -60, 120, { help: '+ away from the hub.' }),
  knuckleType: choice('Mount towards the knuckle', MOUNT_TYPES),
  knuckleSpacingMm: length('Bolt spacing towards the knuckle', 40, 320),
  knuckleThread: text('Thread towards the knuckle', 40),
  caliperType: choice('Mount towards the caliper', MOUNT_TYPES),
  caliperSpacingMm: length('Bolt spacing towards the caliper', 40, 320),
  caliperThread: text('Thread towards the caliper', 40, { help: 'As M10 x 1.25.' }),
  caliperDepthMm: length('Depth of thread for the caliper’s bolts', 5, 60),
  material: choice('Material', [
    { value: 'steel', label: 'steel or iron' },
    { value: 'aluminium', label: 'aluminium' },
  ]),
  boltLengthMm: length('Knuckle bolt length under the head', 8, 140),
  lugMm: length('Lug thickness towards the knuckle', 3, 60),
} as const satisfies FieldTable

export const drumFields = {
  cylinderBoreMm: length('Wheel cylinder bore', 8, 50),
  drumDiameterMm: length('Drum diameter', 120, 420),
  hatThicknessMm: length('Thickness at the mounting face', 2, 30),
  shoes: choice('Shoes', [
    { value: 'leadingTrailing', label: 'leading and trailing' },
    { value: 'twoLeading', label: 'two leading' },
    { value: 'duoServo', label: 'duo-servo' },
  ]),
  inletThread: text('Inlet thread', 40),
  inletSeat: choice('Inlet seat', PIPE_SEATS),
  cupExpanders: choice('Cup expanders in the wheel cylinder', YES_NO, {
    help: 'Springs that hold the cups open; with them no residual pressure is needed.',
  }),
  seals: choice('Seals made for', FLUID_BASES),
  parkingTorqueNm: amount('Torque of the parking brake', 'torque', 20, 5000, {
    help: 'On one wheel, at the hand force its maker states, or 400 N. Unknown: test it on a slope.',
  }),
  drumKg: amount('Mass of the drum alone', 'mass', 0.5, 60, {
    help: 'The mass that stores the heat: without backplate, shoes and wheel cylinder.',
    ...heat,
  }),
  shoeWidthMm: length('Width of the shoes', 10, 150, heat),
  brakeFactor: amount('Brake factor C*', 'number', 0.5, 12, { help: 'When known; else 2.0, 3.0 or 4.5 by the kind of shoes.' }),
} as const satisfies FieldTable

export const rotorFields = {
  diameterMm: length('Diameter', 150, 480),
  thicknessMm: length('Thickness, new', 4, 50),
  minThicknessMm: length('Minimum thickness', 3, 48, { help: 'As cast into the rotor.' }),
  hatThicknessMm: length('Hat thickness', 2, 20, { help: 'At the mounting face.' }),
  offsetMm: length('Offset', -40, 120, { help: 'Mounting face to the middle of the friction ring, + inboard.' }),
  frictionInnerDiameterMm: length('Friction ring, inner diameter', 60, 400),
  ventilation: choice('Ventilation', [
    { value: 'solid', label: 'solid' },
    { value: 'vented', label: 'vented' },
  ]),
  voidShare: amount('Void in the ring', 'share', 0, 0.7, {
    when: { field: 'ventilation', is: 'vented' },
    help: 'Share of the ring that is air.',
  }),
  nowThicknessMm: length('Thickness now', 2, 50, { help: 'Present thickness. Leave empty for a new rotor.' }),
  material: choice(
    'Ring made of',
    [
      { value: 'iron', label: 'grey iron' },
      { value: 'stainless', label: 'stainless steel' },
      { value: 'carbon', label: 'carbon' },
    ],
    { help: 'Grey iron assumed when unknown.', ...heat },
  ),
  construction: choice(
    'Ring and hat',
    [
      { value: 'onePiece', label: 'one piece' },
      { value: 'twoPiece', label: 'two pieces: the ring is renewed alone' },
    ],
    heat,
  ),
  faces: choice(
    'Rubbing faces',
    [
      { value: 'plain', label: 'plain' },
      { value: 'slotted', label: 'slotted' },
      { value: 'drilled', label: 'drilled' },
    ],
    { help: 'Slots wipe the pad and cost some lining; holes save a little mass and start cracks.', ...heat },
  ),
  ringMassKg: amount('Mass of the ring, weighed', 'mass', 0.5, 40, {
    help: 'Without a separate hat. Overrides its values.',
    ...heat,
  }),
  vaneCount: count('Vanes', 16, 120, {
    when: { field: 'ventilation', is: 'vented' },
    help: 'In the whole ring. 16, the fewest that are usual, assumed when unknown.',
    ...heat,
  }),
  inlet: choice(
    'Air inlet side',
    [
      { value: 'hub', label: 'the hub side, or both' },
      { value: 'wheel', label: 'the wheel side only' },
    ],
    { when: { field: 'ventilation', is: 'vented' }, help: 'Most rings draw air from behind, where a hose can feed it.', ...heat },
  ),
  vanes: choice('Vanes are', [
    { value: 'straight', label: 'none or straight: no hand' },
    { value: 'directional', label: 'curved: left and right differ' },
  ]),
  sides: choice(
    'Sides supplied',
    [
      { value: 'pair', label: 'one left, one right' },
      { value: 'same', label: 'both of one side' },
    ],
    { when: { field: 'vanes', is: 'directional' } },
  ),
  hatOuterDiameterMm: length('Hat, outer diameter', 60, 320),
  hatInnerDiameterMm: length('Hat, inner diameter', 50, 300),
  hatDepthMm: length('Hat, depth inside', 5, 120, { help: 'From the face that sits on the hub to the open end.' }),
  studHoleMm: length('Stud holes', 6, 24),
  absRing: choice('Ring for the wheel-speed sensor', YES_NO),
  parkingDrum: choice('Drum for parking shoes in the hat', YES_NO),
  parkingDrumMm: length('Diameter of that drum', 100, 260, { when: { field: 'parkingDrum', is: 'yes' } }),
  ...boltPattern,
} as const satisfies FieldTable

export const padFields = {
  friction: amount('Friction coefficient', 'number', 0.05, 1, { help: 'At working temperature.' }),
  heightMm: length('Lining height', 15, 120, { help: 'Radial height of the lining.' }),
  areaMm2: amount('Lining area, one pad', 'area', 500, 30000),
  plateHeightMm: length('Height of the backing plate', 20, 140, {
    help: 'From the top edge of the lining to the lowest place of the plate.',
  }),
  thicknessMm: length('Thickness, new', 5, 40, { help: 'Plate and lining together.' }),
  minThicknessMm: length('Thickness, minimum', 2, 30, { help: 'Plate and lining together, when they must be changed.' }),
  frictionAtC: {
    type: 'figures',
    dimension: 'temperature',
    min: -50,
    max: 1200,
    maxItems: 12,
    label: 'Friction over temperature: at',
    help: 'Pad surface temperatures of the maker’s curve. Without them fade is not predicted.',
  },
  frictionThere: {
    type: 'figures',
    dimension: 'number',
    min: 0.01,
    max: 1,
    maxItems: 12,
    label: '… friction there',
    help: 'As many as temperatures, in their order.',
  },
  rangeFromC: amount('Working range from', 'temperature', -50, 600, { help: 'Of the pad surface, as the maker states it.' }),
  rangeToC: amount('Working range to', 'temperature', 100, 1200, {
    help: 'Of the pad surface, as the maker states it. Unknown: the pads are not checked.',
  }),
  compound: choice(
    'Lining',
    [
      { value: 'organic', label: 'organic' },
      { value: 'semiMetallic', label: 'semi-metallic' },
      { value: 'sintered', label: 'sintered' },
      { value: 'carbon', label: 'carbon' },
    ],
    { help: 'Sets how fast heat reaches the fluid. Unknown: as organic, with a wide uncertainty.', ...heat },
  ),
  wearMmPerMj: amount('Lining worn, mm per MJ', 'number', 0.0005, 2, {
    help: 'One pad of one corner, for a megajoule of brake work at that corner. As measured or as the maker states it.',
    ...heat,
  }),
  noise: choice('Noise', THREE, heat),
  dust: choice('Dust', THREE, heat),
  rotorWear: choice('Wear of the rotor', THREE, heat),
  shape: text('Shape code', 40),
} as const satisfies FieldTable
