import { RuleInputs, type Facts } from '../fit/rule-inputs.ts'
import { slotsReadBy, sentenceOn, verdictOn, type Rule } from '../fit/rule.ts'
import { RULES } from '../fit/rules.ts'
import { isBelowMinimum, wheelMinimum } from '../fit/rules/wheel-minimum.ts'
import { AXLES, type Axle } from '../quantity/axle.ts'
import { AXLE_SLOTS, HYDRAULIC_SLOTS, type AxleSlot, type HydraulicSlot } from '../records/setup.ts'
import type { Part } from '../records/part.ts'
import type { Project } from '../records/project.ts'
import { findSetup, resolveSetup, type ResolvedAxle } from '../records/resolve.ts'
import { PER_AXLE } from '../cost/to-buy.ts'
import type { Context } from '../figures/read.ts'
import { briefClearance } from '../clearance/corner.ts'
import { factsOf } from '../fit/fit-check.ts'
import type { Verdict } from '../figures/verdict.ts'
import { VERDICT_RANK } from '../figures/words.ts'

/**
 * What a part would bring if it were put into a slot of a setup, before anybody does. Of the car as it stands that is what it
 * would bring to a setup beside it: a part that comes new must go with what is on the car.
 */
export interface Candidate {
  partId: string
  slot: AxleSlot | HydraulicSlot
  /** Absent in the hydraulics. */
  axle?: Axle
  /** The worst finding that the part itself has a hand in. */
  worst: Verdict
  /** Its sentence; empty when everything fits. */
  why: string
  /** How many findings are as bad as that. */
  count: number
  /** Price against what is fitted now, minor units; undefined where one of them has no price or another currency. */
  extraMinor: number | undefined
}

const SLOTS = Object.keys(AXLE_SLOTS) as AxleSlot[]
/** For these the gap between wheel and caliper is the first question. */
const OVER_THE_CALIPER: ReadonlySet<AxleSlot> = new Set(['caliper', 'wheel', 'spacer'])

/**
 * Every part of the project that could take a slot of one axle, the best first: by the worst finding, then
 * by how many there are of it, then by price.
 * @throws RangeError when the project has no such setup
 */
export function candidates(project: Project, setupId: string, axle: Axle): Candidate[] {
  const setup = findSetup(project, setupId)
  if (!setup) throw new RangeError(`no setup ${setupId} in project ${project.id}`)
  const context: Context = { project, setup, isStock: setup === project.setups[0], resolved: resolveSetup(project, setup) }
  const facts = factsOf(context, axle)
  const { resolved } = facts
  const found: Candidate[] = []
  const touched = RULES.map((rule) => ({ rule, slots: slotsReadBy(rule, facts) }))
  for (const slot of SLOTS) {
    // another kind of brake turns what the rules look at; for any other slot they look where they look now
    const rules = slot === 'caliper' ? RULES : touched.filter((one) => one.slots.has(slot)).map((one) => one.rule)
    for (const part of project.parts) {
      if (!(AXLE_SLOTS[slot].kinds as readonly string[]).includes(part.kind)) continue
      const fitted = withPart(resolved, slot, part)
      const whole = { ...facts.whole, [axle]: fitted }
      const judged = worstOf(rules, { ...facts, slot, resolved: fitted, whole }, part.id)
      // nothing is worse than what cannot be built anyway
      const clearance = OVER_THE_CALIPER.has(slot) && judged.worst !== 'blocked' ? clearanceOf(context, axle, slot, part) : undefined
      found.push({
        partId: part.id,
        slot,
        axle,
        extraMinor: difference(part, resolved[slot], PER_AXLE[slot], project.preferences.currency),
        ...(clearance ? worse(judged, clearance) : judged),
      })
    }
  }
  return found.sort(bestFirst)
}

/** All of both axles and the hydraulics: what in the project bolts on. */
export const allCandidates = (project: Project, setupId: string): Candidate[] => [
  ...AXLES.flatMap((axle) => candidates(project, setupId, axle)),
  ...hydraulicCandidates(project, setupId),
]

/**
 * Every part of the project that could take a slot of the hydraulics, the best first.
 * @throws RangeError when the project has no such setup
 */
export function hydraulicCandidates(project: Project, setupId: string): Candidate[] {
  const setup = findSetup(project, setupId)
  if (!setup) throw new RangeError(`no setup ${setupId} in project ${project.id}`)
  const context: Context = { project, setup, isStock: setup === project.setups[0], resolved: resolveSetup(project, setup) }
  const found: Candidate[] = []
  for (const slot of Object.keys(HYDRAULIC_SLOTS) as HydraulicSlot[])
    for (const part of project.parts) {
      if (!(HYDRAULIC_SLOTS[slot].kinds as readonly string[]).includes(part.kind)) continue
      const whole = { ...context.resolved, [slot]: part }
      const judged = AXLES.map((axle) =>
        worstOf(
          // an axle's own circuit is looked at for each axle, the car once
          RULES.filter((rule) => rule.on !== 'car' || axle === 'front'),
          { ...factsOf(context, axle), whole },
          part.id,
        ),
      ).reduce(worse)
      const extraMinor = difference(part, context.resolved[slot], 1, project.preferences.currency)
      found.push({ partId: part.id, slot, extraMinor, ...judged })
    }
  return found.sort(bestFirst)
}

export const bestFirst = (a: Candidate, b: Candidate): number =>
  VERDICT_RANK[a.worst] - VERDICT_RANK[b.worst] || a.count - b.count || (a.extraMinor ?? Infinity) - (b.extraMinor ?? Infinity) || 0

export type WorstOfRules = Pick<Candidate, 'worst' | 'why' | 'count'>

/** The worst that the rules find of the part in a slot of an axle, its own inspection too; the wheel's clearance apart. */
export function worstByRules(context: Context, axle: Axle, slot: AxleSlot): WorstOfRules {
  const facts = factsOf(context, axle)
  const part = facts.resolved[slot]
  const rules = RULES.filter((rule) => rule.on !== 'car' || axle === 'front')
  return part ? worstOf(rules, { slot, ...facts }, part.id) : { worst: 'fits', why: '', count: 0 }
}

/** An axle with another part in a slot: a tried spacer goes with a chosen one, shims with the caliper they were cut for. */
const withPart = (axle: ResolvedAxle, slot: AxleSlot, part: Part): ResolvedAxle => ({
  ...axle,
  [slot]: part,
  ...(slot === 'spacer' ? { spacerTrialMm: undefined } : {}),
  ...(slot === 'caliper' && axle.caliper?.id !== part.id ? { shimMm: 0 } : {}),
})

function clearanceOf(context: Context, axle: Axle, slot: AxleSlot, part: Part): WorstOfRules {
  const resolved = { ...context.resolved, [axle]: withPart(context.resolved[axle], slot, part) }
  const { verdict: worst, sentence } = briefClearance({ ...context, resolved }, axle)
  return { worst, why: worst === 'fits' ? '' : sentence, count: worst === 'fits' ? 0 : 1 }
}

export function worse(a: WorstOfRules, b: WorstOfRules): WorstOfRules {
  const [ra, rb] = [VERDICT_RANK[a.worst], VERDICT_RANK[b.worst]]
  if (ra === rb) return { ...a, why: a.why || b.why, count: a.count + b.count }
  return ra > rb ? a : b
}

/** A measured wheel that is smaller than the caliper's maker states is told from the others; by the gap alone it might be said to clear. */
const tellsApart = (rule: Rule, { resolved }: Facts): boolean => rule === wheelMinimum && isBelowMinimum(resolved)

/** What only the car can say is said of every part alike, and tells none from another. */
function worstOf(rules: readonly Rule[], facts: Facts, partId: string): WorstOfRules {
  let worst: Verdict = 'fits'
  let [first, count]: [Rule | undefined, number] = [undefined, 0]
  const look = new RuleInputs(facts, partId)
  for (const rule of rules) {
    const found = verdictOn(rule, look)
    if (!found || found === 'fits' || (found === 'check' && !tellsApart(rule, facts))) continue
    if (found === worst) count += 1
    else if (VERDICT_RANK[found] > VERDICT_RANK[worst]) [worst, first, count] = [found, rule, 1]
  }
  return { worst, why: first ? sentenceOn(first, facts) : '', count }
}

/** What a part costs in a place, minor units: nothing when it is there already; undefined without a price in the project's currency. */
function priceOf(part: Part | null | undefined, pieces: number, currency: string): number | undefined {
  if (part === null || part?.owned) return 0
  if (!part?.price || part.price.currency !== currency) return undefined
  return Math.ceil(pieces / part.price.pieces) * part.price.likelyMinor
}
function difference(part: Part, fitted: Part | null | undefined, pieces: number, currency: string): number | undefined {
  const [then, now] = [priceOf(fitted, pieces, currency), priceOf(part, pieces, currency)]
  return then === undefined || now === undefined ? undefined : now - then
}
