import { notEnoughData, questionKey } from '../records/question.ts'
import type { Missing } from '../figures/figure.ts'
import type { FigureCheck } from '../figures/check-result.ts'
import type { Verdict } from '../figures/verdict.ts'
import type { Report } from './report.ts'

/** At least so probable counts as so, percent; below even odds it needs a fix. */
const SURE = 95
const EVEN = 50

/**
 * The verdict of the lock-up order with how probable it is: at least 95% is as the order itself, 50 to 95% is to be checked
 * on the car, less needs a fix.
 * @param of100 probability that the front locks first as far as required, percent; undefined: not computed
 *
 * @example
 * orderVerdict('fits', 48) // => 'needs'
 */
export function orderVerdict(verdict: Verdict, of100: number | undefined): Verdict {
  if (of100 === undefined || verdict === 'blocked' || verdict === 'unknown' || verdict === 'needs') return verdict
  if (of100 < EVEN) return 'needs'
  return of100 < SURE ? 'check' : verdict
}

/** What the step Balance waits for: one list, so that headline, status and page count the same. */
export function balanceMissing({ figures, findings }: Pick<Report, 'figures' | 'findings'>): Missing[] {
  const unknown = findings.filter((one) => one.rule !== 'wheel-clearance' && one.verdict === 'unknown')
  const all = [...figures['pedal.force'].missing, ...unknown.flatMap((one) => one.missing)]
  return [...new Map(all.map((one) => [questionKey(one), one])).values()]
}

/** The headline of the lock-up order: its own sentence, or the probability where that is what decides. */
export function orderHeadline(
  report: Pick<Report, 'figures' | 'findings'>,
  of100: number | undefined,
): { verdict: Verdict; sentence: string; beside: string[] } {
  const order = report.findings.find((one): one is FigureCheck => one.rule === 'lock-order')!
  const verdict = orderVerdict(order.verdict, of100)
  if (verdict === 'unknown') {
    const missing = balanceMissing(report)
    return { verdict, sentence: missing.length > 0 ? notEnoughData(missing) : order.sentence, beside: [] }
  }
  if (of100 === undefined || verdict === 'blocked') return { verdict, sentence: order.sentence, beside: [] }
  const probability = `${of100 >= 100 ? 'at least 99' : of100}% probability that the front locks first as far as required`
  return of100 >= SURE
    ? { verdict, sentence: order.sentence, beside: [`${sentenceCase(probability)}.`] }
    : { verdict, sentence: `Not confirmed: ${probability}.`, beside: [order.sentence] }
}

const sentenceCase = (text: string): string => text[0]!.toUpperCase() + text.slice(1)
