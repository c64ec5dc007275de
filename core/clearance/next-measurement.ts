import { measureNext, trialFitChances } from './maths/measure-next.ts'
import type { ClearanceVerdict } from './maths/verdict.ts'
import { gapGradient, NORMAL_P95 } from './maths/verdict.ts'
import { TIGHT_LIMIT_MM, type Preferences } from '../records/preferences.ts'
import { capital, formatQuantity, inSentence } from '../quantity/format.ts'
import { INSTRUMENTS } from '../quantity/instrument.ts'
import { probabilityWords } from '../quantity/uncertainty-words.ts'
import { PROPOSED_READINGS, uOfProposed, type GapInput } from './gap-inputs.ts'
import { requiredGapMm, type JudgedClearance } from './judge.ts'
import type { Place } from '../figures/figure.ts'
import { wholeParts } from '../quantity/whole-parts.ts'
import { PLACE_WORDS } from './words.ts'

/** One measurement that would narrow the gap, in words. */
export interface NextMeasurement {
  what: string
  at: Place
  /** Share of the gap's variance that it takes away or stands for. */
  share: number
  /** Standard uncertainty of the gap afterwards, mm. */
  leftMm: number
  /** How likely the verdict is settled afterwards. */
  settles: number
  sentence: string
  effect: string
}

const MOST_PROPOSALS = 5
/** Less of a chance than this is not worth a promise. */
const LEAST_CHANCE = 0.05

/**
 * The measurements that would narrow the gap most, in words, the most useful first: what to measure,
 * where, with what, and whether that can change the verdict. A trial fit is one of them.
 */
export function nextMeasurements(
  judged: JudgedClearance,
  inputs: readonly GapInput[],
  preferences: Preferences,
  trialAt: Place,
): NextMeasurement[] {
  const { gapPolicy, instrument, units } = preferences
  const limits = { requiredMm: judged.requiredMm, tightMm: TIGHT_LIMIT_MM }
  const mm = (value: number) => formatQuantity(value, 'length', units)
  const proposals = measureNext(judged.meanMm, gapGradient(judged.gap), inputs, limits)
  const [, radius] = judged.gap.wheelPoint
  const near = `at the ${PLACE_WORDS[judged.gap.limitingTag]}, radius ${formatQuantity(radius, 'length', units, { decimals: units.length === 'mm' ? 0 : 2 })}`

  const found = proposals.map(({ input, share, leftMm, chances }): NextMeasurement => ({
    what: input.what,
    at: input.at,
    share,
    leftMm,
    settles: 1 - chances.measure,
    sentence: `Measure ${inSentence(input.what)}: ${PROPOSED_READINGS} readings with a ${INSTRUMENTS[instrument].label}. It causes ${percent(share)} of the uncertainty${input.assumed ? ', which is assumed so far' : ''}.`,
    effect: `The clearance is then known to ± ${mm(NORMAL_P95 * leftMm)}. ${outlook(chances, judged.verdict)}`,
  }))
  if (!judged.trial && judged.uMm > 0) {
    const trialRequired = { requiredMm: requiredGapMm(gapPolicy, true), tightMm: TIGHT_LIMIT_MM }
    const { leftMm, chances } = trialFitChances(judged.meanMm, judged.uMm, uOfProposed('clay'), trialRequired)
    found.push({
      what: 'Trial fit',
      at: trialAt,
      share: 1 - (leftMm / judged.uMm) ** 2,
      leftMm,
      settles: 1 - chances.measure,
      sentence: `Trial fit: bolt these parts to the car and measure the clearance with clay or feeler gauges ${near}.`,
      effect: `The clearance is then known to ± ${mm(NORMAL_P95 * leftMm)}${trialRequired.requiredMm < judged.requiredMm ? ` and ${mm(trialRequired.requiredMm)} is enough` : ''}: ${outlook(chances, judged.verdict)}`,
    })
  }
  // what settles most comes first; among equals what leaves least
  const settles = (one: NextMeasurement) => Math.round(one.settles * 20)
  return found.sort((a, b) => settles(b) - settles(a) || a.leftMm - b.leftMm).slice(0, MOST_PROPOSALS)
}

const WORDS: Record<ClearanceVerdict, string> = {
  clears: 'that it clears',
  tight: 'that a trial fit is needed',
  hits: 'of contact',
  tooClose: 'that it is too close',
  measure: 'that it stays open',
}

/** "70% probability that it clears, 30% probability that it stays open." */
function outlook(chances: Record<ClearanceVerdict, number>, now: ClearanceVerdict): string {
  const likely = (Object.entries(chances) as [ClearanceVerdict, number][])
    .filter(([, chance]) => chance >= LEAST_CHANCE)
    .sort((a, b) => b[1] - a[1])
  if (likely.length === 1 && likely[0]![0] === now)
    return now === 'measure' ? 'This alone does not decide the verdict.' : 'The verdict stays the same.'
  // of what is named the parts add up to ten; what is not named is rarer than all of it
  const together = likely.reduce((sum, [, chance]) => sum + chance, 0)
  const tenths = wholeParts(
    likely.map(([, chance]) => chance / together),
    10,
  )
  const [only] = likely
  // what is too rare to be named may add up: one outcome alone is given its own chance
  if (likely.length === 1) return `${capital(probabilityWords(only![1]))} ${WORDS[only![0]]}.`
  const share = (i: number) => (tenths[i] === 0 ? 'less than 10%' : `${tenths[i]}0%`)
  return `${capital(likely.map(([verdict], i) => `${share(i)} probability ${WORDS[verdict]}`).join(', '))}.`
}

const percent = (share: number): string => `${Math.round(share * 100)}%`
