/**
 * Quantile of sorted values, straight between the middles of their steps (Hyndman and Fan, 1996, type 5).
 *
 * @param p 0 to 1
 *
 * @example
 * quantile(Float64Array.from([1, 2, 3, 4]), 0.5) // => 2.5
 */
export function quantile(sorted: ArrayLike<number>, p: number): number {
  const place = p * sorted.length - 0.5
  const below = Math.min(Math.max(Math.floor(place), 0), sorted.length - 1)
  const above = Math.min(below + 1, sorted.length - 1)
  return sorted[below]! + Math.min(Math.max(place - below, 0), 1) * (sorted[above]! - sorted[below]!)
}
