import { applyPatches, enablePatches, freeze, produceWithPatches, type Draft, type Patch } from 'immer'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, toRaw } from 'vue'
import type { Problem } from '#core/model/check.ts'
import { projectProblems } from '#core/model/check.ts'
import type { Project } from '#core/model/project.ts'
import { checkProject } from '#core/formats/project-file.ts'
import { loadProject, saveProject, type Loaded } from '../storage/projects.ts'
import { keepRescue, takeRescue } from '../storage/rescue.ts'

enablePatches()

interface Step {
  label: string
  /** Edits of one gesture share a key and become one step. */
  gesture: string | undefined
  forward: Patch[]
  back: Patch[]
}

export type SaveState = 'saved' | 'unsaved' | 'saving' | 'full' | 'failed' | 'conflict'
export type OpenState = 'closed' | 'opening' | 'open' | 'absent' | 'broken'

const MOST_STEPS = 500
const SAVE_AFTER_MS = 300
const CHANNEL = 'valiant-caliper'

/** The open project, its undo history as patches, and its way into the browser's storage. */
export const useProjectStore = defineStore('project', () => {
  const project = shallowRef<Project>()
  const state = ref<OpenState>('closed')
  const saveState = ref<SaveState>('saved')
  const saveMessage = ref('')
  const problems = shallowRef<Problem[]>([])
  const raw = ref('')
  const hasCopy = ref(false)
  /** Set when another tab's change was taken over. */
  const refreshedAt = ref(0)
  const past = shallowRef<Step[]>([])
  const future = shallowRef<Step[]>([])
  let revision: number | undefined
  let timer: ReturnType<typeof setTimeout> | undefined
  let saving: Promise<void> | undefined
  /** When the save that is under way began. */
  let underWay: string | undefined
  let gesture: string | undefined
  const channel = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel(CHANNEL)

  const undoLabel = computed(() => past.value[past.value.length - 1]?.label)
  const redoLabel = computed(() => future.value[future.value.length - 1]?.label)

  function reset(next: Project | undefined): void {
    // frozen parts are checked once, and not again with every edit
    project.value = next && freeze(next, true)
    past.value = []
    future.value = []
    gesture = undefined
    saveState.value = 'saved'
    saveMessage.value = ''
  }

  async function open(id: string): Promise<void> {
    if (project.value?.id === id && state.value === 'open') return
    await flush()
    state.value = 'opening'
    let loaded: Loaded
    try {
      loaded = await loadProject(id)
    } catch (error) {
      // private windows and locked profiles refuse storage altogether
      const message = `cannot be read: ${error instanceof Error ? error.message : String(error)}. Allow this page to keep data, or use another browser or window.`
      loaded = { state: 'broken', problems: [{ path: '', place: "This browser's storage", message }], raw: '', hasCopy: false }
    }
    if (loaded.state === 'ok') {
      revision = loaded.revision
      reset(loaded.project)
      takeBackRescued(id, loaded.savedAt)
      state.value = 'open'
    } else {
      reset(undefined)
      state.value = loaded.state
      if (loaded.state === 'broken') {
        problems.value = loaded.problems
        raw.value = loaded.raw
        hasCopy.value = loaded.hasCopy
      }
    }
  }

  /** The last change before the page went away, if it never reached the storage. */
  function takeBackRescued(id: string, savedAt: string): void {
    if (typeof localStorage === 'undefined') return
    const rescued = takeRescue(id, { revision, savedAt }, localStorage)
    const read = rescued === undefined ? undefined : checkProject(rescued)
    if (!read?.ok || JSON.stringify(read.project) === JSON.stringify(project.value)) return
    project.value = freeze(read.project, true)
    changed()
  }

  /** Keeps at once what is not saved yet; for the moment in which a page goes away. */
  function rescue(): void {
    if (!project.value || saveState.value === 'saved' || saveState.value === 'conflict' || typeof localStorage === 'undefined') return
    keepRescue(toRaw(project.value), { revision, ...(underWay === undefined ? {} : { underWay }) }, localStorage)
  }

  async function close(): Promise<void> {
    await flush()
    reset(undefined)
    state.value = 'closed'
  }

  /**
   * Changes the project. The result must be a valid project: what would not be is refused and returned
   * as problems.
   * @param options.gesture edits with the same key become one undo step until `endGesture`
   */
  function edit(label: string, recipe: (draft: Draft<Project>) => void, options: { gesture?: string } = {}): Problem[] {
    if (!project.value) return []
    const [next, forward, back] = produceWithPatches(project.value, recipe)
    if (forward.length === 0) return []
    const found = projectProblems(next)
    if (found.length > 0) return found
    const last = past.value[past.value.length - 1]
    if (options.gesture !== undefined && options.gesture === gesture && last?.gesture === gesture) {
      past.value = [...past.value.slice(0, -1), { ...last, forward: [...last.forward, ...forward], back: [...back, ...last.back] }]
    } else {
      past.value = [...past.value, { label, gesture: options.gesture, forward, back }].slice(-MOST_STEPS)
    }
    gesture = options.gesture
    future.value = []
    project.value = next
    changed()
    return []
  }

  const endGesture = () => {
    gesture = undefined
  }

  function undo(): void {
    const step = past.value[past.value.length - 1]
    if (!step || !project.value) return
    gesture = undefined
    past.value = past.value.slice(0, -1)
    future.value = [...future.value, step]
    project.value = applyPatches(project.value, step.back)
    changed()
  }

  function redo(): void {
    const step = future.value[future.value.length - 1]
    if (!step || !project.value) return
    gesture = undefined
    future.value = future.value.slice(0, -1)
    past.value = [...past.value, step]
    project.value = applyPatches(project.value, step.forward)
    changed()
  }

  function changed(): void {
    if (saveState.value === 'conflict') return
    saveState.value = 'unsaved'
    clearTimeout(timer)
    timer = setTimeout(() => void flush(), SAVE_AFTER_MS)
  }

  /** Saves now what waits to be saved. */
  async function flush(): Promise<void> {
    clearTimeout(timer)
    await saving
    if (!project.value || saveState.value === 'saved' || saveState.value === 'conflict') return
    saving = save(project.value)
    await saving
    saving = undefined
  }

  async function save(wanted: Project): Promise<void> {
    saveState.value = 'saving'
    const now = new Date()
    underWay = now.toISOString()
    const saved = await saveProject(toRaw(wanted), revision, now)
    underWay = undefined
    if (saved.ok) {
      revision = saved.revision
      channel?.postMessage({ id: wanted.id, revision })
      if (project.value === wanted) saveState.value = 'saved'
      else changed()
      return
    }
    saveState.value = saved.reason
    saveMessage.value = saved.reason === 'conflict' ? '' : saved.message
  }

  channel?.addEventListener('message', (event: MessageEvent<{ id: string; revision: number }>) => {
    if (!project.value || event.data.id !== project.value.id || event.data.revision === revision) return
    if (saveState.value === 'saved') void takeStored()
    else saveState.value = 'conflict'
  })

  /** Shows what the other tab has saved; this tab's unsaved changes and its history go. */
  async function takeStored(): Promise<void> {
    if (!project.value) return
    const loaded = await loadProject(project.value.id)
    if (loaded.state !== 'ok') return
    revision = loaded.revision
    reset(loaded.project)
    refreshedAt.value += 1
  }

  /** After a conflict: keeps this tab's state as a project of its own. Returns its id. */
  async function keepAsCopy(newId: string): Promise<string | undefined> {
    if (!project.value) return undefined
    const copy: Project = { ...project.value, id: newId, name: `${project.value.name} (this tab)`.slice(0, 120) }
    const saved = await saveProject(copy, undefined, new Date())
    if (!saved.ok) return undefined
    revision = saved.revision
    reset(copy)
    return newId
  }

  return {
    project,
    state,
    saveState,
    saveMessage,
    problems,
    raw,
    hasCopy,
    refreshedAt,
    past,
    future,
    undoLabel,
    redoLabel,
    open,
    close,
    edit,
    endGesture,
    undo,
    redo,
    flush,
    rescue,
    takeStored,
    keepAsCopy,
  }
})
