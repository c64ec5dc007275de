import { createSharedComposable } from '@vueuse/core'
import { onBeforeUnmount, shallowRef } from 'vue'

type Taker = (file: File) => void
const useTaker = createSharedComposable(() => shallowRef<Taker>())

const isPicture = (type: string) => type.startsWith('image/') || type === 'application/pdf'

/** Who takes a picture that is dropped anywhere on the page: the sheet that can trace one, while it is there. */
export function usePictureDrop() {
  const taker = useTaker()
  return {
    /** Takes them from now on, until its component goes. */
    takeWith(take: Taker): void {
      taker.value = take
      onBeforeUnmount(() => {
        if (taker.value === take) taker.value = undefined
      })
    },
    takes: (type: string): boolean => taker.value !== undefined && isPicture(type),
    take: (file: File): void => taker.value?.(file),
  }
}
