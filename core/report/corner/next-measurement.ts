import { measureNext, trialFitChances } from '../../clearance/measure-next.ts'
import type { ClearanceVerdict } from '../../clearance/verdict.ts'
import { gapGradient, NORMAL_P95 } from '../../clearance/verdict.ts'
import { TIGHT_LIMIT_MM, type Preferences } from '../../model/project.ts'
import { formatQuantity } from '../../quantity/format.ts'
import { INSTRUMENTS } from '../../quantity/instrument.ts'
import { PROPOSED_READINGS, uOfProposed, type GapInput } from './gap-inputs.ts'
import { requiredGapMm, type Judged } from './judge.ts'
import type { Place } from '../figure/figure.ts'
import { wholeParts } from '../../quantity/whole-parts.ts'
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
export function nextMeasurements(judged: Judged, inputs: readonly GapInput[], preferences: Preferences, trialAt: Place): NextMeasurement[] {
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
    sentence: `Measure: ${lowerFirst(input.what)}, ${PROPOSED_READINGS} readings with a ${INSTRUMENTS[instrument].label}. ${percent(share)} of the doubt lies there${input.assumed ? ', and how sure it is was only assumed' : ''}.`,
    effect: `The gap is then known to ± ${mm(NORMAL_P95 * leftMm)}: ${outlook(chances, judged.verdict)}`,
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
      sentence: `Trial fit: these parts bolted up on this car, the gap taken with clay or feeler gauges ${near}.`,
      effect: `The gap is then known to ± ${mm(NORMAL_P95 * leftMm)}${trialRequired.requiredMm < judged.requiredMm ? ` and ${mm(trialRequired.requiredMm)} is enough` : ''}: ${outlook(chances, judged.verdict)}`,
    })
  }
  // what settles most comes first; among equals what leaves least
  const settles = (one: NextMeasurement) => Math.round(one.settles * 20)
  return found.sort((a, b) => settles(b) - settles(a) || a.leftMm - b.leftMm).slice(0, MOST_PROPOSALS)
}

const WORDS: Record<ClearanceVerdict, string> = {
  clears: 'clears',
  tight: 'is tight enough for a trial fit only',
  hits: 'hits',
  tooClose: 'is too close',
  measure: 'is still open',
}

/** "it clears in 7 of 10 cases, is still open in 3." */
function outlook(chances: Record<ClearanceVerdict, number>, now: ClearanceVerdict): string {
  const likely = (Object.entries(chances) as [ClearanceVerdict, number][])
    .filter(([, chance]) => chance >= LEAST_CHANCE)
    .sort((a, b) => b[1] - a[1])
  if (likely.length === 1 && likely[0]![0] === now)
    return now === 'measure' ? 'alone it cannot settle the verdict.' : 'the verdict stays as it is.'
  // of what is named the parts add up to ten; what is not named is rarer than all of it
  const together = likely.reduce((sum, [, chance]) => sum + chance, 0)
  const tenths = wholeParts(
    likely.map(([, chance]) => chance / together),
    10,
  )
  const cases = (i: number) =>
    likely.length === 1 && likely[0]![1] < 1 ? 'nearly 10' : tenths[i] === 0 ? 'less than 1' : String(tenths[i])
  return `it ${likely.map(([verdict], i) => `${WORDS[verdict]} in ${cases(i)}${i === 0 ? ' of 10 cases' : ''}`).join(', ')}.`
}

const percent = (share: number): string => `${Math.round(share * 100)}\u202f%`
const lowerFirst = (text: string): string => (/^[A-Z][a-z]/.test(text) ? text[0]!.toLowerCase() + text.slice(1) : text)
