import type { Effort } from '../clearance/effort.ts'
import type { FieldTable } from '../model/field.ts'
import { carAxleFields, carFields } from '../model/car-fields.ts'
import { fieldsOf } from '../model/part-kinds.ts'
import type { Axle, AxleSlot, HydraulicSlot, Part, Project, Setup } from '../model/project.ts'
import { AXLE_SLOTS, HYDRAULIC_SLOTS } from '../model/project.ts'
import type { ResolvedSetup } from '../model/resolve.ts'
import type { Figure } from '../quantity/figure.ts'
import type { Dimension } from '../quantity/units.ts'
import type { Working } from './working.ts'

/** What every part of the report looks at. */
export interface Context {
  project: Project
  setup: Setup
  isStock: boolean
  resolved: ResolvedSetup
  /** What looking at its corners may cost, where many setups are looked at for one answer. */
  effort?: Effort
}

const figureOf = (holder: object, field: string): Figure | undefined => (holder as Record<string, unknown>)[field] as Figure | undefined
const MASS = { label: 'Mass', dimension: 'mass' } as const
const describe = (table: FieldTable, field: string): { label: string; dimension: Dimension; how?: string } => {
  if (field === 'massKg' && !table[field]) return MASS
  const entry = table[field]
  if (entry?.type !== 'figure') throw new RangeError(`${field} is not a figure`)
  return { label: entry.label, dimension: entry.dimension, ...(entry.help === undefined ? {} : { how: entry.help }) }
}

/** Reads a figure of a part into a working. */
export function readPart(working: Working, part: Part, field: string, symbol = ''): number | undefined {
  const { label, ...rest } = describe(fieldsOf(part.kind), field)
  return working.read(figureOf(part, field), {
    symbol,
    label: `${label} of ${part.name}`,
    ...rest,
    at: { kind: 'part', partId: part.id, field },
  })
}

export function readPartOr(working: Working, part: Part, field: string, fallback: number, symbol = ''): number {
  const { label, ...rest } = describe(fieldsOf(part.kind), field)
  return working.readOr(figureOf(part, field), fallback, {
    symbol,
    label: `${label} of ${part.name}`,
    ...rest,
    at: { kind: 'part', partId: part.id, field },
  })
}

export function readCar(working: Working, context: Context, field: keyof typeof carFields, symbol = ''): number | undefined {
  return working.read(figureOf(context.project.car, field), { symbol, ...describe(carFields, field), at: { kind: 'car', field } })
}

type CarAxleFigure = {
  [K in keyof typeof carAxleFields]: (typeof carAxleFields)[K] extends { type: 'figure' } ? K : never
}[keyof typeof carAxleFields]

export function readCarAxle(working: Working, context: Context, axle: Axle, field: CarAxleFigure, symbol = ''): number | undefined {
  const { label, ...rest } = describe(carAxleFields, field)
  return working.read(context.project.car[axle][field], { symbol, label: `${label}, ${axle}`, ...rest, at: { kind: 'car', axle, field } })
}

/** Asks for a part where a slot is unknown. */
export function askSlot(working: Working, context: Context, axle: Axle, slot: AxleSlot): void {
  working.ask(
    `${AXLE_SLOTS[slot].label}, ${axle}`,
    { kind: 'slot', setupId: context.setup.id, axle, slot },
    'Choose a part in the step Setup.',
  )
}

export function askHydraulicSlot(working: Working, context: Context, slot: HydraulicSlot): void {
  working.ask(HYDRAULIC_SLOTS[slot].label, { kind: 'slot', setupId: context.setup.id, slot }, 'Choose a part in the step Setup.')
}
