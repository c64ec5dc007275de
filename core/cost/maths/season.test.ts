import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { difference, payback, wearPerEvent, type Range } from './season.ts'

const range = (most: number): fc.Arbitrary<Range> =>
  fc
    .tuple(
      fc.double({ min: 1, max: most, noNaN: true }),
      fc.double({ min: 0, max: most, noNaN: true }),
      fc.double({ min: 0, max: most, noNaN: true }),
    )
    .map(([a, b, c]) => ({ low: a, likely: a + b, high: a + b + c }))

describe('wear', () => {
  test('pads of 80 that last 4 events cost 20 an event; with rotors of 300 for 20 events 35', () => {
    const pads = { price: { low: 7000, likely: 8000, high: 9000 }, lastsEvents: { low: 3, likely: 4, high: 5 } }
    const rotors = { price: { low: 30_000, likely: 30_000, high: 30_000 }, lastsEvents: { low: 20, likely: 20, high: 20 } }
    expect(wearPerEvent([pads])).toEqual({ low: 1400, likely: 2000, high: 3000 })
    expect(wearPerEvent([pads, rotors])).toEqual({ low: 2900, likely: 3500, high: 4500 })
  })
  test('low, likely and high stay in order, and nothing worn costs nothing', () => {
    expect(wearPerEvent([])).toEqual({ low: 0, likely: 0, high: 0 })
    fc.assert(
      fc.property(fc.array(fc.record({ price: range(1e5), lastsEvents: range(100) }), { maxLength: 6 }), (wearers) => {
        const sum = wearPerEvent(wearers)
        expect(sum.low).toBeLessThanOrEqual(sum.likely + 1e-9)
        expect(sum.likely).toBeLessThanOrEqual(sum.high + 1e-9)
      }),
    )
  })
})

describe('paying for itself', () => {
  test('400 dearer, 50 saved an event: after 8 events', () => {
    expect(payback({ low: 300, likely: 400, high: 500 }, { low: 25, likely: 50, high: 60 })).toEqual({ likely: 8, soonest: 5, latest: 20 })
  })
  test('what saves nothing never does; what may save nothing has no latest', () => {
    expect(payback({ low: 1, likely: 1, high: 1 }, { low: -5, likely: -1, high: 0 })).toEqual({
      likely: undefined,
      soonest: undefined,
      latest: undefined,
    })
    expect(payback({ low: 10, likely: 10, high: 10 }, { low: -1, likely: 1, high: 2 })).toEqual({
      likely: 10,
      soonest: 5,
      latest: undefined,
    })
  })
  test('what is not dearer has paid at once', () => {
    expect(payback({ low: -20, likely: -10, high: 0 }, { low: -1, likely: 0, high: 1 })).toEqual({ likely: 0, soonest: 0, latest: 0 })
  })
  test('a difference holds every pair of values', () => {
    fc.assert(
      fc.property(range(1e4), range(1e4), (a, b) => {
        const d = difference(a, b)
        for (const x of [a.low, a.likely, a.high])
          for (const y of [b.low, b.likely, b.high]) {
            expect(x - y).toBeGreaterThanOrEqual(d.low - 1e-9)
            expect(x - y).toBeLessThanOrEqual(d.high + 1e-9)
          }
      }),
    )
  })
})
