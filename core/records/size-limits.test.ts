import { describe, expect, test } from '@jest/globals'
import { readProject } from '../formats/project-file.ts'
import { DEMO_PROJECT } from '../demo/project.ts'
import { cpuMs, inYardsticks } from '../testing/yardstick.ts'
import { sizeProblem } from './size-limits.ts'

type Loose = Record<string, unknown>
const of = (change: Loose): Loose => ({ ...(structuredClone(DEMO_PROJECT) as unknown as Loose), ...change })
const many = (count: number, member: unknown = 0): unknown[] => Array<unknown>(count).fill(member)
const outlined = (change: Loose) =>
  of({
    parts: DEMO_PROJECT.parts.map((part) =>
      part.id === 'estate-front-caliper' ? { ...part, outlines: many(20, { name: 'body', origin: 'measured', ...change }) } : part,
    ),
  })

/** The work of about a second; a file of these sizes once took 13 s. Measured: 1 to 90. */
const MOST_YARDSTICKS = 1500
const read = (text: string) => {
  const { value, yardsticks } = inYardsticks(() => readProject(text), cpuMs)
  expect(yardsticks).toBeLessThan(MOST_YARDSTICKS)
  return value
}

describe('a small file holds no one up', () => {
  test.each<[string, unknown, string, RegExp]>([
    ['a million parts', of({ parts: many(1_000_000) }), 'parts', /^has 1000000 members; at most 2000/],
    ['a million setups', of({ setups: many(1_000_000) }), 'setups', /at most 40/],
    ['a hundred thousand fit reports', of({ fitReports: many(100_000, {}) }), 'fitReports', /at most 5000/],
    ['bundles', of({ bundles: many(100_000, {}) }), 'bundles', /at most 500/],
    ['pairs of gauges', of({ gaugeSessions: [{ id: 'a', pairs: many(100_000) }] }), 'gaugeSessions[0].pairs', /at most 50/],
    ['points', outlined({ points: many(5000, [0, 100]) }), 'parts[14].outlines[19].points', /at most 2000/],
    ['points that are none', outlined({ points: many(2000) }), 'parts[14].outlines[19].points', /not pairs/],
    ['readings that are none', outlined({ points: [], readings: many(2000) }), 'parts[14].outlines[19].readings', /not pairs/],
    ['tags that are none', of({ tags: many(2000) }), 'tags', /no tags/],
    ['a hundred thousand fields', of({ car: Object.fromEntries(many(100_000).map((_, i) => [`k${i}`, 1])) }), 'car', /at most 200/],
    ['a list nobody knows', of({ zzz: many(100_000) }), 'zzz', /at most 200/],
  ])('%s', (_, value, path, message) => {
    expect(read(JSON.stringify(value))).toMatchObject({ ok: false, problems: [{ message: expect.stringMatching(message) }] })
    const found = sizeProblem(value)!
    expect(found.path.replace(/parts\[\d+\]/, 'parts[14]')).toBe(path)
  })
  test('nested a thousand deep', () => {
    const value = of({ zzz: JSON.parse(`${'['.repeat(1000)}1${']'.repeat(1000)}`) })
    expect(readProject(JSON.stringify(value))).toMatchObject({
      ok: false,
      problems: [{ message: expect.stringMatching(/deeper than 16/) }],
    })
  })
  test.each<[string, unknown]>([
    ['parts', of({ parts: many(2000, {}) })],
    ['fit reports', of({ fitReports: many(5000, {}) })],
    ['bundles', of({ bundles: many(500, { parts: many(40) }) })],
    ['sessions', of({ gaugeSessions: many(500, { pairs: many(50) }) })],
  ])('wrong all over: %s', (_, value) => {
    const found = read(JSON.stringify(value))
    expect(found.ok ? [] : found.problems).toHaveLength(100)
  })
  test('what is as long as it may be is no problem of size', () => {
    expect(sizeProblem(outlined({ points: many(2000, [0, 100]), readings: many(2000, [[0], [100]]) }))).toBeUndefined()
    expect(sizeProblem(DEMO_PROJECT)).toBeUndefined()
  })
  test('problems of several lists and of the car are said together, and a list that is bad does not count as empty', () => {
    const found = readProject(JSON.stringify(of({ setups: [0], fitReports: [0], name: 5 })))
    expect(found.ok ? [] : found.problems.map((one) => one.path)).toEqual(['setups[0]', 'fitReports[0]', 'name'])
  })
  test('the fields of a part nobody knows are not listed without end', () => {
    const value = of({ parts: [{ ...DEMO_PROJECT.parts[0], ...Object.fromEntries(many(150).map((_, i) => [`field${i}`.repeat(8), 1])) }] })
    const found = readProject(JSON.stringify(value))
    expect(found.ok ? 0 : Math.max(...found.problems.map((one) => one.message.length))).toBeLessThanOrEqual(300)
  })
})
