import { apply, inverse, type Homography } from './homography.ts'
import type { Grey, Px } from './grey.ts'
import type { Mm } from './sheet.ts'

/** Looked up once: they are asked for every pixel. */
const { hypot, max } = Math

/**
 * From millimetres of a plane to pixels of a picture and back: a homography, then a lens with one coefficient,
 * p = c + (u - c)(1 + k q), q = |u - c|^2 / (half the diagonal)^2 (D. C. Brown, 1966, first radial term), c the middle of
 * the picture.
 */
export interface SheetMap {
  width: number
  height: number
  toPicture: Homography
  lens: number
}

const half = ({ width, height }: Pick<Grey, 'width' | 'height'>): number => hypot(width, height) / 2

export function toPx(map: SheetMap, place: Mm): [number, number] {
  const [x, y] = apply(map.toPicture, place)
  const [cx, cy] = [map.width / 2, map.height / 2]
  const [dx, dy] = [x - cx, y - cy]
  const by = 1 + (map.lens * (dx * dx + dy * dy)) / half(map) ** 2
  return [cx + dx * by, cy + dy * by]
}

/** Where a pixel would lie without the lens's bend, by fixed-point steps: to well below a thousandth of a pixel. */
export function unbent(map: Pick<SheetMap, 'width' | 'height' | 'lens'>, [x, y]: Px): [number, number] {
  const [cx, cy] = [map.width / 2, map.height / 2]
  const scale = half(map) ** 2
  const [dx, dy] = [x - cx, y - cy]
  let by = 1
  for (let i = 0; i < 12; i += 1) by = 1 + (map.lens * (dx * dx + dy * dy)) / (by * by * scale)
  return [cx + dx / by, cy + dy / by]
}

/** A map made ready for many places. */
export function mmOf(map: SheetMap): (at: Px) => [number, number] {
  const back = inverse(map.toPicture)
  return (at) => apply(back, map.lens === 0 ? at : unbent(map, at))
}

/** Millimetres that a pixel is wide and high at a place: the larger of the two. */
export function mmPerPx(map: SheetMap, at: Px): number {
  const mm = mmOf(map)
  const [z, r] = mm(at)
  const [z1, r1] = mm([at[0] + 1, at[1]])
  const [z2, r2] = mm([at[0], at[1] + 1])
  return max(hypot(z1 - z, r1 - r), hypot(z2 - z, r2 - r))
}
