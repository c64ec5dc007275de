import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import type { NamedOutline } from '#core/records/field.ts'
import { DEFAULT_UNITS } from '#core/quantity/units.ts'
import { emptyRow, rowsOf, takeRows, type PointRow } from './point-rows.ts'

const inches = { ...DEFAULT_UNITS, length: 'in' as const }
const row = (z: string, r: string): PointRow => ({ z, r, tag: 'barrel', read: true })

describe('rows of points', () => {
  test('what is shown and taken again is the same to a hundredth of a millimetre, in either unit', () => {
    const point = fc.tuple(fc.double({ min: -200, max: 200, noNaN: true }), fc.double({ min: 1, max: 300, noNaN: true }))
    fc.assert(
      fc.property(fc.array(point, { minLength: 2, maxLength: 20 }), fc.constantFrom(DEFAULT_UNITS, inches), (points, units) => {
        const outline: NamedOutline = { name: 'body', points: points.map(([z, r]) => [z, r]) }
        const { taken, problems } = takeRows(rowsOf([outline], units)[0]!.rows, 0, units, 'tape')
        expect(problems).toEqual([])
        taken.points.forEach(([z, r], i) => {
          expect(z).toBeCloseTo(points[i]![0], 2)
          expect(r).toBeCloseTo(points[i]![1], 2)
        })
        // points that came without readings get none by being looked at
        expect(taken.readings).toBeUndefined()
      }),
    )
  })
  test('several readings in a cell: their mean, and all of them kept', () => {
    const { taken } = takeRows([row('-10; -10.4', '150'), row('5', '148; 148.2; 148.4')], 0, DEFAULT_UNITS, 'straightedge')
    expect(taken).toEqual({
      points: [
        [-10.2, 150],
        [5, 148.2],
      ],
      readings: [
        [[-10, -10.4], [150]],
        [[5], [148, 148.2, 148.4]],
      ],
      instrument: 'straightedge',
    })
    const shown = rowsOf([{ name: 'body', ...taken }], DEFAULT_UNITS)[0]!.rows
    expect(shown.map((one) => [one.z, one.r])).toEqual([
      ['-10; -10.4', '150'],
      ['5', '148; 148.2; 148.4'],
    ])
  })
  test('a profile keeps its tags', () => {
    const [line] = rowsOf(
      {
        points: [
          [0, 180],
          [10, 180],
          [20, 100],
        ],
        tags: ['barrel', 'face'],
      },
      DEFAULT_UNITS,
    )
    expect(line!.rows.map((one) => one.tag)).toEqual(['barrel', 'face', 'face'])
  })
  test('blank rows are left out; half a point and a slip name point and cell', () => {
    const { taken, problems } = takeRows(
      [row('1', '100'), emptyRow(), row('', '90'), row('x', '90'), row('2000', '90')],
      0,
      DEFAULT_UNITS,
      'tape',
    )
    expect(taken.points[0]).toEqual([1, 100])
    expect(problems.map((one) => [one.row, one.cell, one.message])).toEqual([
      [2, 'z', 'Point 3 needs z too.'],
      [3, 'z', expect.stringMatching(/^Point 4, z: "x" is not a figure/)],
      [4, 'z', 'Point 5, z: beyond 1000 mm.'],
    ])
  })
})
