import { describe, expect, test } from '@jest/globals'
import { INSPECTIONS } from '../../records/inspection.ts'
import type { PartKind } from '../../records/part-kinds.ts'
import { projectProblems } from '../../records/check.ts'
import type { Project } from '../../records/project.ts'
import { demo, find } from '../../testing/fit.ts'
import { acceptFix } from '../../commands/accept.ts'

type Found = 'passed' | 'failed'
/** The demo with used parts in its hydraulics: every point passed but those that are named, or left open. */
const used = (marks: Partial<Record<'masterCylinder' | 'booster', Record<string, Found | undefined>>>): Project =>
  demo((project) => {
    const { hydraulics } = project.setups[0]
    for (const [kind, others] of Object.entries(marks) as [PartKind & keyof typeof hydraulics, Record<string, Found | undefined>][]) {
      const one = project.parts.find((part) => part.id === hydraulics[kind])!
      const points = { ...Object.fromEntries(INSPECTIONS[kind]!.map((point) => [point.id, 'passed' as Found])), ...others }
      one.condition = 'used'
      one.inspection = {
        points: Object.fromEntries(Object.entries(points).filter((pair): pair is [string, Found] => pair[1] !== undefined)),
        date: '2026-09-12',
      }
    }
    expect(projectProblems(project)).toEqual([])
  })
const judged = (marks: Parameters<typeof used>[0]) => find(used(marks), 'used-hydraulics')

describe('used cylinders and boosters', () => {
  test('all passed fits; new ones are not asked about', () => {
    expect(judged({ masterCylinder: {}, booster: {} })).toMatchObject({
      verdict: 'fits',
      sentence: expect.stringMatching(/all \d points passed on 2026-09-12/),
    })
    expect(find(demo(), 'used-hydraulics')).toBeUndefined()
  })
  test('a point that nobody looked at is unknown, whatever else passed', () => {
    const found = judged({ masterCylinder: { hold: undefined }, booster: {} })!
    expect(found.verdict).toBe('unknown')
    expect(found.missing.map((one) => one.what)).toEqual([expect.stringMatching(/holds pressure with the outlets closed$/)])
  })
  test('a failure that a piece cures needs it; accepted, it is settled', () => {
    const project = used({ masterCylinder: { leaks: 'failed', hold: 'failed' } })
    const found = find(project, 'used-hydraulics')!
    expect(found).toMatchObject({ verdict: 'needs', safety: true })
    // two points with one cure are one piece
    expect(found.remedies[0]).toMatchObject({ kind: 'piece', label: expect.stringMatching(/^Seal set for /) })
    const cured = demo()
    Object.assign(cured, structuredClone(project))
    acceptFix(cured, cured.setups[0].id, found, found.remedies[0]!)
    expect(find(cured, 'used-hydraulics')!.verdict).toBe('needs')
    cured.setups[0].extras[0]!.owned = true
    expect(find(cured, 'used-hydraulics')!.verdict).toBe('fits')
  })
  test('a failure that nothing cures blocks, also beside one that could be cured', () => {
    for (const marks of [
      { booster: { shell: 'failed' as const } },
      { masterCylinder: { leaks: 'failed' as const }, booster: { shell: 'failed' as const } },
    ])
      expect(judged(marks)).toMatchObject({
        verdict: 'blocked',
        safety: true,
        remedies: [],
        sentence: expect.stringMatching(/must not be used/),
      })
  })
})
