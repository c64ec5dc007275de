import { STOCK_SPACERS_MM } from './maths/spacer.ts'
import { clearanceVerdict, gapRange, type ClearanceVerdict } from './maths/verdict.ts'
import { TIGHT_LIMIT_MM } from '../records/preferences.ts'
import type { Axle } from '../quantity/axle.ts'
import { ASSUMED_LENGTH_U_MM, type Figure } from '../quantity/figure.ts'
import { formatQuantity } from '../quantity/format.ts'
import { boundWords, rangeWords } from '../quantity/uncertainty-words.ts'
import { axleFigure, type AxleFigure } from '../figures/entry.ts'
import type { ReportFigure } from '../figures/figure.ts'
import type { AtAxle, Context } from '../figures/read.ts'
import type { SeenGap } from './judge.ts'

const worth = (figure: Figure | undefined) => figure?.u ?? ASSUMED_LENGTH_U_MM[figure?.origin ?? 'measured']

interface Protrusions {
  nowMm: number | undefined
  protrusionNowMm: number | undefined
  protrusionNewMm: number | undefined
  uMm: number
}

/** The gap at one radius: what is there now, less what the new caliper stands out further. */
export const GAP_BY_DIFFERENCE: AxleFigure<'gapByDifference', AtAxle, Protrusions> = axleFigure('gapByDifference', {
  label: ({ axle }) => `Clearance by difference, ${axle}`,
  dimension: 'length',
  formula: { id: 'gap-difference', name: 'Clearance by difference', text: 'g − (e − e_0)', source: 'Geometry, at one radius' },
  optional: true,
  read(work, { context, axle }) {
    const at = { kind: 'setup', setupId: context.setup.id, axle, field: 'byDifference' } as const
    const entered = context.setup[axle].byDifference
    if (!entered) {
      work.ask(`Clearance by difference, ${axle}`, at, 'A quick check in Measure, not needed when the outlines are known.')
      return { nowMm: undefined, protrusionNowMm: undefined, protrusionNewMm: undefined, uMm: 0 }
    }
    const read = (figure: Figure | undefined, symbol: string, label: string) =>
      work.read(figure, { symbol, label, dimension: 'length', at })
    return {
      nowMm: read(entered.gapNowMm, 'g', 'Clearance with the present caliper'),
      protrusionNowMm: read(entered.protrusionNowMm, 'e_0', 'Protrusion of the present caliper'),
      protrusionNewMm: read(entered.protrusionNewMm, 'e', 'Protrusion of the new caliper'),
      uMm: Math.hypot(worth(entered.gapNowMm), worth(entered.protrusionNowMm), worth(entered.protrusionNewMm)),
    }
  },
  value: ({ nowMm, protrusionNowMm, protrusionNewMm }) => nowMm - (protrusionNewMm - protrusionNowMm),
  u: ({ uMm }) => uMm,
})

export interface SaidByDifference {
  seen: SeenGap | undefined
  /** What one radius can decide: that it hits or is too close, never that it clears. */
  verdict: ClearanceVerdict
  sentence: string
}

/**
 * The gap to a wheel at hand without its profile. It speaks of the spoke back at one radius only.
 * @returns nothing said where nobody made the check
 */
export function differenceReport(
  context: Context,
  axle: Axle,
  requiredMm: number,
): { figure: ReportFigure; said: SaidByDifference | undefined } {
  const entered = context.setup[axle].byDifference
  const { figure, read } = GAP_BY_DIFFERENCE.of({ context, axle })
  return { figure, said: entered && sayDifference(context, figure, read.uMm, entered.radiusMm?.value, requiredMm) }
}

function sayDifference(
  { project }: Context,
  { value: valueMm, missing }: ReportFigure,
  uMm: number,
  radiusMm: number | undefined,
  requiredMm: number,
): SaidByDifference {
  const { units } = project.preferences
  const mm = (value: number) => formatQuantity(value, 'length', units)
  if (valueMm === undefined)
    return { seen: undefined, verdict: 'measure', sentence: `Not enough data: ${missing.length} of 3 measurements to enter.` }
  const where = radiusMm === undefined ? 'at one radius' : `at radius ${mm(radiusMm)}`
  const { p05Mm, p95Mm } = gapRange(valueMm, uMm)
  const decided = clearanceVerdict(p05Mm, p95Mm, requiredMm, TIGHT_LIMIT_MM)
  const verdict = decided === 'hits' || decided === 'tooClose' ? decided : 'measure'
  const range = `Clearance to the back of the spokes ${where}: ${mm(valueMm)}, ${rangeWords(formatQuantity(p05Mm, 'length', units, { bare: true }), mm(p95Mm))}`
  const words: Record<ClearanceVerdict, string> = {
    clears: `Enough at this point; other points were not measured.`,
    tight: `Tight at this point; other points were not measured.`,
    measure: `Measure more precisely: ${mm(requiredMm)} required.`,
    tooClose: `Too close: ${mm(requiredMm)} required.`,
    hits: 'Contact.',
  }
  // along the axle a spacer opens the gap by its thickness
  const spacerMm = decided === 'clears' ? undefined : STOCK_SPACERS_MM.find((one) => p05Mm + one >= requiredMm)
  const spacer =
    spacerMm === undefined
      ? ''
      : ` A ${mm(spacerMm)} spacer would leave ${mm(valueMm + spacerMm)}, ${boundWords(mm(p05Mm + spacerMm))}. Check thread engagement and hub register in Fit.`
  return { seen: { valueMm, uMm }, verdict, sentence: `${range}. ${words[decided]}${spacer}` }
}
