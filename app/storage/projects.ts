import { checkProject } from '#core/formats/project-file.ts'
import type { Problem } from '#core/records/check.ts'
import type { Project } from '#core/records/project.ts'
import { browserBox, StorageBlocked, inTime, PATIENCE_MS } from './box.ts'
import { LongTexts, referencesIn } from './long-texts.ts'

/**
 * Projects in the browser. Each is kept with a revision that counts its saves, so that two tabs never
 * overwrite each other unseen, and with the copy before the last save.
 */

const SHELF_VERSION = 1

interface StoredProject {
  shelfVersion: number
  revision: number
  savedAt: string
  project: unknown
}
export interface ShelfEntry {
  id: string
  name: string
  car: string
  savedAt: string
  setups: number
  /** The stored value cannot be read. */
  broken: boolean
}
export type Loaded =
  | { state: 'absent' }
  | { state: 'broken'; problems: Problem[]; raw: string; savedAt: string; hasCopy: boolean }
  | { state: 'ok'; project: Project; revision: number; savedAt: string }
export type Saved =
  { ok: true; revision: number } | { ok: false; reason: 'conflict' } | { ok: false; reason: 'full' | 'failed'; message: string }

const projects = browserBox('projects', SHELF_VERSION)
const copies = browserBox('copies', SHELF_VERSION)
/**
 * The revision of each project alone, so that a save need not read the whole of it. It is written before the project:
 * after a fault between the two it is ahead, and then the project itself is asked.
 */
const heads = browserBox('heads', SHELF_VERSION)

/** Pictures, each under its project's id and a key of its own. */
const longTexts = browserBox('longTexts', SHELF_VERSION)
const recordOf = (id: string, key: string) => `${id}/${key}`
const textsOf = new Map<string, LongTexts>()
function textsFor(id: string): LongTexts {
  let known = textsOf.get(id)
  // keys of two pages must differ, and a page over plain http has no crypto.randomUUID
  if (!known) textsOf.set(id, (known = new LongTexts(() => `${Date.now().toString(36)}-${Math.random().toString(36).slice(2)}`)))
  return known
}
/** Keys of a project that are stored, as far as this page knows. */
const storedKeys = new Map<string, ReadonlySet<string>>()
async function keysOf(id: string): Promise<Set<string>> {
  const start = recordOf(id, '')
  return new Set((await longTexts.keys()).flatMap((one) => (one.startsWith(start) ? [one.slice(start.length)] : [])))
}
const readText = (id: string) => (key: string) => longTexts.getItem<string>(recordOf(id, key))

/** The copy of the save before is renewed no more often than this: what went wrong a moment ago is in that one too, ms. */
const COPY_AFTER_MS = 30_000
const copiedAt = new Map<string, number>()

/** Over plain http a browser has no locks: then saves of this page at least follow each other. */
const queues = new Map<string, Promise<unknown>>()
async function inTurn<T>(id: string, work: () => Promise<T>): Promise<T> {
  const mine = (queues.get(id) ?? Promise.resolve()).then(work, work)
  queues.set(id, mine)
  try {
    return await mine
  } finally {
    if (queues.get(id) === mine) queues.delete(id)
  }
}

/** One save at a time over all tabs, where the browser can. */
async function alone<T>(id: string, work: () => Promise<T>, patienceMs = PATIENCE_MS): Promise<T> {
  const locks = globalThis.navigator?.locks
  if (!locks) return await inTurn(id, () => inTime(work(), patienceMs))
  const stop = new AbortController()
  const timer = setTimeout(() => stop.abort(), patienceMs)
  try {
    return await locks.request(`valiant-caliper:${id}`, { signal: stop.signal }, async () => {
      clearTimeout(timer)
      return await inTime(work(), patienceMs)
    })
  } catch (error) {
    if (error instanceof Error && error.name === 'AbortError')
      throw new StorageBlocked('another tab of this page blocks the storage: close it, then try again')
    throw error
  } finally {
    clearTimeout(timer)
  }
}

/** The revision that is stored; undefined where nothing is. */
async function storedRevision(id: string, expected: number | undefined): Promise<number | undefined> {
  const head = await heads.getItem<number>(id)
  if (expected !== undefined && head === expected) return head
  return (await projects.getItem<StoredProject>(id))?.revision
}

/** Keeps what is stored before it is written over, unless that was done a moment ago. */
async function keepCopy(id: string, nowMs: number): Promise<void> {
  const last = copiedAt.get(id)
  if (last !== undefined && nowMs - last < COPY_AFTER_MS && nowMs >= last) return
  const before = await projects.getItem<StoredProject>(id)
  if (!before) return
  await copies.setItem(id, before)
  copiedAt.set(id, nowMs)
}

/** Keys as this page has listed them and written since; while no other tab saves, the list need not be asked for again. */
const listed = new Map<string, Set<string>>()

/** Writes the pictures that are not stored yet. Under the lock of the project: no other tab takes one away meanwhile. */
async function keepTexts(id: string, keys: readonly string[]): Promise<Set<string>> {
  const stored = listed.get(id) ?? (await keysOf(id))
  listed.set(id, stored)
  const texts = textsFor(id)
  for (const key of keys) {
    if (stored.has(key)) continue
    await longTexts.setItem(recordOf(id, key), texts.text(key))
    stored.add(key)
  }
  return stored
}
/** Removes the pictures that neither the project nor the copy before it names. */
async function dropTexts(id: string, keys: readonly string[], stored: Set<string>): Promise<void> {
  if (stored.size > keys.length) {
    const copy = await copies.getItem<StoredProject>(id)
    const named = new Set([...keys, ...referencesIn(copy?.project)])
    for (const key of stored) {
      if (named.has(key)) continue
      await longTexts.removeItem(recordOf(id, key))
      stored.delete(key)
    }
  }
  storedKeys.set(id, stored)
}

/** What this page knows of a project's pictures: a page that opens it anew knows nothing. */
export function forgetPage(id: string): void {
  textsOf.delete(id)
  storedKeys.delete(id)
  listed.delete(id)
}

/** A project as it is kept where there is little room: without the pictures that are stored. */
export function lightProject(project: Project): unknown {
  const texts = textsFor(project.id)
  return texts.withUnstored(texts.lightOf(project).light, storedKeys.get(project.id) ?? new Set())
}
/** The same with its pictures. */
export const wholeProject = (id: string, light: unknown): Promise<unknown> => textsFor(id).whole(light, readText(id))

/** Whether anything is stored under an id, whole or not. */
export const isKept = async (id: string): Promise<boolean> => (await projects.keys()).includes(id)

export async function loadProject(id: string): Promise<Loaded> {
  const stored = await projects.getItem<unknown>(id)
  if (stored === null || stored === undefined) return { state: 'absent' }
  const kept = asKept(stored)
  const project = kept && (await wholeProject(id, kept.project))
  const read = kept && checkProject(project)
  if (kept) storedKeys.set(id, new Set(referencesIn(kept.project)))
  if (read?.ok) return { state: 'ok', project: read.project, revision: kept!.revision, savedAt: kept!.savedAt }
  return {
    state: 'broken',
    problems: read?.problems ?? [{ path: '', place: "This browser's storage", message: 'holds something here that is no project.' }],
    raw: rawText(kept ? project : stored),
    savedAt: kept?.savedAt ?? '',
    hasCopy: asKept(await copies.getItem(id)) !== undefined,
  }
}

/** What was kept, when it is of the shape this application keeps; another program, or a browser's fault, may have left anything. */
function asKept(stored: unknown): StoredProject | undefined {
  const kept = stored as Partial<StoredProject> | null
  if (typeof kept !== 'object' || kept === null) return undefined
  return typeof kept.revision === 'number' && typeof kept.savedAt === 'string' && typeof kept.project === 'object'
    ? (kept as StoredProject)
    : undefined
}

/** Any value as text to take away; of one that goes round in circles, what it holds once. */
function rawText(value: unknown): string {
  const seen = new WeakSet<object>()
  return (
    JSON.stringify(
      value,
      (_, one: unknown) => {
        if (typeof one === 'bigint') return String(one)
        if (typeof one !== 'object' || one === null) return one
        if (seen.has(one)) return '(again)'
        seen.add(one)
        return one
      },
      2,
    ) ?? String(value)
  )
}

/**
 * Saves a project over the revision it was loaded at; another revision in the store is a conflict and
 * nothing is written.
 * @param expected undefined: the project must not exist yet
 */
export async function saveProject(project: Project, expected: number | undefined, now: Date, patienceMs = PATIENCE_MS): Promise<Saved> {
  const { id } = project
  try {
    return await alone(
      id,
      async (): Promise<Saved> => {
        if ((await storedRevision(id, expected)) !== expected) {
          listed.delete(id)
          return { ok: false, reason: 'conflict' }
        }
        if (expected !== undefined) await keepCopy(id, now.getTime())
        const revision = (expected ?? 0) + 1
        const { light, keys } = textsFor(id).lightOf(project)
        const stored = await keepTexts(id, keys)
        await heads.setItem(id, revision)
        await projects.setItem<StoredProject>(id, { shelfVersion: SHELF_VERSION, revision, savedAt: now.toISOString(), project: light })
        await dropTexts(id, keys, stored)
        return { ok: true, revision }
      },
      patienceMs,
    )
  } catch (error) {
    const message = error instanceof Error ? error.message : String(error)
    const full = /quota/i.test(String(error))
    return { ok: false, reason: full ? 'full' : 'failed', message }
  }
}

/** Puts the copy before the last save back in place. */
export async function restoreCopy(id: string): Promise<boolean> {
  return await alone(id, async () => {
    const copy = await copies.getItem<StoredProject>(id)
    if (!copy) return false
    const now = await projects.getItem<StoredProject>(id)
    const revision = (now?.revision ?? copy.revision) + 1
    await heads.setItem(id, revision)
    await projects.setItem<StoredProject>(id, { ...copy, revision })
    listed.delete(id)
    return true
  })
}

export async function removeProject(id: string): Promise<void> {
  await alone(id, async () => {
    await projects.removeItem(id)
    await heads.removeItem(id)
    await copies.removeItem(id)
    for (const key of await keysOf(id)) await longTexts.removeItem(recordOf(id, key))
    forgetPage(id)
    copiedAt.delete(id)
  })
}

/** All projects, the latest first. Each is read alone: a broken one is listed, and hides none. */
export async function listProjects(): Promise<ShelfEntry[]> {
  const entries: ShelfEntry[] = []
  const pictures = new Set(await longTexts.keys())
  for (const id of await projects.keys()) entries.push(await entryOf(id, pictures))
  return entries.sort((a, b) => b.savedAt.localeCompare(a.savedAt))
}

/** Stands for a picture where only the project around it is looked through. */
const SOME_JPEG = 'data:image/jpeg;base64,/9j/'

/** One line of the list. Pictures are asked for by their keys alone: sixty of them are megabytes. */
async function entryOf(id: string, pictures: ReadonlySet<string>): Promise<ShelfEntry> {
  const broken: ShelfEntry = { id, name: id, car: '', savedAt: '', setups: 0, broken: true }
  try {
    const kept = asKept(await projects.getItem<unknown>(id))
    if (!kept) return broken
    const has = (key: string) => Promise.resolve(pictures.has(recordOf(id, key)) ? SOME_JPEG : null)
    const read = checkProject(await new LongTexts(() => '').whole(kept.project, has))
    const { savedAt } = kept
    if (!read.ok) return { ...broken, savedAt }
    const { name, car, setups } = read.project
    return { id, name, car: car.name, savedAt, setups: setups.length, broken: false }
  } catch {
    // the browser cannot hand this record over
    return broken
  }
}
