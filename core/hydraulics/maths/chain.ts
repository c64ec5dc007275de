import { axleForcePerMpa, pressurePerNewton, torquePerMpa, type AxleBrake, type Booster, type BrakeSystem, type Valve } from './system.ts'

interface AxleStage {
  pressureMpa: number
  /** On each pad; undefined for a drum, whose shoes are pressed by unlike forces. */
  clampN: number | undefined
  /** One wheel. */
  torqueNm: number
  /** Both wheels, at the road, as far as the tyre holds. */
  forceN: number
}

/** Front shares, 0 to 1; undefined where both axles give nothing, the clamp's with a drum. */
interface Biases {
  pressure: number | undefined
  clamp: number | undefined
  torque: number | undefined
  road: number | undefined
}

export interface Chain {
  pedalForceN: number
  rodForceN: number
  boostedForceN: number
  /** Whether the booster has given all it has. */
  runout: boolean
  front: AxleStage
  rear: AxleStage
  bias: Biases
}

/** Force after the booster for a rod force, N. */
export function boost(rodForceN: number, booster: Booster | undefined): number {
  if (!booster) return rodForceN
  const boosted = booster.ratio * rodForceN
  return booster.assistN === undefined ? boosted : Math.min(boosted, rodForceN + booster.assistN)
}

/** Rod force that gives a force after the booster, N: the inverse of `boost`. */
export function unboost(forceN: number, booster: Booster | undefined): number {
  if (!booster) return forceN
  const below = forceN / booster.ratio
  return booster.assistN === undefined ? below : Math.max(below, forceN - booster.assistN)
}

/** Rear pressure after the valve, MPa. */
export function throttle(pressureMpa: number, valve: Valve | undefined): number {
  if (!valve || pressureMpa <= valve.kneeMpa) return pressureMpa
  return valve.kneeMpa + valve.slope * (pressureMpa - valve.kneeMpa)
}

/**
 * Pedal force to force at the road, stage by stage (R. Limpert, Brake Design and Safety, ch. 5).
 * @param pedalForceN at the pad of the pedal, >= 0
 */
export function chain(system: BrakeSystem, pedalForceN: number): Chain {
  const rodForceN = pedalForceN * system.pedalRatio * system.pedalEfficiency
  return { pedalForceN, ...fromRod(system, rodForceN) }
}

function fromRod(system: BrakeSystem, rodForceN: number): Omit<Chain, 'pedalForceN'> {
  const boostedForceN = boost(rodForceN, system.booster)
  const per = pressurePerNewton(system.master)
  const front = axleStage(system.front, boostedForceN * per.front, system.tyreRadiusMm.front)
  const rear = axleStage(system.rear, throttle(boostedForceN * per.rear, system.valve), system.tyreRadiusMm.rear)
  return {
    rodForceN,
    boostedForceN,
    runout: system.booster?.assistN !== undefined && (system.booster.ratio - 1) * rodForceN >= system.booster.assistN,
    front,
    rear,
    bias: {
      pressure: share(front.pressureMpa, rear.pressureMpa),
      clamp: front.clampN === undefined || rear.clampN === undefined ? undefined : share(front.clampN, rear.clampN),
      torque: share(front.torqueNm, rear.torqueNm),
      road: share(front.forceN, rear.forceN),
    },
  }
}

function axleStage(brake: AxleBrake, pressureMpa: number, tyreRadiusMm: number): AxleStage {
  const effective = Math.max(pressureMpa - brake.sealMpa, 0)
  return {
    pressureMpa,
    clampN: brake.kind === 'disc' ? effective * brake.pistonAreaMm2 : undefined,
    torqueNm: effective * torquePerMpa(brake),
    forceN: effective * axleForcePerMpa(brake, tyreRadiusMm),
  }
}

/** Front share of two amounts; undefined when both are nothing. */
export function share(front: number, rear: number): number | undefined {
  return front + rear > 0 ? front / (front + rear) : undefined
}
