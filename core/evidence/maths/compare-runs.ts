import { meanOf, studentQuantile, varianceOf } from './student.ts'

export interface RunsCompared {
  /** Mean of b less mean of a. */
  differenceM: number
  /** 95 % interval of it. */
  lowM: number
  highM: number
  /** Degrees of freedom (Welch). */
  df: number
  verdict: 'shorter' | 'longer' | 'notShown'
  /** The smallest difference that so many runs would have shown in eight of ten trials. */
  detectableM: number
}

const CONFIDENCE = 0.975
const POWER = 0.8

/**
 * Two sets of stops against each other: B. L. Welch, The generalization of Student's problem when several different
 * population variances are involved, Biometrika 34 (1947).
 * @param a distances, m, two at least
 * @param b the same of the other setup
 * @throws RangeError for fewer than two of either
 * @example compareRuns([36.9, 36.75, 36.64, 36.67], [34.38, 33.42, 33.73, 33.18, 32.69]).verdict // => 'shorter'
 */
export function compareRuns(a: readonly number[], b: readonly number[]): RunsCompared {
  if (a.length < 2 || b.length < 2) throw new RangeError('each side has two runs at least')
  const differenceM = meanOf(b) - meanOf(a)
  const { se, df } = spread(varianceOf(a), a.length, varianceOf(b), b.length)
  return comparedBy(differenceM, se, df)
}

/** A difference with its 95% interval, by its standard error and degrees of freedom. */
export function comparedBy(differenceM: number, se: number, df: number): RunsCompared {
  const half = studentQuantile(CONFIDENCE, df) * se
  const [lowM, highM] = [differenceM - half, differenceM + half]
  return {
    differenceM,
    lowM,
    highM,
    df,
    verdict: highM < 0 ? 'shorter' : lowM > 0 ? 'longer' : 'notShown',
    detectableM: detectable(se, df),
  }
}

/** A scatter less than what a tape reads off counts as so much, m2: runs that are alike to the millimetre prove nothing finer. */
export const LEAST_VARIANCE = 1e-6

function spread(varA: number, nA: number, varB: number, nB: number): { se: number; df: number } {
  const [a, b] = [Math.max(varA, LEAST_VARIANCE) / nA, Math.max(varB, LEAST_VARIANCE) / nB]
  return { se: Math.sqrt(a + b), df: (a + b) ** 2 / (a ** 2 / (nA - 1) + b ** 2 / (nB - 1)) }
}
/** The smallest difference shown in eight of ten trials, by its standard error. */
const detectable = (se: number, df: number): number => (studentQuantile(CONFIDENCE, df) + studentQuantile(POWER, df)) * se

/** More a side than anybody drives. */
const MOST_RUNS = 1000
/**
 * How many runs each side needs to show a difference in eight of ten trials.
 * @param varA m2
 * @param wantedM above 0
 * @returns from 2 to 1000; undefined: more
 * @example runsEach(1, 1, 1) // => 17
 */
export function runsEach(varA: number, varB: number, wantedM: number): number | undefined {
  const enough = (n: number) => {
    const { se, df } = spread(varA, n, varB, n)
    return detectable(se, df) <= wantedM
  }
  if (!enough(MOST_RUNS)) return undefined
  // more runs never show less
  let [low, high] = [2, MOST_RUNS]
  while (low < high) {
    const middle = Math.floor((low + high) / 2)
    if (enough(middle)) high = middle
    else low = middle + 1
  }
  return low
}
