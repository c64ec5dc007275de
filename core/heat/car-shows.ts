import type { Axle } from '../quantity/axle.ts'
import type { ReadNode } from '../records/logbook.ts'
import type { HeatReport } from './heat-report.ts'
import { AMBIENT_C, PARKED_S } from './session-run.ts'

/** The car of the simulated probe is warmed by so much of what is reckoned: no two cars are alike. */
const WARMS_BY = 0.9
const KEYS = { ring: 'ringC', pad: 'padC', caliper: 'caliperC' } as const

/** What a simulated probe is held to, some seconds after the end of a session; undefined where there is none. */
export function carShowsC({ samples }: Pick<HeatReport, 'samples'>, axle: Axle, lump: ReadNode, afterS: number): number | undefined {
  const last = samples.at(-1)
  if (!last) return undefined
  const wantedS = Math.max(0, last.seconds - PARKED_S) + afterS
  const at = samples.reduce((a, b) => (Math.abs(b.seconds - wantedS) < Math.abs(a.seconds - wantedS) ? b : a))
  return AMBIENT_C + WARMS_BY * (at[axle][KEYS[lump]] - AMBIENT_C)
}
