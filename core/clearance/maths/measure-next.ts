import { normalCdf } from '../../maths/normal.ts'
import type { Shifts } from './shift.ts'
import { clearanceVerdict, NORMAL_P95, type ClearanceVerdict } from './verdict.ts'

/** One uncertain input of a gap. */
export interface ClearanceInput {
  /** How far it moves the outlines, mm per mm. */
  moves: Partial<Shifts>
  uMm: number
  /** Standard uncertainty once it has been measured with the instrument at hand, mm. */
  afterMm: number
}

interface ClearanceLimits {
  requiredMm: number
  tightMm: number
}

interface Proposal<I> {
  input: I
  /** Share of the gap's variance that comes from this input. */
  share: number
  /** Standard uncertainty of the gap once it is measured, mm. */
  leftMm: number
  /** How likely each verdict is once it is measured. */
  chances: Record<ClearanceVerdict, number>
}

const VERDICTS: readonly ClearanceVerdict[] = ['clears', 'tight', 'hits', 'tooClose', 'measure']

/** The combined standard uncertainty of the four shifts from all inputs (GUM, JCGM 100:2008, 5.1.2). */
export function combinedShifts(inputs: readonly ClearanceInput[]): Shifts {
  const along = (shift: keyof Shifts) => {
    let squared = 0
    for (const { moves, uMm } of inputs) squared += ((moves[shift] ?? 0) * uMm) ** 2
    return Math.sqrt(squared)
  }
  return {
    caliperAxialMm: along('caliperAxialMm'),
    caliperRadialMm: along('caliperRadialMm'),
    faceAxialMm: along('faceAxialMm'),
    barrelRadialMm: along('barrelRadialMm'),
  }
}

/**
 * What to measure next: each input contributes (dG/dx u)^2 to the gap's variance; ranked by what
 * measuring it would leave. A new measurement moves the gap as likely as its present uncertainty says,
 * so the verdict it will bring is a matter of chance, and that chance is what is shown.
 *
 * @param gapMm the gap as it is known now
 * @param gradient change of the gap with each shift
 * @returns inputs that a measurement would improve, the best first
 */
export function measureNext<I extends ClearanceInput>(
  gapMm: number,
  gradient: Shifts,
  inputs: readonly I[],
  limits: ClearanceLimits,
): Proposal<I>[] {
  const slope = (input: ClearanceInput) =>
    (['caliperAxialMm', 'caliperRadialMm', 'faceAxialMm', 'barrelRadialMm'] as const).reduce(
      (sum, shift) => sum + gradient[shift] * (input.moves[shift] ?? 0),
      0,
    )
  const parts = inputs.map((input) => ({ input, variance: (slope(input) * input.uMm) ** 2, after: (slope(input) * input.afterMm) ** 2 }))
  const whole = parts.reduce((sum, part) => sum + part.variance, 0)
  return parts
    .filter((part) => part.variance - part.after > 1e-6)
    .map(({ input, variance, after }) => {
      const leftMm = Math.sqrt(whole - variance + after)
      return { input, share: variance / whole, leftMm, chances: verdictChances(gapMm, Math.sqrt(variance - after), leftMm, limits) }
    })
    .sort((a, b) => a.leftMm - b.leftMm)
}

/**
 * The same for a measurement of the gap itself, a trial fit with clay or feeler gauges: it joins the
 * computed gap by inverse variance.
 */
export function trialFitChances(
  gapMm: number,
  uMm: number,
  uTrialMm: number,
  limits: ClearanceLimits,
): { leftMm: number; chances: Proposal<never>['chances'] } {
  const leftMm = 1 / Math.sqrt(1 / uMm ** 2 + 1 / uTrialMm ** 2)
  return { leftMm, chances: verdictChances(gapMm, Math.sqrt(Math.max(uMm ** 2 - leftMm ** 2, 0)), leftMm, limits) }
}

/** How likely each verdict is when the mean will be normal about `gapMm` with `spreadMm` and known to `leftMm`. */
function verdictChances(
  gapMm: number,
  spreadMm: number,
  leftMm: number,
  { requiredMm, tightMm }: ClearanceLimits,
): Record<ClearanceVerdict, number> {
  const reach = NORMAL_P95 * leftMm
  if (spreadMm === 0) {
    const sure = clearanceVerdict(gapMm - reach, gapMm + reach, requiredMm, tightMm)
    return Object.fromEntries(VERDICTS.map((one) => [one, one === sure ? 1 : 0])) as Record<ClearanceVerdict, number>
  }
  // each verdict holds over a stretch of the mean: add up between the places where it changes
  const edges = [-Infinity, ...[requiredMm + reach, tightMm + reach, -reach, tightMm - reach].sort((a, b) => a - b), Infinity]
  const chances = { clears: 0, tight: 0, hits: 0, tooClose: 0, measure: 0 }
  for (let i = 0; i + 1 < edges.length; i += 1) {
    const [from, to] = [edges[i]!, edges[i + 1]!]
    if (from === to) continue
    const inside = from === -Infinity ? to - 1 : to === Infinity ? from + 1 : (from + to) / 2
    const verdict = clearanceVerdict(inside - reach, inside + reach, requiredMm, tightMm)
    chances[verdict] += cdf((to - gapMm) / spreadMm) - cdf((from - gapMm) / spreadMm)
  }
  return chances
}

const cdf = (z: number): number => (z === Infinity ? 1 : z === -Infinity ? 0 : normalCdf(z))

/** Two findings of one length joined by inverse variance (GUM, H.5 and common practice). */
export function joinByVariance(a: { valueMm: number; uMm: number }, b: { valueMm: number; uMm: number }): { valueMm: number; uMm: number } {
  // something known exactly outweighs all else
  if (a.uMm === 0) return a
  if (b.uMm === 0) return b
  const [wa, wb] = [1 / a.uMm ** 2, 1 / b.uMm ** 2]
  return { valueMm: (wa * a.valueMm + wb * b.valueMm) / (wa + wb), uMm: 1 / Math.sqrt(wa + wb) }
}
