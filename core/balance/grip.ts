import type { Extras } from './maths/adhesion.ts'
import type { Mass } from '../hydraulics/maths/mass.ts'
import type { BrakeSystem } from '../hydraulics/maths/system.ts'
import { carFields } from '../records/car-fields.ts'
import { valveFields } from '../records/hydraulic-fields.ts'
import type { Project } from '../records/project.ts'
import type { ResolvedSetup } from '../records/resolve.ts'
import type { Figure } from '../quantity/figure.ts'
import type { Context } from '../figures/read.ts'
import type { Missing } from '../figures/figure.ts'

/** Tyre friction that stands in where nobody entered one; the report says so. */
const ASSUMED_FRICTION = { dry: 0.9, wet: 0.6, loose: 0.4 } as const
export type Surface = keyof typeof ASSUMED_FRICTION
export const SURFACES = Object.keys(ASSUMED_FRICTION) as Surface[]

const FIELDS = { dry: 'tyreDry', wet: 'tyreWet', loose: 'tyreLoose' } as const

export function frictionOf({ car }: Project, surface: Surface): { value: number; assumed: boolean } {
  const figure: Figure | undefined = car[FIELDS[surface]]
  return figure ? { value: figure.value, assumed: false } : { value: ASSUMED_FRICTION[surface], assumed: true }
}

export const LOADS = { driver: 'driver only', laden: 'fully laden', own: 'own case' } as const
export type LoadId = keyof typeof LOADS

const MASS_FIELDS = {
  driver: { mass: 'massKg', share: 'staticFrontShare', height: ['cgHeightMm'] },
  laden: { mass: 'ladenMassKg', share: 'ladenStaticFrontShare', height: ['cgHeightMm'] },
  own: { mass: 'ownMassKg', share: 'ownStaticFrontShare', height: ['ownCgHeightMm', 'cgHeightMm'] },
} as const satisfies Record<LoadId, { mass: CarField; share: CarField; height: CarField[] }>
type CarField = keyof typeof carFields

/** Mass and its place in a load case; undefined while a figure of it is missing. An unknown height is that of the driver alone. */
function massIn({ car }: Project, load: LoadId): Mass | undefined {
  const { mass, share, height } = MASS_FIELDS[load]
  const figureOf = (field: CarField) => car[field] as Figure | undefined
  const [massKg, front] = [figureOf(mass), figureOf(share)]
  const at = (height as readonly CarField[]).find((field) => figureOf(field))
  const cg = at && figureOf(at)
  if (!massKg || !front || !cg || !car.wheelbaseMm) return undefined
  return { massKg: massKg.value, staticFront: front.value, cgHeightMm: cg.value, wheelbaseMm: car.wheelbaseMm.value }
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

/** The brakes in a load case: a load-sensing valve has a knee of its own when the car is laden; undefined while nobody knows it. */
function systemIn(system: BrakeSystem, { valve }: ResolvedSetup, load: LoadId): BrakeSystem | undefined {
  if (load !== 'laden' || valve?.action !== 'loadSensing' || !system.valve) return system
  const kneeMpa = valve.kneeLadenMpa?.value
  return kneeMpa === undefined ? undefined : { ...system, valve: { ...system.valve, kneeMpa } }
}

/** Brakes and mass in a load case, as far as they are known, and what to find out. */
export interface LoadCase {
  system: BrakeSystem | undefined
  mass: Mass | undefined
  missing: Missing[]
}

export function loadCase({ project, resolved }: Context, system: BrakeSystem, load: LoadId): LoadCase {
  const { mass, share, height } = MASS_FIELDS[load]
  const loaded = systemIn(system, resolved, load)
  const missing = [mass, share, height[0], 'wheelbaseMm' as const]
    .filter((field) => !project.car[field] && field !== 'ownCgHeightMm')
    .map((field): Missing => ({ what: carFields[field].label, at: { kind: 'car', field } }))
  if (!loaded && resolved.valve)
    missing.push({
      what: `${valveFields.kneeLadenMpa.label} of ${resolved.valve.name}`,
      at: { kind: 'part', partId: resolved.valve.id, field: 'kneeLadenMpa' },
    })
  return { system: loaded, mass: massIn(project, load), missing }
}
