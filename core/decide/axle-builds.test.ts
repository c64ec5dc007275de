import { describe, expect, test } from '@jest/globals'
import { withCatalogue } from '../demo/catalogue.ts'
import { DEMO_PROJECT } from '../demo/project.ts'
import { AXLES, type Axle } from '../quantity/axle.ts'
import type { Project } from '../records/project.ts'
import { combinations } from './maths/join.ts'
import { gapOf, rulesOf, slotsOf, walkAxle } from './axle-walk.ts'
import { AxleBuilds } from './axle-builds.ts'
import { DependencyMemo } from './dependency-memo.ts'
import { axleWeights, brakeOf } from './figures-of.ts'
import { CRITERIA } from './criteria.ts'
import { DEFAULT_QUERY, spaceOf, type Assignment, type SearchQuery } from './search-space.ts'
import { Tally } from './tally.ts'

const LIBRARIES: readonly [string, Project, Partial<SearchQuery>][] = [
  ['the demo', DEMO_PROJECT, {}],
  ['the demo, wheels too', DEMO_PROJECT, { vary: { ...DEFAULT_QUERY.vary, wheel: true } }],
  ['a catalogue of 60', withCatalogue(60), {}],
  ['by mass and pedal', withCatalogue(60, 3), { by: ['mass', 'pedal', 'heat'] }],
]
const shelf = (project: Project, more: Partial<SearchQuery>, axle: Axle) => {
  const ask = { ...DEFAULT_QUERY, setupId: 'as-it-stands', ...more }
  const space = spaceOf(project, ask)
  const tally = new Tally()
  return { ask, space, tally, builds: new AxleBuilds(space, axle, tally, new DependencyMemo(space)) }
}
const idsOf = (filling: Assignment) => Object.entries(filling).map(([place, part]) => `${place} ${part?.id}`)

describe.each(LIBRARIES)('%s', (_, project, more) => {
  test.each(AXLES)('%s: every combination goes together or is counted under the rule that it ends at', (axle) => {
    const { space, tally, builds } = shelf(project, more, axle)
    const { count, under } = builds.all()
    const dropped = tally.list().reduce((all, one) => all + one.count, 0)
    expect(count).toBeGreaterThan(0)
    expect(count + dropped).toBe(combinations(slotsOf(axle, space.options)))
    expect([...under.values()].reduce((all, one) => all + one, 0)).toBe(count)
  })
  test.each(AXLES)('%s: what is left out is beaten by one that is kept, alike to everything beside it', (axle) => {
    const { ask, space, builds } = shelf(project, more, axle)
    const { lean, count } = builds.all()
    expect(lean.map((one) => one.cost)).toEqual(lean.map((one) => one.cost).sort((a, b) => a - b))
    const kept = new Set(lean.map((one) => idsOf(one.filling).join()))
    expect(kept.size).toBe(lean.length)
    const readings = new DependencyMemo(space)
    const gap = gapOf(readings, axle)
    const brake = readings.remember((context) => brakeOf(context, axle))
    let seen = 0
    walkAxle({
      axle,
      options: space.options,
      ask,
      rules: rulesOf(readings, axle, gap, ask),
      all: false,
      start: true,
      step: (_state, { dropped }) => (dropped.length > 0 ? undefined : true),
      each: (filling) => {
        seen += 1
        if (kept.has(idsOf(filling).join())) return
        const own = axleWeights(space, filling, axle, brake(filling)!.value, gap(filling)!.value)
        const better = lean.find(({ filling: other, weights }) => {
          if (other[`${axle}.caliper`] !== filling[`${axle}.caliper`] || other[`${axle}.wheel`] !== filling[`${axle}.wheel`]) return false
          if (JSON.stringify(weights.brake) !== JSON.stringify(own.brake)) return false
          const nowhereWorse =
            weights.costMinor! <= own.costMinor! &&
            (!ask.by.includes('gap') || weights.gapMm! >= own.gapMm!) &&
            (!ask.by.includes('mass') || weights.massKg! <= own.massKg!) &&
            (!ask.by.includes('heat') || weights.ringIronKg! >= own.ringIronKg!)
          const cheaper = ask.by.includes('cost') && own.costMinor! - weights.costMinor! > CRITERIA.cost.tolerance
          const lighter = ask.by.includes('mass') && own.massKg! - weights.massKg! > CRITERIA.mass.tolerance
          return nowhereWorse && (cheaper || lighter)
        })
        expect([idsOf(filling), better && 'beaten']).toEqual([idsOf(filling), 'beaten'])
      },
    })
    expect(seen).toBe(count)
  })
  test.each(AXLES)('%s: of those that are alike the best of each figure bounds every one', (axle) => {
    const { builds } = shelf(project, more, axle)
    const { lean } = builds.all()
    const groups = builds.alike(lean)
    expect(groups.reduce((all, one) => all + one.members.length, 0)).toBe(lean.length)
    for (const { members, best, wheel } of groups)
      for (const { weights, filling } of members) {
        expect(filling[`${axle}.wheel`]).toBe(wheel)
        expect(weights.brake).toEqual(best.brake)
        if (weights.costMinor !== undefined) expect(best.costMinor!).toBeLessThanOrEqual(weights.costMinor)
        if (weights.gapMm !== undefined) expect(best.gapMm!).toBeGreaterThanOrEqual(weights.gapMm)
        if (weights.massKg !== undefined) expect(best.massKg!).toBeLessThanOrEqual(weights.massKg)
        if (weights.ringIronKg !== undefined) expect(best.ringIronKg!).toBeGreaterThanOrEqual(weights.ringIronKg)
      }
  })
})
