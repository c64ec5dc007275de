import TinyQueue from 'tinyqueue'
import { halved, type Grey, type Px } from './grey.ts'
import { FAINT, settled, strengthsOf, type Traced } from './snap.ts'

/** Looked up once: they are asked for every pixel. */
const { abs, atan2, ceil, cos, floor, hypot, max, min, sin } = Math

export type Followed = { ok: true; points: Px[] } | { ok: false; message: string }

/** So far beside the straight way a line may bend, as a share of its length, and at least so many pixels. */
const ASIDE = 0.4
const ASIDE_PX = 40
/** A larger piece of a picture is looked at with half as many pixels each way: a tenth of one of those is fine enough. */
const ENOUGH_PX = 500_000
/** The share of the way that may run where there is no line. */
const MOST_BLIND = 0.35

/**
 * Follows a line or an edge from one place to another: the cheapest way through a piece of the picture, where a step costs
 * the less the clearer the line is (E. Dijkstra, 1959; E. Mortensen, W. Barrett, 1995).
 * @returns places on the line to a part of a pixel, without the two ends
 */
export function follow(grey: Grey, from: Px, to: Px, what: Traced, linePx: number): Followed {
  const straight = hypot(to[0] - from[0], to[1] - from[1])
  if (straight < 2) return { ok: true, points: [] }
  const aside = max(ASIDE * straight, ASIDE_PX)
  const x0 = max(floor(min(from[0], to[0]) - aside), 0)
  const y0 = max(floor(min(from[1], to[1]) - aside), 0)
  const width = min(ceil(max(from[0], to[0]) + aside), grey.width) - x0
  const height = min(ceil(max(from[1], to[1]) + aside), grey.height) - y0
  if (width < 1 || height < 1) return { ok: false, message: 'Both places lie outside the picture. Select places on it.' }
  let piece: Grey = cut(grey, x0, y0, width, height)
  let by = 1
  while (piece.width * piece.height > ENOUGH_PX) {
    piece = halved(piece)
    by *= 2
  }
  const into = ([x, y]: Px): Px => [(x - x0) / by, (y - y0) / by]
  const found = within(piece, into(from), into(to), what, linePx / by)
  if (!found.ok) return found
  const points = found.points.map(([x, y]): Px => [x * by + x0, y * by + y0])
  return { ok: true, points: smooth(by === 1 ? points : refined(grey, points, what, linePx, by)) }
}

/** So many places at a time are looked at closely: they lie in a small piece. */
const CHUNK = 24

/** Places of a picture with fewer pixels, in the whole one: each on the clearest place within a pixel of the small one. */
function refined(grey: Grey, points: readonly Px[], what: Traced, linePx: number, by: number): Px[] {
  const out: Px[] = []
  for (let from = 0; from < points.length; from += CHUNK) {
    const some = points.slice(from, from + CHUNK)
    const reach = ceil(1.5 * by)
    const xs = some.map(([x]) => x)
    const ys = some.map(([, y]) => y)
    const box = { x0: min(...xs) - reach, x1: max(...xs) + reach + 1, y0: min(...ys) - reach, y1: max(...ys) + reach + 1 }
    const found = strengthsOf(grey, box, what, linePx)
    const { x0, y0, width, height, strength, dx, dy } = found
    some.forEach((one, k) => {
      const [before, after] = [points[from + k - 2] ?? one, points[from + k + 2] ?? one]
      const l = hypot(after[0] - before[0], after[1] - before[1]) || 1
      // across the line: along it each keeps its place
      const [nx, ny] = [-(after[1] - before[1]) / l, (after[0] - before[0]) / l]
      let best = -1
      for (let t = -reach; t <= reach; t += 0.5) {
        const [x, y] = [floor(one[0] + t * nx) - x0, floor(one[1] + t * ny) - y0]
        if (x < 0 || y < 0 || x >= width || y >= height) continue
        const at = y * width + x
        if ((dx[at] !== 0 || dy[at] !== 0) && strength[at]! > (best < 0 ? FAINT : strength[best]!)) best = at
      }
      const place = best < 0 ? undefined : settled(found, best)
      if (place) out.push(place)
    })
  }
  return out
}

/** What noise makes of neighbours is not the line's: each with the two beside it, but where the line bends. */
function smooth(points: readonly Px[]): Px[] {
  let now: readonly Px[] = points
  for (let turn = 0; turn < 2; turn += 1) {
    const before = now
    now = before.map((one, i): Px => {
      const [a, b] = [before[i - 1], before[i + 1]]
      if (!a || !b) return one
      const [u, v] = [before[i - 4], before[i + 4]]
      // a corner stays one
      if (u && v) {
        const [p, q] = [atan2(one[1] - u[1], one[0] - u[0]), atan2(v[1] - one[1], v[0] - one[0])]
        if (abs(atan2(sin(q - p), cos(q - p))) > 0.5) return one
      }
      return [(a[0] + 2 * one[0] + b[0]) / 4, (a[1] + 2 * one[1] + b[1]) / 4]
    })
  }
  return [...now]
}

function cut({ width: of, data }: Grey, x0: number, y0: number, width: number, height: number): Grey {
  const out = new Uint8Array(width * height)
  for (let j = 0; j < height; j += 1) out.set(data.subarray((y0 + j) * of + x0, (y0 + j) * of + x0 + width), j * width)
  return { width, height, data: out }
}

function within(grey: Grey, from: Px, to: Px, what: Traced, linePx: number): Followed {
  const found = strengthsOf(grey, { x0: 0, y0: 0, x1: grey.width, y1: grey.height }, what, linePx)
  const { width, height, strength } = found
  const cell = ([x, y]: Px) => min(max(floor(y), 0), height - 1) * width + min(max(floor(x), 0), width - 1)
  const [start, end] = [cell(from), cell(to)]
  const near = (at: number) => {
    let most = 0
    for (let j = -2; j <= 2; j += 1)
      for (let i = -2; i <= 2; i += 1) {
        const x = (at % width) + i
        const y = floor(at / width) + j
        if (x >= 0 && y >= 0 && x < width && y < height) most = max(most, strength[y * width + x]!)
      }
    return most
  }
  // as clear as the fainter of both ends is clear enough
  const clear = max(0.6 * min(near(start), near(end)), 2 * FAINT)
  const cost = (at: number) => 1 / (0.03 + min(strength[at]! / clear, 1) ** 2)
  const best = new Float64Array(width * height).fill(Infinity)
  const came = new Int32Array(width * height).fill(-1)
  const queue = new TinyQueue<{ at: number; cost: number }>([{ at: start, cost: 0 }], (a, b) => a.cost - b.cost)
  best[start] = 0
  for (let next = queue.pop(); next && next.at !== end; next = queue.pop()) {
    if (next.cost > best[next.at]!) continue
    const x = next.at % width
    const y = (next.at - x) / width
    for (let j = -1; j <= 1; j += 1)
      for (let i = -1; i <= 1; i += 1) {
        if ((i === 0 && j === 0) || x + i < 0 || y + j < 0 || x + i >= width || y + j >= height) continue
        const at = next.at + j * width + i
        const total = next.cost + cost(at) * (i !== 0 && j !== 0 ? Math.SQRT2 : 1)
        if (total >= best[at]!) continue
        best[at] = total
        came[at] = next.at
        queue.push({ at, cost: total })
      }
  }
  const way: number[] = []
  for (let at = came[end]!; at !== -1 && at !== start; at = came[at]!) way.push(at)
  way.reverse()
  const blind = way.filter((at) => strength[at]! < max(FAINT, 0.2 * clear)).length
  if (blind > MOST_BLIND * way.length)
    return { ok: false, message: 'No clear line connects the two points. Click along it, or turn “follow the line” off.' }
  const points = way
    .flatMap((at) => {
      const place = settled(found, at)
      return place ? [place] : []
    })
    // the ends have their own places
    .filter((one) => hypot(one[0] - from[0], one[1] - from[1]) > 1.5 && hypot(one[0] - to[0], one[1] - to[1]) > 1.5)
  return { ok: true, points }
}
