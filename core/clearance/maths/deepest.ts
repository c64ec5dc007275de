import { closest, pointDistance } from './distance.ts'
import type { Polyline } from './polyline.ts'

/**
 * The deepest vertex of one line beyond another while both are moved a little, again and again. What
 * never changes is prepared once: how far each vertex is from the other line, and on which side.
 */
interface DepthProbe {
  /**
   * @param moved the other line as it is moved now, z then r
   * @param vertices the vertices as they are moved now, z then r
   * @param reachMm no point moved further than this against another
   * @param atLeast only a greater depth is of interest
   * @returns the greatest depth, or `atLeast` when none is greater
   */
  deepest(moved: Float64Array, vertices: Float64Array, reachMm: number, atLeast: number): number
}

interface Near {
  order: Int32Array
  sorted: Float64Array
  /** Unit vectors from the vertex to the closest points, z then r. */
  direction: Float64Array
}
interface Item {
  vertex: number
  z: number
  r: number
  /** Depth that it has or nearly has. */
  key: number
  beyond: boolean
  distance: number
  toClosing: number
  near: Near | undefined
}

/**
 * @param line the line beyond which a vertex may lie
 * @param vertices what may lie beyond
 * @param beyondIsInside whether beyond is the inside of the polygon (a wheel vertex in a caliper) or its outside
 * @param mostMm no point will be moved further than this against another
 * @param closing the points that close the line to a polygon after its end, from its two ends
 */
export function depthProbe(
  line: Polyline,
  vertices: Polyline,
  beyondIsInside: boolean,
  mostMm: number,
  closing: (z0: number, r0: number, z1: number, r1: number) => readonly number[],
): DepthProbe {
  const count = line.length
  const base = Float64Array.from(line.flat())
  const polygonOf = (moved: Float64Array): Float64Array => {
    const rest = closing(moved[0]!, moved[1]!, moved[count * 2 - 2]!, moved[count * 2 - 1]!)
    const polygon = new Float64Array(moved.length + rest.length)
    polygon.set(moved)
    polygon.set(rest, moved.length)
    return polygon
  }
  const basePolygon = polygonOf(base)
  const record = closest()
  const isBeyond = (polygon: Float64Array, z: number, r: number) => insidePolygon(polygon, z, r) === beyondIsInside

  const items = vertices.map((point, vertex): Item => {
    let distance = Infinity
    for (let i = 0; i + 1 < count; i += 1)
      distance = Math.min(distance, distanceTo(point[0], point[1], base[i * 2]!, base[i * 2 + 1]!, base[i * 2 + 2]!, base[i * 2 + 3]!))
    const toClosing = closingDistance(basePolygon, count, point)
    const beyond = isBeyond(basePolygon, point[0], point[1])
    // over the closing lines a vertex gets beyond at once as deep as it is far
    const key = beyond || toClosing < distance ? distance : -distance
    return { vertex, z: point[0], r: point[1], key, beyond, distance, toClosing, near: undefined }
  })
  /** The stretches that may be the nearest under any move, nearest first. */
  const nearOf = (item: Item): Near => {
    if (item.near) return item.near
    const found: { segment: number; distance: number; z: number; r: number }[] = []
    for (let segment = 0; segment + 1 < count; segment += 1) {
      const s = segment * 2
      pointDistance([item.z, item.r], base[s]!, base[s + 1]!, base[s + 2]!, base[s + 3]!, record)
      const distance = Math.sqrt(record.squared)
      if (distance > item.distance + 2 * mostMm) continue
      const per = distance > 0 ? 1 / distance : 0
      found.push({ segment, distance, z: (record.bz - item.z) * per, r: (record.br - item.r) * per })
    }
    found.sort((a, b) => a.distance - b.distance)
    item.near = {
      order: Int32Array.from(found, (one) => one.segment),
      sorted: Float64Array.from(found, (one) => one.distance),
      direction: Float64Array.from(found.flatMap((one) => [one.z, one.r])),
    }
    return item.near
  }
  items.sort((a, b) => b.key - a.key)

  /** Whether the line between vertex and closest points parts them all along the move: then the side stays. */
  const staysOnSide = (item: Item, moved: Float64Array, dz: number, dr: number, reachMm: number): boolean => {
    if (item.toClosing <= reachMm) return false
    const { order, sorted, direction } = nearOf(item)
    for (let i = 0; i < order.length && sorted[i]! <= reachMm; i += 1) {
      const s = order[i]! * 2
      const z = direction[i * 2]!
      const r = direction[i * 2 + 1]!
      const first = z * (moved[s]! - base[s]!) + r * (moved[s + 1]! - base[s + 1]!)
      const second = z * (moved[s + 2]! - base[s + 2]!) + r * (moved[s + 3]! - base[s + 3]!)
      if (sorted[i]! - z * dz - r * dr + (first < second ? first : second) <= 0) return false
    }
    return true
  }

  return {
    deepest(moved, at, reachMm, atLeast) {
      let best = atLeast
      let polygon: Float64Array | undefined
      for (const item of items) {
        if (item.key + reachMm <= best) break
        const z = at[item.vertex * 2]!
        const r = at[item.vertex * 2 + 1]!
        let { beyond } = item
        if (item.distance <= reachMm || item.toClosing <= reachMm) {
          if (!staysOnSide(item, moved, z - item.z, r - item.r, reachMm)) {
            polygon ??= polygonOf(moved)
            beyond = isBeyond(polygon, z, r)
          }
        }
        if (!beyond) continue
        const { order, sorted } = nearOf(item)
        let least = Infinity
        for (let i = 0; i < order.length; i += 1) {
          if (sorted[i]! - reachMm >= least) break
          const s = order[i]! * 2
          least = Math.min(least, distanceTo(z, r, moved[s]!, moved[s + 1]!, moved[s + 2]!, moved[s + 3]!))
          if (least <= best) break
        }
        if (least > best) best = least
      }
      return best
    },
  }
}

function distanceTo(z: number, r: number, z0: number, r0: number, z1: number, r1: number): number {
  const dz = z1 - z0
  const dr = r1 - r0
  const whole = dz * dz + dr * dr
  const t = whole > 0 ? Math.min(Math.max(((z - z0) * dz + (r - r0) * dr) / whole, 0), 1) : 0
  return Math.sqrt((z - z0 - t * dz) ** 2 + (r - r0 - t * dr) ** 2)
}

/** Distance to the lines of a polygon after its first `count` points, the way back to the start among them. */
function closingDistance(polygon: Float64Array, count: number, [z, r]: readonly [number, number]): number {
  let least = Infinity
  const points = polygon.length / 2
  for (let i = count - 1; i < points; i += 1) {
    const next = (i + 1) % points
    least = Math.min(least, distanceTo(z, r, polygon[i * 2]!, polygon[i * 2 + 1]!, polygon[next * 2]!, polygon[next * 2 + 1]!))
  }
  return least
}

/** Even-odd rule (J. O'Rourke, Computational Geometry in C, 7.4). */
function insidePolygon(polygon: Float64Array, z: number, r: number): boolean {
  let odd = false
  const n = polygon.length
  for (let i = 0, j = n - 2; i < n; j = i, i += 2) {
    const ri = polygon[i + 1]!
    const rj = polygon[j + 1]!
    if (ri > r !== rj > r && z < polygon[i]! + ((r - ri) / (rj - ri)) * (polygon[j]! - polygon[i]!)) odd = !odd
  }
  return odd
}
