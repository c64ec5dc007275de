import { difference, payback, wearPerEvent, type Payback, type Range, type Wearer } from './maths/season.ts'
import { roundMinor } from './maths/total.ts'
import { AXLES } from '../quantity/axle.ts'
import { WEARING, type Setup, type Wear, type Wearing } from '../records/setup.ts'
import type { Price } from '../records/price.ts'
import type { Project } from '../records/project.ts'
import { stockSetup } from '../records/resolve.ts'
import type { Figure } from '../quantity/figure.ts'
import { measuredLife } from './measured-life.ts'
import { PER_AXLE } from './to-buy.ts'
import { carFigure, type CarFigure } from '../figures/entry.ts'
import type { Context } from '../figures/read.ts'
import type { Missing, ReportFigure } from '../figures/figure.ts'
import type { Working } from '../figures/working.ts'

/** What wears in each slot: pads and rotors by axle, the fluid, and seals that no slot holds. */
const SLOTS: Record<Wearing, ((setup: Context['resolved']) => WearingPart) | undefined> = {
  frontPads: (resolved) => ofDisc(resolved.front, 'pad'),
  rearPads: (resolved) => ofDisc(resolved.rear, 'pad'),
  frontRotors: (resolved) => ofDisc(resolved.front, 'rotor'),
  rearRotors: (resolved) => ofDisc(resolved.rear, 'rotor'),
  fluid: (resolved) => resolved.fluid,
  rebuild: undefined,
}
/** A drum brake has neither pads nor a rotor, whatever the slots beside it hold. */
const ofDisc = (axle: Context['resolved']['front'], slot: 'pad' | 'rotor'): WearingPart =>
  axle.caliper?.kind === 'drum' ? null : axle[slot]
const PIECES: Record<Wearing, number> = {
  frontPads: PER_AXLE.pad,
  rearPads: PER_AXLE.pad,
  frontRotors: PER_AXLE.rotor,
  rearRotors: PER_AXLE.rotor,
  fluid: 1,
  rebuild: 1,
}
/** What readings of wear may say. */
const MEASURED: Partial<Record<Wearing, { axle: 'front' | 'rear'; what: 'pad' | 'rotor' }>> = {
  frontPads: { axle: 'front', what: 'pad' },
  rearPads: { axle: 'rear', what: 'pad' },
  frontRotors: { axle: 'front', what: 'rotor' },
  rearRotors: { axle: 'rear', what: 'rotor' },
}
type WearingPart = { id: string; name: string; price?: Price } | null | undefined

/** Of a count of events without a doubt of its own. */
const SEASON_DOUBT = 0.3

export interface Season {
  /** Minor units in the project's currency; undefined: nothing is known of any wear. */
  perSeason: Range | undefined
  perEvent: Range | undefined
  /** Wear of which nothing is known: the season costs more than this. */
  missing: readonly Missing[]
  rows: {
    what: Wearing
    label: string
    part: string | undefined
    lastsEvents: Figure | undefined
    /** The life is what readings of wear say, whatever was entered. */
    measured: boolean
    price: Price | undefined
    /** The price was entered for renewing; else it is that of the part. */
    ownPrice: boolean
    /** What renewing costs once, in so many packs of the part, minor units with tax. */
    renewing: number | undefined
    packs: number
    perSeason: Range | undefined
  }[]
}

/** What wear costs in a season. */
export const SEASON_COST: CarFigure<'cost.season', Context, Wears> = carFigure('cost.season', {
  label: 'Wear in a season',
  dimension: 'money',
  formula: {
    id: 'season-wear',
    inWords: true,
    name: 'Wear in a season',
    text: 'Σ price of renewing / events it lasts, times the events of a season',
    source: `Division; an event count without an uncertainty counts as known to ${SEASON_DOUBT * 100}%`,
  },
  optional: true,
  read(work, context) {
    const { eventsPerSeason } = context.project.preferences
    const rows = Object.entries(WEARING).flatMap(([what, label]) => rowOf(work, context, what as Wearing, label) ?? [])
    const wearers = rows.flatMap((row) => row.wearer ?? [])
    const perEvent = wearers.length === 0 ? undefined : wearPerEvent(wearers)
    work.set(eventsPerSeason, {
      symbol: 'n',
      label: 'Events in a season',
      dimension: 'number',
      at: { kind: 'preference', field: 'eventsPerSeason' },
    })
    return { rows, perEvent, perSeason: perEvent && scale(perEvent, eventsPerSeason), open: work.missing.length > 0 }
  },
  value: ({ perSeason }) => perSeason.likely,
  partial: true,
  bound: ({ open }) => (open ? 'atLeast' : undefined),
})

interface WearSource {
  row: Season['rows'][number]
  wearer: Wearer | undefined
}
interface Wears {
  rows: WearSource[]
  perEvent: Range | undefined
  perSeason: Range | undefined
  open: boolean
}

/** One thing that wears; undefined where the setup has none of it. */
function rowOf(work: Working, { project, setup, resolved }: Context, what: Wearing, label: string): WearSource | undefined {
  const part = SLOTS[what]?.(resolved)
  if (part === null) return undefined
  const wear = wearOf(project, setup, what, part)
  const price = wear.price ?? part?.price
  const place = MEASURED[what]
  const measured = place && measuredLife(project, place.axle, place.what, part?.id)
  const lasts = measured ?? wear.lastsEvents
  const at = { kind: 'setup', setupId: setup.id, field: 'wear' } as const
  const packs = price && !(what === 'rebuild' || wear.price) ? Math.ceil(PIECES[what] / price.pieces) : 1
  const money = price && inCurrency(project, price, packs)
  if (lasts) work.read(lasts, { label: `${label}, events it lasts`, dimension: 'count', at })
  const wearer = lasts && money ? { price: money, lastsEvents: rangeOf(lasts) } : undefined
  // seals are rebuilt by few: asked for only where one of the two is known
  if (!wearer && (what !== 'rebuild' || lasts || price))
    work.ask(lasts ? `Price of ${label.toLowerCase()}` : `Events that ${label.toLowerCase()} last`, at)
  return {
    wearer,
    row: {
      what,
      label,
      part: part?.name,
      lastsEvents: lasts,
      measured: measured !== undefined,
      price,
      ownPrice: wear.price !== undefined,
      renewing: money && roundMinor(money.likely),
      packs,
      perSeason: wearer && scale(wearPerEvent([wearer]), project.preferences.eventsPerSeason),
    },
  }
}

/** What wear costs in a season: prices over the events they last. */
export function seasonReport(context: Context): { season: Season; figure: ReportFigure } {
  const { figure, read } = SEASON_COST.of(context)
  const { perSeason, perEvent, rows } = read
  return { season: { perSeason, perEvent, missing: figure.missing, rows: rows.map(({ row }) => row) }, figure }
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
function wearOf(project: Project, setup: Setup, what: Wearing, part: WearingPart): Wear {
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
  const off = figure.u ?? SEASON_DOUBT * figure.value
  return { low: Math.max(0.1, figure.value - off), likely: figure.value, high: figure.value + off }
}
const scale = (range: Range, by: number): Range => ({
  low: roundMinor(range.low * by),
  likely: roundMinor(range.likely * by),
  high: roundMinor(range.high * by),
})

function inCurrency(project: Project, price: Price, packs: number): Range | undefined {
  const { currency, rates, taxPercent } = project.preferences
  const rate = price.currency === currency ? 1 : rates.find((one) => one.currency === price.currency)?.rate
  if (rate === undefined) return undefined
  const by = packs * rate * (1 + taxPercent / 100)
  return { low: price.lowMinor * by, likely: price.likelyMinor * by, high: price.highMinor * by }
}
