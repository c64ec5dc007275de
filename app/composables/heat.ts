import { computed, shallowRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { createSharedComposable } from '@vueuse/core'
import type { HeatBrief } from '#core/report/heat/heat-brief.ts'
import type { HeatLevers } from '#core/report/heat/heat-levers.ts'
import type { HeatReport } from '#core/report/heat/heat-report.ts'
import { dutiesOf, dutyFor } from '#core/report/heat/duties.ts'
import type { Project } from '#core/model/project.ts'
import type { Figures } from '../workers/figures.ts'
import { useProjectStore } from '../stores/project.ts'
import { useReports } from './reports.ts'
import { useWorkbench } from './workbench.ts'

/** The driving that is asked about: the one the address names, else the one chosen, else what the car is used for. */
export function useDuty() {
  const store = useProjectStore()
  const route = useRoute()
  const router = useRouter()
  const duties = computed(() => (store.project ? dutiesOf(store.project) : []))
  const duty = computed(() => {
    const wanted = route.query.duty
    return store.project && dutyFor(store.project, typeof wanted === 'string' ? wanted : undefined)
  })
  /** Chosen for the project: the ledger speaks of it too. */
  function chooseDuty(id: string) {
    store.edit('Choose the driving', (draft) => void (draft.preferences.duty = id))
    if (route.query.duty !== undefined) void router.replace({ path: route.path, query: { ...route.query, duty: undefined } })
  }
  return { duties, duty, chooseDuty }
}

/** Something computed of the setup that is looked at over the driving chosen, in the worker; the latest wins. */
function useOverDuty<T>(what: string, compute: (of: Figures, project: Project, setupId: string, dutyId: string) => Promise<T>) {
  const store = useProjectStore()
  const { setup } = useWorkbench()
  const { worker, said } = useReports()
  const { duty, duties, chooseDuty } = useDuty()
  const found = shallowRef<T>()
  const working = shallowRef(false)
  let turn = 0
  watch(
    () => [store.project, setup.value?.id, duty.value?.id] as const,
    async ([project, setupId, dutyId]) => {
      if (!project || !setupId || !dutyId) return
      const mine = ++turn
      working.value = true
      const answer = await said(what, () => compute(worker(), project, setupId, dutyId))
      if (mine !== turn) return
      found.value = answer
      working.value = false
    },
    { immediate: true },
  )
  return { found, working, duty, chooseDuty, duties }
}

/** The session. */
export function useHeat() {
  const { found: heat, ...rest } = useOverDuty<HeatReport>('the heat', (of, ...asked) => of.heat(...asked))
  return { heat, ...rest }
}
/** What would help, each tried; asked for only where it is shown. */
export function useHeatLevers() {
  const { found: levers, working } = useOverDuty<HeatLevers>('what would help against heat', (of, ...asked) => of.heatLevers(...asked))
  return { levers, working }
}

/** The session in a few words, of the setup that is looked at and of the car as it stands: for the ledger, after all else. */
export const useHeatBriefs = createSharedComposable(() => {
  const store = useProjectStore()
  const { setup, report } = useWorkbench()
  const { worker, said } = useReports()
  const briefs = shallowRef<{ setupId: string; here: HeatBrief; stock: HeatBrief }>()
  let turn = 0
  let waits: ReturnType<typeof setTimeout> | undefined
  watch(
    // the figures come first, and a hand that moves something is not waited for
    () => [store.project, setup.value?.id, report.value] as const,
    ([project, setupId]) => {
      clearTimeout(waits)
      if (briefs.value?.setupId !== setupId) briefs.value = undefined
      if (!project || !setupId) return
      const mine = ++turn
      waits = setTimeout(async () => {
        const found = await said('the heat in the ledger', () => worker().heatBriefs(project, setupId))
        if (mine === turn && found) briefs.value = { setupId, ...found }
      }, AFTER_MS)
    },
    { immediate: true },
  )
  return { briefs }
})
const AFTER_MS = 120
