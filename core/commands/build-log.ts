import type { BuildLog, BuildNote } from '../records/build-log.ts'
import type { Project } from '../records/project.ts'
import type { Figure } from '../quantity/figure.ts'

/** The build of a setup in a project that may be written to; begun where there is none. */
export function buildLog(project: Project, setupId: string): BuildLog {
  const known = project.builds.find((one) => one.id === setupId)
  if (known) return known
  project.builds.push({ id: setupId, notes: [], torques: [] })
  return project.builds[project.builds.length - 1]!
}

/** Changes what is noted of a step; a note that says nothing any more is dropped. */
export function noteStep(
  project: Project,
  setupId: string,
  stepId: string,
  change: { [K in 'doneOn' | 'note' | 'picture']?: BuildNote[K] | undefined },
): void {
  const log = buildLog(project, setupId)
  const at = log.notes.findIndex((one) => one.id === stepId)
  const merged: Record<string, unknown> = { ...(log.notes[at] ?? { id: stepId }), ...change }
  for (const key of Object.keys(merged)) if (merged[key] === undefined || merged[key] === '') Reflect.deleteProperty(merged, key)
  const next = merged as unknown as BuildNote
  if (Object.keys(next).length === 1) {
    if (at >= 0) log.notes.splice(at, 1)
  } else if (at >= 0) log.notes[at] = next
  else log.notes.push(next)
}

/** Takes a torque down as it was read; undefined: the blank again. */
export function noteTorque(project: Project, setupId: string, id: string, torque: Figure | undefined): void {
  const log = buildLog(project, setupId)
  const at = log.torques.findIndex((one) => one.id === id)
  if (at >= 0) log.torques.splice(at, 1)
  if (torque) log.torques.push({ id, torque })
}
