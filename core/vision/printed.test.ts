import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { anyCamera, numbersFrom } from '../testing/sheet-pictures.ts'
import { runs } from '../testing/runs.ts'
import { findMarks } from './marks.ts'
import { barsDisagree, printedWays, unevenOf, unmeasuredBar, withUneven, type Printed } from './printed.ts'
import { readSheet, type SheetReading } from './read-sheet.ts'
import { printedBar } from './sentences.ts'
import { takePicture } from './simulated-camera.ts'
import { seenUneven, sheetScale } from './sheet-scale.ts'

const u = fc.double({ min: 0.01, max: 3, noNaN: true })
const bar = fc.record({ value: fc.double({ min: 93, max: 103, noNaN: true }), u })

describe('two scales and how uneven they are', () => {
  test('a picture that says nothing changes nothing', () => {
    fc.assert(
      fc.property(bar, bar, (across, along) => {
        const told = withUneven({ across, along }, unevenOf({ across, along }))
        expect(told.across.value).toBeCloseTo(across.value, 9)
        expect(told.along.u).toBeCloseTo(along.u, 9)
      }),
    )
  })
  test('one that knows it exactly leaves both as uneven as it says, and neither less certain than before', () => {
    fc.assert(
      fc.property(bar, bar, fc.double({ min: -0.05, max: 0.05, noNaN: true }), (across, along, ln) => {
        const told = withUneven({ across, along }, { value: ln, u: 0 })
        expect(Math.log(told.across.value / told.along.value)).toBeCloseTo(ln, 9)
        expect(told.across.u / told.across.value).toBeLessThanOrEqual(across.u / across.value + 1e-12)
        expect(told.along.u / told.along.value).toBeLessThanOrEqual(along.u / along.value + 1e-12)
      }),
    )
  })
  test('the ways in which they may be off have the variances and the covariance of the two', () => {
    fc.assert(
      fc.property(bar, bar, fc.double({ min: 0, max: 0.05, noNaN: true }), (across, along, seenU) => {
        const told = withUneven({ across, along }, { value: 0, u: seenU })
        const ways = printedWays(told)
        const sum = (of: (way: [number, number]) => number) => ways.reduce((all, way) => all + of(way), 0)
        expect(sum(([a]) => a * a)).toBeCloseTo(told.across.u ** 2, 8)
        expect(sum(([, l]) => l * l)).toBeCloseTo(told.along.u ** 2, 8)
        expect(sum(([a, l]) => a * l)).toBeCloseTo(told.covariance ?? 0, 8)
      }),
    )
  })
})

/** A sheet from a printer, photographed from somewhere. */
function photographed(seed: number, printed: readonly [number, number], tiltDeg?: number): SheetReading {
  const random = numbersFrom(seed)
  const camera = { ...anyCamera(random, 0), lens4: 0, ...(tiltDeg === undefined ? {} : { tiltDeg }) }
  const grey = takePicture(camera, { drawn: [], printed }, { blurPx: 1, noise: 3 }, random)
  const read = readSheet(grey, findMarks(grey)!)
  if (!read.ok) throw new Error(read.message)
  return read.reading
}
const scaleOf = (reading: SheetReading, printedMm: Printed) =>
  sheetScale(reading, undefined, { heightMm: { value: 0, u: 0 }, printedMm }).printedMm

describe('a sheet printed at 97%', () => {
  const reading = photographed(2, [0.97, 0.97])
  test('without its bars every length may be off by so much, and more', () => {
    const { across, along } = scaleOf(reading, { across: unmeasuredBar(), along: unmeasuredBar() })
    for (const one of [across, along]) expect(Math.abs(one.value - 97)).toBeLessThan(1.645 * one.u)
  })
  test('with them it is as large as it is', () => {
    const { across, along } = scaleOf(reading, { across: printedBar(97, 'steelRule'), along: printedBar(97, 'steelRule') })
    for (const one of [across, along]) expect([one.value, one.u]).toEqual([expect.closeTo(97, 1), expect.closeTo(0.15, 0)])
  })
})

test('an uneven print shows from above: one bar measured gives the other, and two that cannot both be right are said', () => {
  for (let seed = 1; seed <= runs(2, 12); seed += 1) {
    const reading = photographed(seed, [0.97, 1], 4)
    const seen = seenUneven(reading)
    expect(Math.abs(seen.value - Math.log(0.97))).toBeLessThan(3 * seen.u)
    const { along } = scaleOf(reading, { across: printedBar(97, 'digitalCaliper'), along: unmeasuredBar() })
    expect(Math.abs(along.value - 100)).toBeLessThan(3 * along.u)
    expect(along.u).toBeLessThan(0.6)
    const entered = (across: number, of: number) =>
      barsDisagree({ across: printedBar(across, 'steelRule'), along: printedBar(of, 'steelRule') }, seen)
    expect(entered(97, 100)).toBeUndefined()
    expect(entered(100, 100)).toMatch(/^The bars as entered differ by 0\.0%; in the picture they differ by [23]\.\d%/)
    // swapped
    expect(entered(100, 97)).toBeDefined()
  }
})
