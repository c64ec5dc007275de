import { expect, test } from '@jest/globals'
import { dropDraft, keepDraft, readDraft } from './drafts.ts'

function small() {
  const kept = new Map<string, string>()
  return {
    kept,
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
    removeItem: (key: string) => void kept.delete(key),
    key: (i: number) => [...kept.keys()][i] ?? null,
    get length() {
      return kept.size
    },
  }
}

test('what was typed is there again until it is taken', () => {
  const store = small()
  keepDraft('p/car/massKg', '1.0', 1, store)
  keepDraft('p/car/massKg', '1.05 t', 2, store)
  expect(readDraft('p/car/massKg', store)).toBe('1.05 t')
  expect(readDraft('p/car/other', store)).toBeUndefined()
  dropDraft('p/car/massKg', store)
  expect([readDraft('p/car/massKg', store), store.kept.size]).toEqual([undefined, 0])
})
test('the oldest go first, what is not a draft stays, nonsense is none', () => {
  const store = small()
  store.setItem('valiant-caliper/rescue/x', '{}')
  for (let i = 0; i < 230; i += 1) keepDraft(`at ${i}`, 'text', i, store)
  expect([readDraft('at 29', store), readDraft('at 30', store), store.kept.size]).toEqual([undefined, 'text', 201])
  store.setItem('valiant-caliper/draft/bad', '{"text":3')
  expect(readDraft('bad', store)).toBeUndefined()
})
test('a store that is full or refused does no harm', () => {
  const full = {
    ...small(),
    setItem: () => {
      throw new Error('quota')
    },
  }
  expect(() => keepDraft('x', 'text', 1, full)).not.toThrow()
  expect(readDraft('x', undefined)).toBeUndefined()
})
