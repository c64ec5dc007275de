/** What rows are weighed by: which way is better, and how much of a difference still counts as the same. */
export interface Criterion {
  better: 'low' | 'high'
  tolerance: number
}
/** Of each criterion in turn; undefined: not known. */
export type CriterionValues = readonly (number | undefined)[]

/**
 * Whether a beats b: for every criterion both are known, a is not worse by more than the tie, and better by more than it
 * somewhere. A row with something unknown neither beats nor is beaten.
 *
 * @example
 * dominates([100, 5], [120, 5], [{ better: 'low', tolerance: 5 }, { better: 'high', tolerance: 1 }]) // => true
 */
export function dominates(a: CriterionValues, b: CriterionValues, criteria: readonly Criterion[]): boolean {
  let better = false
  for (let i = 0; i < criteria.length; i += 1) {
    const [x, y] = [a[i], b[i]]
    if (x === undefined || y === undefined) return false
    const { better: way, tolerance } = criteria[i]!
    const ahead = way === 'low' ? y - x : x - y
    if (ahead < -tolerance) return false
    if (ahead > tolerance) better = true
  }
  return better
}

/** Whether a is nowhere worse than b, by however little. */
function weaklyDominates(a: CriterionValues, b: CriterionValues, criteria: readonly Criterion[]): boolean {
  for (let i = 0; i < criteria.length; i += 1) {
    const [x, y] = [a[i]!, b[i]!]
    if (criteria[i]!.better === 'low' ? x > y : x < y) return false
  }
  return true
}
const known = (values: CriterionValues): boolean => values.every((one) => one !== undefined)

/**
 * The rows that nothing beats, as they come one after the other, with few of them kept. With ties a row that is beaten may
 * still beat a third one that its beater does not; but whatever a row beats, one that covers it beats too. So the rows that
 * nothing covers, beaten or not, are held against each new one, and the answer is the same as of all against all.
 */
export class ParetoFront<Row> {
  private readonly edge: CriterionValues[] = []
  private kept: { values: CriterionValues; row: Row }[] = []
  private sinceSwept = 0
  constructor(private readonly criteria: readonly Criterion[]) {}

  private beaten(values: CriterionValues): boolean {
    return this.edge.some((one) => dominates(one, values, this.criteria))
  }
  /**
   * Whether some row so far beats these values and covers them: then it does so for everything that is no better than they,
   * and nothing of that need be looked at.
   */
  isDominated(values: CriterionValues): boolean {
    return known(values) && this.edge.some((one) => weaklyDominates(one, values, this.criteria) && dominates(one, values, this.criteria))
  }
  /** @returns whether it stays for now */
  add(values: CriterionValues, row: Row): boolean {
    if (!known(values)) {
      this.kept.push({ values, row })
      return true
    }
    const beaten = this.beaten(values)
    if (!this.edge.some((one) => weaklyDominates(one, values, this.criteria))) {
      for (let i = this.edge.length - 1; i >= 0; i -= 1) if (weaklyDominates(values, this.edge[i]!, this.criteria)) this.edge.splice(i, 1)
      this.edge.push(values)
    }
    if (beaten) return false
    this.kept.push({ values, row })
    this.sinceSwept += 1
    if (this.sinceSwept > SWEEP_AFTER) this.sweep()
    return true
  }
  private sweep(): void {
    this.sinceSwept = 0
    this.kept = this.kept.filter(({ values }) => !known(values) || !this.beaten(values))
  }
  /** The rows that nothing covers, beaten or not: what beats anything at all is among them, or covered by one of them. */
  get uncovered(): readonly CriterionValues[] {
    return this.edge
  }
  /** In the order in which they came. */
  result(): { values: CriterionValues; row: Row }[] {
    this.sweep()
    return this.kept
  }
}
const SWEEP_AFTER = 500

/**
 * The most that one criterion, the lower the better, may be for a row that none of these beats, all else of it as it is.
 * Infinity: none of them can beat it.
 *
 * @example
 * mostNonDominated([120, 5], 0, [[80, 5]], [{ better: 'low', tolerance: 5 }, { better: 'high', tolerance: 1 }]) // => 85
 */
export function mostNonDominated(
  row: CriterionValues,
  at: number,
  others: readonly CriterionValues[],
  criteria: readonly Criterion[],
): number {
  const { tolerance } = criteria[at]!
  const limits = others.flatMap((one) => {
    const ahead = criteria.map(({ better }, i) => (better === 'low' ? row[i]! - one[i]! : one[i]! - row[i]!))
    const worse = criteria.some((of, i) => i !== at && !(ahead[i]! >= -of.tolerance))
    if (worse || one[at] === undefined) return []
    const better = criteria.some((of, i) => i !== at && ahead[i]! > of.tolerance)
    // a row that is better elsewhere has to be dearer by more than the tie; one that is alike may be cheaper by as much
    return [better ? one[at] - tolerance : one[at] + tolerance]
  })
  return Math.min(Infinity, ...limits)
}

/** The rows that nothing beats, of a list. */
export function paretoFront<Row>(rows: readonly Row[], valuesOf: (row: Row) => CriterionValues, criteria: readonly Criterion[]): Row[] {
  const held = new ParetoFront<Row>(criteria)
  for (const row of rows) held.add(valuesOf(row), row)
  return held.result().map((one) => one.row)
}
