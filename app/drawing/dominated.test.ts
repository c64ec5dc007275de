import { expect, test } from '@jest/globals'
import { dominatedPath } from './dominated.ts'

const BOX = { left: 0, right: 100, top: 0, bottom: 80 }
test('a staircase from the cheapest on, whichever way is better', () => {
  const front = [
    { x: 10, y: 50 },
    { x: 40, y: 20 },
  ]
  expect(dominatedPath(front, BOX, { x: 1, y: 1 })).toBe('M10,80L10,50L40,50L40,20L100,20L100,80Z')
  expect(dominatedPath([...front].reverse(), BOX, { x: 1, y: 1 })).toBe(dominatedPath(front, BOX, { x: 1, y: 1 }))
  expect(dominatedPath([{ x: 10, y: 50 }], BOX, { x: -1, y: -1 })).toBe('M10,0L10,50L0,50L0,0Z')
})
test('a point that another beats changes nothing, and none has no region', () => {
  const one = [{ x: 10, y: 20 }]
  expect(dominatedPath([...one, { x: 30, y: 60 }], BOX, { x: 1, y: 1 })).toBe(dominatedPath(one, BOX, { x: 1, y: 1 }))
  expect(dominatedPath([], BOX, { x: 1, y: 1 })).toBe('')
})
