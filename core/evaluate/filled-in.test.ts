import { expect, test } from '@jest/globals'
import { DEMO_PROJECT } from '../demo/project.ts'
import { evaluateAll, isReport } from './evaluate-all.ts'
import { filledIn } from './filled-in.ts'

test('every working that has something to fill is filled, and nothing else of a report changes', () => {
  for (const one of evaluateAll(DEMO_PROJECT)) {
    const filled = filledIn(one)
    if (!isReport(one) || !isReport(filled)) throw new Error('the demo can be evaluated')
    expect(filled.figures['front.effectiveRadius'].filled).toMatch(/^\([\d.]+ \+ [\d.]+\) \/ 2$/)
    expect(Object.values(filled.figures).filter((figure) => figure.filled !== undefined).length).toBeGreaterThan(15)
    for (const [id, { filled: _, ...rest }] of Object.entries(filled.figures)) expect(one.figures[id as 'cost.total']).toMatchObject(rest)
    expect({ ...filled, figures: one.figures }).toEqual(one)
  }
  const failed = { setupId: 'a', setupName: 'A', isStock: false, failed: 'why' }
  expect(filledIn(failed)).toBe(failed)
})
