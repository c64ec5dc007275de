import { shallowRef } from 'vue'

/** The help that is shown: one tooltip for all marks, because a form has sixty of them. */
const at = shallowRef<{ mark: HTMLElement; text: string }>()

export const useHelp = () => ({
  at,
  show: (mark: HTMLElement, text: string) => void (at.value = { mark, text }),
  hide: () => void (at.value = undefined),
})
