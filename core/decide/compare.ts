import { hoursWords, workOrder } from '../work-order/work-order.ts'
import { AXLES, type Axle, type Project } from '../records/project.ts'
import { pedalOf } from '../records/uses.ts'
import { resolveSetup } from '../records/resolve.ts'
import { capital, formatMoney, formatQuantity } from '../quantity/format.ts'
import type { Dimension } from '../quantity/units.ts'
import type { Verdict } from '../figures/verdict.ts'
import type { ReportFigure } from '../figures/figure.ts'
import { orderVerdict } from '../evaluate/order-probability.ts'
import { boundWord, counted, FINDING_SHORT, VERDICT_RANK, worstVerdict } from '../figures/words.ts'
import type { FigureId } from '../figures/figure-ids.ts'
import {
  CRITERIA,
  enoughOf,
  SETUP_CRITERIA,
  setupCriteria,
  upToEnough,
  type CriterionId,
  type CriterionValue,
  type SetupCriterionId,
} from './criteria.ts'
import type { HeatBrief } from '../heat/heat-brief.ts'
import { BANDS } from '../hydraulics/pedal-bands.ts'
import { distanceWords, stopReport } from '../heat/stop-report.ts'
import { frictionOf } from '../balance/grip.ts'
import { lockWords } from '../balance/lock-finding.ts'
import type { Report } from '../evaluate/report.ts'

/** A setup's word on one criterion. */
export interface CompareCell {
  text: string
  /** In the core's unit; undefined: no number, or not known. */
  value: number | undefined
  u: number | undefined
  /** It is at least or at most this: no side of a comparison. */
  bound: boolean
  verdict?: Verdict
  /** Against the reference, by more than the doubt; undefined: there is nothing to hold against each other. */
  against: 'better' | 'worse' | 'same' | undefined
  /** With its sign; empty on the reference itself. */
  difference: string
  /** At least as good as is needed: more would be no better. */
  isEnough: boolean
  figureId?: FigureId
}
export interface ComparisonRow {
  id: string
  label: string
  better: 'low' | 'high' | undefined
  /** Differences up to here are none, in the core's unit. */
  tolerance: number
  /** From here on more is no better, in the core's unit; undefined: it always is. */
  enough: number | undefined
  /** Everybody says the same. */
  alike: boolean
  /** One for each column. */
  cells: CompareCell[]
}
export interface CompareColumn {
  setupId: string
  name: string
  isStock: boolean
  verdict: Verdict
  /** Others that are nowhere worse and somewhere better, by more than the doubt. */
  beatenBy: string[]
}
export interface Comparison {
  columns: CompareColumn[]
  rows: ComparisonRow[]
  /** The answer in one line. */
  headline: string
  /** What the choice is between, beyond the headline. */
  detail: string
  /** Both together. */
  sentence: string
}

type Raw = Omit<CompareCell, 'against' | 'difference' | 'isEnough'>
interface RowSpec {
  id: string
  label: string
  better?: 'low' | 'high'
  tolerance?: number
  enough?: number | undefined
  dimension?: Dimension | 'money'
  of: (column: ComparedSetup) => Raw
}
interface ComparedSetup {
  report: Report
  heat: HeatBrief | undefined
  criteria: Record<CriterionId, CriterionValue>
  /** Of all its checks, the lock-up order with how probable it is. */
  verdicts: Verdict[]
}
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
  const rows = specs(project).map((spec) => rowOf(spec, columns, project))
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

/** One cell against another: the doubt of both together, or the tie where that is larger. */
export function heldAgainst(
  { better, tolerance, enough }: Pick<ComparisonRow, 'better' | 'tolerance' | 'enough'>,
  a: Pick<CompareCell, 'value' | 'u' | 'bound'>,
  b: Pick<CompareCell, 'value' | 'u' | 'bound'>,
): CompareCell['against'] {
  if (!better || a.value === undefined || b.value === undefined || a.bound || b.bound) return undefined
  const [x, y] = [upToEnough(a.value, better, enough), upToEnough(b.value, better, enough)]
  const ahead = better === 'low' ? y - x : x - y
  const room = Math.max(tolerance, Math.hypot(a.u ?? 0, b.u ?? 0))
  return ahead > room ? 'better' : ahead < -room ? 'worse' : 'same'
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

function isEnough({ better, enough }: Pick<ComparisonRow, 'better' | 'enough'>, { value, bound }: Raw): boolean {
  if (better === undefined || enough === undefined || value === undefined || bound) return false
  return better === 'high' ? value >= enough : value <= enough
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

/** Deceleration by which the front locking first goes on beyond what the tyres give, g. */
const LOCK_UP_IN_HAND_G = 0.05
const LIMITED_BY = { driver: 'pedal force', stroke: 'pedal stroke', pads: 'cold pads', tyre: 'tyres' } as const

function specs(project: Project): RowSpec[] {
  const { units, currency, budgetMinor } = project.preferences
  const enough = enoughOf(project)
  const show = (value: number | undefined, dimension: Dimension | 'money', digits?: { decimals: number }) =>
    value === undefined
      ? 'not known'
      : dimension === 'money'
        ? formatMoney(value, currency, { whole: true })
        : formatQuantity(value, dimension, units, digits)
  const figure = (id: FigureId): ((column: ComparedSetup) => Raw) => {
    return ({ report }) => ofFigure(report.figures[id], show)
  }
  const plain = (text: string, value?: number, u?: number): Raw => ({ text, value, u, bound: false })
  const both = (of: (axle: Axle, column: ComparedSetup) => string) => (column: ComparedSetup) =>
    plain(AXLES.map((axle) => of(axle, column)).join(' / '))
  const parts = (report: Report) =>
    resolveSetup(
      project,
      project.setups.find((one) => one.id === report.setupId)!,
    )
  /** A row of a criterion that setups and results of the search share. */
  const criterion = (id: CriterionId, words?: (value: number, column: ComparedSetup) => string): RowSpec => {
    const { label, better, tolerance, dimension } = CRITERIA[id]
    const of = (column: ComparedSetup): Raw => {
      const one = column.criteria[id]
      const { value, figureId } = one
      const own = words && value !== undefined ? words(value, column) : undefined
      const text = own ?? (figureId && value !== undefined ? ofFigure(column.report.figures[figureId], show).text : show(value, dimension))
      return { ...one, text }
    }
    return { id, label, better, tolerance, enough: enough[id], dimension, of }
  }
  const stop = ({ report }: ComparedSetup): Raw => {
    const { rows, footAtMost } = stopReport(project, report.setupId)
    const row = rows[0]
    if (!row) return plain('not known')
    // what is not known of foot, stroke or pads may end it before
    const bound = footAtMost || row.strokeG === undefined || row.padsG === undefined
    if (row.distanceM === undefined) return { ...plain(distanceWords(row)), verdict: 'blocked' }
    return { ...plain(`${bound ? 'at least ' : ''}${distanceWords(row)}, ${LIMITED_BY[row.limit]}`, row.distanceM), bound }
  }
  const budget: RowSpec = {
    id: 'budget',
    label: `Within the budget of ${show(budgetMinor, 'money')}`,
    of: ({ report: { bill, isStock } }) => {
      if (isStock || !bill.budget) return plain('nothing to buy')
      const { chance, verdict, minor } = bill.budget
      const over = bill.total.likely - minor
      const words = `${Math.round(chance * 100)}% probability${over > 0 ? `, ${show(over, 'money')} over` : ''}`
      return { ...plain(words, chance), verdict, figureId: 'cost.total' }
    },
  }
  return [
    {
      id: 'verdict',
      label: 'Verdict',
      of: ({ verdicts }) => {
        const open = verdicts.filter((one) => VERDICT_RANK[one] >= VERDICT_RANK.needs).length
        const verdict = worstVerdict(verdicts)
        return { ...plain(`${FINDING_SHORT[verdict]}${open > 0 ? `, ${open} open` : ''}`), verdict }
      },
    },
    criterion('gap'),
    { id: 'wheel', label: 'Wheel, front / rear', of: both((axle, { report }) => parts(report)[axle].wheel?.name ?? 'not known') },
    {
      id: 'spacer',
      label: 'Spacer, front / rear',
      of: both((axle, { report }) => show(report.corners[axle].spacerMm, 'length', { decimals: 0 })),
    },
    { id: 'areaFront', label: 'Piston area, front', dimension: 'area', of: figure('front.pistonArea') },
    { id: 'areaRear', label: 'Piston area, rear', dimension: 'area', of: figure('rear.pistonArea') },
    { id: 'biasPressure', label: 'Balance of pressure', dimension: 'share', of: figure('bias.pressure') },
    { id: 'biasClamp', label: 'Balance of clamp force', dimension: 'share', of: figure('bias.clamp') },
    { id: 'biasTorque', label: 'Balance of torque', dimension: 'share', of: figure('bias.torque') },
    { id: 'biasRoad', label: 'Brake balance (force)', dimension: 'share', of: figure('bias.road') },
    criterion('bias', (off) => `${(off * 100).toFixed(1)} points`),
    {
      id: 'critical',
      label: 'Lock-up order, driver only',
      better: 'high',
      tolerance: 0.02,
      enough: frictionOf(project, 'dry').value + LOCK_UP_IN_HAND_G,
      dimension: 'deceleration',
      of: ({ report }) => {
        const { lockOrder: order, rearSeenFirstAtG } = report
        const seen = rearSeenFirstAtG !== undefined
        // never as far as the brakes reach: better than any figure below that
        const never = !seen && order?.kind === 'frontAlways'
        const raw = ofFigure(report.figures['balance.critical'], show)
        const value = seen ? undefined : never ? order.upToG : raw.value
        return { ...raw, text: lockWords(report), value, bound: never || raw.bound, ...(seen ? { verdict: 'blocked' } : {}) }
      },
    },
    { id: 'force', label: 'Pedal force', dimension: 'force', of: figure('pedal.force') },
    criterion('pedal', (off, { report }) => {
      const { low } = BANDS[pedalOf(project.car.uses)].forceN
      return off === 0 ? 'within' : `${show(off, 'force')} too ${report.figures['pedal.force'].value! < low ? 'light' : 'heavy'}`
    }),
    {
      id: 'travel',
      label: 'Pedal travel',
      better: 'low',
      tolerance: 3,
      enough: BANDS[pedalOf(project.car.uses)].travelMm.high,
      dimension: 'length',
      of: figure('pedal.travel'),
    },
    {
      id: 'noAssist',
      label: 'Pedal without the booster',
      better: 'low',
      tolerance: 10,
      dimension: 'force',
      of: figure('pedal.forceNoAssist'),
    },
    { id: 'stop', label: `Dry stop from ${project.preferences.stopFromKmh} km/h, limited by`, better: 'low', tolerance: 0.5, of: stop },
    {
      ...criterion('margin'),
      of: ({ heat, criteria: { margin } }) => ({
        ...margin,
        text: heat ? `${heat.value}${heat.leftC !== undefined && heat.leftC < 0 ? `, ${heat.detail}` : ''}` : 'not known',
        ...(heat ? { verdict: heat.verdict } : {}),
      }),
    },
    criterion('heat'),
    criterion('mass', (kg) => formatQuantity(kg, 'mass', units, { signed: true })),
    {
      id: 'rotating',
      label: 'Rotating mass change, front',
      better: 'low',
      tolerance: 0.1,
      dimension: 'mass',
      of: figure('front.rotatingChange'),
    },
    criterion('cost', (_, { report: { figures, bill } }) => {
      const { p05, p95 } = bill.total
      const range = p95 > p05 ? `, 90% range ${show(p05, 'money')}–${formatMoney(p95, currency, { whole: true, bare: true })}` : ''
      return `${ofFigure(figures['cost.total'], show).text}${range}`
    }),
    ...(budgetMinor === undefined ? [] : [budget]),
    { id: 'season', label: 'Wear in a season', better: 'low', tolerance: 500, dimension: 'money', of: figure('cost.season') },
    {
      id: 'hours',
      label: 'Hours of work, estimated',
      better: 'low',
      tolerance: 30,
      of: ({ report }) => {
        if (report.verdict === 'blocked') return plain('none: it is blocked')
        const { minutes } = workOrder(project, report.setupId, report.fit)
        // from a practised hand to a first time: taken for what covers 9 of 10
        return plain(hoursWords(minutes), (minutes[0] + minutes[1]) / 2, (minutes[1] - minutes[0]) / 2 / 1.645)
      },
    },
    {
      id: 'open',
      label: 'Missing values',
      of: ({ report }) => {
        const missing = new Set(
          Object.values(report.figures).flatMap((one) =>
            one.optional ? [] : one.missing.map((question) => `${question.what} ${JSON.stringify(question.at)}`),
          ),
        )
        return plain(missing.size === 0 ? 'nothing' : counted(missing.size, 'figure'))
      },
    },
  ]
}

function ofFigure(figure: ReportFigure, show: (value: number | undefined, dimension: Dimension | 'money') => string): Raw {
  const { value, u, atLeast, atMost, dimension, id } = figure
  const doubt =
    u === undefined || value === undefined || dimension === 'money' ? '' : ` ± ${show(u, dimension).replace(/[\s\u00a0]\S+$|%$/, '')}`
  return {
    text: value === undefined ? 'not known' : `${boundWord(figure)}${show(value, dimension)}${doubt}`,
    value,
    u,
    bound: Boolean(atLeast ?? atMost),
    figureId: id,
  }
}

/** "Estate fronts costs 560 EUR less; Four-piston has 120 °C more room to its limit; both clear." */
function choiceWords(
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
      .filter(({ at }) => value(id, at).value !== undefined)
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
