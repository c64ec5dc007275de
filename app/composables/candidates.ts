import { computed, shallowRef, watch } from 'vue'
import type { Axle, AxleSlot, HydraulicSlot } from '#core/model/project.ts'
import type { Candidate } from '#core/report/candidates.ts'
import { formatMoney } from '#core/quantity/format.ts'
import { useProjectStore } from '../stores/project.ts'
import { useReports } from './reports.ts'
import { useWorkbench } from './workbench.ts'

const WORDS: Record<Candidate['worst'], string> = {
  blocked: 'does not go',
  unknown: 'not known',
  needs: 'needs something',
  check: 'to be seen',
  fits: 'fits',
}

/** What each part would bring to the setup that is looked at, so that one does not choose blindly. */
export function useCandidates() {
  const store = useProjectStore()
  const { setup } = useWorkbench()
  const { worker } = useReports()
  const found = shallowRef<Candidate[]>([])
  let turn = 0

  watch(
    () => [store.project, setup.value?.id] as const,
    async ([project, setupId]) => {
      if (!project || !setupId) return
      const mine = ++turn
      const next = await worker()
        .candidates(project, setupId)
        .catch(() => [])
      if (mine === turn) found.value = next
    },
    { immediate: true },
  )
  const index = computed(
    () => new Map(found.value.map((one, rank) => [`${one.axle ?? 'hydraulics'}.${one.slot}.${one.partId}`, { ...one, rank }])),
  )
  const of = (axle: Axle | 'hydraulics', slot: AxleSlot | HydraulicSlot, partId: string) => index.value.get(`${axle}.${slot}.${partId}`)
  /** "fits, +95 EUR" */
  function words(axle: Axle | 'hydraulics', slot: AxleSlot | HydraulicSlot, partId: string): string {
    const one = of(axle, slot, partId)
    if (!one) return ''
    const price =
      one.extraMinor === undefined || one.extraMinor === 0
        ? ''
        : `, ${formatMoney(one.extraMinor, store.project!.preferences.currency, { whole: true, signed: true })}`
    return `${WORDS[one.worst]}${price}`
  }
  return { found, of, words }
}
