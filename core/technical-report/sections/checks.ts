import { FINDING_SHORT, RULE_TITLES, VERDICT_RANK } from '../../figures/words.ts'
import { shownFinding } from '../../evaluate/step-state.ts'
import { ORIGIN_WORDS } from '../../quantity/figure.ts'
import type { Dimension } from '../../quantity/units.ts'
import { limitWords } from '../../guide/how.ts'
import { LIMITS } from '../../records/limits.ts'
import type { InputRecord } from '../../records/question.ts'
import { heading, list, table, text, type ReportBlock, type TableCell } from '../blocks.ts'
import { AXLE_WORD, showIn, UNKNOWN, type ReportSource } from '../source.ts'

/** Every check with its figure, its limit and what it looked at; then the fixes that the setup has taken. */
export function checks(source: ReportSource): ReportBlock[] {
  const { report, setup, uncertainty } = source
  const show = showIn(source)
  const where = (axle: 'front' | 'rear' | undefined) => (axle ? AXLE_WORD[axle] : 'Car')
  const looked = (one: InputRecord) =>
    `${one.label}: ${one.value === undefined ? UNKNOWN : typeof one.value === 'string' ? one.value : show.quantity(one.value, one.dimension as Dimension)}${one.origin ? ` (${ORIGIN_WORDS[one.origin]})` : ''}`
  const figures = report.findings.map((finding) => {
    const one = shownFinding(report, finding, uncertainty.frontFirstOf100)
    const figure = report.figures[one.figureId]
    return {
      rank: VERDICT_RANK[one.verdict],
      cells: [
        `${where(one.axle)}: ${RULE_TITLES[one.rule]}`,
        { text: FINDING_SHORT[one.verdict], verdict: one.verdict },
        `${one.sentence} Figure: ${show.figure(figure)}.`,
        one.missing.length > 0 ? `To enter: ${one.missing.map((missing) => missing.what).join('; ')}` : '',
      ] as TableCell[],
    }
  })
  const fits = report.fit.map((one) => ({
    rank: VERDICT_RANK[one.verdict],
    cells: [
      `${where(one.axle)}: ${one.title}`,
      { text: `${FINDING_SHORT[one.verdict]}${one.accepted ? ', fix taken' : ''}`, verdict: one.verdict },
      [
        one.sentence,
        one.value !== undefined && one.dimension ? `Figure: ${show.quantity(one.value, one.dimension)}.` : '',
        one.limit ? `Limit: ${one.limit}.` : '',
        ...one.remedies.map((fix) => `Fix: ${fix.sentence}`),
      ]
        .filter(Boolean)
        .join(' '),
      [
        one.missing.length > 0 ? `To enter: ${one.missing.map((missing) => missing.what).join('; ')}` : '',
        one.looked.map(looked).join('; '),
      ]
        .filter(Boolean)
        .join('. '),
    ] as TableCell[],
  }))
  const all = [...figures, ...fits].sort((a, b) => b.rank - a.rank)
  const taken = setup.extras.filter((one) => one.kind === 'remedy')
  const own = [...new Set(report.fit.flatMap((one) => one.ownLimits))]
  return [
    text(`${all.length} checks, the worst first.`),
    ...table(
      [
        { label: 'Check', share: 0.19 },
        { label: 'Result', share: 0.12 },
        { label: 'Finding', share: 0.32 },
        { label: 'Values behind it', share: 0.37 },
      ],
      all.map((one) => one.cells),
      true,
    ),
    heading('fixes', 'Fixes taken'),
    ...(taken.length > 0 ? list(taken.map((one) => `${one.quantity} × ${one.label}`)) : [text('None.')]),
    heading('own-limits', 'Limits of this project that differ from the usual ones'),
    ...(own.length > 0
      ? list(own.map((id) => `${LIMITS[id].label}: ${limitWords(id, source.project.preferences.limits?.[id] ?? LIMITS[id].value)}`))
      : [text('None.')]),
  ]
}
