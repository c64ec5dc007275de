import { expect, test } from '@jest/globals'
import { DEMO_PROJECT } from '../demo/project.ts'
import { checkKey } from '../fit/rule.ts'
import type { Project } from '../records/project.ts'
import type { EntryPlace } from '../records/question.ts'
import { TYPICAL } from '../records/way-ids.ts'
import type { Figure } from '../quantity/figure.ts'
import { VERDICT_RANK } from '../figures/words.ts'
import { evaluate } from './evaluate.ts'

/** What holds for a class of cars is not said to fit this one. */
function typicalAt(project: Project, at: EntryPlace): Project | undefined {
  const copy = structuredClone(project)
  const holder: unknown =
    at.kind === 'part'
      ? copy.parts.find((one) => one.id === at.partId)
      : at.kind === 'car'
        ? at.axle
          ? copy.car[at.axle]
          : copy.car
        : undefined
  const known = (holder as Record<string, Figure | Figure[] | undefined> | undefined)?.[(at as { field: string }).field]
  const figures = [known].flat().filter((one): one is Figure => typeof one === 'object')
  for (const one of figures) one.madeOf = { way: TYPICAL, given: { class: 'smallHatchback' } }
  return figures.length > 0 ? copy : undefined
}

test('a rule that goes by a typical figure never says "fits", and nothing gets better by it', () => {
  let tried = 0
  for (const { id } of DEMO_PROJECT.setups) {
    const before = evaluate(DEMO_PROJECT, id)
    const fitting = before.fit.filter((one) => one.verdict === 'fits' && !one.accepted)
    for (const [i, one] of fitting.entries()) {
      const looked = one.looked.filter((input) => input.origin !== undefined && (input.at.kind === 'part' || input.at.kind === 'car'))
      const at = looked[i % Math.max(looked.length, 1)]?.at
      const less = i % 3 === 0 && at ? typicalAt(DEMO_PROJECT, at) : undefined
      if (!less) continue
      tried += 1
      const after = new Map(evaluate(less, id).fit.map((finding) => [checkKey(finding), finding]))
      expect([checkKey(one), after.get(checkKey(one))!.verdict]).toEqual([checkKey(one), 'check'])
      expect(after.get(checkKey(one))!.sentence).toMatch(/typical value/)
      for (const other of before.fit)
        expect(VERDICT_RANK[after.get(checkKey(other))!.verdict]).toBeGreaterThanOrEqual(VERDICT_RANK[other.verdict])
    }
  }
  expect(tried).toBeGreaterThan(10)
})
test('nor is the order of locking', () => {
  const mass = typicalAt(DEMO_PROJECT, { kind: 'car', field: 'massKg' })!
  const order = (project: Project) => evaluate(project, 'as-it-stands').findings.find((one) => one.rule === 'lock-order')!
  expect([order(DEMO_PROJECT).verdict, order(mass).verdict]).toEqual(['fits', 'check'])
  expect(order(mass).sentence).toContain(order(DEMO_PROJECT).sentence)
})
