/** One place that takes one of several. */
export interface JoinSlot<O> {
  name: string
  options: readonly O[]
}

interface JoinOptions<O> {
  /** Whether what was chosen last goes with all before; `chosen` is filled up to it. */
  goes: (chosen: readonly O[]) => boolean
  /** Cuts a branch that cannot lead to anything wanted, goes together or not. */
  cut?: (chosen: readonly O[]) => boolean
  /** Each whole combination; `chosen` is used again for the next. */
  each: (chosen: readonly O[]) => void
}

/**
 * Every combination whose members go together, slot by slot: a branch ends where two do not (depth-first search with
 * forward pruning; D. Knuth, The Art of Computer Programming 4B, 7.2.2). Nothing is sampled.
 *
 * @example
 * countJoined([{ name: 'a', options: [1, 2, 3] }, { name: 'b', options: [1, 2] }], ([a, b]) => b === undefined || a !== b) // => 4
 */
export function join<O>(slots: readonly JoinSlot<O>[], { goes, cut, each }: JoinOptions<O>): void {
  const chosen: O[] = []
  const fill = (depth: number): void => {
    const slot = slots[depth]
    if (!slot) {
      each(chosen)
      return
    }
    for (const option of slot.options) {
      chosen.push(option)
      if (goes(chosen) && !cut?.(chosen)) fill(depth + 1)
      chosen.pop()
    }
  }
  fill(0)
}

export function countJoined<O>(slots: readonly JoinSlot<O>[], goes: (chosen: readonly O[]) => boolean): number {
  let count = 0
  join(slots, { goes, each: () => (count += 1) })
  return count
}

/** How many combinations there are, whether they go together or not. */
export const combinations = (slots: readonly JoinSlot<unknown>[]): number =>
  slots.reduce((product, { options }) => product * options.length, 1)
