import type { Gap } from './maths/gap.ts'
import type { Polyline } from './maths/polyline.ts'
import type { Shifts } from './maths/shift.ts'
import type { ClearanceVerdict } from './maths/verdict.ts'
import type { NamedOutline, WheelFace, WheelProfile } from '../records/field.ts'
import type { Axle } from '../quantity/axle.ts'
import type { Missing } from '../figures/figure.ts'
import type { NextMeasurement } from './next-measurement.ts'
import type { Consequence } from './spacer-effects.ts'

/** What a half section shows of one corner, seat frame unless said otherwise. */
export interface Corner {
  axle: Axle
  caliper: NamedOutline[] | undefined
  /** Wheel frame: add the spacer. */
  wheel: WheelProfile | undefined
  wheelIsNominal: boolean
  spacerMm: number | undefined
  rotor: { ring: Polyline; hat: Polyline | undefined } | undefined
  registerRadiusMm: number | undefined
  gap: (Gap & { meanMm: number; u: number; p05Mm: number; p95Mm: number }) | undefined
  /** Whether the percentiles come from draws or from the linear estimate. */
  precision: 'draws' | 'linear'
  faceKnown: boolean
  /** Standard uncertainties of the four shifts; undefined while there is no gap. */
  shifts: Shifts | undefined
  verdict: ClearanceVerdict
  /** Verdict in words. */
  sentence: string
  short: string
  requiredMm: number
  /** Nominal spacer on the mean gap, undefined: none helps or nothing to compute. */
  leastSpacerMm: number | undefined
  /** Smallest stock spacer whose own verdict is "clears". */
  stockSpacerMm: number | undefined
  /** Which spacer is needed, or why none helps; empty while that cannot be said. */
  spacerSentence: string
  missing: readonly Missing[]
  /** The most useful first; empty when the verdict is settled or figures are missing altogether. */
  measureNext: NextMeasurement[]
  /** The tallest radius taken a second way. */
  twoWays: { agree: boolean; sentence: string } | undefined
  trial: { agree: boolean; sentence: string } | undefined
  difference: { sentence: string; agrees: string | undefined } | undefined
  consequences: Consequence[]
  faces: (WheelFace & { verdict: ClearanceVerdict; gapMm: number | undefined; fitted: boolean; leastThatClears: boolean })[]
}
