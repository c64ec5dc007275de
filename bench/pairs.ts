/**
 * Two pieces of work against each other on a machine whose speed drifts: they take turns, A B A B ..., each pair gives one
 * ratio, and the median of the ratios counts.
 */
export interface Compared {
  /** Time of the rival over ours: how many times faster ours is. */
  ratio: number
  /** A tenth of the pairs lie below, a tenth above. */
  low: number
  high: number
  /** Median time of ours, ms; of the rival. */
  oursMs: number
  rivalMs: number
}

/** A turn takes at least this long, or the clock's grain counts, ms. */
const LEAST_TURN_MS = 3
const PAIRS = 41

/** How often a piece of work is done in one turn. */
function roundsOf(work: () => unknown): number {
  for (let rounds = 1; ; rounds *= 2) if (turn(work, rounds) * rounds >= LEAST_TURN_MS || rounds >= 1 << 16) return rounds
}
/** Mean time of one of so many, ms. */
function turn(work: () => unknown, rounds: number): number {
  const from = performance.now()
  for (let i = 0; i < rounds; i += 1) work()
  return (performance.now() - from) / rounds
}
const at = (sorted: readonly number[], share: number): number => sorted[Math.min(Math.floor(share * sorted.length), sorted.length - 1)]!

export function inTurns(ours: () => unknown, rival: () => unknown, pairs = PAIRS): Compared {
  // warm: what is compiled late is not what is compared
  for (let i = 0; i < 3; i += 1) {
    turn(ours, roundsOf(ours))
    turn(rival, roundsOf(rival))
  }
  const [a, b] = [roundsOf(ours), roundsOf(rival)]
  const taken = Array.from({ length: pairs }, () => ({ oursMs: turn(ours, a), rivalMs: turn(rival, b) }))
  const sorted = (of: (one: (typeof taken)[number]) => number) => taken.map(of).sort((x, y) => x - y)
  const ratios = sorted((one) => one.rivalMs / one.oursMs)
  return {
    ratio: at(ratios, 0.5),
    low: at(ratios, 0.1),
    high: at(ratios, 0.9),
    oursMs: at(
      sorted((one) => one.oursMs),
      0.5,
    ),
    rivalMs: at(
      sorted((one) => one.rivalMs),
      0.5,
    ),
  }
}
