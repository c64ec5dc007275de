import type { Point } from '../clearance/maths/polyline.ts'
import type { Chain } from '../hydraulics/maths/chain.ts'
import { formatQuantity } from '../quantity/format.ts'
import type { Dimension, UnitChoice } from '../quantity/units.ts'
import { line, word, type VectorDrawing, type DrawingMark } from './drawing.ts'

const BOX = { width: 72, height: 34 }
const GAP = 9
const LINES = { front: 42, foot: 92, rear: 142 }

/** The chain from the pedal to the road with what it carries at each stage, at the stated deceleration. */
export function chainDrawing(chain: Chain, units: UnitChoice): VectorDrawing {
  const show = (value: number | undefined, dimension: Dimension) =>
    value === undefined ? 'not known' : formatQuantity(value, dimension, units)
  const marks: DrawingMark[] = []
  const box = (column: number, y: number, name: string, value: string) => {
    const x = 2 + column * (BOX.width + GAP)
    const corners: Point[] = [
      [x, y],
      [x + BOX.width, y],
      [x + BOX.width, y + BOX.height],
      [x, y + BOX.height],
    ]
    marks.push({ kind: 'path', closed: true, ink: 'line', shade: 'light', points: corners })
    marks.push(word([x + BOX.width / 2, y + 13], name, 7.6, { anchor: 'middle' }))
    marks.push(word([x + BOX.width / 2, y + 27], value, 9, { anchor: 'middle', strong: true }))
    return { in: [x, y + BOX.height / 2] as const, out: [x + BOX.width, y + BOX.height / 2] as const }
  }
  const arrow = (from: Point, to: Point) => {
    const [x, y] = to
    marks.push(line(from, to))
    marks.push({
      kind: 'path',
      closed: true,
      ink: 'line',
      shade: 'middle',
      points: [
        [x, y],
        [x - 5, y - 3],
        [x - 5, y + 3],
      ],
    })
  }
  const pedal = box(0, LINES.foot, 'Pedal force', show(chain.pedalForceN, 'force'))
  const rod = box(1, LINES.foot, chain.runout ? 'Booster at runout' : 'After booster', show(chain.boostedForceN, 'force'))
  arrow(pedal.out, rod.in)
  for (const axle of ['front', 'rear'] as const) {
    const stage = chain[axle]
    const y = LINES[axle]
    const pressure = box(2, y, `${axle === 'front' ? 'Front' : 'Rear'} line`, show(stage.pressureMpa, 'pressure'))
    const clamp = stage.clampN === undefined ? box(3, y, 'Drum', 'shoes') : box(3, y, 'Clamp, each pad', show(stage.clampN, 'force'))
    const torque = box(4, y, 'Torque, one wheel', show(stage.torqueNm, 'torque'))
    const road = box(5, y, 'Force, both tyres', show(stage.forceN, 'force'))
    arrow(rod.out, pressure.in)
    arrow(pressure.out, clamp.in)
    arrow(clamp.out, torque.in)
    arrow(torque.out, road.in)
  }
  marks.push(word([2, 16], 'One line for each axle, left to right', 8.5))
  return { width: 2 + 6 * BOX.width + 5 * GAP + 2, height: LINES.rear + BOX.height + 8, marks }
}
