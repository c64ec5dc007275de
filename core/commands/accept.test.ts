import { describe, expect, test } from '@jest/globals'
import { shimLineId } from '../records/shims.ts'
import { takeBundle } from './take-bundle.ts'
import { projectProblems } from '../records/check.ts'
import type { Project } from '../records/project.ts'
import { figure } from '../quantity/figure.ts'
import { evaluate } from '../evaluate/evaluate.ts'
import { demo, find, part } from '../testing/fit.ts'
import { acceptFix, chooseShims, dropFixItem, putPart } from './accept.ts'
import { fixLineId } from '../fit/rule.ts'

/** The estate's caliper sits 0.2 mm off; with its slot 3 mm further out it needs shims inboard. */
const SETUP = 'estate-fronts'
const off = (byMm = 3): Project =>
  demo((project) => {
    const caliper = part(project, 'estate-front-caliper') as { mountToSlotMm: { value: number } }
    caliper.mountToSlotMm = figure(caliper.mountToSlotMm.value + byMm)
  })
const estate = (project: Project) => project.setups.find((one) => one.id === SETUP)!
const plane = (project: Project) => find(project, 'disc-plane', 'front', SETUP)!
function shimmed(): Project {
  const project = off()
  const finding = plane(project)
  expect(finding.verdict).toBe('needs')
  acceptFix(project, SETUP, finding, finding.remedies[0]!)
  return project
}

describe('shims', () => {
  test('accepted they are in the setup, on the bill, in the sentence, and can be taken back', () => {
    const project = shimmed()
    expect(plane(project)).toMatchObject({ verdict: 'fits', accepted: true, sentence: expect.stringMatching(/with shims of 3\.2/) })
    expect(plane(project).looked).toContainEqual(expect.objectContaining({ label: 'Shims, front', value: expect.closeTo(-3.2, 6) }))
    expect(estate(project).extras.find((one) => one.id === shimLineId('front'))).toMatchObject({
      label: 'Shims 3.20\u00a0mm under the caliper, front',
      quantity: 4,
      kind: 'remedy',
    })
    expect(evaluate(project, SETUP).bill.lines.map((one) => one.id)).toContain(shimLineId('front'))
    expect(projectProblems(project)).toEqual([])
    dropFixItem(project, SETUP, plane(project))
    expect(project).toEqual(off())
  })
  test('their line is that of the finding they cure', () => {
    for (const axle of ['front', 'rear'] as const) expect(shimLineId(axle)).toBe(fixLineId({ rule: 'disc-plane', axle }))
  })
  test('a price is kept while they stay as thick, and goes with another thickness', () => {
    const project = shimmed()
    const line = () => estate(project).extras.find((one) => one.id === shimLineId('front'))
    line()!.price = { lowMinor: 800, likelyMinor: 900, highMinor: 1000, currency: 'EUR' } as never
    chooseShims(project, SETUP, 'front', estate(project).front.shimMm)
    expect(line()!.price).toBeDefined()
    chooseShims(project, SETUP, 'front', -2)
    expect([line()!.price, line()!.label]).toEqual([undefined, 'Shims 2.00\u00a0mm under the caliper, front'])
    // 3.2 less 2 is still more than a fixed caliper may be off
    expect(plane(project)).toMatchObject({ verdict: 'needs', accepted: false })
  })
  test('too few: the whole stack is named, in place of what is there', () => {
    const project = off(4)
    chooseShims(project, SETUP, 'front', -1)
    expect(plane(project)).toMatchObject({ verdict: 'needs', sentence: expect.stringMatching(/shims of 4\.2.mm .* in place of 1\.0/) })
    acceptFix(project, SETUP, plane(project), plane(project).remedies[0]!)
    expect(estate(project).front.shimMm).toBeCloseTo(-4.2, 6)
    expect(plane(project).verdict).toBe('fits')
  })
  test('shims that are not needed, or lie on the wrong face, are to be taken out', () => {
    const at = (byMm: number, shimMm: number) => {
      const project = off(byMm)
      chooseShims(project, SETUP, 'front', shimMm)
      const found = plane(project)
      const [remedy] = found.remedies
      if (remedy) acceptFix(project, SETUP, found, remedy)
      return [found.verdict, remedy?.kind === 'shim' ? remedy.shimMm : undefined, plane(project).verdict]
    }
    // without any it is 0.2 outboard; the mount's inboard face takes shims inboard only
    expect(at(0, -0.6)).toEqual(['fits', undefined, 'fits'])
    expect(at(0, -0.8)).toEqual(['needs', 0, 'fits'])
    expect(at(0, 0.2)).toEqual(['needs', 0, 'fits'])
    expect(at(3, 1)).toEqual(['needs', -3.2, 'fits'])
    // 1 mm inboard cannot be shimmed outboard there: a shim of the wrong face is no cure for it
    expect(at(-1.2, 1)).toEqual(['blocked', undefined, 'blocked'])
    const wrong = off(0)
    chooseShims(wrong, SETUP, 'front', 0.2)
    expect(plane(wrong).sentence).toMatch(/On the mount’s inboard face shims move the caliper inboard only\. Without any it is 0\.20/)
  })
  test('on the current car they are there and not bought; none of its own follows the car', () => {
    const project = demo()
    chooseShims(project, 'as-it-stands', 'front', -1)
    expect([project.setups[0].front.shimMm, project.setups[0].extras]).toEqual([-1, []])
    chooseShims(project, SETUP, 'front', 0)
    expect(estate(project).extras.some((one) => one.id === shimLineId('front'))).toBe(false)
    chooseShims(project, SETUP, 'front', undefined)
    expect('shimMm' in estate(project).front).toBe(false)
    chooseShims(project, 'nobody', 'front', 2)
    expect(projectProblems(project)).toEqual([])
  })
  test('they go with the caliper they were cut for, and stay with other parts', () => {
    const there = (change: (project: Project) => void) => {
      const project = shimmed()
      change(project)
      return [estate(project).front.shimMm !== undefined, estate(project).extras.some((one) => one.id === shimLineId('front'))]
    }
    const put = (slot: 'caliper' | 'pad', id: string | undefined) => (project: Project) =>
      putPart(project, estate(project), { axle: 'front', slot }, id)
    expect(there(put('pad', 'kit2-pad'))).toEqual([true, true])
    expect(there(put('caliper', 'estate-front-caliper'))).toEqual([true, true])
    expect(there(put('caliper', 'kit4-caliper'))).toEqual([false, false])
    expect(there(put('caliper', undefined))).toEqual([false, false])
    const kit = demo().bundles.find((one) => one.id === 'kit-q4')!
    expect(there((project) => Object.assign(estate(project), takeBundle(estate(project), kit, project.parts)))).toEqual([false, false])
  })
})

test('a rebuild goes with the part it was ordered for', () => {
  const project = demo()
  const setup = estate(project)
  Object.assign(part(project, 'estate-front-caliper'), { condition: 'used', inspection: { points: { boots: 'failed' } } })
  const used = find(project, 'used-part', 'front', SETUP)!
  acceptFix(project, SETUP, used, used.remedies[0]!)
  const lines = () => estate(project).extras.filter((one) => one.id.includes('used-part')).length
  expect(lines()).toBe(1)
  putPart(project, setup, { axle: 'front', slot: 'pad' }, 'kit2-pad')
  expect(lines()).toBe(1)
  putPart(project, setup, { axle: 'front', slot: 'caliper' }, 'kit4-caliper')
  expect(lines()).toBe(0)
})

test('a part is put, nothing on purpose, and as the car stands; a tried spacer goes with a chosen one', () => {
  const project = demo()
  const setup = estate(project)
  setup.front.spacerTrialMm = 4
  putPart(project, setup, { axle: 'front', slot: 'spacer' }, 'spacer-5')
  expect([setup.front.spacer, setup.front.spacerTrialMm]).toEqual(['spacer-5', undefined])
  putPart(project, setup, { slot: 'booster' }, null)
  expect(setup.hydraulics.booster).toBeNull()
  putPart(project, setup, { slot: 'booster' }, undefined)
  expect('booster' in setup.hydraulics).toBe(false)
  expect(projectProblems(project)).toEqual([])
})
