import { carAxleFields, carFields } from './car-fields.ts'
import type { Field, FieldTable } from './field.ts'
import { COMMON_FIGURES, fieldsOf } from './part-kinds.ts'
import type { Project } from './project.ts'
import type { EntryPlace } from './question.ts'

/** The field table that a place belongs to, with the name by which ways and forms know it. */
export function tableAt(project: Project, at: EntryPlace): { name: string; table: FieldTable } | undefined {
  if (at.kind === 'car') return at.axle ? { name: 'carAxle', table: carAxleFields } : { name: 'car', table: carFields }
  if (at.kind !== 'part') return undefined
  const part = project.parts.find((one) => one.id === at.partId)
  return part && { name: part.kind, table: fieldsOf(part.kind) }
}

/** The field of a place, as its table has it. */
export const fieldAt = (project: Project, at: EntryPlace): Field | undefined =>
  'field' in at ? (tableAt(project, at)?.table[at.field] ?? (at.kind === 'part' ? COMMON_FIGURES[at.field] : undefined)) : undefined

/** What is entered at a place. */
export function heldAt(project: Project, at: EntryPlace): unknown {
  if (at.kind === 'car') return (at.axle ? project.car[at.axle] : project.car)[at.field as never]
  if (at.kind === 'part') return project.parts.find((one) => one.id === at.partId)?.[at.field as never]
  if (at.kind === 'setup') return project.setups.find((one) => one.id === at.setupId)?.[at.axle ?? 'hydraulics'][at.field as never]
  return undefined
}
