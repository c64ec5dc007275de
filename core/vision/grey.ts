/** Looked up once: they are asked for every pixel. */
const { floor, max, min } = Math
/** A picture in shades of grey: row by row from the top left, 0 black to 255 white. The middle of its first pixel is (0.5, 0.5). */
export interface Grey {
  width: number
  height: number
  data: Uint8Array
}
/** Numbers in rows and columns: shades, or how clear a line is. */
interface Shades {
  width: number
  height: number
  data: Uint8Array | Float32Array
}
export type Px = readonly [x: number, y: number]

/** What the eye makes of red, green and blue (ITU-R BT.601), of pixels as a canvas gives them: four bytes each. */
export function greyOf(rgba: Uint8ClampedArray | Uint8Array, width: number, height: number): Grey {
  const data = new Uint8Array(width * height)
  for (let i = 0, at = 0; i < data.length; i += 1, at += 4) data[i] = (rgba[at]! * 77 + rgba[at + 1]! * 150 + rgba[at + 2]! * 29) >> 8
  return { width, height, data }
}

/** Shade at a place between pixels, bilinear; beyond the edge that of the edge. */
export function shadeAt({ width, height, data }: Shades, x: number, y: number): number {
  const u = min(max(x - 0.5, 0), width - 1)
  const v = min(max(y - 0.5, 0), height - 1)
  const i = min(floor(u), max(width - 2, 0))
  const j = min(floor(v), max(height - 2, 0))
  const [a, b] = [u - i, v - j]
  const at = j * width + i
  const right = width > 1 ? 1 : 0
  const down = height > 1 ? width : 0
  return (data[at]! * (1 - a) + data[at + right]! * a) * (1 - b) + (data[at + down]! * (1 - a) + data[at + down + right]! * a) * b
}

/** Half as wide and high: each pixel the mean of four. */
export function halved({ width, height, data }: Grey): Grey {
  const [w, h] = [max(width >> 1, 1), max(height >> 1, 1)]
  const out = new Uint8Array(w * h)
  const [right, down] = [width > 1 ? 1 : 0, height > 1 ? width : 0]
  for (let y = 0; y < h; y += 1)
    for (let x = 0; x < w; x += 1) {
      const at = 2 * y * width + 2 * x
      out[y * w + x] = (data[at]! + data[at + right]! + data[at + down]! + data[at + down + right]! + 2) >> 2
    }
  return { width: w, height: h, data: out }
}

/** Where a place lies within a picture, with so many pixels to spare. */
export const isInside = ({ width, height }: Pick<Grey, 'width' | 'height'>, [x, y]: Px, spare = 0): boolean =>
  x >= spare && y >= spare && x <= width - spare && y <= height - spare
