import { shallowRef, watch, type Ref } from 'vue'
import type { HeatBrief } from '#core/heat/heat-brief.ts'
import { useProjectStore } from '../stores/project.ts'
import { useCycle } from './heat.ts'
import { latestCall } from './latest-call.ts'
import { useReports } from './reports.ts'

/**
 * What takes longer than the reports and is needed of every setup before one of them is advised: the session, then the
 * probability of the lock-up order. Both are empty for a project that has changed, until they are computed anew.
 *
 * @param isWanted nothing is computed while it is false
 */
export function useJudgedSetups(isWanted: () => boolean = () => true): {
  heats: Readonly<Ref<Record<string, HeatBrief>>>
  orders: Readonly<Ref<Record<string, number | undefined>>>
} {
  const store = useProjectStore()
  const { worker, withErrorReport } = useReports()
  const { duty } = useCycle()
  const heats = shallowRef<Record<string, HeatBrief>>({})
  const orders = shallowRef<Record<string, number | undefined>>({})
  const begin = latestCall()
  watch(
    () => [store.project, duty.value?.id, isWanted()] as const,
    async ([project, , wanted]) => {
      const isLatest = begin()
      heats.value = {}
      orders.value = {}
      if (!project || !wanted) return
      const found = await withErrorReport('the session of all setups', () => worker().heatOfAll(project))
      if (!isLatest() || !found) return
      heats.value = found
      for (const { id } of project.setups) {
        const answer = await withErrorReport('the lock-up order of all setups', () => worker().doubts(project, id))
        if (!isLatest()) return
        orders.value = { ...orders.value, [id]: answer?.frontFirstOf100 }
      }
    },
    { immediate: true },
  )
  return { heats, orders }
}
