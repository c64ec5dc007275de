import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { inOrder } from './in-order.ts'

test('each comes after what it needs, and nothing is lost; without needs nothing moves', () => {
  fc.assert(
    fc.property(fc.array(fc.array(fc.nat(30), { maxLength: 4 }), { maxLength: 30 }), fc.integer(), (needs, seed) => {
      // what is named after another never needs it: such an order exists, whatever the list looks like
      const all = needs.map((of, i) => ({ id: `s${i}`, needs: of.filter((one) => one < i).map((one) => `s${one}`) }))
      const mixed = [...all].sort((a, b) => ((a.id.length * 7 + seed) % 5) - ((b.id.length * 3 + seed) % 5))
      const ordered = inOrder(mixed)
      expect(new Set(ordered)).toEqual(new Set(all))
      ordered.forEach((one, at) => {
        for (const need of one.needs) expect(ordered.findIndex((other) => other.id === need)).toBeLessThan(at)
      })
      expect(inOrder(all)).toEqual(all)
    }),
  )
})
test('a ring of needs, and a need that is not there, are refused with their names', () => {
  expect(() =>
    inOrder([
      { id: 'a', needs: ['b'] },
      { id: 'b', needs: ['a'] },
    ]),
  ).toThrow('a, b need each other')
  expect(() => inOrder([{ id: 'a', needs: ['c'] }])).toThrow('a needs c, which is not there')
})
