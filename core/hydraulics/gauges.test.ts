import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { barShareFromGauges, fitGauges, type PressurePair } from './gauges.ts'
import { boreAreaMm2 } from './system.ts'

const FRONT = [1, 2, 3, 4, 5, 6, 7, 8]
const number = (min: number, max: number) => fc.double({ min, max, noNaN: true })

describe('the bar from pressures', () => {
  test('gives back the share that made them, for any bores and force', () => {
    fc.assert(
      fc.property(number(0.35, 0.65), number(12, 30), number(12, 30), (share, frontBore, rearBore) => {
        const pairs = FRONT.map((kN): PressurePair => [
          (share * kN * 1000) / boreAreaMm2(frontBore),
          ((1 - share) * kN * 1000) / boreAreaMm2(rearBore),
        ])
        expect(barShareFromGauges(pairs, frontBore, rearBore)).toBeCloseTo(share, 9)
      }),
    )
  })
  test('nothing to read, nothing said', () => {
    expect(barShareFromGauges([], 20, 20)).toBeUndefined()
    expect(barShareFromGauges([[0, 0]], 20, 20)).toBeUndefined()
  })
})

describe('slope, offset and knee', () => {
  const noise = [0.01, -0.012, 0.008, -0.006, 0.011, -0.009, 0.004, -0.007]
  const made = (rear: (front: number) => number) => FRONT.map((front, i): PressurePair => [front, rear(front) + noise[i]!])
  test('a straight line has no knee and no offset', () => {
    expect(fitGauges(made((front) => 0.9 * front))!).toMatchObject({ slope: expect.closeTo(0.9, 2), knee: undefined, fault: 'none' })
  })
  test('a valve is found where it takes hold, with its slope', () => {
    const found = fitGauges(made((front) => (front <= 4 ? front : 4 + 0.4 * (front - 4))))!
    expect(found.knee!.rearMpa).toBeCloseTo(4, 1)
    expect(found.knee!.slope).toBeCloseTo(0.4, 1)
    expect(found.slope).toBeCloseTo(1, 2)
  })
  test.each([0.3, -0.3])('a zero that is off by %p is an offset beyond the noise', (by) => {
    expect(fitGauges(made((front) => 0.9 * front + by))!).toMatchObject({ fault: 'offset', interceptMpa: expect.closeTo(by, 1) })
  })
  test('air bends the low end', () => {
    expect(fitGauges(made((front) => Math.max(0, 0.9 * front - 0.9 * Math.exp(-front))))).toMatchObject({ fault: 'lag' })
  })
  test('too few readings, or all at one pressure, say nothing', () => {
    expect(
      fitGauges([
        [1, 1],
        [2, 2],
      ]),
    ).toBeUndefined()
    expect(
      fitGauges([
        [1, 1],
        [1, 1.1],
        [1, 0.9],
      ]),
    ).toBeUndefined()
  })
})
