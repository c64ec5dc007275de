import { expect, test } from '@jest/globals'
import { DEMO_PROJECT } from '../demo/project.ts'
import { placeInWords } from './place.ts'

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
