import type { After, Verdict } from '../../fit/finding.ts'
import type { Axle, HydraulicSlot } from '../../model/project.ts'
import type { FigureId } from '../figures.ts'
import type { Missing } from './figure.ts'

export type FindingVerdict = Verdict

export interface Finding {
  rule: 'wheel-clearance' | 'master-stroke' | 'abs' | 'lock-order' | 'pedal-effort'
  axle?: Axle
  verdict: FindingVerdict
  sentence: string
  figureId: FigureId
  missing: readonly Missing[]
  remedy?: { after?: After } & (
    { kind: 'spacer'; thicknessMm: number; sentence: string } | { kind: 'hydraulic'; slot: HydraulicSlot; partId: string; sentence: string }
  )
}
