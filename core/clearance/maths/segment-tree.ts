import type { WorkBudget } from '../../maths/work-budget.ts'
import type { Polyline } from './polyline.ts'

/**
 * A bounding-box tree over the segments of a polyline, for branch-and-bound queries between two of
 * them. Neighbours on a polyline are neighbours in space, so halving the index range is as good a
 * split as sorting and costs nothing (C. Ericson, Real-Time Collision Detection, 2005, ch. 6).
 *
 * Node i has children 2i + 1 and 2i + 2; a leaf holds up to LEAF segments.
 */
export interface SegmentTree {
  /** z0, r0, z1, r1 for each segment. */
  segments: Float64Array
  count: number
  /** Index that the caller gave each segment (its place on the whole polyline). */
  ids: Int32Array
  /** minZ, minR, maxZ, maxR for each node. */
  boxes: Float64Array
  /** First segment and one past the last, for each node. */
  ranges: Int32Array
  depth: number
}

const LEAF = 4

/**
 * @param polyline at least two points
 * @param keep which segments to take (a wheel's face alone, say); all when absent
 */
export function segmentTree(polyline: Polyline, keep?: (segment: number) => boolean): SegmentTree {
  const ids: number[] = []
  for (let i = 0; i + 1 < polyline.length; i += 1) if (!keep || keep(i)) ids.push(i)
  const count = ids.length
  let depth = 0
  while (count > LEAF << depth) depth += 1
  const nodes = (1 << (depth + 1)) - 1
  const { doubles, integers } = roomFor((count + nodes) * 4, count + nodes * 2)
  const segments = doubles(count * 4)
  const boxes = doubles(nodes * 4)
  ids.forEach((id, at) => {
    const [z0, r0] = polyline[id]!
    const [z1, r1] = polyline[id + 1]!
    segments[at * 4] = z0
    segments[at * 4 + 1] = r0
    segments[at * 4 + 2] = z1
    segments[at * 4 + 3] = r1
  })
  const ranges = integers(nodes * 2)
  const numbers = integers(count)
  numbers.set(ids)
  build(0, 0, count)
  return { segments, count, ids: numbers, boxes, ranges, depth }

  function build(node: number, from: number, to: number): void {
    ranges[node * 2] = from
    ranges[node * 2 + 1] = to
    const left = node * 2 + 1
    const box = node * 4
    let minZ = Infinity
    let minR = Infinity
    let maxZ = -Infinity
    let maxR = -Infinity
    if (left < nodes) {
      const middle = (from + to) >> 1
      build(left, from, middle)
      build(left + 1, middle, to)
      for (const child of [left * 4, left * 4 + 4]) {
        minZ = Math.min(minZ, boxes[child]!)
        minR = Math.min(minR, boxes[child + 1]!)
        maxZ = Math.max(maxZ, boxes[child + 2]!)
        maxR = Math.max(maxR, boxes[child + 3]!)
      }
    } else {
      for (let i = from * 4; i < to * 4; i += 2) {
        minZ = Math.min(minZ, segments[i]!)
        maxZ = Math.max(maxZ, segments[i]!)
        minR = Math.min(minR, segments[i + 1]!)
        maxR = Math.max(maxR, segments[i + 1]!)
      }
    }
    boxes[box] = minZ
    boxes[box + 1] = minR
    boxes[box + 2] = maxZ
    boxes[box + 3] = maxR
  }
}

/** Trees are small and many: their numbers lie one after the other in blocks, for memory of its own costs each more than filling it. */
const BLOCK_BYTES = 1 << 15
let block = new ArrayBuffer(0)
let used = 0
/** Room for so many doubles and then so many integers, all zero. */
function roomFor(doubleCount: number, integerCount: number) {
  const bytes = doubleCount * 8 + (integerCount + (integerCount % 2)) * 4
  if (used + bytes > block.byteLength) {
    block = new ArrayBuffer(Math.max(bytes, BLOCK_BYTES))
    used = 0
  }
  const buffer = block
  let at = used
  used += bytes
  return {
    doubles: (count: number): Float64Array => new Float64Array(buffer, (at += count * 8) - count * 8, count),
    integers: (count: number): Int32Array => new Int32Array(buffer, (at += count * 4) - count * 4, count),
  }
}

const isLeaf = (tree: SegmentTree, node: number): boolean => node * 2 + 1 >= tree.ranges.length >> 1

/**
 * Visits pairs of segments of two trees, nearest promise first, and leaves out every pair of boxes
 * that cannot better what the caller holds.
 *
 * @param bound least value that any pair under these two nodes can have
 * @param worth whether a bound is still worth following
 * @param visit called with the segment numbers of both trees
 * @param effort what the walk may cost, in pairs of boxes
 * @throws TooMuch when the effort is spent
 */
export function visitPairs(
  a: SegmentTree,
  b: SegmentTree,
  bound: (nodeA: number, nodeB: number) => number,
  worth: (bound: number) => boolean,
  visit: (segmentA: number, segmentB: number) => void,
  effort?: WorkBudget,
): void {
  if (a.count === 0 || b.count === 0) return
  descend(0, 0, bound(0, 0))

  function descend(nodeA: number, nodeB: number, least: number): void {
    effort?.spend()
    if (!worth(least)) return
    const leafA = isLeaf(a, nodeA)
    const leafB = isLeaf(b, nodeB)
    if (leafA && leafB) {
      const endA = a.ranges[nodeA * 2 + 1]!
      const endB = b.ranges[nodeB * 2 + 1]!
      for (let i = a.ranges[nodeA * 2]!; i < endA; i += 1) {
        for (let j = b.ranges[nodeB * 2]!; j < endB; j += 1) visit(i, j)
      }
      return
    }
    // split the node with more segments, so that both boxes shrink together
    const splitA = !leafA && (leafB || a.ranges[nodeA * 2 + 1]! - a.ranges[nodeA * 2]! >= b.ranges[nodeB * 2 + 1]! - b.ranges[nodeB * 2]!)
    const a0 = splitA ? nodeA * 2 + 1 : nodeA
    const a1 = splitA ? nodeA * 2 + 2 : nodeA
    const b0 = splitA ? nodeB : nodeB * 2 + 1
    const b1 = splitA ? nodeB : nodeB * 2 + 2
    const first = bound(a0, b0)
    const second = bound(a1, b1)
    if (second < first) {
      descend(a1, b1, second)
      descend(a0, b0, first)
    } else {
      descend(a0, b0, first)
      descend(a1, b1, second)
    }
  }
}

/**
 * The segment nearest to a point; the first of several.
 * @param distance squared distance of the point to a segment, by its number
 * @param atMost squared; a point that is as near as this is of no interest
 * @returns undefined when some segment is nearer than `atMost`, or equally near
 */
export function nearestSegment(
  tree: SegmentTree,
  z: number,
  r: number,
  distance: (segment: number) => number,
  atMost: number,
  effort?: WorkBudget,
): number | undefined {
  let least = Infinity
  let found: number | undefined
  const bound = (node: number): number => {
    const b = node * 4
    const dz = Math.max(tree.boxes[b]! - z, z - tree.boxes[b + 2]!, 0)
    const dr = Math.max(tree.boxes[b + 1]! - r, r - tree.boxes[b + 3]!, 0)
    return dz * dz + dr * dr
  }
  descend(0, bound(0))
  return least <= atMost ? undefined : found

  function descend(node: number, promise: number): void {
    effort?.spend()
    if (promise > least || least <= atMost) return
    if (isLeaf(tree, node)) {
      for (let i = tree.ranges[node * 2]!; i < tree.ranges[node * 2 + 1]!; i += 1) {
        const one = distance(i)
        if (one < least || (one === least && i < found!)) {
          least = one
          found = i
        }
      }
      return
    }
    const [left, right] = [node * 2 + 1, node * 2 + 2]
    const [first, second] = [bound(left), bound(right)]
    if (second < first) {
      descend(right, second)
      descend(left, first)
    } else {
      descend(left, first)
      descend(right, second)
    }
  }
}

/** How many segments a ray from a point outboard along the axle crosses (even-odd rule, J. O'Rourke, Computational Geometry in C, 7.4). */
export function crossings(tree: SegmentTree, z: number, r: number, effort?: WorkBudget): number {
  const { segments: s, boxes, ranges } = tree
  let count = 0
  if (tree.count > 0) descend(0)
  return count

  function descend(node: number): void {
    effort?.spend()
    const b = node * 4
    if (boxes[b + 1]! > r || boxes[b + 3]! < r || boxes[b + 2]! < z) return
    if (!isLeaf(tree, node)) {
      descend(node * 2 + 1)
      descend(node * 2 + 2)
      return
    }
    for (let i = ranges[node * 2]! * 4; i < ranges[node * 2 + 1]! * 4; i += 4)
      if (crosses(s[i]!, s[i + 1]!, s[i + 2]!, s[i + 3]!, z, r)) count += 1
  }
}

/** Whether a ray from (z, r) outboard along the axle crosses a segment. */
export const crosses = (z0: number, r0: number, z1: number, r1: number, z: number, r: number): boolean =>
  r1 > r !== r0 > r && z < z1 + ((r - r1) / (r0 - r1)) * (z0 - z1)
