import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { combinations, countJoined, join, type JoinSlot } from './join.ts'
import { dominates, mostNonDominated, paretoFront, type Criterion, type CriterionValues } from './pareto.ts'

describe('joining', () => {
  const slots = fc
    .array(fc.integer({ min: 1, max: 5 }), { minLength: 1, maxLength: 5 })
    .map((sizes) =>
      sizes.map((size, at): JoinSlot<number> => ({ name: `s${at}`, options: Array.from({ length: size }, (_, i) => 10 * at + i) })),
    )
  test('finds what all against all finds', () => {
    fc.assert(
      fc.property(slots, fc.integer({ min: 1, max: 7 }), (all, seed) => {
        const apart = (a: number, b: number) => (a * 7 + b * 13 + seed) % 5 === 0
        const goes = (chosen: readonly number[]) => chosen.slice(0, -1).every((one) => !apart(one, chosen.at(-1)!))
        const found: number[][] = []
        join(all, { goes, each: (chosen) => found.push([...chosen]) })
        const every = all.reduce<number[][]>((rows, { options }) => rows.flatMap((row) => options.map((one) => [...row, one])), [[]])
        const good = every.filter((row) => row.every((one, i) => row.slice(0, i).every((other) => !apart(other, one))))
        expect(found).toEqual(good)
        expect([countJoined(all, goes), combinations(all)]).toEqual([good.length, every.length])
      }),
    )
  })
  test('what is cut is not looked at further', () => {
    let looked = 0
    join(
      [
        { name: 'a', options: [1, 2] },
        { name: 'b', options: [1, 2, 3] },
      ],
      { goes: () => ((looked += 1), true), cut: ([a]) => a === 1, each: () => {} },
    )
    expect(looked).toBe(2 + 3)
  })
})

describe('what nothing beats', () => {
  const criteria: Criterion[] = [
    { better: 'low', tolerance: 2 },
    { better: 'high', tolerance: 0.5 },
    { better: 'low', tolerance: 0 },
  ]
  const value = fc.option(fc.integer({ min: 0, max: 12 }), { nil: undefined, freq: 9 })
  const rows = fc.array(fc.tuple(value, value, value), { maxLength: 60 })
  test('is the same as by all against all, ties and unknowns too, in whatever order they come', () => {
    fc.assert(
      fc.property(rows, (all) => {
        const plain = all.filter((b) => !all.some((a) => dominates(a, b, criteria)))
        const found = paretoFront<CriterionValues>(all, (one) => one, criteria)
        expect(found).toEqual(plain)
        expect(new Set(paretoFront<CriterionValues>([...all].reverse(), (one) => one, criteria))).toEqual(new Set(plain))
      }),
      { numRuns: 300 },
    )
  })
  test('many rows are swept on the way without a change of the answer', () => {
    const many = Array.from({ length: 3000 }, (_, i): CriterionValues => [(i * 7919) % 997, (i * 104729) % 991, (i * 31) % 53])
    const plain = many.filter((b) => !many.some((a) => dominates(a, b, criteria)))
    expect(paretoFront(many, (one) => one, criteria)).toEqual(plain)
  })
})

test('the most that a row may cost unbeaten: at that cost nothing beats it, beyond it something does', () => {
  const criteria = [
    { better: 'low', tolerance: 5 },
    { better: 'high', tolerance: 1 },
    { better: 'low', tolerance: 0.5 },
  ] as const
  const value = fc.integer({ min: 0, max: 40 })
  const row = fc.tuple(
    value,
    value.map((one) => one / 4),
    value.map((one) => one / 8),
  )
  fc.assert(
    fc.property(row, fc.array(row, { minLength: 1, maxLength: 8 }), (one, others) => {
      const most = mostNonDominated(one, 0, others, criteria)
      const beatenAt = (cost: number) => others.some((other) => dominates(other, [cost, one[1], one[2]], criteria))
      expect(beatenAt(Math.min(most, 1e6) - 1e-6)).toBe(false)
      if (Number.isFinite(most)) expect(beatenAt(most + 1e-6)).toBe(true)
    }),
  )
})
