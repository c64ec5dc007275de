import { halved, shadeAt, type Grey } from './grey.ts'
import { inverse, times, type Homography, type Pair } from './homography.ts'
import { BAR_HALF_MM, BARS, DOT_MM, DOTS, INNER_DOTS, MARK, MARKS, type Mm } from './sheet.ts'
import { toPx, unbent, type SheetMap } from './sheet-map.ts'

/** Looked up once: they are asked for every pixel. */
const { ceil, cos, exp, floor, hypot, log2, max, min, round, sin } = Math

/**
 * A camera over the reference sheet, as a stand-in for a telephone: what is drawn on the sheet or lies on it, seen through a
 * pinhole and a bent lens, with blur, noise and a shadow.
 */

/** A line, or what a line bounds, drawn on the sheet or on what lies on it; seat frame or the wheel's, mm. */
export interface DrawnScene {
  points: readonly Mm[]
  /** How wide the line is. */
  lineMm: number
  /** How far its middle lies to the left of the points, along them. */
  asideMm?: number
  /** The closed line is filled with this shade: a card's edge, the pins of a gauge. */
  filled?: number
  shade?: number
}
export interface Scene {
  drawn: readonly DrawnScene[]
  /** How far above the sheet the drawn lies. */
  heightMm?: number
  /** A card from corner to corner on which it is drawn; without one it is on the sheet itself. */
  card?: { z: readonly [number, number]; r: readonly [number, number]; shade: number }
  /** How far the card lies from where it should. */
  laidMm?: Mm
  /** Millimetres that a millimetre of the sheet came out of the printer as. */
  printed?: readonly [across: number, along: number]
  /** How high the paper stands in the middle of the sheet; at the marks it lies flat. */
  bulgeMm?: number
}
export interface Camera {
  width: number
  height: number
  /** Focal length as of a 36 by 24 mm picture of the same diagonal, mm. */
  focal35Mm: number
  /** From the middle of the sheet to the lens, mm. */
  distanceMm: number
  /** Off the vertical, about which way, and turned about its own axis, degrees. */
  tiltDeg: number
  azimuthDeg: number
  turnDeg: number
  /** How far from the middle of the sheet it points, mm. */
  aimMm?: Mm
  lens?: number
  /** Of the fourth power: what one coefficient does not describe. */
  lens4?: number
}
export interface CameraLight {
  /** Standard deviations: of the blur in pixels, of the noise in shades. */
  blurPx?: number
  noise?: number
  /** A soft shadow: how dark (0 none, 1 black), and where it ends, as a share of the picture's width. */
  shadow?: { depth: number; at: number }
  /** How much darker one side is than the other, 0 to 1. */
  slope?: number
  table?: number
}

/** The middle of A4 in the frame of the sheet. */
export const MIDDLE: Mm = [-34, 113]
const PAPER = { width: 210, height: 297 }
const PX_PER_MM = 14
const WHITE = 236
const BLACK = 28
/** No shade of anything: nothing of this layer is there. */
const CLEAR = 0

/** A plane drawn in pixels: its first pixel's corner is at (z0, r1). */
interface Layer {
  grey: Grey
  z0: number
  r1: number
}

const layer = (fill: number): Layer => {
  const [width, height] = [PAPER.width * PX_PER_MM, PAPER.height * PX_PER_MM]
  const data = new Uint8Array(width * height).fill(fill)
  return { grey: { width, height, data }, z0: MIDDLE[0] - PAPER.width / 2, r1: MIDDLE[1] + PAPER.height / 2 }
}

/** Lays a shade where a signed distance (mm, negative inside) says so, with soft edges of a pixel. */
function paint(on: Layer, z: Pair, r: Pair, shade: number, distanceMm: (z: number, r: number) => number): void {
  const { grey, z0, r1 } = on
  const x0 = max(floor((z[0] - z0) * PX_PER_MM) - 1, 0)
  const x1 = min(ceil((z[1] - z0) * PX_PER_MM) + 1, grey.width)
  const y0 = max(floor((r1 - r[1]) * PX_PER_MM) - 1, 0)
  const y1 = min(ceil((r1 - r[0]) * PX_PER_MM) + 1, grey.height)
  for (let y = y0; y < y1; y += 1)
    for (let x = x0; x < x1; x += 1) {
      const part = 0.5 - distanceMm(z0 + (x + 0.5) / PX_PER_MM, r1 - (y + 0.5) / PX_PER_MM) * PX_PER_MM
      if (part <= 0) continue
      const at = y * grey.width + x
      const old = grey.data[at]!
      const by = min(part, 1)
      // nothing to blend with: there or not
      if (old === CLEAR) grey.data[at] = by >= 0.5 ? shade : CLEAR
      else grey.data[at] = round(old + (shade - old) * by)
    }
}

const disc = (on: Layer, [z, r]: Mm, radius: number, shade: number): void =>
  paint(on, [z - radius, z + radius], [r - radius, r + radius], shade, (x, y) => hypot(x - z, y - r) - radius)
const box = (on: Layer, z: Pair, r: Pair, shade: number): void =>
  paint(on, z, r, shade, (x, y) => max(z[0] - x, x - z[1], r[0] - y, y - r[1]))
function stroke(on: Layer, [az, ar]: Mm, [bz, br]: Mm, widthMm: number, shade: number): void {
  const w = widthMm / 2
  const [dz, dr] = [bz - az, br - ar]
  const square = dz * dz + dr * dr || 1
  paint(on, [min(az, bz) - w, max(az, bz) + w], [min(ar, br) - w, max(ar, br) + w], shade, (z, r) => {
    const t = min(max(((z - az) * dz + (r - ar) * dr) / square, 0), 1)
    return hypot(z - az - t * dz, r - ar - t * dr) - w
  })
}

let printed: Layer | undefined
function printedSheet(): Layer {
  if (printed) return printed
  const on = layer(WHITE)
  for (const mark of MARKS) {
    disc(on, mark, MARK.ringMm, BLACK)
    disc(on, mark, MARK.holeMm, WHITE)
    disc(on, mark, MARK.dotMm, BLACK)
  }
  for (const dot of [...DOTS, ...INNER_DOTS]) disc(on, dot, DOT_MM, BLACK)
  const [[z0, rz], [z1]] = BARS.across
  box(on, [z0, z1], [rz - BAR_HALF_MM, rz + BAR_HALF_MM], BLACK)
  const [[zr, r0], [, r1]] = BARS.along
  box(on, [zr - BAR_HALF_MM, zr + BAR_HALF_MM], [r0, r1], BLACK)
  stroke(on, [-118, 0], [50, 0], 0.15, 170)
  stroke(on, [0, 0], [0, 228], 0.15, 170)
  // words, as so many strokes
  for (let i = 0; i < 60; i += 1) stroke(on, [-112 + i * 2.2, 229], [-112 + i * 2.2 + (i % 3) * 0.6, 229 + 2 + (i % 2)], 0.35, BLACK)
  printed = on
  return on
}

/** A line moved to its left, each point along the mean of what meets there. */
function aside(points: readonly Mm[], by: number): Mm[] {
  const normal = (a: Mm, b: Mm): [number, number] => {
    const l = hypot(b[0] - a[0], b[1] - a[1]) || 1
    return [-(b[1] - a[1]) / l, (b[0] - a[0]) / l]
  }
  return points.map((one, i) => {
    const n = i > 0 ? normal(points[i - 1]!, one) : undefined
    const m = i + 1 < points.length ? normal(one, points[i + 1]!) : undefined
    const [u, v] = [n ?? m!, m ?? n!]
    const [sz, sr] = [u[0] + v[0], u[1] + v[1]]
    const scale = (2 * by) / max(sz * sz + sr * sr, 0.5)
    return [one[0] + sz * scale, one[1] + sr * scale]
  })
}

function drawOn(on: Layer, { points, lineMm, asideMm = 0, filled, shade = 60 }: DrawnScene): void {
  if (filled !== undefined) fillInside(on, points, filled)
  if (lineMm <= 0) return
  const line = asideMm === 0 ? points : aside(points, asideMm)
  for (let i = 0; i + 1 < line.length; i += 1) stroke(on, line[i]!, line[i + 1]!, lineMm, shade)
}

/** Even-odd fill, sharp to a pixel of the layer. */
function fillInside({ grey, z0, r1 }: Layer, points: readonly Mm[], shade: number): void {
  for (let y = 0; y < grey.height; y += 1) {
    const r = r1 - (y + 0.5) / PX_PER_MM
    const cuts: number[] = []
    points.forEach(([az, ar], i) => {
      const [bz, br] = points[(i + 1) % points.length]!
      if (ar > r !== br > r) cuts.push((az + ((r - ar) / (br - ar)) * (bz - az) - z0) * PX_PER_MM)
    })
    cuts.sort((a, b) => a - b)
    for (let i = 0; i + 1 < cuts.length; i += 2)
      for (let x = max(round(cuts[i]!), 0); x < min(round(cuts[i + 1]!), grey.width); x += 1) grey.data[y * grey.width + x] = shade
  }
}

const rad = (deg: number): number => (deg * Math.PI) / 180

/** Where the lens is, and which way is back to it from what it looks at. */
function lensOf(camera: Camera): { eye: [number, number, number]; back: readonly [number, number, number] } {
  const [tilt, azimuth] = [rad(camera.tiltDeg), rad(camera.azimuthDeg)]
  const aim = camera.aimMm ?? [0, 0]
  const target = [MIDDLE[0] + aim[0], MIDDLE[1] + aim[1], 0] as const
  const back = [sin(tilt) * cos(azimuth), sin(tilt) * sin(azimuth), cos(tilt)] as const
  return { back, eye: target.map((one, i) => one + back[i]! * camera.distanceMm) as [number, number, number] }
}

/** Of a place of the flat sheet the place of a bulged one that hides it. */
export function bulged(camera: Camera, bulgeMm: number): (place: Mm) => Mm {
  const { eye } = lensOf(camera)
  const [[left, bottom], , [right, top]] = MARKS
  const [halfZ, halfR] = [(right - left) / 2, (top - bottom) / 2]
  const heightAt = ([z, r]: Mm) => bulgeMm * max(1 - ((z - MIDDLE[0]) / halfZ) ** 2, 0) * max(1 - ((r - MIDDLE[1]) / halfR) ** 2, 0)
  return (flat) => {
    let at = flat
    // along the ray: a bulge is low, a few steps do
    for (let i = 0; i < 4; i += 1) {
      const t = heightAt(at) / eye[2]
      at = [flat[0] + (eye[0] - flat[0]) * t, flat[1] + (eye[1] - flat[1]) * t]
    }
    return at
  }
}

/** The homography of a plane so far above the sheet, without the lens's bend. */
function seenPlane(camera: Camera, heightMm = 0): Homography {
  const [azimuth, turn] = [rad(camera.azimuthDeg), rad(camera.turnDeg)]
  const { eye, back } = lensOf(camera)
  // right and down of the picture, across the way it looks
  const side: [number, number, number] = [-sin(azimuth), cos(azimuth), 0]
  const up: [number, number, number] = [
    back[1] * side[2] - back[2] * side[1],
    back[2] * side[0] - back[0] * side[2],
    back[0] * side[1] - back[1] * side[0],
  ]
  const across = side.map((one, i) => one * cos(turn) + up[i]! * sin(turn))
  const down = side.map((one, i) => one * sin(turn) - up[i]! * cos(turn))
  const f = focalPx(camera)
  const [cx, cy] = [camera.width / 2, camera.height / 2]
  const dot = (a: readonly number[], b: readonly number[]) => a[0]! * b[0]! + a[1]! * b[1]! + a[2]! * b[2]!
  const away = back.map((one) => -one)
  const rows = [across, down, away].map((axis) => [axis[0]!, axis[1]!, axis[2]! * heightMm - dot(axis, eye)] as const)
  const h = times([f, 0, cx, 0, f, cy, 0, 0, 1], rows.flat())
  return h.map((one) => one / h[8]!)
}
export const focalPx = ({ width, height, focal35Mm }: Camera): number => (focal35Mm / hypot(36, 24)) * hypot(width, height)

/** How the camera sees a plane so far above the sheet. */
export const seenBy = (camera: Camera, heightMm = 0): SheetMap => ({
  width: camera.width,
  height: camera.height,
  toPicture: seenPlane(camera, heightMm),
  lens: camera.lens ?? 0,
})

const GRID = 16

/**
 * Takes a picture.
 * @param random uniform numbers from 0 to 1: noise and the grain of the table
 */
export function takePicture(camera: Camera, scene: Scene, light: CameraLight = {}, random: () => number = halfway): Grey {
  const blank = printedSheet()
  const sheet: Layer = { ...blank, grey: { ...blank.grey, data: blank.grey.data.slice() } }
  const [across, along] = scene.printed ?? [1, 1]
  // the paper itself may have come out larger
  const scaled: Homography = [across, 0, 0, 0, along, 0, 0, 0, 1]
  const base: { back: Homography; levels: Grey[]; from: Layer }[] = []
  const add = (from: Layer, h: Homography) => {
    const levels = [from.grey]
    while (levels.length < 4) levels.push(halved(levels[levels.length - 1]!))
    base.push({ back: inverse(h), levels, from })
  }
  const lies = (scene.heightMm ?? 0) > 0 || scene.card || scene.laidMm
  // what is drawn on the sheet itself is drawn on a copy
  const over = lies ? layer(CLEAR) : sheet
  if (scene.card) box(over, scene.card.z, scene.card.r, scene.card.shade)
  for (const one of scene.drawn) drawOn(over, one)
  if (lies) {
    const [dz, dr] = scene.laidMm ?? [0, 0]
    add(over, times(seenPlane(camera, scene.heightMm ?? 0), [1, 0, dz, 0, 1, dr, 0, 0, 1]))
  }
  add(sheet, times(seenPlane(camera), scaled))
  const { width, height } = camera
  const map = seenBy(camera)
  const straight = straightener(camera)
  const out = new Float32Array(width * height)
  const [a, b] = [toPx(map, MIDDLE), toPx(map, [MIDDLE[0] + 10, MIDDLE[1]])]
  const pxPerMm = hypot(a[0] - b[0], a[1] - b[1]) / 10
  const level = min(max(floor(log2(PX_PER_MM / pxPerMm)), 0), 3)
  const perMm = PX_PER_MM / 2 ** level
  const table = light.table ?? 96
  const grains = grainsOf(random)
  const bulge = scene.bulgeMm ? bulged(camera, scene.bulgeMm) : undefined
  const raise =
    bulge &&
    ((px: number, py: number): Pair => {
      const [z, r] = bulge([sheet.z0 + px / perMm, sheet.r1 - py / perMm])
      return [(z - sheet.z0) * perMm, (sheet.r1 - r) * perMm]
    })
  const u = new Float64Array(width)
  const v = new Float64Array(width)
  const shine = shineOf(light, width, height)
  for (let y = 0; y < height; y += 1) {
    straight(y, u, v)
    let grain = floor(random() * grains.length)
    for (let x = 0; x < width; x += 1) {
      let shade = -1
      for (const { back, levels, from } of base) {
        const w = back[6]! * u[x]! + back[7]! * v[x]! + back[8]!
        let px = ((back[0]! * u[x]! + back[1]! * v[x]! + back[2]!) / w - from.z0) * perMm
        let py = (from.r1 - (back[3]! * u[x]! + back[4]! * v[x]! + back[5]!) / w) * perMm
        if (raise && from === sheet) [px, py] = raise(px, py)
        const grey = levels[level]!
        if (px < 0 || py < 0 || px >= grey.width || py >= grey.height) continue
        // where little of it is there, what is below shows
        if (from !== sheet && grey.data[floor(py) * grey.width + floor(px)]! < 12) continue
        shade = shadeAt(grey, px, py)
        break
      }
      grain = grain + 1 === grains.length ? 0 : grain + 1
      out[y * width + x] = (shade < 0 ? table + 8 * grains[grain]! : shade) * shine(x, y)
    }
  }
  if (light.blurPx) blur(out, width, height, light.blurPx)
  const data = new Uint8Array(width * height)
  const noise = light.noise ?? 0
  for (let y = 0; y < height; y += 1) {
    let grain = floor(random() * grains.length)
    for (let x = 0; x < width; x += 1) {
      grain = grain + 1 === grains.length ? 0 : grain + 1
      const at = y * width + x
      data[at] = min(max(round(out[at]! + noise * grains[grain]!), 0), 255)
    }
  }
  return { width, height, data }
}

const halfway = (): number => 0.5

/** Standard normal numbers, enough that no two rows look alike: the sum of twelve uniform ones is near enough. */
function grainsOf(random: () => number): Float32Array {
  const out = new Float32Array(16_411)
  for (let i = 0; i < out.length; i += 1) {
    let sum = -6
    for (let k = 0; k < 12; k += 1) sum += random()
    out[i] = sum
  }
  return out
}

/** How much light falls where: worked out on a grid, the same within a square of it. */
function shineOf(light: CameraLight, width: number, height: number): (x: number, y: number) => number {
  const columns = ceil(width / 8) + 1
  const rows = ceil(height / 8) + 1
  const at = new Float32Array(columns * rows)
  for (let j = 0; j < rows; j += 1) for (let i = 0; i < columns; i += 1) at[j * columns + i] = lit(light, (8 * i) / width, (8 * j) / height)
  return (x, y) => at[(y >> 3) * columns + (x >> 3)]!
}

function lit({ shadow, slope = 0 }: CameraLight, x: number, y: number): number {
  const side = 1 - slope * (0.6 * x + 0.4 * y)
  if (!shadow) return side
  const edge = (x + 0.3 * y - shadow.at) / 0.03
  return side * (1 - shadow.depth / (1 + exp(-min(max(edge, -30), 30))))
}

/** Where the pinhole alone would have seen the pixels of a row: exact every few pixels, straight between. */
function straightener(camera: Camera): (y: number, u: Float64Array, v: Float64Array) => void {
  const { width, height, lens = 0, lens4 = 0 } = camera
  const [cx, cy, scale] = [width / 2, height / 2, (width * width + height * height) / 4]
  const exact = (x: number, y: number): [number, number] => {
    if (lens === 0 && lens4 === 0) return [x, y]
    let [u, v] = unbent({ width, height, lens }, [x, y])
    for (let k = 0; k < 6 && lens4 !== 0; k += 1) {
      const q = ((u - cx) ** 2 + (v - cy) ** 2) / scale
      const by = 1 + lens * q + lens4 * q * q
      ;[u, v] = [cx + (x - cx) / by, cy + (y - cy) / by]
    }
    return [u, v]
  }
  return (y, u, v) => {
    for (let from = 0; from < width; from += GRID) {
      const [u0, v0] = exact(from + 0.5, y + 0.5)
      const [u1, v1] = exact(from + GRID + 0.5, y + 0.5)
      for (let i = 0; i < GRID && from + i < width; i += 1) {
        u[from + i] = u0 + ((u1 - u0) * i) / GRID
        v[from + i] = v0 + ((v1 - v0) * i) / GRID
      }
    }
  }
}

function blur(data: Float32Array, width: number, height: number, sigma: number): void {
  const reach = ceil(2.5 * sigma)
  const raw = Array.from({ length: 2 * reach + 1 }, (_, i) => exp(-((i - reach) ** 2) / (2 * sigma * sigma)))
  const sum = raw.reduce((total, one) => total + one, 0)
  const weights = raw.map((one) => one / sum)
  const row = new Float32Array(width + 2 * reach)
  for (let y = 0; y < height; y += 1) {
    const from = y * width
    row.set(data.subarray(from, from + width), reach)
    row.fill(data[from]!, 0, reach).fill(data[from + width - 1]!, width + reach)
    for (let x = 0; x < width; x += 1) {
      let total = 0
      for (let k = 0; k < weights.length; k += 1) total += row[x + k]! * weights[k]!
      data[from + x] = total
    }
  }
  // down: the rows about it are kept as they were
  const kept = Array.from({ length: 2 * reach + 1 }, (_, i) => data.slice(max(i - reach, 0) * width, max(i - reach, 0) * width + width))
  for (let y = 0; y < height; y += 1) {
    const out = data.subarray(y * width, (y + 1) * width)
    out.fill(0)
    kept.forEach((one, k) => {
      const w = weights[k]!
      for (let x = 0; x < width; x += 1) out[x]! += one[x]! * w
    })
    const next = min(y + reach + 1, height - 1)
    const oldest = kept.shift()!
    if (y + reach + 1 < height) oldest.set(data.subarray(next * width, (next + 1) * width))
    else oldest.set(kept[kept.length - 1]!)
    kept.push(oldest)
  }
}
