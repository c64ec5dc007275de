import { WHEEL_TAGS, type WheelTag } from '../maths/section.ts'
import type { Figure, Origin } from '../quantity/figure.ts'
import type { InstrumentId } from '../quantity/instrument.ts'
import type { Dimension } from '../quantity/units.ts'

/**
 * A field table describes the figures of a car or a kind of part once: types, Yup schemas, JSON Schema
 * and forms are all made from it. `min` and `max` are what is usual: beyond them a length is questioned
 * (plausible.ts), and refused only where it cannot be meant; other figures are refused. Every field may
 * be absent, and absent means unknown.
 */

/** What was read at one point, each time: z, then r; the point is their means. */
export type PointReadings = [z: number[], r: number[]]
/** Standard uncertainties of one point, mm. */
export type PointDoubts = [zMm: number, rMm: number]
/** The picture that points were traced from, seen from straight above: a JPEG as a data address, and the mm it shows. */
export interface PictureBehind {
  jpeg: string
  z: [from: number, to: number]
  r: [from: number, to: number]
}
interface TakenPoints {
  points: [number, number][]
  /** One for each point, where the way they were taken tells. */
  doubts?: PointDoubts[]
  picture?: PictureBehind
  /** One for each point, where readings were kept. */
  readings?: PointReadings[]
  instrument?: InstrumentId
  /** Where the points come from; absent is worth no more than an estimate. */
  origin?: Origin
}
export type NamedOutline = { name: string } & TakenPoints
export { WHEEL_TAGS, type WheelTag }
export type WheelProfile = { tags: WheelTag[] } & TakenPoints
/** One of a wheel maker's faces for the same rim: how much further outboard its spoke back stands, and what lip it leaves. */
export type WheelFace = { name: string; raiseMm: number; lipMm?: number }

interface DescribedField {
  label: string
  /** One sentence: what it is, or how to take it. */
  help?: string
  /** Heading under which forms gather the field. */
  group?: string
  /** Shown only when another field has this value. */
  when?: { field: string; is: string }
}
export interface FigureField extends DescribedField {
  type: 'figure'
  dimension: Dimension
  min: number
  max: number
  integer?: boolean
}
export interface FiguresField extends DescribedField {
  type: 'figures'
  dimension: Dimension
  min: number
  max: number
  maxItems: number
}
export interface ChoiceField<V extends string = string> extends DescribedField {
  type: 'choice'
  options: readonly { value: V; label: string }[]
}
/** Several of its options at once. */
interface ChoicesField<V extends string = string> extends DescribedField {
  type: 'choices'
  options: readonly { value: V; label: string }[]
}
interface TextField extends DescribedField {
  type: 'text'
  maxLength: number
}
export interface OutlinesField extends DescribedField {
  type: 'outlines'
}
export interface ProfileField extends DescribedField {
  type: 'profile'
}

export interface FacesField extends DescribedField {
  type: 'faces'
}

export type Field = FacesField | FigureField | FiguresField | ChoiceField | ChoicesField | TextField | OutlinesField | ProfileField
export type FieldTable = Readonly<Record<string, Field>>

export type FieldValue<F> = F extends { type: 'figure' }
  ? Figure
  : F extends { type: 'figures' }
    ? Figure[]
    : F extends ChoiceField<infer V>
      ? V
      : F extends ChoicesField<infer V>
        ? V[]
        : F extends { type: 'text' }
          ? string
          : F extends { type: 'outlines' }
            ? NamedOutline[]
            : F extends { type: 'profile' }
              ? WheelProfile
              : F extends { type: 'faces' }
                ? WheelFace[]
                : never

/** A slip of unit (cm, inch) is a factor of 10 or 25.4: so far a length is taken, and asked about. */
const BEYOND_USUAL = 26

/** What a schema refuses, in the core's unit. */
export function hardLimits(field: FigureField | FiguresField): [min: number, max: number] {
  if (field.dimension !== 'length' || field.min <= 0) return [field.min, field.max]
  return [field.min / BEYOND_USUAL, field.max * BEYOND_USUAL]
}

/** Figures that stand in no field table: beside every part, and in what was seen and tried. */
export const OTHER_LIMITS = {
  massKg: [0, 200],
  gapMm: [-20, 100],
  gapNowMm: [-20, 100],
  protrusionNowMm: [-150, 200],
  protrusionNewMm: [-150, 200],
  radiusMm: [20, 330],
  barFrontShare: [0.35, 0.65],
  lastsEvents: [0.1, 1000],
} as const satisfies Record<string, readonly [min: number, max: number]>

/**
 * The greatest standard uncertainty that a figure between two limits can have: what lies between them has a standard
 * deviation of half their distance at most (T. Popoviciu, 1935). Who knows no more than that does not know the figure.
 */
export const greatestU = (min: number, max: number): number => (max - min) / 2

/** What a table describes: every field optional, because anything may be unknown. */
export type ValuesOf<T extends FieldTable> = { -readonly [K in keyof T]?: FieldValue<T[K]> }

type FieldOptions<F> = Omit<F, 'type' | 'dimension' | 'label' | 'min' | 'max'>

export const length = (label: string, min: number, max: number, more: FieldOptions<FigureField> = {}): FigureField => ({
  type: 'figure',
  dimension: 'length',
  label,
  min,
  max,
  ...more,
})

export const amount = (
  label: string,
  dimension: Dimension,
  min: number,
  max: number,
  more: FieldOptions<FigureField> = {},
): FigureField => ({
  type: 'figure',
  dimension,
  label,
  min,
  max,
  ...more,
})

export const count = (label: string, min: number, max: number, more: FieldOptions<FigureField> = {}): FigureField => ({
  type: 'figure',
  dimension: 'count',
  integer: true,
  label,
  min,
  max,
  ...more,
})

export const choice = <const V extends string>(
  label: string,
  options: readonly { value: V; label: string }[],
  more: Omit<ChoiceField<V>, 'type' | 'label' | 'options'> = {},
): ChoiceField<V> => ({ type: 'choice', label, options, ...more })

export const choices = <const V extends string>(
  label: string,
  options: readonly { value: V; label: string }[],
  more: Omit<ChoicesField<V>, 'type' | 'label' | 'options'> = {},
): ChoicesField<V> => ({ type: 'choices', label, options, ...more })

export const text = (label: string, maxLength: number, more: Omit<TextField, 'type' | 'label' | 'maxLength'> = {}): TextField => ({
  type: 'text',
  label,
  maxLength,
  ...more,
})
