import { freeze, produceWithPatches, type Draft, type Patch } from 'immer'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, toRaw } from 'vue'
import type { Problem } from '#core/records/check.ts'
import { knownGood, projectProblems } from '#core/records/check.ts'
import { choose, indexPath, merge, type MergeConflict } from '#core/commands/merge.ts'
import { placeInWords } from '#core/records/place.ts'
import type { Project } from '#core/records/project.ts'
import { checkProject } from '#core/formats/project-file.ts'
import { StorageBlocked } from '../storage/box.ts'
import { browserKeeper } from '../storage/keeper.ts'
import { lightProject, loadProject, saveProject, wholeProject, type Loaded } from '../storage/projects.ts'
import { dropRescue, keepRescue, takeRescue } from '../storage/rescue.ts'
import { projectHistory } from './history.ts'
import { isMarked, markUnsaved, unmark } from '../storage/unsaved-mark.ts'

type SaveState = 'saved' | 'unsaved' | 'saving' | 'full' | 'failed' | 'conflict'
type OpenState = 'closed' | 'opening' | 'open' | 'absent' | 'broken'

/** From the first change that is not saved: who goes on typing is saved all the same. */
const SAVE_AFTER_MS = 100
/** After a save that failed: who types no more has it saved all the same, once the storage takes it. */
const TRY_AGAIN_AFTER_MS = 2000
const CHANNEL = 'valiant-caliper'

/** The open project, its undo history as patches, and its way into the browser's storage. */
export const useProjectStore = defineStore('project', () => {
  const project = shallowRef<Project>()
  /** The open project, for what is shown only while one is open. */
  const current = computed(() => {
    if (!project.value) throw new Error('No project is open.')
    return project.value
  })
  const state = ref<OpenState>('closed')
  const saveState = ref<SaveState>('saved')
  const saveMessage = ref('')
  const problems = shallowRef<Problem[]>([])
  const raw = ref('')
  const hasCopy = ref(false)
  /** When the state that was opened was saved, where a later change was not; empty: nothing is missing. */
  const lostAfter = ref('')
  /** The browser's storage does not answer: it may with another try. */
  const held = ref(false)
  /** Counts the changes of other tabs that were put into this one. */
  const refreshedAt = ref(0)
  /** Places that this tab and another one both changed: whichever is chosen, the rest is put together already. */
  const conflicts = shallowRef<(MergeConflict & { place: string })[]>([])
  /** The last change that was refused and that nobody has shown yet. */
  const refused = shallowRef<{ label: string; problem: Problem; more: number }>()
  const history = projectHistory()
  let revision: number | undefined
  /** What the store held at that revision: what both tabs started from. */
  let base: Project | undefined
  /** What another tab has saved and this one has not settled yet. */
  let theirs: { project: Project; revision: number } | undefined
  let timer: ReturnType<typeof setTimeout> | undefined
  let saving: Promise<void> | undefined
  /** When the save that is under way began. */
  let underWay: string | undefined
  const channel = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel(CHANNEL)

  function reset(next: Project | undefined): void {
    // frozen parts are checked once, and not again with every edit
    project.value = next && freeze(next, true)
    if (next) knownGood(next)
    base = project.value
    theirs = undefined
    conflicts.value = []
    history.clear()
    saveState.value = 'saved'
    saveMessage.value = ''
  }

  async function open(id: string): Promise<void> {
    if (project.value?.id === id && state.value === 'open') return
    await flush()
    state.value = 'opening'
    held.value = false
    let loaded: Loaded
    try {
      loaded = await loadProject(id)
    } catch (error) {
      held.value = error instanceof StorageBlocked
      // private windows and locked profiles refuse storage altogether
      const message = held.value
        ? 'does not answer. Nothing was changed. Close other tabs of this page, then try again. Or work without storage and export the project.'
        : `cannot be read: ${error instanceof Error ? error.message : String(error)}. Allow site data for this page, or use another browser or window.`
      loaded = { state: 'broken', problems: [{ path: '', place: "This browser's storage", message }], raw: '', savedAt: '', hasCopy: false }
    }
    if (loaded.state === 'ok') {
      revision = loaded.revision
      reset(loaded.project)
      const marked = isMarked(id)
      const cameBack = await takeBackRescued(id, loaded.savedAt)
      // a page that ended without a word has kept nothing of it, or what it kept names pictures that are gone
      lostAfter.value = !cameBack || (marked && project.value === base) ? loaded.savedAt : ''
      if (lostAfter.value) unmark(id)
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

  /** Opens a project that was read, checked and saved a moment ago. */
  async function adopt(next: Project, at: number): Promise<void> {
    await flush()
    revision = at
    reset(next)
    state.value = 'open'
  }

  /**
   * The last change before the page went away, if it never reached the storage.
   * @returns false: something was kept and cannot be put back
   */
  async function takeBackRescued(id: string, savedAt: string): Promise<boolean> {
    const keeper = browserKeeper()
    const rescued = keeper && takeRescue(id, { revision, savedAt }, keeper)
    if (!rescued) return true
    if (rescued === 'lost') return false
    const read = checkProject(await wholeProject(id, rescued.project))
    if (!read.ok) return false
    if (JSON.stringify(read.project) === JSON.stringify(project.value)) return true
    const stored = project.value!
    if (!rescued.older) {
      project.value = freeze(read.project, true)
      changed()
      return true
    }
    // another tab has saved since: as if it had done so now
    const older = checkProject(await wholeProject(id, rescued.older.base))
    if (!older.ok) return false
    base = freeze(older.project, true)
    project.value = freeze(read.project, true)
    putTogether({ project: stored, revision: revision! })
    return true
  }

  /**
   * Keeps at once what is not saved yet; for the moment in which a page goes away.
   * @returns false: there was no room for it, and going away loses it
   */
  function rescue(): boolean {
    if (!project.value || saveState.value === 'saved') return true
    const keeper = browserKeeper()
    if (!keeper) return false
    const on = { revision, ...(base && { base: lightProject(base) }), ...(underWay === undefined ? {} : { underWay }) }
    return keepRescue(project.value.id, lightProject(toRaw(project.value)), on, keeper)
  }

  /** A page that was about to go away has stayed: what was kept for that moment would come back later as a change of its own. */
  function stay(): void {
    const keeper = browserKeeper()
    if (project.value && keeper) dropRescue(project.value.id, keeper)
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
   * @param options.shows the caller shows the problems itself; else the page does
   */
  function edit(label: string, recipe: (draft: Draft<Project>) => void, options: { gesture?: string; shows?: boolean } = {}): Problem[] {
    if (!project.value) return []
    const [next, forward, back] = produceWithPatches(project.value, recipe)
    if (forward.length === 0) return []
    const found = projectProblems(next)
    if (found.length > 0) {
      if (!options.shows) refused.value = { label, problem: found[0]!, more: found.length - 1 }
      return found
    }
    history.record({ label, gesture: options.gesture, forward, back })
    project.value = next
    changed()
    return []
  }

  function step(next: Project | undefined): void {
    if (!next) return
    project.value = next
    changed()
  }
  const undo = (): void => step(project.value && history.undo(project.value))
  const redo = (): void => step(project.value && history.redo(project.value))

  function changed(): void {
    if (saveState.value === 'conflict') return
    if (project.value) markUnsaved(project.value.id)
    // not after the pause of a save that failed
    if (saveState.value !== 'unsaved') clearTimer()
    saveState.value = 'unsaved'
    timer ??= setTimeout(() => void flush(), SAVE_AFTER_MS)
  }

  function clearTimer(): void {
    clearTimeout(timer)
    timer = undefined
  }

  /** Saves now what waits to be saved. */
  async function flush(): Promise<void> {
    clearTimer()
    // of several that wait for one save the first goes on, and the others wait for it: two saves of one revision would be a conflict
    while (saving) await saving
    if (!project.value || saveState.value === 'saved' || saveState.value === 'conflict') return
    saving = save(project.value)
    await saving
    saving = undefined
  }

  async function save(wanted: Project): Promise<void> {
    // what failed stays said until it is saved
    if (saveState.value === 'unsaved') saveState.value = 'saving'
    const now = new Date()
    underWay = now.toISOString()
    const saved = await saveProject(toRaw(wanted), revision, now)
    underWay = undefined
    if (saved.ok) {
      revision = saved.revision
      base = wanted
      channel?.postMessage({ id: wanted.id, revision })
      if (project.value === wanted) {
        saveState.value = 'saved'
        unmark(wanted.id)
      } else changed()
      return
    }
    saveMessage.value = saved.reason === 'conflict' ? '' : saved.message
    if (saved.reason === 'conflict') await meet()
    else {
      saveState.value = saved.reason
      timer ??= setTimeout(() => void flush(), TRY_AGAIN_AFTER_MS)
    }
  }

  channel?.addEventListener('message', (event: MessageEvent<{ id: string; revision: number }>) => {
    if (!project.value || event.data.id !== project.value.id || event.data.revision === revision) return
    void meet()
  })

  /**
   * Another tab has saved. What it changed is put together with what was changed here; the history stays, with the other
   * tab's change as a step of its own. Where both touched the same place nothing is saved until one is chosen.
   */
  async function meet(): Promise<void> {
    const mine = project.value
    if (!mine) return
    let loaded: Loaded
    try {
      loaded = await loadProject(mine.id)
    } catch (error) {
      saveState.value = 'failed'
      saveMessage.value = `another tab has saved, and that cannot be read: ${error instanceof Error ? error.message : String(error)}`
      return
    }
    // edits that were made meanwhile count as mine
    const now = project.value
    if (!now || now.id !== mine.id) return
    if (loaded.state !== 'ok') {
      saveState.value = 'failed'
      saveMessage.value =
        loaded.state === 'absent'
          ? 'the project is no longer in this browser’s storage: another tab may have deleted it, or the browser cleared it'
          : 'what another tab saved cannot be read'
      return
    }
    if (loaded.revision === revision) return
    putTogether(loaded)
  }

  /** What this tab has and what another one has saved: one project, or places of which one must be chosen. */
  function putTogether(loaded: { project: Project; revision: number }): void {
    const now = project.value!
    const merged = merge(base ?? now, now, loaded.project)
    // two changes that each are good may not go together: then the whole is offered
    if (merged.conflicts.length === 0 && projectProblems(merged.value).length > 0)
      merged.conflicts.push({ path: [], base, mine: now, theirs: loaded.project })
    theirs = { project: loaded.project, revision: loaded.revision }
    if (merged.conflicts.length > 0) {
      conflicts.value = merged.conflicts.map((one) => ({ ...one, place: placeInWords(merged.value, indexPath(merged.value, one.path)) }))
      saveState.value = 'conflict'
      return
    }
    settle(merged.value)
  }

  /** Puts a merged project in place of this tab's, as a step of the history. */
  function settle(next: Project): void {
    if (!project.value || !theirs) return
    const before = project.value
    const mineChanged = before !== base
    revision = theirs.revision
    base = theirs.project
    theirs = undefined
    conflicts.value = []
    const keys = (Object.keys({ ...before, ...next }) as (keyof Project)[]).filter(
      (key) => JSON.stringify(before[key]) !== JSON.stringify(next[key]),
    )
    if (keys.length > 0) {
      const patches = (of: Project): Patch[] => keys.map((key) => ({ op: 'replace', path: [key], value: of[key] }))
      project.value = freeze(next, true)
      history.record({ label: 'change of another tab', gesture: undefined, forward: patches(next), back: patches(before) })
      refreshedAt.value += 1
    }
    saveState.value = 'saved'
    saveMessage.value = ''
    if (mineChanged) changed()
  }

  /** After a conflict: everything of both tabs, and at the places that both changed this tab's or the other's. */
  async function chooseBoth(whose: 'mine' | 'theirs'): Promise<void> {
    if (!project.value || !theirs) return
    const merged = merge(base ?? project.value, project.value, theirs.project)
    const next = whose === 'mine' ? merged.value : choose(merged.value, merged.conflicts)
    // what cannot go together is taken whole from the side that was chosen
    settle(projectProblems(next).length === 0 ? next : whose === 'mine' ? project.value : theirs.project)
    if (whose === 'mine') changed()
    await flush()
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
    current,
    state,
    saveState,
    saveMessage,
    problems,
    raw,
    hasCopy,
    held,
    lostAfter,
    refreshedAt,
    past: history.past,
    future: history.future,
    undoLabel: history.undoLabel,
    redoLabel: history.redoLabel,
    open,
    adopt,
    close,
    edit,
    endGesture: history.endGesture,
    undo,
    redo,
    flush,
    rescue,
    stay,
    conflicts,
    stepped: history.stepped,
    refused,
    chooseBoth,
    keepAsCopy,
  }
})
