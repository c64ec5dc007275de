import { VERDICT_RANK } from '../figures/words.ts'
import { CRITERIA, type Enough, type SearchCriterionId } from './criteria.ts'
import { placeWords } from './apply-result.ts'
import { valuesOf, type SearchResult } from './search-report.ts'
import type { SearchQuery, SlotId } from './search-space.ts'

/** Results that differ only in what does not matter to the query, led by the one with the fewest changes. */
export interface ResultGroup {
  lead: SearchResult
  others: SearchResult[]
  /** Places in which they differ: "front hose". */
  differIn: string[]
  /** Why it is listed: what no other group does as well. */
  reason: string
}

/**
 * The results in groups, in the order of their first members. Two are in one group where every criterion of the query says the same
 * of both, within its tolerance and up to enough, and their verdict is the same.
 *
 * @param enough from where on more of a criterion is no better
 */
export function groupResults(query: SearchQuery, results: readonly SearchResult[], enough: Enough): ResultGroup[] {
  const groups: { values: ReturnType<typeof valuesOf>; members: SearchResult[] }[] = []
  for (const one of results) {
    const values = valuesOf(query, one.values, enough)
    const group = groups.find(
      ({ values: others, members: [first] }) =>
        VERDICT_RANK[first!.verdict] === VERDICT_RANK[one.verdict] &&
        values.every((value, i) => {
          const other = others[i]
          return value === undefined || other === undefined ? value === other : Math.abs(value - other) <= CRITERIA[query.by[i]!].tolerance
        }),
    )
    if (group) group.members.push(one)
    else groups.push({ values, members: [one] })
  }
  const leads = groups.map(({ members }) => members.reduce((a, b) => (changesOf(b) < changesOf(a) ? b : a)))
  return groups.map(({ members }, i) => ({
    lead: leads[i]!,
    others: members.filter((one) => one !== leads[i]),
    differIn: differencesOf(members),
    reason: reasonOf(query, leads, i, enough),
  }))
}
const changesOf = ({ parts }: SearchResult): number => Object.keys(parts).length

function differencesOf(members: readonly SearchResult[]): string[] {
  const places = new Set(members.flatMap(({ parts }) => Object.keys(parts) as SlotId[]))
  const differs = (place: SlotId) => new Set(members.map(({ parts }) => parts[place])).size > 1
  return [...places].filter(differs).map(placeWords)
}

/** What a result is called where it is the best, and where it is better than another. */
const WORDS: Record<SearchCriterionId, { best: string; better: string }> = {
  cost: { best: 'cheapest', better: 'cheaper' },
  heat: { best: 'coolest in one stop', better: 'cooler in one stop' },
  gap: { best: 'most clearance', better: 'more clearance' },
  bias: { best: 'closest to the ideal balance', better: 'closer to the ideal balance' },
  mass: { best: 'lightest', better: 'lighter' },
  pedal: { best: 'closest to the usual pedal force', better: 'closer to the usual pedal force' },
}
/**
 * In what a result is the best of all by more than the tolerance; else, in what it is better than the best by the first criterion.
 * Empty where there is nothing to compare with.
 */
function reasonOf(query: SearchQuery, leads: readonly SearchResult[], at: number, enough: Enough): string {
  const all = leads.map((one) => valuesOf(query, one.values, enough))
  /** The criteria by which it is better than each of these. */
  const betterThan = (others: readonly number[]) =>
    query.by.filter((id, i) => {
      const { better, tolerance } = CRITERIA[id]
      const mine = all[at]![i]
      return (
        mine !== undefined &&
        others.length > 0 &&
        others.every((k) => {
          const other = all[k]![i]
          // against what is not known nothing is better
          return other !== undefined && (better === 'low' ? other - mine : mine - other) > tolerance
        })
      )
    })
  const best = betterThan(leads.flatMap((_, k) => (k === at ? [] : [k])))
  if (best.length > 0) return best.map((id) => WORDS[id].best).join(', ')
  const [first] = query.by
  const { better } = CRITERIA[first!]
  const ranked = all
    .flatMap(([value], k) => (k === at || value === undefined ? [] : [{ k, value: better === 'low' ? value : -value }]))
    .sort((a, b) => a.value - b.value)
  const ahead = ranked[0] && betterThan([ranked[0].k]).filter((id) => id !== first)
  return ahead && ahead.length > 0 ? `${ahead.map((id) => WORDS[id].better).join(' and ')} than the ${WORDS[first!].best}` : ''
}
