import { cornerNodes } from '../../heat/defaults.ts'
import { dutySegments, type DutyCar } from '../../heat/duty.ts'
import { presentBoil, waterAfter } from '../../heat/fluid.ts'
import { session, type Circuits, type Moment, type Session, type SessionAxle } from '../../heat/session.ts'
import { chain } from '../../hydraulics/chain.ts'
import { axleForcePerMpa, pressurePerNewton, type BrakeSystem } from '../../hydraulics/system.ts'
import { AXLES, type Axle, type Project } from '../../model/project.ts'
import { STANDARD_GRAVITY } from '../../quantity/units.ts'
import { FAILURE_FORCE_N } from '../balance/balance-report.ts'
import { askSlot, readPart, readPartOr, type Context } from '../figure/read.ts'
import type { Working } from '../figure/working.ts'
import { hydraulicsOf } from '../pedal/hydraulics-of.ts'
import type { NamedDuty } from './duties.ts'
import { ASSUMED_VOID_SHARE } from './heat.ts'
import { padFriction } from './pad-friction.ts'

export const ROLLING_SHARE = 0.012
/** Air: half density times CdA. */
export const AIR = { kgPerM3: 1.2, cdaM2: 0.65 }
/** Months that a fluid is taken to have been in service where nobody says. */
const ASSUMED_MONTHS = 12
/** Length of a lining over its height, where its area is not known. */
const LENGTH_PER_HEIGHT = 2.3
/** Grey iron cracks and pads burn beyond it; seals of a caliper harden (engineering limits). */
const RING_LIMIT_C = 700
const SEALS_LIMIT_C = 200

export type HeatLump = 'face' | 'ring' | 'fluid' | 'caliper'
/** All temperatures of both corners at one moment. */
export interface HeatSample {
  seconds: number
  front: Moment
  rear: Moment
}
/** Everything a session of a setup is made of. */
export interface Prepared {
  axles: Record<Axle, SessionAxle>
  circuits: Circuits
  car: DutyCar
  boilC: number
  /** With all the water that a fluid takes up: how long it has been in service is not known. */
  boilWetC: number
  boilWords: string
  /** How much the booster gives at most is known, or there is none: else what the foot gives is a most. */
  assistKnown: boolean
  /** Upper end of the pads' range; undefined: nobody entered it. */
  padsToC: Record<Axle, number | undefined>
}

/** Reads a setup's session; what is missing has been asked for. */
export function prepare(work: Working, project: Project, setupId: string): Prepared | undefined {
  const { system, mass, missing, unknownAssist, context } = hydraulicsOf(project, setupId)
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
      mostFrontMpa: chain(system, FAILURE_FORCE_N).front.pressureMpa,
    },
    car: {
      massKg: mass.massKg,
      resistanceN: ROLLING_SHARE * mass.massKg * STANDARD_GRAVITY + (project.car.engineDragN?.value ?? 0),
      resistancePerV2: (AIR.kgPerM3 / 2) * AIR.cdaM2,
    },
    boilC: presentBoil(dryC, wetC, water).boilC,
    boilWetC: wetC,
    assistKnown: unknownAssist === undefined,
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
  const brake = system[axle]
  if (!rotor || !pad || !caliper || brake.kind !== 'disc') return undefined
  if (!rotor.ventilation) work.ask(`Ventilation of ${rotor.name}`, { kind: 'part', partId: rotor.id, field: 'ventilation' })
  const outerDiameterMm = readPart(work, rotor, 'diameterMm')
  const innerDiameterMm = readPart(work, rotor, 'frictionInnerDiameterMm')
  const thicknessMm = readPart(work, rotor, 'thicknessMm')
  const vented = rotor.ventilation === 'vented'
  const voidShare = vented ? readPartOr(work, rotor, 'voidShare', ASSUMED_VOID_SHARE) : 0
  const friction = padFriction(work, pad)
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
    friction === 'unclear' ||
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
    forcePerMpaN: axleForcePerMpa(friction ? { ...brake, mu: 1 } : brake, system.tyreRadiusMm[axle]),
    // one figure for the friction: it is taken as it is, and fade is not predicted
    friction,
  }
}

export const AMBIENT_C = 20
/** After the last braking heat still goes from rotor and pads into the fluid. */
const PARKED_S = 600

export interface Driven {
  session: Session
  /** Empty where only the peaks were wanted. */
  samples: HeatSample[]
  /** First moment beyond each limit, s, by axle and lump. */
  over: Map<string, number>
}
/** Drives a duty and stands afterwards. */
export function drive({ axles, circuits, car, ...limits }: Prepared, { duty }: NamedDuty, keep = true): Driven {
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
export function marksOf({ duty, each }: NamedDuty, car: DutyCar): number[] {
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
/** What of a corner has a limit, and which. */
export function lumpsOf(axle: Axle, { boilC, padsToC }: Pick<Prepared, 'boilC' | 'padsToC'>): Lump[] {
  const padsC = padsToC[axle]
  return [
    ['fluid', 'fluidC', 'Fluid', boilC, 'boils'],
    ...(padsC === undefined ? [] : [['face', 'faceC', 'Pads', padsC, 'end of the pads’ range'] satisfies Lump]),
    ['ring', 'ringC', 'Rotor', RING_LIMIT_C, 'limit of grey iron'],
    ['caliper', 'caliperC', 'Caliper', SEALS_LIMIT_C, 'limit of its seals'],
  ]
}
