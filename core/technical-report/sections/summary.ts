import type { FigureId } from '../../figures/figure-ids.ts'
import { FINDING_SHORT, RULE_TITLES, counted } from '../../figures/words.ts'
import { orderHeadline } from '../../evaluate/order-probability.ts'
import { fitMissing, shownFinding } from '../../evaluate/step-state.ts'
import { capital } from '../../quantity/format.ts'
import { NO_APPROVAL } from '../../records/safety-note.ts'
import { changedParts } from '../changed-parts.ts'
import { heading, list, table, text, type ReportBlock, type TableCell, type ReportColumn } from '../blocks.ts'
import { AXLE_WORD, nameOf, showIn, type ReportSource } from '../source.ts'

const COLUMNS: readonly ReportColumn[] = [
  { label: 'Figure', share: 0.34 },
  { label: 'This setup', share: 0.18, number: true },
  { label: '90% range', share: 0.3 },
  { label: 'Baseline', share: 0.18, number: true },
]
const KEY_FIGURES: readonly FigureId[] = [
  'front.gap',
  'rear.gap',
  'bias.road',
  'pedal.force',
  'pedal.travel',
  'front.pistonArea',
  'rear.pistonArea',
]
/** So many lines stand on the first page, the worst first; the check list has them all. */
const MOST = 9

/** "2 to fix, 3 to check", or that all checks are OK. */
function fitCounts({ fit, findings }: ReportSource['report']): string {
  const all = [...fit, ...findings.filter((one) => one.rule === 'wheel-clearance')]
  const words = (['blocked', 'needs', 'unknown', 'check'] as const).flatMap((verdict) => {
    const count = all.filter((one) => one.verdict === verdict).length
    return count > 0 ? [`${count} × ${FINDING_SHORT[verdict]}`] : []
  })
  return words.length > 0 ? `${words.join(', ')}; ${all.length} checks in all` : `all ${all.length} checks OK`
}

/** One page: what changes, the key figures, what is over a limit, to fix, to check, not known. */
export function summary(source: ReportSource): ReportBlock[] {
  const { report, baseline, setup, uncertainty, heat, options } = source
  const show = showIn(source)
  const changes = changedParts(source)
  const order = orderHeadline(report, uncertainty.frontFirstOf100)
  const findings = report.findings.map((one) => shownFinding(report, one, uncertainty.frontFirstOf100))
  const checks = [
    ...findings.map((one) => ({
      verdict: one.verdict,
      words: `${one.axle ? `${AXLE_WORD[one.axle]}: ` : ''}${RULE_TITLES[one.rule]}. ${one.sentence}`,
    })),
    ...report.fit.map((one) => ({
      verdict: one.verdict,
      words: `${one.axle ? `${AXLE_WORD[one.axle]}: ` : ''}${one.title}. ${one.sentence}`,
    })),
    { verdict: heat.verdict, words: `${heat.duty.label}. ${heat.sentence}` },
  ]
  let left = MOST
  const said = (verdict: (typeof checks)[number]['verdict'], title: string): ReportBlock[] => {
    const found = checks.filter((one) => one.verdict === verdict).map((one) => one.words)
    const here = found.slice(0, left)
    left -= here.length
    const more = found.length - here.length
    return found.length === 0
      ? []
      : [text(`${title}: ${found.length}`, 'strong'), ...list([...here, ...(more > 0 ? [`${more} more, under Fit checks`] : [])])]
  }
  const rows = KEY_FIGURES.flatMap((id): TableCell[][] => {
    const figure = report.figures[id]
    return [
      [
        nameOf(figure),
        { text: show.figure(figure), strong: true },
        show.range(figure).replace(/^90% range /, ''),
        report.isStock ? '' : show.figure(baseline.figures[id]),
      ],
    ]
  })
  const money: TableCell[][] = options.prices
    ? [
        [
          report.figures['cost.total'].label,
          { text: show.figure(report.figures['cost.total']), strong: true },
          show.range(report.figures['cost.total']).replace(/^90% range /, ''),
          '',
        ],
      ]
    : []
  const open = checks.filter((one) => one.verdict !== 'fits').length
  return [
    text(
      report.isStock
        ? `Setup “${setup.name}”, the baseline.`
        : `Setup “${setup.name}”, compared with the baseline “${baseline.setupName}”.`,
    ),
    { kind: 'verdict', verdict: report.verdict, text: `Fit: ${fitCounts(report)}.` },
    { kind: 'verdict', verdict: order.verdict, text: [order.sentence, ...order.beside].join(' ') },
    { kind: 'verdict', verdict: heat.verdict, text: `${capital(heat.duty.label)}: ${heat.sentence}` },
    ...(changes.length > 0
      ? [text(`Changes: ${changes.map((one) => one.words).join('; ')}.`)]
      : report.isStock
        ? []
        : [text('No part differs from the baseline.')]),
    heading('key-figures', 'Key figures'),
    ...table(COLUMNS, [...rows, ...money]),
    heading('open', open === 0 ? 'Nothing over a limit, to check or unknown' : `Not OK: ${counted(open, 'check')}`),
    ...said('blocked', 'Do not build'),
    ...said('needs', 'To fix'),
    ...said('unknown', `Not enough data (${counted(fitMissing(report).length, 'value')} to enter for the fit checks)`),
    ...said('check', 'To check on the car'),
    text(NO_APPROVAL, 'strong'),
    { kind: 'blanks', labels: ['Checked by', 'Date', 'Signature'] },
  ]
}
