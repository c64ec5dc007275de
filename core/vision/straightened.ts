import type { Placer } from './placing.ts'
import { isInside, type Px } from './grey.ts'

/** A piece of the plane in millimetres. */
export interface Extent {
  z: readonly [from: number, to: number]
  r: readonly [from: number, to: number]
}

const GRID = 16
/** Room beside what was traced, mm. */
const ROOM_MM = 8

/** What a picture behind an outline should show. */
export function extentOf(points: readonly (readonly [number, number])[]): Extent {
  const zs = points.map(([z]) => z)
  const rs = points.map(([, r]) => r)
  return {
    z: [Math.min(...zs) - ROOM_MM, Math.max(...zs) + ROOM_MM],
    r: [Math.min(...rs) - ROOM_MM, Math.max(...rs) + ROOM_MM],
  }
}

/**
 * Pixels back from millimetres, found by steps on the map itself (Newton): whatever it is made of, it is smooth.
 * @param near a place in pixels to begin at
 */
export function pxOf(place: Placer, [z, r]: readonly [number, number], near: Px): [number, number] {
  let [x, y] = near
  for (let turn = 0; turn < 12; turn += 1) {
    const [a, b] = place([x, y])
    const [a1, b1] = place([x + 1, y])
    const [a2, b2] = place([x, y + 1])
    const [zx, zy, rx, ry] = [a1 - a, a2 - a, b1 - b, b2 - b]
    const by = zx * ry - zy * rx
    if (!(Math.abs(by) > 1e-12)) break
    const [dz, dr] = [z - a, r - b]
    const [dx, dy] = [(ry * dz - zy * dr) / by, (zx * dr - rx * dz) / by]
    x += dx
    y += dy
    if (Math.hypot(dx, dy) < 1e-4) break
  }
  return [x, y]
}

/**
 * The picture as it would be seen from straight above, r upwards: four bytes a pixel.
 * @param longestPx of its longer side
 */
export function straightened(
  rgba: { data: Uint8ClampedArray; width: number; height: number },
  place: Placer,
  { z, r }: Extent,
  longestPx: number,
  near: Px,
): { data: Uint8ClampedArray; width: number; height: number } {
  const perMm = longestPx / Math.max(z[1] - z[0], r[1] - r[0])
  const width = Math.max(Math.round((z[1] - z[0]) * perMm), 1)
  const height = Math.max(Math.round((r[1] - r[0]) * perMm), 1)
  const data = new Uint8ClampedArray(width * height * 4).fill(255)
  // exact every few pixels, straight between
  const columns = Math.ceil(width / GRID) + 1
  const rows = Math.ceil(height / GRID) + 1
  const at: [number, number][] = []
  let start: Px = near
  for (let j = 0; j < rows; j += 1) {
    start = pxOf(place, [z[0], r[1] - (j * GRID) / perMm], start)
    let here: Px = start
    for (let i = 0; i < columns; i += 1)
      at.push((here = pxOf(place, [z[0] + (i * GRID) / perMm, r[1] - (j * GRID) / perMm], here)) as [number, number])
  }
  for (let y = 0; y < height; y += 1) {
    const j = Math.floor(y / GRID)
    const b = (y + 0.5) / GRID - j
    for (let x = 0; x < width; x += 1) {
      const i = Math.floor(x / GRID)
      const a = (x + 0.5) / GRID - i
      const [p, q, s, t] = [at[j * columns + i]!, at[j * columns + i + 1]!, at[(j + 1) * columns + i]!, at[(j + 1) * columns + i + 1]!]
      const px = (p[0] * (1 - a) + q[0] * a) * (1 - b) + (s[0] * (1 - a) + t[0] * a) * b
      const py = (p[1] * (1 - a) + q[1] * a) * (1 - b) + (s[1] * (1 - a) + t[1] * a) * b
      if (!isInside(rgba, [px, py])) continue
      const from = (Math.min(Math.floor(py), rgba.height - 1) * rgba.width + Math.min(Math.floor(px), rgba.width - 1)) * 4
      for (let k = 0; k < 3; k += 1) data[(y * width + x) * 4 + k] = rgba.data[from + k]!
    }
  }
  return { data, width, height }
}
