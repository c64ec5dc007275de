import type { Mass } from '../hydraulics/maths/mass.ts'
import { rearFirstFrom } from '../balance/maths/lock-order.ts'
import { IRON_J_PER_KG_K, oneStopRiseC } from '../heat/maths/one-stop.ts'
import { barShareFor } from '../hydraulics/maths/bores.ts'
import { invertChain } from '../hydraulics/maths/pedal-force.ts'
import type { AxleBrake, BrakeSystem } from '../hydraulics/maths/system.ts'
import { OTHER_LIMITS } from '../records/field.ts'
import { AXLES, type Axle } from '../quantity/axle.ts'
import type { AxleSlot, HydraulicSlot } from '../records/setup.ts'
import type { Part } from '../records/part.ts'
import type { Project } from '../records/project.ts'
import { pedalOf } from '../records/uses.ts'
import { STANDARD_GRAVITY } from '../quantity/units.ts'
import { biasTarget } from '../balance/bias-target.ts'
import { axleBrake } from '../hydraulics/brake.ts'
import { massOf } from '../hydraulics/brake-system.ts'
import type { gapAsItIs } from '../clearance/corner.ts'
import { PER_AXLE } from '../cost/to-buy.ts'
import type { Context } from '../figures/read.ts'
import { Working } from '../figures/working.ts'
import { RING_MASS, ringJPerKgK } from '../heat/heat.ts'
import { BANDS } from '../hydraulics/pedal-bands.ts'
import type { Verdict } from '../figures/verdict.ts'
import { outsideBand, type SearchCriterionId } from './criteria.ts'
import { leastWithKits } from './kits.ts'
import { packsCost, partCost, sumOrUnknown } from './prices.ts'
import { AXLE_ORDER, HYDRAULIC_NAMES, type Assignment, type SlotId, type SearchSpace } from './search-space.ts'

/** What the criteria are of a combination; undefined: not known. */
export type Weighed = Record<SearchCriterionId, number | undefined>

/** What of one axle enters the weighing. */
export interface AxleWeights {
  brake: AxleBrake | undefined
  /** Mass of a grey iron ring that stores as much heat as its ring, kg; Infinity: a rear drum, whose rise does not count. */
  ringIronKg: number | undefined
  gapMm: number | undefined
  gap: Verdict
  costMinor: number | undefined
  /** Kits and donors that are bought whole in it. */
  kits: readonly string[]
  /** Against the car as it stands, one corner, kg. */
  massKg: number | undefined
}

const PER_CORNER: Partial<Record<AxleSlot, number>> = { caliper: 1, bracket: 1, rotor: 1, pad: 0.5, wheel: 1, spacer: 1 }
const DISC_ONLY: readonly AxleSlot[] = ['rotor', 'pad', 'bracket']

const PLACES = { front: AXLE_ORDER.map((slot) => `front.${slot}` as const), rear: AXLE_ORDER.map((slot) => `rear.${slot}` as const) }
/** What the brake of an axle costs, with the kits that it is bought in where that is cheaper. */
function axleCost(space: SearchSpace, filling: Assignment, axle: Axle): ReturnType<typeof leastWithKits> {
  return leastWithKits(space.kitsWithin[axle], filling, PLACES[axle], aloneAt(space, filling, axle))
}
/** What the part in a place of an axle costs alone. */
function aloneAt({ project, stockParts }: SearchSpace, filling: Assignment, axle: Axle): (place: SlotId) => number | undefined {
  const drum = filling[`${axle}.caliper`]?.kind === 'drum'
  return (place) => {
    const slot = AXLE_ORDER[PLACES[axle].indexOf(place as never)]!
    if (drum && DISC_ONLY.includes(slot)) return 0
    return partCost(filling[place], stockParts[axle][slot] as Part | null | undefined, PER_AXLE[slot], project.preferences)
  }
}
const betweenAt = ({ project, stockParts }: SearchSpace, filling: Assignment, slot: HydraulicSlot): number | undefined =>
  partCost(filling[slot], stockParts[slot], 1, project.preferences)
export const hydraulicsCost = (space: SearchSpace, filling: Assignment): number | undefined =>
  sumOrUnknown(HYDRAULIC_NAMES.map((slot) => betweenAt(space, filling, slot)))

const EVERY_PLACE: readonly SlotId[] = [...PLACES.front, ...PLACES.rear, ...HYDRAULIC_NAMES]
/** What a whole car costs, with kits that bring something of the hydraulics too, and packs that serve both axles. */
export function wholeCost(space: SearchSpace, filling: Assignment): ReturnType<typeof leastWithKits> {
  const alone = { front: aloneAt(space, filling, 'front'), rear: aloneAt(space, filling, 'rear') }
  const own = (place: SlotId) => {
    const axle = AXLES.find((one) => place.startsWith(`${one}.`))
    return axle ? alone[axle](place) : betweenAt(space, filling, place as HydraulicSlot)
  }
  const shared = (places: readonly SlotId[]): number => {
    let saved = 0
    for (const id of space.packs.keys()) {
      const bought = places.filter((place) => filling[place]?.id === id && own(place) !== 0)
      if (bought.length < 2) continue
      const pieces = bought.reduce((sum, place) => sum + PER_AXLE[place.split('.')[1] as AxleSlot], 0)
      const together = packsCost(filling[bought[0]!]!, pieces, space.project.preferences)
      saved += bought.reduce((sum, place) => sum + (own(place) ?? NaN), 0) - (together ?? NaN)
    }
    return saved
  }
  return leastWithKits([...space.kits.front, ...space.kits.rear], filling, EVERY_PLACE, own, shared)
}
/** Parts of an axle that may come from one pack with those of the other. */
export const packedIn = ({ packs }: SearchSpace, filling: Assignment): string[] =>
  packs.size === 0 ? [] : Object.values(filling).flatMap((part) => (part && packs.has(part.id) ? [part.id] : []))

function axleMass({ stockParts }: SearchSpace, filling: Assignment, axle: Axle): number | undefined {
  const kg = (part: Part | null | undefined, drum: boolean, slot: AxleSlot): number | undefined =>
    part === null || (drum && DISC_ONLY.includes(slot)) ? 0 : part?.massKg?.value
  const drums = [filling[`${axle}.caliper`]?.kind === 'drum', stockParts[axle].caliper?.kind === 'drum'] as const
  return sumOrUnknown(
    (Object.keys(PER_CORNER) as AxleSlot[]).map((slot) => {
      const [now, then] = [filling[`${axle}.${slot}`], stockParts[axle][slot] as Part | null | undefined]
      if (now?.id === then?.id && drums[0] === drums[1]) return 0
      const [on, off] = [kg(now, drums[0], slot), kg(then, drums[1], slot)]
      return on === undefined || off === undefined ? undefined : (on - off) * PER_CORNER[slot]!
    }),
  )
}

/** The brake of an axle and its ring: by caliper, bracket, rotor and pads. */
export function brakeOf(context: Context, axle: Axle): Pick<AxleWeights, 'brake' | 'ringIronKg'> {
  const at = { context, axle }
  const { brake } = axleBrake(context, axle)
  if (axle === 'rear' && context.resolved.rear.caliper?.kind === 'drum') return { brake, ringIronKg: Infinity }
  const ringKg = RING_MASS.of(at).figure.value
  return {
    brake,
    ringIronKg: ringKg === undefined ? undefined : (ringKg * ringJPerKgK(at)) / IRON_J_PER_KG_K,
  }
}

export function axleWeights(
  space: SearchSpace,
  filling: Assignment,
  axle: Axle,
  brake: Pick<AxleWeights, 'brake' | 'ringIronKg'>,
  gap: ReturnType<typeof gapAsItIs>,
): AxleWeights {
  const { minor, kits } = axleCost(space, filling, axle)
  return {
    gap: gap.verdict,
    gapMm: gap.gapMm,
    costMinor: minor,
    kits,
    massKg: axleMass(space, filling, axle),
    ...brake,
  }
}

/** What a search asks of the car and its preferences once. */
export interface CarAsked {
  mass: Mass | undefined
  refG: number
  stopFromKmh: number
  /** Front share that is aimed at; undefined: not known. */
  aim: number | undefined
  bandN: { low: number; high: number }
}
export function carAsked(project: Project, context: Context): CarAsked {
  const { referenceDecelG: refG, stopFromKmh } = project.preferences
  return {
    mass: massOf(new Working(), context),
    refG,
    stopFromKmh,
    aim: biasTarget(project, refG),
    bandN: BANDS[pedalOf(project.car.uses)].forceN,
  }
}

/** What a system asks of the foot, and how it shares a stop. */
export interface AssignedBrakes {
  frontShare: number | undefined
  pedalN: number | undefined
  /** Deceleration from which the rear locks first, g; Infinity: never as far as is asked. */
  rearFirstG: number | undefined
}
/** What a bar can be set to: as the setup takes it, half a percent at a time. */
const [BAR_LOW, BAR_HIGH] = OTHER_LIMITS.barFrontShare
const BAR_STEP = 0.005
/**
 * The system with the bar of two cylinders as near to the share that is aimed at as it goes; in the middle where no share is.
 * @returns the front share of the bar with it; undefined: another master cylinder
 */
export function withBarSet(asked: CarAsked, system: BrakeSystem): { system: BrakeSystem; barFrontShare: number | undefined } {
  const { master } = system
  if (master.kind !== 'twin') return { system, barFrontShare: undefined }
  const { mass, refG, aim } = asked
  const wanted =
    mass && aim !== undefined ? barShareFor(system, master, { roadForceN: mass.massKg * STANDARD_GRAVITY * refG, frontShare: aim }) : 0.5
  // where no bar would do it the rear gets all that it can
  const nearest = Math.min(BAR_HIGH, Math.max(BAR_LOW, wanted ?? BAR_LOW))
  const frontShare = Math.round(nearest / BAR_STEP) * BAR_STEP
  const barFrontShare = Number(frontShare.toFixed(3))
  return { system: { ...system, master: { ...master, frontShare: barFrontShare } }, barFrontShare }
}

/** As far as the criterion of UN Regulation No. 13-H looks, g. */
export const FRONT_FIRST_TO_G = 0.8
export function brakedBy({ mass, refG }: CarAsked, system: BrakeSystem | undefined): AssignedBrakes {
  if (!system || !mass) return { frontShare: undefined, pedalN: undefined, rearFirstG: undefined }
  const stop = invertChain(system)(mass.massKg * STANDARD_GRAVITY * refG)
  return {
    frontShare: stop && stop.frontN / (stop.frontN + stop.rearN),
    pedalN: stop?.pedalForceN,
    rearFirstG: rearFirstFrom(system, mass, FRONT_FIRST_TO_G),
  }
}

/** The criteria of two axles and what stands between them. */
export function weigh(
  asked: CarAsked,
  axles: Record<Axle, AxleWeights>,
  hydraulicsMinor: number | undefined,
  { frontShare, pedalN }: AssignedBrakes,
): Weighed {
  // asked millions of times in a search: no lists are made
  const { front, rear } = axles
  const { mass, stopFromKmh } = asked
  const riseC = ({ ringIronKg }: AxleWeights, share: number): number | undefined =>
    ringIronKg === undefined || !mass ? undefined : oneStopRiseC(mass.massKg, stopFromKmh, share, ringIronKg)
  const frontC = frontShare === undefined ? undefined : riseC(front, frontShare)
  const rearC = frontShare === undefined ? undefined : riseC(rear, 1 - frontShare)
  return {
    cost:
      front.costMinor === undefined || rear.costMinor === undefined || hydraulicsMinor === undefined
        ? undefined
        : front.costMinor + rear.costMinor + hydraulicsMinor,
    heat: frontC === undefined || rearC === undefined ? undefined : Math.max(frontC, rearC),
    gap: front.gapMm === undefined || rear.gapMm === undefined ? undefined : Math.min(front.gapMm, rear.gapMm),
    bias: frontShare === undefined || asked.aim === undefined ? undefined : Math.abs(frontShare - asked.aim),
    mass: front.massKg === undefined || rear.massKg === undefined ? undefined : front.massKg + rear.massKg,
    pedal: pedalN === undefined ? undefined : outsideBand(pedalN, asked.bandN),
  }
}
