import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import type { FitReport } from '../records/fit-report.ts'
import { figure } from '../quantity/figure.ts'
import { contradiction, matchReports, nearness, plainName, type CornerNamed } from './matching-reports.ts'

const corner: CornerNamed = {
  car: 'Sprig 7',
  axle: 'front',
  caliper: { name: 'Four-piston caliper Q4', maker: 'Quernhill', number: 'Q4-276' },
  wheel: { name: 'Club wheel 6.5J x 15 ET 35', maker: 'Osmere', diameterIn: figure(15), widthIn: figure(6.5), offsetMm: figure(35) },
  spacerMm: 0,
}
const report = (more: Partial<FitReport> = {}): FitReport => ({
  id: 'r',
  car: 'Sprig 7',
  axle: 'front',
  caliper: 'Four-piston caliper Q4',
  wheel: 'Club wheel 6.5J x 15 ET 35',
  spacerMm: 0,
  outcome: 'clears',
  ...more,
})

describe('how near a report is', () => {
  test.each<[string, Partial<FitReport>, string | undefined]>([
    ['the very thing', {}, 'exact'],
    ['however it is written', { car: 'SPRIG-7', caliper: 'quernhill q4-276', wheel: 'club WHEEL 6.5j x 15, et35' }, 'exact'],
    ['by maker and name', { caliper: 'Quernhill Four-piston caliper Q4' }, 'exact'],
    ['a spacer a hair off', { spacerMm: 0.2 }, 'exact'],
    ['another spacer', { spacerMm: 5 }, 'otherSpacer'],
    ['a spacer that nobody told', { spacerMm: undefined }, 'otherSpacer'],
    ['another car', { car: 'Sprig GT' }, 'otherCar'],
    ['another wheel of this size', { wheel: 'Forest 6.5J x 15 ET 36' }, 'sameSize'],
    ['a wheel of the size without its offset', { wheel: 'Forest 6,5 x 15' }, 'sameSize'],
    ['a wheel of another offset', { wheel: 'Forest 6.5J x 15 ET 20' }, undefined],
    ['another wheel on another car', { car: 'Sprig GT', wheel: 'Forest 6.5J x 15 ET 35' }, undefined],
    ['another caliper', { caliper: 'Twin-piston Q2' }, undefined],
    ['the maker alone', { caliper: 'Quernhill' }, undefined],
    ['the other axle', { axle: 'rear' }, undefined],
  ])('%s', (_, more, near) => {
    expect(nearness(report(more), corner)).toBe(near)
  })
  test('the nearest come first, then the newest', () => {
    const all = [
      report({ id: 'a', car: 'X' }),
      report({ id: 'b', date: '2025-01-01' }),
      report({ id: 'c', spacerMm: 5 }),
      report({ id: 'd', date: '2026-01-01' }),
    ]
    expect(matchReports(all, corner).map((one) => one.report.id)).toEqual(['d', 'b', 'c', 'a'])
  })
  test('names are the same however blanks, case and signs fall', () => {
    fc.assert(
      fc.property(
        fc.string(),
        (text) => void expect(plainName(` ${text.toUpperCase()} - `)).toBe(plainName(plainName(text).toUpperCase())),
      ),
      { examples: [['Coupé 1.8']] },
    )
  })
})

describe('a report against the figures', () => {
  const mm = (value: number) => `${value.toFixed(1)} mm`
  test.each<[string, Partial<FitReport>, number, number, RegExp | undefined]>([
    ['within what both can be', { gapMm: figure(8, 'reported', { u: 1 }) }, 9.5, 0.5, undefined],
    ['further off', { gapMm: figure(8, 'reported', { u: 1 }) }, 11, 0.5, /^The report says 8\.0.mm, the calculation 11\.0 mm/],
    ['without its doubt 2 mm are assumed', { gapMm: figure(8, 'reported') }, 11, 0.5, undefined],
    ['touches where they clear for sure', { outcome: 'touches' }, 3, 1, /contact; the calculated clearance is 3\.0 mm/],
    ['touches where they may', { outcome: 'touches' }, 1, 1, undefined],
    ['clears where they hit for sure', { outcome: 'clears' }, -3, 1, /contact by 3\.0.mm/],
    ['clears where they clear', { outcome: 'clears' }, 4, 1, undefined],
  ])('%s', (_, more, meanMm, u, sentence) => {
    const said = contradiction(report(more), { meanMm, u }, mm)
    if (sentence) expect(said).toMatch(sentence)
    else expect(said).toBeUndefined()
  })
})
