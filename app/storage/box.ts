import localforage from 'localforage'
import { shallowRef } from 'vue'

/** What of a store of the browser is used here. */
interface StorageBox {
  getItem<T>(key: string): Promise<T | null>
  setItem<T>(key: string, value: T): Promise<T>
  removeItem(key: string): Promise<void>
  keys(): Promise<string[]>
}

/** This browser keeps nothing for this page, by its settings or a fault: what is made lives until the page is closed. */
export const inMemory = shallowRef(false)

/** A store that lives as long as the page. What goes in is copied, as a browser's store does. */
export function memoryBox(): StorageBox {
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

/** A browser that does not answer in this time does not keep anything, ms. */
export const PATIENCE_MS = 8000
/** Whoever waits longer than that is told who holds it up. */
export class StorageBlocked extends Error {}

/** @throws StorageBlocked when the work takes longer */
export async function inTime<T>(work: Promise<T>, patienceMs = PATIENCE_MS): Promise<T> {
  let timer: ReturnType<typeof setTimeout> | undefined
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(new StorageBlocked(`the browser’s storage has not answered for ${patienceMs / 1000} s`)), patienceMs)
  })
  try {
    return await Promise.race([work, late])
  } finally {
    clearTimeout(timer)
  }
}

/** The page goes on without the browser's storage, until it is closed. */
export function withoutStorage(): void {
  inMemory.value = true
}

/**
 * A store of the browser; where there is none, one in memory, and `inMemory` says so.
 * @throws StorageBlocked from each of its methods where the browser does not answer
 */
export function browserBox(storeName: string, version: number, patienceMs = PATIENCE_MS): StorageBox {
  const kept = localforage.createInstance({ name: 'valiant-caliper', storeName, version })
  const memory = memoryBox()
  const ready = async (): Promise<StorageBox> => {
    if (!inMemory.value) await kept.ready().catch(withoutStorage)
    return inMemory.value ? memory : kept
  }
  const answered = <T>(of: (box: StorageBox) => Promise<T>): Promise<T> => inTime(ready().then(of), patienceMs)
  return {
    getItem: (key) => answered((box) => box.getItem(key)),
    setItem: (key, value) => answered((box) => box.setItem(key, value)),
    removeItem: (key) => answered((box) => box.removeItem(key)),
    keys: () => answered((box) => box.keys()),
  }
}
