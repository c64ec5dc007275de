import type { Axle } from '../quantity/axle.ts'
import type { Formula, Missing, ReportFigure } from './figure.ts'
import type { FigureId } from './figure-ids.ts'
import { Working } from './working.ts'

/**
 * A figure of the report, described in one place: what it is called, how it comes about, what it reads, and a pure
 * function of what was read. The table in `figures.ts` names every entry; ids, steps and the working drawer follow it.
 */
export interface FigureEntry<From, Read extends object> {
  label: string | ((from: From) => string)
  dimension: ReportFigure['dimension']
  formula: Formula | ((from: From) => Formula)
  /** A quick check or what only a spacer adds: a blank project does not ask for it, and no step waits for it. */
  optional?: true
  /** Reads what the figure is made of. Whatever is not there has been asked for in `work`. */
  read(work: Working, from: From): Read
  /** Runs only when everything is there. A question instead of a number: what is known contradicts itself. */
  value(known: Known<Read>, from: From): number | Missing | undefined
  /** Standard uncertainty of the value. */
  u?(known: Known<Read>): number
  /** The right side with the numbers put in, where filling the formula's symbols does not do. */
  filled?(known: Known<Read>, from: From): string | undefined
  /** What has to be said beside the number. */
  notes?(value: number, known: Known<Read>, from: From): readonly string[]
  /** It stands on what is known although questions are open: a sum, or the least of several places. */
  partial?: true
  /** What the value is a bound of the true one. */
  bound?(read: Read, from: From): Bound | undefined
}

/** The true value is this or more, or this or less. */
type Bound = 'atLeast' | 'atMost'

/** What was read, with nothing missing. */
export type Known<Read extends object> = { [K in keyof Read]-?: Exclude<Read[K], undefined> }

export interface Worked<Read extends object> {
  figure: ReportFigure
  /** What was read, as far as it is there. */
  read: Read
  /** The same once nothing is missing; undefined before. */
  known: Known<Read> | undefined
}

/** A figure of the whole car. */
export interface CarFigure<Id extends string, From, Read extends object = object> {
  readonly id: Id
  of(from: From): Worked<Read>
}
/** A figure that each axle has. */
export interface AxleFigure<Id extends string, From extends { axle: Axle }, Read extends object = object> {
  readonly id: Id
  of(from: From): Worked<Read>
}

export const carFigure = <Id extends string, From, Read extends object>(
  id: Id,
  entry: FigureEntry<From, Read>,
): CarFigure<Id, From, Read> => ({
  id,
  of: (from) => work(id as string as FigureId, entry, from),
})

export function axleFigure<Id extends string, From extends { axle: Axle }, Read extends object>(
  id: Id,
  entry: FigureEntry<From, Read>,
): AxleFigure<Id, From, Read> {
  const ids = { front: `front.${id}` as FigureId, rear: `rear.${id}` as FigureId }
  return { id, of: (from) => work(ids[from.axle], entry, from) }
}

/** Asked of every figure of every evaluation: no list of values is made. */
function isKnown<Read extends object>(read: Read): read is Read & Known<Read> {
  for (const key in read) if (read[key] === undefined) return false
  return true
}

function work<From, Read extends object>(id: FigureId, entry: FigureEntry<From, Read>, from: From): Worked<Read> {
  const working = new Working()
  const read = entry.read(working, from)
  const bound = entry.bound?.(read, from)
  const all = working.missing.length === 0 || entry.partial
  const known = all && isKnown(read) ? read : undefined
  const found = known && entry.value(known, from)
  if (typeof found === 'object') working.askAll([found])
  const value = typeof found === 'number' && Number.isFinite(found) ? found : undefined
  const method = typeof entry.formula === 'function' ? entry.formula(from) : entry.formula
  const u = value === undefined ? undefined : entry.u?.(known!)
  const filled = value === undefined ? undefined : entry.filled?.(known!, from)
  if (value !== undefined && entry.notes) working.notes.push(...entry.notes(value, known!, from))
  const figure: ReportFigure = {
    id,
    label: typeof entry.label === 'function' ? entry.label(from) : entry.label,
    dimension: entry.dimension,
    formula: method.id,
    method,
    value,
    inputs: Object.freeze(working.inputs),
    missing: Object.freeze(working.missing),
    notes: Object.freeze(working.notes),
  }
  if (u !== undefined) figure.u = u
  if (bound) figure[bound] = true
  if (entry.optional) figure.optional = true
  if (filled !== undefined) figure.filled = filled
  return { figure: Object.freeze(figure), read, known }
}
