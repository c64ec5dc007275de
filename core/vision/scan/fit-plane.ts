import { EigenvalueDecomposition, Matrix } from 'ml-matrix'
import { medianOf, spreadFrom, TRIALS } from './robust.ts'
import type { Vector } from './mesh.ts'

/** A plane: `normal` · point = `offsetMm`. */
export interface FittedPlane {
  /** Unit vector with z >= 0. */
  normal: Vector
  /** Distance of the plane from the origin along the normal, mm. */
  offsetMm: number
  /** Root mean square of the distances of the points, mm. */
  residualMm: number
  centre: Vector
  /** Standard deviation of the points along the narrower way, mm. */
  spreadMm: number
  /** Points that were used. */
  count: number
  /** Standard uncertainty of the offset at the centre, mm, and of the direction, rad. */
  uOffsetMm: number
  uTilt: number
}

/**
 * The plane of least squares through points: its normal is the direction of least variance (K. Pearson, 1901). Its uncertainty is
 * that of a regression: the scatter over the square root of the count, and over the spread of the points for the direction.
 *
 * @throws RangeError with fewer than three points, or where they lie in a line
 * @example
 * fitPlane([[0, 0, 5], [10, 0, 5], [0, 10, 5], [10, 10, 5]]).offsetMm // => 5
 */
export function fitPlane(points: readonly Vector[]): FittedPlane {
  const count = points.length
  if (count < 3) throw new RangeError('A plane needs three points.')
  const centre = [0, 1, 2].map((k) => points.reduce((sum, point) => sum + point[k]!, 0) / count) as unknown as Vector
  const covariance = new Matrix(3, 3)
  for (const point of points)
    for (let i = 0; i < 3; i += 1)
      for (let k = 0; k < 3; k += 1)
        covariance.set(i, k, covariance.get(i, k) + ((point[i]! - centre[i]!) * (point[k]! - centre[k]!)) / count)
  const { realEigenvalues, eigenvectorMatrix } = new EigenvalueDecomposition(covariance, { assumeSymmetric: true })
  const order = [0, 1, 2].sort((a, b) => realEigenvalues[a]! - realEigenvalues[b]!)
  const [least, middle] = [realEigenvalues[order[0]!]!, realEigenvalues[order[1]!]!]
  if (!(middle > 1e-12)) throw new RangeError('The points lie in a line.')
  const along = eigenvectorMatrix.getColumn(order[0]!)
  const turn = along[2]! < 0 || (along[2] === 0 && along[1]! < 0) ? -1 : 1
  const normal: Vector = [along[0]! * turn, along[1]! * turn, along[2]! * turn]
  const residualMm = Math.sqrt(Math.max(0, least))
  const scatter = residualMm * Math.sqrt(count / Math.max(1, count - 3))
  return {
    normal,
    offsetMm: dot(normal, centre),
    residualMm,
    centre,
    spreadMm: Math.sqrt(middle),
    count,
    uOffsetMm: scatter / Math.sqrt(count),
    uTilt: scatter / Math.sqrt(count * middle),
  }
}
export const dot = (a: Vector, b: Vector): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]

/**
 * A plane through points of which some belong elsewhere: the one with the least median distance among many through three points
 * (least median of squares, P. Rousseeuw, 1984), then least squares through those that belong to it.
 *
 * @param next numbers from 0 to 1; the same give the same plane
 * @throws RangeError where no three points span a plane
 */
export function robustPlane(points: readonly Vector[], next: () => number): FittedPlane {
  const pick = () => points[Math.min(points.length - 1, Math.floor(next() * points.length))]!
  const few = points.length <= 400 ? points : Array.from({ length: 400 }, pick)
  let best: FittedPlane | undefined
  let least = Infinity
  for (let trial = 0; trial < TRIALS; trial += 1) {
    const plane = tried(() => fitPlane([pick(), pick(), pick()]))
    if (!plane) continue
    const median = medianOf(few.map((point) => Math.abs(dot(plane.normal, point) - plane.offsetMm)))
    if (median < least) [best, least] = [plane, median]
  }
  if (!best) throw new RangeError('The points lie in a line.')
  const limit = spreadFrom(least, few.length)
  const { normal, offsetMm } = best
  return fitPlane(points.filter((point) => Math.abs(dot(normal, point) - offsetMm) <= limit))
}

/** Three points may lie in a line: then there is no plane to try. */
export function tried<T>(make: () => T): T | undefined {
  try {
    return make()
  } catch (error) {
    if (error instanceof RangeError) return undefined
    throw error
  }
}
