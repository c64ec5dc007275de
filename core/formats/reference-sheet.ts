import { BAR_HALF_MM, BARS, DOT_MM, DOTS, FIELD, INNER_DOTS, MARK, MARKS, type Mm } from '../vision/sheet.ts'
import { PAPERS, type TemplateMark, type Paper, type Template } from './template.ts'

/** The middle of what is printed, which stands in the middle of the paper: z, r. */
const MIDDLE: Mm = [(MARKS[0][0] + MARKS[1][0]) / 2, (MARKS[0][1] + MARKS[2][1]) / 2]

/**
 * The sheet on which a card or a profile gauge is photographed: one page in true size, from which a picture's millimetres
 * are read. The same marks on every paper.
 */
export function referenceSheet(paper: Paper): Template {
  const { width, height } = PAPERS[paper]
  const [seatX, hubY] = [width / 2 - MIDDLE[0], height / 2 - MIDDLE[1]]
  const at = ([z, r]: Mm): [number, number] => [seatX + z, hubY + r]
  const disc = (place: Mm, radius: number, shade: 'black' | 'white' = 'black'): TemplateMark => {
    const [x, y] = at(place)
    return { kind: 'disc', x, y, radius, shade }
  }
  const bar = ([from, to]: readonly [Mm, Mm]): TemplateMark => {
    const upright = from[0] === to[0]
    const [x, y] = at(from)
    const length = Math.hypot(to[0] - from[0], to[1] - from[1])
    return upright
      ? { kind: 'box', x: x - BAR_HALF_MM, y, width: 2 * BAR_HALF_MM, height: length }
      : { kind: 'box', x, y: y - BAR_HALF_MM, width: length, height: 2 * BAR_HALF_MM }
  }
  const line = (from: Mm, to: Mm, name: string): TemplateMark => ({ kind: 'line', style: 'faint', points: [at(from), at(to)], name })
  const words = ([z, r]: Mm, text: string, sizeMm = 2.6): TemplateMark => {
    const [x, y] = at([z, r])
    return { kind: 'text', x, y, sizeMm, text }
  }
  const [left, right] = FIELD.z
  return {
    width,
    height,
    pages: [
      {
        seatX,
        hubY,
        marks: [
          ...MARKS.flatMap((mark) => [disc(mark, MARK.ringMm), disc(mark, MARK.holeMm, 'white'), disc(mark, MARK.dotMm)]),
          ...[...DOTS, ...INNER_DOTS].map((dot) => disc(dot, DOT_MM)),
          bar(BARS.across),
          bar(BARS.along),
          line([left, 0], [right, 0], 'hub axis'),
          line([0, 0], [0, FIELD.r[1]], 'wheel mounting face'),
          words([left + 2, -4], 'hub axis'),
          words([2, 40], 'mounting face'),
          words([2, 36], '(of rotor or wheel)'),
          words([26, 4], 'outboard >', 2.6),
          words(
            [left + 2, 228.4],
            'Part ..........................................     Date ......................     Side ................',
            3.2,
          ),
          words([left + 2, 224], 'Print at 100%, not fitted to the page. Measure both black bars: 100.0 mm from end to end.', 2.6),
          words(
            [left + 2, 220.8],
            'Flat on a table. Lay the card to both lines, clear of dots and bars; all four rings in the picture.',
            2.6,
          ),
        ],
      },
    ],
  }
}
