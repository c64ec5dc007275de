import { comparedBy, LEAST_VARIANCE, type RunsCompared } from './compare-runs.ts'
import { meanOf, varianceOf } from './student.ts'

/** Distances of two setups on one day at one place, m. */
export interface RunBlock {
  a: readonly number[]
  b: readonly number[]
}

/** With unlike numbers of runs, fewer degrees of freedom or a greater ratio of scatters than these make Welch's test alarm too often. */
const FEW_DF = 3
const UNLIKE_SCATTER = 2

/**
 * Two setups against each other within blocks: the difference of each block weighs by its runs, so that another day or
 * place moves nothing. The interval is Welch's, with the scatter within the blocks; with unlike numbers of runs and few of
 * them it takes the fewer degrees of freedom, which keeps 5% (P. L. Hsu, 1938; M. R. Mickey and M. B. Brown, 1966). Where
 * every block has one run of a setup, the differences of the blocks are compared (Student's paired test).
 *
 * @param blocks each with a run of both setups at least
 * @returns undefined where nothing shows how much the runs scatter
 *
 * @example
 * compareInBlocks([{ a: [48, 48.4], b: [46.1, 46.5] }, { a: [35.2, 35], b: [33.1, 33.3] }])?.verdict // => 'shorter'
 */
export function compareInBlocks(blocks: readonly RunBlock[]): RunsCompared | undefined {
  const used = blocks.filter(({ a, b }) => a.length > 0 && b.length > 0)
  if (used.length === 0) return undefined
  const weights = used.map(({ a, b }) => (a.length * b.length) / (a.length + b.length))
  const all = weights.reduce((sum, one) => sum + one, 0)
  const differences = used.map(({ a, b }) => meanOf(b) - meanOf(a))
  const differenceM = differences.reduce((sum, one, i) => sum + one * weights[i]!, 0) / all
  const side = (of: 'a' | 'b') => {
    const df = used.reduce((sum, one) => sum + one[of].length - 1, 0)
    const squares = used.reduce((sum, one) => sum + (one[of].length > 1 ? varianceOf(one[of]) * (one[of].length - 1) : 0), 0)
    const variance = Math.max(LEAST_VARIANCE, squares / df)
    return { df, variance, ofMean: used.reduce((sum, one, i) => sum + weights[i]! ** 2 / one[of].length, 0) * (variance / all ** 2) }
  }
  const [a, b] = [side('a'), side('b')]
  if (a.df === 0 || b.df === 0) {
    if (used.length < 2) return undefined
    const mean = meanOf(differences)
    const se = Math.sqrt(Math.max(LEAST_VARIANCE, varianceOf(differences)) / used.length)
    return comparedBy(mean, se, used.length - 1)
  }
  const welch = (a.ofMean + b.ofMean) ** 2 / (a.ofMean ** 2 / a.df + b.ofMean ** 2 / b.df)
  const ratio = Math.sqrt(Math.max(a.variance, b.variance) / Math.min(a.variance, b.variance))
  const unlike = a.df !== b.df && (Math.min(a.df, b.df) < FEW_DF || ratio > UNLIKE_SCATTER)
  return comparedBy(differenceM, Math.sqrt(a.ofMean + b.ofMean), unlike ? Math.min(a.df, b.df) : welch)
}

/** Scatter of one setup's runs within the blocks, m; undefined where no block has two. */
export function scatterWithin(blocks: readonly (readonly number[])[]): number | undefined {
  const df = blocks.reduce((sum, one) => sum + Math.max(0, one.length - 1), 0)
  return df === 0
    ? undefined
    : Math.sqrt(blocks.reduce((sum, one) => sum + (one.length > 1 ? varianceOf(one) * (one.length - 1) : 0), 0) / df)
}
