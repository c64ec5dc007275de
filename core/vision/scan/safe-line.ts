import type { CurveSteps } from './envelope.ts'

/**
 * A curve in equal steps as a line of few points that lies on the safe side of it: never below it (`sign` 1) or above it (-1), and
 * off it by at most `tolerance`. Between two steps the line goes from the safer of both neighbours to the next.
 */
export function safeLine(
  { from, step, values }: CurveSteps,
  range: readonly [first: number, last: number],
  sign: 1 | -1,
  tolerance: number,
): [at: number, value: number][] {
  const [first, last] = range
  const edges: [number, number][] = []
  for (let k = first; k <= last + 1; k += 1) {
    const [before, after] = [k > first ? values[k - 1]! : NaN, k <= last ? values[k]! : NaN]
    const value = Number.isNaN(before) ? after : Number.isNaN(after) ? before : sign * Math.max(sign * before, sign * after)
    edges.push([from + k * step, value])
  }
  return corridor(edges, sign, tolerance)
}

/** Straight stretches as long as they stay between the curve and the curve plus the tolerance. */
function corridor(edges: readonly [number, number][], sign: 1 | -1, tolerance: number): [number, number][] {
  const start = edges[0]!
  const line: [number, number][] = [[start[0], start[1] + (sign * tolerance) / 2]]
  let at = 0
  while (at < edges.length - 1) {
    const [x0, y0] = line.at(-1)!
    let [low, high] = [-Infinity, Infinity]
    let end = at
    let slope = 0
    for (let i = at + 1; i < edges.length; i += 1) {
      const [x, y] = edges[i]!
      const bounds = [(y - y0) / (x - x0), (y + sign * tolerance - y0) / (x - x0)] as const
      const [least, most] = sign === 1 ? bounds : [bounds[1], bounds[0]]
      if (least > high || most < low) break
      low = Math.max(low, least)
      high = Math.min(high, most)
      slope = (low + high) / 2
      end = i
    }
    if (end === at) throw new Error('A stretch of one step is always within its tolerance.')
    line.push([edges[end]![0], y0 + slope * (edges[end]![0] - x0)])
    at = end
  }
  return line
}
