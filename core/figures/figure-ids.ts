import type { Axle } from '../quantity/axle.ts'

/** Figures that each axle has. The registry in `evaluate/figures.ts` holds one entry for each of them, and the compiler says so. */
export const AXLE_FIGURE_IDS = [
  'pistonArea',
  'effectiveRadius',
  'gap',
  'faceGap',
  'barrelGap',
  'shift',
  'gapByDifference',
  'studEngagement',
  'registerLeft',
  'effectiveOffset',
  'track',
  'poke',
  'ringMass',
  'heat',
  'massChange',
  'rotatingChange',
] as const
/** Figures of the whole car. */
export const CAR_FIGURE_IDS = [
  'pedal.force',
  'pedal.forceNoAssist',
  'bias.pressure',
  'bias.clamp',
  'bias.torque',
  'bias.road',
  'bias.ideal',
  'balance.critical',
  'pedal.travel',
  'master.sameFeel',
  'master.strokeUsed',
  'bias.againstStock',
  'cost.total',
  'cost.season',
] as const

export type AxleFigureId = (typeof AXLE_FIGURE_IDS)[number]
export type CarFigureId = (typeof CAR_FIGURE_IDS)[number]
export type FigureId = `${Axle}.${AxleFigureId}` | CarFigureId
