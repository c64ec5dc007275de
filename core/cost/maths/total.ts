/** One line of a bill: `quantity` at a price in minor units, `rate` to the project's currency. */
export interface CostLine {
  quantity: number
  low: number
  likely: number
  high: number
  rate: number
  owned: boolean
  /** What someone sells of their own carries no tax. */
  taxFree?: boolean
  /** The rate may be off by this share either way, and with it every line of that currency. */
  spread?: { of: string; share: number }
  /** Lines of one name are dear or cheap together: the shipping of one seller. */
  movesWith?: string
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
  /** The 90% range: 5 of 100 cases cost less, 5 more. */
  p05: number
  p95: number
}

/** One-sided 90% and 95% points of the normal distribution. */
const NORMAL_90 = 1.2815515655446004
const NORMAL_95 = 1.6448536269514722

/**
 * Half up to a whole minor unit.
 *
 * @example
 * roundMinor(12.5) // => 13
 */
export const roundMinor = (amount: number): number => Math.floor(amount + 0.5)

/** What a line comes to with the tax that it carries, minor units, not rounded. */
export const lineAmount = (line: CostLine, price: 'low' | 'likely' | 'high', taxPercent: number): number =>
  line.quantity * line[price] * line.rate * (line.taxFree ? 1 : 1 + taxPercent / 100)

/**
 * Sums of a bill. Prices are taken as independent triangular distributions (mean (a+b+c)/3, variance
 * (a2+b2+c2-ab-ac-bc)/18; N. L. Johnson et al., Continuous Univariate Distributions, vol. 2), the ranges from the
 * normal curve, clipped to the plain sums. What moves together adds its standard deviations instead: all lines of a
 * currency whose rate is uncertain (symmetric triangle, variance share2/6), the shipping of one seller. Tax stands
 * before every line alike. Rounded once, at the line; owned lines are left out.
 */
export function costTotal(lines: readonly CostLine[], taxPercent: number): CostTotal {
  const { low, likely, high, expected, sigma } = moments(lines, taxPercent)
  const clip = (value: number) => roundMinor(Math.min(Math.max(value, low), high))
  const at = (point: number) => clip(expected + point * sigma)
  const range = { p10: at(-NORMAL_90), p90: at(NORMAL_90), p05: at(-NORMAL_95), p95: at(NORMAL_95) }
  return { low, likely, high, expected: clip(expected), ...range }
}

/**
 * How likely a bill stays within a budget, 0 to 1, by the normal curve that gives the 80 % range.
 * @param budget minor units
 */
export function chanceWithin(lines: readonly CostLine[], taxPercent: number, budget: number): number {
  const { low, high, expected, sigma } = moments(lines, taxPercent)
  if (budget >= high) return 1
  if (budget < low) return 0
  return sigma === 0 ? 1 : normalBelow((budget - expected) / sigma)
}

function moments(lines: readonly CostLine[], taxPercent: number) {
  let low = 0,
    likely = 0,
    high = 0,
    expected = 0,
    variance = 0
  const together = new Map<string, number>()
  const abroad = new Map<string, { share: number; sum: number }>()
  for (const line of lines) {
    if (line.owned) continue
    const a = lineAmount(line, 'low', taxPercent)
    const b = lineAmount(line, 'likely', taxPercent)
    const c = lineAmount(line, 'high', taxPercent)
    const share = line.spread?.share ?? 0
    low += roundMinor(a - Math.abs(a) * share)
    likely += roundMinor(b)
    high += roundMinor(c + Math.abs(c) * share)
    const mean = (a + b + c) / 3
    expected += mean
    const own = Math.max(0, (a * a + b * b + c * c - a * b - a * c - b * c) / 18)
    if (line.movesWith === undefined) variance += own
    else together.set(line.movesWith, (together.get(line.movesWith) ?? 0) + Math.sqrt(own))
    if (line.spread) abroad.set(line.spread.of, { share, sum: (abroad.get(line.spread.of)?.sum ?? 0) + mean })
  }
  for (const sigma of together.values()) variance += sigma * sigma
  for (const { share, sum } of abroad.values()) variance += (sum * share) ** 2 / 6
  return { low, likely, high, expected, sigma: Math.sqrt(variance) }
}

/** Standard normal distribution function (M. Abramowitz and I. Stegun, Handbook of Mathematical Functions, 26.2.17; error below 1e-7). */
function normalBelow(x: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(x))
  const tail =
    (Math.exp((-x * x) / 2) / Math.sqrt(2 * Math.PI)) *
    t *
    (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))))
  return x >= 0 ? 1 - tail : tail
}
