import { throttle } from '../../hydraulics/maths/chain.ts'
import type { Valve } from '../../hydraulics/maths/system.ts'
import type { Axle } from '../../quantity/axle.ts'
import { CornerHeat } from './corner-heat.ts'
import { steps, workJ, type CycleSegment, type Repeats } from './drive-cycle.ts'
import { fluidC, IRON_HEAT, specificHeat, type CornerNodes, type Temperatures } from './nodes.ts'

/** W/(m K) of grey iron: what a rubbing face is hotter than its ring. */
const IRON_W_PER_M_K = 50

/** Friction over face temperature: points straight between and flat outside, degC rising. */
export type FrictionCurve = readonly (readonly [atC: number, mu: number])[]

export function frictionAt(curve: FrictionCurve, atC: number): number {
  if (atC <= curve[0]![0]) return curve[0]![1]
  for (let i = 1; i < curve.length; i += 1) {
    const [to, end] = curve[i]!
    if (atC > to) continue
    const [from, begin] = curve[i - 1]!
    return to > from ? begin + ((end - begin) * (atC - from)) / (to - from) : end
  }
  return curve[curve.length - 1]![1]
}

/** One axle of a session: two corners alike. */
export interface SessionAxle {
  nodes: CornerNodes
  /** What heat crosses from a rubbing face, mm. */
  cheekMm: number
  sealMpa: number
  /** Force at the road of both wheels for one MPa above the seal's threshold, at a friction of 1; of a drum as it is. */
  forcePerMpaN: number
  /** Undefined: it does not change with heat, and stands in `forcePerMpaN`. */
  friction: FrictionCurve | undefined
}

/** How the pressures of the circuits hang together: the rear's is the front's times a ratio, through the valve. */
export interface SessionCircuits {
  rearPerFront: number
  valve: Valve | undefined
  /** What foot, booster and stroke give at most, at the front. */
  mostFrontMpa: number
}

/** A corner at one moment. */
export interface Moment extends Temperatures {
  faceC: number
  fluidC: number
}
interface SessionEnd {
  front: Temperatures
  rear: Temperatures
}
export interface Session {
  /** At the end of each whole segment. */
  ends: SessionEnd[]
  /** Given off to the air by the corners of each axle until the end of each whole segment, J. */
  givenOffJ: Record<Axle, number>[]
  peak: Record<Axle, Moment>
  peakPressureMpa: number
  /** The pressure no longer gave the asked force: in which segment, how long after the start, s. The run ends there. */
  gone: { segment: number; seconds: number } | undefined
  /** Brake work that went into the corners of each axle, J. */
  workJ: Record<Axle, number>
}

interface SessionOptions {
  startC: number
  ambientC: number
  /** Called at each step's end: time since the start, segment, corners. The corners are written anew at the next step: copy what is kept. */
  each?: (seconds: number, segment: number, front: Moment, rear: Moment, pressureMpa: number) => void
  /** Longest step, s, for looking at what steps do. */
  mostStepS?: number
  /** Steps so many times as long as usual, where a degree more or less does not matter. */
  coarser?: number
  /** The first segments are one stretch that is driven again and again. Once it ends as it began, it is not computed anew. */
  repeats?: Repeats | undefined
}

/**
 * Both axles over a duty: at each step the pressure that gives the force owed, with the friction that each axle has at
 * the temperature of its faces, so that an axle that fades leaves the work to the other (R. Limpert, Brake Design and
 * Safety, ch. 3). The run ends where that pressure is more than there is.
 */
export function session(
  axles: Readonly<Record<Axle, SessionAxle>>,
  circuits: SessionCircuits,
  segments: readonly CycleSegment[],
  { startC, ambientC, each, mostStepS, coarser, repeats }: SessionOptions,
): Session {
  const front = new PadSide(axles.front, startC, ambientC)
  const rear = new PadSide(axles.rear, startC, ambientC)
  const corners = cornersOf(axles.front.sealMpa, axles.rear.sealMpa, circuits)
  const ends: SessionEnd[] = []
  const givenOffJ: Record<Axle, number>[] = []
  let seconds = 0
  let peakPressureMpa = 0
  /** Steps of the stretch that is being driven, kept as soon as it may be the last that is computed. */
  let record: KeptState[] | undefined
  /** Goes a step; where the pressure is not enough, as far as it is. */
  const go = (segment: CycleSegment, at: number, from: number, to: number, stepS: number): boolean => {
    const braking = segment.forceN > 0
    const work = braking ? workJ(segment, from, to, stepS) : 0
    let pressureMpa = 0
    if (work > 0) {
      pressureMpa = shared(front, rear, circuits, corners, work / (((from + to) / 2) * stepS), work / stepS, stepS)
      if (!(pressureMpa <= circuits.mostFrontMpa)) {
        if (stepS <= GONE_WITHIN_S) {
          lastPush(front, rear, circuits, work / stepS, from)
          return false
        }
        const middle = (from + to) / 2
        return go(segment, at, from, middle, stepS / 2) && go(segment, at, middle, to, stepS / 2)
      }
      peakPressureMpa = Math.max(peakPressureMpa, pressureMpa)
    }
    front.step(stepS, (from + to) / 2, work, braking)
    rear.step(stepS, (from + to) / 2, work, braking)
    seconds += stepS
    each?.(seconds, at, front.now, rear.now, pressureMpa)
    record?.push({ seconds, segment: at, front: { ...front.now }, rear: { ...rear.now }, pressureMpa })
    return true
  }
  const drive = (segment: CycleSegment, at: number): boolean => {
    const { count, seconds: stepS, ms } = steps(segment, mostStepS, coarser)
    for (let i = 0; i < count; i += 1) if (!go(segment, at, ms(i), ms(i + 1), stepS(i))) return false
    ends.push({ front: front.heat.now(), rear: rear.heat.now() })
    givenOffJ.push({ front: 2 * front.heat.energy.outJ, rear: 2 * rear.heat.energy.outJ })
    return true
  }
  const begun = () => ({
    seconds,
    temperatures: [...front.temperatures(), ...rear.temperatures()],
    front: { ...front.heat.energy },
    rear: { ...rear.heat.energy },
  })
  let start = begun()
  let changedC = Infinity
  /** Puts stretches behind the one that was just driven, each the same. */
  const putAgain = (many: number, times: number) => {
    const lastS = seconds - start.seconds
    const outJ = { front: 2 * (front.heat.energy.outJ - start.front.outJ), rear: 2 * (rear.heat.energy.outJ - start.rear.outJ) }
    for (let n = 1; n <= times; n += 1) {
      for (let i = 0; i < many; i += 1) {
        const at = ends.length - many
        ends.push(ends[at]!)
        givenOffJ.push({ front: givenOffJ[at]!.front + outJ.front, rear: givenOffJ[at]!.rear + outJ.rear })
      }
      if (each) for (const one of record!) each(one.seconds + n * lastS, one.segment + n * many, one.front, one.rear, one.pressureMpa)
    }
    seconds += times * lastS
    for (const side of [front, rear]) {
      const { inJ, outJ: before } = side === front ? start.front : start.rear
      const { energy } = side.heat
      energy.inJ += times * (energy.inJ - inJ)
      energy.outJ += times * (energy.outJ - before)
    }
  }
  let stopped = -1
  for (let at = 0; at < segments.length; at += 1) {
    if (!drive(segments[at]!, at)) {
      stopped = at
      break
    }
    const driven = repeats && (at + 1) / repeats.segments
    if (driven === undefined || !Number.isInteger(driven) || driven >= repeats!.times) {
      if (driven === repeats?.times) record = undefined
      continue
    }
    const now = begun()
    const before = changedC
    changedC = Math.max(...now.temperatures.map((one, i) => Math.abs(one - start.temperatures[i]!)))
    if ((record || !each) && staysWithin(changedC, before)) {
      putAgain(repeats!.segments, repeats!.times - driven)
      record = undefined
      at = repeats!.segments * repeats!.times - 1
      continue
    }
    start = now
    record = each && changedC < RECORD_BELOW_C ? [] : undefined
  }
  const gone = stopped < 0 ? undefined : { segment: stopped, seconds }
  if (gone) peakPressureMpa = circuits.mostFrontMpa
  return {
    ends,
    givenOffJ,
    peak: { front: front.peak, rear: rear.peak },
    peakPressureMpa,
    gone,
    workJ: { front: 2 * front.heat.energy.inJ, rear: 2 * rear.heat.energy.inJ },
  }
}

interface KeptState {
  seconds: number
  segment: number
  front: Moment
  rear: Moment
  pressureMpa: number
}
/** From where the end of a stretch differs so little from its beginning, degC, its steps are kept. */
const RECORD_BELOW_C = 5
/** What all stretches to come would still change, degC: less than the model can say by far. */
const SAME_C = 0.05
/** Whether changes that become less from stretch to stretch add up to next to nothing. */
function staysWithin(changedC: number, beforeC: number): boolean {
  const share = changedC / beforeC
  return changedC < 1e-6 || (share < 0.98 && changedC / (1 - share) < SAME_C)
}

const MOMENT_KEYS = ['ringC', 'padC', 'caliperC', 'faceC', 'fluidC'] as const

/** One axle on its way, with its share of the work. */
class PadSide {
  readonly heat: CornerHeat
  readonly peak: Moment
  readonly now: Moment
  /** Share of the whole car's brake work in this step. */
  share = 0
  faceC: number
  constructor(
    readonly of: SessionAxle,
    startC: number,
    ambientC: number,
  ) {
    this.heat = new CornerHeat(of.nodes, { ringC: startC, padC: startC, caliperC: startC }, ambientC)
    this.faceC = startC
    this.now = this.moment()
    this.peak = this.moment()
  }
  /** Force at the road for one MPa in the middle of a step, with the face as hot as this share of a power makes it. */
  forcePerMpaN(share: number, powerW: number, seconds: number): number {
    const { friction, forcePerMpaN } = this.of
    return friction ? forcePerMpaN * frictionAt(friction, this.faceAt(share, powerW, seconds / 2)) : forcePerMpaN
  }
  /** @param seconds until then the ring grows hotter by this power */
  private faceAt(share: number, powerW: number, seconds = 0): number {
    const { intoRotor, areaM2, ringMassKg, heat = IRON_HEAT } = this.of.nodes
    const intoRingW = (intoRotor * share * powerW) / 2
    const risesC = seconds === 0 ? 0 : (intoRingW * seconds) / (ringMassKg * specificHeat(heat, this.heat.ringC))
    return this.heat.ringC + risesC + ((intoRingW / areaM2) * this.of.cheekMm) / 1000 / (3 * IRON_W_PER_M_K)
  }
  step(seconds: number, ms: number, workJ: number, braking: boolean): void {
    const mine = (workJ * this.share) / 2
    this.heat.step(seconds, ms, mine, braking)
    this.faceC = this.faceAt(this.share, workJ / seconds)
    // thousands of steps a session: the same object is written again
    const { now, peak, heat } = this
    now.ringC = heat.ringC
    now.padC = heat.padC
    now.caliperC = heat.caliperC
    now.faceC = this.faceC
    now.fluidC = fluidC(heat, this.of.nodes)
    for (const key of MOMENT_KEYS) if (now[key] > peak[key]) peak[key] = now[key]
  }
  temperatures(): number[] {
    const { ringC, padC, caliperC } = this.heat
    return [ringC, padC, caliperC]
  }
  private moment(): Moment {
    const { ringC, padC, caliperC } = this.heat
    return { ringC, padC, caliperC, faceC: this.faceC, fluidC: fluidC(this.heat, this.of.nodes) }
  }
}

/** How long the foot stays at its limit before it is noticed that the car no longer slows as asked, s. */
const NOTICED_S = 0.05

/** What the brakes still do with all the pressure there is: less than is asked, and hotter for it. */
function lastPush(front: PadSide, rear: PadSide, { mostFrontMpa, rearPerFront, valve }: SessionCircuits, powerW: number, ms: number): void {
  const rearMpa = throttle(mostFrontMpa * rearPerFront, valve)
  const f = front.forcePerMpaN(front.share, powerW, 0) * Math.max(mostFrontMpa - front.of.sealMpa, 0)
  const r = rear.forcePerMpaN(rear.share, powerW, 0) * Math.max(rearMpa - rear.of.sealMpa, 0)
  if (!(f + r > 0) || ms === 0) return
  front.share = f / (f + r)
  rear.share = r / (f + r)
  const workJ = Math.min((f + r) * ms, powerW) * NOTICED_S
  front.step(NOTICED_S, ms, workJ, true)
  rear.step(NOTICED_S, ms, workJ, true)
}

/** To how much of a second the moment is found at which the pressure is no longer enough. */
const GONE_WITHIN_S = 0.005

/** How often the friction is taken at the face that its own power makes. */
const ROUNDS = 3

/** Shares a force between the axles, with the friction each has, and says at which front pressure; Infinity where none does. */
function shared(
  front: PadSide,
  rear: PadSide,
  circuits: SessionCircuits,
  corners: readonly number[],
  forceN: number,
  powerW: number,
  stepS: number,
): number {
  let share = front.share + rear.share > 0 ? front.share : 0.7
  let pressureMpa = Infinity
  for (let i = 0; i < ROUNDS; i += 1) {
    const f = front.forcePerMpaN(share, powerW, stepS)
    const r = rear.forcePerMpaN(1 - share, powerW, stepS)
    pressureMpa = pressureFor(forceN, f, r, front.of.sealMpa, rear.of.sealMpa, circuits, corners)
    if (pressureMpa === Infinity) return Infinity
    share = (f * Math.max(pressureMpa - front.of.sealMpa, 0)) / forceN
  }
  front.share = share
  rear.share = 1 - share
  return pressureMpa
}

/**
 * Front pressure at which both axles together give a force, MPa: the chain is straight between the places where a seal
 * lets go or the valve takes hold. Infinity where no pressure does.
 *
 * @param corners pressures at which the chain bends, rising
 */
export function pressureFor(
  forceN: number,
  frontPerMpa: number,
  rearPerMpa: number,
  frontSealMpa: number,
  rearSealMpa: number,
  { rearPerFront, valve }: SessionCircuits,
  corners: readonly number[],
): number {
  const force = (mpa: number) =>
    frontPerMpa * Math.max(mpa - frontSealMpa, 0) + rearPerMpa * Math.max(throttle(mpa * rearPerFront, valve) - rearSealMpa, 0)
  let from = 0
  let below = 0
  for (const to of corners) {
    const above = force(to)
    if (above >= forceN) return above > below ? from + ((forceN - below) * (to - from)) / (above - below) : to
    from = to
    below = above
  }
  const slope = force(from + 1) - below
  return slope > 0 ? from + (forceN - below) / slope : Infinity
}

/** Pressures at which the chain bends, rising, MPa at the front. */
export function cornersOf(frontSealMpa: number, rearSealMpa: number, { rearPerFront, valve }: SessionCircuits): number[] {
  const rearOpens =
    valve && valve.kneeMpa < rearSealMpa
      ? valve.slope > 0
        ? valve.kneeMpa + (rearSealMpa - valve.kneeMpa) / valve.slope
        : Infinity
      : rearSealMpa
  return [frontSealMpa, rearOpens / rearPerFront, ...(valve ? [valve.kneeMpa / rearPerFront] : [])]
    .filter((one) => Number.isFinite(one))
    .sort((a, b) => a - b)
}
