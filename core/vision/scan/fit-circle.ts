import { inverse, Matrix } from 'ml-matrix'
import { tried } from './fit-plane.ts'
import { medianOf, spreadFrom, TRIALS } from './robust.ts'

export type FlatPoint = readonly [x: number, y: number]
export interface FittedCircle {
  centre: FlatPoint
  radiusMm: number
  /** Root mean square of the distances of the points from the circle, mm. */
  residualMm: number
  count: number
  /** Standard uncertainties, mm; that of the centre in its worst direction. */
  uCentreMm: number
  uRadiusMm: number
}

/** The circle through three points. @throws RangeError where they lie in a line */
function through([ax, ay]: FlatPoint, [bx, by]: FlatPoint, [cx, cy]: FlatPoint): { centre: FlatPoint; radiusMm: number } {
  const d = 2 * (ax * (by - cy) + bx * (cy - ay) + cx * (ay - by))
  const reach = Math.max(Math.hypot(bx - ax, by - ay), Math.hypot(cx - ax, cy - ay))
  if (!(Math.abs(d) > 1e-9 * reach * reach)) throw new RangeError('The points lie in a line.')
  const [a, b, c] = [ax * ax + ay * ay, bx * bx + by * by, cx * cx + cy * cy]
  const x = (a * (by - cy) + b * (cy - ay) + c * (ay - by)) / d
  const y = (a * (cx - bx) + b * (ax - cx) + c * (bx - ax)) / d
  return { centre: [x, y], radiusMm: Math.hypot(ax - x, ay - y) }
}

/**
 * The circle of least squares of the distances (Gauss-Newton), from one near it.
 * @throws RangeError with fewer than four points, or where an arc is too short to have a centre
 */
function refined(points: readonly FlatPoint[], start: { centre: FlatPoint; radiusMm: number }): FittedCircle {
  if (points.length < 4) throw new RangeError('A circle needs four points.')
  let [[x, y], r] = [start.centre, start.radiusMm]
  let normal = new Matrix(3, 3)
  let squares = 0
  for (let turn = 0; turn < 20; turn += 1) {
    normal = new Matrix(3, 3)
    const right = [0, 0, 0]
    squares = 0
    for (const [px, py] of points) {
      const d = Math.hypot(px - x, py - y)
      const row = d > 0 ? [(x - px) / d, (y - py) / d, -1] : [0, 0, -1]
      const off = d - r
      squares += off * off
      for (let i = 0; i < 3; i += 1) {
        right[i]! -= row[i]! * off
        for (let k = 0; k < 3; k += 1) normal.set(i, k, normal.get(i, k) + row[i]! * row[k]!)
      }
    }
    const step = inverse(normal).mmul(Matrix.columnVector(right)).getColumn(0)
    if (!step.every(Number.isFinite)) throw new RangeError('The arc is too short for a centre.')
    x += step[0]!
    y += step[1]!
    r += step[2]!
    if (Math.max(...step.map(Math.abs)) < 1e-10) break
  }
  const count = points.length
  const scatter = Math.sqrt(squares / Math.max(1, count - 3))
  const covariance = inverse(normal)
  const [a, b, c] = [covariance.get(0, 0), covariance.get(0, 1), covariance.get(1, 1)]
  const worst = (a + c) / 2 + Math.hypot((a - c) / 2, b)
  return {
    centre: [x, y],
    radiusMm: r,
    residualMm: Math.sqrt(squares / count),
    count,
    uCentreMm: scatter * Math.sqrt(worst),
    uRadiusMm: scatter * Math.sqrt(covariance.get(2, 2)),
  }
}

/**
 * A circle through points of which some belong elsewhere: the one with the least median distance among many through three points,
 * then least squares through those that belong to it.
 *
 * @param next numbers from 0 to 1; the same give the same circle
 * @throws RangeError where the points have no circle
 */
export function robustCircle(points: readonly FlatPoint[], next: () => number): FittedCircle {
  const pick = () => points[Math.min(points.length - 1, Math.floor(next() * points.length))]!
  const few = points.length <= 400 ? points : Array.from({ length: 400 }, pick)
  let best: { centre: FlatPoint; radiusMm: number } | undefined
  let least = Infinity
  for (let trial = 0; trial < TRIALS; trial += 1) {
    const circle = tried(() => through(pick(), pick(), pick()))
    if (!circle) continue
    const median = medianOf(few.map(([x, y]) => Math.abs(Math.hypot(x - circle.centre[0], y - circle.centre[1]) - circle.radiusMm)))
    if (median < least) [best, least] = [circle, median]
  }
  if (!best) throw new RangeError('The points lie in a line.')
  const limit = spreadFrom(least, few.length)
  const { centre, radiusMm } = best
  return refined(
    points.filter(([x, y]) => Math.abs(Math.hypot(x - centre[0], y - centre[1]) - radiusMm) <= limit),
    best,
  )
}
