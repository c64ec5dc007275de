import type { Mass } from '../hydraulics/maths/mass.ts'
import {
  levers,
  LEVERS,
  leverValue,
  roadShareAt,
  turnsAt,
  type Aim,
  type AdjustmentFound,
  type LeverId,
} from '../balance/maths/adjustments.ts'
import { frontFirstUntil, lockOrder } from '../balance/maths/lock-order.ts'
import type { BrakeSystem } from '../hydraulics/maths/system.ts'
import { putPart } from '../commands/accept.ts'
import { AXLES, type Axle } from '../quantity/axle.ts'
import type { AxleSlot, Setup, SlotPlace } from '../records/setup.ts'
import type { Part } from '../records/part.ts'
import type { Project } from '../records/project.ts'
import { formatQuantity } from '../quantity/format.ts'
import { STANDARD_GRAVITY, type Dimension } from '../quantity/units.ts'
import { frictionOf } from '../balance/grip.ts'
import { hydraulicsOf, type Hydraulics } from '../hydraulics/hydraulics-of.ts'
import { bitingRear, FRONT_FIRST_TO_G, frontFirstUntilIn, rearFirstWords, rearSeenFirst } from '../balance/lock-finding.ts'
import { betterFirst, outcomeOf, worsened, type Outcome, type Settled } from './outcome.ts'
import { VERDICT_RANK } from '../figures/words.ts'

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
type AdjustmentChange =
  | { kind: 'knee'; partId: string; kneeMpa: number }
  | { kind: 'bar'; frontShare: number }
  | { kind: 'part'; place: SlotPlace; partId: string }

/** Something at hand that does it, judged by the whole setup with it in. */
export interface AdjustmentOffer {
  change: AdjustmentChange
  name: string
  /** The front locks first up to here in every load that is known, g; Infinity: always. */
  frontFirstToG: number
  /** The whole setup with it. */
  outcome: Outcome
  /** What it makes worse elsewhere. */
  brings: Settled[]
  sentence: string
}

export interface Adjustment extends AdjustmentFound {
  label: string
  dimension: Dimension
  /** "Rear pad friction from 0.43 to 0.39." */
  sentence: string
  /** What the library holds that does it, the best setup first. */
  offers: AdjustmentOffer[]
}

export interface AdjustmentReport {
  /** What the levers are set to reach, in words; undefined while figures are missing. */
  aim: string | undefined
  /** The setup is there already. */
  met: boolean
  advice: Adjustment[]
}

/** The order should turn so much above the limit, g: nothing is made to a hair. */
const MARGIN_G = 0.02
/** Where the front is first for longer than it must be, the rear may do more, up to so much above the aim, g. */
const BAND_G = 0.03
/** So near counts as the same place: g, or a share. */
const SAME_TURN_G = 0.005
const SAME_SHARE = 0.005

const BRAKE_SLOTS: readonly { axle: Axle; slot: AxleSlot; lever: LeverId }[] = AXLES.flatMap((axle) => [
  { axle, slot: 'caliper' as const, lever: axle === 'rear' ? ('rearPistonArea' as const) : ('frontPistonArea' as const) },
  { axle, slot: 'rotor' as const, lever: axle === 'rear' ? ('rearRadius' as const) : ('frontRadius' as const) },
  { axle, slot: 'pad' as const, lever: axle === 'rear' ? ('rearFriction' as const) : ('frontFriction' as const) },
])
/** No more of each lever: the best few are enough. */
const MOST_OFFERS = 3

/** An aim in words, and what a system must be like for it; with another valve the laden car has another knee. */
interface WantedValue {
  words: string
  with(parts: Hydraulics): Aim
}

/**
 * The value of each lever that would bring the balance to the aim, and which parts of the library do. Every offer is put
 * into the setup and the setup is looked at anew: what is said of it is what the report then says.
 * @param whole the outcome of a project's setup by its whole report; absent: in short, without what would cure each need
 * @throws RangeError when the project has no such setup
 */
export function adjustmentReport(project: Project, setupId: string, whole?: (project: Project) => Outcome): AdjustmentReport {
  const here = hydraulicsOf(project, setupId)
  const { system, mass } = here
  // where the car did otherwise than the model says, the model sets no aim
  if (!system || !mass || rearSeenFirst(here.context, system)) return { aim: undefined, met: false, advice: [] }
  const wanted = aimOf(project, here, system, mass)
  const met = wanted.with(here).meets(system)
  const before = outcomeOf(project, setupId)
  // the knee of a fixed or load-sensing valve is not set: another valve is another slope, and is offered by its name
  const settable = here.context.resolved.valve?.action === 'adjustable'
  const found = levers(
    system,
    wanted.with(here),
    LEVERS.filter((id) => id !== 'valveKnee' || settable),
  )
  const offers = met ? [] : [...turned(project, setupId, wanted, found), ...partOffers(project, setupId, found, here)]
  const judged = offers.flatMap((one) => judge(project, setupId, one, wanted, before) ?? [])
  const wholeBefore = judged.length > 0 ? whole?.(project) : undefined
  /** The offer as the whole report finds it; undefined where that is worse than the setup is now. */
  const inWhole = <T extends AdjustmentOffer>(offer: T): T | undefined => {
    if (!whole || !wholeBefore) return offer
    const outcome = whole(withChange(project, setupId, offer.change))
    if (VERDICT_RANK[outcome.verdict] > VERDICT_RANK[wholeBefore.verdict]) return undefined
    return { ...offer, outcome, brings: worsened(wholeBefore, outcome) }
  }
  const knee = judged.find((one) => one.change.kind === 'knee')
  // an adjustable valve of the library is a lever although the setup has none, or one that cannot be set
  if (knee?.change.kind === 'knee' && !found.some((one) => one.id === 'valveKnee'))
    found.push({ id: 'valveKnee', from: 0, to: knee.change.kneeMpa })
  const { units } = project.preferences
  const advice = found.map((one): Adjustment => {
    const { label, dimension } = WORDS[one.id]
    const show = (value: number) => formatQuantity(value, dimension, units, dimension === 'number' ? { decimals: 3 } : {})
    const change = one.id.endsWith('PistonArea')
      ? `, ${formatQuantity(one.to / one.from - 1, 'share', units, { signed: true, decimals: 0 })}`
      : ''
    return {
      label,
      dimension,
      // a change from nothing is a valve that takes the other's place
      sentence:
        one.id === 'valveKnee' && one.from === 0 && knee
          ? `${knee.name} as the rear valve, set to ${show(one.to)}.`
          : one.from > 0
            ? `${label} from ${show(one.from)} to ${show(one.to)}${change}.`
            : `${label}: ${show(one.to)}.`,
      offers: first(
        judged
          .filter((offer) => offer.lever === one.id)
          .sort((a, b) => betterFirst(a.outcome, b.outcome) || a.frontFirstToG - b.frontFirstToG),
        inWhole,
        MOST_OFFERS,
      ).sort((a, b) => betterFirst(a.outcome, b.outcome) || a.frontFirstToG - b.frontFirstToG),
      ...one,
    }
  })
  return { aim: wanted.words, met, advice }
}

/** The first few of a list that hold. */
function first<T>(all: readonly T[], held: (one: T) => T | undefined, most: number): T[] {
  const found: T[] = []
  for (const one of all) {
    if (found.length === most) break
    const kept = held(one)
    if (kept !== undefined) found.push(kept)
  }
  return found
}

/** Up to where the front locks first in every load that is known: driver only and laden, g. */
const untilIn = ({ context }: Hydraulics, system: BrakeSystem): number => frontFirstUntilIn(context, system)

function aimOf(project: Project, here: Hydraulics, system: BrakeSystem, mass: Mass): WantedValue {
  const { biasAim = 'load', biasAimShare, referenceDecelG, units } = project.preferences
  const g = (value: number) => formatQuantity(value, 'deceleration')
  const always = (words: string, aim: Aim): WantedValue => ({ words, with: () => aim })
  if (biasAim === 'fixed' && biasAimShare !== undefined)
    return always(
      `${formatQuantity(biasAimShare, 'share', units)} of the force at the front at ${g(referenceDecelG)}`,
      roadShareAt(mass.massKg * STANDARD_GRAVITY * referenceDecelG, biasAimShare, SAME_SHARE),
    )
  if (biasAim === 'present') {
    const stock = hydraulicsOf(project, project.setups[0].id)
    const order = stock.system && lockOrder(stock.system, mass)
    const until = order && frontFirstUntil(order)
    if (until !== undefined && Number.isFinite(until) && order?.kind === 'rearAbove')
      return always(`front locks first up to ${g(until)}, as on the baseline`, turnsAt(mass, until, SAME_TURN_G))
  }
  // whatever the dry tyre gives, a better balance gives more of it: the tyre itself is the limit
  const targetG = Math.max(FRONT_FIRST_TO_G, frictionOf(project, 'dry').value) + MARGIN_G
  const words = `front first up to ${g(targetG)}`
  if (untilIn(here, system) < targetG) return { words, with: (parts) => ({ meets: (one) => untilIn(parts, one) >= targetG }) }
  return {
    words: `${words}, also with 10% more rear friction, and little further, so that the rear brakes contribute`,
    with: (parts) => {
      const { off } = turnsAt(mass, targetG + BAND_G / 2, 0)
      return {
        off: (one) => off!(bitingRear(one)),
        meets: (one) => {
          const at = untilIn(parts, bitingRear(one))
          return at >= targetG && at <= targetG + BAND_G
        },
      }
    },
  }
}

type Tried = Pick<AdjustmentOffer, 'change' | 'name'> & { lever: LeverId }

/** The bar of the setup, its adjustable valve or one of the library, each where it meets the aim. */
function turned(project: Project, setupId: string, wanted: WantedValue, found: readonly AdjustmentFound[]): Tried[] {
  const bar = found.find((one) => one.id === 'barShare')
  const adjustable = (part: Part) => part.kind === 'valve' && part.action === 'adjustable' && part.slope !== undefined
  const fitted = hydraulicsOf(project, setupId).context.resolved.valve
  const valve = fitted && adjustable(fitted) ? fitted : project.parts.find(adjustable)
  const knee = valve && kneeOf(project, setupId, valve, wanted)
  return [
    ...(bar ? [{ lever: bar.id, name: 'the bar', change: { kind: 'bar' as const, frontShare: bar.to } }] : []),
    ...(valve && knee !== undefined
      ? [{ lever: 'valveKnee' as const, name: valve.name, change: { kind: 'knee' as const, partId: valve.id, kneeMpa: knee } }]
      : []),
  ]
}

/** Where a valve has to stand for the aim, MPa: sought from where it is entered, or from the middle of its range. */
function kneeOf(project: Project, setupId: string, valve: Part, wanted: WantedValue): number | undefined {
  const parts = hydraulicsOf(project, setupId, (resolved) => ({ ...resolved, valve: valve as NonNullable<typeof resolved.valve> }))
  if (!parts.system) return undefined
  const aim = wanted.with(parts)
  if (aim.meets(parts.system)) return leverValue(parts.system, 'valveKnee')
  return levers(parts.system, aim, ['valveKnee'])[0]?.to
}

/** Parts of the library that move a lever of their own place the way the aim asks for. */
function partOffers(project: Project, setupId: string, found: readonly AdjustmentFound[], here: Hydraulics): Tried[] {
  return BRAKE_SLOTS.flatMap(({ axle, slot, lever }) => {
    const wanted = found.find((one) => one.id === lever)
    if (!wanted) return []
    return project.parts.flatMap((part): Tried[] => {
      if (part.kind !== slot || here.context.resolved[axle][slot]?.id === part.id) return []
      const change: AdjustmentChange = { kind: 'part', place: { axle, slot }, partId: part.id }
      const { system } = hydraulicsOf(withChange(project, setupId, change), setupId)
      const value = system && leverValue(system, lever)
      if (value === undefined || (value - wanted.from) * (wanted.to - wanted.from) <= 0) return []
      return [{ lever, change, name: part.name }]
    })
  })
}

/** An offer as the setup with it is found to be; undefined where it does not do what it is offered for, or cannot be built. */
function judge(
  project: Project,
  setupId: string,
  tried: Tried,
  wanted: WantedValue,
  before: Outcome,
): (AdjustmentOffer & Tried) | undefined {
  const changed = withChange(project, setupId, tried.change)
  const there = hydraulicsOf(changed, setupId)
  if (!there.system || !there.mass || !wanted.with(there).meets(there.system)) return undefined
  const outcome = outcomeOf(changed, setupId)
  const brings = worsened(before, outcome)
  // what does not go on is no offer, nor what breaks more than it mends
  if (brings.some((one) => one.verdict === 'blocked')) return undefined
  if (VERDICT_RANK[outcome.verdict] > VERDICT_RANK[before.verdict]) return undefined
  if (tried.change.kind === 'part' && !fitsItsPlace(tried.change, outcome)) return undefined
  const frontFirstToG = untilIn(there, there.system)
  return { frontFirstToG, outcome, brings, sentence: offerSentence(project, tried, there, frontFirstToG), ...tried }
}

/** Pads of another shape are pads for another place. */
function fitsItsPlace(change: AdjustmentChange & { kind: 'part' }, outcome: Outcome): boolean {
  if (change.place.slot !== 'pad') return true
  const shape = outcome.findings.get(`${change.place.axle}.pad-shape`)?.verdict
  return shape !== 'needs' && shape !== 'blocked'
}

function offerSentence(project: Project, { change, name }: Tried, there: Hydraulics, frontFirstToG: number): string {
  const { units } = project.preferences
  const order = Number.isFinite(frontFirstToG)
    ? `front first up to ${formatQuantity(frontFirstToG, 'deceleration')}`
    : lowerFirst(rearFirstWords(lockOrder(there.system!, there.mass!)!))
  if (change.kind === 'bar') return `Set the bar to ${formatQuantity(change.frontShare, 'share', units)} front: ${order}.`
  if (change.kind === 'knee') return `${name}, set to ${formatQuantity(change.kneeMpa, 'pressure', units)}: ${order}.`
  return `${name}: ${order}.`
}

const lowerFirst = (text: string): string => text[0]!.toLowerCase() + text.slice(1)

/** The project with a lever put where it was offered, in the setup itself. */
export const withChange = (project: Project, setupId: string, change: AdjustmentChange): Project => {
  const setups = project.setups.map((setup) =>
    setup.id === setupId ? withAdjustment(project, setup, change, setup.id, setup.name) : setup,
  )
  return { ...project, setups: setups as Project['setups'] }
}

/** The setup with a lever put where it was offered: a new one beside it. */
export function withAdjustment(project: Project, setup: Setup, change: AdjustmentChange, id: string, name: string): Setup {
  const next: Setup = { ...structuredCloneOf(setup), id, name }
  if (change.kind === 'knee') {
    next.hydraulics.valve = change.partId
    next.hydraulics.valveKneeMpa = { value: change.kneeMpa, origin: 'estimated' }
  } else if (change.kind === 'bar') next.hydraulics.barFrontShare = { value: change.frontShare, origin: 'estimated' }
  else putPart(project, next, change.place, change.partId)
  return next
}
const structuredCloneOf = (setup: Setup): Setup => JSON.parse(JSON.stringify(setup)) as Setup
