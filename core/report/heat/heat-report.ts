import { cornerNodes, DOUBT_RUNS, doubted, HEAT_DEFAULTS } from '../../heat/defaults.ts'
import { dutySegments, type DutyCar } from '../../heat/duty.ts'
import { presentBoil, waterAfter } from '../../heat/fluid.ts'
import { session, type Circuits, type Moment, type Session, type SessionAxle } from '../../heat/session.ts'
import { chain } from '../../hydraulics/chain.ts'
import { axleForcePerMpa, pressurePerNewton, type BrakeSystem } from '../../hydraulics/system.ts'
import { AXLES, type Axle, type Project } from '../../model/project.ts'
import { formatQuantity } from '../../quantity/format.ts'
import { STANDARD_GRAVITY } from '../../quantity/units.ts'
import type { FindingVerdict } from '../figure/finding.ts'
import type { Missing } from '../figure/figure.ts'
import { missingSentence } from '../figure/words.ts'
import { askSlot, readPart, readPartOr, type Context } from '../figure/read.ts'
import { Working } from '../figure/working.ts'
import { hydraulicsOf } from '../pedal/hydraulics-of.ts'
import { DUTIES, type NamedDuty } from './duties.ts'

/** What the foot is asked for at most, N. */
const FOOT_N = 500
const ROLLING_SHARE = 0.012
/** Air: half density times CdA. */
const AIR = { kgPerM3: 1.2, cdaM2: 0.65 }
/** Months that a fluid is taken to have been in service where nobody says. */
const ASSUMED_MONTHS = 12
const ASSUMED_VOID_SHARE = 0.35
/** Length of a lining over its height, where its area is not known. */
const LENGTH_PER_HEIGHT = 2.3
/** Grey iron cracks and pads burn beyond it; seals of a caliper harden (engineering limits). */
const RING_LIMIT_C = 700
const SEALS_LIMIT_C = 200

export type HeatLump = 'face' | 'ring' | 'fluid' | 'caliper'
export interface HeatLine {
  axle: Axle
  lump: HeatLump
  /** "Fluid, front" */
  label: string
  limitC: number
  limitWords: string
  peakC: number
  /** What the peak may be, by the doubts of what nobody measured. */
  lowC: number
  highC: number
  /** First moment beyond the limit, s; undefined: never. Earliest and latest of the runs with doubts. */
  overAtS: number | undefined
  earliestS: number | undefined
  latestS: number | undefined
}
export interface HeatSample {
  seconds: number
  front: Moment
  rear: Moment
}
export interface HeatReport {
  duty: NamedDuty
  /** What to find out before anything can be said. */
  missing: Missing[]
  verdict: FindingVerdict
  sentence: string
  /** What stands open beside it; empty: nothing. */
  notKnown: string
  lines: HeatLine[]
  samples: HeatSample[]
  stock: HeatSample[]
  /** Where each lap or stop begins, s. */
  marks: number[]
  goneAtS: number | undefined
  /** What stood in for figures that nobody entered. */
  assumed: string[]
  workJ: Record<Axle, number>
}

interface Prepared {
  axles: Record<Axle, SessionAxle>
  circuits: Circuits
  car: DutyCar
  boilC: number
  boilWords: string
  /** Upper end of the pads' range; undefined: nobody entered it. */
  padsToC: Record<Axle, number | undefined>
}

/** A setup's brakes over a duty: what reaches its limit, when, and how sure that is. */
export function heatReport(project: Project, setupId: string, dutyId?: string): HeatReport {
  const duty = DUTIES.find((one) => one.id === dutyId) ?? DUTIES[0]!
  const work = new Working()
  const prepared = prepare(work, project, setupId)
  const missing = [...work.missing]
  const nothing = {
    duty,
    missing,
    lines: [],
    samples: [],
    stock: [],
    marks: [],
    goneAtS: undefined,
    assumed: [],
    workJ: { front: 0, rear: 0 },
  }
  if (!prepared) return { ...nothing, verdict: 'unknown', sentence: missingSentence(missing), notKnown: '' }
  const run = drive(prepared, duty)
  const others = DOUBT_RUNS.map((signs) => drive({ ...prepared, axles: withDoubts(prepared.axles, signs) }, duty, false))
  const lines = AXLES.flatMap((axle) => linesOf(axle, prepared, run, others))
  const stockId = project.setups[0].id
  const stock = setupId === stockId ? undefined : prepare(new Working(), project, stockId)
  const marks = marksOf(duty, prepared.car)
  return {
    ...nothing,
    ...said(project, duty, prepared, lines, run.session.gone, marks),
    lines,
    samples: thin(run.samples),
    stock: stock ? thin(drive(stock, duty).samples) : [],
    marks,
    goneAtS: run.session.gone?.seconds,
    assumed: [
      ...work.inputs.filter((one) => one.assumed).map((one) => one.label),
      prepared.boilWords,
      `Air ${AIR.cdaM2} m², rolling ${ROLLING_SHARE} of the weight`,
      ...Object.values(HEAT_DEFAULTS).map((one) => one.label),
    ],
    workJ: run.session.workJ,
  }
}

function prepare(work: Working, project: Project, setupId: string): Prepared | undefined {
  const { system, mass, missing, context } = hydraulicsOf(project, setupId)
  work.askAll(missing)
  const axles = AXLES.map((axle) => (system ? corner(work, context, axle, system) : undefined))
  const { fluid } = context.resolved
  if (!fluid) work.ask('Fluid', { kind: 'slot', setupId, slot: 'fluid' }, 'Choose a fluid in the step Setup.')
  const dryC = fluid ? readPart(work, fluid, 'dryBoilC') : undefined
  const wetC = fluid ? readPart(work, fluid, 'wetBoilC') : undefined
  const [front, rear] = axles
  if (!system || !mass || !front || !rear || dryC === undefined || wetC === undefined) return undefined
  const per = pressurePerNewton(system.master)
  const water = waterAfter(ASSUMED_MONTHS)
  return {
    axles: { front, rear },
    circuits: {
      rearPerFront: per.rear / per.front,
      valve: system.valve,
      mostFrontMpa: chain(system, FOOT_N).front.pressureMpa,
    },
    car: {
      massKg: mass.massKg,
      resistanceN: ROLLING_SHARE * mass.massKg * STANDARD_GRAVITY + (project.car.engineDragN?.value ?? 0),
      resistancePerV2: (AIR.kgPerM3 / 2) * AIR.cdaM2,
    },
    boilC: presentBoil(dryC, wetC, water).boilC,
    padsToC: { front: context.resolved.front.pad?.rangeToC?.value, rear: context.resolved.rear.pad?.rangeToC?.value },
    boilWords: `Fluid in service for ${ASSUMED_MONTHS} months: ${water} % water`,
  }
}

function corner(work: Working, context: Context, axle: Axle, system: BrakeSystem): SessionAxle | undefined {
  const { rotor, pad, caliper } = context.resolved[axle]
  if (caliper?.kind === 'drum') {
    work.ask(`Heat of the drums, ${axle}`, { kind: 'slot', setupId: context.setup.id, axle, slot: 'caliper' }, 'Drums are not covered yet.')
    return undefined
  }
  if (!rotor) askSlot(work, context, axle, 'rotor')
  if (!pad) askSlot(work, context, axle, 'pad')
  if (!rotor || !pad || !caliper) return undefined
  if (!rotor.ventilation) work.ask(`Ventilation of ${rotor.name}`, { kind: 'part', partId: rotor.id, field: 'ventilation' })
  const outerDiameterMm = readPart(work, rotor, 'diameterMm')
  const innerDiameterMm = readPart(work, rotor, 'frictionInnerDiameterMm')
  const thicknessMm = readPart(work, rotor, 'thicknessMm')
  const vented = rotor.ventilation === 'vented'
  const voidShare = vented ? readPartOr(work, rotor, 'voidShare', ASSUMED_VOID_SHARE) : 0
  const padThicknessMm = readPart(work, pad, 'thicknessMm')
  const heightMm = pad.areaMm2 ? undefined : readPart(work, pad, 'heightMm')
  const padAreaMm2 = pad.areaMm2
    ? readPart(work, pad, 'areaMm2')
    : heightMm === undefined
      ? undefined
      : work.assume(heightMm * heightMm * LENGTH_PER_HEIGHT, {
          label: `Lining area of ${pad.name}, from its height`,
          dimension: 'area',
          at: { kind: 'part', partId: pad.id, field: 'areaMm2' },
        })
  const caliperKg = work.read(caliper.massKg, {
    label: `Mass of ${caliper.name}`,
    dimension: 'mass',
    at: { kind: 'part', partId: caliper.id, field: 'massKg' },
  })
  if (
    outerDiameterMm === undefined ||
    innerDiameterMm === undefined ||
    thicknessMm === undefined ||
    padThicknessMm === undefined ||
    padAreaMm2 === undefined ||
    caliperKg === undefined ||
    !rotor.ventilation
  )
    return undefined
  const ring = { outerDiameterMm, innerDiameterMm, thicknessMm, voidShare }
  return {
    nodes: cornerNodes({
      ring,
      vented,
      padAreaMm2,
      padThicknessMm,
      caliperKg,
      caliper: caliper.construction === 'fixed' ? 'aluminium' : 'iron',
    }),
    cheekMm: (thicknessMm * (1 - voidShare)) / 2,
    sealMpa: system[axle].sealMpa,
    forcePerMpaN: axleForcePerMpa(system[axle], system.tyreRadiusMm[axle]),
    // one figure for the friction: it is taken as it is, and fade is not predicted
    friction: undefined,
  }
}

const withDoubts = (axles: Record<Axle, SessionAxle>, signs: readonly number[]): Record<Axle, SessionAxle> => ({
  front: { ...axles.front, nodes: doubted(axles.front.nodes, signs) },
  rear: { ...axles.rear, nodes: doubted(axles.rear.nodes, signs) },
})

const AMBIENT_C = 20
/** After the last braking heat still goes from rotor and pads into the fluid. */
const PARKED_S = 600

interface Driven {
  session: Session
  /** Empty where only the peaks were wanted. */
  samples: HeatSample[]
  /** First moment beyond each limit, s, by axle and lump. */
  over: Map<string, number>
}
function drive({ axles, circuits, car, ...limits }: Prepared, { duty }: NamedDuty, keep = true): Driven {
  const samples: HeatSample[] = []
  const over = new Map<string, number>()
  const watched = AXLES.flatMap((axle) =>
    lumpsOf(axle, limits).map(([lump, key, , limitC]) => ({ axle, key, limitC, id: `${axle}.${lump}` })),
  )
  const segments = [...dutySegments(car, duty), ...dutySegments(car, { kind: 'parked', seconds: PARKED_S })]
  const found = session(axles, circuits, segments, {
    startC: AMBIENT_C,
    ambientC: AMBIENT_C,
    each: (seconds, _, front, rear) => {
      const at = { front, rear }
      for (const one of watched) if (at[one.axle][one.key] > one.limitC && !over.has(one.id)) over.set(one.id, seconds)
      if (keep) samples.push({ seconds, front, rear })
    },
  })
  return { session: found, samples, over }
}

/** Where each lap or stop begins. */
function marksOf({ duty, each }: NamedDuty, car: DutyCar): number[] {
  if (!each) return []
  const marks: number[] = []
  let seconds = 0
  dutySegments(car, duty).forEach((segment, i) => {
    if (i % each.segments === 0) marks.push(seconds)
    seconds += segment.seconds
  })
  return marks
}

type Lump = [lump: HeatLump, key: keyof Moment, name: string, limitC: number, limitWords: string]
function lumpsOf(axle: Axle, { boilC, padsToC }: Pick<Prepared, 'boilC' | 'padsToC'>): Lump[] {
  const padsC = padsToC[axle]
  return [
    ['fluid', 'fluidC', 'Fluid', boilC, 'boils'],
    ...(padsC === undefined ? [] : [['face', 'faceC', 'Pads', padsC, 'end of the pads’ range'] satisfies Lump]),
    ['ring', 'ringC', 'Rotor', RING_LIMIT_C, 'limit of grey iron'],
    ['caliper', 'caliperC', 'Caliper', SEALS_LIMIT_C, 'limit of its seals'],
  ]
}

function linesOf(axle: Axle, prepared: Prepared, run: Driven, others: readonly Driven[]): HeatLine[] {
  return lumpsOf(axle, prepared).map(([lump, key, name, limitC, limitWords]) => {
    const peaks = [run, ...others].map((one) => one.session.peak[axle][key])
    const times = [run, ...others].map((one) => one.over.get(`${axle}.${lump}`))
    const known = times.filter((one) => one !== undefined)
    return {
      axle,
      lump,
      label: `${name}, ${axle}`,
      limitC,
      limitWords,
      peakC: run.session.peak[axle][key],
      lowC: Math.min(...peaks),
      highC: Math.max(...peaks),
      overAtS: times[0],
      earliestS: known.length > 0 ? Math.min(...known) : undefined,
      // one of the runs never gets there: no latest
      latestS: known.length === times.length ? Math.max(...known) : undefined,
    }
  })
}

/** "in lap 4", "after lap 8, standing", "after 140 s". */
function whenWords({ each }: NamedDuty, marks: readonly number[], lastsS: number, seconds: number): string {
  if (!each) return seconds > lastsS ? 'while it stands afterwards' : `after ${Math.round(seconds)} s`
  if (seconds > lastsS) return `after ${each.word} ${marks.length}, while it stands`
  return `in ${each.word} ${marks.filter((mark) => mark <= seconds).length}`
}
const capital = (text: string) => text[0]!.toUpperCase() + text.slice(1)

function said(
  project: Project,
  duty: NamedDuty,
  { padsToC, car }: Prepared,
  lines: readonly HeatLine[],
  gone: Session['gone'],
  marks: readonly number[],
): Pick<HeatReport, 'verdict' | 'sentence' | 'notKnown'> {
  const { units } = project.preferences
  const c = (value: number) => formatQuantity(value, 'temperature', units, { decimals: 0 })
  const lastsS = dutySegments(car, duty.duty).reduce((sum, one) => sum + one.seconds, 0)
  const when = (seconds: number) => whenWords(duty, marks, lastsS, seconds)
  const silent = AXLES.filter((axle) => padsToC[axle] === undefined)
  // whatever else is known: pads of which nobody knows the range may be gone before
  const atBest = (verdict: FindingVerdict): FindingVerdict => (silent.length > 0 ? 'unknown' : verdict)
  const notKnown =
    silent.length > 0 ? `Whether the ${silent.join(' and ')} pads last is not known: their working range is not entered.` : ''
  if (gone)
    return {
      verdict: atBest('needs'),
      notKnown,
      sentence: `${capital(when(gone.seconds))} the foot no longer gives what is asked, at ${FOOT_N} N.`,
    }
  const [first, ...later] = lines.filter((one) => one.overAtS !== undefined).sort((a, b) => a.overAtS! - b.overAtS!)
  if (first) {
    const early = first.earliestS === undefined ? '' : when(first.earliestS)
    const late = first.latestS === undefined ? undefined : when(first.latestS)
    const range =
      late === undefined
        ? `; by the doubts ${early} or never`
        : early === late
          ? ''
          : `; by the doubts between ${early.replace(/^in /, '')} and ${late.replace(/^in /, '')}`
    const then = later.length > 0 ? ` Then: ${later.map((one) => `${one.label.toLowerCase()} ${when(one.overAtS!)}`).join('; ')}.` : ''
    return {
      verdict: atBest('needs'),
      notKnown,
      sentence: `${first.label}: beyond ${c(first.limitC)} (${first.limitWords}) ${when(first.overAtS!)}${range}.${then}`,
    }
  }
  const nearest = [...lines].sort((a, b) => a.limitC - a.highC - (b.limitC - b.highC))[0]!
  const { label, peakC, highC, limitC, limitWords } = nearest
  if (highC > limitC)
    return {
      verdict: atBest('check'),
      notKnown,
      sentence: `${label}: ${c(peakC)} of ${c(limitC)} (${limitWords}) by the likely figures, but the doubts reach ${c(highC)}.`,
    }
  const held = `nearest is ${label.toLowerCase()} with ${c(peakC)} of ${c(limitC)} (${limitWords})`
  return silent.length > 0
    ? { verdict: 'unknown', notKnown, sentence: `Rotors, calipers and fluid stay within their limits; ${held}.` }
    : { verdict: 'fits', notKnown, sentence: `Nothing reaches its limit; ${held}.` }
}

/** As many samples as a chart can show. */
const SHOWN = 400
function thin(samples: readonly HeatSample[]): HeatSample[] {
  const every = Math.max(1, Math.ceil(samples.length / SHOWN))
  return samples.filter((_, i) => i % every === 0 || i === samples.length - 1)
}
