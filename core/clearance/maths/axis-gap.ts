import type { WorkBudget } from '../../maths/work-budget.ts'
import { visitPairs, type SegmentTree } from './segment-tree.ts'

/** Face gap: measured along the axis, at equal radius. Barrel gap: measured along the radius, at equal z. */
type GapAxis = 'axial' | 'radial'

/**
 * Smallest difference wheel minus caliper along one axis, over the places that both have along the
 * other. Both are straight between vertices, so the least difference of two segments is at an end of
 * their common range; where a polyline has several branches, the pairs take care of the envelope.
 *
 * @param shift added to the wheel's z: the spacer
 * @returns undefined where they have no place in common
 */
export function axisGap(caliper: SegmentTree, wheel: SegmentTree, axis: GapAxis, shift: number, effort?: WorkBudget): number | undefined {
  // index of the measured coordinate and of the common one in a point
  const m = axis === 'axial' ? 0 : 1
  const c = 1 - m
  const measuredShift = axis === 'axial' ? shift : 0
  const commonShift = axis === 'axial' ? 0 : shift
  let best = Infinity

  const bound = (a: number, b: number): number => {
    const apart =
      caliper.boxes[a * 4 + c]! > wheel.boxes[b * 4 + 2 + c]! + commonShift ||
      wheel.boxes[b * 4 + c]! + commonShift > caliper.boxes[a * 4 + 2 + c]!
    return apart ? Infinity : wheel.boxes[b * 4 + m]! + measuredShift - caliper.boxes[a * 4 + 2 + m]!
  }
  const visit = (i: number, j: number): void => {
    const cs = caliper.segments
    const ws = wheel.segments
    const c0 = cs[i * 4 + c]!
    const c1 = cs[i * 4 + 2 + c]!
    const w0 = ws[j * 4 + c]! + commonShift
    const w1 = ws[j * 4 + 2 + c]! + commonShift
    const from = Math.max(Math.min(c0, c1), Math.min(w0, w1))
    const to = Math.min(Math.max(c0, c1), Math.max(w0, w1))
    if (from > to) return
    for (const at of from === to ? [from] : [from, to]) {
      const difference = least(ws, j, m, w0, w1, at) + measuredShift - most(cs, i, m, c0, c1, at)
      if (difference < best) best = difference
    }
  }
  visitPairs(caliper, wheel, bound, (value) => value < best, visit, effort)
  return best === Infinity ? undefined : best
}

/** Value of a segment's measured coordinate at `at`; the smaller end where it stands upright. */
function least(s: Float64Array, i: number, m: number, common0: number, common1: number, at: number): number {
  const v0 = s[i * 4 + m]!
  const v1 = s[i * 4 + 2 + m]!
  if (common0 === common1) return Math.min(v0, v1)
  return v0 + ((at - common0) / (common1 - common0)) * (v1 - v0)
}

function most(s: Float64Array, i: number, m: number, common0: number, common1: number, at: number): number {
  const v0 = s[i * 4 + m]!
  const v1 = s[i * 4 + 2 + m]!
  if (common0 === common1) return Math.max(v0, v1)
  return v0 + ((at - common0) / (common1 - common0)) * (v1 - v0)
}
