import type { Project } from '../records/project.ts'
import { evaluate } from './evaluate.ts'
import { adjustmentReport, type AdjustmentReport } from '../whatif/adjustments.ts'
import { outcomeFrom } from '../whatif/outcome.ts'

/**
 * Changes that would bring the balance to its aim, each judged by the whole report of the setup with it in: what nothing
 * cures there is a blocker already in the offer.
 * @throws RangeError when the project has no such setup
 *
 * @example
 * judgedAdjustments(DEMO_PROJECT, 'balanced').advice.flatMap((one) => one.offers).some((one) => one.outcome.verdict === 'blocked') // => false
 */
export const judgedAdjustments = (project: Project, setupId: string): AdjustmentReport =>
  adjustmentReport(project, setupId, (changed) => {
    const { fit, findings } = evaluate(changed, setupId, { precision: 'linear' })
    return outcomeFrom(fit, findings)
  })
