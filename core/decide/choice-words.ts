import { FINDING_SHORT } from '../figures/words.ts'
import { capital, formatMoney, formatQuantity } from '../quantity/format.ts'
import type { Project } from '../records/project.ts'
import { heldAgainst, type CompareColumn, type Comparison, type ComparisonRow } from './comparison.ts'

/** What the choice is between: "Estate fronts costs EUR 560 less than Four-piston. Four-piston has 120 °C more heat margin; both are OK." */
export function choiceWords(
  project: Project,
  columns: readonly CompareColumn[],
  rows: ReadonlyMap<string, ComparisonRow>,
): Pick<Comparison, 'headline' | 'detail'> {
  const others = columns.map((column, at) => ({ column, at })).filter(({ column }) => !column.isStock)
  const goes = others.filter(({ column }) => column.verdict !== 'blocked')
  const blocked = others.filter(({ column }) => column.verdict === 'blocked').map(({ column }) => column.name)
  const costly = goes.filter(({ at }) => rows.get('budget')?.cells[at]!.verdict === 'needs').map(({ column }) => column.name)
  const leaves = [
    blocked.length > 0 ? `${blocked.join(' and ')} must not be built.` : '',
    costly.length > 0 ? `Over the budget: ${costly.join(' and ')}.` : '',
  ]
  const said = (headline: string, ...details: string[]) => ({ headline, detail: [...details, ...leaves].filter(Boolean).join(' ') })
  if (goes.length === 0)
    return others.length === 0 ? said('No setups to compare yet.', 'Add a setup or a search result.') : said('No setup can be built.')
  const cost = rows.get('cost')!
  const value = (id: string, at: number) => rows.get(id)!.cells[at]!
  const by = (id: string, way: 1 | -1) =>
    [...goes]
      // a total without some of its prices is not the least
      .filter(({ at }) => value(id, at).value !== undefined && !value(id, at).bound)
      .sort((a, b) => way * (value(id, a.at).value! - value(id, b.at).value!))[0]
  const [cheapest, coolest] = [by('cost', 1), by('margin', -1)]
  const { units, currency } = project.preferences
  if (!cheapest) return said('Not enough data: enter prices to compare the costs.')
  const isReady = goes.some(({ column }) => column.verdict === 'fits' || column.verdict === 'check')
  const answered = (first: string, second = '') => (isReady ? said(first, second) : said('No setup is ready to buy.', first, second))
  if (!coolest || coolest.at === cheapest.at) {
    const cool = coolest && goes.length > 1 ? ' and has the largest heat margin in this session' : ''
    return answered(
      `${cheapest.column.name} costs least, ${formatMoney(value('cost', cheapest.at).value, currency, { whole: true })}${cool}.`,
    )
  }
  const [a, b] = [value('cost', cheapest.at), value('cost', coolest.at)]
  const dearer = heldAgainst(cost, a, b)
  const money = formatMoney(b.value! - a.value!, currency, { whole: true })
  const [hot, cool] = [value('margin', cheapest.at), value('margin', coolest.at)]
  const room = formatQuantity(cool.value! - hot.value!, 'temperatureRise', units, { decimals: 0 })
  const first =
    dearer === 'same'
      ? `${cheapest.column.name} and ${coolest.column.name} cost the same within the uncertainty`
      : dearer === undefined
        ? `Prices of ${cheapest.column.name} or ${coolest.column.name} are missing`
        : `${cheapest.column.name} costs ${money} less than ${coolest.column.name}`
  const second =
    heldAgainst(rows.get('margin')!, cool, hot) === 'better'
      ? `${coolest.column.name} has ${room} more heat margin`
      : 'their heat margins are the same within the uncertainty'
  const clear = [cheapest, coolest].map(({ at }) => value('verdict', at).verdict!)
  const fits = clear.every((one) => one === 'fits')
    ? 'both are OK'
    : clear.map((one, i) => `${[cheapest, coolest][i]!.column.name}: ${FINDING_SHORT[one].toLowerCase()}`).join(', ')
  return answered(`${first}.`, `${capital(second)}; ${fits}.`)
}
