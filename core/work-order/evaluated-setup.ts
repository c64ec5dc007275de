import type { Bill } from '../cost/bill.ts'
import type { FigureCheck } from '../figures/check-result.ts'
import type { InterfaceCheck } from '../fit/interface-check.ts'

/** What of an evaluated setup a build is planned from. */
export interface EvaluatedSetup {
  setupId: string
  fit: readonly InterfaceCheck[]
  findings: readonly FigureCheck[]
  bill: Pick<Bill, 'lines'>
}
