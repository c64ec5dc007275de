import { DxfWriter, Units } from '@tarikjabiri/dxf'
import type { NamedOutline } from '../records/field.ts'

/** A layer name that every drawing program takes. */
const layerName = (name: string, taken: Set<string>): string => {
  const plain =
    name
      .normalize('NFKD')
      .replace(/[^\w -]+/g, '')
      .trim()
      .slice(0, 40) || 'outline'
  let free = plain
  for (let n = 2; taken.has(free.toLowerCase()); n += 1) free = `${plain} ${n}`
  taken.add(free.toLowerCase())
  return free
}

/** Outlines as DXF: a light-weight polyline each on a layer of its own, millimetres, x along the axle to the street, y the radius. */
export function writeDxf(outlines: readonly Pick<NamedOutline, 'name' | 'points'>[]): string {
  const drawing = new DxfWriter()
  drawing.setUnits(Units.Millimeters)
  const taken = new Set(['0'])
  for (const { name, points } of outlines) {
    const layer = layerName(name, taken)
    drawing.addLayer(layer, 7, 'Continuous')
    drawing.addLWPolyline(
      points.map(([x, y]) => ({ point: { x, y } })),
      { layerName: layer },
    )
  }
  return drawing.stringify()
}
