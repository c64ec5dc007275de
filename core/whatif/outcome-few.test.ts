import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { produce } from 'immer'
import { DEMO_PROJECT } from '../demo/project.ts'
import { AXLES, type Axle } from '../quantity/axle.ts'
import type { PartOf } from '../records/part.ts'
import type { Project } from '../records/project.ts'
import { findSetup, resolveSetup, stockSetup } from '../records/resolve.ts'
import { RULES } from '../fit/rules.ts'
import { slotsReadBy, type SlotsRead } from '../fit/rule.ts'
import { changedBy, factsOf, fitFindings } from '../fit/fit-check.ts'
import type { Context } from '../figures/read.ts'
import { outcomeOf } from './outcome.ts'
import { runs } from '../testing/runs.ts'

const contextOf = (project: Project, setupId: string): Context => {
  const setup = findSetup(project, setupId)!
  return { project, setup, isStock: setup === stockSetup(project), resolved: resolveSetup(project, setup) }
}
const SPACERS = DEMO_PROJECT.parts.filter((one): one is PartOf<'spacer'> => one.kind === 'spacer').map((one) => one.id)

describe('another spacer', () => {
  test('looked into by few rules makes of the setup what all rules make of it', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...DEMO_PROJECT.setups.map((one) => one.id)),
        fc.constantFrom<Axle>(...AXLES),
        fc.constantFrom<string | null>(null, ...SPACERS),
        fc.option(fc.integer({ min: 1, max: 30 })),
        fc.array(fc.constantFrom('studLengthMm', 'registerLengthMm', 'holdingThreadMm', 'boltCount', 'centreBoreMm'), { maxLength: 2 }),
        (setupId, axle, spacer, triedMm, unknown) => {
          const project = produce(DEMO_PROJECT, (draft) => {
            for (const field of unknown) Reflect.deleteProperty(draft.car[axle], field)
          })
          const noted: SlotsRead = new Map()
          fitFindings(contextOf(project, setupId), axle, noted)
          const changed = produce(project, (draft) => {
            const setup = draft.setups.find((one) => one.id === setupId)!
            setup[axle].spacer = spacer
            if (triedMm === null) delete setup[axle].spacerTrialMm
            else setup[axle].spacerTrialMm = triedMm
          })
          const rules = changedBy('spacer', noted)
          expect(rules.length).toBeLessThan(15)
          const from = outcomeOf(project, setupId)
          const few = outcomeOf(changed, setupId, { from, axles: [axle], pedal: false, rules })
          const all = outcomeOf(changed, setupId)
          expect([...few.findings].sort()).toEqual([...all.findings].sort())
          expect([few.verdict, few.open]).toEqual([all.verdict, all.open])
        },
      ),
      { numRuns: runs(150, 60) },
    )
  })
  test('is looked into by no rule of the whole car', () => {
    for (const { id } of DEMO_PROJECT.setups)
      for (const rule of RULES.filter((one) => one.on === 'car'))
        expect([rule.id, slotsReadBy(rule, factsOf(contextOf(DEMO_PROJECT, id), 'front')).has('spacer')]).toEqual([rule.id, false])
  })
})
