import { readFileSync } from 'node:fs'
import { expect, test } from '@jest/globals'
import { GLOSSARY, termsIn } from './glossary.ts'

test('forty terms, each in two lines, and the same in ARCHITECTURE.md', () => {
  const rows = new Map(
    readFileSync('ARCHITECTURE.md', 'utf8')
      .split('\n')
      .flatMap((line) => {
        const [, term, meaning] = /^\| (.+?) +\| (.+?) +\|$/.exec(line) ?? []
        return term && meaning ? [[term, meaning] as const] : []
      }),
  )
  const terms = Object.values(GLOSSARY)
  expect(terms.length).toBe(40)
  for (const [term, meaning] of terms) {
    expect([term, rows.get(term)]).toEqual([term, meaning])
    expect(meaning.split(/\s+/).length).toBeLessThanOrEqual(28)
    expect(meaning).toMatch(/^[A-Z].*\.$/)
  }
  // in the order in which a reader looks for them
  const order = terms.map(([term]) => term.toLowerCase())
  expect(order).toEqual([...order].sort((a, b) => a.localeCompare(b)))
})

test('terms are found in a text once each, as whole words, the longer before the shorter', () => {
  expect(termsIn('The hub register and another hub register')).toEqual([
    { text: 'The ' },
    { text: 'hub register', term: 'hubRegister' },
    { text: ' and another hub register' },
  ])
  expect(termsIn('Fading is no fade.').filter((one) => one.term)).toEqual([{ text: 'fade', term: 'fade' }])
  expect(termsIn('A proportioning valve')[1]).toEqual({ text: 'proportioning valve', term: 'proportioning' })
  expect(termsIn('')).toEqual([])
  for (const text of ['Pad lining of the pad lining', 'knee pressure, Knee Pressure', 'nothing here'])
    expect(
      termsIn(text)
        .map((one) => one.text)
        .join(''),
    ).toBe(text)
})
