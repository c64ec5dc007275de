import type { BrakeBody, ChainBody } from '#core/hydraulics/chain-body.ts'
import type { StageTravel } from '#core/hydraulics/chain-picture.ts'
import type { Axle } from '#core/quantity/axle.ts'

/**
 * Where everything of the chain stands on the sheet, px. Pedal, cylinders, pistons and the thickness of rotors have one
 * scale, rotors and tyres in view a smaller one; a pad's way is too short to be seen and is drawn larger.
 */
export const PX_PER_MM = 0.8
export const WHEEL_PX_PER_MM = 0.26
export const PAD_TIMES = 12
/** How long the lever is drawn; only its ratio is known. */
const LEVER_MM = 250

type At = [x: number, y: number]
export interface DrawnBox {
  x: number
  y: number
  width: number
  height: number
}

/** One cylinder with the piston in it, and the fluid before it. */
interface DrawnCylinder {
  body: DrawnBox
  piston: DrawnBox
  fluid: DrawnBox
  outlet: At
}
interface DrawnFoot {
  pivot: At
  pad: At
  pin: At
  /** Rod from the lever, through the booster where there is one, to the cylinder or the bar. */
  rod: { from: At; to: At }
  booster: DrawnBox | undefined
  bar: { front: At; rear: At; pivot: At } | undefined
  cylinders: Record<Axle, DrawnCylinder>
}
export interface DrawnBrake {
  /** Rotor seen on its edge; undefined for a drum. */
  rotor: DrawnBox | undefined
  pads: DrawnBox[]
  pistons: DrawnBox[]
  body: DrawnBox
  inlet: At
  wheel: { centre: At; tyrePx: number; discPx: number | undefined; effectivePx: number }
}

/** Where the groups stand: beside one another on a bench, below one another on a phone. */
export interface ChainLayout {
  width: number
  height: number
  foot: At
  circuits: Record<Axle, At>
  /** Within a circuit: where the valve, the rotor's edge, the wheel and the words stand. */
  inCircuit: { valve: number; rotor: number; wheel: number; words: At }
}
const WIDE_FROM = 760
export function chainLayout(width: number): ChainLayout {
  return width >= WIDE_FROM
    ? {
        width,
        height: 388,
        foot: [6, 52],
        circuits: { front: [400, -4], rear: [400, 190] },
        inCircuit: { valve: 62, rotor: 190, wheel: 358, words: [454, 50] },
      }
    : {
        width,
        height: 925,
        foot: [6, 16],
        circuits: { front: [0, 362], rear: [0, 648] },
        inCircuit: { valve: 44, rotor: 122, wheel: 262, words: [12, 196] },
      }
}

/** Height of the rods and of the tandem's axis within the foot's group. */
const AXIS_Y = 100
const PIVOT_X = 70
const ROD_X = { booster: 152, cylinder: 246 }
const BOOSTER = { width: 58, height: 96 }
const CYLINDER_PX = 116
/** What the bar spans between its two cylinders. */
const BAR_PX = 96
/** Where the middle of a circuit lies, below its group's top. */
export const CIRCUIT_Y = 96

const px = (mm: number) => mm * PX_PER_MM

function cylinder(x: number, y: number, boreMm: number, atMm: number, length: number): DrawnCylinder {
  const bore = px(boreMm)
  const piston = { x: x + px(atMm), y: y - bore / 2, width: 9, height: bore }
  const begin = piston.x + piston.width
  return {
    body: { x, y: y - bore / 2, width: length, height: bore },
    piston,
    fluid: { x: begin, y: y - bore / 2, width: Math.max(x + length - begin, 1), height: bore },
    outlet: [x + length - 6, y],
  }
}

/** Lever, booster and cylinders with the foot where the travel puts it; at rest without one. */
export function drawnFoot({ pedalRatio, booster, master }: ChainBody, travel: StageTravel | undefined): DrawnFoot {
  const lever = px(LEVER_MM)
  const arm = lever / Math.max(pedalRatio, 1)
  const pivot: At = [PIVOT_X, AXIS_Y - arm]
  const angle = px(travel?.pedalMm ?? 0) / lever
  const on = (length: number): At => [pivot[0] + length * Math.sin(angle), pivot[1] + length * Math.cos(angle)]
  const pin = on(arm)
  const rodPx = px(travel?.rodMm ?? 0)
  const strokes = travel?.masterMm ?? { front: 0, rear: 0 }
  const x = ROD_X.cylinder
  const box = booster && { x: ROD_X.booster, y: AXIS_Y - BOOSTER.height / 2, ...BOOSTER }
  if (master.kind === 'tandem') {
    // one behind the other in one bore: the first feeds the front, the second the rear
    const half = CYLINDER_PX / 2
    const second = cylinder(x + half, AXIS_Y, master.boreMm, strokes.rear, half)
    const first = cylinder(x, AXIS_Y, master.boreMm, strokes.front + strokes.rear, half)
    first.fluid.width = Math.max(second.piston.x - first.fluid.x, 1)
    first.outlet = [x + half - 8, AXIS_Y - px(master.boreMm) / 2]
    second.outlet = [x + CYLINDER_PX - 8, AXIS_Y + px(master.boreMm) / 2]
    return {
      pivot,
      pad: on(lever),
      pin,
      rod: { from: pin, to: [first.piston.x, AXIS_Y] },
      booster: box,
      bar: undefined,
      cylinders: { front: first, rear: second },
    }
  }
  // the nearer the bar's pivot stands to a cylinder, the more of the force that cylinder gets
  const above = BAR_PX * (1 - master.frontShare)
  const y = { front: AXIS_Y - above, rear: AXIS_Y + BAR_PX - above }
  const barX = x - 8
  const place = (axle: Axle, boreMm: number) => cylinder(x + 22, y[axle], boreMm, strokes[axle], CYLINDER_PX - 40)
  const cylinders = { front: place('front', master.frontBoreMm), rear: place('rear', master.rearBoreMm) }
  return {
    pivot,
    pad: on(lever),
    pin,
    rod: { from: pin, to: [barX + rodPx, AXIS_Y] },
    booster: box,
    bar: { front: [barX + px(strokes.front), y.front], rear: [barX + px(strokes.rear), y.rear], pivot: [barX + rodPx, AXIS_Y] },
    cylinders,
  }
}

const PAD = { width: 8, height: 62 }
const EDGE_PX = 116
const BETWEEN_PISTONS = 3
const PISTON_PX = 18

/** One brake: the rotor on its edge between pads and pistons, and the wheel in view beside it. */
export function drawnBrake(brake: BrakeBody, padMm: number, { inCircuit }: ChainLayout): DrawnBrake {
  const { rotor: x, wheel } = inCircuit
  const closed = Math.min(padMm * PX_PER_MM * PAD_TIMES, 6)
  const half = px(brake.thicknessMm ?? 12) / 2
  const heights = brake.pistonsMm.map(px)
  const stack = heights.reduce((sum, height) => sum + height + BETWEEN_PISTONS, -BETWEEN_PISTONS)
  let top = CIRCUIT_Y - Math.max(stack, 0) / 2
  const stood = heights.map((height) => {
    const y = top
    top += height + BETWEEN_PISTONS
    return { y, height }
  })
  const row = (at: number): DrawnBox[] => stood.map(({ y, height }) => ({ x: at, y, width: PISTON_PX, height }))
  const bodyHeight = Math.max(stack, PAD.height) + 26
  const seen = {
    centre: [wheel, CIRCUIT_Y] as At,
    tyrePx: brake.tyreRadiusMm * WHEEL_PX_PER_MM,
    discPx: brake.diameterMm === undefined ? undefined : (brake.diameterMm / 2) * WHEEL_PX_PER_MM,
    effectivePx: brake.effectiveRadiusMm * WHEEL_PX_PER_MM,
  }
  if (brake.kind === 'drum') {
    // the pistons of a wheel cylinder go outwards and push the shoes
    const bore = heights[0] ?? 14
    const body = { x: x - 17, y: CIRCUIT_Y - bore / 2, width: 34, height: bore }
    const piston = (at: number): DrawnBox => ({ x: at, y: body.y, width: 10, height: bore })
    const shoe = (at: number): DrawnBox => ({ x: at, y: CIRCUIT_Y - PAD.height / 2, width: PAD.width, height: PAD.height })
    return {
      rotor: undefined,
      pads: [shoe(body.x - PAD.width - 4 - closed), shoe(body.x + body.width + 4 + closed)],
      pistons: [piston(body.x - 3 - closed), piston(body.x + body.width - 7 + closed)],
      body,
      inlet: [x, CIRCUIT_Y - bore / 2],
      wheel: seen,
    }
  }
  const gap = 6 - closed
  const padAt = { left: x - half - gap - PAD.width, right: x + half + gap }
  const left = padAt.left - PISTON_PX
  const bodyLeft = left - 12
  const bodyRight = padAt.right + PAD.width + (brake.opposed ? PISTON_PX + 12 : 9)
  return {
    rotor: { x: x - half, y: CIRCUIT_Y - EDGE_PX / 2, width: 2 * half, height: EDGE_PX },
    pads: [padAt.left, padAt.right].map((at) => ({ x: at, y: CIRCUIT_Y - PAD.height / 2, ...PAD })),
    pistons: [...row(left), ...(brake.opposed ? row(padAt.right + PAD.width) : [])],
    body: { x: bodyLeft, y: CIRCUIT_Y - bodyHeight / 2, width: bodyRight - bodyLeft, height: bodyHeight },
    inlet: [bodyLeft, CIRCUIT_Y],
    wheel: seen,
  }
}
