import { balanceMissing, orderVerdict } from '../evaluate/order-probability.ts'
import { fitMissing } from '../evaluate/step-state.ts'
import type { Report } from '../evaluate/report.ts'
import type { Verdict } from '../figures/verdict.ts'
import { VERDICT_RANK } from '../figures/words.ts'
import type { HeatBrief } from '../heat/heat-brief.ts'
import { distanceWords, stopReport } from '../heat/stop-report.ts'
import { BANDS } from '../hydraulics/pedal-bands.ts'
import { formatMoney, formatQuantity } from '../quantity/format.ts'
import type { Project } from '../records/project.ts'
import { notEnoughData, questionKey } from '../records/question.ts'
import { pedalOf } from '../records/uses.ts'
import { heldAgainst, type CompareColumn, type Comparison } from './comparison.ts'

/** What a person who knows brakes would say of the setups at hand. */
export interface Recommendation {
  /** What to do, in one line. */
  headline: string
  /** What is not good enough today, what the advice brings and costs, what it does not bring. */
  facts: string[]
  /** The setup to choose; undefined: none. */
  setupId: string | undefined
}

/** What the brakes of a car must do; clearance and parts are among the checks of fit. */
const NEEDS = ['heat', 'order', 'pedal', 'fit'] as const
type BrakeNeed = (typeof NEEDS)[number]
type BrakeNeeds = Record<BrakeNeed, Verdict>

/** Of one setup, all that the advice stands on. */
interface Option {
  at: number
  column: CompareColumn
  report: Report
  heat: HeatBrief | undefined
  needs: BrakeNeeds
}

/**
 * Which setup to choose, if any: what is not good enough today, the smallest change that solves it, what the next one brings,
 * and what none of them brings. A setup that fails a check is never advised, nor one over the budget.
 *
 * @param comparison of the same reports, the current car first
 * @param heats by setup, of the session that the project is asked about
 * @param frontFirstOf100 by setup: probability that the front locks first as far as required, percent
 */
export function recommend(
  project: Project,
  comparison: Comparison,
  reports: readonly Report[],
  heats: Readonly<Record<string, HeatBrief>>,
  frontFirstOf100: Readonly<Record<string, number | undefined>> = {},
): Recommendation {
  const options = comparison.columns.map((column, at): Option => {
    const report = reports.find((one) => one.setupId === column.setupId)!
    const heat = heats[column.setupId]
    return { at, column, report, heat, needs: needsOf(project, report, heat, frontFirstOf100[column.setupId]) }
  })
  const [today, ...others] = options
  if (!today) return { headline: 'No setups to compare yet.', facts: [], setupId: undefined }
  const words = new Words(project, comparison)
  const lacks = NEEDS.filter((need) => isBad(today.needs[need]))
  const unknown = NEEDS.filter((need) => today.needs[need] === 'unknown')
  const limits = words.limits(options)
  const first = words.today(today)
  if (lacks.length === 0 && unknown.length > 0) return { headline: words.lacking(today), facts: [first], setupId: undefined }
  if (lacks.length === 0)
    return {
      headline: isCertain(today)
        ? 'Keep your brakes: the current car does what you need.'
        : 'Your brakes are probably enough. Check what is uncertain.',
      facts: [first, ...limits],
      setupId: undefined,
    }
  const solves = (one: Option) => NEEDS.every((need) => !isBad(one.needs[need]) && one.needs[need] !== 'unknown')
  // what a setup without all its prices costs is not known: it is neither the smallest change nor within a budget
  const ready = others
    .filter((one) => isReady(one) && words.isAffordable(one) && words.cost(one) < Infinity)
    .sort((a, b) => words.cost(a) - words.cost(b))
  const chosen = ready.find(solves)
  if (chosen) {
    const next = ready.find((one) => solves(one) && words.cost(one) > words.cost(chosen))
    return {
      headline: `Choose ${chosen.column.name}: the smallest change that ${isCertain(chosen) ? '' : 'probably '}solves it.`,
      facts: [first, words.brings(chosen), ...(next ? [words.more(chosen, next)] : []), ...limits],
      setupId: chosen.column.setupId,
    }
  }
  const known = (one: Option) => NEEDS.every((need) => one.needs[need] !== 'unknown')
  const helps = ready.find(
    (one) =>
      known(one) && lacks.some((need) => words.isBetter(one, today, need)) && NEEDS.every((need) => !words.isWorse(one, today, need)),
  )
  if (helps)
    return {
      headline: `${helps.column.name} helps, but does not solve it.`,
      facts: [first, words.brings(helps), ...limits],
      setupId: helps.column.setupId,
    }
  const nearest = others
    .filter(({ column }) => column.verdict === 'needs')
    .sort((a, b) => badOf(a) - badOf(b) || words.cost(a) - words.cost(b))[0]
  return {
    headline:
      others.length === 0
        ? 'The current car is not enough. Add a setup or search.'
        : 'Do not buy yet: no setup solves it and passes every check.',
    facts: [first, ...(nearest ? [words.open(nearest)] : []), ...limits],
    setupId: undefined,
  }
}

const isBad = (verdict: Verdict): boolean => verdict === 'needs' || verdict === 'blocked'
const isReady = ({ column }: Option): boolean => column.verdict === 'fits' || column.verdict === 'check'
/** Heat and lock-up order are good enough with their uncertainty. */
const isCertain = ({ needs }: Option): boolean => needs.heat === 'fits' && needs.order === 'fits'
/** What is not known counts as what is bad: taking a value away brings no setup nearer. */
const badOf = ({ needs }: Option): number => NEEDS.filter((need) => isBad(needs[need]) || needs[need] === 'unknown').length

function needsOf(project: Project, report: Report, heat: HeatBrief | undefined, of100: number | undefined): BrakeNeeds {
  const order = report.findings.find((one) => one.rule === 'lock-order')!
  const rest = report.findings.filter((one) => one.rule !== 'lock-order' && one.rule !== 'pedal-effort')
  const worst = [...report.fit, ...rest].reduce<Verdict>((a, b) => (VERDICT_RANK[b.verdict] > VERDICT_RANK[a] ? b.verdict : a), 'fits')
  const { value, atLeast } = report.figures['pedal.force']
  const { low, high } = BANDS[pedalOf(project.car.uses)].forceN
  return {
    heat: heat?.verdict ?? 'unknown',
    // an order without its probability is not settled
    order: of100 === undefined && order.verdict === 'fits' ? 'check' : orderVerdict(order.verdict, of100),
    // a light pedal is a matter of taste; one that is too heavy stops the car late
    pedal: value === undefined ? 'unknown' : value > high ? 'needs' : atLeast ? 'unknown' : value < low ? 'check' : 'fits',
    fit: worst,
  }
}

/** The sentences of a recommendation, with the numbers of the comparison. */
class Words {
  constructor(
    private readonly project: Project,
    private readonly comparison: Comparison,
  ) {}

  private cell(id: string, { at }: Pick<Option, 'at'>) {
    return this.comparison.rows.find((row) => row.id === id)?.cells[at]
  }
  private money(minor: number): string {
    return formatMoney(minor, this.project.preferences.currency, { whole: true })
  }
  /** Minor units; Infinity: not known, or only the least. */
  cost(one: Option): number {
    const cost = this.cell('cost', one)
    return cost?.value === undefined || cost.bound ? Infinity : cost.value
  }
  /** Within the budget; without a budget anything is. */
  isAffordable(one: Option): boolean {
    const budget = this.cell('budget', one)
    return budget === undefined || budget.verdict !== 'needs'
  }
  /** Heat by its margin, all else by whether it is good enough. */
  private held(one: Option, today: Option, need: BrakeNeed): 'better' | 'worse' | 'same' | undefined {
    if (need !== 'heat') return isBad(one.needs[need]) === isBad(today.needs[need]) ? 'same' : isBad(one.needs[need]) ? 'worse' : 'better'
    const row = this.comparison.rows.find(({ id }) => id === 'margin')!
    return heldAgainst(row, row.cells[one.at]!, row.cells[today.at]!)
  }
  isBetter(one: Option, today: Option, need: BrakeNeed): boolean {
    return this.held(one, today, need) === 'better'
  }
  isWorse(one: Option, today: Option, need: BrakeNeed): boolean {
    return this.held(one, today, need) === 'worse'
  }

  private carries({ heat }: Option): string {
    if (!heat || heat.verdict === 'unknown') return 'The session is unknown'
    if (heat.verdict === 'check' && heat.goesAtS === undefined)
      return `“${heat.duty}” ends with ${heat.value}, which is within the uncertainty`
    return heat.goesAtS === undefined
      ? `“${heat.duty}” is carried with ${heat.value}`
      : `“${heat.duty}” is carried for ${heat.value}, ${heat.detail} passes its limit`
  }
  today(one: Option): string {
    const { needs, report } = one
    const force = report.figures['pedal.force'].value
    const pedal = force === undefined ? 'pedal force' : `pedal force ${formatQuantity(force, 'force', this.project.preferences.units)}`
    const names: Record<Exclude<BrakeNeed, 'heat'>, string> = { order: 'lock-up order', pedal, fit: 'fit' }
    const of = (test: (verdict: Verdict) => boolean) =>
      (Object.keys(names) as (keyof typeof names)[]).filter((need) => test(needs[need])).map((need) => names[need])
    const parts: [string, string[]][] = [
      ['Not good enough', of(isBad)],
      ['Not known', of((verdict) => verdict === 'unknown')],
      ['To check', of((verdict) => verdict === 'check')],
      ['OK', of((verdict) => verdict === 'fits')],
    ]
    return [`Today: ${this.carries(one)}.`, ...parts.flatMap(([word, all]) => (all.length > 0 ? `${word}: ${all.join(', ')}.` : []))].join(
      ' ',
    )
  }
  /** Where the current car is not known: the first thing to enter, or the session. */
  lacking({ report }: Option): string {
    const missing = [...new Map([...fitMissing(report), ...balanceMissing(report)].map((one) => [questionKey(one), one])).values()]
    return missing.length > 0 ? notEnoughData(missing) : 'Not enough data: the session of the current car is unknown.'
  }
  brings(one: Option): string {
    const cost = this.cell('cost', one)!
    return `${this.carries(one)}. It costs ${cost.text}${cost.range ? `, ${cost.range}` : ''}.`
  }
  more(chosen: Option, next: Option): string {
    const row = this.comparison.rows.find(({ id }) => id === 'margin')!
    const [a, b] = [row.cells[chosen.at]!, row.cells[next.at]!]
    const better = heldAgainst(row, b, a) === 'better'
    const gain = better
      ? `${formatQuantity(b.value! - a.value!, 'temperatureRise', this.project.preferences.units, { decimals: 0 })} more heat margin`
      : 'nothing that you need'
    return `${next.column.name} costs ${this.money(this.cost(next) - this.cost(chosen))} more and brings ${gain}.`
  }
  /** What stands in the way of the one that comes nearest. */
  open(one: Option): string {
    const { report, needs, column } = one
    const check = [...report.fit, ...report.findings].find((each) => each.verdict === 'needs')
    const reason = check ? check.sentence : needs.order === 'needs' ? 'The lock-up order is not confirmed.' : ''
    return [`${column.name} comes nearest. ${this.carries(one)}. It still needs a fix.`, reason].filter(Boolean).join(' ')
  }
  /** Where the tyres limit the stop and no setup shortens it: only of stops that are known. */
  limits(options: readonly Option[]): string[] {
    const row = stopReport(this.project, options[0]!.column.setupId).rows[0]
    const stops = this.comparison.rows.find(({ id }) => id === 'stop')!
    const held = stops.cells.map((cell) => heldAgainst(stops, cell, stops.cells[0]!))
    if (!row || row.limit !== 'tyre' || !held.every((one) => one === 'same' || one === 'worse')) return []
    return [
      `The tyres limit the stop: ${distanceWords(row)} from ${this.project.preferences.stopFromKmh} km/h, and no setup shortens it. Better tyres do.`,
    ]
  }
}
