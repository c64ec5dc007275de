import { halved, isInside, shadeAt, type Grey, type Px } from './grey.ts'
import { homographyOf } from './homography.ts'
import { BARS, DOT_MM, DOTS, MARK, MARKS, type Mm } from './sheet.ts'
import { toPx, type SheetMap } from './sheet-map.ts'
import { darkOf, spotsOf, type Spot } from './spots.ts'

/** The four marks of the sheet in a picture, in the order of `MARKS`. */
export type FourMarks = readonly [Px, Px, Px, Px]

/** Marks are looked for in a picture of no more pixels than this; where they are exactly is seen in the whole one. */
const ENOUGH_PX = 3.4e6
/** So many rings with a dot are weighed against each other at most. */
const MOST_RINGS = 9
/** The share of the sheet's dots that must be where four rings say they are. */
const SEEN = 0.45

/** Whether two spots could be ring and dot of one mark, however it is looked at. */
function isMark(ring: Spot, dot: Spot): boolean {
  const [w, h] = [ring.x1 - ring.x0, ring.y1 - ring.y0]
  const [v, u] = [dot.x1 - dot.x0, dot.y1 - dot.y0]
  if (w < 2 * v || h < 2 * u || w > 5 * v || h > 5 * u) return false
  if (w > 4 * h || h > 4 * w) return false
  const near = 0.16 * Math.max(w, h)
  if (Math.abs(ring.x - dot.x) > near || Math.abs(ring.y - dot.y) > near) return false
  if (Math.abs((ring.x0 + ring.x1) / 2 - dot.x) > near || Math.abs((ring.y0 + ring.y1) / 2 - dot.y) > near) return false
  const ratio = ring.area / dot.area
  const full = ring.area / (w * h)
  return ratio > 2 && ratio < 11 && full > 0.2 && full < 0.7 && dot.area / (v * u) > 0.45
}

function rings(grey: Grey, darker: number): { at: Px; size: number }[] {
  const spots = spotsOf(darkOf(grey, darker), grey.width, grey.height)
  const most = Math.min(grey.width, grey.height) / 4
  const size = (one: Spot) => Math.max(one.x1 - one.x0, one.y1 - one.y0)
  // by place, so that a dot finds the rings about it without asking all
  const cell = 64
  const cells = new Map<number, Spot[]>()
  const key = (x: number, y: number) => Math.floor(y / cell) * 100_000 + Math.floor(x / cell)
  for (const one of spots) {
    if (size(one) < 7 || size(one) > most) continue
    const at = key(one.x, one.y)
    const there = cells.get(at)
    if (there) there.push(one)
    else cells.set(at, [one])
  }
  const found: { at: Px; size: number; even: number }[] = []
  for (const dot of spots) {
    if (size(dot) > most / 2) continue
    for (const dx of [-cell, 0, cell])
      for (const dy of [-cell, 0, cell])
        for (const ring of cells.get(key(dot.x + dx, dot.y + dy)) ?? [])
          if (ring !== dot && isMark(ring, dot))
            found.push({ at: [dot.x, dot.y], size: size(ring), even: Math.hypot(ring.x - dot.x, ring.y - dot.y) / size(ring) })
  }
  return found.sort((a, b) => a.even - b.even).slice(0, MOST_RINGS)
}

/** Round the middle, so that no two lines between them cross. */
function around(four: readonly Px[]): Px[] {
  const [mx, my] = [four.reduce((sum, one) => sum + one[0], 0) / 4, four.reduce((sum, one) => sum + one[1], 0) / 4]
  // y grows downwards: the sheet's order goes the other way round
  return [...four].sort((a, b) => Math.atan2(b[1] - my, b[0] - mx) - Math.atan2(a[1] - my, a[0] - mx))
}

/** How much of the sheet's dots and bars can be seen where a map puts them, 0 to 1. */
function seen(grey: Grey, map: SheetMap): number {
  const PROBES: readonly Mm[] = [
    ...DOTS,
    ...[...Object.values(BARS)].flatMap(([a, b]) => [0.1, 0.3, 0.5, 0.7, 0.9].map((t): Mm => mix(a, b, t))),
  ]
  let found = 0
  for (const place of PROBES) {
    const [here, there] = [toPx(map, place), toPx(map, [place[0] + 4 * DOT_MM, place[1] + 4 * DOT_MM])]
    if (!isInside(grey, here, 1) || !isInside(grey, there, 1)) continue
    const step = Math.hypot(there[0] - here[0], there[1] - here[1]) / 12
    let darkest = 255
    for (let i = -3; i <= 3; i += 1)
      for (let j = -3; j <= 3; j += 1) darkest = Math.min(darkest, shadeAt(grey, here[0] + i * step, here[1] + j * step))
    const beside = [-1, 1].flatMap((a) =>
      [-1, 1].map((b) => shadeAt(grey, ...toPx(map, [place[0] + 4 * a * DOT_MM, place[1] + 4 * b * DOT_MM]))),
    )
    const light = [...beside].sort((a, b) => a - b)[2]!
    if (darkest < 0.72 * light - 6) found += 1
  }
  return found / PROBES.length
}
const mix = (a: Mm, b: Mm, t: number): Mm => [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t]

function fours<T>(of: readonly T[]): T[][] {
  const out: T[][] = []
  for (let a = 0; a < of.length; a += 1)
    for (let b = a + 1; b < of.length; b += 1)
      for (let c = b + 1; c < of.length; c += 1) for (let d = c + 1; d < of.length; d += 1) out.push([of[a]!, of[b]!, of[c]!, of[d]!])
  return out
}

/** Four places in the order of `MARKS` whichever way up the sheet lies: by what else of it can then be seen. */
function inOrder(grey: Grey, four: readonly Px[]): { marks: FourMarks; seen: number } | undefined {
  const round = around(four)
  let best: { marks: FourMarks; seen: number } | undefined
  for (let turn = 0; turn < 4; turn += 1) {
    const marks = [...round.slice(turn), ...round.slice(0, turn)] as unknown as FourMarks
    const toPicture = homographyOf(MARKS, marks)
    if (!toPicture) continue
    const part = seen(grey, { width: grey.width, height: grey.height, toPicture, lens: 0 })
    if (part > (best?.seen ?? -1)) best = { marks, seen: part }
  }
  return best
}

/** Four places that someone pointed at, put in order; as they came where the sheet does not tell. */
export function orderedMarks(grey: Grey, four: FourMarks): FourMarks {
  const found = inOrder(grey, four)
  return found && found.seen >= SEEN ? found.marks : four
}

/**
 * Finds the four marks of the sheet. A mark is a dark dot within a dark ring; which four of them, and which way up, is told
 * by the dots and bars between.
 * @returns undefined where no four rings can be those of the sheet
 */
export function findMarks(grey: Grey): FourMarks | undefined {
  let small = grey
  let by = 1
  while (small.width * small.height > ENOUGH_PX) {
    small = halved(small)
    by *= 2
  }
  // faint in a shadow, or run together where they are small and blurred: what is dark is asked twice
  for (const darker of [0.14, 0.38]) {
    let best: { marks: FourMarks; seen: number } | undefined
    for (const four of fours(rings(small, darker))) {
      const sizes = four.map((one) => one.size)
      if (Math.max(...sizes) > 4 * Math.min(...sizes)) continue
      const found = inOrder(
        small,
        four.map((one) => one.at),
      )
      if (found && found.seen > (best?.seen ?? SEEN)) best = found
    }
    if (best) return best.marks.map(([x, y]): Px => [x * by, y * by]) as unknown as FourMarks
  }
  return undefined
}

/** How many rays look for the edge of a disc. */
const RAYS = 32

/**
 * The middle of a disc of the sheet to a fraction of a pixel: its edge is looked for along rays in the plane of the sheet,
 * where it is round however it is looked at, and a circle laid through.
 * @param radiusMm of the edge
 * @param inside which side of it is dark
 * @returns where it is in the frame of the map, and how far its edge strays from a circle, and of how much of it; undefined without a clear edge
 */
export function discAt(
  grey: Grey,
  map: SheetMap,
  [z, r]: Mm,
  radiusMm: number,
  inside: 'dark' | 'light' = 'dark',
): { z: number; r: number; radiusMm: number; strayMm: number; share: number } | undefined {
  const reach = Math.min(0.5 * radiusMm, 1.2)
  const steps = 24
  const step = (2 * reach) / steps
  // sums of the normal equations for radius and offset
  const found: [number, number, number][] = []
  for (let i = 0; i < RAYS; i += 1) {
    const [c, s] = [Math.cos((2 * Math.PI * i) / RAYS), Math.sin((2 * Math.PI * i) / RAYS)]
    const shades: number[] = []
    for (let k = 0; k <= steps; k += 1) {
      const at = radiusMm - reach + k * step
      const px = toPx(map, [z + at * c, r + at * s])
      if (!isInside(grey, px, 1)) return undefined
      shades.push(shadeAt(grey, px[0], px[1]))
    }
    const edge = edgeIn(inside === 'dark' ? shades : shades.map((one) => 255 - one))
    if (edge !== undefined) found.push([radiusMm - reach + edge * step, c, s])
  }
  if (found.length < 0.75 * RAYS) return undefined
  const fit = circleThrough(found)
  // once more without what strays far
  const kept = found.filter(([at, c, s]) => Math.abs(at - fit.radius - fit.z * c - fit.r * s) < Math.max(0.15, 2.5 * fit.stray))
  if (kept.length < 0.7 * RAYS) return undefined
  const again = circleThrough(kept)
  return { z: z + again.z, r: r + again.r, radiusMm: again.radius, strayMm: again.stray, share: kept.length / RAYS }
}

function circleThrough(edges: readonly (readonly [number, number, number])[]): { radius: number; z: number; r: number; stray: number } {
  const n = edges.length
  // evenly spread rays make radius and offsets nearly independent: a few sweeps settle them
  let [radius, z, r] = [0, 0, 0]
  for (let sweep = 0; sweep < 6; sweep += 1) {
    radius = edges.reduce((sum, [at, c, s]) => sum + at - z * c - r * s, 0) / n
    const cc = edges.reduce((sum, [, c]) => sum + c * c, 0)
    const ss = edges.reduce((sum, [, , s]) => sum + s * s, 0)
    z = edges.reduce((sum, [at, c, s]) => sum + (at - radius - r * s) * c, 0) / cc
    r = edges.reduce((sum, [at, c, s]) => sum + (at - radius - z * c) * s, 0) / ss
  }
  const stray = Math.sqrt(edges.reduce((sum, [at, c, s]) => sum + (at - radius - z * c - r * s) ** 2, 0) / n)
  return { radius, z, r, stray }
}

/** The least contrast of an edge, shades. */
const CLEAR_EDGE = 18

/** Where shades rise the most from dark to light: half way between the levels of both sides, in steps; undefined where they do not. */
export function edgeIn(shades: readonly number[]): number | undefined {
  const n = shades.length
  const low = Math.min(...shades)
  const high = Math.max(...shades)
  if (high - low < CLEAR_EDGE) return undefined
  // levels of both sides, about where it rises the most
  let rise = -Infinity
  let at = 0
  for (let i = 1; i + 2 < n; i += 1) {
    const by = shades[i + 1]! + shades[i + 2]! - shades[i]! - shades[i - 1]!
    if (by > rise) [rise, at] = [by, i]
  }
  if (rise < CLEAR_EDGE) return undefined
  const dark = Math.min(...shades.slice(0, at + 1))
  const light = Math.max(...shades.slice(at + 1))
  const middle = (dark + light) / 2
  for (let i = at; i >= 0; i -= 1)
    if (shades[i]! <= middle && shades[i + 1]! > middle) return i + (middle - shades[i]!) / (shades[i + 1]! - shades[i]!)
  for (let i = at; i + 1 < n; i += 1)
    if (shades[i]! <= middle && shades[i + 1]! > middle) return i + (middle - shades[i]!) / (shades[i + 1]! - shades[i]!)
  return undefined
}

export const MARK_EDGES: readonly (readonly [radiusMm: number, inside: 'dark' | 'light'])[] = [
  [MARK.ringMm, 'dark'],
  [MARK.holeMm, 'light'],
]
