/**
 * How an uncertainty is stated: as an interval, as a bound, or as the probability of an event. There is no fourth form.
 */

/**
 * An interval that holds the value in 90 of 100 cases.
 * @param low without its unit
 * @param high with its unit
 * @example
 * rangeWords('0.9', '1.4 mm') // => '90% range 0.9–1.4 mm'
 *
 * @example
 * rangeWords('\u22120.3', '1.4 mm') // => '90% range \u22120.3 to 1.4 mm'
 */
export const rangeWords = (low: string, high: string): string =>
  `90% range ${low}${/^[\u2212-]/.test(low) || /^[\u2212-]/.test(high) ? ' to ' : '–'}${high}`

/**
 * A value that is exceeded in 95 of 100 cases.
 * @example
 * boundWords('9.1 mm') // => 'at least 9.1 mm (95% confidence)'
 */
export const boundWords = (least: string): string => `at least ${least} (95% confidence)`

/**
 * How likely an event is, in whole per cent; never 0% or 100% of what can still happen.
 * @param chance 0 to 1
 * @example
 * probabilityWords(0.478) // => '48% probability'
 *
 * @example
 * probabilityWords(0.999) // => 'more than 99% probability'
 */
export function probabilityWords(chance: number): string {
  const percent = Math.round(chance * 100)
  if (percent === 0) return 'less than 1% probability'
  if (percent === 100) return chance === 1 ? '100% probability' : 'more than 99% probability'
  return `${percent}% probability`
}
