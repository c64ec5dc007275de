import { AXLES, type Axle } from '../quantity/axle.ts'
import type { Project } from './project.ts'

/**
 * Whether a hose is known to belong to the other axle: setups, kits and donors have it there and none of them has it here.
 * Its bend and its brackets are made for that place, whatever its ends would screw into.
 *
 * @example
 * belongsToOtherAxle(DEMO_PROJECT, 'braided-front-hose', 'rear') // => true
 */
export function belongsToOtherAxle({ setups, bundles }: Pick<Project, 'setups' | 'bundles'>, hoseId: string, axle: Axle): boolean {
  const isAt = (one: Axle) =>
    setups.some((setup) => setup[one].hose === hoseId) || bundles.some((bundle) => bundle.axle === one && bundle.parts.includes(hoseId))
  return !isAt(axle) && AXLES.some((one) => one !== axle && isAt(one))
}
