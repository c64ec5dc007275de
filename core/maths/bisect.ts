/**
 * Where something begins to hold between a value where it does not and one where it does: on the good side, by halving.
 *
 * @param within how near to the turn, in the units of the values
 *
 * @example
 * Math.round(bisect(0, 10, 1e-6, (x) => x * x >= 9)) // => 3
 */
export function bisect(bad: number, good: number, within: number, holds: (value: number) => boolean): number {
  while (Math.abs(good - bad) > within) {
    const middle = (bad + good) / 2
    if (holds(middle)) good = middle
    else bad = middle
  }
  return good
}
