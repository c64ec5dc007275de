import { expect, test } from '@jest/globals'
import { DEMO_PROJECT } from '#core/demo/project.ts'
import { keepRescue, takeRescue } from './rescue.ts'

function keeper(full = false) {
  const kept = new Map<string, string>()
  return {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => {
      if (full) throw new DOMException('no room', 'QuotaExceededError')
      kept.set(key, value)
    },
    removeItem: (key: string) => void kept.delete(key),
    kept,
  }
}

test('what was kept comes back once, on the revision it was made on', () => {
  const store = keeper()
  expect(keepRescue(DEMO_PROJECT.id, DEMO_PROJECT, { revision: 4 }, store)).toBe(true)
  expect(takeRescue(DEMO_PROJECT.id, { revision: 4 }, store)).toEqual({ project: DEMO_PROJECT })
  expect(takeRescue(DEMO_PROJECT.id, { revision: 4 }, store)).toBeUndefined()
})
test('a change made on another revision is not put over a newer one, and is said to be lost', () => {
  const store = keeper()
  keepRescue(DEMO_PROJECT.id, DEMO_PROJECT, { revision: 4 }, store)
  expect(takeRescue(DEMO_PROJECT.id, { revision: 5 }, store)).toBe('lost')
  expect(store.kept.size).toBe(0)
})
test.each<[string, { revision: number; savedAt?: string }, boolean]>([
  ['the save under way arrived', { revision: 5, savedAt: '2026-09-12T10:00:00.123Z' }, true],
  ['it did not', { revision: 4, savedAt: '2026-09-12T09:00:00.000Z' }, true],
  ['another tab saved meanwhile', { revision: 5, savedAt: '2026-09-12T10:00:00.200Z' }, false],
  ['it arrived, and another tab saved after it', { revision: 6, savedAt: '2026-09-12T10:00:01.000Z' }, false],
])('a change made while a save was under way: %s', (_, stored, comesBack) => {
  const store = keeper()
  keepRescue(DEMO_PROJECT.id, DEMO_PROJECT, { revision: 4, underWay: '2026-09-12T10:00:00.123Z' }, store)
  expect(takeRescue(DEMO_PROJECT.id, stored, store)).toEqual(comesBack ? { project: DEMO_PROJECT } : 'lost')
})
test('a change made on an older revision comes back with what it was made on, where there was room for both', () => {
  const store = keeper()
  keepRescue(DEMO_PROJECT.id, DEMO_PROJECT, { revision: 4, base: { name: 'before' } }, store)
  expect(takeRescue(DEMO_PROJECT.id, { revision: 7 }, store)).toEqual({
    project: DEMO_PROJECT,
    older: { base: { name: 'before' }, revision: 4 },
  })
  const small = keeper()
  const put = small.setItem
  small.setItem = (key, value) => {
    if (value.includes('"base":{"name"')) throw new DOMException('no room', 'QuotaExceededError')
    put(key, value)
  }
  expect(keepRescue(DEMO_PROJECT.id, DEMO_PROJECT, { revision: 4, base: { name: 'before' } }, small)).toBe(true)
  expect(takeRescue(DEMO_PROJECT.id, { revision: 4 }, small)).toEqual({ project: DEMO_PROJECT })
})
test('no room and nonsense are no trouble', () => {
  expect(keepRescue(DEMO_PROJECT.id, DEMO_PROJECT, { revision: 1 }, keeper(true))).toBe(false)
  const store = keeper()
  store.setItem('valiant-caliper/rescue/x', '{broken')
  expect(takeRescue('x', { revision: 1 }, store)).toBe('lost')
})
