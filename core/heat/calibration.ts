import { HEAT_DEFAULTS, type Doubted, DOUBTED } from './maths/defaults.ts'
import { cycleSegments } from './maths/drive-cycle.ts'
import { calibrate, type CalibrationScale } from './maths/calibrate.ts'
import type { SessionAxle } from './maths/session.ts'
import { READ_NODES, TEMPERATURE_METHODS, type HeatReading, type ReadNode } from '../records/logbook.ts'
import type { Project } from '../records/project.ts'
import { findSetup, resolveSetup } from '../records/resolve.ts'
import { capital, formatQuantity } from '../quantity/format.ts'
import { Working } from '../figures/working.ts'
import { ownCycle } from './drive-cycles.ts'
import { drive, driveDoubts, prepare, type Driven, type Prepared } from './session-run.ts'

/** Which doubtful figure a reading of a lump says most about. */
const SPEAKS_OF = { ring: 'h1', pad: 'ringToPadWPerK', caliper: 'padToCaliperWPerK' } as const satisfies Record<ReadNode, Doubted>
const WORDS: Record<ReadNode, string> = {
  ring: 'cooling by speed',
  pad: 'heat from rotor to pads',
  caliper: 'heat from pads to caliper',
}
const KEYS = { ring: 'ringC', pad: 'padC', caliper: 'caliperC' } as const
const SLOT = { ring: 'rotor', pad: 'pad', caliper: 'caliper' } as const

/** What one reading did. */
export interface ReadingUsed {
  id: string
  used: boolean
  words: string
}

/** A session with what was read on these parts taken in, and what each reading did. */
export function calibrated(project: Project, setupId: string, prepared: Prepared): { prepared: Prepared; readings: ReadingUsed[] } {
  let at = prepared
  const readings = project.heatReadings.flatMap((reading): ReadingUsed[] => {
    if (!speaksOf(project, setupId, reading)) return []
    const result = take(project, at, reading)
    if (result.prepared) at = result.prepared
    return [{ id: reading.id, used: result.prepared !== undefined, words: result.words }]
  })
  return { prepared: at, readings }
}

/** Whether the part that a reading was taken on is in this setup, and still in the one that was driven. */
function speaksOf(project: Project, setupId: string, { axle, lump, parts, setupId: drivenId }: HeatReading): boolean {
  const slot = SLOT[lump]
  const fitted = (id: string) => {
    const setup = findSetup(project, id)
    return setup && resolveSetup(project, setup)[axle][slot]?.id
  }
  const here = fitted(setupId)
  return here !== undefined && parts.includes(here) && fitted(drivenId) === here
}

function take(project: Project, target: Prepared, reading: HeatReading): { prepared: Prepared | undefined; words: string } {
  const { axle, lump, method, readC, airC } = reading
  const { units } = project.preferences
  const c = (value: number) => formatQuantity(value, 'temperature', units, { decimals: 0 })
  const said = `${capital(READ_NODES[lump])}, ${axle}, ${c(readC)} by ${TEMPERATURE_METHODS[method].label}`
  const driven = prepare(new Working(), project, reading.setupId)
  if (!driven) return { prepared: undefined, words: `${said}: the setup that was driven cannot be computed.` }
  const key = SPEAKS_OF[lump]
  const prior: CalibrationScale = { by: 1, doubt: target.doubts[axle][key] ?? priorDoubt(key) }
  const base = driven.axles[axle].nodes[key]
  // what was read before counts for what was driven too
  const sofar = target.axles[axle].nodes[key] / target.bases[axle].nodes[key]
  const duty = drivenThen(reading)
  const lastsS = cycleSegments(driven.car, duty.duty).reduce((sum, one) => sum + one.seconds, 0)
  const at = (factor: number) => {
    const axles = { ...driven.axles, [axle]: withFigure(driven.axles[axle], key, base * sofar * factor) }
    return readAt(drive({ ...driven, axles }, duty, { coarser: 2, ambientC: airC }), reading, lastsS)
  }
  const found = calibrate({ at, readC, readU: TEMPERATURE_METHODS[method].u, otherU: otherDoubt(driven, reading, key), prior })
  if (!found.ok)
    return {
      prepared: undefined,
      words: `${said}: not used. The closest possible calculated temperature is ${c(found.nearestC)}. Check the reading, the session and the parts’ values.`,
    }
  const { by, doubt } = found.scale
  const scaled = (all: Prepared['axles']): Prepared['axles'] => ({ ...all, [axle]: withFigure(all[axle], key, all[axle].nodes[key] * by) })
  const total = sofar * by
  return {
    prepared: {
      ...target,
      axles: scaled(target.axles),
      worst: target.worst && { ...target.worst, axles: scaled(target.worst.axles) },
      doubts: { ...target.doubts, [axle]: { ...target.doubts[axle], [key]: doubt } },
    },
    words: `${said}: ${WORDS[lump]} ${formatQuantity(total, 'number', undefined, { decimals: 2 })} times the nominal value, known to ${percent(doubt)} instead of ${percent(prior.doubt)}.`,
  }
}
const drivenThen = ({ id, driving }: HeatReading) => ownCycle(id, driving.name, driving.duty)
const percent = (value: number) => `${Math.round(value * 100)}%`
const priorDoubt = (key: Doubted): number => DOUBTED.find(([one]) => one === key)?.[1] ?? HEAT_DEFAULTS.h1Vented.doubt
const withFigure = (axle: SessionAxle, key: Doubted, value: number): SessionAxle => ({ ...axle, nodes: { ...axle.nodes, [key]: value } })
/** The temperature that the reading is of: at its moment after the driving, or the highest. */
function readAt({ session, samples }: Driven, { axle, lump, method, afterS }: HeatReading, lastsS: number): number {
  const key = KEYS[lump]
  // a session that ends within its first step has no other moment
  if (TEMPERATURE_METHODS[method].peak || samples.length === 0) return session.peak[axle][key]
  const endS = lastsS + afterS
  return samples.reduce((a, b) => (Math.abs(b.seconds - endS) < Math.abs(a.seconds - endS) ? b : a))[axle][key]
}

/** What the doubts that the reading does not speak of make of that temperature, degC. */
function otherDoubt(driven: Prepared, reading: HeatReading, key: Doubted): number {
  const doubts = { ...driven.doubts, [reading.axle]: { ...driven.doubts[reading.axle], [key]: 0 } }
  const peaks = driveDoubts({ ...driven, doubts }, drivenThen(reading)).map((one) => one.session.peak[reading.axle][KEYS[reading.lump]])
  const mean = peaks.reduce((sum, one) => sum + one, 0) / peaks.length
  return Math.sqrt(peaks.reduce((sum, one) => sum + (one - mean) ** 2, 0) / peaks.length)
}

/** Which reading would narrow a range most: what each doubtful figure does to it, by the runs (their main effects). */
export function readNext(
  peaks: readonly number[],
  runs: readonly (readonly number[])[],
  own: Prepared['doubts']['front'],
): ReadNode | undefined {
  const effects = DOUBTED.map(([key], i) => ({
    key,
    effect: Math.abs(runs.reduce((sum, signs, at) => sum + signs[i]! * peaks[at]!, 0) / runs.length),
  }))
  const lumps = (Object.keys(SPEAKS_OF) as ReadNode[]).filter((lump) => own[SPEAKS_OF[lump]] === undefined)
  const best = lumps
    .map((lump) => ({ lump, effect: effects.find((one) => one.key === SPEAKS_OF[lump])!.effect }))
    .sort((a, b) => b.effect - a.effect)[0]
  return best && best.effect > NOT_WORTH_C ? best.lump : undefined
}
/** What a reading would narrow by less than this is not worth a reading, degC. */
const NOT_WORTH_C = 3
