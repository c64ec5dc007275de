import { INSTRUMENTS, type InstrumentId } from './instrument.ts'
import { measuredValue } from './readings.ts'

/**
 * A figure: a value with where it comes from and how sure it is. Values are in the core's unit;
 * the name of the field that holds the figure carries the unit (`thicknessMm`).
 */

export const ORIGINS = ['measured', 'published', 'reported', 'estimated'] as const
export type Origin = (typeof ORIGINS)[number]

export interface Figure {
  value: number
  /** Standard uncertainty in the same unit (GUM, JCGM 100:2008, 2.3.1). */
  u?: number
  origin: Origin
  /** ISO date on which it was measured or read. */
  date?: string
  note?: string
  /** What was read, each time; the value is their mean. */
  readings?: number[]
  /** What it was read with. */
  instrument?: InstrumentId
  /** What it was worked out from, where it was not read itself. */
  madeOf?: MadeOf
}

/** A way of working a figure out (core/records/ways.ts), with what was given to it. */
export interface MadeOf {
  way: string
  given: Record<string, string | number>
}

/** Words for an origin, as shown beside a figure. */
export const ORIGIN_WORDS: Record<Origin, string> = {
  measured: 'measured here',
  published: 'published by the maker',
  reported: 'reported by someone',
  estimated: 'estimated',
}

/**
 * Standard uncertainty in mm assumed for a length near the wheel when none was given. Measured: a
 * straightedge and rule repeat to 0.7 mm; published: drawing plus casting tolerance; reported and
 * estimated: what such figures have turned out to be worth.
 */
export const ASSUMED_LENGTH_U_MM: Record<Origin, number> = { measured: 0.7, published: 1, reported: 2, estimated: 3 }

/**
 * The same in mm for a thickness that is machined and can be gripped between the jaws of a caliper gauge:
 * rotor, hat, pad, spacer.
 */
export const ASSUMED_THICKNESS_U_MM: Record<Origin, number> = { measured: 0.1, published: 0.15, reported: 0.5, estimated: 1 }

/**
 * A figure from readings of an instrument: their mean, with its standard uncertainty.
 * @throws RangeError without a reading
 */
export function figureFromReadings(readings: readonly number[], instrument: InstrumentId, more: Partial<Figure> = {}): Figure {
  const { valueMm, uMm } = measuredValue(readings, INSTRUMENTS[instrument])
  // digits beyond a micrometre are noise of the arithmetic
  const round = (value: number) => Math.round(value * 1e6) / 1e6
  return { value: round(valueMm), u: round(uMm), origin: 'measured', ...more, readings: [...readings], instrument }
}

export const figure = (value: number, origin: Origin = 'measured', more: Partial<Figure> = {}): Figure => ({ value, origin, ...more })
