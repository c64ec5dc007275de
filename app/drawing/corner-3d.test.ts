import { describe, expect, test } from '@jest/globals'
import { DEMO_PROJECT } from '#core/demo/project.ts'
import { evaluate } from '#core/evaluate/evaluate.ts'
import type { Project } from '#core/records/project.ts'
import { turnedCorner } from './corner-3d.ts'

describe('a corner in three dimensions', () => {
  test('wheel, caliper and rotor stand where the half section has them, the wheel beyond its spacer', () => {
    const { corners } = evaluate(DEMO_PROJECT as Project, 'estate-fronts')
    const corner = { ...corners.front, spacerMm: 7 }
    const found = turnedCorner(corner)
    const of = (kind: string) => found.filter((one) => one.kind === kind)
    expect(of('wheel')[0]!.points).toEqual(corner.wheel!.points.map(([z, r]) => [r, z + 7]))
    expect(of('caliper').map((one) => one.points.length)).toEqual(corner.caliper!.map((one) => one.points.length))
    expect(of('rotor').length).toBeGreaterThan(0)
    // the caliper is seen through the part of the wheel that is left open
    const open = [of('wheel')[0]!.from + of('wheel')[0]!.length - 2 * Math.PI, of('wheel')[0]!.from]
    for (const one of of('caliper')) {
      expect(one.from).toBeGreaterThanOrEqual(open[0]!)
      expect(one.from + one.length).toBeLessThanOrEqual(open[1]!)
    }
  })
  test('of what is not known nothing is drawn', () => {
    const { corners } = evaluate(DEMO_PROJECT as Project, 'estate-fronts')
    expect(turnedCorner({ ...corners.front, wheel: undefined, caliper: undefined, rotor: undefined })).toEqual([])
  })
})
