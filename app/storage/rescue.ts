import type { Project } from '#core/model/project.ts'

/**
 * What was changed in the last moment before a page went away: the store's own saving takes a moment, and
 * a page that is closed has none. This writes at once, and is read and thrown away at the next opening.
 */
export interface Rescued {
  /** The saved revision that the change was made on. */
  revision: number | undefined
  /** When the save began that was still under way: if it arrived, the change was made on what it left. */
  underWay?: string
  project: unknown
}
type Keeper = Pick<Storage, 'getItem' | 'setItem' | 'removeItem'>

const keyOf = (id: string) => `valiant-caliper/rescue/${id}`

/** @returns whether there was room for it */
export function keepRescue(project: Project, on: Pick<Rescued, 'revision' | 'underWay'>, keeper: Keeper): boolean {
  try {
    keeper.setItem(keyOf(project.id), JSON.stringify({ ...on, project } satisfies Rescued))
    return true
  } catch {
    return false
  }
}

/**
 * What was kept for a project, once: undefined when there is none or it was made on something else than what is stored.
 * @param stored the revision that is stored, and when it was saved
 */
export function takeRescue(id: string, stored: { revision: number | undefined; savedAt?: string | undefined }, keeper: Keeper): unknown {
  const text = keeper.getItem(keyOf(id))
  if (text === null) return undefined
  keeper.removeItem(keyOf(id))
  try {
    const kept = JSON.parse(text) as Rescued
    const arrived = kept.underWay !== undefined && kept.underWay === stored.savedAt && stored.revision === (kept.revision ?? 0) + 1
    return kept.revision === stored.revision || arrived ? kept.project : undefined
  } catch {
    return undefined
  }
}
