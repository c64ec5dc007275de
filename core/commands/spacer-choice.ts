import type { AxleSetup } from '../records/setup.ts'
import type { Project } from '../records/project.ts'

/** A part this near to a wanted thickness is that thickness, mm. */
const SAME_MM = 0.05

/**
 * What to write into an axle's setup for a spacer of a thickness: none, a part of the project that is
 * so thick, or a trial without a part (which the bill then asks for).
 *
 * @example
 * chooseSpacer({ parts: [] }, 5) // => { spacerTrialMm: 5 }
 */
export function chooseSpacer(project: Pick<Project, 'parts'>, thicknessMm: number): Pick<AxleSetup, 'spacer' | 'spacerTrialMm'> {
  if (thicknessMm < SAME_MM) return { spacer: null }
  const part = project.parts.find(
    (one) => one.kind === 'spacer' && one.thicknessMm !== undefined && Math.abs(one.thicknessMm.value - thicknessMm) <= SAME_MM,
  )
  return part ? { spacer: part.id } : { spacerTrialMm: Math.round(thicknessMm * 100) / 100 }
}
