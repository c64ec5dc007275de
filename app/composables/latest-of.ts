import { shallowRef, watch, type ShallowRef } from 'vue'
import type { Project } from '#core/records/project.ts'
import { useProjectStore } from '../stores/project.ts'
import { useReports } from './reports.ts'
import { useWorkbench } from './workbench.ts'

/**
 * What is computed of the setup that is looked at, whenever it or the project changes. The last answer stands while the
 * next is computed, only the latest counts, and one that fails leaves nothing, which is said at the head of the page.
 *
 * @param what is computed, in words: "the parts that bolt on"
 */
export function useLatestOf<T>(
  what: string,
  nothing: T,
  compute: (project: Project, setupId: string) => Promise<T>,
): { found: Readonly<ShallowRef<T>>; working: Readonly<ShallowRef<boolean>> } {
  const store = useProjectStore()
  const { setup } = useWorkbench()
  const { withErrorReport } = useReports()
  const found = shallowRef(nothing) as ShallowRef<T>
  const working = shallowRef(false)
  let next: (() => Promise<void>) | undefined
  /** One at a time; of what comes meanwhile only the newest. */
  async function run(work: () => Promise<void>): Promise<void> {
    next = work
    if (working.value) return
    working.value = true
    while (next) {
      const mine = next
      next = undefined
      await mine()
    }
    working.value = false
  }
  watch(
    () => [store.project, setup.value?.id] as const,
    ([project, setupId]) => {
      if (!project || !setupId) return
      void run(async () => {
        const answer = await withErrorReport(what, () => compute(project, setupId))
        if (next === undefined) found.value = answer === undefined ? nothing : answer
      })
    },
    { immediate: true },
  )
  return { found, working }
}
