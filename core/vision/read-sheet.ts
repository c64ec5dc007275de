import { inverse as inverseOf, Matrix, pseudoInverse, solve } from 'ml-matrix'
import { isInside, shadeAt, type Grey, type Px } from './grey.ts'
import { homographyOf, times, type Homography } from './homography.ts'
import { discAt, edgeIn, MARK_EDGES, type FourMarks } from './marks.ts'
import { BAR_HALF_MM, BARS, DOT_MM, DOTS, INNER_DOTS, MARKS, MOST_RESIDUAL_MM, type Mm } from './sheet.ts'
import { mmOf, toPx, type SheetMap } from './sheet-map.ts'

/** A place of the sheet that was found in the picture. */
export interface Seen {
  what: 'mark' | 'dot' | 'bar' | 'inside'
  mm: Mm
  px: Px
  /** How far the map puts it from where it should be, mm. */
  offMm: number
}
export interface SheetReading {
  map: SheetMap
  seen: readonly Seen[]
  /** Found, but not where the rest says: hidden in part, or a spot of something else. */
  leftOut: number
  /** The largest distance that a place of the sheet is off by, mm: what a picture is refused for. */
  residualMm: number
  /** Root mean square of the same along the rim, and inside where enough is seen there. */
  rmsMm: number
  insideMm: number | undefined
  /** Covariance of the nine numbers of the map as it was laid through what was seen, about places scaled to one. */
  spread: Matrix
}
type ReadSheet = { ok: true; reading: SheetReading } | { ok: false; message: string; residualMm?: number }

/** Beside the four marks so many places must be seen, or nothing says how true the picture is. */
const LEAST_BESIDE = 4
/** A mark of fewer pixels across is none that can be found to a part of one. */
const LEAST_PX_PER_MM = 1.6

/** Nine numbers: eight of a homography between places scaled to about one, then the lens. */
type Numbers = readonly number[]

const FRAME: Homography = [1 / 125, 0, 34 / 125, 0, 1 / 125, -113 / 125, 0, 0, 1]
const pictureFrame = ({ width, height }: Pick<Grey, 'width' | 'height'>): Homography => {
  const half = Math.hypot(width, height) / 2
  return [half, 0, width / 2, 0, half, height / 2, 0, 0, 1]
}
/** The map that nine numbers stand for. */
export function mapOf(size: Pick<Grey, 'width' | 'height'>, numbers: Numbers): SheetMap {
  const toPicture = times(times(pictureFrame(size), [...numbers.slice(0, 8), 1]), FRAME)
  return { width: size.width, height: size.height, toPicture: toPicture.map((one) => one / toPicture[8]!), lens: numbers[8]! }
}
export function numbersOf(map: SheetMap): number[] {
  const back = [125, 0, -34, 0, 125, 113, 0, 0, 1]
  const half = Math.hypot(map.width, map.height) / 2
  const unscale = [1 / half, 0, -map.width / 2 / half, 0, 1 / half, -map.height / 2 / half, 0, 0, 1]
  const h = times(times(unscale, map.toPicture), back)
  return [...h.slice(0, 8).map((one) => one / h[8]!), map.lens]
}

interface MarkPlace {
  what: Seen['what']
  mm: Mm
  px: Px
}

/** Least squares in pixels, by Gauss and Newton, derivatives by differences. */
function laidThrough(
  size: Pick<Grey, 'width' | 'height'>,
  start: SheetMap,
  places: readonly MarkPlace[],
  withLens: boolean,
): { map: SheetMap; jacobian: Matrix } {
  let numbers = numbersOf(start)
  const free = withLens ? 9 : 8
  let jacobian = Matrix.zeros(places.length * 2, free)
  for (let turn = 0; turn < 12; turn += 1) {
    const map = mapOf(size, numbers)
    const at = places.map(({ mm }) => toPx(map, mm))
    jacobian = Matrix.zeros(places.length * 2, free)
    for (let j = 0; j < free; j += 1) {
      const step = 1e-6
      const moved = mapOf(
        size,
        numbers.map((one, i) => (i === j ? one + step : one)),
      )
      places.forEach(({ mm }, i) => {
        const [x, y] = toPx(moved, mm)
        jacobian.set(2 * i, j, (x - at[i]![0]) / step)
        jacobian.set(2 * i + 1, j, (y - at[i]![1]) / step)
      })
    }
    const off = Matrix.columnVector(places.flatMap(({ px }, i) => [px[0] - at[i]![0], px[1] - at[i]![1]]))
    const change = solve(jacobian, off, true).getColumn(0)
    numbers = numbers.map((one, i) => one + (change[i] ?? 0))
    if (Math.max(...change.map(Math.abs)) < 1e-9) break
  }
  return { map: mapOf(size, numbers), jacobian }
}

/** The end of a bar: its edge along it, and the middle of both its sides. */
function barEnd(grey: Grey, map: SheetMap, end: Mm, other: Mm): Mm | undefined {
  const length = Math.hypot(other[0] - end[0], other[1] - end[1])
  const [uz, ur] = [(other[0] - end[0]) / length, (other[1] - end[1]) / length]
  const profile = (from: Mm, to: Mm, aside: Mm): number[] | undefined => {
    const out: number[] = []
    for (let k = 0; k <= 32; k += 1) {
      const t = k / 32
      let sum = 0
      for (const w of [-0.6, 0, 0.6]) {
        const px = toPx(map, [from[0] + (to[0] - from[0]) * t + aside[0] * w, from[1] + (to[1] - from[1]) * t + aside[1] * w])
        if (!isInside(grey, px, 1)) return undefined
        sum += shadeAt(grey, ...px)
      }
      out.push(sum / 3)
    }
    return out
  }
  const at = (along: number, across: number): Mm => [end[0] + uz * along - ur * across, end[1] + ur * along + uz * across]
  const endwise = profile(at(1.8, 0), at(-1.8, 0), [-ur, uz])
  const one = profile(at(4, 0), at(4, 2.4), [uz, ur])
  const two = profile(at(4, 0), at(4, -2.4), [uz, ur])
  const [e, a, b] = [endwise && edgeIn(endwise), one && edgeIn(one), two && edgeIn(two)]
  if (e === undefined || a === undefined || b === undefined) return undefined
  const [up, down] = [(a / 32) * 2.4, (b / 32) * 2.4]
  // hidden in part, or not a bar
  if (Math.abs(up + down - 2 * BAR_HALF_MM) > 0.8) return undefined
  return at(1.8 - (e / 32) * 3.6, (up - down) / 2)
}

/** Where a dot may lie from where the map so far puts it, mm: the lens is not known yet. */
const DOT_REACH_MM = 3

function dotAt(grey: Grey, map: SheetMap, mm: Mm): Mm | undefined {
  // the darkest place near it, by means over a small square
  let best: { shade: number; at: Mm } | undefined
  for (let i = -6; i <= 6; i += 1)
    for (let j = -6; j <= 6; j += 1) {
      const at: Mm = [mm[0] + (i / 6) * DOT_REACH_MM, mm[1] + (j / 6) * DOT_REACH_MM]
      let shade = 0
      for (const [a, b] of [
        [0, 0],
        [0.5, 0],
        [-0.5, 0],
        [0, 0.5],
        [0, -0.5],
      ] as const) {
        const px = toPx(map, [at[0] + a, at[1] + b])
        if (!isInside(grey, px, 1)) return undefined
        shade += shadeAt(grey, ...px)
      }
      if (!best || shade < best.shade) best = { shade, at }
    }
  let at = best!.at
  for (let turn = 0; turn < 3; turn += 1) {
    const found = discAt(grey, map, at, DOT_MM)
    if (!found || found.strayMm > 0.16 || found.share < 0.9 || Math.abs(found.radiusMm - DOT_MM) > 0.35) return undefined
    at = [found.z, found.r]
    if (Math.hypot(at[0] - mm[0], at[1] - mm[1]) > DOT_REACH_MM) return undefined
  }
  return at
}

function markAt(grey: Grey, map: SheetMap, mm: Mm): Mm | undefined {
  let at = mm
  for (let turn = 0; turn < 2; turn += 1) {
    const edges = MARK_EDGES.map(([radiusMm, inside]) => discAt(grey, map, at, radiusMm, inside)).filter(
      (one) => one !== undefined && one.strayMm < 0.4,
    )
    if (edges.length === 0) return undefined
    at = [edges.reduce((sum, one) => sum + one!.z, 0) / edges.length, edges.reduce((sum, one) => sum + one!.r, 0) / edges.length]
  }
  return Math.hypot(at[0] - mm[0], at[1] - mm[1]) > 4 ? undefined : at
}

const middle = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[values.length >> 1] ?? 0

/**
 * Reads the sheet in a picture of which the four marks are known about: marks, dots and bars to a part of a pixel, and a
 * map through them all.
 * @param exact the marks are taken as they were put by hand
 */
export function readSheet(grey: Grey, marks: FourMarks, exact = false): ReadSheet {
  const size = { width: grey.width, height: grey.height }
  const first = homographyOf(MARKS, marks)
  const convex = first && MARKS.every(([z, r]) => first[6]! * z + first[7]! * r + first[8]! > 0)
  if (!convex) return { ok: false, message: 'These cannot be the four marks of a sheet. Put each on the middle of its ring.' }
  let map: SheetMap = { toPicture: first, lens: 0, ...size }
  const perMm = MARKS.map(([z, r]) => {
    const [a, b] = [toPx(map, [z - 5, r]), toPx(map, [z + 5, r])]
    return Math.hypot(a[0] - b[0], a[1] - b[1]) / 10
  })
  if (Math.min(...perMm) < LEAST_PX_PER_MM)
    return { ok: false, message: 'The sheet is too small in the picture. Move closer until it nearly fills the frame.' }
  let places: MarkPlace[] = []
  let laid: ReturnType<typeof laidThrough> | undefined
  let leftOut = 0
  for (let turn = 0; turn < 3; turn += 1) {
    const put = (what: Seen['what'], mm: Mm, found: Mm | undefined): MarkPlace[] => (found ? [{ what, mm, px: toPx(map, found) }] : [])
    const back = mmOf(map)
    const atMarks = MARKS.flatMap((mm, i) => {
      if (exact) return [{ what: 'mark' as const, mm, px: marks[i]! }]
      const found = markAt(grey, map, turn === 0 ? mm : back(places.find((one) => one.mm === mm)?.px ?? marks[i]!))
      return found ? put('mark', mm, found) : [{ what: 'mark' as const, mm, px: marks[i]! }]
    })
    places = [
      ...atMarks,
      ...DOTS.flatMap((mm) => put('dot', mm, dotAt(grey, map, mm))),
      ...Object.values(BARS).flatMap(([a, b]) => [...put('bar', a, barEnd(grey, map, a, b)), ...put('bar', b, barEnd(grey, map, b, a))]),
    ]
    if (places.length < MARKS.length + LEAST_BESIDE)
      return {
        ok: false,
        message: 'Too few dots and bars of the sheet are visible. Keep the card off them, and put each mark on the middle of its ring.',
      }
    laid = laidThrough(size, map, places, true)
    // what strays far from what most say is hidden in part
    const off = places.map((one) => distance(toPx(laid!.map, one.mm), one.px))
    const most = Math.max(4 * middle(off), 0.6)
    const kept = places.filter((one, i) => one.what === 'mark' || off[i]! <= most)
    leftOut = places.length - kept.length
    if (leftOut > 0 && leftOut <= 0.3 * places.length && kept.length >= MARKS.length + LEAST_BESIDE) {
      places = kept
      laid = laidThrough(size, map, places, true)
    } else leftOut = 0
    map = laid.map
  }
  const { jacobian } = laid!
  const back = mmOf(map)
  const offOf = (one: MarkPlace): Seen => ({ offMm: distance(back(one.px), one.mm), ...one })
  const rim = places.map(offOf)
  const inside = INNER_DOTS.flatMap((mm): Seen[] => {
    const found = dotAt(grey, map, mm)
    return found ? [offOf({ what: 'inside', mm, px: toPx(map, found) })] : []
  })
  const seen = [...rim, ...inside]
  const offPx = places.map((one) => distance(toPx(map, one.mm), one.px))
  const freedom = Math.max(2 * places.length - 9, 1)
  const variance = Math.max(offPx.reduce((sum, one) => sum + one * one, 0) / freedom, 0.02 ** 2)
  const residualMm = Math.max(...seen.map((one) => one.offMm))
  const bulgeMm = Math.max(0, ...inside.map((one) => one.offMm))
  if (bulgeMm > MOST_RESIDUAL_MM && bulgeMm === residualMm)
    return {
      ok: false,
      residualMm,
      message: `Dots inside the sheet are off by up to ${residualMm.toFixed(2)} mm, more than ${MOST_RESIDUAL_MM} mm. Weigh the paper down flat on a table and photograph it again from further away.`,
    }
  if (residualMm > MOST_RESIDUAL_MM)
    return {
      ok: false,
      residualMm,
      message: `The sheet’s marks are off by up to ${residualMm.toFixed(2)} mm, more than ${MOST_RESIDUAL_MM} mm. Check that the paper is flat and each mark is on its ring.`,
    }
  const normal = jacobian.transpose().mmul(jacobian)
  const spread = safeInverse(normal).mul(variance)
  return {
    ok: true,
    reading: {
      map,
      seen,
      leftOut,
      residualMm,
      rmsMm: rmsOf(rim),
      insideMm: inside.length < LEAST_INSIDE ? undefined : rmsOf(inside),
      spread,
    },
  }
}

/** So many dots inside say how flat the paper is. */
const LEAST_INSIDE = 3
const rmsOf = (all: readonly Seen[]): number => Math.sqrt(all.reduce((sum, one) => sum + one.offMm ** 2, 0) / all.length)
const distance = (a: Px | Mm, b: Px | Mm): number => Math.hypot(a[0] - b[0], a[1] - b[1])
function safeInverse(matrix: Matrix): Matrix {
  try {
    return inverseOf(matrix)
  } catch {
    return pseudoInverse(matrix)
  }
}
