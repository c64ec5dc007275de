import { expose, transfer } from 'comlink'
import { greyOf, type Grey, type Px } from '../../core/vision/grey.ts'
import { findMarks, orderedMarks, type FourMarks } from '../../core/vision/marks.ts'
import { BELOW_AXIS_MM, inOrder, outlineOf, type Stretch, type TracedOutline } from '../../core/vision/outline.ts'
import { placing, type Datum, type PictureScale } from '../../core/vision/placing.ts'
import type { Printed } from '../../core/vision/printed.ts'
import { seenUneven, sheetScale } from '../../core/vision/sheet-scale.ts'
import type { Sure } from '../../core/vision/sure.ts'
import { poseOf, lensOver, type Focal } from '../../core/vision/pose.ts'
import { readSheet, type Seen, type SheetReading } from '../../core/vision/read-sheet.ts'
import { FIELD } from '../../core/vision/sheet.ts'
import { mmPerPx, toPx } from '../../core/vision/sheet-map.ts'
import { takePicture, type DrawnScene } from '../../core/vision/simulated-camera.ts'
import { follow, type Followed } from '../../core/vision/follow.ts'
import { snap, type Traced } from '../../core/vision/snap.ts'
import { extentOf, straightened, type Extent } from '../../core/vision/straightened.ts'
import { checkPicture } from '../pictures/check-picture.ts'
import { openPage } from '../pictures/pdf-page.ts'

/** A picture of more pixels is looked at smaller. */
const MOST_PX = 16e6
/** What is shown of it: no wider or higher than this. */
const SHOWN_PX = 2000
const KEPT_PX = [900, 700, 500]
/** As text in the project, with a little to spare. */
const MOST_SIGNS = 155_000

export interface Opened {
  ok: true
  width: number
  height: number
  shown: ImageBitmap
  /** Of a PDF. */
  pages?: number
}
export type OpenPicture = Opened | { ok: false; message: string }
export type ReadMarks =
  | {
      ok: true
      marks: FourMarks
      residualMm: number
      rmsMm: number
      leftOut: number
      seen: Pick<Seen, 'what' | 'px' | 'offMm'>[]
      /** Hub axis and seat in the picture: their ends. */
      axis: [Px, Px]
      seat: [Px, Px]
      lensMm: number
      tiltDeg: number
      focalFrom: Focal['from']
      /** How uneven the print is as the picture alone shows it: ln of across over along. */
      uneven: Sure
      mmPerPx: number
    }
  | { ok: false; message: string; residualMm?: number }
/** A scale as the page knows it: of the sheet only what was entered. */
export type AskedScale =
  | { by: 'sheet'; heightMm: Sure; printedMm: Printed }
  | Omit<Extract<PictureScale, { by: 'two' }>, 'size'>
  | Omit<Extract<PictureScale, { by: 'corners' }>, 'size'>
export interface PictureRequest<Tag extends string = string> {
  scale: AskedScale
  datum: Datum
  stretches: Stretch<Tag>[]
  lineMm: number
  /** How well places of scale, axis and seat were pointed at, px. */
  pointedPx: number
  /** A wheel's, which goes from the barrel to the hub pad. */
  profile: boolean
}
export type Outlined<Tag extends string = string> =
  { ok: true; outline: TracedOutline<Tag>; offSquareDeg?: number } | { ok: false; message: string }

let bitmap: ImageBitmap | undefined
let grey: Grey | undefined
let reading: SheetReading | undefined
let focal35Mm: number | undefined

function draw(source: ImageBitmap, width: number, height: number): OffscreenCanvasRenderingContext2D {
  const canvas = new OffscreenCanvas(width, height)
  const paper = canvas.getContext('2d', { willReadFrequently: true })!
  paper.fillStyle = '#fff'
  paper.fillRect(0, 0, width, height)
  paper.drawImage(source, 0, 0, width, height)
  return paper
}

/** Takes a picture in hand: what was there before is gone only when the new one can be read. */
async function keep(next: ImageBitmap, pages?: number): Promise<Opened> {
  const { width, height } = next
  const pixels = draw(next, width, height).getImageData(0, 0, width, height)
  bitmap?.close()
  bitmap = next
  grey = greyOf(pixels.data, width, height)
  reading = undefined
  const by = Math.min(1, SHOWN_PX / Math.max(width, height))
  const shown = await createImageBitmap(next, {
    resizeWidth: Math.max(Math.round(width * by), 1),
    resizeHeight: Math.max(Math.round(height * by), 1),
    resizeQuality: 'medium',
  })
  return transfer({ ok: true as const, width, height, shown, ...(pages === undefined ? {} : { pages }) }, [shown])
}

function whole(scale: AskedScale): PictureScale | undefined {
  if (!grey) return undefined
  if (scale.by === 'sheet') return reading && sheetScale(reading, focal35Mm, scale)
  return { ...scale, size: { width: grey.width, height: grey.height } }
}

function placed({ scale, datum, stretches, pointedPx }: PictureRequest) {
  const known = whole(scale)
  if (!known) return { ok: false as const, message: 'First put the four marks on their rings.' }
  const all = stretches.flatMap((one) => one.points)
  return placing(known, datum, all[all.length >> 1]?.px ?? [0, 0], pointedPx)
}

const api = {
  async open(file: Blob, name: string, page = 1): Promise<OpenPicture> {
    const checked = await checkPicture(file, name)
    if (!checked.ok) return checked
    focal35Mm = checked.focal35Mm
    if (checked.kind === 'pdf') {
      const found = await openPage(file, name, page)
      return found.ok ? keep(found.bitmap, found.pages) : found
    }
    const by = Math.min(1, Math.sqrt(MOST_PX / (checked.width * checked.height)))
    try {
      return await keep(
        await createImageBitmap(file, by < 1 ? { resizeWidth: Math.round(checked.width * by), resizeQuality: 'high' } : undefined),
      )
    } catch {
      return { ok: false, message: `${name} is damaged or cut short. Copy it from the camera again.` }
    }
  },
  /** A picture as a camera over the sheet would have taken it, of a line drawn on it. */
  async example(drawn: DrawnScene[]): Promise<OpenPicture> {
    focal35Mm = 26
    let seed = 7
    const random = () => (seed = (seed * 48271) % 2147483647) / 2147483647
    const camera = {
      width: 1944,
      height: 2592,
      focal35Mm: 26,
      distanceMm: 285,
      tiltDeg: 17,
      azimuthDeg: 250,
      turnDeg: 23,
      lens: 0.02,
      aimMm: [2, 4] as const,
    }
    const made = takePicture(camera, { drawn }, { blurPx: 0.9, noise: 3, slope: 0.2, shadow: { depth: 0.3, at: 0.85 }, table: 104 }, random)
    const rgba = new Uint32Array(made.data.length)
    for (let i = 0; i < rgba.length; i += 1) rgba[i] = 0xff000000 | (made.data[i]! * 0x010101)
    return keep(await createImageBitmap(new ImageData(new Uint8ClampedArray(rgba.buffer), made.width, made.height)))
  },
  findMarks: (): FourMarks | undefined => grey && findMarks(grey),
  /** @param exact as they were put by hand */
  readMarks(marks: FourMarks, exact: boolean): ReadMarks {
    if (!grey) return { ok: false, message: 'There is no picture yet.' }
    reading = undefined
    const ordered = orderedMarks(grey, marks)
    const found = readSheet(grey, ordered, exact)
    if (!found.ok) return found
    reading = found.reading
    const { map } = reading
    const { focal } = poseOf(map, reading.spread, focal35Mm)
    const { heightMm, tiltDeg } = lensOver(map, focal.px)
    return {
      ok: true,
      marks: exact ? ordered : (reading.seen.filter((one) => one.what === 'mark').map((one) => one.px) as unknown as FourMarks),
      residualMm: reading.residualMm,
      rmsMm: reading.rmsMm,
      leftOut: reading.leftOut,
      seen: reading.seen.map(({ what, px, offMm }) => ({ what, px, offMm })),
      axis: [toPx(map, [FIELD.z[0], 0]), toPx(map, [FIELD.z[1], 0])],
      seat: [toPx(map, [0, 0]), toPx(map, [0, FIELD.r[1]])],
      lensMm: heightMm,
      tiltDeg,
      focalFrom: focal.from,
      uneven: seenUneven(reading, focal35Mm),
      mmPerPx: mmPerPx(map, toPx(map, [-30, 120])),
    }
  },
  snap: (px: Px, reachPx: number, what: Traced, linePx: number) => grey && snap(grey, px, reachPx, what, linePx),
  follow: (from: Px, to: Px, what: Traced, linePx: number): Followed =>
    grey ? follow(grey, from, to, what, linePx) : { ok: false, message: 'There is no picture yet.' },
  /** A piece of the picture about a place, one pixel of it so many of the piece. */
  async piece([x, y]: Px, sizePx: number, by: number): Promise<ImageBitmap | undefined> {
    if (!bitmap) return undefined
    const canvas = new OffscreenCanvas(sizePx, sizePx)
    const paper = canvas.getContext('2d')!
    paper.imageSmoothingEnabled = by < 4
    paper.fillStyle = '#777'
    paper.fillRect(0, 0, sizePx, sizePx)
    const half = sizePx / by / 2
    paper.drawImage(bitmap, x - half, y - half, 2 * half, 2 * half, 0, 0, sizePx, sizePx)
    const piece = await createImageBitmap(canvas)
    return transfer(piece, [piece])
  },
  outline<Tag extends string>(asked: PictureRequest<Tag>): Outlined<Tag> {
    const found = placed(asked)
    if (!found.ok) return found
    const outline = outlineOf(asked.stretches, found.placing, asked.lineMm)
    if (!outline) return { ok: false, message: 'Two places at least make a line.' }
    if (outline.lowestMm < -BELOW_AXIS_MM)
      return { ok: false, message: 'The line is below the hub axis. Check the positions of axis and mounting face.' }
    const { offSquareDeg } = found.placing
    return { ok: true, outline: inOrder(outline, asked.profile), ...(offSquareDeg === undefined ? {} : { offSquareDeg }) }
  },
  /** The picture behind an outline as seen from straight above, small enough to keep. */
  async behind(asked: PictureRequest, points: [number, number][]): Promise<({ jpeg: string } & Extent) | undefined> {
    const found = placed(asked)
    if (!found.ok || !bitmap) return undefined
    const extent = extentOf(points)
    const near = asked.stretches[0]!.points[0]!.px
    // what is kept is small: half as many pixels are enough to take it from
    const by = Math.min(1, 2400 / Math.max(bitmap.width, bitmap.height))
    const [width, height] = [Math.max(Math.round(bitmap.width * by), 1), Math.max(Math.round(bitmap.height * by), 1)]
    const small = draw(bitmap, width, height).getImageData(0, 0, width, height)
    const place = (px: Px) => found.placing.place([px[0] / by, px[1] / by])
    for (const longest of KEPT_PX) {
      const flat = straightened(small, place, extent, longest, [near[0] * by, near[1] * by])
      const canvas = new OffscreenCanvas(flat.width, flat.height)
      const pixels = new ImageData(flat.width, flat.height)
      pixels.data.set(flat.data)
      canvas.getContext('2d')!.putImageData(pixels, 0, 0)
      const blob = await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.6 })
      const jpeg = await textOf(blob)
      if (jpeg.length <= MOST_SIGNS) return { jpeg, ...extent }
    }
    return undefined
  },
}

function textOf(blob: Blob): Promise<string> {
  return new Promise((done, fail) => {
    const reader = new FileReader()
    reader.onload = () => done(reader.result as string)
    reader.onerror = () => fail(new Error('the picture could not be written'))
    reader.readAsDataURL(blob)
  })
}

export type PictureApi = typeof api

expose(api)
