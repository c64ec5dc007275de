import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { freeze, produce } from 'immer'
import { DEMO_PROJECT } from '#core/demo/project.ts'
import type { Project } from '#core/records/project.ts'
import { deltaOf, withDelta, type ProjectDelta } from './project-delta.ts'
import { runs } from '#core/testing/runs.ts'

const sent = (delta: ProjectDelta): ProjectDelta => structuredClone(delta)
const start = freeze(structuredClone(DEMO_PROJECT), true)

test('whatever is changed, the other side holds the same afterwards', () => {
  const change = fc.record({
    what: fc.constantFrom('note', 'drop', 'add', 'swap', 'car', 'setup', 'name', 'empty'),
    at: fc.integer({ min: 0, max: 40 }),
  })
  fc.assert(
    fc.property(fc.array(change, { minLength: 1, maxLength: 12 }), (changes) => {
      let here: Project = start
      let there = withDelta(undefined, sent(deltaOf(undefined, here)))
      for (const { what, at } of changes) {
        const next = produce(here, (draft) => {
          const index = at % Math.max(draft.parts.length, 1)
          if (what === 'note' && draft.parts[index]) draft.parts[index].note = `note ${at}`
          if (what === 'drop') draft.parts.splice(index, 1)
          if (what === 'add') draft.parts.splice(index, 0, { id: `new-${at}`, kind: 'spacer', name: 'New' })
          if (what === 'swap') draft.parts.reverse()
          if (what === 'car') draft.car.front.registerMm = { value: 60 + at, origin: 'measured' }
          if (what === 'setup') draft.setups.push({ ...draft.setups[0], id: `s-${at}` })
          if (what === 'name') draft.name = `car ${at}`
          if (what === 'empty') draft.bundles = []
        })
        there = withDelta(there, sent(deltaOf(here, next)))
        here = next
        expect(there).toEqual(here)
      }
    }),
    { numRuns: runs(25, 8) },
  )
})
test('one edit sends what changed, and another project is sent whole', () => {
  const next = produce(start, (draft) => void (draft.parts[3]!.note = 'seen'))
  expect(JSON.stringify(deltaOf(start, next)).length).toBeLessThan(JSON.stringify(next).length / 20)
  const other = { ...next, id: 'another' }
  expect(deltaOf(next, other)).toEqual({ whole: other })
  expect(() => withDelta(other, deltaOf(start, next))).toThrow(RangeError)
  expect(() => withDelta(undefined, deltaOf(start, next))).toThrow(RangeError)
})
