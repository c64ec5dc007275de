import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { barShareFromGauges } from './bar-share.ts'
import type { PressurePair } from './gauge-models.ts'
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
