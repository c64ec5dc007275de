import type { AxleSlot, HydraulicSlot } from '../records/setup.ts'
import type { EntryPlace, InputRecord } from '../records/question.ts'
import type { Dimension } from '../quantity/units.ts'
import type { LimitId } from '../records/limits.ts'
import type { FixItem } from './fix-item.ts'
import type { After, Verdict } from '../figures/verdict.ts'
import type { CheckResult } from '../figures/check-result.ts'
import type { RuleId } from './rules.ts'

/** What cures a finding: a part of the project into a slot, a thickness, or a piece to buy that is no part yet. */
export type Fix = { after?: After } & (
  | { kind: 'part'; slot: AxleSlot; partId: string; sentence: string }
  | { kind: 'hydraulic'; slot: HydraulicSlot; partId: string; sentence: string }
  | { kind: 'shim'; shimMm: number; sentence: string }
  | {
      kind: 'piece'
      label: string
      quantity: number
      sentence: string
      /** Which piece it is, whatever it is called: another one on the bill does not cure. */
      piece: FixItem
    }
)

/** What a rule says of one interface. */
export interface Judgement {
  verdict: Exclude<Verdict, 'unknown'>
  /** As a mechanic would say it. */
  sentence: string
  /** The governing figure, in the core's unit. */
  value?: number
  dimension?: Dimension
  /** What it is held against, in words. */
  limit?: string
  remedies?: readonly Fix[]
  /** A warning that concerns safety. */
  safety?: boolean
  /** A piece of the bill counts only once it has a price, or is there already. */
  pricedOnly?: boolean
  /** It is so with a remedy that this setup has taken and could give back. */
  accepted?: boolean
}

/** A check of the interface between two parts, or of one part by itself. */
export interface InterfaceCheck extends CheckResult<RuleId, EntryPlace> {
  title: string
  /** The part that is looked at, for rules that look at each alone. */
  slot?: AxleSlot
  value?: number
  dimension?: Dimension
  limit?: string
  remedies: readonly Fix[]
  safety: boolean
  looked: InputRecord[]
  /** Limits that this project sets itself. */
  ownLimits: LimitId[]
  /** The weakest origin among the figures: a finding is only as good as that. */
  weakest: InputRecord['origin']
  /** A piece that cures it is on the bill. */
  accepted: boolean
  /** The piece that cures it is on the bill, but counts only once it has a price. */
  unpriced: boolean
}
