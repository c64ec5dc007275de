import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { plusMinusOf } from './format.ts'
import { parseQuantity } from './parse.ts'
import { PLUS_MINUS, standardOf, statedOf, type PlusMinus } from './plus-minus.ts'
import { DEFAULT_UNITS } from './units.ts'

const meanings = fc.constantFrom(...(Object.keys(PLUS_MINUS) as PlusMinus[]))

test('what is typed is shown again, whatever ± means', () => {
  fc.assert(
    fc.property(meanings, fc.integer({ min: 0, max: 400 }), (plusMinus, hundredths) => {
      const units = { ...DEFAULT_UNITS, plusMinus }
      const typed = String(hundredths / 100)
      const parsed = parseQuantity(`57 ± ${typed} mm`, 'length', units)
      if (!parsed.ok) throw new Error(parsed.message)
      expect(plusMinusOf(parsed.u!, 'length', units)).toBe(typed)
    }),
  )
})
test('a limit is the default: every value within it is as likely', () => {
  expect(standardOf(Math.sqrt(3))).toBeCloseTo(1, 12)
  expect(statedOf(standardOf(0.4, 'range95'), 'range95')).toBeCloseTo(0.4, 12)
  expect(standardOf(0.4, 'standard')).toBe(0.4)
})
