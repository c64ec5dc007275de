import { expect, test } from '@jest/globals'
import { produceWithPatches, type Draft } from 'immer'
import { DEMO_PROJECT } from '#core/demo/project.ts'
import type { Project } from '#core/records/project.ts'
import { projectHistory } from './history.ts'

/** A history with an open project that is edited as the store does it. */
function opened() {
  const history = projectHistory()
  let project = DEMO_PROJECT
  const edit = (label: string, recipe: (draft: Draft<Project>) => void, gesture?: string) => {
    const [next, forward, back] = produceWithPatches(project, recipe)
    project = next
    history.record({ label, gesture, forward, back })
  }
  const go = (way: 'undo' | 'redo') => {
    const next = history[way](project)
    if (next) project = next
    return next !== undefined
  }
  return { history, edit, go, now: () => project }
}

test('steps are taken back in order and made again; a new change ends what could be made again', () => {
  const { history, edit, go, now } = opened()
  edit('Name', (draft) => void (draft.name = 'A'))
  edit('Note', (draft) => void (draft.note = 'B'))
  expect([history.undoLabel.value, history.redoLabel.value]).toEqual(['Note', undefined])
  expect(go('undo')).toBe(true)
  expect([now().name, now().note]).toEqual(['A', DEMO_PROJECT.note])
  expect(history.stepped.value).toMatchObject({ back: true, label: 'Note' })
  expect(go('redo')).toBe(true)
  expect(now().note).toBe('B')
  go('undo')
  edit('Name', (draft) => void (draft.name = 'C'))
  expect(history.redoLabel.value).toBeUndefined()
  expect(go('redo')).toBe(false)
  while (go('undo'));
  expect(now()).toEqual(DEMO_PROJECT)
})

test('edits of one gesture are one step, until it ends', () => {
  const { history, edit, go, now } = opened()
  for (const name of ['D', 'Dr', 'Dra']) edit('Drag', (draft) => void (draft.name = name), 'drag')
  expect(history.past.value).toHaveLength(1)
  history.endGesture()
  edit('Drag', (draft) => void (draft.name = 'Drag'), 'drag')
  expect(history.past.value).toHaveLength(2)
  go('undo')
  expect(now().name).toBe('Dra')
  go('undo')
  expect(now().name).toBe(DEMO_PROJECT.name)
})

test('a long day keeps the last five hundred steps', () => {
  const { history, edit } = opened()
  for (let i = 0; i < 510; i += 1) edit(`Name ${i}`, (draft) => void (draft.name = `N${i}`))
  expect(history.past.value).toHaveLength(500)
  expect(history.past.value[0]!.label).toBe('Name 10')
})
