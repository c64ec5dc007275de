import { AXLES } from '../quantity/axle.ts'
import type { Project } from '../records/project.ts'
import type { Setup } from '../records/setup.ts'
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

/**
 * `evaluate` for a holder of a project whose states share what is the same: a report stands as long as all that it could
 * read is the very same object. A change of one setup, or a note, leaves the reports of the others.
 */
export function remembering(make: typeof evaluate = evaluate): typeof evaluate {
  const made = new WeakMap<Setup, { read: unknown[]; report: Report }>()
  return (project, setupId, options) => {
    const setup = project.setups.find((one) => one.id === setupId)
    if (!setup || options) return make(project, setupId, options)
    const read = readFor(project)
    const known = made.get(setup)
    if (known && known.read.length === read.length && known.read.every((one, i) => one === read[i])) return known.report
    const report = make(project, setupId)
    made.set(setup, { read, report })
    return report
  }
}

/** Whatever a report reads beside its own setup: the car as it stands, and of the other setups the trial fits. */
function readFor({ setups, ...rest }: Project): unknown[] {
  return [
    ...Object.entries(rest).flat(),
    setups[0],
    ...setups.flatMap((setup) => AXLES.map((axle) => setup[axle].trialFit)).filter((one) => one !== undefined),
  ]
}
