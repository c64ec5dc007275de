import { describe, expect, test } from '@jest/globals'
import { DEMO_PROJECT } from '../demo/project.ts'
import { orderHeadline, orderVerdict } from './doubt/order-probability.ts'
import { evaluate } from './evaluate.ts'
import type { FindingVerdict } from './figure/finding.ts'
import { heatBrief } from './heat/heat-brief.ts'
import { stateOfVerdicts, withLaterResults } from './step-state.ts'
import { worstCheck } from './worst-check.ts'

const ids = DEMO_PROJECT.setups.map((one) => one.id)

describe('the state of a step', () => {
  test('is that of the worst result that it shows', () => {
    const verdicts: FindingVerdict[] = ['fits', 'check', 'unknown', 'needs', 'needs', 'blocked']
    expect([1, 2, 3, 5, 6].map((count) => stateOfVerdicts(verdicts.slice(0, count)))).toEqual([
      { state: 'settled' },
      { state: 'check', count: 1 },
      { state: 'open', count: 1 },
      { state: 'fix', count: 2 },
      { state: 'blocked' },
    ])
  })
  test.each(ids)('is done only where nothing is over a limit, to fix, unknown or to check: %s', (id) => {
    const report = evaluate(DEMO_PROJECT, id)
    const { heat, balance, fit, cost } = withLaterResults(report, { heat: heatBrief(DEMO_PROJECT, id).verdict, frontFirstOf100: 99 })
    const done = (verdicts: readonly FindingVerdict[]) => verdicts.every((one) => one === 'fits')
    expect(heat.state === 'settled').toBe(heatBrief(DEMO_PROJECT, id).verdict === 'fits')
    expect(fit.state === 'settled').toBe(done([...report.findings.filter((one) => one.rule !== 'pedal-effort'), ...report.fit].map((one) => one.verdict))) // prettier-ignore
    expect(balance.state === 'settled').toBe(done(report.findings.filter((one) => one.rule !== 'wheel-clearance').map((one) => one.verdict))) // prettier-ignore
    if (cost.state === 'settled') expect(report.verdict).toBe('fits')
  })
  test('a seen rear lock-up leaves Prove and Balance red', () => {
    const project = structuredClone(DEMO_PROJECT)
    project.lockSightings.push({ id: 'seen', date: '2026-11-01', setupId: 'balanced', atG: 0.5, axle: 'rear', surface: 'wet', load: 'driver' }) // prettier-ignore
    expect(evaluate(project, 'balanced').steps).toMatchObject({ balance: { state: 'blocked' }, prove: { state: 'blocked' } })
  })
})

describe('one probability, one verdict', () => {
  test.each([
    [100, 'fits'],
    [95, 'fits'],
    [94, 'check'],
    [50, 'check'],
    [49, 'needs'],
    [0, 'needs'],
    [undefined, 'fits'],
  ] as const)('%p of 100: %s', (of100, verdict) => expect(orderVerdict('fits', of100)).toBe(verdict))
  test('what the order itself forbids is not softened', () => {
    for (const verdict of ['blocked', 'unknown', 'needs'] as const) expect(orderVerdict(verdict, 99)).toBe(verdict)
  })
  test('the number stands in the headline, and the status says the same', () => {
    const report = evaluate(DEMO_PROJECT, 'balanced')
    expect(orderHeadline(report, 48)).toMatchObject({ verdict: 'needs', sentence: expect.stringMatching(/48% probability/) })
    expect(withLaterResults(report, { frontFirstOf100: 48 })).toMatchObject({
      balance: { state: 'fix', count: 1 },
      cost: { state: 'fix', count: 1 },
    })
  })
})

describe('the step Fit opens with the worst of all checks', () => {
  test('the master cylinder of the twin-piston kit', () => {
    const report = evaluate(DEMO_PROJECT, 'big-kit')
    expect(worstCheck(report, 'front')).toMatchObject({
      verdict: 'needs',
      sentence: expect.stringMatching(/^Master cylinder runs out of stroke: .* needs 107.%/),
    })
  })
  test('nothing above a wheel that is as bad, or where all is well', () => {
    expect(worstCheck(evaluate(DEMO_PROJECT, 'estate-fronts'), 'front')).toBeUndefined()
    expect(worstCheck(evaluate(DEMO_PROJECT, 'as-it-stands'), 'front')).toBeUndefined()
  })
})
