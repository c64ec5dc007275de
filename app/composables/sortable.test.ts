import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import type { SortableEvent } from 'sortablejs'
import { moved, putBack } from './sortable.ts'

const index = fc.nat({ max: 7 })

test('one entry goes to its place, the others keep their order, and the way back undoes it', () => {
  fc.assert(
    fc.property(fc.uniqueArray(fc.string(), { minLength: 8, maxLength: 8 }), index, index, (list, from, to) => {
      const after = moved(list, from, to)
      expect(after[to]).toBe(list[from])
      expect(after.filter((one) => one !== list[from])).toEqual(list.filter((one) => one !== list[from]))
      expect(moved(after, to, from)).toEqual(list)
    }),
  )
})

test('what was dragged stands where it stood before the page draws it anew', () => {
  fc.assert(
    fc.property(index, index, (from, to) => {
      const before = Array.from({ length: 8 }, (_, i) => ({ name: i, remove: () => void children.splice(children.indexOf(item), 1) }))
      const item = before[from]!
      // as the package leaves it: the element already in its new place
      const children = moved(before, from, to)
      const list = {
        children,
        insertBefore: (one: typeof item, next: typeof item | null) =>
          void children.splice(next ? children.indexOf(next) : children.length, 0, one),
      }
      const event = { item, from: list, oldIndex: from, oldDraggableIndex: from, newDraggableIndex: to } as unknown as SortableEvent
      expect(putBack(event)).toEqual({ from, to })
      expect(children).toEqual(before)
    }),
  )
})
