import { describe, expect, test } from '@jest/globals'
import { follow } from './follow.ts'
import { greyOf, halved, isInside, shadeAt, type Grey, type Px } from './grey.ts'
import { edgeIn } from './marks.ts'
import { snap } from './snap.ts'
import { darkOf, spotsOf } from './spots.ts'

/** A picture from a function of place, each pixel the mean of nine places in it. */
function pictured(width: number, height: number, shade: (x: number, y: number) => number): Grey {
  const data = new Uint8Array(width * height)
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      let sum = 0
      for (const a of [1 / 6, 0.5, 5 / 6]) for (const b of [1 / 6, 0.5, 5 / 6]) sum += shade(x + a, y + b)
      data[y * width + x] = Math.round(sum / 9)
    }
  return { width, height, data }
}
/** A dark line 3 px wide through (60, 40) at an angle. */
const lined = (deg: number) => {
  const [c, s] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)]
  return {
    grey: pictured(120, 80, (x, y) => (Math.abs((y - 40) * c - (x - 60) * s) < 1.5 ? 50 : 220)),
    off: ([x, y]: Px) => (y - 40) * c - (x - 60) * s,
  }
}
/** Light above a slanted edge, dark below. */
const edged = (deg: number) => {
  const [c, s] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)]
  return {
    grey: pictured(120, 80, (x, y) => ((y - 40) * c - (x - 60) * s > 0 ? 60 : 220)),
    off: ([x, y]: Px) => (y - 40) * c - (x - 60) * s,
  }
}

describe('a place is drawn', () => {
  test.each([0, 12, 33, 45, 71, 88])('to the middle of a line at %d degrees', (deg) => {
    const { grey, off } = lined(deg)
    const found = snap(grey, [61.3, 43.4], 8, 'line', 3)
    expect(Math.abs(off(found!.px))).toBeLessThan(0.1)
  })
  test.each([0, 12, 33, 45, 71, 90])('to an edge at %d degrees', (deg) => {
    const { grey, off } = edged(deg)
    const found = snap(grey, [61.3, 43.4], 8, 'edge', 3)
    expect(Math.abs(off(found!.px))).toBeLessThan(0.2)
  })
  test('along the line it stays where it was pointed at', () => {
    const found = snap(lined(0).grey, [30.2, 42], 10, 'line', 3)
    expect(Math.abs(found!.px[0] - 30.2)).toBeLessThan(0.8)
  })
  test('nowhere where there is nothing, or nothing near', () => {
    expect(
      snap(
        pictured(60, 60, () => 180),
        [30, 30],
        10,
        'line',
        3,
      ),
    ).toBeUndefined()
    expect(snap(lined(0).grey, [60, 60], 8, 'line', 3)).toBeUndefined()
  })
  test('at the border of the picture too', () => {
    expect(snap(lined(0).grey, [0, 41], 8, 'line', 3)?.px[1]).toBeCloseTo(40, 0)
  })
})

describe('a line is followed', () => {
  const circle = pictured(300, 300, (x, y) => (Math.abs(Math.hypot(x - 150, y - 150) - 100) < 1.5 ? 40 : 215))
  test('round a bend to a fifth of a pixel', () => {
    const found = follow(circle, [250, 150], [150, 50], 'line', 3)
    if (!found.ok) throw new Error(found.message)
    expect(found.points.length).toBeGreaterThan(60)
    for (const [x, y] of found.points) expect(Math.abs(Math.hypot(x - 150, y - 150) - 100)).toBeLessThan(0.2)
    // a quarter of it, not three
    expect(found.points.every(([x, y]) => x > 145 && y < 155)).toBe(true)
  })
  test('in order, without going back', () => {
    const found = follow(circle, [250, 150], [150, 50], 'line', 3)
    const angles = found.ok ? found.points.map(([x, y]) => Math.atan2(150 - y, x - 150)) : []
    angles.slice(1).forEach((angle, i) => expect(angle).toBeGreaterThan(angles[i]! - 0.012))
  })
  test('not where there is none: it says so', () => {
    const found = follow(
      pictured(200, 200, () => 200),
      [20, 20],
      [180, 180],
      'line',
      3,
    )
    expect(found).toMatchObject({ ok: false, message: expect.stringContaining('No clear line') })
  })
  test('from a place to itself there is nothing between', () => {
    expect(follow(circle, [250, 150], [250, 150], 'line', 3)).toEqual({ ok: true, points: [] })
  })
})

describe('shades', () => {
  test('of colours as the eye weighs them', () => {
    expect([...greyOf(new Uint8ClampedArray([255, 0, 0, 255, 0, 255, 0, 255, 0, 0, 255, 255, 255, 255, 255, 255]), 4, 1).data]).toEqual([
      76, 149, 28, 255,
    ])
  })
  test('between pixels and beyond the edge', () => {
    const grey: Grey = { width: 2, height: 2, data: new Uint8Array([0, 100, 100, 200]) }
    expect(shadeAt(grey, 1, 1)).toBe(100)
    expect(shadeAt(grey, 0.5, 0.5)).toBe(0)
    expect(shadeAt(grey, -9, 99)).toBe(100)
    expect(shadeAt({ width: 1, height: 1, data: new Uint8Array([7]) }, 0.2, 0.9)).toBe(7)
  })
  test('of half the picture are means of four', () => {
    expect([...halved({ width: 4, height: 2, data: new Uint8Array([0, 4, 8, 12, 0, 4, 8, 12]) }).data]).toEqual([2, 10])
    expect(halved({ width: 1, height: 1, data: new Uint8Array([9]) })).toMatchObject({ width: 1, height: 1 })
  })
  test('a place is inside with room to spare', () => {
    expect([isInside({ width: 10, height: 10 }, [1, 5], 1), isInside({ width: 10, height: 10 }, [0.5, 5], 1)]).toEqual([true, false])
  })
})

describe('dark spots', () => {
  test('are found in shadow and light alike, and told apart', () => {
    const grey = pictured(300, 200, (x, y) => {
      const light = 230 - 0.5 * x
      return [
        [60, 60],
        [240, 60],
        [150, 150],
      ].some(([cx, cy]) => Math.hypot(x - cx!, y - cy!) < 8)
        ? 0.2 * light
        : light
    })
    const spots = spotsOf(darkOf(grey), 300, 200)
    expect(spots).toHaveLength(3)
    for (const one of spots) expect(one.area).toBeGreaterThan(150)
    expect(spots.map((one) => [Math.round(one.x), Math.round(one.y)])).toEqual([
      [60, 60],
      [240, 60],
      [150, 150],
    ])
  })
  test('that meet further down are one', () => {
    const mask = new Uint8Array([1, 0, 1, 1, 0, 1, 1, 1, 1, 0, 0, 0, 1, 1, 1])
    expect(spotsOf(mask, 3, 5)).toHaveLength(0)
    const wide = new Uint8Array(60)
    for (const at of [0, 2, 10, 12, 20, 21, 22, 30, 31, 32]) wide[at] = 1
    expect(spotsOf(wide, 10, 6)).toMatchObject([{ area: 10, x0: 0, x1: 3, y0: 0, y1: 4 }])
  })
})

test('an edge is half way between both levels, to a part of a step', () => {
  expect(edgeIn([50, 50, 50, 50, 100, 200, 200, 200, 200])).toBeCloseTo(4.25, 6)
  expect(edgeIn([90, 95, 92, 94, 91, 90])).toBeUndefined()
  expect(edgeIn([200, 200, 150, 50, 50])).toBeUndefined()
})
