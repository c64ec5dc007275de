import { customRef } from 'vue'
import { browserKeeper } from '../storage/keeper.ts'

const KEY = 'valiant-caliper-tour'

/** Whether the tour of the bench was seen in this browser: it is not shown again unless asked for. */
export const tourSeen = customRef<boolean>(() => ({
  get: () => browserKeeper()?.getItem(KEY) === 'seen',
  set(value) {
    try {
      if (value) browserKeeper()?.setItem(KEY, 'seen')
    } catch {
      // a browser without room shows it once more
    }
  },
}))
