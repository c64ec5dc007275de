import type { After, Verdict } from './verdict.ts'
import type { Axle } from '../quantity/axle.ts'
import type { HydraulicSlot } from '../records/setup.ts'
import type { FigureId } from './figure-ids.ts'
import type { Missing } from './figure.ts'

export interface FigureCheck {
  rule: 'wheel-clearance' | 'master-stroke' | 'abs' | 'lock-order' | 'pedal-effort'
  axle?: Axle
  verdict: Verdict
  sentence: string
  figureId: FigureId
  missing: readonly Missing[]
  remedy?: { after?: After } & (
    { kind: 'spacer'; thicknessMm: number; sentence: string } | { kind: 'hydraulic'; slot: HydraulicSlot; partId: string; sentence: string }
  )
}
