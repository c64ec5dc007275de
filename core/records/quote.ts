import type { Condition, Part } from './part.ts'
import type { Currency, Price } from './price.ts'
import type { Project } from './project.ts'
import type { Setup } from './setup.ts'
import type { PartKind } from './part-kinds.ts'

/** What a price desk is asked for: a part, and how many pieces of it a setup takes. */
export interface QuoteWanted {
  partId: string
  kind: PartKind
  name: string
  maker?: string
  number?: string
  pieces: number
  /** What it is thought to cost, minor units in the currency asked for. */
  guideMinor?: number
}

/** What a seller asks for it, on one day. */
export interface Quote {
  partId: string
  seller: string
  sellerKind: 'shop' | 'yard' | 'rebuilder'
  condition: Condition
  /** Of `pieces` pieces, minor units. */
  priceMinor: number
  pieces: number
  currency: Currency
  /** Packs on the shelf; 0: to order. */
  stock: number
  depositMinor?: number
  /** Of one parcel, whatever is in it. */
  shippingMinor: number
  days: number
  /** ISO date of the quote. */
  date: string
}

const slug = (text: string): string =>
  text
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 60) || 'seller'
export const shippingLineId = (seller: string): string => `shipping.${slug(seller)}`

/** The price that a quote is: certain, with its date and seller. */
const priceOfQuote = (quote: Quote): Price => ({
  lowMinor: quote.priceMinor,
  likelyMinor: quote.priceMinor,
  highMinor: quote.priceMinor,
  currency: quote.currency,
  pieces: quote.pieces,
  origin: 'published',
  date: quote.date,
  seller: quote.seller,
  ...(quote.depositMinor === undefined ? {} : { depositMinor: quote.depositMinor }),
})

/**
 * Takes a quote into a project: the part gets price, seller and condition, the setup one line of shipping for each seller
 * of its parts. Changes the draft it is given.
 */
export function takeQuote(draft: Project, setupId: string, quote: Quote): void {
  const part = draft.parts.find((one) => one.id === quote.partId)
  const setup = draft.setups.find((one) => one.id === setupId)
  if (!part || !setup) return
  const before = part.price?.seller
  part.price = priceOfQuote(quote)
  part.condition = quote.condition
  // what was looked over was another piece of this part
  if (quote.condition !== 'used') delete part.inspection
  const id = shippingLineId(quote.seller)
  if (!setup.extras.some((line) => line.id === id))
    setup.extras.push({
      id,
      label: `Shipping, ${quote.seller}`.slice(0, 120),
      kind: 'shipping',
      quantity: 1,
      price: {
        lowMinor: quote.shippingMinor,
        likelyMinor: quote.shippingMinor,
        highMinor: quote.shippingMinor,
        currency: quote.currency,
        pieces: 1,
        origin: 'published',
        date: quote.date,
        seller: quote.seller,
      },
    })
  if (before !== undefined && before !== quote.seller && !sellersOf(draft.parts, setup).has(before))
    setup.extras = setup.extras.filter((line) => line.id !== shippingLineId(before))
}

/** Who sells what stands in the slots of a setup. */
function sellersOf(parts: readonly Part[], setup: Setup): Set<string | undefined> {
  const ids = new Set<unknown>([setup.front, setup.rear, setup.hydraulics].flatMap((holder) => Object.values(holder)))
  return new Set(parts.filter((part) => ids.has(part.id)).map((part) => part.price?.seller))
}
