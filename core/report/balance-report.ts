import { adhesionUsed, lockOrder, type LockOrder, type Mass } from '../balance/adhesion.ts'
import type { BestDeceleration } from '../balance/constant-split.ts'
import { idealCurve, lockLines, type ForcePoint } from '../balance/ideal-curve.ts'
import { bestWithoutLock, criteria, type CriterionFound } from '../balance/limits.ts'
import { chain, type Chain } from '../hydraulics/chain.ts'
import { failures, type Failure } from '../hydraulics/failures.ts'
import { pedalForceForRoadForce } from '../hydraulics/effort.ts'
import type { Takers } from '../hydraulics/bores.ts'
import { axleFluidMm3, DEFAULT_FREE_STROKE_MM, HOSE_SWELL } from '../hydraulics/travel.ts'
import { axleForcePerMpa, boreAreaMm2, pressurePerNewton, type BrakeSystem } from '../hydraulics/system.ts'
import { AXLES, type Axle, type Project, type Setup } from '../model/project.ts'
import { findSetup, resolveSetup, stockSetup, type ResolvedSetup } from '../model/resolve.ts'
import { STANDARD_GRAVITY } from '../quantity/units.ts'
import { axleBrake, type AxleBrakeReport } from './brake.ts'
import { systemOf } from './brake-system.ts'
import type { Context } from './context.ts'
import { extrasOf, frictionOf, LOADS, massIn, SURFACES, systemIn, type LoadId, type Surface } from './grip.ts'
import { frontFirstToG } from './lock-finding.ts'
import { calibrate, takerOf, type Calibration } from './pedal-travel.ts'
import type { Missing } from './types.ts'
import { Working } from './working.ts'

/** Everything that figures of the hydraulics are made of, for one setup. */
export interface Hydraulics {
  context: Context
  brakes: Record<Axle, AxleBrakeReport>
  system: BrakeSystem | undefined
  takers: Takers | undefined
  calibration: Calibration
  mass: Mass | undefined
  missing: Missing[]
}

/**
 * The brake system of a setup, or of what it would be with other parts in it.
 * @throws RangeError when the project has no such setup
 */
export function hydraulicsOf(
  project: Project,
  setupId: string,
  change: (resolved: ResolvedSetup) => ResolvedSetup = (same) => same,
): Hydraulics {
  const setup = findSetup(project, setupId)
  if (!setup) throw new RangeError(`no setup ${setupId} in project ${project.id}`)
  const stock = stockSetup(project)
  const of = (one: Setup, resolved: ResolvedSetup): Context => ({ project, setup: one, isStock: one === stock, resolved })
  const context = of(setup, change(resolveSetup(project, setup)))
  const onTheCar = of(stock, resolveSetup(project, stock))
  const brakesOf = (one: Context) => ({ front: axleBrake(one, 'front'), rear: axleBrake(one, 'rear') })
  const brakes = brakesOf(context)
  const stockBrakes = setup === stock ? brakes : brakesOf(onTheCar)
  const work = new Working()
  const system = systemOf(work, context, brakes)
  const calibration = calibrate(onTheCar, stockBrakes, systemOf(new Working(), onTheCar, stockBrakes))
  const [front, rear] = AXLES.map((axle) => takerOf(new Working(), context, axle, brakes[axle], calibration.factor))
  return {
    context,
    brakes,
    system,
    takers: front && rear ? { front, rear } : undefined,
    calibration,
    mass: massIn(project, 'driver'),
    missing: work.missing,
  }
}

export interface BalanceCase {
  load: LoadId
  surface: Surface
  friction: number
  assumed: boolean
  /** Undefined: a figure of the load is missing. */
  order: LockOrder | undefined
  best: BestDeceleration | undefined
  pedalForceN: number | undefined
}

export interface BalanceOptions {
  /** The engine stays engaged; the criteria are for the engine disconnected. */
  engine?: boolean
  downforce?: boolean
}

/** One stage of the chain as the picture shows it. */
export interface StageTravel {
  pedalMm: number
  rodMm: number
  /** Stroke that each circuit takes of its cylinder. */
  masterMm: { front: number; rear: number }
  /** How far a piston moves at each caliper or wheel cylinder. */
  pistonMm: { front: number; rear: number }
}

export interface BalanceReport {
  missing: Missing[]
  cases: BalanceCase[]
  /** By load, engine disconnected. */
  criteria: { load: LoadId; found: CriterionFound[] | undefined }[]
  /** Up to where the front must lock first on the road, g. */
  frontFirstToG: number | undefined
  ideal: ForcePoint[]
  line: ForcePoint[]
  lockLines: { surface: Surface; friction: number; front: [ForcePoint, ForcePoint]; rear: [ForcePoint, ForcePoint] }[]
  effort: { decelG: number; forceN: number; bareN: number; travelMm: number | undefined }[]
  runoutForceN: number | undefined
  /** `tyres`: they give out before the brakes do. */
  failures: (Failure & { decelG: number; tyres: boolean })[]
  /** At 500 N, with the assist that works and without. */
  atLimit: { assist: number | undefined; bare: number | undefined }
  calibration: string
  /** Pedal force at the stated deceleration by what the booster still gives. */
  vacuum: { share: number; forceN: number }[]
  /** What the travel at the stated deceleration is made of, mm at the pedal. */
  travelParts: TravelParts | undefined
  /** The same travel with all hoses of one kind. */
  hoses: { kind: keyof typeof HOSE_SWELL; travelMm: number }[]
}

export interface TravelParts {
  clearanceMm: number
  complianceMm: number
  hosesMm: number
  freeMm: number
}

/** What of the assist is left: all, half (an engine with a long cam, a hard second stop), none. */
const VACUUM_SHARES = [1, 0.5, 0] as const

/** At this pedal force failures are stated, N (UN Regulation No. 13-H, Annex 3). */
export const FAILURE_FORCE_N = 500
/** Secondary braking asked for by UN Regulation No. 13-H, m/s2. */
export const SECONDARY_MS2 = 2.44
const CURVE_G = 1.2
const CURVE_STEPS = 48

/** Balance, effort and failures of one setup in all its cases. */
export function balanceReport(project: Project, setupId: string, options: BalanceOptions = {}): BalanceReport {
  const found = hydraulicsOf(project, setupId)
  const { system, mass, context, takers } = found
  const extras = extrasOf(project, { engine: options.engine ?? false, downforce: options.downforce ?? false })
  const loads = (Object.keys(LOADS) as LoadId[])
    .map((load) => ({ load, mass: massIn(project, load) }))
    .filter(({ load, mass: one }) => load !== 'own' || one)
  const cases = loads.flatMap(({ load, mass: one }) => {
    const loaded = system && systemIn(system, context.resolved, load)
    return SURFACES.map((surface): BalanceCase => {
      const friction = frictionOf(project, surface)
      const best = loaded && one && bestWithoutLock(loaded, one, friction.value, extras)
      return {
        load,
        surface,
        friction: friction.value,
        assumed: friction.assumed,
        order: loaded && one && lockOrder(loaded, one, extras),
        best,
        pedalForceN: loaded && one && best && adhesionUsed(loaded, one, best.decelG, extras)?.pedalForceN,
      }
    })
  })
  const weightN = mass && mass.massKg * STANDARD_GRAVITY
  const dry = frictionOf(project, 'dry').value
  return {
    missing: found.missing,
    cases,
    criteria: loads.map(({ load, mass: one }) => ({
      load,
      found: system && one && criteria(systemIn(system, context.resolved, load), one),
    })),
    frontFirstToG: system && mass && frontFirstToG(context, system, mass),
    ideal: mass ? idealCurve(mass, CURVE_G) : [],
    line: system && weightN ? forceLine(system, weightN) : [],
    lockLines: mass
      ? SURFACES.map((surface) => ({
          surface,
          friction: frictionOf(project, surface).value,
          ...lockLines(mass, frictionOf(project, surface).value),
        }))
      : [],
    effort: system && weightN ? effortCurve(system, takers, weightN, Math.max(CURVE_G, dry)) : [],
    runoutForceN: system && runoutAt(system),
    failures: system && mass ? failuresOf(found, system, mass) : [],
    atLimit: { assist: decelAt(system, weightN), bare: decelAt(system && { ...system, booster: undefined }, weightN) },
    calibration: found.calibration.note,
    ...statedStop(project, found),
  }
}

/** Effort by vacuum, the parts of the travel and the hoses compared, at the deceleration that is stated. */
function statedStop(project: Project, { system, takers, mass }: Hydraulics): Pick<BalanceReport, 'vacuum' | 'travelParts' | 'hoses'> {
  const nothing = { vacuum: [], travelParts: undefined, hoses: [] }
  if (!system || !mass) return nothing
  const roadForceN = mass.massKg * STANDARD_GRAVITY * project.preferences.referenceDecelG
  const { booster } = system
  const vacuum = booster
    ? VACUUM_SHARES.flatMap((share) => {
        const left = share === 0 ? undefined : { ...booster, assistN: booster.assistN === undefined ? undefined : booster.assistN * share }
        const forceN = pedalForceForRoadForce({ ...system, booster: left }, roadForceN)
        return forceN === undefined ? [] : [{ share, forceN }]
      })
    : []
  const pedalForceN = pedalForceForRoadForce(system, roadForceN)
  if (!takers || pedalForceN === undefined) return { ...nothing, vacuum }
  const stage = chain(system, pedalForceN)
  const travel = (change: (taker: Takers['front']) => Takers['front']) =>
    stageTravel(system, { front: change(takers.front), rear: change(takers.rear) }, stage).pedalMm
  const free = DEFAULT_FREE_STROKE_MM * system.pedalRatio
  const only = (keep: Partial<Takers['front']>) =>
    travel((taker) => ({ ...taker, clearanceMm: 0, complianceMm3PerMpa: 0, hoseSwellMm3PerMmMpa: 0, ...pickOf(taker, keep) })) - free
  return {
    vacuum,
    travelParts: {
      clearanceMm: only({ clearanceMm: 1 }),
      complianceMm: only({ complianceMm3PerMpa: 1 }),
      hosesMm: only({ hoseSwellMm3PerMmMpa: 1 }),
      freeMm: free,
    },
    hoses: (['rubber', 'braided'] as const).map((kind) => ({
      kind,
      travelMm: travel((taker) => ({ ...taker, hoseSwellMm3PerMmMpa: HOSE_SWELL[kind] })),
    })),
  }
}

const pickOf = (taker: Takers['front'], keep: Partial<Takers['front']>): Partial<Takers['front']> =>
  Object.fromEntries(Object.keys(keep).map((key) => [key, taker[key as keyof Takers['front']]]))

const decelAt = (system: BrakeSystem | undefined, weightN: number | undefined): number | undefined => {
  if (!system || !weightN) return undefined
  const stage = chain(system, FAILURE_FORCE_N)
  return (stage.front.forceN + stage.rear.forceN) / weightN
}

/** Front and rear force over the weight as the pedal goes down. */
function forceLine(system: BrakeSystem, weightN: number): ForcePoint[] {
  const points: ForcePoint[] = [[0, 0]]
  for (let i = 1; i <= CURVE_STEPS; i += 1) {
    const pedalForceN = pedalForceForRoadForce(system, (weightN * CURVE_G * i) / CURVE_STEPS)
    if (pedalForceN === undefined) break
    const stage = chain(system, pedalForceN)
    points.push([stage.front.forceN / weightN, stage.rear.forceN / weightN])
  }
  return points
}

function effortCurve(system: BrakeSystem, takers: Takers | undefined, weightN: number, toG: number): BalanceReport['effort'] {
  const bare: BrakeSystem = { ...system, booster: undefined }
  return Array.from({ length: CURVE_STEPS }, (_, i) => (toG * (i + 1)) / CURVE_STEPS).flatMap((decelG) => {
    const forceN = pedalForceForRoadForce(system, weightN * decelG)
    const bareN = pedalForceForRoadForce(bare, weightN * decelG)
    if (forceN === undefined || bareN === undefined) return []
    return [{ decelG, forceN, bareN, travelMm: takers && stageTravel(system, takers, chain(system, forceN)).pedalMm }]
  })
}

/** Pedal force at which the booster has given all it has, N. */
function runoutAt({ booster, pedalRatio, pedalEfficiency }: BrakeSystem): number | undefined {
  if (booster?.assistN === undefined || booster.ratio <= 1) return undefined
  return booster.assistN / (booster.ratio - 1) / (pedalRatio * pedalEfficiency)
}

/** How far each stage moves at a pedal force: fluid taken over area, from the pistons back to the foot. */
export function stageTravel(system: BrakeSystem, takers: Takers, stage: Pick<Chain, 'front' | 'rear'>): StageTravel {
  const { master } = system
  const fluid = { front: axleFluidMm3(takers.front, stage.front.pressureMpa), rear: axleFluidMm3(takers.rear, stage.rear.pressureMpa) }
  const bore = {
    front: master.kind === 'tandem' ? master.boreMm : master.frontBoreMm,
    rear: master.kind === 'tandem' ? master.boreMm : master.rearBoreMm,
  }
  const masterMm = { front: fluid.front / boreAreaMm2(bore.front), rear: fluid.rear / boreAreaMm2(bore.rear) }
  const rodMm =
    (master.kind === 'tandem'
      ? masterMm.front + masterMm.rear
      : master.frontShare * masterMm.front + (1 - master.frontShare) * masterMm.rear) + DEFAULT_FREE_STROKE_MM
  const piston = (axle: Axle) => fluid[axle] / 2 / (takers[axle].pistonAreaMm2 * 2)
  return { pedalMm: rodMm * system.pedalRatio, rodMm, masterMm, pistonMm: { front: piston('front'), rear: piston('rear') } }
}

function failuresOf({ context, takers }: Hydraulics, system: BrakeSystem, mass: Mass): BalanceReport['failures'] {
  const { masterCylinder } = context.resolved
  const chamber = (field: 'frontStrokeMm' | 'rearStrokeMm') => (masterCylinder ? masterCylinder[field]?.value : undefined)
  const circuits = context.project.car.circuits === 'diagonal' && system.master.kind === 'tandem' ? 'diagonal' : 'frontRear'
  const weightN = mass.massKg * STANDARD_GRAVITY
  const dry = frictionOf(context.project, 'dry').value
  const chi = mass.cgHeightMm / mass.wheelbaseMm
  // one axle alone: it locks where its force is the friction times its own load
  const tyreG = {
    front: (dry * mass.staticFront) / (1 - dry * chi),
    rear: (dry * (1 - mass.staticFront)) / (1 + dry * chi),
    both: bestWithoutLock(system, mass, dry)?.decelG ?? dry,
  }
  const chambers = { front: chamber('frontStrokeMm'), rear: chamber('rearStrokeMm') }
  return failures(system, takers, FAILURE_FORCE_N, circuits, chambers, DEFAULT_FREE_STROKE_MM).map((one) => {
    const brakesG = one.roadForceN / weightN
    const mostG = one.lost.startsWith('front')
      ? tyreG.rear
      : one.lost.startsWith('rear')
        ? tyreG.front
        : one.lost === 'diagonal'
          ? tyreG.both / 2
          : tyreG.both
    return { ...one, decelG: Math.min(brakesG, mostG), tyres: brakesG > mostG }
  })
}

/** The valve's knee on the line of forces, and the line that it would give elsewhere. */
export interface KneeOnLine {
  kneeMpa: number
  point: ForcePoint
  line: ForcePoint[]
}

/** The line of forces with the knee at a pressure, for a hand that drags it; undefined without a valve or with figures missing. */
export function kneeOnLine({ system, mass }: Hydraulics, kneeMpa: number): KneeOnLine | undefined {
  if (!system?.valve || !mass) return undefined
  const weightN = mass.massKg * STANDARD_GRAVITY
  const moved: BrakeSystem = { ...system, valve: { ...system.valve, kneeMpa } }
  const per = pressurePerNewton(system.master)
  const force = (axle: Axle, mpa: number) =>
    (Math.max(mpa - system[axle].sealMpa, 0) * axleForcePerMpa(system[axle], system.tyreRadiusMm[axle])) / weightN
  return { kneeMpa, point: [force('front', (kneeMpa * per.front) / per.rear), force('rear', kneeMpa)], line: forceLine(moved, weightN) }
}

/** The knee pressure that puts the knee at a rear force over the weight, MPa, within what a valve can be set to. */
export function kneeAtRear({ system, mass }: Hydraulics, rearOverWeight: number): number | undefined {
  if (!system || !mass) return undefined
  const perMpa = axleForcePerMpa(system.rear, system.tyreRadiusMm.rear)
  const mpa = (rearOverWeight * mass.massKg * STANDARD_GRAVITY) / perMpa + system.rear.sealMpa
  return Math.min(20, Math.max(0.1, mpa))
}

export interface ChainPicture {
  chain: Chain
  travel: StageTravel | undefined
  /** Rear pressure as it leaves the cylinder, before the valve. */
  rearBeforeValveMpa: number
  /** Force after the booster over rod force; undefined without a booster or a force. */
  boostRatio: number | undefined
  /** What the brakes would give if the tyres held, g. */
  decelG: number | undefined
}

/** The chain of a setup at one pedal force with what moves at each stage; undefined while figures are missing. */
export function chainPicture({ system, takers, mass }: Hydraulics, pedalForceN: number): ChainPicture | undefined {
  if (!system) return undefined
  const stage = chain(system, pedalForceN)
  return {
    chain: stage,
    travel: takers && stageTravel(system, takers, stage),
    rearBeforeValveMpa: stage.boostedForceN * pressurePerNewton(system.master).rear,
    boostRatio: system.booster && stage.rodForceN > 0 ? stage.boostedForceN / stage.rodForceN : undefined,
    decelG: mass && (stage.front.forceN + stage.rear.forceN) / (mass.massKg * STANDARD_GRAVITY),
  }
}
