import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { DEMO_PROJECT } from '../demo/project.ts'
import { PART_KIND_NAMES, type PartKind } from '../records/part-kinds.ts'
import type { Part } from '../records/part.ts'
import { anyPart, partRecord } from '../records/part.ts'
import { isGoodMember } from '../records/quick-check.ts'
import { recordSchema } from '../records/record-schema.ts'
import { schemaProblems } from '../records/schema-problems.ts'
import { DEFAULT_UNITS, type UnitChoice } from '../quantity/units.ts'
import { cpuMs, inYardsticks } from '../testing/yardstick.ts'
import { partColumns, type CellContext } from './part-cells.ts'
import { guessMapping, headerOf, MAX_TABLE_BYTES, partsFromTable, readTable, writePartsCsv, type PlainTable } from './parts-csv.ts'

const context = (units: UnitChoice = DEFAULT_UNITS): CellContext => ({ units, origin: 'published', date: '2026-11-25', currency: 'EUR' })
const table = (text: string): PlainTable => {
  const read = readTable(text)
  if (!read.ok) throw new Error(read.message)
  return read.table
}
const take = (text: string, kind: PartKind, units = DEFAULT_UNITS) => {
  const read = table(text)
  return partsFromTable(read, guessMapping(read.header, partColumns(kind, units)), kind, context(units), (row) => `row-${row}`)
}

describe('a table', () => {
  test.each([
    ['commas', 'Name,Maker\nA,B\n'],
    ['semicolons', 'Name;Maker\nA;B\n'],
    ['tabs, as a spreadsheet copies', 'Name\tMaker\r\nA\tB\r\n'],
    ['a mark before', '\uFEFFName,Maker\nA,B'],
    ['empty lines', '\nName,Maker\n\nA,B\n\n'],
  ])('parted by %s', (_, text) => {
    expect(table(text)).toEqual({ header: ['Name', 'Maker'], rows: [['A', 'B']] })
  })
  test.each<[string, string, RegExp]>([
    ['nothing', '  \n', /nothing in it/],
    ['a header alone', 'Name,Maker', /at least one row/],
    ['a quotation mark that stays open', 'Name,Maker\n"A,B\nC,D', /never closed/],
    ['too much', 'x'.repeat(MAX_TABLE_BYTES + 1), /larger than 2 MB/],
    ['too many rows', `Name,Maker\n${'A,B\n'.repeat(1001)}`, /more than 1000 rows/],
  ])('that is %s is refused with a reason', (_, text, message) => {
    expect(readTable(text)).toEqual({ ok: false, message: expect.stringMatching(message) })
  })
})

describe('which column is what', () => {
  const columns = partColumns('rotor', DEFAULT_UNITS)
  test('names of this application, names with units, and names cut short', () => {
    expect(guessMapping(['Name', 'Diameter (mm)', 'thicknessMm', 'Minimum', 'Colour'], columns)).toEqual([
      'name',
      'diameterMm',
      'thicknessMm',
      'minThicknessMm',
      null,
    ])
  })
  test('nothing is taken twice', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...columns.map(headerOf), 'Diameter', 'x', ''), { maxLength: 12 }), (header) => {
        const taken = guessMapping(header, columns).filter((one) => one !== null)
        expect(new Set(taken).size).toBe(taken.length)
      }),
    )
  })
  test('the application’s own headers are all known again', () => {
    for (const kind of PART_KIND_NAMES) {
      const all = partColumns(kind, DEFAULT_UNITS)
      expect(guessMapping(all.map(headerOf), all)).toEqual(all.map((column) => column.id))
    }
  })
})

test.each([
  ['wheel', 'Spoke back beyond the hub pad (mm)', 'faceDepthMm'],
  ['wheel', 'Spokes, seen from the street', 'face'],
  ['other', 'What it is for', 'use'],
  ['pad', 'Price, likely', 'price.likelyMinor'],
  ['hose', 'Seat at the car', 'lineSeat'],
] as const)('a %s table of an earlier version: “%s” is still known', (kind, heading, id) => {
  expect(guessMapping(['Name', heading], partColumns(kind, DEFAULT_UNITS))).toEqual(['name', id])
})

describe('rows become parts', () => {
  test('bad rows are left out whole, each with every reason; the others are taken', () => {
    const rows = Array.from({ length: 40 }, (_, i) => `Rotor ${i};${250 + i};22`)
    rows[4] = 'Rotor 4;wide;22'
    rows[11] = ';260;22'
    rows[30] = 'Rotor 30;260;thick'
    const found = take(`Name;Diameter;Thickness, new\n${rows.join('\n')}`, 'rotor')
    expect(found.parts).toHaveLength(37)
    expect(found.rejected).toEqual([
      { row: 6, name: 'Rotor 4', reasons: [expect.stringMatching(/^Diameter: "wide" is not a figure/)] },
      { row: 13, name: '', reasons: ['a name is missing: every rotor needs one'] },
      { row: 32, name: 'Rotor 30', reasons: [expect.stringMatching(/^Thickness, new: "thick"/)] },
    ])
    for (const part of found.parts) expect(schemaProblems(recordSchema(partRecord('rotor')), part)).toEqual([])
    expect(found.parts[0]).toMatchObject({ diameterMm: { value: 250, origin: 'published', date: '2026-11-25' } })
  })
  test('a thousand good rows are known to be good at a look: no schema is asked for any of them', () => {
    const rows = Array.from({ length: 1000 }, (_, i) => `Rotor ${i};${250 + (i % 100)};22;6`)
    const { parts, rejected } = take(['Name;Diameter (mm);Thickness, new (mm);Hat thickness (mm)', ...rows].join('\n'), 'rotor')
    expect([parts.length, rejected.length]).toEqual([1000, 0])
    expect(parts.every((part) => isGoodMember(anyPart, part))).toBe(true)
  })
  test('any unit typed in a cell, a choice by its words, pistons with semicolons, a price', () => {
    const found = take(
      'Name\tConstruction\tPistons on one side\tTallest radius\tPrice, likely\tCurrency\nA\tfixed\t38.1; 1-5/8 in\t6.1 in\t120,50\tusd',
      'caliper',
    )
    expect(found.rejected).toEqual([])
    expect(found.parts[0]).toMatchObject({
      construction: 'fixed',
      pistonsMm: [{ value: 38.1 }, { value: 41.275 }],
      tallestRadiusMm: { value: expect.closeTo(154.94, 6) },
      price: { lowMinor: 12_050, likelyMinor: 12_050, highMinor: 12_050, currency: 'USD', pieces: 1 },
    })
  })
  test('a doubtful row is taken and asked about; what the schema refuses is rejected with its place', () => {
    const found = take('Name,Diameter,Bolt holes\nSmall,28,4\nMany,256,40', 'rotor')
    expect(found.doubted).toEqual([{ row: 2, name: 'Small', reasons: [expect.stringMatching(/280/)] }])
    expect(found.rejected).toEqual([{ row: 3, name: 'Many', reasons: [expect.stringMatching(/^Bolt holes.* must be between/)] }])
  })
  test('cells beyond the header are no part of a row', () => {
    expect(take('Name,Diameter\nA,256,77', 'rotor').rejected[0]!.reasons).toEqual([expect.stringMatching(/3 cells/)])
  })
  test('whatever is in it, every row is taken or rejected', () => {
    fc.assert(
      fc.property(
        fc.array(fc.array(fc.string({ maxLength: 12 }), { minLength: 3, maxLength: 4 }), { minLength: 1, maxLength: 8 }),
        (rows) => {
          const found = partsFromTable(
            { header: ['a', 'b', 'c'], rows },
            ['name', 'diameterMm', 'price.likelyMinor'],
            'rotor',
            context(),
            (row) => `row-${row}`,
          )
          expect(found.parts.length + found.rejected.length).toBe(rows.length)
          for (const part of found.parts) expect(schemaProblems(recordSchema(partRecord('rotor')), part)).toEqual([])
        },
      ),
    )
  })
})

describe('out and in again', () => {
  /** What a table does not carry: outlines, faces, readings, inspections, and the id. */
  const carried = (part: Part): unknown => {
    const copy = JSON.parse(JSON.stringify(part)) as Record<string, unknown>
    for (const key of ['id', 'outlines', 'furtherOutlines', 'profile', 'faces', 'inspection']) Reflect.deleteProperty(copy, key)
    for (const value of Object.values(copy).flat())
      if (typeof value === 'object' && value !== null) for (const key of ['readings', 'instrument']) Reflect.deleteProperty(value, key)
    if (copy.price) Reflect.deleteProperty(copy.price as object, 'origin')
    if (copy.price) Reflect.deleteProperty(copy.price as object, 'date')
    return round(copy)
  }
  const round = (value: unknown): unknown =>
    typeof value === 'number'
      ? Number(value.toPrecision(9))
      : Array.isArray(value)
        ? value.map(round)
        : typeof value === 'object' && value !== null
          ? Object.fromEntries(Object.entries(value).map(([k, v]) => [k, round(v)]))
          : value
  test.each(PART_KIND_NAMES)('every %s of the demo comes back with its figures, origins, dates and prices', (kind) => {
    const parts = DEMO_PROJECT.parts.filter((part) => part.kind === kind)
    if (parts.length === 0) return
    for (const units of [DEFAULT_UNITS, { ...DEFAULT_UNITS, length: 'in', pressure: 'psi', mass: 'lb' } as UnitChoice]) {
      const found = take(writePartsCsv(kind, parts, units), kind, units)
      expect(found.rejected).toEqual([])
      expect(found.parts.map(carried)).toEqual(parts.map(carried))
    }
  })
  test('a text that a spreadsheet would take for a formula is made harmless, and comes back', () => {
    const part: Part = { id: 'x', kind: 'hose', name: '=HYPERLINK("http://x")', maker: '@cmd', note: '+1' }
    const csv = writePartsCsv('hose', [part], DEFAULT_UNITS)
    expect(csv).toMatch(/'=HYPERLINK/)
    expect(take(csv, 'hose').parts[0]).toMatchObject({ name: part.name, maker: '@cmd', note: '+1' })
  })
  test('hostile names do no harm: quotes, line ends, tabs', () => {
    fc.assert(
      fc.property(fc.string({ minLength: 1, maxLength: 60 }), (name) => {
        const clean = name.trim().replace(/\0/g, '')
        fc.pre(clean !== '' && clean.trim() !== '' && !clean.startsWith("'") && !clean.startsWith('\uFEFF'))
        const found = take(
          writePartsCsv('hose', [{ id: 'x', kind: 'hose', name: clean, lengthMm: { value: 300, origin: 'measured' } }], DEFAULT_UNITS),
          'hose',
        )
        expect(found.rejected).toEqual([])
        expect(found.parts[0]!.name).toBe(clean.trim())
      }),
    )
  })
})

test('a thousand good rows are not held against the schema one by one', () => {
  const caliper = DEMO_PROJECT.parts.find((one) => one.kind === 'caliper')!
  const many = Array.from({ length: 1000 }, (_, i) => ({ ...caliper, id: `caliper-${i}`, name: `Caliper ${i}` }))
  const text = writePartsCsv('caliper', many, DEFAULT_UNITS)
  take(text.split('\n').slice(0, 50).join('\n'), 'caliper')
  const imported = inYardsticks(() => take(text, 'caliper'), cpuMs)
  expect([imported.value.parts.length, imported.value.rejected]).toEqual([1000, []])
  const schema = recordSchema(partRecord('caliper'))
  const checked = inYardsticks(() => imported.value.parts.slice(0, 200).flatMap((part) => schemaProblems(schema, part)), cpuMs)
  expect(checked.value).toEqual([])
  expect(imported.yardsticks).toBeLessThan(2 * checked.yardsticks)
})
