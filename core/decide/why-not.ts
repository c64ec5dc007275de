import { mostNonDominated } from './maths/pareto.ts'
import { checkAll } from '../fit/rule.ts'
import { RULES } from '../fit/rules.ts'
import { AXLES, type Axle } from '../quantity/axle.ts'
import type { Bundle } from '../records/bundle.ts'
import type { Part } from '../records/part.ts'
import type { Project } from '../records/project.ts'
import { resolveSetup } from '../records/resolve.ts'
import { formatMoney, inSentence } from '../quantity/format.ts'
import type { Context } from '../figures/read.ts'
import { factsOf } from '../fit/fit-check.ts'
import { gapOf, rulesOf, walkAxle } from './axle-walk.ts'
import { DependencyMemo } from './dependency-memo.ts'
import { AXLE_RULES } from './rejections.ts'
import { enoughOf } from './criteria.ts'
import { criteriaOf, valuesOf, type Rejection, type SearchResult, type SearchReport } from './search-report.ts'
import { search, uncovered } from './search.ts'
import { setupOf, spaceOf, type Assignment, type SlotId, type SearchQuery, type SearchSpace } from './search-space.ts'
import { placeWords } from './apply-result.ts'

/** What would have to change for a part to be among the finds. */
export interface WhyNot {
  partId: string
  name: string
  place: string
  sentence: string
  /** The fewest interfaces that stand in its way, with what would cure each. */
  fails: { title: string; sentence: string; cures: string[] }[]
  /** The cheapest with it that goes together and keeps every must, where there is one. */
  best: SearchResult | undefined
  /** Its price at which it is among the finds, minor units of its own currency: searched with. Undefined: none was found. */
  winsAtMinor: number | undefined
  /** The kit or donor whose price that is, where the part comes cheapest with it. */
  winsInKit: string | undefined
  /** What those with it end at, where they go together and keep no must. */
  ends: Rejection[]
}

/**
 * @param result of the same search: what a part is held against
 * @throws RangeError when the project has no such part
 */
export function whyNot(project: Project, ask: SearchQuery, partId: string, result: SearchReport): WhyNot {
  const part = project.parts.find((one) => one.id === partId)
  if (!part) throw new RangeError(`no part ${partId} in project ${project.id}`)
  const places = placesOf(spaceOf(project, ask), part)
  const nothing = { partId, name: part.name, fails: [], best: undefined, winsAtMinor: undefined, winsInKit: undefined, ends: [] }
  if (places.length === 0) return { place: '', sentence: `${part.name} fits no place that this search changes.`, ...nothing }
  const tried = places
    .map((place) => ({ place, fails: fewestFails(project, ask, place, part) }))
    .sort((a, b) => a.fails.length - b.fails.length)
  const { place, fails } = tried[0]!
  const where = placeWords(place)
  if (fails.length > 0)
    return {
      ...nothing,
      place: where,
      fails,
      sentence: `${part.name} as ${where}: even with the best parts of the library ${fails.length === 1 ? 'one check fails' : `${fails.length} checks fail`}.`,
    }
  const with_ = search(project, { ...ask, only: { place, partId } })
  const [best] = [...with_.finds].sort((a, b) => (a.values.cost ?? Infinity) - (b.values.cost ?? Infinity))
  if (!best) {
    // what goes together ends at something of the whole car
    const ends = with_.dropped.filter((one) => !OF_AN_AXLE.has(one.rule)).slice(0, 3)
    const over = ends.some((one) => one.rule === 'budget') ? cheapestWithoutBudget(project, { ...ask, only: { place, partId } }) : undefined
    return {
      ...nothing,
      place: where,
      ends,
      sentence: `${part.name} fits parts of the library, but no combination with it meets every requirement: ${ends
        .map((one) => inSentence(one.title))
        .join(', ')}.${
        over === undefined
          ? ''
          : ` The cheapest combination with it that meets the rest costs ${formatMoney(over, project.preferences.currency)}, ${formatMoney(over - ask.musts.budgetMinor!, project.preferences.currency)} over the budget.`
      }`,
    }
  }
  if (result.finds.some((one) => Object.values(one.parts).includes(partId)))
    return { ...nothing, place: where, best, sentence: `${part.name} is among the results, as ${where}.` }
  const wins = winningPrice(project, ask, part, best)
  return {
    ...nothing,
    place: where,
    best,
    ...(wins === undefined ? {} : { winsAtMinor: wins.minor, winsInKit: wins.kit?.id }),
    sentence:
      wins === undefined
        ? `${part.name} can be built in as ${where}, and others are better by what is weighed.`
        : `${part.name} can be used as ${where}. It would be among the results if ${wins.kit ? wins.kit.name : 'it'} cost less.`,
  }
}

/** What the cheapest costs that keeps all musts but the budget, minor units; undefined: there is none, or no price. */
function cheapestWithoutBudget(project: Project, ask: SearchQuery): number | undefined {
  const { budgetMinor: _, ...musts } = ask.musts
  const costs = search(project, { ...ask, musts, by: ['cost'] }).finds.flatMap((one) => one.values.cost ?? [])
  return costs.length === 0 ? undefined : Math.min(...costs)
}

/**
 * The price of a part, or of the kit that it comes cheapest with, in its own currency, at which it is among the finds: reckoned
 * from all that could beat it, then searched with, for the price changes others too. Undefined where it does not do it.
 */
function winningPrice(
  project: Project,
  ask: SearchQuery,
  part: Part,
  best: SearchResult,
): { minor: number; kit: Bundle | undefined } | undefined {
  const criteria = criteriaOf(ask)
  const at = ask.by.indexOf('cost')
  const kit = project.bundles.find((one) => best.kits.includes(one.id) && one.parts.includes(part.id))
  const { price } = kit ?? part
  if (at < 0 || !best.values.cost || !price || part.owned) return undefined
  const priced = <T extends Part | Bundle>(one: T, minor: number): T => ({ ...one, price: { ...price, lowMinor: 0, likelyMinor: minor } })
  const cheaper = (minor: number): Project =>
    kit
      ? { ...project, bundles: project.bundles.map((one) => (one === kit ? priced(one, minor) : one)) }
      : { ...project, parts: project.parts.map((one) => (one === part ? priced(one, minor) : one)) }
  const only = { ...ask, only: { place: placeOf(best, part.id), partId: part.id } }
  // what a unit of its price adds to the whole, with packs, rate and tax
  const bare = search(cheaper(0), only).finds.find((one) => sameParts(one, best))?.values.cost
  if (bare === undefined) return undefined
  const perMinor = (best.values.cost - bare) / price.likelyMinor
  const most = mostNonDominated(valuesOf(ask, best.values, enoughOf(project)), at, uncovered(project, ask), criteria)
  // better by less than the tie is not better: where the limit itself is beaten, a unit less
  const minor = [most, most - 1]
    .map((total) => Math.floor((total - bare) / perMinor))
    .find(
      (wins) =>
        wins >= 0 && wins < price.likelyMinor && search(cheaper(wins), ask).finds.some((one) => Object.values(one.parts).includes(part.id)),
    )
  return minor === undefined ? undefined : { minor, kit }
}
const placeOf = ({ parts }: SearchResult, partId: string): SlotId =>
  (Object.keys(parts) as SlotId[]).find((name) => parts[name] === partId)!
const sameParts = (a: SearchResult, b: SearchResult): boolean =>
  JSON.stringify(Object.entries(a.parts).sort()) === JSON.stringify(Object.entries(b.parts).sort())

const OF_AN_AXLE: ReadonlySet<string> = new Set([...AXLE_RULES.map((rule) => rule.id), 'wheel-clearance'])

/** Places of the search that take a part of this kind. */
function placesOf({ options, ask }: SearchSpace, part: Part): SlotId[] {
  return (Object.keys(options) as SlotId[]).filter(
    (name) => options[name].length > 1 && options[name].some((one) => one?.id === part.id) && !(ask.vary.wheel && name === 'rear.wheel'),
  )
}

/** The fewest rules that a part of an axle fails with any company from the library, with what is said of them. */
function fewestFails(project: Project, ask: SearchQuery, place: SlotId, part: Part): WhyNot['fails'] {
  const space = spaceOf(project, ask)
  const axle = AXLES.find((one) => place.startsWith(`${one}.`))
  if (!axle) return []
  const readings = new DependencyMemo(space)
  let best: { fails: readonly string[]; filling: Assignment } | undefined
  walkAxle<readonly string[]>({
    axle,
    options: { ...space.options, [place]: [part] },
    ask,
    rules: rulesOf(readings, axle, gapOf(readings, axle), ask),
    all: true,
    start: [],
    step: (sofar, { dropped }) => {
      const fails = [...sofar, ...dropped]
      return !best || fails.length < best.fails.length ? fails : undefined
    },
    each: (filling, fails) => (best = { fails, filling: { ...filling } }),
  })
  if (!best) return []
  const setup = setupOf(space, best.filling, 'search', 'Search')
  const context: Context = { project, setup, isStock: false, resolved: resolveSetup(project, setup) }
  return best.fails.map((id) => said(context, axle, id))
}

function said(context: Context, axle: Axle, id: string): WhyNot['fails'][number] {
  const rule = RULES.find((one) => one.id === id)
  const names = new Map(context.project.parts.map((part) => [part.id, part.name]))
  const found =
    rule &&
    checkAll(rule, factsOf(context, axle)).sort((a, b) => (a.verdict === 'blocked' ? -1 : 1) - (b.verdict === 'blocked' ? -1 : 1))[0]
  if (!found) return { title: 'Wheel over the caliper', sentence: 'The wheel does not clear it with any spacer of the library.', cures: [] }
  const cures = found.remedies.map((remedy) =>
    'label' in remedy ? remedy.label : 'partId' in remedy ? (names.get(remedy.partId) ?? '') : remedy.sentence,
  )
  return { title: found.title, sentence: found.sentence, cures: cures.filter(Boolean).slice(0, 3) }
}
