import type { InstrumentId } from '../quantity/instrument.ts'
import type { PartKind } from './part-kinds.ts'
import { SAFETY, type SafetyNote } from './safety-note.ts'

/**
 * Measuring sheets: what is taken at the car, in which order, and what touches what. Forms on the screen
 * and the printed form are both made from this table, so that their fields are the same.
 */

export interface SheetDimension {
  /** Field of the part, or of the sheet's holder in the setup. */
  field: string
  /** Letter in the drawn figure. */
  letter: string
  touch: string
  instrument: InstrumentId
  /** Stamped into the part, not measured: one figure, no readings. */
  stamped?: true
}

export interface Sheet {
  id: SheetId
  title: string
  /** The kind of part that is measured, or what of a setup's axle. */
  on: Extract<PartKind, 'caliper' | 'wheel' | 'rotor'> | 'byDifference' | 'trialFit' | 'carAxle'
  /** What can hurt whoever measures. */
  safety?: readonly SafetyNote[]
  /** How to measure right; what would spoil all figures of the sheet. */
  before: readonly string[]
  dimensions: readonly SheetDimension[]
  /** A list of points in a field, after the single figures. */
  points?: { field: 'outlines' | 'furtherOutlines' | 'objects' | 'profile'; touch: string; instrument: InstrumentId }
}

export type SheetId =
  'caliperQuick' | 'caliperOutline' | 'nearWheel' | 'carObjects' | 'wheelMarkings' | 'wheelProfile' | 'rotor' | 'difference' | 'trialFit'

/** A sheet that is taken under the car, at a brake that was driven. */
const AT_THE_CAR: readonly SafetyNote[] = [SAFETY.jack, SAFETY.dust]
const READY = 'Hub face clean, rotor held by three nuts, caliper bolted up with new pads, bleed screw and hose in place.'
const taken = (letters: readonly [string, string, string, string]): SheetDimension[] => [
  { field: 'takenWithHatMm', letter: letters[0], touch: 'Jaws over the rotor hat where the wheel sits.', instrument: 'digitalCaliper' },
  {
    field: 'takenWithRotorThicknessMm',
    letter: letters[1],
    touch: 'Jaws over the friction ring, inside the worn lip.',
    instrument: 'digitalCaliper',
  },
  {
    field: 'takenWithPadThicknessMm',
    letter: letters[2],
    touch: 'Jaws over the outer pad, plate and lining together.',
    instrument: 'digitalCaliper',
  },
  {
    field: 'takenWithRotorOffsetMm',
    letter: letters[3],
    touch: 'From the mounting face inboard to the outer friction face, plus half the thickness.',
    instrument: 'digitalCaliper',
  },
]

export const SHEETS: readonly Sheet[] = [
  {
    id: 'caliperQuick',
    title: 'Caliper, five figures',
    on: 'caliper',
    safety: AT_THE_CAR,
    before: [READY],
    dimensions: [
      {
        field: 'tallestRadiusMm',
        letter: 'A',
        touch: 'From the hub centre to the highest place of the body: from the edge of the hub register, plus half the register.',
        instrument: 'straightedge',
      },
      {
        field: 'tallFromMm',
        letter: 'B',
        touch: 'From the mounting face inboard to where the top begins to fall; inboard is negative.',
        instrument: 'straightedge',
      },
      {
        field: 'tallToMm',
        letter: 'C',
        touch: 'From the wheel mounting face to the outboard end of the top.',
        instrument: 'straightedge',
      },
      {
        field: 'faceMm',
        letter: 'D',
        touch: 'Straightedge across the mounting face; from there to the outer face, + outboard.',
        instrument: 'straightedge',
      },
      {
        field: 'faceOuterRadiusMm',
        letter: 'E',
        touch: 'From the hub centre to the upper end of the outer face.',
        instrument: 'straightedge',
      },
      {
        field: 'faceInnerRadiusMm',
        letter: 'F',
        touch: 'From the hub centre to the lower end of the outer face.',
        instrument: 'straightedge',
      },
      {
        field: 'rotorEdgeToTallestMm',
        letter: 'G',
        touch: 'A second way to A: from the rotor’s edge to the highest place.',
        instrument: 'digitalCaliper',
      },
      { field: 'takenWithRotorDiameterMm', letter: 'H', touch: 'Over the rotor, edge to edge.', instrument: 'tape' },
      ...taken(['J', 'K', 'L', 'M']),
    ],
  },
  {
    id: 'caliperOutline',
    title: 'Caliper, full outline',
    on: 'caliper',
    safety: AT_THE_CAR,
    before: [READY, 'At each step measure the outermost point over the caliper’s length.'],
    dimensions: taken(['J', 'K', 'L', 'M']),
    points: {
      field: 'outlines',
      touch:
        'From inboard over the top and down the face, closer together where it bends: z from the mounting face (+ outboard), r from the hub centre.',
      instrument: 'straightedge',
    },
  },
  {
    id: 'nearWheel',
    title: 'Objects on the caliper',
    on: 'caliper',
    safety: AT_THE_CAR,
    before: [READY],
    dimensions: [],
    points: {
      field: 'furtherOutlines',
      touch: 'Bleed screw, hose end, crossover pipe, sensor: the outermost place of each, two points or more.',
      instrument: 'straightedge',
    },
  },
  {
    id: 'carObjects',
    title: 'Objects fixed to the car',
    on: 'carAxle',
    safety: AT_THE_CAR,
    before: ['Turn to both locks and through the suspension travel. Measure the envelope, not one position.'],
    dimensions: [
      { field: 'objectsTakenWithHatMm', letter: 'J', touch: 'Jaws over the rotor hat where the wheel sits.', instrument: 'digitalCaliper' },
    ],
    points: {
      field: 'objects',
      touch: 'Ball joint, tie-rod end, strut, hose bracket: two points or more each.',
      instrument: 'straightedge',
    },
  },
  {
    id: 'wheelMarkings',
    title: 'Wheel, markings and a few measures',
    on: 'wheel',
    before: ['Wheel face down on a clean blanket, straightedge over the inboard flange.'],
    dimensions: [
      { field: 'diameterIn', letter: 'A', touch: 'Stamped in the wheel: 15 in 6.5J x 15.', instrument: 'tape', stamped: true },
      { field: 'widthIn', letter: 'B', touch: 'Stamped in the wheel: 6.5 in 6.5J x 15.', instrument: 'tape', stamped: true },
      {
        field: 'offsetMm',
        letter: 'C',
        touch: 'Stamped: ET 35. Or depth to the mounting face minus half the overall width.',
        instrument: 'straightedge',
        stamped: true,
      },
      { field: 'barrelRadiusMm', letter: 'D', touch: 'Half the smallest inner diameter where the caliper will be.', instrument: 'tape' },
      {
        field: 'faceDepthMm',
        letter: 'E',
        touch: 'Depth to the back of the spoke minus depth to the wheel mounting face; + when the spoke is deeper.',
        instrument: 'straightedge',
      },
      {
        field: 'faceDepthRadiusMm',
        letter: 'F',
        touch: 'Radius at which E was measured, where the caliper’s face will be.',
        instrument: 'steelRule',
      },
      {
        field: 'weightThicknessMm',
        letter: 'G',
        touch: 'Thickness of the stick-on weights; 0 when there are none.',
        instrument: 'digitalCaliper',
      },
      { field: 'padThicknessMm', letter: 'H', touch: 'From the mounting face to the nut seat.', instrument: 'digitalCaliper' },
    ],
  },
  {
    id: 'wheelProfile',
    title: 'Wheel, barrel and back of the spokes',
    on: 'wheel',
    before: [
      'Wheel face down on a clean blanket, straightedge over the inboard flange.',
      'z is the depth to the place minus the depth to the wheel mounting face. The mounting face is 0, inboard is negative, deeper is positive.',
    ],
    dimensions: [],
    points: {
      field: 'profile',
      touch:
        'From the inboard edge of the barrel over the shoulder down the back of the spokes to the mounting face. Measure behind a spoke, not between two.',
      instrument: 'straightedge',
    },
  },
  {
    id: 'rotor',
    title: 'Rotor',
    on: 'rotor',
    before: ['Rust and lip off the hat and the edge first. A rotor below its minimum thickness is not measured for use.'],
    dimensions: [
      { field: 'diameterMm', letter: 'A', touch: 'Edge to edge through the centre.', instrument: 'tape' },
      { field: 'thicknessMm', letter: 'B', touch: 'Jaws over the friction ring, inside the worn lip.', instrument: 'digitalCaliper' },
      { field: 'hatThicknessMm', letter: 'C', touch: 'Jaws over the hat where the wheel sits.', instrument: 'digitalCaliper' },
      {
        field: 'offsetMm',
        letter: 'D',
        touch: 'From the mounting face inboard to the outer friction face, plus half of B.',
        instrument: 'digitalCaliper',
      },
      { field: 'boreMm', letter: 'E', touch: 'Jaws inside the centre bore.', instrument: 'digitalCaliper' },
      { field: 'frictionInnerDiameterMm', letter: 'F', touch: 'Over the inner edge of the friction ring.', instrument: 'steelRule' },
    ],
  },
  {
    id: 'difference',
    title: 'Clearance by difference',
    on: 'byDifference',
    safety: AT_THE_CAR,
    before: ['Fit the wheel over the present caliper. Measure both protrusions at the same radius.'],
    dimensions: [
      {
        field: 'gapNowMm',
        letter: 'A',
        touch: 'Clearance between the present caliper and the back of the spokes, from the thickness of clay.',
        instrument: 'clay',
      },
      { field: 'radiusMm', letter: 'B', touch: 'Radius from the hub centre at which A was measured.', instrument: 'steelRule' },
      {
        field: 'protrusionNowMm',
        letter: 'C',
        touch: 'Straightedge across the mounting face; to the present caliper at that radius.',
        instrument: 'straightedge',
      },
      { field: 'protrusionNewMm', letter: 'D', touch: 'The same on the new caliper, at the same radius.', instrument: 'straightedge' },
    ],
  },
  {
    id: 'trialFit',
    title: 'Trial fit',
    on: 'trialFit',
    safety: AT_THE_CAR,
    before: ['Bolt up the parts of this setup with new pads. Turn the wheel fully by hand, at both locks, before you drive.'],
    dimensions: [
      {
        field: 'gapMm',
        letter: 'A',
        touch: 'Minimum clearance: put clay between caliper and wheel, turn fully, measure the thinnest clay. Or use feeler gauges.',
        instrument: 'clay',
      },
    ],
  },
]

export const sheetOf = (id: SheetId): Sheet => SHEETS.find((sheet) => sheet.id === id)!

/** The sheet on which a field of a part is measured; undefined when none has it. */
export function sheetFor(kind: Sheet['on'], field: string): SheetId | undefined {
  return SHEETS.find((sheet) => sheet.on === kind && (sheet.points?.field === field || sheet.dimensions.some((one) => one.field === field)))
    ?.id
}
