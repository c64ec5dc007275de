// the package brings no types: these are of what is used here
// eslint-disable-next-line @typescript-eslint/triple-slash-reference
/// <reference path="./jstat.d.ts" />
import jstat from 'jstat'

/**
 * Quantile of Student's t.
 * @param p 0 to 1
 * @param df degrees of freedom, any number above 0
 * @example Math.round(1000 * studentQuantile(0.975, 10)) // => 2228
 */
export const studentQuantile = (p: number, df: number): number => jstat.jStat.studentt.inv(p, df)

export const meanOf = (values: readonly number[]): number => values.reduce((sum, one) => sum + one, 0) / values.length
/** Of a sample, with n - 1; NaN of fewer than two. */
export function varianceOf(values: readonly number[]): number {
  const mean = meanOf(values)
  return values.reduce((sum, one) => sum + (one - mean) ** 2, 0) / (values.length - 1)
}
