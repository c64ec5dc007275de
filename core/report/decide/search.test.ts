import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { DEMO_PROJECT } from '../../demo/project.ts'
import { bruteSearch } from '../../testing/brute-search.ts'
import { seeded, withCatalogue } from '../../demo/catalogue.ts'
import type { Part, Project } from '../../model/project.ts'
import { evaluate } from '../evaluate.ts'
import { heatBrief } from '../heat/heat-brief.ts'
import { fullLook } from './full-look.ts'
import { search } from './search.ts'
import { setupFromFind } from './take-find.ts'
import { CRITERION_IDS, DEFAULT_ASK, type SearchAsk } from './space.ts'

/** The demo's car with some parts of its library and of a catalogue beside it, some figures of them taken away. */
function small(seed: number): Project {
  const random = seeded(seed)
  const kinds = ['caliper', 'rotor', 'pad', 'hose', 'bracket', 'valve', 'spacer', 'wheel'] as const
  const [stock] = DEMO_PROJECT.setups
  const ids = new Set<unknown>([...Object.values(stock.front), ...Object.values(stock.rear), ...Object.values(stock.hydraulics)])
  const fitted = DEMO_PROJECT.parts.filter((part) => ids.has(part.id))
  const others = [
    ...DEMO_PROJECT.parts.filter((part) => !ids.has(part.id)),
    ...withCatalogue(60, seed).parts.filter((part) => part.id.startsWith('cat-')),
  ]
  const most = { caliper: 2, rotor: 2, pad: 2, hose: 1, bracket: 1, valve: 1, spacer: 1, wheel: 1 }
  const chosen = kinds.flatMap((kind) => {
    const of = others.filter((part) => part.kind === kind)
    return Array.from({ length: most[kind] }, () => of[Math.floor(random() * of.length)]!)
  })
  const bare = (part: Part): Part => {
    const copy = structuredClone(part) as Part & Record<string, unknown>
    for (const field of ['price', 'massKg', 'friction', 'ventilation', 'tallestRadiusMm', 'offsetMm'])
      if (random() < 0.06) Reflect.deleteProperty(copy, field)
    return copy
  }
  const parts = [...new Map(chosen.map((part) => [part.id, bare(part)])).values()]
  return { ...DEMO_PROJECT, parts: [...fitted, ...parts], setups: [stock], bundles: [], fitReports: [] }
}
test('a find looked at in full is what the report says of the setup it becomes, near to what the search said of it', () => {
  const ask = { ...DEFAULT_ASK, setupId: 'as-it-stands' }
  const { finds } = search(DEMO_PROJECT, ask)
  expect(finds.length).toBeGreaterThan(3)
  for (const find of finds.slice(0, 6)) {
    const look = fullLook(DEMO_PROJECT, ask, find)
    const setup = setupFromFind(DEMO_PROJECT, ask, find, 'taken')
    const project = { ...DEMO_PROJECT, setups: [...DEMO_PROJECT.setups, setup] } as Project
    const { verdict, figures } = evaluate(project, 'taken')
    expect([look.verdict, look.gapMm]).toEqual([verdict, Math.min(figures['front.gap'].value!, figures['rear.gap'].value!)])
    expect(look.heat).toEqual(heatBrief(project, 'taken'))
    if (find.values.gap !== undefined) expect(Math.abs(look.gapMm! - find.values.gap)).toBeLessThan(0.3)
  }
})

const anyAsk = fc.record({
  vary: fc.record({ front: fc.boolean(), rear: fc.boolean(), wheel: fc.boolean(), hydraulics: fc.boolean() }),
  musts: fc.record({
    known: fc.boolean(),
    noPieces: fc.boolean(),
    clears: fc.boolean(),
    frontFirst: fc.boolean(),
    pedal: fc.boolean(),
    parkingBrake: fc.boolean(),
    budgetMinor: fc.option(fc.integer({ min: 0, max: 90_000 }), { nil: undefined }),
  }),
  by: fc.subarray([...CRITERION_IDS], { minLength: 1 }),
})
const plain = (finds: readonly { parts: object }[]) => finds.map(({ parts }) => JSON.stringify(Object.entries(parts).sort())).sort()

describe('a search', () => {
  test('finds what all against all finds, unknowns and ties too', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), anyAsk, (seed, more) => {
        const { budgetMinor, ...musts } = more.musts
        const ask: SearchAsk = {
          ...DEFAULT_ASK,
          ...more,
          setupId: 'as-it-stands',
          musts: { ...musts, ...(budgetMinor === undefined ? {} : { budgetMinor }) },
        }
        // both axles at once are too many for all against all
        if (ask.vary.front && ask.vary.rear) ask.vary.rear = false
        const project = small(seed)
        const brute = bruteSearch(project, ask)
        const found = search(project, ask)
        expect(plain(found.finds)).toEqual(plain(brute.finds).slice(0, found.more > 0 ? undefined : brute.finds.length))
        expect(found.counts.together).toBe(brute.together)
        for (const one of found.finds) {
          const same = brute.finds.find(
            (other) => JSON.stringify(Object.entries(other.parts).sort()) === JSON.stringify(Object.entries(one.parts).sort()),
          )!
          expect(one.values).toEqual(same.values)
          expect(one.verdict).toBe(same.verdict)
        }
      }),
      { numRuns: 12 },
    )
  })
})
