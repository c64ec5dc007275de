import { closest, pointDistance } from './distance.ts'
import type { Point, Polyline, PreparedCaliper, PreparedWheel } from './outline.ts'

/** Far enough for any wheel, near enough to keep the digits, mm. */
export const FAR_MM = 2000

export interface Penetration {
  depthMm: number
  caliper: Point
  wheel: Point
  outline: number
  /** Wheel segment, by its place on the profile. */
  segment: number
}

/**
 * How far a caliper reaches into a wheel that it crosses: the largest distance from a caliper vertex
 * beyond the profile back to the profile, or from a wheel vertex inside an outline back to that
 * outline. Undefined when nothing is beyond.
 *
 * @param shift the spacer, added to the wheel's z
 */
export function penetration(caliper: PreparedCaliper, wheel: PreparedWheel, shift: number): Penetration | undefined {
  const profile = wheel.points.map(([z, r]): Point => [z + shift, r])
  const free = freeSpace(profile)
  let deepest: Penetration | undefined
  const take = (found: Penetration) => {
    if (!deepest || found.depthMm > deepest.depthMm) deepest = found
  }
  caliper.outlines.forEach(({ points }, outline) => {
    for (const point of points) {
      if (inside(free, point)) continue
      const near = nearest(point, profile)
      take({ depthMm: near.distance, caliper: point, wheel: near.point, outline, segment: near.segment })
    }
    profile.forEach((point, vertex) => {
      if (points.length < 3 || !inside(points, point)) return
      const near = nearest(point, points)
      take({ depthMm: near.distance, caliper: near.point, wheel: point, outline, segment: Math.min(vertex, wheel.tags.length - 1) })
    })
  })
  return deepest
}

/** The space a caliper may fill: inside the barrel and inboard of the spokes, open where the profile ends. */
function freeSpace(profile: Polyline): Polyline {
  const [firstZ, firstR] = profile[0]!
  const [lastZ, lastR] = profile[profile.length - 1]!
  return [[firstZ - FAR_MM, firstR], ...profile, [lastZ + FAR_MM, lastR], [lastZ + FAR_MM, -FAR_MM], [firstZ - FAR_MM, -FAR_MM]]
}

/** Even-odd rule over a polygon closed from last to first point (J. O'Rourke, Computational Geometry in C, 7.4). */
function inside(polygon: Polyline, [z, r]: Point): boolean {
  let odd = false
  for (let i = 0, j = polygon.length - 1; i < polygon.length; j = i, i += 1) {
    const [zi, ri] = polygon[i]!
    const [zj, rj] = polygon[j]!
    if (ri > r !== rj > r && z < zi + ((r - ri) / (rj - ri)) * (zj - zi)) odd = !odd
  }
  return odd
}

function nearest(point: Point, line: Polyline): { distance: number; point: Point; segment: number } {
  const record = closest()
  let squared = Infinity
  let found: Point = line[0]!
  let segment = 0
  for (let i = 0; i + 1 < line.length; i += 1) {
    const [z0, r0] = line[i]!
    const [z1, r1] = line[i + 1]!
    pointDistance(point, z0, r0, z1, r1, record)
    if (record.squared < squared) {
      squared = record.squared
      found = [record.bz, record.br]
      segment = i
    }
  }
  return { distance: Math.sqrt(squared), point: found, segment }
}
