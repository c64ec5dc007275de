import { outlineOf, type Stretch, type TracedOutline } from '../vision/outline.ts'
import { findMarks, type FourMarks } from '../vision/marks.ts'
import { follow } from '../vision/follow.ts'
import type { Grey, Px } from '../vision/grey.ts'
import { placing, type PicturePlacing } from '../vision/placing.ts'
import type { Printed } from '../vision/printed.ts'
import type { Sure } from '../vision/sure.ts'
import { sheetScale } from '../vision/sheet-scale.ts'
import { readSheet, type SheetReading } from '../vision/read-sheet.ts'
import { MARKS, type Mm } from '../vision/sheet.ts'
import { mmPerPx, toPx } from '../vision/sheet-map.ts'
import { seenBy, takePicture, type Camera, type Scene } from '../vision/simulated-camera.ts'
import { snap, type Traced } from '../vision/snap.ts'

/** Pictures of the sheet as many hands would take them, and a line traced in them as a hand would. */

/** The same numbers every time (mulberry32, T. Ettinger). */
export function numbersFrom(seed: number): () => number {
  let at = seed
  return () => {
    at = (at + 0x6d2b79f5) | 0
    let t = Math.imul(at ^ (at >>> 15), 1 | at)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}
const normalFrom = (random: () => number) => (): number => {
  let sum = -6
  for (let k = 0; k < 12; k += 1) sum += random()
  return sum
}

const SIZES = [
  [2048, 1536],
  [2048, 1536],
  [2592, 1944],
  [2048, 1536],
  [3264, 2448],
  [2048, 1536],
  [2592, 1944],
  [2048, 1536],
  [2048, 1536],
  [4000, 3000],
] as const

/** A camera from anywhere above, with all of the sheet in the picture. */
export function anyCamera(random: () => number, index: number): Camera {
  const [width, height] = SIZES[index % SIZES.length]!
  const camera: Camera = {
    width,
    height,
    focal35Mm: 24 + 8 * random(),
    distanceMm: 330 + 250 * random(),
    tiltDeg: 40 * random(),
    azimuthDeg: 360 * random(),
    turnDeg: 360 * random(),
    lens: (random() - 0.5) * 0.08,
    lens4: (random() - 0.5) * 0.02,
    aimMm: [(random() - 0.5) * 30, (random() - 0.5) * 30],
  }
  const whole = () => {
    const map = seenBy(camera)
    return MARKS.every(([z, r]) =>
      [-8, 8].every((a) =>
        [-8, 8].every((b) => {
          const [x, y] = toPx(map, [z + a, r + b])
          return x > 5 && y > 5 && x < width - 5 && y < height - 5
        }),
      ),
    )
  }
  while (!whole()) camera.distanceMm += 15
  return camera
}

type PictureKind = 'sheet' | 'card' | 'gauge'
interface Case {
  grey: Grey
  camera: Camera
  scene: Scene
  kind: PictureKind
  line: readonly Mm[]
  /** What a hand may know: as it truly is, and as it would be said. */
  heightMm: number
  printed: readonly [number, number]
  laidMm: Mm
  asideMm: number
}
const LINE_MM = 0.5

/** @param laidU standard deviation of how a card is laid */
export function anyPicture(seed: number, line: readonly Mm[], { laidU = 0.15, printU = 0.0015 } = {}): Case {
  const random = numbersFrom(seed)
  const normal = normalFrom(random)
  const camera = anyCamera(random, seed)
  const kind = (['sheet', 'card', 'gauge'] as const)[seed % 3]!
  const heightMm = kind === 'sheet' ? 0 : kind === 'card' ? 1 + 0.2 * normal() : 8 + 0.5 * normal()
  const printed = [1 + printU * normal(), 1 + printU * normal()] as const
  const laidMm: Mm = kind === 'sheet' ? [0, 0] : [laidU * normal(), laidU * normal()]
  const asideMm = kind === 'gauge' ? 0 : (random() - 0.5) * LINE_MM
  const [first, last] = [line[0]!, line[line.length - 1]!]
  const scene: Scene = {
    drawn: [
      kind === 'gauge'
        ? { points: [...line, [last[0], 40], [first[0], 40]], lineMm: 0, filled: 70 }
        : { points: line, lineMm: LINE_MM, asideMm },
    ],
    printed,
    ...(kind === 'sheet' ? {} : { heightMm, laidMm }),
    ...(kind === 'card' ? { card: { z: [-112, 48], r: [16, 190], shade: 206 } } : {}),
  }
  const grey = takePicture(
    camera,
    scene,
    {
      blurPx: 0.6 + 1.2 * random(),
      noise: 2 + 5 * random(),
      shadow: { depth: 0.5 * random(), at: random() },
      slope: 0.3 * random(),
      table: 60 + 150 * random(),
    },
    random,
  )
  return { grey, camera, scene, kind, line, heightMm, printed, laidMm, asideMm }
}

/** Where the lens puts a place, with all of its bend. */
export function seenAt(
  { camera, heightMm, printed, laidMm }: Pick<Case, 'camera' | 'heightMm' | 'printed' | 'laidMm'>,
  [z, r]: Mm,
  kind: PictureKind,
): Px {
  const map = { ...seenBy(camera, heightMm), lens: 0 }
  // what lies on the sheet is as large as it is; what is drawn on it was printed with it
  const [x, y] = toPx(map, kind === 'sheet' ? [z * printed[0], r * printed[1]] : [z + laidMm[0], r + laidMm[1]])
  const [cx, cy] = [camera.width / 2, camera.height / 2]
  const q = ((x - cx) ** 2 + (y - cy) ** 2) / (cx * cx + cy * cy)
  const by = 1 + (camera.lens ?? 0) * q + (camera.lens4 ?? 0) * q * q
  return [cx + (x - cx) * by, cy + (y - cy) * by]
}

interface TracedCase {
  marks: FourMarks | undefined
  reading?: SheetReading
  stretches: Stretch<string>[]
  what: Traced
}

/** A hand that points near each bend, and lets the line be followed between. */
export function traced(one: Case, random: () => number): TracedCase {
  const what: Traced = one.kind === 'gauge' ? 'edge' : 'line'
  const marks = findMarks(one.grey)
  const read = marks && readSheet(one.grey, marks)
  if (!read?.ok) return { marks, stretches: [], what }
  const { map } = read.reading
  const normal = normalFrom(random)
  const { line: at } = one
  const linePx = LINE_MM / mmPerPx(map, toPx(map, [-30, 120]))
  const anchors = at.map((place): Px => {
    const [x, y] = seenAt(one, place, one.kind)
    const near: Px = [x + 2 * normal(), y + 2 * normal()]
    return snap(one.grey, near, 12, what, linePx)?.px ?? near
  })
  const stretches = anchors.slice(1).map((to, i) => {
    const from = anchors[i]!
    const way = follow(one.grey, from, to, what, linePx)
    return { tag: String(i), points: [from, ...(way.ok ? way.points : []), to].map((px) => ({ px, snapped: true })) }
  })
  return { marks, reading: read.reading, stretches, what }
}

/** The outline of a traced case, with what a hand says of sheet and thickness. */
export function outlined(
  { reading, stretches, what }: TracedCase,
  said: { heightMm: Sure; printedMm: Printed; laid: boolean; focal35Mm?: number },
): { outline: TracedOutline<string>; placing: PicturePlacing } | undefined {
  if (!reading || stretches.length === 0) return undefined
  const scale = sheetScale(reading, said.focal35Mm, said)
  const found = placing(scale, { by: 'sheet', laid: said.laid, mirrored: false }, stretches[0]!.points[0]!.px)
  if (!found.ok) return undefined
  const outline = outlineOf(stretches, found.placing, what === 'line' ? LINE_MM : 0)
  return outline && { outline, placing: found.placing }
}

/** From the nearest place of a line to a point, and how far it is to the left of it, mm. */
export function offLine(point: Mm, line: readonly Mm[]): { by: [number, number]; mm: number; left: number } {
  let best = { by: [0, 0] as [number, number], mm: Infinity, left: 0 }
  line.slice(1).forEach((b, i) => {
    const a = line[i]!
    const [dz, dr] = [b[0] - a[0], b[1] - a[1]]
    const t = Math.min(Math.max(((point[0] - a[0]) * dz + (point[1] - a[1]) * dr) / (dz * dz + dr * dr), 0), 1)
    const by: [number, number] = [point[0] - a[0] - t * dz, point[1] - a[1] - t * dr]
    const mm = Math.hypot(...by)
    if (mm < best.mm) best = { by, mm, left: (dz * by[1] - dr * by[0]) / Math.hypot(dz, dr) }
  })
  return best
}
