import type { Mass } from './maths/mass.ts'
import type { Takers } from './maths/bores.ts'
import type { BrakeSystem, MasterCylinder, Valve } from './maths/system.ts'
import { AXLES, type Axle } from '../quantity/axle.ts'
import type { Project } from '../records/project.ts'
import type { Setup } from '../records/setup.ts'
import { findSetup, resolveSetup, stockSetup, type ResolvedSetup } from '../records/resolve.ts'
import { axleBrake, type AxleBrakeReport } from './brake.ts'
import { massOf, masterOf, systemOf, valveOf } from './brake-system.ts'
import type { Context } from '../figures/read.ts'
import { calibrate, takerOf, type Calibration } from './pedal-travel.ts'
import type { Missing } from '../figures/figure.ts'
import { Working } from '../figures/working.ts'

/** Everything that figures of the hydraulics are made of, for one setup. */
export interface Hydraulics {
  context: Context
  brakes: Record<Axle, AxleBrakeReport>
  system: BrakeSystem | undefined
  /** Known before the whole system is. */
  master: MasterCylinder | undefined
  /** null: none; undefined: not known. */
  valve: Valve | null | undefined
  takers: Takers | undefined
  calibration: Calibration
  mass: Mass | undefined
  /** What to find out, for force and balance first, then for the travel. */
  missing: Missing[]
  /** How much the booster gives at most, where that is not known: force with it is then a bound. */
  unknownAssist: Missing | undefined
}

/**
 * The brake system of a setup, or of what it would be with other parts in it.
 * @throws RangeError when the project has no such setup
 */
export function hydraulicsOf(
  project: Project,
  setupId: string,
  change: (resolved: ResolvedSetup) => ResolvedSetup = (same) => same,
): Hydraulics {
  const setup = findSetup(project, setupId)
  if (!setup) throw new RangeError(`no setup ${setupId} in project ${project.id}`)
  const stock = stockSetup(project)
  const of = (one: Setup, resolved: ResolvedSetup): Context => ({ project, setup: one, isStock: one === stock, resolved })
  const context = of(setup, change(resolveSetup(project, setup)))
  const onTheCar = of(stock, resolveSetup(project, stock))
  const brakesOf = (one: Context) => ({ front: axleBrake(one, 'front'), rear: axleBrake(one, 'rear') })
  const brakes = brakesOf(context)
  const stockBrakes = setup === stock ? brakes : brakesOf(onTheCar)
  const work = new Working()
  const system = systemOf(work, context, brakes)
  const calibration = calibrate(onTheCar, stockBrakes, systemOf(new Working(), onTheCar, stockBrakes))
  const mass = massOf(work, context)
  const { masterCylinder, valve } = context.resolved
  const throttle = valveOf(new Working(), context, valve)
  // what the travel needs is asked last: force and balance do without it
  const [front, rear] = AXLES.map((axle) => takerOf(work, context, axle, brakes[axle], calibration.factor))
  return {
    context,
    brakes,
    system,
    master: masterOf(new Working(), context, masterCylinder),
    valve: throttle && (throttle.valve ?? null),
    takers: front && rear ? { front, rear } : undefined,
    calibration,
    mass,
    missing: work.missing,
    unknownAssist: unknownAssist(context),
  }
}

function unknownAssist({ resolved: { booster } }: Context): Missing | undefined {
  if (!booster || booster.assistN) return undefined
  return { what: `Assist of ${booster.name}`, at: { kind: 'part', partId: booster.id, field: 'assistN' } }
}
