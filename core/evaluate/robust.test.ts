import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { DEMO_PROJECT } from '../demo/project.ts'
import { projectProblems } from '../records/check.ts'
import { carAxleFields, carFields } from '../records/car-fields.ts'
import { hardLimits, type Field, type FieldTable } from '../records/field.ts'
import { fieldsOf } from '../records/part-kinds.ts'
import { AXLES } from '../quantity/axle.ts'
import type { Project } from '../records/project.ts'
import { evaluate } from './evaluate.ts'
import { DEFAULT_UNITS } from '../quantity/units.ts'
import { keyFigures } from './key-figures.ts'
import { runs } from '../testing/runs.ts'

/** One change of a valid project that leaves it valid: a figure set anywhere within its limits, or a choice made, or either taken away. */
type Change = { holder: (project: Project) => Record<string, unknown>; key: string; value: unknown }

function changesOf(holder: Change['holder'], table: FieldTable): fc.Arbitrary<Change>[] {
  return Object.entries(table).flatMap(([key, field]: [string, Field]): fc.Arbitrary<Change>[] => {
    const away = fc.constant<Change>({ holder, key, value: undefined })
    if (field.type === 'figure') {
      const [min, max] = hardLimits(field)
      const value = field.integer ? fc.integer({ min, max }) : fc.double({ min, max, noNaN: true })
      return [
        fc.oneof(
          away,
          value.map((one: number): Change => ({ holder, key, value: { value: one, origin: 'measured' } })),
        ),
      ]
    }
    if (field.type === 'choices')
      return [
        fc.oneof(
          away,
          fc
            .subarray(
              field.options.map((option) => option.value),
              { minLength: 1 },
            )
            .map((value): Change => ({ holder, key, value })),
        ),
      ]
    if (field.type === 'choice')
      return [
        fc.oneof(
          away,
          fc.constantFrom(...field.options).map((option): Change => ({ holder, key, value: option.value })),
        ),
      ]
    return []
  })
}
const asHolder = (value: unknown) => value as Record<string, unknown>
const anyChange = fc.oneof(
  ...DEMO_PROJECT.parts.flatMap((part, index) => changesOf((project) => asHolder(project.parts[index]), fieldsOf(part.kind))),
  ...changesOf((project) => asHolder(project.car), carFields),
  ...AXLES.flatMap((axle) => changesOf((project) => asHolder(project.car[axle]), carAxleFields)),
)

function changed(changes: readonly Change[]): Project {
  const project = structuredClone(DEMO_PROJECT)
  for (const { holder, key, value } of changes) {
    if (value === undefined) Reflect.deleteProperty(holder(project), key)
    else holder(project)[key] = value
  }
  return project
}

/** Every number in a value, with where it is. */
function numbers(value: unknown, at = ''): [string, number][] {
  if (typeof value === 'number') return [[at, value]]
  if (typeof value !== 'object' || value === null) return []
  return Object.entries(value).flatMap(([key, one]) => numbers(one, `${at}.${key}`))
}

describe('any valid project', () => {
  test('has a report for every setup: no crash, no number that is none, a sentence for every verdict', () => {
    fc.assert(
      fc.property(fc.array(anyChange, { minLength: 1, maxLength: 25 }), fc.nat(3), (changes, at) => {
        const project = changed(changes)
        expect(projectProblems(project)).toEqual([])
        const id = project.setups[at]!.id
        const report = evaluate(project, id)
        expect(numbers(report).filter(([place, number]) => !place.includes('.adhesion') && !Number.isFinite(number))).toEqual([])
        for (const finding of report.findings) expect(finding.sentence).toMatch(/^[A-Z].*\.$/)
        expect(
          keyFigures(report, evaluate(project, 'as-it-stands'), DEFAULT_UNITS, 'EUR').every(
            (entry) => !/NaN|undefined|Infinity/.test(Object.values(entry).join(' ')),
          ),
        ).toBe(true)
      }),
      { numRuns: runs(150, 40) },
    )
  })

  test('a figure without a value says what is missing, or why there is none', () => {
    fc.assert(
      fc.property(fc.array(anyChange, { minLength: 1, maxLength: 25 }), (changes) => {
        for (const figure of Object.values(evaluate(changed(changes), 'estate-fronts').figures)) {
          if (figure.value === undefined && figure.id !== 'bias.clamp')
            expect([figure.id, figure.missing.length + figure.notes.length > 0]).toEqual([figure.id, true])
        }
      }),
      { numRuns: runs(200, 70) },
    )
  })

  test('asking for a larger gap never makes a verdict better', () => {
    const order = ['hits', 'tooClose', 'measure', 'tight', 'clears']
    fc.assert(
      fc.property(fc.array(anyChange, { maxLength: 10 }), (changes) => {
        const project = changed(changes)
        const verdict = (gapPolicy: 'standard' | 'hardUse') =>
          evaluate({ ...project, preferences: { ...project.preferences, gapPolicy } }, 'balanced').corners.front.verdict
        expect(order.indexOf(verdict('hardUse'))).toBeLessThanOrEqual(order.indexOf(verdict('standard')))
      }),
      { numRuns: runs(100, 40) },
    )
  })

  test('a stock spacer that is offered clears when it is taken', () => {
    let offered = 0
    fc.assert(
      fc.property(fc.array(anyChange, { maxLength: 6 }), (changes) => {
        const project = changed(changes)
        const { stockSpacerMm, verdict } = evaluate(project, 'estate-fronts').corners.front
        if (!stockSpacerMm || verdict === 'clears') return
        offered += 1
        project.setups[1]!.front.spacerTrialMm = stockSpacerMm
        expect(evaluate(project, 'estate-fronts').corners.front.verdict).toBe('clears')
      }),
      { numRuns: runs(150, 80) },
    )
    expect(offered).toBeGreaterThan(20)
  })
})
