import { describe, expect, test } from '@jest/globals'
import { produce, type Draft } from 'immer'
import fc from 'fast-check'
import { DEMO_PROJECT } from '../demo/project.ts'
import type { Project } from '../records/project.ts'
import { figure } from '../quantity/figure.ts'
import { randomSetup } from '../testing/setups.ts'
import { evaluate } from './evaluate.ts'
import { evaluateAll, isReport, remembering } from './evaluate-all.ts'
import { runs } from '../testing/runs.ts'

test('one setup that fails is named, and leaves the others as they are', () => {
  const found = evaluateAll(DEMO_PROJECT, undefined, (project, id) => {
    if (id === 'big-kit') throw new RangeError('a broken promise')
    return evaluate(project, id)
  })
  expect(found.filter(isReport).map((one) => one.setupId)).toEqual(
    DEMO_PROJECT.setups.map((one) => one.id).filter((id) => id !== 'big-kit'),
  )
  expect(found.find((one) => !isReport(one))).toEqual({
    setupId: 'big-kit',
    setupName: DEMO_PROJECT.setups.find((one) => one.id === 'big-kit')!.name,
    isStock: false,
    failed: 'a broken promise',
  })
})

describe('reports that stand', () => {
  type Change = (draft: Draft<Project>) => void
  const setup = (draft: Draft<Project>, id: string) => draft.setups.find((one) => one.id === id)!
  const counting = () => {
    const asked: string[] = []
    const recall = remembering((project, id) => (asked.push(id), evaluate(project, id)))
    return { asked, all: (project: Project) => (asked.splice(0), evaluateAll(project, undefined, recall)) }
  }
  test.each<[string, Change, number]>([
    ['nothing', () => undefined, 0],
    ['the note on one setup', (draft) => void (setup(draft, 'balanced').note = 'dry day'), 1],
    ['the spacer of one setup', (draft) => void (setup(draft, 'balanced').front.spacerTrialMm = 4), 1],
    ['the current car', (draft) => void (draft.setups[0].front.pad = 'q4-track-pad'), 4],
    ['a part', (draft) => void (draft.parts[0]!.name += ', spare'), 4],
    ['a preference', (draft) => void (draft.preferences.taxPercent = 19), 4],
  ])('after a change of %s only what reads it is made anew', (_, change, anew) => {
    const { asked, all } = counting()
    all(DEMO_PROJECT)
    const next = produce(DEMO_PROJECT, change)
    expect(all(next)).toEqual(evaluateAll(next))
    expect(asked).toHaveLength(anew)
  })
  test('whatever is changed, they are what they would be made anew', () => {
    const ids = DEMO_PROJECT.setups.map((one) => one.id)
    const change = fc.oneof(
      fc.tuple(fc.constantFrom(...ids), randomSetup).map(
        ([id, parts]): Change =>
          (draft) =>
            void Object.assign(setup(draft, id), parts),
      ),
      fc.constantFrom(...ids).map(
        (id): Change =>
          (draft) =>
            void (setup(draft, id).front.trialFit = {
              caliper: 'estate-front-caliper',
              wheel: 'club-wheel',
              spacerMm: 0,
              gapMm: figure(2.4, 'measured'),
            }),
      ),
      fc.nat({ max: 40 }).map(
        (i): Change =>
          (draft) =>
            void (draft.parts[i % draft.parts.length]!.owned = i % 2 === 0),
      ),
    )
    const { all } = counting()
    fc.assert(
      fc.property(fc.array(change, { minLength: 1, maxLength: 4 }), (changes) => {
        let project = DEMO_PROJECT
        for (const one of changes) {
          project = produce(project, one)
          expect(all(project)).toEqual(evaluateAll(project))
        }
      }),
      { numRuns: runs(15, 5) },
    )
  })
})
