import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { DEMO_PROJECT } from '../demo/project.ts'
import { cycleSegments } from '../heat/maths/drive-cycle.ts'
import { CYCLES } from '../heat/drive-cycles.ts'
import { heatReport } from '../heat/heat-report.ts'
import { cycleSeconds, writtenCycle, type WrittenCycle } from './drive-cycle.ts'
import { memberSchema } from './record-schema.ts'
import { schemaProblems } from './schema-problems.ts'

const problem = (duty: unknown) => schemaProblems(memberSchema(writtenCycle), duty)[0]?.message
const lap = (more: object) => ({ kind: 'laps', laps: 2, zones: [{ fromKmh: 90, toKmh: 40, decelG: 0.8, secondsToNext: 9 }], ...more })

test('the drivings of the table are all ones that could be written', () => {
  for (const { duty } of CYCLES) expect(problem(duty)).toBeUndefined()
})
test.each([
  [{ kind: 'flight' }, 'kind must be one of stops, descent, laps'],
  [7, 'kind must be one of stops, descent, laps'],
  [lap({ zones: [] }), 'needs at least one braking zone'],
  [lap({ zones: [null, 'x'] }), 'must not be null'],
  [lap({ laps: 0 }), 'must be between 1 and 100'],
  [lap({ zones: [{ fromKmh: 40, toKmh: 90, decelG: 0.8, secondsToNext: 9 }] }), 'has to end slower than it begins'],
  [lap({ zones: [{ fromKmh: 40, toKmh: 40, decelG: 0.8, secondsToNext: 9 }] }), 'has to end slower than it begins'],
  [lap({ zones: Array.from({ length: 1000 }, () => lap({}).zones[0]) }), 'at most 60 braking zones in a lap'],
  [lap({ laps: 100, zones: Array.from({ length: 60 }, () => lap({}).zones[0]) }), 'brakes more than 1500 times: fewer laps'],
  [
    lap({ zones: [{ fromKmh: 90, toKmh: 40, decelG: 0.8, secondsToNext: 0 }] }),
    'has a zone that begins at a speed above that of the zone before without time to speed up',
  ],
  [{ kind: 'descent', gradePercent: 9, lengthM: 100_000, kmh: 3 }, 'takes more than two hours'],
  [
    lap({ laps: 100, zones: Array.from({ length: 15 }, () => ({ ...lap({}).zones[0], secondsToNext: 3600 })) }),
    'lasts more than 100 hours in all: shorten the time between, or brake fewer times',
  ],
  [
    { kind: 'stops', fromKmh: 90, toKmh: 0, decelG: 0.6, count: 100, accelG: 0.02, cruiseSeconds: 3600 },
    'lasts more than 100 hours in all: shorten the time between, or brake fewer times',
  ],
  [{ kind: 'descent', gradePercent: 0, lengthM: 100, kmh: 30 }, 'must be between 0.5 and 40 %'],
])('%j is refused with words', (duty, message) => expect(problem(duty)).toBe(message))

/** Any driving that a schema lets in. */
const between = (min: number, max: number) => fc.double({ min, max, noNaN: true })
const descent = fc.record({
  kind: fc.constant('descent' as const),
  gradePercent: between(0.5, 40),
  lengthM: between(10, 20_000),
  kmh: between(3, 200),
  towMassKg: between(0, 3000),
  engineDragN: between(0, 5000),
})
const speeds = fc.tuple(between(0, 400), between(0, 400)).map(([a, b]) => ({ fromKmh: Math.max(a, b) + 1e-3, toKmh: Math.min(a, b) }))
const zone = fc
  .tuple(speeds, between(0.05, 3), between(0.001, 300))
  .map(([both, decelG, secondsToNext]) => ({ ...both, decelG, secondsToNext }))
const anyDuty: fc.Arbitrary<WrittenCycle> = fc.oneof(
  descent,
  fc
    .tuple(speeds, between(0.05, 3), fc.integer({ min: 1, max: 20 }), between(0.02, 2), between(0, 60))
    .map(([both, decelG, count, accelG, cruiseSeconds]) => ({ kind: 'stops' as const, ...both, decelG, count, accelG, cruiseSeconds })),
  fc
    .tuple(
      fc.integer({ min: 1, max: 6 }),
      fc.array(zone, { minLength: 1, maxLength: 6 }),
      fc.boolean(),
      fc.option(descent, { nil: undefined }),
    )
    .map(([laps, zones, coolingLap, down]) => ({ kind: 'laps' as const, laps, zones, coolingLap, ...(down ? { down } : {}) })),
)
test('how long a driving lasts is what its stretches last', () => {
  const car = { massKg: 1000, resistanceN: 0, resistancePerV2: 0 }
  fc.assert(
    fc.property(anyDuty, (duty) => {
      const seconds = cycleSegments(car, duty).reduce((sum, one) => sum + one.seconds, 0)
      expect(cycleSeconds(duty) / seconds).toBeCloseTo(1, 9)
    }),
  )
})
test('whatever a schema lets in is driven and answered', () => {
  fc.assert(
    fc.property(anyDuty, (duty) => {
      fc.pre(problem(duty) === undefined)
      const { lines, sentence, samples } = heatReport({ ...DEMO_PROJECT, duties: [{ id: 'any', name: 'Any', duty }] }, 'balanced', 'any')
      expect(sentence).not.toMatch(/undefined|NaN/)
      for (const one of lines) expect(Number.isFinite(one.peakC) && one.peakC >= 19.9).toBe(true)
      expect(samples.every((one) => Number.isFinite(one.front.ringC))).toBe(true)
    }),
    { numRuns: 25 },
  )
})
