import type { DxfLayer } from './dxf-read.ts'

const WHEEL = /wheel|rim|barrel|well|spoke|shoulder|\bface\b/i
const CALIPER = /calip|body|bleed|bridge|piston|hose|carrier|outline/i

interface Bounds {
  width: number
  height: number
}

/** Extent of a layer's lines in the drawing's own unit. */
function boxOf({ pieces }: DxfLayer): Bounds {
  const points = pieces.flat()
  const span = (axis: 0 | 1) => {
    let [low, high] = [Infinity, -Infinity]
    for (const point of points) {
      low = Math.min(low, point[axis])
      high = Math.max(high, point[axis])
    }
    return high - low
  }
  return points.length === 0 ? { width: 0, height: 0 } : { width: span(0), height: span(1) }
}

/** The highest a layer's lines reach at an x; undefined beside them. */
function topAt({ pieces }: DxfLayer, x: number): number | undefined {
  let top: number | undefined
  for (const piece of pieces)
    for (let i = 1; i < piece.length; i += 1) {
      const [a, b] = [piece[i - 1]!, piece[i]!]
      const [low, high] = a[0] <= b[0] ? [a, b] : [b, a]
      if (x < low[0] || x > high[0]) continue
      const y = low[0] === high[0] ? Math.max(a[1], b[1]) : low[1] + ((x - low[0]) / (high[0] - low[0])) * (high[1] - low[1])
      top = top === undefined ? y : Math.max(top, y)
    }
  return top
}

/**
 * Which layers of a drawing are the caliper's outlines, or the wheel's profile: by their names, and where those say
 * nothing by where they lie. A wheel's section reaches around the caliper's, so of lines that nobody named the one that
 * is longer and higher than all others, and under which they all lie, is the wheel. A choice to be looked at, made so
 * that a drawing with both in it is not taken whole. x is taken to run along the axle.
 */
export function layersFor(kind: 'outlines' | 'profile', layers: readonly DxfLayer[]): DxfLayer[] {
  const usable = layers.filter((layer) => !layer.refused && layer.pieces.length > 0)
  const boxes = new Map(usable.map((layer) => [layer, boxOf(layer)]))
  const under = (inner: DxfLayer, outer: DxfLayer) => {
    const [own, its] = [boxes.get(outer)!, boxes.get(inner)!]
    if (own.width <= its.width || own.height <= its.height) return false
    return inner.pieces.flat().every(([x, y]) => (topAt(outer, x) ?? -Infinity) >= y)
  }
  const around = usable.find((layer) => usable.length > 1 && usable.every((other) => other === layer || under(other, layer)))
  const named = usable.some((layer) => WHEEL.test(layer.name))
  const isWheel = (layer: DxfLayer): boolean => !CALIPER.test(layer.name) && (WHEEL.test(layer.name) || (!named && layer === around))
  const wheel = usable.filter(isWheel)
  if (kind === 'outlines') return usable.filter((layer) => !wheel.includes(layer))
  return wheel.length > 0 ? wheel : usable.filter((layer) => !CALIPER.test(layer.name))
}
