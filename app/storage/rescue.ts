/**
 * What was changed in the last moment before a page went away: the store's own saving takes a moment, and
 * a page that is closed has none. This writes at once, and is read and thrown away at the next opening.
 */
interface Rescued {
  /** The saved revision that the change was made on. */
  revision: number | undefined
  /** When the save began that was still under way: if it arrived, the change was made on what it left. */
  underWay?: string
  /** What was stored at that revision, where another tab may have saved since: with it the two are put together. */
  base?: unknown
  project: unknown
}
type Keeper = Pick<Storage, 'getItem' | 'setItem' | 'removeItem'>

const keyOf = (id: string) => `valiant-caliper/rescue/${id}`

/**
 * @param project as light as it is kept
 * @returns whether there was room for it, with what it was made on or without
 */
export function keepRescue(id: string, project: unknown, on: Pick<Rescued, 'revision' | 'underWay' | 'base'>, keeper: Keeper): boolean {
  const { base, ...rest } = on
  for (const kept of base === undefined ? [rest] : [on, rest]) {
    try {
      keeper.setItem(keyOf(id), JSON.stringify({ ...kept, project } satisfies Rescued))
      return true
    } catch {
      // without the base it is half as long
    }
  }
  return false
}

/** Throws away what was kept: the page goes on, and saves by itself. */
export const dropRescue = (id: string, keeper: Keeper): void => keeper.removeItem(keyOf(id))

/** What came back: made on what is stored, or on something older that is there with it. */
interface TakenBack {
  project: unknown
  older?: { base: unknown; revision: number | undefined }
}

/**
 * What was kept for a project, once: undefined when there is nothing, `lost` when it was made on something that is not known
 * any more or cannot be read.
 * @param stored the revision that is stored, and when it was saved
 */
export function takeRescue(
  id: string,
  stored: { revision: number | undefined; savedAt?: string | undefined },
  keeper: Keeper,
): TakenBack | 'lost' | undefined {
  const text = keeper.getItem(keyOf(id))
  if (text === null) return undefined
  keeper.removeItem(keyOf(id))
  try {
    const { project, base, revision, underWay } = JSON.parse(text) as Rescued
    const arrived = underWay !== undefined && underWay === stored.savedAt && stored.revision === (revision ?? 0) + 1
    if (revision === stored.revision || arrived) return { project }
    return base === undefined ? 'lost' : { project, older: { base, revision } }
  } catch {
    return 'lost'
  }
}
