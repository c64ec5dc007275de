import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { chain } from '../../hydraulics/maths/chain.ts'
import { axleForcePerMpa, pressurePerNewton } from '../../hydraulics/maths/system.ts'
import { CORNER_NODES } from '../../testing/corner-nodes.ts'
import { runs } from '../../testing/runs.ts'
import { randomSystem } from '../../testing/systems.ts'
import { cycleSegments, cycleWorkJ, owedN, repeatsOf, steps, workJ, type DriveCycle, type CycleCar } from './drive-cycle.ts'
import { presentBoil, waterAfter } from './fluid.ts'
import { enthalpy, IRON_HEAT } from './nodes.ts'
import { cornersOf, frictionAt, pressureFor, session, type SessionCircuits, type SessionAxle } from './session.ts'

const between = (min: number, max: number) => fc.double({ min, max, noNaN: true })
const car: CycleCar = { massKg: 1150, resistanceN: 180, resistancePerV2: 0.4 }
const FADES = [
  [0, 0.36],
  [100, 0.42],
  [400, 0.4],
  [550, 0.2],
  [700, 0.08],
] as const
const axle = (forcePerMpaN: number, friction: SessionAxle['friction'] = FADES): SessionAxle => ({
  nodes: CORNER_NODES,
  cheekMm: 7,
  sealMpa: 0.05,
  forcePerMpaN,
  friction,
})
const axles = { front: axle(2600), rear: axle(900) }
const circuits: SessionCircuits = { rearPerFront: 1, valve: undefined, mostFrontMpa: 12 }
const laps: DriveCycle = {
  kind: 'laps',
  laps: 8,
  zones: [
    { fromKmh: 170, toKmh: 70, decelG: 0.9, secondsToNext: 18 },
    { fromKmh: 150, toKmh: 60, decelG: 0.8, secondsToNext: 22 },
  ],
}
const run = (of = axles, duty: DriveCycle = laps, to: Partial<SessionCircuits> = {}, mass = car, ambientC = 20) =>
  session(of, { ...circuits, ...to }, cycleSegments(mass, duty), { startC: ambientC, ambientC })

describe('duties', () => {
  test('the work of a segment is that of many small pieces of it', () => {
    fc.assert(
      fc.property(
        between(10, 250),
        between(0, 250),
        between(1, 30),
        between(100, 9000),
        between(0, 6),
        (from, to, seconds, forceN, forcePerV2) => {
          const segment = { kind: 'brake' as const, seconds, fromKmh: from, toKmh: to, forceN, forcePerV2 }
          const pieces = 4000
          let sum = 0
          for (let i = 0; i < pieces; i += 1) {
            const ms = (from + ((to - from) * (i + 0.5)) / pieces) / 3.6
            sum += (owedN(segment, ms) * ms * seconds) / pieces
          }
          const whole = workJ(segment, from / 3.6, to / 3.6, seconds)
          expect(Math.abs(whole - sum)).toBeLessThanOrEqual(1e-3 * Math.max(whole, 1))
        },
      ),
    )
  })
  test('the steps of a segment are its whole work, time and speeds', () => {
    const long = [
      { kind: 'roll', seconds: 3600, fromKmh: 40, toKmh: 170, forceN: 0, forcePerV2: 0 },
      { kind: 'roll', seconds: 7200, fromKmh: 50, toKmh: 50, forceN: 0, forcePerV2: 0 },
    ] as const
    for (const segment of [...cycleSegments(car, laps), ...long]) {
      const { count, seconds, ms } = steps(segment)
      const all = Array.from({ length: count }, (_, i) => seconds(i))
      expect(all.reduce((sum, one) => sum + one, 0)).toBeCloseTo(segment.seconds, 9)
      expect([ms(0) * 3.6, ms(count) * 3.6].map((one) => Math.round(one * 1e6) / 1e6)).toEqual([segment.fromKmh, segment.toKmh])
      let sum = 0
      for (let i = 0; i < count; i += 1) sum += workJ(segment, ms(i), ms(i + 1), seconds(i))
      expect(sum).toBeCloseTo(cycleWorkJ([segment]), 3)
    }
  })
  test('standing still takes time and no work', () => {
    expect(cycleSegments(car, { kind: 'parked', seconds: 600 })).toMatchObject([{ seconds: 600, forceN: 0 }])
    expect(cycleSegments(car, { kind: 'parked', seconds: 0 })).toEqual([])
  })
})

describe('the pressure that gives a force', () => {
  test('is that of the chain, with seals, valve, bar and drums', () => {
    fc.assert(
      fc.property(randomSystem({ valve: true }), between(1, 1500), (system, pedalForceN) => {
        const found = chain(system, pedalForceN)
        const per = pressurePerNewton(system.master)
        const forceN = found.front.forceN + found.rear.forceN
        fc.pre(forceN > 1)
        const of: SessionCircuits = { rearPerFront: per.rear / per.front, valve: system.valve, mostFrontMpa: Infinity }
        const mpa = pressureFor(
          forceN,
          axleForcePerMpa(system.front, system.tyreRadiusMm.front),
          axleForcePerMpa(system.rear, system.tyreRadiusMm.rear),
          system.front.sealMpa,
          system.rear.sealMpa,
          of,
          cornersOf(system.front.sealMpa, system.rear.sealMpa, of),
        )
        expect(mpa).toBeCloseTo(found.front.pressureMpa, 6)
      }),
    )
  })
  test('there is none where nothing rubs', () => {
    expect(pressureFor(1000, 0, 0, 0.05, 0.05, circuits, cornersOf(0.05, 0.05, circuits))).toBe(Infinity)
  })
})

describe('friction over temperature', () => {
  test('is straight between its points and flat outside; two points at one temperature are a step', () => {
    expect([-50, 0, 50, 475, 900].map((at) => frictionAt(FADES, at))).toEqual([0.36, 0.36, 0.39, expect.closeTo(0.3, 9), 0.08])
    expect(
      frictionAt(
        [
          [100, 0.4],
          [100, 0.2],
          [200, 0.2],
        ],
        101,
      ),
    ).toBe(0.2)
    expect(frictionAt([[20, 0.4]], 500)).toBe(0.4)
  })
})

describe('a session', () => {
  test('all the work of the car goes into its four corners', () => {
    const { workJ: of, gone } = run(axles, laps, { mostFrontMpa: 40 })
    expect(gone).toBeUndefined()
    expect((of.front + of.rear) / cycleWorkJ(cycleSegments(car, laps))).toBeCloseTo(1, 9)
  })
  test('pads that fade ask for more pressure, until there is no more: then it ends, in that braking', () => {
    const many = { ...laps, laps: 60 }
    const { gone, peak, peakPressureMpa, ends } = run({ front: axle(2200), rear: axle(800) }, many, { mostFrontMpa: 10 })
    expect(gone).toBeDefined()
    expect(cycleSegments(car, many)[gone!.segment]!.kind).toBe('brake')
    expect(ends).toHaveLength(gone!.segment)
    expect(peakPressureMpa).toBe(10)
    expect(peak.front.faceC).toBeGreaterThan(400)
    // more pressure lasts longer
    const stronger = run({ front: axle(2200), rear: axle(800) }, many, { mostFrontMpa: 14 }).gone
    expect(stronger === undefined || stronger.seconds >= gone!.seconds).toBe(true)
  })
  test('an axle that fades leaves the work to the other', () => {
    const flat = [[20, 0.42]] as const
    const fading = run({ front: axle(2600), rear: axle(900, flat) }, laps, { mostFrontMpa: 40 })
    const steady = run({ front: axle(2600, flat), rear: axle(900, flat) }, laps, { mostFrontMpa: 40 })
    expect(fading.workJ.rear).toBeGreaterThan(steady.workJ.rear)
  })
  test('a heavier car and hotter air never cool anything', () => {
    fc.assert(
      fc.property(between(1, 1.4), between(0, 25), (heavier, warmer) => {
        const flat = { front: axle(2600, [[20, 0.42]]), rear: axle(900, [[20, 0.42]]) }
        const as = run(flat, laps, { mostFrontMpa: 60 })
        for (const other of [
          run(flat, laps, { mostFrontMpa: 60 }, { ...car, massKg: car.massKg * heavier }),
          run(flat, laps, { mostFrontMpa: 60 }, car, 20 + warmer),
        ])
          for (const at of ['front', 'rear'] as const)
            for (const key of ['ringC', 'padC', 'caliperC', 'fluidC', 'faceC'] as const)
              expect(other.peak[at][key]).toBeGreaterThanOrEqual(as.peak[at][key] - 1e-6)
      }),
      { numRuns: 25 },
    )
  })
  test('halving the step changes nothing by more than 0.1 degC', () => {
    const segments = cycleSegments(car, { ...laps, laps: 3 })
    const [whole, half] = [undefined, 0.05].map((mostStepS) =>
      session(axles, { ...circuits, mostFrontMpa: 40 }, segments, { startC: 20, ambientC: 20, ...(mostStepS ? { mostStepS } : {}) }),
    )
    whole!.ends.forEach((end, i) => {
      for (const at of ['front', 'rear'] as const)
        for (const key of ['ringC', 'padC', 'caliperC'] as const) expect(Math.abs(end[at][key] - half!.ends[i]![at][key])).toBeLessThan(0.1)
    })
  })
  test('odd duties end in honest results: no zones, no time, braking at a stand, deep frost', () => {
    const odd: DriveCycle[] = [
      { kind: 'laps', laps: 3, zones: [] },
      { kind: 'laps', laps: 1, zones: [{ fromKmh: 0, toKmh: 0, decelG: 0.8, secondsToNext: 0 }] },
      { kind: 'stops', fromKmh: 100, toKmh: 100, decelG: 0.8, count: 3, accelG: 0.3, cruiseSeconds: 0 },
      { kind: 'laps', laps: 1, zones: Array.from({ length: 1000 }, () => laps.zones[0]!) },
      { kind: 'descent', gradePercent: 0, lengthM: 1000, kmh: 50 },
    ]
    for (const duty of odd) {
      const { peak, ends } = run(axles, duty, { mostFrontMpa: 40 }, car, -40)
      for (const at of ['front', 'rear'] as const) expect(Object.values(peak[at]).every(Number.isFinite)).toBe(true)
      for (const end of ends) expect(Object.values(end.front).every(Number.isFinite)).toBe(true)
    }
  })
})

describe('fluid', () => {
  test('water only ever lowers its boiling point, never below the wet one; from 3.7 % on it is changed', () => {
    fc.assert(
      fc.property(between(200, 320), between(140, 200), between(0, 8), between(0, 8), (dryC, wetC, a, b) => {
        const [less, more] = [Math.min(a, b), Math.max(a, b)].map((water) => presentBoil(dryC, wetC, water))
        expect(more!.boilC).toBeLessThanOrEqual(less!.boilC)
        expect(more!.boilC).toBeGreaterThanOrEqual(wetC)
        expect(less!.boilC).toBeLessThanOrEqual(dryC)
      }),
    )
    expect([3.69, 3.7].map((water) => presentBoil(260, 180, water).changeNow)).toEqual([false, true])
    expect([waterAfter(12), waterAfter(12, 'humid'), waterAfter(0)]).toEqual([2, 3, 0])
  })
})

test('what an axle has given off at the end is what went in and is not held', () => {
  const { ends, givenOffJ, workJ: inJ, gone } = run(axles, laps, { mostFrontMpa: 1000 })
  expect(gone).toBeUndefined()
  expect(givenOffJ).toHaveLength(ends.length)
  const held = (ringC: number, padC: number, caliperC: number) => {
    const { ringMassKg, padJPerK, caliperJPerK, heat = IRON_HEAT } = CORNER_NODES
    return ringMassKg * enthalpy(heat, ringC) + padJPerK * padC + caliperJPerK * caliperC
  }
  for (const at of ['front', 'rear'] as const) {
    const end = ends[ends.length - 1]![at]
    const risen = held(end.ringC, end.padC, end.caliperC) - held(20, 20, 20)
    expect(givenOffJ[givenOffJ.length - 1]![at] / (inJ[at] - 2 * risen)).toBeCloseTo(1, 6)
  }
})

describe('long sessions', () => {
  const zone = fc.record({
    fromKmh: between(90, 200),
    toKmh: between(0, 80),
    decelG: between(0.3, 1),
    secondsToNext: fc.oneof(between(5, 60), between(300, 3600)),
  })
  const repeated: fc.Arbitrary<DriveCycle> = fc.oneof(
    fc.record({
      kind: fc.constant('laps' as const),
      laps: fc.integer({ min: 3, max: 25 }),
      zones: fc.array(zone, { minLength: 1, maxLength: 3 }),
    }),
    fc.record({
      kind: fc.constant('stops' as const),
      fromKmh: between(80, 160),
      toKmh: between(0, 60),
      decelG: between(0.3, 0.9),
      count: fc.integer({ min: 2, max: 30 }),
      accelG: between(0.1, 0.4),
      cruiseSeconds: fc.oneof(fc.constant(0), between(5, 900)),
    }),
  )
  /** A session and every moment of it. */
  const whole = (duty: DriveCycle, repeats: ReturnType<typeof repeatsOf>) => {
    const moments: [number, number, number, number][] = []
    const each = (seconds: number, segment: number, front: { ringC: number }, rear: { padC: number }) =>
      void moments.push([seconds, segment, front.ringC, rear.padC])
    const found = session(axles, circuits, cycleSegments(car, duty), { startC: 20, ambientC: 20, each, repeats })
    return { found, moments }
  }
  test('a stretch that ends as it began is put again and again: every moment, end and joule as if it were computed', () => {
    fc.assert(
      fc.property(repeated, (duty) => {
        const [one, all] = [whole(duty, repeatsOf(duty)), whole(duty, undefined)]
        expect([one.found.gone?.segment, one.found.ends.length, one.moments.length]).toEqual([
          all.found.gone?.segment,
          all.found.ends.length,
          all.moments.length,
        ])
        one.moments.forEach(([seconds, segment, ringC, padC], i) => {
          const [s, at, ring, pad] = all.moments[i]!
          if (segment !== at || Math.abs(seconds - s) > 1e-6 * (1 + s) || Math.abs(ringC - ring) > 0.3 || Math.abs(padC - pad) > 0.3)
            throw new Error(`moment ${i}: ${JSON.stringify([one.moments[i], all.moments[i]])}`)
        })
        for (const side of ['front', 'rear'] as const) {
          expect(Math.abs(one.found.peak[side].ringC - all.found.peak[side].ringC)).toBeLessThan(0.3)
          expect(one.found.workJ[side] / all.found.workJ[side]).toBeCloseTo(1, 3)
          const out = (found: typeof one.found) => found.givenOffJ[found.givenOffJ.length - 1]?.[side] ?? 0
          expect(Math.abs(out(one.found) - out(all.found))).toBeLessThan(2e-3 * Math.max(out(all.found), 1))
        }
      }),
      { numRuns: runs(30, 400), seed: 20261130 },
    )
  })
  test('an hour of rest in steps that grow is an hour in steps of a second', () => {
    fc.assert(
      fc.property(between(400, 3600), between(0, 120), between(0, 200), (seconds, fromKmh, toKmh) => {
        const segments = [
          { kind: 'brake', seconds: 20, fromKmh: 120, toKmh: 120, forceN: 4000, forcePerV2: 0.4 },
          { kind: 'roll', seconds, fromKmh, toKmh, forceN: 0, forcePerV2: 0 },
        ] as const
        const at = (mostStepS?: number) =>
          session(axles, circuits, segments, { startC: 20, ambientC: 20, ...(mostStepS === undefined ? {} : { mostStepS }) }).ends[1]!
        const [grown, fine] = [at(), at(0.5)]
        for (const side of ['front', 'rear'] as const)
          for (const key of ['ringC', 'padC', 'caliperC'] as const) expect(Math.abs(grown[side][key] - fine[side][key])).toBeLessThan(0.5)
      }),
      { numRuns: runs(15, 200), seed: 20261130 },
    )
  })
  test('the most that a file may hold takes a bounded number of steps', () => {
    const zones = Array.from({ length: 15 }, () => ({ fromKmh: 120, toKmh: 60, decelG: 0.7, secondsToNext: 3600 }))
    const duty: DriveCycle = { kind: 'laps', laps: 100, zones }
    let computed = 0
    const counting = {
      ...axles,
      front: {
        ...axles.front,
        get nodes() {
          return ((computed += 1), CORNER_NODES)
        },
      },
    }
    session(counting, circuits, cycleSegments(car, duty), { startC: 20, ambientC: 20, repeats: repeatsOf(duty) })
    // a second each would be five million and more
    expect(computed).toBeLessThan(200_000)
  })
})
