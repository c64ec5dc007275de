import { computed } from 'vue'
import type { Axle } from '#core/quantity/axle.ts'
import type { AxleSlot, HydraulicSlot } from '#core/records/setup.ts'
import type { Candidate } from '#core/whatif/candidates.ts'
import { formatMoney } from '#core/quantity/format.ts'
import { FINDING_SHORT } from '#core/figures/words.ts'
import { useProjectStore } from '../stores/project.ts'
import { useLatestOf } from './latest-of.ts'
import { useReports } from './reports.ts'

/** What each part would bring to the setup that is looked at, so that one does not choose blindly. */
export function useCandidates() {
  const store = useProjectStore()
  const { worker } = useReports()
  const { found, working } = useLatestOf<Candidate[]>('the parts that bolt on', [], (project, setupId) =>
    worker().candidates(project, setupId),
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
        : `, ${formatMoney(one.extraMinor, store.current.preferences.currency, { whole: true, signed: true })}`
    return `${FINDING_SHORT[one.worst]}${price}`
  }
  return { found, working, of, words }
}
