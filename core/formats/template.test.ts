import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { NamedOutline } from '../records/field.ts'
import { templatePdf } from './template-pdf.ts'
import { templateSvg } from './template-svg.ts'
import { cardOutline, CHECK_BAR_MM, PAPERS, template, type TemplateMark, type Paper } from './template.ts'

const body: NamedOutline = {
  name: 'body',
  points: [
    [-104, 146],
    [-92, 158.5],
    [14, 160],
    [41, 134],
    [43, 104],
    [38, 94],
  ],
}
const options = { title: 'Estate front caliper', date: '2026-09-12', paper: 'a4' } as const
const lines = (marks: readonly TemplateMark[]) =>
  marks.filter((mark): mark is Extract<TemplateMark, { kind: 'line' }> => mark.kind === 'line')

describe('the line to cut along', () => {
  test('over the outline, in along its foot, down the seat to the hub axis and back', () => {
    const card = cardOutline([body])
    expect(card[0]).toEqual([-104, 0])
    expect(card.slice(1, 7)).toEqual(body.points)
    expect(card.slice(7)).toEqual([
      [38, 94],
      [0, 94],
      [0, 0],
      [-104, 0],
    ])
  })
  test('a bleed screw above the body is inside the card', () => {
    const screw: NamedOutline = {
      name: 'bleed screw',
      points: [
        [-60, 158],
        [-58, 170],
        [-54, 170],
        [-52, 158],
      ],
    }
    const card = cardOutline([body, screw])
    expect(Math.max(...card.map(([, r]) => r))).toBe(170)
    expect(card.some(([z, r]) => z === -58 && r === 170)).toBe(true)
  })
  test('an outline behind the seat needs no notch', () => {
    expect(
      cardOutline([
        {
          points: [
            [-90, 120],
            [-20, 130],
          ],
        },
      ]),
    ).toEqual(
      [
        [-90, 0],
        [-90, 120],
        [-20, 130],
        [-20, 0],
        [-90, 0],
      ].map(([z, r]) => [z, r]),
    )
  })
})

describe('pages', () => {
  test.each(Object.keys(PAPERS) as Paper[])('%s: everything on the paper, one bar of 100 mm a page', (paper) => {
    for (const wide of [1, 2.4]) {
      const made = template([{ ...body, points: body.points.map(([z, r]) => [z * wide, r * wide]) }], { ...options, paper })
      expect(made.pages.length > 1).toBe(wide > 1)
      for (const page of made.pages) {
        const bars = lines(page.marks).filter((mark) => mark.name === 'check bar')
        expect(bars).toHaveLength(1)
        expect(bars[0]!.points[1]![0] - bars[0]!.points[0]![0]).toBe(CHECK_BAR_MM)
        for (const mark of lines(page.marks).filter((one) => one.style === 'bar' || one.style === 'tile'))
          for (const [x, y] of mark.points) expect(x >= 0 && x <= made.width && y >= 0 && y <= made.height).toBe(true)
      }
    }
  })
  test('tiles overlap: each point of a large card is on some sheet, clear of the margin', () => {
    const made = template([{ ...body, points: body.points.map(([z, r]) => [z * 2.4, r * 2.4]) }], options)
    for (const [z, r] of body.points.map(([a, b]) => [a * 2.4, b * 2.4] as const)) {
      expect(
        made.pages.some(
          ({ seatX, hubY }) => seatX + z >= 10 && seatX + z <= made.width - 10 && hubY + r >= 36 && hubY + r <= made.height - 10,
        ),
      ).toBe(true)
    }
  })
})

describe('SVG', () => {
  test('read back, the outline is the same to 0.001 mm', () => {
    const points = fc.array(fc.tuple(fc.double({ min: -120, max: 60, noNaN: true }), fc.double({ min: 40, max: 240, noNaN: true })), {
      minLength: 2,
      maxLength: 40,
    })
    fc.assert(
      fc.property(points, (line) => {
        const svg = templateSvg(template([{ name: 'body', points: line }], options))
        const number = (name: string) => Number(new RegExp(`${name}="([-\\d.]+)"`).exec(svg)![1])
        const path = /data-name="body" d="([^"]+)"/.exec(svg)![1]!
        const back = [...path.matchAll(/[ML](-?[\d.]+) (-?[\d.]+)/g)].map((one) => [
          Number(one[1]) - number('data-seat-x'),
          number('data-hub-y') - Number(one[2]),
        ])
        expect(back).toHaveLength(line.length)
        back.forEach(([z, r], i) => {
          expect(Math.abs(z! - line[i]![0])).toBeLessThan(0.001)
          expect(Math.abs(r! - line[i]![1])).toBeLessThan(0.001)
        })
      }),
      { numRuns: 60 },
    )
  })
  test('a hostile title stays text', () => {
    const svg = templateSvg(template([body], { ...options, title: '</text><script>alert(1)</script>&"\u0007' }))
    expect(svg).not.toContain('<script')
    expect(svg).toContain('&lt;script&gt;')
    expect(svg).not.toContain('\u0007')
  })
})

describe('PDF', () => {
  test('printed at a known resolution, the check bar measures 100.0 mm and the card is where it should be', async () => {
    const made = template([body], options)
    const folder = mkdtempSync(join(tmpdir(), 'card-'))
    try {
      writeFileSync(join(folder, 'card.pdf'), await templatePdf(made))
      const perMm = 20
      execFileSync('pdftoppm', ['-r', String(25.4 * perMm), '-gray', '-singlefile', 'card.pdf', 'card'], { cwd: folder })
      const image = readPgm(readFileSync(join(folder, 'card.pgm')))
      expect(image.width / perMm).toBeCloseTo(210, 0)
      const bar = lines(made.pages[0]!.marks).find((mark) => mark.name === 'check bar')!
      const row = Math.round((made.height - bar.points[0]![1]) * perMm)
      const [from, to] = inkOf(image, row, 0, 112 * perMm)
      // its ticks are 0.3 mm wide
      expect(Math.abs((to - from + 1) / perMm - 0.3 - 100)).toBeLessThan(0.1)
      // the seat edge of the card
      const seatRow = Math.round((made.height - (made.pages[0]!.hubY + 60)) * perMm)
      const [, edge] = inkOf(
        image,
        seatRow,
        Math.round((made.pages[0]!.seatX - 20) * perMm),
        Math.round((made.pages[0]!.seatX + 1) * perMm),
      )
      expect(Math.abs(edge / perMm - (made.pages[0]!.seatX + 0.3))).toBeLessThan(0.15)
    } finally {
      rmSync(folder, { recursive: true })
    }
  })
  test('signs that the font lacks do not stop it', async () => {
    const bytes = await templatePdf(
      template([body], { ...options, title: '\u8eca \u{1f697} \u2212 a title that is far too long for the paper '.repeat(4) }),
    )
    expect(String.fromCharCode(...bytes.slice(0, 5))).toBe('%PDF-')
  })
})

function readPgm(bytes: Buffer): { width: number; height: number; at(x: number, y: number): number } {
  const head = /^P5\s+(\d+)\s+(\d+)\s+255\s/.exec(bytes.subarray(0, 60).toString('latin1'))!
  const width = Number(head[1])
  const from = head[0].length
  return { width, height: Number(head[2]), at: (x, y) => bytes[from + y * width + x]! }
}
/** First and last dark pixel of a row between two columns. */
function inkOf(image: ReturnType<typeof readPgm>, row: number, from: number, to: number): [number, number] {
  const dark = Array.from({ length: to - from }, (_, i) => from + i).filter((x) => image.at(x, row) < 128)
  return [dark[0]!, dark[dark.length - 1]!]
}
