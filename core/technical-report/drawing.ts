import type { Point } from '../clearance/maths/polyline.ts'

/**
 * A drawing as lines and words in a frame of its own, y downwards. How it differs from others is told by dashes, thickness and
 * grey alone, so that it reads the same on a black and white printer.
 */

export type Ink = 'strong' | 'line' | 'thin' | 'dashed' | 'dotted'
/** Fill by grey: none, light, middle. */
type FillShade = 'none' | 'light' | 'middle'
export type DrawingMark =
  | { kind: 'path'; points: readonly Point[]; ink: Ink; closed?: true; shade?: FillShade }
  | { kind: 'dot'; at: Point; radius: number }
  | { kind: 'text'; at: Point; text: string; size: number; anchor?: 'start' | 'middle' | 'end'; strong?: true }

export interface VectorDrawing {
  width: number
  height: number
  marks: readonly DrawingMark[]
}

/** Thickness of a line and its dashes, in the drawing's units at a width of 480. */
export const INKS: Readonly<Record<Ink, { width: number; dash?: readonly [number, number] }>> = {
  strong: { width: 1.8 },
  line: { width: 1 },
  thin: { width: 0.5 },
  dashed: { width: 1, dash: [5, 3] },
  dotted: { width: 0.8, dash: [1.2, 2.4] },
}
export const SHADES: Readonly<Record<FillShade, string | undefined>> = { none: undefined, light: '#ebebeb', middle: '#c9c9c9' }

export const line = (from: Point, to: Point, ink: Ink = 'line'): DrawingMark => ({ kind: 'path', points: [from, to], ink })
export const word = (at: Point, text: string, size = 9, more: Partial<Extract<DrawingMark, { kind: 'text' }>> = {}): DrawingMark => ({
  kind: 'text',
  at,
  text,
  size,
  ...more,
})

/** A value to a place on paper. */
type AxisScale = (value: number) => number
export const scale =
  ([low, high]: readonly [number, number], [from, to]: readonly [number, number]): AxisScale =>
  (value) =>
    from + ((value - low) / (high - low || 1)) * (to - from)

/**
 * Round values across a range, about so many.
 *
 * @example
 * ticks(0, 1.2, 4) // => [0, 0.5, 1]
 */
export function ticks(low: number, high: number, count: number): number[] {
  const rough = (high - low) / Math.max(count, 1)
  if (!(rough > 0) || !Number.isFinite(rough)) return [low]
  const power = 10 ** Math.floor(Math.log10(rough))
  const step = [1, 2, 5, 10].map((one) => one * power).find((one) => one >= rough)!
  const first = Math.ceil(low / step - 1e-9)
  const last = Math.floor(high / step + 1e-9)
  return Array.from({ length: last - first + 1 }, (_, i) => Number(((first + i) * step).toPrecision(12)))
}

interface ChartCurve {
  label: string
  ink: Ink
  points: readonly Point[]
}
interface ChartOptions {
  x: readonly [low: number, high: number]
  y: readonly [low: number, high: number]
  xLabel: string
  yLabel: string
  curves: readonly ChartCurve[]
  /** Grey behind a stretch of x. */
  band?: { from: number; to: number; label: string }
  width?: number
  height?: number
}
const MARGIN = { top: 16, right: 14, bottom: 34, left: 46 }
/** Room for a line of the key below the chart. */
const KEY_LINE = 13

/** Curves over one axis, with their key below. */
export function chart({ x, y, xLabel, yLabel, curves, band, width = 480, height = 250 }: ChartOptions): VectorDrawing {
  const right = width - MARGIN.right
  const bottom = height - MARGIN.bottom
  const sx = scale(x, [MARGIN.left, right])
  const sy = scale(y, [bottom, MARGIN.top])
  const marks: DrawingMark[] = []
  if (band) {
    const [from, to] = [Math.max(sx(band.from), MARGIN.left), Math.min(sx(band.to), right)]
    if (to > from) {
      marks.push({
        kind: 'path',
        closed: true,
        ink: 'thin',
        shade: 'light',
        points: [
          [from, MARGIN.top],
          [to, MARGIN.top],
          [to, bottom],
          [from, bottom],
        ],
      })
      marks.push(word([to - 4, bottom - 6], band.label, 8, { anchor: 'end' }))
    }
  }
  for (const value of ticks(...x, 6)) {
    marks.push(
      line([sx(value), MARGIN.top], [sx(value), bottom], 'dotted'),
      word([sx(value), bottom + 11], plain(value), 8, { anchor: 'middle' }),
    )
  }
  for (const value of ticks(...y, 5)) {
    marks.push(
      line([MARGIN.left, sy(value)], [right, sy(value)], 'dotted'),
      word([MARGIN.left - 5, sy(value) + 3], plain(value), 8, { anchor: 'end' }),
    )
  }
  marks.push(line([MARGIN.left, bottom], [right, bottom]), line([MARGIN.left, MARGIN.top], [MARGIN.left, bottom]))
  marks.push(word([right, bottom + 24], xLabel, 8.5, { anchor: 'end' }), word([4, 9], yLabel, 8.5))
  curves.forEach((curve, i) => {
    for (const points of within(curve.points, x, y))
      marks.push({ kind: 'path', ink: curve.ink, points: points.map(([a, b]): Point => [sx(a), sy(b)]) })
    const at = height + KEY_LINE * i + 2
    marks.push(line([MARGIN.left, at], [MARGIN.left + 34, at], curve.ink), word([MARGIN.left + 40, at + 3], curve.label, 8.5))
  })
  return { width, height: height + KEY_LINE * curves.length + 4, marks }
}
const plain = (value: number): string => String(value).replace('-', '\u2212')

/** The stretches of a curve that lie within the frame. */
function within(points: readonly Point[], x: readonly [number, number], y: readonly [number, number]): Point[][] {
  const found: Point[][] = []
  let open: Point[] = []
  for (const one of points) {
    if (one[0] >= x[0] && one[0] <= x[1] && one[1] >= y[0] && one[1] <= y[1]) open.push(one)
    else {
      if (open.length > 1) found.push(open)
      open = []
    }
  }
  return open.length > 1 ? [...found, open] : found
}
