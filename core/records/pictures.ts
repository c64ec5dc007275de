import type { NamedOutline, WheelProfile } from './field.ts'
import type { Project } from './project.ts'

/** Pictures in a project: files are sent by mail. */
export const MOST_PICTURES = 60

/** How many pictures a project keeps: behind outlines and profiles, and with the steps of builds. */
export function picturesIn(project: Project): number {
  const behind = (lines: readonly (NamedOutline | WheelProfile | undefined)[] | undefined) =>
    (lines ?? []).filter((one) => one?.picture).length
  const ofParts = project.parts.reduce((sum, part) => {
    if (part.kind === 'caliper') return sum + behind(part.outlines) + behind(part.furtherOutlines)
    return part.kind === 'wheel' ? sum + behind([part.profile]) : sum
  }, 0)
  const ofCar = behind(project.car.front.objects) + behind(project.car.rear.objects)
  return ofParts + ofCar + project.builds.reduce((sum, build) => sum + build.notes.filter((one) => one.picture).length, 0)
}
