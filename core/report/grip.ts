import type { Extras, Mass } from '../balance/adhesion.ts'
import type { BrakeSystem } from '../hydraulics/system.ts'
import type { Project } from '../model/project.ts'
import type { ResolvedSetup } from '../model/resolve.ts'
import type { Figure } from '../quantity/figure.ts'

/** Tyre friction that stands in where nobody entered one; the report says so. */
export const ASSUMED_FRICTION = { dry: 0.9, wet: 0.6, loose: 0.4 } as const
export type Surface = keyof typeof ASSUMED_FRICTION
export const SURFACES = Object.keys(ASSUMED_FRICTION) as Surface[]

const FIELDS = { dry: 'tyreDry', wet: 'tyreWet', loose: 'tyreLoose' } as const

export function frictionOf({ car }: Project, surface: Surface): { value: number; assumed: boolean } {
  const figure: Figure | undefined = car[FIELDS[surface]]
  return figure ? { value: figure.value, assumed: false } : { value: ASSUMED_FRICTION[surface], assumed: true }
}

export const LOADS = { driver: 'driver only', laden: 'fully laden', own: 'own case' } as const
export type LoadId = keyof typeof LOADS

/** Mass and its place in a load case; undefined while a figure of it is missing. An unknown height is that of the driver alone. */
export function massIn({ car }: Project, load: LoadId): Mass | undefined {
  const { wheelbaseMm, cgHeightMm } = car
  const [mass, share, height] =
    load === 'driver'
      ? [car.massKg, car.staticFrontShare, cgHeightMm]
      : load === 'laden'
        ? [car.ladenMassKg, car.ladenStaticFrontShare, cgHeightMm]
        : [car.ownMassKg, car.ownStaticFrontShare, car.ownCgHeightMm ?? cgHeightMm]
  if (!mass || !share || !height || !wheelbaseMm) return undefined
  return { massKg: mass.value, staticFront: share.value, cgHeightMm: height.value, wheelbaseMm: wheelbaseMm.value }
}

/** Engine drag and downforce as entered, each where it is asked for. */
export function extrasOf({ car }: Project, use: { engine: boolean; downforce: boolean }): Extras {
  const drag = use.engine ? (car.engineDragN?.value ?? 0) : 0
  const driven = car.driven ?? 'front'
  const front = driven === 'front' ? drag : driven === 'all' ? drag / 2 : 0
  return {
    dragN: { front, rear: drag - front },
    ...(use.downforce ? { downforceN: { front: car.downforceFrontN?.value ?? 0, rear: car.downforceRearN?.value ?? 0 } } : {}),
  }
}

/** The brakes in a load case: a load-sensing valve has a knee of its own when the car is laden. */
export function systemIn(system: BrakeSystem, { valve }: ResolvedSetup, load: LoadId): BrakeSystem {
  const laden = load === 'laden' && valve?.action === 'loadSensing' ? valve.kneeLadenMpa?.value : undefined
  return laden === undefined || !system.valve ? system : { ...system, valve: { ...system.valve, kneeMpa: laden } }
}
