import { expect, test } from '@jest/globals'
import { ofDrawing, printedBar } from './sentences.ts'

test('a bar that was not read is no better known than an unknown printer, whatever it would be read with', () => {
  for (const instrument of [undefined, 'steelRule', 'digitalCaliper'] as const)
    expect(printedBar(undefined, instrument)).toEqual({ value: 100, u: expect.closeTo(2.887, 3) })
  expect(printedBar(99.4, undefined)).toEqual({ value: 100, u: expect.closeTo(2.887, 3) })
})
test('one that was read is what was read, the surer the better the instrument', () => {
  const [rule, caliper] = [printedBar(99.4, 'steelRule'), printedBar(99.4, 'digitalCaliper')]
  expect([rule.value, caliper.value]).toEqual([99.4, 99.4])
  expect(caliper.u).toBeLessThan(0.1)
  expect(caliper.u).toBeLessThan(rule.u)
})
test('a length of a drawing is never surer than a line is thin', () => {
  expect([ofDrawing(10).u, ofDrawing(400).u]).toEqual([0.05, 0.4])
})
