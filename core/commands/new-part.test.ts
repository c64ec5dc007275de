import { expect, test } from '@jest/globals'
import { produce } from 'immer'
import { DEMO_PROJECT } from '../demo/project.ts'
import { projectProblems } from '../records/check.ts'
import { PART_KIND_NAMES } from '../records/part-kinds.ts'
import { figure } from '../quantity/figure.ts'
import { copyOf, newPart } from './new-part.ts'
import { putAt } from './put-at.ts'

test('a new part of any kind can be kept; a caliper is measured from hub and seat', () => {
  for (const kind of PART_KIND_NAMES) {
    const project = produce(DEMO_PROJECT, (draft) => void draft.parts.push(newPart('new', kind, draft.parts)))
    expect([kind, projectProblems(project)]).toEqual([kind, []])
  }
  expect(newPart('x', 'caliper', [])).toMatchObject({ name: 'New caliper 1', frame: 'seat' })
})
test('a copy is another piece: not on the shelf, not looked over, in no setup', () => {
  const part = { ...DEMO_PROJECT.parts[0]!, owned: true, inspection: { points: {} } }
  const copy = copyOf(part, 'other')
  expect(copy).toMatchObject({ id: 'other', kind: part.kind, name: `${part.name} (copy)` })
  expect([copy.owned, copy.inspection]).toEqual([undefined, undefined])
})
test('values are put where a place is, taken away where there is none, and a place that is gone is left', () => {
  const after = produce(DEMO_PROJECT, (draft) => {
    putAt(draft, { kind: 'car', field: '' }, { massKg: figure(900), wheelbaseMm: undefined })
    putAt(draft, { kind: 'car', axle: 'rear', field: '' }, { tyreRadiusMm: figure(290) })
    putAt(draft, { kind: 'setup', setupId: 'balanced', field: '' }, { barFrontShare: figure(0.52) })
    putAt(draft, { kind: 'part', partId: 'gone', field: '' }, { massKg: figure(1) })
  })
  expect([after.car.massKg, after.car.wheelbaseMm, after.car.rear.tyreRadiusMm]).toEqual([figure(900), undefined, figure(290)])
  expect(after.setups.find((one) => one.id === 'balanced')!.hydraulics.barFrontShare).toEqual(figure(0.52))
  expect(after.parts).toEqual(DEMO_PROJECT.parts)
})
