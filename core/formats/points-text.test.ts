import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { DEMO_PROJECT } from '../demo/project.ts'
import { DEFAULT_UNITS } from '../quantity/units.ts'
import { readOutlines, readProfile, writeOutlines, writeProfile } from './points-text.ts'

const INCH = { ...DEFAULT_UNITS, length: 'in' } as const

describe('points as lines of text', () => {
  test('blanks, tabs, semicolons, decimal commas and units', () => {
    const read = readOutlines('body\n-104 146\n-92,5\t158,5\n1 in; 6 in\n\n# bleed screw\n-90 158\n-88 162', DEFAULT_UNITS)
    expect(read).toEqual({
      ok: true,
      value: [
        {
          name: 'body',
          points: [
            [-104, 146],
            [-92.5, 158.5],
            [25.4, expect.closeTo(152.4, 9)],
          ],
        },
        {
          name: 'bleed screw',
          points: [
            [-90, 158],
            [-88, 162],
          ],
        },
      ],
    })
  })
  test('the demo comes back as it is, in both units', () => {
    for (const units of [DEFAULT_UNITS, INCH]) {
      for (const part of DEMO_PROJECT.parts) {
        if (part.kind === 'wheel' && part.profile) {
          const back = readProfile(writeProfile(part.profile, units), units)
          expect(back.ok && back.value.tags).toEqual(part.profile.tags)
          if (back.ok)
            back.value.points.forEach(([z, r], index) =>
              expect([z, r]).toEqual(part.profile!.points[index]!.map((value) => expect.closeTo(value, 8))),
            )
        }
        if (part.kind === 'caliper' && part.outlines) {
          const back = readOutlines(writeOutlines(part.outlines, units), units)
          expect(back.ok && back.value.map((outline) => outline.name)).toEqual(part.outlines.map((outline) => outline.name))
        }
      }
    }
  })
  test.each<[string, string, number, RegExp]>([
    ['one number', '-104', 1, /two numbers/],
    ['a word for a radius', '-104 146\n-90 abc', 2, /r: "abc"/],
    ['beyond any wheel', '1 2\n3 5000', 2, /beyond 1000/],
    ['one point only', 'body\n1 2', 0, /two points/],
    ['nothing', '\n\n', 0, /No points/],
  ])('outline with %s', (_, text, line, message) => {
    const read = readOutlines(text, DEFAULT_UNITS)
    expect(read.ok).toBe(false)
    if (!read.ok) expect(read.problems[0]).toEqual({ line, message: expect.stringMatching(message) })
  })
  test.each<[string, string, number, RegExp]>([
    ['no tag between', '-100 180 barrel\n0 180\n40 100', 3, /no tag/],
    ['an unknown tag', '-100 180 spoke\n0 180', 1, /"spoke" is not a tag/],
  ])('profile with %s', (_, text, line, message) => {
    const read = readProfile(text, DEFAULT_UNITS)
    expect(read.ok).toBe(false)
    if (!read.ok) expect(read.problems.find((problem) => problem.line === line)?.message).toMatch(message)
  })
  test('never throws', () => {
    fc.assert(
      fc.property(
        fc.string({ maxLength: 300 }),
        (text) => typeof readOutlines(text, DEFAULT_UNITS).ok === 'boolean' && typeof readProfile(text, INCH).ok === 'boolean',
      ),
    )
  })
})
