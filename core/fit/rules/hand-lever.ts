import type { Rule } from '../rule.ts'
import { sameEnd } from './same-thread.ts'

/** A hydraulic hand lever sits in the rear line: its ends must meet it, and it holds no parked car. */
export const handLever: Rule = {
  id: 'hand-lever',
  title: 'Hydraulic hand lever',
  on: 'car',
  judge(look) {
    const { handLever: fitted } = look.facts.whole
    // few cars have one: where nobody says, there is none
    if (!fitted) return undefined
    look.touch(fitted)
    const ratio = look.of(fitted, 'leverRatio')
    const bore = look.of(fitted, 'boreMm')
    const [thread, seat] = [look.wordOf(fitted, 'portThread'), look.wordOf(fitted, 'portSeat')]
    const [lineThread, lineSeat] = [look.wholeCarWord('masterLineThread'), look.wholeCarWord('masterLineSeat')]
    const [seals, base] = [look.wordOf(fitted, 'seals'), look.facts.whole.fluid?.base]
    if (seals !== undefined && base !== undefined && seals !== base && (seals === 'mineral' || base === 'mineral'))
      return {
        verdict: 'blocked',
        safety: true,
        sentence: `The seals of ${fitted.name} are not made for the fluid in the system: they swell and fail.`,
      }
    if (ratio === undefined || bore === undefined || !thread || !seat || !lineThread || !lineSeat) return undefined
    const ends = sameEnd({ thread, seat }, { thread: lineThread, seat: lineSeat }, 'Hand lever in the rear line', () => [])
    if (ends.verdict !== 'fits') return ends
    return {
      verdict: 'check',
      safety: true,
      sentence:
        'It goes into the rear brake pipe and does not hold a parked car: keep the mechanical parking brake. Check local and class rules.',
    }
  },
}
