import type { ReportFigure } from '../figures/figure.ts'
import { filledOf } from '../figures/working.ts'
import { questionKey } from '../records/question.ts'
import { heading, list, table, text, type ReportBlock, type ReportColumn } from './blocks.ts'
import { nameOf, originOf, UNKNOWN, type ReportSource, type ReportWords } from './source.ts'

const INPUT_COLUMNS: readonly ReportColumn[] = [
  { label: 'Input', share: 0.4 },
  { label: 'Symbol', share: 0.08 },
  { label: 'Value', share: 0.2, number: true },
  { label: 'Origin', share: 0.32 },
]

/** One figure with how it comes about: formula, numbers put in, inputs, source, what is open. */
function workingOf(figure: ReportFigure, baseline: ReportFigure | undefined, show: ReportWords): ReportBlock[] {
  const { method } = figure
  const range = show.range(figure)
  const inputs = uniqueInputs(figure)
  return [
    heading(`figure-${figure.id}`, nameOf(figure)),
    { kind: 'formula', text: method.text, inWords: method.inWords === true, filled: filledOf(figure), result: show.figure(figure) },
    ...(range ? [text(`${range}.`)] : []),
    ...(baseline ? [text(`Baseline: ${show.figure(baseline)}.`)] : []),
    ...figure.notes.map((note) => text(note)),
    ...(figure.missing.length > 0 ? [text('Not enough data. To enter:', 'strong'), ...list(figure.missing.map((one) => one.what))] : []),
    ...table(
      INPUT_COLUMNS,
      inputs.map((input) => [input.label, input.symbol, show.input(input), input.value === undefined ? UNKNOWN : originOf(input)]),
      true,
    ),
    text(`${method.name}. Source: ${method.source}.`, 'soft'),
  ]
}
function uniqueInputs(figure: ReportFigure) {
  const seen = new Set<string>()
  return figure.inputs.filter((one) => {
    const key = `${questionKey({ at: one.at, what: one.label })}=${one.value}`
    if (seen.has(key)) return false
    seen.add(key)
    return true
  })
}

/** The workings of figures by name, front before rear; a figure that only a quick check has stands only where it has a value. */
export function workings(source: ReportSource, names: readonly string[], show: ReportWords): ReportBlock[] {
  const { report, baseline } = source
  return names.flatMap((name) => {
    const ids = name in report.figures ? [name] : [`front.${name}`, `rear.${name}`]
    return ids.flatMap((id) => {
      const figure = report.figures[id as keyof typeof report.figures]
      if (!figure || (figure.optional && figure.value === undefined)) return []
      const before = report.isStock ? undefined : baseline.figures[id as keyof typeof baseline.figures]
      return workingOf(figure, before, show)
    })
  })
}
