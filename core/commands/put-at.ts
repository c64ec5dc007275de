import type { Draft } from 'immer'
import type { Project } from '../records/project.ts'
import type { EntryPlace } from '../records/question.ts'

/**
 * Writes fields of whatever a place belongs to: a part, the car or one of its axles, a setup.
 * @param draft changed in place
 * @param values by field; undefined takes what is there away
 */
export function putAt(draft: Draft<Project>, at: EntryPlace, values: Readonly<Record<string, unknown>>): void {
  const holder =
    at.kind === 'part'
      ? draft.parts.find((one) => one.id === at.partId)
      : at.kind === 'car'
        ? at.axle
          ? draft.car[at.axle]
          : draft.car
        : at.kind === 'setup'
          ? draft.setups.find((one) => one.id === at.setupId)?.[at.axle ?? 'hydraulics']
          : undefined
  if (!holder) return
  for (const [key, value] of Object.entries(values)) {
    if (value === undefined) Reflect.deleteProperty(holder, key)
    else (holder as Record<string, unknown>)[key] = value
  }
}
