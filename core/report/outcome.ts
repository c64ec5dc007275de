import { findingKey } from '../fit/rule.ts'
import { AXLES, type Project } from '../model/project.ts'
import { findSetup, resolveSetup, stockSetup } from '../model/resolve.ts'
import type { Context } from './context.ts'
import { briefClearance } from './corner.ts'
import { carFindings, fitFindings } from './fit-check.ts'
import { pedalFindings } from './pedal-findings.ts'
import { RULE_TITLES, VERDICT_RANK, worstVerdict } from './words.ts'
import type { FindingVerdict } from './types.ts'

/** What became of one interface. */
export interface Settled {
  title: string
  verdict: FindingVerdict
}

/** Every finding of a setup by its place, in short: what a change is judged by before anybody makes it. */
export interface Outcome {
  verdict: FindingVerdict
  /** How many findings are blocked, unknown or need something. */
  open: number
  findings: ReadonlyMap<string, Settled>
}

/**
 * All findings of a setup without their sentences and drawings; the clearance by its linear estimate.
 * @throws RangeError when the project has no such setup
 */
export function outcomeOf(project: Project, setupId: string): Outcome {
  const setup = findSetup(project, setupId)
  if (!setup) throw new RangeError(`no setup ${setupId} in project ${project.id}`)
  const context: Context = { project, setup, isStock: setup === stockSetup(project), resolved: resolveSetup(project, setup) }
  const findings = new Map<string, Settled>()
  for (const one of [...AXLES.flatMap((axle) => fitFindings(context, axle)), ...carFindings(context)])
    findings.set(findingKey(one), { title: one.axle ? `${one.title}, ${one.axle}` : one.title, verdict: one.verdict })
  for (const axle of AXLES)
    findings.set(`${axle}.wheel-clearance`, {
      title: `${RULE_TITLES['wheel-clearance']}, ${axle}`,
      verdict: briefClearance(context, axle).verdict,
    })
  for (const one of pedalFindings(context)) findings.set(`car.${one.rule}`, { title: RULE_TITLES[one.rule], verdict: one.verdict })
  const verdicts = [...findings.values()].map((one) => one.verdict)
  return {
    verdict: worstVerdict(verdicts),
    open: verdicts.filter((one) => VERDICT_RANK[one] >= VERDICT_RANK.needs).length,
    findings,
  }
}

/** What a change makes worse: findings that were better, or were not there, and are open afterwards. */
export function worsened(before: Outcome, after: Outcome): Settled[] {
  return [...after.findings].flatMap(([key, now]) => {
    const then = before.findings.get(key)?.verdict ?? 'fits'
    return VERDICT_RANK[now.verdict] > VERDICT_RANK[then] ? [now] : []
  })
}

/** Whether one outcome is better than another: the worse verdict first, then what is left open. */
export const betterFirst = (a: Outcome, b: Outcome): number => VERDICT_RANK[a.verdict] - VERDICT_RANK[b.verdict] || a.open - b.open
