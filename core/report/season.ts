import { difference, payback, wearPerEvent, type Payback, type Range, type Wearer } from '../cost/season.ts'
import { roundMinor } from '../cost/total.ts'
import { AXLES, WEARING, type Price, type Project, type Setup, type Wear, type Wearing } from '../model/project.ts'
import { stockSetup } from '../model/resolve.ts'
import type { Figure } from '../quantity/figure.ts'
import { PER_AXLE } from './bill.ts'
import type { Context } from './context.ts'
import type { Missing, ReportFigure } from './types.ts'
import { Working } from './working.ts'

/** What wears in each slot: pads and rotors by axle, the fluid, and seals that no slot holds. */
const SLOTS: Record<Wearing, ((setup: Context['resolved']) => Part) | undefined> = {
  frontPads: (resolved) => ofDisc(resolved.front, 'pad'),
  rearPads: (resolved) => ofDisc(resolved.rear, 'pad'),
  frontRotors: (resolved) => ofDisc(resolved.front, 'rotor'),
  rearRotors: (resolved) => ofDisc(resolved.rear, 'rotor'),
  fluid: (resolved) => resolved.fluid,
  rebuild: undefined,
}
/** A drum brake has neither pads nor a rotor, whatever the slots beside it hold. */
const ofDisc = (axle: Context['resolved']['front'], slot: 'pad' | 'rotor'): Part => (axle.caliper?.kind === 'drum' ? null : axle[slot])
const PIECES: Record<Wearing, number> = {
  frontPads: PER_AXLE.pad,
  rearPads: PER_AXLE.pad,
  frontRotors: PER_AXLE.rotor,
  rearRotors: PER_AXLE.rotor,
  fluid: 1,
  rebuild: 1,
}
type Part = { id: string; name: string; price?: Price } | null | undefined

export interface Season {
  /** Minor units in the project's currency; undefined: nothing is known of any wear. */
  perSeason: Range | undefined
  perEvent: Range | undefined
  /** Wear of which nothing is known: the season costs more than this. */
  missing: Missing[]
  rows: {
    what: Wearing
    label: string
    part: string | undefined
    lastsEvents: Figure | undefined
    price: Price | undefined
    ownPrice: boolean
    perSeason: Range | undefined
  }[]
}

/** What wear costs in a season: prices over the events they last. */
export function seasonReport(context: Context): { season: Season; figure: ReportFigure } {
  const { project, setup, resolved } = context
  const { eventsPerSeason } = project.preferences
  const work = new Working()
  const wearers: Wearer[] = []
  const rows: Season['rows'] = []
  for (const [what, label] of Object.entries(WEARING) as [Wearing, string][]) {
    const part = SLOTS[what]?.(resolved)
    if (part === null) continue
    const wear = wearOf(project, setup, what, part)
    const price = wear.price ?? part?.price
    const lasts = wear.lastsEvents
    const at = { kind: 'setup', setupId: setup.id, field: 'wear' } as const
    const money = price && inCurrency(project, price, PIECES[what], what === 'rebuild' || wear.price !== undefined)
    if (lasts) work.read(lasts, { label: `${label}, events it lasts`, dimension: 'count', at })
    const known = lasts && money ? { price: money, lastsEvents: rangeOf(lasts) } : undefined
    if (known) wearers.push(known)
    // seals are rebuilt by few: asked for only where one of the two is known
    else if (what !== 'rebuild' || lasts || price)
      work.ask(lasts ? `Price of ${label.toLowerCase()}` : `Events that ${label.toLowerCase()} last`, at)
    rows.push({
      what,
      label,
      part: part?.name,
      lastsEvents: lasts,
      price,
      ownPrice: wear.price !== undefined,
      perSeason: known && scale(wearPerEvent([known]), eventsPerSeason),
    })
  }
  const perEvent = wearers.length === 0 ? undefined : wearPerEvent(wearers)
  const perSeason = perEvent && scale(perEvent, eventsPerSeason)
  work.atLeast = work.missing.length > 0
  work.set(eventsPerSeason, {
    symbol: 'n',
    label: 'Events in a season',
    dimension: 'number',
    at: { kind: 'preference', field: 'eventsPerSeason' },
  })
  const figure = work.figure('cost.season', 'Wear in a season', 'money', 'season-wear', perSeason?.likely)
  return { season: { perSeason, perEvent, missing: work.missing, rows }, figure }
}

/** After how many events the dearer of two setups has paid for itself; undefined when nothing is known of wear. */
export function paybackAgainst(
  one: { total: Range; perEvent: Range | undefined },
  other: { total: Range; perEvent: Range | undefined },
): (Payback & { dearer: 'one' | 'other' }) | undefined {
  if (!one.perEvent || !other.perEvent) return undefined
  const dearer = one.total.likely >= other.total.likely ? 'one' : 'other'
  const [a, b] = dearer === 'one' ? [one, other] : [other, one]
  return { dearer, ...payback(difference(a.total, b.total), difference(b.perEvent!, a.perEvent!)) }
}

/** A setup's own word on wear, or that of the car as it stands where the same part is in. */
function wearOf(project: Project, setup: Setup, what: Wearing, part: Part): Wear {
  const stock = stockSetup(project)
  const own = setup.wear?.[what] ?? {}
  const slot = STOCK_SLOT[what]?.(stock)
  // seals are in no slot: they are those of the car as long as both of its calipers are
  const asItStands =
    what === 'rebuild'
      ? AXLES.every((axle) => setup[axle].caliper === undefined || setup[axle].caliper === stock[axle].caliper)
      : slot === undefined || slot === part?.id
  const same = setup !== stock && asItStands
  return same ? { ...stock.wear?.[what], ...own } : own
}
const STOCK_SLOT: Partial<Record<Wearing, (stock: Setup) => string | null | undefined>> = {
  frontPads: (stock) => stock.front.pad,
  rearPads: (stock) => stock.rear.pad,
  frontRotors: (stock) => stock.front.rotor,
  rearRotors: (stock) => stock.rear.rotor,
  fluid: (stock) => stock.hydraulics.fluid,
}

const rangeOf = (figure: Figure): Range => {
  // half of the usual range of a figure nobody gave a doubt
  const off = figure.u ?? 0.3 * figure.value
  return { low: Math.max(0.1, figure.value - off), likely: figure.value, high: figure.value + off }
}
const scale = (range: Range, by: number): Range => ({
  low: roundMinor(range.low * by),
  likely: roundMinor(range.likely * by),
  high: roundMinor(range.high * by),
})

function inCurrency(project: Project, price: Price, pieces: number, whole: boolean): Range | undefined {
  const { currency, rates, taxPercent } = project.preferences
  const rate = price.currency === currency ? 1 : rates.find((one) => one.currency === price.currency)?.rate
  if (rate === undefined) return undefined
  const by = (whole ? 1 : Math.ceil(pieces / price.pieces)) * rate * (1 + taxPercent / 100)
  return { low: price.lowMinor * by, likely: price.likelyMinor * by, high: price.highMinor * by }
}
