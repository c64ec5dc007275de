import { stopInTrace, thinnedTrace } from '../evidence/maths/stop-in-trace.ts'
import { tracedStop, type SpeedSample } from '../evidence/maths/stop-run.ts'
import type { StopTest } from '../records/logbook.ts'
import { readSpeeds } from './drive-cycle-text.ts'

type ReadStop = { ok: true; stop: Pick<StopTest, 'fromKmh' | 'distanceM' | 'trace'>; words: string } | { ok: false; message: string }

/** A stop from samples as a logger gives them. */
export function stopFromPoints(points: readonly SpeedSample[]): ReadStop {
  const found = stopInTrace(points)
  if (!found.ok) return found
  // the distance of all samples, before they are thinned
  const { fromKmh, distanceM } = tracedStop(found.samples)
  const trace = thinnedTrace(found.samples).map(([seconds, kmh]): [number, number] => [round(seconds, 3), round(kmh, 2)])
  return {
    ok: true,
    stop: { fromKmh: round(fromKmh, 2), distanceM: round(distanceM, 2), trace },
    words: `from ${fromKmh.toFixed(1)} km/h in ${distanceM.toFixed(1)} m, start known to \u00b1 ${found.uStartM.toFixed(1)} m, ${found.samples.length} samples.`,
  }
}

/** A stop from a table of time and speed with a first row of names. */
export function stopFromTable(text: string): ReadStop {
  const read = readSpeeds(text)
  return read.ok ? stopFromPoints(read.trace) : read
}
const round = (value: number, digits: number) => Number(value.toFixed(digits))
