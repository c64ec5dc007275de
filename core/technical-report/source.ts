import type { BalanceReport } from '../balance/balance-report.ts'
import type { Report } from '../evaluate/report.ts'
import type { ReportFigure, Input } from '../figures/figure.ts'
import { boundWord } from '../figures/words.ts'
import type { HeatReport } from '../heat/heat-report.ts'
import { AXLES } from '../quantity/axle.ts'
import { ORIGIN_WORDS } from '../quantity/figure.ts'
import { formatMoney, formatQuantity, plusMinusOf } from '../quantity/format.ts'
import type { Dimension, UnitChoice } from '../quantity/units.ts'
import { rangeWords } from '../quantity/uncertainty-words.ts'
import type { Project } from '../records/project.ts'
import type { Setup } from '../records/setup.ts'
import type { UncertaintyReport } from '../uncertainty/uncertainty-report.ts'
import type { UncertainFigureId } from '../uncertainty/values.ts'
import type { WorkOrder } from '../work-order/work-order.ts'
import type { ProjectFile, ReportFacts, ReportOptions } from './blocks.ts'

/** Everything the sections are written from, computed once. */
export interface ReportSource {
  project: Project
  setup: Setup
  report: Report
  baseline: Report
  uncertainty: UncertaintyReport
  balance: BalanceReport
  heat: HeatReport
  order: WorkOrder
  facts: ReportFacts
  file: ProjectFile
  options: ReportOptions
}

/** What stands where nobody has entered a value: never a zero, never a blank. */
export const UNKNOWN = 'not known'

export interface ReportWords {
  quantity(value: number | undefined, dimension: Dimension, options?: Parameters<typeof formatQuantity>[3]): string
  money(minor: number | undefined, options?: Parameters<typeof formatMoney>[2]): string
  figure(figure: ReportFigure): string
  /** "90% range 0.9–1.4 mm", or nothing. */
  range(figure: ReportFigure): string
  input(input: Input): string
}

/** Numbers in the units and the currency of the project, as on screen. */
export function showIn({ project, report, uncertainty }: Pick<ReportSource, 'project' | 'report' | 'uncertainty'>): ReportWords {
  const { units, currency } = project.preferences
  const quantity: ReportWords['quantity'] = (value, dimension, options) =>
    value === undefined ? UNKNOWN : formatQuantity(value, dimension, units, options)
  const money: ReportWords['money'] = (minor, options) => (minor === undefined ? UNKNOWN : formatMoney(minor, currency, options))
  return {
    quantity,
    money,
    figure: (figure) =>
      figure.value === undefined
        ? UNKNOWN
        : `${boundWord(figure)}${figure.dimension === 'money' ? money(figure.value) : quantity(figure.value, figure.dimension, figure.dimension === 'temperatureRise' ? { signed: true } : {})}`,
    range(figure) {
      if (figure.value === undefined) return ''
      if (figure.id === 'cost.total') {
        const { p05, p95 } = report.bill.total
        return rangeWords(money(p05, { whole: true }), money(p95, { whole: true, bare: true }))
      }
      if (figure.dimension === 'money') return ''
      const found = uncertainty.figures[figure.id as UncertainFigureId] ?? gapRange(report, figure)
      return found ? rangeWords(quantity(found.p05, figure.dimension, { bare: true }), quantity(found.p95, figure.dimension)) : ''
    },
    input: (input) =>
      input.value === undefined
        ? UNKNOWN
        : `${boundWord(input)}${formatQuantity(input.value, input.dimension, units)}${input.u === undefined ? '' : plusMinusWords(input.u, input.dimension, units)}`,
  }
}

/** The clearance is drawn by itself, with each axle. */
function gapRange({ corners }: Report, { id }: ReportFigure): { p05: number; p95: number } | undefined {
  const axle = AXLES.find((one) => id === `${one}.gap`)
  const gap = axle && corners[axle].gap
  return gap && { p05: gap.p05Mm, p95: gap.p95Mm }
}

/** A figure of one axle with its axle, which some labels name already. */
export function nameOf(figure: ReportFigure): string {
  const axle = AXLES.find((one) => figure.id.startsWith(`${one}.`))
  return axle && !new RegExp(`\\b${axle}\\b`, 'i').test(figure.label) ? `${figure.label}, ${axle}` : figure.label
}

/** " ± 0.07", with two digits: more of an uncertainty nobody knows. */
export const plusMinusWords = (u: number, dimension: Dimension, units: UnitChoice): string =>
  ` ± ${Number(Number(plusMinusOf(u, dimension, units)).toPrecision(2))}`

/** Where a number comes from. */
export const originOf = (input: Pick<Input, 'assumed' | 'origin' | 'at' | 'date'>): string =>
  input.assumed
    ? 'assumed'
    : [input.origin ? ORIGIN_WORDS[input.origin] : input.at.kind === 'figure' ? 'computed' : 'chosen', input.date?.slice(0, 10)]
        .filter(Boolean)
        .join(', ')

export const AXLE_WORD = { front: 'Front', rear: 'Rear' } as const
