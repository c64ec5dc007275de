import { oneStopRiseC, ringMassKg } from '../heat/one-stop.ts'
import type { Axle } from '../model/project.ts'
import { askSlot, readCar, readPart, readPartOr, type Context } from './context.ts'
import type { ReportFigure } from './types.ts'
import { Working } from './working.ts'

/** Air in a vented ring when nobody measured it. */
const ASSUMED_VOID_SHARE = 0.35

/** One stop from the preferred speed: the rise of each rotor's ring. */
export function heatFigures(context: Context, axle: Axle, roadBias: ReportFigure): ReportFigure[] {
  const { rotor, caliper } = context.resolved[axle]
  const massWork = new Working()
  let ring: number | undefined
  if (caliper?.kind === 'drum')
    massWork.ask(
      `Mass of the drum, ${axle}`,
      { kind: 'slot', setupId: context.setup.id, axle, slot: 'caliper' },
      'Drums are not covered yet.',
    )
  else if (!rotor) askSlot(massWork, context, axle, 'rotor')
  else {
    const outer = readPart(massWork, rotor, 'diameterMm', 'D')
    const inner = readPart(massWork, rotor, 'frictionInnerDiameterMm', 'd')
    const thickness = readPart(massWork, rotor, 'thicknessMm', 't')
    if (!rotor.ventilation) massWork.ask(`Ventilation of ${rotor.name}`, { kind: 'part', partId: rotor.id, field: 'ventilation' })
    const voidShare =
      rotor.ventilation === 'vented'
        ? readPartOr(massWork, rotor, 'voidShare', ASSUMED_VOID_SHARE, 'v')
        : massWork.set(0, {
            symbol: 'v',
            label: `Void in the ring of ${rotor.name}`,
            dimension: 'share',
            at: { kind: 'part', partId: rotor.id, field: 'ventilation' },
          })
    if (outer !== undefined && inner !== undefined && thickness !== undefined && rotor.ventilation)
      ring = ringMassKg(outer, inner, thickness, voidShare)
  }
  const ringMass = massWork.figure(`${axle}.ringMass`, `Friction ring, ${axle}`, 'mass', 'ring-mass', ring)

  const work = new Working()
  const massKg = readCar(work, context, 'massKg', 'm')
  const fromKmh = context.project.preferences.stopFromKmh
  work.set(fromKmh, { symbol: 'v', label: 'Stop from, km/h', dimension: 'number', at: { kind: 'preference', field: 'stopFromKmh' } })
  const front = work.carry(roadBias)
  const share = front === undefined ? undefined : axle === 'front' ? front : 1 - front
  if (share !== undefined)
    work.set(share, {
      symbol: 'share',
      label: `Share of the work, ${axle}`,
      dimension: 'share',
      at: { kind: 'figure', figureId: 'bias.road' },
    })
  work.carry(ringMass, 'm_ring')
  work.notes.push('Nothing is given off during the stop: for comparing rotors, not for predicting fade.')
  const value = massKg === undefined || share === undefined || ring === undefined ? undefined : oneStopRiseC(massKg, fromKmh, share, ring)
  return [ringMass, work.figure(`${axle}.heat`, `Rotor rise in one stop, ${axle}`, 'temperatureRise', 'one-stop-rise', value)]
}
