import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { bestDeceleration } from '../../testing/constant-split.ts'
import { idealFrontShare } from './constant-split.ts'

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true })

describe('a constant split', () => {
  test('no deceleration without lock beats the friction', () => {
    fc.assert(
      fc.property(number(0.3, 0.95), number(0.35, 0.7), number(0.1, 0.35), number(0.1, 1.3), (beta, phi, chi, friction) => {
        const best = bestDeceleration(beta, phi, chi, friction)
        expect(best.decelG).toBeLessThanOrEqual(friction * (1 + 1e-9))
        expect(bestDeceleration(idealFrontShare(phi, chi, friction), phi, chi, friction).efficiency).toBeCloseTo(1, 9)
      }),
    )
  })
})
