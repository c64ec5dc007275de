import type { WheelTag } from '../../maths/section.ts'
import { axisGap } from './axis-gap.ts'
import { closest, segmentDistance } from './distance.ts'
import type { Point } from './polyline.ts'
import type { PreparedCaliper, PreparedWheel } from './outline.ts'
import { penetration } from './penetration.ts'
import { visitPairs } from './segment-tree.ts'

export interface Gap {
  /** Least distance of caliper and wheel, mm; minus the depth of the overlap when they cross. */
  minGapMm: number
  overlaps: boolean
  /** Least axial distance to the spoke back at equal radius; undefined without a common radius. */
  faceGapMm: number | undefined
  /** Least radial distance to the barrel at equal z; undefined without a common z. */
  barrelGapMm: number | undefined
  limitingTag: WheelTag
  limitingOutline: string
  /** The two closest points, both in the seat frame. */
  caliperPoint: Point
  wheelPoint: Point
}

/**
 * The gap between a caliper and a wheel on a spacer. The wheel turns and the caliper does not, so the
 * half-plane section decides: least distance of two polylines, found by branch and bound.
 *
 * @param caliper outlines in the seat frame
 * @param wheel profile in the wheel frame
 * @param spacerMm z_seat = z_wheel + spacer
 * @throws RangeError when a side has no segment
 * @throws TooMuch when the caliper's effort is spent
 */
export function gap(caliper: PreparedCaliper, wheel: PreparedWheel, spacerMm = 0): Gap {
  if (wheel.all.count === 0 || caliper.outlines.every((outline) => outline.tree.count === 0)) {
    throw new RangeError('a clearance needs two outlines of at least two points')
  }
  const { effort } = caliper
  const record = closest()
  let squared = Infinity
  let outlineAt = 0
  let segmentAt = 0
  let az = 0,
    ar = 0,
    bz = 0,
    br = 0
  let faceGapMm: number | undefined
  let barrelGapMm: number | undefined

  caliper.outlines.forEach(({ tree }, outline) => {
    const { segments: cs, boxes: cb } = tree
    const { segments: ws, boxes: wb } = wheel.all
    const bound = (a: number, b: number): number => {
      const dz = Math.max(cb[a * 4]! - wb[b * 4 + 2]! - spacerMm, wb[b * 4]! + spacerMm - cb[a * 4 + 2]!, 0)
      const dr = Math.max(cb[a * 4 + 1]! - wb[b * 4 + 3]!, wb[b * 4 + 1]! - cb[a * 4 + 3]!, 0)
      return dz * dz + dr * dr
    }
    const visit = (i: number, j: number): void => {
      const c = i * 4
      const w = j * 4
      segmentDistance(cs[c]!, cs[c + 1]!, cs[c + 2]!, cs[c + 3]!, ws[w]! + spacerMm, ws[w + 1]!, ws[w + 2]! + spacerMm, ws[w + 3]!, record)
      // equal distances: the first wheel segment, then the first outline
      if (record.squared < squared || (record.squared === squared && j < segmentAt)) {
        squared = record.squared
        outlineAt = outline
        segmentAt = j
        az = record.az
        ar = record.ar
        bz = record.bz
        br = record.br
      }
    }
    visitPairs(tree, wheel.all, bound, (least) => least <= squared, visit, effort)
    faceGapMm = lesser(faceGapMm, axisGap(tree, wheel.face, 'axial', spacerMm, effort))
    barrelGapMm = lesser(barrelGapMm, axisGap(tree, wheel.barrel, 'radial', spacerMm, effort))
  })

  const overlaps = squared === 0 || (faceGapMm ?? 0) < 0 || (barrelGapMm ?? 0) < 0
  if (!overlaps) return done(Math.sqrt(squared), segmentAt, outlineAt, [az, ar], [bz, br])

  const deep = penetration(caliper, wheel, spacerMm)
  if (deep) return done(-deep.depthMm, deep.segment, deep.outline, deep.caliper, deep.wheel)
  // edges cross without a vertex beyond: what the axes say, or a bare touch
  return done(Math.min(faceGapMm ?? 0, barrelGapMm ?? 0, 0), segmentAt, outlineAt, [az, ar], [bz, br])

  function done(minGapMm: number, segment: number, outline: number, caliperPoint: Point, wheelPoint: Point): Gap {
    return {
      minGapMm,
      overlaps,
      faceGapMm,
      barrelGapMm,
      limitingTag: wheel.tags[segment]!,
      limitingOutline: caliper.outlines[outline]!.name,
      caliperPoint,
      wheelPoint,
    }
  }
}

const lesser = (a: number | undefined, b: number | undefined): number | undefined =>
  a === undefined ? b : b === undefined ? a : Math.min(a, b)
