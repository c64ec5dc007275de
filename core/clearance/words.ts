import type { Agreement } from './maths/agreement.ts'
import type { Gap } from './maths/gap.ts'
import type { ClearanceVerdict } from './maths/verdict.ts'
import { formatQuantity } from '../quantity/format.ts'
import { boundWords, rangeWords } from '../quantity/uncertainty-words.ts'
import type { UnitChoice } from '../quantity/units.ts'

/** What a corner says, as a mechanic would. */

export const PLACE_WORDS = { barrel: 'barrel', shoulder: 'shoulder', face: 'back of the spokes' } as const

export const VERDICT_SHORT: Record<ClearanceVerdict, string> = {
  clears: 'Clears',
  tight: 'Trial fit first',
  hits: 'Contact',
  tooClose: 'Too close',
  measure: 'Not enough data',
}

interface GapFacts {
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

/** The verdict on a clearance: "Clears: 4.1 mm at the shoulder, at least 3.2 mm (95% confidence)." */
export function clearanceSentence(verdict: ClearanceVerdict, facts: GapFacts, units: UnitChoice): string {
  const mm = (value: number) => formatQuantity(value, 'length', units)
  const bare = (value: number) => formatQuantity(value, 'length', units, { bare: true })
  const { gap, meanMm, p05Mm, p95Mm, requiredMm } = facts
  const where = `at the ${PLACE_WORDS[gap.limitingTag]}${gap.limitingOutline === 'body' ? '' : ` (${gap.limitingOutline})`}`
  switch (verdict) {
    case 'clears':
      return `Clears: ${mm(meanMm)}${facts.atLeast ? ' or more' : ''} ${where}, ${boundWords(mm(p05Mm))}.`
    case 'tight':
      return `Trial fit first: ${mm(meanMm)} ${where}, ${boundWords(mm(p05Mm))}; ${mm(requiredMm)} required.`
    case 'hits':
      return `Contact: caliper and wheel overlap by ${mm(-meanMm)} ${where}.`
    case 'tooClose':
      return `Too close: ${mm(meanMm)} ${where}, ${mm(requiredMm)} required.`
    case 'measure':
      if (facts.contradicted)
        return `Not enough data: trial fit and calculation disagree. Clearance ${where}: ${rangeWords(bare(p05Mm), mm(p95Mm))}. Check the entered values.`
      return `Not enough data: clearance ${where}, ${rangeWords(bare(p05Mm), mm(p95Mm))}; ${mm(requiredMm)} required.`
  }
}

/** What can be said of a body whose ends nobody measured, and that was taken as large as it can be. */
export function reachSentence({ gap, meanMm, requiredMm }: GapFacts, units: UnitChoice): string {
  const mm = (value: number) => formatQuantity(value, 'length', units)
  const where = `the ${PLACE_WORDS[gap.limitingTag]}`
  const least = meanMm < 0 ? `it could touch ${where}, with ${mm(-meanMm)} of overlap` : `it could come within ${mm(meanMm)} of ${where}`
  return `Not enough data: measure the ends of the caliper body. As large as possible, ${least}; ${mm(requiredMm)} required.`
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
        ? 'the barrel is the limit, and it does not widen inboard'
        : `the ${PLACE_WORDS[limitsAtMax]} is still too close`
    return `No spacer up to ${mm(maxMm)} helps: ${why}.`
  }
  if (stockMm === 0) return 'No spacer needed.'
  const least = leastMm === 0 ? 'The mean clearance needs no spacer' : `The mean clearance needs a ${mm(leastMm)} spacer`
  return stockMm === undefined
    ? `${least}, but no stock size up to ${mm(maxMm)} clears with 95% confidence.`
    : `${least}; the smallest stock size that clears with 95% confidence is ${mm(stockMm)}.`
}

/** What a trial fit adds to the figures, or that it contradicts them. */
export function trialSentence(trial: { valueMm: number; uMm: number } & Agreement, units: UnitChoice): string {
  const mm = (value: number) => formatQuantity(value, 'length', units)
  const seen = `The trial fit measured ${mm(trial.valueMm)}`
  return trial.agree
    ? `${seen} and agrees with the calculation; both are used.`
    : `${seen}, ${mm(Math.abs(trial.differenceMm))} ${trial.differenceMm < 0 ? 'less' : 'more'} than calculated, so one of them is wrong. Check the entered values and that every part was seated.`
}

/** Whether the tallest radius over the rotor's edge agrees with the one from the hub centre. */
export function twoWaysSentence(secondMm: number, { agree, differenceMm, allowedMm }: Agreement, units: UnitChoice): string {
  const mm = (value: number) => formatQuantity(value, 'length', units)
  return agree
    ? `Measured over the rotor's edge, the tallest radius is ${mm(secondMm)}. The two methods agree to ${mm(Math.abs(differenceMm))}.`
    : `Measured over the rotor's edge, the tallest radius is ${mm(secondMm)}: ${mm(Math.abs(differenceMm))} different, ${mm(allowedMm)} allowed. Measure both again, and measure the rotor's diameter with the rotor seated.`
}

export function agreementSentence(what: string, valueMm: number, { agree, differenceMm }: Agreement, units: UnitChoice): string {
  const mm = (value: number) => formatQuantity(value, 'length', units)
  return agree
    ? `This agrees with ${what}, ${mm(valueMm)}.`
    : `This differs from ${what}, ${mm(valueMm)}, by ${mm(Math.abs(differenceMm))}.`
}
