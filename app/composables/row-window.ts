import { useElementSize, useScroll } from '@vueuse/core'
import { computed, type Ref } from 'vue'

/** Up to so many rows a table is drawn whole. */
const FEW = 120
/** Rows beyond the edge that are drawn all the same, so that scrolling shows no gap. */
const BEYOND = 12

/**
 * The rows of a long table that are in sight. Rows are of one height; what stands above and below is room alone.
 *
 * @param scroller the element that scrolls
 * @param count of all rows
 * @param rowPx height of a row
 */
export function useRowWindow(scroller: Ref<HTMLElement | undefined>, count: Ref<number>, rowPx: number) {
  const { y } = useScroll(scroller)
  const { height } = useElementSize(scroller)
  const from = computed(() => (count.value <= FEW ? 0 : Math.min(Math.max(Math.floor(y.value / rowPx) - BEYOND, 0), count.value)))
  const to = computed(() =>
    count.value <= FEW ? count.value : Math.min(Math.ceil((y.value + height.value) / rowPx) + BEYOND, count.value),
  )
  const abovePx = computed(() => from.value * rowPx)
  const belowPx = computed(() => (count.value - to.value) * rowPx)
  /** Brings a row into the window. */
  function reach(row: number): void {
    if (row >= from.value + BEYOND / 2 && row < to.value - BEYOND / 2) return
    scroller.value?.scrollTo({ top: Math.max(row * rowPx - height.value / 2, 0) })
    y.value = scroller.value?.scrollTop ?? 0
  }
  return { from, to, abovePx, belowPx, reach, isWhole: computed(() => count.value <= FEW) }
}
