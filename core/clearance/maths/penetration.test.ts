import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { caliperShape, wheelShape } from '../../../bench/shapes.ts'
import { moveOutlines, prepareCaliper, prepareWheel } from './outline.ts'
import type { Point } from './polyline.ts'
import { penetration } from './penetration.ts'

/** Every vertex against every stretch, and the even-odd rule round the whole of a polygon. */
function inside(polygon: readonly Point[], [z, r]: Point): boolean {
  let odd = false
  for (let i = 0, j = polygon.length - 1; i < polygon.length; j = i, i += 1) {
    const [zi, ri] = polygon[i]!
    const [zj, rj] = polygon[j]!
    if (ri > r !== rj > r && z < zi + ((r - ri) / (rj - ri)) * (zj - zi)) odd = !odd
  }
  return odd
}
const distance = ([z, r]: Point, line: readonly Point[]): number =>
  Math.min(
    ...line.slice(1).map(([z1, r1], i) => {
      const [z0, r0] = line[i]!
      const length = (z1 - z0) ** 2 + (r1 - r0) ** 2
      const t = length === 0 ? 0 : Math.min(Math.max(((z - z0) * (z1 - z0) + (r - r0) * (r1 - r0)) / length, 0), 1)
      return Math.hypot(z - z0 - t * (z1 - z0), r - r0 - t * (r1 - r0))
    }),
  )

test('the deepest vertex is the one that looking at all of them finds', () => {
  const cases = fc.record({
    points: fc.integer({ min: 6, max: 60 }),
    spacerMm: fc.double({ min: -30, max: 0, noNaN: true }),
    liftMm: fc.double({ min: 0, max: 30, noNaN: true }),
  })
  let crossed = 0
  fc.assert(
    fc.property(cases, ({ points, spacerMm, liftMm }) => {
      const outlines = moveOutlines(caliperShape(points), 0, liftMm)
      const wheel = wheelShape(points)
      const profile = wheel.points.map(([z, r]): Point => [z + spacerMm, r])
      const [first, last] = [profile[0]!, profile[profile.length - 1]!]
      const far = 2000
      const free: Point[] = [
        [first[0] - far, first[1]],
        ...profile,
        [last[0] + far, last[1]],
        [last[0] + far, -far],
        [first[0] - far, -far],
      ]
      const depths = outlines.flatMap(({ points: body }) => [
        ...body.filter((point) => !inside(free, point)).map((point) => distance(point, profile)),
        ...(body.length < 3 ? [] : profile.filter((point) => inside(body, point)).map((point) => distance(point, body))),
      ])
      const found = penetration(prepareCaliper(outlines), prepareWheel(wheel), spacerMm)
      if (depths.length > 0) crossed += 1
      expect(found === undefined).toBe(depths.length === 0)
      if (found) expect(found.depthMm).toBeCloseTo(Math.max(...depths), 9)
    }),
    { numRuns: 300 },
  )
  expect(crossed).toBeGreaterThan(50)
})
