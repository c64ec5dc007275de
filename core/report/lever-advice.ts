import { lockOrder, type Mass } from '../balance/adhesion.ts'
import { levers, lockTurnsAt, roadShareAt, withLever, type Aim, type LeverFound, type LeverId } from '../balance/levers.ts'
import type { BrakeSystem } from '../hydraulics/system.ts'
import { putPart } from '../fit/accept.ts'
import { AXLES, type Axle, type AxleSlot, type Part, type Project, type Setup, type SlotPlace } from '../model/project.ts'
import { formatQuantity } from '../quantity/format.ts'
import { STANDARD_GRAVITY, type Dimension } from '../quantity/units.ts'
import { hydraulicsOf } from './hydraulics-of.ts'
import { allCandidates } from './candidates.ts'
import { frictionOf, massIn } from './grip.ts'
import { FRONT_FIRST_TO_G, frontFirstToG, frontFirstUntil } from './lock-finding.ts'
import type { FindingVerdict } from './types.ts'

/** What a lever's value means in the workshop. */
const WORDS: Record<LeverId, { label: string; dimension: Dimension }> = {
  rearPistonArea: { label: 'Rear piston area, one side', dimension: 'area' },
  rearRadius: { label: 'Rear effective radius', dimension: 'length' },
  rearFriction: { label: 'Rear pad friction', dimension: 'number' },
  frontPistonArea: { label: 'Front piston area, one side', dimension: 'area' },
  frontRadius: { label: 'Front effective radius', dimension: 'length' },
  frontFriction: { label: 'Front pad friction', dimension: 'number' },
  valveKnee: { label: 'Knee pressure of the rear valve', dimension: 'pressure' },
  barShare: { label: 'Front share of the balance bar', dimension: 'share' },
}

/** What a press on a lever does to a new setup. */
export type LeverChange =
  | { kind: 'knee'; partId: string; kneeMpa: number }
  | { kind: 'bar'; frontShare: number }
  | { kind: 'part'; place: SlotPlace; partId: string }

export interface LeverAdvice extends LeverFound {
  label: string
  dimension: Dimension
  /** "Rear pad friction from 0.43 to 0.39." */
  sentence: string
  /** What the library holds that does it. */
  offers: { change: LeverChange; name: string; frontFirstToG: number; fit: FindingVerdict | undefined; sentence: string }[]
}

export interface LeverReport {
  /** What the levers are set to reach, in words; undefined while figures are missing. */
  aim: string | undefined
  advice: LeverAdvice[]
}

/** The order should turn so much above the limit, g: nothing is made to a hair. */
const MARGIN_G = 0.02
const BRAKE_SLOTS: readonly { axle: Axle; slot: AxleSlot; lever: LeverId }[] = AXLES.flatMap((axle) => [
  { axle, slot: 'caliper' as const, lever: axle === 'rear' ? ('rearPistonArea' as const) : ('frontPistonArea' as const) },
  { axle, slot: 'rotor' as const, lever: axle === 'rear' ? ('rearRadius' as const) : ('frontRadius' as const) },
  { axle, slot: 'pad' as const, lever: axle === 'rear' ? ('rearFriction' as const) : ('frontFriction' as const) },
])
/** No more of each lever: the best few are enough. */
const MOST_OFFERS = 3

/**
 * The value of each lever that would bring the balance to the aim, and which parts of the library do.
 * @throws RangeError when the project has no such setup
 */
export function leverReport(project: Project, setupId: string): LeverReport {
  const { system, mass, context } = hydraulicsOf(project, setupId)
  if (!system || !mass) return { aim: undefined, advice: [] }
  const laden = massIn(project, 'laden')
  const { biasAim = 'load', biasAimShare, referenceDecelG, units } = project.preferences
  // whatever the dry tyre gives, a better balance gives more of it: the tyre itself is the limit
  const targetG = Math.max(FRONT_FIRST_TO_G, frictionOf(project, 'dry').value) + MARGIN_G
  const wanted: { aim: Aim; words: string; upToG?: number } = (() => {
    const roadForceN = mass.massKg * STANDARD_GRAVITY * referenceDecelG
    if (biasAim === 'fixed' && biasAimShare !== undefined)
      return {
        aim: roadShareAt(roadForceN, biasAimShare),
        words: `${formatQuantity(biasAimShare, 'share', units)} of the force at the front at ${formatQuantity(referenceDecelG, 'deceleration')}`,
      }
    if (biasAim === 'present') {
      const stock = hydraulicsOf(project, project.setups[0].id)
      const order = stock.system && lockOrder(stock.system, mass)
      if (order?.kind === 'rearAbove')
        return {
          aim: lockTurnsAt(mass, order.aboveG),
          words: `front first up to ${formatQuantity(order.aboveG, 'deceleration')}, as it stands`,
        }
    }
    return { aim: lockTurnsAt(mass, targetG), upToG: targetG, words: `front first up to ${formatQuantity(targetG, 'deceleration')}` }
  })()
  const until = (one: BrakeSystem): number => {
    const orders = [mass, ...(laden ? [laden] : [])].map((load: Mass) => lockOrder(one, load))
    return Math.min(...orders.map((order) => (order ? frontFirstUntil(order) : 0)))
  }
  const fits = new Map(allCandidates(project, setupId).map((one) => [`${one.axle ?? ''}.${one.slot}.${one.partId}`, one.worst]))
  const offers = partOffers(project, setupId, until, (one) => frontFirstToG(context, one, mass), fits)
  const solve = solver(wanted, until)
  const found = solve(system)
  const knee = kneeOffer(project, setupId, solve, until)
  if (knee && !found.some((one) => one.id === 'valveKnee'))
    found.push({ id: 'valveKnee', from: system.valve?.kneeMpa ?? 0, to: knee.kneeMpa })
  const advice = found.map((one): LeverAdvice => {
    const { label, dimension } = WORDS[one.id]
    const show = (value: number) => formatQuantity(value, dimension, units, dimension === 'number' ? { decimals: 3 } : {})
    const own = offers.filter((offer) => offer.lever === one.id).slice(0, MOST_OFFERS)
    const turned: LeverAdvice['offers'] =
      one.id === 'barShare'
        ? [
            {
              change: { kind: 'bar', frontShare: one.to },
              name: 'the bar',
              frontFirstToG: wantedUntil(until, system, one),
              fit: 'fits',
              sentence: `Set the bar to ${show(one.to)} front.`,
            },
          ]
        : one.id === 'valveKnee' && knee
          ? [
              {
                change: { kind: 'knee', partId: knee.part.id, kneeMpa: knee.kneeMpa },
                name: knee.part.name,
                frontFirstToG: knee.until,
                fit: fits.get(`.valve.${knee.part.id}`),
                sentence: `${knee.part.name}, set to ${formatQuantity(knee.kneeMpa, 'pressure', units)}.`,
              },
            ]
          : []
    return {
      ...one,
      label,
      dimension,
      sentence: `${label} from ${show(one.from)} to ${show(one.to)}${one.id.endsWith('PistonArea') ? `, ${formatQuantity(one.to / one.from - 1, 'share', units, { signed: true, decimals: 0 })}` : ''}.`,
      offers: [...turned, ...own],
    }
  })
  return { aim: wanted.words, advice }
}

/** So near counts as reached, g. */
const REACHED_G = 0.003

/**
 * Levers for an aim. With a valve the curves can cross more than once: where the order has turned before the target
 * already, the lever is sought by the order itself.
 */
function solver(
  wanted: { aim: Aim; upToG?: number },
  until: (system: BrakeSystem) => number,
): (system: BrakeSystem, ids?: readonly LeverId[]) => LeverFound[] {
  const { aim, upToG } = wanted
  return (system, ids) =>
    levers(system, aim, ids).flatMap((one) => {
      if (upToG === undefined || until(withLever(system, one.id, one.to)) >= upToG - REACHED_G) return [one]
      return levers(system, (tried) => until(tried) - upToG, [one.id])
    })
}

const wantedUntil = (until: (system: BrakeSystem) => number, system: BrakeSystem, { to }: LeverFound): number =>
  until(system.master.kind === 'twin' ? { ...system, master: { ...system.master, frontShare: to } } : system)

/** Parts of the library that alone put the front first far enough, the least change first. */
function partOffers(
  project: Project,
  setupId: string,
  until: (system: BrakeSystem) => number,
  limitOf: (system: BrakeSystem) => number,
  fits: ReadonlyMap<string, FindingVerdict>,
): (LeverAdvice['offers'][number] & { lever: LeverId })[] {
  const now = hydraulicsOf(project, setupId)
  const found = BRAKE_SLOTS.flatMap(({ axle, slot, lever }) =>
    project.parts.flatMap((part) => {
      if (part.kind !== slot || now.context.resolved[axle][slot]?.id === part.id) return []
      const fit = fits.get(`${axle}.${slot}.${part.id}`)
      // what does not go on is no offer
      if (fit === 'blocked') return []
      const { system } = hydraulicsOf(project, setupId, (resolved) => ({ ...resolved, [axle]: { ...resolved[axle], [slot]: part } }))
      if (!system) return []
      const toG = until(system)
      if (toG < limitOf(system)) return []
      const change: LeverChange = { kind: 'part', place: { axle, slot }, partId: part.id }
      return [
        {
          lever,
          change,
          name: part.name,
          frontFirstToG: toG,
          fit,
          sentence: `${part.name}: front first up to ${formatQuantity(toG, 'deceleration')}.`,
        },
      ]
    }),
  )
  return found.sort((a, b) => a.frontFirstToG - b.frontFirstToG)
}

/** The adjustable valve of the setup, or one of the library, and the knee that meets the aim. */
function kneeOffer(
  project: Project,
  setupId: string,
  solve: ReturnType<typeof solver>,
  until: (system: BrakeSystem) => number,
): { part: Part; kneeMpa: number; until: number } | undefined {
  const adjustable = (part: Part) => part.kind === 'valve' && part.action === 'adjustable' && part.slope !== undefined
  const fitted = hydraulicsOf(project, setupId).context.resolved.valve
  const part = fitted && adjustable(fitted) ? fitted : project.parts.find(adjustable)
  if (!part) return undefined
  const { system } = hydraulicsOf(project, setupId, (resolved) => ({ ...resolved, valve: part as NonNullable<typeof resolved.valve> }))
  const [found] = system ? solve(system, ['valveKnee']) : []
  if (!system || !found) return undefined
  return { part, kneeMpa: found.to, until: until({ ...system, valve: { kneeMpa: found.to, slope: system.valve?.slope ?? 0 } }) }
}

/** The setup with a lever put where it was offered: a new one beside it. */
export function withLeverChange(project: Project, setup: Setup, change: LeverChange, id: string, name: string): Setup {
  const next: Setup = { ...structuredCloneOf(setup), id, name }
  if (change.kind === 'knee') {
    next.hydraulics.valve = change.partId
    next.hydraulics.valveKneeMpa = { value: Math.floor(change.kneeMpa * 100) / 100, origin: 'estimated' }
  } else if (change.kind === 'bar')
    next.hydraulics.barFrontShare = { value: Math.round(change.frontShare * 1000) / 1000, origin: 'estimated' }
  else putPart(project, next, change.place, change.partId)
  return next
}
const structuredCloneOf = (setup: Setup): Setup => JSON.parse(JSON.stringify(setup)) as Setup
