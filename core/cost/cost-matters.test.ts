import { expect, test } from '@jest/globals'
import { produce } from 'immer'
import { DEMO_PROJECT } from '../demo/project.ts'
import { evaluate } from '../evaluate/evaluate.ts'
import { costMatters } from './cost-matters.ts'

test('the price that is widest open comes first; once it is settled it matters no more and the range is narrower', () => {
  const { bill } = evaluate(DEMO_PROJECT, 'balanced')
  const [first, ...others] = costMatters(bill)
  expect(first!.share).toBeGreaterThan(0.2)
  expect(costMatters(bill).reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 1)
  expect(others.every(({ share }) => share <= first!.share)).toBe(true)
  const { at } = first!
  const settled = produce(DEMO_PROJECT, (draft) => {
    const holder =
      at.kind === 'part'
        ? draft.parts.find((one) => one.id === at.partId)
        : draft.setups.find((one) => one.id === 'balanced')!.extras.find((one) => one.label === first!.label)
    const price = holder!.price!
    price.lowMinor = price.highMinor = price.likelyMinor
  })
  const after = evaluate(settled, 'balanced').bill
  expect(costMatters(after).map(({ label }) => label)).not.toContain(first!.label)
  expect(after.total.p90 - after.total.p10).toBeLessThan(bill.total.p90 - bill.total.p10)
})
test('what is settled, owned or without a price leaves nothing open', () => expect(costMatters({ lines: [] })).toEqual([]))
