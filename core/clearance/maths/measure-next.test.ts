import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { agreement } from './agreement.ts'
import { combinedShifts, joinByVariance, measureNext, trialFitChances, type ClearanceInput } from './measure-next.ts'
import { normalQuantile } from '../../maths/normal.ts'
import { clearanceVerdict } from './verdict.ts'

const limits = { requiredMm: 3, tightMm: 1.5 }
/** A face that limits: only what lies along the axle counts. */
const gradient = { caliperAxialMm: -1, caliperRadialMm: 0, faceAxialMm: 1, barrelRadialMm: 0 }
const input = (moves: ClearanceInput['moves'], uMm: number, afterMm: number, name = ''): ClearanceInput & { name: string } => ({
  moves,
  uMm,
  afterMm,
  name,
})

describe('the four shifts from all inputs', () => {
  test('add up as squares, each by how far it moves things', () => {
    const found = combinedShifts([
      input({ caliperAxialMm: 1 }, 0.3, 0),
      input({ caliperAxialMm: -0.5 }, 0.8, 0),
      input({ caliperRadialMm: 1 }, 0.2, 0),
      input({ barrelRadialMm: 1 }, 0.7, 0),
    ])
    expect(found).toEqual({ caliperAxialMm: 0.5, caliperRadialMm: 0.2, faceAxialMm: 0, barrelRadialMm: 0.7 })
  })
})

describe('what to measure next', () => {
  const inputs = [
    input({ caliperAxialMm: 1 }, 0.6, 0.1, 'outer face'),
    input({ caliperRadialMm: 1 }, 5, 0.1, 'tallest radius'),
    input({ faceAxialMm: 1 }, 3, 0.1, 'spoke back'),
    input({ faceAxialMm: 1 }, 1.5, 1.5, 'shape that cannot be measured better'),
  ]
  test('first what leaves least; what does not act along the gap is not proposed, nor what cannot get better', () => {
    expect(measureNext(4, gradient, inputs, limits).map((one) => one.input.name)).toEqual(['spoke back', 'outer face'])
  })
  test('share and rest are those of the squares', () => {
    const [first] = measureNext(4, gradient, inputs, limits)
    const whole = 0.36 + 9 + 2.25
    expect(first!.share).toBeCloseTo(9 / whole, 12)
    expect(first!.leftMm).toBeCloseTo(Math.sqrt(whole - 9 + 0.01), 12)
  })
  test('the chances are those of what may come out', () => {
    const only = [input({ faceAxialMm: 1 }, 2, 0.1)]
    const [found] = measureNext(4, gradient, only, limits)
    const counts = { clears: 0, tight: 0, hits: 0, tooClose: 0, measure: 0 }
    const n = 20_000
    for (let i = 0; i < n; i += 1) {
      const mean = 4 + Math.sqrt(4 - 0.01) * normalQuantile((i + 0.5) / n)
      counts[clearanceVerdict(mean - 1.6448536 * 0.1, mean + 1.6448536 * 0.1, 3, 1.5)] += 1 / n
    }
    for (const verdict of Object.keys(counts) as (keyof typeof counts)[]) expect(found!.chances[verdict]).toBeCloseTo(counts[verdict], 3)
  })
  test('chances add up to one, and better knowledge never leaves more open', () => {
    fc.assert(
      fc.property(fc.double({ min: -4, max: 9, noNaN: true }), fc.double({ min: 0.2, max: 4, noNaN: true }), (gapMm, uMm) => {
        const at = (afterMm: number) => measureNext(gapMm, gradient, [input({ faceAxialMm: 1 }, uMm, afterMm)], limits)[0]!
        const sum = (chances: object) => Object.values(chances).reduce((total: number, one: number) => total + one, 0)
        expect(sum(at(0.05).chances)).toBeCloseTo(1, 9)
        expect(at(0.02).chances.measure).toBeLessThanOrEqual(at(0.1).chances.measure + 1e-9)
      }),
    )
  })
  test('an input known for certain is not proposed', () => {
    expect(measureNext(4, gradient, [input({ faceAxialMm: 1 }, 0, 0)], limits)).toEqual([])
  })
})

describe('a trial fit', () => {
  test('joins by inverse variance', () => {
    expect(joinByVariance({ valueMm: 4, uMm: 1 }, { valueMm: 3, uMm: 0.5 })).toEqual({
      valueMm: 3.2,
      uMm: expect.closeTo(Math.sqrt(0.2), 12),
    })
    expect(joinByVariance({ valueMm: 4, uMm: 0 }, { valueMm: 3, uMm: 0.5 }).valueMm).toBe(4)
    expect(joinByVariance({ valueMm: 4, uMm: 1 }, { valueMm: 3, uMm: 0 }).valueMm).toBe(3)
  })
  test('is surer than either, and lies between', () => {
    const of = fc.record({ valueMm: fc.double({ min: -5, max: 9, noNaN: true }), uMm: fc.double({ min: 0.01, max: 3, noNaN: true }) })
    fc.assert(
      fc.property(of, of, (a, b) => {
        const joined = joinByVariance(a, b)
        expect(joined.uMm).toBeLessThan(Math.min(a.uMm, b.uMm))
        expect(joined.valueMm).toBeGreaterThanOrEqual(Math.min(a.valueMm, b.valueMm) - 1e-9)
        expect(joined.valueMm).toBeLessThanOrEqual(Math.max(a.valueMm, b.valueMm) + 1e-9)
      }),
    )
  })
  test('a sure one settles nearly always', () => {
    const { leftMm, chances } = trialFitChances(5, 2, 0.1, { requiredMm: 1.5, tightMm: 1.5 })
    expect(leftMm).toBeLessThan(0.1)
    expect(chances.clears).toBeGreaterThan(0.9)
    expect(trialFitChances(5, 0.1, 0.1, limits).chances.clears).toBeCloseTo(1, 6)
  })
})

describe('two ways to one length', () => {
  test.each([
    [155, 0.3, 155.6, 0.2, true],
    [155, 0.3, 155.9, 0.2, false],
    [155, 0, 155, 0, true],
  ])('%p ± %p and %p ± %p agree: %p', (a, ua, b, ub, agree) => {
    expect(agreement({ valueMm: a, uMm: ua }, { valueMm: b, uMm: ub }).agree).toBe(agree)
  })
})
