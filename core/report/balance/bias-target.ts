import { idealFrontShare } from '../../balance/constant-split.ts'
import { chain } from '../../hydraulics/chain.ts'
import { pedalForceForRoadForce } from '../../hydraulics/effort.ts'
import type { Project } from '../../model/project.ts'
import { resolveSetup, stockSetup } from '../../model/resolve.ts'
import { STANDARD_GRAVITY } from '../../quantity/units.ts'
import { axleBrake } from '../brake/brake.ts'
import { massOf, systemOf } from '../brake/brake-system.ts'
import { Working } from '../figure/working.ts'

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
