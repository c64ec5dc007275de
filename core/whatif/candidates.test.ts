import { describe, expect, test } from '@jest/globals'
import { DEMO_PROJECT } from '../demo/project.ts'
import { AXLES } from '../quantity/axle.ts'
import { allCandidates, candidates, hydraulicCandidates } from './candidates.ts'

const of = (partId: string, axle: 'front' | 'rear' = 'front', setupId = 'as-it-stands') =>
  candidates(DEMO_PROJECT, setupId, axle).find((one) => one.partId === partId)!

describe('what each part would bring', () => {
  // every caliper, rotor and pad of the demo on the current car, and why
  test.each([
    // the donor's caliper is made for thicker rotors than the car has
    ['estate-front-caliper', 'front', 'blocked'],
    // the kits' calipers are radial, and no bracket stands in the slot yet: the one among the parts joins them, the rotor does not go in
    ['kit2-caliper', 'front', 'blocked'],
    ['kit4-caliper', 'front', 'blocked'],
    ['stock-front-caliper', 'front', 'fits'],
    // the rear caliper takes a thin rotor only
    ['stock-rear-caliper', 'front', 'blocked'],
    // 284 mm: its edge stands far over the stock pad
    ['estate-front-rotor', 'front', 'blocked'],
    ['stock-front-rotor', 'front', 'fits'],
    // another shape; the stock pads are among the parts
    ['estate-front-pad', 'front', 'needs'],
    ['rear-fast-pad', 'rear', 'fits'],
    ['club-wheel', 'front', 'fits'],
    ['hill-wheel', 'front', 'fits'],
    // its spoke back was never measured
    ['winter-wheel', 'front', 'unknown'],
    // a 14 inch wheel touches at its barrel, and no spacer moves a barrel out of the way
    ['gravel-wheel', 'front', 'blocked'],
    ['braided-front-hose', 'front', 'fits'],
    // 310 mm on a path of 330: pulled at full lock
    ['stock-rear-hose', 'front', 'blocked'],
  ] as const)('%s, %s: %s', (partId, axle, worst) => {
    const found = of(partId, axle)
    expect([partId, found.worst, found.why]).toEqual([partId, worst, expect.any(String)])
    expect(found.why === '').toBe(worst === 'fits')
  })
  test('a spacer is judged by thread, register and gap; one that was tried out does not stand in its way', () => {
    const tried = structuredClone(DEMO_PROJECT)
    tried.setups[0].front = { ...tried.setups[0].front, spacerTrialMm: 30 }
    for (const project of [DEMO_PROJECT, tried]) {
      const found = candidates(project, 'as-it-stands', 'front').filter((one) => one.slot === 'spacer')
      expect(Object.fromEntries(found.map((one) => [one.partId, one.worst]))).toEqual({
        'spacer-3': 'fits',
        'register-spacer': 'fits',
        'spacer-5': 'needs',
        'spacer-10': 'needs',
        'spacer-15': 'needs',
      })
    }
  })
  test('the best come first, and only what the part has a hand in counts', () => {
    const order = ['fits', 'check', 'needs', 'unknown', 'blocked']
    for (const axle of AXLES) {
      const ranks = candidates(DEMO_PROJECT, 'balanced', axle).map((one) => order.indexOf(one.worst))
      expect(ranks).toEqual([...ranks].sort((a, b) => a - b))
    }
    // the donor's rotor is of no concern to the hose
    expect(of('stock-front-hose', 'front', 'estate-fronts').worst).toBe('fits')
  })
  test('the price is against what is fitted', () => {
    expect(of('stock-front-rotor').extraMinor).toBe(0)
    expect(of('estate-front-rotor').extraMinor).toBe(2 * 6600)
    // one price buys both
    expect(of('estate-front-caliper').extraMinor).toBe(9500)
    expect(of('stock-front-rotor', 'front', 'estate-fronts').extraMinor).toBe(-2 * 6600)
  })
  test('all of both axles, and a setup that is not there', () => {
    expect(new Set(allCandidates(DEMO_PROJECT, 'as-it-stands').map((one) => one.axle))).toEqual(new Set([...AXLES, undefined]))
    expect(() => candidates(DEMO_PROJECT, 'nobody', 'front')).toThrow(RangeError)
  })
})

describe('what each part of the hydraulics would bring', () => {
  const of = (partId: string) => hydraulicCandidates(DEMO_PROJECT, 'as-it-stands').find((one) => one.partId === partId)!
  test.each([
    ['stock-master', 'fits'],
    // the same flange and ports, a larger bore
    ['master-24', 'fits'],
    // its pilot is too large for the hole
    ['master-25', 'blocked'],
    ['club-fluid', 'fits'],
    // silicone must never meet what is in the system
    ['silicone-fluid', 'blocked'],
    ['adjustable-valve', 'fits'],
  ] as const)('%s: %s', (partId, worst) => {
    expect([partId, of(partId).worst]).toEqual([partId, worst])
  })
  test('the price is against what is fitted, and a setup that is not there throws', () => {
    expect(of('master-24').extraMinor).toBe(9800)
    expect(() => hydraulicCandidates(DEMO_PROJECT, 'nobody')).toThrow(RangeError)
  })
})

test('another caliper is tried without the shims that were cut for this one', () => {
  const project = structuredClone(DEMO_PROJECT)
  // the estate's caliper, a copy of it, and shims that put neither over the disc
  project.parts.push({ ...structuredClone(project.parts.find((one) => one.id === 'estate-front-caliper')!), id: 'twin', name: 'Twin' })
  project.setups[1]!.front.shimMm = -3
  const tried = candidates(project, 'estate-fronts', 'front')
  const worst = (partId: string) => tried.find((one) => one.partId === partId)!
  expect(worst('estate-front-caliper').why).not.toBe(worst('twin').why)
  expect(worst('twin').why).toMatch(/^Too close/)
})
