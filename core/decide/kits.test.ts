import { expect, test } from '@jest/globals'
import { DEMO_PROJECT } from '../demo/project.ts'
import type { Bundle } from '../records/bundle.ts'
import type { Part } from '../records/part.ts'
import type { Project } from '../records/project.ts'
import type { Assignment, SlotId } from './assignment.ts'
import { brings, cameWhole, kitsFor, leastWithKits, mayComeWhole } from './kits.ts'

const part = (id: string): Part => DEMO_PROJECT.parts.find((one) => one.id === id)!
const filling: Assignment = {
  'front.caliper': part('kit4-caliper'),
  'front.bracket': part('kit-bracket'),
  'front.rotor': part('kit4-rotor'),
  'front.pad': part('kit4-pad'),
  'front.hose': part('braided-front-hose'),
}
const places = Object.keys(filling) as SlotId[]
const own = (prices: Partial<Record<SlotId, number>>) => (place: SlotId) => prices[place]
const dear = own({ 'front.caliper': 500, 'front.bracket': 100, 'front.rotor': 200, 'front.pad': 90, 'front.hose': 50 })
const kits = kitsFor(DEMO_PROJECT, 'front').map((kit) => ({ ...kit, minor: kit.bundle.id === 'kit-q4' ? 800 : kit.minor && 30 }))

test('a brake costs the least of its parts alone and the kits that are in it whole', () => {
  expect(leastWithKits(kits, filling, places, dear)).toEqual({ minor: 800, kits: ['kit-q4'] })
  // cheaper alone: only the hose is bought as the kit that it is
  const cheap = own({ 'front.caliper': 300, 'front.bracket': 100, 'front.rotor': 200, 'front.pad': 90, 'front.hose': 50 })
  expect(leastWithKits(kits, filling, places, cheap)).toEqual({ minor: 720, kits: ['kit-hoses'] })
  // what has no price alone has one in the kit; without the kit nothing is known
  const unpriced = own({ 'front.caliper': 300, 'front.hose': 50 })
  expect(leastWithKits(kits, filling, places, unpriced)).toEqual({ minor: 800, kits: ['kit-q4'] })
  const other = { ...filling, 'front.pad': part('front-fast-pad') }
  expect(leastWithKits(kits, other, places, unpriced)).toEqual({ minor: undefined, kits: [] })
})

test('any number of kits of one brake is weighed against each other: as every choice among them would be', () => {
  let seed = 5
  const random = () => (seed = (seed * 48271) % 2147483647) / 2147483647
  const bundle = (id: string): Bundle => ({ id, kind: 'kit', name: id, axle: 'front', parts: [] })
  for (let turn = 0; turn < 60; turn += 1) {
    const many = Array.from({ length: 9 }, (_, i) => ({
      bundle: bundle(`kit-${i}`),
      places: places.filter(() => random() < 0.45).map((place) => [place, filling[place]!] as const),
      minor: random() < 0.1 ? undefined : Math.round(random() * 400),
      spans: false,
    })).filter((kit) => kit.places.length > 0)
    const price = Object.fromEntries(places.map((place) => [place, random() < 0.15 ? undefined : Math.round(random() * 300)]))
    let least = Infinity
    for (let choice = 0; choice < 2 ** many.length; choice += 1) {
      const chosen = many.filter((_, i) => choice & (1 << i))
      const filled = new Set(chosen.flatMap((kit) => kit.places.map(([place]) => place)))
      const minor =
        chosen.reduce((all, kit) => all + (kit.minor ?? NaN), 0) +
        places.reduce((all, place) => (filled.has(place) ? all : all + (price[place] ?? NaN)), 0)
      if (minor < least) least = minor
    }
    const found = leastWithKits(many, filling, places, (place) => price[place])
    expect(found.minor ?? Infinity).toBe(least)
    const named = many.filter((kit) => found.kits.includes(kit.bundle.id))
    const filled = new Set(named.flatMap((kit) => kit.places.map(([place]) => place)))
    const paid = named.reduce((all, kit) => all + kit.minor!, 0)
    if (found.minor !== undefined)
      expect(places.reduce((all, place) => (filled.has(place) ? all : all + price[place]!), paid)).toBe(found.minor)
  }
  // a shelf full of the same kit is no more work than one
  const whole = kits.find((kit) => kit.bundle.id === 'kit-q4')!
  const same = Array.from({ length: 400 }, (_, i) => ({ ...whole, bundle: bundle(`same-${i}`), minor: 700 + i }))
  expect(leastWithKits(same, filling, places, dear).kits).toEqual(['same-0'])
})

test('what is of a kit came whole when all the rest of some kit with it is there', () => {
  expect(cameWhole(kits, filling, places)).toBe(true)
  expect(cameWhole(kits, { ...filling, 'front.pad': part('front-fast-pad') }, ['front.caliper'])).toBe(false)
  // the hose is a kit of its own
  expect(cameWhole(kits, { 'front.hose': part('braided-front-hose') }, ['front.hose'])).toBe(true)
})

test('a kit with a master cylinder is whole only with it; an axle alone cannot tell', () => {
  const bundle: Bundle = { id: 'with-master', kind: 'kit', name: 'With a master', axle: 'front', parts: ['kit4-pad', 'master-24'] }
  const project: Project = { ...DEMO_PROJECT, bundles: [bundle] }
  const [kit] = kitsFor(project, 'front')
  const pads: Assignment = { 'front.pad': part('kit4-pad') }
  expect(mayComeWhole([kit!], 'front', pads, ['front.pad'])).toBe(true)
  expect(cameWhole([kit!], pads, ['front.pad'])).toBe(false)
  expect(cameWhole([kit!], { ...pads, masterCylinder: part('master-24') }, ['front.pad', 'masterCylinder'])).toBe(true)
  // its price is for more than the axle
  expect(kit!.spans).toBe(true)
})

test('two parts for one place are no kit that can be in whole; wheels of a kit may stand on both axles', () => {
  const two: Bundle = { id: 'two', kind: 'kit', name: 'Two pads', axle: 'front', parts: ['kit4-pad', 'kit2-pad'] }
  expect(kitsFor({ ...DEMO_PROJECT, bundles: [two] }, 'front')).toEqual([])
  const wheels: Bundle = { id: 'wheels', kind: 'kit', name: 'Wheels', axle: 'front', parts: ['winter-wheel'] }
  const [kit] = kitsFor({ ...DEMO_PROJECT, bundles: [wheels] }, 'front')
  expect(brings(kit!, 'rear.wheel', part('winter-wheel'))).toBe(true)
  expect(brings(kit!, 'rear.pad', part('kit4-pad'))).toBe(false)
})
