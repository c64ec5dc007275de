import { adhesionUsed, lockOrder, type LockOrder, type Mass } from '../balance/adhesion.ts'
import { idealFrontShare } from '../balance/constant-split.ts'
import { chain, type Chain } from '../hydraulics/chain.ts'
import { pedalForceForRoadForce } from '../hydraulics/effort.ts'
import { nearestStockBoreMm, sameFeelBoreMm } from '../hydraulics/same-feel.ts'
import { DEFAULT_PEDAL_EFFICIENCY, type Booster, type BrakeSystem, type MasterCylinder, type Valve } from '../hydraulics/system.ts'
import {
  COMPLIANCE_MM3_PER_MPA,
  DEFAULT_CLEARANCE_MM,
  DEFAULT_FREE_STROKE_MM,
  HOSE_SWELL,
  strokeMm,
  type FluidTaker,
} from '../hydraulics/travel.ts'
import { AXLES, type Axle, type PartOf } from '../model/project.ts'
import { formatQuantity } from '../quantity/format.ts'
import { STANDARD_GRAVITY } from '../quantity/units.ts'
import type { AxleBrakeReport } from './brake.ts'
import { askHydraulicSlot, askSlot, readCar, readCarAxle, readPart, type Context } from './context.ts'
import type { CurvePoint, Finding, ReportFigure } from './types.ts'
import { Working } from './working.ts'

/** Above this no driver is expected to press, N (UN Regulation No. 13-H, Annex 3). */
export const DRIVER_LIMIT_N = 500
/** On the road the front must lock first up to here, g (UN Regulation No. 13-H, Annex 5). */
export const FRONT_FIRST_TO_G = 0.8

export interface PedalReport {
  figures: ReportFigure[]
  chain: Chain | undefined
  lockOrder: LockOrder | undefined
  adhesion: CurvePoint[]
  findings: Finding[]
}

/** From the pedal to the road: effort, travel, the four biases and which axle locks first. */
export function pedalReport(context: Context, brakes: Record<Axle, AxleBrakeReport>, stockArea: number | undefined): PedalReport {
  const { referenceDecelG, units } = context.project.preferences
  const work = new Working()
  const system = systemOf(work, context, brakes)
  const mass = massOf(work, context)
  work.set(referenceDecelG, {
    symbol: 'z',
    label: 'Deceleration',
    dimension: 'deceleration',
    at: { kind: 'preference', field: 'referenceDecelG' },
  })

  const roadForceN = mass && mass.massKg * STANDARD_GRAVITY * referenceDecelG
  const forceN = system && roadForceN !== undefined ? pedalForceForRoadForce(system, roadForceN) : undefined
  if (system && roadForceN !== undefined && forceN === undefined)
    work.ask(
      'A brake that works',
      { kind: 'slot', setupId: context.setup.id, axle: 'front', slot: 'caliper' },
      'These parts give no braking force.',
    )
  if (context.resolved.booster && !context.resolved.booster.assistN) {
    work.atLeast = true
    work.notes.push('The assist at runout is not known: the pedal may need more than this.')
  }
  if (forceN !== undefined && forceN > DRIVER_LIMIT_N)
    work.notes.push(`More than ${formatQuantity(DRIVER_LIMIT_N, 'force', units)}: few drivers reach it.`)
  const at = ` at ${formatQuantity(referenceDecelG, 'deceleration')}`
  const force = work.figure('pedal.force', `Pedal force${at}`, 'force', 'pedal-force', forceN)

  const bare = system && roadForceN !== undefined ? pedalForceForRoadForce({ ...system, booster: undefined }, roadForceN) : undefined
  const noAssistWork = from(work)
  const noAssist = noAssistWork.figure('pedal.forceNoAssist', `Pedal force${at}, no assist`, 'force', 'pedal-force', bare)

  const stage = system && forceN !== undefined ? chain(system, forceN) : undefined
  const biases = biasFigures(force, stage)
  const ideal = idealFigure(context, mass)
  const order = system && mass ? lockOrder(system, mass) : undefined
  const critical = criticalFigure(work, order)
  const figures = [
    force,
    noAssist,
    ...biases,
    ideal,
    critical,
    travelFigure(context, brakes, system, stage, force),
    sameFeelFigure(context, brakes, stockArea),
  ]
  return { figures, chain: stage, lockOrder: order, adhesion: curve(system, mass), findings: [lockFinding(context, order, critical)] }
}

/** A new working that starts from what another has read. */
function from(work: Working): Working {
  const copy = new Working()
  copy.inputs.push(...work.inputs)
  copy.askAll(work.missing)
  return copy
}

function systemOf(work: Working, context: Context, brakes: Record<Axle, AxleBrakeReport>): BrakeSystem | undefined {
  const { masterCylinder, booster, valve } = context.resolved
  const own = context.setup.hydraulics.pedalRatio
  const pedalRatio = own
    ? work.read(own, {
        symbol: 'i',
        label: 'Pedal ratio of this setup',
        dimension: 'number',
        at: { kind: 'setup', setupId: context.setup.id, field: 'pedalRatio' },
      })
    : readCar(work, context, 'pedalRatio', 'i')
  const pedalEfficiency = work.readOr(context.project.car.pedalEfficiency, DEFAULT_PEDAL_EFFICIENCY, {
    symbol: 'η',
    label: 'Pedal efficiency',
    dimension: 'share',
    at: { kind: 'car', field: 'pedalEfficiency' },
  })
  const boost = boosterOf(work, context, booster)
  const master = masterOf(work, context, masterCylinder)
  const throttle = valveOf(work, context, valve)
  for (const axle of AXLES) {
    work.carry(brakes[axle].pistonArea)
    work.carry(brakes[axle].effectiveRadius)
    work.inputs.push(...brakes[axle].rest.inputs)
    work.askAll(brakes[axle].rest.missing)
  }
  const front = readCarAxle(work, context, 'front', 'tyreRadiusMm')
  const rear = readCarAxle(work, context, 'rear', 'tyreRadiusMm')
  if (
    pedalRatio === undefined ||
    boost === undefined ||
    master === undefined ||
    throttle === undefined ||
    front === undefined ||
    rear === undefined ||
    !brakes.front.brake ||
    !brakes.rear.brake
  )
    return undefined
  return {
    pedalRatio,
    pedalEfficiency,
    master,
    booster: boost.booster,
    valve: throttle.valve,
    front: brakes.front.brake,
    rear: brakes.rear.brake,
    tyreRadiusMm: { front, rear },
  }
}

function boosterOf(
  work: Working,
  context: Context,
  part: PartOf<'booster'> | null | undefined,
): { booster: Booster | undefined } | undefined {
  if (part === null) return { booster: undefined }
  if (!part) {
    askHydraulicSlot(work, context, 'booster')
    return undefined
  }
  const ratio = readPart(work, part, 'ratio', 'G')
  if (part.assistN) readPart(work, part, 'assistN')
  return ratio === undefined ? undefined : { booster: { ratio, assistN: part.assistN?.value } }
}

function valveOf(work: Working, context: Context, part: PartOf<'valve'> | null | undefined): { valve: Valve | undefined } | undefined {
  if (part === null) return { valve: undefined }
  if (!part) {
    askHydraulicSlot(work, context, 'valve')
    return undefined
  }
  const kneeMpa = readPart(work, part, 'kneeMpa', 'P_k')
  const slope = readPart(work, part, 'slope')
  return kneeMpa === undefined || slope === undefined ? undefined : { valve: { kneeMpa, slope } }
}

function masterOf(work: Working, context: Context, part: PartOf<'masterCylinder'> | null | undefined): MasterCylinder | undefined {
  if (!part) {
    askHydraulicSlot(work, context, 'masterCylinder')
    return undefined
  }
  if (part.construction === 'twin') {
    const frontBoreMm = readPart(work, part, 'frontBoreMm')
    const rearBoreMm = readPart(work, part, 'rearBoreMm')
    const frontShare = work.readOr(context.setup.hydraulics.barFrontShare, 0.5, {
      symbol: 'x',
      label: 'Front share of the balance bar',
      dimension: 'share',
      at: { kind: 'setup', setupId: context.setup.id, field: 'barFrontShare' },
    })
    return frontBoreMm === undefined || rearBoreMm === undefined ? undefined : { kind: 'twin', frontBoreMm, rearBoreMm, frontShare }
  }
  if (!part.construction) work.ask(`Construction of ${part.name}`, { kind: 'part', partId: part.id, field: 'construction' })
  const boreMm = readPart(work, part, 'boreMm')
  return boreMm === undefined || !part.construction ? undefined : { kind: 'tandem', boreMm }
}

function massOf(work: Working, context: Context): Mass | undefined {
  const massKg = readCar(work, context, 'massKg', 'm')
  const staticFront = readCar(work, context, 'staticFrontShare', 'φ')
  const cgHeightMm = readCar(work, context, 'cgHeightMm', 'h')
  const wheelbaseMm = readCar(work, context, 'wheelbaseMm', 'L')
  return massKg === undefined || staticFront === undefined || cgHeightMm === undefined || wheelbaseMm === undefined
    ? undefined
    : { massKg, staticFront, cgHeightMm, wheelbaseMm }
}

function biasFigures(force: ReportFigure, stage: Chain | undefined): ReportFigure[] {
  const of = (
    id: 'pressure' | 'clamp' | 'torque' | 'road',
    label: string,
    formula: 'pressure-share' | 'clamp-share' | 'torque-share' | 'road-share',
    symbols: [string, string],
    values: [number | undefined, number | undefined] | undefined,
    dimension: 'pressure' | 'force' | 'torque',
  ) => {
    const work = new Working()
    work.carry(force)
    if (values) {
      const at = { kind: 'figure', figureId: 'pedal.force' } as const
      values.forEach((value, index) =>
        work.inputs.push({
          symbol: symbols[index]!,
          label: `${label[0]!.toUpperCase()}${label.slice(1)}, ${AXLES[index]}`,
          value,
          dimension,
          at,
        }),
      )
      if (id === 'clamp' && stage?.bias.clamp === undefined) work.notes.push('A drum has no single clamp force.')
    }
    return work.figure(`bias.${id}`, `Front share of ${label}`, 'share', formula, stage?.bias[id])
  }
  const { front, rear } = stage ?? {}
  return [
    of('pressure', 'line pressure', 'pressure-share', ['P_f', 'P_r'], stage && [front!.pressureMpa, rear!.pressureMpa], 'pressure'),
    of('clamp', 'clamp force', 'clamp-share', ['N_f', 'N_r'], stage && [front!.clampN, rear!.clampN], 'force'),
    of('torque', 'brake torque', 'torque-share', ['T_f', 'T_r'], stage && [front!.torqueNm, rear!.torqueNm], 'torque'),
    of('road', 'force at the road', 'road-share', ['F_f', 'F_r'], stage && [front!.forceN, rear!.forceN], 'force'),
  ]
}

function idealFigure(context: Context, mass: Mass | undefined): ReportFigure {
  const work = new Working()
  const z = context.project.preferences.referenceDecelG
  readCar(work, context, 'staticFrontShare', 'φ')
  readCar(work, context, 'cgHeightMm', 'h')
  readCar(work, context, 'wheelbaseMm', 'L')
  work.set(z, { symbol: 'z', label: 'Deceleration', dimension: 'deceleration', at: { kind: 'preference', field: 'referenceDecelG' } })
  const value = mass && idealFrontShare(mass.staticFront, mass.cgHeightMm / mass.wheelbaseMm, z)
  return work.figure('bias.ideal', 'Front share of the load', 'share', 'ideal-share', value)
}

function criticalFigure(read: Working, order: LockOrder | undefined): ReportFigure {
  const work = from(read)
  if (order?.kind === 'frontAlways')
    work.notes.push(`The front locks first up to ${formatQuantity(order.upToG, 'deceleration')}, as far as was looked.`)
  if (order?.kind === 'rearAlways') work.notes.push('The rear locks first at every deceleration.')
  return work.figure(
    'balance.critical',
    'Rear locks first above',
    'deceleration',
    'critical-deceleration',
    order?.kind === 'rearAbove' ? order.aboveG : undefined,
  )
}

function lockFinding(context: Context, order: LockOrder | undefined, critical: ReportFigure): Finding {
  const base = { rule: 'lock-order', figureId: 'balance.critical', missing: critical.missing } as const
  const limit = formatQuantity(FRONT_FIRST_TO_G, 'deceleration')
  if (!order) return { ...base, verdict: 'unknown', sentence: 'Which axle locks first is not known: figures are missing.' }
  if (order.kind === 'frontAlways')
    return {
      ...base,
      verdict: 'fits',
      sentence: `Front locks first at every deceleration looked at, up to ${formatQuantity(order.upToG, 'deceleration')}.`,
    }
  const road = context.project.car.use !== 'competition'
  if (order.kind === 'rearAlways')
    return {
      ...base,
      verdict: road ? 'blocked' : 'check',
      sentence: 'Rear locks first at every deceleration. The car can spin under braking.',
    }
  const above = formatQuantity(order.aboveG, 'deceleration')
  if (order.aboveG >= FRONT_FIRST_TO_G) return { ...base, verdict: 'fits', sentence: `Front locks first up to ${above}, the rear above.` }
  return {
    ...base,
    verdict: road ? 'blocked' : 'check',
    sentence: `Rear locks first above ${above}; on the road the front must lock first up to ${limit}. The car can spin under braking.`,
  }
}

const CURVE_TO_G = 1.2
const CURVE_POINTS = 60

function curve(system: BrakeSystem | undefined, mass: Mass | undefined): CurvePoint[] {
  if (!system || !mass) return []
  const points: CurvePoint[] = []
  for (let i = 1; i <= CURVE_POINTS; i += 1) {
    const point = adhesionUsed(system, mass, (CURVE_TO_G * i) / CURVE_POINTS)
    if (!point || !Number.isFinite(point.rear)) break
    points.push({ decelG: point.decelG, front: point.front, rear: point.rear, pedalForceN: point.pedalForceN })
  }
  return points
}

function travelFigure(
  context: Context,
  brakes: Record<Axle, AxleBrakeReport>,
  system: BrakeSystem | undefined,
  stage: Chain | undefined,
  force: ReportFigure,
): ReportFigure {
  const work = new Working()
  work.carry(force)
  const front = takerOf(work, context, 'front', brakes.front)
  const rear = takerOf(work, context, 'rear', brakes.rear)
  const at = { kind: 'figure', figureId: 'pedal.travel' } as const
  work.assume(DEFAULT_FREE_STROKE_MM, { label: 'Free stroke', dimension: 'length', at })
  work.notes.push('Compliance and clearances are estimates, good to about 40 %: trust the ratio between setups, not the figure.')
  const value =
    system && stage && front && rear
      ? strokeMm(
          system.master,
          { taker: front, pressureMpa: stage.front.pressureMpa },
          { taker: rear, pressureMpa: stage.rear.pressureMpa },
          DEFAULT_FREE_STROKE_MM,
        ) * system.pedalRatio
      : undefined
  return work.figure('pedal.travel', 'Pedal travel', 'length', 'pedal-travel', value)
}

const DRUM_PISTON_STROKE_MM = 0.6

function takerOf(work: Working, context: Context, axle: Axle, brake: AxleBrakeReport): FluidTaker | undefined {
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
  const complianceMm3PerMpa = (per1000 * area) / 1000
  work.assume(complianceMm3PerMpa, { label: `Compliance of ${caliper.name}, mm³/MPa`, dimension: 'number', at })
  const clearanceMm = caliper.kind === 'drum' ? DRUM_PISTON_STROKE_MM : DEFAULT_CLEARANCE_MM
  work.assume(clearanceMm, {
    label: caliper.kind === 'drum' ? `Stroke of each piston, ${axle}` : `Running clearance of each pad, ${axle}`,
    dimension: 'length',
    at,
  })
  return { pistonAreaMm2: area, clearanceMm, complianceMm3PerMpa, hoseLengthMm, hoseSwellMm3PerMmMpa: swell }
}

function sameFeelFigure(context: Context, brakes: Record<Axle, AxleBrakeReport>, stockArea: number | undefined): ReportFigure {
  const work = new Working()
  const front = work.carry(brakes.front.pistonArea)
  const rear = work.carry(brakes.rear.pistonArea)
  const stockMaster = context.project.parts.find((part) => part.id === context.project.setups[0].hydraulics.masterCylinder)
  const old =
    stockMaster?.kind === 'masterCylinder' && stockMaster.construction === 'tandem'
      ? readPart(work, stockMaster, 'boreMm', 'd_old')
      : undefined
  if (!stockMaster) askHydraulicSlot(work, { ...context, setup: context.project.setups[0] }, 'masterCylinder')
  let value: number | undefined
  if (front !== undefined && rear !== undefined) {
    const slot = { kind: 'figure', figureId: 'front.pistonArea' } as const
    work.set(front + rear, { symbol: 'A_new', label: 'Piston area, front and rear', dimension: 'area', at: slot })
    if (stockArea !== undefined) {
      work.set(stockArea, { symbol: 'A_old', label: 'The same on the car as it stands', dimension: 'area', at: slot })
      value = old === undefined ? undefined : sameFeelBoreMm(old, stockArea, front + rear)
      if (value !== undefined)
        work.notes.push(
          `Nearest stock bore ${formatQuantity(nearestStockBoreMm(value), 'length', context.project.preferences.units, { decimals: 2 })}.`,
        )
    }
  }
  if (stockMaster?.kind === 'masterCylinder' && stockMaster.construction === 'twin')
    work.notes.push('Twin cylinders are chosen as a pair; see the bore table of a later step.')
  return work.figure('master.sameFeel', 'Master bore for the same feel', 'length', 'same-feel', value)
}
