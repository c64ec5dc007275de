import type { NamedOutline } from '../records/field.ts'

/**
 * A full-size card of a caliper, to cut out and turn inside a wheel: what is drawn, on which page, in
 * millimetres of paper with y upwards. SVG and PDF are written from this.
 */

export const PAPERS = { a4: { label: 'A4', width: 210, height: 297 }, letter: { label: 'Letter', width: 215.9, height: 279.4 } } as const
export type Paper = keyof typeof PAPERS

export type Style = 'cut' | 'outline' | 'axis' | 'bar' | 'tile' | 'faint'
export type TemplateMark =
  | { kind: 'line'; style: Style; points: [number, number][]; name?: string }
  | { kind: 'disc'; x: number; y: number; radius: number; shade: 'black' | 'white' }
  | { kind: 'box'; x: number; y: number; width: number; height: number }
  | { kind: 'text'; x: number; y: number; sizeMm: number; text: string }

interface TemplatePage {
  marks: TemplateMark[]
  /** Where seat and hub axis are on this page, mm of paper; may lie off it. */
  seatX: number
  hubY: number
}
export interface Template {
  width: number
  height: number
  pages: TemplatePage[]
}

const MARGIN_MM = 10
/** Foot of each page: check bar and title. */
const FOOT_MM = 26
const OVERLAP_MM = 10
/** Room around the card, for the marks of its lines. */
const ROOM_MM = 6
export const CHECK_BAR_MM = 100

/**
 * The line to cut along: over the outlines, down their outer face, in along its foot to the seat, down
 * the seat to the hub axis and back along it. The seat edge stands on the wheel's hub pad, the corner
 * on the hub axis marks the centre.
 *
 * @param outlines seat frame
 */
export function cardOutline(outlines: readonly Pick<NamedOutline, 'points'>[]): [number, number][] {
  const all = outlines.flatMap((one) => one.points)
  const zFrom = Math.min(...all.map(([z]) => z))
  const top = outlines.length === 1 ? upwards(outlines[0]!.points) : envelope(outlines)
  const last = top[top.length - 1]!
  const foot = Math.min(...all.filter(([z]) => z > 0).map(([, r]) => r))
  const outside = Number.isFinite(foot) && last[0] > 0
  return [
    [zFrom, 0],
    ...(top[0]![0] > zFrom ? [[zFrom, top[0]![1]] as [number, number]] : []),
    ...top,
    ...(outside
      ? ([
          [last[0], Math.min(foot, last[1])],
          [0, Math.min(foot, last[1])],
        ] as [number, number][])
      : []),
    [Math.min(last[0], 0), 0],
    [zFrom, 0],
  ]
}

/** From the inboard end to the outboard end. */
const upwards = (points: readonly [number, number][]): [number, number][] =>
  points[0]![0] <= points[points.length - 1]![0] ? [...points] : [...points].reverse()

const STEP_MM = 0.25

/** The highest radius at each place along the axle over all outlines: what the turning wheel can meet. */
function envelope(outlines: readonly Pick<NamedOutline, 'points'>[]): [number, number][] {
  const zs = outlines.flatMap((one) => one.points.map(([z]) => z))
  const [from, to] = [Math.min(...zs), Math.max(...zs)]
  const steps = Array.from({ length: Math.ceil((to - from) / STEP_MM) + 1 }, (_, i) => Math.min(from + i * STEP_MM, to))
  const stops = [...new Set([...steps, ...zs])].sort((a, b) => a - b)
  return stops
    .map((z): [number, number] => [z, Math.max(...outlines.map(({ points }) => highest(points, z)))])
    .filter(([, r]) => Number.isFinite(r))
}

function highest(points: readonly [number, number][], z: number): number {
  let most = -Infinity
  for (let i = 0; i + 1 < points.length; i += 1) {
    const [z0, r0] = points[i]!
    const [z1, r1] = points[i + 1]!
    if (z < Math.min(z0, z1) || z > Math.max(z0, z1)) continue
    most = Math.max(most, z0 === z1 ? Math.max(r0, r1) : r0 + ((z - z0) / (z1 - z0)) * (r1 - r0))
  }
  return most
}

export interface TemplateOptions {
  title: string
  /** As it should be printed, such as 2026-09-12. */
  date: string
  paper: Paper
}

/** Lays the card out on as many pages as it takes. */
export function template(outlines: readonly NamedOutline[], { title, date, paper }: TemplateOptions): Template {
  const { width, height } = PAPERS[paper]
  const card = cardOutline(outlines)
  const zs = card.map(([z]) => z)
  const rs = card.map(([, r]) => r)
  const [zFrom, zTo, rTo] = [Math.min(...zs) - ROOM_MM, Math.max(...zs, 0) + ROOM_MM, Math.max(...rs) + ROOM_MM]
  const rFrom = -ROOM_MM
  const roomX = width - 2 * MARGIN_MM
  const roomY = height - 2 * MARGIN_MM - FOOT_MM
  const columns = tiles(zTo - zFrom, roomX)
  const rows = tiles(rTo - rFrom, roomY)
  const pages: TemplatePage[] = []
  for (let row = 0; row < rows; row += 1) {
    for (let column = 0; column < columns; column += 1) {
      const seatX = MARGIN_MM - (zFrom + column * (roomX - OVERLAP_MM))
      const hubY = MARGIN_MM + FOOT_MM - (rFrom + row * (roomY - OVERLAP_MM))
      const put = (points: readonly [number, number][]): [number, number][] => points.map(([z, r]) => [seatX + z, hubY + r])
      const label =
        columns * rows > 1
          ? `, sheet ${pages.length + 1} of ${columns * rows}: row ${row + 1} from the hub, column ${column + 1} from inboard`
          : ''
      pages.push({
        seatX,
        hubY,
        marks: [
          ...(columns * rows > 1 ? [tileFrame(roomX, roomY)] : []),
          { kind: 'line', style: 'cut', points: put(card), name: 'cut line' },
          ...outlines.map((one): TemplateMark => ({ kind: 'line', style: 'outline', points: put(one.points), name: one.name })),
          {
            kind: 'line',
            style: 'axis',
            points: put([
              [zFrom, 0],
              [zTo, 0],
            ]),
            name: 'hub line',
          },
          {
            kind: 'line',
            style: 'axis',
            points: put([
              [0, rFrom],
              [0, rTo],
            ]),
            name: 'mounting face',
          },
          { kind: 'text', x: seatX + zFrom + 12, y: hubY + 1.5, sizeMm: 3, text: 'hub centre line' },
          { kind: 'text', x: seatX + 1.5, y: hubY + 30, sizeMm: 3, text: 'mounting face' },
          { kind: 'text', x: seatX + 1.5, y: hubY + 25, sizeMm: 3, text: 'outboard' },
          ...foot(title, date, label),
        ],
      })
    }
  }
  return { width, height, pages }
}

const tiles = (extent: number, room: number): number => (extent <= room ? 1 : Math.ceil((extent - OVERLAP_MM) / (room - OVERLAP_MM)))

function tileFrame(roomX: number, roomY: number): TemplateMark {
  const [x0, y0, x1, y1] = [MARGIN_MM, MARGIN_MM + FOOT_MM, MARGIN_MM + roomX, MARGIN_MM + FOOT_MM + roomY]
  return {
    kind: 'line',
    style: 'tile',
    points: [
      [x0, y0],
      [x1, y0],
      [x1, y1],
      [x0, y1],
      [x0, y0],
    ],
    name: 'edge of the sheet: sheets overlap by 10 mm',
  }
}

function foot(title: string, date: string, label: string): TemplateMark[] {
  const y = MARGIN_MM + 4
  const tick = (x: number): TemplateMark => ({
    kind: 'line',
    style: 'bar',
    points: [
      [x, y - 2.5],
      [x, y + 2.5],
    ],
  })
  return [
    { kind: 'text', x: MARGIN_MM, y: MARGIN_MM + 18, sizeMm: 4, text: `${title}${label}` },
    {
      kind: 'text',
      x: MARGIN_MM,
      y: MARGIN_MM + 12.5,
      sizeMm: 3,
      text: `${date}. Print at 100%, not fitted to the page. Glue on card, cut along the thick line, put the straight edge on the wheel mounting face.`,
    },
    {
      kind: 'text',
      x: MARGIN_MM,
      y: MARGIN_MM + 8.5,
      sizeMm: 3,
      text: 'The bar must measure 100.0 mm. A card is no trial fit: see the parts turn on the car before it is driven.',
    },
    {
      kind: 'line',
      style: 'bar',
      points: [
        [MARGIN_MM, y],
        [MARGIN_MM + CHECK_BAR_MM, y],
      ],
      name: 'check bar',
    },
    tick(MARGIN_MM),
    tick(MARGIN_MM + CHECK_BAR_MM),
    { kind: 'text', x: MARGIN_MM + CHECK_BAR_MM + 3, y: y - 1, sizeMm: 3, text: '100 mm' },
  ]
}
