import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import type { Px } from './grey.ts'
import { inOrder, outlineOf, THINNED_MM, uOfLine, type Stretch } from './outline.ts'
import { placing, type Datum, type PictureScale } from './placing.ts'
import { extentOf, pxOf, straightened } from './straightened.ts'
import { doubtWords, residualWords } from './words.ts'

const SIZE = { width: 1000, height: 800 }
/** A drawing of five pixels a millimetre, axis at y = 700, seat at x = 600. */
const two: PictureScale = { by: 'two', from: [100, 750], to: [600, 750], apartMm: { value: 100, u: 0.1 }, size: SIZE }
const datum: Datum = {
  by: 'clicks',
  axis: [
    [100, 700],
    [900, 700],
  ],
  seat: [
    [600, 650],
    [600, 50],
  ],
  mirrored: false,
}
const made = (scale: PictureScale = two, at: Datum = datum, near: Px = [400, 200]) => {
  const found = placing(scale, at, near)
  if (!found.ok) throw new Error(found.message)
  return found.placing
}
const stretch = (points: readonly Px[], snapped = false, tag = 'a'): Stretch<string> => ({
  tag,
  points: points.map((px) => ({ px, snapped })),
})

describe('a drawing seen straight', () => {
  test('says where a place is from seat and axis', () => {
    const [z, r] = made().place([700, 200])
    expect([z, r]).toEqual([expect.closeTo(20, 9), expect.closeTo(100, 9)])
  })
  test('upside down it is the same: radii grow towards what is traced', () => {
    const turned = ([x, y]: Px): Px => [1000 - x, 800 - y]
    const over = made(
      { ...two, from: turned([100, 750]), to: turned([600, 750]) },
      { ...datum, axis: [turned([100, 700]), turned([900, 700])], seat: [turned([600, 650]), turned([600, 50])] } as Datum,
      turned([400, 200]),
    )
    const [z, r] = over.place(turned([700, 200]))
    expect([z, r]).toEqual([expect.closeTo(20, 9), expect.closeTo(100, 9)])
  })
  test('which end of a line was pointed at first does not matter', () => {
    fc.assert(
      fc.property(fc.boolean(), fc.boolean(), (a, b) => {
        const { axis, seat } = datum as Extract<Datum, { by: 'clicks' }>
        const at: Datum = { by: 'clicks', axis: a ? [axis[1], axis[0]] : axis, seat: b ? [seat[1], seat[0]] : seat, mirrored: false }
        const [z, r] = made(two, at).place([700, 200])
        expect([z, r]).toEqual([expect.closeTo(20, 9), expect.closeTo(100, 9)])
      }),
    )
  })
  test('mirrored, the street is on the other side', () => {
    const [z, r] = made(two, { ...datum, mirrored: true }).place([700, 200])
    expect([z, r]).toEqual([expect.closeTo(-20, 9), expect.closeTo(100, 9)])
  })
  test('axis and seat that hardly cross are refused, as is a scale of no length', () => {
    expect(
      placing(
        two,
        {
          ...datum,
          seat: [
            [100, 690],
            [900, 710],
          ],
        } as Datum,
        [400, 200],
      ),
    ).toMatchObject({ ok: false, message: expect.stringContaining('right angle') })
    expect(placing({ ...two, to: [100, 750] }, datum, [400, 200])).toMatchObject({
      ok: false,
      message: expect.stringContaining('further apart'),
    })
  })
  test('says how far from square they are', () => {
    const off = made(two, {
      ...datum,
      seat: [
        [600, 650],
        [610.47, 50],
      ],
    } as Datum)
    expect(off.offSquareDeg).toBeCloseTo(1, 1)
    expect(made().offSquareDeg).toBeCloseTo(0, 9)
  })
})

test('a drawing seen aslant is told by its four corners', () => {
  const corners = [
    [120, 700],
    [880, 740],
    [760, 90],
    [230, 120],
  ] as const
  const scale: PictureScale = { by: 'corners', corners, wideMm: { value: 160, u: 0.1 }, highMm: { value: 120, u: 0.1 }, size: SIZE }
  const at: Datum = { by: 'clicks', axis: [corners[0], corners[1]], seat: [corners[0], corners[3]], mirrored: false }
  const [z, r] = made(scale, at).place(corners[2])
  expect([z, r]).toEqual([expect.closeTo(160, 6), expect.closeTo(120, 6)])
  const flat: PictureScale = { ...scale, corners: [corners[0], corners[0], corners[0], corners[0]] }
  expect(placing(flat, at, [400, 400]).ok).toBe(false)
})

describe('an outline', () => {
  test('is thinned to what a tenth of a millimetre needs, its ends kept', () => {
    const arc = Array.from({ length: 400 }, (_, i): Px => [
      500 + 300 * Math.cos(Math.PI - (i / 399) * Math.PI),
      600 - 300 * Math.sin((i / 399) * Math.PI),
    ])
    const outline = outlineOf([stretch(arc, true)], made(), 0)!
    expect(outline.points.length).toBeLessThan(60)
    const { place } = made()
    for (const px of arc) {
      const [z, r] = place(px)
      const away = Math.min(
        ...outline.points.slice(1).map((b, i) => {
          const a = outline.points[i]!
          const [dz, dr] = [b[0] - a[0], b[1] - a[1]]
          const t = Math.min(Math.max(((z - a[0]) * dz + (r - a[1]) * dr) / (dz * dz + dr * dr), 0), 1)
          return Math.hypot(z - a[0] - t * dz, r - a[1] - t * dr)
        }),
      )
      expect(away).toBeLessThan(THINNED_MM + 0.002)
    }
    expect(outline.points[0]).toEqual(place(arc[0]!).map((one) => expect.closeTo(one, 2)))
  })
  test('has a tag for each segment, and doubts for each point', () => {
    const outline = outlineOf(
      [
        stretch(
          [
            [100, 300],
            [300, 300],
          ],
          true,
          'barrel',
        ),
        stretch(
          [
            [300, 300],
            [500, 350],
            [600, 500],
          ],
          true,
          'face',
        ),
      ],
      made(),
      0.5,
    )!
    expect(outline.tags).toEqual(['barrel', 'face', 'face'])
    expect(outline.points).toHaveLength(4)
    expect(outline.doubts).toHaveLength(4)
  })
  test('a line of some width, a hand instead of an edge, a scale that is unsure: each makes it less sure, none surer', () => {
    const at = [
      stretch(
        [
          [100, 300],
          [800, 200],
        ],
        true,
      ),
    ]
    const most = (scale: PictureScale, stretches: Stretch<string>[], line: number) =>
      Math.max(...outlineOf(stretches, made(scale), line)!.doubts.flat())
    const base = most(two, at, 0)
    expect(most(two, at, 1)).toBeGreaterThan(base)
    expect(
      most(
        two,
        [
          stretch([
            [100, 300],
            [800, 200],
          ]),
        ],
        0,
      ),
    ).toBeGreaterThan(base)
    expect(most({ ...two, apartMm: { value: 100, u: 0.8 } }, at, 0)).toBeGreaterThan(base)
    expect(uOfLine(1)).toBeCloseTo(0.2887, 4)
    // a place that was pointed at in a small view is worth no more than that view
    const seen = (pointedPx: number) =>
      Math.max(
        ...outlineOf([{ tag: 'a', points: at[0]!.points.map(({ px }) => ({ px, snapped: false, pointedPx })) }], made(), 0)!.doubts.flat(),
      )
    expect(seen(4)).toBeGreaterThan(2 * seen(1))
  })
  test('the doubt of a scale grows with the distance, by its share', () => {
    const unsure: PictureScale = { ...two, apartMm: { value: 100, u: 2 } }
    const { doubts, points } = outlineOf(
      [
        stretch(
          [
            [600, 200],
            [100, 200],
          ],
          true,
        ),
      ],
      made(unsure),
      0,
    )!
    expect(points[1]![0]).toBeCloseTo(-100, 2)
    expect(doubts[1]![0]).toBeGreaterThan(1.9)
    expect(doubts[1]![0]).toBeLessThan(2.2)
    expect(doubts[0]![0]).toBeLessThan(0.5)
  })
  test('says how far it goes below the axis, where no radius is', () => {
    const below = outlineOf(
      [
        stretch(
          [
            [300, 690],
            [300, 760],
          ],
          true,
        ),
      ],
      made(),
      0,
    )!
    expect(below.lowestMm).toBeCloseTo(-12, 6)
    expect(below.points[1]![1]).toBe(0)
  })
  test('one place is no line', () => {
    expect(outlineOf([], made(), 0)).toBeUndefined()
  })
  test('is kept from inboard outwards, a wheel from barrel to pad, whichever way it was traced', () => {
    const there = outlineOf(
      [
        stretch(
          [
            [100, 100],
            [300, 120],
          ],
          true,
          'barrel',
        ),
        stretch(
          [
            [300, 120],
            [700, 400],
          ],
          true,
          'face',
        ),
      ],
      made(),
      0,
    )!
    const back = outlineOf(
      [
        stretch(
          [
            [700, 400],
            [300, 120],
          ],
          true,
          'face',
        ),
        stretch(
          [
            [300, 120],
            [100, 100],
          ],
          true,
          'barrel',
        ),
      ],
      made(),
      0,
    )!
    for (const profile of [true, false]) {
      expect(inOrder(back, profile).points).toEqual(inOrder(there, profile).points)
      expect(inOrder(back, profile).tags).toEqual(['barrel', 'face'])
    }
  })
})

test('a picture behind an outline shows each millimetre where it is', () => {
  const rgba = new Uint8ClampedArray(SIZE.width * SIZE.height * 4).fill(255)
  // a dark square of 4 mm about z = -40, r = 60
  for (let y = 390; y < 410; y += 1) for (let x = 390; x < 410; x += 1) rgba.fill(0, 4 * (y * SIZE.width + x), 4 * (y * SIZE.width + x) + 3)
  const extent = extentOf([
    [-60, 40],
    [10, 90],
  ])
  expect(extent).toEqual({ z: [-68, 18], r: [32, 98] })
  const { place } = made()
  const flat = straightened({ ...SIZE, data: rgba }, place, extent, 430, [400, 400])
  expect([flat.width, flat.height]).toEqual([430, 330])
  const shade = (z: number, r: number) =>
    flat.data[4 * (Math.floor((extent.r[1] - r) * 5) * flat.width + Math.floor((z - extent.z[0]) * 5))]
  expect([shade(-40, 60), shade(-38.4, 58.4), shade(-35, 60), shade(-40, 64)]).toEqual([0, 0, 255, 255])
  const [x, y] = pxOf(place, [-40, 60], [900, 20])
  expect([x, y]).toEqual([expect.closeTo(400, 3), expect.closeTo(400, 3)])
})

test('the words name the largest doubt first, and what would make it smaller', () => {
  const units = { length: 'mm' } as never
  const { parts, better } = doubtWords({ print: 0.3, line: 0.14, pixel: 0.001 }, units)
  expect(parts).toMatch(/^printer’s scale 0\.30.mm, width of the line 0\.14.mm$/)
  expect(better).toBe('Measure the printed bars.')
  expect(doubtWords({}, units)).toEqual({ parts: '', better: undefined })
  expect(residualWords({ residualMm: 0.08, places: 28, leftOut: 1 }, units)).toMatch(
    /^28 places of the sheet agree to within 0\.08.mm; .*One was left out/,
  )
})
