import { readdirSync, readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { describe, expect, test } from '@jest/globals'
import { GOLDEN_KINDS } from './kinds.ts'
import { compare, runGolden, type GoldenFile } from './run.ts'

const folder = fileURLToPath(new URL('.', import.meta.url))
const files = readdirSync(folder)
  .filter((name) => name.endsWith('.json'))
  .map((name) => JSON.parse(readFileSync(`${folder}${name}`, 'utf8')) as GoldenFile)

test.each(files.map((file) => [file.kind, file] as const))('reference cases: %s', (_, file) => {
  const outcomes = runGolden(file)
  expect(outcomes.filter((one) => one.outcome === 'failed')).toEqual([])
  expect(outcomes.length).toBeGreaterThan(0)
})
test('every kind that is computed has cases', () => {
  expect(files.map((file) => file.kind)).toEqual(expect.arrayContaining(Object.keys(GOLDEN_KINDS)))
})

describe('the runner can fail', () => {
  const file = (kind: string, expected: Record<string, unknown>): GoldenFile => ({
    kind,
    cases: [{ name: 'one', input: { outerMm: 150, innerMm: 100 }, expect: expected, tolerance: { abs: 1e-6, rel: 0 } }],
  })
  test('on a wrong number, a missing field and a kind nobody knows', () => {
    expect(runGolden(file('hydraulics.effectiveRadius', { meanMm: 125 }))[0]!.outcome).toBe('passed')
    expect(runGolden(file('hydraulics.effectiveRadius', { meanMm: 125.1 }))[0]!.differences).toEqual(['meanMm: expected 125.1, got 125'])
    expect(runGolden(file('hydraulics.effectiveRadius', { other: 1 }))[0]!.outcome).toBe('failed')
    expect(runGolden(file('hydraulics.unheardOf', {}))[0]!.outcome).toBe('failed')
    expect(runGolden(file('toString', {}))[0]!.outcome).toBe('failed')
    expect(
      runGolden({ kind: 'clearance.gap', cases: [{ name: 'bad', input: {}, expect: {}, tolerance: { abs: 0, rel: 0 } }] })[0]!.outcome,
    ).toBe('failed')
  })
  test('nulls and texts compare exactly, numbers within tolerance', () => {
    const loose = { abs: 0, rel: 0.1 }
    expect(compare({ a: [1, null, 'x'] }, { a: [1.09, null, 'x'] }, loose, '')).toEqual([])
    expect(compare(null, 0, loose, 'a')).toHaveLength(1)
    expect(compare(1, NaN, loose, 'a')).toHaveLength(1)
    expect(compare([1], [1, 2], loose, 'a')).toHaveLength(1)
  })
})
