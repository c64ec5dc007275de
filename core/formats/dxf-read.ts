import DxfParser from 'dxf-parser'
import { arcPoints, bulgePoints } from './arc.ts'
import { chainPieces } from './chain-pieces.ts'

/** DXF in: lines and arcs of a drawing by layer, still in the drawing's unit and place. */

export const DXF_UNITS = { mm: 1, cm: 10, m: 1000, in: 25.4, ft: 304.8 } as const
export type DxfUnit = keyof typeof DXF_UNITS
/** $INSUNITS of the header (DXF reference, HEADER section). */
const HEADER_UNITS: Readonly<Record<number, DxfUnit>> = { 1: 'in', 2: 'ft', 4: 'mm', 5: 'cm', 6: 'm' }

export interface DxfLayer {
  name: string
  pieces: [number, number][][]
  /** Why the layer cannot be taken; undefined when it can. */
  refused?: string
}
export interface DxfDrawing {
  /** Undefined: the header does not say, so it must be asked. */
  unit: DxfUnit | undefined
  layers: DxfLayer[]
  /** What was left aside and does not matter for an outline. */
  notes: string[]
}
export type ReadDxf = { ok: true; drawing: DxfDrawing } | { ok: false; message: string }

export const MAX_DXF_BYTES = 8_000_000
const MOST_PIECES = 2000
const MOST_POINTS = 20_000

type Entity = { type?: unknown; layer?: unknown; [key: string]: unknown }
const IGNORED = new Set(['TEXT', 'MTEXT', 'DIMENSION', 'POINT', 'HATCH', 'ATTDEF', 'VIEWPORT', 'SOLID'])
const CURVES: Readonly<Record<string, string>> = {
  SPLINE: 'a spline',
  ELLIPSE: 'an ellipse',
  INSERT: 'a block',
}

/** Reads a drawing. Whatever comes in, the answer is its layers or one sentence that says what is wrong. */
export function readDxf(text: string): ReadDxf {
  if (text.length > MAX_DXF_BYTES)
    return { ok: false, message: `The file is larger than ${MAX_DXF_BYTES / 1e6} MB. Export the outline alone.` }
  if (text.startsWith('AutoCAD Binary')) return { ok: false, message: 'This is a binary DXF. Save it as ASCII DXF.' }
  if (!/^\s*(999\s|0\s+SECTION)/.test(text)) return { ok: false, message: 'This is not a DXF file: it does not start with a section.' }
  let parsed: { header?: Record<string, unknown>; entities?: unknown[] } | null
  try {
    parsed = new DxfParser().parseSync(text) as typeof parsed
  } catch (error) {
    return {
      ok: false,
      message: `The DXF cannot be read: ${error instanceof Error ? error.message.slice(0, 160) : 'it is damaged'}. Export it again as ASCII DXF.`,
    }
  }
  const entities = (parsed?.entities ?? []).filter((one): one is Entity => typeof one === 'object' && one !== null)
  const layers = new Map<string, DxfLayer>()
  const layerOf = (entity: Entity): DxfLayer => {
    const name = typeof entity.layer === 'string' ? entity.layer.slice(0, 80) : '0'
    const known = layers.get(name) ?? { name, pieces: [] }
    layers.set(name, known)
    return known
  }
  const ignored = new Set<string>()
  let pieces = 0
  let points = 0
  for (const entity of entities) {
    const type = String(entity.type)
    if (IGNORED.has(type)) {
      ignored.add(type.toLowerCase())
      continue
    }
    const piece = pieceOf(entity)
    const layer = layerOf(entity)
    if (piece === undefined) {
      layer.refused ??= `holds ${CURVES[type] ?? `an object of the kind ${type.slice(0, 20)}`}, which cannot be taken. In the drawing program turn it into a polyline.`
      continue
    }
    if (piece === 'broken') {
      layer.refused ??= `holds a ${type.toLowerCase().slice(0, 20)} without usable numbers.`
      continue
    }
    if (piece.length < 2) continue
    pieces += 1
    points += piece.length
    if (pieces > MOST_PIECES || points > MOST_POINTS)
      return { ok: false, message: `The drawing has more than ${MOST_PIECES} lines or ${MOST_POINTS} points. Export the outline alone.` }
    layer.pieces.push(piece)
  }
  const found = [...layers.values()].filter((layer) => layer.pieces.length > 0 || layer.refused)
  if (found.length === 0) return { ok: false, message: 'The drawing holds no line, polyline or arc.' }
  const unit = HEADER_UNITS[Number(parsed?.header?.$INSUNITS)]
  return {
    ok: true,
    drawing: { unit, layers: found, notes: ignored.size > 0 ? [`Left aside: ${[...ignored].sort().join(', ')}.`] : [] },
  }
}

const number = (value: unknown): number => (typeof value === 'number' && Math.abs(value) < 1e7 ? value : NaN)
const pointOf = (value: unknown): [number, number] | undefined => {
  if (typeof value !== 'object' || value === null) return undefined
  const { x, y } = value as { x?: unknown; y?: unknown }
  const point: [number, number] = [number(x), number(y)]
  return point.every(Number.isFinite) ? point : undefined
}

/** Points of one entity; 'broken' when its numbers cannot be used, undefined for a kind that is not a line or an arc. */
function pieceOf(entity: Entity): [number, number][] | 'broken' | undefined {
  switch (entity.type) {
    case 'LINE':
    case 'LWPOLYLINE':
    case 'POLYLINE': {
      const vertices = Array.isArray(entity.vertices) ? (entity.vertices as unknown[]) : []
      const points = vertices.map(pointOf)
      if (points.length < 2 || points.some((point) => !point)) return 'broken'
      const bulges = vertices.map((vertex) => Number((vertex as { bulge?: unknown }).bulge ?? 0))
      const closed = entity.type !== 'LINE' && entity.shape === true
      const out: [number, number][] = [points[0]!]
      for (let i = 0; i + 1 < points.length + (closed ? 1 : 0); i += 1)
        out.push(...bulgePoints(points[i]!, points[(i + 1) % points.length]!, bulges[i]!).slice(1))
      return out
    }
    case 'ARC':
    case 'CIRCLE': {
      const centre = pointOf(entity.center)
      const radius = number(entity.radius)
      const whole = entity.type === 'CIRCLE'
      const start = whole ? 0 : number(entity.startAngle)
      const end = whole ? 2 * Math.PI : number(entity.endAngle)
      if (!centre || !(radius > 0) || !Number.isFinite(start) || !Number.isFinite(end)) return 'broken'
      // an arc runs against the clock from start to end
      const sweep = whole ? 2 * Math.PI : (((end - start) % (2 * Math.PI)) + 2 * Math.PI) % (2 * Math.PI)
      return arcPoints(centre[0], centre[1], radius, start, sweep)
    }
    default:
      return undefined
  }
}

/** Where the drawing's origin and axes are, as a person says it. */
export interface DxfPlacing {
  unit: DxfUnit
  /** The drawing's point that is hub axis and seat, in the drawing's unit. */
  originX: number
  originY: number
  /** Which way of the drawing points along the axle towards the street. */
  outboard: '+x' | '-x' | '+y' | '-y'
  /** The radius grows against the other axis of the drawing. */
  mirrorRadius: boolean
}

/** Two ends so near are one, mm. */
const MEET_MM = 0.02

/** A layer's lines as polylines in z and r, mm, pieces that meet joined. */
export function placeLayer(layer: DxfLayer, placing: DxfPlacing): [number, number][][] {
  const scale = DXF_UNITS[placing.unit]
  const sign = placing.outboard.startsWith('+') ? 1 : -1
  const alongX = placing.outboard.endsWith('x')
  const up = placing.mirrorRadius ? -1 : 1
  const moved = layer.pieces.map((piece) =>
    piece.map(([x, y]): [number, number] => {
      const dx = (x - placing.originX) * scale
      const dy = (y - placing.originY) * scale
      return alongX ? [sign * dx, up * dy] : [sign * dy, up * dx]
    }),
  )
  return chainPieces(moved, MEET_MM)
}
