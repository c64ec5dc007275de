import { applyPatches, enablePatches, type Patch } from 'immer'
import { computed, shallowRef } from 'vue'
import { indexPath } from '#core/commands/merge.ts'
import { entryAt, placeInWords } from '#core/records/place.ts'
import type { Project } from '#core/records/project.ts'
import type { EntryPlace } from '#core/records/question.ts'

enablePatches()

/** A change of the project that can be taken back and made again. */
interface HistoryStep {
  label: string
  /** Edits of one gesture share a key and become one step. */
  gesture: string | undefined
  forward: Patch[]
  back: Patch[]
}

const MOST_STEPS = 500

/** The undo history of one open project, as patches. It knows no storage; the store puts its results in place. */
export function projectHistory() {
  const past = shallowRef<HistoryStep[]>([])
  const future = shallowRef<HistoryStep[]>([])
  /** The last step that was undone or made again, for the page to name. */
  const stepped = shallowRef<{ back: boolean; label: string; place: string; at: EntryPlace | undefined }>()
  let gesture: string | undefined

  function clear(): void {
    past.value = []
    future.value = []
    gesture = undefined
  }
  const endGesture = (): void => {
    gesture = undefined
  }
  /** A change that was made: a step of its own, or more of the last one where both belong to one gesture. */
  function record(step: HistoryStep): void {
    const last = past.value[past.value.length - 1]
    const goesOn = step.gesture !== undefined && step.gesture === gesture && last?.gesture === gesture
    past.value = goesOn
      ? [...past.value.slice(0, -1), { ...last, forward: [...last.forward, ...step.forward], back: [...step.back, ...last.back] }]
      : [...past.value, step].slice(-MOST_STEPS)
    gesture = step.gesture
    future.value = []
  }
  /** The project before its last step; undefined: there is none. */
  function undo(project: Project): Project | undefined {
    const step = past.value[past.value.length - 1]
    if (!step) return undefined
    past.value = past.value.slice(0, -1)
    future.value = [...future.value, step]
    return put(project, step, true)
  }
  /** The project with the step that was undone last; undefined: there is none. */
  function redo(project: Project): Project | undefined {
    const step = future.value[future.value.length - 1]
    if (!step) return undefined
    future.value = future.value.slice(0, -1)
    past.value = [...past.value, step]
    return put(project, step, false)
  }
  function put(project: Project, step: HistoryStep, back: boolean): Project {
    gesture = undefined
    const patches = back ? step.back : step.forward
    const next = applyPatches(project, patches)
    const [patch] = patches
    // of the first of its places that is still there
    const place = patch ? placeInWords(next, indexPath(undefined, patch.path)) : ''
    stepped.value = { back, label: step.label, place, at: patch && entryAt(next, patch.path) }
    return next
  }

  const undoLabel = computed(() => past.value[past.value.length - 1]?.label)
  const redoLabel = computed(() => future.value[future.value.length - 1]?.label)
  return { past, future, stepped, undoLabel, redoLabel, clear, endGesture, record, undo, redo }
}
