import { computed, shallowRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { HeatReport } from '#core/report/heat/heat-report.ts'
import type { PadTry } from '#core/report/heat/heat-pads.ts'
import { DUTIES } from '#core/report/heat/duties.ts'
import { useProjectStore } from '../stores/project.ts'
import { useReports } from './reports.ts'
import { useWorkbench } from './workbench.ts'

/** The session of the setup that is looked at, over the duty that the address names; computed in the worker, the latest wins. */
export function useHeat() {
  const store = useProjectStore()
  const route = useRoute()
  const router = useRouter()
  const { setup } = useWorkbench()
  const { worker, said } = useReports()
  const heat = shallowRef<HeatReport>()
  const pads = shallowRef<PadTry[]>([])
  const working = shallowRef(false)
  const duty = computed(() => DUTIES.find((one) => one.id === route.query.duty) ?? DUTIES[0]!)
  const chooseDuty = (id: string) => router.replace({ path: route.path, query: { ...route.query, duty: id } })
  let turn = 0
  watch(
    () => [store.project, setup.value?.id, duty.value.id] as const,
    async ([project, setupId, dutyId]) => {
      if (!project || !setupId) return
      const mine = ++turn
      working.value = true
      const found = await said('the heat', () => worker().heat(project, setupId, dutyId))
      if (mine !== turn) return
      heat.value = found
      // the answer first, then what else could be put in
      const tried = await said('other pads over this driving', () => worker().pads(project, setupId, dutyId))
      if (mine !== turn) return
      pads.value = tried ?? []
      working.value = false
    },
    { immediate: true },
  )
  return { heat, pads, working, duty, chooseDuty, duties: DUTIES }
}
