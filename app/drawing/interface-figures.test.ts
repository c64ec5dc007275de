import { describe, expect, test } from '@jest/globals'
import { DEMO_PROJECT } from '#core/demo/project.ts'
import { fieldsOf, PART_KIND_NAMES } from '#core/records/part-kinds.ts'
import type { Project } from '#core/records/project.ts'
import { evaluate } from '#core/evaluate/evaluate.ts'
import { FIGURE_HEIGHT, FIGURE_WIDTH, interfaceFigure, type DrawnShape } from './interface-figures.ts'
import { PART_FIGURES } from './part-figures.ts'

const found = DEMO_PROJECT.setups.flatMap((setup) => evaluate(DEMO_PROJECT, setup.id).fit)
const of = (rule: string, project: Project = DEMO_PROJECT, setupId = 'as-it-stands') =>
  evaluate(project, setupId).fit.find((one) => one.rule === rule && (one.axle ?? 'front') === 'front')!

/** Every number of a shape. */
const numbers = (shape: DrawnShape): number[] => Object.values(shape).filter((value): value is number => typeof value === 'number')
const widths = (shapes: readonly DrawnShape[], tone: string) =>
  shapes.flatMap((one) => (one.kind === 'rect' && one.tone === tone ? [one.w] : []))

describe('a drawing of an interface', () => {
  test('there is one wherever geometry decides, and it stays on its sheet', () => {
    const drawn = new Set<string>()
    for (const one of found) {
      const figure = interfaceFigure(one)
      if (!figure) continue
      drawn.add(one.rule)
      expect(figure.title).not.toBe('')
      for (const shape of figure.shapes) {
        for (const value of numbers(shape)) {
          expect([one.rule, Number.isFinite(value)]).toEqual([one.rule, true])
          expect(value).toBeGreaterThanOrEqual(-8)
          expect(value).toBeLessThanOrEqual(Math.max(FIGURE_WIDTH, FIGURE_HEIGHT) + 8)
        }
      }
    }
    for (const rule of [
      'disc-thickness',
      'pad-slot',
      'disc-diameter',
      'bridge',
      'disc-plane',
      'mount',
      'mount-bolts',
      'hose-length',
      'hose-line-end',
      'hub-pattern',
      'hub-register',
    ])
      expect(drawn).toContain(rule)
  })
  test('is to scale: rotor and pads as thick as they are to one another', () => {
    const { shapes } = interfaceFigure(of('pad-slot'))!
    const [rotor] = widths(shapes, 'part')
    const [pad] = widths(shapes, 'other')
    // 22 mm of rotor, 16 mm of pad
    expect(rotor! / pad!).toBeCloseTo(22 / 16, 6)
  })
  test('a shorter hose is drawn shorter than its path', () => {
    const short = structuredClone(DEMO_PROJECT)
    short.setups[0].front.hose = 'stock-rear-hose'
    const [path] = widths(interfaceFigure(of('hose-length', short))!.shapes, 'part')
    const [hose] = widths(interfaceFigure(of('hose-length', short))!.shapes, 'other')
    expect(hose!).toBeLessThan(path!)
    expect(hose! / path!).toBeCloseTo(310 / 330, 6)
  })
  test('what nobody entered is not drawn', () => {
    const bare = structuredClone(DEMO_PROJECT)
    Reflect.deleteProperty(
      bare.parts.find((one) => one.id === 'stock-front-hose')!,
      'lengthMm',
    )
    expect(interfaceFigure(of('hose-length', bare))).toBeUndefined()
    expect(interfaceFigure(of('knuckle-clear'))).toBeUndefined()
  })
  test('the stud in its nut shows hat, spacer and wheel in their order', () => {
    const spaced = structuredClone(DEMO_PROJECT)
    spaced.setups[1]!.front.spacer = 'spacer-5'
    const stud = (project: typeof spaced, setup: string) =>
      evaluate(project, setup).fit.find((one) => one.rule === 'stud-engagement' && one.axle === 'front')!
    const figure = interfaceFigure(stud(spaced, 'estate-fronts'))!
    const xs = figure.shapes.flatMap((one) => (one.kind === 'rect' ? [one.x] : [])).slice(0, 3)
    expect(xs).toEqual([...xs].sort((a, b) => a - b))
    // a thickness that is tried out is drawn like a spacer of the shelf
    spaced.setups[1]!.front = { ...spaced.setups[1]!.front, spacerTrialMm: 5 }
    expect(interfaceFigure(stud(spaced, 'estate-fronts'))).toEqual(figure)
    expect(interfaceFigure(stud(DEMO_PROJECT, 'as-it-stands'))!.shapes).toHaveLength(figure.shapes.length - 2)
  })
})

describe('the drawn figure of a kind of part', () => {
  test('names only fields of that kind, and starts and ends on the paper', () => {
    for (const kind of PART_KIND_NAMES) {
      const figure = PART_FIGURES[kind]
      if (!figure || kind === 'caliper' || kind === 'wheel') continue
      for (const [field, one] of Object.entries(figure.dimensions)) {
        expect([kind, Object.keys(fieldsOf(kind))]).toEqual([kind, expect.arrayContaining([field])])
        for (const [x, y] of [one.from, one.to, one.at]) {
          expect(x).toBeGreaterThan(0)
          expect(x).toBeLessThan(360)
          expect(y).toBeGreaterThan(0)
          expect(y).toBeLessThan(220)
        }
      }
    }
  })
})
