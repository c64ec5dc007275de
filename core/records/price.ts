import { origin } from './record-fields.ts'
import { date, defineRecord, flag, isObject, labelled, needed, number, oneOf, string, type RecordRule, type ValueOf } from './record.ts'

export const CURRENCIES = ['EUR', 'USD', 'GBP', 'CHF', 'SEK', 'NOK', 'DKK', 'PLN', 'CZK', 'CAD', 'AUD', 'NZD'] as const
export type Currency = (typeof CURRENCIES)[number]

/** An amount of money in minor units. */
export const minor = () =>
  number(0, 1e10, '', {
    integer: true,
    tooSmall: 'must not be negative',
    tooLarge: 'is too large',
  })

const RISE: RecordRule = {
  name: 'order',
  message: 'low, expected and high price must rise',
  holds: (price) => {
    if (!isObject(price)) return true
    const { lowMinor: low, likelyMinor: likely, highMinor: high } = price
    return typeof low !== 'number' || typeof likely !== 'number' || typeof high !== 'number' || (low <= likely && likely <= high)
  },
}
export const priceRecord = defineRecord(
  {
    lowMinor: labelled('low', needed(minor(), 'the low price is missing')),
    likelyMinor: labelled('likely', needed(minor(), 'the expected price is missing')),
    highMinor: labelled('high', needed(minor(), 'the high price is missing')),
    currency: needed(oneOf(CURRENCIES), 'the currency is missing'),
    /** Pieces that the price buys; a pad set for one axle is one piece. */
    pieces: needed(number(1, 100, '', { integer: true, tooSmall: 'must be 1 or more' }), 'how many pieces the price buys is missing'),
    origin: origin(),
    date: date(),
    /** Who asks it. */
    seller: string(),
    /** Refundable when the old part comes back; shown apart from the sum. */
    depositMinor: minor(),
  },
  [RISE],
)
export type Price = ValueOf<typeof priceRecord>
/** Already on the car or on the shelf: costs nothing. */
export const owned = flag
