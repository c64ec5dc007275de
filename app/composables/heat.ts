import { computed, shallowRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { createSharedComposable } from '@vueuse/core'
import { proxy } from 'comlink'
import type { HeatBrief } from '#core/heat/heat-brief.ts'
import type { HeatAdjustments } from '#core/heat/heat-adjustments.ts'
import type { HeatReport } from '#core/heat/heat-report.ts'
import { cyclesOf, cycleFor } from '#core/heat/drive-cycles.ts'
import type { Project } from '#core/records/project.ts'
import type { Onward } from '../workers/evaluate.worker.ts'
import type { WorkerFigures } from '../workers/figures.ts'
import { useProjectStore } from '../stores/project.ts'
import { useReports } from './reports.ts'
import { useWorkbench } from './workbench.ts'
import { latestCall } from './latest-call.ts'

/** The driving that is asked about: the one the address names, else the one chosen, else what the car is used for. */
export function useCycle() {
  const store = useProjectStore()
  const route = useRoute()
  const router = useRouter()
  const duties = computed(() => (store.project ? cyclesOf(store.project) : []))
  const duty = computed(() => {
    const wanted = route.query.duty
    return store.project && cycleFor(store.project, typeof wanted === 'string' ? wanted : undefined)
  })
  /** Chosen for the project: the key figures speaks of it too. */
  function chooseDuty(id: string) {
    store.edit('Choose the session', (draft) => void (draft.preferences.duty = id))
    if (route.query.duty !== undefined) void router.replace({ path: route.path, query: { ...route.query, duty: undefined } })
  }
  return { duties, duty, chooseDuty }
}

/** Something computed of the setup that is looked at over the driving chosen, in the worker; the latest wins. */
function useOverDuty<T>(
  what: string,
  compute: (of: WorkerFigures, project: Project, setupId: string, dutyId: string, onward: Onward) => Promise<T | undefined>,
) {
  const store = useProjectStore()
  const { setup } = useWorkbench()
  const { worker, withErrorReport } = useReports()
  const { duty, duties, chooseDuty } = useCycle()
  const found = shallowRef<T>()
  const working = shallowRef(false)
  /** Share that is done of what is being computed, 0 to 1. */
  const share = shallowRef(0)
  const stopped = shallowRef(false)
  const begin = latestCall()
  async function run(): Promise<void> {
    const [project, setupId, dutyId] = [store.project, setup.value?.id, duty.value?.id]
    if (!project || !setupId || !dutyId) return
    const isLatest = begin()
    const onward = (done: number) => {
      if (isLatest()) share.value = done
      return isLatest()
    }
    working.value = true
    stopped.value = false
    share.value = 0
    const answer = await withErrorReport(what, () => compute(worker(), project, setupId, dutyId, onward))
    if (!isLatest()) return
    found.value = answer
    working.value = false
  }
  /** Ends what is being computed; it can be begun again. */
  function stop(): void {
    begin()
    working.value = false
    stopped.value = true
    found.value = undefined
  }
  watch(() => [store.project, setup.value?.id, duty.value?.id], run, { immediate: true })
  return { found, working, share, stopped, begin: run, stop, duty, chooseDuty, duties }
}

/** The session. */
export function useHeat() {
  const { found: heat, ...rest } = useOverDuty<HeatReport>('the heat', (of, project, setupId, dutyId) => of.heat(project, setupId, dutyId))
  return { heat, ...rest }
}
/** What would help, each tried; asked for only where it is shown. */
export function useHeatLevers() {
  const { found: levers, ...rest } = useOverDuty<HeatAdjustments>('what would help against heat', (of, project, setupId, dutyId, onward) =>
    of.heatLevers(project, setupId, dutyId, proxy(onward)),
  )
  return { levers, ...rest }
}

/** The session in a few words, of the setup that is looked at and of the car as it stands: for the key figures, after all else. */
export const useHeatBriefs = createSharedComposable(() => {
  const store = useProjectStore()
  const { setup, report } = useWorkbench()
  const { worker, withErrorReport } = useReports()
  const briefs = shallowRef<{ setupId: string; here: HeatBrief; stock: HeatBrief }>()
  const begin = latestCall()
  let waits: ReturnType<typeof setTimeout> | undefined
  watch(
    // the figures come first, and a hand that moves something is not waited for
    () => [store.project, setup.value?.id, report.value] as const,
    ([project, setupId]) => {
      clearTimeout(waits)
      if (briefs.value?.setupId !== setupId) briefs.value = undefined
      if (!project || !setupId) return
      const isLatest = begin()
      waits = setTimeout(async () => {
        const found = await withErrorReport('the heat in the key figures', () => worker().heatBriefs(project, setupId))
        if (isLatest() && found) briefs.value = { setupId, ...found }
      }, AFTER_MS)
    },
    { immediate: true },
  )
  return { briefs }
})
const AFTER_MS = 120
