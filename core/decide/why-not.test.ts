import { describe, expect, test } from '@jest/globals'
import { DEMO_PROJECT } from '../demo/project.ts'
import { evaluate } from '../evaluate/evaluate.ts'
import type { Project } from '../records/project.ts'
import { readQuery } from './read-query.ts'
import { search } from './search.ts'
import { DEFAULT_QUERY, type SearchQuery } from './search-space.ts'
import { setupFromResult } from './apply-result.ts'
import { whyNot } from './why-not.ts'

const ask: SearchQuery = { ...DEFAULT_QUERY, setupId: 'as-it-stands' }
const budget: SearchQuery = { ...ask, musts: { ...ask.musts, budgetMinor: 50_000 } }

describe('a find', () => {
  const wide: SearchQuery = {
    ...ask,
    vary: { front: true, rear: true, wheel: true, hydraulics: true, booster: true },
    musts: { ...ask.musts, clears: false },
  }
  const { finds } = search(DEMO_PROJECT, wide)
  test('taken as a setup is what was said of it', () => {
    expect(finds.length).toBeGreaterThan(3)
    for (const find of finds.slice(0, 20)) {
      const setup = setupFromResult(DEMO_PROJECT, wide, find, 'found')
      const project = { ...DEMO_PROJECT, setups: [...DEMO_PROJECT.setups, setup] } as Project
      const { figures, verdict, bill } = evaluate(project, 'found')
      expect(verdict).not.toMatch(/blocked|unknown|needs/)
      if (find.values.cost !== undefined) expect(bill.total.likely).toBeLessThanOrEqual(find.values.cost)
      const rise = Math.max(figures['front.heat'].value!, figures['rear.heat'].value!)
      expect(find.values.heat).toBeCloseTo(rise, 9)
      expect(find.frontShare).toBeCloseTo(figures['bias.road'].value!, 9)
      expect(find.pedalN).toBeCloseTo(figures['pedal.force'].value!, 6)
    }
  })
  test('keeps what must hold', () => {
    for (const { values } of search(DEMO_PROJECT, budget).finds) expect(values.cost).toBeLessThanOrEqual(50_000)
    const owned = search(DEMO_PROJECT, { ...ask, onHand: true })
    const mine = new Set(DEMO_PROJECT.parts.flatMap((part) => (part.owned ? [part.id] : [])))
    for (const { parts } of owned.finds) for (const id of Object.values(parts)) expect(id === null || mine.has(id)).toBe(true)
  })
})

describe('why a part is not among them', () => {
  const result = search(DEMO_PROJECT, budget)
  test('the dear kit goes together, and ends at the budget', () => {
    const why = whyNot(DEMO_PROJECT, budget, 'kit4-caliper', result)
    expect(why).toMatchObject({ fails: [], place: 'front caliper or drum brake', best: undefined })
    expect(why.ends.map((one) => one.rule)).toContain('budget')
    expect(why.sentence).toMatch(/no combination with it meets every requirement: .*budget/)
    // with as much as is said something with it keeps all that must hold, with less nothing does
    const costs = Number(/meets the rest costs [^\d]*([\d.]+)/.exec(why.sentence.replaceAll(/(?<=\d)[\s,](?=\d)/g, ''))![1])
    const withIt = (euros: number) =>
      search(DEMO_PROJECT, {
        ...budget,
        musts: { ...budget.musts, budgetMinor: Math.round(euros * 100) },
        only: { place: 'front.caliper', partId: 'kit4-caliper' },
      }).finds.length
    expect([withIt(costs) > 0, withIt(costs - 0.01)]).toEqual([true, 0])
  })
  test('a part that comes cheapest in a kit is held by the price of the kit', () => {
    const wide = { ...ask, by: ['cost', 'heat'] as const, wholeKits: true, musts: { ...ask.musts, frontFirst: false, clears: false } }
    const asked: SearchQuery = { ...wide, by: [...wide.by] }
    const why = whyNot(DEMO_PROJECT, asked, 'kit4-pad', search(DEMO_PROJECT, asked))
    expect(why.best?.kits).toEqual(['kit-q4'])
    expect(why.winsInKit).toBe('kit-q4')
    expect(why.sentence).toContain('if Kit Q4, front cost less')
    const at = (likelyMinor: number): Project => ({
      ...DEMO_PROJECT,
      bundles: DEMO_PROJECT.bundles.map((one) =>
        one.id === 'kit-q4' ? { ...one, price: { ...one.price!, lowMinor: 0, likelyMinor } } : one,
      ),
    })
    const among = (project: Project) => search(project, asked).finds.some((one) => Object.values(one.parts).includes('kit4-pad'))
    expect([among(at(why.winsAtMinor!)), among(DEMO_PROJECT)]).toEqual([true, false])
  })
  test('what stands in the way of one that does not go is named, and it is as few as can be', () => {
    const why = whyNot(DEMO_PROJECT, budget, 'harrow-front-caliper', result)
    expect(why.fails.length).toBeGreaterThan(0)
    expect(why.fails.every((one) => one.title !== '' && one.sentence !== '')).toBe(true)
    expect(why.best).toBeUndefined()
  })
  test('at the price that is named it wins', () => {
    const twin = (likelyMinor: number): Project => {
      const pad = DEMO_PROJECT.parts.find((one) => one.id === 'rear-fast-pad')!
      return {
        ...DEMO_PROJECT,
        parts: [...DEMO_PROJECT.parts, { ...pad, id: 'twin', price: { ...pad.price!, lowMinor: 0, likelyMinor, highMinor: 20_000 } }],
      }
    }
    const dear = twin(12_000)
    const { best, winsAtMinor, sentence } = whyNot(dear, ask, 'twin', search(dear, ask))
    expect([best!.values.cost, sentence]).toEqual([12_000 + 3_400, expect.stringMatching(/among the results if it cost less/)])
    const ids = (project: Project) => search(project, ask).finds.flatMap((one) => Object.values(one.parts))
    expect(ids(dear)).not.toContain('twin')
    expect(ids(twin(winsAtMinor!))).toContain('twin')
    expect(ids(twin(winsAtMinor! + 2))).not.toContain('twin')
  })
  test('a part of another place, and one that is not there', () => {
    expect(whyNot(DEMO_PROJECT, ask, 'stock-fluid', result).sentence).toMatch(/fits no place/)
    expect(() => whyNot(DEMO_PROJECT, ask, 'nowhere', result)).toThrow(/no part nowhere/)
  })
})

describe('what is asked from outside', () => {
  test('is filled up with what is usual', () => {
    expect(readQuery(undefined, DEMO_PROJECT)).toEqual({ ok: true, ask })
    expect(readQuery({ musts: { budgetMinor: 50_000 } }, DEMO_PROJECT)).toEqual({ ok: true, ask: budget })
  })
  test.each<[unknown, string]>([
    [7, 'ask must be an object'],
    [{ by: ['beauty'] }, 'ask.by[0] must be among cost, heat, gap, bias, mass, pedal'],
    [{ by: ['cost', 'cost'] }, 'ask.by names a criterion twice'],
    [{ vary: { front: 'yes' } }, 'ask.vary.front must be true or false'],
    [{ musts: { budgetMinor: -1 } }, 'ask.musts.budgetMinor must not be negative'],
    [{ setupId: 'nowhere' }, 'ask.setupId names the setup nowhere, which is not in the project'],
    [{ also: 1 }, 'ask has a field that this version does not know: also'],
  ])('%j: %s', (value, message) => {
    const read = readQuery(value, DEMO_PROJECT)
    expect(read.ok ? '' : `${read.problems[0]!.path} ${read.problems[0]!.message}`).toBe(message)
  })
})
