import { shallowRef, watch, type ShallowRef } from 'vue'
import type { Project } from '#core/model/project.ts'
import { useProjectStore } from '../stores/project.ts'
import { useWorkbench } from './workbench.ts'

/**
 * What is computed of the setup that is looked at, whenever it or the project changes. The last answer stands while the
 * next is computed, only the latest counts, and one that fails leaves what stands for nothing.
 */
export function useLatestOf<T>(nothing: T, compute: (project: Project, setupId: string) => Promise<T>): Readonly<ShallowRef<T>> {
  const store = useProjectStore()
  const { setup } = useWorkbench()
  const found = shallowRef(nothing) as ShallowRef<T>
  let turn = 0
  watch(
    () => [store.project, setup.value?.id] as const,
    async ([project, setupId]) => {
      if (!project || !setupId) return
      const mine = ++turn
      const next = await compute(project, setupId).catch(() => nothing)
      if (mine === turn) found.value = next
    },
    { immediate: true },
  )
  return found
}
