import type { Polyline } from './outline.ts'

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
  const segments = new Float64Array(count * 4)
  ids.forEach((id, at) => {
    const [z0, r0] = polyline[id]!
    const [z1, r1] = polyline[id + 1]!
    segments[at * 4] = z0
    segments[at * 4 + 1] = r0
    segments[at * 4 + 2] = z1
    segments[at * 4 + 3] = r1
  })
  let depth = 0
  while (count > LEAF << depth) depth += 1
  const nodes = (1 << (depth + 1)) - 1
  const boxes = new Float64Array(nodes * 4)
  const ranges = new Int32Array(nodes * 2)
  build(0, 0, count)
  return { segments, count, ids: Int32Array.from(ids), boxes, ranges, depth }

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

const isLeaf = (tree: SegmentTree, node: number): boolean => node * 2 + 1 >= tree.ranges.length >> 1

/**
 * Visits pairs of segments of two trees, nearest promise first, and leaves out every pair of boxes
 * that cannot better what the caller holds.
 *
 * @param bound least value that any pair under these two nodes can have
 * @param worth whether a bound is still worth following
 * @param visit called with the segment numbers of both trees
 */
export function visitPairs(
  a: SegmentTree,
  b: SegmentTree,
  bound: (nodeA: number, nodeB: number) => number,
  worth: (bound: number) => boolean,
  visit: (segmentA: number, segmentB: number) => void,
): void {
  if (a.count === 0 || b.count === 0) return
  descend(0, 0, bound(0, 0))

  function descend(nodeA: number, nodeB: number, least: number): void {
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
