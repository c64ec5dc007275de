import { lineOf, POINTS, thinnestMm, wearSeries, type WearSeries } from './wear-life.ts'
import type { WearForecastLine } from './maths/wear-forecast.ts'
import type { PadPoint, WearReading } from '../records/logbook.ts'
import type { PartOf } from '../records/part.ts'
import type { Project } from '../records/project.ts'
import { formatQuantity } from '../quantity/format.ts'
import type { Place } from '../figures/figure.ts'

/** One reading of a pad pair, looked at. */
export interface PadLook {
  reading: WearReading
  partName: string
  minimumMm: number | undefined
  thinnest: { mm: number; at: PadPoint } | undefined
  /** Trailing less leading, mm, where both were read. */
  taperMm: { inner: number | undefined; outer: number | undefined }
  /** Mean of the outer less mean of the inner, mm. */
  innerMoreMm: number | undefined
  /** Behind each pad, from the leading end on, mm; empty: not known. */
  pistonsMm: { inner: readonly number[]; outer: readonly number[] }
  /** What follows, the gravest first. */
  says: { tone: 'blocked' | 'needs' | 'check' | 'fits' | 'unknown'; text: string }[]
}
interface WearForecast {
  series: WearSeries
  partName: string
  minimumMm: number | undefined
  line: WearForecastLine | undefined
  tone: 'blocked' | 'needs' | 'check' | 'fits' | 'unknown'
  sentence: string
  /** Where to enter what is missing. */
  at: Place | undefined
}
export interface WearReport {
  looks: PadLook[]
  forecasts: WearForecast[]
  /** What is said first; undefined: nothing was measured. */
  first: WearForecast | undefined
  /** Rotors that were measured otherwise than they are computed with. */
  rotorsNow: { partId: string; partName: string; mm: number; date: string }[]
}

/** A pad that is so much thinner at one end wears unevenly, mm (engineering limit). */
const TAPER_MM = 1
/** Inner and outer so far apart: something sticks, mm. */
const APART_MM = 1.5

/** Wear as it was measured: what is uneven and why, and how long it lasts. */
export function wearReport(project: Project): WearReport {
  const looks = [...project.wearReadings]
    .filter((one) => thinnestMm(one) !== undefined)
    .sort((a, b) => b.date.localeCompare(a.date) || b.events - a.events)
    .map((reading) => look(project, reading))
  const forecasts = wearSeries(project.wearReadings).map((series) => forecast(project, series))
  const first = TONES.flatMap((tone) => forecasts.filter((one) => one.tone === tone))[0]
  return { looks, forecasts, first, rotorsNow: rotorsNow(project) }
}

/** The gravest first; what is not known before what is well. */
const TONES = ['blocked', 'needs', 'check', 'unknown', 'fits'] as const

function rotorsNow({ parts, wearReadings }: Project): WearReport['rotorsNow'] {
  return parts.flatMap((part) => {
    if (part.kind !== 'rotor') return []
    const mine = wearReadings.flatMap(({ rotor, rotorMm, events, date }) =>
      rotor === part.id && rotorMm !== undefined ? [{ rotorMm, events, date }] : [],
    )
    // of both sides the thinner at the last event
    const last = mine.sort((a, b) => b.events - a.events || a.rotorMm - b.rotorMm)[0]
    return !last || part.nowThicknessMm?.value === last.rotorMm
      ? []
      : [{ partId: part.id, partName: part.name, mm: last.rotorMm, date: last.date }]
  })
}

const meanOf = (...values: (number | undefined)[]) => {
  const known = values.filter((one) => one !== undefined)
  return known.length === 0 ? undefined : known.reduce((sum, one) => sum + one, 0) / known.length
}
const less = (a: number | undefined, b: number | undefined) => (a === undefined || b === undefined ? undefined : a - b)

function look(project: Project, reading: WearReading): PadLook {
  const part = project.parts.find((one): one is PartOf<'pad'> => one.id === reading.pad && one.kind === 'pad')
  const caliper = caliperWith(project, reading)
  const mm = (value: number) => formatQuantity(value, 'length', project.preferences.units)
  const minimumMm = part?.minThicknessMm?.value
  const thinnestPoint = POINTS.filter((point) => reading[point] !== undefined).sort((a, b) => reading[a]! - reading[b]!)[0]
  const thinnest = thinnestPoint && { mm: reading[thinnestPoint]!, at: thinnestPoint }
  const taperMm = {
    inner: less(reading.innerTrailingMm, reading.innerLeadingMm),
    outer: less(reading.outerTrailingMm, reading.outerLeadingMm),
  }
  const innerMoreMm = less(meanOf(reading.outerLeadingMm, reading.outerTrailingMm), meanOf(reading.innerLeadingMm, reading.innerTrailingMm))
  const says: PadLook['says'] = []
  if (thinnest && minimumMm !== undefined && thinnest.mm < minimumMm)
    says.push({ tone: 'blocked', text: `Below the minimum of ${mm(minimumMm)}. Replace them before you drive.` })
  const worst = Object.entries(taperMm)
    .filter((pair): pair is [string, number] => pair[1] !== undefined)
    .sort((a, b) => Math.abs(b[1]) - Math.abs(a[1]))[0]
  if (worst && Math.abs(worst[1]) > TAPER_MM) {
    const [which, by] = worst
    says.push({
      tone: 'needs',
      text: `The ${which} pad is ${mm(Math.abs(by))} thinner at its ${by > 0 ? 'leading' : 'trailing'} end. ${by > 0 ? 'Check for worn guide pins or a flexing caliper. Equal pistons cause it too; a smaller leading piston reduces it.' : 'Check for a sticking leading piston, or for left and right calipers exchanged.'}`,
    })
  }
  if (innerMoreMm !== undefined && Math.abs(innerMoreMm) > APART_MM) {
    const sliding = caliper?.construction === 'sliding'
    const thin = innerMoreMm > 0 ? 'inner' : 'outer'
    says.push({
      tone: 'needs',
      text: `The ${thin} pad is ${mm(Math.abs(innerMoreMm))} thinner. ${
        sliding
          ? thin === 'inner'
            ? 'The guide pins stick, so the piston presses only its own pad.'
            : 'The outer pad drags. Check guide pins and pad abutments.'
          : 'Pistons on that side stick, or the opposite ones hardly move. Check the pistons and the pipe between the halves.'
      }`,
    })
  }
  if (says.length === 0 && thinnest) {
    // what was not read, or has no minimum, is not even and not thick enough
    const lacks = [
      ...(POINTS.every((point) => reading[point] !== undefined) ? [] : ['not every place was read']),
      ...(minimumMm === undefined ? ['the minimum thickness is unknown'] : []),
    ]
    says.push(
      lacks.length === 0
        ? { tone: 'fits', text: `Even within ${mm(TAPER_MM)}, and above the minimum of ${mm(minimumMm!)}.` }
        : { tone: 'unknown', text: `No irregular wear, but ${lacks.join(' and ')}.` },
    )
  }
  return {
    reading,
    partName: part?.name ?? 'Pads that are not named',
    minimumMm,
    thinnest,
    taperMm,
    innerMoreMm,
    pistonsMm: pistonsOf(caliper),
    says,
  }
}

/** Of a sliding caliper behind the inner pad alone; staggered ones stand with the smaller leading, as they are meant to. */
function pistonsOf(caliper: PartOf<'caliper'> | undefined): PadLook['pistonsMm'] {
  const all = (caliper?.pistonsMm ?? []).map((one) => one.value).sort((a, b) => a - b)
  return { inner: all, outer: caliper?.construction === 'fixed' ? all : [] }
}

function caliperWith(project: Project, { setupId, axle }: WearReading): PartOf<'caliper'> | undefined {
  const setup = project.setups.find((one) => one.id === setupId) ?? project.setups[0]
  const id = setup[axle].caliper ?? project.setups[0][axle].caliper
  return project.parts.find((one): one is PartOf<'caliper'> => one.id === id && one.kind === 'caliper')
}

const STAMPED = 'It is stamped on the rotor’s edge or hat.'
function forecast(project: Project, series: WearSeries): WearForecast {
  const { axle, side, what, partId, points } = series
  const part = project.parts.find((one) => one.id === partId)
  const minimumMm = part && 'minThicknessMm' in part ? part.minThicknessMm?.value : undefined
  const name = `${what === 'pad' ? 'Pads' : 'Rotor'} ${axle} ${side}`
  const base = { series, partName: part?.name ?? 'a part that is gone', minimumMm, line: undefined, at: undefined }
  const last = points[points.length - 1]!
  const mm = (value: number) => formatQuantity(value, 'length', project.preferences.units)
  if (minimumMm === undefined)
    return {
      ...base,
      tone: 'unknown',
      sentence: `${name}: the minimum thickness is unknown.${what === 'rotor' ? ` ${STAMPED}` : ''}`,
      at: part && { kind: 'part', partId: part.id, field: 'minThicknessMm' },
    }
  if (last[1] < minimumMm)
    return {
      tone: 'blocked',
      sentence: `${name}: ${mm(last[1])} is below the minimum of ${mm(minimumMm)}. Change ${what === 'pad' ? 'them' : 'both rotors'} before you drive.`,
      ...base,
    }
  // a first forecast from one reading: the part was new once
  const newMm = part && 'thicknessMm' in part ? part.thicknessMm?.value : undefined
  const fromNew = newMm !== undefined && new Set(points.map(([event]) => event)).size === 1 && last[0] > 0
  const line = lineOf(fromNew ? { points: [[0, newMm], ...points] } : series, minimumMm)
  if (!line)
    return {
      tone: 'unknown',
      sentence: `${name}: a second reading after some events shows how long ${what === 'pad' ? 'they last' : 'it lasts'}.`,
      ...base,
    }
  if (line.usedUpAt === undefined)
    return { ...base, line, tone: 'unknown', sentence: `${name}: the readings show no wear. Measure again at the same places.` }
  const left = line.usedUpAt - last[0]
  const event = (value: number) => Math.max(0, Math.floor(value)).toString()
  const surelyLeft = line.earliest === undefined ? undefined : line.earliest - last[0]
  const range =
    line.earliest === undefined
      ? 'range unknown'
      : line.latest === undefined
        ? `at least event ${event(line.earliest)} (95% confidence)`
        : `90% range ${event(line.earliest)}–${event(line.latest)}`
  const pace = formatQuantity(line.perEventMm, 'length', project.preferences.units, { decimals: 2 })
  const from = fromNew ? `, from ${mm(newMm)} when new` : ''
  return {
    ...base,
    line,
    tone: line.speedingUp && toneOf(left, surelyLeft) === 'fits' ? 'check' : toneOf(left, surelyLeft),
    sentence: `${name}: ${line.speedingUp ? 'wear is speeding up, now ' : ''}${pace} an event${from}; at its minimum of ${mm(minimumMm)} after event ${event(line.usedUpAt)} (${event(left)} more, ${range}) at the present rate.`,
  }
}
function toneOf(left: number, surelyLeft: number | undefined): WearForecast['tone'] {
  if (left < 1 || (surelyLeft !== undefined && surelyLeft < 1)) return 'needs'
  if (left < SOON_EVENTS) return 'check'
  return surelyLeft === undefined ? 'unknown' : 'fits'
}
/** Parts are ordered so many events ahead. */
const SOON_EVENTS = 3
