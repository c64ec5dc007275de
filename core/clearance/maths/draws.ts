import { normalQuantile } from '../../maths/normal.ts'

/** Shifts that are drawn at once: caliper axial and radial, face axial, barrel radial. */
export const DRAW_DIMENSIONS = 4
const BITS = 20

/** Degree, inner coefficients and first direction numbers of the primitive polynomials (S. Joe and F. Y. Kuo, 2008). */
const POLYNOMIALS = [
  { degree: 1, inner: 0, first: [1] },
  { degree: 2, inner: 1, first: [1, 3] },
  { degree: 3, inner: 1, first: [1, 3, 1] },
] as const

/** Direction numbers of one dimension, scaled to BITS binary digits. */
function directions(dimension: number): number[] {
  if (dimension === 0) return Array.from({ length: BITS }, (_, i) => 1 << (BITS - 1 - i))
  const { degree, inner, first } = POLYNOMIALS[dimension - 1]!
  const v: number[] = first.map((m, i) => m << (BITS - 1 - i))
  for (let i = degree; i < BITS; i += 1) {
    let next = v[i - degree]! ^ (v[i - degree]! >> degree)
    for (let k = 1; k < degree; k += 1) if ((inner >> (degree - 1 - k)) & 1) next ^= v[i - k]!
    v.push(next)
  }
  return v
}

/**
 * Draws from four independent standard normal distributions, one after the other, from a Sobol
 * sequence (I. M. Sobol, 1967; Gray code order of Antonov and Saleev): they fill the space evenly, so
 * that a few thousand do what a hundred thousand plain ones do, and they are the same every time: a
 * verdict must not flicker.
 *
 * @param count a power of two, 2^19 at most
 */
export function normalDraws(count: number): Float64Array {
  const tables = Array.from({ length: DRAW_DIMENSIONS }, (_, d) => directions(d))
  const state = new Int32Array(DRAW_DIMENSIONS)
  const draws = new Float64Array(count * DRAW_DIMENSIONS)
  for (let i = 0; i < count; i += 1) {
    for (let d = 0; d < DRAW_DIMENSIONS; d += 1) {
      // the middle of each cell: the sequence starts at a corner, where the normal distribution has no end
      draws[i * DRAW_DIMENSIONS + d] = normalQuantile((Math.floor((state[d]! * count) / 2 ** BITS) + 0.5) / count)
    }
    const bit = Math.log2(~i & (i + 1))
    for (let d = 0; d < DRAW_DIMENSIONS; d += 1) state[d]! ^= tables[d]![bit]!
  }
  return draws
}

const tables = new Map<number, Float64Array>()

/** The same draws, made once. */
export function fixedDraws(count: number): Float64Array {
  const known = tables.get(count) ?? normalDraws(count)
  tables.set(count, known)
  return known
}
