import type { Grey } from './grey.ts'

/** Looked up once: they are asked for every pixel. */
const { max, min, round } = Math

/** A dark patch that hangs together. */
export interface Spot {
  area: number
  x: number
  y: number
  x0: number
  y0: number
  x1: number
  y1: number
}

/** What is dark is darker by so many shades at least: not noise. */
const AT_LEAST = 9
/** What lies around: a square of this share of the shorter side. */
const AROUND = 1 / 9
const SMALLEST_PX = 8

/** Sums over all that is above and left, one row and column wider than the picture. */
function sums({ width, height, data }: Grey): Uint32Array {
  const out = new Uint32Array((width + 1) * (height + 1))
  for (let y = 0; y < height; y += 1) {
    let row = 0
    for (let x = 0; x < width; x += 1) {
      row += data[y * width + x]!
      out[(y + 1) * (width + 1) + x + 1] = out[y * (width + 1) + x + 1]! + row
    }
  }
  return out
}

/**
 * One where a picture is darker than its surroundings, by means over squares (D. Bradley, G. Roth, 2007), shadows or not.
 * @param darker by this share of what lies around
 */
export function darkOf(grey: Grey, darker = 0.14): Uint8Array {
  const { width, height } = grey
  const sum = sums(grey)
  const w = width + 1
  const mean = (x0: number, y0: number, x1: number, y1: number) =>
    (sum[y1 * w + x1]! - sum[y0 * w + x1]! - sum[y1 * w + x0]! + sum[y0 * w + x0]!) / ((x1 - x0) * (y1 - y0))
  const reach = max(round((min(width, height) * AROUND) / 2), 8)
  const dark = new Uint8Array(width * height)
  for (let y = 0; y < height; y += 1) {
    const [y0, y1] = [max(y - reach, 0), min(y + reach + 1, height)]
    const [b0, b1] = [max(y - 1, 0), min(y + 2, height)]
    for (let x = 0; x < width; x += 1) {
      const around = mean(max(x - reach, 0), y0, min(x + reach + 1, width), y1)
      // nine pixels together: one alone may be noise
      const here = mean(max(x - 1, 0), b0, min(x + 2, width), b1)
      if (here < around - max(AT_LEAST, darker * around)) dark[y * width + x] = 1
    }
  }
  return dark
}

/** The patches of a mask, neighbours by side, in one pass with joined labels (A. Rosenfeld, J. Pfaltz, 1966). */
export function spotsOf(dark: Uint8Array, width: number, height: number): Spot[] {
  const label = new Int32Array(width * height)
  const parent: number[] = [0]
  const root = (one: number): number => {
    let at = one
    while (parent[at] !== at) at = parent[at] = parent[parent[at]!]!
    return at
  }
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      const at = y * width + x
      if (dark[at] === 0) continue
      const left = x > 0 ? label[at - 1]! : 0
      const above = y > 0 ? label[at - width]! : 0
      if (left === 0 && above === 0) {
        label[at] = parent.length
        parent.push(parent.length)
      } else if (left !== 0 && above !== 0) {
        const [a, b] = [root(left), root(above)]
        label[at] = min(a, b)
        parent[max(a, b)] = min(a, b)
      } else label[at] = left || above
    }
  const found = new Map<number, Spot>()
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      const one = label[y * width + x]!
      if (one === 0) continue
      const of = root(one)
      let spot = found.get(of)
      if (!spot) found.set(of, (spot = { area: 0, x: 0, y: 0, x0: x, y0: y, x1: x, y1: y }))
      spot.area += 1
      spot.x += x + 0.5
      spot.y += y + 0.5
      spot.x0 = min(spot.x0, x)
      spot.x1 = max(spot.x1, x)
      spot.y1 = y
    }
  return [...found.values()]
    .filter((spot) => spot.area >= SMALLEST_PX)
    .map((spot) => ({ ...spot, x: spot.x / spot.area, y: spot.y / spot.area, x1: spot.x1 + 1, y1: spot.y1 + 1 }))
}
