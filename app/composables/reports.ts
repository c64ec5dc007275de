import { wrap, type Remote } from 'comlink'
import { createSharedComposable } from '@vueuse/core'
import { computed, ref, shallowRef, watch } from 'vue'
import type { Project } from '#core/model/project.ts'
import type { Report } from '#core/report/types.ts'
import { useProjectStore } from '../stores/project.ts'
import type { EvaluateApi } from '../workers/evaluate.worker.ts'

/**
 * The reports of the open project, computed in a worker. The latest change wins: while one is being
 * computed only the newest waits, and answers for older ones are dropped.
 */
export const useReports = createSharedComposable(() => {
  const store = useProjectStore()
  const reports = shallowRef<Report[]>([])
  const trouble = ref('')
  let remote: Remote<EvaluateApi> | undefined
  let busy = false
  let waiting: Project | undefined

  const start = () => wrap<EvaluateApi>(new Worker(new URL('../workers/evaluate.worker.ts', import.meta.url), { type: 'module' }))

  async function run(project: Project): Promise<void> {
    if (busy) {
      waiting = project
      return
    }
    busy = true
    try {
      remote ??= start()
      const found = await remote.reports(project)
      if (store.project?.id === project.id) reports.value = found
      trouble.value = ''
    } catch (error) {
      trouble.value = `The figures could not be computed: ${error instanceof Error ? error.message : String(error)}. The last ones are shown; export the project and report this.`
    } finally {
      busy = false
      const next = waiting
      waiting = undefined
      if (next) void run(next)
    }
  }

  watch(
    () => store.project,
    (project) => {
      if (project) void run(project)
      else reports.value = []
    },
    { immediate: true },
  )

  return { reports, stock: computed(() => reports.value[0]), trouble }
})
