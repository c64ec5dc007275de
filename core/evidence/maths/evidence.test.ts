import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { normalQuantile } from '../../maths/normal.ts'
import { runs } from '../../testing/runs.ts'
import { compareInBlocks, scatterWithin } from './compare-blocks.ts'
import { compareRuns, runsEach } from './compare-runs.ts'
import { stopInTrace, thinnedTrace } from './stop-in-trace.ts'
import { correctedM, decelerations, tracedStop, type SpeedSample } from './stop-run.ts'
import { studentQuantile, varianceOf } from './student.ts'
import { stepOf, wearForecast } from './wear-forecast.ts'
import { wearLine } from './wear-line.ts'

/** Uniform in (0, 1), the same for a seed. */
function stream(seed: number): () => number {
  let state = seed
  return () => {
    state = (state * 48271) % 2147483647
    return state / 2147483647
  }
}
const gauss = (next: () => number) => normalQuantile(Math.min(1 - 1e-12, Math.max(1e-12, next())))

test('quantiles of Student’s t: tables, and the normal far out', () => {
  expect(studentQuantile(0.975, 1)).toBeCloseTo(12.706, 3)
  expect(studentQuantile(0.975, 10)).toBeCloseTo(2.228, 3)
  expect(studentQuantile(0.95, 5)).toBeCloseTo(2.015, 3)
  expect(studentQuantile(0.8, 1e6)).toBeCloseTo(normalQuantile(0.8), 4)
})

describe('a stop', () => {
  test('goes with the square of the speed, and is set aside where it began too far off', () => {
    expect(correctedM(100, { fromKmh: 100, distanceM: 40 })).toBe(40)
    expect(correctedM(100, { fromKmh: 102, distanceM: 40 })!).toBeCloseTo(40 / 1.02 ** 2, 9)
    expect([96.79, 103.21].map((fromKmh) => correctedM(100, { fromKmh, distanceM: 40 }))).toEqual([undefined, undefined])
    expect([96.8, 103.2].every((fromKmh) => correctedM(100, { fromKmh, distanceM: 40 }) !== undefined)).toBe(true)
  })
  test('at one deceleration is what is said of it', () => {
    fc.assert(
      fc.property(fc.double({ min: 40, max: 200, noNaN: true }), fc.double({ min: 3, max: 11, noNaN: true }), (kmh, ms2) => {
        const seconds = kmh / 3.6 / ms2
        const samples: SpeedSample[] = Array.from({ length: 201 }, (_, i) => [(seconds * i) / 200, kmh * (1 - i / 200)])
        const { distanceM, mfddMs2, fromKmh } = tracedStop(samples)
        expect(distanceM).toBeCloseTo((kmh / 3.6) ** 2 / 2 / ms2, 6)
        expect(mfddMs2!).toBeCloseTo(ms2, 6)
        expect(fromKmh).toBe(kmh)
        for (const one of decelerations(samples)) expect(one.ms2).toBeCloseTo(ms2, 6)
      }),
    )
  })
  test('that ends half way has no mean of full braking; times that do not rise are refused', () => {
    expect(
      tracedStop([
        [0, 100],
        [1, 60],
      ]).mfddMs2,
    ).toBeUndefined()
    expect(() =>
      tracedStop([
        [0, 100],
        [0, 60],
      ]),
    ).toThrow('rise')
    expect(() => tracedStop([[0, 100]])).toThrow('two')
  })
})

describe('a stop in a trace', () => {
  /** Rolling, braking with a build-up, standing. */
  function drive({ kmh = 100, ms2 = 8, noiseKmh = 0, everyS = 0.05, seed = 1, buildUpS = 0.3, engineMs2 = 0 } = {}): {
    points: SpeedSample[]
    brakeAtS: number
    distanceM: number
  } {
    const next = stream(seed)
    const points: SpeedSample[] = []
    const d = 2
    let [v, distanceM] = [kmh / 3.6, 0]
    const fine = 0.001
    for (let t = 0; t < d + 1.5 + kmh / 3.6 / ms2 + buildUpS; t += fine) {
      const a = engineMs2 + (t < d ? 0 : Math.min(1, (t - d) / buildUpS) * (ms2 - engineMs2))
      if (t >= d) distanceM += v * fine
      v = Math.max(0, v - a * fine)
      if (Math.round(t / fine) % Math.round(everyS / fine) === 0)
        points.push([Number(t.toFixed(4)), Math.max(0, v * 3.6 + noiseKmh * (2 * next() - 1))])
    }
    return { points, brakeAtS: d, distanceM }
  }
  test('is found from brake to stand, with noise and at any rate of samples: to a tenth of a second of rolling and half a sample', () => {
    for (const everyS of [0.02, 0.05, 0.1])
      for (const noiseKmh of [0, 0.6])
        for (let seed = 1; seed <= 20; seed += 1) {
          const { points, distanceM } = drive({
            noiseKmh,
            everyS,
            seed,
            buildUpS: 0.1 * (seed % 4) + 0.001,
            ms2: 5 + (seed % 5),
            kmh: 60 + 5 * seed,
          })
          const found = stopInTrace(points)
          if (!found.ok) {
            // with noise the start may be too uncertain
            expect([noiseKmh, found.message]).toEqual([0.6, expect.stringMatching(/^Where the brake was applied/)])
            continue
          }
          const traced = tracedStop(found.samples)
          expect(Math.abs(traced.distanceM - distanceM)).toBeLessThan(((60 + 5 * seed) / 3.6) * (0.1 + everyS / 2))
          expect(found.samples[0]![0]).toBe(0)
          expect(found.samples[found.samples.length - 1]![1]).toBe(0)
        }
  })
  test.each([0, 0.8, 1.5])('engine braking of %p m/s2 and a slow foot move no start', (engineMs2) => {
    for (const buildUpS of [0.1, 0.3, 0.8, 1.2])
      for (const everyS of [0.02, 0.05, 0.1]) {
        const { points, distanceM } = drive({ engineMs2, buildUpS, everyS })
        const found = stopInTrace(points)
        if (!found.ok) throw new Error(found.message)
        expect(Math.abs(tracedStop(found.samples).distanceM - distanceM)).toBeLessThan(0.8)
      }
  })
  test('with noise a distance is off by no more than its start is uncertain, or the trace is refused', () => {
    const next = stream(77)
    let [taken, within, refused] = [0, 0, 0]
    for (let i = 0; i < runs(600, 120); i += 1) {
      const noiseKmh = [0.3, 0.8, 1.7][i % 3]!
      const { points, distanceM } = drive({
        noiseKmh,
        everyS: [0.02, 0.05, 0.1][Math.floor(i / 3) % 3]!,
        engineMs2: 1.5 * next(),
        buildUpS: 0.1 + 1.1 * next(),
        ms2: 6 + 3 * next(),
        seed: i + 1,
      })
      const found = stopInTrace(points)
      if (!found.ok) {
        refused += 1
        expect(found.message).toMatch(/^Where the brake was applied is known to|late trigger/)
        continue
      }
      taken += 1
      const off = Math.abs(tracedStop(found.samples).distanceM - distanceM)
      expect(off).toBeLessThan(6)
      // a tenth of a metre is the trapezoids'
      if (off <= found.uStartM + 0.3) within += 1
    }
    expect(refused).toBeGreaterThan(0)
    expect(within / taken).toBeGreaterThan(0.9)
  })
  test.each<[string, (points: SpeedSample[]) => SpeedSample[], RegExp]>([
    ['that begins while braking', (all) => all.filter(([t]) => t > 2.4), /late trigger/],
    ['with a hole', (all) => all.filter(([t]) => t < 2.8 || t > 3.6), /dropped out/],
    ['of a wheel that locks', (all) => all.map(([t, v]) => [t, t > 3 ? 0 : v]), /locked/],
    ['that does not end', (all) => all.filter(([t]) => t < 4), /does not stop in this trace/],
    ['of a few samples', (all) => all.slice(0, 3), /too few/],
    [
      'that rolls out',
      (all) => all.map(([t], i) => [t, 100 - (100 * i) / (all.length - 1)] as SpeedSample).map(([t, v]) => [t * 12, v]),
      /Nothing brakes/,
    ],
  ])('%s is refused in words', (_, spoil, words) => {
    expect(stopInTrace(spoil(drive().points))).toEqual({ ok: false, message: expect.stringMatching(words) })
  })
  test('is thinned to what a project keeps, its ends stay', () => {
    const { points } = drive({ everyS: 0.002 })
    const thin = thinnedTrace(points)
    expect(thin.length).toBeLessThanOrEqual(401)
    expect([thin[0], thin[thin.length - 1]]).toEqual([points[0], points[points.length - 1]])
  })
})

describe('two sets of runs', () => {
  const runs = (next: () => number, n: number, mean: number, sd: number) => Array.from({ length: n }, () => mean + sd * gauss(next))
  const trials = (trueM: number, count = 2000, n = 6, sd = 1.2) => {
    const next = stream(1 + Math.round(trueM * 100))
    let [shown, holds] = [0, 0]
    for (let i = 0; i < count; i += 1) {
      const found = compareRuns(runs(next, n, 40, sd), runs(next, n, 40 + trueM, sd))
      if (found.verdict !== 'notShown') shown += 1
      if (found.lowM <= trueM && found.highM >= trueM) holds += 1
    }
    return { shown: shown / count, holds: holds / count }
  }
  test('without a difference four to six in a hundred are false alarms', () => {
    const { shown, holds } = trials(0)
    expect(shown).toBeGreaterThan(0.04)
    expect(shown).toBeLessThan(0.06)
    expect(holds).toBeGreaterThan(0.94)
  })
  test.each([1, 3])('with a true difference of %d m the promised eight of ten are shown by as many runs as were asked for', (trueM) => {
    const sd = 1.2
    const n = runsEach(sd ** 2, sd ** 2, trueM)!
    const { shown, holds } = trials(trueM, 2000, n, sd)
    // the number of runs is whole: with few of them the power is above what was asked for, never more than 5 points below
    const exact = compareRuns([40 - sd, 40 + sd], [40, 40])
    expect(exact.df).toBeGreaterThan(0)
    expect(shown).toBeGreaterThan(0.75)
    if (trueM === 1) expect(shown).toBeLessThan(0.85)
    expect(holds).toBeGreaterThan(0.93)
    if (n > 2) expect(trials(trueM, 2000, n - 1, sd).shown).toBeLessThan(0.85)
  })
  test('the other way round is the other sign; more runs never show less', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 30, max: 50, noNaN: true }), { minLength: 2, maxLength: 8 }),
        fc.array(fc.double({ min: 30, max: 50, noNaN: true }), { minLength: 2, maxLength: 8 }),
        (a, b) => {
          const [ab, ba] = [compareRuns(a, b), compareRuns(b, a)]
          expect(ab.differenceM).toBeCloseTo(-ba.differenceM, 9)
          expect([ab.lowM, ab.highM].map((one) => one.toFixed(6))).toEqual([-ba.highM, -ba.lowM].map((one) => one.toFixed(6)))
          const [v, w] = [varianceOf(a), varianceOf(b)]
          const each = [0.5, 1, 2, 4].map((wanted) => runsEach(v, w, wanted) ?? 1001)
          expect(each).toEqual([...each].sort((x, y) => y - x))
        },
      ),
    )
  })
  test('alike to the millimetre prove nothing finer; one run is refused; nobody drives more than a thousand', () => {
    expect(compareRuns([40, 40], [40, 40]).verdict).toBe('notShown')
    expect(() => compareRuns([40], [41, 42])).toThrow('two runs')
    expect(runsEach(100, 100, 0.1)).toBeUndefined()
  })
})

describe('wear', () => {
  test('forecasts hold the truth in 85 to 95 of 100', () => {
    const next = stream(99)
    let [holds, all] = [0, 0]
    for (let i = 0; i < 2000; i += 1) {
      const [start, per, n] = [12 + 4 * next(), 0.3 + 0.5 * next(), 4 + Math.floor(4 * next())]
      const points = Array.from({ length: n }, (_, k) => [2 * k, start - per * 2 * k + 0.15 * gauss(next)] as const)
      const line = wearLine(points, 3)
      if (line.usedUpAt === undefined) continue
      all += 1
      const truth = (start - 3) / per
      if (truth >= line.earliest! && truth <= (line.latest ?? Infinity)) holds += 1
    }
    expect(holds / all).toBeGreaterThan(0.85)
    expect(holds / all).toBeLessThan(0.95)
  })
  test('two readings say when, not how sure; a pad that grows is never used up; one event is refused', () => {
    expect(
      wearLine(
        [
          [0, 12],
          [5, 9.5],
        ],
        3,
      ),
    ).toEqual({ perEventMm: 0.5, uPerEventMm: undefined, usedUpAt: 18, earliest: undefined, latest: undefined })
    expect(
      wearLine(
        [
          [0, 12],
          [5, 12.4],
        ],
        3,
      ).usedUpAt,
    ).toBeUndefined()
    expect(() =>
      wearLine(
        [
          [3, 12],
          [3, 11],
        ],
        3,
      ),
    ).toThrow('two different events')
  })
})

describe('two setups within blocks', () => {
  const SESSIONS = runs(4000, 800)
  /** How often a difference is shown where there is none. */
  const alarms = (blocks: readonly { a: number; b: number }[], ratio: number, dayM: number): number => {
    const next = stream(20261130)
    let shown = 0
    for (let i = 0; i < SESSIONS; i += 1) {
      const drawn = blocks.map(({ a, b }) => {
        const day = 45 + dayM * gauss(next)
        const runsOf = (many: number, scatter: number) => Array.from({ length: many }, () => day + scatter * gauss(next))
        return { a: runsOf(a, 0.5), b: runsOf(b, 0.5 * ratio) }
      })
      const found = compareInBlocks(drawn)
      if (found && found.verdict !== 'notShown') shown += 1
    }
    return shown / SESSIONS
  }
  test.each<[string, { a: number; b: number }[], number]>([
    ['five against two, the two scatter 2.5 times as much', [{ a: 5, b: 2 }], 2.5],
    ['five against two', [{ a: 5, b: 2 }], 1],
    ['ten against three, the three three times', [{ a: 10, b: 3 }], 3],
    ['four each', [{ a: 4, b: 4 }], 1],
    [
      'three days of two each',
      [
        { a: 2, b: 2 },
        { a: 2, b: 2 },
        { a: 2, b: 2 },
      ],
      1,
    ],
    [
      'two days, unlike numbers and scatter',
      [
        { a: 4, b: 1 },
        { a: 3, b: 2 },
      ],
      2.5,
    ],
    ['four days with one run each', Array.from({ length: 4 }, () => ({ a: 1, b: 1 })), 1],
  ])('%s: no false alarm in more than 5 of 100', (_, blocks, ratio) => {
    // three standard errors of the share
    expect(alarms(blocks, ratio, 6)).toBeLessThanOrEqual(0.05 + 3 * Math.sqrt((0.05 * 0.95) / SESSIONS))
  })
  test('one block of equal numbers is Welch’s test', () => {
    const [a, b] = [
      [36.9, 36.75, 36.64, 36.67],
      [34.38, 33.42, 33.73, 33.18],
    ]
    const found = compareInBlocks([{ a: a!, b: b! }])!
    const welch = compareRuns(a!, b!)
    for (const key of ['differenceM', 'lowM', 'highM', 'df', 'detectableM'] as const) expect(found[key]).toBeCloseTo(welch[key], 9)
  })
  test('a day that is slower moves nothing', () => {
    fc.assert(
      fc.property(fc.double({ min: -20, max: 20, noNaN: true }), (dayM) => {
        const blocks = [
          { a: [48, 48.4, 48.1], b: [46.1, 46.5] },
          { a: [35.2, 35], b: [33.1, 33.3] },
        ]
        const moved = [blocks[0]!, { a: blocks[1]!.a.map((one) => one + dayM), b: blocks[1]!.b.map((one) => one + dayM) }]
        expect(compareInBlocks(moved)!.differenceM).toBeCloseTo(compareInBlocks(blocks)!.differenceM, 9)
        expect(compareInBlocks(moved)!.lowM).toBeCloseTo(compareInBlocks(blocks)!.lowM, 9)
      }),
    )
  })
  test('what nothing repeats has no scatter and no comparison', () => {
    expect(compareInBlocks([{ a: [40], b: [39] }])).toBeUndefined()
    expect(compareInBlocks([{ a: [40, 41], b: [] }])).toBeUndefined()
    expect(scatterWithin([[40], [50]])).toBeUndefined()
    expect(
      scatterWithin([
        [40, 42],
        [50, 52],
      ]),
    ).toBeCloseTo(Math.SQRT2, 9)
  })
})

describe('a forecast of wear', () => {
  const PARTS = runs(1000, 300)
  /** How often the range holds the event at which a pad meets its minimum. */
  const holds = (count: number, stepMm: number, noiseMm: number): number => {
    const next = stream(11)
    let held = 0
    for (let i = 0; i < PARTS; i += 1) {
      const rate = 0.3 + 0.5 * next()
      const truth = 9 / rate
      const span = (0.3 + 0.4 * next()) * truth
      const points = Array.from({ length: count }, (_, k): [number, number] => {
        const event = Math.round((span * k) / (count - 1))
        return [event, Math.round((12 - rate * event + noiseMm * gauss(next)) / stepMm) * stepMm]
      })
      const { earliest, latest } = wearForecast(points, 3)
      if ((earliest ?? -Infinity) <= truth && truth <= (latest ?? Infinity)) held += 1
    }
    return held / PARTS
  }
  test.each([
    [3, 0.01, 0.1],
    [4, 0.01, 0.03],
    [6, 0.01, 0.2],
    [8, 0.1, 0.1],
    [4, 0.1, 0.2],
    [6, 0.5, 0.1],
    [8, 0.5, 0.2],
    [4, 0.5, 0.1],
    [2, 0.5, 0.2],
  ])('%p readings in steps of %p mm that scatter by %p mm: the range holds', (count, stepMm, noiseMm) => {
    // a rule of half a millimetre hides how little the rest scatters: the range may be wider than it need be
    expect(holds(count, stepMm, noiseMm)).toBeGreaterThanOrEqual(0.85)
  })
  test('the steps of the instrument are seen in the readings', () => {
    expect([stepOf([12, 9.5]), stepOf([12.3, 9.5]), stepOf([12.34, 9.5]), stepOf([12, 9])]).toEqual([0.5, 0.1, 0.02, 1])
  })
  test('a bend shows where it is there, and seldom where it is not', () => {
    const bend = [0, 2, 4, 6, 8].map((event) => [event, 14 - 0.3 * event - 0.03 * event ** 2] as const)
    expect(wearForecast(bend, 3).speedingUp).toBe(true)
    expect(wearForecast(bend, 3).usedUpAt!).toBeLessThan(wearLine(bend, 3).usedUpAt!)
    const next = stream(3)
    let seen = 0
    for (let i = 0; i < 400; i += 1)
      if (
        wearForecast(
          [0, 2, 4, 6, 8].map((event) => [event, 14 - 0.5 * event + 0.1 * gauss(next)] as const),
          3,
        ).speedingUp
      )
        seen += 1
    expect(seen / 400).toBeLessThan(0.1)
  })
})
