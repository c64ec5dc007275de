import { describe, expect, test } from '@jest/globals'
import { produce } from 'immer'
import { DEMO_PROJECT } from '../demo/project.ts'
import { blankProject } from '../records/blank.ts'
import { projectProblems } from '../records/check.ts'
import { fieldsOf } from '../records/part-kinds.ts'
import { unusual } from '../records/plausible.ts'
import type { Project } from '../records/project.ts'
import { madeWords } from '../records/ways.ts'
import { figure, type Figure } from '../quantity/figure.ts'
import { CLASS_IDS, type ClassId } from './classes.ts'
import { fillFromClass, typicalCount } from './fill.ts'

const filled = (id: ClassId, before: Project = blankProject('a', 'A')): [Project, number] => {
  let count = 0
  const after = produce(before, (draft) => {
    count = fillFromClass(draft, id)
  })
  return [after, count]
}

describe.each(CLASS_IDS)('a %s', (id) => {
  const [project, count] = filled(id)
  test('is a whole car that the file takes, each figure marked with its class and its doubt', () => {
    expect(projectProblems(project)).toEqual([])
    expect(count).toBeGreaterThan(35)
    expect(typicalCount(project)).toBe(count)
    expect(project.car.massKg).toMatchObject({ origin: 'estimated', u: expect.any(Number) })
    expect(madeWords(project.car.massKg!)).toMatch(/^typical of a /)
  })
  test('has no figure that would be asked about', () => {
    for (const part of project.parts)
      for (const [key, field] of Object.entries(fieldsOf(part.kind))) {
        const known = (part as unknown as Record<string, Figure | Figure[] | undefined>)[key]
        if (known === undefined || (field.type !== 'figure' && field.type !== 'figures')) continue
        for (const one of [known].flat()) expect([part.name, key, unusual(field, one.value)]).toEqual([part.name, key, undefined])
      }
  })
  test('filled in twice nothing changes any more', () => expect(filled(id, project)).toEqual([project, 0]))
})

test('what is known stays, and a slot that holds nothing on purpose stays empty', () => {
  const known = produce(blankProject('a', 'A'), (draft) => {
    draft.car.massKg = figure(987)
    draft.setups[0].hydraulics.booster = null
    draft.parts.push({ id: 'mine', kind: 'caliper', name: 'Mine', construction: 'fixed', pistonsMm: [figure(40), figure(40)] })
    draft.setups[0].front.caliper = 'mine'
  })
  const [project] = filled('smallHatchback', known)
  expect(project.car.massKg).toEqual(figure(987))
  expect(project.setups[0].hydraulics.booster).toBeNull()
  expect(project.parts.find((one) => one.id === 'mine')).toMatchObject({ pistonsMm: [figure(40), figure(40)], construction: 'fixed' })
  expect(project.parts.some((one) => one.kind === 'booster')).toBe(false)
})
test('a disc stays a disc where the class has drums, and the demo loses nothing', () => {
  const [project] = filled('smallHatchback', DEMO_PROJECT)
  for (const [i, part] of DEMO_PROJECT.parts.entries()) expect(project.parts[i]).toMatchObject(part)
  expect(project.setups[0].rear).toEqual(DEMO_PROJECT.setups[0].rear)
})
