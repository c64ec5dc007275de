import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { follow } from './follow.ts'
import type { Px } from './grey.ts'

/** A dark field below a light one: the edge runs along y = 30. */
const picture = { width: 90, height: 60, data: Uint8Array.from({ length: 90 * 60 }, (_, i) => (i < 90 * 30 ? 230 : 40)) }

describe('following a line', () => {
  test('keeps to the edge between two places on it', () => {
    const found = follow(picture, [5, 30], [84, 30], 'edge', 3)
    expect(found.ok).toBe(true)
    if (!found.ok) return
    expect(found.points.length).toBeGreaterThan(20)
    for (const [, y] of found.points) expect(Math.abs(y - 30)).toBeLessThan(1)
  })
  test('two places beside the picture are told so', () => {
    expect(follow(picture, [-70, 5], [-55, 40], 'edge', 3)).toEqual({ ok: false, message: expect.stringContaining('outside the picture') })
    expect(follow(picture, [20, 110], [60, 130], 'edge', 3)).toMatchObject({ ok: false })
  })
  test('there is an answer wherever both places lie', () => {
    const anywhere = fc.tuple(
      fc.double({ min: -200, max: 300, noNaN: true }),
      fc.double({ min: -200, max: 300, noNaN: true }),
    ) as fc.Arbitrary<Px>
    fc.assert(
      fc.property(anywhere, anywhere, (from, to) => {
        const found = follow(picture, from, to, 'edge', 3)
        if (found.ok) for (const at of found.points) expect(at.every(Number.isFinite)).toBe(true)
        else expect(found.message).toMatch(/\w{3}/)
      }),
    )
  })
})
