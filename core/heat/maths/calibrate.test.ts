import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { calibrate } from './calibrate.ts'

/** Falls with the factor, as a rotor does with its cooling. */
const at = (factor: number) => 600 - 120 * Math.log(factor)
const prior = { by: 1, doubt: 0.25 }
const from = (readC: number, readU: number, otherU = 0) => calibrate({ at, readC, readU, otherU, prior })

describe('one reading beside what was known', () => {
  test('one that is sure is followed, one that says nothing changes nothing', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.5, max: 2, noNaN: true }), (factor) => {
        const sure = from(at(factor), 1e-6)
        expect(sure.ok && sure.scale.by).toBeCloseTo(factor, 2)
        expect(sure.ok && sure.scale.doubt).toBeLessThan(1e-3)
        const vague = from(at(factor), 1e6)
        expect(vague.ok && vague.scale.by).toBeCloseTo(1, 3)
        expect(vague.ok && vague.scale.doubt).toBeCloseTo(prior.doubt, 3)
      }),
    )
  })
  test('the answer lies between both, is surer than either, and less so for every other doubt', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.6, max: 1.6, noNaN: true }), fc.double({ min: 1, max: 40, noNaN: true }), (factor, readU) => {
        const [one, other] = [from(at(factor), readU), from(at(factor), readU, 20)]
        if (!one.ok || !other.ok) throw new Error('within reach')
        expect(one.scale.by).toBeGreaterThanOrEqual(Math.min(1, factor) - 1e-3)
        expect(one.scale.by).toBeLessThanOrEqual(Math.max(1, factor) + 1e-3)
        expect(one.scale.doubt).toBeLessThan(prior.doubt)
        expect(other.scale.doubt).toBeGreaterThan(one.scale.doubt)
      }),
    )
  })
  test('what no likely factor makes is refused, with the nearest that one does', () => {
    expect(from(900, 10)).toEqual({ ok: false, nearestC: at(0.3) })
    expect(from(100, 10)).toEqual({ ok: false, nearestC: at(3) })
  })
  test('it is the same where the temperature rises with the factor', () => {
    const rising = calibrate({
      at: (factor) => 200 + 80 * Math.log(factor),
      readC: 200 + 80 * Math.log(1.2),
      readU: 1e-6,
      otherU: 0,
      prior,
    })
    expect(rising.ok && rising.scale.by).toBeCloseTo(1.2, 2)
  })
})
