import { useElementSize, type MaybeComputedElementRef } from '@vueuse/core'
import { computed, type ComputedRef } from 'vue'

/** Width to draw a chart at, px: what the page offers, up to the most given, so that its words keep their size on a phone. */
export function useChartWidth(chart: MaybeComputedElementRef, mostPx: number): ComputedRef<number> {
  const { width } = useElementSize(chart)
  return computed(() => (width.value > 0 ? Math.min(mostPx, Math.max(280, width.value)) : mostPx))
}
