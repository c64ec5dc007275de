import type { Axle } from '../quantity/axle.ts'
import type { Project } from '../records/project.ts'
import type { VisualChecks, Setup } from '../records/setup.ts'
import { resolveSetup, stockSetup, type ResolvedAxle } from '../records/resolve.ts'
import type { RuleId } from './rules.ts'

/** Rules that only a look at the car can settle. */
export const VISUAL_CHECKS: readonly RuleId[] = ['knuckle-clear', 'parking-hold', 'dust-shield']

const BRAKE = ['caliper', 'bracket', 'rotor', 'pad'] as const

/** What is looked at when something is seen to hold: the brake of an axle. */
export const brakeOf = (axle: ResolvedAxle): Omit<VisualChecks, 'rules'> => ({
  parts: BRAKE.flatMap((slot) => axle[slot]?.id ?? []),
  shimMm: axle.shimMm,
})

/** The rules that were seen to hold in one setup with this very brake; with another one fitted they are to be seen again. */
export function visualChecksIn(setup: Setup, axle: Axle, fitted: ResolvedAxle): readonly string[] {
  const { seen } = setup[axle]
  if (!seen) return []
  const now = brakeOf(fitted)
  const same = seen.shimMm === now.shimMm && seen.parts.length === now.parts.length && seen.parts.every((id, i) => id === now.parts[i])
  return same ? seen.rules : []
}

/** … in the setup or in the car as it stands. */
export const visualChecksOn = (setup: Setup, stock: Setup, axle: Axle, fitted: ResolvedAxle): readonly string[] => [
  ...visualChecksIn(setup, axle, fitted),
  ...(setup === stock ? [] : visualChecksIn(stock, axle, fitted)),
]

/** Where a rule was seen to hold: with this setup, with the same brake on the car as it stands, or with another brake. */
export function visualCheckAt(project: Project, setup: Setup, axle: Axle, rule: RuleId): 'here' | 'asItStands' | 'otherBrake' | undefined {
  const fitted = resolveSetup(project, setup)[axle]
  if (visualChecksIn(setup, axle, fitted).includes(rule)) return 'here'
  const stock = stockSetup(project)
  if (visualChecksIn(stock, axle, fitted).includes(rule)) return 'asItStands'
  return setup[axle].seen?.rules.includes(rule) ? 'otherBrake' : undefined
}
