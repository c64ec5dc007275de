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
  expect(keepRescue(DEMO_PROJECT, 4, store)).toBe(true)
  expect(takeRescue(DEMO_PROJECT.id, 4, store)).toEqual(DEMO_PROJECT)
  expect(takeRescue(DEMO_PROJECT.id, 4, store)).toBeUndefined()
})
test('a change made on another revision is not put over a newer one', () => {
  const store = keeper()
  keepRescue(DEMO_PROJECT, 4, store)
  expect(takeRescue(DEMO_PROJECT.id, 5, store)).toBeUndefined()
  expect(store.kept.size).toBe(0)
})
test('no room and nonsense are no trouble', () => {
  expect(keepRescue(DEMO_PROJECT, 1, keeper(true))).toBe(false)
  const store = keeper()
  store.setItem('valiant-caliper/rescue/x', '{broken')
  expect(takeRescue('x', 1, store)).toBeUndefined()
})
