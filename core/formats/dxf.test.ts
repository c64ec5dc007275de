import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import type { NamedOutline } from '../records/field.ts'
import { arcPoints, bulgePoints } from './arc.ts'
import { chainPieces } from './chain-pieces.ts'
import { MAX_DXF_BYTES, placeLayer, readDxf, type DxfPlacing } from './dxf-read.ts'
import { guessTags, outlinesFromDxf, profileFromDxf } from './dxf-take.ts'
import { writeDxf } from './dxf-write.ts'

const asDrawn: DxfPlacing = { unit: 'mm', originX: 0, originY: 0, outboard: '+x', mirrorRadius: false }
/** A drawing of group codes and values, entities only unless a header is given. */
const dxf = (entities: (string | number)[], header: (string | number)[] = []): string =>
  [
    ...(header.length > 0 ? [0, 'SECTION', 2, 'HEADER', ...header, 0, 'ENDSEC'] : []),
    0,
    'SECTION',
    2,
    'ENTITIES',
    ...entities,
    0,
    'ENDSEC',
    0,
    'EOF',
    '',
  ].join('\n')
const line = (layer: string, x0: number, y0: number, x1: number, y1: number) => [0, 'LINE', 8, layer, 10, x0, 20, y0, 11, x1, 21, y1]
const read = (text: string) => {
  const found = readDxf(text)
  if (!found.ok) throw new Error(found.message)
  return found.drawing
}
const layersOf = (text: string) => read(text).layers

describe('outlines out and in again', () => {
  const mm = (min: number, max: number) => fc.double({ min, max, noNaN: true })
  // neighbours apart, ends apart: a drawing has no use for two points in one place
  const outline = fc.array(fc.tuple(mm(0.5, 9), mm(60, 250)), { minLength: 2, maxLength: 60 }).map((steps) => {
    let z = -120
    return steps.map(([dz, r]): [number, number] => [(z += dz), r])
  })
  test('the same to 0.001 mm, by layer', () => {
    fc.assert(
      fc.property(fc.array(outline, { minLength: 1, maxLength: 4 }), (lines) => {
        const outlines: NamedOutline[] = lines.map((points, i) => ({ name: `part ${i}`, points }))
        const drawing = read(writeDxf(outlines))
        expect(drawing.unit).toBe('mm')
        const back = outlinesFromDxf(drawing.layers, asDrawn)
        expect(back.map((one) => one.name)).toEqual(outlines.map((one) => one.name))
        back.forEach(({ points }, i) => {
          expect(points).toHaveLength(lines[i]!.length)
          points.forEach(([z, r], k) => {
            expect(Math.abs(z - lines[i]![k]![0])).toBeLessThan(0.001)
            expect(Math.abs(r - lines[i]![k]![1])).toBeLessThan(0.001)
          })
        })
      }),
      { numRuns: 60 },
    )
  })
  test('hostile and equal names become layers of their own', () => {
    const points: [number, number][] = [
      [0, 100],
      [5, 110],
    ]
    const names = ['<b>', 'hose', 'hose', '0', '\u0000', 'Ä/|*?']
    const layers = layersOf(writeDxf(names.map((name) => ({ name, points }))))
    expect(new Set(layers.map((layer) => layer.name)).size).toBe(names.length)
  })
})

describe('what a drawing may hold', () => {
  test('lines that meet become one, whichever way they were drawn', () => {
    const text = dxf([...line('body', 0, 0, 10, 0), ...line('body', 20, 5, 10, 0), ...line('body', 20, 5, 30, 5)])
    expect(placeLayer(layersOf(text)[0]!, asDrawn)).toEqual([
      [
        [0, 0],
        [10, 0],
        [20, 5],
        [30, 5],
      ],
    ])
  })
  test('an arc runs against the clock from its start to its end', () => {
    const [chain] = placeLayer(layersOf(dxf([0, 'ARC', 8, 'a', 10, 10, 20, 20, 40, 5, 50, 270, 51, 90]))[0]!, asDrawn)
    expect(chain![0]).toEqual([expect.closeTo(10, 9), expect.closeTo(15, 9)])
    expect(chain![chain!.length - 1]).toEqual([expect.closeTo(10, 9), expect.closeTo(25, 9)])
    // over the right side
    expect(Math.max(...chain!.map(([x]) => x))).toBeCloseTo(15, 2)
    for (const [x, y] of chain!) expect(Math.hypot(x - 10, y - 20)).toBeCloseTo(5, 9)
  })
  test('a bulge of 1 is half a circle to the right of the way turned left', () => {
    const text = dxf([0, 'LWPOLYLINE', 8, 'a', 90, 2, 70, 0, 10, 0, 20, 0, 42, 1, 10, 10, 20, 0])
    const [chain] = placeLayer(layersOf(text)[0]!, asDrawn)
    expect(Math.min(...chain!.map(([, y]) => y))).toBeCloseTo(-5, 2)
    expect(chain![0]).toEqual([0, 0])
    expect(chain![chain!.length - 1]).toEqual([10, 0])
  })
  test('chords stay within 0.005 of the arc, both ways round', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 3, noNaN: true }),
        fc.boolean(),
        fc.double({ min: 1, max: 300, noNaN: true }),
        (size, left, chord) => {
          const bulge = left ? size : -size
          const points = bulgePoints([0, 0], [chord, 0], bulge)
          const radius = (chord * (1 + bulge * bulge)) / (4 * Math.abs(bulge))
          const cy = ((1 - bulge * bulge) / (4 * bulge)) * chord
          for (let i = 0; i + 1 < points.length; i += 1) {
            const [a, b] = [points[i]!, points[i + 1]!]
            expect(Math.hypot(a[0] - chord / 2, a[1] - cy)).toBeCloseTo(radius, 6)
            const middle = Math.hypot((a[0] + b[0]) / 2 - chord / 2, (a[1] + b[1]) / 2 - cy)
            expect(radius - middle).toBeLessThan(0.0051)
          }
        },
      ),
    )
    expect(arcPoints(0, 0, 0.001, 0, Math.PI).length).toBeGreaterThan(1)
  })
  test('an old polyline with its vertices, closed', () => {
    const vertex = (x: number, y: number) => [0, 'VERTEX', 8, 'p', 10, x, 20, y]
    const text = dxf([0, 'POLYLINE', 8, 'p', 66, 1, 70, 1, ...vertex(0, 0), ...vertex(4, 0), ...vertex(4, 3), 0, 'SEQEND', 8, 'p'])
    expect(placeLayer(layersOf(text)[0]!, asDrawn)).toEqual([
      [
        [0, 0],
        [4, 0],
        [4, 3],
        [0, 0],
      ],
    ])
  })
  test('a spline is refused with what to do, the other layers stay', () => {
    const spline = [0, 'SPLINE', 8, 'curve', 70, 8, 71, 3, 72, 8, 73, 4, 10, 0, 20, 0, 10, 1, 20, 2, 10, 3, 20, 2, 10, 4, 20, 0]
    const layers = layersOf(dxf([...spline, ...line('body', 0, 0, 1, 1)]))
    expect(layers.find((layer) => layer.name === 'curve')!.refused).toMatch(/a spline.*polyline/)
    expect(layers.find((layer) => layer.name === 'body')!.refused).toBeUndefined()
  })
  test('texts and dimensions are left aside and named', () => {
    const text = dxf([0, 'TEXT', 8, 'notes', 10, 0, 20, 0, 40, 2, 1, 'seat', ...line('body', 0, 0, 1, 1)])
    const drawing = read(text)
    expect(drawing.notes).toEqual(['Left aside: text.'])
    expect(drawing.layers.map((layer) => layer.name)).toEqual(['body'])
  })
  test.each([
    [1, 'in'],
    [4, 'mm'],
    [5, 'cm'],
    [6, 'm'],
    [0, undefined],
    [19, undefined],
  ])('$INSUNITS %p: %p', (code, unit) => {
    expect(read(dxf(line('a', 0, 0, 1, 1), [9, '$INSUNITS', 70, code])).unit).toBe(unit)
  })
  test('no header: the unit is asked', () => {
    expect(read(dxf(line('a', 0, 0, 1, 1))).unit).toBeUndefined()
  })
  test.each([
    ['', /not a DXF/],
    ['a,b,c\n1,2,3', /not a DXF/],
    ['AutoCAD Binary DXF\r\n', /binary/],
    [dxf([]), /no line/],
    [dxf(line('a', 0, 0, 1, 1)).replace('EOF', ''), /cannot be read|no line/],
    ['0\nSECTION\n' + 'x'.repeat(MAX_DXF_BYTES), /larger than 8 MB/],
    [dxf(Array.from({ length: 2100 }, (_, i) => line('a', i, 0, i, 1)).flat()), /more than 2000 lines/],
  ])('%#: one sentence says what is wrong', (text, message) => {
    const found = readDxf(text)
    expect(found.ok ? '' : found.message).toMatch(message)
  })
  test('numbers that are none refuse the layer', () => {
    expect(
      layersOf(dxf([...line('bad', NaN, 0, 1, 1), ...line('body', 0, 0, 1, 1)])).find((layer) => layer.name === 'bad')!.refused,
    ).toMatch(/usable numbers/)
  })
})

describe('placing a drawing', () => {
  const layer = layersOf(dxf(line('a', 10, 20, 11, 23)))[0]!
  test.each([
    [
      { outboard: '+x' },
      [
        [0, 0],
        [1, 3],
      ],
    ],
    [
      { outboard: '-x' },
      [
        [-0, 0],
        [-1, 3],
      ],
    ],
    [
      { outboard: '+y' },
      [
        [0, 0],
        [3, 1],
      ],
    ],
    [
      { outboard: '-y' },
      [
        [-0, 0],
        [-3, 1],
      ],
    ],
    [
      { outboard: '+x', mirrorRadius: true },
      [
        [0, -0],
        [1, -3],
      ],
    ],
    [
      { outboard: '+x', unit: 'in' },
      [
        [0, 0],
        [25.4, expect.closeTo(76.2, 9)],
      ],
    ],
  ] as const)('%j', (more, points) => {
    expect(placeLayer(layer, { ...asDrawn, originX: 10, originY: 20, ...more })).toEqual([points])
  })
  test('pieces that do not meet stay apart, and a closed line takes no more', () => {
    expect(
      chainPieces(
        [
          [
            [0, 0],
            [1, 0],
          ],
          [
            [5, 5],
            [6, 5],
          ],
        ],
        0.01,
      ),
    ).toHaveLength(2)
    expect(
      chainPieces(
        [
          [
            [0, 0],
            [1, 0],
            [1, 1],
            [0, 0],
          ],
          [
            [0, 0],
            [-3, 0],
          ],
        ],
        0.01,
      ),
    ).toHaveLength(2)
  })
})

describe('a wheel from a drawing', () => {
  const barrel = line('Barrel', -110, 180, 20, 178)
  const shoulder = line('Shoulder', 20, 178, 38, 160)
  const face = [...line('Spokes', 38, 160, 44, 110), ...line('Spokes', 44, 110, 0, 70)]
  test('tags come from the names of the layers', () => {
    const found = profileFromDxf(layersOf(dxf([...face, ...barrel, ...shoulder])), asDrawn)
    expect(found.ok && found.profile).toEqual({
      points: [
        [-110, 180],
        [20, 178],
        [38, 160],
        [44, 110],
        [0, 70],
      ],
      tags: ['barrel', 'shoulder', 'face', 'face'],
    })
  })
  test('else from the shape', () => {
    expect(
      guessTags([
        [-110, 180],
        [-80, 178],
        [-70, 168],
        [20, 167],
        [34, 158],
        [44, 110],
        [0, 70],
      ]),
    ).toEqual(['barrel', 'barrel', 'barrel', 'shoulder', 'face', 'face'])
  })
  test('two lines are no profile, and the message says how many', () => {
    const found = profileFromDxf(layersOf(dxf([...barrel, ...face])), asDrawn)
    expect(found.ok ? '' : found.message).toMatch(/2 separate lines/)
  })
})
