import type { Options, SortableEvent } from 'sortablejs'
import { onScopeDispose, watch, type Ref } from 'vue'
import { whenIdle } from './idle.ts'
import { latestCall } from './latest-call.ts'

/** By touch a row is taken after a moment, so that a finger can still scroll; the look of what is dragged is in the theme. */
const HABITS: Options = {
  animation: 120,
  delay: 180,
  delayOnTouchOnly: true,
  touchStartThreshold: 6,
  // the same way by mouse, touch and pen
  forceFallback: true,
  fallbackOnBody: true,
  fallbackTolerance: 4,
  ghostClass: 'drag-ghost',
  dragClass: 'drag-held',
}

/**
 * A list whose entries are dragged by mouse or touch. The package only says what was dragged where: the element is put
 * back where it was, and the page follows from the data. There is a way by keys beside every use of it.
 *
 * @param host the element that holds the entries; it may come and go
 */
export function useSortable(host: Ref<HTMLElement | null | undefined>, options: Options): void {
  let stop: (() => void) | undefined
  const begin = latestCall()
  watch(
    host,
    async (element) => {
      stop?.()
      stop = undefined
      if (!element) return
      const isLatest = begin()
      await handNear(element)
      const { default: Sortable } = await import('sortablejs')
      if (!isLatest() || !element.isConnected) return
      const made = Sortable.create(element, { ...HABITS, ...options })
      // from now on a press on an entry begins to drag it
      element.dataset.sortable = 'ready'
      stop = () => {
        delete element.dataset.sortable
        made.destroy()
      }
    },
    { immediate: true, flush: 'post' },
  )
  onScopeDispose(() => stop?.())
}

/** The package loads when a hand comes near what can be dragged, or in an idle moment before: never before the page. */
const handNear = (element: HTMLElement): Promise<void> =>
  new Promise((near) => {
    for (const sign of ['pointerover', 'touchstart', 'focusin'] as const)
      element.addEventListener(sign, () => near(), { once: true, passive: true })
    whenIdle(near)
  })

/** Puts a dragged element back where it was, and says from which to which of the entries it was meant to go. */
export function putBack({ item, from, oldIndex, oldDraggableIndex, newDraggableIndex }: SortableEvent): { from: number; to: number } {
  item.remove()
  from.insertBefore(item, from.children[oldIndex!] ?? null)
  return { from: oldDraggableIndex!, to: newDraggableIndex! }
}

/**
 * A list with one entry in another place.
 *
 * @example moved(['a', 'b', 'c'], 0, 2) // ['b', 'c', 'a']
 */
export function moved<T>(list: readonly T[], from: number, to: number): T[] {
  const all = [...list]
  all.splice(to, 0, ...all.splice(from, 1))
  return all
}
