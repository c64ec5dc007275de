import { lineOf, wearSeries } from '../evidence/wear-life.ts'
import type { Axle } from '../quantity/axle.ts'
import type { Project } from '../records/project.ts'
import type { Figure } from '../quantity/figure.ts'

/** A range of 90 % is so many standard uncertainties wide either way. */
const NINETY = 1.645
/** The schema knows no life outside of it. */
const EVENTS = { least: 0.1, most: 1000 } as const

/**
 * How many events pads or rotors last by what was measured of this very part: of both sides the one that goes first. Undefined
 * where readings of two events are missing, nothing wears, or the minimum is not known.
 */
export function measuredLife(project: Project, axle: Axle, what: 'pad' | 'rotor', partId: string | undefined): Figure | undefined {
  const part = project.parts.find((one) => one.id === partId)
  const minimumMm = part && 'minThicknessMm' in part ? part.minThicknessMm?.value : undefined
  if (minimumMm === undefined) return undefined
  const lives = wearSeries(project.wearReadings.filter((one) => one.axle === axle)).flatMap((series) => {
    if (series.what !== what || series.partId !== partId) return []
    const line = lineOf(series, minimumMm)
    const last = series.points[series.points.length - 1]![0]
    if (line?.usedUpAt === undefined || line.usedUpAt > EVENTS.most) return []
    const half = line.earliest !== undefined && line.latest !== undefined ? (line.latest - line.earliest) / 2 : undefined
    // a side that was used up before it began counts all the same
    return [
      {
        value: Math.max(EVENTS.least, line.usedUpAt),
        u: half === undefined ? undefined : half / NINETY,
        readings: series.points.length,
        last,
      },
    ]
  })
  const first = lives.sort((a, b) => a.value - b.value)[0]
  if (!first) return undefined
  const value = Math.round(first.value * 10) / 10
  return {
    value,
    origin: 'measured',
    // no doubt is larger than the life itself
    ...(first.u === undefined ? {} : { u: Math.min(Math.max(first.u, 0.05), value) }),
    note: `A straight line through ${first.readings} readings up to event ${first.last}`,
  }
}
