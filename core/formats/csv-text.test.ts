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
          expect(one).toMatch(/^'/)
          expect(unguard(one!)).toBe(text)
        }
      }
    },
  )
  test.each(['-5', '+0.25', '-1,5', '1e-3', 'a-b', ''])('%p is no formula', (text) => {
    expect(Papa.parse<string[]>(csvText(['a', 'b'], [[text, 'x']])).data[1]![0]).toBe(text)
  })
  test.each(['x;=1+1', 'x,@SUM(A1)', 'a|+cmd', '\n=1+1', 'a\n-2+3', 'x;  =1', "x;'=1", 'x;-5 mm'])(
    '%j hides no formula where another character ends a cell, and comes back as it was',
    (text) => {
      const cell = Papa.parse<string[]>(csvText(['a'], [[text]]), { delimiter: ',', newline: '\n' }).data[1]![0]!
      for (const piece of cell.split(/[;,|\n]/)) expect(piece.trimStart()).not.toMatch(/^[=@]|^[+-](?!\d+([.,]\d+)?$)/)
      expect(unguard(cell)).toBe(text)
    },
  )
  test('several figures in a cell stay figures', () => {
    expect(csvText(['a'], [['38; -2.5']])).toBe('a\n38; -2.5\n')
  })
  test('whatever the texts, no cell begins as a formula, and all come back', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.string(), fc.string({ unit: 'grapheme' })), { minLength: 1 }), (rows) => {
        const back = Papa.parse<string[]>(csvText(['a', 'b'], rows), { newline: '\n', delimiter: ',' }).data.slice(1, 1 + rows.length)
        back.forEach((row, i) =>
          row.forEach((cell, j) => {
            if (/^[=@\t\r]/.test(cell)) throw new Error(`${JSON.stringify(cell)} is a formula`)
            const text = rows[i]![j]!
            expect(unguard(cell)).toBe(text)
          }),
        )
      }),
      { seed: 20261126 },
    )
  })
})
