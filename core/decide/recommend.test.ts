import { describe, expect, test } from '@jest/globals'
import { DEMO_PROJECT } from '../demo/project.ts'
import { evaluate } from '../evaluate/evaluate.ts'
import { heatBrief, type HeatBrief } from '../heat/heat-brief.ts'
import { figure } from '../quantity/figure.ts'
import type { Project, Setup } from '../records/project.ts'
import { compare } from './compare.ts'
import { recommend } from './recommend.ts'

const changed = (change: (project: Project) => void): Project => {
  const project = structuredClone(DEMO_PROJECT)
  change(project)
  return project
}
function advise(project: Project, likely: Record<string, number | undefined> = {}) {
  const reports = project.setups.map((setup) => evaluate(project, setup.id))
  const heats: Record<string, HeatBrief> = Object.fromEntries(project.setups.map(({ id }) => [id, heatBrief(project, id)]))
  const comparison = compare(project, reports, heats, likely)
  return { ...recommend(project, comparison, reports, heats, likely), comparison, heats }
}
const words = ({ headline, facts }: { headline: string; facts: readonly string[] }) => [headline, ...facts].join(' ')
/** The estate fronts with the spacers that clear, in place of every other setup. */
const cleared = (change: (setup: Setup) => void = () => undefined) =>
  changed((project) => {
    const setup = project.setups.find((one) => one.id === 'estate-fronts')!
    setup.front.spacer = project.parts.find((one) => one.kind === 'spacer' && one.thicknessMm?.value === 3)?.id ?? null
    project.setups = [project.setups[0], setup]
    change(setup)
  })

describe('a recommendation', () => {
  test('says what is not good enough today, and advises no setup that fails a check', () => {
    const found = advise(DEMO_PROJECT, { balanced: 48 })
    expect(found.setupId).toBeUndefined()
    expect(found.headline).toBe('Do not buy yet: no setup solves it and passes every check.')
    expect(found.facts[0]).toMatch(
      /^Today: “Hill climb, run after run” is carried for 1 run, then pad surface, front\. OK: lock-up order, pedal force 131.N, fit\.$/,
    )
    expect(words(found)).toMatch(/comes nearest\. “Hill climb, run after run” ends with 17.°C left, which is within the uncertainty\./)
  })
  test('keeps brakes that are enough', () => {
    const light = changed((project) => void (project.preferences.duty = 'stop'))
    const found = advise(light)
    if (found.heats['as-it-stands']!.verdict === 'fits') expect(found.headline).toMatch(/^Keep your brakes/)
    else expect(found.headline).not.toMatch(/^Keep/)
  })
  test('the same session with pads that last makes it keep them, and knows nothing where the pads are not known', () => {
    const strong = changed((project) => {
      const pad = project.parts.find((one) => one.id === 'stock-front-pad')!
      Object.assign(pad, { rangeToC: figure(900) })
      project.heatReadings = []
    })
    const { headline, heats } = advise(strong)
    expect(heats['as-it-stands']!.goesAtS === undefined).toBe(/^Keep/.test(headline))
    const bare = changed((project) => {
      delete project.car.massKg
      delete project.car.cgHeightMm
    })
    expect(advise(bare).setupId).toBeUndefined()
    expect(advise(bare).headline).not.toMatch(/^Keep|^Choose/)
  })
  test('what is advised passes every check, stays in the budget, and costs no more than others that solve it', () => {
    for (const project of [DEMO_PROJECT, cleared(), changed((one) => void (one.preferences.budgetMinor = 40_000))]) {
      const { setupId, comparison } = advise(project)
      if (setupId === undefined) continue
      const at = comparison.columns.findIndex((one) => one.setupId === setupId)
      expect(['fits', 'check']).toContain(comparison.columns[at]!.verdict)
      expect(comparison.rows.find((one) => one.id === 'budget')?.cells[at]!.verdict).not.toBe('needs')
    }
  })
  test('taking an input away never turns it into a recommendation', () => {
    const before = advise(cleared())
    const without = cleared()
    for (const part of without.parts) if (part.id === 'estate-front-pad') delete (part as { rangeToC?: unknown }).rangeToC
    const after = advise(without)
    expect([before.setupId, before.headline]).toEqual(['estate-fronts', 'Estate fronts helps, but does not solve it.'])
    expect(after.setupId).toBeUndefined()
  })
  test('says that tyres limit the stop where no setup shortens it', () => {
    const alone = cleared()
    const { facts, comparison } = advise(alone)
    const stops = comparison.rows.find((one) => one.id === 'stop')!.cells
    const limited = facts.some((one) => one.startsWith('The tyres limit the stop'))
    expect(limited).toBe(stops[1]!.against !== 'better')
  })
})
