import { ORIGIN_WORDS, type Figure } from '../../quantity/figure.ts'
import { carAxleFields, carFields } from '../../records/car-fields.ts'
import type { Field, FieldTable } from '../../records/field.ts'
import { COMMON_FIGURES, fieldsOf, PART_KINDS } from '../../records/part-kinds.ts'
import { partsInUse } from '../changed-parts.ts'
import { heading, list, table, text, type ReportBlock, type TableCell, type ReportColumn } from '../blocks.ts'
import { originOf, plusMinusWords, showIn, UNKNOWN, type ReportSource, type ReportWords } from '../source.ts'

const COLUMNS: readonly ReportColumn[] = [
  { label: 'Value', share: 0.38 },
  { label: 'Entered', share: 0.28, number: true },
  { label: 'Origin', share: 0.34 },
]

/** Every value of the car and of the parts in use, with its uncertainty, origin and date; assumed and typical ones apart. */
export function carAndParts(source: ReportSource): ReportBlock[] {
  const { project } = source
  const show = showIn(source)
  const units = project.preferences.units
  const shown = (figure: Figure, dimension: Parameters<ReportWords['quantity']>[1]) =>
    `${show.quantity(figure.value, dimension)}${figure.u === undefined ? '' : plusMinusWords(figure.u, dimension, units)}`
  const origin = (figure: Figure) => [ORIGIN_WORDS[figure.origin], figure.date?.slice(0, 10), figure.note].filter(Boolean).join(', ')
  const rowsOf = (fields: FieldTable, holder: object): TableCell[][] =>
    Object.entries(fields).flatMap(([key, field]): TableCell[][] => {
      if (field.when && (holder as Record<string, unknown>)[field.when.field] !== field.when.is) return []
      return [cellsOf(field, (holder as Record<string, unknown>)[key], shown, origin)]
    })
  const known = (rows: TableCell[][]) => rows.filter(([, value]) => value !== UNKNOWN)
  /** The names of what is open stand in one line: a page of "not known" hides what is known. */
  const openOf = (rows: TableCell[][]): ReportBlock[] => {
    const open = rows.filter(([, value]) => value === UNKNOWN).map(([label]) => String(label))
    return open.length === 0 ? [] : [text(`Not known: ${open.join('; ')}.`, 'soft')]
  }
  const group = (id: string, title: string, rows: TableCell[][], beside?: string): ReportBlock[] => [
    heading(id, title),
    ...(beside ? [text(beside, 'soft')] : []),
    ...table(COLUMNS, known(rows), true),
    ...openOf(rows),
  ]
  const { car } = project
  return [
    ...group('car', `Car: ${car.name}`, rowsOf(carFields, car), car.note),
    ...group('car-front', 'Front axle', rowsOf(carAxleFields, car.front)),
    ...group('car-rear', 'Rear axle', rowsOf(carAxleFields, car.rear)),
    ...partsInUse(source).flatMap(({ part, where, fitted }) =>
      group(
        `part-${part.id}`,
        `${PART_KINDS[part.kind].one}: ${part.name}`.replace(/^./, (one) => one.toUpperCase()),
        rowsOf({ ...fieldsOf(part.kind), ...COMMON_FIGURES }, part),
        [
          fitted ? `Fitted: ${where.join(', ')}` : `On the baseline only: ${where.map((one) => one.replace('baseline ', '')).join(', ')}`,
          part.maker,
          part.number,
          part.condition,
          part.provenance,
          part.note,
        ]
          .filter(Boolean)
          .join('. '),
      ),
    ),
    heading('assumed', 'Assumed and estimated values'),
    ...assumedValues(source, show),
  ]
}

function cellsOf(
  field: Field,
  value: unknown,
  shown: (figure: Figure, dimension: never) => string,
  origin: (figure: Figure) => string,
): TableCell[] {
  const label = field.label
  if (value === undefined || (Array.isArray(value) && value.length === 0)) return [label, UNKNOWN, '']
  switch (field.type) {
    case 'figure':
      return [label, shown(value as Figure, field.dimension as never), origin(value as Figure)]
    case 'figures': {
      const all = value as Figure[]
      return [label, all.map((one) => shown(one, field.dimension as never)).join('; '), [...new Set(all.map(origin))].join('; ')]
    }
    case 'choice':
      return [label, field.options.find((one) => one.value === value)?.label ?? String(value), '']
    case 'choices':
      return [label, (value as string[]).map((one) => field.options.find((option) => option.value === one)?.label ?? one).join('; '), '']
    case 'text':
      return [label, String(value), '']
    case 'outlines': {
      const lines = value as { name: string; points: unknown[]; origin?: Figure['origin'] }[]
      return [
        label,
        lines.map((one) => `${one.name}: ${one.points.length} points`).join('; '),
        [...new Set(lines.map((one) => ORIGIN_WORDS[one.origin ?? 'estimated']))].join('; '),
      ]
    }
    case 'profile': {
      const one = value as { points: unknown[]; origin?: Figure['origin'] }
      return [label, `${one.points.length} points`, ORIGIN_WORDS[one.origin ?? 'estimated']]
    }
    case 'faces':
      return [label, (value as { name: string }[]).map((one) => one.name).join('; '), '']
  }
}

/** What stands in for values nobody measured, over all figures: each once. */
function assumedValues({ report }: ReportSource, show: ReportWords): ReportBlock[] {
  const assumed = new Map<string, string>()
  const estimated = new Map<string, string>()
  for (const { inputs } of Object.values(report.figures))
    for (const input of inputs) {
      if (input.value === undefined) continue
      if (input.assumed) assumed.set(input.label, `${input.label}: ${show.input(input)}`)
      else if (input.origin === 'estimated' || input.origin === 'reported')
        estimated.set(input.label, `${input.label}: ${show.input(input)}, ${originOf(input)}`)
    }
  if (assumed.size + estimated.size === 0) return [text('None: every value that the figures read was measured here or published.')]
  return [
    ...(assumed.size > 0 ? [text('Assumed values, to be entered:', 'strong'), ...list([...assumed.values()])] : []),
    ...(estimated.size > 0 ? [text('Estimated or reported values:', 'strong'), ...list([...estimated.values()])] : []),
  ]
}
