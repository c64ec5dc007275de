import { slotFor } from '../commands/take-bundle.ts'
import { checkAll, verdictsOf, type Rule } from '../fit/rule.ts'
import { RULES } from '../fit/rules.ts'
import { AXLES, type Axle } from '../quantity/axle.ts'
import type { Bundle } from '../records/bundle.ts'
import type { ExtraLine } from '../records/setup.ts'
import type { Part } from '../records/part.ts'
import type { Project } from '../records/project.ts'
import { resolveSetup } from '../records/resolve.ts'
import { pedalFindings } from '../balance/pedal-findings.ts'
import { gapAsItIs } from '../clearance/corner.ts'
import { CRITERIA, type SearchCriterionId } from '../decide/criteria.ts'
import { setupOf, spaceOf, type Assignment, type SlotId, type SearchQuery } from '../decide/search-space.ts'
import type { Context } from '../figures/read.ts'
import type { Verdict } from '../figures/verdict.ts'
import { factsOf } from '../fit/fit-check.ts'
import { plainAim, plainMassKg, plainRiseC, plainStop, type PartIn, type PlainCar } from './plain-brake.ts'

/**
 * The same question as a search's, of each combination one by one: made into a setup, its rules asked, its figures worked
 * out by plain arithmetic, and all weighed against all. It shares with the search what a setup of a combination is, the
 * rules and the gap, and none of its figures. For small libraries.
 */
interface BruteFind {
  parts: Partial<Record<SlotId, string | null>>
  values: Record<SearchCriterionId, number | undefined>
  barFrontShare: number | undefined
  verdict: Verdict
  /** What the same parts cost with some of the kits that are in bought whole. */
  costWith: (kits: readonly string[]) => number | undefined
}

const RANK: Record<Verdict, number> = { fits: 0, check: 1, needs: 2, unknown: 3, blocked: 4 }
const PIECES = { caliper: 2, bracket: 2, rotor: 2, pad: 1, hose: 2, wheel: 2, spacer: 2 } as const
/** Uses without a drive on the road: a harder pedal is usual there. */
const RACES: readonly string[] = ['circuit', 'hillClimb', 'drag', 'loose']
const AXLE_PLACES = Object.keys(PIECES) as (keyof typeof PIECES)[]
const HYDRAULICS = ['masterCylinder', 'booster', 'valve', 'fluid', 'handLever'] as const
const PLACES: readonly SlotId[] = [
  ...AXLE_PLACES.map((slot): SlotId => `front.${slot}`),
  ...AXLE_PLACES.map((slot): SlotId => `rear.${slot}`),
  ...HYDRAULICS,
]
const axleOf = (place: SlotId): Axle | undefined => AXLES.find((axle) => place.startsWith(`${axle}.`))
const slotName = (place: SlotId): string => place.split('.').at(-1)!

export function bruteSearch(project: Project, ask: SearchQuery): { finds: BruteFind[]; together: number } {
  const space = spaceOf(project, ask)
  const { options, base, stock, now, stockParts } = space
  const { currency, rates, taxPercent, referenceDecelG } = project.preferences
  const { musts } = ask
  const onCar = (place: SlotId): PartIn => {
    const axle = axleOf(place)
    return (axle ? stockParts[axle][slotName(place) as 'caliper'] : stockParts[place as 'valve']) as PartIn
  }
  const carOf = (filling: Assignment, setup: PlainCar['setup']): PlainCar => {
    const axle = (of: Axle) => Object.fromEntries(AXLE_PLACES.map((slot) => [slot, filling[`${of}.${slot}`]]))
    return {
      front: axle('front'),
      rear: axle('rear'),
      hydraulics: Object.fromEntries(HYDRAULICS.map((slot) => [slot, filling[slot]])),
      setup,
    }
  }
  const stockCar = carOf(Object.fromEntries(PLACES.map((place) => [place, onCar(place)])) as Assignment, stock)
  const aim = plainAim(project, () => plainStop(project, stockCar, referenceDecelG, false, undefined).frontShare)

  // money
  const own = (minor: number, from: string, times: number): number | undefined => {
    const rate = from === currency ? 1 : rates.find((one) => one.currency === from)?.rate
    return rate === undefined ? undefined : Math.round(times * minor * rate * (1 + taxPercent / 100))
  }
  const alone = (filling: Assignment, place: SlotId): number | undefined => {
    const part = filling[place]
    const axle = axleOf(place)
    const slot = slotName(place)
    if (axle && filling[`${axle}.caliper`]?.kind === 'drum' && ['rotor', 'pad', 'bracket'].includes(slot)) return 0
    if (!part || part.owned || part.id === onCar(place)?.id) return 0
    if (!part.price) return undefined
    const pieces = axle ? PIECES[slot as 'caliper'] : 1
    return own(part.price.likelyMinor, part.price.currency, Math.ceil(pieces / part.price.pieces))
  }
  /** The place of each part of a kit; undefined: two want the same. */
  const placesOf = (bundle: Bundle): Map<SlotId, string> | undefined => {
    const places = new Map<SlotId, string>()
    for (const id of bundle.parts) {
      const part = project.parts.find((one) => one.id === id)
      const to = part && slotFor(part.kind)
      if (!to || to.slot === 'fluid') continue
      const place = (to.of === 'axle' ? `${bundle.axle}.${to.slot}` : to.slot) as SlotId
      if (places.has(place)) return undefined
      places.set(place, id)
    }
    return places.size === 0 ? undefined : places
  }
  const kits = project.bundles.flatMap((bundle) => {
    const places = placesOf(bundle)
    return places ? [{ bundle, places }] : []
  })
  const isIn = (places: Map<SlotId, string>, filling: Assignment) => [...places].every(([place, id]) => filling[place]?.id === id)
  const costWith = (filling: Assignment, bought: readonly string[]): number | undefined => {
    let sum = 0
    const covered = new Set<SlotId>()
    for (const { bundle, places } of kits) {
      if (!bought.includes(bundle.id)) continue
      const whole = places.size === bundle.parts.length && isIn(places, filling)
      const minor = whole && bundle.price ? own(bundle.price.likelyMinor, bundle.price.currency, 1) : undefined
      if (minor === undefined) return undefined
      sum += minor
      for (const place of places.keys()) covered.add(place)
    }
    /** Pieces of parts that are sold in packs, over the whole car. */
    const packed = new Map<string, number>()
    for (const place of PLACES) {
      const minor = covered.has(place) ? 0 : alone(filling, place)
      if (minor === undefined) return undefined
      const part = filling[place]
      if (minor === 0 || !part?.price || part.price.pieces === 1) sum += minor
      else packed.set(part.id, (packed.get(part.id) ?? 0) + (axleOf(place) ? PIECES[slotName(place) as 'caliper'] : 1))
    }
    for (const [id, pieces] of packed) {
      const { likelyMinor, currency: from, pieces: perPack } = project.parts.find((one) => one.id === id)!.price!
      sum += own(likelyMinor, from, Math.ceil(pieces / perPack))!
    }
    return sum
  }
  const subsets = kits.reduce<string[][]>((all, { bundle }) => [...all, ...all.map((one) => [...one, bundle.id])], [[]])
  const cost = (filling: Assignment): number | undefined => {
    const all = subsets.map((bought) => costWith(filling, bought)).filter((one) => one !== undefined)
    return all.length === 0 ? undefined : Math.min(...all)
  }
  /** Fluid and washers of the setup searched from, or those that all others share; the car with nothing changed takes none. */
  const isLoose = ({ id, kind }: ExtraLine) => !/^(fit|heat)\./.test(id) && (kind ?? 'consumable') === 'consumable'
  const text = ({ label, quantity, price }: ExtraLine) => JSON.stringify([label, quantity, price])
  const changed = project.setups.slice(1).filter(({ extras }) => extras.length > 0)
  const lines =
    base === stock
      ? (changed[0]?.extras ?? []).filter((line) => changed.every(({ extras }) => extras.map(text).includes(text(line))))
      : base.extras
  const consumables = lines
    .filter(isLoose)
    .reduce((sum, { price, quantity, owned }) => sum + ((price && !owned && own(price.likelyMinor, price.currency, quantity)) || 0), 0)
  const withConsumables = (filling: Assignment, minor: number | undefined): number | undefined => {
    const untouched = base === stock && PLACES.every((place) => filling[place]?.id === onCar(place)?.id)
    return minor === undefined || untouched ? minor : minor + consumables
  }
  /** Whether all that is new and of a kit came with one that is in whole. */
  const allCameWhole = (filling: Assignment): boolean => {
    const whole = kits.filter(({ places }) => isIn(places, filling))
    return PLACES.every((place) => {
      const part = filling[place]
      if (!part || part.owned || part.id === now[place]?.id || part.id === onCar(place)?.id) return true
      if (!kits.some(({ bundle }) => bundle.parts.includes(part.id))) return true
      const axle = axleOf(place)
      return whole.some(({ bundle }) => bundle.parts.includes(part.id) && (!axle || bundle.axle === axle || slotName(place) === 'wheel'))
    })
  }

  // rules
  const ruled = (rule: Rule, context: Context, axle: Axle): { verdict: Verdict; piece: boolean } => {
    const facts = factsOf(context, axle)
    const verdict = verdictsOf(rule, facts).reduce<Verdict>((worst, one) => (RANK[one.verdict] > RANK[worst] ? one.verdict : worst), 'fits')
    if (verdict !== 'needs' || musts.noPieces) return { verdict, piece: false }
    const needs = checkAll(rule, facts).filter((one) => one.verdict === 'needs')
    const cured = needs.every((one) => one.remedies.some(({ kind }) => kind === 'piece' || kind === 'shim'))
    return cured ? { verdict, piece: true } : { verdict: 'blocked', piece: false }
  }
  const out = (id: string, verdict: Verdict, piece = false): boolean =>
    verdict === 'blocked' ||
    (verdict === 'unknown' && musts.known) ||
    (verdict === 'needs' && (!piece || musts.noPieces)) ||
    (verdict === 'check' && ((id === 'parking-brake' && musts.parkingBrake) || (id === 'wheel-clearance' && musts.clears)))

  /** Whether the rear uses as much of its grip as the front, or more, at any deceleration from 0.15 g to under 0.80 g. */
  const rearLocksFirst = (car: PlainCar): boolean => {
    const { staticFrontShare, cgHeightMm, wheelbaseMm } = project.car
    for (let g = 0.15; g < 0.8; g += 0.0025) {
      const { frontShare } = plainStop(project, car, g, false, undefined)
      const load = staticFrontShare!.value + (g * cgHeightMm!.value) / wheelbaseMm!.value
      if (frontShare !== undefined && frontShare * (1 - load) <= (1 - frontShare) * load) return true
    }
    return false
  }

  const finds: BruteFind[] = []
  let together = 0
  const look = (filling: Assignment) => {
    const { masterCylinder } = filling
    const setBar = ask.vary.hydraulics || masterCylinder?.id !== now.masterCylinder?.id
    const bare = setupOf(space, filling, 'search', 'Search')
    const stop = plainStop(project, carOf(filling, bare), referenceDecelG, setBar, aim)
    const isTwin = masterCylinder?.kind === 'masterCylinder' && masterCylinder.construction === 'twin'
    const barFrontShare = isTwin && setBar ? stop.barFrontShare : undefined
    const setup = setupOf(space, filling, 'search', 'Search', barFrontShare === undefined ? {} : { barFrontShare })
    const context: Context = { project, setup, isStock: false, resolved: resolveSetup(project, setup) }
    const gaps = AXLES.map((axle) => gapAsItIs(context, axle))
    const results = [
      ...AXLES.flatMap((axle) =>
        RULES.filter((rule) => rule.on !== 'car').map((rule) => ({ id: rule.id as string, ...ruled(rule, context, axle) })),
      ),
      ...gaps.map(({ verdict }) => ({ id: 'wheel-clearance', verdict: verdict as Verdict, piece: false })),
    ]
    if (results.some(({ id, verdict, piece }) => out(id, verdict, piece))) return
    together += 1
    for (const rule of RULES.filter((one) => one.on === 'car')) results.push({ id: rule.id, ...ruled(rule, context, 'front') })
    for (const { rule, verdict } of pedalFindings(context)) results.push({ id: rule, verdict, piece: false })
    if (results.some(({ id, verdict, piece }) => out(id, verdict, piece))) return
    if (ask.wholeKits && !allCameWhole(filling)) return

    const car = carOf(filling, setup)
    const { frontShare, pedalN } = stop
    const frontC = frontShare === undefined ? undefined : plainRiseC(project, car.front, frontShare)
    const drum = car.rear.caliper?.kind === 'drum'
    const rearC = frontShare === undefined ? undefined : drum ? 0 : plainRiseC(project, car.rear, 1 - frontShare)
    const masses = AXLES.map((axle) => plainMassKg(car[axle], stockCar[axle]))
    const { uses = [] } = project.car
    const [low, high] = uses.length > 0 && uses.every((use) => RACES.includes(use)) ? [300, 500] : [100, 250]
    const values: BruteFind['values'] = {
      cost: withConsumables(filling, cost(filling)),
      heat: frontC === undefined || rearC === undefined ? undefined : Math.max(frontC, rearC),
      gap: gaps.every(({ gapMm }) => gapMm !== undefined) ? Math.min(...gaps.map(({ gapMm }) => gapMm!)) : undefined,
      bias: frontShare === undefined || aim === undefined ? undefined : Math.abs(frontShare - aim),
      mass: masses[0] === undefined || masses[1] === undefined ? undefined : masses[0] + masses[1],
      pedal: pedalN === undefined ? undefined : Math.max(low - pedalN, 0, pedalN - high),
    }
    if (musts.budgetMinor !== undefined && !(values.cost !== undefined && values.cost <= musts.budgetMinor)) return
    if (musts.pedal && (pedalN === undefined ? musts.known : pedalN < low || pedalN > high)) return
    if (musts.frontFirst && (frontShare === undefined ? musts.known : rearLocksFirst(car))) return
    const parts: BruteFind['parts'] = {}
    for (const place of PLACES) {
      const part = filling[place]
      if (part !== undefined && part?.id !== options[place][0]?.id) parts[place] = part?.id ?? null
    }
    const verdict = results.reduce<Verdict>((worst, one) => (RANK[one.verdict] > RANK[worst] ? one.verdict : worst), 'fits')
    finds.push({ parts, values, barFrontShare, verdict, costWith: (bought) => withConsumables(filling, costWith(filling, bought)) })
  }
  const fill = (depth: number, filling: Assignment) => {
    const place = PLACES[depth]
    if (!place) return look(filling)
    for (const part of options[place] as (Part | null | undefined)[])
      if (!(ask.vary.wheel && place === 'rear.wheel' && part?.id !== filling['front.wheel']?.id))
        fill(depth + 1, { ...filling, [place]: part })
  }
  fill(0, {})
  return { finds: paretoFront(finds, ask, { standard: 4, trialFit: 4, hardUse: 6 }[project.preferences.gapPolicy]), together }
}

/** What nothing beats; of those that weigh the same, none that another with fewer changes and no worse verdict makes needless. */
function paretoFront(finds: readonly BruteFind[], { by }: SearchQuery, enoughGapMm: number): BruteFind[] {
  const counts = (one: BruteFind, id: SearchCriterionId) => (id === 'gap' ? Math.min(one.values.gap!, enoughGapMm) : one.values[id]!)
  const ahead = (a: BruteFind, b: BruteFind) =>
    by.map((id) => {
      const [x, y] = [counts(a, id), counts(b, id)]
      const by = CRITERIA[id].better === 'low' ? y - x : x - y
      return by > CRITERIA[id].tolerance ? 1 : by < -CRITERIA[id].tolerance ? -1 : 0
    })
  const weighs = (one: BruteFind) => by.every((id) => one.values[id] !== undefined)
  const beats = (a: BruteFind, b: BruteFind) => {
    const all = ahead(a, b)
    return !all.includes(-1) && all.includes(1)
  }
  const left = finds.filter((one) => !weighs(one) || !finds.some((other) => weighs(other) && beats(other, one)))
  const same = (a: BruteFind, b: BruteFind) =>
    by.every((id) => a.values[id] === b.values[id] || Math.abs(counts(a, id) - counts(b, id)) < 1e-9)
  const changes = ({ parts }: BruteFind) => Object.keys(parts).length
  return left.filter(
    (one) => !left.some((other) => same(other, one) && changes(other) < changes(one) && RANK[other.verdict] <= RANK[one.verdict]),
  )
}
