import { frictionAt } from '../../heat/session.ts'
import { chain } from '../../hydraulics/chain.ts'
import { holdOnLine, type Held } from '../../stopping/hold.ts'
import type { Axle, Project } from '../../model/project.ts'
import { FAILURE_FORCE_N } from '../balance/balance-report.ts'
import type { Missing } from '../figure/figure.ts'
import { Working } from '../figure/working.ts'
import { hydraulicsOf } from '../pedal/hydraulics-of.ts'
import { padFriction } from './pad-friction.ts'

export interface StagingAsked {
  axle: Axle
  /** What engine and gears bring to the axle, N m. */
  axleTorqueNm: number
  calipersPerWheel: number
}
export interface StagingReport {
  missing: Missing[]
  held: Held | undefined
  pressureAtFootMpa: number | undefined
  frictionCold: number | undefined
  /** How much the booster gives is not known: what the foot gives is a most. */
  footAtMost: boolean
}
/** Of the faces on the line, degC. */
const COLD_C = 20

/** Whether the foot holds the car on the line against its own drive. */
export function stagingReport(project: Project, setupId: string, { axle, axleTorqueNm, calipersPerWheel }: StagingAsked): StagingReport {
  const { system, missing, context, unknownAssist } = hydraulicsOf(project, setupId)
  const nothing = {
    missing,
    held: undefined,
    pressureAtFootMpa: undefined,
    frictionCold: undefined,
    footAtMost: unknownAssist !== undefined,
  }
  const brake = system?.[axle]
  const { pad } = context.resolved[axle]
  if (!system || brake?.kind !== 'disc' || !pad) return nothing
  const curve = padFriction(new Working(), pad)
  const frictionCold = curve && curve !== 'unclear' ? frictionAt(curve, COLD_C) : brake.mu
  const pressureAtFootMpa = chain(system, FAILURE_FORCE_N)[axle].pressureMpa
  const held = holdOnLine({
    axleTorqueNm,
    calipersPerWheel,
    frictionCold,
    effectiveRadiusMm: brake.effectiveRadiusMm,
    pistonAreaMm2: brake.pistonAreaMm2,
    sealMpa: brake.sealMpa,
    pressureAtFootMpa,
  })
  return { ...nothing, held, pressureAtFootMpa, frictionCold }
}
