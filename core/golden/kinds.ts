import { adhesionUsed } from '../balance/maths/adhesion.ts'
import type { Mass } from '../hydraulics/maths/mass.ts'
import { idealFrontShare } from '../balance/maths/constant-split.ts'
import { bestWithoutLock } from '../balance/maths/limits.ts'
import { compareRuns, runsEach } from '../evidence/maths/compare-runs.ts'
import { correctedM, tracedStop, type SpeedSample } from '../evidence/maths/stop-run.ts'
import { varianceOf } from '../evidence/maths/student.ts'
import { wearLine } from '../evidence/maths/wear-line.ts'
import { gap } from '../clearance/maths/gap.ts'
import { prepareCaliper, prepareWheel } from '../clearance/maths/outline.ts'
import { leastSpacer, stockSpacer } from '../clearance/maths/spacer.ts'
import { uncertainGap } from '../clearance/maths/uncertain-gap.ts'
import { clearanceVerdict } from '../clearance/maths/verdict.ts'
import { LIMITS } from '../records/limits.ts'
import { discDiameter } from '../fit/rules/disc-diameter.ts'
import { discPlane } from '../fit/rules/disc-plane.ts'
import { padSlot } from '../fit/rules/pad-slot.ts'
import { threadHold, threadNeededMm } from '../fit/rules/stud-engagement.ts'
import { cornerRun } from '../heat/maths/corner-run.ts'
import { cycleSegments, cycleWorkJ, type DriveCycle, type CycleCar, type CycleSegment } from '../heat/maths/drive-cycle.ts'
import { presentBoil } from '../heat/maths/fluid.ts'
import type { CornerNodes, Temperatures } from '../heat/maths/nodes.ts'
import { ring, type RingFigures } from '../heat/maths/ring.ts'
import { session, type FrictionCurve, type SessionAxle } from '../heat/maths/session.ts'
import { join } from '../decide/maths/join.ts'
import { paretoFront, type Criterion } from '../decide/maths/pareto.ts'
import { holdOnLine, type Hold } from '../stopping/maths/hold.ts'
import { stopLimits, type LimitedStop } from '../stopping/maths/limits.ts'
import { radiusAt, type Side } from '../vision/scan/envelope.ts'
import { fitPlane } from '../vision/scan/fit-plane.ts'
import type { Vector } from '../vision/scan/mesh.ts'
import { measuredValue } from '../quantity/readings.ts'
import { costTotal, type CostLine } from '../cost/maths/total.ts'
import { chain } from '../hydraulics/maths/chain.ts'
import { meanRadiusMm, uniformPressureRadiusMm } from '../hydraulics/maths/effective-radius.ts'
import { pedalForceForRoadForce } from '../hydraulics/maths/pedal-force.ts'
import { barShareFromGauges } from '../hydraulics/maths/bar-share.ts'
import type { PressurePair } from '../hydraulics/maths/gauge-models.ts'
import { nearestStockBoreMm, sameFeelBoreMm } from '../hydraulics/maths/same-feel.ts'
import type { AxleBrake, BrakeSystem, MasterCylinder, Valve } from '../hydraulics/maths/system.ts'
import { strokeMm, type FluidTaker } from '../hydraulics/maths/travel.ts'
import type { NamedOutline, WheelProfile } from '../records/field.ts'
import { STANDARD_GRAVITY } from '../quantity/units.ts'

/** Maps the kinds of reference case to the core. Everything is computed from `input`. */

interface CornerInput {
  nodes: CornerNodes
  start: Temperatures
  ambientC: number
  segments: Omit<CycleSegment, 'kind'>[]
}
interface SessionInput {
  car: CycleCar
  duty: DriveCycle
  front: SessionAxle & { pistonAreaMm2: number; effectiveRadiusMm: number; tyreRadiusMm: number; mu: FrictionCurve }
  rear: SessionInput['front']
  startC: number
  ambientC: number
  maxPressureMpa: number
}

interface JoinInput {
  slots: { name: string; parts: { id: string; costMinor: number }[] }[]
  incompatible: [slot: string, part: string][][]
}
interface ParetoInput {
  /** A difference up to `tie` is none. */
  criteria: Record<string, { better: Criterion['better']; tie?: number }>
  rows: { name: string; values: Record<string, number | null> }[]
}

interface ChainInput {
  pedalRatio: number
  booster: { ratio: number; assistN: number | null } | null
  master: MasterCylinder
  valve: Valve | null
  front: AxleBrake
  rear: AxleBrake
  tyreRadiusMm: { front: number; rear: number }
}

interface GoldenGapInput {
  caliper: NamedOutline[]
  wheel: WheelProfile
}

const system = (input: ChainInput): BrakeSystem => ({
  ...input,
  pedalEfficiency: 1,
  booster: input.booster ? { ratio: input.booster.ratio, assistN: input.booster.assistN ?? undefined } : undefined,
  valve: input.valve ?? undefined,
})

/** A system without seals or valve whose front has this share of the force at the road. */
const constantSplit = (frontShare: number): BrakeSystem => {
  const disc = (share: number): AxleBrake => ({ kind: 'disc', pistonAreaMm2: 1000 * share, mu: 0.4, effectiveRadiusMm: 100, sealMpa: 0 })
  return {
    pedalRatio: 1,
    pedalEfficiency: 1,
    booster: undefined,
    valve: undefined,
    master: { kind: 'tandem', boreMm: 20 },
    front: disc(frontShare),
    rear: disc(1 - frontShare),
    tyreRadiusMm: { front: 300, rear: 300 },
  }
}

const orNull = <T>(value: T | undefined): T | null => value ?? null

/** Inputs come from a file: each case names the shape that its kind promises. */
const kinds = {
  'clearance.gap': (input: GoldenGapInput & { spacerMm: number }) => {
    const found = gap(prepareCaliper(input.caliper), prepareWheel(input.wheel), input.spacerMm)
    return { ...found, faceGapMm: orNull(found.faceGapMm), barrelGapMm: orNull(found.barrelGapMm) }
  },
  'clearance.spacer': (input: GoldenGapInput & { requiredMm: number; maxMm: number }) => {
    const caliper = prepareCaliper(input.caliper)
    const wheel = prepareWheel(input.wheel)
    const nominal = leastSpacer(caliper, wheel, input.requiredMm, input.maxMm)
    const stock = stockSpacer(nominal, input.maxMm, (spacer) => gap(caliper, wheel, spacer).minGapMm >= input.requiredMm)
    return { spacerMm: orNull(nominal), stockMm: orNull(stock) }
  },
  'clearance.uncertain': (
    input: GoldenGapInput & {
      spacerMm: number
      uCaliperAxialMm: number
      uCaliperRadialMm: number
      uFaceAxialMm: number
      uBarrelRadialMm: number
      requiredMm: number
      tightMm: number
    },
  ) => {
    const { p05Mm, p95Mm } = uncertainGap(prepareCaliper(input.caliper), prepareWheel(input.wheel), input.spacerMm, {
      caliperAxialMm: input.uCaliperAxialMm,
      caliperRadialMm: input.uCaliperRadialMm,
      faceAxialMm: input.uFaceAxialMm,
      barrelRadialMm: input.uBarrelRadialMm,
    })
    return { p05Mm, p95Mm, verdict: clearanceVerdict(p05Mm, p95Mm, input.requiredMm, input.tightMm) }
  },
  'measured.value': (input: { readings: number[]; resolutionMm: number; limitOfErrorMm: number; repeatabilityMm: number }) => ({
    ...measuredValue(input.readings, input),
  }),
  'fit.discPlane': (input: {
    caliperKind: 'fixed' | 'sliding'
    mountFaceMm: number
    mountSide: 'outboard' | 'inboard'
    bracketMm: number
    mountToSlotMm: number
    hatThicknessMm: number
    rotorOffsetMm: number
    maxShimMm: number
  }) => ({
    ...discPlane(
      input.mountFaceMm,
      input.mountSide,
      input.bracketMm,
      input.mountToSlotMm,
      input.hatThicknessMm,
      input.rotorOffsetMm,
      LIMITS[input.caliperKind === 'fixed' ? 'planeFixedMm' : 'planeSlidingMm'].value,
      input.maxShimMm,
    ),
  }),
  'fit.padSlot': (input: { slotWidthMm: number; rotorThicknessMm: number; padTotalMm: number }) => ({
    ...padSlot(input.slotWidthMm, input.rotorThicknessMm, input.padTotalMm, LIMITS.slotLeastMm.value, LIMITS.slotMostMm.value),
  }),
  'fit.discDiameter': (input: { rotorDiameterMm: number; padTopRadiusMm: number }) => ({
    ...discDiameter(
      input.rotorDiameterMm,
      input.padTopRadiusMm,
      LIMITS.edgeMostMm.value,
      LIMITS.edgeOverMm.value,
      LIMITS.edgeWantedMm.value,
    ),
  }),
  'fit.studEngagement': (input: {
    studLengthMm: number
    hatThicknessMm: number
    spacerMm: number
    wheelPadMm: number
    threadMm: number
    pitchMm: number
  }) => {
    const neededMm = threadNeededMm(input.threadMm, input.pitchMm)
    const pastMm = input.studLengthMm - input.hatThicknessMm - input.spacerMm - input.wheelPadMm
    // no plain tip, an open nut that is long enough
    const { engagedMm, longerByMm } = threadHold(pastMm, 0, Infinity, Infinity, neededMm)
    return { engagedMm, neededMm, verdict: longerByMm === 0 ? 'fits' : 'needs', longerByMm }
  },
  'hydraulics.chain': (input: ChainInput & { pedalForceN: number }) => {
    const result = chain(system(input), input.pedalForceN)
    const { bias } = result
    return {
      frontPressureMpa: result.front.pressureMpa,
      rearPressureMpa: result.rear.pressureMpa,
      frontTorqueNm: result.front.torqueNm,
      rearTorqueNm: result.rear.torqueNm,
      frontForceN: result.front.forceN,
      rearForceN: result.rear.forceN,
      bias: { pressure: orNull(bias.pressure), clamp: orNull(bias.clamp), torque: orNull(bias.torque), road: orNull(bias.road) },
    }
  },
  'hydraulics.effort': (input: ChainInput & { massKg: number; decelG: number }) => ({
    pedalForceN: orNull(pedalForceForRoadForce(system(input), input.massKg * STANDARD_GRAVITY * input.decelG)),
  }),
  'hydraulics.travel': (input: {
    pressureFrontMpa: number
    pressureRearMpa: number
    master: MasterCylinder
    pedalRatio: number
    front: FluidTaker
    rear: FluidTaker
    freeStrokeMm: number
  }) => {
    const stroke = strokeMm(
      input.master,
      { taker: input.front, pressureMpa: input.pressureFrontMpa },
      { taker: input.rear, pressureMpa: input.pressureRearMpa },
      input.freeStrokeMm,
    )
    return { strokeMm: stroke, pedalTravelMm: stroke * input.pedalRatio }
  },
  'hydraulics.sameFeel': (input: { boreMm: number; oldPistonAreaMm2: number; newPistonAreaMm2: number }) => {
    const boreMm = sameFeelBoreMm(input.boreMm, input.oldPistonAreaMm2, input.newPistonAreaMm2)
    return { boreMm, stockBoreMm: nearestStockBoreMm(boreMm) }
  },
  'hydraulics.barFromGauges': (input: { pairs: PressurePair[]; frontBoreMm: number; rearBoreMm: number }) => ({
    frontShare: orNull(barShareFromGauges(input.pairs, input.frontBoreMm, input.rearBoreMm)),
  }),
  'hydraulics.effectiveRadius': (input: { outerMm: number; innerMm: number }) => ({
    meanMm: meanRadiusMm(input.outerMm, input.innerMm),
    uniformPressureMm: uniformPressureRadiusMm(input.outerMm, input.innerMm),
  }),
  'balance.constant': (input: {
    frontShare: number
    staticFront: number
    cgHeightMm: number
    wheelbaseMm: number
    frictions: number[]
  }) => {
    const mass: Mass = { massKg: 1000, ...input }
    const split = constantSplit(input.frontShare)
    // where the share of the load on the front is that of the force: it is a straight line of the deceleration
    const load = (decelG: number) => idealFrontShare(input.staticFront, input.cgHeightMm / input.wheelbaseMm, decelG)
    return {
      criticalG: (input.frontShare - load(0)) / (load(1) - load(0)),
      best: input.frictions.map((friction) => ({ ...bestWithoutLock(split, mass, friction)! })),
    }
  },
  'balance.curve': (input: ChainInput & Mass & { decelsG: number[] }) => ({
    points: input.decelsG.map((decelG) => orNull(adhesionUsed(system(input), input, decelG))),
  }),
  'heat.ring': (input: RingFigures & { ventilation: 'solid' | 'vented' }) => ({
    ...ring({ ...input, voidShare: input.ventilation === 'vented' ? input.voidShare : 0 }),
  }),
  'heat.fluidBoil': (input: { dryC: number; wetC: number; waterPercent: number }) => ({
    ...presentBoil(input.dryC, input.wetC, input.waterPercent),
  }),
  'heat.corner': (input: CornerInput) => ({ ...cornerRun(input) }),
  'heat.duty': ({ car, duty }: { car: CycleCar; duty: DriveCycle }) => {
    const segments = cycleSegments(car, duty)
    return {
      segments: segments.map(({ kind, seconds, fromKmh, toKmh }) => ({ kind, seconds, fromKmh, toKmh })),
      seconds: segments.reduce((sum, one) => sum + one.seconds, 0),
      brakeEnergyJ: cycleWorkJ(segments),
    }
  },
  'heat.session': (input: SessionInput) => {
    const axle = (of: SessionInput['front']): SessionAxle => ({
      ...of,
      friction: of.mu,
      forcePerMpaN: (4 * of.pistonAreaMm2 * of.effectiveRadiusMm) / of.tyreRadiusMm,
    })
    const found = session(
      { front: axle(input.front), rear: axle(input.rear) },
      { rearPerFront: 1, valve: undefined, mostFrontMpa: input.maxPressureMpa },
      cycleSegments(input.car, input.duty),
      { startC: input.startC, ambientC: input.ambientC },
    )
    return { ends: found.ends, peak: found.peak, peakPressureMpa: found.peakPressureMpa, gone: orNull(found.gone) }
  },
  'stopping.limits': (input: Mass & LimitedStop & { chain: ChainInput }) => {
    const found = stopLimits(system(input.chain), input, input)
    return { ...found, locksFirst: orNull(found.locksFirst) }
  },
  'stopping.hold': (input: Hold) => ({ ...holdOnLine(input) }),
  'search.join': ({ slots, incompatible }: JoinInput) => {
    const apart = new Set(incompatible.map((pair) => JSON.stringify(pair)))
    let count = 0
    const cheapest: { costMinor: number; parts: string[] }[] = []
    join(
      slots.map(({ name, parts }) => ({ name, options: parts })),
      {
        goes: (chosen) => {
          const last = chosen.length - 1
          const is = (at: number) => [slots[at]!.name, chosen[at]!.id]
          return chosen.every((_, at) => at === last || !apart.has(JSON.stringify([is(at), is(last)])))
        },
        each: (chosen) => {
          count += 1
          cheapest.push({ costMinor: chosen.reduce((sum, one) => sum + one.costMinor, 0), parts: chosen.map((one) => one.id) })
          cheapest.sort((a, b) => a.costMinor - b.costMinor)
          cheapest.splice(5)
        },
      },
    )
    return { count, cheapest }
  },
  'search.pareto': ({ criteria, rows }: ParetoInput) => {
    const names = Object.keys(criteria)
    const valuesOf = ({ values }: ParetoInput['rows'][number]) => names.map((name) => values[name] ?? undefined)
    return {
      kept: paretoFront(
        rows,
        valuesOf,
        names.map((name): Criterion => ({ better: criteria[name]!.better, tolerance: criteria[name]!.tie ?? 0 })),
      ).map((row) => row.name),
    }
  },
  'vision.envelope': ({ triangles, side, zs }: { triangles: number[][]; side: Side; zs: number[] }) => {
    const mesh = Float64Array.from(triangles.flat())
    return { radiiMm: zs.map((z) => radiusAt(mesh, z, side) ?? null) }
  },
  'vision.plane': ({ points }: { points: Vector[] }) => {
    const { normal, offsetMm, residualMm } = fitPlane(points)
    return { normal, offsetMm, residualMm }
  },
  'evidence.correct': ({ targetKmh, runs }: { targetKmh: number; runs: { fromKmh: number; distanceM: number }[] }) => ({
    correctedM: runs.map((run) => correctedM(targetKmh, run) ?? null),
  }),
  'evidence.trace': ({ samples }: { samples: SpeedSample[] }) => ({ ...tracedStop(samples) }),
  'evidence.compare': ({ a, b, wantedM }: { a: number[]; b: number[]; wantedM: number }) => ({
    runsEach: runsEach(varianceOf(a), varianceOf(b), wantedM) ?? null,
    ...compareRuns(a, b),
  }),
  'evidence.wear': ({ points, minimumMm }: { points: [number, number][]; minimumMm: number }) =>
    withNulls({ ...wearLine(points, minimumMm) }),
  'cost.total': (input: { lines: CostLine[]; taxPercent: number }) => ({ ...costTotal(input.lines, input.taxPercent) }),
} satisfies Record<string, (input: never) => Record<string, unknown>>

/** What is not known stands as null in a file. */
const withNulls = (value: Record<string, number | undefined>) =>
  Object.fromEntries(Object.entries(value).map(([key, one]) => [key, one ?? null]))

export const GOLDEN_KINDS = kinds as unknown as Readonly<Record<string, (input: unknown) => Record<string, unknown>>>
