import { depthProbe } from './deepest.ts'
import type { Point } from './polyline.ts'
import type { PreparedCaliper, PreparedWheel } from './outline.ts'
import { FAR_MM } from './penetration.ts'

/**
 * How deep caliper and wheel reach into each other under a move, by the rule of `penetration`: caliper
 * vertices beyond the profile, wheel vertices inside an outline.
 *
 * @returns a function of the moved wheel (z, r of each vertex), the caliper's move and the largest move; 0 when nothing is beyond
 */
export function deepestProbes(
  caliper: PreparedCaliper,
  wheel: PreparedWheel,
  spacerMm: number,
  mostMm: number,
): (moved: Float64Array, axialMm: number, radialMm: number, moveMm: number) => number {
  const profile = wheel.points.map(([z, r]): Point => [z + spacerMm, r])
  const outside = (z0: number, r0: number, z1: number, r1: number) => [
    z1 + FAR_MM,
    r1,
    z1 + FAR_MM,
    -FAR_MM,
    z0 - FAR_MM,
    -FAR_MM,
    z0 - FAR_MM,
    r0,
  ]
  const parts = caliper.outlines.map(({ points }) => ({
    base: Float64Array.from(points.flat()),
    moved: new Float64Array(points.length * 2),
    beyondWheel: depthProbe(profile, points, false, mostMm, outside),
    inCaliper: points.length >= 3 ? depthProbe(points, profile, true, mostMm, () => []) : undefined,
  }))
  return (moved, axialMm, radialMm, moveMm) => {
    let depth = 0
    for (const part of parts) {
      for (let i = 0; i < part.base.length; i += 2) {
        part.moved[i] = part.base[i]! + axialMm
        part.moved[i + 1] = part.base[i + 1]! + radialMm
      }
      depth = part.beyondWheel.deepest(moved, part.moved, moveMm, depth)
      if (part.inCaliper) depth = part.inCaliper.deepest(part.moved, moved, moveMm, depth)
    }
    return depth
  }
}
