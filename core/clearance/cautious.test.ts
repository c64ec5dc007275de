import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { produce } from 'immer'
import { blankProject } from '../records/blank.ts'
import type { PartOf } from '../records/part.ts'
import type { Project } from '../records/project.ts'
import { figure } from '../quantity/figure.ts'
import { evaluate } from '../evaluate/evaluate.ts'

/** The first answer on a wheel: a marking, two figures of the caliper and one depth of the wheel. */
const caliper: PartOf<'caliper'> = {
  id: 'c',
  kind: 'caliper',
  name: 'New caliper',
  construction: 'fixed',
  frame: 'seat',
  takenAs: 'asBuilt',
  tallestRadiusMm: figure(158),
  faceMm: figure(34),
}
const wheel: PartOf<'wheel'> = {
  id: 'w',
  kind: 'wheel',
  name: 'Club wheel',
  diameterIn: figure(15, 'published'),
  widthIn: figure(7, 'published'),
  offsetMm: figure(35, 'published'),
  faceDepthMm: figure(48),
}
const corner = (more: Partial<PartOf<'caliper'>> = {}, ofWheel: Partial<PartOf<'wheel'>> = {}) => {
  const project: Project = produce(blankProject('a', 'A'), (draft) => {
    draft.parts.push({ ...caliper, ...more }, { ...wheel, ...ofWheel })
    Object.assign(draft.setups[0].front, { caliper: 'c', wheel: 'w' })
  })
  const report = evaluate(project, project.setups[0].id)
  return { ...report.corners.front, figure: report.figures['front.gap'], finding: report.findings.find((one) => one.axle === 'front')! }
}

describe('a body of which only height and face are known is taken as large as it can be', () => {
  test('it clears from four figures and a marking, without a rotor', () => {
    const found = corner({ tallestRadiusMm: figure(150) }, { barrelRadiusMm: figure(166) })
    expect(found.verdict).toBe('clears')
    expect(found.missing).toEqual([])
    expect(found.figure.atLeast).toBe(true)
  })
  test('it never hits: what would settle it is asked for', () => {
    const found = corner({ tallestRadiusMm: figure(172) }, { barrelRadiusMm: figure(166) })
    expect([found.verdict, found.finding.verdict]).toEqual(['measure', 'unknown'])
    expect(found.sentence).toMatch(/measure the ends of the caliper body.*could touch the barrel, with [\d.]+.mm of overlap/)
    expect(found.missing.map((one) => one.what)).toContain('Top, outboard end of New caliper')
  })
  test('figures that are less sure do not blame where the body ends: as large as it can be it has room', () => {
    for (const u of [0.3, 1, 2, 4]) {
      const found = corner({ tallestRadiusMm: figure(150, 'measured', { u }) }, { barrelRadiusMm: figure(166, 'measured', { u }) })
      expect(found.sentence).not.toMatch(/where the body ends/)
      expect(['clears', 'tight', 'measure']).toContain(found.verdict)
    }
  })
  test('an outline kept from its mount is not guessed at', () => {
    expect(corner({ frame: 'mount' }).caliper).toBeUndefined()
  })
  test('with the rotor that stays on the outline stands where it was taken', () => {
    expect(corner({ takenAs: 'others' }).missing.map((one) => one.what)).toContain('Rotor, front')
  })
  test('a flat spoke back is as deep at every radius; a concave one is asked where', () => {
    expect(corner().faceKnown).toBe(true)
    expect(corner({}, { face: 'concave' }).missing.map((one) => one.what)).toContain('… measured at radius of Club wheel')
  })
})

test('whatever the ends turn out to be, the gap is not less than was said', () => {
  const ends = fc.record({
    tallFromMm: fc.double({ min: -200, max: -40, noNaN: true }),
    tallToMm: fc.double({ min: -39, max: 34, noNaN: true }),
    faceOuterRadiusMm: fc.double({ min: 110, max: 158, noNaN: true }),
    faceInnerRadiusMm: fc.double({ min: 60, max: 109, noNaN: true }),
  })
  const least = corner().gap!.minGapMm
  fc.assert(
    fc.property(ends, fc.constantFrom('square' as const, 'chamfer' as const, 'round' as const), (known, shape) => {
      const all = Object.fromEntries(Object.entries(known).map(([key, value]) => [key, figure(value)]))
      const found = corner({ ...all, corner: shape })
      // a square corner stands where chamfer and round do not reach
      return found.gap!.minGapMm >= least - 1e-9
    }),
    { numRuns: 60 },
  )
})
