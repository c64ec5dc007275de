import { describe, expect, test } from '@jest/globals'
import { cpuUsage } from 'node:process'
import { projectProblems } from '../records/check.ts'
import type { Corner } from './half-section.ts'
import { evaluate } from '../evaluate/evaluate.ts'
import { heavyProject, stream, type Heavy } from '../testing/heavy.ts'
import { SETUP } from '../testing/setups.ts'
import { inYardsticks } from '../testing/yardstick.ts'

/** Whatever a file may hold, a setup is evaluated in a second; and what that leaves out is said, never guessed. */
// a yardstick is a millisecond of a quiet machine; a test runner beside costs some three times as much
const LONGEST = 3000
const cpuMs = (): number => cpuUsage().user / 1000

function timed(heavy: Heavy): { yardsticks: number; corners: Corner[] } {
  const project = heavyProject(heavy)
  expect(projectProblems(project)).toEqual([])
  const { yardsticks, value } = inYardsticks(() => evaluate(project, SETUP), cpuMs)
  return { yardsticks, corners: [value.corners.front, value.corners.rear] }
}

describe('outlines of as many points as a file may hold', () => {
  test.each<[string, Heavy]>([
    ['smooth ones', { uMm: 0.3 }],
    ['smooth ones with a doubt of 1 mm', { uMm: 1 }],
    ['smooth ones with the greatest doubt there is', { uMm: 5 }],
    ['ones that jump', { uMm: 0.3, jumpMm: 2 }],
    ['ones that jump, with a wheel of many faces', { uMm: 2, points: 1000, jumpMm: 5, faces: 30 }],
    ['twenty smooth outlines', { outlines: 20, uMm: 1 }],
    ['twenty smooth outlines in the wheel', { outlines: 20, uMm: 1, apartMm: -5 }],
    ['twenty that jump', { outlines: 20, jumpMm: 3, uMm: 1 }],
    ['twenty that jump into the wheel', { outlines: 20, jumpMm: 3, uMm: 5, apartMm: -5, faces: 30 }],
  ])('%s', (_, heavy) => {
    const { yardsticks, corners } = timed(heavy)
    expect(yardsticks).toBeLessThan(LONGEST)
    for (const { gap, verdict, sentence, spacerSentence, leastSpacerMm } of corners) {
      expect(sentence).not.toMatch(/NaN|undefined/)
      if (gap) expect([gap.minGapMm, gap.meanMm, gap.u, gap.p05Mm, gap.p95Mm].every(Number.isFinite)).toBe(true)
      else expect([verdict, sentence]).toEqual(['measure', expect.stringContaining('so many points')])
      if (leastSpacerMm === undefined && gap) expect(spacerSentence).toMatch(/not checked|No spacer/)
    }
  })

  test('many points say the same as few', () => {
    const [many] = timed({ uMm: 0.3 }).corners
    const [few] = timed({ uMm: 0.3, points: 40 }).corners
    expect(many!.verdict).toBe('clears')
    expect(few!.verdict).toBe('clears')
    expect(many!.gap!.minGapMm).toBeCloseTo(few!.gap!.minGapMm, 2)
    for (const key of ['p05Mm', 'p95Mm', 'u'] as const) expect(Math.abs(many!.gap![key] - few!.gap![key])).toBeLessThan(0.02)
  })

  test('the same project gets the same answer', () => {
    const heavy = { outlines: 20, jumpMm: 3, uMm: 1 }
    expect(timed(heavy).corners).toEqual(timed(heavy).corners)
  })

  test('points all in one place are too many to say', () => {
    const project = heavyProject()
    const next = stream(7)
    for (const part of project.parts) {
      if (part.kind === 'caliper' && part.outlines?.[0]?.points.length === 2000)
        part.outlines = part.furtherOutlines = Array.from({ length: 20 }, (_, k) => ({
          name: `cloud ${k}`,
          points: Array.from({ length: 2000 }, (): [number, number] => [next(), 100 + next()]),
        }))
      if (part.kind === 'wheel' && part.profile?.points.length === 2000)
        part.profile.points = part.profile.points.map(() => [3 + next(), 130 + next()])
    }
    const { yardsticks, value } = inYardsticks(() => evaluate(project, SETUP), cpuMs)
    expect(yardsticks).toBeLessThan(LONGEST)
    expect(value.corners.front).toMatchObject({ verdict: 'measure', gap: undefined })
  })
})
