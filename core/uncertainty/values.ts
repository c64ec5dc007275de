import { AXLES, type Axle } from '../quantity/axle.ts'
import type { Project } from '../records/project.ts'
import { findSetup, resolveSetup, stockSetup } from '../records/resolve.ts'
import { doubtfulFigures } from '../balance/pedal-to-road.ts'
import { orderMarginG } from '../balance/lock-finding.ts'
import { systemOf } from '../hydraulics/brake-system.ts'
import { axleBrake } from '../hydraulics/brake.ts'
import type { Context } from '../figures/read.ts'
import { Working } from '../figures/working.ts'
import type { FigureId } from '../figures/figure-ids.ts'
import { heatFigures } from '../heat/heat.ts'
import { calibrate } from '../hydraulics/pedal-travel.ts'

/** Figures from the foot to the road and the heat of one stop: those whose doubt comes from the doubts of what went in. */
export const UNCERTAIN_FIGURES = [
  'pedal.force',
  'pedal.forceNoAssist',
  'bias.pressure',
  'bias.clamp',
  'bias.torque',
  'bias.road',
  'bias.ideal',
  'balance.critical',
  'pedal.travel',
  'front.pistonArea',
  'rear.pistonArea',
  'front.effectiveRadius',
  'rear.effectiveRadius',
  'front.ringMass',
  'rear.ringMass',
  'front.heat',
  'rear.heat',
] as const satisfies FigureId[]
export type UncertainFigureId = (typeof UNCERTAIN_FIGURES)[number]

export interface FigureValues {
  figures: Partial<Record<UncertainFigureId, number>>
  /** How far the front locks first beyond what is asked for, g; negative: the rear does before. */
  marginG: number | undefined
}

/** The figures of one setup as numbers alone, for a project of which only figures differ from one that was looked at. */
export function valuesOf(project: Project, setupId: string): FigureValues {
  const setup = findSetup(project, setupId)
  if (!setup) throw new RangeError(`no setup ${setupId} in project ${project.id}`)
  const context: Context = { project, setup, isStock: setup === stockSetup(project), resolved: resolveSetup(project, setup) }
  const both = <T>(make: (axle: Axle) => T): Record<Axle, T> => ({ front: make('front'), rear: make('rear') })
  const brakes = both((axle) => axleBrake(context, axle))
  const stock: Context = context.isStock
    ? context
    : { project, setup: stockSetup(project), isStock: true, resolved: resolveSetup(project, stockSetup(project)) }
  const stockBrakes = context.isStock ? brakes : both((axle) => axleBrake(stock, axle))
  const stockSystem = systemOf(new Working(), stock, stockBrakes)
  const pedal = doubtfulFigures(context, brakes, calibrate(stock, stockBrakes, stockSystem))
  const figures: FigureValues['figures'] = {}
  const all = [
    ...pedal.figures,
    ...AXLES.flatMap((axle) => [brakes[axle].pistonArea, brakes[axle].effectiveRadius, ...heatFigures({ context, axle }, pedal.roadBias)]),
  ]
  for (const { id, value } of all)
    if (value !== undefined && (UNCERTAIN_FIGURES as readonly FigureId[]).includes(id)) figures[id as UncertainFigureId] = value
  const { system, mass, order } = pedal
  return { figures, marginG: system && mass && order ? orderMarginG(context, system, mass, order) : undefined }
}
