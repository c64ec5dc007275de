import { amount, choice, count, length, text, type FieldTable } from './field.ts'
import { PIPE_SEATS, FLUID_BASES, atCar, MOUNTINGS, PUSHRODS } from './field-choices.ts'

/** Values of hoses, master cylinders, boosters, valves, fluid and hydraulic handbrakes. */

export const hoseFields = {
  lengthMm: length('Free length', 100, 1500),
  construction: choice('Construction', [
    { value: 'rubber', label: 'rubber' },
    { value: 'braided', label: 'braided PTFE' },
    { value: 'hard', label: 'hard line' },
  ]),
  caliperThread: text('Thread at the caliper', 40, { help: 'As M10 x 1.' }),
  caliperSeat: choice('Port seat at the caliper', PIPE_SEATS),
  lineThread: text('Thread at the car', 40),
  lineSeat: choice('Port seat at the car', PIPE_SEATS),
  endCaliper: text('End at the caliper, in words', 60),
  endLine: text('End at the car, in words', 60),
} as const satisfies FieldTable

export const masterCylinderFields = {
  construction: choice('Construction', [
    { value: 'tandem', label: 'tandem (one bore, both circuits)' },
    { value: 'twin', label: 'two cylinders with a balance bar' },
  ]),
  boreMm: length('Bore', 8, 50, { when: { field: 'construction', is: 'tandem' } }),
  frontBoreMm: length('Front bore', 8, 50, { when: { field: 'construction', is: 'twin' } }),
  rearBoreMm: length('Rear bore', 8, 50, { when: { field: 'construction', is: 'twin' } }),
  barSpacingMm: length('Clevis spacing of the bar', 30, 150, { when: { field: 'construction', is: 'twin' } }),
  barTiltDeg: amount('Greatest tilt of the bar, degrees', 'number', 1, 45, {
    when: { field: 'construction', is: 'twin' },
    help: 'As its maker allows.',
  }),
  strokeMm: length('Usable stroke', 5, 80, { help: 'Of the rod, both chambers together; of each cylinder where there are two.' }),
  frontStrokeMm: length('Stroke of the front circuit’s chamber', 3, 60, { when: { field: 'construction', is: 'tandem' } }),
  rearStrokeMm: length('Stroke of the rear circuit’s chamber', 3, 60, { when: { field: 'construction', is: 'tandem' } }),
  flange: text('Flange', 60, { help: 'As two bolts, 82 apart, upright.', ...atCar }),
  pilotMm: length('Pilot diameter', 15, 90, atCar),
  pushrodDepthMm: length('Depth to the piston’s seat', 0, 60, { help: 'From the flange to where the pushrod meets the piston.', ...atCar }),
  portThread: text('Port thread', 40, { help: 'As M10 x 1.', ...atCar }),
  portSeat: choice('Port seat', PIPE_SEATS, atCar),
  outlets: count('Outlets', 1, 6, atCar),
  frontResidualMpa: amount('Residual pressure held, front', 'pressure', 0, 0.5, {
    help: 'By a valve in the outlet or the line; 0 when there is none.',
    ...atCar,
  }),
  rearResidualMpa: amount('Residual pressure held, rear', 'pressure', 0, 0.5, atCar),
} as const satisfies FieldTable

export const boosterFields = {
  supply: choice('Supply', [
    { value: 'vacuum', label: 'vacuum' },
    { value: 'hydraulic', label: 'hydraulic' },
  ]),
  ratio: amount('Boost ratio', 'number', 1, 15, { help: 'Force out over rod force, below runout.' }),
  assistN: amount('Assist at booster run-out', 'force', 0, 20000, {
    help: 'The most force the booster adds. Unknown: pedal force is then shown as "at least".',
  }),
  mounting: choice('Between bulkhead and master cylinder', MOUNTINGS, { help: 'Where it is not the one that is on the car.', ...atCar }),
  pushrod: choice('Its pushrods', PUSHRODS, { help: 'To the pedal and to the master cylinder.', ...atCar }),
} as const satisfies FieldTable

export const valveFields = {
  action: choice('Action', [
    { value: 'fixed', label: 'fixed knee' },
    { value: 'adjustable', label: 'adjustable knee' },
    { value: 'loadSensing', label: 'load-sensing' },
  ]),
  kneeMpa: amount('Knee pressure', 'pressure', 0, 20, { help: 'Load-sensing: with the driver only.' }),
  kneeLadenMpa: amount('Knee pressure, fully laden', 'pressure', 0, 20, { when: { field: 'action', is: 'loadSensing' } }),
  slope: amount('Slope above the knee', 'number', 0, 0.99, { help: 'Rear rise over front rise above the knee, below 1.' }),
} as const satisfies FieldTable

export const fluidFields = {
  base: choice('Base', FLUID_BASES),
  grade: text('Grade', 40),
  dryBoilC: amount('Boiling point, dry', 'temperature', 100, 400),
  wetBoilC: amount('Boiling point, wet', 'temperature', 80, 350),
  serviceMonths: amount('Months in service', 'number', 0, 240, {
    help: 'Since the fluid was changed. Unknown: one year is assumed, and verdicts allow for all the water it can absorb.',
  }),
  waterPercent: amount('Water in it, per cent', 'number', 0, 10, {
    help: 'By a test strip or a refractometer, of the fluid at a caliper. Outranks the months.',
  }),
} as const satisfies FieldTable

export const handLeverFields = {
  leverRatio: amount('Lever ratio', 'number', 1, 20, { help: 'Hand travel over pushrod travel.' }),
  boreMm: length('Bore', 8, 40, { help: 'Bore of its master cylinder in the rear circuit.' }),
  portThread: text('Port thread', 40, { help: 'As M10 x 1.' }),
  portSeat: choice('Port seat', PIPE_SEATS),
  seals: choice('Seals made for', FLUID_BASES),
} as const satisfies FieldTable
