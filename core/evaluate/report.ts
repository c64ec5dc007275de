import type { LockOrder } from '../balance/maths/lock-order.ts'
import type { InterfaceCheck } from '../fit/interface-check.ts'
import type { Chain } from '../hydraulics/maths/chain.ts'
import type { Axle } from '../quantity/axle.ts'
import type { CurvePoint } from '../balance/adhesion-curve.ts'
import type { Corner } from '../clearance/half-section.ts'
import type { Bill } from '../cost/bill.ts'
import type { Season } from '../cost/season.ts'
import type { ReportBeside } from '../evidence/fit-reports.ts'
import type { ReportFigure } from '../figures/figure.ts'
import type { FigureCheck } from '../figures/check-result.ts'
import type { Verdict } from '../figures/verdict.ts'
import type { FigureId } from '../figures/figure-ids.ts'

export type StepId = 'car' | 'measure' | 'parts' | 'setup' | 'fit' | 'balance' | 'heat' | 'cost' | 'build' | 'prove'
/**
 * What a person does next on a step: "do not build", so many to fix, to enter ('open'), to check or to do, done ('settled'),
 * or not started.
 */
export type StepState = { state: 'nothing' | 'settled' | 'blocked' } | { state: 'fix' | 'open' | 'check' | 'todo'; count: number }

/** Everything the product says of one setup. */
export interface Report {
  setupId: string
  setupName: string
  isStock: boolean
  figures: Record<FigureId, ReportFigure>
  corners: Record<Axle, Corner>
  findings: FigureCheck[]
  /** Every interface, worst first within each axle. */
  fit: InterfaceCheck[]
  /** What people say of each corner. */
  reports: Record<Axle, ReportBeside[]>
  /** The worst finding on fit. */
  verdict: Verdict
  /** The pedal-to-road chain at the reference deceleration. */
  chain: Chain | undefined
  lockOrder: LockOrder | undefined
  /** The rear was seen to lock first at this deceleration, g, where the model has the front first; absent: it was not. */
  rearSeenFirstAtG?: number
  /** What the dry tyres give without a lock, driver only, g; absent: not known. A stated deceleration beyond it is not reached. */
  tyresReachG?: number
  adhesion: CurvePoint[]
  bill: Bill
  season: Season
  steps: Record<StepId, StepState>
}
