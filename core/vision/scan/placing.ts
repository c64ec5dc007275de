import { dot, fitPlane, robustPlane, tried, type FittedPlane } from './fit-plane.ts'
import { robustCircle, type FittedCircle, type FlatPoint } from './fit-circle.ts'
import { across, cross, unit, type ScanFrame } from './frame.ts'
import type { Mesh, Vector } from './mesh.ts'
import { welded } from './open-edges.ts'
import type { PointUncertainty } from './scan-outline.ts'

/** Where axis and mounting face are in a mesh: a face and a round feature that someone selected, fitted to what is around them. */

/** Points used of one feature: more make no fit surer that the scanner's own faults do not spoil. */
const MOST_POINTS = 4000
/** A face that was selected goes on as far as its points lie so near to its plane, mm. */
const FACE_WITHIN_MM = 0.5
const ROUND_WITHIN_MM = 0.8
/** Its sides are so nearly along the axis: cosine to it. */
const MOST_ALONG = 0.35
/** Triangles of one face look along its normal, with the noise of a scan: cosine. */
const ALIKE = 0.5
const LOOKS_THE_SAME = 0.9
/** A narrower face says little of a direction: one facet of a bore does not. */
const LEAST_SPREAD_MM = 5
/** First look around the selected place, mm. */
const NEAR_MM = 8

/** Triangles by the corners that they share, for walks over the surface. */
export interface ScanSurface {
  mesh: Mesh
  ids: Uint32Array
  /** Of each corner: its first triangle's place in `triangles`. */
  starts: Uint32Array
  triangles: Uint32Array
}
export function surfaceOf(mesh: Mesh): ScanSurface {
  const ids = welded(mesh)
  let count = 0
  for (const id of ids) count = Math.max(count, id + 1)
  const starts = new Uint32Array(count + 1)
  for (const id of ids) starts[id + 1]! += 1
  for (let i = 0; i < count; i += 1) starts[i + 1]! += starts[i]!
  const next = starts.slice(0, count)
  const triangles = new Uint32Array(ids.length)
  for (let i = 0; i < ids.length; i += 1) {
    const id = ids[i]!
    triangles[next[id]!] = Math.floor(i / 3)
    next[id]! += 1
  }
  return { mesh, ids, starts, triangles }
}

const corner = (mesh: Mesh, triangle: number, k: number): Vector => {
  const at = 9 * triangle + 3 * k
  return [mesh[at]!, mesh[at + 1]!, mesh[at + 2]!]
}
const middle = (mesh: Mesh, triangle: number): Vector => {
  const [a, b, c] = [corner(mesh, triangle, 0), corner(mesh, triangle, 1), corner(mesh, triangle, 2)]
  return [(a[0] + b[0] + c[0]) / 3, (a[1] + b[1] + c[1]) / 3, (a[2] + b[2] + c[2]) / 3]
}
/** Triangles that hang together from one, as long as they belong. */
function grown({ ids, starts, triangles }: ScanSurface, from: number, belongs: (triangle: number) => boolean): number[] {
  const seen = new Set([from])
  const found = [from]
  for (let at = 0; at < found.length; at += 1)
    for (let k = 0; k < 3; k += 1) {
      const id = ids[3 * found[at]! + k]!
      for (let i = starts[id]!; i < starts[id + 1]!; i += 1) {
        const next = triangles[i]!
        if (seen.has(next)) continue
        seen.add(next)
        if (belongs(next)) found.push(next)
      }
    }
  return found
}
/** Corners of triangles, each once, thinned to what a fit needs. */
function cornersOf({ mesh, ids }: ScanSurface, triangles: readonly number[]): Vector[] {
  const seen = new Set<number>()
  const points: Vector[] = []
  for (const triangle of triangles)
    for (let k = 0; k < 3; k += 1) {
      const id = ids[3 * triangle + k]!
      if (seen.has(id)) continue
      seen.add(id)
      points.push(corner(mesh, triangle, k))
    }
  const every = Math.ceil(points.length / MOST_POINTS)
  return every <= 1 ? points : points.filter((_, i) => i % every === 0)
}
/** Along its normal, as long as twice its area. */
function areaNormal(mesh: Mesh, triangle: number): Vector {
  const [a, b, c] = [corner(mesh, triangle, 0), corner(mesh, triangle, 1), corner(mesh, triangle, 2)]
  return cross([b[0] - a[0], b[1] - a[1], b[2] - a[2]], [c[0] - a[0], c[1] - a[1], c[2] - a[2]])
}
const cosine = (a: Vector, b: Vector): number => dot(a, b) / (Math.hypot(...a) * Math.hypot(...b) || 1)
const distance = (a: Vector, b: Vector): number => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2])

/**
 * The plane of the face around a triangle.
 * @throws RangeError where there is no flat face
 */
export function faceAt(surface: ScanSurface, triangle: number, next: () => number): FittedPlane {
  const at = middle(surface.mesh, triangle)
  const own = areaNormal(surface.mesh, triangle)
  const looksAlong = (one: number, direction: Vector) => Math.abs(cosine(areaNormal(surface.mesh, one), direction)) > ALIKE
  const near = grown(surface, triangle, (one) => distance(middle(surface.mesh, one), at) < NEAR_MM && looksAlong(one, own))
  let plane = planeThrough(surface, near, next)
  for (let turn = 0; turn < 3; turn += 1) {
    const { normal, offsetMm } = plane
    const face = grown(
      surface,
      triangle,
      (one) =>
        looksAlong(one, normal) && [0, 1, 2].every((k) => Math.abs(dot(normal, corner(surface.mesh, one, k)) - offsetMm) < FACE_WITHIN_MM),
    )
    plane = planeThrough(surface, face, next)
  }
  // the rims of a bore lie in planes too: the triangles that were selected must look the same way
  const mean = near.reduce<[number, number, number]>(
    (sum, one) => {
      const normal = areaNormal(surface.mesh, one)
      const turn = dot(normal, own) < 0 ? -1 : 1
      return [sum[0] + turn * normal[0], sum[1] + turn * normal[1], sum[2] + turn * normal[2]]
    },
    [0, 0, 0],
  )
  if (Math.abs(cosine(mean, plane.normal)) < LOOKS_THE_SAME) throw new RangeError('There is no flat face here. Select another place.')
  if (plane.spreadMm < LEAST_SPREAD_MM) throw new RangeError('This face is too narrow to give a direction. Select a larger flat face.')
  return plane
}
function planeThrough(surface: ScanSurface, triangles: readonly number[], next: () => number): FittedPlane {
  const points = cornersOf(surface, triangles)
  // a face of two triangles has four corners, all of them good
  return points.length < 8 ? fitPlane(points) : robustPlane(points, next)
}

export interface RoundFeature {
  circle: FittedCircle
  /** A point of its axis. */
  point: Vector
}
/**
 * The circle of the bore, register or edge around a triangle, seen along an axis.
 * @throws RangeError where there is nothing round
 */
export function roundAt(surface: ScanSurface, triangle: number, axis: Vector, next: () => number): RoundFeature {
  const { mesh } = surface
  const [x, y] = across(axis)
  const flat = (point: Vector): FlatPoint => [dot(point, x), dot(point, y)]
  const alongAxis = (one: number): boolean => {
    const normal = areaNormal(mesh, one)
    return Math.hypot(...normal) > 0 && Math.abs(cosine(normal, axis)) < MOST_ALONG
  }
  if (!alongAxis(triangle))
    throw new RangeError('This face is not round about the axis. Select the inside of a bore, a register or an edge.')
  let round = grown(surface, triangle, alongAxis)
  let circle = robustCircle(cornersOf(surface, round).map(flat), next)
  for (let turn = 0; turn < 3; turn += 1) {
    const { centre, radiusMm } = circle
    const belongs = (one: number) =>
      [0, 1, 2].every((k) => {
        const [px, py] = flat(corner(mesh, one, k))
        return Math.abs(Math.hypot(px - centre[0], py - centre[1]) - radiusMm) < ROUND_WITHIN_MM
      })
    if (!belongs(triangle)) break
    round = grown(surface, triangle, (one) => alongAxis(one) && belongs(one))
    circle = tried(() => robustCircle(cornersOf(surface, round).map(flat), next)) ?? circle
  }
  const [cx, cy] = circle.centre
  const height = dot(middle(mesh, triangle), axis)
  const point = [0, 1, 2].map((k) => cx * x[k]! + cy * y[k]! + height * axis[k]!) as unknown as Vector
  return { circle, point }
}

/** How a mesh was placed, and how sure that is. */
export interface Placed {
  frame: ScanFrame
  uncertainty: PointUncertainty
  /** Standard uncertainty of the least sure point that matters, mm. */
  worstUMm: number
}
/** Reach of a caliper or a wheel from the face along the axis, mm. */
export const REACH_MM = 200
/** A scan that is less sure than this is no measurement, mm. */
export const MOST_SURE_MM = 0.5

/**
 * The frame from a flat face and a round feature, with what both make of the uncertainty of a point: the scatter of the scan
 * itself, the face's place and direction, the axis' place, and the scale where a known diameter was checked.
 *
 * @param outwards a direction that is roughly outboard
 * @param faceToMountMm from the selected face outboard to the wheel mounting face, mm
 * @param scaleOff how far a known diameter was off, as a share of it
 */
export function placedBy(plane: FittedPlane, round: RoundFeature, outwards: Vector, faceToMountMm: number, scaleOff = 0): Placed {
  const turned = dot(plane.normal, outwards) < 0 ? -1 : 1
  const outboard = unit([plane.normal[0] * turned, plane.normal[1] * turned, plane.normal[2] * turned])
  const offset = plane.offsetMm * turned + faceToMountMm
  const along = offset - dot(outboard, round.point)
  const origin = [0, 1, 2].map((k) => round.point[k]! + along * outboard[k]!) as unknown as Vector
  const [u0, tilt] = [plane.uOffsetMm, plane.uTilt]
  const scatter = Math.max(plane.residualMm, round.circle.residualMm)
  const lever = distance(plane.centre, origin)
  const uncertainty: PointUncertainty = (z, r) => [
    Math.hypot(scatter, u0, tilt * (r + lever), Math.abs(z) * scaleOff, FLOOR_MM),
    Math.hypot(scatter, round.circle.uCentreMm, tilt * Math.abs(z), r * scaleOff, FLOOR_MM),
  ]
  return { frame: { origin, outboard }, uncertainty, worstUMm: Math.max(...uncertainty(REACH_MM, REACH_MM)) }
}
/** No scanner that fits on a bench is better than this, mm. */
export const FLOOR_MM = 0.02

/** The direction of a face that points away from a place, or towards it. */
export function awayFrom({ normal, offsetMm }: FittedPlane, place: Vector, towards = false): Vector {
  const sign = dot(normal, place) > offsetMm !== towards ? -1 : 1
  return [normal[0] * sign, normal[1] * sign, normal[2] * sign]
}

/**
 * How far a fitted circle is off a diameter that is known, as a share of it.
 *
 * @example
 * scaleError(28.5, 50) // => 0.14
 */
export const scaleError = (radiusMm: number, knownMm: number): number => Math.abs(2 * radiusMm - knownMm) / knownMm
