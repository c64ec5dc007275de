import type { WorkBudget } from '../maths/work-budget.ts'
import { carAxleFields, carFields } from '../records/car-fields.ts'
import type { Field, FieldTable } from '../records/field.ts'
import { COMMON_FIGURES, fieldsOf } from '../records/part-kinds.ts'
import type { Axle } from '../quantity/axle.ts'
import type { AxleSlot, HydraulicSlot, Setup } from '../records/setup.ts'
import type { Part } from '../records/part.ts'
import type { Project } from '../records/project.ts'
import { AXLE_SLOTS, HYDRAULIC_SLOTS } from '../records/setup.ts'
import type { ResolvedSetup } from '../records/resolve.ts'
import type { Figure } from '../quantity/figure.ts'
import type { Dimension } from '../quantity/units.ts'
import type { Place } from './figure.ts'
import type { Working } from './working.ts'

/** What every part of the report looks at. */
export interface Context {
  project: Project
  setup: Setup
  isStock: boolean
  resolved: ResolvedSetup
  /** The car as it stands, once somebody asked for it. */
  stock?: ResolvedSetup
  /** What looking at its corners may cost, where many setups are looked at for one answer. */
  effort?: WorkBudget
  /** Sections of wheels that were read before, where hundreds of corners are looked at under the same few. */
  wheels?: Map<object, unknown>
}
/** One corner of it. */
export interface AtAxle {
  context: Context
  axle: Axle
}

/** The names of the figures of a part or of the car: what holds a number with a unit. */
export type FigureOf<Holder> = {
  [K in keyof Holder]-?: Figure extends Holder[K] ? (Holder[K] extends Figure | undefined ? K : never) : never
}[keyof Holder] &
  string
type FigureName<Table extends FieldTable> = { [K in keyof Table]: Table[K] extends { type: 'figure' } ? K : never }[keyof Table] & string

interface ReadAs {
  label: string
  dimension: Dimension
  how: string | undefined
}
/** A figure's words as its table has them; a table of another kind has no such field, and the types see to it. */
function wordsOf(field: Field): ReadAs {
  return { label: field.label, dimension: 'dimension' in field ? field.dimension : 'number', how: field.help }
}

/** A part's figure as it is asked for: its words, and where it is entered. */
export function partFigure<P extends Part>(part: P, field: FigureOf<P>): { figure: Figure | undefined; words: ReadAs; at: Place } {
  const words = wordsOf((fieldsOf(part.kind)[field] ?? COMMON_FIGURES[field])!)
  words.label += ` of ${part.name}`
  return {
    figure: part[field] as Figure | undefined,
    words,
    at: { kind: 'part', partId: part.id, field },
  }
}

/** Reads a figure of a part into a working. */
export function readPart<P extends Part>(working: Working, part: P, field: FigureOf<P>, symbol = ''): number | undefined {
  const { figure, words, at } = partFigure(part, field)
  const { label, dimension, how } = words
  return working.read(figure, { symbol, label, dimension, how, at })
}

export function readPartOr<P extends Part>(working: Working, part: P, field: FigureOf<P>, fallback: number, symbol = ''): number {
  const { figure, words, at } = partFigure(part, field)
  const { label, dimension, how } = words
  return working.readOr(figure, fallback, { symbol, label, dimension, how, at })
}

export function readCar(working: Working, { project }: Context, field: FigureName<typeof carFields>, symbol = ''): number | undefined {
  const { label, dimension, how } = wordsOf(carFields[field])
  return working.read(project.car[field], { symbol, label, dimension, how, at: { kind: 'car', field } })
}

export function readCarAxle(
  working: Working,
  { project }: Context,
  axle: Axle,
  field: FigureName<typeof carAxleFields>,
  symbol = '',
): number | undefined {
  const { label, dimension, how } = wordsOf(carAxleFields[field])
  return working.read(project.car[axle][field], { symbol, label: `${label}, ${axle}`, dimension, how, at: { kind: 'car', axle, field } })
}

/** Asks for a part where a slot is unknown. */
export function askSlot(working: Working, context: Context, axle: Axle, slot: AxleSlot): void {
  working.ask(
    `${AXLE_SLOTS[slot].label}, ${axle}`,
    { kind: 'slot', setupId: context.setup.id, axle, slot },
    'Choose a part in the step Setup.',
  )
}

export function askHydraulicSlot(working: Working, context: Context, slot: HydraulicSlot): void {
  working.ask(HYDRAULIC_SLOTS[slot].label, { kind: 'slot', setupId: context.setup.id, slot }, 'Choose a part in the step Setup.')
}
