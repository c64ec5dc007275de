import { STANDARD_GRAVITY } from '../../quantity/units.ts'
import type { BrakingZone } from './drive-cycle.ts'

/** One moment of a speed trace. */
export type TracePoint = readonly [seconds: number, kmh: number]

/** A fall of speed counts as a zone from here on, km/h and g: less is lifting, or another car. */
export const ZONE_LEAST = { fallKmh: 15, decelG: 0.3 } as const
/** Brakes are taken to be on where the speed falls faster than air and engine make it, g. */
const BRAKING_G = 0.18
/** Over so long a slope is taken to either side, s: a wheel's or a satellite's speed is noisy. */
const HALF_WINDOW_S = 0.3
/** Brakes that are let go for less than this are still one zone, s. */
const GAP_S = 0.4

/**
 * The braking zones of a lap from its speed: every fall of more than 15 km/h at more than 0.3 g. What lies after the last
 * zone leads on to the first, as a lap does.
 *
 * @param trace by rising time, s, km/h
 */
export function zonesOfTrace(trace: readonly TracePoint[]): BrakingZone[] {
  const found = stretches(trace).filter(({ from, to }) => {
    const fallKmh = trace[from]![1] - trace[to]![1]
    return fallKmh > ZONE_LEAST.fallKmh && decelOf(trace, from, to) > ZONE_LEAST.decelG
  })
  const [start, end] = [trace[0]?.[0] ?? 0, trace.at(-1)?.[0] ?? 0]
  return found.map(({ from, to }, i) => {
    const next = found[i + 1]
    const untilS = next ? trace[next.from]![0] - trace[to]![0] : end - trace[to]![0] + (trace[found[0]!.from]![0] - start)
    return {
      fromKmh: trace[from]![1],
      toKmh: Math.max(0, trace[to]![1]),
      decelG: decelOf(trace, from, to),
      secondsToNext: Math.max(0, untilS),
    }
  })
}

function decelOf(trace: readonly TracePoint[], from: number, to: number): number {
  const [[s0, v0], [s1, v1]] = [trace[from]!, trace[to]!]
  return s1 > s0 ? (v0 - v1) / 3.6 / (s1 - s0) / STANDARD_GRAVITY : 0
}

/** Where the brakes are on: first and last moment. */
function stretches(trace: readonly TracePoint[]): { from: number; to: number }[] {
  const all: { from: number; to: number }[] = []
  let [left, right] = [0, 0]
  for (let i = 0; i < trace.length; i += 1) {
    const [seconds] = trace[i]!
    while (trace[left]![0] < seconds - HALF_WINDOW_S) left += 1
    while (right + 1 < trace.length && trace[right + 1]![0] <= seconds + HALF_WINDOW_S) right += 1
    // a slow logger has no two moments so near: its neighbours then
    const [a, b] = right > left ? [left, right] : [Math.max(0, i - 1), Math.min(trace.length - 1, i + 1)]
    if (decelOf(trace, a, b) < BRAKING_G) continue
    const last = all.at(-1)
    if (last && seconds - trace[last.to]![0] <= GAP_S + HALF_WINDOW_S) last.to = i
    else all.push({ from: i, to: i })
  }
  // from the highest to the lowest speed of each: the window blurs its ends
  return all.map(({ from, to }) => {
    let [top, low] = [Math.max(0, from - 1), to]
    for (let i = top; i <= Math.min(trace.length - 1, to + 1); i += 1) {
      if (trace[i]![1] > trace[top]![1] + 1e-9 && i <= (from + to) / 2) top = i
      if (trace[i]![1] < trace[low]![1] - 1e-9 && i > top) low = i
    }
    return { from: top, to: Math.max(low, top) }
  })
}
