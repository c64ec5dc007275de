import { describe, expect, test } from '@jest/globals'
import { DEMO_PROJECT } from '../demo/project.ts'
import { entryAt, placeInWords } from './place.ts'

test.each([
  ['parts[1].thicknessMm.value', 'Parts › Front rotor 256 x 22 › Thickness, new'],
  ['parts[0].pistonsMm[0].origin', 'Parts › Front sliding caliper › Pistons on one side › no. 1 › origin'],
  ['car.front.tyreRadiusMm.u', 'Car › front › Tyre rolling radius › uncertainty'],
  ['setups[1].front.caliper', 'Setups › Estate fronts › front › Caliper or drum brake'],
  ['setups[1].hydraulics.masterCylinder', 'Setups › Estate fronts › hydraulics › Master cylinder'],
  ['setups[1].extras[0].price.lowMinor', 'Setups › Estate fronts › extra costs › Brake fluid, 1 litre › price › low'],
  ['preferences.taxPercent', 'Preferences › taxPercent'],
  ['parts[999].name', 'Parts › no. 1000 › name'],
  ['', 'the file'],
])('%s', (path, words) => {
  expect(placeInWords(DEMO_PROJECT, path)).toBe(words)
})
test('works on what is broken', () => {
  expect(placeInWords(undefined, 'parts[0].thicknessMm')).toBe('Parts › no. 1 › thicknessMm')
  expect(placeInWords({ parts: [{ kind: 'constructor', name: 7 }] }, 'parts[0].kind')).toBe('Parts › no. 1 › kind')
})

describe('the place of a path', () => {
  const at = (...path: (string | number)[]) => entryAt(DEMO_PROJECT, path)
  const [, first] = DEMO_PROJECT.setups
  test('is where it is entered', () => {
    expect(at('car', 'wheelbaseMm')).toEqual({ kind: 'car', field: 'wheelbaseMm' })
    expect(at('car', 'rear', 'registerMm', 'value')).toEqual({ kind: 'car', axle: 'rear', field: 'registerMm' })
    expect(at('parts', 0, 'price')).toEqual({ kind: 'part', partId: DEMO_PROJECT.parts[0]!.id, field: 'price' })
    expect(at('parts', 0)).toMatchObject({ field: 'name' })
    expect(at('setups', 1, 'front', 'caliper')).toEqual({ kind: 'slot', setupId: first!.id, axle: 'front', slot: 'caliper' })
    expect(at('setups', 1, 'front', 'shimMm')).toEqual({ kind: 'setup', setupId: first!.id, axle: 'front', field: 'shimMm' })
    expect(at('setups', 1, 'hydraulics', 'booster')).toEqual({ kind: 'slot', setupId: first!.id, slot: 'booster' })
    expect(at('setups', 1, 'extras', 0)).toEqual({ kind: 'setup', setupId: first!.id, field: 'extras' })
    expect(at('bundles', 0)).toEqual({ kind: 'bundle', bundleId: DEMO_PROJECT.bundles[0]!.id })
    expect(at('preferences', 'taxPercent')).toEqual({ kind: 'preference', field: 'taxPercent' })
  })
  test('is nowhere for what is gone or entered nowhere', () => {
    expect(at('parts', 9999)).toBeUndefined()
    expect(at('setups', 9999, 'name')).toBeUndefined()
    expect(at('name')).toBeUndefined()
  })
})

test('a key that every object has is named current car in the file', () => {
  for (const key of ['__proto__', 'constructor', 'toString', 'hasOwnProperty']) {
    expect(placeInWords({}, key)).toBe(key)
    expect(placeInWords({ setups: [{ name: 'A' }] }, `setups[0].${key}`)).toBe(`Setups › A › ${key}`)
    expect(placeInWords({ car: {} }, `car.${key}`)).toContain(key)
  }
})
