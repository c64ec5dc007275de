import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { bestDeceleration, criticalDecelG } from '../../testing/constant-split.ts'
import { PLAIN_MASS as MASS, plainSystem as plain } from '../../testing/systems.ts'
import { idealCurve, lockLines } from './ideal-curve.ts'
import { axleAlone, bestOnDiagonal, bestWithoutLock, criteria } from './limits.ts'
import { frontFirstUntil, lockOrder } from './lock-order.ts'
import { chain } from '../../hydraulics/maths/chain.ts'

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true })

describe('the best without a locked wheel', () => {
  test('agrees with the closed form of a constant split', () => {
    fc.assert(
      fc.property(number(300, 1500), number(0.3, 1), (rear, friction) => {
        const system = plain(rear)
        const beta = chain(system, 100).bias.road!
        const closed = bestDeceleration(beta, 0.6, 0.2, friction)
        const found = bestWithoutLock(system, MASS, friction)!
        expect(found.decelG).toBeCloseTo(closed.decelG, 5)
        if (Math.abs(criticalDecelG(beta, 0.6, 0.2) - friction) > 0.01) expect(found.axle).toBe(closed.axle)
      }),
    )
  })
  test('engine drag loads the driven axle, downforce lets both use more', () => {
    const system = plain(700)
    const dry = bestWithoutLock(system, MASS, 0.9)!.decelG
    const pressed = bestWithoutLock(system, MASS, 0.9, { downforceN: { front: 600, rear: 400 } })!.decelG
    expect(pressed).toBeGreaterThan(dry)
    const wet = (front: number) => bestWithoutLock(system, MASS, 0.4, { dragN: { front, rear: 0 } })!
    expect(wet(400).axle).toBe('front')
    expect(wet(400).decelG).not.toBe(wet(0).decelG)
  })
})

describe('engine drag', () => {
  // 1 t on 0.137 g of drag at the front
  const drag = { dragN: { front: 0.137 * 9806.65, rear: 0 } }
  test('slows by no more than what is asked: on a surface that holds it, more is possible', () => {
    const found = bestWithoutLock(plain(700), MASS, 0.3, drag)!
    expect(found.decelG).toBeGreaterThan(0.137)
    // on ice the drag alone breaks the driven wheels loose: k phi / (1 - k chi)
    expect(bestWithoutLock(plain(700), MASS, 0.1, drag)).toMatchObject({
      decelG: expect.closeTo((0.1 * 0.6) / (1 - 0.1 * 0.2), 5),
      axle: 'front',
    })
  })
})

describe('half of a diagonal split', () => {
  test('each wheel is limited by half the load that half the braking shifts', () => {
    fc.assert(
      fc.property(number(300, 1500), number(0.3, 1), (rear, k) => {
        const system = plain(rear)
        const beta = chain(system, 100).bias.road!
        const front = (k * 0.3) / (beta - (k * 0.2) / 2)
        const back = (k * 0.2) / (1 - beta + (k * 0.2) / 2)
        expect(bestOnDiagonal(system, MASS, k)!.decelG).toBeCloseTo(Math.min(front, back), 5)
      }),
    )
  })
})

describe('one axle alone', () => {
  test('by the closed form, until the rear lifts', () => {
    expect(axleAlone('front', MASS, 0.9)).toEqual({ decelG: expect.closeTo((0.9 * 0.6) / (1 - 0.18), 12), lifts: false })
    expect(axleAlone('rear', MASS, 0.9).decelG).toBeCloseTo((0.9 * 0.4) / 1.18, 12)
  })
  test('a sticky tyre under a high car lifts its rear: no negative line, no negative deceleration', () => {
    const high = { ...MASS, cgHeightMm: 1300 }
    expect(axleAlone('front', high, 2)).toEqual({ decelG: expect.closeTo(0.4 / 0.52, 12), lifts: true })
    expect(lockLines(high, 2).front).toBeUndefined()
    fc.assert(
      fc.property(number(0.1, 2), number(200, 1300), (k, cgHeightMm) => {
        const mass = { ...MASS, cgHeightMm }
        for (const axle of ['front', 'rear'] as const) expect(axleAlone(axle, mass, k).decelG).toBeGreaterThan(0)
        const { front } = lockLines(mass, k)
        // at 1 - k chi = 0 the front takes all the load the tyres can use: there is no line
        if (k * (cgHeightMm / MASS.wheelbaseMm) >= 1) expect(front).toBeUndefined()
        else expect(front![0][0]).toBeGreaterThan(0)
      }),
    )
  })
})

describe('the named criteria', () => {
  test('a front-heavy split keeps the order, a rear-heavy one breaks it where the order turns', () => {
    expect(criteria(plain(500), MASS)!.find((one) => one.id === 'order')).toMatchObject({ holds: true })
    const system = plain(1150)
    const order = lockOrder(system, MASS)
    const found = criteria(system, MASS)!.find((one) => one.id === 'order')!
    expect(order?.kind).toBe('rearAbove')
    expect(found.firstG!).toBeCloseTo(frontFirstUntil(order!), 2)
  })
  test('a split far off uses too much of one axle', () => {
    expect(criteria(plain(6000), MASS)!.find((one) => one.id === 'use')).toMatchObject({ holds: false })
  })
})

describe('the ideal curve', () => {
  test('on it both axles use the same friction', () => {
    for (const [front, rear] of idealCurve(MASS, 1.2).slice(1)) {
      const z = front + rear
      expect(front / (0.6 + 0.2 * z)).toBeCloseTo(z, 9)
      expect(rear / (0.4 - 0.2 * z)).toBeCloseTo(z, 9)
    }
  })
  test('the lock lines of a friction meet on it', () => {
    fc.assert(
      fc.property(number(0.2, 1), (k) => {
        const { front: rising, rear } = lockLines(MASS, k)
        const front = rising!
        // both lines through two points each: where they cross
        const slope = ([a, b]: typeof rear) => (b[1] - a[1]) / (b[0] - a[0])
        const [mf, mr] = [slope(front), slope(rear)]
        const x = (front[0][1] - rear[0][1] - mf * front[0][0] + mr * rear[0][0]) / (mr - mf)
        const y = rear[0][1] + mr * (x - rear[0][0])
        expect(x + y).toBeCloseTo(k, 6)
        expect(x).toBeCloseTo(k * (0.6 + 0.2 * k), 6)
      }),
    )
  })
})
