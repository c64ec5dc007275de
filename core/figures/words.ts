import type { After, Verdict } from './verdict.ts'
import { notEnoughData } from '../records/question.ts'
import { inSentence } from '../quantity/format.ts'
import type { FigureCheck } from './check-result.ts'
import type { Missing } from './figure.ts'

/** Sentences a mechanic would say. */

/** Worst last. */
export const FINDING_ORDER: readonly Verdict[] = ['fits', 'check', 'needs', 'unknown', 'blocked']

/** What a part or a bundle would bring, in a word or two. */
export const FINDING_SHORT: Readonly<Record<Verdict, string>> = {
  blocked: 'do not build',
  unknown: 'not enough data',
  needs: 'needs a fix',
  check: 'check on the car',
  fits: 'OK',
}

/** What stands before a number that is only a bound of the true one. */
export const boundWord = ({ atLeast, atMost }: { atLeast?: boolean | undefined; atMost?: boolean | undefined }): string =>
  atLeast ? 'at least ' : atMost ? 'at most ' : ''

/** A count with its word: "1 pair", "3 pairs". */
export const counted = (count: number, one: string, many = `${one}s`): string => `${count} ${count === 1 ? one : many}`

/** What the whole setup is with something in it, and what that makes worse elsewhere. */
export function afterWords({ verdict, open, brings }: After): string {
  const left = open > 0 ? `, ${counted(open, 'check')} open` : ''
  const worse = brings.map((one) => `${inSentence(one.title)} (${FINDING_SHORT[one.verdict]})`)
  return `Whole setup after that: ${FINDING_SHORT[verdict]}${left}.${worse.length > 0 ? ` Worse: ${worse.join(', ')}.` : ''}`
}

/** Interfaces that have a figure of their own beside the rules of the fit check. */
export const RULE_TITLES: Readonly<Record<FigureCheck['rule'], string>> = {
  'wheel-clearance': 'Clearance of wheel and caliper',
  'master-stroke': 'Master cylinder stroke',
  abs: 'ABS',
  'lock-order': 'Lock-up order',
  'pedal-effort': 'Pedal force without booster',
}

/** The place of a verdict in that order. */
export const VERDICT_RANK: Readonly<Record<Verdict, number>> = { fits: 0, check: 1, needs: 2, unknown: 3, blocked: 4 }

export function worstVerdict(verdicts: readonly Verdict[]): Verdict {
  return verdicts.reduce(
    (worst: Verdict, verdict) => (FINDING_ORDER.indexOf(verdict) > FINDING_ORDER.indexOf(worst) ? verdict : worst),
    'fits',
  )
}

/** "Not enough data: enter hat thickness of X first; 2 to enter.", of one check. */
export const missingSentence = (missing: readonly Missing[]): string =>
  missing.length === 0 ? 'Not enough data: measure on the car.' : notEnoughData(missing)
