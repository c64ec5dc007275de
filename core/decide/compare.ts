import type { Report } from '../evaluate/report.ts'
import { orderVerdict } from '../evaluate/order-probability.ts'
import type { Verdict } from '../figures/verdict.ts'
import { VERDICT_RANK, worstVerdict } from '../figures/words.ts'
import type { HeatBrief } from '../heat/heat-brief.ts'
import { formatMoney, formatQuantity } from '../quantity/format.ts'
import type { Dimension } from '../quantity/units.ts'
import type { Project } from '../records/project.ts'
import { choiceWords } from './choice-words.ts'
import { rowSpecs, type ComparedSetup, type Raw, type RowSpec } from './compare-rows.ts'
import { heldAgainst, isEnough, type CompareCell, type CompareColumn, type Comparison, type ComparisonRow } from './comparison.ts'
import { SETUP_CRITERIA, setupCriteria, upToEnough, type SetupCriterionId } from './criteria.ts'

const shownVerdicts = ({ fit, findings }: Report, of100: number | undefined): Verdict[] => [
  ...fit.map((one) => one.verdict),
  ...findings.map((one) => (one.rule === 'lock-order' ? orderVerdict(one.verdict, of100) : one.verdict)),
]

/**
 * Setups side by side, the first of them as the reference.
 *
 * @param heats by setup; a setup without one has its heat not known
 * @param frontFirstOf100 by setup: how probable the lock-up order is, percent; a setup without has the verdict of the order alone
 */
export function compare(
  project: Project,
  reports: readonly Report[],
  heats: Readonly<Record<string, HeatBrief>>,
  frontFirstOf100: Readonly<Record<string, number | undefined>> = {},
): Comparison {
  const columns = reports.map((report): ComparedSetup => {
    const heat = heats[report.setupId]
    const verdicts = shownVerdicts(report, frontFirstOf100[report.setupId])
    return { report, heat, verdicts, criteria: setupCriteria(project, report, heat) }
  })
  const rows = rowSpecs(project).map((spec) => rowOf(spec, columns, project))
  const byId = new Map(rows.map((row) => [row.id, row]))
  const said = columns.map(({ report, verdicts }, at): CompareColumn => ({
    setupId: report.setupId,
    name: report.setupName,
    isStock: report.isStock,
    verdict: worstVerdict(verdicts),
    beatenBy: columns.flatMap(({ report: other, verdicts: others }, against) =>
      against !== at && dominatesColumn(byId, against, at) && VERDICT_RANK[worstVerdict(others)] <= VERDICT_RANK[worstVerdict(verdicts)]
        ? [other.setupName]
        : [],
    ),
  }))
  const words = choiceWords(project, said, byId)
  return { columns: said, rows, ...words, sentence: [words.headline, words.detail].filter(Boolean).join(' ') }
}

/** Whether one column is nowhere worse than another and somewhere better, by more than tie and doubt; unknown on either side: no. */
function dominatesColumn(rows: ReadonlyMap<string, ComparisonRow>, a: number, b: number): boolean {
  let better = false
  for (const id of SETUP_CRITERIA) {
    const row = rows.get(id)!
    const [x, y] = [row.cells[a]!, row.cells[b]!]
    const held = heldAgainst(row, x, y)
    if (held === undefined || held === 'worse') return false
    if (held === 'better') better = true
  }
  return better
}

function rowOf(spec: RowSpec, columns: readonly ComparedSetup[], project: Project): ComparisonRow {
  const { id, label, better, tolerance = 0, enough, dimension } = spec
  const raws = columns.map((column) => spec.of(column))
  const [reference] = raws
  const row = { id, label, better, tolerance, enough }
  const cells = raws.map((raw, at): CompareCell => ({
    against: at === 0 || !reference ? undefined : heldAgainst(row, raw, reference),
    difference: at === 0 || !reference ? '' : differenceWords(project, raw, reference, dimension),
    isEnough: isEnough(row, raw),
    ...raw,
  }))
  return { alike: raws.every((one) => one.text === reference?.text), cells, ...row }
}

function differenceWords(project: Project, a: Raw, b: Raw, dimension: Dimension | 'money' | undefined): string {
  if (dimension === undefined || a.value === undefined || b.value === undefined) return ''
  const off = a.value - b.value
  if (Math.abs(off) < 1e-9) return 'same'
  const { units, currency } = project.preferences
  if (dimension === 'money') return `${off > 0 ? '+' : '\u2212'}${formatMoney(Math.abs(off), currency, { whole: true })}`
  // a share changes by points
  if (dimension === 'share') return `${off > 0 ? '+' : '\u2212'}${Math.abs(off * 100).toFixed(1)} points`
  return formatQuantity(off, dimension === 'temperature' ? 'temperatureRise' : dimension, units, { signed: true })
}

/** Of marks in two criteria those that nothing beats, from the best of the first on. */
export function frontOf<M extends { x: number; y: number }>(marks: readonly M[], x: FrontAxis, y: FrontAxis): M[] {
  const [wayX, wayY] = [x.better === 'low' ? 1 : -1, y.better === 'low' ? 1 : -1] as const
  const counted = marks.map((mark) => ({
    mark,
    x: wayX * upToEnough(mark.x, x.better, x.enough),
    y: wayY * upToEnough(mark.y, y.better, y.enough),
  }))
  const isBeaten = (one: (typeof counted)[number]) =>
    counted.some((other) => other.x <= one.x && other.y <= one.y && (other.x !== one.x || other.y !== one.y))
  return counted
    .filter((one) => !isBeaten(one))
    .map(({ mark }) => mark)
    .sort((a, b) => wayX * (a.x - b.x))
}
/** Which way is better on an axis of the chart, and from where on more is no better. */
interface FrontAxis {
  better: 'low' | 'high'
  enough?: number | undefined
}

/**
 * The order that weights make of setups: each criterion from its best (0) to its worst (1) among them, times its weight; what
 * is not known counts as the worst. Never a score by itself: only who stands before whom.
 */
export function orderBy({ columns, rows }: Comparison, weights: Readonly<Partial<Record<SetupCriterionId, number>>>): CompareColumn[] {
  const sums = columns.map(() => 0)
  for (const id of SETUP_CRITERIA) {
    const weight = weights[id] ?? 0
    const row = rows.find((one) => one.id === id)
    if (weight === 0 || !row) continue
    const { better = 'low', enough } = row
    const values = row.cells.map((one) =>
      one.value === undefined ? undefined : (better === 'low' ? 1 : -1) * upToEnough(one.value, better, enough),
    )
    const known = values.filter((one) => one !== undefined)
    const [best, worst] = [Math.min(...known), Math.max(...known)]
    values.forEach((one, at) => (sums[at]! += weight * (one === undefined ? 1 : worst > best ? (one - best) / (worst - best) : 0)))
  }
  return columns
    .map((column, at) => ({ column, sum: sums[at]! }))
    .sort((a, b) => a.sum - b.sum)
    .map((one) => one.column)
}
