import type { Point } from '../clearance/maths/polyline.ts'
import type { Corner } from '../clearance/half-section.ts'
import { formatQuantity } from '../quantity/format.ts'
import type { UnitChoice } from '../quantity/units.ts'
import { line, scale, ticks, word, type VectorDrawing, type DrawingMark } from './drawing.ts'

const WIDTH = 480
const MOST_HEIGHT = 330
const MARGIN = { top: 26, right: 20, bottom: 40, left: 46 }
/** Below this radius nothing of wheel or caliper lies, mm. */
const LOWEST_RADIUS_MM = 40
/** How wide the rim of a wheel is drawn: what is measured is its inside, mm. */
const WALL_MM = 5

/**
 * The half section of one corner to scale: rotor, caliper, wheel and the place where they are nearest, seat frame. Undefined
 * where neither an outline nor a profile is known.
 * @param clearanceWords the figure as it is said elsewhere, with its bound
 */
export function halfSection(
  corner: Corner,
  units: UnitChoice,
  clearanceWords: string,
): { drawing: VectorDrawing; scaleWords: string } | undefined {
  const spacer = corner.spacerMm ?? 0
  const wheel = corner.wheel?.points.map(([z, r]): Point => [z + spacer, r])
  const calipers = (corner.caliper ?? []).map((one) => one.points as readonly Point[])
  if (!wheel && calipers.length === 0) return undefined
  const all = [...calipers.flat(), ...(wheel ?? []), ...((corner.rotor?.ring ?? []) as readonly Point[])]
  const zRange = [Math.min(...all.map(([z]) => z)) - 8, Math.max(...all.map(([z]) => z)) + 14] as const
  const rRange = [Math.min(LOWEST_RADIUS_MM, ...all.map(([, r]) => r)), Math.max(...all.map(([, r]) => r)) + 10] as const
  const perMm = Math.min(
    (WIDTH - MARGIN.left - MARGIN.right) / (zRange[1] - zRange[0]),
    (MOST_HEIGHT - MARGIN.top - MARGIN.bottom) / (rRange[1] - rRange[0]),
  )
  const [w, h] = [(zRange[1] - zRange[0]) * perMm, (rRange[1] - rRange[0]) * perMm]
  const left = MARGIN.left + (WIDTH - MARGIN.left - MARGIN.right - w) / 2
  const bottom = MARGIN.top + h
  const z = scale(zRange, [left, left + w])
  const r = scale(rRange, [bottom, MARGIN.top])
  const at = ([a, b]: Point): Point => [z(a), r(b)]
  const marks: DrawingMark[] = []
  for (const value of ticks(...zRange, 6)) {
    const shown = formatQuantity(value, 'length', units, { bare: true, decimals: units.length === 'in' ? 1 : 0 })
    marks.push(line([z(value), bottom], [z(value), bottom + 4], 'thin'), word([z(value), bottom + 14], shown, 8, { anchor: 'middle' }))
  }
  for (const value of ticks(...rRange, 5)) {
    const shown = formatQuantity(value, 'length', units, { bare: true, decimals: units.length === 'in' ? 1 : 0 })
    marks.push(line([left - 4, r(value)], [left, r(value)], 'thin'), word([left - 7, r(value) + 3], shown, 8, { anchor: 'end' }))
  }
  marks.push(line([left, bottom], [left + w, bottom], 'thin'), line([left, bottom], [left, MARGIN.top], 'thin'))
  marks.push(word([left + w, bottom + 28], `outboard from the wheel mounting face, ${units.length}`, 8.5, { anchor: 'end' }))
  marks.push(word([4, 10], `radius, ${units.length}`, 8.5))
  if (0 >= zRange[0] && 0 <= zRange[1]) marks.push(line([z(0), bottom], [z(0), MARGIN.top], 'dotted'))
  for (const body of corner.rotor ? [corner.rotor.ring, corner.rotor.hat ?? []] : [])
    if (body.length > 2)
      marks.push({
        kind: 'path',
        closed: true,
        ink: 'thin',
        shade: 'middle',
        points: body.map(([a, b]): Point => at([a, Math.max(b, rRange[0])])),
      })
  for (const outline of calipers) marks.push({ kind: 'path', ink: 'strong', points: outline.map(at) })
  if (wheel) {
    marks.push({ kind: 'path', ink: 'line', points: wheel.map(at) })
    marks.push({ kind: 'path', ink: 'thin', points: beside(wheel, WALL_MM).map(at) })
  }
  const { gap } = corner
  if (gap && corner.spacerMm !== undefined) {
    const [from, to] = [at(gap.caliperPoint), at(gap.wheelPoint)]
    marks.push(line(from, to, 'strong'), { kind: 'dot', at: from, radius: 2.2 }, { kind: 'dot', at: to, radius: 2.2 })
    const x = Math.min(Math.max(to[0], left + 60), left + w - 60)
    marks.push(
      line([x, MARGIN.top - 4], to, 'thin'),
      word([x, MARGIN.top - 8], `minimum clearance ${clearanceWords}`, 9, { anchor: 'middle', strong: true }),
    )
  }
  // on paper of usual size the drawing is as wide as the text: 480 units are 170 mm
  const ratio = 1 / ((perMm * 170) / WIDTH)
  return { drawing: { width: WIDTH, height: bottom + MARGIN.bottom, marks }, scaleWords: `about 1 : ${ratio.toFixed(1)} on A4` }
}

/** The line moved to its left by a thickness, for the eye. */
function beside(points: readonly Point[], thickness: number): Point[] {
  return points.map(([z, r], i): Point => {
    const before = points[Math.max(i - 1, 0)]!
    const after = points[Math.min(i + 1, points.length - 1)]!
    const [dz, dr] = [after[0] - before[0], after[1] - before[1]]
    const length = Math.hypot(dz, dr) || 1
    return [z - (dr / length) * thickness, r + (dz / length) * thickness]
  })
}
