import type { Place } from '../figures/figure.ts'
import type { Bill } from './bill.ts'

/** A line of the bill whose price is open, with its share of what all open prices leave open. */
interface CostMatter {
  label: string
  at: Place
  /** Share of the sum of the lines' variances, 0 to 1. */
  share: number
}

const LEAST_SHARE = 0.01

/** Which prices make the total doubtful, the most first: each a triangle of low, likely and high (its variance as in `cost/total.ts`). */
export function costMatters({ lines }: Pick<Bill, 'lines'>): CostMatter[] {
  const open = lines.flatMap(({ owned, low: a, likely: b, high: c, label, at }) =>
    owned || a === undefined || b === undefined || c === undefined || a === c
      ? []
      : [{ label, at, variance: (a * a + b * b + c * c - a * b - a * c - b * c) / 18 }],
  )
  const all = open.reduce((sum, { variance }) => sum + variance, 0)
  return open
    .map(({ label, at, variance }) => ({ label, at, share: all > 0 ? variance / all : 0 }))
    .filter(({ share }) => share >= LEAST_SHARE)
    .sort((a, b) => b.share - a.share)
}
