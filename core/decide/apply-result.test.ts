import { expect, test } from '@jest/globals'
import { DEMO_PROJECT } from '../demo/project.ts'
import { changesIn, resultName } from './apply-result.ts'

test('what a find changes is said a line each: one wheel for both axles once, what is left out, where the bar is set', () => {
  const lines = changesIn(
    DEMO_PROJECT,
    {
      parts: {
        'front.caliper': 'kit4-caliper',
        'front.wheel': 'winter-wheel',
        'rear.wheel': 'winter-wheel',
        'rear.bracket': null,
        booster: null,
        masterCylinder: 'gone',
      },
      barFrontShare: 0.495,
    },
    undefined,
  )
  expect(lines.map((one) => one.replaceAll(/[\s\u202f\u00a0]/g, ' '))).toEqual([
    'front caliper: Four-piston caliper Q4',
    `wheels: ${DEMO_PROJECT.parts.find((part) => part.id === 'winter-wheel')!.name}`,
    'rear bracket: none',
    'booster: none',
    'master cylinder: a part that is gone',
    'balance bar: set to 49.5% front',
  ])
})

test('two wheels are two lines, and one of one axle alone is its axle’s', () => {
  const lines = (parts: Parameters<typeof changesIn>[1]['parts']) => changesIn(DEMO_PROJECT, { parts })
  expect(lines({ 'front.wheel': 'winter-wheel', 'rear.wheel': 'steel-wheel' })).toHaveLength(2)
  expect(lines({ 'rear.wheel': 'winter-wheel' })).toEqual([expect.stringMatching(/^rear wheel: /)])
  expect(lines({ 'rear.bracket': null })).toEqual(['rear bracket: none'])
})

test('a bar far from its centre is said to be: a small turn of its thread does much there', () => {
  const bar = (barFrontShare: number) => changesIn(DEMO_PROJECT, { parts: {}, barFrontShare })[0]
  expect([0.395, 0.45, 0.55, 0.6].map((share) => /far from its centre/.test(bar(share)!))).toEqual([true, false, false, true])
})

test('a find is named by what stops the car first', () => {
  const parts = { 'front.hose': 'braided-front-hose', 'front.pad': 'kit4-pad', 'front.caliper': 'kit4-caliper' }
  expect(resultName(DEMO_PROJECT, { parts })).toMatch(/^Four-piston caliper Q4, .* and 1 more$/)
  expect(resultName(DEMO_PROJECT, { parts: {} })).toBe('Current car, from search')
})
