import { browserKeeper } from './keeper.ts'

/**
 * A mark in the small store from the first change that is not saved until it is: a page that ends in between without a chance to
 * keep anything is found out at the next opening.
 */
const keyOf = (id: string) => `valiant-caliper/unsaved/${id}`

export function markUnsaved(id: string): void {
  try {
    browserKeeper()?.setItem(keyOf(id), '1')
  } catch {
    // a small store that is full marks nothing
  }
}
export const unmark = (id: string): void => browserKeeper()?.removeItem(keyOf(id))
export const isMarked = (id: string): boolean => browserKeeper()?.getItem(keyOf(id)) === '1'
