import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { axisGap } from './axis-gap.ts'
import { closest, pointDistance, segmentDistance } from './distance.ts'
import type { Polyline } from './polyline.ts'
import { penetration } from './penetration.ts'
import { prepareCaliper, prepareWheel } from './outline.ts'
import { segmentTree, visitPairs } from './segment-tree.ts'

const coordinate = fc.double({ min: -100, max: 100, noNaN: true })
const point = fc.tuple(coordinate, coordinate)
const line: fc.Arbitrary<Polyline> = fc.array(point, { minLength: 2, maxLength: 40 })

describe('the tree of boxes', () => {
  test('every box holds its segments, and the leaves hold all of them once', () => {
    fc.assert(
      fc.property(line, (points) => {
        const tree = segmentTree(points)
        expect(tree.count).toBe(points.length - 1)
        for (let node = 0; node < tree.ranges.length / 2; node += 1) {
          for (let i = tree.ranges[node * 2]!; i < tree.ranges[node * 2 + 1]!; i += 1) {
            for (const end of [0, 2]) {
              expect(tree.segments[i * 4 + end]!).toBeGreaterThanOrEqual(tree.boxes[node * 4]!)
              expect(tree.segments[i * 4 + end]!).toBeLessThanOrEqual(tree.boxes[node * 4 + 2]!)
              expect(tree.segments[i * 4 + end + 1]!).toBeGreaterThanOrEqual(tree.boxes[node * 4 + 1]!)
              expect(tree.segments[i * 4 + end + 1]!).toBeLessThanOrEqual(tree.boxes[node * 4 + 3]!)
            }
          }
        }
      }),
    )
  })
  test('without a bound every pair is visited exactly once', () => {
    fc.assert(
      fc.property(line, line, (a, b) => {
        const seen = new Set<string>()
        let visits = 0
        visitPairs(
          segmentTree(a),
          segmentTree(b),
          () => 0,
          () => true,
          (i, j) => {
            visits += 1
            seen.add(`${i} ${j}`)
          },
        )
        expect(visits).toBe((a.length - 1) * (b.length - 1))
        expect(seen.size).toBe(visits)
      }),
    )
  })
  test('keeps the number each segment had, and may be empty', () => {
    const points: Polyline = [
      [0, 0],
      [1, 0],
      [2, 0],
      [3, 0],
    ]
    expect([...segmentTree(points, (segment) => segment !== 1).ids]).toEqual([0, 2])
    const none = segmentTree(points, () => false)
    let visited = 0
    visitPairs(
      none,
      segmentTree(points),
      () => 0,
      () => true,
      () => (visited += 1),
    )
    expect(visited).toBe(0)
  })
})

describe('distances', () => {
  test('of two segments: symmetric, and the two points are as far apart as it says', () => {
    fc.assert(
      fc.property(point, point, point, point, ([a, b], [c, d], [e, f], [g, h]) => {
        const there = { ...segmentDistance(a, b, c, d, e, f, g, h, closest()) }
        const back = segmentDistance(e, f, g, h, a, b, c, d, closest())
        expect(back.squared).toBeCloseTo(there.squared, 6)
        expect((there.az - there.bz) ** 2 + (there.ar - there.br) ** 2).toBeCloseTo(there.squared, 6)
      }),
    )
  })
  test('nothing between ends of the segments is nearer', () => {
    fc.assert(
      fc.property(
        point,
        point,
        point,
        point,
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        ([a, b], [c, d], [e, f], [g, h], s, t) => {
          const { squared } = segmentDistance(a, b, c, d, e, f, g, h, closest())
          const z = a + s * (c - a) - (e + t * (g - e))
          const r = b + s * (d - b) - (f + t * (h - f))
          expect(z * z + r * r).toBeGreaterThanOrEqual(squared - 1e-9)
        },
      ),
    )
  })
  test.each<[string, number[], number]>([
    ['crossing', [0, 0, 10, 10, 0, 10, 10, 0], 0],
    ['touching at an end', [0, 0, 5, 5, 5, 5, 9, 1], 0],
    ['parallel', [0, 0, 10, 0, 0, 3, 10, 3], 9],
    ['in line', [0, 0, 1, 0, 4, 0, 9, 0], 9],
    ['a point and a segment', [2, 2, 2, 2, 0, 0, 10, 0], 4],
  ])('%s', (_, c, squared) => {
    const [a, b, d, e, f, g, h, i] = c as [number, number, number, number, number, number, number, number]
    expect(segmentDistance(a, b, d, e, f, g, h, i, closest()).squared).toBeCloseTo(squared, 12)
  })
  test('of a point, the end counts beyond the end', () => {
    expect(pointDistance([13, 4], 0, 0, 10, 0, closest()).squared).toBe(25)
    expect(pointDistance([5, 4], 0, 0, 10, 0, closest())).toMatchObject({ squared: 16, bz: 5, br: 0 })
  })
})

describe('gaps along an axis', () => {
  /** The envelope by sampling: slow, obvious, and never below the true gap. */
  function sampled(caliper: Polyline, wheel: Polyline): number | undefined {
    let best: number | undefined
    for (let r = -100; r <= 100; r += 0.5) {
      const at = (points: Polyline) =>
        points.slice(1).flatMap(([z1, r1], index) => {
          const [z0, r0] = points[index]!
          if (r < Math.min(r0, r1) || r > Math.max(r0, r1)) return []
          return r0 === r1 ? [z0, z1] : [z0 + ((r - r0) / (r1 - r0)) * (z1 - z0)]
        })
      const outmost = Math.max(...at(caliper))
      const inmost = Math.min(...at(wheel))
      if (Number.isFinite(outmost) && Number.isFinite(inmost)) best = Math.min(best ?? Infinity, inmost - outmost)
    }
    return best
  }
  test('never above what sampling finds', () => {
    fc.assert(
      fc.property(line, line, (caliper, wheel) => {
        const found = axisGap(segmentTree(caliper), segmentTree(wheel), 'axial', 0)
        const slow = sampled(caliper, wheel)
        if (slow !== undefined) expect(found!).toBeLessThanOrEqual(slow + 1e-9)
      }),
    )
  })
  test('the axial gap of a picture is the radial gap of its mirror', () => {
    fc.assert(
      fc.property(line, line, (caliper, wheel) => {
        const mirror = (points: Polyline): Polyline => points.map(([z, r]) => [r, z])
        expect(axisGap(segmentTree(mirror(caliper)), segmentTree(mirror(wheel)), 'radial', 0)).toBe(
          axisGap(segmentTree(caliper), segmentTree(wheel), 'axial', 0),
        )
      }),
    )
  })
  test('both ends of a segment count', () => {
    expect(
      axisGap(
        segmentTree([
          [0, 10],
          [0, 20],
        ]),
        segmentTree([
          [5, 20],
          [9, 30],
        ]),
        'axial',
        0,
      ),
    ).toBe(5)
    expect(
      axisGap(
        segmentTree([
          [0, 10],
          [0, 20],
        ]),
        segmentTree([
          [5, 20.001],
          [9, 30],
        ]),
        'axial',
        0,
      ),
    ).toBeUndefined()
  })
})

describe('how deep a caliper reaches in', () => {
  const wheel = prepareWheel({
    points: [
      [-100, 180],
      [20, 180],
      [40, 160],
      [40, 60],
    ],
    tags: ['barrel', 'shoulder', 'face'],
  })
  const depth = (points: [number, number][], shift = 0) => penetration(prepareCaliper([{ name: 'body', points }]), wheel, shift)?.depthMm
  test('nothing beyond, nothing to say', () => {
    expect(
      depth([
        [0, 100],
        [30, 150],
      ]),
    ).toBeUndefined()
    expect(
      depth([
        [-300, 120],
        [-200, 150],
      ]),
    ).toBeUndefined()
  })
  test('through the barrel, the face, the shoulder, and less with a spacer', () => {
    expect(
      depth([
        [0, 100],
        [0, 184],
      ]),
    ).toBeCloseTo(4, 9)
    expect(
      depth([
        [0, 100],
        [47, 100],
      ]),
    ).toBeCloseTo(7, 9)
    expect(
      depth(
        [
          [0, 100],
          [47, 100],
        ],
        5,
      ),
    ).toBeCloseTo(2, 9)
    expect(
      depth([
        [0, 100],
        [32, 172],
      ]),
    ).toBeCloseTo(4 / Math.SQRT2, 9)
  })
  test('a wheel vertex that pokes into the body counts too', () => {
    const spike = prepareWheel({
      points: [
        [-100, 180],
        [0, 180],
        [10, 150],
        [20, 180],
        [40, 160],
        [40, 60],
      ],
      tags: ['barrel', 'barrel', 'barrel', 'shoulder', 'face'],
    })
    const found = penetration(
      prepareCaliper([
        {
          name: 'body',
          points: [
            [-50, 155],
            [35, 155],
            [35, 90],
            [-50, 90],
          ],
        },
      ]),
      spike,
      0,
    )
    expect(found).toMatchObject({ depthMm: expect.closeTo(5, 9), wheel: [10, 150] })
  })
})
