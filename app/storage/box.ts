import localforage from 'localforage'
import { shallowRef } from 'vue'

/** What of a store of the browser is used here. */
export interface Box {
  getItem<T>(key: string): Promise<T | null>
  setItem<T>(key: string, value: T): Promise<T>
  removeItem(key: string): Promise<void>
  keys(): Promise<string[]>
}

/** This browser keeps nothing for this page, by its settings or a fault: what is made lives until the page is closed. */
export const inMemory = shallowRef(false)

/** A store that lives as long as the page. What goes in is copied, as a browser's store does. */
export function memoryBox(): Box {
  const held = new Map<string, unknown>()
  return {
    getItem: async <T>(key: string) => (held.has(key) ? (structuredClone(held.get(key)) as T) : null),
    setItem: async <T>(key: string, value: T) => {
      held.set(key, structuredClone(value))
      return value
    },
    removeItem: async (key) => void held.delete(key),
    keys: async () => [...held.keys()],
  }
}

/** A store of the browser; where there is none, one in memory, and `inMemory` says so. */
export function browserBox(storeName: string, version: number): Box {
  const kept = localforage.createInstance({ name: 'valiant-caliper', storeName, version })
  let chosen: Promise<Box> | undefined
  const box = () =>
    (chosen ??= kept.ready().then(
      () => kept,
      () => {
        inMemory.value = true
        return memoryBox()
      },
    ))
  return {
    getItem: async (key) => await (await box()).getItem(key),
    setItem: async (key, value) => await (await box()).setItem(key, value),
    removeItem: async (key) => await (await box()).removeItem(key),
    keys: async () => await (await box()).keys(),
  }
}
