import { isReport, type FailedReport } from './evaluate-all.ts'
import { filledOf } from '../figures/working.ts'
import type { Report } from './report.ts'

/** A report for readers outside: each working with its numbers put in, which the interface does where somebody looks. */
export function filledIn(one: Report | FailedReport): Report | FailedReport {
  if (!isReport(one)) return one
  const figures = Object.entries(one.figures).map(([id, figure]) => {
    const filled = filledOf(figure)
    return [id, filled === undefined ? figure : { ...figure, filled }]
  })
  return { ...one, figures: Object.fromEntries(figures) as Report['figures'] }
}
