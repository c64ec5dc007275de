import { describe, expect, test } from '@jest/globals'
import { frontFirstUntil, lockOrder } from './maths/lock-order.ts'
import { chain } from '../hydraulics/maths/chain.ts'
import { projectProblems } from '../records/check.ts'
import { DEMO_PROJECT } from '../demo/project.ts'
import type { Project } from '../records/project.ts'
import { figure } from '../quantity/figure.ts'
import { hydraulicsOf } from '../hydraulics/hydraulics-of.ts'
import { chainPicture, kneeAtRear, kneeOnLine } from '../hydraulics/chain-picture.ts'
import { balanceReport } from './balance-report.ts'
import { boreReport } from './bore-report.ts'
import { evaluate } from '../evaluate/evaluate.ts'
import { adjustmentReport, withAdjustment } from '../whatif/adjustments.ts'
import { pistonAreas } from '../hydraulics/piston-areas.ts'

const demo = (change: (project: Project) => void): Project => {
  const copy = structuredClone(DEMO_PROJECT)
  change(copy)
  return copy
}
const lockOf = (project: Project, id = 'as-it-stands') => evaluate(project, id).findings.find((one) => one.rule === 'lock-order')!
/** The car with the larger rear pistons off a GT: the rear locks first. */
const tailHappy = (more: (project: Project) => void = () => {}) =>
  demo((project) => {
    project.setups[1]! = {
      id: 'gt-rear',
      name: 'GT rear',
      front: {},
      rear: { caliper: 'gt-rear-caliper', pad: 'rear-fast-pad' },
      hydraulics: {},
      extras: [],
    }
    more(project)
  })

describe('the order of locking', () => {
  test('a larger rear piston blocks on the road, is a warning in competition', () => {
    expect(lockOf(tailHappy(), 'gt-rear')).toMatchObject({
      verdict: 'blocked',
      sentence: expect.stringMatching(/^Rear locks first above 0\.\d\d.g; on the road the front must lock first up to 0\.8\d.g/),
    })
    expect(
      lockOf(
        tailHappy((project) => (project.car.uses = ['circuit'])),
        'gt-rear',
      ).verdict,
    ).toBe('check')
    expect(evaluate(tailHappy(), 'gt-rear').verdict).toBe('blocked')
  })
  test('the limit is what the dry tyre gives, if that is more than 0.80 g', () => {
    const grippy = demo((project) => (project.car.tyreDry = figure(1.1)))
    expect(lockOf(DEMO_PROJECT, 'balanced').verdict).toBe('check')
    expect(lockOf(grippy, 'balanced').verdict).toBe('blocked')
  })
  test('without the laden figures nobody can say on the road', () => {
    expect(lockOf(demo((project) => delete project.car.ladenMassKg))).toMatchObject({
      verdict: 'unknown',
      missing: [{ what: 'Mass, fully laden' }],
    })
  })
  test('electronic rear distribution sees to the order; the base split is what counts', () => {
    const kept = (project: Project) => {
      project.car.abs = 'absAndDistribution'
      project.car.front.absRing = project.car.rear.absRing = 'hub'
    }
    expect(lockOf(demo(kept), 'balanced').verdict).toBe('fits')
    const strict = tailHappy((project) => {
      kept(project)
      project.preferences.limits = { absPoints: 0.01 }
    })
    expect(lockOf(strict, 'gt-rear')).toMatchObject({ verdict: 'check', sentence: expect.stringMatching(/^EBD/) })
  })
})

describe('all cases', () => {
  const report = balanceReport(DEMO_PROJECT, 'balanced')
  test('loads by surfaces; the order does not depend on the surface, the best does', () => {
    expect(report.cases.map((one) => `${one.load} ${one.surface}`)).toEqual([
      'driver dry',
      'driver wet',
      'driver loose',
      'laden dry',
      'laden wet',
      'laden loose',
    ])
    const [dry, wet] = report.cases
    expect(dry!.order).toEqual(wet!.order)
    expect(dry!.best!.decelG).toBeGreaterThan(wet!.best!.decelG)
    for (const one of report.cases) expect(one.best!.efficiency).toBeLessThanOrEqual(1 + 1e-9)
  })
  test('an own case joins when it is entered; unknown friction is assumed and says so', () => {
    const own = demo((project) => {
      project.car.ownMassKg = figure(980)
      project.car.ownStaticFrontShare = figure(0.65)
      delete project.car.tyreWet
    })
    const { cases } = balanceReport(own, 'balanced')
    expect(cases.filter((one) => one.load === 'own')).toHaveLength(3)
    expect(cases.find((one) => one.surface === 'wet')).toMatchObject({ friction: 0.6, assumed: true })
  })
  test('engine drag and downforce change the cases', () => {
    const pressed = demo((project) => (project.car.downforceFrontN = figure(500)))
    const best = (options: object) => balanceReport(pressed, 'balanced', options).cases[0]!.best!.decelG
    expect(best({ downforce: true })).not.toBe(best({}))
    expect(balanceReport(DEMO_PROJECT, 'balanced', { engine: true }).cases[2]!.best!.decelG).not.toBe(report.cases[2]!.best!.decelG)
  })
  test('what fails leaves less, and tyres limit what is left', () => {
    for (const one of report.failures) expect(one.decelG).toBeLessThan(1)
    expect(report.failures.find((one) => one.lost === 'rear')).toMatchObject({ limit: 'tyres' })
    // the brakes alone give it, whatever the tyres then make of it
    expect(report.bareAtLimitG!).toBeGreaterThanOrEqual(report.failures.find((one) => one.lost === 'assist')!.decelG)
  })
  test('with an assist nobody knows a lost circuit leaves at most so much, and how far the pedal goes is not said', () => {
    const open = balanceReport(
      demo((project) => {
        for (const part of project.parts) if (part.kind === 'booster') delete part.assistN
      }),
      'balanced',
    )
    for (const one of open.failures) {
      const known = report.failures.find(({ lost }) => lost === one.lost)!
      const bare = /ssist/.test(one.lost)
      expect([one.atMost, one.pedalTravelMm === undefined && one.leftMm === undefined]).toEqual([!bare, !bare])
      if (bare) expect(one.decelG).toBe(known.decelG)
      else expect(one.decelG).toBeGreaterThanOrEqual(known.decelG)
    }
    expect(open.vacuum.map(({ share, atLeast }) => [share, atLeast])).toEqual([
      [1, true],
      [0, false],
    ])
    expect(open.cases.every((one) => one.atLeast)).toBe(true)
    expect(report.failures.some((one) => one.atMost)).toBe(false)
  })
  test('a lost circuit leaves the pedal what the floor is further away than it goes', () => {
    const floored = (mm: number | undefined) => {
      const project = demo((draft) => {
        if (mm === undefined) delete draft.car.pedalTravelMm
        else draft.car.pedalTravelMm = figure(mm)
      })
      return balanceReport(project, 'balanced').failures
    }
    const at = floored(120)
    expect(at.some((one) => one.leftMm !== undefined)).toBe(true)
    for (const one of at)
      if (one.pedalTravelMm === undefined) expect(one.leftMm).toBeUndefined()
      else expect(one.leftMm).toBeCloseTo(120 - one.pedalTravelMm, 9)
    expect(floored(10).some((one) => one.leftMm! < 0)).toBe(true)
    for (const one of floored(undefined)) expect(one.leftMm).toBeUndefined()
  })
  test('a blank car gives no case a verdict, and asks', () => {
    const bare = demo((project) => delete project.car.massKg)
    const found = balanceReport(bare, 'balanced')
    expect(found.cases[0]).toMatchObject({ order: undefined, best: undefined })
    expect(found.line).toEqual([])
  })
})

describe('the picture of the chain', () => {
  test('is the chain at that force, with what moves', () => {
    const found = hydraulicsOf(DEMO_PROJECT, 'balanced')
    const at = chainPicture(found, 120)!
    expect(at.chain).toEqual(chain(found.system!, 120))
    expect(at.travel!.pedalMm).toBeCloseTo(at.travel!.rodMm * found.system!.pedalRatio, 9)
    expect(at.rearBeforeValveMpa).toBeGreaterThanOrEqual(at.chain.rear.pressureMpa)
    expect(evaluate(DEMO_PROJECT, 'balanced').figures['pedal.travel'].value).toBeCloseTo(
      chainPicture(found, evaluate(DEMO_PROJECT, 'balanced').figures['pedal.force'].value!)!.travel!.pedalMm,
      6,
    )
  })
  test('the knee lies on the line, and where a hand puts it', () => {
    const found = hydraulicsOf(DEMO_PROJECT, 'balanced')
    const knee = kneeOnLine(found, 3.1)!
    expect(kneeAtRear(found, knee.point[1])).toBeCloseTo(3.1, 9)
    const rising = knee.line.filter(([front]) => front > 0 && front < knee.point[0])
    for (const [front, rear] of rising) expect(rear / front).toBeGreaterThan((0.9 * knee.point[1]) / knee.point[0] - 0.2)
    expect(kneeOnLine(found, 2)!.point[1]).toBeLessThan(knee.point[1])
  })
})

describe('one measured pedal travel', () => {
  const travel = (project: Project, id = 'as-it-stands') => evaluate(project, id).figures['pedal.travel'].value!
  const measured = (mm: number) =>
    demo((project) => {
      project.car.measuredTravelMm = figure(mm)
      project.car.measuredTravelForceN = figure(131)
    })
  test('calibrates the travel of every setup', () => {
    const usual = travel(DEMO_PROJECT)
    const soft = measured(80)
    const force = evaluate(DEMO_PROJECT, 'as-it-stands').figures['pedal.force'].value!
    expect(usual).toBeLessThan(70)
    expect(chainPicture(hydraulicsOf(soft, 'as-it-stands'), 131)!.travel!.pedalMm).toBeCloseTo(80, 6)
    expect(force).toBeCloseTo(131, 0)
    expect(travel(soft, 'balanced')).toBeGreaterThan(travel(DEMO_PROJECT, 'balanced'))
    expect(balanceReport(soft, 'balanced').calibration).toMatch(/Calibrated/)
  })
  test('one that no brake has is not taken', () => {
    expect(travel(measured(240))).toBe(travel(DEMO_PROJECT))
    expect(balanceReport(measured(240), 'balanced').calibration).toMatch(/measure it again/)
  })
})

describe('bores', () => {
  test('the best keeps force and travel in the band; reasons name what does not', () => {
    const found = boreReport(DEMO_PROJECT, 'as-it-stands', { decelG: 0.9 })
    expect(found.bestTandem!.pedalForceN).toBeGreaterThan(100)
    expect(found.tandem.find((row) => row.boreMm === 12.7)!.reasons).toEqual(['pedal too light', 'travel too long'])
    expect(found.best!.reasons).toEqual([])
    const feasible = found.pairs.filter((one) => one.reasons.length === 0)
    for (const one of feasible)
      expect(Math.abs(one.frontStrokeMm - one.rearStrokeMm)).toBeGreaterThanOrEqual(
        Math.abs(found.best!.frontStrokeMm - found.best!.rearStrokeMm),
      )
  })
  test('a pair whose pivot would lie outside the bar is too far off centre, however high the car', () => {
    const { pairs } = boreReport(
      demo((draft) => (draft.car.cgHeightMm = { value: 1200, origin: 'measured' })),
      'as-it-stands',
      { decelG: 0.9 },
    )
    const outside = pairs.filter((one) => one.barShare <= 0 || one.barShare >= 1)
    expect(outside.length).toBeGreaterThan(0)
    for (const one of outside) expect(one.reasons).toContain('bar too far off centre')
  })
  test('what keeps the bores unknown is asked: force, mass and what takes fluid', () => {
    const asked = (change: (project: Project) => void) => {
      const found = boreReport(demo(change), 'as-it-stands', { decelG: 0.9 })
      expect([found.tandem, found.pairs, found.bestTandem]).toEqual([[], [], undefined])
      return found.missing.map((one) => one.what)
    }
    expect(asked((project) => delete project.car.massKg)).toEqual(['Mass, driver only'])
    expect(asked((project) => delete project.car.pedalRatio)).toEqual(['Pedal ratio'])
    expect(asked((project) => delete project.setups[0].front.hose)).toEqual([expect.stringMatching(/^Hose, front/)])
    expect(boreReport(DEMO_PROJECT, 'as-it-stands', { decelG: 0.9 }).missing).toEqual([])
  })
  test('with an assist nobody knows no bore is said to do; too heavy stays too heavy, and without the booster all is said', () => {
    const open = demo((project) => {
      for (const part of project.parts) if (part.kind === 'booster') delete part.assistN
    })
    const known = boreReport(DEMO_PROJECT, 'as-it-stands', { decelG: 0.9 })
    const found = boreReport(open, 'as-it-stands', { decelG: 0.9 })
    expect(found.unknownAssist!.what).toBe('Assist of Vacuum booster')
    expect([found.bestTandem, found.best, known.unknownAssist]).toEqual([undefined, undefined, undefined])
    found.tandem.forEach((row, at) => {
      const same = known.tandem[at]!
      expect(row.pedalForceN).toBeLessThanOrEqual(same.pedalForceN + 1e-9)
      expect(row.reasons).toContain(row.pedalForceN > found.bands.forceN.high ? 'pedal too heavy' : 'assist unknown')
      expect(row.reasons).not.toContain('pedal too light')
    })
    const bare = { decelG: 0.9, withoutBooster: true, mostForceN: 600 }
    expect(boreReport(open, 'as-it-stands', bare)).toEqual(boreReport(DEMO_PROJECT, 'as-it-stands', bare))
  })
  test('a pair that would bind its bar does not do; without a limit of its maker nothing is said of that', () => {
    const with_ = (tilt: number | undefined) =>
      demo((project) => {
        for (const part of project.parts)
          if (part.kind === 'masterCylinder' && part.construction === 'twin') {
            if (tilt === undefined) delete part.barTiltDeg
            else part.barTiltDeg = figure(tilt)
          }
      })
    const pairs = (tilt: number | undefined) => boreReport(with_(tilt), 'balanced', { decelG: 0.9 }).pairs
    const binding = pairs(3).filter((one) => one.reasons.includes('unlike strokes bind the bar'))
    expect(binding.length).toBeGreaterThan(0)
    expect(pairs(3).filter((one) => one.tiltDeg! > 3)).toEqual(binding)
    expect(pairs(undefined).some((one) => one.reasons.includes('unlike strokes bind the bar'))).toBe(false)
    // a fitted bar of which nobody knows the clevises takes nothing from another one
    const [first, second] = ['twin-box', 'twin-too']
    const two = demo((project) => {
      const box = project.parts.find((part) => part.id === first)!
      project.parts.push({ ...structuredClone(box), id: second, name: 'Another' } as typeof box)
      const fitted = project.parts.find((part) => part.id === second)
      if (fitted?.kind === 'masterCylinder') delete fitted.barSpacingMm
      project.setups[0].hydraulics.masterCylinder = second
    })
    expect(boreReport(two, 'as-it-stands', { decelG: 0.9 }).bar).toBeUndefined()
    expect(boreReport(two, 'as-it-stands', { decelG: 0.9 }).pairs.every((one) => one.tiltDeg === undefined)).toBe(true)
    const none = demo(
      (project) => (project.parts = project.parts.filter((part) => part.kind !== 'masterCylinder' || part.construction !== 'twin')),
    )
    expect(boreReport(none, 'as-it-stands', { decelG: 0.9 })).toMatchObject({ bar: undefined })
  })
  test('without the booster smaller bores are needed to keep the pedal under 450 N', () => {
    const found = boreReport(DEMO_PROJECT, 'as-it-stands', { decelG: 0.9, withoutBooster: true, mostForceN: 450 })
    expect(found.bestTandem === undefined || found.bestTandem.pedalForceN <= 450).toBe(true)
    expect(found.tandem.filter((row) => row.pedalForceN <= 450).every((row) => row.boreMm < 20.6375)).toBe(true)
  })
  test('pairs follow the aim', () => {
    const fixed = demo((project) => Object.assign(project.preferences, { biasAim: 'fixed', biasAimShare: 0.7 }))
    expect(boreReport(fixed, 'as-it-stands', { decelG: 0.9 }).wantedShare).toBe(0.7)
    const present = demo((project) => (project.preferences.biasAim = 'present'))
    expect(boreReport(present, 'as-it-stands', { decelG: 0.9 }).wantedShare).toBeCloseTo(
      evaluate(DEMO_PROJECT, 'as-it-stands').figures['bias.road'].value!,
      6,
    )
  })
})

describe('levers', () => {
  const found = adjustmentReport(tailHappy(), 'gt-rear')
  test('each offer of the library puts the front first far enough, and none that does not go on is offered', () => {
    const offers = found.advice.flatMap((one) => one.offers)
    expect(offers.length).toBeGreaterThanOrEqual(2)
    for (const one of offers) {
      expect(one.outcome.findings.get('car.lock-order')!.verdict).not.toBe('blocked')
      expect(one.frontFirstToG).toBeGreaterThanOrEqual(0.8)
    }
  })
  test('an applied lever makes a valid setup in which the order is right', () => {
    for (const advice of found.advice) {
      for (const offer of advice.offers) {
        const project = tailHappy()
        project.setups.push(withAdjustment(project, project.setups[1]!, offer.change, 'cured', 'Cured'))
        expect(projectProblems(project)).toEqual([])
        const { system, mass } = hydraulicsOf(project, 'cured')
        expect([offer.name, frontFirstUntil(lockOrder(system!, mass!)!)]).toEqual([offer.name, expect.any(Number)])
        expect(frontFirstUntil(lockOrder(system!, mass!)!)).toBeGreaterThan(0.8)
        expect([offer.name, lockOf(project, 'cured').verdict]).not.toEqual([offer.name, 'blocked'])
      }
    }
  })
  test('other aims, other words', () => {
    const fixed = demo((project) => Object.assign(project.preferences, { biasAim: 'fixed', biasAimShare: 0.8 }))
    expect(adjustmentReport(fixed, 'balanced').aim).toMatch(/^80\.0% of the force at the front at 0\.90.g/)
    const present = demo((project) => (project.preferences.biasAim = 'present'))
    expect(adjustmentReport(present, 'balanced').aim).toMatch(/as on the baseline$/)
    expect(
      adjustmentReport(
        demo((project) => delete project.car.massKg),
        'balanced',
      ),
    ).toEqual({ aim: undefined, met: false, advice: [] })
  })
})

describe('what the stated stop is made of', () => {
  const report = balanceReport(DEMO_PROJECT, 'as-it-stands')
  test('the parts of the travel add up to it', () => {
    const { clearanceMm, complianceMm, hosesMm, freeMm } = report.travelParts!
    expect(clearanceMm + complianceMm + hosesMm + freeMm).toBeCloseTo(
      evaluate(DEMO_PROJECT, 'as-it-stands').figures['pedal.travel'].value!,
      6,
    )
  })
  test('braided hoses shorten it; less vacuum makes the pedal heavier', () => {
    const [rubber, braided] = report.hoses
    expect(braided!.travelMm).toBeLessThan(rubber!.travelMm)
    const forces = report.vacuum.map((one) => one.forceN)
    expect(forces).toEqual([...forces].sort((a, b) => a - b))
    expect(forces[2]).toBeCloseTo(evaluate(DEMO_PROJECT, 'as-it-stands').figures['pedal.forceNoAssist'].value!, 6)
  })
})

describe('what a stop asks of the foot', () => {
  const stops = (change: (project: Project) => void = () => {}) =>
    balanceReport(
      demo((project) => change(project)),
      'as-it-stands',
    ).stops
  test('an everyday stop and the stated one; the stated one agrees with the key figures', () => {
    const [everyday, stated] = stops()
    expect([everyday!.decelG, stated!.decelG]).toEqual([0.3, 0.9])
    const { figures } = evaluate(DEMO_PROJECT, 'as-it-stands')
    expect(stated!.forceN).toBeCloseTo(figures['pedal.force'].value!, 9)
    expect(stated!.bareN).toBeCloseTo(figures['pedal.forceNoAssist'].value!, 9)
    expect(stated!.travelMm).toBeCloseTo(figures['pedal.travel'].value!, 9)
    expect(everyday!.forceN).toBeLessThan(stated!.forceN)
    expect(everyday!.bareN).toBeGreaterThan(everyday!.forceN)
  })
  test('tyres that give out first are said, and only where they do', () => {
    const grip = (mu: number) => stops((project) => (project.car.tyreDry = figure(mu))).map((one) => one.tyresG)
    expect(grip(1.4)).toEqual([undefined, undefined])
    const [everyday, stated] = grip(0.7)
    expect(everyday).toBeUndefined()
    expect(stated).toBeLessThanOrEqual(0.7)
  })
  test('an assist nobody knows is a lower bound, and half of it is not guessed', () => {
    const unknown = (project: Project) =>
      Reflect.deleteProperty(
        project.parts.find((one) => one.id === 'stock-booster')!,
        'assistN',
      )
    expect(stops(unknown).map((one) => one.atLeast)).toEqual([true, true])
    expect(balanceReport(demo(unknown), 'as-it-stands').vacuum.map((one) => one.share)).toEqual([1, 0])
  })
  test('stated at the everyday deceleration it is one stop; without brakes none', () => {
    expect(stops((project) => (project.preferences.referenceDecelG = 0.3))).toHaveLength(1)
    expect(stops((project) => Reflect.deleteProperty(project.setups[0].front, 'caliper'))).toEqual([])
  })
})

describe('a load-sensing valve', () => {
  test('has a knee of its own when the car is laden', () => {
    const sensing = (kneeLadenMpa: number) =>
      demo((project) =>
        Object.assign(
          project.parts.find((one) => one.id === 'stock-valve')!,
          { action: 'loadSensing', kneeLadenMpa: figure(kneeLadenMpa) },
        ),
      )
    const best = (project: Project, load: string) =>
      balanceReport(project, 'as-it-stands').cases.find((one) => one.load === load && one.surface === 'dry')!.best!.decelG
    expect(best(sensing(8), 'driver')).toBe(best(DEMO_PROJECT, 'driver'))
    // more to the rear when the rear is loaded: nearer the ideal
    expect(best(sensing(8), 'laden')).toBeGreaterThan(best(DEMO_PROJECT, 'laden'))
  })
})

describe('piston areas', () => {
  const rows = pistonAreas(DEMO_PROJECT, 'balanced')
  const row = (id: string) => rows.find((one) => one.partId === id)!
  test('one side and all pistons: twice for a fixed caliper, the same for a sliding one', () => {
    expect(row('kit4-caliper')).toMatchObject({
      oneSideMm2: expect.closeTo((Math.PI / 2) * 36 ** 2, 9),
      allMm2: expect.closeTo(Math.PI * 36 ** 2, 9),
      fitted: ['front'],
    })
    expect(row('stock-front-caliper').allMm2).toBe(row('stock-front-caliper').oneSideMm2)
    expect(row('staggered-caliper').staggered).toBe(true)
  })
  test('against the caliper that stands at the same end', () => {
    expect(row('stock-rear-caliper').against).toBeCloseTo(0, 12)
    expect(row('gt-rear-caliper').against).toBeCloseTo((33 / 30) ** 2 - 1, 9)
    expect(row('gt-front-caliper').against).toBeCloseTo((57 / 54) ** 2 - 1, 9)
  })
})

describe('a bore that does locks the front first', () => {
  /** The demo with two cylinders, no valve and no booster, as a pair of bores and its bar have it. */
  const fitted = (frontBoreMm: number, rearBoreMm: number, barShare: number) =>
    demo((project) => {
      Object.assign(
        project.parts.find((one) => one.id === 'twin-box')!,
        { frontBoreMm: figure(frontBoreMm), rearBoreMm: figure(rearBoreMm) },
      )
      Object.assign(project.setups[0].hydraulics, { masterCylinder: 'twin-box', valve: null, barFrontShare: figure(barShare) })
    })
  const bare = demo((project) => void (project.setups[0].hydraulics.valve = null))

  test.each([0.6, 0.75, 0.9, 1.1])('pairs that do at %d g do not block once they are fitted', (decelG) => {
    const { pairs } = boreReport(bare, 'as-it-stands', { decelG })
    const does = pairs.filter((one) => one.reasons.length === 0)
    for (const one of does) {
      const found = lockOf(fitted(one.frontBoreMm, one.rearBoreMm, one.barShare))
      expect([decelG, one.frontBoreMm, one.rearBoreMm, found.verdict]).not.toEqual([decelG, one.frontBoreMm, one.rearBoreMm, 'blocked'])
    }
    const blocked = pairs.filter((one) => one.reasons.includes('rear locks first'))
    for (const one of blocked) expect(lockOf(fitted(one.frontBoreMm, one.rearBoreMm, one.barShare)).verdict).toBe('blocked')
    if (decelG < 0.8) expect(blocked.length).toBeGreaterThan(0)
  })
  test('a share that suits 0.6 g locks the rear first at more: none is recommended', () => {
    const { best, pairs } = boreReport(bare, 'as-it-stands', { decelG: 0.6 })
    expect(pairs.length).toBeGreaterThan(0)
    expect(best).toBeUndefined()
  })
})
