import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { apply, homographyOf, inverse, times, type Homography, type Pair } from './homography.ts'

/** A view of a plane that nothing of it is behind. */
const view: fc.Arbitrary<Homography> = fc
  .tuple(
    ...Array.from({ length: 6 }, (_, i) => fc.double({ min: i % 3 === 2 ? -200 : -2, max: i % 3 === 2 ? 200 : 2, noNaN: true })),
    fc.double({ min: -0.001, max: 0.001, noNaN: true }),
    fc.double({ min: -0.001, max: 0.001, noNaN: true }),
  )
  .map((eight) => [...eight, 1])
  .filter(([a, b, , d, e]) => Math.abs(a! * e! - b! * d!) > 0.2)
const place = fc.tuple(fc.double({ min: -150, max: 150, noNaN: true }), fc.double({ min: -150, max: 250, noNaN: true }))
const CORNERS: Pair[] = [
  [-126, -12],
  [58, -12],
  [58, 238],
  [-126, 238],
]

test('four corners tell the view, and all other places with it', () => {
  fc.assert(
    fc.property(view, place, (h, at) => {
      const found = homographyOf(
        CORNERS,
        CORNERS.map((one) => apply(h, one)),
      )
      const [x, y] = apply(h, at)
      const [u, v] = apply(found!, at)
      expect(Math.hypot(x - u, y - v)).toBeLessThan(1e-5 * (1 + Math.hypot(x, y)))
    }),
  )
})
test('there and back is where it was', () => {
  fc.assert(
    fc.property(view, place, (h, at) => {
      const [x, y] = apply(inverse(h), apply(h, at))
      expect(Math.hypot(x - at[0], y - at[1])).toBeLessThan(1e-6)
    }),
  )
})
test('one view after the other is their product', () => {
  fc.assert(
    fc.property(view, view, place, (a, b, at) => {
      const [x, y] = apply(a, apply(b, at))
      const [u, v] = apply(times(a, b), at)
      fc.pre(Math.hypot(x, y) < 1e6)
      expect(Math.hypot(x - u, y - v)).toBeLessThan(1e-6 * (1 + Math.hypot(x, y)))
    }),
  )
})
test.each([
  [
    'three on a line',
    [
      [0, 0],
      [1, 0],
      [2, 0],
      [0, 1],
    ],
  ],
  [
    'all in one place',
    [
      [1, 1],
      [1, 1],
      [1, 1],
      [1, 1],
    ],
  ],
  [
    'three places',
    [
      [0, 0],
      [1, 0],
      [0, 1],
    ],
  ],
] as [string, Pair[]][])('%s tell nothing', (_name, to) => {
  expect(homographyOf(CORNERS.slice(0, to.length), to)).toBeUndefined()
})
