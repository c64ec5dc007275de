/** What fits that leave outliers out have in common (P. Rousseeuw and A. Leroy, Robust Regression, 1987). */

/** Triples that are tried: with a third of outliers one in ten thousand times none is good. */
export const TRIALS = 120

export function medianOf(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b)
  const at = sorted.length >> 1
  return sorted.length % 2 === 1 ? sorted[at]! : (sorted[at - 1]! + sorted[at]!) / 2
}

/** Beyond this a point does not belong to the shape: three standard deviations by the median, or a hundredth of a millimetre. */
export const spreadFrom = (median: number, count: number): number => Math.max(0.01, 3 * 1.4826 * (1 + 5 / Math.max(1, count - 3)) * median)
