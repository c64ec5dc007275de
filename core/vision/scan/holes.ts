import { dot, type FittedPlane } from './fit-plane.ts'
import { cross, unit } from './frame.ts'
import type { Vector } from './mesh.ts'
import { FLOOR_MM, REACH_MM, type Placed, type RoundFeature } from './placing.ts'
import type { PointUncertainty } from './scan-outline.ts'

/** A caliper that was scanned by itself, placed by its mount face and its two mounting holes. */
export interface HolePlacing {
  plane: FittedPlane
  holes: readonly [RoundFeature, RoundFeature]
  /** How its bolts run: along the hub axis, or towards it. */
  mount: 'axial' | 'radial'
  /** Axial: from the hub axis to each hole. Radial: from the hub axis to the mount face. mm */
  toAxisMm: number
  /** Axial: from the mount face outboard to the wheel mounting face. Radial: the same from the holes. mm */
  toMountingFaceMm: number
  /** Standard uncertainty of both, mm. */
  uMm: number
  /** Middle of the mesh: the caliper stands on the far side of its holes, seen from the axis. */
  centre: Vector
  /** The other way along the axis is outboard. */
  turned: boolean
}

/**
 * The frame of a caliper from its mounting holes. Bolts along the axis: both holes are as far from the axis, which lies on
 * the line halfway between them (plane geometry). Bolts towards the axis: the axis lies at right angles to the line through
 * both holes, so far below the mount face.
 * @throws RangeError where the holes are one, or further apart than the distance to the axis allows
 *
 * @example
 * // holes 80 mm apart, 50 mm from the axis: the axis is 30 mm below the line between them
 * Math.sqrt(50 ** 2 - 40 ** 2) // => 30
 */
export function placedByHoles({ plane, holes, mount, toAxisMm, toMountingFaceMm, uMm, centre, turned }: HolePlacing): Placed {
  const onFace = (point: Vector): Vector => along(point, plane.normal, plane.offsetMm - dot(plane.normal, point))
  const [a, b] = [onFace(holes[0].point), onFace(holes[1].point)]
  const apartMm = Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2])
  if (apartMm < LEAST_APART_MM) throw new RangeError('Both selections are the same hole. Select the other mounting hole.')
  const line = unit([b[0] - a[0], b[1] - a[1], b[2] - a[2]])
  const middle: Vector = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2, (a[2] + b[2]) / 2]
  const towardsBody = (direction: Vector): Vector => (dot(direction, centre) < dot(direction, middle) ? negative(direction) : direction)
  const belowMm = mount === 'axial' ? Math.sqrt(toAxisMm ** 2 - (apartMm / 2) ** 2) : toAxisMm
  if (!(belowMm > 0))
    throw new RangeError(
      `The holes are ${apartMm.toFixed(1)} mm apart, so each is more than ${(apartMm / 2).toFixed(1)} mm from the hub axis. Check the distance.`,
    )
  const upwards = towardsBody(mount === 'axial' ? cross(plane.normal, line) : plane.normal)
  const axis = mount === 'axial' ? towardsBody(plane.normal) : cross(line, upwards)
  const outboard = turned ? negative(axis) : axis
  const origin = along(along(middle, upwards, -belowMm), outboard, toMountingFaceMm)
  const scatter = Math.max(plane.residualMm, holes[0].circle.residualMm, holes[1].circle.residualMm)
  const hole = Math.max(holes[0].circle.uCentreMm, holes[1].circle.uCentreMm)
  /** The line through both holes turns by so much. */
  const turn = (hole * Math.SQRT2) / apartMm
  const uncertainty: PointUncertainty =
    mount === 'axial'
      ? (_, r) => [
          Math.hypot(scatter, plane.uOffsetMm, plane.uTilt * Math.max(r - belowMm, belowMm), uMm, FLOOR_MM),
          Math.hypot(scatter, hole / Math.SQRT2, turn * belowMm, uMm, FLOOR_MM),
        ]
      : (z, r) => [
          Math.hypot(scatter, hole / Math.SQRT2, turn * apartMm, plane.uTilt * r, uMm, FLOOR_MM),
          Math.hypot(scatter, plane.uOffsetMm, plane.uTilt * Math.abs(z), uMm, FLOOR_MM),
        ]
  return { frame: { origin, outboard }, uncertainty, worstUMm: Math.max(...uncertainty(REACH_MM / 2, REACH_MM)) }
}
/** Holes of one caliper are further apart. */
const LEAST_APART_MM = 20

const along = (point: Vector, direction: Vector, by: number): Vector => [
  point[0] + by * direction[0],
  point[1] + by * direction[1],
  point[2] + by * direction[2],
]
const negative = (a: Vector): Vector => [-a[0], -a[1], -a[2]]
