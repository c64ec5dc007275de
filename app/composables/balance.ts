import { computed, ref, shallowRef, watch } from 'vue'
import { createSharedComposable } from '@vueuse/core'
import type { BalanceReport } from '#core/balance/balance-report.ts'
import type { BoreReport } from '#core/balance/bore-report.ts'
import { withAdjustment, type Adjustment, type AdjustmentReport } from '#core/whatif/adjustments.ts'
import { newId } from './new-id.ts'
import { useProjectStore } from '../stores/project.ts'
import { useReports } from './reports.ts'
import { useWorkbench } from './workbench.ts'
import { latestCall } from './latest-call.ts'

/** The cases, curves, bores and levers of the setup that is looked at, computed in the worker; the latest wins. */
export const useBalance = createSharedComposable(() => {
  const store = useProjectStore()
  const { setup, isStock, chooseSetup } = useWorkbench()
  const { worker, withErrorReport } = useReports()
  const balance = shallowRef<BalanceReport>()
  const stockBalance = shallowRef<BalanceReport>()
  const bores = shallowRef<BoreReport>()
  const levers = shallowRef<AdjustmentReport>()
  const engine = ref(false)
  const downforce = ref(false)
  const withoutBooster = ref(false)
  const mostForceN = ref<number>()
  const begin = latestCall()

  const asked = computed(
    () => [store.project, setup.value?.id, engine.value, downforce.value, withoutBooster.value, mostForceN.value] as const,
  )
  watch(
    asked,
    async ([project, setupId]) => {
      if (!project || !setupId) return
      const isLatest = begin()
      const options = { engine: engine.value, downforce: downforce.value }
      const decelG = project.preferences.referenceDecelG
      const boring = {
        decelG,
        withoutBooster: withoutBooster.value,
        ...(mostForceN.value === undefined ? {} : { mostForceN: mostForceN.value }),
      }
      // one that fails leaves the others
      const [found, stock, table, advice] = await Promise.all([
        withErrorReport('the balance', () => worker().balance(project, setupId, options)),
        withErrorReport('the balance of the baseline', () => worker().balance(project, project.setups[0].id, options)),
        withErrorReport('the bores', () => worker().bores(project, setupId, boring)),
        withErrorReport('the changes that would help', () => worker().levers(project, setupId)),
      ])
      if (!isLatest()) return
      balance.value = found
      stockBalance.value = stock
      bores.value = table
      levers.value = advice
    },
    { immediate: true },
  )

  /** A lever put where it was offered, in a new setup beside this one. */
  async function apply(advice: Adjustment, offer: Adjustment['offers'][number]): Promise<void> {
    const from = setup.value
    if (!from) return
    const id = newId()
    const name = `${from.name}, ${offer.name}`.slice(0, 120)
    store.edit(`Apply: ${advice.label.toLowerCase()}`, (draft) => {
      const base = isStock.value ? { id, name, front: {}, rear: {}, hydraulics: {}, extras: [] } : from
      const at = draft.setups.findIndex((one) => one.id === from.id)
      draft.setups.splice(at + 1, 0, withAdjustment(store.current, base, offer.change, id, name))
    })
    await chooseSetup(id)
  }
  return { balance, stockBalance, bores, levers, engine, downforce, withoutBooster, mostForceN, apply }
})
