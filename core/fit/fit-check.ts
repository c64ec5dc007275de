import type { InterfaceCheck } from './interface-check.ts'
import type { Facts } from './rule-inputs.ts'
import { checkAll, mayChange, verdictsOf, type SlotsRead, type Rule } from './rule.ts'
import { RULES } from './rules.ts'
import { visualChecksOn } from './visual-checks.ts'
import type { Axle } from '../quantity/axle.ts'
import type { AxleSlot } from '../records/setup.ts'
import { resolveSetup, stockSetup, type ResolvedSetup } from '../records/resolve.ts'
import type { Context } from '../figures/read.ts'
import { VERDICT_RANK } from '../figures/words.ts'

const worstFirst = (a: InterfaceCheck, b: InterfaceCheck): number => VERDICT_RANK[b.verdict] - VERDICT_RANK[a.verdict]

const OF_AXLE = RULES.filter((rule) => rule.on !== 'car')
const OF_CAR = RULES.filter((rule) => rule.on === 'car')

/** What all rules find, one after the other; asked in every evaluation, so a plain loop. */
function found<T>(rules: readonly Rule[], by: (rule: Rule) => readonly T[]): T[] {
  const all: T[] = []
  for (const rule of rules) for (const one of by(rule)) all.push(one)
  return all
}

/** What the rules may look at, at one axle of a setup. */
export function factsOf(context: Context, axle: Axle, stock: ResolvedSetup = stockParts(context)): Facts {
  const { project, setup, resolved } = context
  return {
    project,
    setup,
    axle,
    resolved: resolved[axle],
    whole: resolved,
    stock,
    seen: visualChecksOn(setup, stockSetup(project), axle, resolved[axle]),
  }
}

/** Looked up once for all that is asked of one setup. */
const stockParts = (context: Context): ResolvedSetup =>
  context.isStock ? context.resolved : (context.stock ??= resolveSetup(context.project, stockSetup(context.project)))

/**
 * Every interface of one axle, worst first; rules of one verdict in the order of building.
 * @param noted takes down what the rules looked into
 */
export function fitFindings(context: Context, axle: Axle, noted?: SlotsRead): InterfaceCheck[] {
  const facts = factsOf(context, axle)
  return found(OF_AXLE, (rule) => checkAll(rule, facts, noted)).sort(worstFirst)
}

/** What concerns both axles. */
export function carFindings(context: Context): InterfaceCheck[] {
  const facts = factsOf(context, 'front')
  return found(OF_CAR, (rule) => checkAll(rule, facts)).sort(worstFirst)
}

/** The verdicts alone: of one axle, or of the car. */
export const axleVerdicts = (context: Context, axle: Axle, rules: readonly Rule[] = OF_AXLE) => {
  const facts = factsOf(context, axle)
  return found(rules, (rule) => verdictsOf(rule, facts))
}
/** The rules of an axle that another part in a slot can make find something else. */
export const changedBy = (slot: AxleSlot, noted: SlotsRead): readonly Rule[] => OF_AXLE.filter((rule) => mayChange(rule, slot, noted))
export const carVerdicts = (context: Context) => {
  const facts = factsOf(context, 'front')
  return found(OF_CAR, (rule) => verdictsOf(rule, facts))
}
