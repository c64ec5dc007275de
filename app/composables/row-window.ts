import { useElementSize, useEventListener } from '@vueuse/core'
import { computed, ref, type Ref } from 'vue'

/** Up to so many rows a table is drawn whole. */
const FEW = 120
/** Rows beyond the edge that are drawn all the same, so that scrolling shows no gap. */
const BEYOND = 12

/**
 * The rows of a long table that are in sight. Rows are of one height; what stands above and below is room alone.
 *
 * @param scroller the element that scrolls; with `overflow-anchor: none`, for the room above changes while it does
 * @param count of all rows
 * @param rowPx height of a row
 * @param held a row that stays drawn wherever one scrolls: it has the focus
 */
export function useRowWindow(scroller: Ref<HTMLElement | undefined>, count: Ref<number>, rowPx: number, held: () => number) {
  const y = ref(0)
  const look = () => (y.value = scroller.value?.scrollTop ?? 0)
  useEventListener(scroller, 'scroll', look, { passive: true })
  const { height } = useElementSize(scroller)
  const from = computed(() => (count.value <= FEW ? 0 : Math.min(Math.max(Math.floor(y.value / rowPx) - BEYOND, 0), count.value)))
  const to = computed(() =>
    count.value <= FEW ? count.value : Math.min(Math.ceil((y.value + height.value) / rowPx) + BEYOND, count.value),
  )
  /** Rows to draw, and the room of those that are not, from the top. */
  const drawn = computed(() => {
    const rows = new Set(Array.from({ length: Math.max(to.value - from.value, 0) }, (_, i) => from.value + i))
    if (held() < count.value) rows.add(held())
    const out: ({ row: number } | { roomPx: number; at: number })[] = []
    let next = 0
    const room = (until: number) => until > next && out.push({ roomPx: (until - next) * rowPx, at: next })
    for (const row of [...rows].sort((a, b) => a - b)) {
      room(row)
      out.push({ row })
      next = row + 1
    }
    room(count.value)
    return out
  })
  /** Brings a row into the window. */
  function reach(row: number): void {
    const above = from.value === 0 || row >= from.value + BEYOND / 2
    const below = to.value === count.value || row < to.value - BEYOND / 2
    if (above && below) return
    scroller.value?.scrollTo({ top: Math.max(row * rowPx - height.value / 2, 0) })
    // at once: the row must be there for the focus
    look()
  }
  return { drawn, reach, isWhole: computed(() => count.value <= FEW) }
}
