import { describe, expect, test } from '@jest/globals'
import { DEFAULT_UNITS } from '../quantity/units.ts'
import type { Gap } from '../clearance/maths/gap.ts'
import { clearanceSentence, spacerWords } from '../clearance/words.ts'
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
    ['clears', 4.1, 'Clears: 4.1 mm at the shoulder, at least 3.2 mm (95% confidence).'],
    ['tight', 2.6, 'Trial fit first: 2.6 mm at the shoulder, at least 1.7 mm (95% confidence); 3.0 mm required.'],
    ['hits', -2, 'Contact: caliper and wheel overlap by 2.0 mm at the shoulder.'],
    ['tooClose', 0.4, 'Too close: 0.4 mm at the shoulder, 3.0 mm required.'],
    ['measure', 1, 'Not enough data: clearance at the shoulder, 90% range 0.1–1.9 mm; 3.0 mm required.'],
  ] as const)('%s', (verdict, mm, sentence) => {
    expect(say(verdict, mm)).toBe(sentence)
  })
  test('names the outline when it is not the body, and speaks in the units asked for', () => {
    expect(say('clears', 4.1, { limitingOutline: 'bleed screw', limitingTag: 'barrel' })).toContain('at the barrel (bleed screw),')
    expect(say('clears', 25.4, {}, { ...DEFAULT_UNITS, length: 'in' })).toContain('Clears: 1.000 in')
  })
})

test('what is missing, by its first question', () => {
  const one = { what: 'Hat thickness of X', at: { kind: 'car', field: 'x' } } as const
  expect(missingSentence([])).toBe('Not enough data: measure on the car.')
  expect(missingSentence([one])).toBe('Not enough data: enter hat thickness of X.')
  expect(missingSentence([one, one, one])).toBe('Not enough data: enter hat thickness of X first; 3 to enter.')
})

test.each<[number | undefined, number | undefined, 'barrel' | 'face', string]>([
  [0, 0, 'face', 'No spacer needed.'],
  [0, 3, 'face', 'The mean clearance needs no spacer; the smallest stock size that clears with 95% confidence is 3.0 mm.'],
  [4.2, undefined, 'face', 'The mean clearance needs a 4.2 mm spacer, but no stock size up to 30.0 mm clears with 95% confidence.'],
  [undefined, undefined, 'barrel', 'No spacer up to 30.0 mm helps: the barrel is the limit, and it does not widen inboard.'],
  [undefined, undefined, 'face', 'No spacer up to 30.0 mm helps: the back of the spokes is still too close.'],
])('spacer words: least %p, stock %p, %s', (least, stock, tag, sentence) => {
  expect(plain(spacerWords(least, stock, 30, tag, DEFAULT_UNITS))).toBe(sentence)
})

test('the worst verdict counts, unknown before needs, blocked before all', () => {
  expect(worstVerdict([])).toBe('fits')
  expect(worstVerdict(['fits', 'check'])).toBe('check')
  expect(worstVerdict(['needs', 'unknown', 'check'])).toBe('unknown')
  expect(worstVerdict(['unknown', 'blocked', 'needs'])).toBe('blocked')
})
