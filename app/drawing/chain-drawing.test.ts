import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { DEMO_PROJECT } from '#core/demo/project.ts'
import { AXLES } from '#core/quantity/axle.ts'
import { chainBody } from '#core/hydraulics/chain-body.ts'
import { chainPicture } from '#core/hydraulics/chain-picture.ts'
import { hydraulicsOf } from '#core/hydraulics/hydraulics-of.ts'
import { chainLayout, drawnBrake, drawnFoot, PX_PER_MM, WHEEL_PX_PER_MM, type DrawnBox } from './chain-drawing.ts'

const hydraulics = hydraulicsOf(DEMO_PROJECT, 'balanced')
const body = chainBody(hydraulics)!
const at = (forceN: number) => chainPicture(hydraulics, forceN)!.travel!
const long = ([x1, y1]: [number, number], [x2, y2]: [number, number]) => Math.hypot(x2 - x1, y2 - y1)
const twin = { ...body, master: { kind: 'twin', frontBoreMm: 15.875, rearBoreMm: 19.05, frontShare: 0.6 } as const }

describe('the foot and its cylinders', () => {
  test('the lever is divided in its ratio, wherever the foot is', () => {
    fc.assert(
      fc.property(fc.double({ min: 2, max: 8, noNaN: true }), fc.double({ min: 0, max: 600, noNaN: true }), (pedalRatio, forceN) => {
        const { pivot, pad, pin } = drawnFoot({ ...body, pedalRatio }, at(forceN))
        expect(long(pivot, pad) / long(pivot, pin)).toBeCloseTo(pedalRatio, 6)
      }),
    )
  })
  test('pistons move by their strokes, in the scale of their bores', () => {
    const [rest, pressed] = [drawnFoot(body, undefined), drawnFoot(body, at(200))]
    const { masterMm } = at(200)
    expect(pressed.cylinders.rear.piston.x - rest.cylinders.rear.piston.x).toBeCloseTo(masterMm.rear * PX_PER_MM, 9)
    // the first piston of a tandem drives both
    expect(pressed.cylinders.front.piston.x - rest.cylinders.front.piston.x).toBeCloseTo((masterMm.front + masterMm.rear) * PX_PER_MM, 9)
    expect(rest.cylinders.front.body.height).toBeCloseTo((body.master.kind === 'tandem' ? body.master.boreMm : 0) * PX_PER_MM, 9)
  })
  test('a bar is divided by its share: nearer to the cylinder that gets more', () => {
    const { bar, cylinders } = drawnFoot(twin, at(100))
    const [front, rear] = AXLES.map((axle) => Math.abs(bar![axle][1] - bar!.pivot[1]))
    expect(rear! / (front! + rear!)).toBeCloseTo(0.6, 9)
    expect(cylinders.rear.body.height / cylinders.front.body.height).toBeCloseTo(19.05 / 15.875, 9)
  })
})

describe('a brake', () => {
  const layout = chainLayout(1080)
  const apart = (a: DrawnBox, b: DrawnBox) => Math.max(b.x - a.x - a.width, a.x - b.x - b.width)
  test('opposed pistons stand on both sides, a sliding caliper’s on one, each as large as it is', () => {
    const [four, sliding] = AXLES.map((axle) => drawnBrake(body[axle], 0, layout))
    expect(four!.pistons).toHaveLength(2 * body.front.pistonsMm.length)
    expect(sliding!.pistons).toHaveLength(body.rear.pistonsMm.length)
    body.front.pistonsMm.forEach((mm, i) => expect(four!.pistons[i]!.height).toBeCloseTo(mm * PX_PER_MM, 9))
    expect(four!.wheel.tyrePx / four!.wheel.discPx!).toBeCloseTo((2 * body.front.tyreRadiusMm) / body.front.diameterMm!, 9)
    expect(four!.wheel.effectivePx).toBeCloseTo(body.front.effectiveRadiusMm * WHEEL_PX_PER_MM, 9)
  })
  test('pads close on the rotor and never enter it; shoes go outwards', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 5, noNaN: true }), (padMm) => {
        const open = drawnBrake(body.front, 0, layout)
        const closed = drawnBrake(body.front, padMm, layout)
        for (const i of [0, 1]) {
          expect(apart(closed.pads[i]!, closed.rotor!)).toBeGreaterThanOrEqual(-1e-9)
          expect(apart(closed.pads[i]!, closed.rotor!)).toBeLessThanOrEqual(apart(open.pads[i]!, open.rotor!))
        }
        const drum = { ...body.rear, kind: 'drum' as const, pistonsMm: [19] }
        const [shut, pushed] = [drawnBrake(drum, 0, layout), drawnBrake(drum, padMm, layout)]
        expect(apart(pushed.pads[0]!, pushed.pads[1]!)).toBeGreaterThanOrEqual(apart(shut.pads[0]!, shut.pads[1]!))
      }),
    )
  })
  test('on a phone all stands within its width', () => {
    const layout = chainLayout(358)
    const { wheel, body: caliper } = drawnBrake(body.front, 0.3, layout)
    expect(caliper.x).toBeGreaterThan(0)
    expect(wheel.centre[0] + wheel.tyrePx + 4).toBeLessThan(358)
    expect(caliper.x + caliper.width).toBeLessThan(wheel.centre[0] - wheel.tyrePx)
  })
})
