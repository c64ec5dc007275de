import type { Agreement } from '../../clearance/agreement.ts'
import type { Gap } from '../../clearance/gap.ts'
import type { ClearanceVerdict } from '../../clearance/verdict.ts'
import { formatQuantity } from '../../quantity/format.ts'
import type { UnitChoice } from '../../quantity/units.ts'

/** What a corner says, as a mechanic would. */

export const PLACE_WORDS = { barrel: 'barrel', shoulder: 'shoulder', face: 'spoke back' } as const

export const VERDICT_SHORT: Record<ClearanceVerdict, string> = {
  clears: 'Clears',
  tight: 'Tight: trial fit first',
  hits: 'Hits',
  tooClose: 'Too close',
  measure: 'Cannot say: measure',
}

export interface GapFacts {
  gap: Gap
  meanMm: number
  p05Mm: number
  p95Mm: number
  requiredMm: number
  /** A trial fit says something else than the figures. */
  contradicted?: boolean
  /** The body was taken as large as it can be: the true gap is not less. */
  atLeast?: boolean
}

/** The verdict on a gap: "Clears. Least gap 4.1 mm at the shoulder, 95 % sure of more than 3.2." */
export function clearanceSentence(verdict: ClearanceVerdict, facts: GapFacts, units: UnitChoice): string {
  const mm = (value: number) => formatQuantity(value, 'length', units)
  const bare = (value: number) => formatQuantity(value, 'length', units, { bare: true })
  const { gap, meanMm, p05Mm, p95Mm, requiredMm } = facts
  const where = `at the ${PLACE_WORDS[gap.limitingTag]}${gap.limitingOutline === 'body' ? '' : ` (${gap.limitingOutline})`}`
  switch (verdict) {
    case 'clears':
      return `Clears. Least gap ${facts.atLeast ? 'no less than ' : ''}${mm(meanMm)} ${where}, 95 % sure of more than ${bare(p05Mm)}.`
    case 'tight':
      return `Tight: trial fit first. Least gap ${mm(meanMm)} ${where}, 95 % sure of more than ${bare(p05Mm)}; ${mm(requiredMm)} is asked for.`
    case 'hits':
      return `Hits. The caliper reaches ${mm(-meanMm)} into the wheel ${where}.`
    case 'tooClose':
      return `Too close. Least gap ${mm(meanMm)} ${where}, ${mm(requiredMm)} is asked for. No measurement will change that.`
    case 'measure':
      if (facts.contradicted)
        return `Cannot say: the trial fit and the figures do not agree. The gap ${where} is between ${bare(p05Mm)} and ${mm(p95Mm)}; look for the wrong figure.`
      return `Cannot say: measure. The gap ${where} is between ${bare(p05Mm)} and ${mm(p95Mm)}; ${mm(requiredMm)} is asked for.`
  }
}

/** What can be said of a body whose ends nobody measured, and that was taken as large as it can be. */
export function reachSentence({ gap, meanMm, requiredMm }: GapFacts, units: UnitChoice): string {
  const mm = (value: number) => formatQuantity(value, 'length', units)
  const where = `the ${PLACE_WORDS[gap.limitingTag]}`
  const least = meanMm < 0 ? `it could reach ${mm(-meanMm)} into ${where}` : `it could come as near as ${mm(meanMm)} to ${where}`
  return `Cannot say yet: where the body ends was not measured, and ${least}; ${mm(requiredMm)} is asked for.`
}

/** Which spacer clears, or why none does. */
export function spacerWords(
  leastMm: number | undefined,
  stockMm: number | undefined,
  maxMm: number,
  limitsAtMax: keyof typeof PLACE_WORDS,
  units: UnitChoice,
): string {
  const mm = (value: number) => formatQuantity(value, 'length', units)
  if (leastMm === undefined) {
    const why =
      limitsAtMax === 'barrel'
        ? 'the barrel limits, and it does not open towards the car'
        : `the ${PLACE_WORDS[limitsAtMax]} is still too near`
    return `No spacer up to ${mm(maxMm)} helps: ${why}.`
  }
  if (stockMm === 0) return 'None is needed.'
  const least = leastMm === 0 ? 'By the mean gap none is needed' : `By the mean gap ${mm(leastMm)} is enough`
  return stockMm === undefined
    ? `${least}, but no stock size up to ${mm(maxMm)} clears for sure.`
    : `${least}; the smallest stock size that clears for sure is ${mm(stockMm)}.`
}

/** What a trial fit adds to the figures, or that it contradicts them. */
export function trialSentence(trial: { valueMm: number; uMm: number } & Agreement, units: UnitChoice): string {
  const mm = (value: number) => formatQuantity(value, 'length', units)
  const seen = `The trial fit saw ${mm(trial.valueMm)}`
  return trial.agree
    ? `${seen} and agrees with the figures; both count.`
    : `${seen}, ${mm(Math.abs(trial.differenceMm))} ${trial.differenceMm < 0 ? 'less' : 'more'} than the figures say: one of them is wrong. Look for a mistyped figure or a part that was not seated.`
}

/** Whether the tallest radius over the rotor's edge agrees with the one from the hub centre. */
export function twoWaysSentence(secondMm: number, { agree, differenceMm, allowedMm }: Agreement, units: UnitChoice): string {
  const mm = (value: number) => formatQuantity(value, 'length', units)
  return agree
    ? `Two ways agree: over the rotor's edge the tallest radius is ${mm(secondMm)}, ${mm(Math.abs(differenceMm))} off.`
    : `Two ways do not agree: over the rotor's edge the tallest radius is ${mm(secondMm)}, ${mm(Math.abs(differenceMm))} off where ${mm(allowedMm)} could be scatter. Measure both again; is the rotor seated and its diameter measured, not copied?`
}

export function agreementSentence(what: string, valueMm: number, { agree, differenceMm }: Agreement, units: UnitChoice): string {
  const mm = (value: number) => formatQuantity(value, 'length', units)
  return agree
    ? `It agrees with ${what}, ${mm(valueMm)}.`
    : `It does not agree with ${what}, ${mm(valueMm)}: ${mm(Math.abs(differenceMm))} apart.`
}
