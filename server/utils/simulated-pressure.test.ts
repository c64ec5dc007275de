import { expect, test } from '@jest/globals'
import { fitGauges } from '../../core/hydraulics/gauges.ts'
import { readPressureRequest, readPressures, type PressureFault } from './simulated-pressure.ts'

/** Repeatable numbers in [0, 1). */
function series(seed = 7): () => number {
  let state = seed
  return () => {
    state = (state * 48271) % 2147483647
    return state / 2147483647
  }
}
const read = (fault: PressureFault) => {
  const random = series()
  return [0.5, 1, 1.5, 2, 3, 4, 5, 6].map((frontMpa): [number, number] => {
    const said = readPressures({ frontMpa, rearMpa: 0.9 * frontMpa, fault }, random)
    return [said.frontMpa, said.rearMpa]
  })
}
test('the pair stands near what the figures say, a little to the front', () => {
  const found = fitGauges(read('none'))!
  expect(found.slope).toBeGreaterThan(0.9 * 0.94 - 0.03)
  expect(found.slope).toBeLessThan(0.9 * 0.94 + 0.03)
  expect(found).toMatchObject({ fault: 'none', undecided: false })
})
test('each fault shows in the readings', () => {
  expect(fitGauges(read('zeroOffset'))).toMatchObject({ fault: 'offset', undecided: false })
  expect(fitGauges(read('air'))).toMatchObject({ fault: 'lag' })
})
test.each([
  [undefined],
  [{ frontMpa: 1 }],
  [{ frontMpa: -1, rearMpa: 1, fault: 'none' }],
  [{ frontMpa: 1, rearMpa: 1, fault: 'fire' }],
  [{ frontMpa: Number.NaN, rearMpa: 1, fault: 'none' }],
])('a request like %p is none', (body) => {
  expect(readPressureRequest(body)).toBeUndefined()
})
