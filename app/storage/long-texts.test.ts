import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { freeze } from 'immer'
import { LONG, LongTexts, referencesIn } from './long-texts.ts'

const texts = () => {
  let count = 0
  return new LongTexts(() => `t${(count += 1)}`)
}
const long = fc.integer({ min: 0, max: 5 }).map((n) => String(n).repeat(LONG))
const tree = fc.letrec((tie) => ({
  any: fc.oneof({ maxDepth: 4 }, fc.string(), fc.integer(), fc.constant(null), long, tie('list'), tie('object')),
  list: fc.array(tie('any'), { maxLength: 4 }),
  object: fc.dictionary(fc.string({ maxLength: 5 }), tie('any'), { maxKeys: 4, noNullPrototype: true }),
})).any

test('what is taken apart comes together again, in another page too', async () => {
  await fc.assert(
    fc.asyncProperty(tree, async (value) => {
      const here = texts()
      const { light, keys } = here.lightOf(value)
      expect(JSON.stringify(light).length).toBeLessThan(LONG)
      expect(new Set(referencesIn(light))).toEqual(new Set(keys))
      const records = new Map([...new Set(keys)].map((key) => [key, here.text(key)]))
      const there = texts()
      expect(await there.whole(light, async (key) => records.get(key) ?? null)).toEqual(value)
      // the same texts keep their keys
      expect(new Set(there.lightOf(value).keys)).toEqual(new Set(keys))
    }),
    { seed: 20261130 },
  )
})
test('a branch without a long text stays the same object, and one that is frozen is looked through once', () => {
  const here = texts()
  const plain = freeze({ a: [1, 2] }, true)
  const value = freeze({ plain, note: { jpeg: 'x'.repeat(LONG) } }, true)
  const { light } = here.lightOf(value)
  expect((light as typeof value).plain).toBe(plain)
  expect(here.lightOf(value).light).toBe(light)
  expect(light).toEqual({ plain: { a: [1, 2] }, note: { jpeg: { longText: 't1' } } })
})
test('a record that is gone leaves its name; what is not stored yet is put in', async () => {
  const here = texts()
  const value = { a: 'a'.repeat(LONG), b: 'b'.repeat(LONG) }
  const { light } = here.lightOf(value)
  expect(here.withUnstored(light, new Set(['t1']))).toEqual({ a: { longText: 't1' }, b: value.b })
  expect(await texts().whole(light, async (key) => (key === 't1' ? value.a : null))).toEqual({ a: value.a, b: { longText: 't2' } })
})
