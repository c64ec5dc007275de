import { AXLE_SLOTS, HYDRAULIC_SLOTS, type AxleSlot, type HydraulicSlot, type Setup } from '../records/setup.ts'
import { AXLES, type Axle } from '../quantity/axle.ts'
import type { Project } from '../records/project.ts'
import { PART_KINDS } from '../records/part-kinds.ts'
import { formatQuantity } from '../quantity/format.ts'
import type { UnitChoice } from '../quantity/units.ts'
import { BAR_MIDDLE } from '../balance/bore-report.ts'
import { setupOf, spaceOf, type Assignment, type SlotId, type SearchQuery } from './search-space.ts'
import type { SearchResult } from './search-report.ts'

/** A place in words: "front caliper", "rear valve". */
export function placeWords(place: SlotId): string {
  const [axle, slot] = place.split('.') as [Axle, AxleSlot | undefined]
  return slot === undefined
    ? HYDRAULIC_SLOTS[place as HydraulicSlot].label.toLowerCase()
    : `${axle} ${AXLE_SLOTS[slot].label.toLowerCase()}`
}

/** What a find changes, a line each: "front rotor: Estate front rotor", "wheels: Winter wheel", "booster: none". */
export function changesIn(
  project: Project,
  { parts, barFrontShare }: Pick<SearchResult, 'parts' | 'barFrontShare'>,
  units?: UnitChoice,
): string[] {
  const oneWheel = parts['front.wheel'] !== undefined && parts['front.wheel'] === parts['rear.wheel']
  const lines = (Object.entries(parts) as [SlotId, string | null][]).flatMap(([place, id]) => {
    const part = project.parts.find((one) => one.id === id)
    const name = id === null ? 'none' : (part?.name ?? 'a part that is gone')
    if (oneWheel && place.endsWith('.wheel')) return place === 'front.wheel' ? [`wheels: ${name}`] : []
    const axle = AXLES.find((one) => place.startsWith(`${one}.`))
    return [`${part && axle ? `${axle} ${PART_KINDS[part.kind].one}` : placeWords(place)}: ${name}`]
  })
  if (barFrontShare === undefined) return lines
  const far = barFrontShare < BAR_MIDDLE.low || barFrontShare > BAR_MIDDLE.high
  return [...lines, `balance bar: set to ${formatQuantity(barFrontShare, 'share', units)} front${far ? ', far from its centre' : ''}`]
}

/** What of a find makes its setup. */
export type AppliedResult = Pick<SearchResult, 'parts' | 'kits' | 'barFrontShare'>

/** A find as a setup of its own, named by what it changes. */
export function setupFromResult(project: Project, ask: SearchQuery, find: AppliedResult, id: string): Setup {
  const space = spaceOf(project, ask)
  const filling: Assignment = {}
  for (const name of Object.keys(space.options) as SlotId[]) {
    const changed = find.parts[name]
    filling[name] = changed === undefined ? space.now[name] : changed === null ? null : project.parts.find((part) => part.id === changed)
  }
  return setupOf(space, filling, id, resultName(project, find), find)
}

/** What names a find first: calipers, then what stops the car, then the rest. */
const NAMING: readonly string[] = ['caliper', 'masterCylinder', 'rotor', 'wheel', 'pad', 'valve', 'bracket', 'spacer', 'hose']
export function resultName(project: Project, { parts, barFrontShare }: Pick<SearchResult, 'parts' | 'barFrontShare'>): string {
  const names = (Object.entries(parts) as [SlotId, string | null][])
    .map(([place, id]) => ({ slot: place.split('.').at(-1)!, name: project.parts.find((part) => part.id === id)?.name }))
    .filter((one): one is { slot: string; name: string } => one.name !== undefined)
    .sort((a, b) => NAMING.indexOf(a.slot) - NAMING.indexOf(b.slot))
    .map((one) => one.name)
  const different = [...new Set(names)]
  if (different.length === 0) {
    if (Object.keys(parts).length > 0) return 'Without what was there'
    return barFrontShare === undefined ? 'Current car, from search' : 'Balance bar adjusted'
  }
  const more = different.length > 2 ? ` and ${different.length - 2} more` : ''
  return `${different.slice(0, 2).join(', ')}${more}`.slice(0, 120)
}
