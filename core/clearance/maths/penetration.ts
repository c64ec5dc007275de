import { closest, pointDistance } from './distance.ts'
import type { WorkBudget } from '../../maths/work-budget.ts'
import type { Point, Polyline } from './polyline.ts'
import type { PreparedCaliper, PreparedWheel } from './outline.ts'
import { crosses, crossings, nearestSegment, type SegmentTree } from './segment-tree.ts'

/** Far enough for any wheel, near enough to keep the digits, mm. */
export const FAR_MM = 2000

interface Penetration {
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
  const { effort } = caliper
  const { points: profile, all } = wheel
  const [firstZ, firstR] = profile[0]!
  const [lastZ, lastR] = profile[profile.length - 1]!
  const away: Polyline = [
    [lastZ, lastR],
    [lastZ + FAR_MM, lastR],
    [lastZ + FAR_MM, -FAR_MM],
    [firstZ - FAR_MM, -FAR_MM],
    [firstZ - FAR_MM, firstR],
    [firstZ, firstR],
  ]
  /** Whether a point, in the wheel's frame, is where a caliper may be: inside the barrel and inboard of the spokes, open where the profile ends. */
  const isFree = (z: number, r: number): boolean => {
    let count = crossings(all, z, r, effort)
    for (let i = 1; i < away.length; i += 1) if (crosses(...away[i - 1]!, ...away[i]!, z, r)) count += 1
    return count % 2 === 1
  }
  let deepest: Penetration | undefined
  const depth = () => deepest?.depthMm ?? -1

  caliper.outlines.forEach(({ points, tree }, outline) => {
    for (const point of points) {
      const [z, r] = [point[0] - shift, point[1]]
      if (isFree(z, r)) continue
      const near = nearest(all, z, r, depth(), effort)
      if (near)
        deepest = {
          depthMm: near.distance,
          caliper: point,
          wheel: [near.point[0] + shift, near.point[1]],
          outline,
          segment: near.segment,
        }
    }
    if (points.length < 3) return
    const [start, end] = [points[0]!, points[points.length - 1]!]
    profile.forEach(([z, r], vertex) => {
      const point: Point = [z + shift, r]
      const closing = crosses(...end, ...start, ...point) ? 1 : 0
      if ((crossings(tree, ...point, effort) + closing) % 2 === 0) return
      const near = nearest(tree, ...point, depth(), effort)
      if (near)
        deepest = {
          depthMm: near.distance,
          caliper: near.point,
          wheel: point,
          outline,
          segment: Math.min(vertex, wheel.tags.length - 1),
        }
    })
  })
  return deepest
}

/** The place on a line nearest to a point; undefined when it is no further than `beyondMm`. */
function nearest(
  tree: SegmentTree,
  z: number,
  r: number,
  beyondMm: number,
  effort: WorkBudget | undefined,
): { distance: number; point: Point; segment: number } | undefined {
  const s = tree.segments
  const record = closest()
  const at = (i: number): number => {
    pointDistance([z, r], s[i * 4]!, s[i * 4 + 1]!, s[i * 4 + 2]!, s[i * 4 + 3]!, record)
    return record.squared
  }
  const found = nearestSegment(tree, z, r, at, beyondMm < 0 ? -1 : beyondMm * beyondMm, effort)
  if (found === undefined) return undefined
  at(found)
  return { distance: Math.sqrt(record.squared), point: [record.bz, record.br], segment: tree.ids[found]! }
}
