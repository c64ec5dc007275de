import { describe, expect, test } from '@jest/globals'
import { DEMO_PROJECT } from '../demo/project.ts'
import { VERDICT_RANK } from '../figures/words.ts'
import { CRITERIA, enoughOf } from './criteria.ts'
import { groupResults } from './result-groups.ts'
import { search } from './search.ts'
import { valuesOf, type SearchResult } from './search-report.ts'
import { DEFAULT_QUERY, type SearchQuery } from './search-space.ts'

const QUERY: SearchQuery = { ...DEFAULT_QUERY, setupId: DEMO_PROJECT.setups[0].id, by: ['cost', 'heat'] }
const result = (cost: number, heat: number, more: Partial<SearchResult> = {}): SearchResult => ({
  parts: {},
  kits: [],
  values: { cost, heat, gap: 5, bias: 0, mass: 0, pedal: 0 },
  pedalN: 130,
  frontShare: 0.8,
  verdict: 'fits',
  ...more,
})

describe('groups of results', () => {
  test('what differs in no criterion is one group, led by the fewest changes', () => {
    const a = result(10_000, 100, { parts: { 'front.hose': 'h1', 'front.pad': 'p' } })
    const b = result(10_200, 104, { parts: { 'front.hose': 'h2' } })
    const c = result(50_000, 60)
    const [first, second] = groupResults(QUERY, [a, b, c], {})
    expect(first).toMatchObject({ lead: b, others: [a], reason: 'cheapest' })
    expect(first!.differIn).toEqual(['front hose', 'front pads'])
    expect(second).toMatchObject({ lead: c, others: [], differIn: [], reason: 'coolest in one stop' })
  })
  test('another verdict is another group, and a value that is not known is no value', () => {
    const unknown = result(10_000, 100)
    unknown.values = { ...unknown.values, heat: undefined }
    const groups = groupResults(QUERY, [result(10_000, 100), result(10_000, 100, { verdict: 'check' }), unknown], {})
    expect(groups).toHaveLength(3)
    expect(groups.every((one) => one.reason === '')).toBe(true)
  })
  test('what is best in nothing says what it gains over the cheapest', () => {
    const [, second] = groupResults(QUERY, [result(10_000, 100), result(30_000, 80), result(60_000, 50)], {})
    expect(second!.reason).toBe('cooler in one stop than the cheapest')
  })
  test('nothing is the cheapest while a price is missing', () => {
    const unpriced = result(0, 50)
    unpriced.values = { ...unpriced.values, cost: undefined }
    const [first] = groupResults(QUERY, [result(10_000, 100), unpriced], {})
    expect(first!.reason).toBe('')
  })
  test('beyond enough there is no difference, and one result needs no reason', () => {
    const query: SearchQuery = { ...QUERY, by: ['gap'] }
    const [a, b] = [result(1, 1), result(2, 2)]
    a.values = { ...a.values, gap: 6 }
    b.values = { ...b.values, gap: 12 }
    expect(groupResults(query, [a, b], { gap: 4 })).toMatchObject([{ others: [b], reason: '' }])
    expect(groupResults(query, [a, b], {})).toMatchObject([{ others: [] }, { others: [], reason: 'most clearance' }])
  })
})

test('of searches of the demo: every result is in one group, members are alike, and a reason holds', () => {
  const enough = enoughOf(DEMO_PROJECT)
  for (const by of [
    ['cost', 'heat', 'gap', 'bias'],
    ['cost', 'bias'],
    ['mass', 'cost'],
  ] as SearchQuery['by'][]) {
    const query: SearchQuery = { ...QUERY, by, vary: { ...QUERY.vary, wheel: true }, musts: { ...QUERY.musts, clears: false } }
    const { finds } = search(DEMO_PROJECT, query)
    const groups = groupResults(query, finds, enough)
    expect(groups.flatMap((one) => [one.lead, ...one.others]).length).toBe(finds.length)
    expect(new Set(groups.flatMap((one) => [one.lead, ...one.others])).size).toBe(finds.length)
    for (const { lead, others, reason } of groups) {
      for (const other of others) expect(VERDICT_RANK[other.verdict]).toBe(VERDICT_RANK[lead.verdict])
      if (reason.split(', ').includes('cheapest'))
        for (const { lead: other } of groups)
          if (other !== lead && other.values.cost !== undefined)
            expect(other.values.cost - lead.values.cost!).toBeGreaterThan(CRITERIA.cost.tolerance)
      expect(valuesOf(query, lead.values, enough)).toHaveLength(by.length)
    }
  }
})
