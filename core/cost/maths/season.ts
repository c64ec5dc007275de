/** A range of something: low, likely, high. */
export interface Range {
  low: number
  likely: number
  high: number
}

/** Something that wears: what renewing it costs, minor units, and how many events it lasts. */
export interface Wearer {
  price: Range
  lastsEvents: Range
}

/** What wear costs at one event: each price over the events it lasts; minor units, not rounded. */
export function wearPerEvent(wearers: readonly Wearer[]): Range {
  const sum = { low: 0, likely: 0, high: 0 }
  for (const { price, lastsEvents } of wearers) {
    sum.low += price.low / lastsEvents.high
    sum.likely += price.likely / lastsEvents.likely
    sum.high += price.high / lastsEvents.low
  }
  return sum
}

export interface Payback {
  /** Events after which the dearer option has paid for itself by likely figures; undefined: it never does. */
  likely: number | undefined
  /** The soonest and the latest that the ranges allow; `latest` undefined: perhaps never. */
  soonest: number | undefined
  latest: number | undefined
}

/**
 * After how many events the dearer of two options has paid for itself: the extra price over what it saves
 * each event.
 *
 * @param extra what it costs more to buy
 * @param saving what it saves in wear each event; below zero when it wears dearer
 */
export function payback(extra: Range, saving: Range): Payback {
  const events = (price: number, each: number) => (price <= 0 ? 0 : each > 0 ? price / each : undefined)
  return {
    likely: events(extra.likely, saving.likely),
    soonest: events(extra.low, saving.high),
    latest: events(extra.high, saving.low),
  }
}

/**
 * One range less another, as far apart as they can be.
 *
 * @example
 * difference({ low: 8, likely: 10, high: 12 }, { low: 1, likely: 2, high: 3 }) // => { low: 5, likely: 8, high: 11 }
 */
export const difference = (a: Range, b: Range): Range => ({ low: a.low - b.high, likely: a.likely - b.likely, high: a.high - b.low })
