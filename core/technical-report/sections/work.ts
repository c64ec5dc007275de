import { PHASES, type Phase } from '../../work-order/work-step.ts'
import { buildOf, hoursWords } from '../../work-order/work-order.ts'
import { ORIGIN_WORDS } from '../../quantity/figure.ts'
import { heading, list, table, text, type ReportBlock, type TableCell } from '../blocks.ts'
import { workings } from '../figure-blocks.ts'
import { showIn, UNKNOWN, type ReportSource } from '../source.ts'

/** The parts list with its prices, then the work order as it stands: ticks, dates, torques with their sources, notes, pictures. */
export function work(source: ReportSource): ReportBlock[] {
  const { report, order, options } = source
  const show = showIn(source)
  const { bill } = report
  const minor = (value: number | undefined) => (value === undefined ? '' : show.money(value, { bare: true }))
  const lines = bill.lines.map((one): TableCell[] => [
    one.detail ? `${one.label}, ${one.detail}` : one.label,
    String(one.quantity),
    ...(options.prices
      ? one.owned
        ? ['already there', '', '']
        : one.likely === undefined
          ? [one.rateMissing ? `no rate for ${one.rateMissing}` : 'no price yet', '', '']
          : [minor(one.low), minor(one.likely), minor(one.high)]
      : []),
    [one.seller, one.origin ? ORIGIN_WORDS[one.origin] : '', one.date].filter(Boolean).join(', '),
  ])
  const money: ReportBlock[] = options.prices
    ? [
        text(
          `Sum: ${show.money(bill.total.likely)} expected, 90% range ${show.money(bill.total.p05, { bare: true })}–${show.money(bill.total.p95)}${bill.unpriced > 0 ? `; ${bill.unpriced} ${bill.unpriced === 1 ? 'line' : 'lines'} without a price, so it is at least that` : ''}.`,
          'strong',
        ),
        ...(bill.budget
          ? [{ kind: 'verdict' as const, verdict: bill.budget.verdict, text: `Budget: ${show.money(bill.budget.minor)}.` }]
          : []),
        ...(bill.deposits > 0 ? [text(`Refundable deposits beside it: ${show.money(bill.deposits)}.`)] : []),
      ]
    : []
  return [
    heading('bill', 'Parts list'),
    ...(lines.length === 0
      ? [text('Nothing to buy.')]
      : table(
          [
            { label: 'Part or work', share: options.prices ? 0.38 : 0.6 },
            { label: 'Pieces', share: 0.08, number: true },
            ...(options.prices
              ? [
                  { label: 'Low', share: 0.11, number: true as const },
                  { label: 'Expected', share: 0.11, number: true as const },
                  { label: 'High', share: 0.11, number: true as const },
                ]
              : []),
            { label: options.prices ? 'Price from' : 'From', share: options.prices ? 0.21 : 0.32 },
          ],
          lines,
          true,
        )),
    ...(lines.length > 0 ? money : []),
    heading('order', 'Work order'),
    ...(order.steps.length === 0 ? [text('Nothing differs from the baseline, so there is nothing to do.')] : workSteps(source)),
    ...(options.prices ? workings(source, ['cost.total', 'cost.season'], show) : []),
  ]
}

function workSteps(source: ReportSource): ReportBlock[] {
  const { project, setup, order } = source
  const show = showIn(source)
  const log = buildOf(project, setup.id)
  const noted = new Map(log?.notes.map((one) => [one.id, one]))
  const blocks: ReportBlock[] = [
    ...(order.stillWrong ? [{ kind: 'verdict' as const, verdict: 'needs' as const, text: order.stillWrong }] : []),
    text(
      `${order.steps.length} steps, ${hoursWords(order.minutes)} for both sides. ${order.torquesOpen > 0 ? `${order.torquesOpen} tightening torques are not entered. Use the figures of the maker of the car or the part.` : 'All tightening torques are entered.'}`,
    ),
  ]
  let phase: Phase | undefined
  for (const step of order.steps) {
    if (step.phase !== phase) {
      phase = step.phase
      blocks.push(heading(`phase-${phase}`, PHASES[phase]))
    }
    const note = noted.get(step.id)
    blocks.push(text(`${step.number}. ${step.title}${note?.doneOn ? `. Done on ${note.doneOn.slice(0, 10)}` : '. Not done yet'}`, 'strong'))
    if (step.caution) blocks.push({ kind: 'safety', note: step.caution })
    const facts = [
      step.parts.length > 0 ? `Parts: ${step.parts.join(', ')}.` : '',
      step.sides ?? '',
      step.tool ? `Tool: ${step.tool}.` : '',
      step.look ? `Look: ${step.look}` : '',
      step.keep ? `Record: ${step.keep}` : '',
      note?.note ? `Note: ${note.note}` : '',
    ].filter(Boolean)
    if (facts.length > 0) blocks.push(text(facts.join(' ')))
    blocks.push(
      ...list(
        step.torques.map(({ label, torque }) =>
          torque === undefined
            ? `${label}: tightening torque ${UNKNOWN}. Use the maker’s figure.`
            : `${label}: ${show.quantity(torque.value, 'torque')} (${[ORIGIN_WORDS[torque.origin], torque.note, torque.date].filter(Boolean).join(', ')})`,
        ),
      ),
    )
    if (note?.picture) blocks.push({ kind: 'picture', caption: `Step ${step.number}: ${step.title}`, jpeg: note.picture })
  }
  return blocks
}
