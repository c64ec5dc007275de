import { Matrix, SingularValueDecomposition } from 'ml-matrix'

/** Looked up once: they are asked for every pixel. */
const { abs, hypot } = Math

/** Nine numbers of a projective map of the plane, row by row. */
export type Homography = readonly number[]
export type Pair = readonly [number, number]

/** @returns the place a homography takes (x, y) to */
export function apply(h: Homography, [x, y]: Pair): [number, number] {
  const w = h[6]! * x + h[7]! * y + h[8]!
  return [(h[0]! * x + h[1]! * y + h[2]!) / w, (h[3]! * x + h[4]! * y + h[5]!) / w]
}

/** The map back, by the adjugate; scaled so that its last number is 1 where it can be. */
export function inverse(h: Homography): Homography {
  const [a, b, c, d, e, f, g, i, j] = h as [number, number, number, number, number, number, number, number, number]
  const back = [
    e * j - f * i,
    c * i - b * j,
    b * f - c * e,
    f * g - d * j,
    a * j - c * g,
    c * d - a * f,
    d * i - e * g,
    b * g - a * i,
    a * e - b * d,
  ]
  const scale = abs(back[8]!) > 1e-300 ? back[8]! : 1
  return back.map((one) => one / scale)
}

function determinant(h: Homography): number {
  const [a, b, c, d, e, f, g, i, j] = h as [number, number, number, number, number, number, number, number, number]
  return a * (e * j - f * i) - b * (d * j - f * g) + c * (d * i - e * g)
}

/** First `b`, then `a`. */
export function times(a: Homography, b: Homography): Homography {
  const out: number[] = []
  for (let row = 0; row < 3; row += 1)
    for (let column = 0; column < 3; column += 1)
      out.push(a[3 * row]! * b[column]! + a[3 * row + 1]! * b[3 + column]! + a[3 * row + 2]! * b[6 + column]!)
  return out
}

/** Moves and scales points to lie about the origin at a mean distance of root two. */
function normalizing(points: readonly Pair[]): Homography | undefined {
  const n = points.length
  const [mx, my] = [points.reduce((sum, [x]) => sum + x, 0) / n, points.reduce((sum, [, y]) => sum + y, 0) / n]
  const mean = points.reduce((sum, [x, y]) => sum + hypot(x - mx, y - my), 0) / n
  if (!(mean > 1e-9)) return undefined
  const s = Math.SQRT2 / mean
  return [s, 0, -s * mx, 0, s, -s * my, 0, 0, 1]
}

/**
 * The projective map that takes `from` to `to` best, by the normalized direct linear transform (R. Hartley, A. Zisserman,
 * Multiple View Geometry, 2nd ed., algorithm 4.2).
 * @param from four places or more
 * @returns undefined where three of four lie on a line, or all but
 *
 * @example
 * homographyOf([[0, 0], [1, 0], [1, 1], [0, 1]], [[0, 0], [2, 0], [2, 2], [0, 2]])?.map((one) => Math.round(one) + 0) // => [2, 0, 0, 0, 2, 0, 0, 0, 1]
 */
export function homographyOf(from: readonly Pair[], to: readonly Pair[]): Homography | undefined {
  if (from.length < 4 || from.length !== to.length) return undefined
  const [t, u] = [normalizing(from), normalizing(to)]
  if (!t || !u) return undefined
  const rows: number[][] = []
  from.forEach((one, i) => {
    const [x, y] = apply(t, one)
    const [p, q] = apply(u, to[i]!)
    rows.push([-x, -y, -1, 0, 0, 0, p * x, p * y, p], [0, 0, 0, -x, -y, -1, q * x, q * y, q])
  })
  const squared = new Matrix(rows)
  const { rightSingularVectors: v, diagonal } = new SingularValueDecomposition(squared.transpose().mmul(squared))
  // one direction alone may be free
  if (!(diagonal[7]! > 1e-12 * diagonal[0]!)) return undefined
  const free = v.getColumn(8)
  // a plane seen edge on is a line
  if (abs(determinant(free)) < 1e-7) return undefined
  const h = times(times(inverse(u), free), t)
  return abs(h[8]!) < 1e-300 ? undefined : h.map((one) => one / h[8]!)
}
