import { formatQuantity } from '../quantity/format.ts'
import type { UnitChoice } from '../quantity/units.ts'
import type { Axle } from '../quantity/axle.ts'
import type { Setup } from './setup.ts'

/** The line of the bill that stands for the shims of an axle: that of the finding they cure. */
export const shimLineId = (axle: Axle): string => `fit.${axle}.disc-plane`

/** Two bolts a caliper, two calipers an axle. */
const STACKS = 4

/**
 * Puts shims between mount and caliper, or takes them out again, with their line on the bill. Changes the setup it is given.
 *
 * @param shimMm + outboard; undefined: none of this setup's own
 * @param priced whether they are bought: those that are on the car already are not
 */
export function setShims(setup: Setup, axle: Axle, shimMm: number | undefined, priced: boolean, units: UnitChoice): void {
  if (setup[axle].shimMm === shimMm) return
  if (shimMm === undefined) delete setup[axle].shimMm
  else setup[axle].shimMm = shimMm
  const id = shimLineId(axle)
  setup.extras = setup.extras.filter((line) => line.id !== id)
  if (!priced || !shimMm) return
  const thickness = formatQuantity(Math.abs(shimMm), 'length', units, { decimals: units.length === 'mm' ? 2 : 3 })
  setup.extras.push({ id, label: `Shims ${thickness} under the caliper, ${axle}`, kind: 'remedy', quantity: STACKS })
}
