import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import type { Project } from '../../records/project.ts'
import { figure } from '../../quantity/figure.ts'
import { STANDARD_GRAVITY } from '../../quantity/units.ts'
import { demo, find, part } from '../../testing/fit.ts'
import { setVisualCheck } from '../../commands/accept.ts'
import { heldGrade } from './parking-hold.ts'

describe('the grade that is held', () => {
  // 1000 kg, 300 mm: 20 % is 0.19612 of 9806.65 N, 1923.2 N at the road, 288.48 N m a wheel
  test('by hand', () => {
    expect(heldGrade(288.48, 300, 1000)).toBeCloseTo(0.2, 4)
    expect(heldGrade(0, 300, 1000)).toBe(0)
    // the whole weight, and more than that
    expect(heldGrade(0.15 * 9806.65, 300, 1000)).toBe(Infinity)
  })
  test('the force along the slope of that grade is what the wheels give', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 20, max: 1200, noNaN: true }),
        fc.double({ min: 250, max: 400, noNaN: true }),
        fc.double({ min: 1000, max: 3000, noNaN: true }),
        (torque, radius, mass) => {
          const grade = heldGrade(torque, radius, mass)
          const along = (mass * STANDARD_GRAVITY * grade) / Math.sqrt(1 + grade * grade)
          expect(along / ((2000 * torque) / radius)).toBeCloseTo(1, 9)
        },
      ),
    )
  })
})

describe('the parking brake on a slope', () => {
  const judged = (change: (project: Project) => void) =>
    find(
      demo((project) => {
        // nobody has tried it on the slope, nor knows what it clamps with
        delete project.setups[0].rear.seen
        Reflect.deleteProperty(part(project, 'stock-rear-caliper'), 'parkingClampN')
        Object.assign(project.car, { ladenMassKg: figure(1000) })
        project.car.rear.tyreRadiusMm = figure(300)
        change(project)
      }),
      'parking-hold',
      'rear',
    )
  // lining from 120 down by 40: 100 mm; 0.4 x 2 x clamp x 0.1
  const clamped = (clampN: number, more: (project: Project) => void = () => {}) =>
    judged((project) => {
      Object.assign(part(project, 'stock-rear-caliper'), { parkingClampN: figure(clampN), frame: 'seat', padTopRadiusMm: figure(120) })
      Object.assign(part(project, 'stock-rear-pad'), { friction: figure(0.4), heightMm: figure(40) })
      // the whole lining rubs
      Object.assign(part(project, 'stock-rear-rotor'), { diameterMm: figure(242), frictionInnerDiameterMm: figure(150) })
      more(project)
    })
  test.each([
    [3607, 'fits'],
    [3605, 'check'],
  ])('a clamp of %p N: %s', (clampN, verdict) => {
    expect(clamped(clampN)).toMatchObject({ verdict, value: expect.closeTo(0.2, 3), safety: verdict !== 'fits' })
  })
  test('a drum, and shoes in the hat, go by their torque', () => {
    const drum = (torque: number | undefined) =>
      judged((project) => {
        project.parts.push({ id: 'drum', kind: 'drum', name: 'Drum', ...(torque ? { parkingTorqueNm: figure(torque) } : {}) } as never)
        project.setups[0].rear.caliper = 'drum'
      })
    expect([288.6, 288.4, undefined].map((torque) => drum(torque)!.verdict)).toEqual(['fits', 'check', 'check'])
    const shoes = (torque: number, drum = 'yes') =>
      judged((project) => {
        project.car.parkingBrake = 'shoes'
        part(project, 'stock-rear-rotor').parkingDrum = drum
        project.car.rear.shoeTorqueNm = figure(torque)
      })
    expect([288.6, 288.4].map((torque) => shoes(torque)!.verdict)).toEqual(['fits', 'check'])
    // without their drum the shoes hold nothing
    expect(shoes(400, 'no')!.verdict).toBe('check')
  })
  test.each(['separate', 'transmission', 'electric', undefined] as const)(
    'a lever’s clamp says nothing of a parking brake that is %p',
    (kept) => {
      const found = clamped(9000, (project) => {
        if (kept) project.car.parkingBrake = kept
        else Reflect.deleteProperty(project.car, 'parkingBrake')
      })
      expect(found).toMatchObject({ verdict: 'check', sentence: expect.stringMatching(/^Test it on a slope/) })
    },
  )
  test('a grade of its own rule is held against, and named as this project’s', () => {
    const own = clamped(3607, (project) => (project.preferences.limits = { parkingGradeShare: 0.25 }))
    expect(own).toMatchObject({ verdict: 'check', limit: 'at least 25%', ownLimits: ['parkingGradeShare'] })
  })
  test('without a figure a slope says it; with one, what else is missing is named, and the slope says it all the same', () => {
    expect(judged(() => {})).toMatchObject({ verdict: 'check', safety: true, sentence: expect.stringMatching(/^Test it on a slope of 20/) })
    const asked = clamped(5000, (project) => {
      Reflect.deleteProperty(project.car, 'ladenMassKg')
      Reflect.deleteProperty(part(project, 'stock-rear-pad'), 'friction')
    })!
    expect([asked.verdict, asked.missing]).toEqual(['check', []])
    expect(asked.sentence).toMatch(/unknown: friction coefficient of Rear road pads and more are not known\.$/)
  })
  test('what was seen on the car outranks the figures; a car without one has nothing to try', () => {
    expect(clamped(500, (project) => setVisualCheck(project, 'as-it-stands', 'rear', 'parking-hold', true))).toMatchObject({
      verdict: 'fits',
      looked: [],
    })
    expect(judged((project) => (project.car.parkingBrake = 'none'))).toBeUndefined()
  })
})
