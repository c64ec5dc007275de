import { AXLES, type Axle } from '../quantity/axle.ts'
import type { AxleSlot, HydraulicSlot, Setup } from '../records/setup.ts'
import type { Part, PartOf } from '../records/part.ts'
import type { Project } from '../records/project.ts'

/**
 * The figures of a car by plain arithmetic from its parts, as one would with paper and a calculator: bisection in place of
 * inverses, nothing remembered, none of the code under test. Undefined: a figure that it takes is not known.
 */

export type PartIn = Part | null | undefined
/** What stands in each place of a car. */
export interface PlainCar {
  front: Partial<Record<AxleSlot, PartIn>>
  rear: Partial<Record<AxleSlot, PartIn>>
  hydraulics: Partial<Record<HydraulicSlot, PartIn>>
  setup: Setup
}

const G = 9.80665
const circle = (mm: number): number => (Math.PI * mm * mm) / 4
const num = (figure: { value: number } | undefined): number | undefined => figure?.value
const known = (all: readonly (number | undefined)[]): all is number[] => all.every((one) => one !== undefined)

interface PlainAxle {
  /** N at the road for each MPa above the threshold, both wheels. */
  perMpa: number
  thresholdMpa: number
}

function padTopMm({ car }: Project, parts: PlainCar['front'], axle: Axle): number | undefined {
  const { caliper, bracket } = parts as { caliper?: PartOf<'caliper'>; bracket?: PartOf<'bracket'> | null }
  const top = num(caliper?.padTopRadiusMm)
  const lift = bracket === null ? 0 : num(bracket?.radialMm)
  if (caliper?.frame === 'mount') {
    const all = [num(car[axle].mountRadiusMm), lift, top]
    return known(all) ? all[0]! + all[1]! + all[2]! : undefined
  }
  if (bracket === null && !caliper?.takenWithLiftMm) return top
  const all = [top, lift, num(caliper?.takenWithLiftMm)]
  return known(all) ? all[0]! + all[1]! - all[2]! : undefined
}

function radiusMm(project: Project, parts: PlainCar['front'], axle: Axle): number | undefined {
  const { pad, rotor } = parts as { pad?: PartOf<'pad'>; rotor?: PartOf<'rotor'> }
  const all = [padTopMm(project, parts, axle), num(pad?.heightMm), num(rotor?.diameterMm), num(rotor?.frictionInnerDiameterMm)]
  if (!known(all)) return undefined
  const [top, height, diameter, inner] = all as [number, number, number, number]
  const [out, within] = [Math.min(top, diameter / 2), Math.max(top - height, inner / 2)]
  if (out <= within) return undefined
  return project.preferences.effectiveRadius === 'mean'
    ? (out + within) / 2
    : (2 * (out ** 3 - within ** 3)) / (3 * (out ** 2 - within ** 2))
}

function plainAxle(project: Project, parts: PlainCar['front'], axle: Axle): PlainAxle | undefined {
  const tyreMm = num(project.car[axle].tyreRadiusMm)
  const { caliper } = parts
  if (caliper?.kind === 'drum') {
    const byShoes = { leadingTrailing: 2, twoLeading: 3, duoServo: 4.5 }
    const factor = num(caliper.brakeFactor) ?? (caliper.shoes && byShoes[caliper.shoes])
    const all = [num(caliper.cylinderBoreMm), num(caliper.drumDiameterMm), factor, tyreMm]
    if (!known(all)) return undefined
    return { perMpa: (2 * circle(all[0]!) * all[2]! * (all[1]! / 2)) / all[3]!, thresholdMpa: 0.3 }
  }
  if (caliper?.kind !== 'caliper') return undefined
  const pistons = caliper.pistonsMm?.reduce((sum, one) => sum + circle(one.value), 0)
  const all = [pistons, num((parts.pad as PartOf<'pad'> | undefined)?.friction), radiusMm(project, parts, axle), tyreMm]
  if (!known(all)) return undefined
  // two wheels, two faces of each rotor
  return { perMpa: (2 * 2 * all[0]! * all[1]! * all[2]!) / all[3]!, thresholdMpa: 0.05 }
}

/** The root of a function that rises, by halving. */
function where(rises: (x: number) => number, wanted: number, most: number): number {
  let [low, high] = [0, most]
  for (let i = 0; i < 200; i += 1) {
    const middle = (low + high) / 2
    if (rises(middle) < wanted) low = middle
    else high = middle
  }
  return (low + high) / 2
}

interface PlainStop {
  pedalN: number | undefined
  frontShare: number | undefined
  /** Front share of the bar of two cylinders, as the search sets it. */
  barFrontShare: number | undefined
}
const NOTHING: PlainStop = { pedalN: undefined, frontShare: undefined, barFrontShare: undefined }

/**
 * A stop at a deceleration.
 * @param aim front share that a bar is set to, where it is set anew
 */
export function plainStop(project: Project, car: PlainCar, decelG: number, setBar: boolean, aim: number | undefined): PlainStop {
  const {
    masterCylinder: master,
    booster,
    valve,
  } = car.hydraulics as {
    masterCylinder?: PartOf<'masterCylinder'>
    booster?: PartOf<'booster'> | null
    valve?: PartOf<'valve'> | null
  }
  const [front, rear] = AXLES.map((axle) => plainAxle(project, car[axle], axle))
  const own = car.setup.hydraulics
  const ratio = num(own.pedalRatio) ?? num(project.car.pedalRatio)
  const efficiency = num(project.car.pedalEfficiency) ?? 0.85
  const knee = valve && (valve.action === 'adjustable' ? (num(own.valveKneeMpa) ?? num(valve.kneeMpa)) : num(valve.kneeMpa))
  const slope = valve && num(valve.slope)
  const massKg = num(project.car.massKg)
  const gain = booster && num(booster.ratio)
  if (!front || !rear || !master || ratio === undefined || massKg === undefined) return NOTHING
  if (booster === undefined || (booster && gain === undefined)) return NOTHING
  if (valve === undefined || (valve && (knee === undefined || slope === undefined))) return NOTHING
  const wantedN = massKg * G * decelG
  const behind = (mpa: number) => (valve && mpa > knee! ? knee! + slope! * (mpa - knee!) : mpa)

  let bores: [front: number, rear: number]
  let barFrontShare: number | undefined
  if (master.construction === 'twin') {
    const areas = [num(master.frontBoreMm), num(master.rearBoreMm)]
    if (!known(areas)) return NOTHING
    const [a, b] = areas.map(circle) as [number, number]
    let x = num(own.barFrontShare)
    if (setBar) {
      x = 0.5
      if (aim !== undefined) {
        const frontMpa = (aim * wantedN) / front.perMpa + front.thresholdMpa
        const behindMpa = ((1 - aim) * wantedN) / rear.perMpa + rear.thresholdMpa
        // what the valve never lets through is asked of it in vain
        const reached = !valve || behindMpa <= knee! || slope! > 0
        const rearMpa = valve && behindMpa > knee! ? knee! + (behindMpa - knee!) / slope! : behindMpa
        x = reached ? (frontMpa * a) / (frontMpa * a + rearMpa * b) : 0
      }
      x = Number((Math.round(Math.min(0.65, Math.max(0.35, x)) / 0.005) * 0.005).toFixed(3))
      barFrontShare = x
    }
    if (x === undefined) return NOTHING
    bores = [x / a, (1 - x) / b]
  } else {
    const bore = num(master.boreMm)
    if (bore === undefined || !master.construction) return NOTHING
    bores = [1 / circle(bore), 1 / circle(bore)]
  }
  const force = (of: PlainAxle, mpa: number) => of.perMpa * Math.max(mpa - of.thresholdMpa, 0)
  const frontN = (rodN: number) => force(front, rodN * bores[0])
  const rearN = (rodN: number) => force(rear, behind(rodN * bores[1]))
  const boosted = (rodN: number) => (booster ? Math.min(gain! * rodN, booster.assistN ? rodN + booster.assistN.value : Infinity) : rodN)
  const rodN = where((n) => frontN(boosted(n)) + rearN(boosted(n)), wantedN, 1e7)
  const pushed = boosted(rodN)
  if (Math.abs(frontN(pushed) + rearN(pushed) - wantedN) > 1e-6 * wantedN) return { ...NOTHING, barFrontShare }
  return { pedalN: rodN / (ratio * efficiency), frontShare: frontN(pushed) / (frontN(pushed) + rearN(pushed)), barFrontShare }
}

/** The front share that suits the load at a deceleration, or what the project aims at instead. */
export function plainAim(project: Project, present: () => number | undefined): number | undefined {
  const { biasAim, biasAimShare, referenceDecelG } = project.preferences
  const { staticFrontShare, cgHeightMm, wheelbaseMm } = project.car
  if (biasAim === 'fixed' && biasAimShare !== undefined) return biasAimShare
  if (biasAim === 'present') return present()
  const all = [num(staticFrontShare), num(cgHeightMm), num(wheelbaseMm), num(project.car.massKg)]
  return known(all) ? all[0]! + (referenceDecelG * all[1]!) / all[2]! : undefined
}

/** Rise of a rotor in one stop from the preferred speed, with an axle's share of the work, degC. */
export function plainRiseC(project: Project, parts: PlainCar['front'], share: number): number | undefined {
  const { caliper, rotor } = parts as { caliper?: Part; rotor?: PartOf<'rotor'> }
  if (caliper?.kind === 'drum' || !rotor || !(rotor.ventilation || rotor.ringMassKg)) return undefined
  const shape = [num(rotor.diameterMm), num(rotor.frictionInnerDiameterMm), num(rotor.nowThicknessMm) ?? num(rotor.thicknessMm)]
  const solid = rotor.ventilation === 'vented' ? 1 - (num(rotor.voidShare) ?? 0.35) : 1
  const kgPerMm3 = { iron: 7.1e-6, stainless: 7.9e-6, carbon: 1.8e-6 }[rotor.material ?? 'iron']
  const fromShape = known(shape) ? (circle(shape[0]!) - circle(shape[1]!)) * shape[2]! * solid * kgPerMm3 : undefined
  const ringKg = num(rotor.ringMassKg) ?? fromShape
  const massKg = num(project.car.massKg)
  if (ringKg === undefined || massKg === undefined) return undefined
  const workJ = 0.5 * 1.05 * massKg * (project.preferences.stopFromKmh / 3.6) ** 2
  return (workJ * share * 0.95) / 2 / ringKg / (rotor.material === 'carbon' ? 1080 : 510)
}

/** What one corner of an axle weighs more than before, kg. */
export function plainMassKg(now: PlainCar['front'], before: PlainCar['front']): number | undefined {
  const drums = [now, before].map(({ caliper }) => caliper?.kind === 'drum')
  let sum = 0
  for (const slot of ['caliper', 'bracket', 'rotor', 'pad', 'wheel', 'spacer'] as const) {
    if (now[slot]?.id === before[slot]?.id && drums[0] === drums[1]) continue
    const weighs = (part: PartIn, drum: boolean) =>
      part === null || (drum && (slot === 'rotor' || slot === 'pad' || slot === 'bracket')) ? 0 : num(part?.massKg)
    const both = [weighs(now[slot], drums[0]!), weighs(before[slot], drums[1]!)]
    if (!known(both)) return undefined
    sum += (both[0]! - both[1]!) * (slot === 'pad' ? 0.5 : 1)
  }
  return sum
}
