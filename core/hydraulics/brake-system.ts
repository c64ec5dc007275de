import type { Mass } from './maths/mass.ts'
import { DEFAULT_PEDAL_EFFICIENCY, type Booster, type BrakeSystem, type MasterCylinder, type Valve } from './maths/system.ts'
import { AXLES, type Axle } from '../quantity/axle.ts'
import type { PartOf } from '../records/part.ts'
import type { AxleBrakeReport } from './brake.ts'
import { askHydraulicSlot, readCar, readCarAxle, readPart, type Context } from '../figures/read.ts'
import type { Working } from '../figures/working.ts'

/** The whole brake system of a setup as numbers; undefined while a figure is missing, which is then asked for. */
export function systemOf(work: Working, context: Context, brakes: Record<Axle, AxleBrakeReport>): BrakeSystem | undefined {
  const { masterCylinder, booster, valve } = context.resolved
  const own = context.setup.hydraulics.pedalRatio
  const pedalRatio = own
    ? work.read(own, {
        symbol: 'i',
        label: 'Pedal ratio of this setup',
        dimension: 'number',
        at: { kind: 'setup', setupId: context.setup.id, field: 'pedalRatio' },
      })
    : readCar(work, context, 'pedalRatio', 'i')
  const pedalEfficiency = work.readOr(context.project.car.pedalEfficiency, DEFAULT_PEDAL_EFFICIENCY, {
    symbol: 'η',
    label: 'Pedal efficiency',
    dimension: 'share',
    at: { kind: 'car', field: 'pedalEfficiency' },
  })
  const boost = boosterOf(work, context, booster)
  const master = masterOf(work, context, masterCylinder)
  const throttle = valveOf(work, context, valve)
  for (const axle of AXLES) {
    work.carry(brakes[axle].pistonArea)
    work.carry(brakes[axle].effectiveRadius)
    work.inputs.push(...brakes[axle].rest.inputs)
    work.askAll(brakes[axle].rest.missing)
  }
  const front = readCarAxle(work, context, 'front', 'tyreRadiusMm')
  const rear = readCarAxle(work, context, 'rear', 'tyreRadiusMm')
  if (
    pedalRatio === undefined ||
    boost === undefined ||
    master === undefined ||
    throttle === undefined ||
    front === undefined ||
    rear === undefined ||
    !brakes.front.brake ||
    !brakes.rear.brake
  )
    return undefined
  return {
    pedalRatio,
    pedalEfficiency,
    master,
    booster: boost.booster,
    valve: throttle.valve,
    front: brakes.front.brake,
    rear: brakes.rear.brake,
    tyreRadiusMm: { front, rear },
  }
}

function boosterOf(
  work: Working,
  context: Context,
  part: PartOf<'booster'> | null | undefined,
): { booster: Booster | undefined } | undefined {
  if (part === null) return { booster: undefined }
  if (!part) {
    askHydraulicSlot(work, context, 'booster')
    return undefined
  }
  const ratio = readPart(work, part, 'ratio', 'G')
  if (part.assistN) readPart(work, part, 'assistN')
  return ratio === undefined ? undefined : { booster: { ratio, assistN: part.assistN?.value } }
}

/** The rear valve as numbers, or that there is none; undefined while a figure of it is missing, which is then asked for. */
export function valveOf(
  work: Working,
  context: Context,
  part: PartOf<'valve'> | null | undefined,
): { valve: Valve | undefined } | undefined {
  if (part === null) return { valve: undefined }
  if (!part) {
    askHydraulicSlot(work, context, 'valve')
    return undefined
  }
  // an adjustable valve stands where this setup has it set
  const own = part.action === 'adjustable' ? context.setup.hydraulics.valveKneeMpa : undefined
  const kneeMpa = own
    ? work.read(own, {
        symbol: 'P_k',
        label: `Knee pressure set in this setup`,
        dimension: 'pressure',
        at: { kind: 'setup', setupId: context.setup.id, field: 'valveKneeMpa' },
      })
    : readPart(work, part, 'kneeMpa', 'P_k')
  const slope = readPart(work, part, 'slope')
  return kneeMpa === undefined || slope === undefined ? undefined : { valve: { kneeMpa, slope } }
}

/** The master cylinder as numbers; undefined while a figure of it is missing, which is then asked for. */
export function masterOf(work: Working, context: Context, part: PartOf<'masterCylinder'> | null | undefined): MasterCylinder | undefined {
  if (!part) {
    askHydraulicSlot(work, context, 'masterCylinder')
    return undefined
  }
  if (part.construction === 'twin') {
    const frontBoreMm = readPart(work, part, 'frontBoreMm')
    const rearBoreMm = readPart(work, part, 'rearBoreMm')
    const frontShare = work.read(context.setup.hydraulics.barFrontShare, {
      symbol: 'x',
      label: 'Front share of the balance bar',
      dimension: 'share',
      at: { kind: 'setup', setupId: context.setup.id, field: 'barFrontShare' },
      how: '50% is centred. Balance > Bores gives the position for each pair of bores.',
    })
    return frontBoreMm === undefined || rearBoreMm === undefined || frontShare === undefined
      ? undefined
      : { kind: 'twin', frontBoreMm, rearBoreMm, frontShare }
  }
  if (!part.construction) work.ask(`Construction of ${part.name}`, { kind: 'part', partId: part.id, field: 'construction' })
  const boreMm = readPart(work, part, 'boreMm')
  return boreMm === undefined || !part.construction ? undefined : { kind: 'tandem', boreMm }
}

/** The car as a mass on two axles, driver only. */
export function massOf(work: Working, context: Context): Mass | undefined {
  const massKg = readCar(work, context, 'massKg', 'm')
  const staticFront = readCar(work, context, 'staticFrontShare', 'φ')
  const cgHeightMm = readCar(work, context, 'cgHeightMm', 'h')
  const wheelbaseMm = readCar(work, context, 'wheelbaseMm', 'L')
  return massKg === undefined || staticFront === undefined || cgHeightMm === undefined || wheelbaseMm === undefined
    ? undefined
    : { massKg, staticFront, cgHeightMm, wheelbaseMm }
}
