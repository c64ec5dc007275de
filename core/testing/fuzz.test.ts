import { describe, expect, test } from '@jest/globals'
import { DEMO_PROJECT } from '../demo/project.ts'
import { readDxf } from '../formats/dxf-read.ts'
import { readReports } from '../formats/fit-reports-text.ts'
import { readTable } from '../formats/parts-csv.ts'
import { readOutlines, readProfile } from '../formats/points-text.ts'
import { readProject, writeProject } from '../formats/project-file.ts'
import { DEFAULT_UNITS } from '../quantity/units.ts'
import { FUZZ_TARGETS, fuzzOne } from './fuzz.ts'
import { PICTURES_TARGET } from './fuzz-pictures.ts'
import { LOGBOOK_TARGET, SESSIONS_TARGET } from './fuzz-records.ts'
import { runs } from './runs.ts'
import { cpuMs, inYardsticks } from './yardstick.ts'

const FILES = runs(300, 60)
/** For each file, on average: one that stalls for seconds shows in it. Measured: 1 to 25. */
const MOST_YARDSTICKS = 60

test.each(FUZZ_TARGETS)('$name: broken files of fixed seeds are read soon, said in words, and change nothing', (target) => {
  const before = JSON.stringify(DEMO_PROJECT)
  const read = () => Array.from({ length: FILES }, (_, i) => fuzzOne(target, 20261126 + i, Infinity)).filter(Boolean)
  const { value: failures, yardsticks } = inYardsticks(read, cpuMs)
  expect(failures).toEqual([])
  expect(yardsticks / FILES).toBeLessThan(MOST_YARDSTICKS)
  expect(JSON.stringify(DEMO_PROJECT)).toBe(before)
})
test.each([SESSIONS_TARGET, LOGBOOK_TARGET, PICTURES_TARGET])('$name: whatever is let in is answered without NaN or Infinity', (target) => {
  const failures = Array.from({ length: runs(60, 5) }, (_, i) => fuzzOne(target, 20261130 + i, Infinity)).filter(Boolean)
  expect(failures).toEqual([])
})
test('what fails says what repeats it', () => {
  const broken = { name: 'x', make: () => 'text', read: () => void JSON.parse('{') }
  expect(fuzzOne(broken, 7)).toMatchObject({ target: 'x', seed: 7, message: expect.stringContaining('SyntaxError') })
  expect(fuzzOne({ ...broken, read: () => undefined }, 7)).toBeUndefined()
  expect(fuzzOne({ ...broken, read: () => undefined }, 7, -1)?.message).toMatch(/^took \d+ ms for 4 signs/)
})

describe('files made to stall', () => {
  const soon = <T>(read: () => T): T => {
    const { value, yardsticks } = inYardsticks(read, cpuMs)
    expect(yardsticks).toBeLessThan(3000)
    return value
  }
  const numbers = (count: number, line: string) => line.repeat(count)
  test('a table of 20 000 columns', () => {
    const read = soon(() => readTable(`${numbers(20_000, 'Name,')}\n${numbers(20_000, 'x,')}`))
    expect(read).toEqual({ ok: false, message: 'Row 1 has 20001 columns; at most 500 are read.' })
  })
  test('a table of a million rows', () => {
    expect(soon(() => readTable(`Name\n${numbers(990_000, 'x\n')}`))).toEqual({
      ok: false,
      message: expect.stringMatching(/more than 1000 rows/),
    })
  })
  test('empty reports by the ten thousand', () => {
    const many = soon(() => readReports(numbers(10_000, '{}\n'), String))
    expect(many.rejected[0]!.reasons[0]).toMatch(/10001 lines; at most 5000/)
    const most = soon(() => readReports(numbers(4999, '{}\n'), String))
    expect([most.rejectedCount, most.rejected.length]).toEqual([4999, 100])
  })
  test('points by the million', () => {
    for (const read of [readOutlines, readProfile]) {
      const found = soon(() => read(numbers(1_000_000, '1 100\n'), DEFAULT_UNITS))
      expect(found).toMatchObject({ ok: false, problems: [{ message: expect.stringMatching(/\d+ lines/) }] })
      const wrong = soon(() => read(numbers(40_000, 'one two\n'), DEFAULT_UNITS))
      expect(wrong.ok).toBe(false)
    }
  })
  const drawing = (entities: string) => `0\nSECTION\n2\nENTITIES\n${entities}0\nENDSEC\n0\nEOF\n`
  test('a polyline of 20 000 bulges', () => {
    const read = soon(() => readDxf(drawing(`0\nLWPOLYLINE\n8\nA\n${numbers(20_000, '10\n1\n20\n5000\n42\n9\n10\n7\n20\n9\n42\n9\n')}`)))
    expect(read).toEqual({ ok: false, message: expect.stringMatching(/20000 points/) })
  })
  test('a vertex of 200 000 groups', () => {
    const read = soon(() => readDxf(drawing(`0\nPOLYLINE\n8\nA\n0\nVERTEX\n${numbers(200_000, '10\n1\n20\n1\n')}0\nSEQEND\n`)))
    expect(read).toEqual({ ok: false, message: expect.stringMatching(/20000 points/) })
  })
  test('a layer for every line', () => {
    const lines = Array.from({ length: 100_000 }, (_, i) => `0\nSPLINE\n8\nlayer ${i}\n`).join('')
    expect(soon(() => readDxf(drawing(lines)))).toEqual({ ok: false, message: expect.stringMatching(/200 layers/) })
  })
  test('a project nested by the thousand, and one whose words are no words', () => {
    const text = writeProject(DEMO_PROJECT)
    for (const hostile of ['['.repeat(5000) + ']'.repeat(5000), '{"toString":1}', '{"valueOf":null,"toString":null}'])
      for (const place of ['"format": "[^"]*"', '"name": "[^"]*"', '"value": [0-9.]+', '"readings": \\[[^\\]]*\\]', '"date": "[^"]*"']) {
        const found = new RegExp(place).exec(text)![0]
        const read = soon(() => readProject(text.replace(found, `${found.split(':')[0]}: ${hostile}`)))
        expect(read).toMatchObject({ ok: false, problems: [{ message: expect.any(String) }] })
      }
  })
})
