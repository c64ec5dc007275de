import { describe, expect, test } from '@jest/globals'
import { DEMO_PROJECT } from '../demo/project.ts'
import { VERDICT_RANK } from '../figures/words.ts'
import { carShowsC } from './car-shows.ts'
import { heatBrief } from './heat-brief.ts'
import { heatReport } from './heat-report.ts'
import { coldWords, padsBeside } from './pad-curves.ts'
import { stagingReport } from './staging-report.ts'
import { figure } from '../quantity/figure.ts'

describe('pads beside each other', () => {
  test('those of the fitted shape, the fitted one among them, with what is known of each', () => {
    const found = padsBeside(DEMO_PROJECT, 'as-it-stands', 'front')
    expect(found.filter((one) => one.fitted).map((one) => one.partId)).toEqual(['stock-front-pad'])
    const shapes = new Map(DEMO_PROJECT.parts.flatMap((part) => (part.kind === 'pad' ? [[part.id, part.shape]] : [])))
    expect(new Set(found.map((one) => shapes.get(one.partId))).size).toBe(1)
    expect(found.length).toBeGreaterThan(2)
    expect(() => padsBeside(DEMO_PROJECT, 'nowhere', 'front')).toThrow(/no setup nowhere/)
  })
  test.each([
    [{ rangeFromC: figure(120) }, [[20, 0.4]], 'low cold friction: its range begins at 120 °C'],
    [{}, undefined, 'cold friction unknown'],
    [
      {},
      [
        [20, 0.2],
        [300, 0.4],
      ],
      'cold friction 50% of its best',
    ],
    [
      { rangeFromC: figure(0) },
      [
        [20, 0.38],
        [300, 0.4],
      ],
      'good cold friction',
    ],
  ] as const)('%j, %j: %s', (pad, curve, words) => expect(coldWords(pad, curve)).toBe(words))
})

describe('held on the line', () => {
  const at = (axleTorqueNm: number, calipersPerWheel = 1) =>
    stagingReport(DEMO_PROJECT, 'balanced', { axle: 'front', axleTorqueNm, calipersPerWheel })
  test('more torque asks for more, a second pair of calipers for half as much', () => {
    const [one, more, two] = [at(1500), at(3000), at(1500, 2)]
    expect(one.held!.clampN * 2).toBeCloseTo(more.held!.clampN, 6)
    expect(one.held!.clampN).toBeCloseTo(two.held!.clampN * 2, 6)
    expect(one.held!.enough).toBe(one.pressureAtFootMpa! >= one.held!.pressureMpa)
  })
  test('what is said is what was found, in whole units', () => {
    for (const torque of [500, 1500, 4000, 12_000]) {
      const { held, verdict, sentence } = at(torque)
      expect([verdict, sentence]).toEqual(
        held!.enough
          ? ['fits', expect.stringMatching(/^It holds: holding needs .*bar .*N clamp force/)]
          : ['needs', expect.stringMatching(/^It does not hold/)],
      )
    }
    const unknown = structuredClone(DEMO_PROJECT)
    for (const one of unknown.parts) if (one.kind === 'booster') delete one.assistN
    const open = stagingReport(unknown, 'balanced', { axle: 'front', axleTorqueNm: 500, calipersPerWheel: 1 })
    expect([open.verdict, open.sentence]).toEqual(['unknown', expect.stringMatching(/^Not enough data: .* at most/)])
  })
  test('nothing is said of brakes that cannot be computed', () => {
    const bare = structuredClone(DEMO_PROJECT)
    bare.setups[0].front = {}
    expect(stagingReport(bare, 'as-it-stands', { axle: 'front', axleTorqueNm: 1500, calipersPerWheel: 1 })).toMatchObject({
      held: undefined,
    })
  })
})

test('the car of the simulated probe is a little cooler than reckoned, at that moment', () => {
  const heat = heatReport(DEMO_PROJECT, 'balanced', 'hill')
  const now = carShowsC(heat, 'front', 'ring', 0)!
  expect(now).toBeLessThan(heat.lines.find((one) => one.label === 'Rotor, front')!.peakC)
  expect(carShowsC(heat, 'front', 'ring', 300)!).toBeLessThan(now)
  expect(carShowsC({ samples: [] }, 'front', 'ring', 0)).toBeUndefined()
})

describe('a session in a few words', () => {
  test.each(['hill', 'fade', 'descent', 'hard', 'stop'])('says what the session says: %s', (duty) => {
    for (const { id } of DEMO_PROJECT.setups) {
      const [brief, whole] = [heatBrief(DEMO_PROJECT, id, duty), heatReport(DEMO_PROJECT, id, duty)]
      expect([brief.verdict, brief.sentence]).toEqual([whole.verdict, whole.sentence])
      const goes = whole.goneAtS !== undefined || whole.lines.some((one) => one.overAtS !== undefined)
      expect(brief.value).toMatch(goes ? /^\d+ (s|runs?|stops?|laps?)$/ : /^\+?\d+.*left$/)
      expect(VERDICT_RANK[brief.verdict]).toBeGreaterThanOrEqual(goes ? VERDICT_RANK.needs : 0)
    }
  })
  test('the stock brakes carry one run, the estate’s three', () => {
    expect(['as-it-stands', 'estate-fronts'].map((id) => heatBrief(DEMO_PROJECT, id, 'hill').value)).toEqual(['1 run', '3 runs'])
  })
  test('a blank setup is not known', () => {
    const bare = structuredClone(DEMO_PROJECT)
    bare.setups[0].front = {}
    expect(heatBrief(bare, 'as-it-stands')).toMatchObject({ verdict: 'unknown', value: 'not known' })
  })
})
