import type { WheelTag } from '../../maths/section.ts'
import { axialSteps, radiusSteps, type CurveSteps } from './envelope.ts'
import type { Mesh } from './mesh.ts'
import { openEdges } from './open-edges.ts'
import { safeLine } from './safe-line.ts'

/** The line that decides whether a scanned part touches, in the half section: points z, r in mm with their uncertainties. */
export interface ScannedLine {
  points: [z: number, r: number][]
  /** Standard uncertainty of each point, mm. */
  doubts: [z: number, r: number][]
  tags: WheelTag[]
  /** The line is off the mesh by at most this, on the safe side, mm. */
  toleranceMm: number
  /** Length of the line where the scan has holes, mm: what is there is unknown. */
  notScannedMm: number
}
/** Standard uncertainties of a point of the half section, mm. */
export type PointUncertainty = (z: number, r: number) => [zMm: number, rMm: number]

/** Width of the steps and tolerance of the line, mm: together the line is off by no more than 0.02. */
const STEP_MM = 0.01
const TOLERANCE_MM = 0.01
/** More steps than this help nobody. */
const MOST_STEPS = 40_000
/** Points of one line: an outline has 2,000 at most. */
const MOST_POINTS = 900
/** Where the scan has a hole: the place may be anywhere near, mm. */
const NOT_SCANNED_U_MM = 10
/** An open edge so near to the line is one of a hole in it, mm. */
const HOLE_REACH_MM = 2

const stepFor = (reach: number): number => Math.max(STEP_MM, reach / MOST_STEPS)

/** What reaches no further outboard than this is behind the wheel mounting face, mm: a wheel is never there. */
const BEHIND_FACE_MM = 1

/**
 * The outer envelope of a caliper that was scanned: from inboard over the top, then down its outboard face to where it falls back
 * behind the wheel mounting face. What is nearer to the axis, such as the rotor's hat in the same scan, is left out.
 *
 * @param mesh in the frame of the mounting face: the hub axis is z, outboard positive, mm
 * @param surface what was scanned in all, where the mesh is a piece of it: where a piece was cut off it goes on and has no hole
 * @param leftOut triangles that were left out: where they reached as far as the line, what was under them is unknown
 */
export function scannedCaliper(mesh: Mesh, uncertainty: PointUncertainty, surface: Mesh = mesh, leftOut: Mesh = NOTHING): ScannedLine {
  const outer = radiusSteps(mesh, 'outer', stepFor(reachOf(mesh)))
  const face = axialSteps(mesh, 'high', stepFor(reachOf(mesh)))
  const holes = [...holesIn(surface), ...extentsOf(leftOut)]
  const top = curve(outer, whole(outer), 1, ([z, r]) => [z, r], marksOf(outer, holes, 'z', 1))
  const end = top.points.at(-1)![1]
  let last = indexAt(face, end)
  // the top ends beside a gap between two bodies: the face begins below it
  while (last > 0 && Number.isNaN(face.values[last]!)) last -= 1
  let first = last
  while (first > 0 && (Number.isNaN(face.values[first - 1]!) || face.values[first - 1]! > BEHIND_FACE_MM)) first -= 1
  // nothing at all is no part of it
  while (first < last && Number.isNaN(face.values[first]!)) first += 1
  const down = curve(face, [first, last], 1, ([r, z]) => [z, r], marksOf(face, holes, 'r', 1))
  return joined(
    [
      { ...top, tag: 'face' },
      { ...reversed(down), tag: 'face' },
    ],
    uncertainty,
  )
}

/**
 * The inside of a wheel that was scanned: along the barrel from its inboard edge, then down the back of the spokes.
 *
 * @param mesh in the frame of the mounting face: the hub axis is z, outboard positive, mm
 * @throws RangeError where the mesh has no spokes inside a barrel
 */
export function scannedWheel(mesh: Mesh, uncertainty: PointUncertainty, leftOut: Mesh = NOTHING): ScannedLine {
  const back = axialSteps(mesh, 'low', stepFor(reachOf(mesh)))
  const topIndex = rootOf(back)
  if (topIndex === undefined) throw new RangeError('The mesh has no spokes inside a barrel. Check the mounting face and the axis.')
  const topMm = back.from + (topIndex + 1) * back.step
  const rootMm = back.values[topIndex]!
  const barrel = radiusSteps(mesh, 'inner', stepFor(reachOf(mesh)), topMm)
  for (let k = 0; k < barrel.values.length; k += 1) if (barrel.values[k] === Infinity) barrel.values[k] = NaN
  const holes = [...holesIn(mesh), ...extentsOf(leftOut)]
  const along = curve(barrel, [0, indexAt(barrel, rootMm)], -1, ([z, r]) => [z, r], marksOf(barrel, holes, 'z', -1))
  const down = curve(back, [0, topIndex], -1, ([r, z]) => [z, r], marksOf(back, holes, 'r', -1))
  return joined(
    [
      { ...along, tag: 'barrel' },
      { ...reversed(down), tag: 'face' },
    ],
    uncertainty,
  )
}

/** The outermost step of the spokes' back: beyond it the barrel's inboard edge is the first that one meets. */
function rootOf({ values }: CurveSteps): number | undefined {
  let [low, high] = [Infinity, -Infinity]
  for (const value of values) if (!Number.isNaN(value)) [low, high] = [Math.min(low, value), Math.max(high, value)]
  const inboard = low + (high - low) / 4
  for (let k = values.length - 1; k >= 0; k -= 1) if (values[k]! > inboard) return k
  return undefined
}

const reachOf = (mesh: Mesh): number => {
  let most = 0
  for (let i = 0; i < mesh.length; i += 1) most = Math.max(most, Math.abs(mesh[i]!))
  return 2 * most
}
const indexAt = ({ from, step, values }: CurveSteps, at: number): number =>
  Math.min(values.length - 1, Math.max(0, Math.ceil((at - from) / step) - 1))
const whole = ({ values }: CurveSteps): [number, number] => [0, values.length - 1]

interface Hole {
  z: [low: number, high: number]
  r: [low: number, high: number]
}
function holesIn(mesh: Mesh): Hole[] {
  const open = openEdges(mesh)
  const holes: Hole[] = []
  for (let i = 0; i < open.length; i += 2) {
    const [a, b] = [3 * open[i]!, 3 * open[i + 1]!]
    const [ra, rb] = [Math.hypot(mesh[a]!, mesh[a + 1]!), Math.hypot(mesh[b]!, mesh[b + 1]!)]
    const [za, zb] = [mesh[a + 2]!, mesh[b + 2]!]
    holes.push({ z: [Math.min(za, zb), Math.max(za, zb)], r: [Math.min(ra, rb), Math.max(ra, rb)] })
  }
  return holes
}
const NOTHING: Mesh = new Float64Array(0)
/** How far each triangle reaches along the axis and from it. */
function extentsOf(mesh: Mesh): Hole[] {
  return Array.from({ length: mesh.length / 9 }, (_, i): Hole => {
    const at = 9 * i
    const z = [mesh[at + 2]!, mesh[at + 5]!, mesh[at + 8]!]
    const r = [0, 3, 6].map((k) => Math.hypot(mesh[at + k]!, mesh[at + k + 1]!))
    return { z: [Math.min(...z), Math.max(...z)], r: [Math.min(...r), Math.max(...r)] }
  })
}
/** CurveSteps where the scan has a hole in the line: nothing at all, or an open edge as near to the part's limit as the line. */
function marksOf(steps: CurveSteps, holes: readonly Hole[], along: 'z' | 'r', sign: 1 | -1): Uint8Array {
  const marks = new Uint8Array(steps.values.length)
  const other = along === 'z' ? 'r' : 'z'
  for (const hole of holes) {
    const last = indexAt(steps, hole[along][1])
    for (let k = indexAt(steps, hole[along][0]); k <= last; k += 1) {
      const value = steps.values[k]!
      if (Number.isNaN(value) || sign * (sign === 1 ? hole[other][1] : hole[other][0]) >= sign * value - HOLE_REACH_MM) marks[k] = 1
    }
  }
  for (let k = 0; k < marks.length; k += 1) if (Number.isNaN(steps.values[k]!)) marks[k] = 1
  return marks
}

interface Curve {
  points: [z: number, r: number][]
  notScanned: boolean[]
  toleranceMm: number
}
/** A curve in steps as a line, with what was not scanned bridged on the safe side. */
function curve(
  steps: CurveSteps,
  range: [number, number],
  sign: 1 | -1,
  toPoint: (at: [number, number]) => [z: number, r: number],
  marks: Uint8Array,
): Curve {
  const values = bridged(steps.values, range, sign)
  let tolerance = TOLERANCE_MM
  let line = safeLine({ ...steps, values }, range, sign, tolerance)
  while (line.length > MOST_POINTS) {
    tolerance *= 1.5
    line = safeLine({ ...steps, values }, range, sign, tolerance)
  }
  // a hole's ends are points of the line too
  const points: [number, number][] = []
  const notScanned: boolean[] = []
  const marked = (at: number) => marks[Math.min(range[1], Math.max(range[0], Math.floor((at - steps.from) / steps.step)))] === 1
  line.forEach((point, i) => {
    const before = line[i - 1]
    if (before)
      for (const cut of changes(marks, steps, before[0], point[0])) {
        const t = (cut - before[0]) / (point[0] - before[0])
        points.push([cut, before[1] + t * (point[1] - before[1])])
        notScanned.push(true)
      }
    points.push(point)
    notScanned.push(marked(point[0]))
  })
  return { points: points.map(toPoint), notScanned, toleranceMm: tolerance + steps.step }
}
/** Places between two points of a line where a hole begins or ends. */
function changes(marks: Uint8Array, { from, step }: CurveSteps, low: number, high: number): number[] {
  const found: number[] = []
  for (let k = Math.max(1, Math.ceil((low - from) / step + 1e-9)); k < marks.length && from + k * step < high - 1e-9; k += 1)
    if (marks[k] !== marks[k - 1]) found.push(from + k * step)
  return found.length > 40 ? [found[0]!, found.at(-1)!] : found
}
function bridged(values: Float64Array, [first, last]: [number, number], sign: 1 | -1): Float64Array {
  const filled = values.slice()
  let before = NaN
  for (let k = first; k <= last; k += 1) {
    if (!Number.isNaN(filled[k]!)) {
      before = filled[k]!
      continue
    }
    let end = k
    while (end <= last && Number.isNaN(filled[end]!)) end += 1
    const after = end <= last ? filled[end]! : NaN
    const value = Number.isNaN(before) ? after : Number.isNaN(after) ? before : sign * Math.max(sign * before, sign * after)
    for (let i = k; i < end; i += 1) filled[i] = value
    k = end - 1
  }
  return filled
}
const reversed = ({ points, notScanned, toleranceMm }: Curve): Curve => ({
  points: [...points].reverse(),
  notScanned: [...notScanned].reverse(),
  toleranceMm,
})

/** Two curves one after the other; what joins them is a shoulder. */
function joined(curves: readonly (Curve & { tag: WheelTag })[], uncertainty: PointUncertainty): ScannedLine {
  const points: ScannedLine['points'] = []
  const holes: boolean[] = []
  const tags: WheelTag[] = []
  for (const one of curves) {
    one.points.forEach(([z, r], i) => {
      const at: [number, number] = [round(z), Math.max(0, round(r))]
      const before = points.at(-1)
      if (before && Math.hypot(at[0] - before[0], at[1] - before[1]) < 1e-6) return
      if (before) tags.push(i === 0 ? 'shoulder' : one.tag)
      points.push(at)
      holes.push(one.notScanned[i]!)
    })
  }
  let notScannedMm = 0
  for (let i = 1; i < points.length; i += 1)
    if (holes[i] && holes[i - 1]) notScannedMm += Math.hypot(points[i]![0] - points[i - 1]![0], points[i]![1] - points[i - 1]![1])
  return {
    points,
    doubts: points.map(([z, r], i) => (holes[i] ? [NOT_SCANNED_U_MM, NOT_SCANNED_U_MM] : uncertainty(z, r))),
    tags,
    toleranceMm: Math.max(...curves.map((one) => one.toleranceMm)),
    notScannedMm,
  }
}
const round = (value: number): number => Math.round(value * 1e4) / 1e4
