import { INTO_ROTOR, oneStopRiseC, ringMassKg, ROTATING } from './maths/one-stop.ts'
import { RING_J_PER_KG_K, RING_KG_PER_MM3, type RingMaterial } from './maths/ring.ts'
import type { PartOf } from '../records/part.ts'
import { axleFigure, type AxleFigure } from '../figures/entry.ts'
import type { Formula, ReportFigure } from '../figures/figure.ts'
import { askSlot, readCar, readPart, readPartOr, type AtAxle } from '../figures/read.ts'
import type { Working } from '../figures/working.ts'

/** Air in a vented ring when nobody measured it. */
export const ASSUMED_VOID_SHARE = 0.35

const DENSITY_OF: Record<RingMaterial, string> = {
  iron: 'Density of grey cast iron',
  stainless: 'Density of stainless steel',
  carbon: 'Density of carbon composite',
}
const FROM_SHAPE = (material: RingMaterial): Formula => ({
  id: 'ring-mass',
  name: 'Mass of the friction ring',
  text: `m = π/4 · (D² − d²) · t · (1 − v) · ${RING_KG_PER_MM3[material].toExponential()}`,
  source: DENSITY_OF[material],
})
const WEIGHED: Formula = { id: 'ring-mass-weighed', name: 'Mass of the friction ring, weighed', text: 'm = m_w', source: 'Weighed' }

const discRotorAt = ({ context, axle }: AtAxle): PartOf<'rotor'> | undefined =>
  context.resolved[axle].caliper?.kind === 'drum' ? undefined : (context.resolved[axle].rotor ?? undefined)
const materialAt = (at: AtAxle): RingMaterial => discRotorAt(at)?.material ?? 'iron'

/** How thick a ring is: measured where it was, else as new. */
export const readRingThickness = (work: Working, rotor: PartOf<'rotor'>, symbol?: string): number | undefined =>
  readPart(work, rotor, rotor.nowThicknessMm ? 'nowThicknessMm' : 'thicknessMm', symbol)

interface RingRead {
  /** Weighed: outranks the shape. */
  weighedKg?: number | undefined
  shape?: { outerMm: number; innerMm: number; thicknessMm: number; voidShare: number } | undefined
}

/** What the ring of a rotor weighs: it stores the heat of a stop. */
export const RING_MASS: AxleFigure<'ringMass', AtAxle, RingRead> = axleFigure('ringMass', {
  label: ({ axle }) => `Friction ring, ${axle}`,
  dimension: 'mass',
  formula: (at) => (discRotorAt(at)?.ringMassKg ? WEIGHED : FROM_SHAPE(materialAt(at))),
  read(work, { context, axle }): RingRead {
    const { rotor, caliper } = context.resolved[axle]
    if (caliper?.kind === 'drum') {
      const at = { kind: 'slot', setupId: context.setup.id, axle, slot: 'caliper' } as const
      work.ask(`Mass of the drum, ${axle}`, at, 'Drums are not covered yet.')
    } else if (!rotor) askSlot(work, context, axle, 'rotor')
    if (caliper?.kind === 'drum' || !rotor) return { shape: undefined }
    if (rotor.ringMassKg) return { weighedKg: readPart(work, rotor, 'ringMassKg', 'm_w') }
    const at = { kind: 'part', partId: rotor.id, field: 'ventilation' } as const
    const outerMm = readPart(work, rotor, 'diameterMm', 'D')
    const innerMm = readPart(work, rotor, 'frictionInnerDiameterMm', 'd')
    const thicknessMm = readRingThickness(work, rotor, 't')
    if (!rotor.ventilation) work.ask(`Ventilation of ${rotor.name}`, at)
    const voidShare =
      rotor.ventilation === 'vented'
        ? readPartOr(work, rotor, 'voidShare', ASSUMED_VOID_SHARE, 'v')
        : work.set(0, { symbol: 'v', label: `Void in the ring of ${rotor.name}`, dimension: 'share', at })
    if (outerMm === undefined || innerMm === undefined || thicknessMm === undefined || voidShare === undefined) return { shape: undefined }
    return { shape: { outerMm, innerMm, thicknessMm, voidShare } }
  },
  value: ({ weighedKg, shape }, at) =>
    weighedKg ?? ringMassKg(shape.outerMm, shape.innerMm, shape.thicknessMm, shape.voidShare, RING_KG_PER_MM3[materialAt(at)]),
})

const ONE_STOP = (material: RingMaterial): Formula => ({
  id: 'one-stop-rise',
  name: 'Rise of the rotor in one stop',
  text: `ΔT = ½ · ${ROTATING} · m · (v / 3.6)² · share · ${INTO_ROTOR} / (2 · m_ring · ${RING_J_PER_KG_K[material]})`,
  source: 'R. Limpert, Brake Design and Safety, ch. 3',
})

/** Mean specific heat of an axle's rotor in one stop, J/(kg K). */
export const ringJPerKgK = (at: AtAxle): number => RING_J_PER_KG_K[materialAt(at)]

interface OneStop extends AtAxle {
  roadBias: ReportFigure
  ringMass: ReportFigure
}

/** How much hotter one stop from the preferred speed makes the ring. */
export const ONE_STOP_RISE: AxleFigure<'heat', OneStop> = axleFigure('heat', {
  label: ({ axle }) => `Rotor rise in one stop, ${axle}`,
  dimension: 'temperatureRise',
  formula: (at) => ONE_STOP(materialAt(at)),
  read(work, { context, axle, roadBias, ringMass }) {
    const massKg = readCar(work, context, 'massKg', 'm')
    const fromKmh = work.set(context.project.preferences.stopFromKmh, {
      symbol: 'v',
      label: 'Stop from, km/h',
      dimension: 'number',
      at: { kind: 'preference', field: 'stopFromKmh' },
    })
    // a share that is only a bound says nothing of the heat
    const front = roadBias.atLeast ? undefined : work.carry(roadBias)
    if (roadBias.atLeast) work.ask('The whole brake system: pedal, booster, valve and mass', { kind: 'figure', figureId: 'pedal.force' })
    const share = front === undefined ? undefined : axle === 'front' ? front : 1 - front
    const at = { kind: 'figure', figureId: 'bias.road' } as const
    if (share !== undefined) work.set(share, { symbol: 'share', label: `Share of the work, ${axle}`, dimension: 'share', at })
    const ringKg = work.carry(ringMass, 'm_ring')
    work.notes.push('Nothing is given off during the stop: for comparing rotors, not for predicting fade.')
    return { massKg, fromKmh, share, ringKg }
  },
  value: ({ massKg, fromKmh, share, ringKg }, at) => oneStopRiseC(massKg, fromKmh, share, ringKg, ringJPerKgK(at)),
})

/** One stop from the preferred speed: what each rotor's ring weighs, and how much hotter it gets. */
export function heatFigures(at: AtAxle, roadBias: ReportFigure): ReportFigure[] {
  const ringMass = RING_MASS.of(at).figure
  return [ringMass, ONE_STOP_RISE.of({ roadBias, ringMass, ...at }).figure]
}
