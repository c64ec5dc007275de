import { zonesOfTrace, ZONE_LEAST, type TracePoint } from '../heat/maths/trace.ts'
import { MOST_ZONES, writtenCycle, type WrittenZone } from '../records/drive-cycle.ts'
import { memberSchema } from '../records/record-schema.ts'
import { schemaProblems } from '../records/schema-problems.ts'
import { STANDARD_GRAVITY } from '../quantity/units.ts'
import { readTable } from './parts-csv.ts'

export type ReadZones = { ok: true; zones: WrittenZone[]; words: string } | { ok: false; message: string }

const numberOf = (text: string | undefined): number | undefined => {
  const clean = (text ?? '').trim().replace(',', '.')
  const value = Number(clean)
  return clean !== '' && Number.isFinite(value) ? value : undefined
}
const round = (value: number, digits: number) => Number(value.toFixed(digits))

/**
 * Braking zones from a block of text: in each line speed before, speed after, deceleration in g, seconds to the next zone,
 * with tabs, semicolons or spaces between.
 *
 * @example
 * readZones('95 45 0.8 9\n110 50 0.8 8').zones.length // => 2
 */
export function readZones(text: string): ReadZones {
  const lines = text.split(/\r?\n/).filter((line) => /\d/.test(line))
  if (lines.length === 0) return { ok: false, message: 'There is no zone in it: each line holds two speeds in km/h, g and seconds.' }
  if (lines.length > MOST_ZONES) return { ok: false, message: `It has ${lines.length} lines; a lap has at most ${MOST_ZONES} zones.` }
  const zones: WrittenZone[] = []
  for (const [i, line] of lines.entries()) {
    const cells = line
      .trim()
      .split(/[\t;]|\s+/)
      .filter((cell) => cell !== '')
      .map(numberOf)
    const [fromKmh, toKmh, decelG, secondsToNext] = cells
    if (cells.length !== 4 || fromKmh === undefined || toKmh === undefined || decelG === undefined || secondsToNext === undefined)
      return { ok: false, message: `Line ${i + 1} needs four numbers: speed before and after in km/h, g, seconds to the next zone.` }
    if (toKmh >= fromKmh) return { ok: false, message: `Line ${i + 1} has to end slower than it begins.` }
    zones.push({ fromKmh, toKmh, decelG, secondsToNext })
  }
  return { ok: true, zones, words: `${zones.length} zones imported.` }
}

/** As many moments as a trace may have: an hour at 50 a second. */
const MOST_POINTS = 200_000
const SPEED_UNITS: readonly [RegExp, number, string][] = [
  [/m\/s|mps|ms-1/, 3.6, 'm/s'],
  [/mph|mi\/h/, 1.609344, 'mph'],
  [/km\/?h|kph/, 1, 'km/h'],
]

/** Braking zones from a speed trace: a table of time and speed with a first row of names, as a data logger writes it. */
export function readTrace(text: string): ReadZones {
  const found = readSpeeds(text)
  return found.ok ? zonesIn(found) : found
}

type ReadSpeeds = { ok: true; trace: TracePoint[]; unit: string } | { ok: false; message: string }
/** Seconds and km/h of such a table. */
export function readSpeeds(text: string): ReadSpeeds {
  const read = readTable(text, MOST_POINTS)
  if (!read.ok) return read
  const { header, rows } = read.table
  const names = header.map((name) => name.toLowerCase())
  const timeAt = names.findIndex((name) => /^(t|time|zeit|elapsed|s|sec)\b/.test(name) || name.includes('time'))
  const speedAt = names.findIndex(
    (name, i) => i !== timeAt && (/speed|velocity|^v\b/.test(name) || SPEED_UNITS.some(([unit]) => unit.test(name))),
  )
  if (timeAt < 0 || speedAt < 0)
    return { ok: false, message: `It needs a column "time" and a column "speed"; it has ${header.slice(0, 8).join(', ')}.` }
  const unit = SPEED_UNITS.find(([pattern]) => pattern.test(names[speedAt]!))
  const perS = /\bms\b|milli/.test(names[timeAt]!) ? 0.001 : 1
  const trace: TracePoint[] = []
  for (const [i, row] of rows.entries()) {
    const [seconds, speed] = [numberOf(row[timeAt]), numberOf(row[speedAt])]
    if (seconds === undefined || speed === undefined) return { ok: false, message: `Row ${i + 2} has no number under time or speed.` }
    const kmh = speed * (unit?.[1] ?? 1)
    if (kmh < -5 || kmh > 500)
      return { ok: false, message: `Row ${i + 2}: ${Math.round(kmh)} km/h cannot be meant; name the unit in the first row.` }
    const last = trace.at(-1)
    if (last && seconds * perS < last[0])
      return { ok: false, message: `Row ${i + 2}: the time goes back. Put the laps one after the other.` }
    // two rows of one moment: the first counts
    if (!last || seconds * perS > last[0]) trace.push([seconds * perS, Math.max(0, kmh)])
  }
  return { ok: true, trace, unit: unit?.[2] ?? 'km/h, as no unit is named' }
}

function zonesIn({ trace, unit }: { trace: TracePoint[]; unit: string }): ReadZones {
  const zones = zonesOfTrace(trace)
  if (zones.length === 0)
    return { ok: false, message: `No speed in it falls by more than ${ZONE_LEAST.fallKmh} km/h at more than ${ZONE_LEAST.decelG} g.` }
  if (zones.length > MOST_ZONES)
    return { ok: false, message: `It brakes ${zones.length} times; a lap has at most ${MOST_ZONES} zones. Cut out one lap.` }
  const minutes = (trace.at(-1)![0] - trace[0]![0]) / 60
  const written = zones.map((one) => ({
    fromKmh: round(one.fromKmh, 1),
    toKmh: round(one.toKmh, 1),
    decelG: Math.min(3, round(one.decelG, 3)),
    secondsToNext: Math.min(3600, round(one.secondsToNext, 2)),
  }))
  // a trace that ends while it brakes says nothing of the way to the next lap
  let assumed = ''
  written.forEach((one, i) => {
    const faster = written[(i + 1) % written.length]!.fromKmh - one.toKmh
    if (one.secondsToNext > 0 || faster <= 0) return
    one.secondsToNext = Math.max(0.01, round(faster / 3.6 / (ASSUMED_G * STANDARD_GRAVITY), 2))
    assumed = ` Between the last braking and the next, speeding up at ${ASSUMED_G} g is assumed.`
  })
  // what would be refused afterwards is refused here, with its place
  const [problem] = schemaProblems(memberSchema(writtenCycle), { kind: 'laps', laps: 1, zones: written })
  if (problem) {
    const zone = Number(/zones\[(\d+)\]/.exec(problem.path)?.[1] ?? 0)
    const atS = trace.find(([, kmh]) => Math.abs(kmh - zones[zone]!.fromKmh) < 0.1)?.[0]
    return {
      ok: false,
      message: `Braking ${zone + 1}${atS === undefined ? '' : `, about ${Math.round(atS)} s into it,`} cannot be used: ${problem.message}. Check its rows, or cut it out.`,
    }
  }
  return {
    ok: true,
    zones: written,
    words: `${zones.length} braking zones in ${minutes.toFixed(1)} min of driving, speeds in ${unit}.${assumed}`,
  }
}
/** How a car speeds up where a trace does not say, g. */
const ASSUMED_G = 0.3
