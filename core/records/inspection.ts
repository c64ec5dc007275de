import type { PartKind } from './part-kinds.ts'
import type { Part } from './part.ts'

/**
 * What to look at on a used part, and what follows where it fails: a remedy with a name, or the part is
 * not to be used.
 */
interface InspectionPoint {
  id: string
  look: string
  /** What was found where it failed, as a sentence goes on: "failed: a dust boot is torn". */
  fault: string
  /** What cures a failure; absent: the part must not be used. */
  remedy?: string
}

const HOSE: readonly InspectionPoint[] = [
  { id: 'cracks', look: 'No cracks, bulges or chafing along its length, bent and straight', fault: 'a crack, a bulge or chafing' },
  { id: 'date', look: 'Inside the age that its maker allows', fault: 'older than its maker allows' },
  { id: 'ends', look: 'Threads and seats clean and whole', fault: 'a thread or port seat is damaged' },
]

export const INSPECTIONS: Partial<Record<PartKind, readonly InspectionPoint[]>> = {
  caliper: [
    {
      id: 'pistonsMove',
      look: 'Pistons move out and can be pressed back by hand',
      fault: 'a piston sticks: it does not move out, or cannot be pressed back by hand',
      remedy: 'Rebuild kit with pistons',
    },
    { id: 'boots', look: 'Dust boots whole and seated', fault: 'a dust boot is torn or off its seat', remedy: 'Seal and boot set' },
    { id: 'pitting', look: 'No pitting where the seal runs', fault: 'pitting where the seal runs', remedy: 'Pistons and seal set' },
    {
      id: 'bleed',
      look: 'Bleed screw opens and its seat is clean',
      fault: 'the bleed screw does not open, or its seat is bad',
      remedy: 'Bleed screw',
    },
    {
      id: 'slides',
      look: 'Guide pins slide freely; fixed calipers: halves dry',
      fault: 'a guide pin sticks, or fluid comes out between the halves',
      remedy: 'Guide pin set',
    },
    { id: 'threads', look: 'Mount and inlet threads whole', fault: 'a mount or inlet thread is damaged' },
    { id: 'body', look: 'No cracks, nothing ground away', fault: 'it is cracked or ground' },
  ],
  rotor: [
    { id: 'thickness', look: 'Above the minimum thickness all round', fault: 'below the minimum thickness', remedy: 'New rotor' },
    { id: 'cracks', look: 'No cracks from hole to edge, none in the hat', fault: 'cracks from hole to edge, or in the hat' },
    {
      id: 'rust',
      look: 'Mounting face and hub register clean, no scale',
      fault: 'scale or damage at the mounting face or hub register',
      remedy: 'Clean the seat, or a new rotor',
    },
  ],
  pad: [
    {
      id: 'lining',
      look: 'Lining whole, bonded, above the minimum',
      fault: 'the lining is broken, loose or below the minimum',
      remedy: 'New pads',
    },
    { id: 'oil', look: 'No grease or fluid in the lining', fault: 'grease or fluid in the lining', remedy: 'New pads' },
  ],
  hose: HOSE,
  bracket: [
    { id: 'body', look: 'No cracks, flat, nothing ground away', fault: 'it is cracked or bent, or something was ground away' },
    { id: 'threads', look: 'Threads whole', fault: 'a thread is damaged', remedy: 'New bolts or thread repair by a machine shop' },
  ],
  drum: [
    {
      id: 'cylinder',
      look: 'Wheel cylinder dry, pistons move',
      fault: 'the wheel cylinder leaks, or a piston sticks',
      remedy: 'Wheel cylinder',
    },
    { id: 'diameter', look: 'Drum below its greatest diameter, no cracks', fault: 'the drum is over its greatest diameter, or cracked' },
    { id: 'shoes', look: 'Linings whole and above the minimum', fault: 'a lining is broken or below the minimum', remedy: 'New shoes' },
  ],
  masterCylinder: [
    { id: 'leaks', look: 'No fluid at the rod end or in the booster', fault: 'fluid at the rod end or in the booster', remedy: 'Seal set' },
    { id: 'bore', look: 'Bore without pitting or a step', fault: 'pitting or a step in the bore' },
    {
      id: 'hold',
      look: 'Holds pressure with the outlets closed',
      fault: 'it does not hold pressure with the outlets closed',
      remedy: 'Seal set',
    },
  ],
  booster: [
    { id: 'hold', look: 'Holds vacuum for a minute, valve does not leak', fault: 'it does not hold vacuum, or its valve leaks' },
    { id: 'shell', look: 'Shell without rust through', fault: 'its shell is rusted through' },
  ],
  wheel: [
    { id: 'cracks', look: 'No cracks at spokes, seats and barrel', fault: 'a crack at spoke, mounting face or barrel' },
    { id: 'runout', look: 'Runs true on the hub', fault: 'it does not run true', remedy: 'Straightening by a wheel repairer' },
    { id: 'seats', look: 'Nut seats not worn through', fault: 'a nut seat is worn through' },
  ],
}

/** The points that a part must be looked at for: only used parts, and only kinds with a sheet. */
export const inspectionOf = (part: Part): readonly InspectionPoint[] => (part.condition === 'used' ? (INSPECTIONS[part.kind] ?? []) : [])

export type Inspected = 'passed' | 'failed' | 'open'
export const inspected = (part: Part, point: InspectionPoint): Inspected => part.inspection?.points[point.id] ?? 'open'
