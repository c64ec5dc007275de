import { chain, type Chain } from './maths/chain.ts'
import type { BrakeSystem } from './maths/system.ts'
import {
  COMPLIANCE_MM3_PER_MPA,
  DEFAULT_CLEARANCE_MM,
  DEFAULT_FREE_STROKE_MM,
  HOSE_SWELL,
  strokeMm,
  type FluidTaker,
} from './maths/travel.ts'
import type { Axle } from '../quantity/axle.ts'
import type { AxleBrakeReport } from './brake.ts'
import { carFigure, type CarFigure } from '../figures/entry.ts'
import type { Formula, ReportFigure } from '../figures/figure.ts'
import { askSlot, readPart, type Context } from '../figures/read.ts'
import { Working } from '../figures/working.ts'

const TAKEN: Formula = {
  id: 'pedal-travel',
  inWords: true,
  name: 'Pedal travel',
  text: 'travel = (fluid volume / master cylinder area + free stroke) · i',
  source: 'R. Limpert, Brake Design and Safety, ch. 5',
}

interface Travelled {
  context: Context
  brakes: Record<Axle, AxleBrakeReport>
  system: BrakeSystem | undefined
  stage: Chain | undefined
  force: ReportFigure
  calibration: Calibration
}

/** Pedal travel at the pressure of the stated deceleration, with default compliances marked as assumed. */
export const PEDAL_TRAVEL: CarFigure<'pedal.travel', Travelled> = carFigure('pedal.travel', {
  label: 'Pedal travel',
  dimension: 'length',
  formula: TAKEN,
  read(work, { context, brakes, system, stage, force, calibration }) {
    work.carry(force)
    const front = takerOf(work, context, 'front', brakes.front, calibration.factor)
    const rear = takerOf(work, context, 'rear', brakes.rear, calibration.factor)
    const at = { kind: 'figure', figureId: 'pedal.travel' } as const
    const freeMm = work.assume(DEFAULT_FREE_STROKE_MM, { label: 'Free stroke', dimension: 'length', at })
    work.notes.push(calibration.note)
    return { system, stage, front, rear, freeMm }
  },
  value: ({ system, stage, front, rear, freeMm }) =>
    strokeMm(
      system.master,
      { taker: front, pressureMpa: stage.front.pressureMpa },
      { taker: rear, pressureMpa: stage.rear.pressureMpa },
      freeMm,
    ) * system.pedalRatio,
})

export interface Calibration {
  /** By which the default compliances are multiplied. */
  factor: number
  note: string
}
const UNCALIBRATED: Calibration = {
  factor: 1,
  note: 'Compliance and clearances are estimates, known to about 40%. Compare setups rather than absolute values, or calibrate with one measured pedal travel.',
}
/** Beyond these no caliper is so soft or so stiff: the travel or its force was misread, or there is air. */
const LEAST_FACTOR = 0.3
const MOST_FACTOR = 3

/** What one measured pedal travel of the car as it stands says of its compliance; travel is a straight line of it. */
export function calibrate(stock: Context, brakes: Record<Axle, AxleBrakeReport>, system: BrakeSystem | undefined): Calibration {
  const { measuredTravelMm, measuredTravelForceN } = stock.project.car
  if (!measuredTravelMm || !measuredTravelForceN || !system) return UNCALIBRATED
  const at = (factor: number) => {
    const front = takerOf(new Working(), stock, 'front', brakes.front, factor)
    const rear = takerOf(new Working(), stock, 'rear', brakes.rear, factor)
    if (!front || !rear) return undefined
    const stage = chain(system, measuredTravelForceN.value)
    return (
      strokeMm(
        system.master,
        { taker: front, pressureMpa: stage.front.pressureMpa },
        { taker: rear, pressureMpa: stage.rear.pressureMpa },
        DEFAULT_FREE_STROKE_MM,
      ) * system.pedalRatio
    )
  }
  const [stiff, usual] = [at(0), at(1)]
  if (stiff === undefined || usual === undefined || usual <= stiff) return UNCALIBRATED
  const factor = (measuredTravelMm.value - stiff) / (usual - stiff)
  if (factor < LEAST_FACTOR || factor > MOST_FACTOR)
    return {
      factor: 1,
      note: `The measured pedal travel would make the brakes ${factor.toFixed(1)} times as soft as usual: measure it again, without air in the lines. Defaults are used.`,
    }
  return { factor, note: `Calibrated by one measured pedal travel: compliance is ${factor.toFixed(2)} times the default.` }
}

const DRUM_PISTON_STROKE_MM = 0.6

export function takerOf(work: Working, context: Context, axle: Axle, brake: AxleBrakeReport, factor = 1): FluidTaker | undefined {
  const { caliper, hose } = context.resolved[axle]
  const area = brake.pistonArea.value
  let hoseLengthMm: number | undefined
  let swell = 0
  if (hose) {
    hoseLengthMm = readPart(work, hose, 'lengthMm')
    const kind = hose.construction ?? 'rubber'
    swell = HOSE_SWELL[kind]
    work.assume(swell, {
      label: `Swelling of ${hose.name}, mm³ per mm and MPa`,
      dimension: 'number',
      at: { kind: 'part', partId: hose.id, field: 'construction' },
    })
  } else askSlot(work, context, axle, 'hose')
  if (!caliper || area === undefined || hoseLengthMm === undefined) return undefined
  const at = { kind: 'part', partId: caliper.id, field: 'construction' } as const
  const per1000 = caliper.kind === 'drum' ? COMPLIANCE_MM3_PER_MPA.sliding : COMPLIANCE_MM3_PER_MPA[caliper.construction ?? 'sliding']
  const complianceMm3PerMpa = (factor * per1000 * area) / 1000
  work.assume(complianceMm3PerMpa, { label: `Compliance of ${caliper.name}, mm³/MPa`, dimension: 'number', at })
  const clearanceMm = caliper.kind === 'drum' ? DRUM_PISTON_STROKE_MM : DEFAULT_CLEARANCE_MM
  work.assume(clearanceMm, {
    label: caliper.kind === 'drum' ? `Stroke of each piston, ${axle}` : `Running clearance of each pad, ${axle}`,
    dimension: 'length',
    at,
  })
  return { pistonAreaMm2: area, clearanceMm, complianceMm3PerMpa, hoseLengthMm, hoseSwellMm3PerMmMpa: swell }
}
