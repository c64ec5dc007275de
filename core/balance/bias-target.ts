import { idealFrontShare } from './maths/constant-split.ts'
import { chain } from '../hydraulics/maths/chain.ts'
import { pedalForceForRoadForce } from '../hydraulics/maths/pedal-force.ts'
import type { Project } from '../records/project.ts'
import { resolveSetup, stockSetup } from '../records/resolve.ts'
import { STANDARD_GRAVITY } from '../quantity/units.ts'
import { axleBrake } from '../hydraulics/brake.ts'
import { massOf, systemOf } from '../hydraulics/brake-system.ts'
import { Working } from '../figures/working.ts'

/**
 * The front share of the brake force that the owner aims for at a deceleration: the share of the load, the share of the
 * current car, or a fixed figure. Bore table, search and comparison hold every setup against it.
 *
 * @param decelG g
 * @returns 0 to 1; undefined where the car's figures for it are not known
 * @example
 * Number(biasTarget(DEMO_PROJECT, 0.9)?.toFixed(3)) // => 0.818
 */
export function biasTarget(project: Project, decelG: number): number | undefined {
  const { biasAim = 'load', biasAimShare } = project.preferences
  if (biasAim === 'fixed') return biasAimShare
  const stock = stockSetup(project)
  const context = { project, setup: stock, isStock: true, resolved: resolveSetup(project, stock) }
  const mass = massOf(new Working(), context)
  if (!mass) return undefined
  if (biasAim === 'load') return idealFrontShare(mass.staticFront, mass.cgHeightMm / mass.wheelbaseMm, decelG)
  const system = systemOf(new Working(), context, { front: axleBrake(context, 'front'), rear: axleBrake(context, 'rear') })
  const pedalN = system && pedalForceForRoadForce(system, mass.massKg * STANDARD_GRAVITY * decelG)
  return pedalN === undefined ? undefined : chain(system!, pedalN).bias.road
}
