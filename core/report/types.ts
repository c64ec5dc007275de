import type { LockOrder } from '../balance/lock-order.ts'
import type { ClearanceVerdict } from '../clearance/verdict.ts'
import type { Gap } from '../clearance/gap.ts'
import type { Polyline } from '../clearance/outline.ts'
import type { CostTotal } from '../cost/total.ts'
import type { Chain } from '../hydraulics/chain.ts'
import type { Shifts } from '../clearance/shift.ts'
import type { NamedOutline, WheelFace, WheelProfile } from '../model/field.ts'
import type { Axle, Currency, ExtraKind, HydraulicSlot } from '../model/project.ts'
import type { EntryPlace, Question } from '../model/question.ts'
import type { After, FitFinding, Verdict } from '../fit/finding.ts'
import type { Origin } from '../quantity/figure.ts'
import type { Dimension } from '../quantity/units.ts'
import type { FormulaId } from './formulas.ts'
import type { ReportBeside } from './fit-reports.ts'
import type { Season } from './season.ts'

/** Where a figure is entered, or the figure of the report that it is. */
export type Place = EntryPlace | { kind: 'figure'; figureId: FigureId }

/** One number that went into a figure. */
export interface Input {
  /** As in the formula; empty for what the formula does not name. */
  symbol: string
  label: string
  /** Undefined: nobody has entered it. */
  value: number | undefined
  dimension: Dimension
  u?: number
  origin?: Origin
  date?: string
  /** A default that stands in for a figure nobody entered. */
  assumed?: boolean
  at: Place
}

/** A question that keeps a figure unknown. */
export type Missing = Question<Place>

type PerAxle<S extends string> = `${Axle}.${S}`
/** Figures that a quick check or a spacer adds; a blank project does not ask for them. */
type AtTheWheel =
  'massChange' | 'rotatingChange' | 'gapByDifference' | 'studEngagement' | 'registerLeft' | 'effectiveOffset' | 'track' | 'poke'
export type FigureId =
  | PerAxle<'pistonArea' | 'effectiveRadius' | 'gap' | 'faceGap' | 'barrelGap' | 'shift' | 'heat' | 'ringMass' | AtTheWheel>
  | 'bias.pressure'
  | 'bias.clamp'
  | 'bias.torque'
  | 'bias.road'
  | 'bias.ideal'
  | 'pedal.force'
  | 'pedal.forceNoAssist'
  | 'pedal.travel'
  | 'balance.critical'
  | 'master.strokeUsed'
  | 'bias.againstStock'
  | 'master.sameFeel'
  | 'cost.total'
  | 'cost.season'

export interface ReportFigure {
  id: FigureId
  label: string
  dimension: Dimension | 'money'
  /** In the core's unit (money: minor units); undefined is unknown, and `missing` says why. */
  value: number | undefined
  u?: number
  /** The true value is this or more: a part of the sum is unknown. */
  atLeast?: boolean
  formula: FormulaId
  /** The formula's right side with the numbers put in, in the core's units. */
  filled?: string
  inputs: Input[]
  missing: Missing[]
  notes: string[]
}

export type FindingVerdict = Verdict

export interface Finding {
  rule: 'wheel-clearance' | 'master-stroke' | 'abs' | 'lock-order' | 'pedal-effort'
  axle?: Axle
  verdict: FindingVerdict
  sentence: string
  figureId: FigureId
  missing: Missing[]
  remedy?: { after?: After } & (
    { kind: 'spacer'; thicknessMm: number; sentence: string } | { kind: 'hydraulic'; slot: HydraulicSlot; partId: string; sentence: string }
  )
}

/** One measurement that would narrow the gap, in words. */
export interface NextMeasurement {
  what: string
  at: Place
  /** Share of the gap's variance that it takes away or stands for. */
  share: number
  /** Standard uncertainty of the gap afterwards, mm. */
  leftMm: number
  /** How likely the verdict is settled afterwards. */
  settles: number
  sentence: string
  effect: string
}

/** What a spacer, a hat or another wheel brings with it. */
export interface Consequence {
  figureId: FigureId
  label: string
  verdict: FindingVerdict
  text: string
  sentence: string
  /** It is held against a limit; others are told, not judged. */
  judged: boolean
}

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
  missing: Missing[]
  /** The most useful first; empty when the verdict is settled or figures are missing altogether. */
  measureNext: NextMeasurement[]
  /** The tallest radius taken a second way. */
  twoWays: { agree: boolean; sentence: string } | undefined
  trial: { agree: boolean; sentence: string } | undefined
  difference: { sentence: string; agrees: string | undefined } | undefined
  consequences: Consequence[]
  faces: (WheelFace & { verdict: ClearanceVerdict; gapMm: number | undefined; fitted: boolean; leastThatClears: boolean })[]
}

export interface CurvePoint {
  decelG: number
  front: number
  rear: number
  pedalForceN: number
}

/** Parts in slots, wheels with what they need, or one of the kinds of extra cost. */
export type BillGroup = 'parts' | 'wheels' | ExtraKind

export interface BillLine {
  id: string
  label: string
  detail: string
  group: BillGroup
  quantity: number
  owned: boolean
  /** Its price is in a currency whose rate nobody entered. */
  rateMissing?: Currency
  /** Of the whole line with tax in the project's currency, minor units; undefined: not priced. */
  low: number | undefined
  likely: number | undefined
  high: number | undefined
  origin?: Origin
  date?: string
  seller?: string
  at: Place
}

export type StepId = 'car' | 'measure' | 'parts' | 'setup' | 'fit' | 'balance' | 'cost'
export type StepState = { state: 'nothing' } | { state: 'open'; count: number } | { state: 'settled' } | { state: 'blocked' }

export interface Report {
  setupId: string
  setupName: string
  isStock: boolean
  figures: Record<FigureId, ReportFigure>
  corners: Record<Axle, Corner>
  findings: Finding[]
  /** Every interface, worst first within each axle. */
  fit: FitFinding[]
  /** What people say of each corner. */
  reports: Record<Axle, ReportBeside[]>
  /** The worst finding on fit. */
  verdict: FindingVerdict
  /** The pedal-to-road chain at the reference deceleration. */
  chain: Chain | undefined
  lockOrder: LockOrder | undefined
  adhesion: CurvePoint[]
  bill: {
    lines: BillLine[]
    total: CostTotal
    unpriced: number
    /** Of those, lines with a price in a currency without a rate. */
    withoutRate: number
    /** Refundable deposits, minor units: not in the total. */
    deposits: number
    /** How likely the bill stays within the budget, and the lines that fit under it when bought in the order of the bill. */
    budget?: { minor: number; chance: number; verdict: FindingVerdict; within: string[] }
  }
  season: Season
  steps: Record<StepId, StepState>
}
