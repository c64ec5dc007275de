import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { DEMO_PROJECT } from '../demo/project.ts'
import { bruteSearch } from '../testing/brute-search.ts'
import { seeded, withCatalogue } from '../demo/catalogue.ts'
import type { Bundle } from '../records/bundle.ts'
import type { Part } from '../records/part.ts'
import type { Project } from '../records/project.ts'
import type { Setup } from '../records/setup.ts'
import { evaluate } from '../evaluate/evaluate.ts'
import { heatBrief } from '../heat/heat-brief.ts'
import { evaluateInFull } from './full-evaluation.ts'
import { search } from './search.ts'
import { setupFromResult } from './apply-result.ts'
import { SEARCH_CRITERIA, setupCriteria } from './criteria.ts'
import { DEFAULT_QUERY, spaceOf, type SearchQuery } from './search-space.ts'
import { runs } from '../testing/runs.ts'

const price = (likelyMinor: number) => ({
  lowMinor: likelyMinor,
  likelyMinor,
  highMinor: likelyMinor,
  currency: 'EUR' as const,
  pieces: 1,
})

/**
 * The demo's car with some parts of its library and of a catalogue beside it, some figures of them taken away, and kits of
 * them at random: so few that all combinations can be looked at one by one.
 */
function small(seed: number, askOf: (project: Project) => SearchQuery): { project: Project; ask: SearchQuery } {
  const random = seeded(seed)
  const kinds = ['caliper', 'rotor', 'pad', 'hose', 'bracket', 'valve', 'spacer', 'wheel', 'masterCylinder', 'booster'] as const
  const [stock] = DEMO_PROJECT.setups
  const ids = new Set<unknown>([...Object.values(stock.front), ...Object.values(stock.rear), ...Object.values(stock.hydraulics)])
  const fitted = DEMO_PROJECT.parts.filter((part) => ids.has(part.id))
  const others = [
    ...DEMO_PROJECT.parts.filter((part) => !ids.has(part.id)),
    ...withCatalogue(60, seed).parts.filter((part) => part.id.startsWith('cat-')),
  ]
  const most = { caliper: 2, rotor: 2, pad: 2, hose: 1, bracket: 1, valve: 1, spacer: 1, wheel: 1, masterCylinder: 1, booster: 1 }
  const chosen = kinds.flatMap((kind) => {
    const of = others.filter((part) => part.kind === kind)
    return of.length === 0 ? [] : Array.from({ length: most[kind] }, () => of[Math.floor(random() * of.length)]!)
  })
  const bare = (part: Part): Part => {
    const copy = structuredClone(part) as Part & Record<string, unknown>
    for (const field of ['price', 'massKg', 'friction', 'ventilation', 'tallestRadiusMm', 'offsetMm'])
      if (random() < 0.06) Reflect.deleteProperty(copy, field)
    // some are sold in packs, which both axles may share
    if (copy.price && random() < 0.3) copy.price.pieces = random() < 0.5 ? 4 : 3
    return copy
  }
  const parts = [...new Map(chosen.map((part) => [part.id, bare(part)])).values()]
  const bundles = (of: readonly Part[]): Bundle[] =>
    [1, 2, 3].map((n) => ({
      id: `kit-${n}`,
      kind: 'kit',
      name: `Kit ${n}`,
      axle: random() < 0.8 ? 'front' : 'rear',
      parts: of.filter((part) => part.kind !== 'wheel' && random() < (part.kind === 'masterCylinder' ? 0.3 : 0.5)).map((part) => part.id),
      ...(random() < 0.8 ? { price: price(Math.round(30_000 * random())) } : {}),
    }))
  // sometimes the car has two cylinders already, their bar off its middle
  const twin = others.find((part) => part.kind === 'masterCylinder' && part.construction === 'twin')!
  const setup = structuredClone(stock)
  if (random() < 0.25) {
    fitted.push(twin)
    Object.assign(setup.hydraulics, { masterCylinder: twin.id, booster: null, barFrontShare: { value: 0.56, origin: 'estimated' } })
  }
  // other setups that share their fluid and washers, one of them with something of its own
  const beside: Setup[] = Array.from({ length: Math.floor(3 * random()) }, (_, i) => ({
    ...{ id: `beside-${i}`, name: 'Beside', front: {}, rear: {}, hydraulics: {} },
    extras: [...DEMO_PROJECT.setups[1]!.extras, ...(i === 0 ? [] : [{ id: 'own', label: 'Own line', quantity: 2, price: price(700) }])],
  }))
  for (;;) {
    const project: Project = {
      ...DEMO_PROJECT,
      parts: withoutTwice([...fitted, ...parts]),
      setups: [setup, ...beside],
      bundles: bundles(parts),
      fitReports: [],
    }
    const ask = askOf(project)
    const { options } = spaceOf(project, ask)
    const combinations = Object.entries(options).reduce((all, [place, of]) => (place === 'rear.wheel' ? all : all * of.length), 1)
    if (combinations <= MOST_COMBINATIONS) return { project, ask }
    // of what is on the car alone there are as many, with both axles
    if (parts.length > 3 || !(ask.vary.rear || ask.vary.hydraulics || ask.vary.booster))
      parts.splice(Math.floor(random() * parts.length), 1)
    else if (ask.vary.front && ask.vary.rear) ask.vary.rear = false
    else Object.assign(ask.vary, { hydraulics: false, booster: false })
  }
}
const MOST_COMBINATIONS = 100
const withoutTwice = (parts: readonly Part[]): Part[] => [...new Map(parts.map((part) => [part.id, part])).values()]

test('a find looked at in full is what the report says of the setup it becomes, near to what the search said of it', () => {
  const ask = { ...DEFAULT_QUERY, setupId: 'as-it-stands' }
  const { finds } = search(DEMO_PROJECT, ask)
  expect(finds.length).toBeGreaterThan(3)
  for (const find of finds.slice(0, 6)) {
    const look = evaluateInFull(DEMO_PROJECT, ask, find)
    const setup = setupFromResult(DEMO_PROJECT, ask, find, 'taken')
    const project = { ...DEMO_PROJECT, setups: [...DEMO_PROJECT.setups, setup] } as Project
    const { verdict, figures } = evaluate(project, 'taken')
    expect([look.verdict, look.gapMm]).toEqual([verdict, Math.min(figures['front.gap'].value!, figures['rear.gap'].value!)])
    expect(look.heat).toEqual(heatBrief(project, 'taken'))
    if (find.values.gap !== undefined) expect(Math.abs(look.gapMm! - find.values.gap)).toBeLessThan(0.3)
  }
})

describe('one definition of each criterion', () => {
  /** What a search says of its results, against what the comparison says of the setups that they become. */
  const held = (project: Project, ask: SearchQuery) => {
    let compared = 0
    for (const find of search(project, ask).finds.slice(0, 4)) {
      const setup = setupFromResult(project, ask, find, 'taken')
      const taken = { ...project, setups: [...project.setups, setup] } as Project
      const values = setupCriteria(taken, evaluate(taken, 'taken'), undefined)
      for (const id of SEARCH_CRITERIA) {
        const [said, { value, bound }] = [find.values[id], values[id]]
        // what is only a bound, or what a sheet of the wheel alone tells, the report may leave open
        if (said === undefined || value === undefined || bound) continue
        const near = { cost: 0.5, heat: 1e-6, gap: 0.3, bias: 1e-6, mass: 1e-9, pedal: 1e-6 }[id]
        expect([id, find.parts, Math.abs(said - value) <= near, said, value]).toEqual([id, find.parts, true, said, value])
        compared += 1
      }
    }
    return compared
  }
  test('in the demo, from every setup', () => {
    for (const { id } of DEMO_PROJECT.setups)
      for (const hydraulics of [false, true])
        expect(held(DEMO_PROJECT, { ...DEFAULT_QUERY, setupId: id, vary: { ...DEFAULT_QUERY.vary, hydraulics } })).toBeGreaterThan(10)
  })
  test('in libraries at random, with any aim of the balance', () => {
    let compared = 0
    for (let seed = 1; seed <= runs(12, 200); seed += 1) {
      const asked: SearchQuery = {
        ...DEFAULT_QUERY,
        setupId: 'as-it-stands',
        vary: { front: true, rear: seed % 2 === 0, wheel: false, hydraulics: seed % 3 === 0, booster: false },
        musts: { ...DEFAULT_QUERY.musts, known: false, clears: false, frontFirst: false },
      }
      const { project, ask } = small(seed, ({ setups }) => Object.assign(asked, { setupId: setups[seed % setups.length]!.id }))
      const biasAim = (['load', 'present', 'fixed'] as const)[seed % 3]!
      compared += held({ ...project, preferences: { ...project.preferences, biasAim, biasAimShare: 0.7 } }, ask)
    }
    expect(compared).toBeGreaterThan(60)
  })
})

test('fluid and washers are in the price, but for the car with nothing changed', () => {
  const both = DEMO_PROJECT.setups[1]!.extras.reduce((sum, { price: one, quantity }) => sum + one!.likelyMinor * quantity, 0)
  const { finds } = search(DEMO_PROJECT, { ...DEFAULT_QUERY, setupId: 'as-it-stands' })
  const unchanged = finds.find((find) => Object.keys(find.parts).length === 0)
  expect(unchanged?.values.cost ?? 0).toBe(0)
  const alone = { ...DEMO_PROJECT, setups: [DEMO_PROJECT.setups[0]] } as Project
  const costOf = (project: Project) =>
    new Map(
      search(project, { ...DEFAULT_QUERY, setupId: 'as-it-stands' }).finds.map((find) => [JSON.stringify(find.parts), find.values.cost]),
    )
  const bare = costOf(alone)
  const dearer = [...costOf(DEMO_PROJECT)].filter(([parts]) => parts !== '{}' && bare.has(parts))
  expect(dearer.length).toBeGreaterThan(3)
  for (const [parts, minor] of dearer) expect(minor).toBe(bare.get(parts)! + both)
})

test('with the booster left out no find asks for more than a foot can press, where the report would say that it blocks', () => {
  for (const { id } of DEMO_PROJECT.setups) {
    const vary = { front: true, rear: false, wheel: false, hydraulics: false, booster: true }
    const ask: SearchQuery = { ...DEFAULT_QUERY, setupId: id, vary, by: ['cost'], musts: { ...DEFAULT_QUERY.musts, known: false } }
    const { finds, dropped } = search(DEMO_PROJECT, ask)
    expect(finds.map((find) => evaluateInFull(DEMO_PROJECT, ask, find).verdict)).not.toContain('blocked')
    expect(finds.some(({ parts }) => parts.booster === null)).toBe(false)
    // from the current car nothing is cheaper than no change at all, so that the rest is not looked at
    if (id !== 'as-it-stands') expect(dropped.map((one) => one.title)).toContain('Pedal force without booster')
  }
})

const anyAsk = fc.record({
  vary: fc.record({ front: fc.boolean(), rear: fc.boolean(), wheel: fc.boolean(), hydraulics: fc.boolean(), booster: fc.boolean() }),
  musts: fc.record({
    known: fc.boolean(),
    noPieces: fc.boolean(),
    clears: fc.boolean(),
    frontFirst: fc.boolean(),
    pedal: fc.boolean(),
    parkingBrake: fc.boolean(),
    budgetMinor: fc.option(fc.integer({ min: 0, max: 90_000 }), { nil: undefined }),
  }),
  wholeKits: fc.boolean(),
  by: fc.subarray([...SEARCH_CRITERIA], { minLength: 1 }),
})
const plain = (finds: readonly { parts: object }[]) => finds.map(({ parts }) => JSON.stringify(Object.entries(parts).sort())).sort()

describe('a search', () => {
  test('finds what all against all finds by plain arithmetic, unknowns and ties too', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), anyAsk, (seed, more) => {
        const { budgetMinor, ...musts } = more.musts
        const { project, ask } = small(seed, () => ({
          ...DEFAULT_QUERY,
          ...more,
          setupId: 'as-it-stands',
          musts: { ...musts, ...(budgetMinor === undefined ? {} : { budgetMinor }) },
        }))
        const brute = bruteSearch(project, ask)
        const found = search(project, ask)
        expect(plain(found.finds)).toEqual(plain(brute.finds).slice(0, found.more > 0 ? undefined : brute.finds.length))
        expect(found.counts.together).toBe(brute.together)
        for (const one of found.finds) {
          const same = brute.finds.find(
            (other) => JSON.stringify(Object.entries(other.parts).sort()) === JSON.stringify(Object.entries(one.parts).sort()),
          )!
          for (const id of SEARCH_CRITERIA) {
            const [found, plain] = [one.values[id], same.values[id]]
            if (found === undefined || plain === undefined) expect([id, found]).toEqual([id, plain])
            else expect([id, Math.abs(found - plain) < 1e-6 * Math.max(1, Math.abs(plain)), found, plain]).toEqual([id, true, found, plain])
          }
          expect([one.verdict, one.barFrontShare]).toEqual([same.verdict, same.barFrontShare])
          // the kits that it names make its price
          expect(same.costWith(one.kits)).toBe(one.values.cost)
        }
      }),
      { numRuns: runs(200, 40) },
    )
  })
})

test('a kit costs what it does whole where that is less, and is bought whole when the find is taken', () => {
  const ask: SearchQuery = {
    ...DEFAULT_QUERY,
    setupId: 'as-it-stands',
    vary: { front: true, rear: true, wheel: true, hydraulics: true, booster: true },
    wholeKits: true,
    musts: { ...DEFAULT_QUERY.musts, known: false, noPieces: false, clears: false, frontFirst: false },
    by: ['cost', 'heat'],
    only: { place: 'front.caliper', partId: 'kit4-caliper' },
  }
  const { finds, dropped } = search(DEMO_PROJECT, ask)
  const inKits = finds.filter((one) => one.kits.length > 0)
  expect(inKits.map((one) => one.kits)).toContainEqual(['kit-q4'])
  expect(dropped.some((one) => one.rule === 'whole-kits')).toBe(true)
  for (const find of finds) {
    const setup = setupFromResult(DEMO_PROJECT, ask, find, 'taken')
    expect(setup.taken ?? []).toEqual(find.kits)
    // what is of a kit or a donor came with all the rest of it
    for (const [place, id] of Object.entries(find.parts)) {
      const part = DEMO_PROJECT.parts.find((one) => one.id === id)
      const came = DEMO_PROJECT.bundles.filter((one) => one.axle === place.split('.')[0] && one.parts.includes(String(id)))
      if (!part || part.owned || came.length === 0) continue
      expect(
        came.some((one) =>
          one.parts.every((brought) => Object.values(setup[one.axle]).includes(brought) || fittedOn(one.axle).includes(brought)),
        ),
      ).toBe(true)
    }
    // the bill says what the search said: no pack of these is for both axles
    const { bill } = evaluate({ ...DEMO_PROJECT, setups: [...DEMO_PROJECT.setups, setup] } as Project, 'taken')
    expect(bill.total.likely).toBe(find.values.cost)
  }
})

test('a pack of four wheels is bought once for the whole car, as the parts list says', () => {
  const project = structuredClone(DEMO_PROJECT)
  const stock = project.parts.find((part) => part.id === project.setups[0].front.wheel)!
  project.parts.push({
    ...structuredClone(stock),
    id: 'pack-wheel',
    name: 'Wheels by four',
    owned: false,
    price: { ...price(40_000), pieces: 4 },
  })
  project.setups = [project.setups[0]]
  const ask: SearchQuery = {
    ...DEFAULT_QUERY,
    setupId: 'as-it-stands',
    vary: { front: false, rear: false, wheel: true, hydraulics: false, booster: false },
    musts: { ...DEFAULT_QUERY.musts, known: false, budgetMinor: 60_000 },
    by: ['cost'],
    only: { place: 'front.wheel', partId: 'pack-wheel' },
  }
  const [find] = search(project, ask).finds
  const setup = setupFromResult(project, ask, find!, 'taken')
  const { bill } = evaluate({ ...project, setups: [...project.setups, setup] } as Project, 'taken')
  expect([find!.values.cost, bill.total.likely]).toEqual([40_000 * (1 + project.preferences.taxPercent / 100), find!.values.cost])
  // beyond the budget by little it is among the near misses, at its true price
  const { near } = search(project, { ...ask, musts: { ...ask.musts, budgetMinor: 36_000 } })
  expect(near.map((one) => one.values.cost)).toEqual([find!.values.cost])
})

test('a kit of pads and a master cylinder costs what it does whole, and only with both of them', () => {
  const kit: Bundle = {
    id: 'both',
    kind: 'kit',
    name: 'Pads and cylinder',
    axle: 'front',
    parts: ['front-fast-pad', 'master-24'],
    price: price(100),
  }
  const project: Project = { ...DEMO_PROJECT, bundles: [kit] }
  const ask: SearchQuery = {
    ...DEFAULT_QUERY,
    setupId: 'as-it-stands',
    vary: { front: true, rear: false, wheel: false, hydraulics: true, booster: false },
    musts: { ...DEFAULT_QUERY.musts, known: false, clears: false, frontFirst: false },
    by: ['cost', 'pedal', 'heat', 'bias'],
    only: { place: 'front.pad', partId: 'front-fast-pad' },
  }
  const { finds } = search(project, ask)
  const bought = finds.filter((one) => one.kits.includes('both'))
  expect(bought.length).toBeGreaterThan(0)
  for (const find of finds) {
    expect(find.kits.includes('both')).toBe(find.parts.masterCylinder === 'master-24')
    const setup = setupFromResult(project, ask, find, 'taken')
    const { bill } = evaluate({ ...project, setups: [...project.setups, setup] } as Project, 'taken')
    expect(bill.total.likely).toBe(find.values.cost)
  }
})

test('the bar of cylinders that are there is set anew where hydraulics are searched for, and stays where they are not', () => {
  const twin = DEMO_PROJECT.parts.find((part) => part.kind === 'masterCylinder' && part.construction === 'twin')!
  const project = structuredClone(DEMO_PROJECT)
  const [stock] = project.setups
  Object.assign(stock.hydraulics, { masterCylinder: twin.id, booster: null, barFrontShare: { value: 0.4, origin: 'measured' } })
  const asked = (hydraulics: boolean): SearchQuery => ({
    ...DEFAULT_QUERY,
    setupId: stock.id,
    vary: { front: true, rear: false, wheel: false, hydraulics, booster: false },
    musts: { ...DEFAULT_QUERY.musts, known: false, clears: false, frontFirst: false },
    by: ['bias', 'cost'],
  })
  const stays = search(project, asked(false)).finds
  expect(stays.length).toBeGreaterThan(0)
  expect(stays.every((one) => one.barFrontShare === undefined)).toBe(true)
  const [best] = search(project, asked(true)).finds
  expect(best!.values.bias).toBeLessThan(stays[0]!.values.bias!)
  const setup = setupFromResult(project, asked(true), best!, 'taken')
  const { figures } = evaluate({ ...project, setups: [...project.setups, setup] } as Project, 'taken')
  expect(figures['bias.road'].value).toBeCloseTo(best!.frontShare!, 6)
})
const fittedOn = (axle: 'front' | 'rear') => Object.values(DEMO_PROJECT.setups[0][axle]) as unknown[]

test('two cylinders come with their bar set to the share that is aimed at, and brake so when they are taken', () => {
  const ask: SearchQuery = {
    ...DEFAULT_QUERY,
    setupId: 'as-it-stands',
    vary: { front: false, rear: false, wheel: false, hydraulics: true, booster: true },
    musts: { ...DEFAULT_QUERY.musts, pedal: true },
    by: ['bias', 'cost'],
  }
  const twins = new Set(
    DEMO_PROJECT.parts.flatMap((part) => (part.kind === 'masterCylinder' && part.construction === 'twin' ? part.id : [])),
  )
  const pairs = search(DEMO_PROJECT, ask).finds.filter((one) => twins.has(String(one.parts.masterCylinder)))
  expect(pairs.length).toBeGreaterThan(0)
  for (const find of pairs) {
    expect(find.values.bias).toBeLessThan(0.004)
    const setup = setupFromResult(DEMO_PROJECT, ask, find, 'taken')
    expect(setup.hydraulics.barFrontShare?.value).toBe(find.barFrontShare)
    const { figures, verdict } = evaluate({ ...DEMO_PROJECT, setups: [...DEMO_PROJECT.setups, setup] } as Project, 'taken')
    expect(figures['bias.road'].value).toBeCloseTo(find.frontShare!, 6)
    expect(verdict).toBe(find.verdict)
  }
})
