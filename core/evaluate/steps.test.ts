import { describe, expect, test } from '@jest/globals'
import { DEMO_PROJECT } from '../demo/project.ts'
import type { Project } from '../records/project.ts'
import { orderHeadline, orderVerdict } from './order-probability.ts'
import { evaluate } from './evaluate.ts'
import type { Verdict } from '../figures/verdict.ts'
import { heatBrief } from '../heat/heat-brief.ts'
import { keyFigures } from './key-figures.ts'
import { fitMissing, stateOfVerdicts, withLaterResults } from './step-state.ts'
import { worstCheck } from './worst-check.ts'

const ids = DEMO_PROJECT.setups.map((one) => one.id)

describe('the state of a step', () => {
  test('is that of the worst result that it shows', () => {
    const verdicts: Verdict[] = ['fits', 'check', 'unknown', 'needs', 'needs', 'blocked']
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
    const { heat, balance, fit, cost } = withLaterResults(report, { heat: heatBrief(DEMO_PROJECT, id), frontFirstOf100: 99 })
    const done = (verdicts: readonly Verdict[]) => verdicts.every((one) => one === 'fits')
    expect(heat.state === 'settled').toBe(heatBrief(DEMO_PROJECT, id).verdict === 'fits')
    expect(fit.state === 'settled').toBe(done([...report.findings, ...report.fit].map((one) => one.verdict)))
    expect(balance.state === 'settled').toBe(
      done(report.findings.filter((one) => one.rule !== 'wheel-clearance').map((one) => one.verdict)),
    )
    if (cost.state === 'settled') expect(report.verdict).toBe('fits')
  })
  test('a seen rear lock-up leaves Prove and Balance red', () => {
    const project = structuredClone(DEMO_PROJECT)
    project.lockSightings.push({
      id: 'seen',
      date: '2026-11-01',
      setupId: 'balanced',
      atG: 0.5,
      axle: 'rear',
      surface: 'wet',
      load: 'driver',
    })
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
      sentence: expect.stringMatching(/^Master cylinder runs out of stroke: .* needs 107%/),
    })
  })
  test('nothing above a wheel that is as bad, or where all is well', () => {
    expect(worstCheck(evaluate(DEMO_PROJECT, 'estate-fronts'), 'front')).toBeUndefined()
    expect(worstCheck(evaluate(DEMO_PROJECT, 'as-it-stands'), 'front')).toBeUndefined()
  })
})

describe('one count of what is missing', () => {
  /** The demo with some figures taken away: a page's headline, its status and the key figures name the same number. */
  const without = (...fields: readonly ((project: Project) => void)[]) => {
    const project = structuredClone(DEMO_PROJECT) as Project
    for (const take of fields) take(project)
    return project
  }
  const part = (project: Project, id: string) => project.parts.find((one) => one.id === id)! as unknown as Record<string, unknown>
  const takers: [string, (project: Project) => void][] = [
    ['wheel', (project) => delete project.setups[0].front.wheel],
    ['mass', (project) => delete project.car.massKg],
    ['friction', (project) => delete part(project, project.setups[0].front.pad!).friction],
    ['rotor', (project) => delete part(project, project.setups[0].front.rotor!).diameterMm],
    ['bore', (project) => delete part(project, project.setups[0].hydraulics.masterCylinder!).boreMm],
  ]
  const numberIn = (text: string) => Number(/(\d+) to enter/.exec(text)?.[1] ?? 1)
  test.each(takers)('without %s', (_, take) => {
    const project = without(take)
    const [report, stock] = [evaluate(project, 'as-it-stands'), evaluate(project, 'as-it-stands')]
    const heat = heatBrief(project, 'as-it-stands')
    const steps = withLaterResults(report, { heat })
    const entries = keyFigures(report, stock, project.preferences.units, 'EUR', { here: heat, stock: heat })
    const ofLedger = (id: string) => entries.find((one) => one.id === id)!.detail
    if (steps.fit.state === 'open') {
      expect(steps.fit.count).toBe(fitMissing(report).length)
      if (/to enter/.test(ofLedger('verdict'))) expect(numberIn(ofLedger('verdict'))).toBe(steps.fit.count)
    }
    if (steps.balance.state === 'open') expect(numberIn(orderHeadline(report, undefined).sentence)).toBe(steps.balance.count)
    if (heat.verdict === 'unknown' && heat.value === 'not known') {
      expect(steps.heat).toEqual({ state: 'open', count: heat.missingCount })
      expect([numberIn(heat.sentence), numberIn(ofLedger('heat'))]).toEqual([heat.missingCount, heat.missingCount])
    }
    expect([steps.fit.state, steps.balance.state, steps.heat.state]).toContain('open')
  })
})
