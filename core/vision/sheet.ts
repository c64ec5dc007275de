/**
 * The reference sheet: what is printed where, millimetres from where hub axis and seat line cross, z outboard along the
 * axis, r away from it. The same on A4 and Letter, so that a picture need not say which.
 */
export type Mm = readonly [z: number, r: number]

const LEFT = -126
const RIGHT = 58
const BOTTOM = -12
const TOP = 238

/** A mark: a black ring with a black dot in its middle, radii in mm. */
export const MARK = { ringMm: 6, holeMm: 4, dotMm: 2 } as const
/** Their centres, inboard bottom first, then round by way of the street side. */
export const MARKS = [
  [LEFT, BOTTOM],
  [RIGHT, BOTTOM],
  [RIGHT, TOP],
  [LEFT, TOP],
] as const satisfies readonly Mm[]

/** Small dots between the marks: with them a picture says how true it is. */
export const DOT_MM = 1.3
const along = (from: number, to: number, step: number): number[] =>
  Array.from({ length: Math.floor((to - from) / step) + 1 }, (_, i) => from + i * step)
export const DOTS: readonly Mm[] = [
  ...[-106, 38].map((z): Mm => [z, BOTTOM]),
  ...along(13, 213, 25).map((r): Mm => [RIGHT, r]),
  ...along(-101, 24, 25).map((z): Mm => [z, TOP]),
  ...[13, 38, 188, 213].map((r): Mm => [LEFT, r]),
]

/** Dots inside: the map is not laid through them, so that they show whether the paper is flat between the marks. */
export const INNER_DOTS: readonly Mm[] = [-92, -34, 24].flatMap((z) => [26, 70, 156, 206].map((r): Mm => [z, r]))

export const BAR_MM = 100
/** Half of how thick a bar is. */
export const BAR_HALF_MM = 1
/** Two bars, across and along the paper, each from end to end: a printer need not be true in both. */
export const BARS = {
  across: [
    [-84, BOTTOM],
    [-84 + BAR_MM, BOTTOM],
  ],
  along: [
    [LEFT, 63],
    [LEFT, 63 + BAR_MM],
  ],
} as const satisfies Record<string, readonly [Mm, Mm]>

/** Where the card may lie, mm: clear of marks, dots and bars. */
export const FIELD = { z: [LEFT + 8, RIGHT - 8], r: [0, TOP - 8] } as const

/** A picture in which a place of the sheet is off by more than this is refused, mm. */
export const MOST_RESIDUAL_MM = 0.5
