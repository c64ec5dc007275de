import type { Outline, Profile, WheelTag } from '../../maths/section.ts'
import { moveOutlines } from './outline.ts'

/** How far the outlines are from where they were measured to be, mm: a caliper moves as a whole, a wheel in two parts. */
export interface Shifts {
  caliperAxialMm: number
  caliperRadialMm: number
  faceAxialMm: number
  barrelRadialMm: number
}

/**
 * Which shifts a wheel vertex follows: 1 where it does. One that belongs to a barrel stretch moves
 * with the barrel, one that belongs to a face stretch with the face, one between shoulders with both.
 */
interface VertexShift {
  face: Uint8Array
  barrel: Uint8Array
}

/** @param tags one for each stretch between two vertices */
export function vertexShifts(tags: readonly WheelTag[]): VertexShift {
  const count = tags.length + 1
  const face = new Uint8Array(count)
  const barrel = new Uint8Array(count)
  for (let vertex = 0; vertex < count; vertex += 1) {
    const near = [tags[vertex - 1], tags[vertex]]
    const loose = !near.includes('face') && !near.includes('barrel')
    if (loose || near.includes('face')) face[vertex] = 1
    if (loose || near.includes('barrel')) barrel[vertex] = 1
  }
  return { face, barrel }
}

/** A wheel with its face and its barrel moved. */
export function shiftWheel({ points, tags }: Profile, faceAxialMm: number, barrelRadialMm: number): Profile {
  const { face, barrel } = vertexShifts(tags)
  return {
    tags,
    points: points.map(([z, r], vertex): [number, number] => [z + face[vertex]! * faceAxialMm, r + barrel[vertex]! * barrelRadialMm]),
  }
}

/** Caliper and wheel as they would be under shifts: the plain way, against which faster ones are checked. */
export function shifted(caliper: readonly Outline[], wheel: Profile, shifts: Shifts): { caliper: Outline[]; wheel: Profile } {
  return {
    caliper: moveOutlines(caliper, shifts.caliperAxialMm, shifts.caliperRadialMm),
    wheel: shiftWheel(wheel, shifts.faceAxialMm, shifts.barrelRadialMm),
  }
}
