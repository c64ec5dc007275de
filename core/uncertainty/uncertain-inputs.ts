import { fieldAt } from '../records/entry.ts'
import type { Project } from '../records/project.ts'
import { doubtOf, doubtOnceMeasured } from '../records/assumed-uncertainty.ts'
import type { EntryPlace } from '../records/question.ts'
import { placeKey } from '../records/question.ts'
import type { FigureId } from '../figures/figure-ids.ts'
import type { Input, Missing, ReportFigure } from '../figures/figure.ts'

type ReportFigures = Readonly<Partial<Record<FigureId, ReportFigure>>>

/** A figure that someone entered or that stands in for one, as far down as a figure of the report reaches. */
export interface UncertainInput {
  at: EntryPlace & { field: string }
  /** Which one where the place holds several. */
  index: number
  label: string
  dimension: Input['dimension']
  value: number
  u: number
  /** What it would be worth once measured. */
  measuredU: number
  origin: NonNullable<Input['origin']>
  /** A default: nobody entered one. */
  assumed: boolean
  madeOf: Input['madeOf']
}

/** All that a figure of the report is made of, through the figures it carries, in the order of reading. */
export function readFor(figures: ReportFigures, ids: readonly FigureId[]): { inputs: Input[]; missing: Missing[] } {
  const inputs: Input[] = []
  const missing: Missing[] = []
  const seen = new Set<FigureId>()
  const walk = (id: FigureId): void => {
    const figure = figures[id]
    if (!figure || seen.has(id)) return
    seen.add(id)
    missing.push(...figure.missing)
    for (const input of figure.inputs) {
      if (input.at.kind === 'figure') walk(input.at.figureId)
      else inputs.push(input)
    }
  }
  ids.forEach(walk)
  return { inputs, missing }
}

/** The doubtful figures that figures of the report are made of, each once. */
export function uncertainInputsOf(project: Project, figures: ReportFigures, ids: readonly FigureId[]): UncertainInput[] {
  const found = new Map<string, UncertainInput>()
  for (const input of readFor(figures, ids).inputs) {
    const { at, value, origin, dimension } = input
    // a number that is chosen or computed is no doubtful one
    if (at.kind === 'figure' || !('field' in at) || value === undefined || origin === undefined) continue
    const field = fieldAt(project, at)
    // what a choice stands for cannot be set as a number
    if (at.kind !== 'setup' && field?.type !== 'figure' && field?.type !== 'figures') continue
    const index = at.field === 'pistonsMm' ? Number(/\d+$/.exec(input.symbol)?.[0] ?? 1) - 1 : 0
    const key = `${placeKey(at)}#${index}`
    if (found.has(key)) continue
    const u = doubtOf(at.field, dimension, { value, origin, ...(input.u === undefined ? {} : { u: input.u }) })
    if (u <= 0) continue
    found.set(key, {
      at: at as UncertainInput['at'],
      index,
      label: input.label,
      dimension,
      value,
      u,
      measuredU: Math.min(u, doubtOnceMeasured(at.field, dimension, value)),
      origin,
      assumed: input.assumed === true,
      madeOf: input.madeOf,
    })
  }
  return [...found.values()]
}
