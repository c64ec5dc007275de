import { describe, expect, test } from '@jest/globals'
import { cornerNodes, DOUBT_RUNS, doubted, DOUBTED, drumNodes, HEAT_DEFAULTS, vaneFactor, type CornerFigures } from './defaults.ts'

const corner: CornerFigures = {
  ring: { outerDiameterMm: 280, innerDiameterMm: 170, thicknessMm: 24, voidShare: 0.35 },
  vented: true,
  padAreaMm2: 4200,
  padThicknessMm: 16,
  caliperKg: 4,
  caliper: 'aluminium',
}
const nodes = (more: Partial<CornerFigures> = {}) => cornerNodes({ ...corner, ...more })

describe('what one can see of a corner changes what is usual', () => {
  test.each<[string, Partial<CornerFigures>, number]>([
    ['forty vanes', { vaneCount: 40 }, 1],
    ['sixteen', { vaneCount: 16 }, 0.82],
    ['very many', { vaneCount: 120 }, 1.3],
    ['curved the right way', { hand: 'right' }, 1.1],
    ['curved the wrong way on one side', { hand: 'wrong' }, 0.8],
  ])('%s: cooling by speed', (_, more, factor) => expect(nodes(more).h1 / nodes().h1).toBeCloseTo(factor, 9))
  test.each<[string, Partial<CornerFigures>, number]>([
    ['a hose', { duct: true }, 1.4],
    ['a hose at a plate', { duct: true, backingPlate: true }, 1.2],
    ['a plate alone', { backingPlate: true }, 1],
    ['air from the wheel side', { inlet: 'wheel' }, 0.75],
    ['a hose where no air goes in', { inlet: 'wheel', duct: true }, 0.75],
    ['a solid ring has no inlet', { vented: false, inlet: 'wheel' }, 1],
  ])('%s: what moves the air', (_, more, factor) => expect(nodes(more).ductFactor).toBe(factor))
  test('shims, pistons, a shield and the linings: the ways of the heat into the fluid', () => {
    expect(nodes({ padShims: true }).padToCaliperWPerK).toBe(0.9)
    expect(nodes({ insulatedPistons: true, padShims: true })).toMatchObject({ padToCaliperWPerK: 0.6, fluidShare: 0.12 })
    expect(nodes({ heatShield: true }).ringToCaliperWPerK).toBe(0.1)
    expect(nodes({ lining: 'sintered' }).ringToPadWPerK / nodes().ringToPadWPerK).toBeCloseTo(6 / HEAT_DEFAULTS.padWPerMK.value, 9)
  })
  test('a ring of another stuff, and one that was weighed', () => {
    expect(nodes({ material: 'stainless' }).ringMassKg / nodes().ringMassKg).toBeCloseTo(7.9 / 7.1, 9)
    expect(nodes({ material: 'carbon' }).heat).toBeDefined()
    expect(nodes({ ringMassKg: 5.5 }).ringMassKg).toBe(5.5)
  })
  test('vanes stay within what was ever measured', () => expect([vaneFactor(0), vaneFactor(1000)]).toEqual([0.7, 1.3]))
  test('a drum stores in its own mass and gives off by rim and face', () => {
    const drum = drumNodes({ drumKg: 4, diameterMm: 200, shoeWidthMm: 40 })
    expect([drum.ringMassKg, drum.h1]).toEqual([4, HEAT_DEFAULTS.h1Solid.value])
    expect(drum.areaM2).toBeCloseTo((Math.PI * 200 * 40 + Math.PI * 100 ** 2) / 1e6, 9)
  })
})

test('twelve runs: each doubt as often high as low, and none with another', () => {
  DOUBTED.forEach((_, i) => {
    expect(DOUBT_RUNS.reduce((sum, run) => sum + run[i]!, 0)).toBe(0)
    for (let j = 0; j < i; j += 1) expect(DOUBT_RUNS.reduce((sum, run) => sum + run[i]! * run[j]!, 0)).toBe(0)
  })
})
test('a doubt that a reading has narrowed stands in the place of the usual one', () => {
  const high = DOUBT_RUNS[0]!
  expect(doubted(nodes(), high, { h1: 0 }).h1).toBe(nodes().h1)
  expect(doubted(nodes(), high).h1).toBeCloseTo(nodes().h1 * (1 + high[0]! * HEAT_DEFAULTS.h1Vented.doubt), 9)
})
