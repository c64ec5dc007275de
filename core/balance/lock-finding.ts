import { inCompetitionOnly } from '../records/uses.ts'
import type { Mass } from '../hydraulics/maths/mass.ts'
import { bestWithoutLock } from './maths/limits.ts'
import { frontFirstUntil, lockOrder, ORDER_FROM_G, rearFirstFrom, type LockOrder } from './maths/lock-order.ts'
import { LIMITS } from '../records/limits.ts'
import { withMoreFriction, type BrakeSystem } from '../hydraulics/maths/system.ts'
import { formatQuantity } from '../quantity/format.ts'
import { SURFACES, type LockUpObservation } from '../records/logbook.ts'
import type { Project } from '../records/project.ts'
import type { Context } from '../figures/read.ts'
import { frictionOf, LOADS, loadCase, type LoadId } from './grip.ts'
import type { FigureCheck } from '../figures/check-result.ts'
import type { Verdict } from '../figures/verdict.ts'
import type { Missing, ReportFigure } from '../figures/figure.ts'

/** On the road the front must lock first up to here, g (UN Regulation No. 13-H, Annex 5). */
export const FRONT_FIRST_TO_G = 0.8
/** So much more rear friction must not turn the order: pads differ by that from set to set. */
const MORE_REAR_FRICTION = 1.1
/** A system whose rear linings bite so much more. */
export const bitingRear = (system: BrakeSystem): BrakeSystem => ({ ...system, rear: withMoreFriction(system.rear, MORE_REAR_FRICTION) })
/** The order is exact to more than anybody reads, g. */
const SAME_G = 1e-6

/** Up to where the front must lock first: 0.80 g, or the best the dry tyre gives if that is more. */
export function frontFirstToG(context: Context, system: BrakeSystem, mass: Mass): number {
  const best = bestWithoutLock(system, mass, frictionOf(context.project, 'dry').value)
  return Math.max(FRONT_FIRST_TO_G, best?.decelG ?? 0)
}

/** Up to where the front locks first in every load that is known, driver only and laden, g; Infinity: always. */
export const frontFirstUntilIn = (context: Context, system: BrakeSystem): number =>
  Math.min(
    ...(['driver', 'laden'] as const).map((load) => {
      const found = loadCase(context, system, load)
      return found.system && found.mass ? rearFirstFrom(found.system, found.mass) : Infinity
    }),
  )

const show = (decelG: number) => formatQuantity(decelG, 'deceleration')

/** "Rear locks first from 0.28 to 0.61 g and above 1.10 g." in words, without the full stop. */
export function rearFirstWords({ kind, rearFirst, upToG }: LockOrder): string {
  if (kind === 'frontAlways') return `Front locks first at every deceleration, up to ${show(upToG)}`
  if (kind === 'rearAlways') return 'Rear locks first at every deceleration'
  const spans = rearFirst.map(({ fromG, toG }) =>
    toG >= upToG - SAME_G
      ? `above ${show(fromG)}`
      : fromG <= ORDER_FROM_G
        ? `below ${show(toG)}`
        : `from ${formatQuantity(fromG, 'deceleration', undefined, { bare: true })} to ${show(toG)}`,
  )
  return `Rear locks first ${spans.join(' and ')}`
}

/** What electronic rear distribution makes of the order, where it is kept: the control unit holds the rear back. */
function keptDistribution({ project }: Context, againstStock: ReportFigure): Pick<FigureCheck, 'verdict' | 'sentence' | 'missing'> {
  if (againstStock.value === undefined)
    return {
      verdict: 'unknown',
      missing: againstStock.missing,
      sentence: 'Not enough data: EBD is present, but the change of brake balance is unknown.',
    }
  return -againstStock.value > (project.preferences.limits?.absPoints ?? LIMITS.absPoints.value)
    ? {
        verdict: 'check',
        missing: [],
        sentence: 'EBD is present, but the balance moves to the rear by more than its limit. Have a qualified technician confirm it.',
      }
    : {
        verdict: 'fits',
        missing: [],
        sentence: 'EBD is present and limits the rear; the balance is close to the baseline.',
      }
}

/**
 * What the order of one case is worth. Rear-first below the limit blocks on the road, and is to be checked in competition;
 * so is the own case, and one with engine drag or downforce in it: the criterion knows the driver alone and laden, engine
 * disconnected. With electronic distribution kept the order is the control unit's, and the verdict that of the base split.
 */
export function caseVerdict(
  context: Context,
  order: LockOrder | undefined,
  limitG: number,
  ofCriterion: boolean,
  againstStock: ReportFigure,
): Verdict {
  if (context.project.car.abs === 'absAndDistribution') return keptDistribution(context, againstStock).verdict
  if (!order) return 'unknown'
  if (frontFirstUntil(order) >= limitG - SAME_G) return 'fits'
  return !inCompetitionOnly(context.project.car.uses) && ofCriterion ? 'blocked' : 'check'
}

/**
 * How far the front locks first beyond what the criterion asks for, in the worse of driver only and laden as far as they
 * are known, g; negative where the rear does before.
 * @param order with the driver only
 */
export function orderMarginG(context: Context, system: BrakeSystem, mass: Mass, order: LockOrder): number {
  const limitG = frontFirstToG(context, system, mass)
  const found = loadCase(context, system, 'laden')
  const laden = found.system && found.mass && lockOrder(found.system, found.mass)
  return Math.min(frontFirstUntil(order), laden ? frontFirstUntil(laden) : Infinity) - limitG
}

/** Cases that the criterion looks at, the road's and the person's own. */
const LOOKED_AT = ['driver', 'laden', 'own'] as const satisfies LoadId[]

/** A rear axle that was seen to lock first where the model has the front first: the lowest such deceleration. */
interface SeenAgainstModel {
  sighting: LockUpObservation
  /** How far the model has the front first in that load, g; undefined: it does not know. */
  modelToG: number | undefined
}

/**
 * A rear wheel that was seen to lock first, which the model of the same load does not explain. An observation on the car
 * outranks the model.
 */
export function rearSeenFirst(context: Context, system: BrakeSystem | undefined): SeenAgainstModel | undefined {
  const { project, setup } = context
  const found = project.lockSightings.flatMap((sighting): SeenAgainstModel[] => {
    if (sighting.setupId !== setup.id || sighting.axle !== 'rear' || supersededBy(project, sighting)) return []
    const at = system && loadCase(context, system, sighting.load)
    const order = at?.system && at.mass && lockOrder(at.system, at.mass)
    if (!order) return [{ sighting, modelToG: undefined }]
    return hasRearFirst(order, sighting.atG) ? [] : [{ sighting, modelToG: frontFirstUntil(order) }]
  })
  return found.reduce<SeenAgainstModel | undefined>((a, b) => (a && a.sighting.atG <= b.sighting.atG ? a : b), undefined)
}
/**
 * A later lock-up observation of the same setup and load in which the front locked first at as much deceleration or more:
 * something was changed in between, and the car itself has shown it.
 */
export function supersededBy({ lockSightings }: Pick<Project, 'lockSightings'>, one: LockUpObservation): LockUpObservation | undefined {
  const at = lockSightings.indexOf(one)
  return lockSightings.find(
    (later, i) =>
      later.setupId === one.setupId &&
      later.load === one.load &&
      later.axle === 'front' &&
      later.atG >= one.atG &&
      (later.date > one.date || (later.date === one.date && i > at)),
  )
}
/** Nobody reads the deceleration of a lock-up to better than that, g. */
export const SEEN_WITHIN_G = 0.06
/** Whether an order has the rear first at a deceleration, as well as that can be read. */
export const hasRearFirst = ({ rearFirst }: LockOrder, atG: number): boolean =>
  rearFirst.some(({ fromG, toG }) => atG >= fromG - SEEN_WITHIN_G && atG <= toG + SEEN_WITHIN_G)

function seenWords({ sighting, modelToG }: SeenAgainstModel): string {
  const { atG, surface, date } = sighting
  const model =
    modelToG === undefined
      ? 'the lock-up order cannot be computed'
      : Number.isFinite(modelToG)
        ? `the model has the front first up to ${show(modelToG)}`
        : 'the model has the front always first'
  return `Do not drive: the rear locked first at ${show(atG)} on ${SURFACES[surface]} (${date}); ${model}. Reduce rear braking, then find what differs.`
}

/**
 * Which axle locks first: driver only and laden, up to 0.80 g or what the dry tyre gives. Rear-first on the road blocks;
 * an order that more rear friction would turn is to be checked. With electronic rear distribution kept the control unit
 * sees to the order, and the bias against stock is what counts.
 */
export function lockFinding(
  context: Context,
  system: BrakeSystem | undefined,
  mass: Mass | undefined,
  order: LockOrder | undefined,
  missing: readonly Missing[],
  againstStock: ReportFigure,
): FigureCheck {
  const base = { rule: 'lock-order', figureId: 'balance.critical', missing } as const
  const seen = rearSeenFirst(context, system)
  if (seen) return { ...base, verdict: 'blocked', sentence: seenWords(seen) }
  if (!order || !system || !mass) return { verdict: 'unknown', sentence: 'Not enough data for the lock-up order.', ...base }
  const { project } = context
  if (project.car.abs === 'absAndDistribution') return { ...base, ...keptDistribution(context, againstStock) }
  const road = !inCompetitionOnly(project.car.uses)
  const limitG = frontFirstToG(context, system, mass)
  const cases = LOOKED_AT.map((load) => {
    const found = loadCase(context, system, load)
    const own = load === 'driver' ? order : found.system && found.mass && lockOrder(found.system, found.mass)
    return { load, ...found, order: own, untilG: own ? frontFirstUntil(own) : Infinity }
  })
  const when = (load: LoadId) => (load === 'driver' ? '' : `, ${LOADS[load]}`)
  const known = cases.filter((one) => one.order)
  const worst = known.filter((one) => one.load !== 'own').reduce((a, b) => (b.untilG < a.untilG ? b : a))
  const must = `${road ? 'on the road ' : ''}the front must lock first up to ${show(limitG)}. The car can spin under braking.`
  if (worst.untilG < limitG - SAME_G)
    return {
      verdict: caseVerdict(context, worst.order, limitG, true, againstStock),
      sentence:
        worst.order!.kind === 'rearAlways'
          ? `Rear locks first at every deceleration${when(worst.load)}. The car can spin under braking.`
          : `${rearFirstWords(worst.order!)}${when(worst.load)}; ${must}`,
      ...base,
    }
  const laden = cases.find((one) => one.load === 'laden')!
  if (!laden.order && road)
    return {
      ...base,
      verdict: 'unknown',
      missing: laden.missing,
      sentence: `${frontWords(order)} with the driver only; unknown when laden.`,
    }
  const own = known.find((one) => one.load === 'own')
  if (own && own.untilG < limitG - SAME_G)
    return {
      verdict: caseVerdict(context, own.order, limitG, false, againstStock),
      sentence: `${frontWords(order)}; in your own case: ${lowerFirst(rearFirstWords(own.order!))}. The car can spin under braking then.`,
      ...base,
    }
  const { rear } = system
  const linings = rear.kind === 'disc' ? 'pads' : 'shoes'
  const turned = known.flatMap((one) => {
    const grippier = one.load === 'own' ? undefined : lockOrder(bitingRear(one.system!), one.mass!)
    return grippier && frontFirstUntil(grippier) < limitG ? [{ load: one.load, untilG: frontFirstUntil(grippier) }] : []
  })
  const first = turned.reduce<(typeof turned)[number] | undefined>((a, b) => (a && a.untilG <= b.untilG ? a : b), undefined)
  if (first)
    return {
      verdict: 'check',
      sentence: `${frontWords(order)}. Rear ${linings} with 10% more friction would make the rear lock first at ${show(first.untilG)}${when(first.load)}. Use ${linings} of this friction and test on closed ground.`,
      ...base,
    }
  return { verdict: 'fits', sentence: `${frontWords(order)}.`, ...base }
}

/** "Front locks first up to 0.96 g, the rear above", for an order that is right at the lowest decelerations. */
const frontWords = (order: LockOrder): string =>
  order.kind === 'frontAlways' ? rearFirstWords(order) : `Front locks first up to ${show(frontFirstUntil(order))}, the rear above`

const lowerFirst = (text: string): string => text[0]!.toLowerCase() + text.slice(1)

/** Which axle locks first, in a few words. */
export function orderWords(order: LockOrder): string {
  const g = (value: number) => formatQuantity(value, 'deceleration')
  switch (order.kind) {
    case 'rearAbove':
      return `front first to ${g(order.rearFirst[0]!.fromG)}`
    case 'rearBelow':
      return `rear first below ${g(order.rearFirst[0]!.toG)}`
    case 'rearAlways':
      return 'rear always first'
    case 'frontAlways':
      return 'front always first'
  }
}

/** Which axle of a setup locks first; what was seen on the car outranks the model. */
export function lockWords(of: { rearSeenFirstAtG?: number | undefined; lockOrder: LockOrder | undefined }): string {
  if (of.rearSeenFirstAtG !== undefined) return `rear locked first at ${formatQuantity(of.rearSeenFirstAtG, 'deceleration')}`
  return of.lockOrder ? orderWords(of.lockOrder) : 'lock-up order unknown'
}
