import { AXLES } from '../quantity/axle.ts'
import { AXLE_SLOTS, HYDRAULIC_SLOTS } from '../records/setup.ts'
import { resolveSetup, stockSetup } from '../records/resolve.ts'
import type { Part } from '../records/part.ts'
import type { ReportSource } from './source.ts'

interface ChangedPart {
  slot: string
  words: string
}
const nameOf = (part: Part | null | undefined): string => (part === null ? 'none' : (part?.name ?? 'not known'))

/** Slots that hold another part than the baseline does. */
export function changedParts({ project, setup }: Pick<ReportSource, 'project' | 'setup'>): ChangedPart[] {
  const now = resolveSetup(project, setup)
  const was = resolveSetup(project, stockSetup(project))
  const found: ChangedPart[] = []
  const compare = (slot: string, a: Part | null | undefined, b: Part | null | undefined) => {
    if (a !== b) found.push({ slot, words: `${slot.toLowerCase()}: ${nameOf(a)}` })
  }
  for (const axle of AXLES)
    for (const [slot, { label }] of Object.entries(AXLE_SLOTS))
      compare(`${axle} ${label.toLowerCase()}`, now[axle][slot as keyof typeof AXLE_SLOTS], was[axle][slot as keyof typeof AXLE_SLOTS])
  for (const [slot, { label }] of Object.entries(HYDRAULIC_SLOTS))
    compare(label, now[slot as keyof typeof HYDRAULIC_SLOTS], was[slot as keyof typeof HYDRAULIC_SLOTS])
  return found
}

/** Every part that the setup or the baseline puts on the car, each once, in the order of the slots. */
export function partsInUse({
  project,
  setup,
}: Pick<ReportSource, 'project' | 'setup'>): { part: Part; where: string[]; fitted: boolean }[] {
  const found = new Map<string, { part: Part; where: string[]; fitted: boolean }>()
  const add = (part: Part | null | undefined, where: string, fitted: boolean) => {
    if (!part) return
    const known = found.get(part.id)
    if (!known) found.set(part.id, { part, where: [where], fitted })
    else if (!known.where.includes(where)) known.where.push(where)
  }
  for (const [one, fitted] of [
    [setup, true],
    [stockSetup(project), false],
  ] as const) {
    const resolved = resolveSetup(project, one)
    for (const axle of AXLES)
      for (const slot of Object.keys(AXLE_SLOTS))
        add(resolved[axle][slot as keyof typeof AXLE_SLOTS], fitted ? axle : `baseline ${axle}`, fitted)
    for (const slot of Object.keys(HYDRAULIC_SLOTS))
      add(resolved[slot as keyof typeof HYDRAULIC_SLOTS], fitted ? 'hydraulics' : 'baseline', fitted)
  }
  return [...found.values()]
}
