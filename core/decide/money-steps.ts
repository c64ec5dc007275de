/** A setup by its cost and by one other criterion, with standard uncertainties. */
interface PricedMark {
  name: string
  /** Minor units. */
  x: number
  y: number
  ux: number
  uy: number
}
/** What the step from one setup to the next dearer one that nothing beats costs and brings. */
export interface MoneyStep {
  from: string
  to: string
  costMinor: number
  /** In the criterion's unit; above zero: better, whichever way that is. */
  gain: number
  /** The same for each hundred of the currency. */
  gainPerHundred: number
  /** The gain is larger than twice its uncertainty; else the step may bring nothing. */
  isShown: boolean
}

/**
 * What more money buys, step by step along the setups that nothing beats, from the cheapest on. A step that costs nothing more has no
 * price, and is left out.
 *
 * @param front setups that no other beats in cost and in the criterion
 * @param better which way the criterion is better
 * @example
 * moneySteps([{ name: 'A', x: 0, y: 10, ux: 0, uy: 1 }, { name: 'B', x: 20000, y: 60, ux: 0, uy: 1 }], 'high')[0].gainPerHundred // => 25
 */
export function moneySteps(front: readonly PricedMark[], better: 'low' | 'high'): MoneyStep[] {
  const sorted = [...front].sort((a, b) => a.x - b.x)
  return sorted.slice(1).flatMap((to, i) => {
    const from = sorted[i]!
    const costMinor = to.x - from.x
    if (!(costMinor > 0)) return []
    const gain = better === 'high' ? to.y - from.y : from.y - to.y
    return [
      {
        from: from.name,
        to: to.name,
        costMinor,
        gain,
        gainPerHundred: (gain / costMinor) * HUNDRED_MINOR,
        isShown: gain > 2 * Math.hypot(from.uy, to.uy),
      },
    ]
  })
}
const HUNDRED_MINOR = 10_000
