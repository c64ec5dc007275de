import { chanceWithin, costTotal, lineAmount, roundMinor, type CostLine } from '../cost/total.ts'
import { PART_KINDS } from '../model/part-kinds.ts'
import {
  AXLE_SLOTS,
  AXLES,
  HYDRAULIC_SLOTS,
  type AxleSlot,
  type HydraulicSlot,
  type Bundle,
  type Part,
  type Price,
} from '../model/project.ts'
import { slotOf, stockSetup } from '../model/resolve.ts'
import { boughtWhole, slotFor } from '../model/take-bundle.ts'
import { formatQuantity } from '../quantity/format.ts'
import type { Context } from './context.ts'
import type { BillGroup, BillLine, Place, Report, ReportFigure } from './types.ts'
import { Working } from './working.ts'

/** Pieces that a slot takes on both sides of an axle; pads come as a set for the axle. */
export const PER_AXLE: Record<AxleSlot, number> = { caliper: 2, bracket: 2, rotor: 2, pad: 1, hose: 2, wheel: 2, spacer: 2 }

interface NewLine {
  id: string
  label: string
  detail: string
  group: BillGroup
  quantity: number
  owned: boolean
  at: Place
}

/** What the setup costs beyond the car as it stands. */
export function billReport(context: Context): { bill: Report['bill']; figure: ReportFigure } {
  const { project, setup, isStock } = context
  const { currency, taxPercent, rates, budgetMinor, units } = project.preferences
  const work = new Working()
  const priced: { line: BillLine; cost: CostLine }[] = []
  const lines: BillLine[] = []
  let deposits = 0

  const rateOf = (price: Price) =>
    price.currency === currency ? { rate: 1, spreadPercent: 0 } : rates.find((rate) => rate.currency === price.currency)
  /** What comes off and is sold brings money: its dearest price is the lowest cost. */
  const add = (line: NewLine, price: Price | undefined, sold = false) => {
    const rate = price && rateOf(price)
    const sign = sold ? -1 : 1
    const cost: CostLine | undefined =
      price && rate
        ? {
            quantity: line.quantity,
            low: sold ? -price.highMinor : price.lowMinor,
            likely: sign * price.likelyMinor,
            high: sold ? -price.lowMinor : price.highMinor,
            rate: rate.rate,
            owned: line.owned,
            ...(rate.spreadPercent ? { spread: { of: price.currency, share: rate.spreadPercent / 100 } } : {}),
            ...(line.group === 'shipping' && price.seller ? { movesWith: price.seller } : {}),
            ...(sold ? { taxFree: true } : {}),
          }
        : undefined
    if (line.owned) {
      lines.push({ ...line, low: 0, likely: 0, high: 0 })
      return
    }
    if (price && !cost)
      work.ask(
        `Exchange rate of ${price.currency}`,
        { kind: 'preference', field: 'rates' },
        `Enter what one ${price.currency} is in ${currency}.`,
      )
    else if (!price) work.ask(`Price of ${line.label}`, line.at)
    if (price?.depositMinor && rate) deposits += roundMinor(line.quantity * price.depositMinor * rate.rate)
    const amount = (which: 'low' | 'likely' | 'high') => (cost ? roundMinor(lineAmount(cost, which, taxPercent)) : undefined)
    const done: BillLine = {
      ...line,
      ...(price && !cost ? { rateMissing: price.currency } : {}),
      low: amount('low'),
      likely: amount('likely'),
      high: amount('high'),
      ...(price?.origin ? { origin: price.origin } : {}),
      ...(price?.date ? { date: price.date } : {}),
      ...(price?.seller ? { seller: price.seller } : {}),
    }
    lines.push(done)
    if (cost) priced.push({ line: done, cost })
  }

  if (!isStock) {
    const whole = boughtWhole(project, setup)
    for (const bundle of whole)
      add(
        {
          id: `bundle.${bundle.id}`,
          label: bundle.name,
          detail: `${bundle.kind}, whole: ${bundle.parts.map((id) => project.parts.find((one) => one.id === id)?.name ?? id).join(', ')}`,
          group: 'parts',
          quantity: 1,
          owned: false,
          at: { kind: 'bundle', bundleId: bundle.id },
        },
        bundle.price,
      )
    for (const { part, pieces, places } of partsToBuy(context, broughtBy(project, whole))) {
      const perPrice = part.price?.pieces ?? 1
      const packed = perPrice > 1 ? `${pieces} pieces, sold by ${perPrice}` : pieces > 1 ? `${pieces} pieces` : '1 piece'
      add(
        {
          id: part.id,
          label: part.name,
          detail: [part.condition, PART_KINDS[part.kind].one, places.join(' and '), packed].filter(Boolean).join(', '),
          group: part.kind === 'wheel' || part.kind === 'spacer' ? 'wheels' : part.kind === 'fluid' ? 'consumable' : 'parts',
          quantity: Math.ceil(pieces / perPrice),
          owned: part.owned ?? false,
          at: { kind: 'part', partId: part.id, field: 'price' },
        },
        part.price,
      )
    }
  }
  for (const axle of AXLES) {
    const trial = setup[axle].spacerTrialMm
    if (!trial) continue
    add(
      {
        id: `spacer-${axle}`,
        label: `Wheel spacer ${formatQuantity(trial, 'length', units)}, ${axle}`,
        detail: 'tried in the drawing, no part chosen',
        group: 'wheels',
        quantity: 2,
        owned: false,
        at: { kind: 'slot', setupId: setup.id, axle, slot: 'spacer' },
      },
      undefined,
    )
  }
  for (const line of setup.extras) {
    add(
      {
        id: line.id,
        label: line.label,
        detail: [line.kind ? '' : 'extra cost', line.quantity === 1 ? '' : `× ${line.quantity}`].filter(Boolean).join(' '),
        group: line.kind ?? 'consumable',
        quantity: line.quantity,
        owned: line.owned ?? false,
        at: { kind: 'setup', setupId: setup.id, field: 'extras' },
      },
      line.price,
      line.kind === 'sale',
    )
  }

  inBuyingOrder(lines, setup.buyOrder ?? [])
  const costs = priced.map((one) => one.cost)
  const total = costTotal(costs, taxPercent)
  const unpriced = lines.filter((line) => !line.owned && line.likely === undefined).length
  work.atLeast = unpriced > 0
  for (const line of lines) {
    work.inputs.push({
      symbol: '',
      label: line.label,
      value: line.likely === undefined ? undefined : line.likely / 100,
      dimension: 'number',
      at: line.at,
      ...(line.origin ? { origin: line.origin } : {}),
    })
  }
  work.set(taxPercent / 100, { symbol: 'tax', label: 'Tax', dimension: 'share', at: { kind: 'preference', field: 'taxPercent' } })
  const figure = work.figure('cost.total', isStock ? 'Cost' : 'Cost beyond the car as it stands', 'money', 'bill-total', total.likely)
  const chance = budgetMinor === undefined ? 0 : chanceWithin(costs, taxPercent, budgetMinor)
  const budget: Report['bill']['budget'] =
    budgetMinor === undefined
      ? undefined
      : {
          minor: budgetMinor,
          chance,
          // what is known alone may be too much already
          verdict: chance < EVEN ? 'needs' : unpriced > 0 ? 'unknown' : chance >= SURE ? 'fits' : 'check',
          within: linesWithin(
            lines.flatMap(({ id, owned, likely }) => (owned || likely === undefined ? [] : [{ id, likely }])),
            budgetMinor,
          ),
        }
  const withoutRate = lines.filter((line) => line.rateMissing !== undefined && !line.owned).length
  return { bill: { lines, total, unpriced, withoutRate, deposits, ...(budget ? { budget } : {}) }, figure }
}

/** So sure to stay within a budget counts as kept, and as open. */
const SURE = 0.9
const EVEN = 0.5

/** What is bought before what: as the lines are shown, and moved by whoever buys. */
const BUYING: readonly BillGroup[] = [
  'parts',
  'wheels',
  'remedy',
  'consumable',
  'service',
  'labour',
  'fee',
  'shipping',
  'returnFreight',
  'sale',
]

/** Puts lines in the order of buying, in place: first as the setup says, then group by group. */
function inBuyingOrder(lines: BillLine[], own: readonly string[]): void {
  const place = ({ id, group }: BillLine): [number, number] => {
    const at = own.indexOf(id)
    return at >= 0 ? [0, at] : [1, BUYING.indexOf(group)]
  }
  lines.sort((a, b) => {
    const [x, y] = [place(a), place(b)]
    return x[0] - y[0] || x[1] - y[1]
  })
}

/**
 * The lines that have a price and fit under the budget when they are bought one after the other in their order: one that does not fit is
 * left, and what comes after it and fits is bought.
 */
function linesWithin(priced: readonly { id: string; likely: number }[], budget: number): string[] {
  let sum = 0
  const within: string[] = []
  for (const { id, likely } of priced) {
    if (sum + likely > budget) continue
    sum += likely
    within.push(id)
  }
  return within
}

/** Pieces of each part that bundles bought whole bring: what an axle takes, for each time a part is in them. */
function broughtBy(project: Context['project'], bundles: readonly Bundle[]): ReadonlyMap<string, number> {
  const brought = new Map<string, number>()
  for (const id of bundles.flatMap((one) => one.parts)) {
    const part = project.parts.find((one) => one.id === id)
    const place = part && slotFor(part.kind)
    brought.set(id, (brought.get(id) ?? 0) + (place?.of === 'axle' ? PER_AXLE[place.slot] : 1))
  }
  return brought
}

/** Parts in this setup's slots that the car does not have yet, each once, with the pieces it takes beyond those that bundles bring. */
export function partsToBuy(
  { project, setup }: Context,
  brought: ReadonlyMap<string, number> = new Map(),
): { part: Part; pieces: number; places: string[] }[] {
  const stock = stockSetup(project)
  const byId = new Map<string, { part: Part; pieces: number; places: string[] }>()
  const take = (id: string, pieces: number, place: string) => {
    const part = project.parts.find((one) => one.id === id)
    if (!part) return
    const known = byId.get(id)
    if (known) {
      known.pieces += pieces
      known.places.push(place)
    } else byId.set(id, { part, pieces, places: [place] })
  }
  for (const axle of AXLES) {
    const drum = project.parts.find((part) => part.id === slotOf(project, setup, axle, 'caliper'))?.kind === 'drum'
    for (const slot of Object.keys(AXLE_SLOTS) as AxleSlot[]) {
      const id = setup[axle][slot]
      if (!id || id === stock[axle][slot]) continue
      if (drum && (slot === 'rotor' || slot === 'pad' || slot === 'bracket')) continue
      if (slot === 'spacer' && setup[axle].spacerTrialMm !== undefined) continue
      take(id, PER_AXLE[slot], axle)
    }
  }
  for (const slot of Object.keys(HYDRAULIC_SLOTS) as HydraulicSlot[]) {
    const id = setup.hydraulics[slot]
    if (id && id !== stock.hydraulics[slot]) take(id, 1, 'hydraulics')
  }
  return [...byId.values()].flatMap((one) => {
    const pieces = one.pieces - (brought.get(one.part.id) ?? 0)
    return pieces > 0 ? [{ ...one, pieces }] : []
  })
}
