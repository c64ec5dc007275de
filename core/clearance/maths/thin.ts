import simplify from 'simplify-js'
import type { Outline, Profile, WheelTag } from '../../maths/section.ts'

/** No point of a thinned line is further than this from the whole one, mm; a gap between two of them moves by twice as much. */
export const THIN_MM = 0.004
/** Fewer points than this are not worth the work. */
const FEW = 60

/** A line through fewer of its points (U. Ramer, 1972; D. H. Douglas and T. K. Peucker, 1973); the ends stay. */
export function thinLine(points: readonly (readonly [number, number])[], withinMm = THIN_MM): [number, number][] {
  if (points.length < FEW) return points.map(([z, r]) => [z, r])
  return simplify(
    points.map(([x, y]) => ({ x, y })),
    withinMm,
    true,
  ).map(({ x, y }) => [x, y])
}

export const thinOutlines = (outlines: readonly Outline[], withinMm = THIN_MM): Outline[] =>
  outlines.map(({ name, points }) => ({ name, points: thinLine(points, withinMm) }))

/** A profile of fewer points: where one tag meets another, and next to it, points stay. */
export function thinProfile({ points, tags }: Profile, withinMm = THIN_MM): Profile {
  const out: [number, number][] = []
  const outTags: WheelTag[] = []
  for (let from = 0; from < tags.length;) {
    let to = from + 1
    while (to < tags.length && tags[to] === tags[from]) to += 1
    // the ends of a run follow two shifts, what is next to them one: the stretch between them stays as short as it is
    const run = to - from < 3 ? points.slice(from, to + 1) : [points[from]!, ...thinLine(points.slice(from + 1, to), withinMm), points[to]!]
    out.push(...(out.length > 0 ? run.slice(1) : run))
    for (let i = 1; i < run.length; i += 1) outTags.push(tags[from]!)
    from = to
  }
  return { points: out, tags: outTags }
}
