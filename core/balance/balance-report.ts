import { adhesionUsed } from './maths/adhesion.ts'
import type { Mass } from '../hydraulics/maths/mass.ts'
import type { BestDeceleration } from './maths/constant-split.ts'
import { idealCurve, lockLines, type ForcePoint } from './maths/ideal-curve.ts'
import { axleAlone, bestOnDiagonal, bestWithoutLock, criteria, type CriterionFound } from './maths/limits.ts'
import { lockOrder, type LockOrder } from './maths/lock-order.ts'
import type { Takers } from '../hydraulics/maths/bores.ts'
import { chain } from '../hydraulics/maths/chain.ts'
import { type Lost, failures, type Circuits, type Failure } from '../hydraulics/maths/failures.ts'
import { pedalForceOf, pedalForceForRoadForce } from '../hydraulics/maths/pedal-force.ts'
import { assistUnknown, type BrakeSystem } from '../hydraulics/maths/system.ts'
import { DEFAULT_FREE_STROKE_MM, HOSE_SWELL } from '../hydraulics/maths/travel.ts'
import type { Project } from '../records/project.ts'
import { STANDARD_GRAVITY } from '../quantity/units.ts'
import { CURVE_G, CURVE_STEPS, forceLine, stageTravel } from '../hydraulics/chain-picture.ts'
import { antiLock } from './anti-lock.ts'
import { extrasOf, frictionOf, loadCase, LOADS, SURFACES, type LoadCase, type LoadId, type Surface } from './grip.ts'
import { hydraulicsOf, type Hydraulics } from '../hydraulics/hydraulics-of.ts'
import { formatQuantity } from '../quantity/format.ts'
import { caseVerdict, FRONT_FIRST_TO_G, frontFirstToG, orderWords } from './lock-finding.ts'
import type { Verdict } from '../figures/verdict.ts'
import type { Missing, ReportFigure } from '../figures/figure.ts'

export { CRITERIA } from './maths/limits.ts'

interface BalanceCase {
  load: LoadId
  surface: Surface
  friction: number
  assumed: boolean
  /** Undefined: a figure of the load is missing. */
  order: LockOrder | undefined
  /** The order in a few words, and what it is worth: by the same rule as the finding of the whole setup. */
  words: string
  verdict: Verdict
  best: BestDeceleration | undefined
  pedalForceN: number | undefined
  /** The assist is not known: the pedal may need more. */
  atLeast: boolean
}

export interface BalanceOptions {
  /** The engine stays engaged; the criteria are for the engine disconnected. */
  engine?: boolean
  downforce?: boolean
}

export interface BalanceReport {
  missing: Missing[]
  /** How much the booster gives at most, where that is not known. */
  unknownAssist: Missing | undefined
  cases: BalanceCase[]
  /** By load, engine disconnected. */
  criteria: { load: LoadId; found: CriterionFound[] | undefined }[]
  /** Up to where the front must lock first on the road, g. */
  frontFirstToG: number | undefined
  /** Why that is another figure than the regulation's; undefined where it is the same. */
  limitWhy: string | undefined
  ideal: ForcePoint[]
  line: ForcePoint[]
  lockLines: { surface: Surface; friction: number; front: [ForcePoint, ForcePoint] | undefined; rear: [ForcePoint, ForcePoint] }[]
  effort: { decelG: number; forceN: number; bareN: number; travelMm: number | undefined }[]
  runoutForceN: number | undefined
  failures: FailureRow[]
  /** What the brakes give at 500 N without assist, g. */
  bareAtLimitG: number | undefined
  calibration: string
  /** What an everyday stop and the stated one ask of the foot. */
  stops: PedalStop[]
  /** Pedal force at the stated deceleration by what the booster still gives. */
  vacuum: { share: number; forceN: number; atLeast: boolean }[]
  /** What the travel at the stated deceleration is made of, mm at the pedal. */
  travelParts: TravelParts | undefined
  /** The same travel with all hoses of one kind. */
  hoses: { kind: keyof typeof HOSE_SWELL; travelMm: number }[]
}

interface FailureRow extends Failure {
  decelG: number
  /** What keeps it from more: the tyres, the rear wheels that lift, or the brakes themselves. */
  limit: 'tyres' | 'lift' | 'brakes'
  /** Less than the secondary braking that UN Regulation No. 13-H asks for, or not surely as much. */
  tooLittle: boolean
  /** Of the pedal before the floor, mm, below zero on it; undefined: not known. */
  leftMm: number | undefined
}

const CIRCUIT_LOSSES: readonly Lost[] = ['front', 'rear', 'diagonal', 'single']
/**
 * Of failures of one circuit while the assist works the one that leaves least; undefined where none is known.
 *
 * @example
 * worstCircuitLoss([]) // => undefined
 */
export function worstCircuitLoss<F extends Pick<FailureRow, 'lost' | 'decelG'>>(failures: readonly F[]): F | undefined {
  return failures.filter((one) => CIRCUIT_LOSSES.includes(one.lost)).sort((a, b) => a.decelG - b.decelG)[0]
}

interface PedalStop {
  decelG: number
  /** With the assist that works, and without. */
  forceN: number
  bareN: number
  /** The assist at runout is not known: the pedal may need more. */
  atLeast: boolean
  travelMm: number | undefined
  /** The dry tyres' best with the driver only, where that is less: they give out first. */
  tyresG: number | undefined
}
export const LOST_WORDS: Readonly<Record<Lost, string>> = {
  front: 'Front circuit lost',
  rear: 'Rear circuit lost',
  diagonal: 'One diagonal circuit lost',
  single: 'The one circuit lost',
  assist: 'Assist failed',
  frontAndAssist: 'Front circuit and assist lost',
  rearAndAssist: 'Rear circuit and assist lost',
}
/** A stop in traffic, g. */
export const EVERYDAY_G = 0.3

interface TravelParts {
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
/** Balance, effort and failures of one setup in all its cases. */
export function balanceReport(project: Project, setupId: string, options: BalanceOptions = {}): BalanceReport {
  const found = hydraulicsOf(project, setupId)
  const { system, mass, context, takers } = found
  const extras = extrasOf(project, { engine: options.engine ?? false, downforce: options.downforce ?? false })
  const loaded = (load: LoadId): LoadCase => (system ? loadCase(context, system, load) : { system, mass, missing: [] })
  const loads = (Object.keys(LOADS) as LoadId[])
    .map((load) => ({ load, ...loaded(load) }))
    .filter(({ load, mass: one }) => load !== 'own' || one)
  const limitG = system && mass && frontFirstToG(context, system, mass)
  const againstStock = splitAgainstStock(project, found)
  const plain = !options.engine && !options.downforce
  const cases = loads.flatMap(({ load, system: loaded, mass: one }) => {
    const order = loaded && one && lockOrder(loaded, one, extras)
    const verdict = caseVerdict(context, order, limitG ?? Infinity, plain && load !== 'own', againstStock)
    return SURFACES.map((surface): BalanceCase => {
      const friction = frictionOf(project, surface)
      const best = loaded && one && bestWithoutLock(loaded, one, friction.value, extras)
      return {
        load,
        surface,
        friction: friction.value,
        assumed: friction.assumed,
        order,
        words: order ? orderWords(order) : 'not known',
        verdict,
        best,
        pedalForceN: loaded && one && best && adhesionUsed(loaded, one, best.decelG, extras)?.pedalForceN,
        atLeast: system !== undefined && assistUnknown(system),
      }
    })
  })
  const weightN = mass && mass.massKg * STANDARD_GRAVITY
  const dry = frictionOf(project, 'dry').value
  return {
    missing: found.missing,
    unknownAssist: found.unknownAssist,
    cases,
    criteria: loads.map(({ load, system: loaded, mass: one }) => ({ load, found: loaded && one && criteria(loaded, one) })),
    frontFirstToG: limitG,
    limitWhy: limitWhy(limitG),
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
    bareAtLimitG: decelAt(system && { ...system, booster: undefined }, weightN),
    calibration: found.calibration.note,
    stops: system && mass ? stopsOf(system, takers, mass, dry, project.preferences.referenceDecelG) : [],
    ...statedStop(project, found),
  }
}

/** The criterion looks to 0.80 g; where dry tyres reach more, a hard stop does too. */
function limitWhy(limitG: number | undefined): string | undefined {
  if (limitG === undefined || limitG <= FRONT_FIRST_TO_G) return undefined
  const g = (value: number) => formatQuantity(value, 'deceleration')
  return `They cover up to ${g(FRONT_FIRST_TO_G)}. This page requires front lock-up first up to ${g(limitG)}, the dry tyre grip with the driver only.`
}

function stopsOf(system: BrakeSystem, takers: Takers | undefined, mass: Mass, dry: number, statedG: number): PedalStop[] {
  const best = bestWithoutLock(system, mass, dry)?.decelG
  const [effort, bareEffort] = [pedalForceOf(system), pedalForceOf({ ...system, booster: undefined })]
  return [...new Set([EVERYDAY_G, statedG])].flatMap((decelG) => {
    const roadForceN = mass.massKg * STANDARD_GRAVITY * decelG
    const [forceN, bareN] = [effort(roadForceN), bareEffort(roadForceN)]
    if (forceN === undefined || bareN === undefined) return []
    return [
      {
        decelG,
        forceN,
        bareN,
        atLeast: assistUnknown(system),
        travelMm: takers && stageTravel(system, takers, chain(system, forceN)).pedalMm,
        tyresG: best !== undefined && best < decelG ? best : undefined,
      },
    ]
  })
}

/** Effort by vacuum, the parts of the travel and the hoses compared, at the deceleration that is stated. */
function statedStop(project: Project, { system, takers, mass }: Hydraulics): Pick<BalanceReport, 'vacuum' | 'travelParts' | 'hoses'> {
  const nothing = { vacuum: [], travelParts: undefined, hoses: [] }
  if (!system || !mass) return nothing
  const roadForceN = mass.massKg * STANDARD_GRAVITY * project.preferences.referenceDecelG
  const { booster } = system
  const vacuum = booster
    ? VACUUM_SHARES.filter((share) => booster.assistN !== undefined || share !== 0.5).flatMap((share) => {
        const left = share === 0 ? undefined : { ...booster, assistN: booster.assistN === undefined ? undefined : booster.assistN * share }
        const forceN = pedalForceForRoadForce({ ...system, booster: left }, roadForceN)
        return forceN === undefined ? [] : [{ share, forceN, atLeast: assistUnknown({ booster: left }) }]
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

function effortCurve(system: BrakeSystem, takers: Takers | undefined, weightN: number, toG: number): BalanceReport['effort'] {
  const [effort, bareEffort] = [pedalForceOf(system), pedalForceOf({ ...system, booster: undefined })]
  return Array.from({ length: CURVE_STEPS }, (_, i) => (toG * (i + 1)) / CURVE_STEPS).flatMap((decelG) => {
    const [forceN, bareN] = [effort(weightN * decelG), bareEffort(weightN * decelG)]
    if (forceN === undefined || bareN === undefined) return []
    return [{ decelG, forceN, bareN, travelMm: takers && stageTravel(system, takers, chain(system, forceN)).pedalMm }]
  })
}

/** Pedal force at which the booster has given all it has, N. */
function runoutAt({ booster, pedalRatio, pedalEfficiency }: BrakeSystem): number | undefined {
  if (booster?.assistN === undefined || booster.ratio <= 1) return undefined
  return booster.assistN / (booster.ratio - 1) / (pedalRatio * pedalEfficiency)
}

function failuresOf({ context, takers }: Hydraulics, system: BrakeSystem, mass: Mass): FailureRow[] {
  const { masterCylinder } = context.resolved
  const chamber = (field: 'frontStrokeMm' | 'rearStrokeMm') => (masterCylinder ? masterCylinder[field]?.value : undefined)
  const circuits: Circuits = system.master.kind === 'twin' ? 'frontRear' : (context.project.car.circuits ?? 'frontRear')
  const weightN = mass.massKg * STANDARD_GRAVITY
  const dry = frictionOf(context.project, 'dry').value
  const whole = { decelG: bestWithoutLock(system, mass, dry)?.decelG ?? dry, lifts: false }
  const mostOf = ({ lost }: Failure) =>
    lost.startsWith('front')
      ? axleAlone('rear', mass, dry)
      : lost.startsWith('rear')
        ? axleAlone('front', mass, dry)
        : lost === 'diagonal'
          ? { decelG: bestOnDiagonal(system, mass, dry)?.decelG ?? whole.decelG / 2, lifts: false }
          : whole
  const floorMm = context.project.car.pedalTravelMm?.value
  const chambers = { front: chamber('frontStrokeMm'), rear: chamber('rearStrokeMm') }
  return failures(system, takers, FAILURE_FORCE_N, circuits, chambers, DEFAULT_FREE_STROKE_MM).map((one) => {
    const brakesG = one.roadForceN / weightN
    const most = mostOf(one)
    const decelG = Math.min(brakesG, most.decelG)
    return {
      decelG,
      limit: brakesG <= most.decelG ? 'brakes' : most.lifts ? 'lift' : 'tyres',
      tooLittle: decelG * STANDARD_GRAVITY < SECONDARY_MS2,
      leftMm: floorMm === undefined || one.pedalTravelMm === undefined ? undefined : floorMm - one.pedalTravelMm,
      ...one,
    }
  })
}

/** The bias against stock, which is what counts where electronic distribution is kept. */
function splitAgainstStock(project: Project, { context, system, mass }: Hydraulics): ReportFigure {
  const forceN = system && mass && pedalForceForRoadForce(system, mass.massKg * STANDARD_GRAVITY * project.preferences.referenceDecelG)
  const stage = system && forceN !== undefined ? chain(system, forceN) : undefined
  return antiLock(context, stage, forceN, context.isStock ? system : hydraulicsOf(project, project.setups[0].id).system).figure
}
