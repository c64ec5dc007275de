import { describe, expect, test } from '@jest/globals'
import { DEMO_PROJECT } from '../demo/project.ts'
import { withHeatEdit } from '../commands/heat-edit.ts'
import { checkProject } from '../formats/project-file.ts'
import type { Project } from '../records/project.ts'
import { gainWords, goesFirstWords, heatLevers, leversSentence } from './heat-adjustments.ts'
import { heatReport } from './heat-report.ts'

const withTow: Project = {
  ...DEMO_PROJECT,
  duties: [
    {
      id: 'home',
      name: 'Home over the pass',
      duty: { kind: 'descent', gradePercent: 9, lengthM: 8000, kmh: 50, towMassKg: 600, engineDragN: 400 },
    },
  ],
}

describe('what would help', () => {
  test.each([
    ['as-it-stands', 'hill'],
    ['estate-fronts', 'fade'],
    ['balanced', 'hard'],
    ['as-it-stands', 'home'],
  ])('each lever is what the session says once it is taken: %s, %s', (setupId, dutyId) => {
    const { levers } = heatLevers(withTow, setupId, dutyId)
    expect(levers.length).toBeGreaterThan(6)
    for (const { edit, first } of levers) {
      const done = withHeatEdit(withTow, setupId, edit)
      expect(checkProject(done)).toMatchObject({ ok: true })
      const { lines, goneAtS } = heatReport(done, setupId, dutyId)
      const over = lines.flatMap(({ overAtS }) => (overAtS === undefined ? [] : [overAtS]))
      const at = Math.min(...over, goneAtS ?? Infinity)
      expect(first?.seconds ?? Infinity).toBeCloseTo(at, 9)
    }
  })
  test('the sentence and the words of each are what was found', () => {
    for (const [setupId, duty] of [
      ['as-it-stands', 'hill'],
      ['balanced', 'stop'],
      ['as-it-stands', 'hard'],
    ] as const) {
      const found = heatLevers(withTow, setupId, duty)
      const further = found.levers.filter((one) => one.gainsS > 1)
      expect(leversSentence(found)).toMatch(
        found.now === undefined
          ? /^Nothing reaches its limit/
          : further.length === 0
            ? /carries it further\.$/
            : new RegExp(`\\. ${further.length} changes? would`),
      )
      for (const one of found.levers) {
        expect(gainWords(one)).toMatch(
          one.gainsS === Infinity ? /^lasts$/ : one.gainsS > 1 ? /^\d+ s$/ : one.gainsS < -1 ? /^less$/ : /^nothing$/,
        )
        // a range that nobody knows is never "nothing goes"
        const words = goesFirstWords(one)
        if (one.first) expect(words).toBe(`${one.first.label.toLowerCase()} ${one.first.when}`)
        else
          expect(words).toMatch(
            one.open === 'range' ? /not known/ : one.open === 'fade' ? /fade is not predicted/ : /^nothing, with nominal/,
          )
      }
    }
  })
  test('cheapest first, what nobody knows the price of last; the project itself is left alone', () => {
    const before = structuredClone(withTow)
    const { levers } = heatLevers(withTow, 'as-it-stands', 'hill')
    const costs = levers.map((one) => (one.owned || one.what === 'mass' ? 0 : (one.price?.likelyMinor ?? Infinity)))
    expect(costs).toEqual([...costs].sort((a, b) => a - b))
    expect(withTow).toEqual(before)
  })
  test('a hose, fresh fluid, less mass and a lower gear never make anything hotter', () => {
    for (const [setupId, dutyId] of [
      ['as-it-stands', 'hill'],
      ['balanced', 'home'],
    ] as const) {
      const now = heatReport(withTow, setupId, dutyId)
      for (const { edit, what } of heatLevers(withTow, setupId, dutyId).levers) {
        if (!['air', 'mass', 'gear', 'fluid'].includes(what)) continue
        const then = heatReport(withHeatEdit(withTow, setupId, edit), setupId, dutyId)
        const end = Math.min(now.goneAtS ?? Infinity, then.goneAtS ?? Infinity)
        if (end === Infinity) then.lines.forEach((one, i) => expect(one.peakC).toBeLessThanOrEqual(now.lines[i]!.peakC + 1e-6))
        if (edit.kind === 'freshFluid') expect(then.fluidBoilC!).toBeGreaterThan(now.fluidBoilC!)
      }
    }
  })
  test('fresh fluid is a part of its own, once; what is in the car keeps its age', () => {
    const once = withHeatEdit(DEMO_PROJECT, 'balanced', { kind: 'freshFluid' })
    const twice = withHeatEdit(once, 'balanced', { kind: 'freshFluid' })
    expect([once.parts.length, twice.parts.length]).toEqual([DEMO_PROJECT.parts.length + 1, DEMO_PROJECT.parts.length + 1])
    expect(once.parts.find((one) => one.id === 'stock-fluid')).toBe(DEMO_PROJECT.parts.find((one) => one.id === 'stock-fluid'))
  })
  test('only pads of the fitted shape are tried; a setup that is not there is named', () => {
    const bare = structuredClone(DEMO_PROJECT)
    for (const one of bare.parts) if (one.kind === 'pad') delete one.shape
    expect(heatLevers(bare, 'balanced').levers.filter((one) => one.what === 'pads')).toEqual([])
    expect(() => heatLevers(bare, 'nowhere')).toThrow(/no setup nowhere/)
  })
})
