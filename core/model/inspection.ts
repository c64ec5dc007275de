import type { PartKind } from './part-kinds.ts'
import type { Part } from './project.ts'

/**
 * What to look at on a used part, and what follows where it fails: a remedy with a name, or the part is
 * not to be used.
 */
export interface InspectionPoint {
  id: string
  look: string
  /** What cures a failure; absent: the part must not be used. */
  remedy?: string
}

const HOSE: readonly InspectionPoint[] = [
  { id: 'cracks', look: 'No cracks, bulges or chafing along its length, bent and straight' },
  { id: 'date', look: 'Inside the age that its maker allows' },
  { id: 'ends', look: 'Threads and seats clean and whole' },
]

export const INSPECTIONS: Partial<Record<PartKind, readonly InspectionPoint[]>> = {
  caliper: [
    { id: 'pistonsMove', look: 'Pistons move out and can be pressed back by hand', remedy: 'Rebuild kit with pistons' },
    { id: 'boots', look: 'Dust boots whole and seated', remedy: 'Seal and boot set' },
    { id: 'pitting', look: 'No pitting where the seal runs', remedy: 'Pistons and seal set' },
    { id: 'bleed', look: 'Bleed screw opens and its seat is clean', remedy: 'Bleed screw' },
    { id: 'slides', look: 'Guide pins slide freely; fixed calipers: halves dry', remedy: 'Guide pin set' },
    { id: 'threads', look: 'Mount and inlet threads whole' },
    { id: 'body', look: 'No cracks, nothing ground away' },
  ],
  rotor: [
    { id: 'thickness', look: 'Above the minimum thickness all round', remedy: 'New rotor' },
    { id: 'cracks', look: 'No cracks from hole to edge, none in the hat' },
    { id: 'rust', look: 'Seat and register clean, no scale under it', remedy: 'Clean the seat, or a new rotor' },
  ],
  pad: [
    { id: 'lining', look: 'Lining whole, bonded, above the minimum', remedy: 'New pads' },
    { id: 'oil', look: 'No grease or fluid in the lining', remedy: 'New pads' },
  ],
  hose: HOSE,
  bracket: [
    { id: 'body', look: 'No cracks, flat, nothing ground away' },
    { id: 'threads', look: 'Threads whole', remedy: 'New bolts or thread repair by a machine shop' },
  ],
  drum: [
    { id: 'cylinder', look: 'Wheel cylinder dry, pistons move', remedy: 'Wheel cylinder' },
    { id: 'diameter', look: 'Drum below its greatest diameter, no cracks' },
    { id: 'shoes', look: 'Linings whole and above the minimum', remedy: 'New shoes' },
  ],
  masterCylinder: [
    { id: 'leaks', look: 'No fluid at the rod end or in the booster', remedy: 'Seal set' },
    { id: 'bore', look: 'Bore without pitting or a step' },
    { id: 'hold', look: 'Holds pressure with the outlets closed', remedy: 'Seal set' },
  ],
  booster: [
    { id: 'hold', look: 'Holds vacuum for a minute, valve does not leak' },
    { id: 'shell', look: 'Shell without rust through' },
  ],
  wheel: [
    { id: 'cracks', look: 'No cracks at spokes, seats and barrel' },
    { id: 'runout', look: 'Runs true on the hub', remedy: 'Straightening by a wheel repairer' },
    { id: 'seats', look: 'Nut seats not worn through' },
  ],
}

/** The points that a part must be looked at for: only used parts, and only kinds with a sheet. */
export const inspectionOf = (part: Part): readonly InspectionPoint[] => (part.condition === 'used' ? (INSPECTIONS[part.kind] ?? []) : [])

export type Inspected = 'passed' | 'failed' | 'open'
export const inspected = (part: Part, point: InspectionPoint): Inspected => part.inspection?.points[point.id] ?? 'open'
