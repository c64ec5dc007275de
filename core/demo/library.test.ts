import { describe, expect, test } from '@jest/globals'
import { RULES } from '../fit/rules.ts'
import { projectProblems } from '../records/check.ts'
import type { Axle } from '../quantity/axle.ts'
import type { Setup } from '../records/setup.ts'
import { takeBundle } from '../commands/take-bundle.ts'
import { bundleOffers } from '../decide/bundle-offers.ts'
import { candidates } from '../whatif/candidates.ts'
import { evaluate } from '../evaluate/evaluate.ts'
import { DEMO_PROJECT } from './project.ts'

/**
 * The demo library against the demo car: what each part brings, written down with its reason. A part of the list that is
 * missing here, or one here that is gone, fails.
 */
type Expected = 'fits' | 'check' | 'needs' | 'unknown' | 'blocked'
const FRONT: Record<string, [Expected, string]> = {
  'stock-front-caliper': ['fits', 'is on the car'],
  'gt-front-caliper': ['fits', 'the same body with a larger piston'],
  'gt-wide-caliper': ['needs', 'its carrier is for 24 mm rotors; a caliper for 22 mm is among the parts'],
  'tarn-front-caliper': ['unknown', 'nobody measured its slot'],
  'estate-front-caliper': ['blocked', 'sits 0.8 mm off the disc, and no shim goes that way'],
  'harrow-front-caliper': ['blocked', 'for rotors of 25 mm and more'],
  'kit2-caliper': ['blocked', 'for rotors of 25 mm and more'],
  'kit4-caliper': ['blocked', 'for rotors of 23.5 mm and more'],
  'staggered-caliper': ['blocked', 'two left-hand ones, and for thicker rotors'],
  'stock-rear-caliper': ['blocked', 'for rotors of 9 mm'],
  'gt-rear-caliper': ['blocked', 'for rotors of 9 mm'],
  'r2-rear-caliper': ['blocked', 'for rotors of 9 mm'],
  'coupe-rear-caliper': ['blocked', 'for rotors of 9 mm'],
  'base-rear-drum': ['blocked', 'a banjo hose on a flare seat'],
  'kit-bracket': ['blocked', 'moves the caliper off the disc'],
  'harrow-bracket': ['blocked', 'moves the caliper off the disc'],
  'stock-front-rotor': ['fits', 'is on the car'],
  'slotted-front-rotor': ['fits', 'of the same size'],
  'gt-front-rotor': ['needs', '24 mm in a caliper for 22; the wide carrier is among the parts'],
  'estate-front-rotor': ['blocked', 'its ring begins further out than the pads reach'],
  'estate-thick-rotor': ['blocked', '28 mm thick: no caliper among the parts takes it'],
  'curved-rotor': ['blocked', 'both of one side'],
  'five-hole-rotor': ['blocked', 'five holes'],
  'kit2-rotor': ['blocked', 'its ring begins further out than the pads reach'],
  'kit4-rotor': ['blocked', 'its ring begins further out than the pads reach'],
  'stock-rear-rotor': ['blocked', 'another offset'],
  'r2-rear-rotor': ['blocked', 'another offset'],
  'stock-front-pad': ['fits', 'is on the car'],
  'front-fast-pad': ['fits', 'the same shape'],
  'front-track-pad': ['fits', 'the same shape'],
  'estate-front-pad': ['needs', 'another shape'],
  'kit2-pad': ['needs', 'another shape'],
  'kit4-pad': ['needs', 'another shape'],
  'q4-track-pad': ['needs', 'another shape'],
  'harrow-pad': ['needs', 'another shape, of one maker alone'],
  'stock-rear-pad': ['needs', 'another shape, and thin'],
  'rear-fast-pad': ['needs', 'another shape, and thin'],
  'stock-front-hose': ['fits', 'is on the car'],
  'braided-front-hose': ['fits', 'long enough, the same ends'],
  'short-front-hose': ['blocked', '12 mm short at full lock'],
  'flare-front-hose': ['blocked', 'mixed flare seats'],
  'stock-rear-hose': ['blocked', 'too short at full lock'],
  'braided-rear-hose': ['blocked', 'too short at full lock'],
  'spacer-3': ['fits', 'thread and register are left'],
  'spacer-5': ['needs', 'too little register is left'],
  'spacer-10': ['needs', 'no register is left'],
  'spacer-15': ['needs', 'no register is left, and too little thread'],
  'register-spacer': ['fits', 'carries a register of its own'],
  'club-wheel': ['fits', 'is on the car'],
  'hill-wheel': ['fits', 'clears'],
  'large-wheel': ['fits', 'clears'],
  'rally-wheel': ['fits', 'clears'],
  'winter-wheel': ['unknown', 'nobody measured its spoke back'],
  'gravel-wheel': ['blocked', '14 inch: its barrel hits'],
  'small-wheel': ['blocked', '13 inch: its barrel hits'],
  'five-hole-wheel': ['blocked', 'five holes'],
}
/** At the rear only what differs from "made for the front, or for the rear": pads, calipers and wheels of interest. */
const REAR: Record<string, [Expected, string]> = {
  'stock-rear-caliper': ['fits', 'is on the car'],
  'gt-rear-caliper': ['needs', 'its dust boots failed the inspection'],
  'r2-rear-caliper': ['blocked', 'the parking brake is lost'],
  'coupe-rear-caliper': ['blocked', 'an electric parking brake, the car has a lever'],
  'base-rear-drum': ['blocked', 'a banjo hose on a flare seat'],
  'rear-fast-pad': ['fits', 'the same shape'],
  'r2-rear-rotor': ['needs', '252 mm under pads for 232: another bracket'],
  'braided-rear-hose': ['fits', 'long enough, the same ends'],
  'short-front-hose': ['fits', 'longer than the rear path asks for'],
  'gravel-wheel': ['unknown', 'used, and not looked over'],
  'small-wheel': ['blocked', '13 inch: its barrel is too near'],
}

const found = { front: candidates(DEMO_PROJECT, 'as-it-stands', 'front'), rear: candidates(DEMO_PROJECT, 'as-it-stands', 'rear') }

test('the library is as rich as it should be, and in order', () => {
  expect(projectProblems(DEMO_PROJECT)).toEqual([])
  const { parts, bundles, fitReports } = DEMO_PROJECT
  expect(parts.length).toBeGreaterThanOrEqual(60)
  expect(bundles.filter((one) => one.kind === 'donor')).toHaveLength(6)
  expect(bundles.filter((one) => one.kind === 'kit')).toHaveLength(4)
  expect(parts.filter((one) => one.kind === 'wheel')).toHaveLength(8)
  expect(fitReports).toHaveLength(15)
})

describe('every candidate against the demo car', () => {
  test('the table for the front is complete', () => {
    expect(Object.keys(FRONT).sort()).toEqual(found.front.map((one) => one.partId).sort())
  })
  test.each(Object.entries(FRONT).map(([id, [worst, why]]) => [id, worst, why] as const))('front %s: %s, because %s', (id, worst) => {
    const one = found.front.find((candidate) => candidate.partId === id)!
    expect([one.worst, one.why]).toEqual([worst, worst === 'fits' ? '' : expect.stringMatching(/[.]$/)])
  })
  test.each(Object.entries(REAR).map(([id, [worst, why]]) => [id, worst, why] as const))('rear %s: %s, because %s', (id, worst) => {
    expect(found.rear.find((candidate) => candidate.partId === id)!.worst).toBe(worst)
  })
})

describe('the usual traps', () => {
  const verdict = (rule: string, axle: Axle, slots: Record<string, string>) => {
    const project = structuredClone(DEMO_PROJECT)
    Object.assign(project.setups[1]![axle], slots)
    return evaluate(project, 'estate-fronts').fit.find((one) => one.rule === rule && one.axle === axle)!
  }
  test.each<[string, string, Axle, Record<string, string>, Expected, RegExp]>([
    ['a rotor too thick for the slot', 'disc-thickness', 'front', { rotor: 'estate-thick-rotor' }, 'blocked', /28\.0/],
    ['vanes of one side', 'handedness', 'front', { rotor: 'curved-rotor' }, 'blocked', /of one side/],
    ['staggered calipers of one side', 'handedness', 'front', { caliper: 'staggered-caliper' }, 'blocked', /staggered/],
    ['mixed flare seats', 'hose-line-end', 'front', { hose: 'flare-front-hose' }, 'blocked', /double flare on a bubble flare/],
    ['a parking brake lost', 'parking-brake', 'rear', { caliper: 'r2-rear-caliper' }, 'blocked', /parking brake is required/],
    ['a hose 12 mm short at full lock', 'hose-length', 'front', { hose: 'short-front-hose' }, 'blocked', /12\.0.mm short/],
    [
      'a carrier for a thicker rotor',
      'disc-thickness',
      'front',
      { caliper: 'gt-front-caliper', rotor: 'gt-front-rotor' },
      'needs',
      /24\.0/,
    ],
    ['a used part that failed', 'used-part', 'rear', { caliper: 'gt-rear-caliper' }, 'needs', /a dust boot is torn/],
  ])('%s', (_, rule, axle, slots, worst, sentence) => {
    expect(verdict(rule, axle, slots)).toMatchObject({ verdict: worst, sentence: expect.stringMatching(sentence) })
  })
  test('the carrier variant takes the thicker rotor', () => {
    expect(verdict('disc-thickness', 'front', { caliper: 'gt-wide-caliper', rotor: 'gt-front-rotor' }).verdict).toBe('fits')
  })
  test('the same body with a larger piston: same fit, another area', () => {
    const stock = DEMO_PROJECT.parts.find((one) => one.id === 'stock-front-caliper')!
    const gt = DEMO_PROJECT.parts.find((one) => one.id === 'gt-front-caliper')!
    expect(gt).toMatchObject({ tallestRadiusMm: (stock as typeof gt & { tallestRadiusMm: unknown }).tallestRadiusMm })
    expect(found.front.find((one) => one.partId === 'gt-front-caliper')!.worst).toBe('fits')
  })
  test('a pad that one maker alone offers', () => {
    expect(DEMO_PROJECT.parts.filter((one) => one.kind === 'pad' && one.shape === 'V-33')).toHaveLength(1)
  })
})

describe('kits and donors taken whole', () => {
  const offers = bundleOffers(DEMO_PROJECT, 'as-it-stands')
  test.each<[string, Expected]>([
    ['kit-hoses', 'fits'],
    ['kit-q4', 'fits'],
    ['donor-gt-front', 'fits'],
    ['donor-estate', 'needs'],
    ['kit-q2', 'needs'],
    // a larger rear piston: the rear locks first
    ['donor-gt-rear', 'blocked'],
    ['donor-saloon', 'blocked'],
    ['donor-van', 'blocked'],
    ['kit-r2', 'blocked'],
    ['donor-coupe', 'blocked'],
  ])('%s: %s', (id, worst) => {
    const one = offers.find((offer) => offer.bundleId === id)!
    // on a new setup the inboard half is still to be seen on the car
    const as = worst === 'fits' && id !== 'kit-hoses' ? 'check' : worst
    const alone = one.alone ?? one
    expect([alone.worst, alone.why]).toEqual([as, as === 'fits' ? '' : expect.any(String)])
  })
  test('what is in the setup is not offered again; a kit of which only the parts are there still has its own price', () => {
    const there = (change: (setup: Setup) => void) => {
      const project = structuredClone(DEMO_PROJECT)
      change(project.setups[1]!)
      return bundleOffers(project, 'estate-fronts').flatMap((one) => (one.there ? [one.bundleId] : []))
    }
    expect(there(() => {})).toEqual(['donor-estate'])
    expect(there((setup) => (setup.front.pad = 'kit2-pad'))).toEqual([])
    const kit = DEMO_PROJECT.bundles.find((one) => one.id === 'kit-hoses')!
    const whole = (setup: Setup) => Object.assign(setup, takeBundle(setup, kit, DEMO_PROJECT.parts))
    expect(there(whole)).toContain('kit-hoses')
    expect(there((setup) => delete whole(setup).taken)).not.toContain('kit-hoses')
  })
  test('the price of the whole counts instead of those of its parts', () => {
    expect(offers.find((one) => one.bundleId === 'kit-q4')!.extraMinor).toBe(76_500)
    // a donor has none: its parts are priced one by one, what is on the car already is not
    expect(offers.find((one) => one.bundleId === 'donor-gt-front')!.extraMinor).toBe(5500)
  })
  test('the best come first, and against a setup that is not there it throws', () => {
    const order = ['fits', 'check', 'needs', 'unknown', 'blocked']
    const ranks = offers.map((one) => order.indexOf(one.worst))
    expect(ranks).toEqual([...ranks].sort((a, b) => a - b))
    expect(() => bundleOffers(DEMO_PROJECT, 'nobody')).toThrow(RangeError)
  })
})

test('rules of the whole car are looked at once, those of used parts for each part', () => {
  const { fit } = evaluate(DEMO_PROJECT, 'estate-fronts')
  for (const rule of RULES) {
    const all = fit.filter((one) => one.rule === rule.id)
    if (rule.on === 'car') expect([rule.id, all.map((one) => one.axle)]).toEqual([rule.id, [undefined]])
    if (rule.each) expect(new Set(all.map((one) => `${one.axle}.${one.slot}`)).size).toBe(all.length)
  }
})
