import { contradiction, matchReports, type MatchedReport } from './matching-reports.ts'
import type { Axle } from '../quantity/axle.ts'
import { spacerInUseMm } from '../records/resolve.ts'
import { formatQuantity } from '../quantity/format.ts'
import type { Context } from '../figures/read.ts'
import type { Corner } from '../clearance/half-section.ts'

export { NEARNESS_WORDS } from './matching-reports.ts'

export interface ReportBeside extends MatchedReport {
  /** How it contradicts the figures; undefined: it does not, or speaks of another corner. */
  contradicts: string | undefined
}

/** So many are shown beside a corner: more nobody reads. */
const MOST = 20

/** What people say of this corner, beside what is computed of it. It never overwrites a figure. */
export function reportsBeside({ project, resolved }: Context, axle: Axle, corner: Corner): ReportBeside[] {
  const { caliper, wheel } = resolved[axle]
  if (caliper?.kind !== 'caliper' || !wheel) return []
  const { units } = project.preferences
  const mm = (value: number) => formatQuantity(value, 'length', units)
  const named = { car: project.car.name, axle, caliper, wheel, spacerMm: spacerInUseMm(resolved[axle]) }
  return matchReports(project.fitReports, named)
    .slice(0, MOST)
    .map((one) => ({
      contradicts: one.nearness === 'exact' && corner.gap ? contradiction(one.report, corner.gap, mm) : undefined,
      ...one,
    }))
}
