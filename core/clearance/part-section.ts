import type { Polyline } from './maths/polyline.ts'
import type { PartOf } from '../records/part.ts'
import { ownOutlines } from './caliper-outline.ts'
import { GapInputs } from './gap-inputs.ts'
import { wheelSection } from './wheel-profile.ts'
import { Working } from '../figures/working.ts'

/** What a caliper or wheel looks like in its own frame, as far as its figures go; empty when they do not. */
export function partSection(part: PartOf<'caliper'> | PartOf<'wheel'>): Polyline[] {
  const work = new Working()
  if (part.kind === 'wheel') {
    const { profile } = wheelSection(work, part, new GapInputs('digitalCaliper'), 0)
    return profile ? [profile.points] : []
  }
  return ownOutlines(work, part)?.map((outline) => outline.points) ?? []
}
