import type { Project } from '#core/model/project.ts'

/**
 * What was changed in the last moment before a page went away: the store's own saving takes a moment, and
 * a page that is closed has none. This writes at once, and is read and thrown away at the next opening.
 */
export interface Rescued {
  /** The saved revision that the change was made on. */
  revision: number | undefined
  project: unknown
}
type Keeper = Pick<Storage, 'getItem' | 'setItem' | 'removeItem'>

const keyOf = (id: string) => `valiant-caliper/rescue/${id}`

/** @returns whether there was room for it */
export function keepRescue(project: Project, revision: number | undefined, keeper: Keeper): boolean {
  try {
    keeper.setItem(keyOf(project.id), JSON.stringify({ revision, project } satisfies Rescued))
    return true
  } catch {
    return false
  }
}

/** What was kept for a project, once: undefined when there is none or it was made on another revision. */
export function takeRescue(id: string, revision: number | undefined, keeper: Keeper): unknown {
  const text = keeper.getItem(keyOf(id))
  if (text === null) return undefined
  keeper.removeItem(keyOf(id))
  try {
    const kept = JSON.parse(text) as Rescued
    return kept.revision === revision ? kept.project : undefined
  } catch {
    return undefined
  }
}
