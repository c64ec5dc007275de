import { describe, expect, test } from '@jest/globals'
import { DEMO_PROJECT } from '../demo/project.ts'
import { blankSetup } from '../records/blank.ts'
import { projectProblems } from '../records/check.ts'
import { PART_KIND_NAMES } from '../records/part-kinds.ts'
import { AXLE_SLOTS, HYDRAULIC_SLOTS } from '../records/setup.ts'
import { boughtWhole, slotFor, takeBundle } from './take-bundle.ts'

const bundle = (id: string) => DEMO_PROJECT.bundles.find((one) => one.id === id)!
const take = (id: string, from = blankSetup('new', 'New')) => takeBundle(from, bundle(id), DEMO_PROJECT.parts)

test('each kind goes into the slot that takes it, or nowhere', () => {
  for (const kind of PART_KIND_NAMES) {
    const place = slotFor(kind)
    if (place?.of === 'axle') expect(AXLE_SLOTS[place.slot].kinds).toContain(kind)
    else if (place) expect(HYDRAULIC_SLOTS[place.slot].kinds).toContain(kind)
    else expect(kind).toBe('other')
  }
})

describe('taking a kit or donor whole', () => {
  test('fills the slots of its axle and leaves the rest', () => {
    const taken = take('kit-q4')
    expect(taken.front).toMatchObject({
      caliper: 'kit4-caliper',
      bracket: 'kit-bracket',
      rotor: 'kit4-rotor',
      pad: 'kit4-pad',
      hose: 'braided-front-hose',
    })
    expect(taken.rear).toEqual({})
    expect(taken.taken).toEqual(['kit-q4'])
  })
  test('a bracket and shims of the caliper before do not stay', () => {
    const before = { ...take('kit-q4'), front: { ...take('kit-q4').front, shimMm: 1 } }
    expect(take('donor-estate', before).front).toMatchObject({ caliper: 'estate-front-caliper', bracket: null })
    expect(take('donor-estate', before).front.shimMm).toBeUndefined()
  })
  test('a donor without a price of its own is not bought whole', () => {
    expect(take('donor-estate').taken).toBeUndefined()
  })
  test('the setup before is left as it was', () => {
    const before = blankSetup('new', 'New')
    take('kit-q4', before)
    expect(before).toEqual(blankSetup('new', 'New'))
  })
  test('it counts as whole only while all of it is in', () => {
    const taken = take('kit-q4')
    const project = { ...DEMO_PROJECT, setups: [...DEMO_PROJECT.setups, taken] as typeof DEMO_PROJECT.setups }
    expect(projectProblems(project)).toEqual([])
    expect(boughtWhole(project, taken).map((one) => one.id)).toEqual(['kit-q4'])
    expect(boughtWhole(project, { ...taken, front: { ...taken.front, pad: 'q4-track-pad' } })).toEqual([])
  })
  test('names that lead nowhere are named', () => {
    const broken = structuredClone(DEMO_PROJECT)
    broken.bundles[0]!.parts = ['gone']
    broken.setups[1]!.taken = ['nobody']
    expect(projectProblems(broken).map((one) => one.path)).toEqual(['bundles[0].parts[0]', 'setups[1].taken[0]'])
  })
})
