import { chain } from './chain.ts'
import { assistUnknown, axleForcePerMpa, type BrakeSystem } from './system.ts'
import { axleFluidMm3, circuitStrokesMm, rodStrokeMm } from './travel.ts'
import type { Takers } from './bores.ts'

/** Circuits that a failure leaves: each axle's own, one front and one rear wheel, or none at all. */
export type Circuits = 'frontRear' | 'diagonal' | 'single'
export type Lost = 'front' | 'rear' | 'diagonal' | 'single' | 'assist' | 'frontAndAssist' | 'rearAndAssist'

export interface Failure {
  lost: Lost
  /** Force at the road that is left at the pedal force, N. */
  roadForceN: number
  /** The assist is not known: no more than that is left. */
  atMost: boolean
  /** Travel of the pedal at that force, mm; undefined: not known. */
  pedalTravelMm: number | undefined
}

/**
 * What is left at a pedal force when a circuit, the assist or both fail (UN Regulation No. 13-H, Annex 3: secondary
 * braking). A tandem's lost chamber is run through before the other one works: the chamber's stroke is added.
 *
 * @param chamberMm stroke of each chamber of a tandem
 */
export function failures(
  system: BrakeSystem,
  takers: Takers | undefined,
  pedalForceN: number,
  circuits: Circuits,
  chamberMm: { front: number | undefined; rear: number | undefined },
  freeStrokeMm: number,
): Failure[] {
  const bare: BrakeSystem = { ...system, booster: undefined }
  const lost: [Lost, BrakeSystem][] =
    circuits === 'diagonal'
      ? [
          ['diagonal', system],
          ['assist', bare],
        ]
      : circuits === 'single'
        ? [
            ['single', system],
            ['assist', bare],
          ]
        : [
            ['front', system],
            ['rear', system],
            ['assist', bare],
            ['frontAndAssist', bare],
            ['rearAndAssist', bare],
          ]
  return lost.map(([what, left]) => one(what, left, takers, pedalForceN, chamberMm, freeStrokeMm))
}

function one(
  lost: Lost,
  system: BrakeSystem,
  takers: Takers | undefined,
  pedalForceN: number,
  chamberMm: { front: number | undefined; rear: number | undefined },
  freeStrokeMm: number,
): Failure {
  const stage = chain(system, pedalForceN)
  const axle = (which: 'front' | 'rear') =>
    Math.max(stage[which].pressureMpa - system[which].sealMpa, 0) * axleForcePerMpa(system[which], system.tyreRadiusMm[which])
  const whole = axle('front') + axle('rear')
  const gone = lost.startsWith('front') ? 'front' : lost.startsWith('rear') ? 'rear' : undefined
  // the one circuit there is: nothing but the parking brake is left
  if (lost === 'single') return { lost, roadForceN: 0, atMost: false, pedalTravelMm: undefined }
  const roadForceN = lost === 'diagonal' ? whole / 2 : gone ? whole - axle(gone) : whole
  const { master } = system
  const atMost = assistUnknown(system)
  // without the pressure nobody can say how far the pedal goes
  if (!takers || atMost) return { lost, roadForceN, atMost, pedalTravelMm: undefined }
  const fluid = (which: 'front' | 'rear') => axleFluidMm3(takers[which], stage[which].pressureMpa)
  const strokes = circuitStrokesMm(master, { front: fluid('front'), rear: fluid('rear') })
  let rodMm: number | undefined
  if (master.kind === 'twin') {
    // the bar tips until the dead cylinder's rod stands against its stop: nobody can say without its stroke
    rodMm = gone === undefined ? rodStrokeMm(master, strokes) : undefined
  } else if (lost === 'diagonal') {
    const half = (strokes.front + strokes.rear) / 2
    rodMm = chamberMm.front === undefined || chamberMm.rear === undefined ? undefined : Math.max(chamberMm.front, chamberMm.rear) + half
  } else if (gone) {
    const chamber = chamberMm[gone]
    rodMm = chamber === undefined ? undefined : chamber + strokes[gone === 'front' ? 'rear' : 'front']
  } else rodMm = rodStrokeMm(master, strokes)
  return { lost, roadForceN, atMost, pedalTravelMm: rodMm === undefined ? undefined : (rodMm + freeStrokeMm) * system.pedalRatio }
}
