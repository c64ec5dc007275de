/**
 * Shares of one thing as whole parts that add up to what they are together: the largest remainders are rounded up
 * (the method of A. Hamilton).
 *
 * @param of how many parts the whole has: 10 for tenths, 100 for per cent
 * @example
 * wholeParts([0.335, 0.335, 0.33], 100) // => [34, 33, 33]
 *
 * @example
 * wholeParts([0.25, 0.25, 0.5], 10).reduce((sum, part) => sum + part, 0) // => 10
 */
export function wholeParts(shares: readonly number[], of: number): number[] {
  const floors = shares.map((share) => Math.floor(share * of + 1e-9))
  const together = Math.round(shares.reduce((sum, share) => sum + share, 0) * of)
  const byRemainder = shares.map((share, i) => ({ i, rest: share * of - floors[i]! })).sort((a, b) => b.rest - a.rest || a.i - b.i)
  let left = together - floors.reduce((sum, one) => sum + one, 0)
  for (const { i } of byRemainder) {
    if (left <= 0) break
    floors[i]! += 1
    left -= 1
  }
  return floors
}
