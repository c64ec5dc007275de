import type { Figure } from '../quantity/figure.ts'

/** The names of the ways (ways.ts) by which a figure is worked out from others: what a file may say. */
export const WAY_IDS = [
  'tyreMarking',
  'wheelMarking',
  'boltPattern',
  'thread',
  'leverLengths',
  'handLengths',
  'axleScales',
  'tiltMethod',
  'rotorHeights',
  'padArea',
  'statedArea',
] as const
export type WayId = (typeof WAY_IDS)[number]

/** Figures of a typical car (core/typical) name their class where a way names what it was given. */
export const TYPICAL = 'typical'

/** Whether a figure is one of a class of cars, not of this one. */
export const isTypical = (figure: { madeOf?: Figure['madeOf'] | undefined } | undefined): boolean => figure?.madeOf?.way === TYPICAL
