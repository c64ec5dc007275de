import { beforeAll, expect, test } from '@jest/globals'
import { DEEP } from '../testing/runs.ts'
import { anyPicture, numbersFrom, offLine, outlined, seenAt, traced } from '../testing/sheet-pictures.ts'
import { MARKS, type Mm } from './sheet.ts'

/** A caliper's body, invented. */
const BODY: readonly Mm[] = [
  [-95, 112],
  [-80, 132],
  [-62, 139],
  [10, 140],
  [18, 136],
  [32, 120],
  [38, 118],
  [39, 80],
]
/**
 * Places of the camera, each with its light, its lens and what lies on the sheet. The eight of the quick run hold the worst of
 * forty: 35 for points off the line, 13 for points outside their uncertainty, 10 for marks that do not agree.
 */
const SEEDS = DEEP ? Array.from({ length: 40 }, (_, i) => i + 1) : [3, 7, 8, 10, 13, 33, 35, 38]
const ANGLES = SEEDS.length
/** 90 of 100 of a normal distribution lie within so many standard deviations. */
const NINETY = 1.645

const all = { found: 0, wrong: 0, points: 0, near: 0, held: 0, worstResidualMm: 0 }
beforeAll(() => {
  for (const seed of SEEDS) {
    const one = anyPicture(seed, BODY)
    const hand = traced(one, numbersFrom(1000 + seed))
    if (!hand.marks) continue
    all.found += 1
    const off = Math.max(
      ...MARKS.map((mark, i) => {
        const [x, y] = seenAt({ ...one, heightMm: 0 }, mark, 'sheet')
        return Math.hypot(hand.marks![i]![0] - x, hand.marks![i]![1] - y)
      }),
    )
    if (off > 8 || !hand.reading) {
      all.wrong += 1
      continue
    }
    all.worstResidualMm = Math.max(all.worstResidualMm, hand.reading.residualMm)
    // as it truly is: what the picture alone makes of a point
    const true100 = { across: { value: 100 * one.printed[0], u: 0 }, along: { value: 100 * one.printed[1], u: 0 } }
    const exact = outlined(hand, {
      heightMm: { value: one.heightMm, u: 0 },
      printedMm: true100,
      laid: false,
      focal35Mm: one.camera.focal35Mm,
    })
    for (const [z, r] of exact!.outline.points) {
      const place: Mm = one.kind === 'sheet' ? [z / one.printed[0], r / one.printed[1]] : [z - one.laidMm[0], r - one.laidMm[1]]
      const { left, mm } = offLine(place, BODY)
      all.points += 1
      if (Math.abs(mm < 0.02 ? one.asideMm : left - one.asideMm) < 0.3) all.near += 1
    }
    // as it would be said: a bar read with a rule, a card of one millimetre
    const usual = one.kind === 'sheet' ? { value: 0, u: 0 } : one.kind === 'card' ? { value: 1, u: 0.2 } : { value: 8, u: 0.5 }
    const bar = { value: 100, u: 0.15 }
    const said = outlined(hand, { heightMm: usual, printedMm: { across: bar, along: bar }, laid: one.kind !== 'sheet' })
    said!.outline.points.forEach((point, i) => {
      const { by, mm } = offLine(point, BODY)
      const [uz, ur] = said!.outline.doubts[i]!
      const u = mm === 0 ? 1 : Math.hypot(by[0] * uz, by[1] * ur) / mm
      if (mm <= NINETY * u) all.held += 1
    })
  }
})

test('the marks are found from 95 of 100 angles, and what is found is the sheet', () => {
  expect(all.found).toBeGreaterThanOrEqual(0.95 * ANGLES)
  expect(all.wrong).toBe(0)
  expect(all.worstResidualMm).toBeLessThan(0.3)
})

test('95 of 100 points lie within 0.3 mm of the line that was drawn', () => {
  expect(all.points).toBeGreaterThan(10 * ANGLES)
  // of the worst angles fewer are: 240 of 256
  expect(all.near / all.points).toBeGreaterThanOrEqual(DEEP ? 0.95 : 0.93)
})

test('the stated doubt holds the truth in 85 to 97 of 100 points', () => {
  expect(all.held / all.points).toBeGreaterThanOrEqual(0.85)
  expect(all.held / all.points).toBeLessThanOrEqual(0.97)
})
