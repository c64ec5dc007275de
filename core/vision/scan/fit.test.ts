import { describe, expect, test } from '@jest/globals'
import { stream } from '../../testing/heavy.ts'
import { runs } from '../../testing/runs.ts'
import { rotation } from '../../testing/scan-bodies.ts'
import { fitPlane, robustPlane } from './fit-plane.ts'
import { robustCircle, type FlatPoint } from './fit-circle.ts'
import { across } from './frame.ts'
import type { Vector } from './mesh.ts'

/** Normal numbers from equal ones (G. Box and M. Muller, 1958). */
const normal = (next: () => number) => Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next())
const NOISE_MM = 0.1
const OUTLIERS = 0.05

describe('with 0.1 mm of noise and one outlier in twenty', () => {
  test('the true plane lies within twice the stated uncertainty in about 95 of 100', () => {
    const next = stream(3)
    const count = runs(300, 120)
    let [offset, tilt] = [0, 0]
    for (let i = 0; i < count; i += 1) {
      const rows = rotation(next() * 6, next() - 0.5, next() - 0.5)
      const axis: Vector = [rows[0]![2], rows[1]![2], rows[2]![2]]
      const [x, y] = across(axis)
      const points = Array.from({ length: 300 }, (): Vector => {
        const [s, t] = [next() * 80 - 40, next() * 80 - 40]
        const off = next() < OUTLIERS ? 2 + next() * 20 : normal(next) * NOISE_MM
        return [0, 1, 2].map((k) => s * x[k]! + t * y[k]! + (20 + off) * axis[k]!) as unknown as Vector
      })
      const plane = robustPlane(points, next)
      const turn = Math.sign(plane.normal[0] * axis[0] + plane.normal[1] * axis[1] + plane.normal[2] * axis[2])
      const at = [0, 1, 2].reduce((sum, k) => sum + plane.normal[k]! * turn * plane.centre[k]!, 0)
      // where the true plane is over the middle of the points
      const there = [0, 1, 2].reduce((sum, k) => sum + axis[k]! * plane.centre[k]!, 0)
      if (Math.abs(20 - there) <= 2 * plane.uOffsetMm) offset += 1
      const [along, side] = [x, y].map((one) => Math.abs([0, 1, 2].reduce((sum, k) => sum + one[k]! * plane.normal[k]!, 0)))
      if (along! <= 2 * plane.uTilt && side! <= 2 * plane.uTilt * 1.2) tilt += 1
      expect(at).toBeCloseTo(plane.offsetMm * turn, 6)
    }
    expect(offset / count).toBeGreaterThanOrEqual(0.85)
    expect(tilt / count).toBeGreaterThanOrEqual(0.82)
    expect(offset / count).toBeLessThanOrEqual(1)
  })
  test('the true centre and radius of an arc lie within twice theirs', () => {
    const next = stream(4)
    const count = runs(300, 120)
    let [centre, radius] = [0, 0]
    for (let i = 0; i < count; i += 1) {
      const [cx, cy, r, span] = [next() * 40, next() * 40, 25 + next() * 30, 1.2 + next() * 5]
      const points = Array.from({ length: 250 }, (): FlatPoint => {
        const angle = next() * span
        const off = next() < OUTLIERS ? 2 + next() * 10 : normal(next) * NOISE_MM
        return [cx + (r + off) * Math.cos(angle), cy + (r + off) * Math.sin(angle)]
      })
      const found = robustCircle(points, next)
      if (Math.hypot(found.centre[0] - cx, found.centre[1] - cy) <= 2 * found.uCentreMm) centre += 1
      if (Math.abs(found.radiusMm - r) <= 2 * found.uRadiusMm) radius += 1
    }
    expect(centre / count).toBeGreaterThanOrEqual(0.85)
    expect(radius / count).toBeGreaterThanOrEqual(0.85)
  })
})

test('points in a line have neither plane nor circle', () => {
  const line = Array.from({ length: 20 }, (_, i): Vector => [i, 2 * i, 3 * i])
  expect(() => fitPlane(line)).toThrow(RangeError)
  expect(() => fitPlane(line.slice(0, 2))).toThrow(RangeError)
  expect(() => robustPlane(line, stream(1))).toThrow(RangeError)
  expect(() =>
    robustCircle(
      line.map(([x, y]): FlatPoint => [x, y]),
      stream(1),
    ),
  ).toThrow(RangeError)
})
