import { formatMoney, formatQuantity } from '../quantity/format.ts'
import type { Dimension, UnitChoice } from '../quantity/units.ts'
import { orderVerdict } from './order-probability.ts'
import { fitMissing } from './step-state.ts'
import { boundWord, FINDING_ORDER, worstVerdict } from '../figures/words.ts'
import type { HeatBrief } from '../heat/heat-brief.ts'
import { lockWords } from '../balance/lock-finding.ts'
import type { Corner } from '../clearance/half-section.ts'
import type { FigureId } from '../figures/figure-ids.ts'
import type { Verdict } from '../figures/verdict.ts'
import type { Report } from './report.ts'
import type { ReportFigure } from '../figures/figure.ts'

/** One of the six figures that stand under every screen. */
interface KeyFigure {
  id: 'verdict' | 'area' | 'bias' | 'pedal' | 'heat' | 'cost'
  label: string
  value: string
  /** Between what it is in 9 of 10 cases, by the doubts of what went in. */
  range?: string
  /** A second line: what goes with the figure. */
  detail: string
  /** Against the car as it stands. */
  change: string
  tone: Verdict | 'plain'
  figureId: FigureId
}

/** Ranges of figures and the probability of the lock-up order, as the uncertainty of all inputs makes them. */
interface RangesOf {
  setupId: string
  figures: Partial<Record<FigureId, { p05: number; p95: number }>>
  frontFirstOf100: number | undefined
}

/** The six figures of a setup against the car as it stands. */
export function keyFigures(
  report: Report,
  stock: Report,
  units: UnitChoice,
  currency: string,
  heat?: { here: HeatBrief; stock: HeatBrief },
  doubt?: RangesOf,
): KeyFigure[] {
  const f = report.figures
  const s = stock.figures
  const against = (text: string) => (report.isStock ? 'baseline' : text)
  // an axle of which nothing is known yet does not stand before one that has been looked at
  const { front, rear } = report.corners
  const aside = [front, rear].find((one) => nothingOf(one) && (one === front ? rear : front).gap !== undefined)
  const worst = [front, rear].filter((one) => one !== aside).reduce((a, b) => (worse(report, b.axle, a.axle) ? b : a))
  const stockGap = stock.corners[worst.axle].gap
  const lock = report.findings.find((one) => one.rule === 'lock-order')!
  const stroke = report.findings.find((one) => one.rule === 'master-stroke')
  const outOfReach = report.tyresReachG !== undefined && report.tyresReachG < referenceG(f['pedal.force']) - 0.005
  const outOfStroke = stroke?.verdict === 'needs' || stroke?.verdict === 'blocked'
  const orderTone = orderVerdict(lock.verdict, doubt?.setupId === report.setupId ? doubt.frontFirstOf100 : undefined)
  const show = (figure: ReportFigure, dimension: Dimension, options?: Parameters<typeof formatQuantity>[3]) =>
    formatQuantity(figure.value, dimension, units, options)
  const known = (words: (to: typeof show) => string, ...figures: ReportFigure[]) =>
    figures.every((figure) => figure.value === undefined) ? 'not known' : words(show)

  const ranged = (id: 'bias.road' | 'pedal.force' | 'front.heat', dimension: Dimension): { range?: string } => {
    const found = doubt?.setupId === report.setupId ? doubt.figures[id] : undefined
    if (!found) return {}
    const end = (value: number) => formatQuantity(value, dimension, units, { bare: true, decimals: 0 })
    return end(found.p05) === end(found.p95) ? {} : { range: `${end(found.p05)}\u2013${end(found.p95)}` }
  }
  return [
    {
      id: 'verdict',
      label: 'Wheel clearance',
      value: worst.short,
      detail: worst.gap
        ? `${boundWord(f[`${worst.axle}.gap`])}${formatQuantity(worst.gap.minGapMm, 'length', units)} ${worst.axle}${aside ? `; ${aside.axle} unknown` : ''}`
        : `${worst.axle}: ${toEnter(fitMissing(report).length)}`,
      change: against(
        stockGap
          ? `baseline ${boundWord(s[`${worst.axle}.gap`])}${formatQuantity(stockGap.minGapMm, 'length', units)}`
          : 'baseline unknown',
      ),
      tone: worstVerdict(
        report.findings.filter((one) => one.rule === 'wheel-clearance' && one.axle !== aside?.axle).map((one) => one.verdict),
      ),
      figureId: `${worst.axle}.gap`,
    },
    {
      id: 'area',
      label: 'Piston area, one side',
      value: known(
        (area) => `${area(f['front.pistonArea'], 'area', { bare: true })} / ${area(f['rear.pistonArea'], 'area')}`,
        f['front.pistonArea'],
        f['rear.pistonArea'],
      ),
      detail: 'front / rear',
      change: against(
        `front ${percent(f['front.pistonArea'], s['front.pistonArea'])}, rear ${percent(f['rear.pistonArea'], s['rear.pistonArea'])}`,
      ),
      tone: unknownTone(f['front.pistonArea'], f['rear.pistonArea']),
      figureId: 'front.pistonArea',
    },
    {
      id: 'bias',
      label: 'Brake balance',
      ...ranged('bias.road', 'share'),
      value: known((share) => `${boundWord(f['bias.road'])}${share(f['bias.road'], 'share')} front`, f['bias.road']),
      detail: lockWords(report),
      change: against(points(f['bias.road'], s['bias.road'])),
      tone: orderTone === 'fits' ? 'plain' : orderTone,
      figureId: 'bias.road',
    },
    {
      id: 'pedal',
      label: f['pedal.force'].label,
      ...ranged('pedal.force', 'force'),
      value: known((force) => `${boundWord(f['pedal.force'])}${force(f['pedal.force'], 'force')}`, f['pedal.force']),
      detail: outOfStroke
        ? `${formatQuantity(f['master.strokeUsed'].value, 'share', units, { decimals: 0 })} of the master cylinder used`
        : outOfReach
          ? `the tyres reach ${formatQuantity(report.tyresReachG, 'deceleration')}`
          : f['pedal.travel'].value === undefined
            ? 'travel unknown'
            : `about ${formatQuantity(f['pedal.travel'].value, 'length', units, { decimals: units.length === 'mm' ? 0 : 1 })} travel`,
      change: against(`force ${percent(f['pedal.force'], s['pedal.force'])}, travel ${percent(f['pedal.travel'], s['pedal.travel'])}`),
      tone: outOfStroke ? stroke!.verdict : unknownTone(f['pedal.force']),
      figureId: 'pedal.force',
    },
    heat
      ? {
          id: 'heat',
          label: `Heat: ${heat.here.duty}`,
          value: heat.here.value,
          detail: heat.here.detail,
          change: against(`baseline ${heat.stock.value}`),
          tone: heat.here.verdict === 'fits' ? 'plain' : heat.here.verdict,
          figureId: 'front.heat',
        }
      : {
          id: 'heat',
          label: 'Heat: rotor rise, one stop',
          ...ranged('front.heat', 'temperatureRise'),
          value: known((rise) => rise(f['front.heat'], 'temperatureRise', { signed: true }), f['front.heat']),
          detail: `front; rear ${known((rise) => rise(f['rear.heat'], 'temperatureRise', { signed: true }), f['rear.heat'])}`,
          change: against(`front ${percent(f['front.heat'], s['front.heat'])}`),
          tone: unknownTone(f['front.heat']),
          figureId: 'front.heat',
        },
    {
      id: 'cost',
      label: 'Cost',
      value: `${boundWord(f['cost.total'])}${formatMoney(f['cost.total'].value, currency, { whole: true })}`,
      detail:
        report.bill.lines.length === 0
          ? 'nothing to buy'
          : report.bill.total.p05 === report.bill.total.p95
            ? 'prices without a range'
            : `90% range ${formatMoney(report.bill.total.p05, currency, { whole: true })}–${formatMoney(report.bill.total.p95, currency, { whole: true, bare: true })}`,
      change: against(report.bill.unpriced > 0 ? `${report.bill.unpriced} without a price` : 'more than the baseline'),
      tone: report.bill.unpriced > 0 ? 'unknown' : 'plain',
      figureId: 'cost.total',
    },
  ]
}

/**
 * The same without saying how much is to be entered: on a question's page one count stands already, that of its answer.
 *
 * @example
 * withoutCounts([{ detail: 'front: 104 to enter' }]) // => [{ detail: 'front: not known' }]
 */
export const withoutCounts = <F extends Pick<KeyFigure, 'detail'>>(figures: readonly F[]): F[] =>
  figures.map((one) => ({ ...one, detail: one.detail.replace(/\d+ to enter$/, 'not known') }))

/** Neither caliper nor wheel is chosen there. */
const nothingOf = ({ missing }: Corner): boolean =>
  (['caliper', 'wheel'] as const).every((slot) => missing.some(({ at }) => at.kind === 'slot' && at.slot === slot))

/** Whether axle `a` is the one to show rather than `b`: the worse verdict, then the smaller gap. */
function worse(report: Report, a: 'front' | 'rear', b: 'front' | 'rear'): boolean {
  const rank = (axle: 'front' | 'rear') =>
    FINDING_ORDER.indexOf(report.findings.find((one) => one.rule === 'wheel-clearance' && one.axle === axle)!.verdict)
  if (rank(a) !== rank(b)) return rank(a) > rank(b)
  return (report.corners[a].gap?.minGapMm ?? Infinity) < (report.corners[b].gap?.minGapMm ?? Infinity)
}

const toEnter = (count: number): string => `${count} to enter`

/** The deceleration that a pedal force is stated at, g. */
const referenceG = ({ inputs }: ReportFigure): number => inputs.find((one) => one.symbol === 'z')?.value ?? 0

const unknownTone = (...figures: ReportFigure[]): KeyFigure['tone'] =>
  figures.some((figure) => figure.value === undefined || figure.atLeast) ? 'unknown' : 'plain'

/** "+12 %" of one figure against another. */
export function percent(now: ReportFigure, then: ReportFigure): string {
  if (now.value === undefined || then.value === undefined || then.value === 0) return '\u2014'
  const change = Math.round((now.value / then.value - 1) * 100)
  return change === 0 ? 'same' : `${change > 0 ? '+' : '\u2212'}${Math.abs(change)}%`
}

function points(now: ReportFigure, then: ReportFigure): string {
  if (now.value === undefined || then.value === undefined || now.atLeast || then.atLeast) return '\u2014'
  const change = (now.value - then.value) * 100
  return Math.abs(change) < 0.05 ? 'same split' : `${Math.abs(change).toFixed(1)} points to the ${change > 0 ? 'front' : 'rear'}`
}
