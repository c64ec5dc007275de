import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { DEMO_PROJECT } from '../demo/project.ts'
import { takeCompany } from '../commands/take-bundle.ts'
import { AXLES } from '../quantity/axle.ts'
import type { PartOf } from '../records/part.ts'
import type { Project } from '../records/project.ts'
import { findSetup } from '../records/resolve.ts'
import { randomSetup, SETUP, withSetup } from '../testing/setups.ts'
import { evaluate } from '../evaluate/evaluate.ts'
import { VERDICT_RANK, worstVerdict } from '../figures/words.ts'
import { compareWheels, type PairingRow } from './compare-wheels.ts'
import { runs } from '../testing/runs.ts'

/** The project with the wheel of a row on, as the row has it. */
function withRow(project: Project, axle: 'front' | 'rear', { id, fit }: PairingRow): Project {
  const changed = structuredClone(project)
  const setup = findSetup(changed, SETUP)!
  setup[axle].wheel = id
  const wheel = changed.parts.find((one) => one.id === id) as PartOf<'wheel'>
  if (fit.face !== undefined) wheel.faceChosen = fit.face
  if (fit.spacer !== undefined) Object.assign(setup, takeCompany(setup, axle, { spacer: fit.spacer }))
  return changed
}

test('each wheel, fitted as its row has it, clears as was said, and nothing that looks at it is worse, in setups made at random', () => {
  let rows = 0
  fc.assert(
    fc.property(randomSetup, fc.constantFrom(...AXLES), (parts, axle) => {
      const project = withSetup(parts)
      for (const row of compareWheels(project, SETUP, axle)) {
        rows += 1
        const { corners, fit } = evaluate(withRow(project, axle, row), SETUP)
        expect([row.id, row.fit, corners[axle].verdict]).toEqual([row.id, row.fit, row.verdict])
        // "Clears" stands only where nothing else is worse
        expect([row.id, row.answer === 'Clears']).toEqual([row.id, row.verdict === 'clears' && row.whole === 'fits'])
        // what only the car can say is said of every wheel alike
        const ofIt = fit.filter((one) => one.verdict !== 'check' && one.looked.some(({ at }) => 'partId' in at && at.partId === row.id))
        const worst = worstVerdict(ofIt.filter((one) => one.axle !== (axle === 'front' ? 'rear' : 'front')).map((one) => one.verdict))
        expect([row.id, worst, VERDICT_RANK[worst] <= VERDICT_RANK[row.whole]]).toEqual([row.id, worst, true])
      }
    }),
    { numRuns: runs(25, 8), seed: 20261128 },
  )
  expect(rows).toBeGreaterThan(runs(150, 40))
})

test('a measured wheel that is smaller than the caliper’s maker states is told from one that is not', () => {
  const stated = structuredClone(DEMO_PROJECT)
  for (const part of stated.parts) if (part.kind === 'caliper') part.minWheelIn = { value: 16, origin: 'published' }
  const row = (project: Project, id: string) => compareWheels(project, 'as-it-stands', 'front').find((one) => one.id === id)!
  expect([row(DEMO_PROJECT, 'club-wheel').whole, row(DEMO_PROJECT, 'club-wheel').verdict]).toEqual(['fits', 'clears'])
  const below = row(stated, 'club-wheel')
  expect([below.whole, below.verdict, below.why]).toEqual(['check', 'clears', expect.stringMatching(/16 inches .* this one has 15/)])
})
