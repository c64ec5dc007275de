/** What a check says, from the worst to the best: do not build, not enough data, needs a fix, check on the car, OK. */
export type Verdict = 'blocked' | 'unknown' | 'needs' | 'check' | 'fits'

/** What the whole setup is with a remedy in it; of a piece to buy nobody asks. */
export interface After {
  verdict: Verdict
  /** Findings that are blocked, unknown or need something. */
  open: number
  /** Findings that it makes worse. */
  brings: { title: string; verdict: Verdict }[]
}
