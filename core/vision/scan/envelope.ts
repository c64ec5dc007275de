import type { Mesh } from './mesh.ts'

/**
 * What a body sweeps when it is turned about the hub axis (z), as curves in the half section. A triangle covers a region of (z, r);
 * the curves bound the union of all regions, not of the corners alone: a flat face between corners can be the nearest place.
 */
export type Side = 'outer' | 'inner'

/** The same as hypot, many times quicker: no coordinate of a part is large. */
const length2 = (x: number, y: number): number => Math.sqrt(x * x + y * y)

/** Distance of the axis from the segment a-b in the plane across it. */
function segmentDistance(ax: number, ay: number, bx: number, by: number): number {
  const [dx, dy] = [bx - ax, by - ay]
  const length = dx * dx + dy * dy
  const t = length === 0 ? 0 : Math.min(1, Math.max(0, -(ax * dx + ay * dy) / length))
  return length2(ax + t * dx, ay + t * dy)
}

/**
 * The greatest or least distance of a mesh from the z axis in the plane at `z`, mm; undefined where no triangle is cut. A circle's
 * distance is convex along a segment: the greatest is at an end, the least may lie between.
 *
 * @param mesh corners in mm, the hub axis is z
 * @example
 * radiusAt(Float64Array.of(3, 4, -1, 3, 4, 1, 30, 40, 0), 0, 'outer') // => 50
 */
export function radiusAt(mesh: Mesh, z: number, side: Side): number | undefined {
  let found: number | undefined
  for (let i = 0; i < mesh.length; i += 9) {
    const cut = slice(mesh, i, z, z)
    if (cut.length === 0) continue
    const r = side === 'outer' ? farthest(cut) : nearest(cut)
    if (found === undefined || (side === 'outer' ? r > found : r < found)) found = r
  }
  return found
}

/** Corners x, y of the part of a triangle between two planes across the axis: a convex polygon, flattened. */
function slice(mesh: Mesh, at: number, low: number, high: number): number[] {
  let polygon = [0, 3, 6].map((k): [number, number, number] => [mesh[at + k]!, mesh[at + k + 1]!, mesh[at + k + 2]!])
  for (const [limit, sign] of [
    [low, 1],
    [high, -1],
  ] as const) {
    const kept: [number, number, number][] = []
    for (let i = 0; i < polygon.length; i += 1) {
      const [a, b] = [polygon[i]!, polygon[(i + 1) % polygon.length]!]
      const [da, db] = [sign * (a[2] - limit), sign * (b[2] - limit)]
      if (da >= 0) kept.push(a)
      if (da * db < 0) {
        const t = da / (da - db)
        kept.push([a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1]), limit])
      }
    }
    polygon = kept
  }
  return polygon.flatMap(([x, y]) => [x, y])
}
function farthest(corners: readonly number[]): number {
  let most = 0
  for (let i = 0; i < corners.length; i += 2) most = Math.max(most, length2(corners[i]!, corners[i + 1]!))
  return most
}
/** Of the axis from a convex polygon: zero where it goes through. */
function nearest(corners: readonly number[]): number {
  const count = corners.length / 2
  let least = Infinity
  // the axis goes through where all sides turn round it the same way
  let turns = 0
  for (let i = 0; i < count; i += 1) {
    const [ax, ay] = [corners[2 * i]!, corners[2 * i + 1]!]
    const next = ((i + 1) % count) * 2
    const [bx, by] = [corners[next]!, corners[next + 1]!]
    least = Math.min(least, segmentDistance(ax, ay, bx, by))
    turns += turnOf(ax, ay, bx, by)
  }
  return count > 2 && Math.abs(turns) === count ? 0 : least
}
/** Which way a side turns round the axis; 0: it points at it. */
function turnOf(ax: number, ay: number, bx: number, by: number): number {
  const turn = ax * by - ay * bx
  return Math.abs(turn) <= 1e-12 * (Math.abs(ax) + Math.abs(ay)) * (Math.abs(bx) + Math.abs(by)) ? 0 : Math.sign(turn)
}

/** A curve in equal steps: `values[i]` bounds what lies between `from + i * step` and `from + (i + 1) * step`; NaN: nothing does. */
export interface CurveSteps {
  from: number
  step: number
  values: Float64Array
}
/** Differences of rounding are none, mm. */
const SAME_MM = 1e-9
const stepsOver = (low: number, high: number, step: number): CurveSteps => ({
  from: low,
  step,
  values: new Float64Array(Math.max(1, Math.ceil((high - low) / step + 1e-9))).fill(NaN),
})
const indexOf = ({ from, step, values }: CurveSteps, at: number): number =>
  Math.min(values.length - 1, Math.max(0, Math.floor((at - from) / step)))

/**
 * The greatest or least radius in each step along the axis, exact over the step.
 * @param stepMm width of a step, mm
 * @param from what lies nearer to the axis than this is left out, mm
 */
export function radiusSteps(mesh: Mesh, side: Side, stepMm: number, from = 0): CurveSteps {
  let [low, high] = [Infinity, -Infinity]
  for (let i = 2; i < mesh.length; i += 3) {
    if (mesh[i]! < low) low = mesh[i]!
    if (mesh[i]! > high) high = mesh[i]!
  }
  const steps = stepsOver(low, high, stepMm)
  if (side === 'outer') outerSquares(mesh, steps)
  else innerRadii(mesh, steps, from)
  return steps
}

/** Along an edge the square of the radius is convex: over a step it is greatest at an end. A triangle has no more than its edges. */
function outerSquares(mesh: Mesh, steps: CurveSteps): void {
  const { from, step, values } = steps
  const squares = values.fill(-1)
  const last = values.length - 1
  for (let i = 0; i < mesh.length; i += 3) {
    const [a, b] = [i, i % 9 === 6 ? i - 6 : i + 3]
    const up = mesh[a + 2]! <= mesh[b + 2]! ? a : b
    const [x0, y0, z0] = [mesh[up]!, mesh[up + 1]!, mesh[up + 2]!]
    const to = up === a ? b : a
    const [dx, dy, dz] = [mesh[to]! - x0, mesh[to + 1]! - y0, mesh[to + 2]! - z0]
    let k = Math.min(last, Math.max(0, Math.floor((z0 - from) / step)))
    const end = Math.min(last, Math.max(0, Math.floor((z0 + dz - from) / step)))
    let before = x0 * x0 + y0 * y0
    for (; k < end; k += 1) {
      const t = (from + (k + 1) * step - z0) / dz
      const [x, y] = [x0 + t * dx, y0 + t * dy]
      const after = x * x + y * y
      const most = before > after ? before : after
      if (most > squares[k]!) squares[k] = most
      before = after
    }
    const [x, y] = [x0 + dx, y0 + dy]
    const most = Math.max(before, x * x + y * y)
    if (most > squares[end]!) squares[end] = most
  }
  for (let k = 0; k <= last; k += 1) values[k] = squares[k]! < 0 ? NaN : Math.sqrt(squares[k]!)
}

/**
 * The least radius of a triangle's section is convex along the axis: over a step it is least at the end that is nearer to the place
 * where it is least of all.
 */
function innerRadii(mesh: Mesh, steps: CurveSteps, from: number): void {
  const { values } = steps
  const last = values.length - 1
  for (let i = 0; i < mesh.length; i += 9) {
    if (farCorner(mesh, i) < from) continue
    // bottom, middle and top corner along the axis
    let [a, b, c] = [i, i + 3, i + 6]
    if (mesh[a + 2]! > mesh[b + 2]!) [a, b] = [b, a]
    if (mesh[b + 2]! > mesh[c + 2]!) [b, c] = [c, b]
    if (mesh[a + 2]! > mesh[b + 2]!) [a, b] = [b, a]
    const [bottom, middle, top] = [mesh[a + 2]!, mesh[b + 2]!, mesh[c + 2]!]
    const { r: least, z: leastAt } = nearestPlace(mesh, i)
    const bound = Math.max(from, least)
    const first = indexOf(steps, bottom)
    const end = indexOf(steps, top)
    const middleFar = length2(mesh[b]!, mesh[b + 1]!)
    for (let k = first; k <= end; k += 1) {
      // the whole triangle changes nothing here
      if (bound >= values[k]! - SAME_MM) continue
      const z0 = k === first ? bottom : steps.from + k * steps.step
      const z1 = k === end || k === last ? top : steps.from + (k + 1) * steps.step
      const below = section(mesh, a, b, c, z0, true)
      const belowNear = below.near
      let far = below.far
      const above = section(mesh, a, b, c, z1, false)
      far = Math.max(far, above.far, middle >= z0 && middle <= z1 ? middleFar : 0)
      if (far < from) continue
      const r = Math.max(from, leastAt < z0 ? belowNear : leastAt > z1 ? above.near : least)
      if (!(r >= values[k]!)) values[k] = r
    }
  }
}
/** Least and greatest radius of a triangle's section at z; the two are one place, used at once. */
const SECTION = { near: 0, far: 0 }
function section(mesh: Mesh, a: number, b: number, c: number, z: number, upwards: boolean): typeof SECTION {
  const [za, zb, zc] = [mesh[a + 2]!, mesh[b + 2]!, mesh[c + 2]!]
  // a flat side at the height itself counts as a whole
  const lower = z < zb || (z === zb && za < zb && !(upwards && zb === za))
  const [p, q] = lower ? [a, b] : [b, c]
  const t = zc === za ? 0 : Math.min(1, Math.max(0, (z - za) / (zc - za)))
  const dz = mesh[q + 2]! - mesh[p + 2]!
  const s = dz === 0 ? 0 : Math.min(1, Math.max(0, (z - mesh[p + 2]!) / dz))
  const [ax, ay] = [mesh[a]! + t * (mesh[c]! - mesh[a]!), mesh[a + 1]! + t * (mesh[c + 1]! - mesh[a + 1]!)]
  const [bx, by] = [mesh[p]! + s * (mesh[q]! - mesh[p]!), mesh[p + 1]! + s * (mesh[q + 1]! - mesh[p + 1]!)]
  SECTION.near = segmentDistance(ax, ay, bx, by)
  SECTION.far = Math.max(length2(ax, ay), length2(bx, by))
  return SECTION
}
const farCorner = (mesh: Mesh, i: number): number =>
  Math.max(length2(mesh[i]!, mesh[i + 1]!), length2(mesh[i + 3]!, mesh[i + 4]!), length2(mesh[i + 6]!, mesh[i + 7]!))

/** The place of a triangle that is nearest to the axis; the two are one place, used at once. */
const PLACE = { r: 0, z: 0 }
function nearestPlace(mesh: Mesh, i: number): typeof PLACE {
  PLACE.r = Infinity
  let turns = 0
  for (let e = 0; e < 3; e += 1) {
    const [a, b] = [i + 3 * e, i + 3 * ((e + 1) % 3)]
    const [ax, ay] = [mesh[a]!, mesh[a + 1]!]
    const [dx, dy] = [mesh[b]! - ax, mesh[b + 1]! - ay]
    const square = dx * dx + dy * dy
    const t = square === 0 ? 0 : Math.min(1, Math.max(0, -(ax * dx + ay * dy) / square))
    const r = length2(ax + t * dx, ay + t * dy)
    if (r < PLACE.r) {
      PLACE.r = r
      PLACE.z = mesh[a + 2]! + t * (mesh[b + 2]! - mesh[a + 2]!)
    }
    turns += turnOf(ax, ay, mesh[b]!, mesh[b + 1]!)
  }
  if (Math.abs(turns) === 3) {
    // the axis goes through: where, by the areas of the three parts
    const [x1, y1, x2, y2, x3, y3] = [mesh[i]!, mesh[i + 1]!, mesh[i + 3]!, mesh[i + 4]!, mesh[i + 6]!, mesh[i + 7]!]
    const [w1, w2, w3] = [x2 * y3 - x3 * y2, x3 * y1 - x1 * y3, x1 * y2 - x2 * y1]
    PLACE.r = 0
    PLACE.z = (w1 * mesh[i + 2]! + w2 * mesh[i + 5]! + w3 * mesh[i + 8]!) / (w1 + w2 + w3)
  }
  return PLACE
}
const nearTriangle = (mesh: Mesh, i: number): number => nearestPlace(mesh, i).r

/**
 * The greatest or least z in each step of the radius, exact over the step: how far a body reaches along the axle at each radius.
 * @param end `high`: the most outboard place; `low`: the most inboard one
 * @param stepMm width of a step, mm
 */
export function axialSteps(mesh: Mesh, end: 'high' | 'low', stepMm: number): CurveSteps {
  const sign = end === 'high' ? 1 : -1
  let [low, high] = [Infinity, 0]
  const near = new Float64Array(mesh.length / 9)
  for (let i = 0; i < mesh.length; i += 9) {
    near[i / 9] = nearTriangle(mesh, i)
    low = Math.min(low, near[i / 9]!)
    high = Math.max(high, farCorner(mesh, i))
  }
  const steps = stepsOver(low, high, stepMm)
  const { values } = steps
  const put = (k: number, z: number) => {
    if (Number.isNaN(values[k]!) || sign * z > sign * values[k]!) values[k] = z
  }
  for (let i = 0; i < mesh.length; i += 9) {
    const far = sign * Math.max(sign * mesh[i + 2]!, sign * mesh[i + 5]!, sign * mesh[i + 8]!)
    const first = indexOf(steps, near[i / 9]!)
    const last = indexOf(steps, farCorner(mesh, i))
    let useful = false
    for (let k = first; k <= last && !useful; k += 1) useful = Number.isNaN(values[k]!) || sign * far > sign * values[k]!
    if (!useful) continue
    if (first === last) put(first, far)
    else {
      for (let e = 0; e < 3; e += 1) alongEdge(mesh, i + 3 * e, i + 3 * ((e + 1) % 3), steps, put)
      withinFace(mesh, i, sign, steps, first, last, put)
    }
  }
  return steps
}

/** z along an edge in each step of the radius: it is extreme where the edge enters and leaves the step. */
function alongEdge(mesh: Mesh, a: number, b: number, steps: CurveSteps, put: (k: number, z: number) => void): void {
  const [ax, ay, az] = [mesh[a]!, mesh[a + 1]!, mesh[a + 2]!]
  const [dx, dy, dz] = [mesh[b]! - ax, mesh[b + 1]! - ay, mesh[b + 2]! - az]
  const square = dx * dx + dy * dy
  // up to its nearest place to the axis the radius falls, from there on it grows
  const turn = square === 0 ? 0 : Math.min(1, Math.max(0, -(ax * dx + ay * dy) / square))
  const radius = (t: number) => length2(ax + t * dx, ay + t * dy)
  for (const [from, to] of [
    [0, turn],
    [turn, 1],
  ] as const) {
    const [low, high] = [Math.min(radius(from), radius(to)), Math.max(radius(from), radius(to))]
    const [first, last] = [indexOf(steps, low), indexOf(steps, high)]
    put(indexOf(steps, radius(from)), az + from * dz)
    put(indexOf(steps, radius(to)), az + to * dz)
    for (let k = first + 1; k <= last; k += 1) {
      const r = steps.from + k * steps.step
      const b2 = ax * dx + ay * dy
      const root = Math.sqrt(Math.max(0, b2 * b2 - square * (ax * ax + ay * ay - r * r)))
      const t = Math.min(to, Math.max(from, square === 0 ? from : (-b2 + (from < turn ? -root : root)) / square))
      put(k - 1, az + t * dz)
      put(k, az + t * dz)
    }
  }
}

/** Inside a sloping triangle z is extreme on a circle in the direction in which the plane rises most. */
function withinFace(
  mesh: Mesh,
  i: number,
  sign: 1 | -1,
  steps: CurveSteps,
  first: number,
  last: number,
  put: (k: number, z: number) => void,
): void {
  const [ax, ay, az] = [mesh[i]!, mesh[i + 1]!, mesh[i + 2]!]
  const [ux, uy, uz] = [mesh[i + 3]! - ax, mesh[i + 4]! - ay, mesh[i + 5]! - az]
  const [vx, vy, vz] = [mesh[i + 6]! - ax, mesh[i + 7]! - ay, mesh[i + 8]! - az]
  const area = ux * vy - uy * vx
  if (area === 0) return
  const [gx, gy] = [(uz * vy - vz * uy) / area, (vz * ux - uz * vx) / area]
  const slope = length2(gx, gy)
  if (slope < 1e-12) return
  for (let k = first; k <= last + 1; k += 1) {
    const r = steps.from + k * steps.step
    const [x, y] = [(sign * r * gx) / slope, (sign * r * gy) / slope]
    const [px, py] = [x - ax, y - ay]
    const s = (px * vy - py * vx) / area
    const t = (ux * py - uy * px) / area
    if (s < 0 || t < 0 || s + t > 1) continue
    const z = az + gx * px + gy * py
    if (k > first) put(Math.min(k - 1, steps.values.length - 1), z)
    if (k <= last) put(k, z)
  }
}
