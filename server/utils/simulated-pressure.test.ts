import { expect, test } from '@jest/globals'
import { diagnoseGauges } from '../../core/hydraulics/maths/gauge-causes.ts'
import { readPressureRequest, readPressures, type PressureFault } from './simulated-pressure.ts'

/** Repeatable numbers in [0, 1). */
function series(seed = 7): () => number {
  let state = seed
  return () => {
    state = (state * 48271) % 2147483647
    return state / 2147483647
  }
}
const diagnosis = (fault: PressureFault) => {
  const random = series()
  const pairs = [0, 0.3, 0.6, 1, 1.5, 2, 2.5, 3, 4, 5, 6].map((frontMpa): [number, number] => {
    const read = readPressures({ frontMpa, rearMpa: 0.9 * frontMpa, fault }, random)
    return [read.frontMpa, read.rearMpa]
  })
  return diagnoseGauges(pairs, { master: 'twin', ratio: 0.9, valve: null })
}
test.each<[PressureFault, string[]]>([
  ['none', []],
  ['frontZero', ['frontZero']],
  ['rearZero', ['rearZero']],
])('the fault %p shows in the readings', (fault, stated) => {
  expect(diagnosis(fault)).toMatchObject({ stated, undecided: [] })
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
