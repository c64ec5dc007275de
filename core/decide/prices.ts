import { roundMinor } from '../cost/maths/total.ts'
import type { Bundle } from '../records/bundle.ts'
import type { ExtraLine } from '../records/setup.ts'
import type { Part } from '../records/part.ts'
import type { Preferences } from '../records/preferences.ts'
import type { Price } from '../records/price.ts'

/**
 * What a part costs in a place, minor units with tax in the project's currency: nothing when it is there already or stands
 * there on the car; undefined without a price, or without the rate of its currency. Of one place alone: what both axles take from one pack is counted over the whole car.
 */
export function partCost(
  part: Part | null | undefined,
  onTheCar: Part | null | undefined,
  pieces: number,
  preferences: Preferences,
): number | undefined {
  if (!part || part.owned || part.id === onTheCar?.id) return 0
  return packsCost(part, pieces, preferences)
}
/** What so many pieces of a part cost, bought in whole packs, minor units; undefined without a price or a rate. */
export const packsCost = ({ price }: Part, pieces: number, preferences: Preferences): number | undefined =>
  price && inOwnCurrency(price, Math.ceil(pieces / price.pieces), preferences)
/** What a kit or donor costs bought whole, alike. */
export const bundleCost = ({ price }: Pick<Bundle, 'price'>, preferences: Preferences): number | undefined =>
  price && inOwnCurrency(price, 1, preferences)
/** What a line of a setup costs that is no part of it, alike; nothing where it is there already. */
export const extraCost = ({ price, quantity, owned }: ExtraLine, preferences: Preferences): number | undefined =>
  owned ? 0 : price && inOwnCurrency(price, quantity, preferences)

function inOwnCurrency(price: Price, quantity: number, { currency, rates, taxPercent }: Preferences): number | undefined {
  const rate = price.currency === currency ? 1 : rates.find((one) => one.currency === price.currency)?.rate
  return rate === undefined ? undefined : roundMinor(quantity * price.likelyMinor * rate * (1 + taxPercent / 100))
}
export const sumOrUnknown = (all: readonly (number | undefined)[]): number | undefined =>
  all.reduce<number | undefined>((sum, one) => (sum === undefined || one === undefined ? undefined : sum + one), 0)
