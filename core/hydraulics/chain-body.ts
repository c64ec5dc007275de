import { bisect } from '../maths/bisect.ts'
import type { Booster, MasterCylinder, Valve } from './maths/system.ts'
import { AXLES, type Axle } from '../quantity/axle.ts'
import { chainPicture } from './chain-picture.ts'
import type { Hydraulics } from './hydraulics-of.ts'

/** What of one axle's brake can be drawn in proportion. */
export interface BrakeBody {
  kind: 'disc' | 'drum'
  /** Pistons of one side, or the bore of a wheel cylinder, mm. */
  pistonsMm: number[]
  /** Whether the same pistons stand on the other side too. */
  opposed: boolean
  /** Rotor or drum, mm; undefined where nobody knows it. */
  diameterMm: number | undefined
  thicknessMm: number | undefined
  effectiveRadiusMm: number
  tyreRadiusMm: number
}

/** The chain from the foot to the road as bodies: lever, cylinders, pistons, rotors and tyres. */
export interface ChainBody {
  pedalRatio: number
  booster: Booster | undefined
  master: MasterCylinder
  valve: Valve | undefined
  front: BrakeBody
  rear: BrakeBody
}

/** The bodies of a setup's chain; undefined while the chain cannot be computed. */
export function chainBody({ system, context }: Pick<Hydraulics, 'system' | 'context'>): ChainBody | undefined {
  if (!system) return undefined
  const [front, rear] = AXLES.map((axle: Axle): BrakeBody => {
    const { caliper, rotor } = context.resolved[axle]
    const brake = system[axle]
    const drum = caliper?.kind === 'drum' ? caliper : undefined
    return {
      kind: brake.kind,
      pistonsMm:
        caliper?.kind === 'caliper'
          ? (caliper.pistonsMm ?? []).map((piston) => piston.value)
          : drum?.cylinderBoreMm
            ? [drum.cylinderBoreMm.value]
            : [],
      opposed: caliper?.kind === 'caliper' && caliper.construction === 'fixed',
      diameterMm: drum ? drum.drumDiameterMm?.value : rotor?.diameterMm?.value,
      thicknessMm: drum ? undefined : rotor?.thicknessMm?.value,
      effectiveRadiusMm: brake.kind === 'disc' ? brake.effectiveRadiusMm : brake.drumRadiusMm,
      tyreRadiusMm: system.tyreRadiusMm[axle],
    }
  })
  const { pedalRatio, booster, master, valve } = system
  return { pedalRatio, booster, master, valve, front: front!, rear: rear! }
}

/**
 * The pedal force at which the pedal has moved so far, N, at most `mostN`: for a hand that drags the foot. Undefined while
 * the travel is not known.
 */
export function forceAtTravel(hydraulics: Hydraulics, pedalMm: number, mostN: number): number | undefined {
  const travelMm = (forceN: number) => chainPicture(hydraulics, forceN)?.travel?.pedalMm
  const [least, most] = [travelMm(0), travelMm(mostN)]
  if (least === undefined || most === undefined) return undefined
  if (pedalMm <= least) return 0
  if (pedalMm >= most) return mostN
  return bisect(0, mostN, 0.1, (forceN) => travelMm(forceN)! >= pedalMm)
}
