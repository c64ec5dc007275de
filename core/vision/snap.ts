import { shadeAt, type Grey, type Px } from './grey.ts'

/** Looked up once: they are asked for every pixel. */
const { abs, ceil, exp, floor, hypot, max, min, sqrt } = Math

/** What is traced: the middle of a dark line, or where light meets dark. */
export type Traced = 'line' | 'edge'

/** How clearly a line or an edge runs through each pixel of a piece of a picture, shades; and where in the pixel. */
interface Strengths {
  x0: number
  y0: number
  width: number
  height: number
  strength: Float32Array
  /** The place on the line itself, from the middle of the pixel. */
  dx: Float32Array
  dy: Float32Array
}

/** A line or edge of less than this is not told from noise, shades. */
export const FAINT = 2.5

/** Half the width of a Gaussian for a line so wide, px (C. Steger, 1998: no less than its half width by root three). */
const sigmaFor = (linePx: number): number => min(max(0.4 * linePx, 1.1), 6)

function kernels(sigma: number): { reach: number; g: number[]; d: number[]; dd: number[] } {
  const reach = ceil(3 * sigma)
  const at = Array.from({ length: 2 * reach + 1 }, (_, i) => i - reach)
  const raw = at.map((x) => exp((-x * x) / (2 * sigma * sigma)))
  const sum = raw.reduce((total, one) => total + one, 0)
  const g = raw.map((one) => one / sum)
  const d = at.map((x, i) => (x / (sigma * sigma)) * g[i]!)
  const second = at.map((x, i) => ((x * x - sigma * sigma) / sigma ** 4) * g[i]!)
  // what is flat bends nowhere
  const mean = second.reduce((total, one) => total + one, 0) / second.length
  return { reach, g, d, dd: second.map((one) => one - mean) }
}

/**
 * Strengths of lines or edges in a rectangle of a picture: ridges of the second derivatives (C. Steger, 1998), or steps of
 * the first (J. Canny, 1986), both of the picture smoothed.
 * @param linePx how wide a line is; for an edge, how soft it is
 */
export function strengthsOf(grey: Grey, box: { x0: number; y0: number; x1: number; y1: number }, what: Traced, linePx: number): Strengths {
  const sigma = what === 'line' ? sigmaFor(linePx) : 1.2
  const { reach, g, d, dd } = kernels(sigma)
  const x0 = max(floor(box.x0), 0)
  const y0 = max(floor(box.y0), 0)
  const width = max(min(ceil(box.x1), grey.width) - x0, 1)
  const height = max(min(ceil(box.y1), grey.height) - y0, 1)
  const rows = height + 2 * reach
  // across first, each kernel; then down
  const across = [g, d, ...(what === 'line' ? [dd] : [])].map((kernel) => {
    const out = new Float32Array(rows * width)
    for (let j = 0; j < rows; j += 1) {
      const y = min(max(y0 + j - reach, 0), grey.height - 1) * grey.width
      for (let i = 0; i < width; i += 1) {
        let sum = 0
        for (let k = 0; k < kernel.length; k += 1) {
          const x = x0 + i + k - reach
          sum += grey.data[y + (x < 0 ? 0 : x >= grey.width ? grey.width - 1 : x)]! * kernel[k]!
        }
        out[j * width + i] = sum
      }
    }
    return out
  })
  const down = (from: Float32Array, kernel: readonly number[], at: number): number => {
    let sum = 0
    for (let k = 0; k < kernel.length; k += 1) sum += from[at + k * width]! * kernel[k]!
    return sum
  }
  const strength = new Float32Array(width * height)
  const [dx, dy] = [new Float32Array(width * height), new Float32Array(width * height)]
  const [sg, sd, sdd] = across as [Float32Array, Float32Array, Float32Array | undefined]
  for (let at = 0; at < strength.length; at += 1) {
    const gx = down(sd, g, at)
    const gy = down(sg, d, at)
    if (!sdd) {
      strength[at] = hypot(gx, gy) * sigma * sqrt(2 * Math.PI)
      continue
    }
    const gxx = down(sdd, g, at)
    const gxy = down(sd, d, at)
    const gyy = down(sg, dd, at)
    // the direction of the greatest bend, light on both sides
    const mean = (gxx + gyy) / 2
    const bend = mean + hypot((gxx - gyy) / 2, gxy)
    if (bend <= 0) continue
    let [nx, ny] = abs(gxx - bend) > abs(gyy - bend) ? [gxy, bend - gxx] : [bend - gyy, gxy]
    const l = hypot(nx, ny)
    if (l < 1e-9) [nx, ny] = gxx >= gyy ? [1, 0] : [0, 1]
    else [nx, ny] = [nx / l, ny / l]
    const t = -(gx * nx + gy * ny) / bend
    if (abs(t) > 1.2) {
      // beside the line: its slope, not its middle
      strength[at] = (bend * sigma * sigma) / (1 + (abs(t) - 1.2) * 2)
      continue
    }
    strength[at] = bend * sigma * sigma
    dx[at] = t * nx
    dy[at] = t * ny
  }
  const found = { x0, y0, width, height, strength, dx, dy }
  if (what === 'edge') refineEdges(found)
  return found
}

/** An edge is where the slope is greatest: the top of a parabola through three places across it. */
function refineEdges({ width, height, strength, dx, dy }: Strengths): void {
  const at = { width, height, data: strength }
  for (let y = 1; y + 1 < height; y += 1)
    for (let x = 1; x + 1 < width; x += 1) {
      const i = y * width + x
      if (strength[i]! < FAINT) continue
      // across the edge: where the strength falls off the fastest
      const sxx = strength[i + 1]! - 2 * strength[i]! + strength[i - 1]!
      const syy = strength[i + width]! - 2 * strength[i]! + strength[i - width]!
      const sxy = (strength[i + width + 1]! - strength[i + width - 1]! - strength[i - width + 1]! + strength[i - width - 1]!) / 4
      const least = (sxx + syy) / 2 - hypot((sxx - syy) / 2, sxy)
      let [nx, ny] = abs(sxx - least) > abs(syy - least) ? [sxy, least - sxx] : [least - syy, sxy]
      const l = hypot(nx, ny)
      if (l < 1e-9) continue
      ;[nx, ny] = [nx / l, ny / l]
      const before = shadeAt(at, x + 0.5 - nx, y + 0.5 - ny)
      const after = shadeAt(at, x + 0.5 + nx, y + 0.5 + ny)
      const bend = before - 2 * strength[i]! + after
      if (bend >= -1e-6) continue
      const t = (0.5 * (before - after)) / bend
      if (abs(t) > 1.2) continue
      dx[i] = t * nx
      dy[i] = t * ny
    }
}

/**
 * The place on the line that a pixel beside it points at: from pixel to pixel until one holds its own.
 * @returns undefined where it leads nowhere
 */
export function settled({ x0, y0, width, height, dx, dy }: Strengths, from: number): Px | undefined {
  const placeOf = (at: number): Px => [(at % width) + 0.5 + dx[at]!, floor(at / width) + 0.5 + dy[at]!]
  const pixelOf = ([x, y]: Px) => min(max(floor(y), 0), height - 1) * width + min(max(floor(x), 0), width - 1)
  const isOn = (at: number) => dx[at] !== 0 || dy[at] !== 0
  if (!isOn(from)) return undefined
  let at = from
  let place = placeOf(at)
  for (let turn = 0; turn < 4; turn += 1) {
    const next = pixelOf(place)
    if (next === at || !isOn(next)) break
    const there = placeOf(next)
    // each of two neighbours points at the other: it lies between them
    if (pixelOf(there) === at) {
      place = [(place[0] + there[0]) / 2, (place[1] + there[1]) / 2]
      break
    }
    at = next
    place = there
  }
  return [x0 + place[0], y0 + place[1]]
}

/** What is nearly as clear as the clearest is as good, and may be nearer. */
const NEARLY = 0.6

/**
 * The place of the strongest line or edge near a place that is nearest to it: along the line it stays where it was pointed at.
 * @param reachPx no further than this
 * @returns undefined where there is none to be told from noise
 */
export function snap(grey: Grey, [x, y]: Px, reachPx: number, what: Traced, linePx: number): { px: Px; strength: number } | undefined {
  const found = strengthsOf(grey, { x0: x - reachPx, y0: y - reachPx, x1: x + reachPx + 1, y1: y + reachPx + 1 }, what, linePx)
  const { width, height, strength, dx, dy } = found
  const away = (at: number) => hypot(found.x0 + (at % width) + 0.5 + dx[at]! - x, found.y0 + floor(at / width) + 0.5 + dy[at]! - y)
  const near: number[] = []
  let most = 0
  for (let at = 0; at < width * height; at += 1) {
    if (strength[at]! < FAINT || away(at) > reachPx) continue
    near.push(at)
    // what lies at the edge of reach was hardly meant
    most = max(most, strength[at]! * (1 - 0.6 * (away(at) / reachPx) ** 2))
  }
  let best: number | undefined
  for (const at of near) {
    if (strength[at]! < NEARLY * most || (dx[at] === 0 && dy[at] === 0)) continue
    if (best === undefined || away(at) < away(best)) best = at
  }
  if (best === undefined) return undefined
  return { px: settled(found, best)!, strength: strength[best]! }
}
