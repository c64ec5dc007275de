import type { Project } from '../model/project.ts'
import { evaluate } from './evaluate.ts'
import type { Report } from './report.ts'

/** A setup whose report could not be made: a broken promise inside, said with the rest intact. */
export interface FailedReport {
  setupId: string
  setupName: string
  isStock: boolean
  /** What went wrong, in the words of the error. */
  failed: string
}

export const isReport = (one: Report | FailedReport): one is Report => !('failed' in one)

/**
 * The reports of all setups, the car as it stands first; one that fails never takes the others down.
 * @param only this setup alone
 * @param make stands in for `evaluate` in tests
 */
export function evaluateAll(project: Project, only?: string, make: typeof evaluate = evaluate): (Report | FailedReport)[] {
  return project.setups.flatMap((setup, index): (Report | FailedReport)[] => {
    if (only !== undefined && setup.id !== only) return []
    try {
      return [make(project, setup.id)]
    } catch (error) {
      const failed = error instanceof Error ? error.message : String(error)
      return [{ setupId: setup.id, setupName: setup.name, isStock: index === 0, failed }]
    }
  })
}
