import { browserKeeper, type ProjectKeeper } from './keeper.ts'

/**
 * Texts that were typed and not taken yet: kept at once in the browser's small store, so that neither a reload nor another
 * tab's save nor a look at another page drops them. Kept by place; a draft goes when its text is taken or given up.
 */

const PREFIX = 'valiant-caliper/draft/'
/** So many are kept; the oldest go first. */
const MOST = 200
const MOST_LETTERS = 200_000

interface KeptDraft {
  text: string
  at: number
}

function read(text: string | null): KeptDraft | undefined {
  if (text === null) return undefined
  try {
    const kept = JSON.parse(text) as Partial<KeptDraft>
    return typeof kept.text === 'string' && typeof kept.at === 'number' ? (kept as KeptDraft) : undefined
  } catch {
    return undefined
  }
}

export const readDraft = (place: string, keeper = browserKeeper()): string | undefined =>
  read(keeper?.getItem(PREFIX + place) ?? null)?.text

/** @param at when it was typed, ms; drafts of one moment go in any order */
export function keepDraft(place: string, text: string, at: number, keeper = browserKeeper()): void {
  if (!keeper || text.length > MOST_LETTERS) return
  try {
    keeper.setItem(PREFIX + place, JSON.stringify({ text, at } satisfies KeptDraft))
    forgetOldest(keeper)
  } catch {
    // no room: the text still stands in its field
  }
}

export const dropDraft = (place: string, keeper = browserKeeper()): void => keeper?.removeItem(PREFIX + place)

function forgetOldest(keeper: ProjectKeeper): void {
  const keys = Array.from({ length: keeper.length }, (_, i) => keeper.key(i)).filter(
    (key): key is string => key?.startsWith(PREFIX) ?? false,
  )
  if (keys.length <= MOST) return
  const aged = keys.map((key) => ({ key, at: read(keeper.getItem(key))?.at ?? 0 })).sort((a, b) => a.at - b.at)
  for (const { key } of aged.slice(0, keys.length - MOST)) keeper.removeItem(key)
}
