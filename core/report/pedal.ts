import { adhesionOf, type Mass } from '../balance/adhesion.ts'
import { idealFrontShare } from '../balance/constant-split.ts'
import { frontFirstUntil, lockOrder, type LockOrder } from '../balance/lock-order.ts'
import { chain, type Chain } from '../hydraulics/chain.ts'
import { pedalForceForRoadForce } from '../hydraulics/effort.ts'
import { nearestStockBoreMm, sameFeelBoreMm } from '../hydraulics/same-feel.ts'
import { axleForcePerMpa, boreAreaMm2, type BrakeSystem } from '../hydraulics/system.ts'
import { AXLES, type Axle } from '../model/project.ts'
import { formatQuantity } from '../quantity/format.ts'
import { STANDARD_GRAVITY } from '../quantity/units.ts'
import { massOf, systemOf } from './brake-system.ts'
import type { AxleBrakeReport } from './brake.ts'
import { askHydraulicSlot, readCar, readPart, type Context } from './context.ts'
import { antiLock } from './anti-lock.ts'
import { BANDS } from './pedal-bands.ts'
import { masterStroke } from './master-stroke.ts'
import { lockFinding, rearFirstWords } from './lock-finding.ts'
import { travelFigure, type Calibration } from './pedal-travel.ts'
import type { CurvePoint, Finding, ReportFigure } from './types.ts'
import { Working } from './working.ts'

/** Above this no driver is expected to press, N (UN Regulation No. 13-H, Annex 3). */
export const DRIVER_LIMIT_N = 500

export interface PedalReport {
  figures: ReportFigure[]
  chain: Chain | undefined
  lockOrder: LockOrder | undefined
  adhesion: CurvePoint[]
  findings: Finding[]
}

/** From the pedal to the road: effort, travel, the four biases and which axle locks first. */
export function pedalReport(
  context: Context,
  brakes: Record<Axle, AxleBrakeReport>,
  stock: { area: number | undefined; system: BrakeSystem | undefined; calibration: Calibration },
  { brief = false }: { brief?: boolean } = {},
): PedalReport {
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
  const ideal = idealFigure(context)
  const order = system && mass ? lockOrder(system, mass) : undefined
  const critical = criticalFigure(work, order)
  const stroke = masterStroke(context, brakes, system, stock.calibration.factor, stage)
  const abs = antiLock(context, stage, forceN, stock.system)
  const figures = [
    force,
    noAssist,
    ...biases,
    ideal,
    critical,
    travelFigure(context, brakes, system, stage, force, stock.calibration),
    sameFeelFigure(context, brakes, stock, system),
    stroke.figure,
    abs.figure,
  ]
  const findings = [
    stroke.finding,
    ...effortFinding(context, force),
    ...(abs.finding ? [abs.finding] : []),
    lockFinding(context, system, mass, order, critical.missing, abs.figure),
  ]
  return { figures, chain: stage, lockOrder: order, adhesion: brief ? [] : curve(system, mass), findings }
}

/** What the foot has to do once the booster is taken off. */
function effortFinding({ project, resolved, isStock }: Context, force: ReportFigure): Finding[] {
  if (isStock || resolved.booster !== null || project.setups[0].hydraulics.booster === null) return []
  const base = { rule: 'pedal-effort', figureId: 'pedal.force', missing: force.missing } as const
  const use = project.car.use === 'competition' ? 'competition' : 'road'
  const show = (value: number) => formatQuantity(value, 'force', project.preferences.units)
  if (force.value === undefined)
    return [{ ...base, verdict: 'unknown', sentence: 'What the foot must do without the booster is not known: figures are missing.' }]
  const said = `Without the booster ${formatQuantity(project.preferences.referenceDecelG, 'deceleration')} take ${show(force.value)} at the pedal`
  if (force.value > DRIVER_LIMIT_N)
    return [
      {
        ...base,
        verdict: use === 'road' ? 'blocked' : 'check',
        sentence: `${said}; few drivers reach ${show(DRIVER_LIMIT_N)}. A smaller bore or a longer pedal.`,
      },
    ]
  const { high } = BANDS[use].forceN
  return force.value > high
    ? [{ ...base, verdict: 'check', sentence: `${said}; up to ${show(high)} is usual. Try it at walking pace on private ground.` }]
    : [{ ...base, verdict: 'fits', sentence: `${said}, within what is usual.` }]
}

/** A new working that starts from what another has read. */
function from(work: Working): Working {
  const copy = new Working()
  copy.inputs.push(...work.inputs)
  copy.askAll(work.missing)
  return copy
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

function idealFigure(context: Context): ReportFigure {
  const work = new Working()
  const z = context.project.preferences.referenceDecelG
  const staticFront = readCar(work, context, 'staticFrontShare', 'φ')
  const cgHeightMm = readCar(work, context, 'cgHeightMm', 'h')
  const wheelbaseMm = readCar(work, context, 'wheelbaseMm', 'L')
  work.set(z, { symbol: 'z', label: 'Deceleration', dimension: 'deceleration', at: { kind: 'preference', field: 'referenceDecelG' } })
  const known = staticFront !== undefined && cgHeightMm !== undefined && wheelbaseMm !== undefined
  const value = known ? idealFrontShare(staticFront, cgHeightMm / wheelbaseMm, z) : undefined
  return work.figure('bias.ideal', 'Front share of the load', 'share', 'ideal-share', value)
}

function criticalFigure(read: Working, order: LockOrder | undefined): ReportFigure {
  const work = from(read)
  if (order) work.notes.push(`${rearFirstWords(order)}.`)
  return work.figure(
    'balance.critical',
    'Rear locks first above',
    'deceleration',
    'critical-deceleration',
    order?.kind === 'rearAbove' ? frontFirstUntil(order) : undefined,
  )
}

const CURVE_TO_G = 1.2
const CURVE_POINTS = 60

function curve(system: BrakeSystem | undefined, mass: Mass | undefined): CurvePoint[] {
  if (!system || !mass) return []
  const adhesion = adhesionOf(system, mass)
  const points: CurvePoint[] = []
  for (let i = 1; i <= CURVE_POINTS; i += 1) {
    const point = adhesion((CURVE_TO_G * i) / CURVE_POINTS)
    if (!point || !Number.isFinite(point.rear)) break
    points.push({ decelG: point.decelG, front: point.front, rear: point.rear, pedalForceN: point.pedalForceN })
  }
  return points
}

/** The bore for the same travel and clamp per pedal force; what friction and radii then make of the deceleration is said beside. */
function sameFeelFigure(
  context: Context,
  brakes: Record<Axle, AxleBrakeReport>,
  { area: stockArea, system: stockSystem }: { area: number | undefined; system: BrakeSystem | undefined },
  system: BrakeSystem | undefined,
): ReportFigure {
  const work = new Working()
  const front = work.carry(brakes.front.pistonArea)
  const rear = work.carry(brakes.rear.pistonArea)
  const at = { kind: 'figure', figureId: 'front.pistonArea' } as const
  const area = front === undefined || rear === undefined ? undefined : front + rear
  if (area !== undefined) work.set(area, { symbol: 'A_new', label: 'Piston area, front and rear', dimension: 'area', at })
  if (stockArea !== undefined) work.set(stockArea, { symbol: 'A_old', label: 'The same on the car as it stands', dimension: 'area', at })
  else if (area !== undefined)
    work.ask('Piston areas of the car as it stands', {
      kind: 'slot',
      setupId: context.project.setups[0].id,
      axle: 'front',
      slot: 'caliper',
    })
  const old = stockBore(work, context)
  const value = area === undefined || stockArea === undefined || old === undefined ? undefined : sameFeelBoreMm(old, stockArea, area)
  if (value !== undefined) {
    const { units } = context.project.preferences
    const nearest = formatQuantity(nearestStockBoreMm(value), 'length', units, { decimals: 2 })
    work.notes.push(`Nearest stock bore ${nearest}.`)
    if (system && stockSystem && old !== undefined) {
      const perNewton = (one: BrakeSystem, boreMm: number) =>
        AXLES.reduce((sum, axle) => sum + axleForcePerMpa(one[axle], one.tyreRadiusMm[axle]), 0) / boreAreaMm2(boreMm)
      const change = perNewton(system, value) / perNewton(stockSystem, old) - 1
      work.notes.push(
        Math.abs(change) < 0.005
          ? 'With it the same push gives the same deceleration, below the knee of a valve.'
          : `With it the same push gives ${formatQuantity(Math.abs(change), 'share', units, { decimals: 0 })} ${change > 0 ? 'more' : 'less'} deceleration, below the knee of a valve: friction and radii change too.`,
      )
    }
  }
  return work.figure('master.sameFeel', 'Master bore for the same feel', 'length', 'same-feel', value)
}

/** The bore of the tandem cylinder that is on the car. */
function stockBore(work: Working, context: Context): number | undefined {
  const stock = context.project.setups[0]
  const part = context.project.parts.find((one) => one.id === stock.hydraulics.masterCylinder)
  if (part?.kind !== 'masterCylinder') {
    askHydraulicSlot(work, { ...context, setup: stock }, 'masterCylinder')
    return undefined
  }
  if (!part.construction) work.ask(`Construction of ${part.name}`, { kind: 'part', partId: part.id, field: 'construction' })
  if (part.construction === 'twin') work.notes.push('The car has twin cylinders, which are chosen as a pair; one bore does not say it.')
  return part.construction === 'tandem' ? readPart(work, part, 'boreMm', 'd_old') : undefined
}
