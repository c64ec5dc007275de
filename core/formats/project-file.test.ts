import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { DEMO_PROJECT } from '../demo/project.ts'
import { VERSION, type Project } from '../records/project.ts'
import { fileNameOf, MAX_FILE_BYTES, readProject, writeProject } from './project-file.ts'
import { runs } from '../testing/runs.ts'

const text = writeProject(DEMO_PROJECT)
const problemsOf = (input: string) => {
  const read = readProject(input)
  return read.ok ? [] : read.problems
}

describe('the project file', () => {
  test('comes back as it went out', () => {
    const read = readProject(text)
    expect(read).toEqual({ ok: true, project: DEMO_PROJECT })
    if (read.ok) expect(writeProject(read.project)).toBe(text)
    expect(readProject(`\uFEFF${text}`).ok).toBe(true)
  })
  test.each<[string, string, RegExp]>([
    ['nothing', '  \n', /empty/],
    ['no JSON', 'hello', /not JSON/],
    ['cut off', text.slice(0, 500), /ends too early, in line \d+/],
    ['a comma too many', text.replace(`"version": ${VERSION},`, `"version": ${VERSION},,`), /line 3, column/],
    ['a list', '[]', /one JSON object/],
    ['another format', '{"format":"sheet/1"}', /not a project of this application/],
    ['no version', '{"format":"valiant-caliper/project"}', /version/],
    ['a newer version', '{"format":"valiant-caliper/project","version":99}', /version 99/],
    ['too large', 'x'.repeat(MAX_FILE_BYTES + 1), /larger than 64 MB/],
  ])('%s is refused with a reason', (_, input, message) => {
    expect(
      problemsOf(input)
        .map((problem) => `${problem.place} ${problem.message}`)
        .join(),
    ).toMatch(message)
  })
  test('mutilated files: always an answer, never a crash, never a wrong project', () => {
    fc.assert(
      fc.property(fc.nat(text.length - 1), fc.nat(40), fc.string({ maxLength: 12 }), (at, cut, insert) => {
        const read = readProject(text.slice(0, at) + insert + text.slice(at + cut))
        if (!read.ok) expect(read.problems.length).toBeGreaterThan(0)
        else expect(readProject(writeProject(read.project)).ok).toBe(true)
      }),
      { numRuns: runs(1000, 250) },
    )
  })
  test('a file name that any system takes', () => {
    expect(fileNameOf({ name: 'Larkrise club hatchback' })).toBe('larkrise-club-hatchback.brakes.json')
    expect(fileNameOf({ name: '../../<b>é</b>' })).toBe('b-e-b.brakes.json')
    expect(fileNameOf({ name: '漢字' })).toBe('project.brakes.json')
  })
})

test('a file of version 1 is read and brought up to date, and nothing in it is lost', () => {
  const older = JSON.parse(text) as { version: number; preferences: Record<string, unknown> }
  older.version = 1
  delete older.preferences.weightAllowanceMm
  delete older.preferences.instrument
  const read = readProject(JSON.stringify(older))
  expect(read.ok && read.project).toEqual(DEMO_PROJECT)
})
test('a mean that is not the mean of its readings is refused at its place', () => {
  const wrong = JSON.parse(text) as { parts: { id: string; takenWithHatMm?: { value: number } }[] }
  wrong.parts.find((part) => part.id === 'estate-front-caliper')!.takenWithHatMm!.value = 6.4
  const read = readProject(JSON.stringify(wrong))
  expect(read.ok ? [] : read.problems.map((problem) => `${problem.place}: ${problem.message}`)).toEqual([
    'Parts › Estate front caliper › Rotor hat thickness: is not the mean of its readings',
  ])
})

test('what is exported is opened again, 45 calipers of 2,000 points too', () => {
  const caliper = DEMO_PROJECT.parts.find((part) => part.id === 'estate-front-caliper')!
  const points = Array.from({ length: 2000 }, (_, i) => [i / 20 - 80.123, 120.456 + (i % 7) / 10])
  const parts = Array.from({ length: 45 }, (_, i) => ({
    ...caliper,
    id: `c${i}`,
    outlines: [{ name: 'body', origin: 'measured', points }],
  }))
  const project = { ...DEMO_PROJECT, parts: [...DEMO_PROJECT.parts, ...parts] } as unknown as Project
  const text = writeProject(project)
  expect(text.length).toBeGreaterThan(5e6)
  const read = readProject(text)
  expect(read.ok ? read.project : read.problems).toEqual(project)
})
