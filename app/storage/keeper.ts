export type ProjectKeeper = Pick<Storage, 'getItem' | 'setItem' | 'removeItem' | 'key' | 'length'>

/** The browser's small store, when it gives one to this page: one that keeps nothing throws on the name alone. */
export function browserKeeper(): ProjectKeeper | undefined {
  try {
    return typeof localStorage === 'undefined' ? undefined : localStorage
  } catch {
    return undefined
  }
}
