/**
 * Ordinary least squares by the normal equations (K. F. Gauss, 1809).
 *
 * @param columns one function of x for each coefficient
 * @returns the coefficients, and the first member of the inverse of the normal matrix, which times the variance of the
 * readings is that of the first coefficient; undefined where the columns do not tell each other apart
 *
 * @example
 * leastSquares([(x) => x, () => 1], [[0, 1], [1, 3], [2, 5]])?.values // => [2, 1]
 */
export function leastSquares(
  columns: readonly ((x: number) => number)[],
  pairs: readonly (readonly [x: number, y: number])[],
): { values: number[]; inverse00: number } | undefined {
  const n = columns.length
  if (pairs.length < n) return undefined
  const rows = Array.from({ length: n }, () => new Array<number>(n + 2).fill(0))
  for (const [x, y] of pairs) {
    const at = columns.map((column) => column(x))
    for (let i = 0; i < n; i += 1) {
      for (let j = 0; j < n; j += 1) rows[i]![j]! += at[i]! * at[j]!
      rows[i]![n]! += at[i]! * y
    }
  }
  // the last column becomes the first column of the inverse
  rows[0]![n + 1] = 1
  for (let i = 0; i < n; i += 1) {
    let pivot = i
    for (let r = i + 1; r < n; r += 1) if (Math.abs(rows[r]![i]!) > Math.abs(rows[pivot]![i]!)) pivot = r
    ;[rows[i], rows[pivot]] = [rows[pivot]!, rows[i]!]
    const head = rows[i]![i]!
    if (Math.abs(head) < 1e-10) return undefined
    for (let r = 0; r < n; r += 1) {
      if (r === i) continue
      const by = rows[r]![i]! / head
      for (let c = i; c < n + 2; c += 1) rows[r]![c]! -= by * rows[i]![c]!
    }
  }
  return { values: rows.map((row, i) => row[n]! / row[i]!), inverse00: rows[0]![n + 1]! / rows[0]![0]! }
}
