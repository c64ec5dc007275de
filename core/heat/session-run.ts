import { doubted, DOUBT_RUNS, type OwnDoubts } from './maths/defaults.ts'
import { cycleSegments, repeatsOf, type DriveCycle, type CycleCar } from './maths/drive-cycle.ts'
import type { CornerNodes } from './maths/nodes.ts'
import { session, type SessionCircuits, type Moment, type Session, type SessionAxle } from './maths/session.ts'
import { chain } from '../hydraulics/maths/chain.ts'
import { axleForcePerMpa, pressurePerNewton, type BrakeSystem } from '../hydraulics/maths/system.ts'
import { AXLES, type Axle } from '../quantity/axle.ts'
import type { Project } from '../records/project.ts'
import { STANDARD_GRAVITY } from '../quantity/units.ts'
import { FAILURE_FORCE_N } from '../balance/balance-report.ts'
import type { Context } from '../figures/read.ts'
import type { Working } from '../figures/working.ts'
import { hydraulicsOf } from '../hydraulics/hydraulics-of.ts'
import { pressureAtFullStroke } from '../hydraulics/master-stroke.ts'
import { readCorner } from './corner-figures.ts'
import type { NamedCycle } from './drive-cycles.ts'
import { fluidNow, type FluidNow } from './fluid-state.ts'
import { padFriction } from './pad-friction.ts'

export const ASSUMED_ROLLING_SHARE = 0.012
/** Air: density, and CdA where nobody entered it. */
const AIR_KG_PER_M3 = 1.2
export const ASSUMED_DRAG_M2 = 0.65
const LEAST_ROLLING_SHARE = 0.004
const LEAST_DRAG_M2 = 0.2
/** Grey iron cracks and pads burn beyond it; a drilled ring of one piece cracks from its holes before; carbon stands more. */
const RING_LIMIT_C = { iron: 700, stainless: 700, carbon: 1000 } as const
const DRILLED_LIMIT_C = 550
/** Seals of a caliper harden beyond it (engineering limit). */
const SEALS_LIMIT_C = 200

export type ThermalNode = 'face' | 'ring' | 'fluid' | 'caliper'
/** All temperatures of both corners at one moment. */
export interface HeatSample {
  seconds: number
  front: Moment
  rear: Moment
}
/** What each corner may reach, degC. */
interface SessionLimits {
  boilC: number
  /** Upper end of the pads' range; undefined: nobody entered it, or there are none. */
  padsToC: Record<Axle, number | undefined>
  ringC: Record<Axle, number>
}
/** Everything a session of a setup is made of. */
export interface Prepared {
  context: Context
  axles: Record<Axle, SessionAxle>
  /** The same before any temperature was read. */
  bases: Record<Axle, SessionAxle>
  doubts: Record<Axle, OwnDoubts>
  circuits: SessionCircuits
  car: CycleCar
  limits: SessionLimits
  fluid: FluidNow
  /** The same with everything that nobody said at its worst; undefined: nothing is open. */
  worst: { axles: Record<Axle, SessionAxle>; limits: SessionLimits; car: CycleCar; open: string[] } | undefined
  /** How much the booster gives at most is known, or there is none: else what the foot gives is a most. */
  assistKnown: boolean
  /** What the master's stroke gives at most, MPa; undefined: not known. */
  strokeMpa: number | undefined
  /** Brakes without pads, of which no range is asked. */
  drums: Axle[]
}

/** Reads a setup's session; what is missing has been asked for. */
export function prepare(work: Working, project: Project, setupId: string): Prepared | undefined {
  const hydraulics = hydraulicsOf(project, setupId)
  const { system, mass, missing, unknownAssist, context } = hydraulics
  work.askAll(missing)
  const corners = AXLES.map((axle) => (system ? corner(work, context, axle, system) : undefined))
  const { fluid } = context.resolved
  if (!fluid) work.ask('Fluid', { kind: 'slot', setupId, slot: 'fluid' }, 'Choose a fluid in the step Setup.')
  const state = fluid ? fluidNow(work, project, fluid) : undefined
  const [front, rear] = corners
  if (!system || !mass || !front || !rear || !state) return undefined
  const per = pressurePerNewton(system.master)
  const strokeMpa = pressureAtFullStroke(hydraulics)
  const engineDragN = project.car.engineDragN?.value ?? 0
  const padsToC = { front: context.resolved.front.pad?.rangeToC?.value, rear: context.resolved.rear.pad?.rangeToC?.value }
  const drums = AXLES.filter((axle) => context.resolved[axle].caliper?.kind === 'drum')
  for (const axle of drums) padsToC[axle] = undefined
  const limits: SessionLimits = { boilC: state.boilC, padsToC, ringC: { front: front.ringC, rear: rear.ringC } }
  const worstLimits: SessionLimits = {
    boilC: state.worstBoilC ?? state.boilC,
    padsToC,
    ringC: { front: front.worstRingC, rear: rear.worstRingC },
  }
  const { dragAreaM2, rollingShare } = project.car
  const carOf = (rolling: number, dragM2: number): CycleCar => ({
    massKg: mass.massKg,
    resistanceN: (rollingShare?.value ?? rolling) * mass.massKg * STANDARD_GRAVITY + engineDragN,
    engineDragN,
    resistancePerV2: (AIR_KG_PER_M3 / 2) * (dragAreaM2?.value ?? dragM2),
  })
  const open = [
    ...front.open,
    ...rear.open,
    ...(state.worstBoilC === undefined ? [] : ['how long the fluid has been in service']),
    ...(dragAreaM2 ? [] : ['what the air holds back']),
    ...(rollingShare ? [] : ['how the car rolls']),
  ]
  return {
    context,
    axles: { front: front.axle, rear: rear.axle },
    bases: { front: front.axle, rear: rear.axle },
    doubts: { front: {}, rear: {} },
    circuits: {
      rearPerFront: per.rear / per.front,
      valve: system.valve,
      mostFrontMpa: Math.min(chain(system, FAILURE_FORCE_N).front.pressureMpa, strokeMpa ?? Infinity),
    },
    car: carOf(ASSUMED_ROLLING_SHARE, ASSUMED_DRAG_M2),
    limits,
    fluid: state,
    worst:
      open.length === 0
        ? undefined
        : {
            axles: { front: withNodes(front.axle, front.worst), rear: withNodes(rear.axle, rear.worst) },
            limits: worstLimits,
            // least of what is usual: the brakes have to do the rest
            car: carOf(LEAST_ROLLING_SHARE, LEAST_DRAG_M2),
            open,
          },
    assistKnown: unknownAssist === undefined,
    strokeMpa,
    drums,
  }
}
const withNodes = (axle: SessionAxle, nodes: CornerNodes | undefined): SessionAxle => (nodes ? { ...axle, nodes } : axle)

interface CornerPrepared {
  axle: SessionAxle
  worst: CornerNodes | undefined
  open: string[]
  ringC: number
  worstRingC: number
}
function corner(work: Working, context: Context, axle: Axle, system: BrakeSystem): CornerPrepared | undefined {
  const { rotor, pad } = context.resolved[axle]
  const brake = system[axle]
  const read = readCorner(work, context, axle)
  const friction = brake.kind === 'disc' && pad ? padFriction(work, pad) : undefined
  if (!read || friction === 'unclear') return undefined
  const ringC = RING_LIMIT_C[(brake.kind === 'disc' ? rotor?.material : undefined) ?? 'iron']
  const onePiece = rotor?.construction !== 'twoPiece'
  const [drilled, facesOpen] = brake.kind === 'disc' && onePiece ? [rotor?.faces === 'drilled', !rotor?.faces] : [false, false]
  return {
    axle: {
      nodes: read.nodes,
      cheekMm: read.cheekMm,
      sealMpa: brake.sealMpa,
      forcePerMpaN: axleForcePerMpa(friction && brake.kind === 'disc' ? { ...brake, mu: 1 } : brake, system.tyreRadiusMm[axle]),
      // one figure for the friction: it is taken as it is, and fade is not predicted
      friction,
    },
    worst: read.worst,
    open: facesOpen ? [...read.open, `whether the rotor is drilled, ${axle}`] : read.open,
    ringC: drilled ? Math.min(DRILLED_LIMIT_C, ringC) : ringC,
    worstRingC: drilled || facesOpen ? Math.min(DRILLED_LIMIT_C, ringC) : ringC,
  }
}

export const AMBIENT_C = 20
/** After the last braking heat still goes from rotor and pads into the fluid. */
export const PARKED_S = 600

export interface Driven {
  session: Session
  /** Empty where only the peaks were wanted. */
  samples: HeatSample[]
  /** First moment beyond each limit, s, by axle and lump. */
  over: Map<string, number>
  /** Time beyond each limit, s. */
  beyondS: Map<string, number>
}
interface DriveOptions {
  /** Whether all moments are wanted, or only the peaks. */
  keep?: boolean
  coarser?: number
  ambientC?: number
}
/** A session of so many brakings is looked at in usual steps; a longer one in longer ones, up to some times as long. */
const USUAL_BRAKINGS = 300
const MOST_COARSER = 3
function coarserOf(duty: DriveCycle): number {
  const brakings = duty.kind === 'laps' ? duty.laps * duty.zones.length : duty.kind === 'stops' ? duty.count : 1
  return Math.min(Math.max(brakings / USUAL_BRAKINGS, 1), MOST_COARSER)
}
/** Drives a duty and stands afterwards. */
export function drive(
  { axles, circuits, car, limits }: Pick<Prepared, 'axles' | 'circuits' | 'car' | 'limits'>,
  { duty }: NamedCycle,
  { keep = true, coarser = 1, ambientC = AMBIENT_C }: DriveOptions = {},
): Driven {
  const samples: HeatSample[] = []
  const over = new Map<string, number>()
  const beyondS = new Map<string, number>()
  const watched = AXLES.flatMap((axle) =>
    nodesOf(axle, limits).map(([lump, key, , limitC]) => ({ axle, key, limitC, id: `${axle}.${lump}` })),
  )
  const segments = [...cycleSegments(car, duty), ...cycleSegments(car, { kind: 'parked', seconds: PARKED_S })]
  let before = 0
  const found = session(axles, circuits, segments, {
    startC: ambientC,
    ambientC,
    coarser: coarser * coarserOf(duty),
    repeats: repeatsOf(duty),
    each: (seconds, _, front, rear) => {
      const at = { front, rear }
      for (const one of watched)
        if (at[one.axle][one.key] > one.limitC) {
          if (!over.has(one.id)) over.set(one.id, seconds)
          beyondS.set(one.id, (beyondS.get(one.id) ?? 0) + seconds - before)
        }
      before = seconds
      if (keep) samples.push({ seconds, front: { ...front }, rear: { ...rear } })
    },
  })
  return { session: found, samples, over, beyondS }
}

/** Longer steps for the runs with doubts: their range is wider than what that costs. */
const COARSER = 3
/** The same driving with the doubtful figures at their ends. */
export const driveDoubts = (prepared: Prepared, duty: NamedCycle): Driven[] =>
  DOUBT_RUNS.map((signs) => drive({ ...prepared, axles: withDoubts(prepared, signs) }, duty, { keep: false, coarser: COARSER }))

const withDoubts = ({ axles, doubts }: Pick<Prepared, 'axles' | 'doubts'>, signs: readonly number[]): Record<Axle, SessionAxle> => ({
  front: { ...axles.front, nodes: doubted(axles.front.nodes, signs, doubts.front) },
  rear: { ...axles.rear, nodes: doubted(axles.rear.nodes, signs, doubts.rear) },
})

/** Where each lap or stop begins. */
export function marksOf({ duty, each }: NamedCycle, car: CycleCar): number[] {
  if (!each) return []
  const marks: number[] = []
  let seconds = 0
  cycleSegments(car, duty).forEach((segment, i) => {
    if (i % each.segments === 0 && marks.length < each.count) marks.push(seconds)
    seconds += segment.seconds
  })
  return marks
}

type Lump = [lump: ThermalNode, key: keyof Moment, name: string, limitC: number, limitWords: string]
/** What of a corner has a limit, and which. */
export function nodesOf(axle: Axle, { boilC, padsToC, ringC }: SessionLimits): Lump[] {
  const padsC = padsToC[axle]
  return [
    ['fluid', 'fluidC', 'Fluid', boilC, 'boils'],
    ...(padsC === undefined ? [] : [['face', 'faceC', 'Pad surface', padsC, 'limit of the pad surface'] satisfies Lump]),
    ['ring', 'ringC', 'Rotor', ringC[axle], ringC[axle] === DRILLED_LIMIT_C ? 'limit of a drilled rotor' : 'limit of the rotor'],
    ['caliper', 'caliperC', 'Caliper', SEALS_LIMIT_C, 'limit of its seals'],
  ]
}
