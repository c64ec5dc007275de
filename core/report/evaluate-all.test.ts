import { expect, test } from '@jest/globals'
import { DEMO_PROJECT } from '../demo/project.ts'
import { evaluate } from './evaluate.ts'
import { evaluateAll, isReport } from './evaluate-all.ts'

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
