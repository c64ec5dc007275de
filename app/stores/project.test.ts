import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals'
import localforage from 'localforage'
import { createPinia, setActivePinia } from 'pinia'
import { DEMO_PROJECT } from '#core/demo/project.ts'
import type { Project } from '#core/records/project.ts'
import { forgetPage, loadProject, saveProject } from '../storage/projects.ts'
import { smallStore, turns, until } from '../testing/bench.ts'
import { picture, withPictures } from '../testing/pictures.ts'
import { useProjectStore } from './project.ts'
import { storageTrouble, useShelfStore } from './shelf.ts'

const NOW = new Date('2026-09-12T10:00:00Z')
let count = 0
async function opened() {
  const id = `kept-${(count += 1)}`
  await saveProject({ ...DEMO_PROJECT, id }, undefined, NOW)
  const store = useProjectStore()
  await store.open(id)
  return store
}
type Store = Awaited<ReturnType<typeof opened>>
const rename = (store: Store, name: string) => store.edit('Rename', (draft) => void (draft.name = name))
/** An edit of a page that ends right after it: its own save never begins. */
function lastEdit(edit: () => unknown): void {
  const timers = jest.spyOn(globalThis, 'setTimeout').mockImplementation(() => 0 as unknown as NodeJS.Timeout)
  edit()
  timers.mockRestore()
}
const stored = async (store: Store) => ((await loadProject(store.project!.id)) as { project: { name: string } }).project.name
const refusing = (name: string, message: string) =>
  jest.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
    throw new DOMException(message, name)
  })

beforeEach(() => {
  setActivePinia(createPinia())
})
afterEach(() => {
  jest.restoreAllMocks()
  Reflect.deleteProperty(globalThis, 'localStorage')
})

describe('a browser that does not save', () => {
  test('no room: said with a remedy, nothing lost, and saved once there is room', async () => {
    const store = await opened()
    const full = refusing('QuotaExceededError', 'the quota has been exceeded')
    rename(store, 'Too much')
    await store.flush()
    expect([store.saveState, store.project!.name]).toEqual(['full', 'Too much'])
    expect(storageTrouble('full', store.saveMessage)).toMatch(/storage is full\. Export the project to a file/)
    expect(await stored(store)).toBe(DEMO_PROJECT.name)
    full.mockRestore()
    rename(store, 'There is room')
    await store.flush()
    expect([store.saveState, await stored(store)]).toEqual(['saved', 'There is room'])
  })
  test('any other refusal is said in the browser’s words', async () => {
    const store = await opened()
    refusing('InvalidStateError', 'the database is closing')
    rename(store, 'Unlucky')
    await store.flush()
    expect(store.saveState).toBe('failed')
    expect(storageTrouble('failed', store.saveMessage)).toMatch(/did not save \(.*the database is closing.*\)\. Export the project/)
  })
  test('the shelf says why a project does not come in', async () => {
    refusing('QuotaExceededError', 'the quota has been exceeded')
    const added = await useShelfStore().add({ ...DEMO_PROJECT, id: 'no-room' })
    expect('message' in added && added.message).toMatch(/storage is full/)
    expect(await loadProject('no-room')).toEqual({ state: 'absent' })
  })
  test('storage that is locked altogether is a broken project with a way out, not a blank page', async () => {
    jest.spyOn(IDBObjectStore.prototype, 'get').mockImplementation(() => {
      throw new DOMException('denied', 'SecurityError')
    })
    const store = useProjectStore()
    await store.open('locked')
    expect(store.state).toBe('broken')
    expect(store.problems[0]!.message).toMatch(/cannot be read: .*denied.*use another browser or window/)
  })
})

describe('two tabs', () => {
  const otherTab = async (store: Store, change: Partial<Project>, revision = 1) => {
    const { id } = store.project!
    const saved = await saveProject({ ...DEMO_PROJECT, id, ...change }, revision, NOW)
    const channel = new BroadcastChannel('valiant-caliper')
    channel.postMessage({ id, revision: (saved as { revision: number }).revision })
    return () => channel.close()
  }
  test('one with nothing unsaved shows what the other saved; its history stays, the other’s change is a step', async () => {
    const store = await opened()
    store.edit('Note', (draft) => void (draft.note = 'mine'))
    await store.flush()
    const close = await otherTab(store, { note: 'mine', name: 'From the other tab' }, 2)
    await until(() => store.project!.name === 'From the other tab', 'the other tab’s change')
    expect([store.refreshedAt, store.undoLabel, store.past.length]).toEqual([1, 'change of another tab', 2])
    store.undo()
    store.undo()
    expect([store.project!.name, store.project!.note]).toEqual([DEMO_PROJECT.name, DEMO_PROJECT.note])
    await store.flush()
    close()
  })
  test('changes of different places are put together and saved', async () => {
    const store = await opened()
    rename(store, 'Mine')
    const close = await otherTab(store, { note: 'theirs' })
    await until(() => store.project!.note === 'theirs', 'both')
    await store.flush()
    expect([store.saveState, store.project!.name, await stored(store)]).toEqual(['saved', 'Mine', 'Mine'])
    close()
  })
  test.each(['mine', 'theirs'] as const)('of one place both are offered, nothing is written until %s is chosen', async (whose) => {
    const store = await opened()
    rename(store, 'Mine')
    const close = await otherTab(store, { name: 'Theirs', note: 'theirs too' })
    await until(() => store.saveState === 'conflict', 'the conflict')
    expect(store.conflicts.map((one) => [one.place, one.mine, one.theirs])).toEqual([['name', 'Mine', 'Theirs']])
    expect(store.project!.name).toBe('Mine')
    rename(store, 'Mine again')
    await store.flush()
    expect([store.saveState, await stored(store)]).toEqual(['conflict', 'Theirs'])
    await store.chooseBoth(whose)
    await store.flush()
    const name = whose === 'mine' ? 'Mine again' : 'Theirs'
    // what only the other tab changed is there in any case
    expect([store.saveState, store.project!.name, store.project!.note, await stored(store)]).toEqual(['saved', name, 'theirs too', name])
    close()
  })
  test('another project in the other tab is no news', async () => {
    const store = await opened()
    rename(store, 'Mine')
    const channel = new BroadcastChannel('valiant-caliper')
    channel.postMessage({ id: 'another', revision: 7 })
    await turns(20)
    expect(store.saveState).not.toBe('conflict')
    channel.close()
    await store.flush()
  })
  test('a copy under an id that is taken is not made, and nothing changes', async () => {
    const store = await opened()
    await saveProject({ ...DEMO_PROJECT, id: 'taken' }, undefined, NOW)
    const before = store.project
    expect(await store.keepAsCopy('taken')).toBeUndefined()
    expect(store.project).toBe(before)
  })
})

describe('a page that goes away', () => {
  test('keeps its last change, which the next opening takes back and saves', async () => {
    const small = smallStore()
    const store = await opened()
    const { id } = store.project!
    store.rescue()
    expect(small.size).toBe(0)
    lastEdit(() => rename(store, 'In the last moment'))
    store.rescue()
    expect([...small.keys()].filter((key) => key.includes('/rescue/'))).toHaveLength(1)

    setActivePinia(createPinia())
    const next = useProjectStore()
    await next.open(id)
    expect(next.project!.name).toBe('In the last moment')
    await next.flush()
    expect([await stored(next), small.size]).toEqual(['In the last moment', 0])

    // the page goes while one change is on its way into the store and a newer one waits
    rename(next, 'On its way')
    void next.flush()
    // it begins at once and takes longer than two turns of the queue
    await Promise.resolve()
    await Promise.resolve()
    expect(next.saveState).toBe('saving')
    rename(next, 'After it')
    next.rescue()
    await next.flush()
    const kept = JSON.parse(small.get(`valiant-caliper/rescue/${id}`)!) as { revision: number; underWay?: string }
    expect(kept).toMatchObject({ revision: 2, underWay: expect.stringMatching(/^\d{4}-/), project: { name: 'After it' } })
  })
})

test('a page that ends without a chance to keep anything is found out at the next opening, once', async () => {
  const small = smallStore()
  const store = await opened()
  const { id } = store.project!
  lastEdit(() => rename(store, 'Never saved'))
  expect([...small.keys()]).toEqual([`valiant-caliper/unsaved/${id}`])
  // it crashes: the next page opens what was saved
  const next = async () => {
    setActivePinia(createPinia())
    const opening = useProjectStore()
    await opening.open(id)
    return opening
  }
  expect((await next()).lostAfter).toBe(NOW.toISOString())
  expect((await next()).lostAfter).toBe('')
  const whole = await next()
  rename(whole, 'Saved')
  await whole.flush()
  expect([small.size, (await next()).lostAfter]).toEqual([0, ''])
})

test('what was kept for the last moment and names a picture that is gone is said to be lost', async () => {
  const small = smallStore()
  const id = `pictures-${(count += 1)}`
  await saveProject(withPictures(id, 1), undefined, NOW)
  const store = useProjectStore()
  await store.open(id)
  lastEdit(() => rename(store, 'In the last moment'))
  store.rescue()
  // another tab removes the picture, and its record goes with the copy before
  const texts = localforage.createInstance({ name: 'valiant-caliper', storeName: 'longTexts', version: 1 })
  const stored = await loadProject(id)
  if (stored.state !== 'ok') throw new Error(stored.state)
  await saveProject({ ...stored.project, builds: [] }, stored.revision, NOW)
  for (const key of await texts.keys()) if (key.startsWith(`${id}/`)) await texts.removeItem(key)
  forgetPage(id)
  setActivePinia(createPinia())
  const next = useProjectStore()
  await next.open(id)
  expect([next.project!.builds, next.lostAfter]).toEqual([[], NOW.toISOString()])
  expect([...small.keys()].filter((key) => key.includes('/rescue/'))).toEqual([])
})

describe('a page that goes away with many pictures', () => {
  async function openedWith(many: number) {
    const id = `pictures-${(count += 1)}`
    await saveProject(withPictures(id, many), undefined, NOW)
    const store = useProjectStore()
    await store.open(id)
    return store
  }
  const note = (store: ReturnType<typeof useProjectStore>, text: string) =>
    store.edit('Note', (draft) => void (draft.builds[0]!.notes[3]!.note = text))
  test.each([1, 60])('keeps its last change: %p of them', async (many) => {
    // a browser's small store holds about five million characters
    const small = smallStore(5_000_000)
    const store = await openedWith(many + 3)
    const { id } = store.project!
    lastEdit(() => note(store, 'In the last moment'))
    expect(store.rescue()).toBe(true)
    expect([...small.keys()].filter((key) => key.includes('/rescue/'))).toHaveLength(1)
    forgetPage(id)
    setActivePinia(createPinia())
    const next = useProjectStore()
    await next.open(id)
    expect(next.project!.builds[0]!.notes[3]).toMatchObject({ note: 'In the last moment', picture: picture(3) })
    await next.flush()
    expect(next.saveState).toBe('saved')
  })
  test('one that stays after all drops what it kept', async () => {
    const small = smallStore()
    const store = await openedWith(1)
    store.edit('Rename', (draft) => void (draft.name = 'Stays'))
    expect(store.rescue()).toBe(true)
    store.stay()
    await store.flush()
    // pages of the stories before still hear each other, under ids of their own
    expect([...small.keys()].filter((key) => key.endsWith(`/${store.project!.id}`))).toEqual([])
  })
  test('a picture that is not stored yet goes with it; where there is no room for it the page is told', async () => {
    const small = smallStore(5_000_000)
    const store = await openedWith(60)
    store.edit('Picture', (draft) => void (draft.builds[0]!.notes[3]!.picture = picture(999)))
    expect(store.rescue()).toBe(true)
    expect([...small.values()].some((one) => one.includes(picture(999)))).toBe(true)
    smallStore(1000)
    expect(store.rescue()).toBe(false)
    await store.flush()
    expect(store.rescue()).toBe(true)
  })
})

describe('steps', () => {
  test('a new change ends what could be done again; one that changes nothing does not', async () => {
    const store = await opened()
    rename(store, 'One')
    rename(store, 'Two')
    store.undo()
    expect(store.redoLabel).toBe('Rename')
    rename(store, 'One')
    expect(store.redoLabel).toBe('Rename')
    rename(store, 'Three')
    expect(store.redoLabel).toBeUndefined()
    store.redo()
    expect(store.project!.name).toBe('Three')
    await store.flush()
  })
  test('what was undone is named with its place; what is refused is said once', async () => {
    const store = await opened()
    store.edit('Change mass', (draft) => void (draft.car.massKg = { value: 1020, origin: 'measured' }))
    store.undo()
    expect(store.stepped).toEqual({
      back: true,
      label: 'Change mass',
      place: expect.stringMatching(/^Car › Mass/),
      at: { kind: 'car', field: 'massKg' },
    })
    const before = store.project
    store.edit('Bend it', (draft) => void (draft.preferences.taxPercent = 900))
    expect(store.refused).toMatchObject({ label: 'Bend it', problem: { message: 'must be between 0 and 100%' }, more: 0 })
    expect(store.project).toBe(before)
    const shown = store.refused
    store.edit('Bend it quietly', (draft) => void (draft.preferences.taxPercent = 900), { shows: true })
    expect(store.refused).toBe(shown)
    await store.flush()
  })
  test('nothing happens where nothing is to be undone, or no project is open', async () => {
    const store = await opened()
    const before = store.project
    store.undo()
    store.redo()
    expect(store.project).toBe(before)
    await store.close()
    expect(store.edit('Rename', (draft) => void (draft.name = 'x'))).toEqual([])
    expect([store.project, store.state]).toEqual([undefined, 'closed'])
  })
  test('what is older than five hundred steps is forgotten, the state is not', async () => {
    const store = await opened()
    for (let i = 1; i <= 503; i += 1) store.edit('Note', (draft) => void (draft.note = `note ${i}`))
    expect(store.past).toHaveLength(500)
    for (let i = 0; i < 600; i += 1) store.undo()
    expect(store.project!.note).toBe('note 3')
    await store.flush()
  })
})

test('a project that is removed is gone from the list', async () => {
  const shelf = useShelfStore()
  const added = await shelf.addBlank('For a moment')
  const id = 'id' in added ? added.id : ''
  await shelf.refresh()
  expect(shelf.entries.find((one) => one.id === id)).toMatchObject({ name: 'For a moment', setups: 1 })
  await shelf.remove(id)
  expect(shelf.entries.some((one) => one.id === id)).toBe(false)
})
