import { dot } from './fit-plane.ts'
import type { Mesh, Vector } from './mesh.ts'

/** Where the hub axis and the wheel mounting face of a mesh are, in the mesh's own directions. */
export interface ScanFrame {
  /** A point of the axis in the plane of the mounting face. */
  origin: Vector
  /** Unit vector along the axis, outboard. */
  outboard: Vector
}

export const cross = (a: Vector, b: Vector): Vector => [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]]
export const unit = (a: Vector): Vector => {
  const length = Math.hypot(...a)
  return [a[0] / length, a[1] / length, a[2] / length]
}
/** Two directions at right angles to an axis. */
export function across(axis: Vector): [Vector, Vector] {
  const first = unit(cross(axis, Math.abs(axis[0]) < 0.8 ? [1, 0, 0] : [0, 1, 0]))
  return [first, cross(axis, first)]
}

/**
 * The mesh with the hub axis as z, the mounting face at z = 0 and z outboard, mm.
 *
 * @example
 * Array.from(inFrame(Float64Array.of(5, 0, 0, 6, 1, 0, 6, 0, 1), { origin: [5, 0, 0], outboard: [1, 0, 0] })).filter((_, i) => i % 3 === 2) // => [0, 1, 1]
 */
export function inFrame(mesh: Mesh, { origin, outboard }: ScanFrame): Float64Array {
  const [x, y] = across(outboard)
  const placed = new Float64Array(mesh.length)
  for (let i = 0; i < mesh.length; i += 3) {
    const at: Vector = [mesh[i]! - origin[0], mesh[i + 1]! - origin[1], mesh[i + 2]! - origin[2]]
    placed[i] = dot(at, x)
    placed[i + 1] = dot(at, y)
    placed[i + 2] = dot(at, outboard)
  }
  return placed
}

/**
 * The direction at right angles to an axis in which a place lies; any such direction for a place on the axis.
 *
 * @example
 * sideways([0, 0, 1], [3, 0, 7], [0, 0, 0]) // => [1, 0, 0]
 */
export function sideways(axis: Vector, place: Vector, origin: Vector): Vector {
  const away: Vector = [place[0] - origin[0], place[1] - origin[1], place[2] - origin[2]]
  const along = dot(away, axis)
  const side: Vector = [away[0] - along * axis[0], away[1] - along * axis[1], away[2] - along * axis[2]]
  return Math.hypot(...side) < 1e-6 * Math.max(1, Math.hypot(...away)) ? across(axis)[0] : unit(side)
}
