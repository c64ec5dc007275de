const WORDS = 400
/**
 * Fixed work where there is no rival: numbers, small objects and texts, as a report is made of. Some 0.9 ms on the
 * machine it was made on; a promise in its multiples holds on slower and faster ones.
 */
export function yardstick(): number {
  let seed = 20261126
  const next = () => (seed = (seed * 48271) % 2147483647)
  const lines = Array.from({ length: WORDS }, (_, i) => ({ id: `line ${i}`, value: next() / 2147483647, notes: [] as string[] }))
  const index = new Map(lines.map((line) => [line.id, line]))
  let sum = 0
  for (const line of lines) {
    const other = index.get(`line ${next() % WORDS}`)!
    for (let i = 0; i < 24; i += 1) sum += Math.hypot(line.value, other.value) * Math.sqrt(i + line.value)
    line.notes.push(`${line.id} stands ${(line.value * 100).toFixed(1)} from ${other.id}`)
  }
  lines.sort((a, b) => a.value - b.value)
  return sum + lines.filter((line) => /7\.\d from/.test(line.notes[0]!)).length
}

/** What this process has computed so far, ms: other work on the machine does not count. For tests and commands. */
export const cpuMs = (): number => {
  const { process } = globalThis as unknown as { process: { cpuUsage(): { user: number; system: number } } }
  const { user, system } = process.cpuUsage()
  return (user + system) / 1000
}

const ROUNDS = 25
/**
 * How many yardsticks some work takes by a clock in ms. The yardstick is measured right before and right after, so that a
 * machine that is slow at the moment is slow for both.
 */
export function inYardsticks<T>(work: () => T, clockMs: () => number): { yardsticks: number; value: T } {
  const timed = <V>(run: () => V) => {
    const from = clockMs()
    const value = run()
    return { ms: clockMs() - from, value }
  }
  const rod = () => {
    for (let i = 0; i < ROUNDS; i += 1) yardstick()
  }
  const before = timed(rod)
  const { ms, value } = timed(work)
  return { yardsticks: (2 * ROUNDS * ms) / (before.ms + timed(rod).ms), value }
}
