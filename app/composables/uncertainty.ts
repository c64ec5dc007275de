import { createSharedComposable } from '@vueuse/core'
import { computed, shallowRef, watch } from 'vue'
import type { Project } from '#core/records/project.ts'
import type { UncertaintyReport } from '#core/uncertainty/uncertainty-report.ts'
import { useProjectStore } from '../stores/project.ts'
import { useReports } from './reports.ts'
import { useWorkbench } from './workbench.ts'
import { latestCall } from './latest-call.ts'

/** What the doubts of all that went in make of the figures of the setup that is looked at: after all else, in the worker. */
export const useUncertainty = createSharedComposable(() => {
  const store = useProjectStore()
  const { setup, report } = useWorkbench()
  const { worker, withErrorReport } = useReports()
  const found = shallowRef<{ project: Project; doubt: UncertaintyReport }>()
  /** Of the project as it is now: a range of other figures is worse than none. */
  const doubt = computed(() =>
    found.value && found.value.project === store.project && found.value.doubt.setupId === setup.value?.id ? found.value.doubt : undefined,
  )
  /** The last of this setup: an order of lists that does not jump while the next is computed. */
  const last = computed(() => (found.value?.doubt.setupId === setup.value?.id ? found.value?.doubt : undefined))
  const begin = latestCall()
  let waits: ReturnType<typeof setTimeout> | undefined
  watch(
    () => [store.project, setup.value?.id, report.value] as const,
    ([project, setupId, now]) => {
      clearTimeout(waits)
      if (!project || !setupId || now?.setupId !== setupId) return
      const isLatest = begin()
      waits = setTimeout(async () => {
        const answer = await withErrorReport('the uncertainty of the results', () => worker().doubts(project, setupId))
        if (isLatest() && answer) found.value = { project, doubt: answer }
      }, AFTER_MS)
    },
    { immediate: true },
  )
  return { doubt, last }
})
/** What a page asks the same worker for comes first. */
const AFTER_MS = 400
