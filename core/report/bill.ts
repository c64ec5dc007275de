import { costTotal, lineAmount, roundMinor, type CostLine } from '../cost/total.ts'
import { PART_KINDS } from '../model/part-kinds.ts'
import { AXLE_SLOTS, AXLES, HYDRAULIC_SLOTS, type AxleSlot, type HydraulicSlot, type Part, type Price } from '../model/project.ts'
import { slotOf, stockSetup } from '../model/resolve.ts'
import { formatQuantity } from '../quantity/format.ts'
import type { Context } from './context.ts'
import type { BillLine, Place, Report, ReportFigure } from './types.ts'
import { Working } from './working.ts'

/** Pieces of a part that one axle takes; pads come as a set for the axle. */
/** Pieces that a slot takes on both sides of an axle. */
export const PER_AXLE: Record<AxleSlot, number> = { caliper: 2, bracket: 2, rotor: 2, pad: 1, hose: 2, wheel: 2, spacer: 2 }

/** What the setup costs beyond the car as it stands. */
export function billReport(context: Context): { bill: Report['bill']; figure: ReportFigure } {
  const { project, setup, isStock } = context
  const { currency, taxPercent, rates } = project.preferences
  const work = new Working()
  const priced: CostLine[] = []
  const lines: BillLine[] = []

  const rateOf = (price: Price): number | undefined =>
    price.currency === currency ? 1 : rates.find((rate) => rate.currency === price.currency)?.rate
  const add = (
    line: { id: string; label: string; detail: string; quantity: number; owned: boolean; at: Place },
    price: Price | undefined,
  ) => {
    const rate = price && rateOf(price)
    const cost: CostLine | undefined =
      price && rate !== undefined
        ? { quantity: line.quantity, low: price.lowMinor, likely: price.likelyMinor, high: price.highMinor, rate, owned: line.owned }
        : undefined
    if (line.owned) {
      lines.push({ ...line, low: 0, likely: 0, high: 0 })
      return
    }
    if (cost) priced.push(cost)
    else if (price)
      work.ask(
        `Exchange rate of ${price.currency}`,
        { kind: 'preference', field: 'rates' },
        `Enter what one ${price.currency} is in ${currency}.`,
      )
    else work.ask(`Price of ${line.label}`, line.at)
    const amount = (which: 'low' | 'likely' | 'high') => (cost ? roundMinor(lineAmount(cost, which, taxPercent)) : undefined)
    lines.push({
      ...line,
      low: amount('low'),
      likely: amount('likely'),
      high: amount('high'),
      ...(price?.origin ? { origin: price.origin } : {}),
      ...(price?.date ? { date: price.date } : {}),
    })
  }

  if (!isStock)
    for (const { part, pieces, places } of partsToBuy(context)) {
      const perPrice = part.price?.pieces ?? 1
      const packs = Math.ceil(pieces / perPrice)
      const packed = perPrice > 1 ? `${pieces} pieces, sold by ${perPrice}` : pieces > 1 ? `${pieces} pieces` : '1 piece'
      add(
        {
          id: part.id,
          label: part.name,
          detail: `${PART_KINDS[part.kind].one}, ${places.join(' and ')}, ${packed}`,
          quantity: packs,
          owned: part.owned ?? false,
          at: { kind: 'part', partId: part.id, field: 'price' },
        },
        part.price,
      )
    }
  for (const axle of AXLES) {
    const trial = setup[axle].spacerTrialMm
    if (!trial) continue
    add(
      {
        id: `spacer-${axle}`,
        label: `Wheel spacer ${formatQuantity(trial, 'length', project.preferences.units)}, ${axle}`,
        detail: 'tried in the drawing, no part chosen',
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
        detail: 'extra cost',
        quantity: line.quantity,
        owned: line.owned ?? false,
        at: { kind: 'setup', setupId: setup.id, field: 'extras' },
      },
      line.price,
    )
  }

  const total = costTotal(priced, taxPercent)
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
  return { bill: { lines, total, unpriced }, figure }
}

/** Parts in this setup's slots that the car does not have yet, each once, with the pieces it takes. */
function partsToBuy({ project, setup }: Context): { part: Part; pieces: number; places: string[] }[] {
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
  return [...byId.values()]
}
