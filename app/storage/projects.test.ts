import { beforeEach, describe, expect, test } from '@jest/globals'
import localforage from 'localforage'
import { createPinia, setActivePinia } from 'pinia'
import { DEMO_PROJECT } from '#core/demo/project.ts'
import { blankProject } from '#core/records/blank.ts'
import { useProjectStore } from '../stores/project.ts'
import { useShelfStore } from '../stores/shelf.ts'
import { freeze, produce } from 'immer'
import { projectProblems } from '#core/records/check.ts'
import type { Project } from '#core/records/project.ts'
import { withPictures } from '../testing/pictures.ts'
import { forgetPage, listProjects, loadProject, removeProject, restoreCopy, saveProject } from './projects.ts'

const NOW = new Date('2026-09-12T10:00:00Z')
let count = 0
const freshId = () => `project-${(count += 1)}`

beforeEach(() => {
  setActivePinia(createPinia())
})

describe('projects in the browser', () => {
  test('saved, listed, loaded and removed', async () => {
    const id = freshId()
    expect(await loadProject(id)).toEqual({ state: 'absent' })
    expect(await saveProject({ ...DEMO_PROJECT, id }, undefined, NOW)).toEqual({ ok: true, revision: 1 })
    expect(await loadProject(id)).toMatchObject({ state: 'ok', revision: 1, project: { id } })
    expect((await listProjects()).find((entry) => entry.id === id)).toMatchObject({ name: DEMO_PROJECT.name, setups: 4, broken: false })
    await removeProject(id)
    expect(await loadProject(id)).toEqual({ state: 'absent' })
  })
  test('a save over another revision is refused and writes nothing', async () => {
    const id = freshId()
    await saveProject(blankProject(id, 'First'), undefined, NOW)
    await saveProject(blankProject(id, 'Second'), 1, NOW)
    expect(await saveProject(blankProject(id, 'Third'), 1, NOW)).toEqual({ ok: false, reason: 'conflict' })
    expect(await saveProject(blankProject(id, 'New'), undefined, NOW)).toEqual({ ok: false, reason: 'conflict' })
    expect(await loadProject(id)).toMatchObject({ revision: 2, project: { name: 'Second' } })
  })
  test('what cannot be read is shown with its problems, and the save before can come back', async () => {
    const id = freshId()
    await saveProject(blankProject(id, 'Good'), undefined, NOW)
    await saveProject({ ...blankProject(id, 'Bad'), version: 99 } as never, 1, NOW)
    expect(await loadProject(id)).toMatchObject({ state: 'broken', hasCopy: true, problems: [{ message: expect.stringContaining('99') }] })
    expect((await listProjects()).find((entry) => entry.id === id)).toMatchObject({ broken: true })
    expect(await restoreCopy(id)).toBe(true)
    expect(await loadProject(id)).toMatchObject({ state: 'ok', project: { name: 'Good' } })
    expect(await restoreCopy('nobody')).toBe(false)
  })
})

describe('one bad record', () => {
  const round: Record<string, unknown> = { a: 1 }
  round.self = round
  test.each<[string, unknown]>([
    ['a text', 'hello'],
    ['a number', 7],
    ['nothing of ours', { other: true }],
    ['no date', { shelfVersion: 1, revision: 1, project: DEMO_PROJECT }],
    ['no project', { shelfVersion: 1, revision: 1, savedAt: NOW.toISOString(), project: null }],
    ['one that goes round', { shelfVersion: 1, revision: 1, savedAt: NOW.toISOString(), project: round }],
  ])('%s: the others are listed, it is listed as bad, its text can be taken away, and it can be removed', async (_, value) => {
    const [good, bad] = [freshId(), freshId()]
    await saveProject(blankProject(good, 'Good'), undefined, NOW)
    await localforage.createInstance({ name: 'valiant-caliper', storeName: 'projects', version: 1 }).setItem(bad, value)
    const listed = await listProjects()
    expect(listed.find((entry) => entry.id === good)).toMatchObject({ broken: false, name: 'Good' })
    expect(listed.find((entry) => entry.id === bad)).toMatchObject({ broken: true })
    expect(await loadProject(bad)).toMatchObject({
      state: 'broken',
      raw: expect.stringMatching(/./),
      problems: [{ message: expect.stringMatching(/./) }],
    })
    await removeProject(bad)
    expect((await listProjects()).map((entry) => entry.id)).not.toContain(bad)
    expect((await listProjects()).map((entry) => entry.id)).toContain(good)
  })
})

describe('the open project', () => {
  async function opened() {
    const id = freshId()
    await saveProject({ ...DEMO_PROJECT, id }, undefined, NOW)
    const store = useProjectStore()
    await store.open(id)
    return store
  }
  test('edits are undone and done again as patches, and saved by themselves', async () => {
    const store = await opened()
    const before = store.project
    store.edit('Rename', (draft) => void (draft.name = 'Another'))
    expect(store.project!.name).toBe('Another')
    expect(store.undoLabel).toBe('Rename')
    store.undo()
    expect(store.project).toEqual(before)
    store.redo()
    await store.flush()
    expect(store.saveState).toBe('saved')
    expect(await loadProject(store.project!.id)).toMatchObject({ project: { name: 'Another' } })
  })
  test('one gesture is one step', async () => {
    const store = await opened()
    for (const mm of [1, 2, 3]) store.edit('Spacer', (draft) => void (draft.setups[1]!.front.spacerTrialMm = mm), { gesture: 'spacer' })
    store.endGesture()
    store.edit('Spacer', (draft) => void (draft.setups[1]!.front.spacerTrialMm = 9), { gesture: 'spacer' })
    expect(store.past).toHaveLength(2)
    store.undo()
    expect(store.project!.setups[1]!.front.spacerTrialMm).toBe(3)
    store.undo()
    expect(store.project!.setups[1]!.front.spacerTrialMm).toBeUndefined()
    store.redo()
    expect(store.project!.setups[1]!.front.spacerTrialMm).toBe(3)
  })
  test('an edit that would break the project is refused with its place', async () => {
    const store = await opened()
    const before = store.project
    const problems = store.edit('Nonsense', (draft) => void (draft.preferences.taxPercent = 400))
    expect(problems[0]).toMatchObject({ path: 'preferences.taxPercent', message: 'must be between 0 and 100%' })
    expect(store.project).toBe(before)
    expect(store.past).toHaveLength(0)
  })
  test('a change saved elsewhere meanwhile is a conflict; this state can be kept as a copy', async () => {
    const store = await opened()
    const id = store.project!.id
    await saveProject({ ...DEMO_PROJECT, id, name: 'From the other tab' }, 1, NOW)
    store.edit('Rename', (draft) => void (draft.name = 'Mine'))
    await store.flush()
    expect(store.saveState).toBe('conflict')
    expect(await loadProject(id)).toMatchObject({ project: { name: 'From the other tab' } })
    const copy = freshId()
    expect(await store.keepAsCopy(copy)).toBe(copy)
    expect(await loadProject(copy)).toMatchObject({ project: { name: 'Mine (this tab)' } })
    expect(store.saveState).toBe('saved')
  })
  test('a conflict can also be settled by taking what is stored', async () => {
    const store = await opened()
    await saveProject({ ...DEMO_PROJECT, id: store.project!.id, name: 'Theirs' }, 1, NOW)
    store.edit('Rename', (draft) => void (draft.name = 'Mine'))
    await store.flush()
    await store.chooseBoth('theirs')
    expect(store.project!.name).toBe('Theirs')
    expect(store.saveState).toBe('saved')
  })
  test('absent and broken are states of their own', async () => {
    const store = useProjectStore()
    await store.open('nobody')
    expect(store.state).toBe('absent')
    const id = freshId()
    await saveProject({ ...blankProject(id, 'Bad'), format: 'x' } as never, undefined, NOW)
    await store.open(id)
    expect(store.state).toBe('broken')
    expect(store.problems).toHaveLength(1)
  })
})

test('an imported project never takes the place of one that is here', async () => {
  const shelf = useShelfStore()
  const id = freshId()
  expect(await shelf.add(blankProject(id, 'First'))).toMatchObject({ id, revision: 1 })
  const second = await shelf.add(blankProject(id, 'Second'))
  expect('id' in second && second.id).not.toBe(id)
  expect(await loadProject(id)).toMatchObject({ project: { name: 'First' } })
  expect(await shelf.addDemo()).toEqual({ id: DEMO_PROJECT.id })
  expect(await shelf.addDemo()).toEqual({ id: DEMO_PROJECT.id })
})

describe('pictures', () => {
  const box = (storeName: string) => localforage.createInstance({ name: 'valiant-caliper', storeName, version: 1 })
  const records = async (id: string) => (await box('longTexts').keys()).filter((key) => key.startsWith(`${id}/`))
  const noteOf = (project: Project, i: number) => project.builds[0]!.notes[i]!

  test('are records of their own: an edit writes none of them, and all come back', async () => {
    const id = freshId()
    const project = freeze(withPictures(id, 60), true)
    expect(projectProblems(project)).toEqual([])
    await saveProject(project, undefined, NOW)
    const before = await records(id)
    expect(before).toHaveLength(60)
    const changed = produce(project, (draft) => void (draft.builds[0]!.notes[7]!.note = 'Changed'))
    await saveProject(changed, 1, NOW)
    expect(new Set(await records(id))).toEqual(new Set(before))
    const kept = await box('projects').getItem(id)
    expect(JSON.stringify(kept).length).toBeLessThan(1_000_000)
    expect(await loadProject(id)).toMatchObject({ state: 'ok', project: changed })
  })
  test('one that is removed goes once the copy before it has gone too, and is written again when it is undone', async () => {
    const id = freshId()
    const project = freeze(withPictures(id, 2), true)
    await saveProject(project, undefined, NOW)
    const without = produce(project, (draft) => void draft.builds[0]!.notes.splice(1, 1))
    await saveProject(without, 1, NOW)
    // the copy of the save before names it still
    expect(await records(id)).toHaveLength(2)
    await saveProject(
      produce(without, (draft) => void (draft.note = 'later')),
      2,
      new Date(NOW.getTime() + 60_000),
    )
    expect(await records(id)).toHaveLength(1)
    await saveProject(project, 3, new Date(NOW.getTime() + 61_000))
    const back = await loadProject(id)
    expect(back.state === 'ok' && noteOf(back.project, 1).picture === noteOf(project, 1).picture).toBe(true)
    await removeProject(id)
    expect(await records(id)).toEqual([])
  })
  test('whose record is gone makes the project one that says so, with the rest to take away', async () => {
    const id = freshId()
    await saveProject(freeze(withPictures(id, 1), true), undefined, NOW)
    const [record] = await records(id)
    const listed = async () => (await listProjects()).find((entry) => entry.id === id)
    expect(await listed()).toMatchObject({ broken: false, name: DEMO_PROJECT.name })
    await box('longTexts').removeItem(record!)
    forgetPage(id)
    expect(await listed()).toMatchObject({ broken: true })
    expect(await loadProject(id)).toMatchObject({ state: 'broken', problems: [{ path: expect.stringContaining('picture') }] })
  })
})
