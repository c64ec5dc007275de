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
    const found = fitGauges(made((front) => 0.9 * front))!
    expect(found).toMatchObject({ slope: expect.closeTo(0.9, 2), knee: undefined, offset: false, air: false })
  })
  test('a valve is found where it takes hold, with its slope', () => {
    const found = fitGauges(made((front) => (front <= 4 ? front : 4 + 0.4 * (front - 4))))!
    expect(found.knee!.rearMpa).toBeCloseTo(4, 1)
    expect(found.knee!.slope).toBeCloseTo(0.4, 1)
    expect(found.slope).toBeCloseTo(1, 2)
  })
  test('a zero that is off is an offset beyond the noise', () => {
    const found = fitGauges(made((front) => 0.9 * front + 0.3))!
    expect(found).toMatchObject({ offset: true, air: false, interceptMpa: expect.closeTo(0.3, 1) })
  })
  test('air bends the low end', () => {
    expect(fitGauges(made((front) => Math.max(0, 0.9 * front - 0.9 * Math.exp(-front))))).toMatchObject({ air: true })
  })
  test('scatter alone is neither air nor an offset nor a knee, and what is there is found', () => {
    // normal noise as a sum of twelve (central limit theorem), from a seed
    let seed = 7
    const uniform = () => (seed = (seed * 16807) % 2147483647) / 2147483647
    const normal = () => Array.from({ length: 12 }, uniform).reduce((sum, one) => sum + one, -6)
    const read = (rear: (front: number) => number, sigma: number) =>
      Array.from({ length: 7 }, (_, i): PressurePair => {
        const front = 0.9 + 0.36 * i
        return [front + sigma * normal(), rear(front) + sigma * normal()]
      })
    const rounds = 400
    const share = (rear: (front: number) => number, says: (found: NonNullable<ReturnType<typeof fitGauges>>) => boolean) =>
      Array.from({ length: rounds }, () => fitGauges(read(rear, 0.02))!).filter(says).length / rounds
    const straight = (front: number) => 0.8 * front
    expect(share(straight, (one) => one.air || one.offset || one.knee !== undefined)).toBeLessThanOrEqual(0.005)
    expect(
      share(
        (front) => straight(front) + 0.28,
        (one) => one.offset && !one.air,
      ),
    ).toBeGreaterThanOrEqual(0.99)
    expect(
      share(
        (front) => straight(front) - 0.9 * Math.exp(-straight(front) / 0.9),
        (one) => one.air,
      ),
    ).toBeGreaterThanOrEqual(0.99)
    expect(
      share(
        (front) => Math.min(straight(front), 1.4 + 0.3 * (straight(front) - 1.4)),
        (one) => one.knee !== undefined && !one.air,
      ),
    ).toBeGreaterThanOrEqual(0.95)
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
