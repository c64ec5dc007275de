import { PAD_POINTS, type PadPoint, type WearReading } from '../records/logbook.ts'
import { wearForecast, type WearForecastLine } from './maths/wear-forecast.ts'

export const POINTS = Object.keys(PAD_POINTS) as PadPoint[]

/** The thinnest place of a pad reading, mm; undefined where nothing was read. */
export function thinnestMm(reading: WearReading): number | undefined {
  const read = POINTS.flatMap((point) => reading[point] ?? [])
  return read.length > 0 ? Math.min(...read) : undefined
}

/** One side's readings of one part: events driven since it went in, and thickness. */
export interface WearSeries {
  axle: 'front' | 'rear'
  side: 'left' | 'right'
  what: 'pad' | 'rotor'
  partId: string
  points: [event: number, mm: number][]
}

/** All series of the logbook, in the order of their first reading. */
export function wearSeries(readings: readonly WearReading[]): WearSeries[] {
  const series = new Map<string, WearSeries>()
  for (const one of readings)
    for (const what of ['pad', 'rotor'] as const) {
      const mm = what === 'pad' ? thinnestMm(one) : one.rotorMm
      const partId = one[what]
      if (mm === undefined || partId === undefined) continue
      const key = [one.axle, one.side, what, partId].join('/')
      const known = series.get(key) ?? { axle: one.axle, side: one.side, what, partId, points: [] }
      known.points.push([one.events, mm])
      series.set(key, known)
    }
  for (const one of series.values()) one.points.sort((a, b) => a[0] - b[0])
  return [...series.values()]
}

/** Readings nearer to each other are of one event: wear is not measured within a part of one. */
const LEAST_EVENTS_APART = 0.01
/** The straight line through a series; undefined of readings of one event alone. */
export function lineOf({ points }: Pick<WearSeries, 'points'>, minimumMm: number): WearForecastLine | undefined {
  const rounded = points.map(([event, mm]) => [Math.round(event / LEAST_EVENTS_APART) * LEAST_EVENTS_APART, mm] as const)
  return new Set(rounded.map(([event]) => event)).size < 2 ? undefined : wearForecast(rounded, minimumMm)
}
