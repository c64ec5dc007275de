import type { Axle } from '../quantity/axle.ts'
import type { Verdict } from '../figures/verdict.ts'
import type { Report } from './report.ts'
import { shownFinding } from './step-state.ts'

/** A check that outweighs what a headline would say otherwise. */
interface WorstCheck {
  verdict: Verdict
  sentence: string
  /** Of the checks that are as bad: how many there are. */
  count: number
}

/**
 * The worst of all checks of both axles and the hydraulics, where it is worse than the wheel clearance of one axle: the
 * step Fit opens with it.
 * @param frontFirstOf100 how probable the lock-up order is, percent, once that is computed
 */
export function worstCheck(report: Report, axle: Axle, frontFirstOf100?: number): WorstCheck | undefined {
  const here = report.findings.find((one) => one.rule === 'wheel-clearance' && one.axle === axle)
  const others = [...report.findings.filter((one) => one !== here).map((one) => shownFinding(report, one, frontFirstOf100)), ...report.fit]
  for (const verdict of ['blocked', 'needs'] as const) {
    if (here?.verdict === verdict) return undefined
    const found = others.filter((one) => one.verdict === verdict)
    if (found[0]) return { verdict, sentence: found[0].sentence, count: found.length }
  }
  return undefined
}
