import { frictionAt } from './maths/session.ts'
import { chain } from '../hydraulics/maths/chain.ts'
import { holdOnLine, type HoldResult } from '../stopping/maths/hold.ts'
import type { Axle } from '../quantity/axle.ts'
import type { Project } from '../records/project.ts'
import { formatQuantity } from '../quantity/format.ts'
import { FAILURE_FORCE_N } from '../balance/balance-report.ts'
import type { Missing } from '../figures/figure.ts'
import type { Verdict } from '../figures/verdict.ts'
import { notEnoughData } from '../records/question.ts'
import { Working } from '../figures/working.ts'
import { hydraulicsOf } from '../hydraulics/hydraulics-of.ts'
import { padFriction } from './pad-friction.ts'

interface StagingAsked {
  axle: Axle
  /** What engine and gears bring to the axle, N m. */
  axleTorqueNm: number
  calipersPerWheel: number
}
interface StagingReport {
  missing: Missing[]
  held: HoldResult | undefined
  pressureAtFootMpa: number | undefined
  frictionCold: number | undefined
  /** How much the booster gives is not known: what the foot gives is a most. */
  footAtMost: boolean
  verdict: Verdict
  sentence: string
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
    verdict: 'unknown' as const,
    sentence: notEnoughData(missing),
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
  return { ...nothing, held, pressureAtFootMpa, frictionCold, ...said(project, held, pressureAtFootMpa, frictionCold, nothing.footAtMost) }
}

function said(
  { preferences: { units } }: Project,
  held: HoldResult,
  footMpa: number,
  frictionCold: number,
  footAtMost: boolean,
): Pick<StagingReport, 'verdict' | 'sentence'> {
  const mpa = (value: number) => formatQuantity(value, 'pressure', units)
  const force = (value: number) => formatQuantity(value, 'force', units)
  const foot = `a pedal force of ${force(FAILURE_FORCE_N)} gives ${footAtMost ? 'at most ' : ''}${mpa(footMpa)}`
  const needed = `holding needs ${mpa(held.pressureMpa)} at a cold friction of ${frictionCold.toFixed(2)}, ${force(held.clampN)} clamp force on each pad`
  const off = `${Math.abs(Math.round(held.marginShare * 100))}%`
  // a foot that gives less than it could at most is no comfort; one that cannot do it even so is an answer
  if (held.enough && footAtMost) return { verdict: 'unknown', sentence: `Not enough data: ${needed}; ${foot}.` }
  return held.enough
    ? { verdict: 'fits', sentence: `It holds: ${needed}; ${foot}, ${off} more.` }
    : { verdict: 'needs', sentence: `It does not hold: ${needed}; ${foot}, ${off} too little.` }
}
