import { closest, segmentDistance } from './distance.ts'
import type { PreparedCaliper, PreparedWheel } from './outline.ts'
import { visitPairs } from './segment-tree.ts'

/** Pairs of segments that can be the closest ones once the outlines move a little, nearest first. */
export interface NearPairs {
  /** Least distance of all pairs, mm; 0 when they cross. */
  leastMm: number
  distanceMm: Float64Array
  /** Unit vector from the caliper's closest point to the wheel's, z then r; zero where they cross. */
  direction: Float64Array
  /** Caliper segment z0, r0, z1, r1 for each pair. */
  caliper: Float64Array
  /** First vertex of the wheel's segment for each pair; the second is the next one. */
  wheelVertex: Int32Array
}

/**
 * @param reachMm pairs up to this much further apart than the nearest are kept
 * @param most more pairs than this are no help
 * @returns undefined when there are more
 * @throws TooMuch when the caliper's effort is spent
 */
export function nearPairs(
  caliper: PreparedCaliper,
  wheel: PreparedWheel,
  spacerMm: number,
  reachMm: number,
  most = Infinity,
): NearPairs | undefined {
  const record = closest()
  const w = wheel.all
  let limit = Infinity
  let least = Infinity
  const found: { d: number; z: number; r: number; c: number; w: number; outline: number }[] = []
  // two walks: the first finds the least distance, the second all that may take its place
  for (const collect of [false, true]) {
    caliper.outlines.forEach(({ tree: c }, outline) => {
      const bound = (a: number, b: number): number => {
        const dz = Math.max(c.boxes[a * 4]! - w.boxes[b * 4 + 2]! - spacerMm, w.boxes[b * 4]! + spacerMm - c.boxes[a * 4 + 2]!, 0)
        const dr = Math.max(c.boxes[a * 4 + 1]! - w.boxes[b * 4 + 3]!, w.boxes[b * 4 + 1]! - c.boxes[a * 4 + 3]!, 0)
        return dz * dz + dr * dr
      }
      const visit = (i: number, j: number): void => {
        const s = c.segments
        const t = w.segments
        segmentDistance(
          s[i * 4]!,
          s[i * 4 + 1]!,
          s[i * 4 + 2]!,
          s[i * 4 + 3]!,
          t[j * 4]! + spacerMm,
          t[j * 4 + 1]!,
          t[j * 4 + 2]! + spacerMm,
          t[j * 4 + 3]!,
          record,
        )
        if (!collect) least = Math.min(least, record.squared)
        else if (record.squared <= limit) {
          const d = Math.sqrt(record.squared)
          const per = d > 0 ? 1 / d : 0
          found.push({ d, z: (record.bz - record.az) * per, r: (record.br - record.ar) * per, c: i * 4, w: w.ids[j]!, outline })
        }
      }
      visitPairs(c, w, bound, (value) => value <= (collect ? limit : least) && found.length <= most, visit, caliper.effort)
    })
    if (found.length > most) return undefined
    limit = (Math.sqrt(least) + reachMm) ** 2
  }
  found.sort((a, b) => a.d - b.d)
  const segments = new Float64Array(found.length * 4)
  found.forEach((pair, at) => segments.set(caliper.outlines[pair.outline]!.tree.segments.subarray(pair.c, pair.c + 4), at * 4))
  return {
    leastMm: Math.sqrt(least),
    distanceMm: Float64Array.from(found, (pair) => pair.d),
    direction: Float64Array.from(found.flatMap((pair) => [pair.z, pair.r])),
    caliper: segments,
    wheelVertex: Int32Array.from(found, (pair) => pair.w),
  }
}
