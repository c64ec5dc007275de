import { expect, test } from '@jest/globals'
import { layersFor } from './dxf-choose.ts'
import type { DxfLayer } from './dxf-read.ts'

const layer = (name: string, points: [number, number][], more: Partial<DxfLayer> = {}): DxfLayer => ({ name, pieces: [points], ...more })
const wheelPoints: [number, number][] = [
  [-118, 183],
  [22, 167],
  [45, 115],
  [0, 66],
]
const bodyPoints: [number, number][] = [
  [-104, 146],
  [14, 160],
  [43, 104],
]
const screw: [number, number][] = [
  [-60, 157],
  [-57, 166],
  [-52, 157],
]
const names = (kind: 'outlines' | 'profile', ...layers: DxfLayer[]) => layersFor(kind, layers).map((one) => one.name)

test('a wheel beside the caliper is not taken for one, by its name', () => {
  expect(names('outlines', layer('WHEEL', wheelPoints), layer('body', bodyPoints))).toEqual(['body'])
  expect(names('profile', layer('barrel', wheelPoints), layer('spokes', wheelPoints), layer('caliper', bodyPoints))).toEqual([
    'barrel',
    'spokes',
  ])
})
test('nor by where it lies, where names say nothing', () => {
  expect(names('outlines', layer('0', wheelPoints), layer('1', bodyPoints))).toEqual(['1'])
  expect(names('profile', layer('1', bodyPoints), layer('0', wheelPoints))).toEqual(['0'])
})
test('a bleed screw that stands out of the body is no caliper inside a wheel', () => {
  expect(names('outlines', layer('0', bodyPoints), layer('1', screw))).toEqual(['0', '1'])
})
test('one layer alone is what is asked for; a refused one is left', () => {
  expect(names('outlines', layer('0', bodyPoints))).toEqual(['0'])
  expect(names('profile', layer('0', wheelPoints))).toEqual(['0'])
  expect(names('outlines', layer('0', bodyPoints), layer('2', bodyPoints, { refused: 'a spline' }))).toEqual(['0'])
})
