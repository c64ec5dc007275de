import type { Verdict } from '../figures/verdict.ts'
import type { Mass } from '../hydraulics/maths/mass.ts'
import { bestWithoutLock } from '../balance/maths/limits.ts'
import type { BrakeSystem } from '../hydraulics/maths/system.ts'
import { bisect } from '../maths/bisect.ts'
import type { LockUpObservation } from '../records/logbook.ts'
import type { Project } from '../records/project.ts'
import { findSetup } from '../records/resolve.ts'
import { formatQuantity } from '../quantity/format.ts'
import { lockOrder } from '../balance/maths/lock-order.ts'
import { frictionOf, loadCase } from '../balance/grip.ts'
import { hasRearFirst, SEEN_WITHIN_G, supersededBy } from '../balance/lock-finding.ts'
import { hydraulicsOf } from '../hydraulics/hydraulics-of.ts'

/** A figure of the car that would explain what was seen; never taken unasked. */
export interface Explains {
  field: 'tyreDry' | 'tyreWet' | 'tyreLoose' | 'cgHeightMm'
  value: number
  words: string
}
interface ObservationResult {
  sighting: LockUpObservation
  setupName: string
  verdict: 'agrees' | 'differs' | 'unknown'
  /** What it means for the car: a rear that locks first is to be mended, however well the model says it. */
  mark: Verdict
  sentence: string
  /** What to do first; absent: nothing. */
  advice?: string
  explains: Explains[]
}

const FIELD = { dry: 'tyreDry', wet: 'tyreWet', loose: 'tyreLoose' } as const
/** Tyres and heights that are looked through. */
const FRICTIONS = { low: 0.1, high: 1.9 } as const
const HEIGHTS_MM = { low: 250, high: 900 } as const
/** No centre of gravity is misjudged by more, mm: beyond it something else is the cause. */
const MOST_HEIGHT_OFF_MM = 60
/** A rear that locks first is made safe before its cause is looked for. */
const REAR_FIRST_ADVICE = 'Do not drive on the road. Reduce rear braking, then test again on closed ground.'

/** Wheels that were seen to lock, held against the order that the model says. */
export const lockUpReport = (project: Project): ObservationResult[] =>
  project.lockSightings.map((one) => {
    const result = found(project, one)
    const rearFirst = one.axle === 'rear' && !supersededBy(project, one)
    return { ...result, mark: result.advice ? 'blocked' : rearFirst ? 'needs' : MARKS[result.verdict] }
  })
const MARKS = { agrees: 'fits', differs: 'check', unknown: 'unknown' } as const

function found(project: Project, sighting: LockUpObservation): Omit<ObservationResult, 'mark'> {
  const { setupId, surface, load, axle, atG } = sighting
  const setupName = findSetup(project, setupId)?.name ?? 'a setup that is gone'
  const unknown = (sentence: string): Omit<ObservationResult, 'mark'> => ({
    sighting,
    setupName,
    verdict: 'unknown',
    sentence,
    explains: [],
  })
  if (!findSetup(project, setupId)) return unknown('Its setup is not in the project any more.')
  const { system: fitted, context } = hydraulicsOf(project, setupId)
  const at = fitted && loadCase(context, fitted, load)
  if (!at?.system || !at.mass) return unknown('Not enough data for the lock-up order: values of car or brakes are missing.')
  const [system, mass] = [at.system, at.mass]
  const friction = frictionOf(project, surface)
  const model = bestWithoutLock(system, mass, friction.value)
  if (!model) return unknown('The brakes of this setup give no deceleration.')
  const g = (value: number) => formatQuantity(value, 'deceleration')
  const reckoned = `The model predicts ${model.axle} lock-up first, at ${g(model.decelG)}${friction.assumed ? ' with an assumed friction' : ''}`
  if (axle === 'none') {
    const agrees = atG <= model.decelG + SEEN_WITHIN_G
    return {
      sighting,
      setupName,
      verdict: agrees ? 'agrees' : 'differs',
      sentence: agrees
        ? `${reckoned}: nothing locked below that, as seen.`
        : `${reckoned}, and nothing locked at ${g(atG)}: the tyres hold more than is entered.`,
      explains: agrees ? [] : tyresThat(project, system, mass, sighting, undefined),
    }
  }
  const later = axle === 'rear' && supersededBy(project, sighting)
  if (later)
    return {
      sighting,
      setupName,
      verdict: 'agrees',
      sentence: `The rear wheels locked first at ${g(atG)}. On ${later.date} the front wheels locked first at ${g(later.atG)}: that later observation counts.`,
      explains: [],
    }
  const sameAxle = model.axle === axle
  const order = lockOrder(system, mass)
  if (sameAxle && Math.abs(model.decelG - atG) <= SEEN_WITHIN_G)
    return { sighting, setupName, verdict: 'agrees', sentence: `${reckoned}: as seen at ${g(atG)}.`, explains: [] }
  const explains = [
    ...tyresThat(project, system, mass, sighting, axle),
    ...(sameAxle ? [] : heightThat(project, system, mass, sighting, friction.value)),
  ]
  return {
    sighting,
    setupName,
    verdict: 'differs',
    sentence: `${reckoned}; the ${axle} wheels were seen to lock first at ${g(atG)}.${explains.length === 0 ? ` Check next: friction of the rear linings, knee pressure by gauges, front share of the mass.` : ''}`,
    ...(axle === 'rear' && !(order && hasRearFirst(order, atG)) ? { advice: REAR_FIRST_ADVICE } : {}),
    explains,
  }
}

/** The friction of the tyres with which that axle locks there. */
function tyresThat(
  project: Project,
  system: BrakeSystem,
  mass: Mass,
  { surface, atG }: LockUpObservation,
  axle: 'front' | 'rear' | undefined,
): Explains[] {
  const decel = (friction: number) => bestWithoutLock(system, mass, friction)?.decelG ?? 0
  if (decel(FRICTIONS.high) < atG || decel(FRICTIONS.low) > atG) return []
  const value = Number(bisect(FRICTIONS.low, FRICTIONS.high, 1e-5, (friction) => decel(friction) >= atG).toFixed(3))
  const then = bestWithoutLock(system, mass, value)
  if (!then || (axle && then.axle !== axle)) return []
  const now = frictionOf(project, surface)
  return [
    {
      field: FIELD[surface],
      value,
      words: `A tyre friction of ${value.toFixed(2)} instead of ${now.value.toFixed(2)}${now.assumed ? ', which is assumed,' : ''} explains it.`,
    },
  ]
}

/** The height of the centre of gravity from which, or up to which, that axle is the first. */
function heightThat(project: Project, system: BrakeSystem, mass: Mass, { axle, load }: LockUpObservation, friction: number): Explains[] {
  if (load !== 'driver') return []
  const first = (cgHeightMm: number) => bestWithoutLock(system, { ...mass, cgHeightMm }, friction)?.axle === axle
  const [low, high] = [first(HEIGHTS_MM.low), first(HEIGHTS_MM.high)]
  if (low === high) return []
  const edge = high ? bisect(HEIGHTS_MM.low, HEIGHTS_MM.high, 0.1, first) : bisect(HEIGHTS_MM.high, HEIGHTS_MM.low, 0.1, first)
  const value = high ? Math.ceil(edge) : Math.floor(edge)
  if (!first(value) || Math.abs(value - mass.cgHeightMm) > MOST_HEIGHT_OFF_MM) return []
  const show = (mm: number) => formatQuantity(mm, 'length', project.preferences.units, { decimals: 0 })
  return [
    {
      field: 'cgHeightMm',
      value,
      words: `A centre of gravity at ${show(value)} instead of ${show(mass.cgHeightMm)} would make the ${axle} wheels lock first.`,
    },
  ]
}
