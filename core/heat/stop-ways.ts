import { frictionAt } from './maths/session.ts'
import { chain } from '../hydraulics/maths/chain.ts'
import type { BrakeSystem } from '../hydraulics/maths/system.ts'
import { bisect } from '../maths/bisect.ts'
import { AXLES, type Axle } from '../quantity/axle.ts'
import { STANDARD_GRAVITY } from '../quantity/units.ts'
import { BUILD_UP_S, stoppingDistanceM, stopLimits, type LimitedStop } from '../stopping/maths/limits.ts'
import { Working } from '../figures/working.ts'
import type { Hydraulics } from '../hydraulics/hydraulics-of.ts'
import { pressureAtFullStroke } from '../hydraulics/master-stroke.ts'
import { padFriction } from './pad-friction.ts'

/** What may end one cold stop. */
export type StopWay = 'driver' | 'stroke' | 'pads' | 'tyre'
export interface StopWays {
  /** Each as a deceleration, if nothing else ended it before, g; Infinity: it never does. Undefined: not known. */
  driverG: number
  strokeG: number | undefined
  padsG: number | undefined
  tyreG: number
  locksFirst: Axle | undefined
  /** Whose is the smallest of those that are known; the foot where it would not do with pads at their rated friction either. */
  limit: StopWay
  /** The smallest, g. */
  decelG: number
  /** From the foot on the pedal to standstill at `decelG`, m; undefined: the car does not stop. */
  distanceM: number | undefined
  /** The same for each way by itself, m; undefined where it is unknown, never ends a stop, or does not stop the car. */
  distancesM: Record<StopWay, number | undefined>
}

/** Of the faces before the first stop, degC. */
const COLD_C = 20
/** What slows a car by less than that does not stop it, g. */
const LEAST_G = 0.01
/** More than any foot presses, N. */
const MOST_N = 5000

/** What foot, stroke, cold pads and tyres each give, and which ends a stop first. */
export function stopWays(of: Hydraulics, stop: LimitedStop): StopWays | undefined {
  const { system, mass } = of
  if (!system || !mass) return undefined
  const { driverG, tyreG, locksFirst } = stopLimits(system, mass, stop)
  const decel = (one: BrakeSystem, footN: number) => {
    const { front, rear } = chain(one, footN)
    return (front.forceN + rear.forceN) / (mass.massKg * STANDARD_GRAVITY)
  }
  const cold = coldSystem(of, system)
  const ways: Record<StopWay, number | undefined> = {
    driver: driverG,
    stroke: strokeG(of, system, decel),
    pads: cold && decel(cold, stop.driverLimitN),
    tyre: tyreG,
  }
  const known = (Object.keys(ways) as StopWay[]).filter((way) => ways[way] !== undefined)
  // of two that are alike the tyres are named: they are what the road gives
  const least = known.reduce((a, b) => (ways[b]! <= ways[a]! ? b : a))
  const decelG = ways[least]!
  const short = driverG < Math.min(tyreG, ways.stroke ?? Infinity)
  const distanceM = (g: number | undefined) =>
    g === undefined || g === Infinity || g < LEAST_G ? undefined : stoppingDistanceM(stop.fromKmh, g, stop.buildUpS ?? BUILD_UP_S)
  return {
    driverG,
    strokeG: ways.stroke,
    padsG: ways.pads,
    tyreG,
    locksFirst,
    limit: least === 'pads' && short ? 'driver' : least,
    decelG,
    distanceM: distanceM(decelG),
    distancesM: {
      driver: distanceM(driverG),
      stroke: distanceM(ways.stroke),
      pads: distanceM(ways.pads),
      tyre: distanceM(tyreG),
    },
  }
}

function strokeG(of: Hydraulics, system: BrakeSystem, decel: (system: BrakeSystem, footN: number) => number): number | undefined {
  const mostMpa = pressureAtFullStroke(of)
  if (mostMpa === undefined || mostMpa === Infinity) return mostMpa
  const within = (footN: number) => chain(system, footN).front.pressureMpa <= mostMpa
  return within(MOST_N) ? Infinity : decel(system, bisect(MOST_N, 0, 0.01, within))
}

/** The brakes with the friction of cold pads; undefined where one of them has no curve. */
function coldSystem({ context }: Hydraulics, system: BrakeSystem): BrakeSystem | undefined {
  let cold = system
  for (const axle of AXLES) {
    const brake = system[axle]
    const { pad } = context.resolved[axle]
    // shoes are taken as they are: their factor stands for them
    if (brake.kind === 'drum') continue
    const curve = pad && padFriction(new Working(), pad)
    if (!curve || curve === 'unclear') return undefined
    cold = { ...cold, [axle]: { ...brake, mu: frictionAt(curve, COLD_C) } }
  }
  return cold
}
