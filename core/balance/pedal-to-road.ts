import { bestWithoutLock } from './maths/limits.ts'
import { lockOrder, type LockOrder } from './maths/lock-order.ts'
import { chain, type Chain } from '../hydraulics/maths/chain.ts'
import type { BrakeSystem } from '../hydraulics/maths/system.ts'
import type { Axle } from '../quantity/axle.ts'
import { isTypical } from '../records/way-ids.ts'
import { massOf, systemOf } from '../hydraulics/brake-system.ts'
import type { AxleBrakeReport } from '../hydraulics/brake.ts'
import type { ReportFigure } from '../figures/figure.ts'
import type { FigureCheck } from '../figures/check-result.ts'
import type { Context } from '../figures/read.ts'
import { Working } from '../figures/working.ts'
import { masterStroke } from '../hydraulics/master-stroke.ts'
import { effortFinding, PEDAL_FORCE, PEDAL_FORCE_NO_ASSIST } from '../hydraulics/pedal-effort.ts'
import { PEDAL_TRAVEL, type Calibration } from '../hydraulics/pedal-travel.ts'
import { SAME_FEEL } from '../hydraulics/same-feel.ts'
import { adhesionCurve, type CurvePoint } from './adhesion-curve.ts'
import { antiLock } from './anti-lock.ts'
import { CLAMP_BIAS, IDEAL_BIAS, PRESSURE_BIAS, ROAD_BIAS, TORQUE_BIAS } from './bias.ts'
import { CRITICAL } from './critical.ts'
import { frictionOf } from './grip.ts'
import { lockFinding, rearSeenFirst } from './lock-finding.ts'

/** What the car brakes with as it stands: what a setup's pedal and balance are held against. */
export interface StockBrakes {
  area: number | undefined
  system: BrakeSystem | undefined
  calibration: Calibration
}

interface PedalToRoad {
  figures: ReportFigure[]
  roadBias: ReportFigure
  chain: Chain | undefined
  lockOrder: LockOrder | undefined
  /** Where the rear was seen to lock first against the model, g. */
  rearSeenFirstAtG: number | undefined
  /** What the dry tyres give without a lock, driver only, g; undefined: not known. */
  tyresReachG: number | undefined
  adhesion: CurvePoint[]
  findings: FigureCheck[]
}

/** The car, its brakes and the deceleration, read once for all figures between pedal and road. */
function brakedCar(context: Context, brakes: Record<Axle, AxleBrakeReport>) {
  const reading = new Working()
  const system = systemOf(reading, context, brakes)
  const mass = massOf(reading, context)
  reading.set(context.project.preferences.referenceDecelG, {
    symbol: 'z',
    label: 'Deceleration',
    dimension: 'deceleration',
    at: { kind: 'preference', field: 'referenceDecelG' },
  })
  return { context, system, mass, reading }
}

/** What fits by figures of a class is to be seen on this car. */
const byTypical = (finding: FigureCheck): FigureCheck => ({
  ...finding,
  verdict: 'check',
  sentence: `${finding.sentence} Some values are typical, not measured on this car.`,
})

/** Effort, the pressures it makes and the stroke it takes. */
function pressed(context: Context, brakes: Record<Axle, AxleBrakeReport>, stock: StockBrakes, cured: boolean) {
  const car = brakedCar(context, brakes)
  const { system } = car
  const force = PEDAL_FORCE.of(car).figure
  const stage = system && force.value !== undefined ? chain(system, force.value) : undefined
  return { car, force, stage, stroke: masterStroke(context, brakes, system, stock.calibration.factor, stage, cured) }
}

/** Which axle locks first, what the control unit makes of it, and everything that is said of foot and balance. */
function said(context: Context, stock: StockBrakes, { car, force, stage, stroke }: ReturnType<typeof pressed>) {
  const { system, mass, reading } = car
  const order = system && mass ? lockOrder(system, mass) : undefined
  const critical = CRITICAL.of({ force, order }).figure
  const abs = antiLock(context, stage, force.value, stock.system)
  const all = [
    stroke.finding,
    ...effortFinding(context, force),
    ...(abs.finding ? [abs.finding] : []),
    lockFinding(context, system, mass, order, critical.missing, abs.figure),
  ]
  const typical = reading.inputs.some(isTypical)
  return { order, critical, abs, findings: all.map((one) => (typical && one.verdict === 'fits' ? byTypical(one) : one)) }
}

/**
 * The findings alone, of a change that is tried out.
 * @param ends nothing more is wanted after a finding that is so; what would cure it is not looked for either
 */
export function pedalSaid(
  context: Context,
  brakes: Record<Axle, AxleBrakeReport>,
  stock: StockBrakes,
  ends?: (finding: FigureCheck) => boolean,
): FigureCheck[] {
  const now = pressed(context, brakes, stock, ends === undefined)
  return ends?.(now.stroke.finding) ? [now.stroke.finding] : said(context, stock, now).findings
}

/** The figures from the pedal to the road that doubts are asked of, and nothing of what is said of them. */
export function doubtfulFigures(context: Context, brakes: Record<Axle, AxleBrakeReport>, calibration: Calibration) {
  const car = brakedCar(context, brakes)
  const { system, mass } = car
  const force = PEDAL_FORCE.of(car).figure
  const stage = system && force.value !== undefined ? chain(system, force.value) : undefined
  const order = system && mass ? lockOrder(system, mass) : undefined
  const critical = CRITICAL.of({ force, order }).figure
  const roadBias = ROAD_BIAS.of({ context, brakes, force, stage }).figure
  const figures = [...splitFigures(car, brakes, stage, { force, roadBias, critical }), travelOf(car, brakes, force, stage, calibration)]
  return { system, mass, order, roadBias, figures }
}

/** Effort, the four biases and where both axles lock together. */
function splitFigures(
  car: ReturnType<typeof brakedCar>,
  brakes: Record<Axle, AxleBrakeReport>,
  stage: Chain | undefined,
  { force, roadBias, critical }: Record<'force' | 'roadBias' | 'critical', ReportFigure>,
): ReportFigure[] {
  const { context } = car
  return [
    force,
    PEDAL_FORCE_NO_ASSIST.of({ force, ...car }).figure,
    ...[PRESSURE_BIAS, CLAMP_BIAS, TORQUE_BIAS].map((bias) => bias.of({ context, brakes, force, stage }).figure),
    roadBias,
    IDEAL_BIAS.of({ context }).figure,
    critical,
  ]
}
const travelOf = (
  { context, system }: ReturnType<typeof brakedCar>,
  brakes: Record<Axle, AxleBrakeReport>,
  force: ReportFigure,
  stage: Chain | undefined,
  calibration: Calibration,
): ReportFigure => PEDAL_TRAVEL.of({ context, brakes, system, stage, force, calibration }).figure

/** From the pedal to the road: effort, travel, the four biases and which axle locks first. */
export function pedalToRoad(context: Context, brakes: Record<Axle, AxleBrakeReport>, stock: StockBrakes): PedalToRoad {
  const now = pressed(context, brakes, stock, true)
  const { car, force, stage, stroke } = now
  const { system, mass } = car
  const { order, critical, abs, findings } = said(context, stock, now)
  const roadBias = ROAD_BIAS.of({ context, brakes, force, stage }).figure
  const figures = [
    ...splitFigures(car, brakes, stage, { force, roadBias, critical }),
    travelOf(car, brakes, force, stage, stock.calibration),
    SAME_FEEL.of({ context, brakes, system, stock }).figure,
    stroke.figure,
    abs.figure,
  ]
  const rearSeenFirstAtG = rearSeenFirst(context, system)?.sighting.atG
  const tyresReachG = system && mass && bestWithoutLock(system, mass, frictionOf(context.project, 'dry').value)?.decelG
  return {
    figures,
    roadBias,
    chain: stage,
    lockOrder: order,
    rearSeenFirstAtG,
    tyresReachG,
    adhesion: adhesionCurve(system, mass),
    findings,
  }
}
