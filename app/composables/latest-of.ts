import { shallowRef, watch, type ShallowRef } from 'vue'
import type { Project } from '#core/model/project.ts'
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
): Readonly<ShallowRef<T>> {
  const store = useProjectStore()
  const { setup } = useWorkbench()
  const { said } = useReports()
  const found = shallowRef(nothing) as ShallowRef<T>
  let turn = 0
  watch(
    () => [store.project, setup.value?.id] as const,
    async ([project, setupId]) => {
      if (!project || !setupId) return
      const mine = ++turn
      const next = await said(what, () => compute(project, setupId))
      if (mine === turn) found.value = next === undefined ? nothing : next
    },
    { immediate: true },
  )
  return found
}
