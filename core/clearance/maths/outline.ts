import type { Polyline } from './polyline.ts'
import type { Outline, Profile, WheelTag } from '../../maths/section.ts'
import type { WorkBudget } from '../../maths/work-budget.ts'
import { segmentTree, type SegmentTree } from './segment-tree.ts'

/** A caliper's outlines made ready for many gap queries. */
export interface PreparedCaliper {
  /** What all queries with it may cost together; absent: whatever they cost. */
  effort?: WorkBudget
  outlines: readonly { name: string; points: Polyline; tree: SegmentTree }[]
}

/** A wheel's profile made ready for many gap queries. */
export interface PreparedWheel {
  points: Polyline
  tags: readonly WheelTag[]
  all: SegmentTree
  face: SegmentTree
  barrel: SegmentTree
}

export function prepareCaliper(outlines: readonly Outline[]): PreparedCaliper {
  return { outlines: outlines.map(({ name, points }) => ({ name, points, tree: segmentTree(points) })) }
}

/** @throws RangeError when there is not one tag for each segment */
export function prepareWheel({ points, tags }: Profile): PreparedWheel {
  if (tags.length !== points.length - 1) throw new RangeError(`${points.length} points need ${points.length - 1} tags, got ${tags.length}`)
  return {
    points,
    tags,
    all: segmentTree(points),
    face: segmentTree(points, (segment) => tags[segment] === 'face'),
    barrel: segmentTree(points, (segment) => tags[segment] === 'barrel'),
  }
}

/** The same outlines moved by (dz, dr). */
export function moveOutlines(outlines: readonly Outline[], dz: number, dr: number): Outline[] {
  return outlines.map(({ name, points }) => ({ name, points: points.map(([z, r]): [number, number] => [z + dz, r + dr]) }))
}
