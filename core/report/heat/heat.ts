import { INTO_ROTOR, IRON_J_PER_KG_K, IRON_KG_PER_MM3, oneStopRiseC, ringMassKg, ROTATING } from '../../heat/one-stop.ts'
import { axleFigure, type AxleFigure } from '../figure/entry.ts'
import type { Formula, ReportFigure } from '../figure/figure.ts'
import { askSlot, readCar, readPart, readPartOr, type AtAxle } from '../figure/read.ts'

/** Air in a vented ring when nobody measured it. */
export const ASSUMED_VOID_SHARE = 0.35

const RING: Formula = {
  id: 'ring-mass',
  name: 'Mass of the friction ring',
  text: `m = π/4 · (D² − d²) · t · (1 − v) · ${IRON_KG_PER_MM3.toExponential()}`,
  source: 'Density of grey cast iron',
}

/** What the ring of a rotor weighs: it stores the heat of a stop. */
export const RING_MASS: AxleFigure<'ringMass', AtAxle> = axleFigure('ringMass', {
  label: ({ axle }) => `Friction ring, ${axle}`,
  dimension: 'mass',
  formula: RING,
  read(work, { context, axle }) {
    const { rotor, caliper } = context.resolved[axle]
    if (caliper?.kind === 'drum') {
      const at = { kind: 'slot', setupId: context.setup.id, axle, slot: 'caliper' } as const
      work.ask(`Mass of the drum, ${axle}`, at, 'Drums are not covered yet.')
    } else if (!rotor) askSlot(work, context, axle, 'rotor')
    if (caliper?.kind === 'drum' || !rotor) return { outerMm: undefined, innerMm: undefined, thicknessMm: undefined, voidShare: undefined }
    const at = { kind: 'part', partId: rotor.id, field: 'ventilation' } as const
    const outerMm = readPart(work, rotor, 'diameterMm', 'D')
    const innerMm = readPart(work, rotor, 'frictionInnerDiameterMm', 'd')
    const thicknessMm = readPart(work, rotor, 'thicknessMm', 't')
    if (!rotor.ventilation) work.ask(`Ventilation of ${rotor.name}`, at)
    const voidShare =
      rotor.ventilation === 'vented'
        ? readPartOr(work, rotor, 'voidShare', ASSUMED_VOID_SHARE, 'v')
        : work.set(0, { symbol: 'v', label: `Void in the ring of ${rotor.name}`, dimension: 'share', at })
    return { outerMm, innerMm, thicknessMm, voidShare }
  },
  value: ({ outerMm, innerMm, thicknessMm, voidShare }) => ringMassKg(outerMm, innerMm, thicknessMm, voidShare),
})

const ONE_STOP: Formula = {
  id: 'one-stop-rise',
  name: 'Rise of the rotor in one stop',
  text: `ΔT = ½ · ${ROTATING} · m · (v / 3.6)² · share · ${INTO_ROTOR} / (2 · m_ring · ${IRON_J_PER_KG_K})`,
  source: 'R. Limpert, Brake Design and Safety, ch. 3',
}

interface OneStop extends AtAxle {
  roadBias: ReportFigure
  ringMass: ReportFigure
}

/** How much hotter one stop from the preferred speed makes the ring. */
export const ONE_STOP_RISE: AxleFigure<'heat', OneStop> = axleFigure('heat', {
  label: ({ axle }) => `Rotor rise in one stop, ${axle}`,
  dimension: 'temperatureRise',
  formula: ONE_STOP,
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
  value: ({ massKg, fromKmh, share, ringKg }) => oneStopRiseC(massKg, fromKmh, share, ringKg),
})

/** One stop from the preferred speed: what each rotor's ring weighs, and how much hotter it gets. */
export function heatFigures(at: AtAxle, roadBias: ReportFigure): ReportFigure[] {
  const ringMass = RING_MASS.of(at).figure
  return [ringMass, ONE_STOP_RISE.of({ roadBias, ringMass, ...at }).figure]
}
