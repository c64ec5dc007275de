import type { FitFinding } from '../fit/finding.ts'
import { check } from '../fit/rule.ts'
import { RULES } from '../fit/rules.ts'
import type { Axle } from '../model/project.ts'
import { stockSetup } from '../model/resolve.ts'
import type { Context } from './context.ts'
import { VERDICT_RANK } from './words.ts'

/** Every interface of one axle, worst first; rules of one verdict in the order of building. */
export function fitFindings(context: Context, axle: Axle): FitFinding[] {
  const facts = { project: context.project, setup: context.setup, axle, resolved: context.resolved[axle], seen: seenOn(context, axle) }
  const found = RULES.flatMap((rule) => check(rule, facts) ?? [])
  return found.sort((a, b) => VERDICT_RANK[b.verdict] - VERDICT_RANK[a.verdict])
}

/** What was seen on the car as it stands still holds where a setup leaves the brake alone. */
export function seenOn({ setup, project }: Context, axle: Axle): readonly string[] {
  const own = setup[axle]
  const brakeIsStock = ([own.caliper, own.bracket, own.rotor, own.pad, own.shimMm] as unknown[]).every((one) => one === undefined)
  return [...(own.seen ?? []), ...(brakeIsStock ? (stockSetup(project)[axle].seen ?? []) : [])]
}
