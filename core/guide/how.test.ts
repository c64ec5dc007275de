import { expect, test } from '@jest/globals'
import { LIMITS } from '../records/limits.ts'
import { DEFAULT_PREFERENCES } from '../records/blank.ts'
import { GAP_POLICIES } from '../records/preferences.ts'
import { howItDecides } from './how.ts'

test('every school names the one that is taken, and it is the one that new projects have', () => {
  const { schools } = howItDecides()
  for (const one of schools) expect([one.question, one.ways.filter((way) => way.taken).length]).toEqual([one.question, 1])
  const gap = schools.find((one) => one.question.startsWith('Clearance'))!.ways.find((way) => way.taken)!
  expect(gap.label).toBe(GAP_POLICIES[DEFAULT_PREFERENCES.gapPolicy].label)
  expect(DEFAULT_PREFERENCES).toMatchObject({ areaCounting: 'oneSide', effectiveRadius: 'mean' })
})
test('every limit and every formula of the report is there, each with its reason or source', () => {
  const { limits, formulas } = howItDecides()
  expect(limits).toHaveLength(Object.keys(LIMITS).length)
  expect(limits.find((one) => one.label.startsWith('Hose longer than its path by a share'))!.value).toMatch(/^10%$/)
  expect(formulas.length).toBeGreaterThan(20)
  for (const one of formulas) expect([one.id, one.source.length > 4, one.text.length > 4]).toEqual([one.id, true, true])
})
