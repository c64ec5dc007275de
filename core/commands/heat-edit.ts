import type { Axle } from '../quantity/axle.ts'
import type { ExtraLine, Setup } from '../records/setup.ts'
import type { PartOf } from '../records/part.ts'
import type { Project } from '../records/project.ts'
import { findSetup, resolveSetup } from '../records/resolve.ts'

/** A change that keeps a setup's brakes cooler, or lets them stand more. */
export type HeatEdit =
  | { kind: 'part'; axle: Axle; slot: 'pad' | 'rotor'; partId: string }
  | { kind: 'fluid'; partId: string }
  /** The same product, new. */
  | { kind: 'freshFluid' }
  | { kind: 'duct'; axle: Axle }
  | { kind: 'padShims'; axle: Axle }
  | { kind: 'lighter'; kg: number }
  /** A descent of the project in a lower gear: what the engine then holds back. */
  | { kind: 'gear'; dutyId: string; engineDragN: number }

/** The line of the bill that a hose or shims stand on. */
const heatLineId = (kind: 'duct' | 'padShims', axle: Axle): string => `heat.${kind}.${axle}`

/** The project with the change made; what it shares with the other stays shared. */
export function withHeatEdit(project: Project, setupId: string, edit: HeatEdit): Project {
  const next: Project = {
    ...project,
    car: { ...project.car },
    parts: [...project.parts],
    duties: structuredClone(project.duties),
    setups: project.setups.map((one) => (one.id === setupId ? structuredClone(one) : one)) as Project['setups'],
  }
  makeHeatEdit(next, setupId, edit)
  return next
}

/** Makes the change in a project that may be written to; a setup that is gone leaves all as it is. */
export function makeHeatEdit(project: Project, setupId: string, edit: HeatEdit): void {
  const setup = findSetup(project, setupId)
  if (!setup) return
  switch (edit.kind) {
    case 'part':
      setup[edit.axle][edit.slot] = edit.partId
      return
    case 'fluid':
      setup.hydraulics.fluid = edit.partId
      return
    case 'freshFluid':
      freshFluid(project, setup)
      return
    case 'duct':
      setup[edit.axle].duct = true
      addLine(setup, { id: heatLineId('duct', edit.axle), label: `Cooling hose, ${edit.axle}`, kind: 'remedy', quantity: 2 })
      return
    case 'padShims':
      setup[edit.axle].padShims = true
      addLine(setup, { id: heatLineId('padShims', edit.axle), label: `Insulating pad shims, ${edit.axle}`, kind: 'remedy', quantity: 1 })
      return
    case 'lighter': {
      const { massKg } = project.car
      if (massKg) project.car.massKg = { value: massKg.value - edit.kg, origin: 'estimated', note: `${edit.kg} kg less than before` }
      return
    }
    case 'gear': {
      const own = project.duties.find((one) => one.id === edit.dutyId)
      if (own?.duty.kind === 'descent') own.duty.engineDragN = edit.engineDragN
      return
    }
  }
}

function addLine(setup: Setup, line: ExtraLine): void {
  if (!setup.extras.some((one) => one.id === line.id)) setup.extras.push(line)
}

/** A bottle of the same as a part of its own: what is in the car keeps its age. */
function freshFluid(project: Project, setup: Setup): void {
  const fitted = resolveSetup(project, setup).fluid
  if (!fitted) return
  const found = freshOf(project, fitted)
  if (!project.parts.includes(found)) project.parts.push(found)
  setup.hydraulics.fluid = found.id
}
function freshOf(project: Project, fitted: PartOf<'fluid'>): PartOf<'fluid'> {
  const { owned: _owned, waterPercent: _water, note: _note, ...rest } = fitted
  const fresh: PartOf<'fluid'> = {
    ...rest,
    name: `${fitted.name.replace(/, fresh$/, '').slice(0, 110)}, fresh`,
    condition: 'new',
    serviceMonths: { value: 0, origin: 'estimated' },
  }
  const same = project.parts.find(
    (one): one is PartOf<'fluid'> => one.kind === 'fluid' && one.name === fresh.name && one.serviceMonths?.value === 0 && !one.waterPercent,
  )
  if (same) return same
  const ids = new Set(project.parts.map((one) => one.id))
  let id = `${fitted.id.slice(0, 60)}-fresh`
  for (let n = 2; ids.has(id); n += 1) id = `${fitted.id.slice(0, 60)}-fresh-${n}`
  return { ...fresh, id }
}
