import { pedalOf } from '../records/uses.ts'
import { barPivotMm, barTiltDeg, boreTable, pairMatrix, type BoreRow, type PairCell } from '../hydraulics/maths/bores.ts'
import { DEFAULT_FREE_STROKE_MM } from '../hydraulics/maths/travel.ts'
import type { MasterCylinder } from '../hydraulics/maths/system.ts'
import type { Project } from '../records/project.ts'
import { findSetup } from '../records/resolve.ts'
import { STANDARD_GRAVITY } from '../quantity/units.ts'
import { hydraulicsOf } from '../hydraulics/hydraulics-of.ts'
import { BANDS, type Band } from '../hydraulics/pedal-bands.ts'
import { biasTarget } from './bias-target.ts'
import { frontFirstToG, frontFirstUntilIn } from './lock-finding.ts'
import type { Missing } from '../figures/figure.ts'

export { STOCK_BORES_MM } from '../hydraulics/maths/same-feel.ts'

/** The bar should stay so near its middle: beyond, small changes of its thread turn the order. */
export const BAR_MIDDLE = { low: 0.45, high: 0.55 } as const

/** The order is exact to more than anybody reads, g. */
const SAME_G = 1e-6

export type BoreReason =
  | 'pedal too light'
  | 'pedal too heavy'
  | 'assist unknown'
  | 'travel too short'
  | 'travel too long'
  | 'bar too far off centre'
  | 'unlike strokes bind the bar'
  | 'rear locks first'

/** The setup's balance bar; without one the first of the parts whose clevises are known. */
export interface Bar {
  name: string
  /** Between the clevises. */
  spacingMm: number
  /** What its maker allows; undefined: not known. */
  mostTiltDeg: number | undefined
}

type BorePair = PairCell & {
  reasons: BoreReason[]
  /** Off the middle towards the front clevis, and how far unlike strokes tilt the bar; undefined without a bar. */
  pivotMm: number | undefined
  tiltDeg: number | undefined
}

export interface BoreReport {
  missing: Missing[]
  /** How much the booster gives at most, where that is not known: forces are then at least what is said. */
  unknownAssist: Missing | undefined
  decelG: number
  bands: (typeof BANDS)['road' | 'competition']
  use: 'road' | 'competition'
  /** Front share that the pairs are set to. */
  wantedShare: number | undefined
  tandem: (BoreRow & { reasons: BoreReason[] })[]
  /** The bore of the setup's own tandem cylinder, where it has one. */
  fittedBoreMm: number | undefined
  bar: Bar | undefined
  pairs: BorePair[]
  /** The feasible pair with the least difference of stroke. */
  best: BorePair | undefined
  /** The feasible tandem bore nearest the middle of the force band. */
  bestTandem: BoreRow | undefined
}

export interface BoreOptions {
  decelG: number
  /** The booster is removed or has failed. */
  withoutBooster?: boolean
  /** Bands other than those of the use; a pedal that must stay under a force. */
  mostForceN?: number
}

/** All stock bores and all pairs of them against the bands of the car's use. */
export function boreReport(project: Project, setupId: string, { decelG, withoutBooster, mostForceN }: BoreOptions): BoreReport {
  const { system: fitted, takers, mass, missing, context, ...found } = hydraulicsOf(project, setupId)
  const unknownAssist = withoutBooster ? undefined : found.unknownAssist
  const use = pedalOf(project.car.uses)
  const bands = BANDS[use]
  const empty: BoreReport = {
    missing,
    unknownAssist,
    decelG,
    bands,
    use,
    wantedShare: undefined,
    tandem: [],
    fittedBoreMm: undefined,
    bar: undefined,
    pairs: [],
    best: undefined,
    bestTandem: undefined,
  }
  if (!fitted || !takers || !mass) return empty
  const system = withoutBooster ? { ...fitted, booster: undefined } : fitted
  const roadForceN = mass.massKg * STANDARD_GRAVITY * decelG
  const wantedShare = biasTarget(project, decelG)
  const force: Band = mostForceN === undefined ? bands.forceN : { low: 0, high: mostForceN }
  const reasonsOf = (pedalForceN: number, travelMm: number): BoreReason[] => [
    ...(pedalForceN > force.high
      ? (['pedal too heavy'] as const)
      : unknownAssist
        ? (['assist unknown'] as const)
        : pedalForceN < force.low
          ? (['pedal too light'] as const)
          : []),
    ...(travelMm < bands.travelMm.low ? (['travel too short'] as const) : []),
    ...(travelMm > bands.travelMm.high ? (['travel too long'] as const) : []),
  ]
  // what brakes well at one deceleration must not lock its rear first at another
  const keepsOrder = (master: MasterCylinder): BoreReason[] => {
    // with electronic distribution kept the control unit sees to the order
    if (project.car.abs === 'absAndDistribution') return []
    // a pivot outside the bar pushes one piston back: there is no such pair, and "bar too far off centre" says so
    if (master.kind === 'twin' && !(master.frontShare > 0 && master.frontShare < 1)) return []
    const whole = { ...system, master }
    return frontFirstUntilIn(context, whole) < frontFirstToG(context, whole, mass) - SAME_G ? ['rear locks first'] : []
  }
  const tandem = boreTable(system, takers, roadForceN, DEFAULT_FREE_STROKE_MM).map((row) => ({
    reasons: [...reasonsOf(row.pedalForceN, row.pedalTravelMm), ...keepsOrder({ kind: 'tandem', boreMm: row.boreMm })],
    ...row,
  }))
  const bar = barOf(project, setupId)
  const pairs: BorePair[] =
    wantedShare === undefined
      ? []
      : pairMatrix(system, takers, { roadForceN, frontShare: wantedShare }, DEFAULT_FREE_STROKE_MM).map((cell) => {
          const tiltDeg = bar && Math.abs(barTiltDeg(cell, bar.spacingMm))
          return {
            pivotMm: bar && barPivotMm(cell.barShare, bar.spacingMm),
            tiltDeg,
            reasons: [
              ...reasonsOf(cell.pedalForceN, cell.pedalTravelMm),
              ...(cell.barShare < BAR_MIDDLE.low || cell.barShare > BAR_MIDDLE.high ? (['bar too far off centre'] as const) : []),
              ...keepsOrder({ kind: 'twin', frontBoreMm: cell.frontBoreMm, rearBoreMm: cell.rearBoreMm, frontShare: cell.barShare }),
              ...((tiltDeg ?? 0) > (bar?.mostTiltDeg ?? Infinity) ? (['unlike strokes bind the bar'] as const) : []),
            ],
            ...cell,
          }
        })
  const middle = (force.low + force.high) / 2
  const least = <T>(list: readonly T[], of: (one: T) => number) =>
    list.reduce<T | undefined>((best, one) => (best === undefined || of(one) < of(best) ? one : best), undefined)
  return {
    ...empty,
    wantedShare,
    bar,
    tandem,
    fittedBoreMm: fitted.master.kind === 'tandem' ? fitted.master.boreMm : undefined,
    pairs,
    best: least(
      pairs.filter((one) => one.reasons.length === 0),
      (one) => Math.abs(one.frontStrokeMm - one.rearStrokeMm),
    ),
    bestTandem: least(
      tandem.filter((one) => one.reasons.length === 0),
      (one) => Math.abs(one.pedalForceN - middle),
    ),
  }
}

function barOf(project: Project, setupId: string): Bar | undefined {
  const twins = project.parts.flatMap((part) => (part.kind === 'masterCylinder' && part.construction === 'twin' ? part : []))
  const fitted = findSetup(project, setupId)?.hydraulics.masterCylinder
  // of a bar that is fitted nothing is taken from another one
  const one = twins.find((part) => part.id === fitted) ?? twins.find((part) => part.barSpacingMm)
  return one?.barSpacingMm && { name: one.name, spacingMm: one.barSpacingMm.value, mostTiltDeg: one.barTiltDeg?.value }
}
