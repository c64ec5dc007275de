import type { Point } from './polyline.ts'

/** The closest points of two segments and the square of their distance. Reused, so that a query allocates nothing. */
interface Closest {
  squared: number
  az: number
  ar: number
  bz: number
  br: number
}

/** Makes the record that the functions below fill. */
export const closest = (): Closest => ({ squared: Infinity, az: 0, ar: 0, bz: 0, br: 0 })

function pointToSegment(pz: number, pr: number, z0: number, r0: number, z1: number, r1: number, flip: boolean, out: Closest): void {
  const dz = z1 - z0
  const dr = r1 - r0
  const along = (pz - z0) * dz + (pr - r0) * dr
  const whole = dz * dz + dr * dr
  // the ends are taken as they stand, so that two segments that share a vertex give the very same distance
  let z = z0
  let r = r0
  if (along >= whole && whole > 0) {
    z = z1
    r = r1
  } else if (along > 0) {
    const t = along / whole
    z = z0 + t * dz
    r = r0 + t * dr
  }
  const squared = (pz - z) * (pz - z) + (pr - r) * (pr - r)
  if (squared < out.squared) {
    out.squared = squared
    out.az = flip ? z : pz
    out.ar = flip ? r : pr
    out.bz = flip ? pz : z
    out.br = flip ? pr : r
  }
}

const side = (az: number, ar: number, bz: number, br: number, pz: number, pr: number): number =>
  (bz - az) * (pr - ar) - (br - ar) * (pz - az)

/**
 * Closest points of segment A (az0, ar0)-(az1, ar1) and B; distance 0 when they touch or cross.
 * In the plane the least distance of two segments that do not cross is at an end of one of them.
 */
export function segmentDistance(
  az0: number,
  ar0: number,
  az1: number,
  ar1: number,
  bz0: number,
  br0: number,
  bz1: number,
  br1: number,
  out: Closest,
): Closest {
  out.squared = Infinity
  const b0 = side(az0, ar0, az1, ar1, bz0, br0)
  const b1 = side(az0, ar0, az1, ar1, bz1, br1)
  if ((b0 < 0 && b1 > 0) || (b0 > 0 && b1 < 0)) {
    const a0 = side(bz0, br0, bz1, br1, az0, ar0)
    const a1 = side(bz0, br0, bz1, br1, az1, ar1)
    if ((a0 < 0 && a1 > 0) || (a0 > 0 && a1 < 0)) {
      const t = b0 / (b0 - b1)
      out.squared = 0
      out.az = out.bz = bz0 + t * (bz1 - bz0)
      out.ar = out.br = br0 + t * (br1 - br0)
      return out
    }
  }
  pointToSegment(az0, ar0, bz0, br0, bz1, br1, false, out)
  pointToSegment(az1, ar1, bz0, br0, bz1, br1, false, out)
  pointToSegment(bz0, br0, az0, ar0, az1, ar1, true, out)
  pointToSegment(bz1, br1, az0, ar0, az1, ar1, true, out)
  return out
}

/** Closest point of segment (z0, r0)-(z1, r1) to a point; the point is A, the segment B. */
export function pointDistance([pz, pr]: Point, z0: number, r0: number, z1: number, r1: number, out: Closest): Closest {
  out.squared = Infinity
  pointToSegment(pz, pr, z0, r0, z1, r1, false, out)
  return out
}
