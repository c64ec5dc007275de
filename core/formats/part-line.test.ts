import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { PART_KIND_NAMES } from '../records/part-kinds.ts'
import { DEFAULT_UNITS } from '../quantity/units.ts'
import { readPartLine } from './part-line.ts'

const read = (kind: Parameters<typeof readPartLine>[0], text: string) => readPartLine(kind, text, DEFAULT_UNITS, '2026-11-27')
const value = (one: unknown) =>
  Array.isArray(one) ? one.map((x: { value: number }) => x.value) : ((one as { value?: number }).value ?? one)
const values = (line: ReturnType<typeof read>) => Object.fromEntries(Object.entries(line.values).map(([key, one]) => [key, value(one)]))

describe('a part from one line', () => {
  test('labels and values, a list, a choice, a name first', () => {
    const line = read(
      'caliper',
      'Four-piston caliper Q4, fixed, pistons on one side 38.1; 41.3, slot width 32 mm, Mount bolt spacing 5.12 in',
    )
    expect(line.name).toBe('Four-piston caliper Q4')
    expect(values(line)).toEqual({
      construction: 'fixed',
      pistonsMm: [38.1, 41.3],
      slotWidthMm: 32,
      mountSpacingMm: expect.closeTo(130.05, 1),
    })
    expect(line.left).toEqual([])
    expect(line.values.slotWidthMm).toMatchObject({ origin: 'reported', date: '2026-11-27' })
  })
  test('the beginning of a label will do, and a doubt is taken', () => {
    const line = read('rotor', 'Diameter 256 ± 0.5, thickness 22, vented')
    expect(values(line)).toEqual({ diameterMm: 256, thicknessMm: 22, ventilation: 'vented' })
    expect(line.values.diameterMm).toMatchObject({ u: expect.closeTo(0.5 / Math.sqrt(3), 12) })
  })
  test('a marking says a wheel', () => {
    const line = read('wheel', 'Hill wheel\t7J x 17 ET40 5x112 57.1')
    expect(line.name).toBe('Hill wheel')
    expect(values(line)).toMatchObject({ widthIn: 7, diameterIn: 17, offsetMm: 40, boltCount: 5, boltCircleMm: 112, boreMm: 57.1 })
  })
  test('head and row of a spreadsheet', () => {
    const line = read('pad', 'Name\tFriction coefficient\tLining height\tLining area, one pad\nRoad pads\t0.38\t46\t4400')
    expect([line.name, values(line)]).toEqual(['Road pads', { friction: 0.38, heightMm: 46, areaMm2: 4400 }])
  })
  test('what cannot be is left, with its reason, and loses nothing else', () => {
    const line = read('rotor', 'Front rotor, diameter 25600, colour 7, thickness thin, hat thickness 7')
    expect(values(line)).toEqual({ hatThicknessMm: 7 })
    expect(line.left.join(' ')).toMatch(/Diameter must be between/)
    expect(line.left.join(' ')).toMatch(/“colour 7” names no figure/)
  })
  test('whatever is pasted, nothing throws and only what a part can hold is taken', () => {
    fc.assert(
      fc.property(fc.constantFrom(...PART_KIND_NAMES), fc.string({ maxLength: 200 }), (kind, text) => {
        const line = read(kind, text)
        return Object.keys(line.values).length < 200 && line.left.every((one) => one.length > 5)
      }),
      { numRuns: 200 },
    )
  })
})
