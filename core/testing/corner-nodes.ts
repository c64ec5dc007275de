import type { CornerNodes } from '../heat/maths/nodes.ts'

/** A front corner as it might be: figures in the range of the defaults. */
export const CORNER_NODES: CornerNodes = {
  ringMassKg: 4.6,
  areaM2: 0.075,
  emissivity: 0.55,
  h0: 10,
  h1: 6,
  ductFactor: 1,
  intoRotor: 0.95,
  ringToPadWPerK: 4,
  ringToPadReleasedWPerK: 0.6,
  padToCaliperWPerK: 1.5,
  ringToCaliperWPerK: 0.3,
  fluidShare: 0.25,
  padJPerK: 500,
  padCoolingWPerK: 0.6,
  caliperJPerK: 2600,
  caliperCoolingWPerK: 2.5,
}
