import { describe, expect, test } from '@jest/globals'
import { DEMO_PROJECT } from '../demo/project.ts'
import { DEFAULT_UNITS } from '../quantity/units.ts'
import { readDxf, type DxfPlacing } from './dxf-read.ts'
import { outlinesFromDxf, profileFromDxf } from './dxf-take.ts'
import { writeDxf } from './dxf-write.ts'
import { readOutlines, readProfile, writeOutlines, writeProfile } from './points-text.ts'
import { readProject, writeProject } from './project-file.ts'

/** Broken, cut off, doubled and made-up files: an answer each time, soon, and what is open stays as it is. */

let state = 20260912
const random = (below: number): number => {
  state = (state * 48271) % 2147483647
  return state % below
}
const JUNK = [
  '\u0000',
  '-',
  '1e309',
  'NaN',
  '\n',
  '\n\n',
  '9'.repeat(400),
  '"',
  '{',
  '[',
  '999999999',
  '0\nSECTION',
  'EOF',
  '\u202e',
  '__proto__',
  ',',
  ';',
]
function mutate(text: string): string {
  let out = text
  for (let times = 1 + random(6); times > 0; times -= 1) {
    const at = random(out.length + 1)
    const long = random(60)
    switch (random(6)) {
      case 0:
        out = out.slice(0, at) + out.slice(at + long)
        break
      case 1:
        out = out.slice(0, at) + JUNK[random(JUNK.length)]! + out.slice(at)
        break
      case 2:
        out = out.slice(0, at) + out.slice(at, at + 5 * long) + out.slice(at)
        break
      case 3:
        out = out.slice(0, at)
        break
      case 4:
        out = out.slice(0, at) + String.fromCharCode(random(256)) + out.slice(at + 1)
        break
      default: {
        const lines = out.split('\n')
        const [a, b] = [random(lines.length), random(lines.length)]
        ;[lines[a], lines[b]] = [lines[b]!, lines[a]!]
        out = lines.join('\n')
      }
    }
  }
  return out
}
function soon<T>(work: () => T): T {
  const from = performance.now()
  const found = work()
  expect(performance.now() - from).toBeLessThan(1000)
  return found
}

const caliper = DEMO_PROJECT.parts.find((part) => part.id === 'estate-front-caliper')
const wheel = DEMO_PROJECT.parts.find((part) => part.id === 'club-wheel')
if (caliper?.kind !== 'caliper' || wheel?.kind !== 'wheel') throw new Error('the demo has changed')

describe('a thousand mutated files', () => {
  test('drawings', () => {
    const arcs = '0\nARC\n8\nbody\n10\n5\n20\n100\n40\n20\n50\n0\n51\n90\n0\nSPLINE\n8\ncurve\n70\n8\n10\n0\n20\n0\n'
    const whole = writeDxf([...caliper.outlines!, { name: 'wheel', points: wheel.profile!.points }]).replace(
      '0\nLWPOLYLINE',
      `${arcs}0\nLWPOLYLINE`,
    )
    const placing: DxfPlacing = { unit: 'mm', originX: 0, originY: 0, outboard: '+x', mirrorRadius: false }
    let readable = 0
    for (let i = 0; i < 400; i += 1) {
      const found = soon(() => readDxf(mutate(whole)))
      if (!found.ok) {
        expect(found.message.length).toBeGreaterThan(10)
        continue
      }
      readable += 1
      const layers = found.drawing.layers.filter((layer) => !layer.refused)
      soon(() => {
        for (const { points } of outlinesFromDxf(layers, placing))
          for (const point of points) expect(point.every(Number.isFinite)).toBe(true)
        profileFromDxf(layers, placing)
      })
    }
    // the changes are small enough that many still are drawings: both ways are tried
    expect(readable).toBeGreaterThan(50)
    expect(readable).toBeLessThan(400)
  })
  test('points from a spreadsheet', () => {
    const outlines = writeOutlines(caliper.outlines!, DEFAULT_UNITS)
    const profile = writeProfile(wheel.profile!, DEFAULT_UNITS)
    for (let i = 0; i < 300; i += 1) {
      const a = soon(() => readOutlines(mutate(outlines), DEFAULT_UNITS))
      const b = soon(() => readProfile(mutate(profile), DEFAULT_UNITS))
      if (!a.ok) expect(a.problems.length).toBeGreaterThan(0)
      if (b.ok) expect(b.value.tags).toHaveLength(b.value.points.length - 1)
    }
  })
  test('projects: refused with places, or valid; the open one is untouched', () => {
    const open = JSON.stringify(DEMO_PROJECT)
    const text = writeProject(DEMO_PROJECT)
    for (let i = 0; i < 300; i += 1) {
      const found = soon(() => readProject(mutate(text)))
      if (found.ok) expect(readProject(writeProject(found.project)).ok).toBe(true)
      else for (const problem of found.problems) expect(problem.message.length).toBeGreaterThan(3)
    }
    expect(JSON.stringify(DEMO_PROJECT)).toBe(open)
  })
})
