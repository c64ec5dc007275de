import type { Quote, QuoteWanted } from '../../core/records/quote.ts'
import { PART_KIND_NAMES, type PartKind } from '../../core/records/part-kinds.ts'
import { CURRENCIES, type Currency } from '../../core/records/price.ts'
import type { Condition } from '../../core/records/part.ts'

/**
 * A stand-in for outside price services: an invented set of suppliers and yards whose quotes vary by day and stock
 * from a seed. The same request on the same day gives the same answer.
 */

interface Seller {
  name: string
  kind: Quote['sellerKind']
  condition: Condition
  /** Against the usual price of a new part. */
  level: number
  /** How likely it has a part at all. */
  has: number
  shippingMinor: number
  days: readonly [number, number]
  not?: readonly PartKind[]
}

export const SELLERS: readonly Seller[] = [
  { name: 'Hazelmere Motor Factors', kind: 'shop', condition: 'new', level: 1.04, has: 0.9, shippingMinor: 690, days: [1, 3] },
  { name: 'Thornbury Brake Supply', kind: 'shop', condition: 'new', level: 0.96, has: 0.75, shippingMinor: 980, days: [2, 6] },
  {
    name: 'Copse End Rebuilders',
    kind: 'rebuilder',
    condition: 'remanufactured',
    level: 0.66,
    has: 0.7,
    shippingMinor: 1150,
    days: [3, 9],
    not: ['pad', 'hose', 'fluid', 'wheel', 'spacer', 'rotor', 'valve', 'other', 'bracket'],
  },
  {
    name: 'Marlpit Breakers',
    kind: 'yard',
    condition: 'used',
    level: 0.36,
    has: 0.5,
    shippingMinor: 1400,
    days: [2, 8],
    not: ['pad', 'fluid', 'hose'],
  },
  {
    name: 'Old Quarry Salvage',
    kind: 'yard',
    condition: 'used',
    level: 0.3,
    has: 0.4,
    shippingMinor: 1600,
    days: [3, 12],
    not: ['pad', 'fluid', 'hose'],
  },
]

/** Usual price of one piece, new, minor units of the currency asked for. */
const USUAL: Record<PartKind, number> = {
  caliper: 16_000,
  drum: 11_000,
  rotor: 6_500,
  pad: 5_500,
  bracket: 4_500,
  hose: 2_400,
  wheel: 15_000,
  spacer: 1_200,
  masterCylinder: 11_000,
  booster: 21_000,
  valve: 7_000,
  fluid: 1_600,
  handLever: 9_500,
  other: 3_000,
}

/** 32-bit hash of a text (G. Fowler, L. Noll, K. Vo: FNV-1a), as a share from 0 to 1. */
function chance(...parts: readonly string[]): number {
  let hash = 0x811c9dc5
  for (const sign of parts.join('\u0000')) {
    hash ^= sign.codePointAt(0)!
    hash = Math.imul(hash, 0x01000193)
  }
  hash ^= hash >>> 15
  hash = Math.imul(hash, 0x2c1b3c6d)
  hash ^= hash >>> 12
  return (hash >>> 0) / 2 ** 32
}

/** Quotes for what is wanted, each part's cheapest first. */
export function quotesFor(wanted: readonly QuoteWanted[], currency: Currency, date: string): Quote[] {
  return wanted.flatMap((one) =>
    SELLERS.flatMap((seller): Quote[] => {
      const about = [seller.name, one.kind, one.maker ?? '', one.number ?? one.name] as const
      if (seller.not?.includes(one.kind) || chance('has', ...about) > seller.has) return []
      const steady = 0.9 + 0.2 * chance('level', ...about)
      const today = 0.97 + 0.06 * chance('day', date, ...about)
      const each = one.guideMinor === undefined ? USUAL[one.kind] : one.guideMinor / Math.max(1, one.pieces)
      const pieces = seller.kind === 'shop' && one.kind !== 'pad' && one.kind !== 'fluid' && one.pieces % 2 === 0 ? 2 : 1
      const [soon, late] = seller.days
      const stock = Math.floor(5 * chance('stock', date, ...about))
      const priceMinor = Math.max(100, Math.round((each * pieces * seller.level * steady * today) / 50) * 50)
      return [
        {
          partId: one.partId,
          seller: seller.name,
          sellerKind: seller.kind,
          condition: seller.condition,
          priceMinor,
          pieces,
          currency,
          stock,
          ...(seller.kind === 'rebuilder' ? { depositMinor: Math.round((priceMinor * 0.3) / 500) * 500 } : {}),
          shippingMinor: seller.shippingMinor,
          days: soon + Math.round((late - soon) * chance('days', date, ...about)) + (stock === 0 ? 7 : 0),
          date,
        },
      ]
    }).sort((a, b) => a.priceMinor / a.pieces - b.priceMinor / b.pieces),
  )
}

type ReadRequest = { ok: true; wanted: QuoteWanted[]; currency: Currency; date: string } | { ok: false; message: string }
const MOST_WANTED = 200
const isText = (value: unknown, most: number): value is string => typeof value === 'string' && value.length > 0 && value.length <= most

/** Reads what came in with a request; whatever it is, the answer is a request or what is wrong with it. */
export function readQuoteRequest(body: unknown): ReadRequest {
  const fail = (message: string): ReadRequest => ({ ok: false, message })
  if (typeof body !== 'object' || body === null) return fail('The body must be { wanted, currency, date }.')
  const { wanted, currency, date } = body as Record<string, unknown>
  if (!(CURRENCIES as readonly unknown[]).includes(currency)) return fail(`currency must be one of ${CURRENCIES.join(', ')}.`)
  if (!isText(date, 10) || !/^\d{4}-\d{2}-\d{2}$/.test(date)) return fail('date must be written 2026-05-11.')
  if (!Array.isArray(wanted) || wanted.length > MOST_WANTED) return fail(`wanted must be a list of at most ${MOST_WANTED} parts.`)
  const read: QuoteWanted[] = []
  for (const [index, value] of wanted.entries()) {
    const one = (value ?? {}) as Record<string, unknown>
    const at = `wanted[${index}]`
    if (!isText(one.partId, 80)) return fail(`${at}.partId is missing.`)
    if (!(PART_KIND_NAMES as readonly unknown[]).includes(one.kind)) return fail(`${at}.kind must be one of ${PART_KIND_NAMES.join(', ')}.`)
    if (!isText(one.name, 120)) return fail(`${at}.name is missing.`)
    if (typeof one.pieces !== 'number' || !Number.isInteger(one.pieces) || one.pieces < 1 || one.pieces > 100)
      return fail(`${at}.pieces must be a whole number from 1 to 100.`)
    const guide = one.guideMinor
    if (guide !== undefined && (typeof guide !== 'number' || !Number.isFinite(guide) || guide < 0 || guide > 1e9))
      return fail(`${at}.guideMinor must be an amount in minor units.`)
    read.push({
      partId: one.partId,
      kind: one.kind as PartKind,
      name: one.name,
      pieces: one.pieces,
      ...(isText(one.maker, 120) ? { maker: one.maker } : {}),
      ...(isText(one.number, 120) ? { number: one.number } : {}),
      ...(guide === undefined ? {} : { guideMinor: guide }),
    })
  }
  return { ok: true, wanted: read, currency: currency as Currency, date }
}
