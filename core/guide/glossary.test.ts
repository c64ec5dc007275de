import { readFileSync } from 'node:fs'
import { expect, test } from '@jest/globals'
import { GLOSSARY } from './glossary.ts'

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
