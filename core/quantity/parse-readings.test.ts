import { expect, test } from '@jest/globals'
import { parseReadings } from './parse.ts'

const read = (text: string) => {
  const found = parseReadings(text)
  return found.ok ? found.values : found.message
}

test.each<[string, number[]]>([
  ['164.8; 165.1', [164.8, 165.1]],
  ['164.8 165.1', [164.8, 165.1]],
  ['164.8 165.1 mm  165', [164.8, 165.1, 165]],
  ['1 3/8 in', [34.925]],
  ['1-3/8"; 34.9 mm', [34.925, 34.9]],
  ['-3.2 -3.1', [-3.2, -3.1]],
])('%s', (text, values) => {
  const found = read(text)
  expect(found).toHaveLength(values.length)
  ;(found as number[]).forEach((value, i) => expect(value).toBeCloseTo(values[i]!, 9))
})
test('a doubt typed at a reading is not dropped in silence', () => {
  expect(read('165 +- 0.3')).toMatch(/no ± of its own/)
})
test('a number with a blank for its thousands is no two readings', () => {
  expect(read('1 250')).toMatch(/not a unit/)
})
