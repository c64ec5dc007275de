import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { DEMO_PROJECT } from '../demo/project.ts'
import { AXLES, type Axle } from '../quantity/axle.ts'
import type { Part } from '../records/part.ts'
import type { Project } from '../records/project.ts'
import { findSetup, resolveSetup } from '../records/resolve.ts'
import { randomSetup, SETUP, withSetup } from '../testing/setups.ts'
import { evaluate } from '../evaluate/evaluate.ts'
import { VERDICT_RANK, worstVerdict } from '../figures/words.ts'
import { companionPartsOf } from './companion-parts.ts'
import { compareBrakes } from './compare-brakes.ts'
import { runs } from '../testing/runs.ts'

const part = (id: string): Part => DEMO_PROJECT.parts.find((one) => one.id === id)!
const calipers = DEMO_PROJECT.parts.filter((one) => one.kind === 'caliper')

/** A caliper with a company in a setup of its own, and what the fit check says there of this axle. */
function fitted(caliper: Part, company: { rotor?: Part | null; pad?: Part | null; bracket?: Part | null }, axle: Axle) {
  const setup = structuredClone(DEMO_PROJECT.setups[1]!)
  const id = (one: Part | null | undefined) => (one === null ? null : one?.id)
  Object.assign(setup[axle], { caliper: caliper.id, rotor: id(company.rotor), pad: id(company.pad), bracket: id(company.bracket) })
  setup.id = 'tried'
  const { fit } = evaluate({ ...DEMO_PROJECT, setups: [...DEMO_PROJECT.setups, setup] } as Project, 'tried', { precision: 'linear' })
  return fit.filter((one) => one.axle === axle)
}

describe('the company of a caliper', () => {
  test.each(['front', 'rear'] as const)('goes together as it was said, %s', (axle) => {
    const companyOf = companionPartsOf(DEMO_PROJECT, 'estate-fronts', axle)
    const found = calipers.flatMap((caliper) => {
      const company = companyOf(caliper)
      return company ? [{ caliper, company }] : []
    })
    expect(found.length).toBeGreaterThan(1)
    for (const { caliper, company } of found) {
      // what is said of hose, wheel and how used it is stands beside it
      const stopped = fitted(caliper, company, axle).filter(
        (one) => (one.verdict === 'blocked' || one.verdict === 'needs') && !/^(hose|wheel|stud|register|used|residual)/.test(one.rule),
      )
      expect(stopped.map((one) => `${caliper.name}: ${one.sentence}`)).toEqual([])
    }
  })
  test('where there is none, no rotor, pads and bracket of the library let it in', () => {
    const companyOf = companionPartsOf(DEMO_PROJECT, 'estate-fronts', 'front')
    const kinds = (kind: Part['kind']) => DEMO_PROJECT.parts.filter((one) => one.kind === kind)
    const [alone] = calipers.filter((one) => one.id === 'coupe-rear-caliper')
    expect(companyOf(alone!)).toBeUndefined()
    for (const rotor of kinds('rotor'))
      for (const bracket of [null, ...kinds('bracket')])
        for (const pad of kinds('pad').slice(0, 4))
          expect(fitted(alone!, { rotor, bracket, pad }, 'front').some((one) => VERDICT_RANK[one.verdict] >= VERDICT_RANK.needs)).toBe(true)
  })
})

test('what a brake works with counts like the caliper itself: a doubt of its rotor, pads or bracket is no fit', () => {
  const rowsOf = (project: Project) => compareBrakes(project, 'estate-fronts', 'front', 'hill-wheel')
  const before = rowsOf(DEMO_PROJECT)
  const fits = before.filter((one) => one.whole === 'fits')
  expect(fits.length).toBeGreaterThan(2)
  const bare = structuredClone(DEMO_PROJECT)
  for (const one of bare.parts) if (one.kind === 'rotor') Reflect.deleteProperty(one, 'boltCircleMm')
  const after = rowsOf(bare)
  for (const one of fits) expect([one.name, after.find((row) => row.id === one.id)!.whole]).toEqual([one.name, 'unknown'])
})

test('a loose caliper is judged in its own company, which is named; one that goes with nothing by what is there', () => {
  const rows = compareBrakes(DEMO_PROJECT, 'estate-fronts', 'front', 'hill-wheel')
  const row = (id: string) => rows.find((one) => one.name === part(id).name)!
  const harrow = row('harrow-front-caliper')
  expect(harrow.detail).toContain(part('harrow-pad').name)
  // all of it goes together; what nobody looked at before it is bought used stays open
  expect([harrow.whole, harrow.verdict, harrow.why]).toEqual(['unknown', 'clears', expect.stringMatching(/pressed back by hand/)])
  const coupe = row('coupe-rear-caliper')
  expect([coupe.whole, coupe.detail]).toEqual(['blocked', 'with the rotor and pads of this setup'])
  expect(() => compareBrakes(DEMO_PROJECT, 'none', 'front', 'hill-wheel')).toThrow(/no setup none/)
})

test('each brake, fitted with its company, clears as was said, and nothing that looks at its parts is worse, in setups made at random', () => {
  let rows = 0
  fc.assert(
    fc.property(
      randomSetup,
      fc.constantFrom(...AXLES),
      fc.constantFrom('hill-wheel', 'club-wheel', 'winter-wheel'),
      (parts, axle, wheelId) => {
        const project = withSetup(parts)
        const companyOf = companionPartsOf(project, SETUP, axle)
        for (const row of compareBrakes(project, SETUP, axle, wheelId)) {
          const caliper = project.parts.find((one) => one.id === row.id)
          // those that stand in a setup are not loose
          if (!caliper) continue
          rows += 1
          const changed = structuredClone(project)
          const setup = findSetup(changed, SETUP)!
          const company = Object.entries(companyOf(caliper) ?? {}).map(([slot, one]) => [slot, one === null ? null : one?.id])
          setup[axle] = { ...setup[axle], ...Object.fromEntries(company), caliper: row.id, wheel: wheelId }
          delete setup[axle].shimMm
          const { corners, fit } = evaluate(changed, SETUP)
          expect([row.id, corners[axle].verdict]).toEqual([row.id, row.verdict])
          const resolved = resolveSetup(changed, setup)[axle]
          const ids = new Set([row.id, wheelId, resolved.rotor?.id, resolved.pad?.id, resolved.bracket?.id])
          const ofIt = fit.filter(
            (one) => one.axle === axle && one.verdict !== 'check' && one.looked.some(({ at }) => 'partId' in at && ids.has(at.partId)),
          )
          const worst = worstVerdict(ofIt.map((one) => one.verdict))
          const said = [row.id, ofIt.find((one) => one.verdict === worst)?.sentence]
          expect([...said, VERDICT_RANK[worst] <= VERDICT_RANK[row.whole]]).toEqual([...said, true])
        }
      },
    ),
    { numRuns: runs(25, 8), seed: 20261128 },
  )
  expect(rows).toBeGreaterThan(runs(100, 40))
})

test('a caliper that failed its inspection is none that fits', () => {
  const row = compareBrakes(DEMO_PROJECT, 'as-it-stands', 'rear', 'club-wheel').find((one) => one.id === 'gt-rear-caliper')!
  expect([row.whole, row.why]).toEqual(['needs', expect.stringMatching(/failed: a dust boot is torn/)])
})
