import { afterEach, describe, expect, jest, test } from '@jest/globals'
import localforage from 'localforage'
import { createPinia } from 'pinia'
import { watch } from 'vue'
import { blankProject } from '#core/records/blank.ts'
import { stream } from '#core/testing/heavy.ts'
import { runs } from '#core/testing/runs.ts'
import { listProjects, loadProject, saveProject } from '../storage/projects.ts'
import { NEVER_FAKED, smallStore, turns } from '../testing/bench.ts'
import { useProjectStore } from './project.ts'
import { storageTrouble } from './shelf.ts'

/** What a browser can do to a project, one row each: nothing older than a quarter of a second is lost, and it is said. */

const NOW = new Date('2026-11-26T10:00:00Z')
let count = 0
const aProject = (id: string) => {
  const project = blankProject(id, 'A car')
  for (let i = 0; i < 8; i += 1) project.parts.push({ id: `part-${i}`, kind: 'spacer', name: `Spacer ${i}` })
  return project
}
async function shelved(): Promise<string> {
  const id = `fault-${(count += 1)}`
  await saveProject(aProject(id), undefined, NOW)
  return id
}
/** A tab of its own. */
async function tab(id: string) {
  const store = useProjectStore(createPinia())
  await store.open(id)
  return store
}
type Tab = Awaited<ReturnType<typeof tab>>
const note = (of: Tab, part: number, words: string) => of.edit('Note', (draft) => void (draft.parts[part]!.note = words))
/** The test's own clock goes on: timers that are due run, and what the storage answers to them comes through. */
async function pass(ms: number): Promise<void> {
  for (let left = ms; left > 0; left -= 250) {
    await jest.advanceTimersByTimeAsync(Math.min(left, 250))
    await turns(40)
  }
}
const useOwnClock = () => void jest.useFakeTimers({ doNotFake: [...NEVER_FAKED], now: NOW })
async function notes(id: string): Promise<(string | undefined)[]> {
  const loaded = await loadProject(id)
  if (loaded.state !== 'ok') throw new Error(`the project is ${loaded.state}`)
  return loaded.project.parts.map((part) => part.note)
}

afterEach(() => {
  jest.restoreAllMocks()
  jest.useRealTimers()
  Reflect.deleteProperty(globalThis, 'localStorage')
})

describe.each<[string, () => DOMException, 'full' | 'failed', RegExp]>([
  ['no room', () => new DOMException('the quota has been exceeded', 'QuotaExceededError'), 'full', /storage is full\. Export the project/],
  ['a save cut off', () => new DOMException('the transaction was aborted', 'AbortError'), 'failed', /was aborted.*Export the project/],
  ['a storage that closes', () => new DOMException('the database is closing', 'InvalidStateError'), 'failed', /is closing.*Export/],
  ['a storage that is refused', () => new DOMException('denied', 'SecurityError'), 'failed', /denied.*Export/],
  ['a disk that fails', () => new DOMException('internal error', 'UnknownError'), 'failed', /internal error.*Export/],
])('%s', (_, fault, state, words) => {
  test('is said, what is stored stays whole, and once it is over everything is saved', async () => {
    const id = await shelved()
    const one = await tab(id)
    jest.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
      throw fault()
    })
    note(one, 0, 'during')
    await one.flush()
    expect(one.saveState).toBe(state)
    expect(storageTrouble(state, one.saveMessage)).toMatch(words)
    jest.restoreAllMocks()
    expect((await notes(id))[0]).toBeUndefined()
    note(one, 1, 'after')
    await one.flush()
    expect(one.saveState).toBe('saved')
    expect((await notes(id)).slice(0, 2)).toEqual(['during', 'after'])
  })
})

test('what could not be saved is saved by itself once the storage takes it, and stays said until then', async () => {
  useOwnClock()
  const id = await shelved()
  const one = await tab(id)
  const put = jest.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
    throw new DOMException('busy', 'AbortError')
  })
  const states = new Set<string>()
  const stop = watch(
    () => one.saveState,
    (state) => states.add(state),
    { flush: 'sync' },
  )
  note(one, 0, 'typed once')
  await pass(3000)
  expect(put.mock.calls.length).toBeGreaterThan(1)
  expect([...states]).toEqual(['unsaved', 'saving', 'failed'])
  jest.restoreAllMocks()
  await pass(2500)
  expect(one.saveState).toBe('saved')
  expect((await notes(id))[0]).toBe('typed once')
  stop()
})

test('a storage that does not answer is said after a while, and nothing is lost', async () => {
  const id = await shelved()
  jest.spyOn(IDBObjectStore.prototype, 'get').mockImplementation(() => ({}) as IDBRequest)
  const saved = await saveProject(aProject(id), 1, NOW, 100)
  expect(saved).toEqual({ ok: false, reason: 'failed', message: expect.stringMatching(/has not answered for 0\.1 s/) })
})

describe('records that nobody wrote here', () => {
  const box = localforage.createInstance({ name: 'valiant-caliper', storeName: 'projects', version: 1 })
  const circular: Record<string, unknown> = { name: 'round' }
  circular.self = circular
  test.each<[string, unknown]>([
    ['a number', 7],
    ['a text', 'nothing'],
    ['an empty object', {}],
    ['a list', [1, 2]],
    ['a project cut in half', { shelfVersion: 1, revision: 3, savedAt: 'yesterday', project: { ...aProject('x'), parts: undefined } }],
    ['one that goes round in circles', { shelfVersion: 1, revision: 3, savedAt: 'yesterday', project: circular }],
    [
      'a million zeros',
      { shelfVersion: 1, revision: 3, savedAt: 'yesterday', project: { ...aProject('x'), parts: new Array(1e6).fill(0) } },
    ],
    ['bytes', new Uint8Array(1000)],
  ])('%s: listed as bad, its raw text can be taken away, the others are there', async (_, value) => {
    const id = `nobody-${(count += 1)}`
    const good = await shelved()
    await box.setItem(id, value)
    const listed = await listProjects()
    expect(listed.find((entry) => entry.id === id)).toMatchObject({ broken: true })
    expect(listed.find((entry) => entry.id === good)).toMatchObject({ broken: false, name: 'A car' })
    const loaded = await loadProject(id)
    expect(loaded).toMatchObject({ state: 'broken', raw: expect.any(String) })
    if (loaded.state === 'broken') for (const one of loaded.problems) expect(one.message.length).toBeGreaterThan(5)
    await box.removeItem(id)
  })
})

test('a page that is killed loses nothing older than 250 ms, however fast one types', async () => {
  useOwnClock()
  const id = await shelved()
  const one = await tab(id)
  const typed: { at: number; words: string }[] = []
  for (let i = 0; i < 100; i += 1) {
    note(one, 2, `word ${i}`)
    typed.push({ at: Date.now(), words: `word ${i}` })
    await pass(15)
    if (i % 6 > 0) continue
    // what a process that dies now leaves behind
    const kept = (await notes(id))[2]
    const index = typed.findIndex((entry) => entry.words === kept)
    const lost = typed.slice(index + 1).filter((entry) => entry.at < Date.now() - 250)
    expect([i, lost]).toEqual([i, []])
  }
  await one.flush()
})

test('two tabs, random interleavings: no edit is lost', async () => {
  const round = async (seed: number) => {
    const next = stream(seed)
    const id = await shelved()
    const tabs = [await tab(id), await tab(id)]
    const wanted: string[] = []
    // each tab has its own places: whoever comes second must still find room
    await Promise.all(
      tabs.map(async (one, which) => {
        for (let i = 0; i < 5; i += 1) {
          const part = which * 4 + Math.floor(next() * 4)
          const words = `tab ${which}, ${i}`
          expect(note(one, part, words)).toEqual([])
          wanted[part] = words
          await turns(Math.floor(next() * 40))
          if (next() < 0.5) void one.flush()
          if (next() < 0.3) await one.flush()
        }
      }),
    )
    // both come to rest
    for (let i = 0; i < 60; i += 1) {
      await Promise.all(tabs.map((one) => one.flush()))
      await turns(10)
      if (tabs.every((one) => one.saveState === 'saved') && i > 3) break
    }
    expect(tabs.map((one) => [seed, one.saveState, one.conflicts.length])).toEqual(tabs.map(() => [seed, 'saved', 0]))
    const kept = await notes(id)
    for (const [part, words] of Object.entries(wanted)) expect([seed, part, kept[Number(part)]]).toEqual([seed, part, words])
    for (const one of tabs) await one.close()
  }
  for (let at = 0; at < runs(200, 30); at += 10) await Promise.all(Array.from({ length: 10 }, (_, i) => round(1000 + (at + i) * 7919)))
})

test('what both tabs changed waits for a choice, and outlasts the page', async () => {
  const kept = smallStore()
  const id = await shelved()
  const one = await tab(id)
  await saveProject({ ...aProject(id), parts: aProject(id).parts.map((part, i) => (i === 0 ? { ...part, note: 'theirs' } : part)) }, 1, NOW)
  note(one, 0, 'mine')
  note(one, 1, 'mine alone')
  await one.flush()
  expect(one.saveState).toBe('conflict')
  // the page goes away without an answer
  one.rescue()
  expect([...kept.keys()].filter((key) => key.includes('/rescue/'))).toHaveLength(1)
  const again = await tab(id)
  expect([again.saveState, again.conflicts.length]).toEqual(['conflict', 1])
  await again.chooseBoth('mine')
  expect((await notes(id)).slice(0, 2)).toEqual(['mine', 'mine alone'])
})
