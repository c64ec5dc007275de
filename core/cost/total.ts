/** One line of a bill: `quantity` at a price in minor units, `rate` to the project's currency. */
export interface CostLine {
  quantity: number
  low: number
  likely: number
  high: number
  rate: number
  owned: boolean
}

export interface CostTotal {
  /** Plain sums, minor units. */
  low: number
  likely: number
  high: number
  /** Sum of (a + b + c) / 3: the figure to budget with. */
  expected: number
  /** Range that holds the total in 80 of 100 cases. */
  p10: number
  p90: number
}

/** One-sided 90 % point of the normal distribution. */
const NORMAL_90 = 1.2815515655446004

/** Half up to a whole minor unit. */
export const roundMinor = (amount: number): number => Math.floor(amount + 0.5)

/** What a line comes to with tax, minor units, not rounded. */
export const lineAmount = (line: CostLine, price: 'low' | 'likely' | 'high', taxPercent: number): number =>
  line.quantity * line[price] * line.rate * (1 + taxPercent / 100)

/**
 * Sums of a bill. Prices are taken as independent triangular distributions (mean (a+b+c)/3, variance
 * (a2+b2+c2-ab-ac-bc)/18; N. L. Johnson et al., Continuous Univariate Distributions, vol. 2), the 80 % range from the
 * normal curve, clipped to the plain sums. Rate and tax stand before every line alike and so move
 * together. Rounded once, at the line; owned lines are left out.
 */
export function costTotal(lines: readonly CostLine[], taxPercent: number): CostTotal {
  let low = 0,
    likely = 0,
    high = 0,
    expected = 0,
    variance = 0
  for (const line of lines) {
    if (line.owned) continue
    const a = lineAmount(line, 'low', taxPercent)
    const b = lineAmount(line, 'likely', taxPercent)
    const c = lineAmount(line, 'high', taxPercent)
    low += roundMinor(a)
    likely += roundMinor(b)
    high += roundMinor(c)
    expected += (a + b + c) / 3
    variance += (a * a + b * b + c * c - a * b - a * c - b * c) / 18
  }
  const reach = NORMAL_90 * Math.sqrt(Math.max(variance, 0))
  const clip = (value: number) => roundMinor(Math.min(Math.max(value, low), high))
  return { low, likely, high, expected: clip(expected), p10: clip(expected - reach), p90: clip(expected + reach) }
}
