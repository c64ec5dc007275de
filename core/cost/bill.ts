import { chanceWithin, costTotal, lineAmount, roundMinor, type CostLine, type CostTotal } from './maths/total.ts'
import { boughtWhole } from '../commands/take-bundle.ts'
import { PART_KINDS } from '../records/part-kinds.ts'
import { AXLES } from '../quantity/axle.ts'
import type { Currency, Price } from '../records/price.ts'
import type { ExtraKind } from '../records/setup.ts'
import type { Preferences } from '../records/preferences.ts'
import type { Origin } from '../quantity/figure.ts'
import { formatQuantity } from '../quantity/format.ts'
import { carFigure, type CarFigure } from '../figures/entry.ts'
import type { Place, ReportFigure } from '../figures/figure.ts'
import type { Verdict } from '../figures/verdict.ts'
import type { Context } from '../figures/read.ts'
import type { Working } from '../figures/working.ts'
import { broughtBy, partsToBuy } from './to-buy.ts'

/** Parts in slots, wheels with what they need, or one of the kinds of extra cost. */
export type BillGroup = 'parts' | 'wheels' | ExtraKind

export interface BillLine {
  id: string
  label: string
  detail: string
  group: BillGroup
  quantity: number
  owned: boolean
  /** Its price is in a currency whose rate nobody entered. */
  rateMissing?: Currency
  /** Of the whole line with tax in the project's currency, minor units; undefined: not priced. */
  low: number | undefined
  likely: number | undefined
  high: number | undefined
  origin?: Origin
  date?: string
  seller?: string
  at: Place
}

/** What a setup costs beyond the car as it stands, line by line. */
export interface Bill {
  lines: BillLine[]
  total: CostTotal
  unpriced: number
  /** Of those, lines with a price in a currency without a rate. */
  withoutRate: number
  /** Refundable deposits, minor units: not in the total. */
  deposits: number
  /** How likely the bill stays within the budget, and the lines that fit under it when bought in the order of the bill. */
  budget?: { minor: number; chance: number; verdict: Verdict; within: string[] }
}

/** What is to be bought, before it has a price. */
interface WantedLine {
  id: string
  label: string
  detail: string
  group: BillGroup
  quantity: number
  owned: boolean
  at: Place
  price: Price | undefined
  /** It comes off and is sold: it brings money. */
  sold?: boolean
}
interface Priced {
  line: BillLine
  /** Undefined: it costs nothing, or nobody knows what. */
  cost?: CostLine
  depositMinor: number
}
interface Billed {
  priced: Priced[]
  lines: BillLine[]
  costs: CostLine[]
  total: CostTotal
  unpriced: number
}

/** What the setup costs beyond the car as it stands. */
export const COST_TOTAL: CarFigure<'cost.total', Context, Billed> = carFigure('cost.total', {
  label: ({ isStock }) => (isStock ? 'Cost' : 'Cost above the baseline'),
  dimension: 'money',
  formula: {
    id: 'bill-total',
    inWords: true,
    name: 'Total of the parts list',
    text: 'Σ quantity · expected price · rate · (1 + tax)',
    source: 'Triangular distributions for the 90% range',
  },
  read(work, context) {
    const { taxPercent } = context.project.preferences
    const priced = [...wholeBundles(context), ...ownParts(context), ...triedSpacers(context), ...extraLines(context)].map((wanted) =>
      priceOf(work, context.project.preferences, wanted),
    )
    const lines = inBuyingOrder(
      priced.map(({ line }) => line),
      context.setup.buyOrder ?? [],
    )
    for (const line of lines)
      work.inputs.push({
        symbol: '',
        label: line.label,
        value: line.likely === undefined ? undefined : line.likely / 100,
        dimension: 'number',
        at: line.at,
        ...(line.origin ? { origin: line.origin } : {}),
      })
    work.set(taxPercent / 100, { symbol: 'tax', label: 'Tax', dimension: 'share', at: { kind: 'preference', field: 'taxPercent' } })
    const costs = priced.flatMap(({ cost }) => cost ?? [])
    const unpriced = lines.filter((line) => !line.owned && line.likely === undefined).length
    return { priced, lines, costs, total: costTotal(costs, taxPercent), unpriced }
  },
  value: ({ total }) => total.likely,
  partial: true,
  bound: ({ unpriced }) => (unpriced > 0 ? 'atLeast' : undefined),
})

/** The bill of a setup, line by line, and its total as a figure. */
export function billReport(context: Context): { bill: Bill; figure: ReportFigure } {
  const { figure, read } = COST_TOTAL.of(context)
  const { priced, lines, total, unpriced } = read
  const budget = budgetOf(context.project.preferences, read)
  const bill: Bill = {
    lines,
    total,
    unpriced,
    withoutRate: lines.filter((line) => line.rateMissing !== undefined && !line.owned).length,
    deposits: priced.reduce((sum, { depositMinor }) => sum + depositMinor, 0),
    ...(budget ? { budget } : {}),
  }
  return { bill, figure }
}

const wholeBundles = ({ project, setup, isStock }: Context): WantedLine[] =>
  (isStock ? [] : boughtWhole(project, setup)).map((bundle) => ({
    id: `bundle.${bundle.id}`,
    label: bundle.name,
    detail: `${bundle.kind}, whole: ${bundle.parts.map((id) => project.parts.find((one) => one.id === id)?.name ?? id).join(', ')}`,
    group: 'parts',
    quantity: 1,
    owned: false,
    at: { kind: 'bundle', bundleId: bundle.id },
    price: bundle.price,
  }))

function ownParts(context: Context): WantedLine[] {
  const { project, setup, isStock } = context
  if (isStock) return []
  return partsToBuy(context, broughtBy(project, boughtWhole(project, setup))).map(({ part, pieces, places }) => {
    const perPrice = part.price?.pieces ?? 1
    const packed =
      perPrice > 1
        ? `${pieces} pieces, sold in ${perPrice === 2 ? 'pairs' : `sets of ${perPrice}`}`
        : pieces > 1
          ? `${pieces} pieces`
          : '1 piece'
    return {
      id: part.id,
      label: part.name,
      detail: [part.condition, PART_KINDS[part.kind].one, places.join(' and '), packed].filter(Boolean).join(', '),
      group: part.kind === 'wheel' || part.kind === 'spacer' ? 'wheels' : part.kind === 'fluid' ? 'consumable' : 'parts',
      quantity: Math.ceil(pieces / perPrice),
      owned: part.owned ?? false,
      at: { kind: 'part', partId: part.id, field: 'price' },
      price: part.price,
    }
  })
}

const triedSpacers = ({ project, setup }: Context): WantedLine[] =>
  AXLES.flatMap((axle): WantedLine[] => {
    const trialMm = setup[axle].spacerTrialMm
    if (!trialMm) return []
    return [
      {
        id: `spacer-${axle}`,
        label: `Wheel spacer ${formatQuantity(trialMm, 'length', project.preferences.units)}, ${axle}`,
        detail: 'tried in the drawing, no part chosen',
        group: 'wheels',
        quantity: 2,
        owned: false,
        at: { kind: 'slot', setupId: setup.id, axle, slot: 'spacer' },
        price: undefined,
      },
    ]
  })

const extraLines = ({ setup }: Context): WantedLine[] =>
  setup.extras.map((line) => ({
    id: line.id,
    label: line.label,
    detail: [line.kind ? '' : 'extra cost', line.quantity === 1 ? '' : `× ${line.quantity}`].filter(Boolean).join(' '),
    group: line.kind ?? 'consumable',
    quantity: line.quantity,
    owned: line.owned ?? false,
    at: { kind: 'setup', setupId: setup.id, field: 'extras' },
    price: line.price,
    sold: line.kind === 'sale',
  }))

/** A line of the bill with its amounts; asks for its price, or for the rate of a price's currency. */
function priceOf(work: Working, preferences: Preferences, { price, sold = false, ...line }: WantedLine): Priced {
  if (line.owned) return { line: { low: 0, likely: 0, high: 0, ...line }, depositMinor: 0 }
  const { currency, taxPercent, rates } = preferences
  const rate = price && (price.currency === currency ? OWN_CURRENCY : rates.find((one) => one.currency === price.currency))
  const cost = price && rate && costLine(line, price, rate, sold)
  if (!price) work.ask(`Price of ${line.label}`, line.at)
  else if (!rate)
    work.ask(
      `Exchange rate of ${price.currency}`,
      { kind: 'preference', field: 'rates' },
      `Enter the value of one ${price.currency} in ${currency}.`,
    )
  const amount = (which: 'low' | 'likely' | 'high') => (cost ? roundMinor(lineAmount(cost, which, taxPercent)) : undefined)
  const priced: BillLine = { low: amount('low'), likely: amount('likely'), high: amount('high'), ...line }
  if (price && !rate) priced.rateMissing = price.currency
  if (price?.origin) priced.origin = price.origin
  if (price?.date) priced.date = price.date
  if (price?.seller) priced.seller = price.seller
  const depositMinor = price?.depositMinor && rate ? roundMinor(line.quantity * price.depositMinor * rate.rate) : 0
  return cost ? { line: priced, cost, depositMinor } : { line: priced, depositMinor }
}
const OWN_CURRENCY = { rate: 1, spreadPercent: 0 }

/** What is sold brings money: its dearest price is the lowest cost. */
function costLine(
  line: Pick<WantedLine, 'quantity' | 'owned' | 'group'>,
  price: Price,
  rate: { rate: number; spreadPercent?: number },
  sold: boolean,
): CostLine {
  return {
    quantity: line.quantity,
    low: sold ? -price.highMinor : price.lowMinor,
    likely: (sold ? -1 : 1) * price.likelyMinor,
    high: sold ? -price.lowMinor : price.highMinor,
    rate: rate.rate,
    owned: line.owned,
    ...(rate.spreadPercent ? { spread: { of: price.currency, share: rate.spreadPercent / 100 } } : {}),
    ...(line.group === 'shipping' && price.seller ? { movesWith: price.seller } : {}),
    ...(sold ? { taxFree: true } : {}),
  }
}

function budgetOf({ budgetMinor, taxPercent }: Preferences, { lines, costs, unpriced }: Billed): Bill['budget'] {
  if (budgetMinor === undefined) return undefined
  const chance = chanceWithin(costs, taxPercent, budgetMinor)
  return {
    minor: budgetMinor,
    chance,
    // what is known alone may be too much already
    verdict: chance < EVEN ? 'needs' : unpriced > 0 ? 'unknown' : chance >= SURE ? 'fits' : 'check',
    within: linesWithin(
      lines.flatMap(({ id, owned, likely }) => (owned || likely === undefined ? [] : [{ id, likely }])),
      budgetMinor,
    ),
  }
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

/** Lines in the order of buying: first as the setup says, then group by group. */
function inBuyingOrder(lines: readonly BillLine[], own: readonly string[]): BillLine[] {
  const place = ({ id, group }: BillLine): [number, number] => {
    const at = own.indexOf(id)
    return at >= 0 ? [0, at] : [1, BUYING.indexOf(group)]
  }
  return [...lines].sort((a, b) => {
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
