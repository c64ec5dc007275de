import { closest, segmentDistance } from '../core/clearance/maths/distance.ts'
import type { Polyline } from '../core/clearance/maths/polyline.ts'

/** The obvious way: every segment against every segment. What the fast way must agree with. */
export function bruteDistance(caliper: readonly Polyline[], wheel: Polyline, spacerMm: number): number {
  const record = closest()
  let squared = Infinity
  for (const line of caliper) {
    for (let i = 0; i + 1 < line.length; i += 1) {
      for (let j = 0; j + 1 < wheel.length; j += 1) {
        const [az0, ar0] = line[i]!
        const [az1, ar1] = line[i + 1]!
        const [bz0, br0] = wheel[j]!
        const [bz1, br1] = wheel[j + 1]!
        segmentDistance(az0, ar0, az1, ar1, bz0 + spacerMm, br0, bz1 + spacerMm, br1, record)
        squared = Math.min(squared, record.squared)
      }
    }
  }
  return Math.sqrt(squared)
}
