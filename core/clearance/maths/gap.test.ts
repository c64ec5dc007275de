import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { bruteDistance } from '../../../bench/brute-gap.ts'
import { caliperShape, wheelShape } from '../../../bench/shapes.ts'
import type { Outline, Profile } from '../../maths/section.ts'
import { gap } from './gap.ts'
import { moveOutlines, prepareCaliper, prepareWheel } from './outline.ts'

const wheel: Profile = {
  points: [
    [-100, 180],
    [20, 180],
    [40, 160],
    [40, 60],
  ],
  tags: ['barrel', 'shoulder', 'face'],
}
const box = (faceZ: number, topR: number): Outline[] => [
  {
    name: 'body',
    points: [
      [-80, topR],
      [faceZ, topR],
      [faceZ, 90],
    ],
  },
]
const gapOf = (outlines: Outline[], profile = wheel, spacer = 0) => gap(prepareCaliper(outlines), prepareWheel(profile), spacer)

const point = fc.tuple(fc.double({ min: -110, max: 30, noNaN: true }), fc.double({ min: 70, max: 170, noNaN: true }))
const line = fc.array(point, { minLength: 2, maxLength: 60 }).map((points) => points as [number, number][])

describe('the gap between a caliper and a wheel', () => {
  test('along the axle, along the radius, and the place that limits', () => {
    const found = gapOf(box(30, 150))
    expect(found.faceGapMm).toBeCloseTo(10, 12)
    expect(found.barrelGapMm).toBeCloseTo(30, 12)
    expect(found.minGapMm).toBeCloseTo(10, 12)
    expect(found.limitingTag).toBe('face')
    expect(found.overlaps).toBe(false)
    expect(gapOf(box(-30, 178)).limitingTag).toBe('barrel')
  })
  test('reports the outline that limits', () => {
    const outlines = [
      ...box(20, 150),
      {
        name: 'bleed screw',
        points: [
          [-40, 150],
          [-38, 177],
          [-36, 150],
        ] as [number, number][],
      },
    ]
    expect(gapOf(outlines)).toMatchObject({ limitingOutline: 'bleed screw', limitingTag: 'barrel' })
    expect(gapOf(outlines).minGapMm).toBeCloseTo(3, 12)
  })
  test('no common place gives no face or barrel gap', () => {
    const low: Outline[] = [
      {
        name: 'body',
        points: [
          [-300, 50],
          [-200, 50],
        ],
      },
    ]
    expect(gapOf(low)).toMatchObject({ faceGapMm: undefined, barrelGapMm: undefined, overlaps: false })
  })
  test('equal distances: the first wheel segment', () => {
    // the nearest place is the vertex between shoulder and face
    const tip: Outline[] = [
      {
        name: 'body',
        points: [
          [0, 160],
          [36, 160],
        ],
      },
    ]
    const profile: Profile = {
      points: [
        [-100, 190],
        [20, 190],
        [40, 160],
        [60, 60],
      ],
      tags: ['barrel', 'shoulder', 'face'],
    }
    expect(gapOf(tip, profile).limitingTag).toBe('shoulder')
  })
  test('an overlap is negative, as deep as the deepest vertex, and grows without a jump', () => {
    expect(gapOf(box(43, 150))).toMatchObject({ overlaps: true })
    expect(gapOf(box(43, 150)).minGapMm).toBeCloseTo(-3, 9)
    const near = gapOf(box(39.999, 150)).minGapMm
    const over = gapOf(box(40.001, 150)).minGapMm
    expect(near - over).toBeCloseTo(0.002, 6)
  })
  test('a body wholly beyond the spokes overlaps although nothing crosses', () => {
    const beyond: Outline[] = [
      {
        name: 'body',
        points: [
          [50, 140],
          [60, 140],
          [60, 100],
        ],
      },
    ]
    expect(gapOf(beyond)).toMatchObject({ overlaps: true })
    expect(gapOf(beyond).minGapMm).toBeCloseTo(-20, 9)
  })

  test('agrees with every segment against every segment to 1e-9 mm', () => {
    fc.assert(
      fc.property(line, line, fc.double({ min: 0, max: 30, noNaN: true }), (a, b, spacer) => {
        const far = b.map(([z, r]): [number, number] => [z + 200, r])
        const profile: Profile = { points: far, tags: far.slice(1).map(() => 'shoulder') }
        const found = gapOf([{ name: 'body', points: a }], profile, spacer)
        if (!found.overlaps) expect(Math.abs(found.minGapMm - bruteDistance([a], far, spacer))).toBeLessThanOrEqual(1e-9)
      }),
    )
    for (const points of [15, 50, 200]) {
      const outlines = caliperShape(points)
      const profile = wheelShape(points)
      for (const spacer of [0, 3, 8]) {
        const found = gapOf(outlines, profile, spacer)
        expect(found.overlaps).toBe(false)
        expect(Math.abs(found.minGapMm - bruteDistance([outlines[0]!.points], profile.points, spacer))).toBeLessThanOrEqual(1e-9)
      }
    }
  })
  test('unchanged when both outlines move together', () => {
    fc.assert(
      fc.property(line, fc.double({ min: -50, max: 50, noNaN: true }), fc.double({ min: -20, max: 20, noNaN: true }), (points, dz, dr) => {
        const outlines = [{ name: 'body', points }]
        const before = gapOf(outlines)
        const profile = { ...wheel, points: wheel.points.map(([z, r]): [number, number] => [z + dz, r + dr]) }
        const after = gapOf(moveOutlines(outlines, dz, dr), profile)
        expect(after.minGapMm).toBeCloseTo(before.minGapMm, 8)
        expect(after.overlaps).toBe(before.overlaps)
      }),
    )
  })
  test('a spacer moves the face gap by its thickness exactly', () => {
    fc.assert(
      fc.property(line, fc.double({ min: 0, max: 30, noNaN: true }), (points, spacer) => {
        const outlines = [{ name: 'body', points }]
        const before = gapOf(outlines).faceGapMm
        const after = gapOf(outlines, wheel, spacer).faceGapMm
        if (before === undefined) expect(after).toBeUndefined()
        else expect(after! - before).toBeCloseTo(spacer, 10)
      }),
    )
  })
  test('a spacer never opens the gap by more than its thickness', () => {
    fc.assert(
      fc.property(line, fc.double({ min: 0, max: 30, noNaN: true }), (points, spacer) => {
        const outlines = [{ name: 'body', points }]
        expect(gapOf(outlines, wheel, spacer).minGapMm - gapOf(outlines).minGapMm).toBeLessThanOrEqual(spacer + 1e-9)
      }),
    )
  })
  test('an outline of one point is refused', () => {
    expect(() => gapOf([{ name: 'body', points: [[0, 100]] }])).toThrow(RangeError)
    expect(() =>
      prepareWheel({
        points: [
          [0, 1],
          [1, 1],
        ],
        tags: [],
      }),
    ).toThrow(RangeError)
  })
})
