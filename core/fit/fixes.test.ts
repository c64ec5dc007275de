import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { projectProblems } from '../records/check.ts'
import { AXLES } from '../quantity/axle.ts'
import type { Project } from '../records/project.ts'
import { findSetup, resolveSetup } from '../records/resolve.ts'
import { evaluate } from '../evaluate/evaluate.ts'
import { factsOf } from './fit-check.ts'
import { outcomeOf } from '../whatif/outcome.ts'
import { VERDICT_RANK } from '../figures/words.ts'
import { randomSetup, SETUP, withSetup } from '../testing/setups.ts'
import { acceptFix, dropFixItem } from '../commands/accept.ts'
import type { InterfaceCheck } from './interface-check.ts'
import { checkAll, checkKey } from './rule.ts'
import { RULES } from './rules.ts'
import { runs } from '../testing/runs.ts'

/** Whatever stands in a setup: what is offered must help, and must go away as it came. */
const [setups, built] = [randomSetup, withSetup]
const findings = (project: Project) => evaluate(project, SETUP).fit
/** The same finding anew, without the rest of the report. */
function again(project: Project, finding: InterfaceCheck): InterfaceCheck | undefined {
  const setup = findSetup(project, SETUP)!
  const facts = factsOf({ project, setup, isStock: false, resolved: resolveSetup(project, setup) }, finding.axle ?? 'front')
  const rule = RULES.find((one) => one.id === finding.rule)!
  return checkAll(rule, facts).find((one) => checkKey(one) === checkKey(finding))
}

describe('remedies', () => {
  test('accepting one makes its own finding better, leaves a valid project, and a piece goes as it came', () => {
    fc.assert(
      fc.property(setups, (parts) => {
        const project = built(parts)
        for (const finding of findings(project)) {
          for (const remedy of finding.remedies) {
            const cured = structuredClone(project)
            acceptFix(cured, SETUP, finding, remedy)
            // a rebuild counts once it has a price, or is there
            for (const line of findSetup(cured, SETUP)!.extras) if (line.id.startsWith('fit.')) line.owned = true
            const after = again(cured, finding)
            // a part that is put in may have a question of its own; it is then no worse than not known
            const better = after === undefined || after.verdict === 'unknown' || VERDICT_RANK[after.verdict] < VERDICT_RANK[finding.verdict]
            expect([finding.rule, finding.sentence, remedy.sentence, after?.sentence, better]).toEqual([
              finding.rule,
              finding.sentence,
              remedy.sentence,
              after?.sentence,
              true,
            ])
            if (remedy.kind !== 'piece') continue
            dropFixItem(cured, SETUP, finding)
            expect(cured).toEqual(project)
          }
        }
        const whole = structuredClone(project)
        for (const finding of findings(project)) if (finding.remedies[0]) acceptFix(whole, SETUP, finding, finding.remedies[0])
        expect(projectProblems(whole)).toEqual([])
      }),
      { numRuns: 20 },
    )
  })
  test('every need says what cures it; a sentence ends, and says no number that is none', () => {
    fc.assert(
      fc.property(setups, (parts) => {
        for (const one of findings(built(parts))) {
          if (one.verdict === 'needs') expect([checkKey(one), one.remedies.length]).not.toEqual([checkKey(one), 0])
          for (const words of [one.sentence, one.limit ?? '', ...one.remedies.map((remedy) => remedy.sentence)])
            expect(words).not.toMatch(/NaN|undefined|Infinity|\bnull\b|−0\.0/)
          if (one.verdict === 'unknown') expect(one.missing.length).toBeGreaterThan(0)
        }
      }),
      { numRuns: runs(40, 20) },
    )
  })
  test('the axles do not speak for each other; only what cures them is judged with the whole car', () => {
    fc.assert(
      fc.property(setups, (parts) => {
        const front = (project: Project) => [...outcomeOf(project, SETUP).findings].filter(([key]) => key.startsWith('front.'))
        expect(front(built({ ...parts, rear: {} }))).toEqual(front(built(parts)))
      }),
      { numRuns: runs(300, 80) },
    )
  })
})

test('the setup is as bad as its worst finding, on either axle', () => {
  fc.assert(
    fc.property(setups, (parts) => {
      const report = evaluate(built(parts), SETUP)
      const all = [...report.findings, ...report.fit].map((one) => VERDICT_RANK[one.verdict])
      expect(VERDICT_RANK[report.verdict]).toBe(Math.max(...all))
      for (const axle of AXLES) expect(report.fit.some((one) => one.axle === axle)).toBe(true)
    }),
    { numRuns: runs(30, 15) },
  )
})
