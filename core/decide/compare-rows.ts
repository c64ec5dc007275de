import { hoursWords, workOrder } from '../work-order/work-order.ts'
import { AXLES, type Axle } from '../quantity/axle.ts'
import type { Project } from '../records/project.ts'
import { pedalOf } from '../records/uses.ts'
import { resolveSetup } from '../records/resolve.ts'
import { formatMoney, formatQuantity } from '../quantity/format.ts'
import type { Dimension } from '../quantity/units.ts'
import type { Verdict } from '../figures/verdict.ts'
import type { ReportFigure } from '../figures/figure.ts'
import { boundWord, counted, FINDING_SHORT, VERDICT_RANK, worstVerdict } from '../figures/words.ts'
import type { FigureId } from '../figures/figure-ids.ts'
import { CRITERIA, enoughOf, type CriterionId, type CriterionValue } from './criteria.ts'
import type { HeatBrief } from '../heat/heat-brief.ts'
import { BANDS } from '../hydraulics/pedal-bands.ts'
import { distanceWords, isLeastStop, stopReport, stopWords } from '../heat/stop-report.ts'
import { frictionOf } from '../balance/grip.ts'
import { lockWords } from '../balance/lock-finding.ts'
import type { Report } from '../evaluate/report.ts'
import type { CompareCell } from './comparison.ts'

export type Raw = Omit<CompareCell, 'against' | 'difference' | 'isEnough'>
export interface RowSpec {
  id: string
  label: string
  better?: 'low' | 'high'
  tolerance?: number
  enough?: number | undefined
  dimension?: Dimension | 'money'
  of: (column: ComparedSetup) => Raw
}
export interface ComparedSetup {
  report: Report
  heat: HeatBrief | undefined
  criteria: Record<CriterionId, CriterionValue>
  /** Of all its checks, the lock-up order with how probable it is. */
  verdicts: Verdict[]
}
/** Deceleration by which the front locking first goes on beyond what the tyres give, g. */
const LOCK_UP_IN_HAND_G = 0.05
const LIMITED_BY = { driver: 'pedal force', stroke: 'pedal stroke', pads: 'cold pads', tyre: 'tyres' } as const

/** Every row of the comparison: what it is called, which way is better, and what a setup is by it. */
export function rowSpecs(project: Project): RowSpec[] {
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
    const found = stopReport(project, report.setupId)
    const row = found.rows[0]
    if (!row) return plain('not known')
    if (row.distanceM === undefined) return { ...plain(distanceWords(row)), verdict: 'blocked' }
    return { ...plain(`${stopWords(found, row)}, ${LIMITED_BY[row.limit]}`, row.distanceM), bound: isLeastStop(found, row) }
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
    {
      ...criterion('cost'),
      of: ({ report: { figures, bill }, criteria }) => {
        const { p05, p95 } = bill.total
        const range = `90% range ${show(p05, 'money')}–${formatMoney(p95, currency, { whole: true, bare: true })}`
        return { ...criteria.cost, text: ofFigure(figures['cost.total'], show).text, ...(p95 > p05 ? { range } : {}) }
      },
    },
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
