import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import { blankProject } from '#core/records/blank.ts'
import type { Project } from '#core/records/project.ts'
import type { QuestionId } from '#core/records/start-question.ts'
import { newId } from '../composables/new-id.ts'
import { isKept, listProjects, removeProject, saveProject, type ShelfEntry } from '../storage/projects.ts'

export const DEMO_ID = 'larkrise-club-hatch'

/** The list of projects in this browser. */
export const useShelfStore = defineStore('shelf', () => {
  const entries = shallowRef<ShelfEntry[]>([])
  const loaded = ref(false)
  /** Why the list cannot be read; empty: it can. */
  const trouble = ref('')

  async function refresh(): Promise<void> {
    trouble.value = ''
    try {
      entries.value = await listProjects()
      loaded.value = true
    } catch (error) {
      trouble.value = error instanceof Error ? error.message : String(error)
    }
  }

  /** Puts a project that is new here on the shelf; a taken id gets a new one. Returns the id it has, or why not. */
  async function add(project: Project): Promise<{ id: string; project: Project; revision: number } | { message: string }> {
    const taken = await isKept(project.id).catch((error: Error) => error)
    if (taken instanceof Error) return { message: storageTrouble('failed', taken.message) }
    const own = taken ? { ...project, id: newId() } : project
    const saved = await saveProject(own, undefined, new Date())
    if (saved.ok) return { id: own.id, project: own, revision: saved.revision }
    return {
      message:
        saved.reason === 'conflict'
          ? 'Another tab has just saved a project with this id. Try again.'
          : storageTrouble(saved.reason, saved.message),
    }
  }

  const addBlank = (name: string) => add(blankProject(newId(), name))

  /** A project that is begun with a question; returns its id and the setup that the question is about. */
  async function addQuestion(question: QuestionId): Promise<{ id: string; setupId: string } | { message: string }> {
    const [{ produce }, { beginQuestion }] = await Promise.all([import('immer'), import('#core/commands/begin.ts')])
    let setupId = ''
    const added = await add(produce(blankProject(newId(), 'My car'), (draft) => void (setupId = beginQuestion(draft, question))))
    return 'message' in added ? added : { id: added.id, setupId }
  }

  /** The demo, put on the shelf when it is not there. */
  async function addDemo(): Promise<{ id: string } | { message: string }> {
    const there = await isKept(DEMO_ID).catch((error: Error) => error)
    if (there instanceof Error) return { message: storageTrouble('failed', there.message) }
    if (there) return { id: DEMO_ID }
    const { DEMO_PROJECT } = await import('#core/demo/project.ts')
    const saved = await saveProject(DEMO_PROJECT, undefined, new Date())
    // another tab that has just put it there has done what was asked for
    return saved.ok || saved.reason === 'conflict' ? { id: DEMO_ID } : { message: storageTrouble(saved.reason, saved.message) }
  }

  async function remove(id: string): Promise<void> {
    await removeProject(id)
    await refresh()
  }

  return { entries, loaded, trouble, refresh, add, addBlank, addQuestion, addDemo, remove }
})

/** What to do when the browser does not take a save. */
export function storageTrouble(reason: 'full' | 'failed', message: string): string {
  return reason === 'full'
    ? 'This browser’s storage is full. Export the project to a file, then delete projects you no longer need.'
    : `This browser did not save (${message}). Export the project to a file, so that nothing is lost.`
}
