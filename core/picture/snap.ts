import { shadeAt, type Grey, type Px } from './grey.ts'

/** What is traced: the middle of a dark line, or where light meets dark. */
export type Traced = 'line' | 'edge'

/** How clearly a line or an edge runs through each pixel of a piece of a picture, shades; and where in the pixel. */
export interface Strengths {
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
const sigmaFor = (linePx: number): number => Math.min(Math.max(0.4 * linePx, 1.1), 6)

function kernels(sigma: number): { reach: number; g: number[]; d: number[]; dd: number[] } {
  const reach = Math.ceil(3 * sigma)
  const at = Array.from({ length: 2 * reach + 1 }, (_, i) => i - reach)
  const raw = at.map((x) => Math.exp((-x * x) / (2 * sigma * sigma)))
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
  const x0 = Math.max(Math.floor(box.x0), 0)
  const y0 = Math.max(Math.floor(box.y0), 0)
  const width = Math.max(Math.min(Math.ceil(box.x1), grey.width) - x0, 1)
  const height = Math.max(Math.min(Math.ceil(box.y1), grey.height) - y0, 1)
  const rows = height + 2 * reach
  // across first, each kernel; then down
  const across = [g, d, ...(what === 'line' ? [dd] : [])].map((kernel) => {
    const out = new Float32Array(rows * width)
    for (let j = 0; j < rows; j += 1) {
      const y = Math.min(Math.max(y0 + j - reach, 0), grey.height - 1) * grey.width
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
      strength[at] = Math.hypot(gx, gy) * sigma * Math.sqrt(2 * Math.PI)
      continue
    }
    const gxx = down(sdd, g, at)
    const gxy = down(sd, d, at)
    const gyy = down(sg, dd, at)
    // the direction of the greatest bend, light on both sides
    const mean = (gxx + gyy) / 2
    const bend = mean + Math.hypot((gxx - gyy) / 2, gxy)
    if (bend <= 0) continue
    let [nx, ny] = Math.abs(gxx - bend) > Math.abs(gyy - bend) ? [gxy, bend - gxx] : [bend - gyy, gxy]
    const l = Math.hypot(nx, ny)
    if (l < 1e-9) [nx, ny] = gxx >= gyy ? [1, 0] : [0, 1]
    else [nx, ny] = [nx / l, ny / l]
    const t = -(gx * nx + gy * ny) / bend
    if (Math.abs(t) > 1.2) {
      // beside the line: its slope, not its middle
      strength[at] = (bend * sigma * sigma) / (1 + (Math.abs(t) - 1.2) * 2)
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
      const least = (sxx + syy) / 2 - Math.hypot((sxx - syy) / 2, sxy)
      let [nx, ny] = Math.abs(sxx - least) > Math.abs(syy - least) ? [sxy, least - sxx] : [least - syy, sxy]
      const l = Math.hypot(nx, ny)
      if (l < 1e-9) continue
      ;[nx, ny] = [nx / l, ny / l]
      const before = shadeAt(at, x + 0.5 - nx, y + 0.5 - ny)
      const after = shadeAt(at, x + 0.5 + nx, y + 0.5 + ny)
      const bend = before - 2 * strength[i]! + after
      if (bend >= -1e-6) continue
      const t = (0.5 * (before - after)) / bend
      if (Math.abs(t) > 1.2) continue
      dx[i] = t * nx
      dy[i] = t * ny
    }
}

/**
 * The strongest line or edge near a place.
 * @param reachPx no further than this
 * @returns undefined where there is none to be told from noise
 */
export function snap(grey: Grey, [x, y]: Px, reachPx: number, what: Traced, linePx: number): { px: Px; strength: number } | undefined {
  const found = strengthsOf(grey, { x0: x - reachPx, y0: y - reachPx, x1: x + reachPx + 1, y1: y + reachPx + 1 }, what, linePx)
  let best: { at: number; worth: number } | undefined
  for (let j = 0; j < found.height; j += 1)
    for (let i = 0; i < found.width; i += 1) {
      const away = Math.hypot(found.x0 + i + 0.5 - x, found.y0 + j + 0.5 - y) / reachPx
      const at = j * found.width + i
      if (away > 1 || found.strength[at]! < FAINT) continue
      const worth = found.strength[at]! * (1 - 0.6 * away * away)
      if (!best || worth > best.worth) best = { at, worth }
    }
  if (!best) return undefined
  const { at } = best
  return {
    px: [found.x0 + (at % found.width) + 0.5 + found.dx[at]!, found.y0 + Math.floor(at / found.width) + 0.5 + found.dy[at]!],
    strength: found.strength[at]!,
  }
}
