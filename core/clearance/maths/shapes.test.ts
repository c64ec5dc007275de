import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { gap } from './gap.ts'
import { BEAD_SEAT_MM, nominalWheel } from './nominal-wheel.ts'
import { prepareCaliper, prepareWheel } from './outline.ts'
import { axialShift } from './placing.ts'
import { quickOutline, quickOutlineContradiction, type QuickOutline } from './quick-outline.ts'
import { leastSpacer, stockSpacer } from './spacer.ts'
import { clearanceVerdict, gapGradient, gapRange, gapUncertainty } from './verdict.ts'

const QUICK: QuickOutline = {
  tallestRadiusMm: 150,
  tallFromMm: -90,
  tallToMm: 5,
  faceMm: 20,
  faceOuterRadiusMm: 132,
  faceInnerRadiusMm: 95,
}

describe('a caliper from five figures', () => {
  test('a missing corner is square', () => {
    expect(quickOutline(QUICK)).toEqual([
      [-90, 150],
      [20, 150],
      [20, 95],
    ])
  })
  test('a chamfer lies inside a round corner, a round corner inside a square one', () => {
    const straight: [number, number][] = [
      [-120, 151],
      [-90, 151],
      [21, 151],
      [21, 60],
    ]
    const profile = prepareWheel({
      points: [
        [-120, 170],
        [14, 170],
        [30, 158],
        [33, 60],
      ],
      tags: ['barrel', 'shoulder', 'face'],
    })
    const of = (corner: QuickOutline['corner']) =>
      gap(prepareCaliper([{ name: 'body', points: quickOutline({ ...QUICK, corner }).map(([z, r]) => [z, r]) }]), profile).minGapMm
    expect(straight).toHaveLength(4)
    expect(of('chamfer')).toBeGreaterThan(of('round'))
    expect(of('round')).toBeGreaterThan(of('square'))
  })
  test('a round corner never promises room that the ellipse takes', () => {
    const points = quickOutline({ ...QUICK, corner: 'round' })
    for (let i = 2; i < points.length - 3; i += 1) {
      const [z0, r0] = points[i]!
      const [z1, r1] = points[i + 1]!
      const middle = [(z0 + z1) / 2, (r0 + r1) / 2] as const
      expect(((middle[0] - 5) / 15) ** 2 + ((middle[1] - 132) / 18) ** 2).toBeGreaterThanOrEqual(1 - 1e-9)
    }
  })
  test.each([
    [{ tallToMm: -95 }, /end outboard/],
    [{ tallToMm: 25 }, /further outboard than the outer face/],
    [{ faceInnerRadiusMm: 140 }, /smaller/],
    [{ faceOuterRadiusMm: 160 }, /higher/],
  ])('says what contradicts what: %p', (change, message) => {
    expect(quickOutlineContradiction({ ...QUICK, ...change })).toMatch(message)
    expect(quickOutlineContradiction(QUICK)).toBeUndefined()
  })
})

describe('a wheel from its markings', () => {
  test('barrel radius from bead seat, well, wall and steps', () => {
    const radius = (barrel: 'plain' | 'oneStep' | 'twoSteps') =>
      nominalWheel({ diameterIn: 17, widthIn: 7, offsetMm: 40, barrel, wellDepthMm: 17, wallMm: 6 })!.points[0]![1]
    expect(radius('plain')).toBeCloseTo(BEAD_SEAT_MM[17]! / 2 - 23, 9)
    expect(radius('plain') - radius('oneStep')).toBeCloseTo(12.7, 9)
    expect(radius('oneStep') - radius('twoSteps')).toBeCloseTo(12.7, 9)
  })
  test('the inboard end stands at -ET minus half the width', () => {
    expect(nominalWheel({ diameterIn: 15, widthIn: 6, offsetMm: 35 })!.points[0]![0]).toBeCloseTo(-35 - 76.2, 9)
  })
  test('without a measured depth there is no face', () => {
    expect(nominalWheel({ diameterIn: 15, widthIn: 6, offsetMm: 35 })!.tags).toEqual(['barrel'])
  })
  test('every face passes the measured depth, and none promises more room towards the rim', () => {
    for (const face of ['flat', 'concave', 'convex'] as const) {
      const { points, tags } = nominalWheel({ diameterIn: 15, widthIn: 6, offsetMm: 35, face, faceDepth: { depthMm: 40, radiusMm: 120 } })!
      expect(tags).toHaveLength(points.length - 1)
      expect(Math.max(...points.map(([z]) => z))).toBe(40)
    }
  })
  test('an unknown diameter code is unknown', () => {
    expect(nominalWheel({ diameterIn: 16.5, widthIn: 6, offsetMm: 35 })).toBeUndefined()
  })
})

describe('where a caliper stands', () => {
  const stack = { rotorOffsetMm: 28, rotorThicknessMm: 22, padThicknessMm: 16, takenWithRotorThicknessMm: 20, takenWithPadThicknessMm: 10 }
  test('fixed: hub to mount to slot, less the hat that carries the seat', () => {
    expect(
      axialShift({ construction: 'fixed', frame: 'mount', mountFaceMm: -40, bracketMm: 5, shimMm: 1, mountToSlotMm: 8, hatMm: 6 }),
    ).toBe(-32)
    expect(axialShift({ construction: 'fixed', frame: 'seat', takenWithHatMm: 6, hatMm: 8, stackBeyondMm: 0 })).toBe(-2)
    // 3 mm of shims more than when it was taken
    expect(axialShift({ construction: 'fixed', frame: 'seat', takenWithHatMm: 6, hatMm: 8, stackBeyondMm: 3 })).toBe(1)
  })
  test('sliding: worn pads and rotor at the measuring flattered the gap', () => {
    expect(axialShift({ construction: 'sliding', frame: 'seat', takenWithRotorOffsetMm: 28, ...stack })).toBe(7)
    expect(axialShift({ construction: 'sliding', frame: 'mount', ...stack })).toBe(7 - 28)
  })
})

describe('verdicts', () => {
  test.each([
    [3.1, 4, 'clears'],
    [3, 4, 'clears'],
    [2.99, 4, 'tight'],
    [1.5, 4, 'tight'],
    [1.49, 4, 'measure'],
    [-2, 1.49, 'tooClose'],
    [-2, -0.01, 'hits'],
    [-2, 1.5, 'measure'],
  ] as const)('5 %% point %p, 95 %% point %p: %s', (p05, p95, verdict) => {
    expect(clearanceVerdict(p05, p95, 3, 1.5)).toBe(verdict)
  })
  test('only what lies along the gap counts, of the side that limits', () => {
    const u = { caliperAxialMm: 0.3, caliperRadialMm: 5, faceAxialMm: 0.4, barrelRadialMm: 7 }
    expect(gapUncertainty(gapGradient({ caliperPoint: [0, 100], wheelPoint: [4, 100], limitingTag: 'face', minGapMm: 4 }), u)).toBeCloseTo(
      0.5,
      12,
    )
    expect(
      gapUncertainty(gapGradient({ caliperPoint: [0, 100], wheelPoint: [0, 110], limitingTag: 'barrel', minGapMm: 10 }), u),
    ).toBeCloseTo(Math.hypot(5, 7), 12)
  })
  test('the range holds nine of ten', () => {
    const { p05Mm, p95Mm } = gapRange(4, 1)
    expect([p05Mm, p95Mm]).toEqual([expect.closeTo(2.3551, 4), expect.closeTo(5.6449, 4)])
  })
})

describe('the least spacer', () => {
  const caliper = prepareCaliper([
    {
      name: 'body',
      points: [
        [-80, 150],
        [38, 150],
        [38, 90],
      ],
    },
  ])
  test('reaches what is required, and a hair less does not', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 12, noNaN: true }), fc.double({ min: -30, max: 30, noNaN: true }), (required, slant) => {
        const wheel = prepareWheel({
          points: [
            [-100, 190],
            [30, 190],
            [40, 160],
            [40 + slant / 10, 60],
          ],
          tags: ['barrel', 'shoulder', 'face'],
        })
        const found = leastSpacer(caliper, wheel, required, 30)!
        expect(gap(caliper, wheel, found).minGapMm).toBeGreaterThanOrEqual(required - 1e-6)
        if (found > 0.02) expect(gap(caliper, wheel, found - 0.02).minGapMm).toBeLessThan(required)
      }),
      { numRuns: 40 },
    )
  })
  test('none helps where the barrel limits and stays as narrow', () => {
    const barrel = prepareWheel({
      points: [
        [-150, 151],
        [60, 151],
        [70, 60],
      ],
      tags: ['barrel', 'face'],
    })
    expect(leastSpacer(caliper, barrel, 3, 30)).toBeUndefined()
    expect(stockSpacer(undefined, 30, () => true)).toBeUndefined()
  })
  test('the stock size has to pass a test of its own', () => {
    expect(stockSpacer(4.2, 30, () => true)).toBe(5)
    expect(stockSpacer(4.2, 30, (size) => size >= 10)).toBe(10)
    expect(stockSpacer(4.2, 8, (size) => size >= 10)).toBeUndefined()
    expect(stockSpacer(0, 30, () => true)).toBe(0)
    expect(stockSpacer(0, 30, (size) => size > 0)).toBe(3)
  })
})
