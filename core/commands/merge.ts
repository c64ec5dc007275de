/** Two changes of one project that were made at the same time, put together. Plain data only. */

type Plain = Record<string, unknown>
type MergePath = readonly (string | number)[]

/** A place that both have changed, each to something else; `mine` stands in the merged value until it is chosen. */
export interface MergeConflict {
  path: MergePath
  base: unknown
  mine: unknown
  theirs: unknown
}

interface Merged<T> {
  value: T
  conflicts: MergeConflict[]
}

const isPlain = (value: unknown): value is Plain => typeof value === 'object' && value !== null && !Array.isArray(value)
/** Lists whose members have ids of their own: parts, setups, lines of a bill. */
const isKeyed = (value: unknown): value is (Plain & { id: string })[] =>
  Array.isArray(value) && value.every((one) => isPlain(one) && typeof one.id === 'string')
const same = (a: unknown, b: unknown): boolean => a === b || JSON.stringify(a) === JSON.stringify(b)

/** Members that make sense only as a whole: a figure with its readings, points with their tags, a driving, a reading. */
const WHOLE = new Set(['value', 'points', 'lowMinor', 'pairs', 'zones', 'accelG', 'gradePercent', 'readC'])
const isWhole = (...values: unknown[]): boolean =>
  values.some((value) => isPlain(value) && Object.keys(value).some((key) => WHOLE.has(key)))

/**
 * A three-way merge: what only one side changed is taken, what both changed alike is taken once, and where both touched
 * the same the place is named. Lists of things with ids are merged by id, in the order of mine; other lists and figures
 * are one thing each.
 *
 * @param base what both started from
 */
export function merge<T>(base: T, mine: T, theirs: T): Merged<T> {
  const conflicts: MergeConflict[] = []
  const value = mergeAt(base, mine, theirs, [], conflicts)
  return { value: value as T, conflicts }
}

function mergeAt(base: unknown, mine: unknown, theirs: unknown, path: MergePath, conflicts: MergeConflict[]): unknown {
  if (mine === theirs || same(base, theirs) || same(mine, theirs)) return mine
  if (same(base, mine)) return theirs
  if (isPlain(mine) && isPlain(theirs) && (base === undefined || isPlain(base)) && !isWhole(base, mine, theirs)) {
    const from = (base ?? {}) as Plain
    const out: Plain = {}
    for (const key of new Set([...Object.keys(mine), ...Object.keys(theirs), ...Object.keys(from)])) {
      const merged = mergeAt(from[key], mine[key], theirs[key], [...path, key], conflicts)
      if (merged !== undefined) out[key] = merged
    }
    return out
  }
  if (isKeyed(mine) && isKeyed(theirs) && (base === undefined || isKeyed(base)))
    return mergeKeyed(base ?? [], mine, theirs, path, conflicts)
  conflicts.push({ path, base, mine, theirs })
  return mine
}

function mergeKeyed(
  base: readonly (Plain & { id: string })[],
  mine: readonly (Plain & { id: string })[],
  theirs: readonly (Plain & { id: string })[],
  path: MergePath,
  conflicts: MergeConflict[],
): unknown[] {
  const at = (list: readonly (Plain & { id: string })[], id: string) => list.find((one) => one.id === id)
  const ids = [...mine.map((one) => one.id)]
  // what the other side added goes behind what stood before it there
  theirs.forEach((one, i) => {
    if (ids.includes(one.id) || at(base, one.id)) return
    const before = theirs
      .slice(0, i)
      .reverse()
      .find((other) => ids.includes(other.id))
    ids.splice(before ? ids.indexOf(before.id) + 1 : 0, 0, one.id)
  })
  // what mine removed and theirs changed is a question, too
  for (const one of theirs) if (!ids.includes(one.id) && !same(at(base, one.id), one)) ids.push(one.id)
  return ids.flatMap((id) => {
    const merged = mergeAt(at(base, id), at(mine, id), at(theirs, id), [...path, id], conflicts)
    return merged === undefined ? [] : [merged]
  })
}

/** The merged value with the other side's choice at some places. */
export function choose<T>(merged: T, conflicts: readonly MergeConflict[]): T {
  const copy = JSON.parse(JSON.stringify(merged)) as T
  for (const { path, theirs } of conflicts) {
    let holder: unknown = copy
    for (const key of path.slice(0, -1)) holder = step(holder, key)
    const last = path[path.length - 1]
    if (last === undefined) return theirs as T
    if (Array.isArray(holder)) {
      const index = (holder as Plain[]).findIndex((one) => one.id === last)
      if (index >= 0) holder.splice(index, 1, ...(theirs === undefined ? [] : [theirs]))
      else if (theirs !== undefined) holder.push(theirs)
    } else if (isPlain(holder)) {
      if (theirs === undefined) Reflect.deleteProperty(holder, last)
      else holder[last] = theirs
    }
  }
  return copy
}

const step = (holder: unknown, key: string | number): unknown =>
  Array.isArray(holder) ? (holder as Plain[]).find((one) => one.id === key) : isPlain(holder) ? holder[key] : undefined

/** A merge path, which names members of lists by id, as a path of indices. */
export function indexPath(root: unknown, path: MergePath): string {
  let here = root
  let text = ''
  for (const key of path) {
    const index = Array.isArray(here) ? (here as Plain[]).findIndex((one) => one.id === key) : -1
    text += index >= 0 ? `[${index}]` : `${text ? '.' : ''}${String(key)}`
    here = step(here, key)
  }
  return text
}
