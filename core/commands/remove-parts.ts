import type { Project } from '../records/project.ts'

/** Takes parts out of a project that is being edited, and out of every setup, kit and donor that names them. */
export function removeParts(draft: Project, ids: ReadonlySet<string>): void {
  draft.parts = draft.parts.filter((part) => !ids.has(part.id))
  for (const bundle of draft.bundles) bundle.parts = bundle.parts.filter((id) => !ids.has(id))
  for (const setup of draft.setups)
    for (const holder of [setup.front, setup.rear, setup.hydraulics] as Record<string, unknown>[])
      for (const [slot, value] of Object.entries(holder))
        if (typeof value === 'string' && ids.has(value)) Reflect.deleteProperty(holder, slot)
}
