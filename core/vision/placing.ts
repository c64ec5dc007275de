import { EigenvalueDecomposition } from 'ml-matrix'
import { homographyOf } from './homography.ts'
import type { Px } from './grey.ts'
import { raised, type Focal } from './pose.ts'
import { mapOf, numbersOf, type SheetReading } from './read-sheet.ts'
import type { Mm } from './sheet.ts'
import { mmOf, type SheetMap } from './sheet-map.ts'
import { printedWays, type Printed } from './printed.ts'
import type { Sure } from './sure.ts'

/** How millimetres are known in a picture. */
export type PictureScale =
  | {
      by: 'sheet'
      reading: SheetReading
      focal: Focal
      /** How far above the sheet the traced line lies, mm. */
      heightMm: Sure
      /** What 100 mm of the sheet came out of the printer as, mm, across the paper and along it. */
      printedMm: Printed
    }
  /** A drawing seen straight: two places of it, and how far apart they are, mm. */
  | { by: 'two'; from: Px; to: Px; apartMm: Sure; size: { width: number; height: number } }
  /** A drawing seen aslant: the corners of a rectangle of it, round from its lower left as it should be looked at. */
  | { by: 'corners'; corners: readonly [Px, Px, Px, Px]; wideMm: Sure; highMm: Sure; size: { width: number; height: number } }

/** Where hub axis and seat (or hub pad) are, and on which side the street is. */
export type Datum =
  /** On the lines that are printed: what lies on them was laid to them by eye. */
  | { by: 'sheet'; laid: boolean; mirrored: boolean }
  /** Two places on each line. */
  | { by: 'clicks'; axis: readonly [Px, Px]; seat: readonly [Px, Px]; mirrored: boolean }

/** Standard uncertainty of a place that was pointed at by hand, at the least, or drawn to a line or edge, px. */
export const U_POINTED_PX = 1
export const U_SNAPPED_PX = 0.35
/**
 * Where nothing of the sheet is seen, a lens that one coefficient does not describe is off by about twice what it is off at
 * the places that are (simulated lenses with a term of the fourth power).
 */
const INSIDE = 2
/** Where dots inside are seen, what lies between them may be off by somewhat more than they are. */
const INSIDE_SEEN = 1.5
/** How well a card is laid to a printed line by eye, mm. */
const U_LAID_MM = 0.15

/** All that a place in millimetres is worked out from. */
interface Inputs {
  /** The map of the plane of the sheet, as nine numbers. */
  numbers: readonly number[]
  lnFocal: number
  heightMm: number
  printed: readonly [number, number]
  scale: readonly Px[]
  lengths: readonly number[]
  datum: readonly Px[]
  laid: Mm
}
export type Placer = (px: Px) => [z: number, r: number]
/** What a place is doubtful for. */
export type Doubtful = 'marks' | 'thickness' | 'print' | 'laid' | 'scale' | 'lines'
interface ErrorSource {
  of: Doubtful
  place: Placer
}
export interface PicturePlacing {
  place: Placer
  /** The same with one thing it goes by off by its standard uncertainty, for each that is doubtful. */
  ways: readonly ErrorSource[]
  /** What is off where the map does not describe the picture, mm. */
  floorMm: number
  /** How far seat and axis are from square, degrees, where both were pointed at. */
  offSquareDeg?: number
}
type PlacingResult = { ok: true; placing: PicturePlacing } | { ok: false; message: string }

/** Places of the plane on which the line lies, before axis and seat are known: mm, y upwards. */
function planeOf(scale: PictureScale, inputs: Inputs): Placer | undefined {
  if (scale.by === 'sheet') {
    const map = raised(mapOf(scale.reading.map, inputs.numbers), inputs.heightMm, Math.exp(inputs.lnFocal))
    const mm = mmOf(map)
    const [across, along] = inputs.printed
    return (px) => {
      const [z, r] = mm(px)
      return [z * across, r * along]
    }
  }
  if (scale.by === 'two') {
    const [from, to] = inputs.scale as [Px, Px]
    const px = Math.hypot(to[0] - from[0], to[1] - from[1])
    if (!(px > 2)) return undefined
    const by = inputs.lengths[0]! / px
    return ([x, y]) => [(x - from[0]) * by, (from[1] - y) * by]
  }
  const [wide, high] = inputs.lengths as [number, number]
  const toPicture = homographyOf(
    [
      [0, 0],
      [wide, 0],
      [wide, high],
      [0, high],
    ],
    [...inputs.scale],
  )
  if (!toPicture) return undefined
  const map: SheetMap = { toPicture, lens: 0, ...scale.size }
  return mmOf(map)
}

/** From a plane to axis and seat. */
function frameOf(plane: Placer, datum: Datum, inputs: Inputs, radiiAt: Px): { place: Placer; offSquareDeg?: number } | undefined {
  const flip = datum.mirrored ? -1 : 1
  if (datum.by === 'sheet')
    return {
      place: (px) => {
        const [z, r] = plane(px)
        return [flip * (z + inputs.laid[0]), r + inputs.laid[1]]
      },
    }
  const [a, b, c, d] = inputs.datum.map(plane) as unknown as [Mm, Mm, Mm, Mm]
  const [axis, seat] = [
    [b[0] - a[0], b[1] - a[1]],
    [d[0] - c[0], d[1] - c[1]],
  ] as [Mm, Mm]
  const [l, m] = [Math.hypot(...axis), Math.hypot(...seat)]
  if (!(l > 1) || !(m > 1)) return undefined
  // where they cross
  const cross = axis[0] * seat[1] - axis[1] * seat[0]
  const sine = Math.abs(cross) / (l * m)
  if (sine < 0.5) return undefined
  const t = ((c[0] - a[0]) * seat[1] - (c[1] - a[1]) * seat[0]) / cross
  const origin: Mm = [a[0] + t * axis[0], a[1] + t * axis[1]]
  // along the axis: the longer of the two lines counts for more
  let along: Mm = [axis[0] * l, axis[1] * l]
  const turned: Mm = [seat[1] * m, -seat[0] * m]
  const same = along[0] * turned[0] + along[1] * turned[1] >= 0 ? 1 : -1
  along = [along[0] + same * turned[0], along[1] + same * turned[1]]
  const length = Math.hypot(...along)
  let [uz, ur] = [along[0] / length, along[1] / length]
  // radii grow towards what is traced, the street is to the right of them
  const at = plane(radiiAt)
  const up = -ur * (at[0] - origin[0]) + uz * (at[1] - origin[1])
  if (up < 0) [uz, ur] = [-uz, -ur]
  return {
    offSquareDeg: 90 - (Math.asin(Math.min(sine, 1)) * 180) / Math.PI,
    place: (px) => {
      const [x, y] = plane(px)
      return [flip * ((x - origin[0]) * uz + (y - origin[1]) * ur), -ur * (x - origin[0]) + uz * (y - origin[1])]
    },
  }
}

/** The directions in which the map may be off without being told, each by its standard uncertainty. */
function mapWays({ map, spread }: SheetReading): number[][] {
  const numbers = numbersOf(map)
  const { realEigenvalues, eigenvectorMatrix } = new EigenvalueDecomposition(spread, { assumeSymmetric: true })
  return realEigenvalues
    .map((variance, j) => ({ variance, by: eigenvectorMatrix.getColumn(j) }))
    .filter(({ variance }) => variance > 0)
    .map(({ variance, by }) => numbers.map((one, i) => one + Math.sqrt(variance) * (by[i] ?? 0)))
}

/**
 * From pixels to the seat frame (or the wheel's), with all the ways in which that may be off.
 * @param radiiAt a place of what is traced: radii grow towards it where axis and seat were pointed at
 * @param pointedPx how well places of scale and datum were pointed at: no better than a pixel of what was seen then
 */
export function placing(scale: PictureScale, datum: Datum, radiiAt: Px, pointedPx = U_POINTED_PX): PlacingResult {
  const uPx = Math.max(pointedPx, U_POINTED_PX)
  const base: Inputs = {
    numbers: scale.by === 'sheet' ? numbersOf(scale.reading.map) : [],
    lnFocal: scale.by === 'sheet' ? Math.log(scale.focal.px) : 0,
    heightMm: scale.by === 'sheet' ? scale.heightMm.value : 0,
    printed: scale.by === 'sheet' ? [scale.printedMm.across.value / 100, scale.printedMm.along.value / 100] : [1, 1],
    scale: scale.by === 'two' ? [scale.from, scale.to] : scale.by === 'corners' ? scale.corners : [],
    lengths: scale.by === 'two' ? [scale.apartMm.value] : scale.by === 'corners' ? [scale.wideMm.value, scale.highMm.value] : [],
    datum: datum.by === 'clicks' ? [...datum.axis, ...datum.seat] : [],
    laid: [0, 0],
  }
  const made = (inputs: Inputs) => {
    const plane = planeOf(scale, inputs)
    return plane && frameOf(plane, datum, inputs, radiiAt)
  }
  const first = made(base)
  if (!planeOf(scale, base)) return { ok: false, message: 'The two places of the scale are one: put them further apart.' }
  if (!first) return { ok: false, message: 'Axis and mounting face must cross at about a right angle. Put two points far apart on each.' }
  const off: { of: Doubtful; inputs: Inputs }[] = []
  const add = (of: Doubtful, change: Partial<Inputs>) => off.push({ of, inputs: { ...base, ...change } })
  if (scale.by === 'sheet') {
    for (const numbers of mapWays(scale.reading)) add('marks', { numbers })
    if (base.heightMm !== 0) add('thickness', { lnFocal: base.lnFocal + scale.focal.uLn })
    if (scale.heightMm.u > 0) add('thickness', { heightMm: base.heightMm + scale.heightMm.u })
    for (const [across, along] of printedWays(scale.printedMm))
      add('print', { printed: [base.printed[0] + across / 100, base.printed[1] + along / 100] })
  }
  const lengthU = scale.by === 'two' ? [scale.apartMm.u] : scale.by === 'corners' ? [scale.wideMm.u, scale.highMm.u] : []
  lengthU.forEach((u, i) => add('scale', { lengths: base.lengths.map((one, k) => (k === i ? one + u : one)) }))
  const nudged = (list: readonly Px[]): Px[][] =>
    list.flatMap((_, k) =>
      (
        [
          [uPx, 0],
          [0, uPx],
        ] as const
      ).map(([x, y]) => list.map((one, i): Px => (i === k ? [one[0] + x, one[1] + y] : one))),
    )
  for (const moved of nudged(base.scale)) add('scale', { scale: moved })
  for (const moved of nudged(base.datum)) add('lines', { datum: moved })
  if (datum.by === 'sheet' && datum.laid) {
    add('laid', { laid: [U_LAID_MM, 0] })
    add('laid', { laid: [0, U_LAID_MM] })
  }
  const ways = off.flatMap(({ of, inputs }): ErrorSource[] => {
    const moved = made(inputs)
    return moved ? [{ of, place: moved.place }] : []
  })
  return {
    ok: true,
    placing: {
      place: first.place,
      ways,
      floorMm: scale.by === 'sheet' ? Math.max(INSIDE * scale.reading.rmsMm, INSIDE_SEEN * (scale.reading.insideMm ?? 0)) : 0,
      ...(first.offSquareDeg === undefined ? {} : { offSquareDeg: first.offSquareDeg }),
    },
  }
}
