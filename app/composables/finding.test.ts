import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { findIn } from './finding.ts'

const ALL = [
  { label: 'Fit', kind: 'step' },
  { label: 'Rotor fit', kind: 'action' },
  { label: 'Club wheel 6.5J x 15', kind: 'wheel' },
  { label: 'Wheelbase', kind: 'figure of the car' },
  { label: 'Stock wheel', kind: 'wheel' },
]
const names = (text: string) => findIn(ALL, text).map((one) => one.label)

describe('finding by name', () => {
  test('what begins with a word comes before what only has it', () => {
    expect(names('fit')).toEqual(['Fit', 'Rotor fit'])
    expect(names('wheel')).toEqual(['Wheelbase', 'Club wheel 6.5J x 15', 'Stock wheel'])
  })
  test('every word counts, in any order, of the name or of what it is', () => {
    expect(names('15 club')).toEqual(['Club wheel 6.5J x 15'])
    expect(names('car base')).toEqual(['Wheelbase'])
    expect(names('club rotor')).toEqual([])
  })
  test('nothing typed finds all, signs of patterns are signs', () => {
    expect(names('')).toHaveLength(ALL.length)
    expect(names('(')).toEqual([])
    expect(names('6.5')).toEqual(['Club wheel 6.5J x 15'])
  })
  test('what is found has every word, and no more than asked for', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 12 }), fc.integer({ min: 1, max: 3 }), (text, most) => {
        const found = findIn(ALL, text, most)
        expect(found.length).toBeLessThanOrEqual(most)
        for (const { label, kind } of found)
          for (const word of text.toLowerCase().split(/\s+/).filter(Boolean)) expect(`${label} ${kind}`.toLowerCase()).toContain(word)
      }),
    )
  })
})
