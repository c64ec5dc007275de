import { arcPoints, bulgePoints } from './arc.ts'
import { chainPieces } from './chain-pieces.ts'
import { readGroups, type Entity } from './dxf-groups.ts'

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
const MOST_LAYERS = 200

const IGNORED = new Set(['TEXT', 'MTEXT', 'DIMENSION', 'POINT', 'HATCH', 'ATTDEF', 'VIEWPORT', 'SOLID'])
const CURVES: Readonly<Record<string, string>> = {
  SPLINE: 'a spline',
  ELLIPSE: 'an ellipse',
  INSERT: 'a block',
}

const TOO_MANY = `The drawing has more than ${MOST_PIECES} lines, ${MOST_POINTS} points or ${MOST_LAYERS} layers. Export the outline alone.`

/** Reads a drawing. Whatever comes in, the answer is its layers or one sentence that says what is wrong. */
export function readDxf(text: string): ReadDxf {
  if (text.length > MAX_DXF_BYTES)
    return { ok: false, message: `The file is larger than ${MAX_DXF_BYTES / 1e6} MB. Export the outline alone.` }
  if (text.startsWith('AutoCAD Binary')) return { ok: false, message: 'This is a binary DXF. Save it as ASCII DXF.' }
  if (!/^\s*(999\s|0\s+SECTION)/.test(text)) return { ok: false, message: 'This is not a DXF file: it does not start with a section.' }
  const parsed = readGroups(text)
  if (typeof parsed === 'string') return { ok: false, message: `The DXF cannot be read: ${parsed}. Export it again as ASCII DXF.` }
  const layers = new Map<string, DxfLayer>()
  const layerOf = (entity: Entity): DxfLayer => {
    const name = entity.layer.slice(0, 80)
    const known = layers.get(name) ?? { name, pieces: [] }
    layers.set(name, known)
    return known
  }
  const ignored = new Set<string>()
  let pieces = 0
  let points = 0
  for (const entity of joinVertices(parsed.entities)) {
    const { type } = entity
    if (IGNORED.has(type)) {
      ignored.add(type.toLowerCase())
      continue
    }
    const piece = pieceOf(entity)
    const layer = layerOf(entity)
    if (layers.size > MOST_LAYERS || piece === 'many') return { ok: false, message: TOO_MANY }
    if (piece === undefined) {
      layer.refused ??= `holds ${CURVES[type] ?? `an object of the kind ${type.slice(0, 20)}`}, which cannot be imported. Convert it to a polyline in the drawing program.`
      continue
    }
    if (piece === 'broken') {
      layer.refused ??= `holds a ${type.toLowerCase().slice(0, 20)} without usable numbers.`
      continue
    }
    if (piece.length < 2) continue
    pieces += 1
    points += piece.length
    if (pieces > MOST_PIECES || points > MOST_POINTS) return { ok: false, message: TOO_MANY }
    layer.pieces.push(piece)
  }
  const found = [...layers.values()].filter((layer) => layer.pieces.length > 0 || layer.refused)
  if (found.length === 0) return { ok: false, message: 'The drawing holds no line, polyline or arc.' }
  const unit = parsed.unitCode === undefined ? undefined : HEADER_UNITS[parsed.unitCode]
  return {
    ok: true,
    drawing: { unit, layers: found, notes: ignored.size > 0 ? [`Left aside: ${[...ignored].sort().join(', ')}.`] : [] },
  }
}

/** An old polyline's vertices are objects of their own, up to a mark of its end: they go into the polyline. */
function joinVertices(entities: readonly Entity[]): Entity[] {
  const out: Entity[] = []
  let open: Entity | undefined
  for (const entity of entities) {
    if (entity.type === 'POLYLINE') {
      // its own point is a dummy
      open = { ...entity, groups: entity.groups.filter(([code]) => code !== 10 && code !== 20) }
      out.push(open)
    } else if (entity.type === 'VERTEX') {
      // one by one: a vertex may hold more groups than a call takes
      for (const group of entity.groups) if (group[0] === 10 || group[0] === 20 || group[0] === 42) open?.groups.push(group)
    } else if (entity.type === 'SEQEND') open = undefined
    else out.push(entity)
  }
  return out
}

const number = (value: string | undefined): number => {
  const read = value === undefined || value === '' ? NaN : Number(value)
  return Math.abs(read) < 1e7 ? read : NaN
}
const first = ({ groups }: Entity, code: number): number => number(groups.find(([at]) => at === code)?.[1])

/** Vertices and bulges in their order: a bulge follows the vertex it belongs to. */
function verticesOf({ groups }: Entity): { points: [number, number][]; bulges: number[] } {
  const points: [number, number][] = []
  const bulges: number[] = []
  for (const [code, value] of groups) {
    if (code === 10) {
      points.push([number(value), NaN])
      bulges.push(0)
    } else if (code === 20 && points.length > 0) points[points.length - 1]![1] = number(value)
    else if (code === 42 && bulges.length > 0) bulges[bulges.length - 1] = number(value)
  }
  return { points, bulges }
}

/** Points of one entity; 'broken' when its numbers cannot be used, 'many' when it has more points than are read, undefined for a kind that is not a line or an arc. */
function pieceOf(entity: Entity): [number, number][] | 'broken' | 'many' | undefined {
  switch (entity.type) {
    case 'LINE': {
      const points: [number, number][] = [
        [first(entity, 10), first(entity, 20)],
        [first(entity, 11), first(entity, 21)],
      ]
      return points.flat().every(Number.isFinite) ? points : 'broken'
    }
    case 'LWPOLYLINE':
    case 'POLYLINE': {
      const { points, bulges } = verticesOf(entity)
      if (points.length < 2 || ![...points.flat(), ...bulges].every(Number.isFinite)) return 'broken'
      const flags = first(entity, 70)
      const closed = Number.isFinite(flags) && (flags & 1) === 1
      const out: [number, number][] = [points[0]!]
      if (points.length > MOST_POINTS) return 'many'
      for (let i = 0; i + 1 < points.length + (closed ? 1 : 0) && out.length <= MOST_POINTS; i += 1)
        out.push(...bulgePoints(points[i]!, points[(i + 1) % points.length]!, bulges[i]!).slice(1))
      return out
    }
    case 'ARC':
    case 'CIRCLE': {
      const whole = entity.type === 'CIRCLE'
      const [cx, cy, radius] = [first(entity, 10), first(entity, 20), first(entity, 40)]
      const [start, end] = whole ? [0, 360] : [first(entity, 50), first(entity, 51)]
      if (!(radius > 0) || ![cx, cy, start, end].every(Number.isFinite)) return 'broken'
      // an arc runs against the clock from start to end
      const degrees = whole ? 360 : (((end - start) % 360) + 360) % 360
      return arcPoints(cx, cy, radius, (start * Math.PI) / 180, (degrees * Math.PI) / 180)
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
