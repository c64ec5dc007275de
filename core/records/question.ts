import type { Origin } from '../quantity/figure.ts'
import { inSentence } from '../quantity/format.ts'
import type { Dimension } from '../quantity/units.ts'
import type { Axle } from '../quantity/axle.ts'
import type { AxleSlot, HydraulicSlot } from './setup.ts'
import type { Preferences } from './preferences.ts'

/** Where a figure is entered, so that a view can lead there. */
export type EntryPlace =
  | { kind: 'part'; partId: string; field: string }
  | { kind: 'car'; axle?: Axle; field: string }
  | { kind: 'slot'; setupId: string; axle?: Axle; slot: AxleSlot | HydraulicSlot }
  | { kind: 'setup'; setupId: string; axle?: Axle; field: string }
  | { kind: 'bundle'; bundleId: string }
  | { kind: 'preference'; field: keyof Preferences }

/** A question that keeps something unknown. */
export interface Question<P = EntryPlace> {
  /** "Hat thickness of Front rotor". */
  what: string
  /** How to get it. */
  how?: string
  at: P
}

/** A place as one word: places of two parts of one name differ. */
export const placeKey = (at: Record<string, unknown> & { kind: string }): string =>
  `${at.kind}/${word(at.setupId)}/${word(at.partId)}/${word(at.bundleId)}/${word(at.figureId)}/${word(at.axle)}/${word(at.slot)}/${word(at.field)}`
const word = (one: unknown): string => (one === undefined || one === null ? '' : String(one))

/** What tells one question from another: where it is answered, then what is asked there. */
export const questionKey = ({ at, what }: { at: { kind: string }; what: string }): string => `${placeKey(at)}?${what}`

/**
 * "hat thickness of X is not known", "hat thickness of X and more are not known"; empty when nothing is missing. A page says once
 * how many there are; a single check does not.
 *
 * @example
 * notKnown([{ what: 'Hat thickness of X' }, { what: 'Bore of Y' }]) // => 'hat thickness of X and more are not known'
 */
export function notKnown(missing: readonly Pick<Question, 'what'>[]): string {
  const [first] = missing
  if (!first) return ''
  const name = inSentence(first.what)
  return missing.length === 1 ? `${name} is not known` : `${name} and more are not known`
}

export const NOT_ENOUGH_DATA = 'Not enough data'

/**
 * The headline of a page that waits for entries: the first of them, and the one count that its status says too.
 *
 * @example
 * notEnoughData([{ what: 'Hat thickness of X' }, { what: 'Bore of Y' }]) // => 'Not enough data: enter hat thickness of X first; 2 to enter.'
 */
export function notEnoughData(missing: readonly Pick<Question, 'what'>[]): string {
  const [first] = missing
  if (!first) return `${NOT_ENOUGH_DATA}.`
  return missing.length === 1
    ? `${NOT_ENOUGH_DATA}: enter ${inSentence(first.what)}.`
    : `${NOT_ENOUGH_DATA}: enter ${inSentence(first.what)} first; ${missing.length} to enter.`
}

/** Something that was looked at. */
export interface InputRecord {
  label: string
  /** A number in the core's unit, or words; undefined: nobody has entered it. */
  value: number | string | undefined
  dimension: Dimension | 'words'
  origin?: Origin
  date?: string
  at: EntryPlace
}
