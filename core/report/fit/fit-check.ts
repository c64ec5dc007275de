import type { FitFinding } from '../../fit/finding.ts'
import type { Facts } from '../../fit/look.ts'
import { checkAll, verdictsOf } from '../../fit/rule.ts'
import { RULES } from '../../fit/rules.ts'
import { seenOn } from '../../fit/seen.ts'
import type { Axle } from '../../model/project.ts'
import { resolveSetup, stockSetup, type ResolvedSetup } from '../../model/resolve.ts'
import type { Context } from '../figure/read.ts'
import { VERDICT_RANK } from '../figure/words.ts'

const worstFirst = (a: FitFinding, b: FitFinding): number => VERDICT_RANK[b.verdict] - VERDICT_RANK[a.verdict]

const OF_AXLE = RULES.filter((rule) => rule.on !== 'car')
const OF_CAR = RULES.filter((rule) => rule.on === 'car')

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
    seen: seenOn(setup, stockSetup(project), axle, resolved[axle]),
  }
}

const stockParts = ({ project, isStock, resolved }: Context): ResolvedSetup =>
  isStock ? resolved : resolveSetup(project, stockSetup(project))

/** Every interface of one axle, worst first; rules of one verdict in the order of building. */
export function fitFindings(context: Context, axle: Axle): FitFinding[] {
  const facts = factsOf(context, axle)
  return OF_AXLE.flatMap((rule) => checkAll(rule, facts)).sort(worstFirst)
}

/** What concerns both axles. */
export function carFindings(context: Context): FitFinding[] {
  const facts = factsOf(context, 'front')
  return OF_CAR.flatMap((rule) => checkAll(rule, facts)).sort(worstFirst)
}

/** The verdicts alone: of one axle, or of the car. */
export const axleVerdicts = (context: Context, axle: Axle) => {
  const facts = factsOf(context, axle)
  return OF_AXLE.flatMap((rule) => verdictsOf(rule, facts))
}
export const carVerdicts = (context: Context) => {
  const facts = factsOf(context, 'front')
  return OF_CAR.flatMap((rule) => verdictsOf(rule, facts))
}
