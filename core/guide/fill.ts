import type { Draft } from 'immer'
import { carAxleFields, carFields } from '../records/car-fields.ts'
import type { FieldTable } from '../records/field.ts'
import { fieldsOf, type PartKind } from '../records/part-kinds.ts'
import { AXLES } from '../quantity/axle.ts'
import type { Part } from '../records/part.ts'
import type { Project } from '../records/project.ts'
import type { Slot } from '../records/setup.ts'
import { isTypical, TYPICAL } from '../records/way-ids.ts'
import type { Figure } from '../quantity/figure.ts'
import { classOf, type ClassId, type Usual, type UsualPart } from './classes.ts'

/** A figure of a class, marked as such: "typical of a small hatchback". */
function typicalFigure(id: ClassId, [value, u]: Usual): Figure {
  return {
    value,
    u,
    origin: 'estimated',
    note: `typical of a ${classOf(id).label}`,
    madeOf: { way: TYPICAL, given: { class: id, of: classOf(id).label } },
  }
}

type Fillable = Record<string, unknown>

/**
 * Fills what is unknown of a car as it stands, its brakes included, from a class; what is known stays. Slots that hold
 * nothing on purpose stay empty. Wheels, threads and hole patterns are left unknown: no class can say them.
 *
 * @param draft changed in place
 * @returns how many figures were filled in
 */
export function fillFromClass(draft: Draft<Project>, id: ClassId): number {
  const of = classOf(id)
  let filled = 0
  const figures = (holder: Fillable, table: FieldTable, usuals: Readonly<Record<string, Usual | undefined>>): void => {
    for (const [key, usual] of Object.entries(usuals)) {
      const when = table[key]?.when
      if (!usual || holder[key] !== undefined || (when && holder[when.field] !== when.is)) continue
      holder[key] = typicalFigure(id, usual)
      filled += 1
    }
  }
  const choose = (holder: Fillable, chosen: object | undefined): void => {
    for (const [key, value] of Object.entries(chosen ?? {})) holder[key] ??= value
  }

  choose(draft.car, of.chosen)
  figures(draft.car as unknown as Fillable, carFields, of.car)
  const stock = draft.setups[0]
  const part = <K extends PartKind>(kind: K, usual: UsualPart<K> | null | undefined, slots: Fillable, slot: string, hint: string): void => {
    let now = slots[slot] as Slot
    if (usual === undefined || now === null) return
    if (usual === null) {
      slots[slot] ??= null
      return
    }
    let held = draft.parts.find((one) => one.id === now)
    // a part of another kind of which nothing is known makes room
    if (held && held.kind !== kind && isBare(held)) {
      draft.parts = draft.parts.filter((one) => one.id !== now)
      slots[slot] = held = undefined
      now = undefined
    }
    if (now !== undefined && held?.kind !== kind) return
    if (!held) {
      const made = { id: freeId(draft.parts, `typical-${hint}`), kind, name: usual.name, owned: true } as unknown as Draft<Part>
      draft.parts.push(made)
      slots[slot] = made.id
      // what was pushed is the draft's own from here on
      held = draft.parts[draft.parts.length - 1]!
    }
    const holder = held as unknown as Fillable
    choose(holder, usual.chosen)
    figures(holder, fieldsOf(kind), { ...usual.figures, massKg: usual.massKg })
    if (usual.pistonsMm && holder.pistonsMm === undefined) {
      holder.pistonsMm = usual.pistonsMm.map((piston) => typicalFigure(id, piston))
      filled += usual.pistonsMm.length
    }
  }
  for (const axle of AXLES) {
    const here = of[axle]
    figures(draft.car[axle] as unknown as Fillable, carAxleFields, here.car)
    const slots = stock[axle] as Fillable
    // a drum where a class has a disc, or the other way round, is what is on the car
    part(here.drum ? 'drum' : 'caliper', here.drum ?? here.caliper, slots, 'caliper', `${axle}-${here.drum ? 'drum' : 'caliper'}`)
    part('hose', here.hose, slots, 'hose', `${axle}-hose`)
    const isDrum = draft.parts.find((one) => one.id === slots.caliper)?.kind === 'drum'
    if (isDrum) continue
    part('rotor', here.rotor, slots, 'rotor', `${axle}-rotor`)
    part('pad', here.pad, slots, 'pad', `${axle}-pads`)
  }
  const hydraulics = stock.hydraulics as Fillable
  part('masterCylinder', of.masterCylinder, hydraulics, 'masterCylinder', 'master')
  if (of.barFrontShare && hydraulics.barFrontShare === undefined) {
    hydraulics.barFrontShare = typicalFigure(id, of.barFrontShare)
    filled += 1
  }
  part('booster', of.booster, hydraulics, 'booster', 'booster')
  part('valve', of.valve, hydraulics, 'valve', 'valve')
  part('fluid', of.fluid, hydraulics, 'fluid', 'fluid')
  return filled
}

const isBare = (part: object): boolean => Object.keys(part).every((key) => ['id', 'kind', 'name', 'owned'].includes(key))

function freeId(parts: readonly { id: string }[], wanted: string): string {
  const taken = new Set(parts.map((one) => one.id))
  let id = wanted
  for (let n = 2; taken.has(id); n += 1) id = `${wanted}-${n}`
  return id
}

/** How many figures of a project are a class's and not this car's. */
export function typicalCount(project: Project): number {
  const count = (holder: object): number =>
    Object.values(holder).reduce<number>((sum, value: unknown) => {
      const all = Array.isArray(value) ? (value as unknown[]) : [value]
      return sum + all.filter((one) => typeof one === 'object' && one !== null && isTypical(one as Figure)).length
    }, 0)
  const setups = project.setups.map((one) => one.hydraulics)
  return [project.car, project.car.front, project.car.rear, ...project.parts, ...setups].reduce((sum, holder) => sum + count(holder), 0)
}
