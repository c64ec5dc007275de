import type { WorkBudget } from '../maths/work-budget.ts'
import { checkKey, type CheckPlace, type Rule } from '../fit/rule.ts'
import type { InterfaceCheck } from '../fit/interface-check.ts'
import { AXLES, type Axle } from '../quantity/axle.ts'
import type { Project } from '../records/project.ts'
import { findSetup, resolveSetup, stockSetup } from '../records/resolve.ts'
import type { Context } from '../figures/read.ts'
import { briefClearance } from '../clearance/corner.ts'
import { axleVerdicts, carVerdicts } from '../fit/fit-check.ts'
import { pedalFindings } from '../balance/pedal-findings.ts'
import type { StockBrakes } from '../balance/pedal-to-road.ts'
import { RULE_TITLES, VERDICT_RANK, worstVerdict } from '../figures/words.ts'
import type { FigureCheck } from '../figures/check-result.ts'
import type { Verdict } from '../figures/verdict.ts'

/** What became of one interface. */
export interface Settled {
  title: string
  verdict: Verdict
}

/** Every finding of a setup by its place, in short: what a change is judged by before anybody makes it. */
export interface Outcome {
  verdict: Verdict
  /** How many findings are blocked, unknown or need something. */
  open: number
  findings: ReadonlyMap<string, Settled>
}

/** What of a setup a change can reach; all else is as it was. */
export interface OutcomeReach {
  /** What it was before. */
  from: Outcome
  axles: readonly Axle[]
  /** All that it can make find something else beside the gaps of those axles; absent: every rule. */
  rules?: readonly Rule[]
  /** Whether pedal and balance may change with it. */
  pedal: boolean
  /** What the car brakes with as it stands, where it is known already. */
  stock?: StockBrakes
  /** What looking at gaps may cost. */
  effort?: WorkBudget
}

const PEDAL_RULES = ['master-stroke', 'abs', 'lock-order', 'pedal-effort'] as const

/**
 * All findings of a setup without their sentences and drawings; the clearance by its linear estimate.
 * @param reach only what a change can reach is looked at anew
 * @throws RangeError when the project has no such setup
 */
export function outcomeOf(project: Project, setupId: string, reach?: OutcomeReach): Outcome {
  const setup = findSetup(project, setupId)
  if (!setup) throw new RangeError(`no setup ${setupId} in project ${project.id}`)
  const context: Context = {
    project,
    setup,
    isStock: setup === stockSetup(project),
    resolved: resolveSetup(project, setup),
    ...(reach?.effort ? { effort: reach.effort } : {}),
  }
  if (reach?.rules) return outcomeOfFew(context, reach, reach.rules)
  const findings = new Map<string, Settled>()
  const fit = (one: CheckPlace & Settled) => findings.set(checkKey(one), settled(one))
  const kept = reach ? AXLES.filter((axle) => !reach.axles.includes(axle)) : []
  if (kept.length > 0)
    reach!.from.findings.forEach((one, key) => {
      for (const axle of kept) if (key.startsWith(axle)) findings.set(key, one)
    })
  for (const axle of AXLES) {
    if (kept.includes(axle)) continue
    axleVerdicts(context, axle).forEach(fit)
    findings.set(`${axle}.wheel-clearance`, clearanceOf(context, axle))
  }
  carVerdicts(context).forEach(fit)
  if (reach && !reach.pedal) {
    for (const rule of PEDAL_RULES) {
      const one = reach.from.findings.get(`car.${rule}`)
      if (one) findings.set(`car.${rule}`, one)
    }
  } else
    for (const one of pedalFindings(context, reach?.stock))
      findings.set(`car.${one.rule}`, { title: RULE_TITLES[one.rule], verdict: one.verdict })
  return summed(findings)
}

const settled = ({ title, axle, verdict }: CheckPlace & Settled): Settled => ({ title: axle ? `${title}, ${axle}` : title, verdict })
const clearanceOf = (context: Context, axle: Axle): Settled => ({
  title: `${RULE_TITLES['wheel-clearance']}, ${axle}`,
  verdict: briefClearance(context, axle).verdict,
})

/** All findings as they were but those that a few rules and the gap make. */
function outcomeOfFew(context: Context, { from, axles }: OutcomeReach, rules: readonly Rule[]): Outcome {
  const findings = new Map(from.findings)
  for (const axle of axles) {
    for (const rule of rules) for (const slot of rule.each ?? [undefined]) findings.delete(checkKey({ rule: rule.id, axle, slot }))
    for (const one of axleVerdicts(context, axle, rules)) findings.set(checkKey(one), settled(one))
    findings.set(`${axle}.wheel-clearance`, clearanceOf(context, axle))
  }
  return summed(findings)
}

/** The outcome that a report's findings are. */
export function outcomeFrom(fit: readonly InterfaceCheck[], findings: readonly FigureCheck[]): Outcome {
  const all = new Map<string, Settled>()
  for (const one of fit) all.set(checkKey(one), { title: one.axle ? `${one.title}, ${one.axle}` : one.title, verdict: one.verdict })
  for (const one of findings)
    all.set(`${one.axle ?? 'car'}.${one.rule}`, {
      title: one.axle ? `${RULE_TITLES[one.rule]}, ${one.axle}` : RULE_TITLES[one.rule],
      verdict: one.verdict,
    })
  return summed(all)
}

function summed(findings: ReadonlyMap<string, Settled>): Outcome {
  const verdicts = [...findings.values()].map((one) => one.verdict)
  return {
    verdict: worstVerdict(verdicts),
    open: verdicts.filter((one) => VERDICT_RANK[one] >= VERDICT_RANK.needs).length,
    findings,
  }
}

/** What a change makes worse: findings that were better, or were not there, and are open afterwards. */
export function worsened(before: Outcome, after: Outcome): Settled[] {
  const worse: Settled[] = []
  after.findings.forEach((now, key) => {
    const then = before.findings.get(key)?.verdict ?? 'fits'
    if (VERDICT_RANK[now.verdict] > VERDICT_RANK[then]) worse.push(now)
  })
  return worse
}

/** Whether one outcome is better than another: the worse verdict first, then what is left open. */
export const betterFirst = (a: Outcome, b: Outcome): number => VERDICT_RANK[a.verdict] - VERDICT_RANK[b.verdict] || a.open - b.open
