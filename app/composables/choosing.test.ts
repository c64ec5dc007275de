import { afterEach, beforeEach, describe, expect, test } from '@jest/globals'
import { DEMO_PROJECT } from '#core/demo/project.ts'
import { evaluate } from '#core/evaluate/evaluate.ts'
import { balanceReport } from '#core/balance/balance-report.ts'
import { boreReport } from '#core/balance/bore-report.ts'
import { allCandidates } from '#core/whatif/candidates.ts'
import { adjustmentReport } from '#core/whatif/adjustments.ts'
import type { Part } from '#core/records/part.ts'
import type { Project } from '#core/records/project.ts'
import { VERDICT_RANK } from '#core/figures/words.ts'
import { clearBench, onTheBench, until, WORKER, workersAnswer } from '../testing/bench.ts'
import { useBalance } from './balance.ts'
import { useCandidates } from './candidates.ts'
import { useChoosePart } from './choose-part.ts'
import { useFitRows } from './fit-rows.ts'
import { useWorkbench } from './workbench.ts'

beforeEach(() =>
  workersAnswer({ ...WORKER, candidates: allCandidates, balance: balanceReport, bores: boreReport, levers: adjustmentReport }),
)
afterEach(clearBench)

const setupOf = (project: Project | undefined, id = 'estate-fronts') => project!.setups.find((one) => one.id === id)!
const partOf = (project: Project | undefined, id: string): Part => project!.parts.find((one) => one.id === id)!

describe('a part for a place', () => {
  test('is put there; as the car stands and nothing on purpose are not the same', async () => {
    const { store, run } = await onTheBench()
    const { put } = run(useChoosePart)
    put({ axle: 'front', slot: 'rotor' }, 'kit4-rotor')
    expect(setupOf(store.project).front.rotor).toBe('kit4-rotor')
    expect(store.undoLabel).toBe('Choose rotor')
    put({ axle: 'front', slot: 'rotor' }, '-')
    expect(setupOf(store.project).front.rotor).toBeNull()
    put({ axle: 'front', slot: 'rotor' }, '')
    expect('rotor' in setupOf(store.project).front).toBe(false)
    // the other setups stay as they are
    expect(setupOf(store.project, 'big-kit')).toEqual(setupOf(DEMO_PROJECT, 'big-kit'))
  })
  test('another spacer ends the trial of a thickness', async () => {
    const { store, run } = await onTheBench()
    store.edit('Try', (draft) => void (setupOf(draft as Project).front.spacerTrialMm = 6))
    run(useChoosePart).put({ axle: 'front', slot: 'spacer' }, '-')
    expect(setupOf(store.project).front).toMatchObject({ spacer: null })
    expect(setupOf(store.project).front.spacerTrialMm).toBeUndefined()
  })
  test('dropped where it does not belong it changes nothing, and the hand is empty after', async () => {
    const { store, run } = await onTheBench()
    const { dragged, drop, takes } = run(useChoosePart)
    const rotor = partOf(store.project, 'kit4-rotor')
    expect(takes({ axle: 'front', slot: 'rotor' }, rotor)).toBe(true)
    expect(takes({ axle: 'front', slot: 'pad' }, rotor)).toBe(false)
    expect(takes({ slot: 'valve' }, rotor)).toBe(false)
    dragged.value = rotor
    drop({ axle: 'front', slot: 'pad' })
    expect([store.past.length, dragged.value]).toEqual([0, undefined])
    dragged.value = rotor
    drop({ axle: 'rear', slot: 'rotor' })
    expect(setupOf(store.project).rear.rotor).toBe('kit4-rotor')
  })
})

describe('what a part would bring', () => {
  test('its worst finding in plain words and the difference in price', async () => {
    const { store, run } = await onTheBench()
    const { words, of, found } = run(useCandidates)
    await until(() => found.value.length > 0, 'candidates')
    const [blocked, fitting] = ['blocked', 'fits'].map((worst) => found.value.find((one) => one.worst === worst)!)
    const said = (one: (typeof found.value)[number]) => words(one.axle ?? 'hydraulics', one.slot, one.partId)
    expect(said(blocked!)).toMatch(/^do not build/)
    expect(said(fitting!)).toMatch(/^OK/)
    const dearer = found.value.find((one) => (one.extraMinor ?? 0) > 0)!
    expect(said(dearer)).toMatch(/, \+EUR.\d/)
    expect(words('front', 'rotor', 'no such part')).toBe('')
    // ranked as the list is
    expect(of(found.value[0]!.axle ?? 'hydraulics', found.value[0]!.slot, found.value[0]!.partId)).toMatchObject({ rank: 0 })
    expect(store.past).toEqual([])
  })
})

describe('the rows of the fit check', () => {
  test('every finding once, by axle, the worst first', async () => {
    const { store, run } = await onTheBench()
    const { groups } = run(useFitRows)
    const { report } = run(useWorkbench)
    await until(() => report.value !== undefined, 'a report')
    const wanted = evaluate(store.current, 'estate-fronts')
    const rows = groups.value.flatMap((one) => one.rows)
    expect(groups.value.map((one) => one.id)).toEqual(['front', 'rear', 'car'])
    expect(rows).toHaveLength(wanted.findings.length + wanted.fit.length)
    expect(new Set(rows.map((one) => one.key)).size).toBe(rows.length)
    for (const { rows: own } of groups.value) {
      const ranks = own.map((one) => VERDICT_RANK[one.verdict])
      expect(ranks).toEqual([...ranks].sort((a, b) => b - a))
    }
    expect(rows.every((one) => one.title !== '' && one.sentence !== '')).toBe(true)
  })
})

describe('a lever that is applied', () => {
  const withLevers = async (setupId: string, change: (project: Project) => void = () => {}) => {
    const bench = await onTheBench(`balance?setup=${setupId}`, change)
    const balance = bench.run(useBalance)
    await until(() => balance.levers.value !== undefined, 'levers')
    const advice = balance.levers.value!.advice.find((one) => one.offers.length > 0)!
    return { ...bench, ...balance, advice, offer: advice.offers[0]! }
  }
  test('makes a setup beside this one, which is looked at then; this one stays', async () => {
    const { store, apply, advice, offer, address } = await withLevers('balanced')
    const before = setupOf(store.project, 'balanced')
    const at = store.current.setups.indexOf(before)
    await apply(advice, offer)
    expect(setupOf(store.project, 'balanced')).toBe(before)
    const made = store.current.setups[at + 1]!
    expect(made.name).toBe(`${before.name}, ${offer.name}`.slice(0, 120))
    expect(address()).toBe(`balance?setup=${made.id}`)
    expect(made.front).toEqual(offer.change.kind === 'part' && offer.change.place.axle === 'front' ? expect.anything() : before.front)
    store.undo()
    expect(store.current.setups).toHaveLength(4)
  })
  test('on the current car says only what it changes', async () => {
    // a car that stands as the balanced setup would have it: its rear is a little early
    const { store, apply, levers } = await withLevers('as-it-stands', (project) => {
      const [stock, balanced] = [project.setups[0], project.setups[3]!]
      for (const holder of ['front', 'rear', 'hydraulics'] as const) Object.assign(stock[holder], balanced[holder])
    })
    const advice = levers.value!.advice.find((one) => one.offers.some((offer) => offer.change.kind === 'part'))!
    const offer = advice.offers.find((one) => one.change.kind === 'part')!
    await apply(advice, offer)
    const made = store.current.setups[1]!
    const chosen = [...Object.values(made.front), ...Object.values(made.rear), ...Object.values(made.hydraulics)]
    expect(chosen).toEqual([(offer.change as { partId: string }).partId])
  })
  test('bores follow what is asked of them', async () => {
    const { bores, withoutBooster, mostForceN } = await withLevers('as-it-stands')
    const force = () => bores.value!.tandem.find((row) => row.boreMm === 19.05)!.pedalForceN
    const first = force()
    withoutBooster.value = true
    await until(() => force() !== first, 'bores without the booster')
    expect(force()).toBeGreaterThan(2 * first)
    mostForceN.value = 450
    await until(
      () => bores.value!.tandem.some((row) => row.pedalForceN < 300 && !row.reasons.includes('pedal too light')),
      'bores under 450 N',
    )
  })
})
