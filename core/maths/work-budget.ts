/**
 * How much looking a question may cost, counted in pairs of boxes and not in time: the same project gets the same
 * answer on every machine. Whoever runs out says so, and says less.
 */
export class WorkBudget {
  constructor(public left: number) {}

  /** @throws TooMuch when nothing is left */
  spend(count = 1): void {
    this.left -= count
    if (this.left < 0) throw new OverBudget()
  }
}

/** An answer would have cost more than it may. */
export class OverBudget extends Error {
  constructor() {
    super('the outlines have too many points in each other’s way')
    this.name = 'TooMuch'
  }
}

/**
 * The answer of some work, where it costs no more than `most`; without an effort to spend from, whatever it costs.
 * @returns undefined when it would cost more
 */
export function withinBudget<T>(effort: WorkBudget | undefined, most: number, work: () => T): T | undefined {
  if (!effort) return work()
  const before = effort.left
  const granted = Math.min(most, before)
  effort.left = granted
  try {
    return work()
  } catch (error) {
    if (error instanceof OverBudget) return undefined
    throw error
  } finally {
    effort.left = before - (granted - Math.max(effort.left, 0))
  }
}
