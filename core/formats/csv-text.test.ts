import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import Papa from 'papaparse'
import { csvText, unguard } from './csv-text.ts'

describe('every CSV that leaves', () => {
  test.each(['=1+1', '+cmd', '-2+3', '@SUM(A1)', '\tx', '\r=1', '-5 mm', '=HYPERLINK("a";"b")'])(
    '%p is text there, and comes back as it was',
    (text) => {
      for (const delimiter of [',', ';'] as const) {
        const [[head], [cell]] = Papa.parse<string[]>(csvText([text], [[text]], delimiter), { delimiter }).data as [string[], string[]]
        for (const one of [head, cell]) {
          expect(one).toBe(`'${text}`)
          expect(unguard(one!)).toBe(text)
        }
      }
    },
  )
  test.each(['-5', '+0.25', '-1,5', '1e-3', 'a-b', ''])('%p is no formula', (text) => {
    expect(Papa.parse<string[]>(csvText(['a', 'b'], [[text, 'x']])).data[1]![0]).toBe(text)
  })
  test('whatever the texts, no cell begins as a formula, and all come back', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.string(), fc.string({ unit: 'grapheme' })), { minLength: 1 }), (rows) => {
        const back = Papa.parse<string[]>(csvText(['a', 'b'], rows), { newline: '\n', delimiter: ',' }).data.slice(1, 1 + rows.length)
        back.forEach((row, i) =>
          row.forEach((cell, j) => {
            if (/^[=@\t\r]/.test(cell)) throw new Error(`${JSON.stringify(cell)} is a formula`)
            const text = rows[i]![j]!
            // a text that looks guarded already cannot be told from one that is
            if (!text.startsWith("'")) expect(unguard(cell)).toBe(text)
          }),
        )
      }),
      { seed: 20261126 },
    )
  })
})
