import { expect, test } from '@jest/globals'
import { blankProject } from '../records/blank.ts'
import { figure } from '../quantity/figure.ts'
import { buildLog, noteStep, noteTorque } from './build-log.ts'

test('a tick, a note and a picture of a step are kept together; what says nothing any more is gone', () => {
  const project = blankProject('p', 'A car')
  noteStep(project, 'as-it-stands', 'leak', { doneOn: '2026-11-01' })
  noteStep(project, 'as-it-stands', 'leak', { note: 'front left wept' })
  expect(project.builds).toEqual([
    { id: 'as-it-stands', notes: [{ id: 'leak', doneOn: '2026-11-01', note: 'front left wept' }], torques: [] },
  ])
  noteStep(project, 'as-it-stands', 'leak', { doneOn: undefined })
  noteStep(project, 'as-it-stands', 'leak', { note: '' })
  expect(project.builds[0]!.notes).toEqual([])
  noteStep(project, 'as-it-stands', 'never', { doneOn: undefined })
  expect(project.builds[0]!.notes).toEqual([])
})
test('a torque is taken down once, changed, and a blank again', () => {
  const project = blankProject('p', 'A car')
  noteTorque(project, 'as-it-stands', 'wheelNuts', figure(110))
  noteTorque(project, 'as-it-stands', 'wheelNuts', figure(120))
  expect(buildLog(project, 'as-it-stands').torques).toEqual([{ id: 'wheelNuts', torque: figure(120) }])
  noteTorque(project, 'as-it-stands', 'wheelNuts', undefined)
  expect(buildLog(project, 'as-it-stands').torques).toEqual([])
  expect(project.builds).toHaveLength(1)
})
