import type { WheelTag } from '../model/field.ts'
import type { Gap } from './gap.ts'

export type ClearanceVerdict = 'clears' | 'tight' | 'hits' | 'tooClose' | 'measure'

/** One-sided 95 % point of the normal distribution. */
const NORMAL_95 = 1.6448536269514722

export interface OutlineUncertainty {
  caliperAxialMm: number
  caliperRadialMm: number
  faceAxialMm: number
  barrelRadialMm: number
}

/**
 * Standard uncertainty of a gap from shifts of the outlines, to first order: each shift counts by its
 * share along the line between the two closest points (GUM, JCGM 100:2008, 5.1.2). Exact enough while
 * one place is limiting.
 */
export function gapUncertainty(gap: Pick<Gap, 'caliperPoint' | 'wheelPoint' | 'limitingTag'>, u: OutlineUncertainty): number {
  const dz = gap.wheelPoint[0] - gap.caliperPoint[0]
  const dr = gap.wheelPoint[1] - gap.caliperPoint[1]
  const length = Math.hypot(dz, dr)
  // touching outlines have no line between them: take the direction that the place suggests
  const [z, r] = length > 1e-9 ? [dz / length, dr / length] : direction(gap.limitingTag)
  const face = gap.limitingTag === 'barrel' ? 0 : u.faceAxialMm
  const barrel = gap.limitingTag === 'face' ? 0 : u.barrelRadialMm
  return Math.hypot(z * u.caliperAxialMm, r * u.caliperRadialMm, z * face, r * barrel)
}

function direction(tag: WheelTag): [number, number] {
  return tag === 'face' ? [1, 0] : tag === 'barrel' ? [0, 1] : [Math.SQRT1_2, Math.SQRT1_2]
}

/** The 5 % and 95 % points of a gap with standard uncertainty `u`, mm. */
export function gapRange(meanMm: number, u: number): { p05Mm: number; p95Mm: number } {
  return { p05Mm: meanMm - NORMAL_95 * u, p95Mm: meanMm + NORMAL_95 * u }
}

/**
 * What may be said of a gap.
 * @param requiredMm from the policy
 * @param tightMm below this no trial fit is worth the work
 */
export function clearanceVerdict(p05Mm: number, p95Mm: number, requiredMm: number, tightMm: number): ClearanceVerdict {
  if (p05Mm >= requiredMm) return 'clears'
  if (p05Mm >= tightMm) return 'tight'
  if (p95Mm < 0) return 'hits'
  if (p95Mm < tightMm) return 'tooClose'
  return 'measure'
}
