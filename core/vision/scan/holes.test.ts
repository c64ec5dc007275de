import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { dot, type FittedPlane } from './fit-plane.ts'
import { moved, rotation, together, turned } from '../../testing/scan-bodies.ts'
import { across, cross, inFrame, unit } from './frame.ts'
import { placedByHoles, type HolePlacing } from './holes.ts'
import type { Vector } from './mesh.ts'
import { faceAt, roundAt, surfaceOf, type RoundFeature } from './placing.ts'
import { scannedCaliper } from './scan-outline.ts'

const add = (a: Vector, b: Vector, by = 1): Vector => [a[0] + by * b[0], a[1] + by * b[1], a[2] + by * b[2]]
const plane = (normal: Vector, at: Vector): FittedPlane => ({
  normal,
  offsetMm: dot(normal, at),
  centre: at,
  residualMm: 0.02,
  spreadMm: 30,
  count: 100,
  uOffsetMm: 0.01,
  uTilt: 0.0002,
})
const hole = (point: Vector): RoundFeature => ({
  point,
  circle: { centre: [0, 0], radiusMm: 6, residualMm: 0.02, uCentreMm: 0.02, uRadiusMm: 0.02, count: 60 },
})
const direction = fc
  .tuple(
    fc.double({ min: -1, max: 1, noNaN: true }),
    fc.double({ min: -1, max: 1, noNaN: true }),
    fc.double({ min: -1, max: 1, noNaN: true }),
  )
  .filter((one) => Math.hypot(...one) > 0.2)
  .map((one) => unit(one))
const length = (min: number, max: number) => fc.double({ min, max, noNaN: true })
const place = fc.tuple(length(-300, 300), length(-300, 300), length(-300, 300))

/** A caliper somewhere in space: hub axis, and where its holes then are. */
function caliper(
  mount: 'axial' | 'radial',
  outboard: Vector,
  origin: Vector,
  apart: number,
  below: number,
  toFace: number,
  flip: boolean,
): HolePlacing {
  const [up, side] = across(outboard)
  const faceAt = add(origin, outboard, -toFace)
  const middle = add(faceAt, up, below)
  const holes = [add(middle, side, -apart / 2), add(middle, side, apart / 2)].map(hole) as [RoundFeature, RoundFeature]
  const normal = mount === 'axial' ? outboard : up
  return {
    // a fitted normal may look either way
    plane: plane(flip ? ([-normal[0], -normal[1], -normal[2]] as Vector) : normal, middle),
    holes: flip ? [holes[1], holes[0]] : holes,
    mount,
    toAxisMm: mount === 'axial' ? Math.hypot(below, apart / 2) : below,
    toMountingFaceMm: toFace,
    uMm: 0.1,
    centre: add(add(middle, up, 30), outboard, 25),
    turned: false,
  }
}

describe('a caliper alone, placed by its mounting holes', () => {
  test.each(['axial', 'radial'] as const)('%s: axis and mounting face are found wherever it lies', (mount) => {
    fc.assert(
      fc.property(
        direction,
        place,
        length(60, 220),
        length(50, 150),
        length(-60, 90),
        fc.boolean(),
        (outboard, origin, apart, below, toFace, flip) => {
          const given = caliper(mount, outboard, origin, apart, below, toFace, flip)
          const first = placedByHoles(given)
          // a radial mount says nothing of which way is outboard: whoever sees the other way turns it
          const { frame } = dot(first.frame.outboard, outboard) > 0 ? first : placedByHoles({ ...given, turned: true })
          expect(dot(frame.outboard, outboard)).toBeCloseTo(1, 9)
          expect(Math.hypot(...add(frame.origin, origin, -1))).toBeLessThan(1e-6)
        },
      ),
    )
  })
  test('a larger uncertainty of what was typed makes every point less sure', () => {
    const given = caliper('axial', [0, 0, 1], [0, 0, 0], 130, 80, 40, false)
    const [sure, unsure] = [placedByHoles({ ...given, uMm: 0.1 }), placedByHoles({ ...given, uMm: 0.6 })]
    expect(sure.worstUMm).toBeLessThan(0.5)
    expect(unsure.worstUMm).toBeGreaterThan(0.5)
    expect(unsure.uncertainty(10, 150)[1]).toBeGreaterThan(sure.uncertainty(10, 150)[1])
  })
  test('one hole twice, and a distance that cannot be, are refused in words', () => {
    const given = caliper('axial', [0, 0, 1], [0, 0, 0], 130, 80, 40, false)
    expect(() => placedByHoles({ ...given, holes: [given.holes[0], given.holes[0]] })).toThrow('the same hole')
    expect(() => placedByHoles({ ...given, toAxisMm: 60 })).toThrow('130.0 mm apart')
  })
  test('directions of the cross product make a right-handed frame', () => {
    expect(cross([1, 0, 0], [0, 1, 0])).toEqual([0, 0, 1])
  })
})

test('from the mesh of a caliper alone: face and holes are selected, and its line is that of the caliper on its hub', () => {
  const body = turned(
    [
      [-66, 122],
      [-54, 133],
      [6, 133],
      [24, 112],
      [24, 84],
      [10, 84],
      [10, 116],
      [-66, 116],
    ],
    -0.5,
    0.5,
    30,
  )
  const HOLE: readonly (readonly [number, number])[] = [
    [-60, 6],
    [-60, 13],
    [-44, 13],
    [-44, 6],
  ]
  const lug = turned(HOLE, 0, 2 * Math.PI, 36)
  const [apart, below] = [130, 80]
  const NOT_TURNED = rotation(0, 0, 0)
  const onHub = together(body, moved(lug, NOT_TURNED, [below, -apart / 2, 0]), moved(lug, NOT_TURNED, [below, apart / 2, 0]))
  const alone = moved(onHub, rotation(0.7, -0.4, 0.2), [120, -35, 410])
  const surface = surfaceOf(alone)
  const [bodyCount, lugCount] = [body.length / 9, lug.length / 9]
  let state = 1
  const next = () => (state = (state * 48271) % 2147483647) / 2147483647
  const plane = faceAt(surface, bodyCount + 2 * 2, next)
  const holes = [bodyCount + 2 * 3, bodyCount + lugCount + 2 * 3].map((one) => roundAt(surface, one, plane.normal, next)) as [
    RoundFeature,
    RoundFeature,
  ]
  for (const one of holes) expect(one.circle.radiusMm).toBeCloseTo(6, 1)
  let centre: [number, number, number] = [0, 0, 0]
  for (let i = 0; i < alone.length; i += 3) centre = [centre[0] + alone[i]!, centre[1] + alone[i + 1]!, centre[2] + alone[i + 2]!]
  const given = {
    plane,
    holes,
    mount: 'axial' as const,
    toAxisMm: Math.hypot(below, apart / 2),
    toMountingFaceMm: 44,
    uMm: 0.1,
    centre: centre.map((one) => one / (alone.length / 3)) as unknown as Vector,
    turned: false,
  }
  const [wanted, found] = [
    scannedCaliper(onHub, () => [0.1, 0.1]),
    scannedCaliper(inFrame(alone, placedByHoles(given).frame), () => [0.1, 0.1]),
  ]
  const most = (points: readonly (readonly [number, number])[], k: 0 | 1) => Math.max(...points.map((one) => one[k]))
  expect(most(found.points, 1)).toBeCloseTo(most(wanted.points, 1), 1)
  expect(most(found.points, 0)).toBeCloseTo(most(wanted.points, 0), 1)
})
