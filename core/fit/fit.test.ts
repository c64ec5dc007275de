import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { threadHold, threadNeededMm } from './rules/stud-engagement.ts'
import { registerLeftMm, stanceChange } from './wheel-place.ts'

/** A stud without a plain tip and an open nut that is long enough. */
const studEngagement = (stud: number, hat: number, spacer: number, pad: number, threadMm: number, pitchMm: number) => {
  const neededMm = threadNeededMm(threadMm, pitchMm)
  const { engagedMm, longerByMm } = threadHold(stud - hat - spacer - pad, 0, Infinity, Infinity, neededMm)
  return { engagedMm, neededMm, longerByMm, verdict: longerByMm === 0 ? 'fits' : 'needs' }
}

describe('thread engaged', () => {
  test.each([
    [44, 6, 0, 20, 18, 'fits', 0],
    [44, 6, 6, 20, 12, 'fits', 0],
    [44, 6, 6.1, 20, 11.9, 'needs', 0.1],
    [30, 6, 15, 20, -11, 'needs', 23],
  ] as const)('stud %p, hat %p, spacer %p, wheel %p: %p mm, %s', (stud, hat, spacer, pad, engaged, verdict, longer) => {
    const found = studEngagement(stud, hat, spacer, pad, 12, 1.5)
    expect(found).toMatchObject({ neededMm: 12, verdict })
    expect(found.engagedMm).toBeCloseTo(engaged, 9)
    expect(found.longerByMm).toBeCloseTo(longer, 9)
  })
  test('turns count where they ask for more than a diameter', () => {
    expect(studEngagement(40, 6, 0, 20, 12, 2).neededMm).toBe(13)
  })
  test('a spacer takes its thickness, millimetre for millimetre', () => {
    const mm = fc.double({ min: 0, max: 30, noNaN: true })
    fc.assert(
      fc.property(mm, mm, (a, b) => {
        const of = (spacer: number) => studEngagement(60, 6, spacer, 12, 12, 1.5).engagedMm
        expect(of(a) - of(a + b)).toBeCloseTo(b, 9)
      }),
    )
  })
})

describe('the place of a wheel', () => {
  const then = { offsetMm: 35, widthMm: 165.1, spacerMm: 0, hatThicknessMm: 6 }
  test('nothing changed, nothing moved', () => {
    expect(stanceChange(then, then)).toEqual({ effectiveOffsetMm: 35, trackMm: 0, pokeMm: 0 })
  })
  test('a thicker hat acts like a spacer, another offset the other way', () => {
    expect(stanceChange({ ...then, hatThicknessMm: 9 }, then)).toEqual(stanceChange({ ...then, spacerMm: 3 }, then))
    expect(stanceChange({ ...then, offsetMm: 30 }, then)).toEqual({ effectiveOffsetMm: 30, trackMm: 10, pokeMm: 5 })
    expect(stanceChange({ ...then, spacerMm: 5 }, then)).toEqual({ effectiveOffsetMm: 30, trackMm: 10, pokeMm: 5 })
  })
  test('half of a wider rim goes outboard', () => {
    expect(stanceChange({ ...then, widthMm: 177.8 }, then).pokeMm).toBeCloseTo(6.35, 9)
    expect(stanceChange({ ...then, widthMm: 177.8 }, then).trackMm).toBe(0)
  })
  test('what is left of the register never falls below nothing', () => {
    expect(registerLeftMm(14, 6, 3)).toBe(5)
    expect(registerLeftMm(14, 6, 20)).toBe(0)
  })
})
