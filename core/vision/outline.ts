import simplify from 'simplify-js'
import type { Px } from './grey.ts'
import { U_POINTED_PX, U_SNAPPED_PX, type Doubtful, type PicturePlacing } from './placing.ts'

/** A place on the traced line. */
interface TracedPoint {
  px: Px
  /** Drawn to a line or edge; false where it stands where a hand put it. */
  snapped: boolean
  /** How well it was pointed at, px; of the whole picture at the best when absent. */
  pointedPx?: number
}
/** The line from one pointed-at place to the next. */
export interface Stretch<Tag extends string> {
  points: readonly TracedPoint[]
  tag: Tag
}
export interface TracedOutline<Tag extends string> {
  points: [z: number, r: number][]
  /** Standard uncertainties of each point, mm. */
  doubts: [zMm: number, rMm: number][]
  /** One for each segment. */
  tags: Tag[]
  /** The least radius as it was found: below zero where the line crosses the axis, which nothing does. */
  lowestMm: number
  /** The most that each thing makes of the doubt of any point, mm. */
  made: Partial<Record<DoubtOf, number>>
}

/** No point of the whole line is further from the thinned one than this, mm. */
export const THINNED_MM = 0.1

/** Further below the hub axis than this no pencil slips, mm: axis or seat are not where they were said to be. */
export const BELOW_AXIS_MM = 1

/** Where in the width of a line the edge ran that it was drawn along, nobody knows: evenly spread. */
export const uOfLine = (lineMm: number): number => lineMm / Math.sqrt(12)

export type DoubtOf = Doubtful | 'pixel' | 'line'

/** A place in millimetres with its doubts, each by itself: of pixel, map, thickness, print, laying and line; squares, mm. */
function placed(
  { px, snapped, pointedPx = U_POINTED_PX }: TracedPoint,
  { place, ways, floorMm }: PicturePlacing,
  lineMm: number,
): { at: [number, number]; squares: Map<DoubtOf, [number, number]> } {
  const at = place(px)
  const squares = new Map<DoubtOf, [number, number]>()
  const add = (of: DoubtOf, z: number, r: number) => {
    const before = squares.get(of) ?? [0, 0]
    squares.set(of, [before[0] + z * z, before[1] + r * r])
  }
  const uPx = snapped ? U_SNAPPED_PX : Math.max(pointedPx, U_POINTED_PX)
  for (const [x, y] of [
    [1, 0],
    [0, 1],
  ] as const) {
    const [z, r] = place([px[0] + x, px[1] + y])
    add('pixel', (z - at[0]) * uPx, (r - at[1]) * uPx)
  }
  add('marks', floorMm, floorMm)
  if (lineMm > 0) add('line', uOfLine(lineMm), uOfLine(lineMm))
  for (const way of ways) {
    const [z, r] = way.place(px)
    add(way.of, z - at[0], r - at[1])
  }
  return { at, squares }
}

const round = (value: number, to: number): number => Math.round(value * to) / to

/**
 * An outline from what was traced: in millimetres, thinned to what a tenth of one needs, with the doubts of each point.
 * @param stretches one after the other, each from where the last one ended
 * @returns undefined for less than two places
 */
export function outlineOf<Tag extends string>(
  stretches: readonly Stretch<Tag>[],
  placing: PicturePlacing,
  lineMm: number,
): TracedOutline<Tag> | undefined {
  const points: [number, number][] = []
  const doubts: [number, number][] = []
  const tags: Tag[] = []
  const made: TracedOutline<Tag>['made'] = {}
  let lowestMm = Infinity
  for (const { points: traced, tag } of stretches) {
    const all = traced.map((one) => ({ at: placing.place(one.px), ...one }))
    const thin = simplify(
      all.map(({ at: [x, y] }, i) => ({ x, y, i })),
      THINNED_MM,
      true,
    ) as unknown as { i: number }[]
    // where one stretch ends the next begins
    for (const { i } of points.length > 0 ? thin.slice(1) : thin) {
      const { at, squares } = placed(all[i]!, placing, lineMm)
      const u = [0, 1].map((k) => Math.sqrt([...squares.values()].reduce((sum, one) => sum + one[k]!, 0))) as [number, number]
      for (const [of, square] of squares) made[of] = Math.max(made[of] ?? 0, Math.sqrt(Math.max(...square)))
      if (points.length > 0) tags.push(tag)
      // a place that is a hair below the axis is on it; of one that is far below the caller is told
      lowestMm = Math.min(lowestMm, at[1])
      points.push([round(at[0], 1000), round(Math.max(at[1], 0), 1000)])
      doubts.push([round(u[0], 1000), round(u[1], 1000)])
    }
  }
  return points.length < 2 ? undefined : { points, doubts, tags, made, lowestMm }
}

/** As such a line is kept: a caliper's from inboard to the street, a wheel's from the barrel's edge to the hub pad, whichever way it was traced. */
export function inOrder<Tag extends string>(outline: TracedOutline<Tag>, profile: boolean): TracedOutline<Tag> {
  const { points, doubts, tags } = outline
  const [first, last] = [points[0]!, points[points.length - 1]!]
  const backwards = profile ? first[1] < last[1] : first[0] > last[0]
  return backwards ? { ...outline, points: [...points].reverse(), doubts: [...doubts].reverse(), tags: [...tags].reverse() } : outline
}
