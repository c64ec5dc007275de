import type { InterfaceCheck } from '../fit/interface-check.ts'
import type { Facts } from '../fit/rule-inputs.ts'
import { checkAll, verdictsOf, type Rule } from '../fit/rule.ts'
import { RULES } from '../fit/rules.ts'
import type { Verdict } from '../figures/verdict.ts'
import { VERDICT_RANK } from '../figures/words.ts'
import type { SearchQuery } from './search-space.ts'

/** What a rule finds of a combination, as far as a search has to know. */
export interface Ruled {
  verdict: Verdict
  /** It needs something that is no part yet: a piece to buy, or shims. */
  piece: boolean
}

const CURED_WITHOUT_A_PART = (one: InterfaceCheck): boolean =>
  one.remedies.some((remedy) => remedy.kind === 'piece' || remedy.kind === 'shim')

/**
 * The worst that a rule finds; a need that no piece cures is a blocker: the part that cures it is another combination.
 * @param pieces whether a piece may cure it; else no need for one is looked into
 */
export function ruledBy(rule: Rule, facts: Facts, pieces = true): Ruled {
  let worst: Verdict = 'fits'
  for (const one of verdictsOf(rule, facts)) if (VERDICT_RANK[one.verdict] > VERDICT_RANK[worst]) worst = one.verdict
  if (worst !== 'needs' || !pieces) return { verdict: worst, piece: false }
  const needs = checkAll(rule, facts).filter((one) => one.verdict === 'needs')
  return needs.every(CURED_WITHOUT_A_PART) ? { verdict: 'needs', piece: true } : { verdict: 'blocked', piece: false }
}

/** Whether what a rule finds is more than the search lets through. */
export function rejects({ verdict, piece }: Ruled, rule: string, { musts }: SearchQuery): boolean {
  if (verdict === 'blocked') return true
  if (verdict === 'unknown') return musts.known
  if (verdict === 'needs') return !piece || musts.noPieces
  if (rule === 'parking-brake' && musts.parkingBrake) return verdict !== 'fits'
  return rule === 'wheel-clearance' && musts.clears && verdict !== 'fits'
}

/** What two parts decide and rules most out is asked first; the rest in the order in which a car is built. */
const FIRST: readonly string[] = [
  'parking-brake',
  'mount',
  'hub-pattern',
  'disc-thickness',
  'pad-shape',
  'disc-diameter',
  'handedness',
  'hose-caliper-end',
  'hose-line-end',
  'wheel-pattern',
]
const rank = ({ id }: Rule): number => (FIRST.includes(id) ? FIRST.indexOf(id) : FIRST.length)
export const AXLE_RULES: readonly Rule[] = RULES.filter((rule) => rule.on !== 'car').sort((a, b) => rank(a) - rank(b))
export const CAR_RULES: readonly Rule[] = RULES.filter((rule) => rule.on === 'car')
