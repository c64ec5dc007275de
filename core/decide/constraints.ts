import { formatMoney } from '../quantity/format.ts'
import { FRONT_FIRST_TO_G, type AssignedBrakes, type CarAsked, type Weighed } from './figures-of.ts'
import type { SearchSpace } from './search-space.ts'

/** How far over a limit is "by little": a share of the budget, of the pedal's band, of the deceleration. */
export const LITTLE = { budget: 0.15, pedal: 0.25, frontFirstG: 0.7 }

interface FailedConstraint {
  id: string
  little: boolean
  words: string
}

/** Musts that fail, and whether by little. */
export function failedConstraint(
  { ask: { musts }, project }: SearchSpace,
  { low, high }: CarAsked['bandN'],
  { cost }: Weighed,
  { pedalN, rearFirstG }: AssignedBrakes,
): FailedConstraint[] {
  const fails: FailedConstraint[] = []
  if (musts.budgetMinor !== undefined && (cost === undefined || cost > musts.budgetMinor))
    fails.push({
      id: 'budget',
      little: cost !== undefined && cost <= musts.budgetMinor * (1 + LITTLE.budget),
      words:
        cost === undefined
          ? 'a price is missing'
          : `${formatMoney(cost - musts.budgetMinor, project.preferences.currency)} over the budget`,
    })
  if (musts.frontFirst && (rearFirstG === undefined ? musts.known : rearFirstG < FRONT_FIRST_TO_G))
    fails.push({
      id: 'front-first',
      little: rearFirstG !== undefined && rearFirstG >= LITTLE.frontFirstG,
      words: rearFirstG === undefined ? 'the lock-up order is unknown' : `the rear first from ${rearFirstG.toFixed(2)} g`,
    })
  if (musts.pedal && (pedalN === undefined ? musts.known : pedalN < low || pedalN > high))
    fails.push({
      id: 'pedal-band',
      little: pedalN !== undefined && pedalN >= low * (1 - LITTLE.pedal) && pedalN <= high * (1 + LITTLE.pedal),
      words: pedalN === undefined ? 'the pedal force is unknown' : `${Math.round(pedalN)} N at the pedal`,
    })
  return fails
}
