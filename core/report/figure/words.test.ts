import { describe, expect, test } from '@jest/globals'
import { DEFAULT_UNITS } from '../../quantity/units.ts'
import type { Gap } from '../../clearance/gap.ts'
import { clearanceSentence, spacerWords } from '../corner/words.ts'
import { missingSentence, worstVerdict } from './words.ts'

const gap = (minGapMm: number, more: Partial<Gap> = {}): Gap => ({
  minGapMm,
  overlaps: minGapMm < 0,
  faceGapMm: undefined,
  barrelGapMm: undefined,
  limitingTag: 'shoulder',
  limitingOutline: 'body',
  caliperPoint: [0, 0],
  wheelPoint: [0, 0],
  ...more,
})
const plain = (text: string) => text.replace(/\u00a0/g, ' ')
const say = (verdict: Parameters<typeof clearanceSentence>[0], minGapMm: number, more?: Partial<Gap>, units = DEFAULT_UNITS) =>
  plain(
    clearanceSentence(
      verdict,
      { gap: gap(minGapMm, more), meanMm: minGapMm, p05Mm: minGapMm - 0.9, p95Mm: minGapMm + 0.9, requiredMm: 3 },
      units,
    ),
  )

describe('a verdict is a sentence', () => {
  test.each([
    ['clears', 4.1, 'Clears. Least gap 4.1 mm at the shoulder, 95 % sure of more than 3.2.'],
    ['tight', 2.6, 'Tight: trial fit first. Least gap 2.6 mm at the shoulder, 95 % sure of more than 1.7; 3.0 mm is asked for.'],
    ['hits', -2, 'Hits. The caliper reaches 2.0 mm into the wheel at the shoulder.'],
    ['tooClose', 0.4, 'Too close. Least gap 0.4 mm at the shoulder, 3.0 mm is asked for. No measurement will change that.'],
    ['measure', 1, 'Cannot say: measure. The gap at the shoulder is between 0.1 and 1.9 mm; 3.0 mm is asked for.'],
  ] as const)('%s', (verdict, mm, sentence) => {
    expect(say(verdict, mm)).toBe(sentence)
  })
  test('names the outline when it is not the body, and speaks in the units asked for', () => {
    expect(say('clears', 4.1, { limitingOutline: 'bleed screw', limitingTag: 'barrel' })).toContain('at the barrel (bleed screw),')
    expect(say('clears', 25.4, {}, { ...DEFAULT_UNITS, length: 'in' })).toContain('Least gap 1.000 in')
  })
})

test('what is missing, by its first question', () => {
  const one = { what: 'Hat thickness of X', at: { kind: 'car', field: 'x' } } as const
  expect(missingSentence([])).toBe('Cannot say: measure.')
  expect(missingSentence([one])).toBe('Cannot say: hat thickness of X is not known.')
  expect(missingSentence([one, one, one])).toBe('Cannot say: hat thickness of X and more are not known.')
})

test.each<[number | undefined, number | undefined, 'barrel' | 'face', string]>([
  [0, 0, 'face', 'No spacer needed.'],
  [0, 3, 'face', 'By the mean gap none is needed; the smallest stock size that clears for sure is 3.0 mm.'],
  [4.2, undefined, 'face', 'By the mean gap 4.2 mm is enough, but no stock size up to 30.0 mm clears for sure.'],
  [undefined, undefined, 'barrel', 'No spacer up to 30.0 mm helps: the barrel limits, and it does not open towards the car.'],
  [undefined, undefined, 'face', 'No spacer up to 30.0 mm helps: the spoke back is still too near.'],
])('spacer words: least %p, stock %p, %s', (least, stock, tag, sentence) => {
  expect(plain(spacerWords(least, stock, 30, tag, DEFAULT_UNITS))).toBe(sentence)
})

test('the worst verdict counts, unknown before needs, blocked before all', () => {
  expect(worstVerdict([])).toBe('fits')
  expect(worstVerdict(['fits', 'check'])).toBe('check')
  expect(worstVerdict(['needs', 'unknown', 'check'])).toBe('unknown')
  expect(worstVerdict(['unknown', 'blocked', 'needs'])).toBe('blocked')
})
