import { createSharedComposable } from '@vueuse/core'
import { shallowRef, watch } from 'vue'
import type { DoubtReport } from '#core/report/doubt/doubt-report.ts'
import { useProjectStore } from '../stores/project.ts'
import { useReports } from './reports.ts'
import { useWorkbench } from './workbench.ts'

/** What the doubts of all that went in make of the figures of the setup that is looked at: after all else, in the worker. */
export const useDoubts = createSharedComposable(() => {
  const store = useProjectStore()
  const { setup, report } = useWorkbench()
  const { worker, said } = useReports()
  const doubt = shallowRef<DoubtReport>()
  let turn = 0
  let waits: ReturnType<typeof setTimeout> | undefined
  watch(
    () => [store.project, setup.value?.id, report.value] as const,
    ([project, setupId, now]) => {
      clearTimeout(waits)
      // a range of other figures is worse than none
      if (doubt.value?.setupId !== setupId) doubt.value = undefined
      if (!project || !setupId || now?.setupId !== setupId) return
      const mine = ++turn
      waits = setTimeout(async () => {
        const found = await said('how sure the figures are', () => worker().doubts(project, setupId))
        if (mine === turn && found) doubt.value = found
      }, AFTER_MS)
    },
    { immediate: true },
  )
  return { doubt }
})
/** What a page asks the same worker for comes first. */
const AFTER_MS = 400
