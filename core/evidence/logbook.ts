import { LOADS_DRIVEN, PAD_POINTS, SURFACES, type PadPoint } from '../records/logbook.ts'
import { READ_NODES } from '../records/logbook.ts'
import type { Project } from '../records/project.ts'
import { findSetup } from '../records/resolve.ts'
import { formatQuantity } from '../quantity/format.ts'

export const LOG_KINDS = {
  stop: 'stops',
  lock: 'wheels that locked',
  gauge: 'pressures',
  temperature: 'temperatures',
  wear: 'wear',
  fit: 'fit reports',
  build: 'work done',
} as const
export type LogKind = keyof typeof LOG_KINDS

/** One line of the timeline. */
export interface LogEntry {
  kind: LogKind
  id: string
  /** Empty: nobody wrote it down. */
  date: string
  setupId: string | undefined
  setupName: string
  track: string
  text: string
  note: string
}

/**
 * Everything that was done, measured and felt, the latest first.
 *
 * @param stepTitles titles of the steps of a setup's work order, by id
 */
export function timeline(project: Project, stepTitles: (setupId: string) => ReadonlyMap<string, string>): LogEntry[] {
  const { units } = project.preferences
  const nameOf = (id: string | undefined) => (id === undefined ? '' : (findSetup(project, id)?.name ?? 'a setup that is gone'))
  const entry = (
    kind: LogKind,
    one: { id: string; date?: string; setupId?: string; track?: string; note?: string },
    text: string,
  ): LogEntry => ({
    kind,
    id: one.id,
    date: one.date ?? '',
    setupId: one.setupId,
    setupName: nameOf(one.setupId),
    track: one.track ?? '',
    text,
    note: one.note ?? '',
  })
  const mm = (value: number) => formatQuantity(value, 'length', units)
  const mpa = (value: number) => formatQuantity(value, 'pressure', units)
  const c = (value: number) => formatQuantity(value, 'temperature', units, { decimals: 0 })
  const all: LogEntry[] = [
    ...project.stopTests.map((one) =>
      entry(
        'stop',
        one,
        `Stop from ${one.fromKmh.toFixed(1)} km/h in ${one.distanceM.toFixed(1)} m, ${SURFACES[one.surface]}, ${LOADS_DRIVEN[one.load]}`,
      ),
    ),
    ...project.lockSightings.map((one) =>
      entry(
        'lock',
        one,
        `${one.axle === 'none' ? 'No wheel' : one.axle === 'front' ? 'Front wheels' : 'Rear wheels'} locked${one.axle === 'none' ? '' : ' first'} at ${formatQuantity(one.atG, 'deceleration')}, ${SURFACES[one.surface]}`,
      ),
    ),
    ...project.gaugeSessions.map((one) =>
      entry(
        'gauge',
        one,
        `${one.pairs.length} pressure ${one.pairs.length === 1 ? 'pair' : 'pairs'}${one.pairs[0] ? `, the first ${mpa(one.pairs[0][0])} front and ${mpa(one.pairs[0][1])} rear` : ''}${one.barFrontShare === undefined ? '' : `; bar ${formatQuantity(one.barFrontShare, 'share', units)} front`}${one.knob ? `; knob ${one.knob}` : ''}`,
      ),
    ),
    ...project.heatReadings.map((one) =>
      entry('temperature', one, `${READ_NODES[one.lump]}, ${one.axle}: ${c(one.readC)} after ${one.driving.name}`),
    ),
    ...project.wearReadings.map((one) => {
      const read = (Object.keys(PAD_POINTS) as PadPoint[]).flatMap((point) =>
        one[point] === undefined ? [] : `${PAD_POINTS[point]} ${mm(one[point])}`,
      )
      return entry(
        'wear',
        one,
        `${one.axle} ${one.side} after event ${one.events}: ${[...read, ...(one.rotorMm === undefined ? [] : [`rotor ${mm(one.rotorMm)}`])].join('; ')}`,
      )
    }),
    ...project.fitReports.map((one) =>
      entry('fit', one, `${one.caliper} under ${one.wheel}: ${one.outcome}${one.gapMm ? `, gap ${mm(one.gapMm.value)}` : ''}`),
    ),
    ...project.builds.flatMap((build) => {
      if (!findSetup(project, build.id)) return []
      const titles = stepTitles(build.id)
      return build.notes
        .filter((one) => one.doneOn)
        .map((one) =>
          entry(
            'build',
            { id: `${build.id}/${one.id}`, date: one.doneOn!, setupId: build.id, ...(one.note ? { note: one.note } : {}) },
            titles.get(one.id.replace(/^s\d+\./, '')) ?? `A step that is not in the order any more: ${one.id}`,
          ),
        )
    }),
  ]
  return all
    .map((one, i) => ({ one, i }))
    .sort((a, b) => b.one.date.localeCompare(a.one.date) || b.i - a.i)
    .map(({ one }) => one)
}

/** How the bar stood at the last visit to a track: where the next one starts from. */
export interface LastBar {
  track: string
  date: string
  barFrontShare: number | undefined
  knob: string
  setupName: string
}
/** One of each track, the latest visit; tracks where nobody wrote down the bar are left out. */
export function lastBars(project: Project): LastBar[] {
  const byTrack = new Map<string, LastBar>()
  for (const one of [...project.gaugeSessions].sort((a, b) => a.date.localeCompare(b.date))) {
    if (!one.track || (one.barFrontShare === undefined && !one.knob)) continue
    byTrack.set(one.track, {
      track: one.track,
      date: one.date,
      barFrontShare: one.barFrontShare,
      knob: one.knob ?? '',
      setupName: (one.setupId && findSetup(project, one.setupId)?.name) || '',
    })
  }
  return [...byTrack.values()].reverse()
}
