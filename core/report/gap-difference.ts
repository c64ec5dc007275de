import { clearanceVerdict, gapRange, type ClearanceVerdict } from '../clearance/verdict.ts'
import { TIGHT_LIMIT_MM, type Axle } from '../model/project.ts'
import { ASSUMED_LENGTH_U_MM, type Figure } from '../quantity/figure.ts'
import { formatQuantity } from '../quantity/format.ts'
import type { Context } from './context.ts'
import type { SeenGap } from './judge.ts'
import type { ReportFigure } from './types.ts'
import { Working } from './working.ts'

export interface DifferenceReport {
  figure: ReportFigure
  seen: SeenGap | undefined
  /** What one radius can decide: that it hits or is too close, never that it clears. */
  verdict: ClearanceVerdict
  sentence: string
}

/**
 * The gap to a wheel at hand without its profile: what is there now, less what the new caliper stands out
 * further at the same radius. It speaks of the spoke back at one radius only.
 */
export function differenceReport(context: Context, axle: Axle, requiredMm: number): DifferenceReport | undefined {
  const entered = context.setup[axle].byDifference
  if (!entered) return undefined
  const units = context.project.preferences.units
  const mm = (value: number) => formatQuantity(value, 'length', units)
  const work = new Working()
  const at = { kind: 'setup', setupId: context.setup.id, axle, field: 'byDifference' } as const
  const read = (figure: Figure | undefined, symbol: string, label: string) => work.read(figure, { symbol, label, dimension: 'length', at })
  const now = read(entered.gapNowMm, 'g', 'Gap with the caliper that is on')
  const protrusionNow = read(entered.protrusionNowMm, 'e_0', 'Protrusion of the caliper that is on')
  const protrusionNew = read(entered.protrusionNewMm, 'e', 'Protrusion of the new caliper')
  const radius = entered.radiusMm?.value
  const known = now !== undefined && protrusionNow !== undefined && protrusionNew !== undefined
  const valueMm = known ? now - (protrusionNew - protrusionNow) : undefined
  const worth = (figure: Figure | undefined) => figure?.u ?? ASSUMED_LENGTH_U_MM[figure?.origin ?? 'measured']
  const uMm = Math.hypot(worth(entered.gapNowMm), worth(entered.protrusionNowMm), worth(entered.protrusionNewMm))
  const figure = work.figure(
    `${axle}.gapByDifference`,
    `Gap by difference, ${axle}`,
    'length',
    'gap-difference',
    valueMm,
    valueMm === undefined ? {} : { u: uMm },
  )
  const where = radius === undefined ? 'at one radius' : `at radius ${mm(radius)}`
  if (valueMm === undefined)
    return {
      figure,
      seen: undefined,
      verdict: 'measure',
      sentence: `Gap by difference: ${work.missing.length} of 3 measures are still missing.`,
    }
  const { p05Mm, p95Mm } = gapRange(valueMm, uMm)
  const decided = clearanceVerdict(p05Mm, p95Mm, requiredMm, TIGHT_LIMIT_MM)
  const verdict = decided === 'hits' || decided === 'tooClose' ? decided : 'measure'
  const range = `By difference the spoke back ${where} is ${mm(valueMm)} away, in 9 of 10 cases between ${formatQuantity(p05Mm, 'length', units, { bare: true })} and ${mm(p95Mm)}`
  const words: Record<ClearanceVerdict, string> = {
    clears: `Enough there; it says nothing of other places.`,
    tight: `Tight there; it says nothing of other places.`,
    measure: `That does not settle it; ${mm(requiredMm)} is asked for.`,
    tooClose: `Too close: ${mm(requiredMm)} is asked for.`,
    hits: 'It hits.',
  }
  return { figure, seen: { valueMm, uMm }, verdict, sentence: `${range}. ${words[decided]}` }
}
