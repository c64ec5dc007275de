import type { WheelTag } from '../../maths/section.ts'
import type { Gap } from './gap.ts'
import type { Shifts } from './shift.ts'

export type ClearanceVerdict = 'clears' | 'tight' | 'hits' | 'tooClose' | 'measure'

/** One-sided 95 % point of the normal distribution. */
export const NORMAL_P95 = 1.6448536269514722

/**
 * How the gap changes with each shift, mm per mm: by its share along the line between the two closest
 * points. Exact while one place is limiting.
 */
export function gapGradient(gap: Pick<Gap, 'caliperPoint' | 'wheelPoint' | 'limitingTag' | 'minGapMm'>): Shifts {
  const dz = gap.wheelPoint[0] - gap.caliperPoint[0]
  const dr = gap.wheelPoint[1] - gap.caliperPoint[1]
  const length = Math.hypot(dz, dr)
  // where they overlap the wheel's point lies behind the caliper's
  const turn = gap.minGapMm < 0 ? -1 : 1
  // touching outlines have no line between them: take the direction that the place suggests
  const [z, r] = length > 1e-9 ? [(turn * dz) / length, (turn * dr) / length] : direction(gap.limitingTag)
  return {
    caliperAxialMm: -z,
    caliperRadialMm: -r,
    faceAxialMm: gap.limitingTag === 'barrel' ? 0 : z,
    barrelRadialMm: gap.limitingTag === 'face' ? 0 : r,
  }
}

/**
 * Standard uncertainty of a gap from shifts of the outlines, to first order (GUM, JCGM 100:2008,
 * 5.1.2): good enough while one place is limiting, and quick enough for every move of the hand.
 */
export function gapUncertainty(gradient: Shifts, u: Shifts): number {
  return Math.hypot(
    gradient.caliperAxialMm * u.caliperAxialMm,
    gradient.caliperRadialMm * u.caliperRadialMm,
    gradient.faceAxialMm * u.faceAxialMm,
    gradient.barrelRadialMm * u.barrelRadialMm,
  )
}

function direction(tag: WheelTag): [number, number] {
  return tag === 'face' ? [1, 0] : tag === 'barrel' ? [0, 1] : [Math.SQRT1_2, Math.SQRT1_2]
}

/** The 5 % and 95 % points of a gap with standard uncertainty `u`, mm. */
export function gapRange(meanMm: number, u: number): { p05Mm: number; p95Mm: number } {
  return { p05Mm: meanMm - NORMAL_P95 * u, p95Mm: meanMm + NORMAL_P95 * u }
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
