import { plainNumber } from '../figures/working.ts'
import type { Chain } from '../hydraulics/maths/chain.ts'
import type { AxleBrake, BrakeSystem } from '../hydraulics/maths/system.ts'
import { AXLES } from '../quantity/axle.ts'
import { STANDARD_GRAVITY } from '../quantity/units.ts'

/** One line of the chain as somebody with a pocket calculator would write it. */
interface ChainStep {
  what: string
  formula: string
  /** The right side with the numbers put in, N, mm, MPa, N m. */
  numbers: string
  value: number
  unit: string
}

const n = plainNumber

/**
 * The chain from the pedal to the road step by step (R. Limpert, Brake Design and Safety, ch. 5), each with its numbers.
 * @param massKg of the car with the driver; undefined: the deceleration is left out
 */
export function chainSteps(chain: Chain, system: BrakeSystem, massKg: number | undefined): ChainStep[] {
  const { booster, master, valve } = system
  const steps: ChainStep[] = []
  const say = (what: string, formula: string, numbers: string, value: number, unit: string) =>
    steps.push({ what, formula, numbers, value, unit })

  say(
    'Force at the pushrod',
    'F_rod = F · i · η',
    `${n(chain.pedalForceN)} · ${n(system.pedalRatio)} · ${n(system.pedalEfficiency)}`,
    chain.rodForceN,
    'N',
  )
  if (booster)
    say(
      'After the booster',
      booster.assistN === undefined ? 'F_b = G · F_rod' : 'F_b = min(G · F_rod, F_rod + assist)',
      booster.assistN === undefined
        ? `${n(booster.ratio)} · ${n(chain.rodForceN)}`
        : `min(${n(booster.ratio)} · ${n(chain.rodForceN)}, ${n(chain.rodForceN)} + ${n(booster.assistN)})`,
      chain.boostedForceN,
      'N',
    )
  for (const axle of AXLES) {
    const [share, boreMm] =
      master.kind === 'tandem'
        ? [1, master.boreMm]
        : axle === 'front'
          ? [master.frontShare, master.frontBoreMm]
          : [1 - master.frontShare, master.rearBoreMm]
    const before = (4 * share * chain.boostedForceN) / (Math.PI * boreMm ** 2)
    const stage = chain[axle]
    say(
      `Line pressure, ${axle}`,
      share === 1 ? 'p = 4 · F_b / (π · d²)' : 'p = 4 · b · F_b / (π · d²)',
      share === 1
        ? `4 · ${n(chain.boostedForceN)} / (π · ${n(boreMm)}²)`
        : `4 · ${n(share)} · ${n(chain.boostedForceN)} / (π · ${n(boreMm)}²)`,
      before,
      'MPa',
    )
    if (axle === 'rear' && valve && before > valve.kneeMpa)
      say(
        'After the rear valve',
        'p_r = p_k + s · (p − p_k)',
        `${n(valve.kneeMpa)} + ${n(valve.slope)} · (${n(before)} − ${n(valve.kneeMpa)})`,
        stage.pressureMpa,
        'MPa',
      )
    say(`Torque of one wheel, ${axle}`, ...torqueOf(system[axle], stage.pressureMpa), stage.torqueNm, 'N m')
    say(
      `Force at both tyres, ${axle}`,
      'F = 2 · T · 1000 / r_t',
      `2 · ${n(stage.torqueNm)} · 1000 / ${n(system.tyreRadiusMm[axle])}`,
      stage.forceN,
      'N',
    )
  }
  const sum = chain.front.forceN + chain.rear.forceN
  if (massKg !== undefined)
    say(
      'Deceleration',
      'z = (F_f + F_r) / (m · g)',
      `(${n(chain.front.forceN)} + ${n(chain.rear.forceN)}) / (${n(massKg)} · ${n(STANDARD_GRAVITY)})`,
      sum / (massKg * STANDARD_GRAVITY),
      'g',
    )
  if (sum > 0)
    say(
      'Front share of the brake force',
      'F_f / (F_f + F_r)',
      `${n(chain.front.forceN)} / (${n(chain.front.forceN)} + ${n(chain.rear.forceN)})`,
      chain.front.forceN / sum,
      '',
    )
  return steps
}

function torqueOf(brake: AxleBrake, pressureMpa: number): [formula: string, numbers: string] {
  const above = `(${n(pressureMpa)} − ${n(brake.sealMpa)})`
  if (pressureMpa <= brake.sealMpa) return ['T = 0: the pressure does not move the pads', '0']
  return brake.kind === 'disc'
    ? [
        'T = 2 · μ · (p − p_0) · A · r_e / 1000',
        `2 · ${n(brake.mu)} · ${above} · ${n(brake.pistonAreaMm2)} · ${n(brake.effectiveRadiusMm)} / 1000`,
      ]
    : [
        'T = C* · (p − p_0) · A · r / 1000',
        `${n(brake.brakeFactor)} · ${above} · ${n(brake.pistonAreaMm2)} · ${n(brake.drumRadiusMm)} / 1000`,
      ]
}
