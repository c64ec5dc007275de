import { describe, expect, test } from '@jest/globals'
import { produce } from 'immer'
import { DEMO_PROJECT } from '../demo/project.ts'
import { normalQuantile } from '../maths/normal.ts'
import { quantile } from '../maths/quantile.ts'
import { blankProject } from '../records/blank.ts'
import type { Project } from '../records/project.ts'
import { figure } from '../quantity/figure.ts'
import { CLASS_IDS, type ClassId } from '../guide/classes.ts'
import { fillFromClass } from '../guide/fill.ts'
import { evaluate } from '../evaluate/evaluate.ts'
import { uncertaintyOf } from './uncertainty-report.ts'
import { uncertainInputsOf, type UncertainInput } from './uncertain-inputs.ts'
import { UNCERTAIN_FIGURES, valuesOf, type UncertainFigureId } from './values.ts'
import { DEEP, runs } from '../testing/runs.ts'
import { withValues } from './with-values.ts'

const STOCK = 'as-it-stands'
const typical = (id: ClassId): Project => produce(blankProject('a', 'A'), (draft) => void fillFromClass(draft, id))
const reported = (project: Project, setup = STOCK, draws?: number) => uncertaintyOf(project, evaluate(project, setup), draws)

/** Numbers from 0 to 1, the same in every run. */
function dice(seed: number): () => number {
  let state = seed
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0
    return (state + 0.5) / 4294967296
  }
}

describe('the numbers alone are those of the report', () => {
  test.each(DEMO_PROJECT.setups.map((one) => one.id))('%s', (id) => {
    const { figures } = evaluate(DEMO_PROJECT, id)
    const alone = valuesOf(DEMO_PROJECT, id).figures
    for (const figureId of UNCERTAIN_FIGURES) expect([figureId, alone[figureId]]).toEqual([figureId, figures[figureId].value])
  })
})

test('values go where the leaves are, and nowhere else', () => {
  const { figures } = evaluate(DEMO_PROJECT, 'balanced')
  const leaves = uncertainInputsOf(DEMO_PROJECT, figures, UNCERTAIN_FIGURES)
  expect(leaves.length).toBeGreaterThan(25)
  expect(withValues(DEMO_PROJECT, [], [])).toEqual(DEMO_PROJECT)
  for (const leaf of leaves) {
    const other = withValues(DEMO_PROJECT, [leaf], [leaf.value * 1.01])
    const moved = uncertainInputsOf(other, evaluate(other, 'balanced').figures, UNCERTAIN_FIGURES)
    const same = (one: UncertainInput) => JSON.stringify([one.at, one.index]) === JSON.stringify([leaf.at, leaf.index])
    expect([leaf.label, moved.find(same)!.value]).toEqual([leaf.label, expect.closeTo(leaf.value * 1.01, 9)])
    expect(
      moved.filter((one) => !same(one) && leaves.find((two) => two.label === one.label && two.value === one.value) === undefined),
    ).toEqual([])
  }
})

describe('the gradient against draws of its own', () => {
  test.each(['middleSaloon', 'formula'] as const)('%s', (id) => {
    const project = typical(id)
    const report = evaluate(project, STOCK)
    const leaves = uncertainInputsOf(project, report.figures, UNCERTAIN_FIGURES)
    const next = dice(7)
    const cases = Array.from({ length: 2000 }, () =>
      valuesOf(
        withValues(
          project,
          leaves,
          leaves.map(({ value, u }) => value + u * normalQuantile(next())),
        ),
        STOCK,
      ),
    )
    const found = uncertaintyOf(project, report)
    for (const figureId of ['pedal.force', 'bias.road', 'bias.clamp', 'bias.ideal', 'front.heat'] as const) {
      const sorted = cases.flatMap((one) => one.figures[figureId] ?? []).sort((a, b) => a - b)
      const { p05, p95 } = found.figures[figureId]!
      const inside = sorted.filter((one) => one >= p05 && one <= p95).length / sorted.length
      expect([figureId, inside > 0.84 && inside < 0.96]).toEqual([figureId, true])
      expect(Math.abs(quantile(sorted, 0.5) - found.figures[figureId]!.value)).toBeLessThan(0.35 * (p95 - p05))
    }
    const first = cases.filter(({ marginG }) => marginG! >= -1e-6).length / 20
    expect(Math.abs(found.frontFirstOf100! - first)).toBeLessThan(6)
  })
})

describe('what matters', () => {
  test('shares add up to all of it, the largest first, and each leaves what it says', () => {
    const project = typical('smallHatchback')
    for (const one of Object.values(reported(project).figures)) {
      expect(one.matters.reduce((sum, { share }) => sum + share, 0)).toBeLessThanOrEqual(1 + 1e-9)
      expect(one.matters.map(({ share }) => share)).toEqual(one.matters.map(({ share }) => share).sort((a, b) => b - a))
    }
    // done: the figure that matters most is measured, and found where it was thought to be
    const { value, u, matters } = reported(project).figures['bias.road']!
    const [first] = matters
    const measured = withMeasured(project, first!, first!.value)
    const after = reported(measured).figures['bias.road']!
    expect(after.value).toBeCloseTo(value, 12)
    expect(after.u).toBeCloseTo(first!.leftU, 6)
    expect(after.u).toBeLessThan(u)
  })
  test('a figure that nobody entered counts with the doubt of its default', () => {
    const less = produce(DEMO_PROJECT, (draft) => void delete draft.car.pedalEfficiency)
    expect(reported(less, 'balanced').figures['pedal.force']!.matters.find((one) => one.assumed)?.label).toBe('Pedal efficiency')
  })
  test('what is not known has no range', () => {
    const less = produce(DEMO_PROJECT, (draft) => void delete draft.car.massKg)
    const found = reported(less, 'balanced')
    expect(found.figures['pedal.force']).toBeUndefined()
    expect(found.frontFirstOf100).toBeUndefined()
  })
})

/** The project with one of its figures measured on the car: a value with the doubt of a measurement. */
function withMeasured(project: Project, leaf: UncertainInput, value: number): Project {
  const moved = withValues(project, [leaf], [value])
  return produce(moved, (draft) => {
    const { at } = leaf
    const holder =
      at.kind === 'car'
        ? at.axle
          ? draft.car[at.axle]
          : draft.car
        : at.kind === 'part'
          ? draft.parts.find((one) => one.id === at.partId)!
          : draft.setups[0].hydraulics
    const fields = holder as Record<string, unknown>
    const measured = { ...figure(value), u: leaf.measuredU }
    const now = fields[at.field]
    fields[at.field] = Array.isArray(now) ? now.map((one: unknown, i) => (i === leaf.index ? measured : one)) : measured
  })
}

test('true cars of the seven classes: from the class to what is measured, in the order that is asked for', () => {
  const CARS = runs(300, 70)
  const STEPS = 3
  const asked: readonly UncertainFigureId[] = ['pedal.force', 'bias.road']
  const next = dice(20261127)
  const count = { steps: 0, held: 0, all: 0, narrower: 0 }
  const perStep = Array.from({ length: STEPS + 1 }, () => ({ held: 0, all: 0 }))
  const starts = new Map(CLASS_IDS.map((id) => [id, typical(id)]))
  const firsts = new Map(CLASS_IDS.map((id) => [id, reported(starts.get(id)!, STOCK, 200)]))
  const leaves = new Map(
    CLASS_IDS.map((id) => [id, uncertainInputsOf(starts.get(id)!, evaluate(starts.get(id)!, STOCK).figures, UNCERTAIN_FIGURES)]),
  )
  for (let car = 0; car < CARS; car += 1) {
    const id = CLASS_IDS[car % CLASS_IDS.length]!
    const all = leaves.get(id)!
    const truth = all.map(({ value, u }) => value + u * normalQuantile(next()))
    const trueValues = valuesOf(withValues(starts.get(id)!, all, truth), STOCK).figures
    // one figure of the two, by turns, is what this car is asked about
    const figureId = asked[car % asked.length]!
    let project = starts.get(id)!
    let now = firsts.get(id)!.figures[figureId]!
    for (let step = 0; ; step += 1) {
      const here = trueValues[figureId]! >= now.p05 && trueValues[figureId]! <= now.p95
      perStep[step]!.all += 1
      perStep[step]!.held += here ? 1 : 0
      if (step === STEPS) break
      const [first] = now.matters
      const at = all.findIndex((one) => JSON.stringify([one.at, one.index]) === JSON.stringify([first!.at, first!.index]))
      const read = truth[at]! + first!.measuredU * normalQuantile(next())
      project = withMeasured(project, first!, read)
      const after = reported(project, STOCK, 0).figures[figureId]!
      // a force doubles with the car's mass; what narrows is how well it is known
      const width = (one: typeof now) => (figureId === 'pedal.force' ? one.u / one.value : one.u)
      count.steps += 1
      count.narrower += width(after) < width(now) ? 1 : 0
      now = after
    }
  }
  for (const { held, all } of perStep) {
    // of fewer cars the share scatters more
    expect(held / all).toBeGreaterThan(DEEP ? 0.85 : 0.78)
    expect(held / all).toBeLessThan(DEEP ? 0.95 : 0.99)
  }
  expect(count.steps).toBe(CARS * STEPS)
  expect(count.narrower / count.steps).toBeGreaterThan(0.95)
})
