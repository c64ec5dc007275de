import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { DEMO_PROJECT } from '../demo/project.ts'
import { newReports, readReports, writeReportsCsv, writeReportsJsonl } from './fit-reports-text.ts'

const reports = DEMO_PROJECT.fitReports
const bare = (all: typeof reports) => all.map(({ id: _id, ...rest }) => rest)
const read = (text: string) => readReports(text, (line) => `line-${line}`)

describe('fit reports travel', () => {
  test.each([
    ['JSON Lines', writeReportsJsonl],
    ['CSV', writeReportsCsv],
  ])('out and in again as %s', (_, write) => {
    const found = read(write(reports))
    expect(found.rejected).toEqual([])
    expect(bare(found.reports)).toEqual(bare(reports))
    expect(newReports(found.reports, reports)).toEqual([])
  })
  test('lines that are wrong are left out with their reasons, the others are taken', () => {
    const lines = writeReportsJsonl(reports.slice(0, 3)).trim().split('\n')
    lines.splice(1, 0, '{"car":"A"}', 'nonsense', '[1]')
    const found = read(lines.join('\n'))
    expect(found.reports).toHaveLength(3)
    expect(found.rejected.map((one) => one.line)).toEqual([2, 3, 4])
    expect(found.rejected[0]!.reasons.join()).toMatch(/axle/)
  })
  test('a table without a needed column says which', () => {
    expect(read('car,axle\nA,front').rejected).toEqual([{ line: 1, reasons: [expect.stringMatching(/caliper, wheel, outcome/)] }])
  })
  test('a row with a wrong figure is left out', () => {
    const found = read(
      'car,axle,caliper,wheel,outcome,gapMm,spacerMm\nA,front,C,W,clears,4,0\nA,front,C,W,clears,four,0\nA,front,C,W,fits,4,0',
    )
    expect(found.reports).toMatchObject([{ gapMm: { value: 4, origin: 'reported' }, spacerMm: 0 }])
    expect(found.rejected.map((one) => one.line)).toEqual([3, 4])
  })
  test('whatever is in it, there is an answer', () => {
    fc.assert(
      fc.property(fc.oneof(fc.string({ maxLength: 200 }), fc.json()), (text) => {
        const found = read(text)
        expect(Array.isArray(found.reports) && Array.isArray(found.rejected)).toBe(true)
      }),
    )
  })
})
