import { describe, expect, test } from '@jest/globals'
import { DEMO_PROJECT } from '../demo/project.ts'
import type { Project } from '../records/project.ts'
import { figure } from '../quantity/figure.ts'
import { demo, find, part } from '../testing/fit.ts'
import { balanceReport } from '../balance/balance-report.ts'
import { evaluate } from './evaluate.ts'

/** What nobody entered is a question, never "fits" and never nothing. */

const lock = (project: Project, id = 'as-it-stands') => evaluate(project, id).findings.find((one) => one.rule === 'lock-order')!
const own = (project: Project, rule: string, id = 'as-it-stands') => evaluate(project, id).findings.find((one) => one.rule === rule)

describe('the fit check', () => {
  test('left and right without the pistons’ sizes', () => {
    const found = find(
      demo((project) => delete part(project, 'stock-front-caliper').pistonsMm),
      'handedness',
    )!
    expect(found).toMatchObject({ verdict: 'unknown', missing: [{ what: expect.stringMatching(/^Pistons on one side of/) }] })
  })
  test('the seals of a caliper that comes new', () => {
    const project = demo((one) => delete part(one, 'kit4-caliper').seals)
    expect(find(project, 'fluid', 'front', 'balanced')).toMatchObject({ verdict: 'unknown', missing: [{ at: { field: 'seals' } }] })
    // those of the car are said of the car
    expect(
      find(
        demo((one) => delete part(one, 'stock-front-caliper').seals),
        'fluid',
      )!.verdict,
    ).toBe('fits')
  })
  test('an open inspection point does not hide a failed one', () => {
    const project = demo((one) => {
      Object.assign(part(one, 'estate-front-caliper'), { condition: 'used', inspection: { points: { pistonsMove: 'failed' } } })
    })
    expect(find(project, 'used-part', 'front', 'estate-fronts')).toMatchObject({
      verdict: 'unknown',
      sentence: expect.stringMatching(/failed: a piston sticks.*\. Not enough data: .* to enter\.$/),
      remedies: [{ kind: 'piece', piece: { id: 'rebuild' } }],
    })
  })
  test('a bracket nobody knows under a caliper that was taken from the seat', () => {
    const project = demo((one) => {
      Reflect.deleteProperty(one.setups[0].front, 'bracket')
      part(one, 'stock-front-caliper').frame = 'seat'
    })
    const report = evaluate(project, 'as-it-stands')
    for (const missing of [report.figures['front.effectiveRadius'].missing, find(project, 'bridge')!.missing])
      expect(missing.map((one) => one.what)).toContain('Bracket, front')
  })
  test('without the booster mounting and pushrod are asked for, and what the foot must do is said', () => {
    const bare = (more: (project: Project) => void = () => {}) =>
      demo((project) => {
        project.setups[3]!.hydraulics = { ...project.setups[3]!.hydraulics, booster: null }
        more(project)
      })
    const found = find(bare(), 'booster-mount', 'front', 'balanced')!
    expect(found).toMatchObject({ verdict: 'unknown', missing: [{ at: { field: 'bareMounting' } }, { at: { field: 'barePushrod' } }] })
    const said = (mounting: string, pushrod: string) =>
      find(
        bare((project) => Object.assign(project.car, { bareMounting: mounting, barePushrod: pushrod })),
        'booster-mount',
        'front',
        'balanced',
      )!
    expect(said('yes', 'fits')).toMatchObject({ verdict: 'check', safety: true, sentence: expect.stringMatching(/Local rules/) })
    expect(said('plate', 'other')).toMatchObject({ verdict: 'needs', remedies: [{ piece: { id: 'booster-plate-and-pushrod' } }] })
    expect(said('no', 'fits').verdict).toBe('blocked')
    expect(own(bare(), 'pedal-effort', 'balanced')).toMatchObject({
      sentence: expect.stringMatching(/^Without the booster 0\.90.g needs \d+.N at the pedal/),
    })
    expect(own(DEMO_PROJECT, 'pedal-effort', 'balanced')).toBeUndefined()
    expect(find(DEMO_PROJECT, 'booster-mount', 'front', 'balanced')).toBeUndefined()
  })
})

describe('figures', () => {
  test('a mass changes by what nobody knows: the slot is asked for', () => {
    const project = demo((one) => Reflect.deleteProperty(one.setups[0].front, 'wheel'))
    project.setups[3]!.front.wheel = 'club-wheel'
    expect(evaluate(project, 'balanced').figures['front.massChange']).toMatchObject({
      value: undefined,
      missing: expect.arrayContaining([
        { what: 'Wheel, front', at: { kind: 'slot', setupId: 'as-it-stands', axle: 'front', slot: 'wheel' }, how: expect.any(String) },
      ]),
    })
  })
  test('beside a drum current car the wheel’s place is known, and a missing hat is asked for', () => {
    const drum = DEMO_PROJECT.parts.find((one) => one.kind === 'drum')!.id
    const at = (change: (project: Project) => void = () => {}) =>
      evaluate(
        demo((project) => {
          project.setups[0].rear.caliper = drum
          part(project, drum).hatThicknessMm = figure(6)
          project.setups[3]!.rear.wheel = 'club-wheel'
          change(project)
        }),
        'balanced',
      ).figures['rear.track']
    expect(at().value).toBeDefined()
    expect(at((project) => delete part(project, drum).hatThicknessMm).missing.map((one) => one.what)).toContainEqual(
      expect.stringMatching(/^Thickness at the mounting face of/),
    )
  })
  test('an outline is worth what it comes from', () => {
    const u = (origin: string | undefined) =>
      evaluate(
        demo((project) => {
          const caliper = part(project, 'estate-front-caliper') as { outlines: { origin?: string }[] }
          for (const one of caliper.outlines) {
            if (origin) one.origin = origin
            else delete one.origin
          }
          for (const field of ['uAxialMm', 'uRadialMm']) Reflect.deleteProperty(caliper, field)
        }),
        'estate-fronts',
      ).figures['front.gap'].u!
    expect([u('measured') < u('published'), u('published') < u('reported'), u('reported') < u('estimated')]).toEqual([true, true, true])
    expect(u(undefined)).toBe(u('estimated'))
  })
  test('a caliper kept from its mount that slides does not ask where its bracket stands along the axle', () => {
    const project = demo((one) => {
      Object.assign(part(one, 'stock-front-caliper'), { frame: 'mount' })
      one.setups[0].front.bracket = 'kit-bracket'
      Reflect.deleteProperty(part(one, 'kit-bracket'), 'axialMm')
    })
    const { missing } = evaluate(project, 'as-it-stands').figures['front.shift']
    expect(missing.map((one) => one.what)).not.toContainEqual(expect.stringMatching(/Axial offset/))
  })
})

describe('the trial fit', () => {
  const tried = (change: (project: Project) => void) =>
    evaluate(
      demo((project) => {
        project.setups[1]!.front.trialFit = {
          gapMm: figure(1.3, 'measured', { u: 0.1 }),
          caliper: 'estate-front-caliper',
          wheel: 'club-wheel',
          spacerMm: 0,
          weightsMm: (part(project, 'club-wheel') as { weightThicknessMm: { value: number } }).weightThicknessMm.value,
        }
        change(project)
      }),
      'estate-fronts',
    ).corners.front.trial
  test('counts for the weights and the face height it was made with', () => {
    expect(tried(() => {})!.sentence).not.toMatch(/does not count/)
    expect(tried((project) => (part(project, 'club-wheel').weightThicknessMm = figure(8)))!.sentence).toMatch(
      /other weights.*does not count/,
    )
    expect(
      tried((project) => {
        Object.assign(part(project, 'club-wheel'), { faces: [{ name: 'F2', raiseMm: 4 }], faceChosen: 'F2' })
      })!.sentence,
    ).toMatch(/another face height.*does not count/)
  })
})

describe('which locks first', () => {
  test('a load-sensing valve whose laden knee nobody knows leaves laden unknown', () => {
    const sensing = demo((project) => Object.assign(part(project, 'stock-valve'), { action: 'loadSensing' }))
    expect(lock(sensing)).toMatchObject({
      verdict: 'unknown',
      missing: [{ what: expect.stringMatching(/^Knee pressure, fully laden of/) }],
    })
    const { cases } = balanceReport(sensing, 'as-it-stands')
    expect(cases.filter((one) => one.load === 'laden').every((one) => one.verdict === 'unknown')).toBe(true)
  })
  test.each<[string, (project: Project) => void]>([
    ['as it is', () => {}],
    ['electronic distribution', (project) => (project.car.abs = 'absAndDistribution')],
    ['competition', (project) => (project.car.uses = ['circuit'])],
    ['sticky tyres', (project) => (project.car.tyreDry = figure(1.7))],
    ['an own case', (project) => Object.assign(project.car, { ownMassKg: figure(1000), ownStaticFrontShare: figure(0.5) })],
    ['a rear that is early', (project) => (part(project, 'stock-rear-pad').friction = figure(0.6))],
  ])('the table of cases and the finding speak alike: %s', (_, change) => {
    const project = demo(change)
    for (const { id } of project.setups) {
      const finding = lock(project, id)
      const { cases } = balanceReport(project, id)
      const blocked = cases.some((one) => one.verdict === 'blocked')
      expect([id, blocked]).toEqual([id, finding.verdict === 'blocked'])
      if (finding.verdict === 'fits') expect([id, ...new Set(cases.map((one) => one.verdict))]).toEqual([id, 'fits'])
    }
  })
  test('sticky tyres are looked at as far as they hold: to where the rear is about to lift', () => {
    const on = (friction: number) =>
      lock(
        demo((one) => {
          one.car.tyreDry = figure(friction)
          part(one, 'stock-rear-pad').friction = figure(0.05)
        }),
      )
    expect(on(1.6).verdict).not.toBe('blocked')
    expect(on(1.9)).toMatchObject({ verdict: 'blocked', sentence: expect.stringMatching(/^Rear locks first above 1\.6\d.g/) })
  })
})

describe('what fails', () => {
  const rows = (circuits: 'frontRear' | 'diagonal' | 'single') =>
    balanceReport(
      demo((project) => (project.car.circuits = circuits)),
      'as-it-stands',
    ).failures
  test('one diagonal circuit is limited by half the load that half the braking shifts', () => {
    const { decelG } = rows('diagonal').find((one) => one.lost === 'diagonal')!
    expect(decelG).toBeCloseTo(0.37, 2)
  })
  test('a single circuit leaves nothing', () => {
    expect(rows('single').map((one) => one.lost)).toEqual(['single', 'assist'])
    expect(rows('single')[0]).toMatchObject({ decelG: 0, tooLittle: true })
  })
  test('less than 2.44 m/s2 is marked', () => {
    for (const one of rows('frontRear')) expect(one.tooLittle).toBe(one.decelG * 9.80665 < 2.44)
  })
})

test('a larger bore is larger than the one that is fitted, and heavier by its area', () => {
  const project = demo((one) => {
    part(one, 'stock-master').frontStrokeMm = figure(15)
    part(one, 'master-24').boreMm = figure(18)
    part(one, 'master-24').strokeMm = figure(60)
  })
  const remedy = own(project, 'master-stroke')!.remedy
  expect(remedy).not.toMatchObject({ partId: 'master-24' })
  const usual = own(
    demo((one) => (part(one, 'stock-master').frontStrokeMm = figure(15))),
    'master-stroke',
  )!.remedy!
  expect(usual.sentence).toMatch(/heavier by \d+%\.$/)
})

test('two parts of one name are two questions', () => {
  const project = demo((one) => {
    for (const id of ['stock-front-hose', 'stock-rear-hose']) if (part(one, id)) Object.assign(part(one, id), { name: 'Hose' })
    for (const hose of one.parts.filter((candidate) => candidate.kind === 'hose')) Reflect.deleteProperty(hose, 'lengthMm')
    for (const axle of ['front', 'rear'] as const) {
      const id = one.setups[0][axle].hose!
      Object.assign(part(one, id), { name: 'Hose' })
    }
  })
  const lengths = evaluate(project, 'as-it-stands').figures['pedal.travel'].missing.filter((missing) => /of Hose$/.test(missing.what))
  expect(lengths).toHaveLength(2)
})
