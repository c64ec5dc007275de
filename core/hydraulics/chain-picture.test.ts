import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { DEMO_PROJECT } from '../demo/project.ts'
import { chain } from './maths/chain.ts'
import { boreAreaMm2, pressurePerNewton, type BrakeSystem } from './maths/system.ts'
import { axleFluidMm3, DEFAULT_FREE_STROKE_MM } from './maths/travel.ts'
import { STANDARD_GRAVITY } from '../quantity/units.ts'
import { chainPicture, forceLine, kneeAtRear, kneeOnLine, stageTravel } from './chain-picture.ts'
import { hydraulicsOf } from './hydraulics-of.ts'

const balanced = hydraulicsOf(DEMO_PROJECT, 'balanced')
const { system, takers, mass } = balanced as { [K in keyof typeof balanced]-?: NonNullable<(typeof balanced)[K]> }
const twin: BrakeSystem = { ...system, master: { kind: 'twin', frontBoreMm: 15.875, rearBoreMm: 17.78, frontShare: 0.53 } }
const pedal = fc.double({ min: 1, max: 800, noNaN: true })

describe('what moves at each stage', () => {
  test('fluid that leaves a cylinder is fluid that moves pads: stroke by area, from the foot to the pad', () => {
    fc.assert(
      fc.property(pedal, fc.constantFrom(system, twin), (force, one) => {
        const stage = chain(one, force)
        const { masterMm, rodMm, pedalMm, padMm } = stageTravel(one, takers, stage)
        const bores =
          one.master.kind === 'tandem' ? [one.master.boreMm, one.master.boreMm] : [one.master.frontBoreMm, one.master.rearBoreMm]
        const fluid = [axleFluidMm3(takers.front, stage.front.pressureMpa), axleFluidMm3(takers.rear, stage.rear.pressureMpa)]
        expect(masterMm.front * boreAreaMm2(bores[0]!)).toBeCloseTo(fluid[0]!, 6)
        expect(masterMm.rear * boreAreaMm2(bores[1]!)).toBeCloseTo(fluid[1]!, 6)
        // two calipers an axle, two pads a caliper
        expect(padMm.front * 4 * takers.front.pistonAreaMm2).toBeCloseTo(fluid[0]!, 6)
        expect(padMm.rear * 4 * takers.rear.pistonAreaMm2).toBeCloseTo(fluid[1]!, 6)
        expect(pedalMm).toBeCloseTo(rodMm * one.pedalRatio, 9)
      }),
    )
  })
  test('a tandem adds its circuits, a bar moves by their strokes in the shares of its pivot', () => {
    const [t, b] = [stageTravel(system, takers, chain(system, 150)), stageTravel(twin, takers, chain(twin, 150))]
    expect(t.rodMm).toBeCloseTo(t.masterMm.front + t.masterMm.rear + DEFAULT_FREE_STROKE_MM, 9)
    expect(b.rodMm).toBeCloseTo(0.53 * b.masterMm.front + 0.47 * b.masterMm.rear + DEFAULT_FREE_STROKE_MM, 9)
  })
  test('a harder push never moves less', () => {
    fc.assert(
      fc.property(pedal, pedal, (a, b) => {
        const [less, more] = [a, b].sort((x, y) => x - y)
        expect(chainPicture(balanced, more!)!.travel!.pedalMm).toBeGreaterThanOrEqual(chainPicture(balanced, less!)!.travel!.pedalMm - 1e-9)
      }),
    )
  })
})

describe('the picture', () => {
  test('before the valve the rear has the pressure of its cylinder, behind it never more', () => {
    fc.assert(
      fc.property(pedal, (force) => {
        const found = chainPicture(balanced, force)!
        expect(found.rearBeforeValveMpa).toBeCloseTo(found.chain.boostedForceN * pressurePerNewton(system.master).rear, 9)
        expect(found.chain.rear.pressureMpa).toBeLessThanOrEqual(found.rearBeforeValveMpa + 1e-9)
        expect(found.decelG).toBeCloseTo((found.chain.front.forceN + found.chain.rear.forceN) / (mass.massKg * STANDARD_GRAVITY), 9)
      }),
    )
  })
  test('the boost is the booster’s ratio until it has given all, then falls; without one there is none', () => {
    const { ratio } = system.booster!
    expect(chainPicture(balanced, 50)!.boostRatio).toBeCloseTo(ratio, 9)
    const hard = chainPicture(balanced, 700)!
    expect(hard.chain.runout).toBe(true)
    expect(hard.boostRatio).toBeLessThan(ratio)
    expect(hard.boostRatio).toBeGreaterThan(1)
    expect(chainPicture({ ...balanced, system: { ...system, booster: undefined } }, 50)!.boostRatio).toBeUndefined()
    expect(chainPicture(balanced, 0)!.boostRatio).toBeUndefined()
  })
  test('what is missing leaves out what it would say, and no more', () => {
    expect(chainPicture({ ...balanced, system: undefined }, 100)).toBeUndefined()
    const bare = chainPicture({ ...balanced, takers: undefined, mass: undefined }, 100)!
    expect([bare.travel, bare.decelG]).toEqual([undefined, undefined])
    expect(bare.chain.front.pressureMpa).toBeGreaterThan(0)
  })
})

describe('the line of forces and its knee', () => {
  const weightN = mass.massKg * STANDARD_GRAVITY
  test('front and rear of each point add up to its deceleration', () => {
    const line = forceLine(system, weightN)
    expect(line[0]).toEqual([0, 0])
    line.forEach(([front, rear], i) => expect(front + rear).toBeCloseTo((1.2 * i) / (line.length - 1), 6))
  })
  test('the knee lies on the line; below it the line does not know of the valve', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.5, max: 4, noNaN: true }), (kneeMpa) => {
        const found = kneeOnLine(balanced, kneeMpa)!
        const [front, rear] = found.point
        const free = forceLine({ ...system, valve: undefined }, weightN)
        const below = found.line.filter(([x]) => x < front - 0.03)
        // seals and the steps of the line aside, both are the same line there
        for (const [x, y] of below) {
          const at = free.findIndex(([fx]) => fx >= x - 1e-9)
          const [[x0, y0], [x1, y1]] = [free[Math.max(at - 1, 0)]!, free[at]!]
          const y2 = x1 === x0 ? y1 : y0 + ((y1 - y0) * (x - x0)) / (x1 - x0)
          expect(Math.abs(y - y2)).toBeLessThan(0.002)
        }
        expect(kneeAtRear(balanced, rear)).toBeCloseTo(kneeMpa, 9)
      }),
      { numRuns: 40 },
    )
  })
  test('a hand cannot put the knee where no valve has it', () => {
    expect(kneeAtRear(balanced, -1)).toBe(0.1)
    expect(kneeAtRear(balanced, 50)).toBe(20)
    expect(kneeOnLine({ ...balanced, system: { ...system, valve: undefined } }, 2)).toBeUndefined()
    expect(kneeAtRear({ ...balanced, mass: undefined }, 0.1)).toBeUndefined()
  })
})
