/**
 * What a stated ± means, and what it is divided by to give the standard uncertainty that figures keep: a limit holds every
 * value alike, a 95% range two standard deviations (GUM, JCGM 100:2008, 4.3.4 and 4.3.7).
 */
export const PLUS_MINUS = {
  limit: { label: 'limit', divisor: Math.sqrt(3) },
  range95: { label: '95% range', divisor: 2 },
  standard: { label: 'standard uncertainty', divisor: 1 },
} as const
export type PlusMinus = keyof typeof PLUS_MINUS
/** What a mechanic means by ±. */
export const DEFAULT_PLUS_MINUS: PlusMinus = 'limit'

/**
 * Standard uncertainty of a stated ±.
 *
 * @example
 * standardOf(2, 'range95') // => 1
 */
export const standardOf = (stated: number, meaning: PlusMinus = DEFAULT_PLUS_MINUS): number => stated / PLUS_MINUS[meaning].divisor

/**
 * The ± that states a standard uncertainty.
 *
 * @example
 * statedOf(1, 'range95') // => 2
 */
export const statedOf = (u: number, meaning: PlusMinus = DEFAULT_PLUS_MINUS): number => u * PLUS_MINUS[meaning].divisor
