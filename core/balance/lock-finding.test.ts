import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { DEMO_PROJECT } from '../demo/project.ts'
import type { Project } from '../records/project.ts'
import { figure } from '../quantity/figure.ts'
import { evaluate } from '../evaluate/evaluate.ts'
import { keyFigures } from '../evaluate/key-figures.ts'
import { adjustmentReport } from '../whatif/adjustments.ts'
import { lockUpReport } from '../evidence/lock-up-observations.ts'
import type { LockUpObservation } from '../records/logbook.ts'
import { DEFAULT_UNITS } from '../quantity/units.ts'
import { VERDICT_RANK } from '../figures/words.ts'
import { SHOE_SENSITIVITY, withMoreFriction, type AxleBrake } from '../hydraulics/maths/system.ts'

const demo = (change: (project: Project) => void): Project => {
  const copy = structuredClone(DEMO_PROJECT)
  change(copy)
  return copy
}
const set = (project: Project, id: string, fields: Record<string, unknown>) =>
  Object.assign(
    project.parts.find((one) => one.id === id)!,
    fields,
  )
const order = (project: Project) => evaluate(project, 'as-it-stands').findings.find((one) => one.rule === 'lock-order')!
const rank = (project: Project) => VERDICT_RANK[order(project).verdict]
const share = (low: number, high: number) => fc.double({ min: low, max: high, noNaN: true })

describe('more at the rear never makes the order better', () => {
  test.each<[string, (project: Project, of: number) => void, number, number]>([
    ['friction of the rear pads', (project, mu) => set(project, 'stock-rear-pad', { friction: figure(mu) }), 0.2, 0.7],
    ['diameter of the rear pistons', (project, mm) => set(project, 'stock-rear-caliper', { pistonsMm: [figure(mm)] }), 20, 45],
    ['knee of the rear valve', (project, mpa) => set(project, 'stock-valve', { kneeMpa: figure(mpa) }), 0.5, 8],
    ['slope of the rear valve', (project, slope) => set(project, 'stock-valve', { slope: figure(slope) }), 0, 0.95],
  ])('%s', (_, change, low, high) => {
    fc.assert(
      fc.property(share(low, high), share(low, high), (a, b) => {
        const [less, more] = [a, b].sort((x, y) => x - y)
        expect(rank(demo((one) => change(one, more!)))).toBeGreaterThanOrEqual(rank(demo((one) => change(one, less!))))
      }),
      { numRuns: 25 },
    )
  })
})

describe('what the finding says', () => {
  const rear = (mm: number, more: (project: Project) => void = () => {}) =>
    demo((project) => {
      set(project, 'stock-rear-caliper', { pistonsMm: [figure(mm)] })
      more(project)
    })
  test('a rear that turns first names where, and that the car can spin', () => {
    expect(order(rear(42))).toMatchObject({
      verdict: 'blocked',
      sentence: expect.stringMatching(/^Rear locks first .*can spin under braking\.$/),
    })
  })
  test('in competition alone it is a warning', () => {
    expect(order(rear(42, (project) => (project.car.uses = ['circuit']))).verdict).toBe('check')
  })
  test('with electronic distribution the base split must be known against stock, and near it', () => {
    const kept = (setupId: string, more: (project: Project) => void = () => {}) => {
      const project = demo((one) => {
        one.car.abs = 'absAndDistribution'
        more(one)
      })
      return evaluate(project, setupId).findings.find((one) => one.rule === 'lock-order')!
    }
    expect(kept('as-it-stands').verdict).toBe('fits')
    // nobody knows what the car brakes with current car, though the setup is known
    const unknown = kept('balanced', (project) =>
      Reflect.deleteProperty(
        project.parts.find((one) => one.id === 'stock-front-pad')!,
        'friction',
      ),
    )
    expect(unknown).toMatchObject({
      verdict: 'unknown',
      sentence: expect.stringMatching(/the change of brake balance is unknown/),
    })
    expect(unknown.missing.length).toBeGreaterThan(0)
  })
  test('shoes that bite more are thought of like pads that do', () => {
    // more and more fluid for the drum: fine, then only with these shoes, then not at all
    const verdicts = Array.from({ length: 30 }, (_, i) =>
      order(
        demo((project) => {
          const drum = project.parts.find((one) => one.kind === 'drum')!
          project.setups[0].rear.caliper = drum.id
          set(project, drum.id, { cylinderBoreMm: figure(12 + i * 0.3) })
          project.setups[0].hydraulics.valve = null
        }),
      ),
    )
    const kinds = [...new Set(verdicts.map((one) => one.verdict))]
    expect(kinds).toEqual(['fits', 'check', 'blocked'])
    expect(verdicts.find((one) => one.verdict === 'check')!.sentence).toMatch(
      /Rear shoes with 10% more friction would make the rear lock first/,
    )
  })
  test('a height of the centre of gravity that nobody knows leaves it unknown, never right', () => {
    const unknown = order(demo((project) => delete project.car.cgHeightMm))
    expect(unknown).toMatchObject({ verdict: 'unknown', missing: [{ at: { kind: 'car', field: 'cgHeightMm' } }] })
  })
  test('the turn moves to the rear as the load leaves it: a higher centre of gravity is never better', () => {
    const high = (mm: number) => demo((project) => (project.car.cgHeightMm = figure(mm)))
    fc.assert(
      fc.property(share(400, 700), share(0, 150), (mm, more) => {
        const turn = (project: Project) => evaluate(project, 'as-it-stands').figures['balance.critical'].value ?? Infinity
        expect(turn(high(mm + more))).toBeLessThanOrEqual(turn(high(mm)) + 1e-6)
      }),
      { numRuns: 25 },
    )
  })
})

test.each([
  ['leadingTrailing', 2, 1.14],
  ['twoLeading', 3, 1.18],
  ['duoServo', 4.5, 1.275],
] as const)('%s shoes make more of more friction', (shoes, brakeFactor, times) => {
  const drum = { kind: 'drum', pistonAreaMm2: 250, brakeFactor, drumRadiusMm: 100, sealMpa: 0.3 } as const
  const bites = (one: AxleBrake) => {
    const more = withMoreFriction(one, 1.1)
    return more.kind === 'drum' ? more.brakeFactor / brakeFactor : NaN
  }
  expect(bites({ ...drum, frictionSensitivity: SHOE_SENSITIVITY[shoes] })).toBeCloseTo(times, 9)
  // where only C* is known, by the shoes that have such a C*
  expect(bites(drum)).toBeCloseTo(times, 9)
})
test('a car whose duo-servo drums turn the order with grippier linings is not said to fit', () => {
  const withDrums = (cylinderMm: number) =>
    demo((project) => {
      const drum = project.parts.find((one) => one.kind === 'drum')!
      Object.assign(drum, { shoes: 'duoServo', brakeFactor: undefined, cylinderBoreMm: figure(cylinderMm), drumDiameterMm: figure(203) })
      project.setups[0].rear.caliper = drum.id
      project.setups[0].hydraulics.valve = null
    })
  // the order turns between a rear that brakes little and one that brakes much: just before that it is to be checked
  const verdicts = Array.from({ length: 60 }, (_, i) => order(withDrums(8 + i * 0.1)).verdict)
  const [lastFit, firstBlocked] = [verdicts.lastIndexOf('fits'), verdicts.indexOf('blocked')]
  expect([lastFit >= 0, firstBlocked > lastFit]).toEqual([true, true])
  // force of the drum goes with the bore squared: 27.5 % more friction is as much as 13 % more bore
  const [fitMm, blockedMm] = [8 + lastFit * 0.1, 8 + firstBlocked * 0.1]
  expect(blockedMm / fitMm).toBeGreaterThan(1.1)
})

describe('a rear that was seen to lock first outranks the model', () => {
  const seen = (atG: number, more: Partial<LockUpObservation> = {}) =>
    demo((project) => {
      project.lockSightings = [
        { id: 'seen', date: '2026-10-04', setupId: 'as-it-stands', surface: 'wet', load: 'driver', axle: 'rear', atG, ...more },
      ]
    })
  test('the setup is blocked, and the key figures say what was seen', () => {
    const report = evaluate(seen(0.5), 'as-it-stands')
    expect(order(demo(() => {})).verdict).not.toBe('blocked')
    expect(order(seen(0.5))).toMatchObject({
      verdict: 'blocked',
      sentence: expect.stringMatching(
        /^Do not drive: the rear locked first at 0\.50.g on wet asphalt \(2026-10-04\); the model has the front first up to/,
      ),
    })
    expect([report.verdict, report.rearSeenFirstAtG]).toEqual(['blocked', 0.5])
    const bias = keyFigures(report, report, DEFAULT_UNITS, 'EUR').find((one) => one.id === 'bias')!
    expect([bias.detail, bias.tone]).toEqual([expect.stringContaining('rear locked first at 0.50'), 'blocked'])
  })
  test('in competition too; of another setup, of the front, or as the model says it changes nothing', () => {
    expect(order({ ...seen(0.5), car: { ...DEMO_PROJECT.car, uses: ['circuit'] } } as Project).verdict).toBe('blocked')
    const plain = order(demo(() => {}))
    for (const project of [seen(0.5, { setupId: 'balanced' }), seen(0.5, { axle: 'front' }), seen(0.5, { axle: 'none' })])
      expect(order(project)).toEqual(plain)
    // where the model has the rear first as well, it says so itself
    const both = rearFirst(seen(0.9))
    expect(order(both).sentence).not.toContain('Do not drive: the rear locked first')
    expect(order(both).verdict).toBe('blocked')
  })
  test('a later observation of the front at as much deceleration counts instead, and no other', () => {
    const plain = order(demo(() => {}))
    const then = (more: object) => {
      const project = seen(0.5)
      project.lockSightings.push({ ...project.lockSightings.at(-1)!, id: 'later', date: '2026-10-11', axle: 'front', atG: 0.6, ...more })
      return project
    }
    expect(order(then({}))).toEqual(plain)
    // on the same day the one that was logged last
    expect(order(then({ date: '2026-10-04' }))).toEqual(plain)
    for (const more of [{ date: '2026-10-01' }, { atG: 0.4 }, { load: 'laden' }, { setupId: 'balanced' }, { axle: 'none' }])
      expect([more, order(then(more)).verdict]).toEqual([more, 'blocked'])
    const found = lockUpReport(then({})).find((one) => one.sighting.id === 'seen')!
    expect([found.advice, found.sentence]).toEqual([undefined, expect.stringContaining('later observation counts')])
  })
  test('no change is offered by a model that the car has contradicted', () => {
    expect(adjustmentReport(seen(0.5), 'as-it-stands')).toEqual({ aim: undefined, met: false, advice: [] })
    expect(
      adjustmentReport(
        demo(() => {}),
        'as-it-stands',
      ).aim,
    ).toBeDefined()
  })
  test('the page advises less rear braking first, and no centre of gravity that cannot be', () => {
    const [found] = lockUpReport(seen(0.5))
    expect(found).toMatchObject({ verdict: 'differs', advice: expect.stringContaining('Reduce rear braking') })
    expect(found!.explains.filter((one) => one.field === 'cgHeightMm')).toEqual([])
  })
})
const rearFirst = (project: Project): Project => {
  set(project, 'stock-rear-caliper', { pistonsMm: [figure(42)] })
  return project
}
