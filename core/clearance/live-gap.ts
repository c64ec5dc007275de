import { WorkBudget } from '../maths/work-budget.ts'
import type { Polyline } from './maths/polyline.ts'
import type { ClearanceVerdict } from './maths/verdict.ts'
import type { Preferences } from '../records/preferences.ts'
import { judge, readyCaliper, readyWheel, type Judge } from './judge.ts'
import type { Corner } from './half-section.ts'

/** The gap at a spacer while the hand still moves it. */
interface LiveGap {
  minGapMm: number
  p05Mm: number
  p95Mm: number
  verdict: ClearanceVerdict
  limitingTag: 'barrel' | 'shoulder' | 'face'
  /** From the caliper's closest point to the wheel's, seat frame. */
  bridge: Polyline
}

/**
 * Follows a drag: everything that does not move is made ready once, each step costs one gap and the
 * linear estimate of its doubt. Undefined while the corner has no gap.
 */
export function liveGap(corner: Corner, policy: Preferences['gapPolicy']): ((spacerMm: number) => LiveGap) | undefined {
  if (!corner.caliper || !corner.wheel || !corner.shifts) return undefined
  const ready: Judge = {
    caliper: readyCaliper(corner.caliper, new WorkBudget(Infinity), 'linear'),
    wheel: readyWheel(corner.wheel, 'linear'),
    u: corner.shifts,
    policy,
    faceKnown: corner.faceKnown,
  }
  return (spacerMm) => {
    const { gap, p05Mm, p95Mm, verdict } = judge(ready, spacerMm, 'linear')
    return { minGapMm: gap.minGapMm, p05Mm, p95Mm, verdict, limitingTag: gap.limitingTag, bridge: [gap.caliperPoint, gap.wheelPoint] }
  }
}
