import { expect, test } from '@jest/globals'
import { DEMO_PROJECT } from '../demo/project.ts'
import { seeded } from '../demo/catalogue.ts'
import { resolveSetup } from '../records/resolve.ts'
import { gapAsItIs } from '../clearance/corner.ts'
import { factsOf } from '../fit/fit-check.ts'
import { AXLE_RULES, ruledBy } from './rejections.ts'
import { DependencyMemo } from './dependency-memo.ts'
import { AXLE_ORDER, DEFAULT_QUERY, setupOf, spaceOf, type Assignment, type SlotId } from './search-space.ts'

const space = spaceOf(DEMO_PROJECT, { ...DEFAULT_QUERY, setupId: 'as-it-stands', vary: { ...DEFAULT_QUERY.vary, wheel: true } })
const places = Object.keys(space.options) as SlotId[]

test('what is remembered of a combination is what is found of the setup that it makes', () => {
  const readings = new DependencyMemo(space)
  const rules = AXLE_RULES.map((rule) => ({ rule, of: readings.remember((_, facts) => ruledBy(rule, facts.front)) }))
  const gap = readings.remember((context) => gapAsItIs(context, 'front'))
  const random = seeded(12)
  for (let turn = 0; turn < 40; turn += 1) {
    const filling = Object.fromEntries(
      places.map((place) => [place, space.options[place][Math.floor(random() * space.options[place].length)]]),
    ) as Assignment
    // one wheel for the whole car
    filling['rear.wheel'] = filling['front.wheel']
    const setup = setupOf(space, filling, 'search', 'Search')
    const resolved = resolveSetup(DEMO_PROJECT, setup)
    const facts = factsOf({ project: DEMO_PROJECT, setup, isStock: false, resolved }, 'front')
    for (const { rule, of } of rules) expect([rule.id, of(filling)!.value]).toEqual([rule.id, ruledBy(rule, facts)])
    expect(gap(filling)!.value).toEqual(gapAsItIs({ project: DEMO_PROJECT, setup, isStock: false, resolved }, 'front'))
  }
})

test('it is computed once for each set of what it read, and not before all of that is there', () => {
  const readings = new DependencyMemo(space)
  let times = 0
  const pistons = readings.remember(({ resolved }) => {
    times += 1
    const { caliper, rotor } = resolved.front
    return caliper?.kind === 'caliper' ? `${caliper.id} ${rotor?.id}` : 'no caliper'
  })
  const [one, two] = space.options['front.caliper'].filter((part) => part?.kind === 'caliper')
  const [disc] = space.options['front.rotor']
  expect(pistons({})).toBeUndefined()
  expect(pistons({ 'front.caliper': one })).toBeUndefined()
  expect(pistons({ 'front.caliper': one, 'front.rotor': disc })!.value).toBe(`${one!.id} ${disc!.id}`)
  expect(pistons({ 'front.caliper': two, 'front.rotor': disc })!.value).toBe(`${two!.id} ${disc!.id}`)
  const before = times
  for (const pad of space.options['front.pad'])
    expect(pistons({ 'front.pad': pad, 'front.caliper': one, 'front.rotor': disc })!.value).toBe(`${one!.id} ${disc!.id}`)
  expect(times).toBe(before)
  // nothing on purpose is something that is there
  expect(pistons({ 'front.caliper': null, 'front.rotor': disc })!.value).toBe('no caliper')
  expect(AXLE_ORDER).toContain('caliper')
})

test('a fault of what is computed is its own, not "not yet"', () => {
  const broken = new DependencyMemo(space).remember(() => {
    throw new RangeError('broken')
  })
  expect(() => broken({})).toThrow('broken')
})
