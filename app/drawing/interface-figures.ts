import { scaleLinear } from 'd3'
import type { InterfaceCheck } from '#core/fit/interface-check.ts'
import type { RuleId } from '#core/fit/rules.ts'

/**
 * A small drawing of one interface, to scale, where geometry decides: the parts that meet, the room between them.
 * Shapes are in pixels of a fixed sheet; what a figure needs and nobody entered leaves it undrawn.
 */
export const FIGURE_WIDTH = 168
export const FIGURE_HEIGHT = 92

type Tone = 'part' | 'other' | 'room' | 'limit' | 'axis'
export type DrawnShape =
  | { kind: 'rect'; x: number; y: number; w: number; h: number; tone: Tone }
  | { kind: 'line'; x1: number; y1: number; x2: number; y2: number; tone: Tone; dashed?: true }
  | { kind: 'circle'; cx: number; cy: number; r: number; tone: Tone }
  | { kind: 'text'; x: number; y: number; text: string; anchor?: 'start' | 'middle' | 'end' }
export interface InterfaceFigure {
  shapes: DrawnShape[]
  /** What is drawn, for those who do not see it. */
  title: string
}

type FigureReader = (field: string, nth?: number) => number | undefined
type Draw = (read: FigureReader, words: (field: string) => string | undefined) => InterfaceFigure | undefined

const MID = FIGURE_WIDTH / 2
const rect = (x: number, y: number, w: number, h: number, tone: Tone): DrawnShape => ({
  kind: 'rect',
  x: Math.min(x, x + w),
  y,
  w: Math.abs(w),
  h,
  tone,
})
const line = (x1: number, y1: number, x2: number, y2: number, tone: Tone, dashed?: true): DrawnShape => ({
  kind: 'line',
  x1,
  y1,
  x2,
  y2,
  tone,
  ...(dashed ? { dashed } : {}),
})
const text = (x: number, y: number, words: string, anchor: 'start' | 'middle' | 'end' = 'middle'): DrawnShape => ({
  kind: 'text',
  x,
  y,
  text: words,
  anchor,
})

/** Rotor and two pads between the abutments of a caliper, seen from above. */
const discInSlot: Draw = (read) => {
  const [slot, rotor, pad] = [read('slotWidthMm'), read('thicknessMm'), read('thicknessMm', 1)]
  const [from, to] = [read('ratedFromMm'), read('ratedToMm')]
  if (rotor === undefined) return undefined
  const widest = Math.max(slot ?? 0, rotor + 2 * (pad ?? 0), to ?? 0) * 1.08
  const x = scaleLinear([-widest / 2, widest / 2], [6, FIGURE_WIDTH - 6])
  const shapes: DrawnShape[] = [rect(x(-rotor / 2), 22, x(rotor / 2) - x(-rotor / 2), 48, 'part'), text(MID, 84, 'rotor')]
  if (pad !== undefined) {
    shapes.push(
      rect(x(rotor / 2), 26, x(rotor / 2 + pad) - x(rotor / 2), 40, 'other'),
      rect(x(-rotor / 2 - pad), 26, x(-rotor / 2) - x(-rotor / 2 - pad), 40, 'other'),
    )
    shapes.push(text((x(rotor / 2) + x(rotor / 2 + pad)) / 2, 49, 'pad'))
  }
  if (slot !== undefined) for (const side of [-1, 1]) shapes.push(line(x((side * slot) / 2), 12, x((side * slot) / 2), 76, 'limit'))
  if (from !== undefined && to !== undefined)
    for (const one of [from, to])
      for (const side of [-1, 1]) shapes.push(line(x((side * one) / 2), 16, x((side * one) / 2), 74, 'limit', true))
  return { shapes, title: 'Rotor in the caliper’s slot' }
}

/** Pad on the friction ring, bridge above it, seen along the axle: radius upwards. */
const padOnDisc: Draw = (read) => {
  const diameter = read('diameterMm')
  const top = read('padTopRadiusMm')
  if (diameter === undefined && read('frictionInnerDiameterMm') === undefined && read('hatOuterDiameterMm') === undefined) return undefined
  const known = read('frictionInnerDiameterMm') ?? read('hatOuterDiameterMm')
  const outer = diameter === undefined ? known! / 2 + 30 : diameter / 2
  const inner = known === undefined ? outer - 50 : known / 2
  const foot = top === undefined ? undefined : top - (read('heightMm') ?? read('plateHeightMm') ?? outer - inner)
  const bridge = read('bridgeRadiusMm')
  const highest = Math.max(outer, top ?? 0, bridge ?? 0)
  const hat = read('hatOuterDiameterMm')
  const lowest = Math.min(inner, foot ?? inner, hat === undefined ? inner : hat / 2)
  const y = scaleLinear([lowest - 6, highest + 6], [FIGURE_HEIGHT - 4, 4])
  const shapes: DrawnShape[] = [
    rect(62, y(outer), 16, y(inner) - y(outer), 'part'),
    text(56, (y(outer) + y(inner)) / 2 + 3, 'rotor', 'end'),
  ]
  if (top !== undefined && foot !== undefined)
    shapes.push(rect(80, y(top), 18, y(foot) - y(top), 'other'), text(104, (y(top) + y(foot)) / 2 + 3, 'pad', 'start'))
  if (bridge !== undefined) shapes.push(line(50, y(bridge), 112, y(bridge), 'limit'), text(118, y(bridge) + 3, 'bridge', 'start'))
  if (hat !== undefined) shapes.push(line(50, y(hat / 2), 112, y(hat / 2), 'limit', true), text(118, y(hat / 2) + 3, 'hat', 'start'))
  return { shapes, title: 'Pad on the rotor' }
}

/** Mount, bracket and shims, and where the slot stands against the middle of the disc. */
const shimStack: Draw = (read) => {
  const [mount, toSlot, hat, offset] = [read('mountFaceMm'), read('mountToSlotMm'), read('hatThicknessMm'), read('offsetMm')]
  if (mount === undefined || toSlot === undefined || hat === undefined || offset === undefined) return undefined
  const bracket = read('axialMm') ?? 0
  const shim = read('shimMm') ?? 0
  const slot = mount + bracket + shim + toSlot
  const disc = hat - offset
  const all = [mount, mount + bracket, mount + bracket + shim, slot, disc, 0]
  const x = scaleLinear([Math.min(...all) - 5, Math.max(...all) + 5], [8, FIGURE_WIDTH - 8])
  const shapes: DrawnShape[] = [
    rect(x(mount) - 7, 50, 7, 34, 'part'),
    text(x(mount) - 4, 46, 'mount'),
    line(x(0), 8, x(0), 86, 'axis', true),
    text(x(0), 91, 'hub'),
    rect(x(disc) - 4, 8, 8, 30, 'part'),
    text(x(disc) + 7, 16, 'disc', 'start'),
    line(x(slot), 22, x(slot), 72, 'limit'),
    text(x(slot) + 4, 62, 'slot', 'start'),
    line(x(mount + bracket + shim), 66, x(slot), 66, 'axis'),
  ]
  if (bracket !== 0) shapes.push(rect(x(mount), 60, x(mount + bracket) - x(mount), 12, 'other'))
  if (shim !== 0) shapes.push(rect(x(mount + bracket), 56, x(mount + bracket + shim) - x(mount + bracket), 20, 'limit'))
  return { shapes, title: 'Position of the slot against the rotor' }
}

/** A centre bore over its register. */
const register: Draw = (read) => {
  const [bore, hub] = [
    read('boreMm') ?? read('pilotMm') ?? read('hatInnerDiameterMm'),
    read('registerMm') ?? read('masterPilotMm') ?? read('flangeDiameterMm'),
  ]
  if (bore === undefined || hub === undefined) return undefined
  const r = scaleLinear([0, Math.max(bore, hub)], [0, 34])
  return {
    shapes: [
      { kind: 'circle', cx: MID, cy: 46, r: r(hub), tone: 'other' },
      { kind: 'circle', cx: MID, cy: 46, r: r(bore), tone: bore >= hub ? 'part' : 'limit' },
      text(MID, 49, 'hub'),
    ],
    title: 'Centre bore over the register',
  }
}

/** Bolt holes of a part over those of the hub. */
const pattern: Draw = (read) => {
  const [mine, theirs, circle, hub] = [read('boltCount'), read('boltCount', 1), read('boltCircleMm'), read('boltCircleMm', 1)]
  if (mine === undefined || theirs === undefined) return undefined
  const r = scaleLinear([0, Math.max(circle ?? 1, hub ?? 1)], [0, 36])
  const holes = (count: number, radius: number, size: number, tone: Tone): DrawnShape[] =>
    Array.from({ length: count }, (_, i) => {
      const angle = (2 * Math.PI * i) / count - Math.PI / 2
      return { kind: 'circle', cx: MID + radius * Math.cos(angle), cy: 46 + radius * Math.sin(angle), r: size, tone }
    })
  return {
    shapes: [...holes(theirs, r(hub ?? 1), 5, 'other'), ...holes(mine, r(circle ?? 1), 6.5, 'part')],
    title: 'Bolt holes over those of the hub',
  }
}

/** Two rows of mount bolts. */
const boltsApart: Draw = (read) => {
  const mine = read('mountSpacingMm') ?? read('caliperSpacingMm')
  const theirs = read('mountSpacingMm', 1) ?? read('knuckleSpacingMm') ?? read('caliperSpacingMm')
  if (mine === undefined || theirs === undefined) return undefined
  const x = scaleLinear([-Math.max(mine, theirs) / 2, Math.max(mine, theirs) / 2], [20, FIGURE_WIDTH - 20])
  const row = (spacing: number, y: number, tone: Tone): DrawnShape[] => [
    rect(x(-spacing / 2) - 9, y - 9, x(spacing / 2) - x(-spacing / 2) + 18, 18, tone),
    { kind: 'circle', cx: x(-spacing / 2), cy: y, r: 5, tone: 'limit' },
    { kind: 'circle', cx: x(spacing / 2), cy: y, r: 5, tone: 'limit' },
  ]
  return { shapes: [...row(theirs, 28, 'part'), ...row(mine, 66, 'other')], title: 'Mount bolt spacing' }
}

/** A bolt through what it holds, into its thread. */
const boltInThread: Draw = (read) => {
  const [bolt, lug, depth] = [read('boltLengthMm'), read('lugMm'), read('mountDepthMm')]
  if (bolt === undefined || lug === undefined) return undefined
  const x = scaleLinear([-8, Math.max(bolt, lug + (depth ?? 0)) + 3], [4, FIGURE_WIDTH - 4])
  return {
    shapes: [
      rect(x(0), 18, x(lug) - x(0), 56, 'other'),
      ...(depth === undefined ? [] : [rect(x(lug), 18, x(lug + depth) - x(lug), 56, 'part')]),
      rect(x(-7), 34, x(0) - x(-7), 24, 'limit'),
      rect(x(0), 40, x(bolt) - x(0), 12, 'limit'),
    ],
    title: 'Bolt in its thread',
  }
}

/** Free length of a hose over its path. */
const hose: Draw = (read) => {
  const [length, path] = [read('lengthMm'), read('hosePathMm')]
  if (length === undefined || path === undefined) return undefined
  const x = scaleLinear([0, Math.max(length, path * 1.1)], [6, FIGURE_WIDTH - 6])
  return {
    shapes: [
      rect(x(0), 24, x(path) - x(0), 12, 'part'),
      text(8, 20, 'path at full lock', 'start'),
      rect(x(0), 58, x(length) - x(0), 12, 'other'),
      text(8, 54, 'hose', 'start'),
      line(x(path * 1.1), 18, x(path * 1.1), 78, 'limit', true),
    ],
    title: 'Hose over its path',
  }
}

const SEATS: Record<string, (x: number, side: 1 | -1) => DrawnShape[]> = {
  banjo: (x, side) => [
    { kind: 'circle', cx: x + side * 16, cy: 46, r: 14, tone: 'part' },
    { kind: 'circle', cx: x + side * 16, cy: 46, r: 6, tone: 'room' },
  ],
  'bubble flare': (x, side) => [
    rect(x + side * 10, 40, side * 40, 12, 'part'),
    { kind: 'circle', cx: x + side * 12, cy: 46, r: 11, tone: 'part' },
  ],
  'double flare': (x, side) => [
    rect(x + side * 12, 40, side * 38, 12, 'part'),
    line(x + side * 12, 40, x + side * 2, 30, 'limit'),
    line(x + side * 12, 52, x + side * 2, 62, 'limit'),
  ],
  '37 degree cone': (x, side) => [
    rect(x + side * 14, 40, side * 36, 12, 'part'),
    line(x + side * 14, 40, x + side * 2, 46, 'limit'),
    line(x + side * 14, 52, x + side * 2, 46, 'limit'),
  ],
}
/** Two ends that meet. */
const seats =
  (left: readonly string[], right: readonly string[]): Draw =>
  (_, words) => {
    const one = left.map(words).find((word) => word !== undefined)
    const other = right.map(words).find((word) => word !== undefined)
    const [a, b] = [one && SEATS[seatKey(one)], other && SEATS[seatKey(other)]]
    if (!a || !b) return undefined
    return {
      shapes: [...a(MID - 4, -1), ...b(MID + 4, 1), text(46, 86, seatKey(one!)), text(122, 86, seatKey(other!))],
      title: 'Two ends that must seal',
    }
  }
const seatKey = (word: string): string => (word.startsWith('banjo') ? 'banjo' : word)

/** The stud through hat, spacer and wheel, in its nut. */
const studInNut: Draw = (read) => {
  const [stud, hat, pad, thread] = [read('studLengthMm'), read('hatThicknessMm'), read('padThicknessMm'), read('holdingThreadMm') ?? 18]
  const spacer = read('spacer') ?? read('thicknessMm') ?? 0
  if (stud === undefined || hat === undefined || pad === undefined) return undefined
  const seat = hat + spacer + pad
  const x = scaleLinear([-4, Math.max(stud, seat + thread) + 2], [4, FIGURE_WIDTH - 4])
  return {
    shapes: [
      rect(x(0), 12, x(hat) - x(0), 66, 'part'),
      ...(spacer > 0 ? [rect(x(hat), 12, x(hat + spacer) - x(hat), 66, 'limit'), text(x(hat + spacer / 2), 9, 'spacer')] : []),
      rect(x(hat + spacer), 12, x(seat) - x(hat + spacer), 66, 'other'),
      rect(x(seat), 30, x(seat + thread) - x(seat), 30, 'room'),
      rect(x(-3), 39, x(stud) - x(-3), 12, 'limit'),
      text(x(hat / 2), 88, 'hat'),
      text((x(hat + spacer) + x(seat)) / 2, 88, 'wheel'),
      text(x(seat + thread / 2), 26, 'nut'),
    ],
    title: 'Stud in its nut',
  }
}

const DRAWN: Partial<Record<RuleId, Draw>> = {
  'hub-pattern': pattern,
  'wheel-pattern': pattern,
  'hub-register': register,
  'wheel-register': register,
  'hat-fit': register,
  'master-mount': register,
  'disc-plane': shimStack,
  'disc-thickness': discInSlot,
  'pad-slot': discInSlot,
  'piston-travel': discInSlot,
  'disc-diameter': padOnDisc,
  bridge: padOnDisc,
  'pad-sweep': padOnDisc,
  'hat-clearance': padOnDisc,
  mount: boltsApart,
  'mount-bolts': boltInThread,
  'stud-engagement': studInNut,
  'hose-length': hose,
  'hose-caliper-end': seats(['caliperSeat'], ['inletSeat']),
  'hose-line-end': seats(['lineSeat'], ['carLineSeat']),
}

/** The drawing of a finding; undefined where none helps or a figure for it is missing. */
export function interfaceFigure(finding: InterfaceCheck): InterfaceFigure | undefined {
  const draw = DRAWN[finding.rule]
  if (!draw) return undefined
  const at = (field: string) =>
    finding.looked.filter(({ at: place }) => ('field' in place ? place.field === field : 'slot' in place && place.slot === field))
  const read: FigureReader = (field, nth = 0) => {
    const value = at(field)[nth]?.value
    return typeof value === 'number' ? value : undefined
  }
  const words = (field: string): string | undefined => {
    // car and hose name this seat alike: the car's is the one that is entered with the car
    const found =
      field === 'carLineSeat'
        ? at('lineSeat').find((one) => one.at.kind === 'car')
        : at(field).find((one) => field !== 'lineSeat' || one.at.kind === 'part')
    return typeof found?.value === 'string' ? found.value : undefined
  }
  return draw(read, words)
}
